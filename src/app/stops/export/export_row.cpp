// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/export/export_row.h"

#include "app/theme/theme.h"
#include "base/files/safe_file.h"
#include "base/quantity.h"

#include <QApplication>
#include <QDrag>
#include <QFileInfo>
#include <QGridLayout>
#include <QMimeData>
#include <QMouseEvent>
#include <QUrl>

namespace puretone::app {

FileLabel::FileLabel(QWidget* parent)
    : QLabel(parent)
{
}

void FileLabel::setFiles(const QList<QUrl>& files)
{
    files_ = files;
    if (files.isEmpty())
        unsetCursor();
    else
        setCursor(Qt::OpenHandCursor);
}

void FileLabel::mousePressEvent(QMouseEvent* event)
{
    pressedAt_ = event->position().toPoint();
}

void FileLabel::mouseMoveEvent(QMouseEvent* event)
{
    if (files_.isEmpty() || (event->buttons() & Qt::LeftButton) == 0
        || (event->position().toPoint() - pressedAt_).manhattanLength()
            < QApplication::startDragDistance())
        return;
    auto* drag = new QDrag(this);
    auto* files = new QMimeData;
    files->setUrls(files_);
    drag->setMimeData(files);
    drag->exec(Qt::CopyAction);
}

namespace {

constexpr int fewFiles = 3; ///< That are named without being asked for.

QLabel* addWrapped(QWidget* parent, const char* role)
{
    auto* label = new QLabel(parent);
    label->setProperty("role", role);
    label->setWordWrap(true);
    return label;
}

} // namespace

ExportRow::ExportRow(Session& session, Product product, QWidget* parent)
    : QWidget(parent)
    , session_(session)
    , product_(product)
    , tick_(new QCheckBox(this))
    , name_(new FileLabel(this))
    , size_(new QLabel(this))
    , use_(addWrapped(this, "quiet"))
    , said_(addWrapped(this, "heading"))
    , lost_(addWrapped(this, "quiet"))
    , files_(addWrapped(this, "quiet"))
    , report_(addWrapped(this, "quiet"))
    , all_(new QPushButton(this))
{
    const auto strong = Theme::font(14, Theme::Weight::medium);
    name_->setFont(strong);
    size_->setFont(strong);
    size_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    said_->setFont(Theme::font(13));
    tick_->setAccessibleName(tr("Write %1").arg(Exporting::nameOf(product)));
    tick_->setToolTip(tr("Whether it is written"));
    lost_->setAccessibleName(tr("What is not written"));
    all_->setProperty("kind", "plain");
    all_->setToolTip(tr("Every file with its size"));
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(0, 4, 0, 0);
    grid->setHorizontalSpacing(12);
    grid->setVerticalSpacing(1);
    grid->setColumnStretch(1, 1);
    grid->addWidget(tick_, 0, 0);
    grid->addWidget(name_, 0, 1);
    grid->addWidget(size_, 0, 2);
    int line = 1;
    grid->addWidget(all_, 1, 2, Qt::AlignRight);
    grid->addWidget(use_, line++, 1);
    for (auto* label : {said_, files_})
        grid->addWidget(label, line++, 1, 1, 2);
    for (auto* label : {lost_, report_})
        grid->addWidget(label, line++, 1, 1, 2);
    grid->setRowMinimumHeight(line++, 6);
    auto* rule = new QFrame(this);
    rule->setProperty("role", "rule");
    grid->addWidget(rule, line, 0, 1, 3);
    connect(tick_, &QCheckBox::toggled, this,
        [this](bool on) { session_.exporting().setTicked(product_, on); });
    connect(all_, &QPushButton::clicked, this, [this] {
        allShown_ = !allShown_;
        refresh();
    });
}

QString ExportRow::useText(const ProductPlan& plan) const
{
    const auto& choices = session_.exporting().wish().choices;
    switch (product_) {
    case Product::project:
        return tr("Opens here as it is, on any computer");
    case Product::sfz:
        return plan.files.size() == 2
            ? tr("Text with its sample beside it, for SFZ players")
            : tr("Text with %1 samples beside it, for SFZ players").arg(plan.files.size() - 1);
    case Product::soundFont:
        return tr("One file for SoundFont players");
    case Product::wavs:
        break;
    }
    if (choices.keyStep > 0)
        return tr("%1 keys as they sound here, effects included, each with its note inside")
            .arg(plan.files.size());
    return plan.files.size() < 2
        ? tr("For hardware and programs that read root, tuning and loop from a WAV")
        : tr("%1 takes, for hardware and programs that read root, tuning and loop from a WAV")
              .arg(plan.files.size());
}

void ExportRow::showFiles(const ProductPlan& plan)
{
    const auto count = int(plan.files.size());
    all_->setVisible(count > 1);
    all_->setText(allShown_ ? tr("⌄ %1 files").arg(count) : tr("› %1 files").arg(count));
    files_->setVisible(count > 1 && allShown_);
    if (count < 2 || !allShown_)
        return;
    QStringList lines;
    for (const auto& file : plan.files)
        lines << QStringLiteral("%1   %2").arg(
            QString::fromStdString(shownName(file.path)), typeset(formatBytes(file.bytes)));
    files_->setText(lines.join(QLatin1Char('\n')));
}

void ExportRow::showReport()
{
    const auto& t = Theme::tokens();
    const auto* report = session_.exporting().reportOf(product_);
    const bool busy = session_.exporting().writing() && session_.exporting().ticked(product_);
    report_->setVisible(report != nullptr || busy);
    QList<QUrl> files;
    if (busy) {
        report_->setText(tr("Writing…"));
        report_->setStyleSheet({});
    } else if (report != nullptr) {
        QString text = *report ? QStringLiteral("✓ ") + QString::fromStdString((*report)->checked)
                               : QString::fromStdString(report->error().sentence());
        text = typeset(text).toHtmlEscaped();
        if (*report && !(*report)->trouble.empty())
            text += QStringLiteral(" <span style=\"color: %1\">%2</span>")
                        .arg(t.coral.name(), typeset((*report)->trouble).toHtmlEscaped());
        report_->setTextFormat(Qt::RichText);
        report_->setText(text);
        report_->setStyleSheet(QStringLiteral("color: %1").arg((*report ? t.sea : t.coral).name()));
        if (*report)
            for (const auto& file : (*report)->files)
                files << QUrl::fromLocalFile(QString::fromStdString(file.string()));
    }
    name_->setFiles(files);
}

void ExportRow::refresh()
{
    const auto& exporting = session_.exporting();
    tick_->setChecked(exporting.ticked(product_));
    const auto path = QString::fromStdString(exporting.pathOf(product_).string());
    name_->setText(
        name_->fontMetrics().elidedText(QFileInfo(path).fileName(), Qt::ElideMiddle, 480));
    name_->setToolTip(exporting.reportOf(product_) != nullptr
            ? tr("%1\nDrag it into another program or a folder").arg(path)
            : path);
    const bool has = session_.take() != nullptr;
    const auto* plan = has ? exporting.planOf(product_) : nullptr;
    for (auto* label : {use_, said_, lost_, files_})
        label->setVisible(plan != nullptr);
    all_->setVisible(false);
    size_->setText({});
    if (plan != nullptr) {
        const auto size = typeset(formatBytes(plan->bytes));
        size_->setText(plan->files.empty() ? tr("nothing")
                : plan->exact              ? size
                                           : tr("about %1").arg(size));
        size_->setToolTip(
            plan->exact ? tr("%L1 bytes").arg(plan->bytes) : tr("Only writing it tells exactly"));
        use_->setText(useText(*plan));
        QStringList said, lost;
        for (const auto& words : plan->said)
            said << QString::fromStdString(words);
        if (!plan->fits)
            said << tr("and still too large");
        said_->setText(typeset(said.join(QStringLiteral(", ")).toStdString()));
        said_->setVisible(!said.isEmpty());
        said_->setStyleSheet(
            plan->fits ? QString() : QStringLiteral("color: %1").arg(Theme::tokens().coral.name()));
        for (const auto& loss : plan->losses)
            lost << QString::fromStdString(loss);
        lost_->setText(lost.join(QLatin1Char(' ')));
        lost_->setVisible(!lost.isEmpty());
        showFiles(*plan);
    }
    showReport();
}

} // namespace puretone::app
