// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/threads/progress.h"
#include "model/instrument/instrument.h"

#include <compare>
#include <functional>
#include <map>
#include <memory>

namespace puretone {

// Layers that keep the length of their takes: every key plays a sound of its own, made from the
// take by moving its pitch alone. They are derived, made beside the playing, and no part of the
// document.

/// A take as one key plays it.
struct KeptKey {
    /// Its sound is the moved one; kept part and loop are places in that. The loop's end stands
    /// where the moved sound meets its own start.
    Take take;
    Take source; ///< What it was made from.
    std::int64_t from = 0; ///< Frame of the original sound at which the moved one begins.
    std::uint64_t bytes() const
    {
        return take.audio().channelCount() * std::uint64_t(take.audio().frames()) * 4;
    }
};

/// What one key of a layer needs.
struct KeptWish {
    TakeId take;
    double semitones = 0.0;
    bool formants = true;
    bool operator==(const KeptWish&) const = default;
    std::partial_ordering operator<=>(const KeptWish&) const = default;
};

/// Longer notes are played as recorded: nobody waits for so much to be made.
inline constexpr double longestKeptSeconds = 60.0;
bool canKeepLength(const Take& take);

/// What a key of a layer that keeps the length needs: octave and pitch follow counted, fine tuning
/// not, which is left to the playing.
KeptWish keptWish(const Layer& layer, const Take& take, int key);

/// Moves the pitch of a sound and keeps its length: shiftPitch, or something that remembers.
using PitchMover = std::function<AudioPtr(
    const Audio& audio, double semitones, bool keepsFormants, const Progress& progress)>;

/// Moves the pitch of a take.
///
/// @param known Made before from the same sound: where only the loop or the kept part has changed
/// since, its sound is used again.
/// @return Null when cancelled.
std::shared_ptr<const KeptKey> makeKept(const Take& take, double semitones, bool formants,
    const Progress& progress = {}, const KeptKey* known = nullptr, const PitchMover& mover = {});

/// What has been made. A value; what is in it is shared.
class KeptLengths {
public:
    /// Null where it has not been made, or the take has changed since.
    std::shared_ptr<const KeptKey> find(const Take& take, const KeptWish& wish) const;
    /// Made from the same sound, whatever else has changed since.
    std::shared_ptr<const KeptKey> alike(const Take& take, const KeptWish& wish) const;
    void put(const KeptWish& wish, std::shared_ptr<const KeptKey> made);
    /// Forgets what an instrument has no use for.
    void keepFor(const Instrument& instrument);
    std::uint64_t bytes() const;
    std::size_t count() const { return entries_.size(); }

private:
    std::map<KeptWish, std::shared_ptr<const KeptKey>>
        entries_; ///< Each knows what it was made from.
};

/// What is still to be made for an instrument, those near the roots first, each once.
std::vector<KeptWish> lackingLengths(const Instrument& instrument, const KeptLengths& made);
/// What an instrument wants in all.
std::vector<KeptWish> wantedLengths(const Instrument& instrument);

/// Makes what is lacking, on all cores. False when cancelled.
bool makeLengths(const Instrument& instrument, KeptLengths& made, const Progress& progress = {});

} // namespace puretone
