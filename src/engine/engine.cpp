// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/engine.h"

#include "base/threads/flush_denormals.h"

namespace puretone {

static_assert(effectCell == Voice::cellFrames);

Engine::Engine()
{
    KernelLadder::shared();
}

Engine::~Engine()
{
    delete performance_.program();
    delete previous_;
}

void Engine::setProgram(std::unique_ptr<const Program> program)
{
    if (program)
        for (const auto& effect : program->effects)
            if (std::find(processors_.begin(), processors_.end(), effect.processor)
                == processors_.end())
                processors_.push_back(effect.processor);
    handover_.publish(std::move(program));
    collect();
}

void Engine::collect()
{
    handover_.collect();
    std::erase_if(processors_, [](const auto& p) { return p.use_count() == 1 && !p->leased(); });
}

void Engine::prepare(double rate)
{
    rate_.store(rate, std::memory_order_relaxed);
    master_.prepare(rate);
    clock_.prepare(rate);
    performance_.reset(rate);
    chain_.reset(rate);
    beside_.reset();
    pressed_ = {};
    if (const Program* program = performance_.program())
        chain_.setWanted(program->effects);
    tempo_.reset(rate);
    pattern_.reset();
    latch_.reset();
    recentNotes_.clear(rate);
    frame_ = 0;
    reached_ = false;
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
    chain_.setWanted(next->effects);
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
    using Kind = MidiEvent::Kind;
    switch (event.kind) {
    case Kind::clock:
        tempo_.tick(double(frame_ + cellAt_));
        followLeap();
        return;
    case Kind::clockStart:
        tempo_.startClock();
        return;
    case Kind::clockContinue:
        tempo_.continueClock();
        return;
    case Kind::songPosition:
        tempo_.setSongPosition(event.key | event.value << 7);
        return;
    case Kind::restrike:
        restrike();
        return;
    case Kind::clockStop:
        tempo_.stopClock();
        return;
    default:
        break;
    }
    followHold();
    if (const auto passed = latch_.pass(event))
        take(*passed);
}

void Engine::followHold() noexcept
{
    latch_.setOn(
        hold_.load(std::memory_order_relaxed), [this](int key) { take(MidiEvent::noteOff(key)); });
}

/// Keys as they are, with those that Hold keeps down.
void Engine::take(const MidiEvent& event) noexcept
{
    const Program* program = performance_.program();
    if (program != nullptr && pattern_.take(event, program->pattern, tempo_, cellAt_))
        return;
    happen(event);
}

void Engine::restrike() noexcept
{
    for (int key = 0; key < 128; ++key)
        if (latch_.holds(key))
            take(MidiEvent::noteOn(key, performance_.velocityOf(key)));
}

/// The pattern goes where the song has leapt to.
void Engine::followLeap() noexcept
{
    const double leap = tempo_.takeLeap();
    if (const Program* program = performance_.program(); program != nullptr && leap != 0.0)
        pattern_.leap(leap, program->pattern, tempo_, cellAt_);
}

/// What keys, or the pattern in their place, do.
void Engine::happen(const MidiEvent& event) noexcept
{
    if (event.kind == MidiEvent::Kind::noteOn && event.key < 128)
        pressed_[event.key / 64U] |= std::uint64_t(1) << (event.key % 64U);
    recentNotes_.add(frame_ + cellAt_, event);
    performance_.handle(event, cellAt_);
    publishKeys();
}

/// What the pattern does at the present frame of the cell.
void Engine::playPattern() noexcept
{
    const Program* program = performance_.program();
    if (program == nullptr || pattern_.due(program->pattern, tempo_, cellAt_) > cellAt_)
        return;
    const auto doing = pattern_.happen(*program, tempo_, cellAt_);
    const auto begins = [&](std::uint8_t key) {
        const auto end = doing.begins.begin() + std::ptrdiff_t(doing.beginCount);
        return std::find(doing.begins.begin(), end, key) != end;
    };
    const auto endNotes = [&] {
        for (std::size_t i = 0; i < doing.endCount; ++i)
            happen(MidiEvent::noteOff(doing.ends[i]));
    };
    // Without a gap between them notes may be tied: the next one begins first.
    const bool gapless = program->pattern.gate >= 1.0 && doing.beginCount > 0;
    if (!gapless)
        endNotes();
    performance_.setAllowed(doing.layers);
    for (std::size_t i = 0; i < doing.beginCount; ++i)
        happen(MidiEvent::noteOn(doing.begins[i], doing.touches[i]));
    performance_.setAllowed(Performance::everyLayer);
    if (gapless)
        for (std::size_t i = 0; i < doing.endCount; ++i)
            if (!begins(doing.ends[i]))
                happen(MidiEvent::noteOff(doing.ends[i]));
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
    while (dueCount_ < 2 * queued && fromListening_.pop(posted))
        add(posted);
    while (dueCount_ < due_.size() && fromMidi_.pop(posted))
        add(posted);
}

/// Between cells, before anything happens at the first frame of the next one.
void Engine::reachCell() noexcept
{
    takeProgram();
    const Program* program = performance_.program();
    if (program != nullptr)
        tempo_.setTempo(program->tempo);
    tempo_.setFollowing(followsClock_.load(std::memory_order_relaxed));
    followHold();
    const bool perKey = perKey_.load(std::memory_order_relaxed);
    if (perKey != performance_.hands().perKey())
        performance_.hands().setPerKey(perKey);
    tempo_.beginCell(reached_ ? Voice::cellFrames : 0);
    followLeap();
    frame_ += reached_ ? Voice::cellFrames : 0;
    reached_ = true;
}

void Engine::beginCell() noexcept
{
    performance_.beginCell(tempo_.beatsPerSecond());
    moveEffects();
    chain_.beginCell({tempo_.beat(), tempo_.beatsPerFrame(), pressed_});
    beside_.beginCell(chain_.latency());
    pressed_ = {};
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
        publishMoves();
        publishEffects();
    }
}

