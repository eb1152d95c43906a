// SPDX-License-Identifier: GPL-3.0-or-later
// Which notes keys and pedals begin and end: layers, turns, groups, one note, glides.
#include "engine/playing/performance.h"

namespace puretone {

namespace {

constexpr double chokeSeconds = 0.012;
constexpr double panicSeconds = 0.1;

} // namespace

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

/// The sounding note of the layer goes on at the pitch of another key, in the zones that both keys
/// sound; in the others it ends.
///
/// @return A bit for each of the chosen zones that goes on; 0 where a new note is to begin.
std::uint64_t Performance::tie(const Chosen& chosen, int key, bool others) noexcept
{
    const ProgramLayer& layer = program_->layers[chosen.layer];
    if (layer.notes != Notes::tied || !others)
        return 0;
    std::uint64_t tied = 0;
    for (auto& voice : playing_) {
        if (!plays(voice, chosen.layer) || voice.released())
            continue;
        for (std::size_t i = 0; i < chosen.count; ++i)
            if (chosen.zones[i]->id() == voice.zone()->id()) {
                voice.retune(key, channel_[std::size_t(key)],
                    layer.glide.byRate ? layer.glide.seconds * std::abs(key - voice.key()) / 12.0
                                       : layer.glide.seconds);
                tied |= std::uint64_t(1) << i;
            }
    }
    if (tied == 0)
        return 0;
    for (auto& voice : playing_)
        if (plays(voice, chosen.layer) && !voice.released() && voice.key() != key)
            voice.release(at_, releaseTouch_ / 127.0);
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
    const std::uint64_t tied = tie(chosen, key, others);
    VoiceStart start;
    start.program = program_;
    start.key = key;
    start.velocity = velocity;
    start.loudnessShare = hands_.softened() ? 2.0 / 3.0 : 1.0;
    start.rate = rate_;
    start.event = events_;
    start.entry = entry_;
    start.controls = &hands_.controls();
    start.shared = &state.shared;
    start.channel = channel_[std::size_t(key)];
    start.turn = state.notes++;
    start.at = at_;
    if (layer.notes != Notes::many && tied == 0)
        for (auto& voice : playing_)
            if (plays(voice, chosen.layer) && voice.event() != events_)
                giveUp(voice, changeSeconds);
    glideInto(start, layer, from, key, others);
    start.fall = heldFall(layer, key);
    if (tied == 0)
        makeRoom(chosen.layer, layer.voices);
    for (std::size_t i = 0; i < chosen.count; ++i) {
        if ((tied >> i & 1U) != 0)
            continue;
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

std::uint64_t Performance::soundingLayers(int key) const noexcept
{
    std::uint64_t layers = 0;
    for (const auto& voice : playing_)
        if (voice.active() && voice.key() == key && !voice.released()
            && voice.program() == program_)
            layers |= bitOf(voice.zone()->layer);
    return layers;
}

void Performance::soundOnHeldKeys(const Program* last, const Lost& lost) noexcept
{
    at_ = 0;
    for (int key = 0; key < 128; ++key) {
        const auto place = std::size_t(key);
        if (heldSince_[place] == 0)
            continue;
        const int touch = touch_[place];
        std::uint64_t before = 0;
        if (last != nullptr)
            for (const auto index : last->zonesOfKey[place])
                if (const ProgramZone& zone = last->zones[index]; inZone(zone.zone, key, touch))
                    before |= bitOf(program_->layerAt(last->layerOf(zone).id));
        const std::uint64_t wanted = (lost[place] | ~before) & ~soundingLayers(key);
        ++events_;
        sound(key, touch, false, [&](const ProgramLayer& layer) {
            const auto index = std::uint32_t(&layer - program_->layers.data());
            return (wanted & bitOf(index)) != 0
                && (layer.when == SoundsWhen::press || layer.when == SoundsWhen::phraseStart)
                && (layer.notes == Notes::many || lastHeldIn(index) == key);
        });
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
    if (std::none_of(playing_.begin(), playing_.end(),
            [channel](const Voice& v) { return v.active() && v.channel() == channel; }))
        hands_.snap(channel);
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

/// Where a layer plays one note and another key is still down, the note goes back to it.
///
/// @param layers Whose notes end now.
void Performance::goBack(std::uint64_t layers) noexcept
{
    for (std::uint32_t i = 0; program_ != nullptr && i < program_->layers.size(); ++i) {
        const ProgramLayer& layer = program_->layers[i];
        if ((layers & bitOf(i)) == 0 || layer.notes == Notes::many
            || layer.when == SoundsWhen::release)
            continue;
        const int back = lastHeldIn(i);
        if (back < 0)
            continue;
        ++events_;
        sound(back, touch_[std::size_t(back)], true,
            [&layer](const ProgramLayer& other) { return &other == &layer; });
    }
}

/// A key no longer sounds what it did: that goes back to another key, waits for a pedal, or ends.
void Performance::endNotes(int key, End how) noexcept
{
    if (!holds(key) && how == End::letGo)
        goBack(soundingLayers(key));
    // What has gone on as another key's note is no longer this one's.
    for (auto& voice : playing_) {
        if (!voice.active() || voice.key() != key || voice.released())
            continue;
        if (holds(key))
            voice.sustained = true;
        else
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

} // namespace puretone
