// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "devices/phrase_player.h"

#include <QObject>
#include <QString>

namespace puretone::app {

class Session;

/// What plays round and round while hands are at the bench: phrases that ship, made for the keys
/// that sound, and MIDI files that were added.
class Listening : public QObject {
    Q_OBJECT

public:
    explicit Listening(Session& session);
    /// The shipped ones, then the files.
    std::vector<Phrase> list() const;
    /// Reads a MIDI file into the list. @return Its place, or -1 where it cannot be read, which is
    /// said.
    int addFile(const QString& path);
    void play(int place);
    void stop();
    bool plays() const { return playing_ >= 0; }
    /// Place of what plays; -1 for nothing.
    int playing() const { return playing_; }
    /// After the document changed: its tempo.
    void refresh();

signals:
    void changed();

private:
    Session& session_;
    std::vector<Phrase> files_;
    int playing_ = -1;
    PhrasePlayer player_;
};

} // namespace puretone::app
