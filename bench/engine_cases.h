// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "engine/engine.h"

#include <functional>

namespace bench {

/// 32 takes of 2 s, each looped, a few keys each around its root. @param moved With filter, its
/// envelope, a slow wave on pitch and cutoff, and touch.
puretone::Instrument thirtyTwoTakes(std::size_t channels, bool moved);

/// CPU seconds that one voice of ours takes for a second of sound: 225 of them at once.
double ourCost(const puretone::Instrument& instrument, int block);

/// libfluidsynth playing the same instrument from a SoundFont, with its filter and both slow waves
/// on, reverb and chorus off.
class Fluid {
public:
    Fluid(const puretone::Instrument& instrument, int order);
    ~Fluid();
    Fluid(const Fluid&) = delete;
    Fluid& operator=(const Fluid&) = delete;
    double cost(int block);

private:
    struct State;
    std::unique_ptr<State> state_;
};

struct BlockTimes {
    double median, most, worst; ///< Seconds; `most`: 999 of 1000 are no longer.
};
BlockTimes blockTimes(const puretone::Instrument& instrument, double seconds);

/// Of a key that three of so many zones play.
double noteOnSeconds(int zones);

/// Resident memory of a process that opened takes and compiled them for the engine, as a multiple
/// of their samples as floats.
double memoryOf(int takes, double seconds, int keysEach);

/// Resident bytes that 200 steps over ten minutes of stereo cost beyond the recording: every tenth
/// treats it anew, the others move a post.
double historyBytes();

double movedPostSeconds();
double changedEnvelopeSeconds();
double openingSeconds();

struct Purity {
    double sine, material; ///< dB
    double filtered; ///< The sines, through a filter that stands still.
};
Purity worstPurity();

} // namespace bench
