// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/effects/print_sheet.h"

#include "app/stops/stop_view.h"
#include "app/widgets/file_dialogs.h"

#include <QFileInfo>

namespace puretone::app {

namespace {

const std::vector<std::vector<int>> touchRows = {{100}, {60, 110}, {40, 80, 120}};

} // namespace

PrintSheet::PrintSheet(Session& session, QWidget* parent)
    : Sheet(parent, tr("Print many keys"))
    , session_(session)
    , said_(new QLabel(this))
{
    auto* fields = new FieldColumn(this);
    const auto naming = [this] { return session_.naming(); };
    int low = 127, high = 0;
    for (const Layer& layer : session.instrument().layers)
        for (const Zone& zone : layer.zones)
            if (layer.on) {
                low = std::min(low, zone.lowKey);
                high = std::max(high, zone.highKey);
            }
    from_ = fields->addField(keyField(tr("From"), tr("The lowest key"), naming));
    to_ = fields->addField(keyField(tr("To"), tr("No key above this one"), naming));
    step_ = fields->addField(
        countField(tr("Every"), tr("Semitones from one printed key to the next"), 1, 24, 3));
    touches_ = fields->addChoice(tr("Touches"),
        tr("Several touches make ranges of touch; each takes as long again"),
        {tr("100"), tr("60 and 110"), tr("40, 80 and 120")});
    from_->setValue(std::min(low, high));
    to_->setValue(high);
    step_->setValue(3);
    for (auto* field : {from_, to_, step_})
        connect(field, &ValueField::edited, this, [this, field](double value, bool) {
            field->setValue(value);
            showCount();
        });
    connect(touches_, &ChoiceField::chosen, this, [this](int index) {
        touches_->setIndex(index);
        showCount();
    });
    content()->addWidget(fields);
    said_->setProperty("role", "quiet");
    said_->setWordWrap(true);
    content()->addWidget(said_);
    files_ = addButton(tr("Into files…"));
    takes_ = addButton(tr("Into takes"), true);
    addButton(tr("Cancel"));
    files_->disconnect(); // leaves the sheet once a folder was chosen
    connect(takes_, &QPushButton::clicked, this, [this] { session_.printing().printMany(many()); });
    connect(files_, &QPushButton::clicked, this, [this] {
        const auto folder =
            dialogs::folder(this, tr("Choose a folder for the prints"), dialogs::Kind::results);
        if (folder.isEmpty() || !mayReplace(session_.printing().filesOf(many(), folder)))
            return;
        session_.printing().printFiles(many(), folder);
        accept();
    });
    showCount();
}

/// Asks where files stand there already.
bool PrintSheet::mayReplace(const QStringList& paths)
{
    QStringList there;
    for (const auto& path : paths)
        if (QFileInfo::exists(path))
            there << QFileInfo(path).fileName();
    if (there.isEmpty())
        return true;
    Sheet question(this, tr("Replace files?"));
    question.addText(there.size() == 1 ? tr("%1 already exists in this folder.").arg(there.front())
                                       : tr("%1 files already exist in this folder, %2 among them.")
                                             .arg(there.size())
                                             .arg(there.front()));
    question.addButton(tr("Keep them"));
    const auto* replace = question.addButton(tr("Replace"), true);
    return question.ask() == replace;
}

PrintMany PrintSheet::many() const
{
    PrintMany many;
    many.plan = session_.printing().plan();
    many.from = int(std::lround(from_->value()));
    many.to = int(std::lround(to_->value()));
    many.step = int(std::lround(step_->value()));
    many.touches = touchRows[std::size_t(std::max(0, touches_->index()))];
    return many;
}

void PrintSheet::showCount()
{
    const auto count = plansOf(session_.instrument(), many()).size();
    said_->setText(count == 0 ? tr("No layer plays any of these keys.")
                              : tr("%1 prints. They come to stand on a layer of their own, spread "
                                   "halfway between each other.")
                                    .arg(count));
    takes_->setEnabled(count > 0);
    files_->setEnabled(count > 0);
}

} // namespace puretone::app
