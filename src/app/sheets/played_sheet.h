// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/widgets/sheet.h"
#include "app/widgets/wave/played_strip.h"

#include <QLabel>

namespace puretone::app {

/// The last ten minutes that were played: a stretch of them becomes a file or a take, its notes a
/// MIDI file.
class PlayedSheet : public Sheet {
    Q_OBJECT

public:
    /// What is kept must be there.
    PlayedSheet(Session& session, QWidget* parent);
    PlayedStrip* strip() { return strip_; }
    /// Writes the chosen stretch as WAV or FLAC, by the name's ending, and says how it went.
    void save(const QString& path) const;
    void saveNotes(const QString& path) const;
    /// Adds it to the instrument as a take.
    void makeTake();

private:
    void showChosen();
    void askForFile();
    void askForNotes();

    Session& session_;
    std::shared_ptr<KeptAudio> kept_; ///< Also when its device goes meanwhile.
    PlayedStrip* strip_;
    QLabel* said_;
    QPushButton *save_, *take_, *notes_;
};

} // namespace puretone::app
