// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/engine.h"

#include "base/flush_denormals.h"

namespace puretone {

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
    master_.prepare(rate);
    clock_.prepare(rate);
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

bool Engine::pass(Events& queue, const Posted& posted) noexcept
{
    constexpr std::size_t keptForEnds = 256;
    if (posted.event.kind == MidiEvent::Kind::noteOn && queue.room() <= keptForEnds)
        return false;
    if (queue.push(posted))
        return true;
    lost_.store(true, std::memory_order_relaxed);
    return false;
}

void Engine::drain(int frames, bool timed) noexcept
{
    dueCount_ = 0;
    const auto add = [&](const Posted& posted) {
        const bool known = timed && posted.when != Moment{};
        const Due due{posted.event, known ? clock_.frameOf(posted.when, frames) : 0};
        // Each queue is in order, or nearly: what is late by a little moves a few places.
        auto at = dueCount_++;
        for (; at > 0 && due_[at - 1].frame > due.frame; --at)
            due_[at] = due_[at - 1];
        due_[at] = due;
    };
    Posted posted;
    while (dueCount_ < queued && fromWindow_.pop(posted))
        add(posted);
    while (dueCount_ < due_.size() && fromMidi_.pop(posted))
        add(posted);
}

void Engine::beginCell() noexcept
{
    takeProgram();
    performance_.beginCell();
    const Voice* newest = performance_.newest();
    voiceCount_.store(performance_.sounding(), std::memory_order_relaxed);
    shownTake_.store(
        newest != nullptr ? newest->zone()->zone.take.value : 0, std::memory_order_relaxed);
    if (newest != nullptr)
        shownPosition_.store(newest->position(), std::memory_order_relaxed);
    constexpr int everyCells = 16;
    if (untilZones_-- <= 0) {
        untilZones_ = everyCells;
        publishZones();
    }
}

void Engine::publishZones() noexcept
{
    std::array<int, mostShown> ids{};
    int grains = 0;
    performance_.tell(ids, grains);
    for (std::size_t i = 0; i < ids.size(); ++i)
        shownZones_[i].store(ids[i], std::memory_order_relaxed);
    shownGrains_.store(grains, std::memory_order_relaxed);
}

void Engine::process(float* left, float* right, int frames) noexcept
{
    const FlushDenormals flush;
    drain(frames, false);
    play(left, right, frames);
}

void Engine::process(float* left, float* right, int frames, Moment now) noexcept
{
    const FlushDenormals flush;
    clock_.beginBlock(now, frames);
    drain(frames, true);
    play(left, right, frames);
}

void Engine::play(float* left, float* right, int frames) noexcept
{
    if (cellAt_ == 0)
        takeProgram();
    std::size_t next = 0;
    const auto happenAt = [&](int frame) {
        for (; next < dueCount_ && due_[next].frame <= frame; ++next)
            handle(due_[next].event);
    };
    for (int done = 0; done < frames;) {
        happenAt(done);
        if (cellAt_ == 0)
            beginCell();
        const int due = next < dueCount_ ? due_[next].frame : frames;
        const int count = std::min({Voice::cellFrames - cellAt_, frames - done, due - done});
        performance_.write(left + done, right + done, cellAt_, count);
        cellAt_ = (cellAt_ + count) % Voice::cellFrames;
        done += count;
    }
    happenAt(frames); // of a block without frames
    if (lost_.exchange(false, std::memory_order_relaxed))
        handle(MidiEvent::allOff());
    master_.process(left, right, frames);
}

Engine::Meter Engine::look() noexcept
{
    Meter meter;
    const auto out = master_.look();
    meter.peakLeft = out.peakLeft;
    meter.peakRight = out.peakRight;
    meter.limited = out.least;
    meter.voices = voiceCount_.load(std::memory_order_relaxed);
    meter.take = shownTake_.load(std::memory_order_relaxed);
    meter.position = shownPosition_.load(std::memory_order_relaxed);
    meter.grains = shownGrains_.load(std::memory_order_relaxed);
    for (std::size_t i = 0; i < meter.zones.size(); ++i)
        meter.zones[i] = shownZones_[i].load(std::memory_order_relaxed);
    return meter;
}

std::array<std::uint64_t, 2> Engine::keysDown() const noexcept
{
    return {
        keysDown_[0].load(std::memory_order_relaxed), keysDown_[1].load(std::memory_order_relaxed)};
}

} // namespace puretone
