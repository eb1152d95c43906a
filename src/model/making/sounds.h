// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/threads/progress.h"
#include "model/instrument/instrument.h"

#include <deque>

namespace puretone {

// Treated sounds are derived: documents that wait in the history go without them.

/// Whether something is done to a take's recording whose result is not at hand.
bool lacksSound(const Take& take);
bool lacksSound(const Instrument& instrument);
/// Makes the treated sounds that are lacking, on all cores. @return False when cancelled.
bool makeSounds(Instrument& instrument, const Progress& progress = {});
/// The document without its treated sounds.
Instrument withoutSounds(Instrument instrument);

/// Treated sounds by what they were made from, up to a number of bytes; those that came
/// first go first. What goes is made again from the recording.
class SoundCache {
public:
    explicit SoundCache(std::uint64_t mostBytes)
        : mostBytes_(mostBytes)
    {
    }
    void keep(const Instrument& instrument);
    /// Gives takes that lack their sound those that are here.
    void fill(Instrument& instrument) const;
    std::uint64_t bytes() const { return bytes_; }

private:
    struct Entry {
        std::string recording; ///< Its hash.
        Treatments treatments;
        AudioPtr audio;
    };
    std::deque<Entry>::const_iterator find(const Take& take) const;

    std::uint64_t mostBytes_, bytes_ = 0;
    std::deque<Entry> entries_; ///< In the order in which they were last kept.
};

} // namespace puretone
