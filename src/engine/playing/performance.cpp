// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/playing/performance.h"

#include <tuple>

namespace puretone {

template <class Do> void Performance::eachVoice(Do what) noexcept
{
    for (auto& voice : playing_)
        if (voice.active())
            what(voice);
    for (auto& voice : std::span(leaving_).first(leavingEnd_))
        if (voice.active())
            what(voice);
}

void Performance::reset(double rate) noexcept
{
    rate_ = rate;
    eachVoice([](Voice& voice) { voice.stop(); });
    hands_.reset();
    pedal_ = false;
    sostenuto_.fill(false);
    heldSince_.fill(0);
    awaited_.fill(false);
}

bool Performance::isHeard(const Program* program) const noexcept
{
    const auto plays = [&](const Voice& v) { return v.active() && v.program() == program; };
    return std::any_of(playing_.begin(), playing_.end(), plays)
        || std::any_of(leaving_.begin(), leaving_.end(), plays);
}

void Performance::setProgram(const Program* next) noexcept
{
    const Program* last = program_;
    program_ = next;
    for (auto& voice : leaving_) {
        if (voice.active() && voice.program() != last)
            voice.stop();
        else if (voice.active())
            voice.hastenAway(changeSeconds); // the program after this one waits for it
    }
    Lost lost{};
    for (auto& voice : playing_)
        if (voice.active())
            takeOver(voice, next, lost);
    // Turns go on where a layer is still there.
    for (std::size_t i = 0; next != nullptr && i < next->layers.size() && i < states_.size(); ++i)
        if (states_[i].id != next->layers[i].id) {
            states_[i] = LayerState{};
            states_[i].id = next->layers[i].id;
            states_[i].shared.start(next->layers[i].moves, 1);
            states_[i].toEffects = next->layers[i].toEffects;
        }
    if (next != nullptr)
        soundOnHeldKeys(last, lost);
}

/// A sounding voice goes on in the next program, or leaves with the present one.
void Performance::takeOver(Voice& voice, const Program* next, Lost& lost) noexcept
{
    const ProgramZone* zone =
        next != nullptr ? next->zone(voice.zone()->id(), voice.key()) : nullptr;
    // A border that has passed the key leaves it to its neighbour.
    if (zone != nullptr && !inZone(zone->zone, voice.key(), voice.velocity()))
        zone = nullptr;
    if (zone != nullptr && zone->sound == voice.zone()->sound
        && next->layerOf(*zone).isFrozen == layerOf(voice).isFrozen) {
        voice.keepIn(*next, *zone);
        return;
    }
    if (zone == nullptr && next != nullptr && !voice.released())
        lost[std::size_t(voice.key())] |= bitOf(next->layerAt(layerOf(voice).id));
    Voice& old = leavingSlot();
    old = voice;
    old.fadeAway(changeSeconds, 0);
    if (zone != nullptr)
        voice.moveTo(*next, *zone, changeSeconds);
    else
        voice.stop();
}

Voice& Performance::leavingSlot() noexcept
{
    Voice* quietest = &leaving_[0];
    for (std::size_t i = 0; i < leaving_.size(); ++i) {
        Voice& voice = leaving_[i];
        if (!voice.active()) {
            leavingEnd_ = std::max(leavingEnd_, i + 1);
            return voice;
        }
        if (voice.loudness() < quietest->loudness())
            quietest = &voice;
    }
    return *quietest;
}

void Performance::giveUp(Voice& voice, double seconds) noexcept
{
    Voice& old = leavingSlot();
    old = voice;
    old.fadeAway(seconds, at_);
    voice.stop();
}

Voice* Performance::freeVoice() noexcept
{
    Voice* victim = playing_.data();
    const auto worth = [](const Voice& v) {
        // Released notes go first, the quietest of them before others; then the oldest.
        return std::tuple(!v.released(), v.released() ? v.loudness() : 0.0, v.age());
    };
    for (auto& voice : playing_) {
        if (!voice.active())
            return &voice;
        if (worth(voice) < worth(*victim))
            victim = &voice;
    }
    giveUp(*victim, stealSeconds);
    return victim;
}

void Performance::handle(const MidiEvent& event, int at) noexcept
{
    using Kind = MidiEvent::Kind;
    const int key = event.key & 127;
    at_ = at;
    mixed_ = mixed_ && at == 0;
    switch (event.kind) {
    case Kind::noteOn:
        noteOn(key, std::clamp<int>(event.value, 1, 127), hands_.channelOf(event));
        break;
    case Kind::noteOff:
        noteOff(key, event.value);
        break;
    case Kind::control:
        control(event);
        break;
    case Kind::bend:
    case Kind::pressure:
    case Kind::keyPressure:
        hands_.handle(event);
        break;
    case Kind::allOff:
        allOff();
        break;
    case Kind::entry:
        entry_ = NoteEntry(event.value);
        break;
    case Kind::restrike:
    case Kind::clock:
    case Kind::clockStart:
    case Kind::clockContinue:
    case Kind::clockStop:
    case Kind::songPosition:
        break;
    }
}

void Performance::control(const MidiEvent& event) noexcept
{
    hands_.handle(event);
    if (event.key == 121) {
        setPedal(64, false);
        setPedal(66, false);
    } else {
        setPedal(event.key, event.value >= 64);
    }
}

/// What layers do by themselves goes on whether a note sounds or not.
void Performance::advanceShared() noexcept
{
    if (program_ == nullptr)
        return;
    for (std::size_t i = 0; i < program_->layers.size() && i < states_.size(); ++i)
        if (const LayerMoves& moves = program_->layers[i].moves; !moves.moves.empty())
            states_[i].shared.advance(
                moves, hands_.controls(), {}, Voice::cellFrames / rate_, nullptr);
}

/// Frozen notes share the time that there is.
int Performance::grainsForEach() const noexcept
{
    if (program_ == nullptr
        || std::none_of(program_->layers.begin(), program_->layers.end(),
            [](const ProgramLayer& layer) { return layer.isFrozen; }))
        return Frozen::most;
    constexpr int grains = 512;
    const auto frozen = std::count_if(playing_.begin(), playing_.end(),
        [&](const Voice& v) { return v.active() && layerOf(v).isFrozen; });
    return std::clamp(grains / std::max(1, int(frozen)), 2, Frozen::most);
}

void Performance::beginCell(double beatsPerSecond) noexcept
{
    hands_.beginCell(beatsPerSecond);
    levelFrom_ = levelTo_;
    levelTo_ = program_ != nullptr && program_->movesVolume ? 1.0 : hands_.level();
    advanceShared();
    // Eight by eight, while what they have read is at hand; which of them stand together changes
    // nothing.
    std::array<Voice*, ControlGroup::most> together{};
    std::size_t count = 0;
    while (leavingEnd_ > 0 && !leaving_[leavingEnd_ - 1].active())
        --leavingEnd_;
    ControlGroup control;
    control.mostGrains = grainsForEach();
    control.beatsPerSecond = beatsPerSecond;
    FilterGroup filters;
    splitLayers();
    clearMix();
    ++cells_;
    const auto finish = [&] {
        for (std::size_t i = 0; i < count; ++i)
            together[i]->askControl(hands_.controls(), sharedOf(*together[i]), control, i);
        control.makeRest();
        for (std::size_t i = 0; i < count; ++i) {
            together[i]->readCell(control, i);
            if (together[i]->wantsFilter())
                together[i]->joinFilter(filters);
        }
        filters.run();
        for (std::size_t i = 0; i < count; ++i) {
            together[i]->finishCell(hands_.controls());
            addToMix(*together[i]);
        }
        count = 0;
    };
    for (auto& voice : playing_)
        if (voice.active() && voice.wantsJump()) {
            Voice& old = leavingSlot();
            old = voice;
            old.fadeAway(voice.jumpSeconds(), 0);
            voice.jump();
        }
    eachVoice([&](Voice& voice) {
        if (!voice.beginCell())
            return;
        together[count++] = &voice;
        if (count == together.size())
            finish();
    });
    finish();
}

/// How much of each layer goes through the effects now: a change takes a few cells.
void Performance::splitLayers() noexcept
{
    splits_ = false;
    if (program_ == nullptr)
        return;
    constexpr double seconds = 0.01;
    const auto step = float(Voice::cellFrames / (seconds * rate_));
    for (std::size_t i = 0; i < program_->layers.size() && i < states_.size(); ++i) {
        float& share = states_[i].toEffects;
        share += std::clamp(program_->layers[i].toEffects - share, -step, step);
        splits_ = splits_ || share < 1.0f;
    }
}

void Performance::clearMix() noexcept
{
    for (Mix* mix : {&through_, &beside_}) {
        mix->left.fill(0.0f);
        mix->right.fill(0.0f);
    }
    mixed_ = true;
}

void Performance::addToMix(const Voice& voice) noexcept
{
    const auto layer = std::size_t(voice.zone()->layer);
    const float share = splits_ ? states_[std::min(layer, states_.size() - 1)].toEffects : 1.0f;
    if (share > 0.0f)
        voice.add(through_.left.data(), through_.right.data(), share);
    if (share < 1.0f)
        voice.add(beside_.left.data(), beside_.right.data(), 1.0f - share);
}

/// After something has happened inside the cell.
void Performance::mixAgain() noexcept
{
    clearMix();
    eachVoice([&](const Voice& voice) {
        if (voice.active())
            addToMix(voice);
    });
}

void Performance::copyMix(
    const Mix& mix, float* left, float* right, int from, int count) const noexcept
{
    std::copy_n(mix.left.begin() + from, count, left);
    std::copy_n(mix.right.begin() + from, count, right);
    if (levelFrom_ == 1.0 && levelTo_ == 1.0)
        return;
    const double step = (levelTo_ - levelFrom_) / Voice::cellFrames;
    for (int i = 0; i < count; ++i) {
        const auto gain = float(levelFrom_ + step * (from + i));
        left[i] *= gain;
        right[i] *= gain;
    }
}

void Performance::write(float* left, float* right, int from, int count) noexcept
{
    if (!mixed_)
        mixAgain();
    copyMix(through_, left, right, from, count);
}

bool Performance::writeBeside(float* left, float* right, int from, int count) noexcept
{
    if (!splits_)
        return false;
    if (!mixed_)
        mixAgain();
    copyMix(beside_, left, right, from, count);
    return true;
}

void Performance::tell(std::span<int> zones, int& grains) const noexcept
{
    std::size_t count = 0;
    grains = 0;
    for (const auto& voice : playing_) {
        if (!voice.active())
            continue;
        grains += voice.grains();
        const int id = voice.zone()->id().value;
        const auto told = zones.first(count);
        if (!voice.released() && count < zones.size()
            && std::find(told.begin(), told.end(), id) == told.end())
            zones[count++] = id;
    }
}

int Performance::sounding() const noexcept
{
    return int(std::count_if(
        playing_.begin(), playing_.end(), [](const Voice& voice) { return voice.active(); }));
}

const Voice* Performance::newest() const noexcept
{
    const Voice* newest = nullptr;
    for (const auto& voice : playing_)
        if (voice.active() && (newest == nullptr || voice.age() > newest->age()))
            newest = &voice;
    return newest;
}

const Voice* Performance::newestOf(LayerId layer) const noexcept
{
    const Voice* newest = nullptr;
    for (const auto& voice : playing_)
        if (voice.active() && layerOf(voice).id == layer
            && (newest == nullptr || voice.age() > newest->age()))
            newest = &voice;
    return newest;
}

const LayerMoves* Performance::movesOf(LayerId layer) const noexcept
{
    if (program_ == nullptr)
        return nullptr;
    const auto at = std::size_t(program_->layerAt(layer));
    return at < program_->layers.size() ? &program_->layers[at].moves : nullptr;
}

const MovesRun* Performance::sharedOf(LayerId layer) const noexcept
{
    if (program_ == nullptr)
        return nullptr;
    const auto at = std::size_t(program_->layerAt(layer));
    return at < program_->layers.size() && at < states_.size() ? &states_[at].shared : nullptr;
}

} // namespace puretone
