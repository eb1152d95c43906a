// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "devices/devices.h"

#include <array>
#include <atomic>
#include <condition_variable>
#include <mutex>
#include <thread>

namespace puretone {

/// Notes in beats, to be played round and round.
struct Phrase {
    struct Event {
        double beat = 0.0;
        MidiEvent event;
        bool operator==(const Event&) const = default;
    };
    std::string name;
    double beats = 4.0; ///< Of one round, above 0.
    std::vector<Event> events; ///< By their beats, growing.
    bool operator==(const Phrase&) const = default;
};

/// Plays a phrase round and round on a thread of its own, so that hands are free: what it sends is
/// sent at its moment. Everything but the client is called on one thread.
class PhrasePlayer {
public:
    explicit PhrasePlayer(MidiClient client);
    ~PhrasePlayer();
    PhrasePlayer(const PhrasePlayer&) = delete;
    PhrasePlayer& operator=(const PhrasePlayer&) = delete;

    /// From its beginning; the one before ends with all of its notes.
    void play(Phrase phrase);
    void stop();
    bool plays() const;
    /// Beats a minute; also while it plays.
    void setTempo(double tempo) { tempo_.store(tempo, std::memory_order_relaxed); }

private:
    void run();
    void endNotes();

    MidiClient client_;
    mutable std::mutex lock_;
    std::condition_variable wake_;
    Phrase phrase_;
    bool plays_ = false, ends_ = false;
    int round_ = 0; ///< Counts plays and stops.
    std::array<bool, 128> sounding_{};
    std::atomic<double> tempo_{96.0};
    std::thread thread_;
};

/// What ships: a bass line, chords, a scale over the whole range, one long note.
///
/// @param low,high Keys that sound. @param root Around which they are made.
std::vector<Phrase> shippedPhrases(int low, int high, int root);

} // namespace puretone
