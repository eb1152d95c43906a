// SPDX-License-Identifier: GPL-3.0-or-later
// Where a voice reads, and how: its beginning, its loop, copies and kernels, grains.
#include "engine/voices/voice.h"

#include "base/in_range.h"

namespace puretone {

namespace {

/// Half a semitone: the pitch may waver by so much without changing to another kernel.
constexpr double gearSlack = 1.0293022366434921;
/// A note that begins inside the sound rises within this.
constexpr double innerFadeSeconds = 0.003;

} // namespace

Voice::Gear Voice::gearFor(double speed, int octaves) noexcept
{
    Gear gear;
    double scale = 1.0;
    while (gear.octave < octaves && speed > KernelLadder::fastest * scale) {
        ++gear.octave;
        scale *= 2.0;
    }
    const auto rung = KernelLadder::shared().rungFor(speed / scale, gear.octave);
    gear.kernel = rung.kernel;
    gear.above = rung.above * scale / gearSlack;
    gear.upTo = rung.upTo * scale * gearSlack;
    return gear;
}

/// The recording's beginning, its inner start, the loop, or a little behind any of them.
void Voice::placeAtStart(const VoiceStart& how) noexcept
{
    const ZoneSound& sound = *zone_->sound;
    const ProgramLayer& l = layer();
    loopAlone_ = how.entry == NoteEntry::loopStart;
    const bool inner = l.inner == InnerUse::always
        || (l.inner == InnerUse::softer && touchShare_ * 127.0 < l.innerTouch)
        || (l.inner == InnerUse::harder && touchShare_ * 127.0 > l.innerTouch);
    position_ = inner ? sound.innerStart : sound.start;
    const double room = sound.loops() ? sound.loopEnd - sound.loopLength : sound.end;
    // Where there is room for it: a loop is entered at its own place.
    if (how.later > 0.0 && position_ + how.later < room)
        position_ += how.later;
    if (const double moved = double(moves_.moved()[Target::start]); moved != 0.0)
        position_ = std::clamp(position_ + moved * sound.rate, sound.start,
            std::max(sound.start, (sound.loops() ? sound.loopEnd : sound.end) - 1.0));
    if (position_ > sound.start + how.later) {
        rampStep_ = 1.0 / (innerFadeSeconds * rate_);
        ramp_ = -rampStep_ * how.at;
        wentRound_ = position_ >= sound.fades.inEnd;
        // Between cells the ramp moves on before it is read.
        if (how.at == 0)
            ramp_ = -rampStep_ * cellFrames;
    }
    if (how.entry == NoteEntry::beginning || !sound.loops())
        return;
    position_ = sound.loopEnd - sound.loopLength;
    if (how.entry == NoteEntry::beforeJoint) {
        againFrames_ = 1.0;
        placeAgain();
        position_ = againFrom_;
    }
    wentRound_ = true; // no fade in
}

/// Half a second is enough to hear what leads to the joint, and as much what follows.
void Voice::placeAgain() noexcept
{
    const ZoneSound& sound = *zone_->sound;
    if (againFrames_ == 0.0 || !sound.loops())
        return;
    const double before = std::min(0.5 * sound.rate, sound.loopLength);
    againFrom_ = sound.loopEnd - before;
    againFrames_ = 2.0 * before;
}

void Voice::goAgain() noexcept
{
    position_ = againFrom_;
    travelled_ = 0.0;
    ramp_ = 0.0;
    rampStep_ = 1.0 / (againSeconds * rate_);
    fadesToGoAgain_ = false;
}

/// The loop as it lies now, inside what is kept: its start and end, frames of the recording.
std::pair<double, double> Voice::movedLoop() const noexcept
{
    const ZoneSound& sound = *zone_->sound;
    const double length = double(sound.loop.span.length());
    const double wanted = double(sound.loop.span.start.value)
        + double(moves_.moved()[Target::loopPlace]) * sound.rate;
    const double from =
        std::clamp(wanted, sound.start, std::max(sound.start, sound.lastFrame - length));
    return {from, from + length};
}

double Voice::jumpSeconds() const noexcept
{
    const ZoneSound& sound = *zone_->sound;
    const double crossfade = double(sound.loop.crossfade.value) / sound.rate;
    const double half = 0.5 * double(sound.loop.span.length()) / sound.rate;
    // A note far below its root would take many seconds, and a new program waits for it.
    return std::min(0.5,
        std::clamp(crossfade, std::min(0.01, half), std::min(0.25, half)) / std::max(0.05, speed_));
}

/// Back to the start, whole periods away where the take has a pitch, so that both sides agree.
void Voice::jump() noexcept
{
    const auto [from, to] = movedLoop();
    double way = to - from;
    const double period = zone_->pitched ? zone_->period : 0.0;
    if (period > 1.0 && way > 2.0 * period)
        way = std::round(way / period) * period;
    // A loop that was moved far back takes the note along.
    if (position_ - way > to || position_ - way < from - period)
        position_ = from;
    else
        position_ -= way;
    wentRound_ = true;
    rampStep_ = 1.0 / (jumpSeconds() * rate_);
    ramp_ = -rampStep_ * cellFrames;
    fadesToGoAgain_ = false;
}

void Voice::wrap() noexcept
{
    const ZoneSound& sound = *zone_->sound;
    if (!sound.loops() || position_ < sound.wrapAt || leavesLoop() || movesLoop())
        return;
    wentRound_ = true;
    position_ -=
        sound.loopLength * (std::floor((position_ - sound.wrapAt) / sound.loopLength) + 1.0);
}

void Voice::readWith(const Gear& gear, const SoundCopies& copies, const ReadingWay& way, int count,
    float* left, float* right) const noexcept
{
    const int octave = std::min(gear.octave, copies.octaves());
    static constexpr std::array<double, mostOctaves + 1> scales = {1.0, 0.5, 0.25, 0.125, 0.0625};
    const double scale = scales[std::size_t(octave)];
    readBetween(*gear.kernel, copies.copy(octave),
        {copies.placeIn(octave, way.place), way.step * scale, way.change * scale}, count, left,
        right);
}

/// Where the speed has left what the kernel is for, another takes over within the cell.
void Voice::changeGear(
    const SoundCopies& copies, const ReadingWay& way, int count, float* left, float* right) noexcept
{
    gear_ = gearFor(speed_, zone_->sound->recorded->octaves());
    Cell nextLeft, nextRight;
    nextRight.fill(0.0f);
    readWith(gear_, copies, way, count, nextLeft.data(), nextRight.data());
    for (int i = 0; i < count; ++i) {
        const auto at = std::size_t(i);
        const float share = (float(i) + 0.5f) / float(count);
        left[i] += share * (nextLeft[at] - left[i]);
        right[i] += share * (nextRight[at] - right[i]);
    }
}

/// @param octaves The pitch at the end of the cell. @param power 2 to the power of that.
void Voice::read(double octaves, double power, int from) noexcept
{
    const ZoneSound& sound = *zone_->sound;
    int count = cellFrames - from;
    ReadingWay way{position_, speed_, 0.0};
    if (octaves != spoken_) {
        spoken_ = octaves;
        speed_ = speedAt(power);
        way.change = (speed_ - way.step) / count;
    }
    if (frozen()) {
        readGrains(way, from);
        return;
    }
    const bool inLooped = sound.loops() && position_ >= sound.loopedFrom && !movesLoop();
    const SoundCopies& copies = inLooped ? *sound.looped : *sound.recorded;
    if (!sound.loops() || leavesLoop())
        count = intIn(std::ceil((sound.end - position_) / way.step), 0, count);
    mono_ = copies.mono();
    Cell left, right;
    // A whole cell is read where it belongs; behind a part of one lies nothing of ours.
    float* l = from == 0 ? readLeft_.data() : left.data();
    float* r = from == 0 ? readRight_.data() : right.data();
    if (count > 0) {
        readWith(gear_, copies, way, count, l, r);
        if (speed_ > gear_.upTo || speed_ <= gear_.above)
            changeGear(copies, way, count, l, r);
    }
    if (count < cellFrames) {
        std::fill(l + count, l + cellFrames, 0.0f);
        std::fill(r + count, r + cellFrames, 0.0f);
    }
    if (from > 0) {
        std::copy(left.begin(), left.end() - from, readLeft_.begin() + from);
        std::copy(right.begin(), right.end() - from, readRight_.begin() + from);
    }
    if (!wentRound_ && (position_ < sound.fades.inEnd || !sound.loops()))
        fade(way, from, count);
    const double gone = count * way.step + 0.5 * count * (count - 1.0) * way.change;
    position_ += gone;
    travelled_ += gone;
}

/// The frozen moment with what moves it.
Frozen Voice::frozenNow() const noexcept
{
    Frozen f = layer().frozen;
    if (f.sizeBeats > 0.0)
        f.sizeSeconds = std::min(f.sizeBeats / beatsPerSecond_, Frozen::longestGrain);
    if (!followsMoves_)
        return f;
    const Moved& moved = moves_.moved();
    f.place = std::clamp(f.place + double(moved[Target::place]), 0.0, 1.0);
    if (moved[Target::grainSize] != 0.0f)
        f.sizeSeconds = std::clamp(f.sizeSeconds * double(quickExp2(moved[Target::grainSize])),
            0.001, Frozen::longestGrain);
    f.scatterSeconds = std::clamp(f.scatterSeconds + double(moved[Target::scatter]), 0.0, 1.0);
    f.drift = std::clamp(f.drift + double(moved[Target::drift]), -1.0, 1.0);
    return f;
}

void Voice::readGrains(const ReadingWay& way, int from) noexcept
{
    if (speed_ > gear_.upTo || speed_ <= gear_.above)
        gear_ = gearFor(speed_, zone_->sound->recorded->octaves());
    mono_ = zone_->sound->recorded->mono();
    grains_.read(frozenNow(), *zone_,
        {gear_.kernel, gear_.octave, way.step, way.change, rate_, mostGrains_}, from, cellFrames,
        readLeft_.data(), mono_ ? nullptr : readRight_.data());
}

void Voice::fade(const ReadingWay& way, int from, int count) noexcept
{
    const FadePlan& fades = zone_->sound->fades;
    if (fades.untouched(way.place, way.place + count * (way.step + count * std::abs(way.change))))
        return;
    for (int i = 0; i < count; ++i) {
        const float gain = fades.at(way.place + i * way.step + 0.5 * i * (i - 1.0) * way.change);
        const auto at = std::size_t(from) + std::size_t(i);
        readLeft_[at] *= gain;
        readRight_[at] *= gain;
    }
}

} // namespace puretone
