// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/in_range.h"
#include "base/say.h"
#include "formats/formats.h"
#include "formats/sf2/sf2_movement.h"

#include <map>

namespace puretone {

Take finishedTake(TakeId id, const std::string& name, RecordingPtr recording, double midi,
    std::optional<Span> loop, LoopMode mode)
{
    Take take;
    take.id = id;
    take.name = name;
    take.kept = {Frames{0}, Frames{recording->audio->frames()}};
    take.recording = std::move(recording);
    take.fades = {0.0, 0.0};
    take.tuning = Tuning::forPitch(midi, TuningSource::fromFile);
    take.loop.mode = mode;
    if (loop && loop->start.value >= 0 && loop->end.value <= take.kept.end.value
        && loop->length() >= shortestLoop) {
        take.loop.on = true;
        take.loop.span = *loop;
        // The crossfade is in the samples already.
        take.loop.crossfade = Frames{0};
    }
    return take;
}

bool isSameChannel(std::span<const float> wanted, std::span<const float> got, int bits)
{
    if (wanted.size() > got.size())
        return false;
    // Half a step is rounding; a full one allows for full scale, which is not symmetric.
    const double step = bits >= 32 ? 1e-6 : 1.01 / double(1 << (bits - 1));
    for (std::size_t i = 0; i < wanted.size(); ++i) {
        const double limited = std::clamp(double(wanted[i]), -1.0, 1.0);
        const double want = bits >= 32 ? double(wanted[i]) : limited;
        if (std::abs(want - double(got[i])) > step)
            return false;
    }
    return true;
}

std::string compareAudio(const Audio& wanted, const Audio& got, int bits)
{
    if (wanted.channelCount() != got.channelCount())
        return say("the channels");
    if (wanted.frames() > got.frames())
        return say("the length");
    for (std::size_t c = 0; c < wanted.channelCount(); ++c)
        if (!isSameChannel(wanted.channels[c], got.channels[c], bits))
            return say("the sound");
    return {};
}

namespace {

/// Times to a hundredth (SF2 counts in 1200ths of an octave and knows nothing under a millisecond),
/// the sustain to a tenth of a dB; what a format has no room for is not held against it.
std::string compareEnvelope(const Envelope& want, const Envelope& got, bool keepsRelease)
{
    constexpr double longest = 100.0, longestWait = 18.0; // seconds, of SF2
    const auto differs = [](double a, double b) { return std::abs(a - b) > 0.002 + 0.01 * a; };
    const double fall = -std::max(want.sustainDb, silentSustainDb);
    const bool decays = fall > 0.5 && want.decay * 100.0 / fall < longest;
    const bool releases = keepsRelease && want.release * 100.0 / 60.0 < longest;
    const bool same = !differs(std::min(want.delay, longestWait), got.delay)
        && !differs(std::min(want.attack, longest), got.attack)
        && !differs(std::min(want.hold, longestWait), got.hold)
        && std::abs(fall + std::max(got.sustainDb, silentSustainDb)) < 0.15
        && !(decays && differs(want.decay, got.decay))
        && !(releases && differs(want.release, got.release));
    return same ? std::string{} : say("the envelope");
}

/// How far each controller moves each target; those that say the same add up.
std::map<std::pair<int, Target>, double> controlSums(const Layer& layer)
{
    std::map<std::pair<int, Target>, double> sums;
    for (const auto& m : layer.movements)
        if (isPlainControl(layer, m))
            sums[{controllerOf(m.source), m.target}] += m.amount;
    return sums;
}

std::string compareMovements(const Layer& want, const Layer& got)
{
    const auto differs = [](double a, double b, double step) {
        return std::abs(a - b) > step + 1e-3 * std::abs(a);
    };
    const Filter &a = want.filter, &b = got.filter;
    if (a.kind != b.kind)
        return say("the filter");
    if (a.kind != FilterKind::off
        && (a.steep != b.steep || differs(a.hz, b.hz, 0.01)
            || differs(a.resonance, b.resonance, 0.001) || differs(a.follow, b.follow, 0.01)
            || differs(a.touchOctaves, b.touchOctaves, 0.001)
            || differs(a.envelopeOctaves, b.envelopeOctaves, 0.001)
            || (a.envelopeOctaves != 0.0
                && !compareEnvelope(want.second, got.second, true).empty())))
        return say("the filter");
    const SlowWave x = slowWaveOf(want), y = slowWaveOf(got);
    if (differs(x.pitchCents, y.pitchCents, 0.01) || differs(x.levelDb, y.levelDb, 0.001)
        || differs(x.cutoffOctaves, y.cutoffOctaves, 0.001)
        || (x.moves()
            && (differs(x.hz, y.hz, 0.001) || differs(x.fadeSeconds, y.fadeSeconds, 0.001))))
        return say("the slow wave");
    if (const auto p = controlSums(want), q = controlSums(got);
        p.size() != q.size() || !std::equal(p.begin(), p.end(), q.begin(), [&](auto& m, auto& n) {
            return m.first == n.first && !differs(m.second, n.second, 0.01);
        }))
        return say("what controllers move");
    return {};
}

/// What a take that ends by itself is written with is no release of the shape's.
std::string compareShape(const Region& want, const Region& got)
{
    const auto mode = want.prepared->mode;
    const bool keepsRelease =
        want.prepared->loop.has_value() && mode != LoopMode::untilRelease && !want.onRelease();
    return compareEnvelope(want.layer->envelope, got.layer->envelope, keepsRelease);
}

std::string comparePlaces(const Region& want, const Region& got)
{
    const Layer& a = *want.layer;
    const Layer& b = *got.layer;
    const Zone& x = want.zone;
    const Zone& y = got.zone;
    if (a.when != b.when)
        return say("when it sounds");
    if (std::abs(a.touch - b.touch) > 0.001)
        return say("what touch does");
    if (want.turns != got.turns || want.turn != got.turn
        || (want.turns > 1 && a.sameKeys != b.sameKeys))
        return say("the turns");
    if (a.voices != b.voices && !(a.notes != Notes::many && b.voices == 1))
        return say("how many notes sound");
    if (std::abs(a.bendSemitones - b.bendSemitones) > 0.01)
        return say("the reach of the wheel");
    if (std::abs(a.fallDbPerSecond - b.fallDbPerSecond) > 0.001)
        return say("how it falls with the time held");
    if (x.lowKeyFade != y.lowKeyFade || x.highKeyFade != y.highKeyFade
        || x.lowVelocityFade != y.lowVelocityFade || x.highVelocityFade != y.highVelocityFade)
        return say("the crossovers");
    return {};
}

std::string compareRegion(const Region& want, const Region& got, const Exactness& exactness)
{
    const Zone& x = want.zone;
    const Zone& y = got.zone;
    if (x.lowKey != y.lowKey || x.highKey != y.highKey || x.lowVelocity != y.lowVelocity
        || x.highVelocity != y.highVelocity)
        return say("the key range");
    // The root key may have moved by whole keys with the tuning; what each key sounds counts.
    const auto pitchAt = [](const Region& r, int key) {
        return (key - r.rootKey) * r.layer->follow + r.tuneCents / 100.0;
    };
    for (const int key : {x.lowKey, x.highKey})
        if (std::abs(pitchAt(want, key) - pitchAt(got, key)) * 100.0 > exactness.cents)
            return say("the tuning");
    if (std::abs(want.levelDb - got.levelDb) > exactness.db)
        return say("the level");
    // A hundredth: a SoundFont counts the halves of a stereo sound in tenths of a dB.
    if (std::abs(want.pan - got.pan) > 0.012)
        return say("the place left or right");
    // What was read is a finished sample, with everything in it.
    const auto& was = *want.prepared;
    const Take& is = *got.take;
    if (modeInFiles(was.mode) != playedMode(is))
        return say("the way the loop goes");
    if (was.loop.has_value() != is.loop.on || (was.loop && *was.loop != is.loop.span))
        return say("the loop");
    return compareAudio(was.audio, is.audio(), exactness.bits);
}

} // namespace

std::string difference(const std::vector<Region>& original, const std::vector<Region>& readBack,
    const Exactness& exactness)
{
    if (original.size() != readBack.size())
        return say("the number of zones");
    // Readers number groups as they come: it counts which regions share one.
    std::map<int, int> groups{{0, 0}}, back{{0, 0}};
    for (std::size_t i = 0; i < original.size(); ++i) {
        const int was = original[i].layer->chokeGroup, is = readBack[i].layer->chokeGroup;
        if (groups.emplace(was, is).first->second != is
            || back.emplace(is, was).first->second != was)
            return say("the choke group");
        auto what = compareRegion(original[i], readBack[i], exactness);
        if (what.empty())
            what = compareShape(original[i], readBack[i]);
        if (what.empty())
            what = compareMovements(
                exactness.places ? *original[i].layer : sf2::movedAsWritten(*original[i].layer),
                *readBack[i].layer);
        if (what.empty() && exactness.places)
            what = comparePlaces(original[i], readBack[i]);
        if (!what.empty())
            return what;
    }
    return {};
}

Tuning tuningOn(int key, double movedCents, Layer& layer)
{
    if (layer.follow != 1.0) {
        layer.octave = intIn(std::round(movedCents / 1200.0), -4, 4);
        return {key, movedCents - 1200.0 * layer.octave, TuningSource::fromFile};
    }
    const int keys = intIn(std::round(movedCents / 100.0), key - 127, key);
    return {key - keys, movedCents - 100.0 * keys, TuningSource::fromFile};
}

int ChokeGroups::of(int number)
{
    if (number == 0)
        return 0;
    const auto known = known_.find(number);
    if (known != known_.end())
        return known->second;
    constexpr std::size_t most = 16;
    return known_[number] = known_.size() < most ? int(known_.size()) + 1 : 0;
}

Layer& layerFor(Instrument& instrument, const Layer& like, bool begins)
{
    auto& layers = instrument.layers;
    const auto same = [&](Layer other) {
        other.id = like.id;
        other.name = like.name;
        other.zones.clear();
        return other == like;
    };
    const bool unused = layers.size() == 1 && layers.front().zones.empty();
    if (!unused && ((same(layers.back()) && !begins) || layers.size() >= mostLayers))
        return layers.back();
    const int number = unused ? 1 : int(layers.size()) + 1;
    if (unused)
        layers.clear();
    layers.push_back(like);
    layers.back().id = number;
    if (layers.back().name.empty())
        layers.back().name = say("Layer %1", number);
    return layers.back();
}

} // namespace puretone