/// Movements of layers that reach into the chain: by their newest note, or by what goes on without
/// one.
void Engine::moveEffects() noexcept
{
    chain_.moveNothing();
    const Program* program = performance_.program();
    if (program == nullptr)
        return;
    for (const EffectMove& m : program->effectMoves) {
        const LayerId layer = program->layers[m.layer].id;
        const Voice* voice = performance_.newestOf(layer);
        const bool knows = voice != nullptr && voice->program() == program;
        const MovesRun* moves = knows ? &voice->moves() : performance_.sharedOf(layer);
        if (moves != nullptr)
            chain_.move(m.effectId, m.parameter, m.amount * moves->shown(m.move));
    }
}

void Engine::publishEffects() noexcept
{
    rings_.store(!chain_.silent(), std::memory_order_relaxed);
    const Program* program = performance_.program();
    for (std::size_t i = 0; program != nullptr && i < program->effects.size(); ++i)
        if (i < held_.size())
            held_[i].store(chain_.held(program->effects[i].effect.id), std::memory_order_relaxed);
}

void Engine::publishMoves() noexcept
{
    shownTempo_.store(60.0 * tempo_.beatsPerSecond(), std::memory_order_relaxed);
    clocked_.store(tempo_.followsNow(), std::memory_order_relaxed);
    if (const int moved = performance_.hands().lastMoved(); moved >= 0) {
        movedValue_.store(performance_.hands().wanted(moved), std::memory_order_relaxed);
        movedController_.store(moved, std::memory_order_relaxed);
    }
    const LayerId layer{shownLayer_.load(std::memory_order_relaxed)};
    const Voice* voice = performance_.newestOf(layer);
    const MovesRun* moves = voice != nullptr ? &voice->moves() : performance_.sharedOf(layer);
    const LayerMoves* list = performance_.movesOf(layer);
    for (std::size_t i = 0; list != nullptr && moves != nullptr && i < list->moves.size(); ++i)
        if (list->places[i] < shownMoves_.size())
            shownMoves_[list->places[i]].store(moves->shown(i), std::memory_order_relaxed);
    shownCutoff_.store(voice != nullptr ? voice->cutoff() : 0.0, std::memory_order_relaxed);
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
    if (!reached_)
        reachCell();
    if (cellAt_ == 0)
        takeProgram();
    std::size_t next = 0;
    const auto happenAt = [&](int frame) {
        for (; next < dueCount_ && due_[next].frame <= frame; ++next)
            handle(due_[next].event);
    };
    for (int done = 0; done < frames;) {
        happenAt(done);
        playPattern();
        if (cellAt_ == 0)
            beginCell();
        const int due = next < dueCount_ ? due_[next].frame : frames;
        const int step = patternDue();
        const int count = std::min(
            {Voice::cellFrames - cellAt_, frames - done, due - done, std::max(1, step - cellAt_)});
        performance_.write(left + done, right + done, cellAt_, count);
        chain_.process(left + done, right + done, cellAt_, count);
        std::array<float, Voice::cellFrames> besideLeft, besideRight;
        const bool some =
            performance_.writeBeside(besideLeft.data(), besideRight.data(), cellAt_, count);
        beside_.add(some ? besideLeft.data() : nullptr, besideRight.data(), left + done,
            right + done, cellAt_, count);
        cellAt_ += count;
        done += count;
        if (cellAt_ == Voice::cellFrames) {
            cellAt_ = 0;
            reachCell();
        }
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
    meter.rings = rings_.load(std::memory_order_relaxed);
    for (std::size_t i = 0; i < meter.held.size(); ++i)
        meter.held[i] = held_[i].load(std::memory_order_relaxed);
    meter.take = shownTake_.load(std::memory_order_relaxed);
    meter.position = shownPosition_.load(std::memory_order_relaxed);
    meter.grains = shownGrains_.load(std::memory_order_relaxed);
    for (std::size_t i = 0; i < meter.zones.size(); ++i)
        meter.zones[i] = shownZones_[i].load(std::memory_order_relaxed);
    for (std::size_t i = 0; i < meter.moves.size(); ++i)
        meter.moves[i] = shownMoves_[i].load(std::memory_order_relaxed);
    meter.cutoff = shownCutoff_.load(std::memory_order_relaxed);
    meter.tempo = shownTempo_.load(std::memory_order_relaxed);
    meter.clocked = clocked_.load(std::memory_order_relaxed);
    meter.controllerValue = movedValue_.load(std::memory_order_relaxed);
    meter.controller = movedController_.exchange(-1, std::memory_order_relaxed);
    return meter;
}

std::array<std::uint64_t, 2> Engine::keysDown() const noexcept
{
    return {
        keysDown_[0].load(std::memory_order_relaxed), keysDown_[1].load(std::memory_order_relaxed)};
}

} // namespace puretone
