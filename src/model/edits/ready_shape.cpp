// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/edits/ready_shape.h"

#include "base/quantity.h"
#include "pitch/series/note.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace puretone {

namespace {

/// What the sounds of a layer are like, from all of its takes.
struct Sounds {
    struct Sound {
        Take* take;
        Sustain sustain;
    };
    std::vector<Sound> takes;
    double rise = 0.0; ///< Seconds from the start to their level, the slowest.
    double dies = 0.0; ///< Seconds within which the longest falls by 30 dB.
    bool struck = false; ///< Most of them die away.
    bool low = false; ///< Most of them lie below C3.
    int loops = 0; ///< That have a loop, or one that was found.
    bool frozen = false; ///< One moment of each is held: neither attack nor loop are heard.
};

Sounds soundsOf(Instrument& instrument, const Layer& layer, const HeardTakes& heard)
{
    Sounds sounds;
    sounds.frozen = layer.manner == Manner::frozen;
    std::set<TakeId> seen;
    int struck = 0, low = 0;
    for (const Zone& zone : layer.zones) {
        Take* take = instrument.take(zone.take);
        if (take == nullptr || !seen.insert(zone.take).second)
            continue;
        const Sustain* known = heard.of(*take);
        const auto sustain = known != nullptr ? *known : listenTo(*take);
        sounds.takes.push_back({take, sustain});
        const double start = toSeconds(take->kept.start, take->rate());
        sounds.rise = std::max(sounds.rise, sustain.onset - start);
        const double dies =
            std::min(sustain.diesWithin(), toSeconds(Frames{take->kept.length()}, take->rate()));
        sounds.dies = std::max(sounds.dies, dies);
        struck += sustain.diesWithin() < 8.0 ? 1 : 0;
        low += take->tuning.rootKey < 48 ? 1 : 0;
        sounds.loops += take->loop.on || !take->facts->loopChoices.empty() ? 1 : 0;
    }
    sounds.struck = !sounds.frozen && 2 * struck > int(sounds.takes.size());
    if (sounds.frozen)
        sounds.rise = sounds.dies = 0.0;
    sounds.low = 2 * low > int(sounds.takes.size());
    return sounds;
}

/// The loop that a held note is to stay in: the first choice, unless the sound has died away by
/// then and another one joins as well and holds more of it.
const Loop& loopThatHolds(const std::vector<LoopCandidate>& choices)
{
    constexpr double enoughDb = -12.0, worthDb = 6.0;
    const auto& first = choices.front();
    const auto most = std::max_element(
        choices.begin(), choices.end(), [&](const LoopCandidate& a, const LoopCandidate& b) {
            const auto rank = [&](const LoopCandidate& c) {
                const bool joins =
                    c.cost <= first.cost || seamVerdict(c.cost) == SeamVerdict::seamless;
                return std::pair(joins, c.holdsDb);
            };
            return rank(a) < rank(b);
        });
    const bool gone = first.kind != LoopKind::fromFile && first.holdsDb < enoughDb
        && most->holdsDb > first.holdsDb + worthDb;
    return gone ? most->loop : first.loop;
}

/// Every take goes round where it can. @return How many do.
int goRound(const Sounds& sounds)
{
    if (sounds.frozen)
        return 0;
    int count = 0;
    for (const auto& [take, sustain] : sounds.takes) {
        if (!take->loop.on && !take->facts->loopChoices.empty())
            take->loop = loopThatHolds(take->facts->loopChoices);
        if (take->loop.on && take->loop.mode == LoopMode::oneShot)
            take->loop.mode = LoopMode::forward;
        count += take->loop.on ? 1 : 0;
    }
    return count;
}

/// Notes begin behind the attack. @return Whether any does.
bool beginInside(const Sounds& sounds, Layer& layer)
{
    bool any = false;
    for (const auto& [take, sustain] : sounds.takes) {
        if (!take->hasInnerStart())
            take->innerStart = proposeInnerStart(*take, sustain);
        any = any || take->hasInnerStart();
    }
    layer.inner = any ? InnerUse::always : InnerUse::never;
    return any;
}

/// All of the sound comes through, unless something moves the filter: that was wanted.
void openFilter(Layer& layer)
{
    const bool moved = std::any_of(layer.movements.begin(), layer.movements.end(),
        [](const Movement& m) { return m.on && m.target == Target::cutoff; });
    if (!moved)
        layer.filter.kind = FilterKind::off;
}

void playMany(Layer& layer)
{
    layer.notes = Notes::many;
    layer.glide = Glide();
}

/// What a loop that is missing means, as the end of a sentence.
std::string loopWords(const Sounds& sounds, int round)
{
    if (sounds.frozen)
        return say("held in its moment");
    if (round == int(sounds.takes.size()))
        return say("held by its loop");
    return round == 0 ? say("without a loop: it ends with the recording")
                      : say("%1 of %2 takes go round", round, sounds.takes.size());
}

std::string seconds(double value)
{
    return formatSeconds(value);
}

std::string makePad(const Sounds& sounds, Layer& layer)
{
    playMany(layer);
    const int round = goRound(sounds);
    const bool inside = sounds.struck && beginInside(sounds, layer);
    if (!sounds.struck)
        layer.inner = InnerUse::never;
    Envelope& e = layer.envelope = Envelope();
    // What rises slowly by itself needs less.
    e.attack = std::clamp(0.6 - sounds.rise, 0.15, 0.6);
    e.attackCurve = 0.2;
    e.release = 1.8;
    openFilter(layer);
    return inside
        ? say("A pad: rises within %1, begins behind the strike, %2, dies away within %3.",
            seconds(e.attack), loopWords(sounds, round), seconds(e.release))
        : say("A pad: rises within %1, %2, dies away within %3.", seconds(e.attack),
            loopWords(sounds, round), seconds(e.release));
}

std::string makePluck(const Sounds& sounds, Layer& layer)
{
    playMany(layer);
    layer.inner = InnerUse::never;
    Envelope& e = layer.envelope = Envelope();
    e.attack = 0.001;
    e.decay = std::clamp(sounds.dies, 0.25, 1.2);
    e.sustainDb = silentSustainDb;
    e.release = 0.3;
    Filter& f = layer.filter = Filter();
    f.kind = FilterKind::low;
    f.hz = 500.0;
    f.follow = 1.0;
    f.envelopeOctaves = 4.0;
    f.touchOctaves = 1.5;
    layer.second = Envelope();
    layer.second.attack = 0.001;
    layer.second.decay = 0.6 * e.decay;
    layer.second.sustainDb = silentSustainDb;
    layer.second.release = 0.2;
    return say(
        "A pluck: at once there, gone within %1, duller as it fades, brighter the harder it is "
        "played.",
        seconds(e.decay));
}

std::string makeTiedBass(const Sounds& sounds, Layer& layer)
{
    const int round = goRound(sounds);
    layer.inner = InnerUse::never;
    layer.notes = Notes::tied;
    layer.glide = {0.08, false, false};
    layer.unison.voices = 1;
    // Down to where a bass is, in whole octaves of the sound's own place.
    layer.octave = sounds.low ? 0 : -2;
    Envelope& e = layer.envelope = Envelope();
    e.attack = 0.002;
    e.release = 0.08;
    Filter& f = layer.filter = Filter();
    f.kind = FilterKind::low;
    f.steep = true;
    f.hz = 350.0;
    f.resonance = 0.15;
    f.follow = 0.5;
    f.envelopeOctaves = 2.5;
    layer.second = Envelope();
    layer.second.decay = 0.25;
    layer.second.sustainDb = -24.0;
    layer.second.release = 0.1;
    return layer.octave != 0
        ? say(
            "A tied bass: one note at a time that slides within %1 while keys overlap, two octaves "
            "down, %2.",
            seconds(layer.glide.seconds), loopWords(sounds, round))
        : say("A tied bass: one note at a time that slides within %1 while keys overlap, %2.",
            seconds(layer.glide.seconds), loopWords(sounds, round));
}

std::string makeDrone(const Sounds& sounds, Layer& layer)
{
    playMany(layer);
    const int round = goRound(sounds);
    const bool inside = sounds.struck && beginInside(sounds, layer);
    Envelope& e = layer.envelope = Envelope();
    e.attack = 2.0;
    e.attackCurve = 0.3;
    e.release = 4.0;
    openFilter(layer);
    layer.unison = {3, 7.0, 0.8, 1.0};
    return inside
        ? say("A drone: three voices a little apart, rises within %1 behind the strike, %2.",
            seconds(e.attack), loopWords(sounds, round))
        : say("A drone: three voices a little apart, rises within %1, %2.", seconds(e.attack),
            loopWords(sounds, round));
}

std::string makeDrum(const Sounds& sounds, Layer& layer)
{
    playMany(layer);
    layer.inner = InnerUse::never;
    layer.envelope = Envelope();
    layer.envelope.attack = 0.0;
    openFilter(layer);
    layer.unison.voices = 1;
    if (sounds.frozen) {
        layer.envelope.decay = layer.envelope.release = 0.3;
        layer.envelope.sustainDb = silentSustainDb;
        return say("A drum: each hit is gone within %1.", seconds(layer.envelope.decay));
    }
    for (const auto& [take, sustain] : sounds.takes)
        take->loop.mode = LoopMode::oneShot;
    return say("A drum: each hit plays to its end, however short the key is held.");
}

std::string makeAsRecorded(const Sounds& sounds, Layer& layer)
{
    playMany(layer);
    layer.inner = InnerUse::never;
    layer.unison = Unison();
    layer.octave = 0;
    layer.filter = Filter();
    layer.second = Layer().second;
    layer.envelope = Envelope();
    for (const auto& [take, sustain] : sounds.takes)
        if (take->loop.mode == LoopMode::oneShot)
            take->loop.mode = LoopMode::forward;
    return say("As recorded: full level from the start, a short release, nothing else.");
}

} // namespace

