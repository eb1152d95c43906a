// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/program/moves.h"

#include <algorithm>

namespace puretone {

namespace {

/// -1 to 1, the same for the same numbers: Chris Wellons' hash of 32 bits (lowbias32, 2018).
float chance(std::int64_t which, std::uint32_t seed) noexcept
{
    auto x = std::uint32_t(which) * 2654435761U + seed;
    x = (x ^ (x >> 16U)) * 0x7feb352dU;
    x = (x ^ (x >> 15U)) * 0x846ca68bU;
    x ^= x >> 16U;
    return float(x) * (2.0f / 4294967296.0f) - 1.0f;
}

double swingsPerSecond(const Wave& wave, const Controls& controls) noexcept
{
    return wave.beats > 0.0 ? controls.beatsPerSecond / wave.beats : wave.hz;
}

const std::array<float, targetCount> reaches = [] {
    std::array<float, targetCount> all{};
    for (std::size_t t = 0; t < all.size(); ++t)
        all[t] = float(factsOf(Target(t)).most);
    return all;
}();

/// All movements of a target together reach no further than one of them may.
float withinReach(Target target, float moved) noexcept
{
    const float most = reaches[std::size_t(target)];
    return std::clamp(moved, -most, most);
}

} // namespace

float waveAt(Wave::Shape shape, double turns, std::uint32_t seed) noexcept
{
    if (shape == Wave::Shape::sine)
        return quickSine(float(turns - nearestWhole(turns)));
    double whole = nearestWhole(turns);
    whole = whole > turns ? whole - 1.0 : whole;
    const auto share = float(turns - whole);
    switch (shape) {
    case Wave::Shape::sine:
        break;
    case Wave::Shape::triangle:
        return share < 0.25f ? 4.0f * share
            : share < 0.75f  ? 2.0f - 4.0f * share
                             : 4.0f * share - 4.0f;
    case Wave::Shape::sawUp:
        return 2.0f * share - 1.0f;
    case Wave::Shape::sawDown:
        return 1.0f - 2.0f * share;
    case Wave::Shape::square:
        return share < 0.5f ? 1.0f : -1.0f;
    case Wave::Shape::steps:
        return chance(std::int64_t(whole), seed);
    case Wave::Shape::drift: {
        const float from = chance(std::int64_t(whole), seed);
        const float to = chance(std::int64_t(whole) + 1, seed);
        return from + (to - from) * share * share * (3.0f - 2.0f * share);
    }
    }
    return 0.0f;
}

void MovesRun::start(const LayerMoves& layer, std::uint32_t seed) noexcept
{
    moved_ = {};
    seconds_ = 0.0;
    seed_ = seed;
    noise_ = seed | 1U;
    random_ = chance(0, seed);
    for (std::size_t i = 0; i < mostWaves; ++i)
        turns_[i] = before_[i] = layer.waves[i].phase;
    depth_.fill(0.0f);
    values_.fill(0.0f);
    shown_.fill(0.0f);
}

/// George Marsaglia's xorshift (2003).
float MovesRun::nextNoise() noexcept
{
    noise_ ^= noise_ << 13U;
    noise_ ^= noise_ >> 17U;
    noise_ ^= noise_ << 5U;
    return float(std::int32_t(noise_)) * (1.0f / 2147483648.0f);
}

void MovesRun::advanceWaves(const LayerMoves& layer, const Controls& controls, double seconds,
    const MovesRun* shared) noexcept
{
    seconds_ += seconds;
    std::array<float, mostWaves> rate{}, deeper{};
    for (std::size_t i = 0; i < layer.ofWaves; ++i) {
        const Movement& m = layer.moves[i];
        auto& list = m.target == Target::waveRate ? rate : deeper;
        float& moved = list[std::size_t(m.number)];
        moved = withinReach(m.target, moved + shown_[i] * float(m.amount));
    }
    for (int i = 0; i < layer.waveCount; ++i) {
        const auto at = std::size_t(i);
        const Wave& wave = layer.waves[at];
        const auto seed = wave.free ? 17U + std::uint32_t(i) : seed_ + std::uint32_t(i);
        before_[at] = turns_[at];
        if (wave.free && shared != nullptr) {
            turns_[at] = shared->turns_[at];
            before_[at] = shared->before_[at];
        } else {
            double swings = swingsPerSecond(wave, controls) * seconds;
            if (rate[at] != 0.0f)
                swings *= double(quickExp2(rate[at]));
            const double gone = seconds_ - wave.delaySeconds;
            // Up to the delay it stands at its beginning.
            if (shared != nullptr && seconds > 0.0 && gone < seconds)
                swings *= std::max(0.0, gone) / seconds;
            turns_[at] += swings;
        }
        double depth = 1.0 + double(deeper[at]);
        if (shared != nullptr && (wave.delaySeconds > 0.0 || wave.fadeSeconds > 0.0)) {
            const double gone = seconds_ - wave.delaySeconds;
            depth *= gone <= 0.0 ? 0.0 : gone >= wave.fadeSeconds ? 1.0 : gone / wave.fadeSeconds;
        }
        depth_[at] = float(std::clamp(depth, 0.0, 2.0));
        values_[at] = depth_[at] * waveAt(wave.shape, turns_[at], seed);
    }
}

float MovesRun::valueOf(
    const Source& source, const Controls& controls, const NoteNow& note) noexcept
{
    switch (source.kind) {
    case SourceKind::none:
        return 1.0f;
    case SourceKind::wheel:
        return controls.controllers[1];
    case SourceKind::bend:
        return controls.bend[std::size_t(note.channel)];
    case SourceKind::pressure:
        return std::max({controls.pressure[std::size_t(note.channel)], controls.pressure[0],
            controls.keyPressure[std::size_t(note.key)]});
    case SourceKind::touch:
        return note.touch;
    case SourceKind::releaseTouch:
        return note.releaseTouch;
    case SourceKind::key:
        return float(note.key - 60) / 12.0f;
    case SourceKind::controller:
        if (controls.perKey && source.number == Controls::timbreController)
            return controls.timbre[std::size_t(note.channel)];
        return controls.controllers[std::size_t(source.number)];
    case SourceKind::levelEnvelope:
        return note.levelEnvelope;
    case SourceKind::secondEnvelope:
        return note.secondEnvelope;
    case SourceKind::wave:
        return values_[std::size_t(source.number)];
    case SourceKind::random:
        return random_;
    case SourceKind::turn:
        return float(note.turn & 3) / 3.0f;
    case SourceKind::noise:
        return nextNoise();
    }
    return 0.0f;
}

const Moved& MovesRun::advance(const LayerMoves& layer, const Controls& controls,
    const NoteNow& note, double seconds, const MovesRun* shared) noexcept
{
    advanceWaves(layer, controls, seconds, shared);
    moved_ = {};
    float* shown = shown_.data();
    for (const Movement& m : layer.moves) {
        float value = valueOf(m.source, controls, note);
        if (m.curve != 0.0)
            value = float(bentBy(m.curve, double(value)));
        if (m.by.kind != SourceKind::none)
            value *= valueOf(m.by, controls, note);
        *shown++ = value;
        float& moved = moved_.by[std::size_t(m.target)];
        moved = withinReach(m.target, moved + float(m.amount) * value);
    }
    return moved_;
}

void MovesRun::ring(const LayerMoves& layer, const Controls& controls, const NoteNow& note,
    float* gains, int from, int to) noexcept
{
    for (std::size_t k = 0; k < layer.moves.size(); ++k) {
        const Movement& m = layer.moves[k];
        if (m.target != Target::ring)
            continue;
        auto amount = float(m.amount);
        if (m.by.kind != SourceKind::none)
            amount = withinReach(m.target, amount * valueOf(m.by, controls, note));
        if (m.source.kind == SourceKind::wave) {
            const auto w = std::size_t(m.source.number);
            const Wave& wave = layer.waves[w];
            // Before it is there, it takes nothing away.
            amount *= std::min(1.0f, depth_[w]);
            const float rest = 1.0f - std::abs(amount);
            const double step = (turns_[w] - before_[w]) / std::max(1, to - from);
            const auto seed = wave.free ? 17U + std::uint32_t(w) : seed_ + std::uint32_t(w);
            for (int i = from; i < to; ++i)
                gains[i] *=
                    rest + amount * waveAt(wave.shape, before_[w] + step * (i - from), seed);
            continue;
        }
        const bool noise = m.source.kind == SourceKind::noise;
        const float rest = 1.0f - std::abs(amount), still = valueOf(m.source, controls, note);
        for (int i = from; i < to; ++i)
            gains[i] *= rest + amount * (noise ? nextNoise() : still);
    }
}

} // namespace puretone
