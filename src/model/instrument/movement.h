// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <span>
#include <vector>

namespace puretone {

/// A wave that movements follow. What it gives lies between -1 and 1.
struct Wave {
    enum class Shape {
        sine,
        triangle,
        sawUp,
        sawDown,
        square,
        steps, ///< Another value for each swing.
        drift, ///< The same, with smooth ways between them.
    };
    Shape shape = Shape::sine;
    double hz = 5.0; ///< Swings a second, 0.01 to 8000.
    double beats = 0.0; ///< One swing in beats of the tempo, 1/64 to 64; 0 where `hz` counts.
    double delaySeconds = 0.0; ///< From the beginning of a note, 0 to 20.
    double fadeSeconds = 0.0; ///< Until it is there, 0 to 20.
    double phase = 0.0; ///< Where it begins, 0 to 1 of a swing.
    bool free = false; ///< Goes on by itself, the same for all notes; others begin with their note.
    bool operator==(const Wave&) const = default;
};
inline constexpr int mostWaves = 4; ///< Of a layer.

/// What moves something.
enum class SourceKind {
    none,
    wheel, ///< Controller 1.
    bend, ///< -1 to 1.
    pressure, ///< Of the channel, or of the key where the keyboard sends that.
    touch,
    releaseTouch, ///< 0 until the key is let go.
    key, ///< In octaves from key 60.
    controller, ///< Any; `number` says which.
    levelEnvelope,
    secondEnvelope,
    wave, ///< `number` says which.
    random, ///< -1 to 1, another value for each note.
    turn, ///< 0 to 1 over a round of four notes.
    noise, ///< -1 to 1.
};
struct Source {
    SourceKind kind = SourceKind::none;
    int number = 0;
    bool operator==(const Source&) const = default;
};
/// Whether it swings to both sides.
bool isTwoSided(const Source& source) noexcept;
/// Whether it belongs to a note rather than to all of them.
bool isOfNote(const Source& source) noexcept;

/// What is moved, each by an amount in units of its own (see TargetFacts).
enum class Target {
    pitch,
    level,
    pan,
    cutoff,
    resonance,
    drive,
    start, ///< Of notes that begin.
    loopPlace,
    ring, ///< Level as fast as the source goes: 0.5 is full amplitude modulation, 1 ring
          ///< modulation.
    place, ///< Of the frozen moment, as are the next three.
    grainSize,
    scatter,
    drift,
    blend, ///< Of the instrument's layers.
    waveRate, ///< `number` says of which wave, as for the next one.
    waveDepth,
    attack, ///< Times of the level envelope, as are the next two.
    decay,
    release,
    effect, ///< A value of the chain, by a share of its range; `number` says which.
};
inline constexpr int targetCount = int(Target::effect) + 1;

/// Which value of which effect a movement moves, as its number.
struct EffectPlace {
    int effectId = 0;
    int parameter = 0;
    static constexpr int most = 16; ///< Parameters of an effect.
    int number() const noexcept { return effectId * most + parameter; }
    static EffectPlace of(int number) noexcept { return {number / most, number % most}; }
};

/// How a target is spoken of and how far it can be moved.
struct TargetFacts {
    const char* word; ///< "cutoff"
    const char* verb; ///< Of a source that moves it: "opens the cutoff by"
    const char* swinging; ///< Of a source that goes to both sides: "moves the cutoff by"
    const char* unit; ///< As typed: "oct"; empty for a share, in percent.
    double most; ///< To either side.
    double usual; ///< What a new movement begins with.
    double scale; ///< Shown is the amount times this.
    int decimals;
};
const TargetFacts& factsOf(Target target) noexcept;

/// A source moves a target by an amount, as far as another source allows.
struct Movement {
    Source source;
    Target target = Target::cutoff;
    int number = 0; ///< Of the wave that is moved, or EffectPlace::number().
    double amount = 1.0; ///< Where the source stands at 1.
    Source by; ///< None: all of it.
    double curve = 0.0; ///< -1 to 1: how far the source lags behind (above 0) or runs ahead.
    bool on = true;
    bool operator==(const Movement&) const = default;
};
inline constexpr std::size_t mostMovements = 16; ///< Of a layer.

/// A source's value bent by a movement's curve; keeps its sign, and 0 and 1 where they are.
double bentBy(double curve, double value) noexcept;

struct Layer;

/// The one slow wave that plain formats know: a sine from each note's beginning on pitch, level and
/// cutoff.
struct SlowWave {
    double hz = 5.0;
    double pitchCents = 0.0; ///< Up and down, at least 0, as are the next two.
    double levelDb = 0.0;
    double cutoffOctaves = 0.0;
    double fadeSeconds = 0.0;
    bool moves() const { return pitchCents > 0.0 || levelDb > 0.0 || cutoffOctaves > 0.0; }
    bool operator==(const SlowWave&) const = default;
};
/// What a layer's first wave does to them by movements of its own.
SlowWave slowWaveOf(const Layer& layer);
/// Whether a movement is part of that.
bool isOfSlowWave(const Layer& layer, const Movement& movement);
/// Whether a movement is a controller that moves cutoff, pitch, level or place straight and in
/// full: what plain formats know.
bool isPlainControl(const Layer& layer, const Movement& movement);
/// The controller's number; the wheel is number 1.
int controllerOf(const Source& source);
/// The other way round.
Source sourceOfController(int number);
/// Replaces it; other movements stay.
void setSlowWave(Layer& layer, const SlowWave& wave);

} // namespace puretone
