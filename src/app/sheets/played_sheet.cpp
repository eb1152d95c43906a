// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/sheets/played_sheet.h"

#include "app/session/playing/played.h"
#include "app/theme/theme.h"
#include "app/widgets/file_dialogs.h"
#include "base/files/safe_file.h"
#include "base/quantity.h"
#include "formats/midi/midi_file.h"

#include <QFileInfo>

namespace puretone::app {

namespace {

constexpr int columns = 1400;

} // namespace

PlayedSheet::PlayedSheet(Session& session, QWidget* parent)
    : Sheet(parent, tr("What was played"))
    , session_(session)
    , kept_(session.player().kept())
    , strip_(new PlayedStrip(this))
    , said_(new QLabel(this))
{
    kept_->catchUp();
    const auto whole = kept_->range();
    const auto picture = kept_->picture(whole, columns);
    strip_->setPlayed(picture, whole, kept_->rate());
    content()->addWidget(strip_);
    said_->setProperty("role", "quiet");
    content()->addWidget(said_);
    notes_ = addButton(tr("Save notes\u2026"));
    take_ = addButton(tr("Make it a take"));
    save_ = addButton(tr("Save sound\u2026"), true);
    addButton(tr("Close"));
    // These leave the sheet by themselves, once something was chosen.
    for (auto* button : {notes_, take_, save_})
        button->disconnect();
    connect(save_, &QPushButton::clicked, this, &PlayedSheet::askForFile);
    connect(notes_, &QPushButton::clicked, this, &PlayedSheet::askForNotes);
    connect(take_, &QPushButton::clicked, this, [this] {
        makeTake();
        accept();
    });
    connect(strip_, &PlayedStrip::changed, this, &PlayedSheet::showChosen);
    strip_->choose(lastPlayed(picture, whole, kept_->rate()));
}

void PlayedSheet::showChosen()
{
    const auto& chosen = strip_->chosen();
    const bool any = chosen.to > chosen.from;
    said_->setText(any
            ? tr("%1 are chosen.").arg(typeset(formatSeconds(chosen.seconds(kept_->rate()))))
            : tr("Nothing was played yet."));
    for (auto* button : {notes_, take_, save_})
        button->setEnabled(any);
}

void PlayedSheet::save(const QString& path) const
{
    savePlayed(session_, kept_, strip_->chosen(), path);
}

void PlayedSheet::saveNotes(const QString& path) const
{
    const auto events = session_.player().keptNotes(strip_->chosen());
    const auto bytes = encodeMidiFile(events, session_.instrument().tempo);
    const auto written = writeWhole(path.toStdString(),
        [&](const std::filesystem::path& temporary) { return writeBytes(temporary, bytes); });
    if (written)
        session_.say(tr("%1 is written.").arg(QFileInfo(path).fileName()), false);
    else
        session_.say(QString::fromStdString(written.error().sentence()));
}

void PlayedSheet::makeTake()
{
    takePlayed(session_, kept_, strip_->chosen());
}

void PlayedSheet::askForFile()
{
    const auto path = dialogs::newSound(this, tr("Save what was played"), tr("played.wav"));
    if (path.isEmpty())
        return;
    save(path);
    accept();
}

void PlayedSheet::askForNotes()
{
    const auto path = dialogs::newFile(this, tr("Save the notes that were played"),
        tr("played.mid"), tr("MIDI files (*.mid)"), QStringLiteral("mid"), dialogs::Kind::results);
    if (path.isEmpty())
        return;
    saveNotes(path);
    accept();
}

} // namespace puretone::app
