// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/instrument/movement.h"

#include "model/instrument/layer.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace puretone {

namespace {

constexpr std::array<TargetFacts, targetCount> allFacts = {{
    {"pitch", "raises the pitch by", "moves the pitch by", "st", 48.0, 1.0, 1.0, 2},
    {"level", "raises the level by", "moves the level by", "dB", 60.0, 12.0, 1.0, 1},
    {"place in the room", "moves it to the right by", "moves it from side to side by", "", 2.0, 0.5,
        100.0, 0},
    {"cutoff", "opens the cutoff by", "moves the cutoff by", "oct", 10.0, 2.0, 1.0, 2},
    {"resonance", "raises the resonance by", "moves the resonance by", "", 1.0, 0.3, 100.0, 0},
    {"drive", "raises the drive by", "moves the drive by", "dB", 36.0, 12.0, 1.0, 1},
    {"start", "moves the start by", "moves the start by", "ms", 10.0, 0.1, 1000.0, 0},
    {"loop", "moves the loop by", "moves the loop by", "ms", 10.0, 0.2, 1000.0, 0},
    {"ring", "shakes the level by", "shakes the level by", "", 1.0, 0.5, 100.0, 0},
    {"moment", "moves the frozen place by", "moves the frozen place by", "", 1.0, 0.3, 100.0, 0},
    {"grain size", "makes grains longer by", "moves the grain size by", "oct", 6.0, 2.0, 1.0, 2},
    {"scatter", "scatters the place by", "moves the scatter by", "ms", 1.0, 0.1, 1000.0, 0},
    {"wandering", "makes the place wander by", "moves the wandering by", "", 1.0, 0.2, 100.0, 0},
    {"blend", "moves the blend by", "moves the blend by", "", 1.0, 1.0, 100.0, 0},
    {"speed", "speeds the wave up by", "moves the wave's speed by", "oct", 8.0, 1.0, 1.0, 2},
    {"depth", "deepens the wave by", "moves the wave's depth by", "", 1.0, 1.0, 100.0, 0},
    {"attack", "lengthens the attack by", "moves the attack by", "oct", 6.0, 2.0, 1.0, 2},
    {"decay", "lengthens the decay by", "moves the decay by", "oct", 6.0, 2.0, 1.0, 2},
    {"release", "lengthens the release by", "moves the release by", "oct", 6.0, 2.0, 1.0, 2},
    {"effect", "raises an effect's value by", "moves an effect's value by", "", 1.0, 0.3, 100.0, 0},
}};

/// Sine, from each note's own beginning, straight into the target.
bool isPlain(const Movement& m)
{
    return m.on && m.source == Source{SourceKind::wave, 0} && m.by == Source{} && m.curve == 0.0
        && m.amount > 0.0;
}

} // namespace

bool isTwoSided(const Source& source) noexcept
{
    switch (source.kind) {
    case SourceKind::bend:
    case SourceKind::key:
    case SourceKind::wave:
    case SourceKind::random:
    case SourceKind::noise:
        return true;
    default:
        return false;
    }
}

bool isOfNote(const Source& source) noexcept
{
    switch (source.kind) {
    case SourceKind::none:
    case SourceKind::wheel:
    case SourceKind::bend:
    case SourceKind::pressure:
    case SourceKind::controller:
        return false;
    default:
        return true;
    }
}

const TargetFacts& factsOf(Target target) noexcept
{
    return allFacts[std::size_t(target)];
}

double bentBy(double curve, double value) noexcept
{
    if (curve == 0.0)
        return value;
    // From the fourth root to the fourth power.
    return std::copysign(std::pow(std::abs(value), std::exp2(2.0 * curve)), value);
}

bool isOfSlowWave(const Layer& layer, const Movement& m)
{
    const Wave& wave = layer.waves[0];
    return isPlain(m) && wave.shape == Wave::Shape::sine && wave.beats == 0.0
        && wave.delaySeconds == 0.0 && wave.phase == 0.0 && !wave.free
        && (m.target == Target::pitch || m.target == Target::level || m.target == Target::cutoff);
}

int controllerOf(const Source& source)
{
    return source.kind == SourceKind::wheel ? 1 : source.number;
}

Source sourceOfController(int number)
{
    return number == 1 ? Source{SourceKind::wheel, 0} : Source{SourceKind::controller, number};
}

bool isPlainControl(const Layer& layer, const Movement& m)
{
    const bool source =
        m.source.kind == SourceKind::wheel || m.source.kind == SourceKind::controller;
    const bool target = m.target == Target::pitch || m.target == Target::level
        || m.target == Target::pan
        || (m.target == Target::cutoff && layer.filter.kind != FilterKind::off);
    return m.on && source && target && m.by == Source{} && m.curve == 0.0 && m.amount != 0.0;
}

SlowWave slowWaveOf(const Layer& layer)
{
    SlowWave slow;
    slow.hz = layer.waves[0].hz;
    slow.fadeSeconds = layer.waves[0].fadeSeconds;
    for (const auto& m : layer.movements) {
        if (!isOfSlowWave(layer, m))
            continue;
        if (m.target == Target::pitch)
            slow.pitchCents += 100.0 * m.amount;
        else if (m.target == Target::level)
            slow.levelDb += m.amount;
        else
            slow.cutoffOctaves += m.amount;
    }
    return slow;
}

void setSlowWave(Layer& layer, const SlowWave& slow)
{
    std::erase_if(layer.movements, [&](const Movement& m) { return isOfSlowWave(layer, m); });
    layer.waves[0] = Wave{};
    layer.waves[0].hz = slow.hz;
    layer.waves[0].fadeSeconds = slow.fadeSeconds;
    for (const auto& [target, amount] : {std::pair(Target::pitch, slow.pitchCents / 100.0),
             {Target::level, slow.levelDb}, {Target::cutoff, slow.cutoffOctaves}})
        if (amount > 0.0 && layer.movements.size() < mostMovements)
            layer.movements.push_back({{SourceKind::wave, 0}, target, 0, amount, {}, 0.0, true});
}

} // namespace puretone
