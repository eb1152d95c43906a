// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/export_stop.h"

#include "app/theme/theme.h"
#include "app/widgets/sheet.h"
#include "base/quantity.h"

#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QStandardPaths>

namespace puretone::app {

namespace {

const char* extensionOf(FileKind kind)
{
    switch (kind) {
    case FileKind::project:
        return ".puretone";
    case FileKind::wav:
        return ".wav";
    case FileKind::sfz:
        return ".sfz";
    case FileKind::sf2:
        break;
    }
    return ".sf2";
}

QString useOf(FileKind kind)
{
    switch (kind) {
    case FileKind::project:
        return ExportStop::tr("Opens here as it is, on any computer");
    case FileKind::wav:
        return ExportStop::tr(
            "The first take, for hardware and programs that read root and loop from a WAV");
    case FileKind::sfz:
        return ExportStop::tr("Text with a 24-bit WAV beside it, for SFZ players");
    case FileKind::sf2:
        break;
    }
    return ExportStop::tr("One 16-bit file for SoundFont players");
}

} // namespace

ExportStop::ExportStop(Session& s, QWidget* parent)
    : StopView(s, tr("Export"), parent)
{
    auto* heading = new QLabel(tr("What will be written"), this);
    heading->setFont(Theme::font(14, Theme::Weight::strong));
    bench()->addWidget(heading);
    grid_ = new QGridLayout;
    grid_->setHorizontalSpacing(16);
    grid_->setVerticalSpacing(2);
    grid_->setColumnStretch(2, 1);
    bench()->addLayout(grid_);
    int line = 0;
    for (const auto kind : {FileKind::project, FileKind::wav, FileKind::sfz, FileKind::sf2})
        addRow(kind, line++);
    bench()->addStretch(1);
    summary_ = new QLabel(this);
    summary_->setProperty("role", "quiet");
    summary_->setWordWrap(true);
    bench()->addWidget(summary_);

    auto* nameLabel = new QLabel(tr("Name of the instrument"), this);
    nameLabel->setProperty("role", "quiet");
    details()->column()->addWidget(nameLabel);
    name_ = new QLineEdit(this);
    name_->setAccessibleName(tr("Name of the instrument"));
    details()->column()->addWidget(name_);
    auto* folderLabel = new QLabel(tr("Folder"), this);
    folderLabel->setProperty("role", "quiet");
    details()->column()->addWidget(folderLabel);
    folder_ = new QLineEdit(this);
    folder_->setAccessibleName(tr("Folder"));
    details()->column()->addWidget(folder_);
    auto* choose = details()->addButton(tr("Choose folder"), tr("Where the files go"));
    details()->column()->addStretch(1);
    write_ = details()->addButton(
        tr("Write ticked files"), tr("Writes, reads back and checks each ticked file"), true);
    save_ = details()->addButton(
        tr("Save instrument"), tr("The instrument with its audio inside (Ctrl+S)"));
    const auto music = QStandardPaths::writableLocation(QStandardPaths::MusicLocation);
    setFolder(QFileInfo(music).isDir() ? music : QDir::homePath());

    connect(name_, &QLineEdit::editingFinished, this, [this] {
        const QString wanted = name_->text().trimmed();
        if (!wanted.isEmpty())
            session().edit(
                tr("Rename instrument"), [&](Instrument& i) { i.name = wanted.toStdString(); });
        refresh();
    });
    connect(folder_, &QLineEdit::textChanged, this, [this] { refresh(); });
    connect(choose, &QPushButton::clicked, this, [this] {
        const auto chosen =
            QFileDialog::getExistingDirectory(this, tr("Folder for the files"), folder());
        if (!chosen.isEmpty())
            setFolder(chosen);
    });
    connect(write_, &QPushButton::clicked, this, [this] {
        if (mayReplace())
            writeTicked();
    });
    connect(save_, &QPushButton::clicked, this, &ExportStop::saveAsked);
}

void ExportStop::addRow(FileKind kind, int line)
{
    Row row{kind, new QCheckBox(this), new QLabel(this), new QLabel(this), new QLabel(this),
        new QLabel(this)};
    row.tick->setChecked(true);
    row.tick->setAccessibleName(tr("Write %1").arg(QString::fromLatin1(extensionOf(kind))));
    row.file->setFont(Theme::font(14, Theme::Weight::medium));
    row.size->setFont(Theme::font(14, Theme::Weight::medium));
    row.size->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    auto* use = new QLabel(useOf(kind), this);
    use->setProperty("role", "quiet");
    row.report->setWordWrap(true);
    row.lost->setWordWrap(true);
    row.lost->setAccessibleName(tr("What is not written"));
    const int top = 5 * line;
    grid_->addWidget(row.tick, top, 0);
    grid_->addWidget(row.file, top, 1, 1, 2);
    grid_->addWidget(row.size, top, 3);
    grid_->addWidget(use, top + 1, 1, 1, 2);
    grid_->addWidget(row.lost, top + 2, 1, 1, 3);
    grid_->addWidget(row.report, top + 3, 1, 1, 3);
    auto* rule = new QFrame(this);
    rule->setProperty("role", "rule");
    grid_->addWidget(rule, top + 4, 0, 1, 4);
    connect(row.tick, &QCheckBox::toggled, this, [this] { refresh(); });
    rows_.push_back(row);
}

void ExportStop::setFolder(const QString& folder)
{
    folder_->setText(folder);
}

QString ExportStop::pathOf(const Row& row) const
{
    QString name = name_->text().trimmed();
    name.replace(QLatin1Char('/'), QLatin1Char('-'));
    return folder() + QLatin1Char('/') + (name.isEmpty() ? QStringLiteral("Untitled") : name)
        + QLatin1String(extensionOf(row.kind));
}

bool ExportStop::mayReplace()
{
    QStringList there;
    for (const auto& row : rows_)
        if (row.tick->isChecked() && QFileInfo::exists(pathOf(row)))
            there << QFileInfo(pathOf(row)).fileName();
    if (there.isEmpty())
        return true;
    Sheet question(this, tr("Replace what is there?"));
    question.addText(tr("%1 is there already.").arg(there.join(tr(", "))));
    question.addButton(tr("Keep it"));
    const auto* replace = question.addButton(tr("Replace"), true);
    return question.ask() == replace;
}

void ExportStop::writeTicked()
{
    struct Wish {
        std::size_t row;
        std::string path;
    };
    std::vector<Wish> wishes;
    for (std::size_t i = 0; i < rows_.size(); ++i)
        if (rows_[i].tick->isChecked()) {
            wishes.push_back({i, pathOf(rows_[i]).toStdString()});
            rows_[i].report->setText(tr("Writing…"));
            rows_[i].report->setStyleSheet({});
        }
    write_->setEnabled(false);
    using Results = std::vector<std::pair<std::size_t, Result<Written>>>;
    const auto version = session().version();
    session().background().run(
        JobKind::exportFiles, Background::Running::finish,
        [document = version.value, wishes](const Progress&) {
            Results results;
            for (const auto& wish : wishes)
                results.emplace_back(wish.row, writeInstrument(document, wish.path));
            return results;
        },
        [this, version](const Results& results) {
            for (const auto& [index, result] : results) {
                report(rows_[index], result);
                if (result && rows_[index].kind == FileKind::project)
                    session().saving().wasWritten(
                        version, QString::fromStdString(result->files.front().string()));
            }
            write_->setEnabled(true);
        },
        Background::Lane::keeping,
        [this, wishes](const Error& error) {
            for (const auto& wish : wishes)
                report(rows_[wish.row], tl::unexpected(error));
            write_->setEnabled(true);
        });
}

void ExportStop::report(const Row& row, const Result<Written>& result)
{
    const auto& t = Theme::tokens();
    row.report->setText(result ? QStringLiteral("✓ ") + QString::fromStdString(result->checked)
                               : QString::fromStdString(result.error().sentence()));
    row.report->setStyleSheet(QStringLiteral("color: %1").arg((result ? t.sea : t.coral).name()));
    if (!result)
        session().say(QString::fromStdString(result.error().sentence()));
}

void ExportStop::refresh()
{
    const Instrument& instrument = session().instrument();
    const bool has = session().take() != nullptr;
    if (!name_->hasFocus())
        name_->setText(QString::fromStdString(instrument.name));
    bool any = false;
    for (const auto& row : rows_) {
        const QString name = QFileInfo(pathOf(row)).fileName();
        row.file->setText(row.file->fontMetrics().elidedText(name, Qt::ElideMiddle, 520));
        row.file->setToolTip(pathOf(row));
        row.size->setText(
            has ? typeset("about " + formatBytes(estimateBytes(instrument, row.kind))) : QString());
        any = any || row.tick->isChecked();
        QStringList lost;
        for (const auto& loss : lossesOf(instrument, row.kind))
            lost << QString::fromStdString(loss);
        row.lost->setText(lost.join(QLatin1Char(' ')));
        row.lost->setStyleSheet(QStringLiteral("color: %1").arg(Theme::tokens().coral.name()));
        row.lost->setVisible(has && !lost.isEmpty());
    }
    if (!session().background().busy(JobKind::exportFiles))
        write_->setEnabled(has && any);
    save_->setEnabled(has);
    summary_->setText(has
            ? tr("Every file is read back after writing and compared with what you hear; "
                 "what was checked then stands below its name.")
            : tr("There is nothing to write yet: open a recording first."));
}

} // namespace puretone::app
