// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/performance.h"

#include <tuple>

namespace puretone {

namespace {

constexpr double changeSeconds = 0.008; ///< Crossfade from one program to the next.
constexpr double stealSeconds = 0.015;
constexpr double chokeSeconds = 0.012;
constexpr double panicSeconds = 0.1;

} // namespace

template <class Do> void Performance::eachVoice(Do what) noexcept
{
    for (auto& voice : playing_)
        if (voice.active())
            what(voice);
    for (auto& voice : leaving_)
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
    for (auto& voice : leaving_)
        if (voice.active() && voice.program() != last)
            voice.stop();
    for (auto& voice : playing_) {
        if (!voice.active())
            continue;
        const ProgramZone* zone =
            next != nullptr ? next->zone(voice.zone()->id(), voice.key()) : nullptr;
        if (zone != nullptr && zone->sound == voice.zone()->sound
            && next->layerOf(*zone).isFrozen == layerOf(voice).isFrozen) {
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
    // Turns go on where a layer is still there.
    for (std::size_t i = 0; next != nullptr && i < next->layers.size() && i < states_.size(); ++i)
        if (states_[i].id != next->layers[i].id) {
            states_[i] = {next->layers[i].id, {}, -1, 0, {}};
            states_[i].shared.start(next->layers[i].moves, 1);
        }
}

Voice& Performance::leavingSlot() noexcept
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

void Performance::giveUp(Voice& voice, double seconds) noexcept
{
    Voice& old = leavingSlot();
    old = voice;
    old.fadeAway(seconds, at_);
    voice.stop();
}

Voice* Performance::freeVoice() noexcept
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
    giveUp(*victim, stealSeconds);
    return victim;
}

void Performance::choke(int group) noexcept
{
    for (auto& voice : playing_)
        if (voice.active() && voice.event() != events_ && layerOf(voice).chokeGroup == group)
            giveUp(voice, chokeSeconds);
}

/// The oldest notes of a layer go until one more is allowed; a note may be several voices.
void Performance::makeRoom(std::uint32_t layer, int limit) noexcept
{
    if (limit >= Layer::mostVoices)
        return;
    std::array<std::uint64_t, voices> notes{};
    std::size_t count = 0;
    for (auto& voice : playing_)
        if (plays(voice, layer))
            notes[count++] = voice.event();
    std::sort(notes.begin(), notes.begin() + std::ptrdiff_t(count));
    const auto end = std::unique(notes.begin(), notes.begin() + std::ptrdiff_t(count));
    const auto tooMany = end - notes.begin() - std::ptrdiff_t(limit) + 1;
    if (tooMany <= 0)
        return;
    const auto last = notes[std::size_t(tooMany - 1)];
    for (auto& voice : playing_)
        if (plays(voice, layer) && voice.event() <= last)
            giveUp(voice, stealSeconds);
}

int Performance::lastHeld() const noexcept
{
    const auto last = std::max_element(heldSince_.begin(), heldSince_.end());
    return *last == 0 ? -1 : int(last - heldSince_.begin());
}

int Performance::lastHeldIn(std::uint32_t layer) const noexcept
{
    int last = -1;
    for (int key = 0; key < 128; ++key) {
        const auto place = std::size_t(key);
        if (heldSince_[place] == 0
            || (last >= 0 && heldSince_[place] < heldSince_[std::size_t(last)]))
            continue;
        const auto& candidates = program_->zonesOfKey[place];
        if (std::any_of(candidates.begin(), candidates.end(), [&](std::uint32_t index) {
                const ProgramZone& zone = program_->zones[index];
                return zone.layer == layer && inZone(zone.zone, key, touch_[place]);
            }))
            last = key;
    }
    return last;
}

/// George Marsaglia's xorshift (2003).
std::uint32_t Performance::nextRandom() noexcept
{
    random_ ^= random_ << 13U;
    random_ ^= random_ >> 17U;
    random_ ^= random_ << 5U;
    return random_;
}

/// Of several zones on the same key, the one whose turn it is.
void Performance::choose(Chosen& chosen, int key) noexcept
{
    const auto how = program_->layers[chosen.layer].sameKeys;
    if (how == SameKeys::together || chosen.count < 2)
        return;
    const bool shared = program_->layers[chosen.layer].turnsOverAllKeys;
    Turn& turn = states_[chosen.layer].turns[shared ? 0 : std::size_t(key)];
    std::size_t index = 0;
    if (how == SameKeys::inTurn) {
        index = turn.next % chosen.count;
        turn.next = std::uint8_t((index + 1) % chosen.count);
    } else {
        // Never the same twice running.
        const bool again = turn.last < chosen.count;
        index = nextRandom() % (again ? chosen.count - 1 : chosen.count);
        if (again && index >= turn.last)
            ++index;
        turn.last = std::uint8_t(index);
    }
    chosen.zones[0] = chosen.zones[index];
    chosen.count = 1;
}

/// The sounding note of the layer goes on at the pitch of another key. False where there is none.
bool Performance::tie(const Chosen& chosen, int key, bool others) noexcept
{
    const ProgramLayer& layer = program_->layers[chosen.layer];
    if (layer.notes != Notes::tied || !others)
        return false;
    bool tied = false;
    const auto zonesEnd = chosen.zones.begin() + std::ptrdiff_t(chosen.count);
    for (auto& voice : playing_)
        if (plays(voice, chosen.layer) && !voice.released()
            && std::any_of(chosen.zones.begin(), zonesEnd,
                [&](const ProgramZone* zone) { return zone->id() == voice.zone()->id(); })) {
            voice.retune(key, channel_[std::size_t(key)],
                layer.glide.byRate ? layer.glide.seconds * std::abs(key - voice.key()) / 12.0
                                   : layer.glide.seconds);
            tied = true;
        }
    return tied;
}

/// A gain: what sounds on release is softer the longer the key was held.
double Performance::heldFall(const ProgramLayer& layer, int key) const noexcept
{
    if (layer.when != SoundsWhen::release || layer.fallDbPerSecond <= 0.0)
        return 1.0;
    const double seconds = double(frameNow() - pressedAt_[std::size_t(key)]) / rate_;
    return std::pow(10.0, -layer.fallDbPerSecond * seconds / 20.0);
}

/// Where the layer glides, the note begins at the pitch of the last one.
void Performance::glideInto(
    VoiceStart& start, const ProgramLayer& layer, int from, int key, bool others) const noexcept
{
    const Glide& glide = layer.glide;
    if (glide.seconds <= 0.0 || from < 0 || from == key || !(others || glide.always)
        || layer.when == SoundsWhen::release)
        return;
    start.glideSemitones = (from - key) * layer.follow;
    start.glideSeconds = glide.byRate ? glide.seconds * std::abs(from - key) / 12.0 : glide.seconds;
}

/// @param others Whether other keys are down.
void Performance::soundLayer(const Chosen& chosen, int key, int velocity, bool others) noexcept
{
    const ProgramLayer& layer = program_->layers[chosen.layer];
    LayerState& state = states_[chosen.layer];
    const int from = std::exchange(state.lastKey, key);
    if (layer.chokeGroup > 0)
        choke(layer.chokeGroup);
    if (tie(chosen, key, others))
        return;
    VoiceStart start;
    start.program = program_;
    start.key = key;
    start.velocity = hands_.softened() ? std::max(1, velocity * 2 / 3) : velocity;
    start.rate = rate_;
    start.event = events_;
    start.entry = entry_;
    start.controls = &hands_.controls();
    start.shared = &state.shared;
    start.channel = channel_[std::size_t(key)];
    start.turn = state.notes++;
    start.at = at_;
    if (layer.notes != Notes::many)
        for (auto& voice : playing_)
            if (plays(voice, chosen.layer) && voice.event() != events_)
                giveUp(voice, changeSeconds);
    glideInto(start, layer, from, key, others);
    start.fall = heldFall(layer, key);
    makeRoom(chosen.layer, layer.voices);
    for (std::size_t i = 0; i < chosen.count; ++i) {
        start.zone = chosen.zones[i];
        for (start.unison = 0; start.unison < layer.unison.voices; ++start.unison) {
            // Two that begin alike would begin as one.
            const double share = double(nextRandom() >> 8U) / double(1U << 24U);
            start.later = start.unison > 0 ? share * layer.unison.phase * start.zone->period : 0.0;
            start.age = ++age_;
            freeVoice()->start(start);
        }
    }
}

template <class Wanted>
void Performance::sound(int key, int velocity, bool others, Wanted wanted) noexcept
{
    if (program_ == nullptr)
        return;
    const auto& candidates = program_->zonesOfKey[std::size_t(key)];
    for (std::size_t i = 0; i < candidates.size();) {
        Chosen chosen;
        chosen.layer = program_->zones[candidates[i]].layer;
        for (; i < candidates.size() && program_->zones[candidates[i]].layer == chosen.layer; ++i) {
            const ProgramZone& zone = program_->zones[candidates[i]];
            if (chosen.count < chosen.zones.size() && inZone(zone.zone, key, velocity))
                chosen.zones[chosen.count++] = &zone;
        }
        if (chosen.count == 0 || (allowed_ >> chosen.layer & 1U) == 0
            || !wanted(program_->layers[chosen.layer]))
            continue;
        choose(chosen, key);
        soundLayer(chosen, key, velocity, others);
    }
}

void Performance::noteOn(int key, int velocity, int channel) noexcept
{
    const auto place = std::size_t(key);
    heldSince_[place] = 0;
    awaited_[place] = false;
    releaseTouch_ = 0;
    endNotes(key, End::restruck);
    const bool others = lastHeld() >= 0;
    ++events_;
    touch_[place] = std::uint8_t(velocity);
    channel_[place] = std::uint8_t(channel);
    pressedAt_[place] = frameNow();
    sound(key, velocity, others, [others](const ProgramLayer& layer) {
        return layer.when == SoundsWhen::press
            || layer.when == (others ? SoundsWhen::phraseOn : SoundsWhen::phraseStart);
    });
    heldSince_[place] = events_;
}

void Performance::noteOff(int key, int touch) noexcept
{
    releaseTouch_ = touch;
    const auto place = std::size_t(key);
    const bool wasDown = std::exchange(heldSince_[place], 0) != 0;
    endNotes(key, End::letGo);
    if (wasDown && holds(key))
        awaited_[place] = true;
    else if (wasDown)
        keyCameUp(key);
}

/// Where a layer plays one note and another key is still down, the note goes back to it. False
/// where the note is to end.
bool Performance::goBack(const Voice& voice) noexcept
{
    const ProgramLayer& layer = layerOf(voice);
    if (layer.notes == Notes::many || layer.when == SoundsWhen::release
        || voice.program() != program_)
        return false;
    const int back = lastHeldIn(voice.zone()->layer);
    if (back < 0)
        return false;
    ++events_;
    sound(back, touch_[std::size_t(back)], true,
        [&](const ProgramLayer& other) { return &other == &layer; });
    return true;
}

void Performance::endNotes(int key, End how) noexcept
{
    const bool held = holds(key);
    for (auto& voice : playing_) {
        if (!voice.active() || voice.key() != key || voice.released())
            continue;
        if (held)
            voice.sustained = true;
        else if (how == End::restruck || !goBack(voice))
            voice.release(at_, releaseTouch_ / 127.0);
    }
}

void Performance::keyCameUp(int key) noexcept
{
    ++events_;
    sound(key, touch_[std::size_t(key)], lastHeld() >= 0,
        [](const ProgramLayer& layer) { return layer.when == SoundsWhen::release; });
}

/// A pedal came up.
void Performance::letGoHeld() noexcept
{
    for (auto& voice : playing_)
        if (voice.active() && voice.sustained && !holds(voice.key())) {
            voice.sustained = false;
            voice.release(at_);
        }
    for (int key = 0; key < 128; ++key)
        if (awaited_[std::size_t(key)] && !holds(key)) {
            awaited_[std::size_t(key)] = false;
            keyCameUp(key);
        }
}

void Performance::setPedal(int controller, bool down) noexcept
{
    if (controller == 64) {
        if (std::exchange(pedal_, down) && !down)
            letGoHeld();
    } else if (controller == 66) {
        for (std::size_t key = 0; key < 128; ++key)
            sostenuto_[key] = down && (sostenuto_[key] || heldSince_[key] != 0);
        if (!down)
            letGoHeld();
    }
}

void Performance::allOff() noexcept
{
    pedal_ = false;
    sostenuto_.fill(false);
    heldSince_.fill(0);
    awaited_.fill(false);
    for (auto& voice : playing_) {
        if (!voice.active())
            continue;
        if (!voice.released())
            voice.release(at_);
        // What would go on to its own end fades.
        if (voice.zone()->sound->endsItself() && !voice.leaving())
            voice.fadeAway(panicSeconds, at_);
    }
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
    case Kind::clock:
    case Kind::clockStart:
    case Kind::clockStop:
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
    ControlGroup control;
    control.mostGrains = grainsForEach();
    FilterGroup filters;
    mixLeft_.fill(0.0f);
    mixRight_.fill(0.0f);
    mixed_ = true;
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
            together[i]->add(mixLeft_.data(), mixRight_.data());
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

/// After something has happened inside the cell.
void Performance::mixAgain() noexcept
{
    mixLeft_.fill(0.0f);
    mixRight_.fill(0.0f);
    mixed_ = true;
    eachVoice([&](const Voice& voice) {
        if (voice.active())
            voice.add(mixLeft_.data(), mixRight_.data());
    });
}

void Performance::write(float* left, float* right, int from, int count) noexcept
{
    if (!mixed_)
        mixAgain();
    std::copy_n(mixLeft_.begin() + from, count, left);
    std::copy_n(mixRight_.begin() + from, count, right);
    if (levelFrom_ == 1.0 && levelTo_ == 1.0)
        return;
    const double step = (levelTo_ - levelFrom_) / Voice::cellFrames;
    for (int i = 0; i < count; ++i) {
        const auto gain = float(levelFrom_ + step * (from + i));
        left[i] *= gain;
        right[i] *= gain;
    }
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
