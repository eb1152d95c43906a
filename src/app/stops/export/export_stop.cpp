// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/export/export_stop.h"

#include "app/stops/export/export_fields.h"
#include "app/theme/theme.h"
#include "app/widgets/file_dialogs.h"
#include "app/widgets/sheet.h"

#include <QScrollArea>

namespace puretone::app {

ExportStop::ExportStop(Session& s, QWidget* parent)
    : StopView(s, tr("Export"), parent)
{
    buildReady();
    auto* scroll = new QScrollArea(this);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setFocusPolicy(Qt::NoFocus); // its rows have it
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    auto* list = new QWidget(scroll);
    auto* column = new QVBoxLayout(list);
    column->setContentsMargins(0, 0, 6, 0);
    for (const auto product : allProducts) {
        rows_.push_back(new ExportRow(s, product, list));
        column->addWidget(rows_.back());
    }
    column->addStretch(1);
    scroll->setWidget(list);
    bench()->addWidget(scroll, 1);
    buildFoot();
    buildName();
    fields_ = new ExportFields(s, details());
    details()->column()->addStretch(1);
    connect(
        hear_, &QPushButton::clicked, this, [this](bool on) { session().exporting().hear(on); });
    connect(write_, &QPushButton::clicked, this, [this] {
        if (mayReplace())
            writeTicked();
    });
    connect(save_, &QPushButton::clicked, this, &ExportStop::saveAsked);
    connect(&s.exporting(), &Exporting::changed, this, [this] {
        if (isVisible())
            refresh();
    });
}

void ExportStop::buildReady()
{
    auto* heading = new QLabel(tr("What will be written"), this);
    heading->setFont(Theme::font(14, Theme::Weight::strong));
    bench()->addWidget(heading);
    auto* row = new QHBoxLayout;
    row->setSpacing(8);
    for (const auto& choice : readyExports()) {
        auto* button = new QPushButton(choice.name, this);
        button->setProperty("role", "small");
        button->setCheckable(true);
        button->setToolTip(choice.tip);
        row->addWidget(button);
        ready_.push_back(button);
        button->setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
        connect(button, &QPushButton::clicked, this, [this, choice] {
            session().exporting().set(choice.exports, tr("Choose %1").arg(choice.name));
            refresh();
        });
    }
    row->addStretch(1);
    bench()->addLayout(row);
}

void ExportStop::buildFoot()
{
    summary_ = new QLabel(this);
    summary_->setProperty("role", "quiet");
    summary_->setWordWrap(true);
    bench()->addWidget(summary_);
    auto* row = new QHBoxLayout;
    row->setSpacing(8);
    row->addStretch(1);
    const auto add = [&](const QString& text, const QString& tip) {
        auto* button = new QPushButton(text, this);
        button->setToolTip(tip);
        row->addWidget(button);
        return button;
    };
    hear_ = add(tr("Hear it as written"),
        tr("The keys play the samples as they will be written, without effects"));
    hear_->setCheckable(true);
    save_ = add(tr("Save instrument"), tr("The instrument with its audio inside (Ctrl+S)"));
    write_ =
        add(tr("Write ticked files"), tr("Writes, reads back, plays and checks each ticked file"));
    write_->setProperty("kind", "main");
    bench()->addLayout(row);
}

void ExportStop::buildName()
{
    const auto addLine = [this](const QString& label) {
        auto* name = new QLabel(label, this);
        name->setProperty("role", "quiet");
        details()->column()->addWidget(name);
        auto* line = new QLineEdit(this);
        line->setAccessibleName(label);
        details()->column()->addWidget(line);
        return line;
    };
    name_ = addLine(tr("Name of the instrument"));
    folder_ = addLine(tr("Folder"));
    folder_->setText(session().exporting().folder());
    auto* choose = details()->addButton(tr("Choose folder"), tr("Where the files go"));
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        const QString wanted = name_->text().trimmed();
        // What only had the focus may still show the name of another document.
        if (name_->isModified() && !wanted.isEmpty())
            session().edit(
                tr("Rename instrument"), [&](Instrument& i) { i.name = wanted.toStdString(); });
        name_->setModified(false);
        refresh();
    });
    connect(folder_, &QLineEdit::textChanged, this,
        [this](const QString& text) { session().exporting().setFolder(text); });
    connect(choose, &QPushButton::clicked, this, [this] {
        const auto chosen =
            dialogs::folder(this, tr("Folder for the files"), dialogs::Kind::results);
        if (!chosen.isEmpty())
            setFolder(chosen);
    });
}

void ExportStop::setFolder(const QString& folder)
{
    folder_->setText(folder);
}

bool ExportStop::mayReplace()
{
    const auto there = session().exporting().inTheWay();
    if (there.isEmpty())
        return true;
    Sheet question(this, tr("Replace what is there?"));
    question.addText(tr("%1 is there already.").arg(there.join(tr(", "))));
    question.addButton(tr("Keep it"));
    const auto* replace = question.addButton(tr("Replace"), true);
    return question.ask() == replace;
}

void ExportStop::hideEvent(QHideEvent* event)
{
    // Elsewhere keys play the document.
    if (session().exporting().hearing())
        session().exporting().hear(false);
    StopView::hideEvent(event);
}

void ExportStop::refresh()
{
    auto& exporting = session().exporting();
    const QSignalBlocker quiet(&exporting);
    exporting.refresh();
    const bool has = session().take() != nullptr;
    if (!name_->hasFocus() || !name_->isModified())
        name_->setText(QString::fromStdString(session().instrument().name));
    if (!folder_->hasFocus())
        folder_->setText(exporting.folder());
    for (auto* row : rows_)
        row->refresh();
    fields_->refresh();
    const auto choices = readyExports();
    const bool any = std::any_of(allProducts.begin(), allProducts.end(),
        [&](Product product) { return exporting.ticked(product); });
    for (std::size_t i = 0; i < choices.size(); ++i)
        ready_[i]->setChecked(choices[i].exports == session().instrument().exports);
    hear_->setEnabled(has);
    hear_->setChecked(exporting.hearing());
    write_->setEnabled(has && any && !exporting.writing());
    save_->setEnabled(has);
    summary_->setText(has ? tr("Every file is read back, played and compared after writing.")
                          : tr("There is nothing to write yet: open a recording first."));
}

} // namespace puretone::app
