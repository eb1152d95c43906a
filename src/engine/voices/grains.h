// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "engine/program/program.h"

#include <array>
#include <cstdint>
#include <optional>

namespace puretone {

/// What grains are read with in one cell.
struct GrainWay {
    const Kernel* kernel = nullptr;
    int octave = 0; ///< The copy that it reads.
    double speed = 1.0; ///< Frames of the recording per output frame, at the cell's first frame,
    double change = 0.0; ///< and how it grows with each frame.
    double rate = 48000.0; ///< Of the output.
    int most = Frozen::most; ///< Grains at once that there is time for.
};

/// A frozen moment: one place of a take, held by overlapping grains.
///
/// Grains begin whole periods of the take apart, and each reads from the same place of a period, so
/// that a steady tone goes on as itself, without ripple and in tune (Moulines and Charpentier,
/// "Pitch-synchronous waveform processing techniques", 1990). A grain shorter than one and a half
/// periods begins with each period: a tone of the key's pitch, coloured by what the grain holds.
/// Edges are slopes of the time between two grains or halves of a cosine, which sum to a constant.
/// Allocates nothing.
class GrainRun {
public:
    void start(std::uint32_t seed) noexcept;
    /// Fills frames of a cell, both channels where the sound has two.
    ///
    /// @param from First frame; earlier ones stay as they are.
    void read(const Frozen& how, const ProgramZone& zone, const GrainWay& way, int from, int to,
        float* left, float* right) noexcept;
    /// Grains that sound.
    int sounding() const noexcept { return sounding_; }
    /// Frame of the recording at which grains begin now.
    double place() const noexcept { return place_; }

private:
    struct Grain {
        double place = 0.0; ///< Of its first frame, frames of the recording.
        double detune = 1.0; ///< Of the voice's speed.
        double at = 0.0; ///< Output frames since it began; below 0 before.
        double length = 0.0; ///< Output frames; 0 where it does not sound.
        double edge = 0.0; ///< Output frames of each slope.
        double gain = 1.0;
        bool backward = false;
        bool fresh = true; ///< None of its frames has been read yet.
        bool cosine = true; ///< Its slopes.
    };
    /// How grains follow each other at the present pitch.
    struct Rhythm {
        double period = 0.0; ///< Output frames.
        double apart = 0.0, length = 0.0, edge = 0.0; ///< Output frames.
        double gain = 1.0;
    };
    static Rhythm rhythmOf(
        const Frozen& how, const ProgramZone& zone, const GrainWay& way, double speed) noexcept;
    void begin(const Frozen& how, const ProgramZone& zone, const Rhythm& rhythm, double speed,
        double later) noexcept;
    void add(Grain& grain, const ProgramZone& zone, const GrainWay& way, int from, int to,
        float* left, float* right) noexcept;
    void move(const Frozen& how, const ZoneSound& sound, double frames) noexcept;
    /// -1 to 1.
    double nextRandom() noexcept;

    std::array<Grain, Frozen::most> grains_;
    double untilNext_ = 0.0; ///< Output frames.
    double place_ = 0.0;
    double asked_ = -1.0; ///< The place in the document that `place_` began from.
    std::optional<double>
        anchor_; ///< Whole periods are counted from here, the first grain's place.
    double way_ = 1.0; ///< Direction of the drift.
    std::uint32_t random_ = 1;
    int sounding_ = 0;
};

} // namespace puretone
