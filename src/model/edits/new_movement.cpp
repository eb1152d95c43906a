// SPDX-License-Identifier: GPL-3.0-or-later
// Movements that are made: by hand, or ready ones.
#include "model/words/movement_words.h"

#include "base/say.h"

#include <algorithm>
#include <cmath>

namespace puretone {

namespace {

bool follows(const Movement& m, int wave)
{
    const Source wanted{SourceKind::wave, wave};
    return m.source == wanted || m.by == wanted
        || ((m.target == Target::waveRate || m.target == Target::waveDepth) && m.number == wave);
}

} // namespace

Result<std::size_t> addMovement(Layer& layer, const NewMovement& wanted)
{
    if (layer.movements.size() >= mostMovements)
        return fail(ErrorCode::badValue, say("A layer has room for %1 movements.", mostMovements),
            say("Take one away first."));
    Movement made = wanted.movement;
    if (wanted.wave) {
        int place = 0;
        const auto taken = [&](int wave) {
            return std::any_of(layer.movements.begin(), layer.movements.end(),
                [&](const Movement& m) { return follows(m, wave); });
        };
        while (place < mostWaves && taken(place))
            ++place;
        if (place == mostWaves)
            return fail(ErrorCode::badValue,
                say("All four waves of the layer are followed by movements already."),
                say("Take one away, or let this one follow a wave that is there."));
        layer.waves[std::size_t(place)] = *wanted.wave;
        made.source.number = place;
    }
    if (wanted.fromBelow && !isTwoSided(made.source))
        keepSounding(layer, made, 1.0);
    layer.movements.push_back(made);
    return layer.movements.size() - 1;
}

const std::vector<ReadyMovement>& readyMovements()
{
    static const std::vector<ReadyMovement> list = [] {
        const Movement none;
        Movement wheel = none, loudness = none, touch = none, drift = none, vibrato = none;
        wheel.source = {SourceKind::wheel, 0};
        wheel.target = Target::cutoff;
        wheel.amount = 3.0;
        loudness.source = wheel.source;
        loudness.target = Target::level;
        loudness.amount = 36.0;
        touch.source = {SourceKind::touch, 0};
        touch.target = Target::level;
        touch.amount = 12.0;
        drift.source = vibrato.source = {SourceKind::wave, 0};
        drift.target = vibrato.target = Target::pitch;
        drift.amount = 0.08;
        vibrato.amount = 0.25;
        Wave slow, shaking;
        slow.shape = Wave::Shape::drift;
        slow.hz = 0.4;
        shaking.hz = 5.2;
        shaking.delaySeconds = 0.5;
        shaking.fadeSeconds = 0.4;
        return std::vector<ReadyMovement>{{"Wheel to cutoff", {wheel, std::nullopt}},
            {"Wheel plays the loudness", {loudness, std::nullopt, true}},
            {"Touch to level", {touch, std::nullopt}}, {"Slow drift of pitch", {drift, slow}},
            {"Vibrato after half a second", {vibrato, shaking}}};
    }();
    return list;
}

void keepSounding(Layer& layer, const Movement& added, double value)
{
    const double moved = added.amount * bentBy(added.curve, value);
    const auto give = [&](double& base, double low, double high) {
        base = std::clamp(base - moved, low, high);
    };
    switch (added.target) {
    case Target::cutoff:
        layer.filter.hz = std::clamp(layer.filter.hz * std::exp2(-moved), 16.0, 20000.0);
        break;
    case Target::level:
        give(layer.levelDb, -60.0, 24.0);
        break;
    case Target::pan:
        give(layer.pan, -1.0, 1.0);
        break;
    case Target::resonance:
        give(layer.filter.resonance, 0.0, 1.0);
        break;
    case Target::drive:
        give(layer.filter.driveDb, 0.0, 36.0);
        break;
    case Target::place:
        give(layer.frozen.place, 0.0, 1.0);
        break;
    case Target::scatter:
        give(layer.frozen.scatterSeconds, 0.0, 1.0);
        break;
    case Target::drift:
        give(layer.frozen.drift, -1.0, 1.0);
        break;
    case Target::grainSize:
        layer.frozen.sizeSeconds =
            std::clamp(layer.frozen.sizeSeconds * std::exp2(-moved), 0.001, 0.5);
        break;
    default:
        break; // pitch is known by ear, and the rest is heard with the next note
    }
}

} // namespace puretone