const char* nameOf(ReadyShape shape)
{
    switch (shape) {
    case ReadyShape::pad:
        return text("Pad");
    case ReadyShape::pluck:
        return text("Pluck");
    case ReadyShape::tiedBass:
        return text("Tied bass");
    case ReadyShape::drone:
        return text("Drone");
    case ReadyShape::drum:
        return text("Drum");
    case ReadyShape::asRecorded:
        break;
    }
    return text("As recorded");
}

std::string applyShape(
    Instrument& instrument, LayerId id, ReadyShape shape, const HeardTakes& heard)
{
    Layer& layer = *instrument.layer(id);
    const Sounds sounds = soundsOf(instrument, layer, heard);
    switch (shape) {
    case ReadyShape::pad:
        return makePad(sounds, layer);
    case ReadyShape::pluck:
        return makePluck(sounds, layer);
    case ReadyShape::tiedBass:
        return makeTiedBass(sounds, layer);
    case ReadyShape::drone:
        return makeDrone(sounds, layer);
    case ReadyShape::drum:
        return makeDrum(sounds, layer);
    case ReadyShape::asRecorded:
        break;
    }
    return makeAsRecorded(sounds, layer);
}

Frames proposeInnerStart(const Take& take, const Sustain& heard)
{
    const Frames at = toFrames(heard.from, take.rate());
    // Never so late that nothing is left.
    const auto latest = take.kept.start.value + take.kept.length() / 2;
    return Frames{std::clamp(at.value, take.kept.start.value, latest)};
}

} // namespace puretone
