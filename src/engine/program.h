// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "engine/copies.h"
#include "engine/prepared.h"
#include "model/instrument.h"

#include <array>

namespace puretone {

/// What a voice reads: the recording in place and, where it loops, the stretch around the seam with
/// its crossfade in it. All positions are frames of the recording.
struct ZoneSound {
    std::shared_ptr<const SoundCopies> recorded;
    std::shared_ptr<const SoundCopies> looped; ///< Null without a loop.
    double loopedFrom = 0.0; ///< From here on `looped` is read.
    double start = 0.0;
    double end = 0.0; ///< Where a sound without loop ends, or one that has left its loop.
    /// Reaching this, the position goes back by one loop length. It lies a little behind the loop's
    /// end, in material that goes on as the loop does, so that both sides of the jump are alike for
    /// as far as any filter sees: the joint is exact in every bandwidth.
    double wrapAt = 0.0;
    double loopLength = 0.0; ///< Frames of the baked turn; 0 without a loop.
    double loopEnd = 0.0; ///< Where the turn ends.
    LoopMode mode = LoopMode::forward;
    Loop loop; ///< As set.
    FadePlan fades;
    double rate = 48000.0;

    bool loops() const { return loopLength > 0.0; }
    /// Whether it plays to its end by itself once the key is let go, whatever the envelope says.
    bool endsItself() const noexcept
    {
        return mode == LoopMode::oneShot || mode == LoopMode::untilRelease;
    }
    /// A position as people see it: a place in the recording.
    double shownPlace(double position, bool left) const noexcept
    {
        const double from = loopEnd - loopLength;
        if (!loops() || position < from)
            return position;
        if (left && position >= loopEnd)
            return double(loop.span.end.value) + position - loopEnd;
        return recordedPlace(loop, std::fmod(position - from, loopLength));
    }
};

struct ProgramZone {
    int id = 0;
    int take = 0;
    int lowKey = 0, highKey = 127;
    int lowVelocity = 1, highVelocity = 127;
    double midi = 60.0; ///< Pitch at the recorded speed.
    std::shared_ptr<const ZoneSound> sound;
};

/// An instrument as the audio thread needs it. Immutable; freed away from the audio thread.
struct Program {
    std::vector<ProgramZone> zones; ///< By their ids, growing.
    Envelope envelope;
    /// Indices into `zones` of those that a key may sound, so that a note looks at no others.
    std::array<std::vector<std::uint32_t>, 128> zonesOfKey;

    /// Audio thread. Null where there is none.
    const ProgramZone* zone(int id) const noexcept;
};

/// Turns documents into programs and remembers the costly parts: a moved loop costs the stretch
/// around the seam only, a new envelope next to nothing. Not thread-safe: one user at a time.
class Compiler {
public:
    /// @param rate Of the output, frames per second.
    std::unique_ptr<const Program> compile(const Instrument& instrument, double rate);

private:
    struct Recorded {
        AudioPtr audio;
        std::shared_ptr<const SoundCopies> copies;
    };
    struct Known {
        Take take; ///< As it was when `sound` was made.
        double fastest = 0.0;
        std::shared_ptr<const ZoneSound> sound;
    };
    std::shared_ptr<const SoundCopies> recordedCopies(const Take& take, double fastest);
    std::shared_ptr<const ZoneSound> soundOf(const Take& take, double fastest);

    std::vector<Recorded> recorded_;
    std::vector<Known> known_;
};

} // namespace puretone
