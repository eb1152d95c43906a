// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/engine.h"

#include "base/flush_denormals.h"

#include <tuple>

namespace puretone {

namespace {

constexpr double changeSeconds = 0.008; ///< Crossfade from one program to the next.
constexpr double stealSeconds = 0.005;
constexpr double panicSeconds = 0.1;
constexpr double bendRange = 2.0; ///< Semitones.
constexpr double recentSeconds = 120.0;

void raise(std::atomic<float>& peak, float value) noexcept
{
    if (value > peak.load(std::memory_order_relaxed))
        peak.store(value, std::memory_order_relaxed);
}

} // namespace

Engine::Engine()
{
    KernelLadder::shared();
}

Engine::~Engine()
{
    delete program_;
    delete previous_;
}

void Engine::prepare(double rate)
{
    rate_.store(rate, std::memory_order_relaxed);
    recent_.resize(std::size_t(recentSeconds * rate));
    for (auto& voice : playing_)
        voice.stop();
    for (auto& voice : leaving_)
        voice.stop();
    for (auto& word : keysDown_)
        word.store(0, std::memory_order_relaxed);
    pedal_ = false;
    bend_ = {};
    bendWanted_ = 0.0;
    cellAt_ = 0;
}

bool Engine::isHeard(const Program* program) const noexcept
{
    const auto plays = [&](const Voice& v) { return v.active() && v.program() == program; };
    return std::any_of(playing_.begin(), playing_.end(), plays)
        || std::any_of(leaving_.begin(), leaving_.end(), plays);
}

void Engine::takeProgram() noexcept
{
    if (previous_ != nullptr) {
        if (isHeard(previous_) || !handover_.retire(previous_))
            return;
        previous_ = nullptr;
    }
    const Program* next = handover_.take();
    if (next == nullptr)
        return;
    previous_ = program_;
    program_ = next;
    for (auto& voice : leaving_)
        if (voice.active() && voice.program() != previous_)
            voice.stop();
    for (auto& voice : playing_) {
        if (!voice.active())
            continue;
        const ProgramZone* zone = next->zone(voice.zone()->id);
        if (zone != nullptr && zone->sound == voice.zone()->sound) {
            voice.keepIn(*next, *zone);
            continue;
        }
        Voice& old = leavingSlot();
        old = voice;
        old.fadeAway(changeSeconds, 0);
        if (zone != nullptr)
            voice.moveTo(*next, *zone, changeSeconds);
        else
            voice.stop();
    }
}

Voice& Engine::leavingSlot() noexcept
{
    Voice* quietest = &leaving_[0];
    for (auto& voice : leaving_) {
        if (!voice.active())
            return voice;
        if (voice.loudness() < quietest->loudness())
            quietest = &voice;
    }
    return *quietest;
}

Voice* Engine::freeVoice() noexcept
{
    Voice* victim = nullptr;
    const auto worth = [](const Voice& v) {
        // Released notes go first, the quietest of them before others; then the oldest.
        return std::tuple(!v.released(), v.released() ? v.loudness() : 0.0, v.age());
    };
    for (auto& voice : playing_) {
        if (!voice.active())
            return &voice;
        if (victim == nullptr || worth(voice) < worth(*victim))
            victim = &voice;
    }
    Voice& old = leavingSlot();
    old = *victim;
    old.fadeAway(stealSeconds, cellAt_);
    return victim;
}

void Engine::markKey(int key, bool down) noexcept
{
    auto& word = keysDown_[std::size_t(key / 64)];
    const auto bit = std::uint64_t(1) << (key % 64);
    if (down)
        word.fetch_or(bit, std::memory_order_relaxed);
    else
        word.fetch_and(~bit, std::memory_order_relaxed);
}

void Engine::noteOn(int key, int velocity) noexcept
{
    noteOff(key);
    markKey(key, true);
    if (program_ == nullptr)
        return;
    // Between cells the wheel stands where the last one ends.
    const auto bend = cellAt_ > 0 ? bend_ : Voice::Bend{bend_.to, bend_.to};
    for (const auto index : program_->zonesOfKey[std::size_t(key)]) {
        const ProgramZone& zone = program_->zones[index];
        if (velocity >= zone.lowVelocity && velocity <= zone.highVelocity)
            freeVoice()->start(
                *program_, zone, key, velocity, rate(), ++age_, entry_, bend, cellAt_);
    }
}

void Engine::noteOff(int key) noexcept
{
    markKey(key, false);
    for (auto& voice : playing_)
        if (voice.active() && voice.key() == key && !voice.released()) {
            if (pedal_)
                voice.sustained = true;
            else
                voice.release(cellAt_);
        }
}

void Engine::setPedal(bool down) noexcept
{
    pedal_ = down;
    if (down)
        return;
    for (auto& voice : playing_)
        if (voice.active() && voice.sustained)
            voice.release(cellAt_);
}

void Engine::handle(const MidiEvent& event) noexcept
{
    using Kind = MidiEvent::Kind;
    const int key = event.key & 127;
    switch (event.kind) {
    case Kind::noteOn:
        noteOn(key, std::clamp<int>(event.value, 1, 127));
        break;
    case Kind::noteOff:
        noteOff(key);
        break;
    case Kind::bend:
        bendWanted_ = bendRange * double(event.bend);
        break;
    case Kind::control:
        if (event.key == 64)
            setPedal(event.value >= 64);
        break;
    case Kind::allOff:
        setPedal(false);
        for (int k = 0; k < 128; ++k)
            noteOff(k);
        // What would go on to its own end fades.
        for (auto& voice : playing_)
            if (voice.active() && voice.zone()->sound->endsItself() && !voice.leaving())
                voice.fadeAway(panicSeconds, cellAt_);
        break;
    case Kind::entry:
        entry_ = NoteEntry(event.value);
        break;
    }
}

bool Engine::pass(Events& queue, const MidiEvent& event) noexcept
{
    constexpr std::size_t keptForEnds = 256;
    if (event.kind == MidiEvent::Kind::noteOn && queue.room() <= keptForEnds)
        return false;
    if (queue.push(event))
        return true;
    lost_.store(true, std::memory_order_relaxed);
    return false;
}

void Engine::drain() noexcept
{
    MidiEvent event;
    while (fromWindow_.pop(event))
        handle(event);
    while (fromMidi_.pop(event))
        handle(event);
    if (lost_.exchange(false, std::memory_order_relaxed))
        handle(MidiEvent::allOff());
}

template <class Do> void Engine::eachVoice(Do what) noexcept
{
    for (auto& voice : playing_)
        if (voice.active())
            what(voice);
    for (auto& voice : leaving_)
        if (voice.active())
            what(voice);
}

void Engine::beginCell() noexcept
{
    takeProgram();
    // The wheel is followed within a few cells: 0.3 of the way in 64 frames.
    constexpr double share = 0.16333997346592444;
    bend_.from = bend_.to;
    const double way = bendWanted_ - bend_.to;
    bend_.to = std::abs(way) < 1e-4 ? bendWanted_ : bend_.to + share * way;
    eachVoice([&](Voice& voice) { voice.beginCell(bend_); });
    int sounding = 0;
    const Voice* newest = nullptr;
    for (const auto& voice : playing_)
        if (voice.active()) {
            ++sounding;
            if (newest == nullptr || voice.age() > newest->age())
                newest = &voice;
        }
    voiceCount_.store(sounding, std::memory_order_relaxed);
    shownTake_.store(newest != nullptr ? newest->zone()->take : 0, std::memory_order_relaxed);
    if (newest != nullptr)
        shownPosition_.store(newest->position(), std::memory_order_relaxed);
}

void Engine::publishMeter(const float* left, const float* right, int frames) noexcept
{
    float l = 0.0f, r = 0.0f;
    for (int i = 0; i < frames; ++i) {
        l = std::max(l, std::abs(left[i]));
        r = std::max(r, std::abs(right[i]));
    }
    raise(peakLeft_, l);
    raise(peakRight_, r);
}

void Engine::process(float* left, float* right, int frames) noexcept
{
    const FlushDenormals flush;
    if (cellAt_ == 0)
        takeProgram();
    drain();
    for (int done = 0; done < frames;) {
        if (cellAt_ == 0)
            beginCell();
        const int count = std::min(Voice::cellFrames - cellAt_, frames - done);
        float* l = left + done;
        float* r = right + done;
        std::fill(l, l + count, 0.0f);
        std::fill(r, r + count, 0.0f);
        eachVoice([&](const Voice& voice) { voice.add(l, r, cellAt_, count); });
        cellAt_ = (cellAt_ + count) % Voice::cellFrames;
        done += count;
    }
    publishMeter(left, right, frames);
    recent_.write(left, right, frames);
}

Engine::Meter Engine::look() noexcept
{
    Meter meter;
    meter.peakLeft = peakLeft_.exchange(0.0f, std::memory_order_relaxed);
    meter.peakRight = peakRight_.exchange(0.0f, std::memory_order_relaxed);
    meter.voices = voiceCount_.load(std::memory_order_relaxed);
    meter.take = shownTake_.load(std::memory_order_relaxed);
    meter.position = shownPosition_.load(std::memory_order_relaxed);
    return meter;
}

std::array<std::uint64_t, 2> Engine::keysDown() const noexcept
{
    return {
        keysDown_[0].load(std::memory_order_relaxed), keysDown_[1].load(std::memory_order_relaxed)};
}

} // namespace puretone
