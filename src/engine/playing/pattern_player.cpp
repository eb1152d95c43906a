// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/playing/pattern_player.h"

#include <algorithm>
#include <cmath>

namespace puretone {

namespace {

/// Frame of the cell at which a beat falls: 0 for one that is past, cellFrames for a later one.
int frameOf(double beat, const TempoRun& tempo) noexcept
{
    const double frames = (beat - tempo.beat()) / tempo.beatsPerFrame();
    return frames >= PatternPlayer::cellFrames ? PatternPlayer::cellFrames
                                               : std::max(0, int(std::ceil(frames - 1e-6)));
}

} // namespace

void PatternPlayer::reset() noexcept
{
    *this = PatternPlayer();
}

void PatternPlayer::press(int key, int touch) noexcept
{
    const auto end = held_.begin() + std::ptrdiff_t(heldCount_);
    const auto known =
        std::find_if(held_.begin(), end, [key](const Held& h) { return h.key == key; });
    if (known != end)
        *known = {std::uint8_t(key), std::uint8_t(touch), true};
    else if (heldCount_ < most)
        held_[heldCount_++] = {std::uint8_t(key), std::uint8_t(touch), true};
}

/// @return Whether it was held.
bool PatternPlayer::letGo(int key) noexcept
{
    bool held = false;
    for (std::size_t i = 0; i < heldCount_; ++i)
        if (held_[i].key == key) {
            held_[i].down = false;
            held = true;
        }
    if (!pedal_)
        letGoHeld();
    return held;
}

void PatternPlayer::letGoHeld() noexcept
{
    const auto end = std::remove_if(held_.begin(), held_.begin() + std::ptrdiff_t(heldCount_),
        [](const Held& h) { return !h.down; });
    heldCount_ = std::size_t(end - held_.begin());
    running_ = running_ && heldCount_ > 0;
}

bool PatternPlayer::take(
    const MidiEvent& event, const Pattern& pattern, const TempoRun& tempo, int at) noexcept
{
    using Kind = MidiEvent::Kind;
    if (event.kind == Kind::allOff) {
        heldCount_ = soundingCount_ = 0;
        running_ = false;
        return false;
    }
    if (!pattern.on) {
        // Keys that come up meanwhile are not ours to hear of.
        heldCount_ = 0;
        running_ = pedal_ = false;
        return false;
    }
    if (event.kind == Kind::control && event.key == 64) {
        pedal_ = event.value >= 64;
        if (!pedal_)
            letGoHeld();
        return pedal_; // notes from before the pattern are let go, too
    }
    if (event.kind == Kind::noteOff)
        return letGo(event.key & 127); // or it sounds from before the pattern
    if (event.kind != Kind::noteOn)
        return false;
    press(event.key & 127, std::clamp<int>(event.value, 1, 127));
    if (!running_) {
        running_ = true;
        step_ = 0;
        const double now = tempo.beat() + at * tempo.beatsPerFrame();
        // With another player it waits for the next step of the song.
        stepBeat_ = tempo.followsNow() ? nextStep(pattern, now) : now;
    }
    return true;
}

/// Of the song: the present one where it has only just begun.
double PatternPlayer::nextStep(const Pattern& pattern, double now) noexcept
{
    return std::ceil(now / pattern.beats - 0.1) * pattern.beats;
}

void PatternPlayer::leap(
    double beats, const Pattern& pattern, const TempoRun& tempo, int at) noexcept
{
    endBeat_ += beats;
    stepBeat_ = nextStep(pattern, tempo.beat() + at * tempo.beatsPerFrame());
}

/// Every second step is late.
double PatternPlayer::swung(const Pattern& pattern) const noexcept
{
    return stepBeat_ + (step_ % 2 == 1 ? pattern.swing * pattern.beats : 0.0);
}

int PatternPlayer::due(const Pattern& pattern, const TempoRun& tempo, int from) const noexcept
{
    int frame = cellFrames;
    if (soundingCount_ > 0)
        frame = pattern.on ? frameOf(endBeat_, tempo) : 0;
    if (pattern.on && running_)
        frame = std::min(frame, frameOf(swung(pattern), tempo));
    return std::max(frame, from);
}

/// The keys in their order, octave by octave.
std::size_t PatternPlayer::sequence(
    const Pattern& pattern, std::array<Held, 128>& into) const noexcept
{
    std::array<Held, most> keys = held_;
    const auto end = keys.begin() + std::ptrdiff_t(heldCount_);
    if (pattern.order != Pattern::Order::asPlayed)
        std::sort(keys.begin(), end, [](const Held& a, const Held& b) { return a.key < b.key; });
    std::size_t count = 0;
    for (int octave = 0; octave < pattern.octaves; ++octave)
        for (auto at = keys.begin(); at != end; ++at)
            if (at->key + 12 * octave < 128)
                into[count++] = {std::uint8_t(at->key + 12 * octave), at->touch, true};
    return count;
}

void PatternPlayer::choose(const Pattern& pattern, Doing& doing) noexcept
{
    std::array<Held, 128> keys;
    const std::size_t count = sequence(pattern, keys);
    if (count == 0)
        return;
    const auto add = [&](const Held& held) {
        doing.begins[doing.beginCount] = held.key;
        doing.touches[doing.beginCount++] = held.touch;
    };
    const auto n = std::int64_t(count);
    using Order = Pattern::Order;
    switch (pattern.order) {
    case Order::up:
    case Order::asPlayed:
        add(keys[std::size_t(step_ % n)]);
        break;
    case Order::down:
        add(keys[std::size_t(n - 1 - step_ % n)]);
        break;
    case Order::upAndDown: {
        const auto round = std::max<std::int64_t>(1, 2 * n - 2);
        const auto at = step_ % round;
        add(keys[std::size_t(at < n ? at : round - at)]);
        break;
    }
    case Order::atRandom:
        random_ ^= random_ << 13U;
        random_ ^= random_ >> 17U;
        random_ ^= random_ << 5U;
        add(keys[random_ % count]);
        break;
    case Order::together: {
        // All of them, an octave higher each time.
        const auto octave = std::size_t(step_ % pattern.octaves) * heldCount_;
        for (std::size_t i = octave; i < std::min(octave + heldCount_, count); ++i)
            add(keys[i]);
        break;
    }
    }
}

PatternPlayer::Doing PatternPlayer::happen(
    const Program& program, const TempoRun& tempo, int at) noexcept
{
    Doing doing;
    const Pattern& pattern = program.pattern;
    const bool steps = pattern.on && running_ && frameOf(swung(pattern), tempo) <= at;
    if (soundingCount_ > 0 && (!pattern.on || steps || frameOf(endBeat_, tempo) <= at)) {
        doing.ends = sounding_;
        doing.endCount = soundingCount_;
        soundingCount_ = 0;
    }
    if (!steps)
        return doing;
    const auto& list = pattern.steps;
    const Pattern::Step* step = list.empty() ? nullptr : &list[std::size_t(step_) % list.size()];
    if (step == nullptr || step->sounds)
        choose(pattern, doing);
    if (step != nullptr && !step->layers.empty()) {
        doing.layers = 0;
        for (const LayerId id : step->layers)
            if (const auto place = program.layerAt(id); place < program.layers.size())
                doing.layers |= std::uint64_t(1) << place;
    }
    sounding_ = doing.begins;
    soundingCount_ = doing.beginCount;
    endBeat_ = swung(pattern) + pattern.gate * pattern.beats;
    ++step_;
    stepBeat_ += pattern.beats;
    // A tempo or a step that was turned leaves no pile of steps behind.
    const double now = tempo.beat() + at * tempo.beatsPerFrame();
    if (stepBeat_ < now)
        stepBeat_ = now + pattern.beats;
    return doing;
}

} // namespace puretone
