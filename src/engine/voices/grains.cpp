// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/voices/grains.h"

#include "engine/program/quick_math.h"

#include <algorithm>
#include <cmath>

namespace puretone {

void GrainRun::start(std::uint32_t seed) noexcept
{
    for (auto& grain : grains_)
        grain.length = 0.0;
    untilNext_ = 0.0;
    asked_ = -1.0;
    anchor_.reset();
    way_ = 1.0;
    sounding_ = 0;
    random_ = seed | 1U;
}

/// George Marsaglia's xorshift (2003).
double GrainRun::nextRandom() noexcept
{
    random_ ^= random_ << 13U;
    random_ ^= random_ >> 17U;
    random_ ^= random_ << 5U;
    return double(random_ >> 8U) / double(1U << 23U) - 1.0;
}

GrainRun::Rhythm GrainRun::rhythmOf(
    const Frozen& how, const ProgramZone& zone, const GrainWay& way, double speed) noexcept
{
    Rhythm rhythm;
    const double size = how.sizeSeconds * way.rate;
    rhythm.period = std::max(2.0, zone.period / speed);
    const double periods = size / rhythm.period;
    constexpr double toneBelow = 1.5;
    if (periods < toneBelow) {
        rhythm.apart = rhythm.period;
        rhythm.length = size;
        rhythm.edge = how.hardEdges ? size / 8.0 : size / 2.0;
        // As loud as the take itself, had it sounded all the time.
        rhythm.gain = std::sqrt(rhythm.period / std::max(1.0, size - 1.25 * rhythm.edge));
        rhythm.gain = std::min(rhythm.gain, 4.0);
        return rhythm;
    }
    // So many whole periods apart that the number that is wanted overlaps, as near as may be.
    const double density = std::min(how.density, way.most);
    const double apart = std::max(1.0, std::round(periods / density));
    const double count = std::clamp(std::round(periods / apart), 1.0, density);
    rhythm.apart = apart * rhythm.period;
    rhythm.length = count * rhythm.apart;
    rhythm.edge = how.hardEdges ? std::min(rhythm.apart, rhythm.length / 8.0) : rhythm.length / 2.0;
    if (how.hardEdges && count >= 2.0)
        rhythm.edge = rhythm.apart;
    // Alike sounds add their amplitudes, unlike ones their powers.
    const bool alike = zone.pitched && how.direction != Frozen::Direction::either;
    const double likeness =
        alike ? std::clamp(1.0 - how.scatterCents / 20.0 - how.scatterSize, 0.0, 1.0) : 0.0;
    const double sum = count < 2.0 ? 1.0 : how.hardEdges ? count - 1.0 : count / 2.0;
    const double power = count < 2.0 ? 1.0 : how.hardEdges ? count - 4.0 / 3.0 : 0.375 * count;
    rhythm.gain = likeness / sum + (1.0 - likeness) / std::sqrt(power);
    return rhythm;
}

void GrainRun::move(const Frozen& how, const ZoneSound& sound, double frames) noexcept
{
    const double length = sound.end - sound.start;
    if (asked_ != how.place) {
        asked_ = how.place;
        place_ = sound.start + how.place * length;
    }
    place_ += way_ * how.drift * frames;
    // There and back.
    if (place_ > sound.end || place_ < sound.start) {
        way_ = -way_;
        place_ = std::clamp(place_, sound.start, sound.end);
    }
}

void GrainRun::begin(const Frozen& how, const ProgramZone& zone, const Rhythm& rhythm, double speed,
    double later) noexcept
{
    const auto free = std::find_if(
        grains_.begin(), grains_.end(), [](const Grain& g) { return g.length == 0.0; });
    if (free == grains_.end())
        return;
    const ZoneSound& sound = *zone.sound;
    Grain& grain = *free;
    grain.detune =
        how.scatterCents > 0.0 ? std::exp2(how.scatterCents * nextRandom() / 1200.0) : 1.0;
    const double share = how.scatterSize > 0.0 ? 1.0 + how.scatterSize * nextRandom() : 1.0;
    grain.length = std::max(8.0, rhythm.length * std::max(0.05, share));
    grain.edge = std::max(2.0, rhythm.edge * grain.length / rhythm.length);
    grain.cosine = !how.hardEdges;
    grain.gain = rhythm.gain;
    grain.at = -later;
    grain.fresh = true;
    double place = place_;
    if (how.scatterSeconds > 0.0)
        place += how.scatterSeconds * sound.rate * nextRandom();
    // Whole periods from the first one: all grains stand alike in theirs.
    if (!anchor_)
        anchor_ = place;
    if (zone.pitched)
        place = *anchor_ + std::round((place - *anchor_) / zone.period) * zone.period;
    const double reach = grain.length * speed * grain.detune;
    const double last = sound.end - reach;
    if (place > last) {
        // It must end inside, by whole periods where there is a pitch.
        const double back = place - last;
        place -= zone.pitched ? std::ceil(back / zone.period) * zone.period : back;
    }
    if (place < sound.start) {
        const double forth = sound.start - place;
        place += zone.pitched ? std::ceil(forth / zone.period) * zone.period : forth;
    }
    grain.backward = how.direction == Frozen::Direction::backward
        || (how.direction == Frozen::Direction::either && nextRandom() < 0.0);
    grain.place = grain.backward ? place + reach : place;
}

void GrainRun::add(Grain& grain, const ProgramZone& zone, const GrainWay& way, int from, int to,
    float* left, float* right) noexcept
{
    // Its frames are those at or behind its beginning.
    const int first = std::clamp(from + int(std::ceil(std::max(0.0, -grain.at))), from, to);
    const int end = std::clamp(
        first + int(std::ceil(std::max(0.0, grain.length - (grain.at + (first - from))))), first,
        to);
    const int count = end - first;
    if (count > 0) {
        const double sign = grain.backward ? -1.0 : 1.0;
        const double age = grain.at + (first - from);
        const double speed = grain.detune * (way.speed + way.change * (first - from));
        // Where the grain began between two frames, its first one lies so far behind its place.
        const double begin = grain.place + (grain.fresh ? sign * age * speed : 0.0);
        grain.fresh = false;
        const auto& copies = *zone.sound->recorded;
        const int octave = std::min(way.octave, copies.octaves());
        const double scale = std::exp2(-octave);
        const double change = grain.detune * way.change;
        const double gone = count * speed + 0.5 * count * (count - 1.0) * change;
        // Backwards it is read forwards and turned round.
        const double lastStep = speed + change * (count - 2.0);
        const double lowest =
            begin - ((count - 1.0) * speed + 0.5 * (count - 1.0) * (count - 2.0) * change);
        const ReadingWay reading = grain.backward
            ? ReadingWay{copies.placeIn(octave, lowest), std::max(1e-6, lastStep * scale),
                -change * scale}
            : ReadingWay{copies.placeIn(octave, begin), speed * scale, change * scale};
        alignas(32) std::array<float, readingBlock> l, r;
        readBetween(*way.kernel, copies.copy(octave), reading, count, l.data(), r.data());
        const double perFrame = 1.0 / grain.edge;
        const auto level = float(grain.gain);
        for (int i = 0; i < count; ++i) {
            const double at = age + i;
            const auto slope =
                float(std::clamp(std::min(at, grain.length - at) * perFrame, 0.0, 1.0));
            const float gain =
                level * (grain.cosine ? 0.5f + 0.5f * quickSine(0.5f * slope - 0.25f) : slope);
            const auto take = std::size_t(grain.backward ? count - 1 - i : i);
            left[first + i] += gain * l[take];
            if (right != nullptr)
                right[first + i] += gain * r[take];
        }
        grain.place = begin + sign * gone;
    }
    grain.at += to - from;
    if (grain.at >= grain.length)
        grain.length = 0.0;
}

void GrainRun::read(const Frozen& how, const ProgramZone& zone, const GrainWay& way, int from,
    int to, float* left, float* right) noexcept
{
    std::fill(left + from, left + to, 0.0f);
    if (right != nullptr)
        std::fill(right + from, right + to, 0.0f);
    const int count = to - from;
    if (count <= 0)
        return;
    move(how, *zone.sound, count * zone.sound->rate / way.rate);
    while (untilNext_ < count) {
        const double speed = way.speed + way.change * std::max(0.0, untilNext_);
        const Rhythm rhythm = rhythmOf(how, zone, way, speed);
        begin(how, zone, rhythm, speed, untilNext_);
        untilNext_ += rhythm.apart;
    }
    untilNext_ -= count;
    sounding_ = 0;
    for (auto& grain : grains_)
        if (grain.length > 0.0) {
            add(grain, zone, way, from, to, left, right);
            ++sounding_;
        }
    // Grains shorter than a period have gaps between them; one at a time sounds all the same.
    sounding_ = std::max(1, sounding_);
}

} // namespace puretone
