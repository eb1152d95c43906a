// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cmath>

// Numbers of the SoundFont Technical Specification, version 2.04 (2006).
namespace puretone::sf2 {

/// Section 8.1.2.
enum Generator : unsigned {
    startOffset = 0,
    endOffset = 1,
    startOffsetCoarse = 4,
    modLfoToPitch = 5,
    vibLfoToPitch = 6,
    modEnvToPitch = 7,
    initialFilterFc = 8,
    initialFilterQ = 9,
    modLfoToFilterFc = 10,
    modEnvToFilterFc = 11,
    endOffsetCoarse = 12,
    modLfoToVolume = 13,
    chorusSend = 15,
    reverbSend = 16,
    pan = 17,
    delayModLfo = 21,
    freqModLfo = 22,
    delayVibLfo = 23,
    freqVibLfo = 24,
    delayModEnv = 25,
    attackModEnv = 26,
    holdModEnv = 27,
    decayModEnv = 28,
    sustainModEnv = 29,
    releaseModEnv = 30,
    initialAttenuation = 48,
    keyToModHold = 31,
    keyToModDecay = 32,
    delayVolEnv = 33,
    attackVolEnv = 34,
    holdVolEnv = 35,
    decayVolEnv = 36,
    sustainVolEnv = 37,
    releaseVolEnv = 38,
    keyToVolHold = 39,
    keyToVolDecay = 40,
    instrumentIndex = 41,
    keyRange = 43,
    velRange = 44,
    startLoopOffset = 2,
    endLoopOffset = 3,
    startLoopCoarse = 45,
    fixedKey = 46,
    fixedVelocity = 47,
    endLoopCoarse = 50,
    coarseTune = 51,
    fineTune = 52,
    sampleId = 53,
    sampleModes = 54,
    scaleTuning = 56,
    exclusiveClass = 57,
    overridingRootKey = 58,
};

/// Section 7.10.
enum SampleType : unsigned { monoSample = 1, rightSample = 2, leftSample = 4 };
inline constexpr int silenceBehind = 46; ///< Zero frames behind every sample.

inline int timecents(double seconds)
{
    return seconds <= 0.001
        ? -12000
        : std::clamp(int(std::lround(1200.0 * std::log2(seconds))), -12000, 8000);
}
inline double secondsOf(int cents)
{
    return cents <= -12000 ? 0.0 : std::exp2(cents / 1200.0);
}

} // namespace puretone::sf2
