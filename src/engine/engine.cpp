// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/engine.h"

#include "base/flush_denormals.h"

namespace puretone {

namespace {

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
    delete performance_.program();
    delete previous_;
}

void Engine::prepare(double rate)
{
    rate_.store(rate, std::memory_order_relaxed);
    recent_.resize(std::size_t(recentSeconds * rate));
    performance_.reset(rate);
    cellAt_ = 0;
    publishKeys();
}

/// Between cells.
void Engine::takeProgram() noexcept
{
    if (previous_ != nullptr) {
        if (performance_.isHeard(previous_) || !handover_.retire(previous_))
            return;
        previous_ = nullptr;
    }
    const Program* next = handover_.take();
    if (next == nullptr)
        return;
    previous_ = performance_.program();
    performance_.setProgram(next);
}

void Engine::publishKeys() noexcept
{
    std::array<std::uint64_t, 2> down{};
    for (int key = 0; key < 128; ++key)
        if (performance_.isDown(key))
            down[std::size_t(key / 64)] |= std::uint64_t(1) << (key % 64);
    for (std::size_t i = 0; i < down.size(); ++i)
        keysDown_[i].store(down[i], std::memory_order_relaxed);
}

void Engine::handle(const MidiEvent& event) noexcept
{
    performance_.handle(event, cellAt_);
    publishKeys();
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

void Engine::beginCell() noexcept
{
    takeProgram();
    performance_.beginCell();
    const Voice* newest = performance_.newest();
    voiceCount_.store(performance_.sounding(), std::memory_order_relaxed);
    shownTake_.store(newest != nullptr ? newest->zone()->zone.take : 0, std::memory_order_relaxed);
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
        performance_.add(l, r, cellAt_, count);
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
