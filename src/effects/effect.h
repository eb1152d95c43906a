// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/files/sound_file.h"

#include <array>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace puretone {

enum class EffectKind {
    equaliser,
    drive,
    crush,
    compressor,
    duck,
    chorus,
    phaser,
    flanger,
    tremolo,
    echo,
    reverb,
    space, ///< Reverb from an impulse response.
    width,
};
inline constexpr int effectKindCount = int(EffectKind::width) + 1;
inline constexpr std::size_t mostEffects = 16; ///< Of an instrument.
inline constexpr std::size_t mostParameters = 12; ///< Of an effect.
inline constexpr int mostEffectId = 100'000'000;
/// An impulse response is heard for as long as this.
inline constexpr double longestImpulse = 20.0; // seconds

using EffectValues = std::array<double, mostParameters>;

/// One effect of the chain. What its values mean stands in EffectFacts.
struct Effect {
    int id = 0; ///< Unique in the instrument, above 0.
    EffectKind kind = EffectKind::echo;
    bool on = true;
    EffectValues values{}; ///< Behind the kind's own ones 0.
    RecordingRef impulse; ///< Of a space; null: it does nothing.
    bool operator==(const Effect&) const = default;
};
using Effects = std::vector<Effect>;

/// What a number of an effect is.
enum class ParameterUnit {
    share, ///< 0 to 1, or to `high`; shown in percent.
    decibels,
    hertz,
    seconds,
    songTime, ///< See base/song_time.h; low and high are seconds.
    number,
    key, ///< Of the keyboard.
    choice, ///< One of the words.
};

struct ParameterFacts {
    const char* name; ///< In files, and in generated programs.
    const char* label;
    const char* tip;
    ParameterUnit unit;
    double low, high, standard;
    std::array<const char*, 4> words{}; ///< Of a choice; null behind the last one.
    /// Which end of its range does nothing at all: a cut that is off.
    enum class Off { never, atLow, atHigh } off = Off::never;
    bool operator==(const ParameterFacts&) const = default;
};

/// How what an effect makes joins what comes in, by its last value, "mix".
enum class MixLaw {
    none, ///< It has no mix: what it makes goes on.
    crossfade, ///< From one to the other.
    added, ///< Up to the middle it is added; from there what comes in goes. Rings on by itself.
};

struct EffectFacts {
    const char* name; ///< In files.
    const char* word; ///< "echo"
    const char* title; ///< "Echo"
    const char* tip; ///< What it does to the sound.
    MixLaw mix;
    std::span<const ParameterFacts> parameters;

    /// Place of a parameter; -1 where there is none of that name.
    int place(std::string_view parameter) const noexcept;
    /// Place of "mix"; -1 without one.
    int mixPlace() const noexcept { return mix == MixLaw::none ? -1 : int(parameters.size()) - 1; }
};
const EffectFacts& factsOf(EffectKind kind) noexcept;

/// An effect as it is when it is added. @param id Of the new one.
Effect makeEffect(EffectKind kind, int id);
/// A value by its name. @return 0 where there is none.
double valueOf(const Effect& effect, std::string_view parameter) noexcept;
void setValue(Effect& effect, std::string_view parameter, double value) noexcept;
/// Whether a value stands at the end where it does nothing.
bool doesNothing(const ParameterFacts& facts, double value) noexcept;
inline bool doesNothing(EffectKind kind, std::size_t place, double value) noexcept
{
    return doesNothing(factsOf(kind).parameters[place], value);
}
/// The value nearest to `value` that a parameter can have; `standard` where it is no number.
double inRange(const ParameterFacts& facts, double value) noexcept;
/// With every number in range, ids that are there once, and not too many.
Effects sanitized(Effects effects);
/// Not used by any of them yet.
int freeEffectId(const Effects& effects) noexcept;
/// What it is set to, in a few words: "tape-like, 6 dB", "3/16, left and right".
std::string describe(const Effect& effect);
/// Gains of what comes in and what the effect makes. @param mix 0 to 1.
struct MixGains {
    double dry = 0.0, wet = 1.0;
};
MixGains mixGains(MixLaw law, double mix) noexcept;
/// Seconds until a reverb has fallen by 60 dB.
double decaySeconds(const Effect& reverb) noexcept;

} // namespace puretone
