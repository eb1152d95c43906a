// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/program/program.h"

#include "base/threads/all_cores.h"

#include "engine/program/prepared.h"

#include <map>

namespace puretone {

namespace {

/// How far, in frames of the recording, a voice sees and moves in one cell, for each frame of the
/// narrowest copy: 32 frames at 1.95, half a kernel, and the filter that made the copy (soxr's very
/// high quality, 300 frames of each copy above).
std::int64_t reachOf(double fastest)
{
    return std::int64_t(448) << octavesFor(fastest);
}

/// What octave copies are made of: everything of a short recording, so that trimming and looping
/// stay cheap; of a long one only what is played, with room to move.
Span copiedSpan(const Take& take)
{
    const auto frames = take.audio().frames();
    const auto room = std::int64_t(2.0 * take.rate());
    if (frames <= std::int64_t(60.0 * take.rate()))
        return {Frames{0}, Frames{frames}};
    const Span played = playedPart(take);
    return {Frames{std::max<std::int64_t>(0, played.start.value - room)},
        Frames{std::min(frames, played.end.value + room)}};
}

/// The stretch around the seam: recording up to the loop, one baked turn, what follows when it goes
/// round, and what follows when it does not.
std::shared_ptr<const SoundCopies> loopedCopies(
    const Take& take, const BakedLoop& baked, std::int64_t from, std::int64_t guard, double fastest)
{
    const Audio& audio = take.audio();
    const auto frames = baked.turn.frames();
    const bool leaves = take.loop.mode == LoopMode::untilRelease;
    const auto leaving = leaves ? leavingPart(take, baked, guard) : Audio{};
    Audio stretch{audio.rate, {}};
    for (std::size_t c = 0; c < audio.channelCount(); ++c) {
        std::vector<float> channel(audio.channels[c].begin() + from,
            audio.channels[c].begin() + std::max(from, baked.from));
        const auto& turn = baked.turn.channels[c];
        for (auto i = std::max<std::int64_t>(0, from - baked.from); i < frames + guard; ++i)
            channel.push_back(turn[std::size_t(i % frames)]);
        if (leaving.frames() > guard)
            channel.insert(
                channel.end(), leaving.channels[c].begin() + guard, leaving.channels[c].end());
        stretch.channels.push_back(std::move(channel));
    }
    const Span all{Frames{from}, Frames{from + stretch.frames()}};
    return std::make_shared<const SoundCopies>(
        std::make_shared<const Audio>(std::move(stretch)), from, all, fastest);
}

/// Fills in what a voice needs to go round.
void addLoop(const Take& take, double fastest, ZoneSound& sound)
{
    const auto baked = bakeLoop(take.audio(), take.loop);
    const auto reach = reachOf(fastest);
    const auto from = std::max<std::int64_t>(0, baked.from + baked.changed - 2 * reach);
    sound.looped = loopedCopies(take, baked, from, 2 * reach, fastest);
    // Where the stretch begins inside the recording its first frames are spoilt by the cut.
    sound.loopedFrom = from == 0 ? 0.0 : double(from + reach);
    sound.loopLength = double(baked.turn.frames());
    sound.loopEnd = double(baked.from + baked.turn.frames());
    sound.wrapAt = sound.loopEnd + double(reach);
    sound.loop = take.loop;
    if (take.loop.mode == LoopMode::untilRelease)
        sound.end = std::max(sound.wrapAt, double(from + sound.looped->copy(0).frames));
}

bool soundsAlike(const Take& a, const Take& b)
{
    return a.sound() == b.sound() && a.kept == b.kept && a.fades == b.fades && a.loop == b.loop
        && a.innerStart == b.innerStart;
}

} // namespace

const ProgramZone* Program::zone(ZoneId id, int key) const noexcept
{
    const auto first = std::lower_bound(zones.begin(), zones.end(), id,
        [](const ProgramZone& z, ZoneId wanted) { return z.id() < wanted; });
    if (first == zones.end() || first->id() != id)
        return nullptr;
    auto at = first;
    while (at->highKey < key && at + 1 != zones.end() && (at + 1)->id() == id)
        ++at;
    return &*at;
}

std::uint32_t Program::layerAt(LayerId id) const noexcept
{
    std::uint32_t at = 0;
    while (at < layers.size() && layers[at].id != id)
        ++at;
    return at;
}

std::shared_ptr<const SoundCopies> Compiler::recordedCopies(const Take& take, double fastest)
{
    const auto& audio = take.sound();
    const auto known = [&] {
        return std::find_if(recorded_.begin(), recorded_.end(),
            [&](const Recorded& r) { return r.audio == audio; });
    };
    {
        const std::lock_guard lock(guard_);
        if (const auto found = known(); found != recorded_.end() && found->copies->serves(fastest)
            && found->copies->covers(playedPart(take)))
            return found->copies;
    }
    auto made = std::make_shared<const SoundCopies>(audio, 0, copiedSpan(take), fastest);
    const std::lock_guard lock(guard_);
    if (const auto found = known(); found != recorded_.end())
        found->copies = made;
    else
        recorded_.push_back({audio, made});
    return made;
}

std::shared_ptr<const ZoneSound> Compiler::knownSound(const Take& take, double fastest)
{
    const std::lock_guard lock(guard_);
    for (const auto& known : known_)
        if (soundsAlike(known.take, take) && known.fastest >= fastest)
            return known.sound;
    return nullptr;
}

std::shared_ptr<const ZoneSound> Compiler::soundOf(const Take& take, double shift, double fastest)
{
    if (auto known = knownSound(take, fastest))
        return known;
    auto sound = std::make_shared<ZoneSound>();
    sound->shift = shift;
    sound->recorded = recordedCopies(take, fastest);
    sound->rate = take.rate();
    sound->start = double(take.kept.start.value);
    sound->innerStart = double(std::max(take.kept.start, take.innerStart).value);
    sound->end = double(playedPart(take).end.value);
    sound->lastFrame = double(take.kept.end.value);
    sound->fades = fadePlan(take);
    sound->mode = playedMode(take);
    if (take.loop.repeats())
        addLoop(take, fastest, *sound);
    const std::lock_guard lock(guard_);
    known_.push_back({take, fastest, sound});
    return sound;
}

namespace {

bool movesWave(const Movement& m)
{
    return m.target == Target::waveRate || m.target == Target::waveDepth;
}

LayerMoves movesOf(const Layer& layer)
{
    LayerMoves made;
    made.waves = layer.waves;
    for (const bool waves : {true, false})
        for (std::size_t i = 0; i < std::min(layer.movements.size(), mostMovements); ++i) {
            const Movement& m = layer.movements[i];
            if (!m.on || m.source.kind == SourceKind::none || m.amount == 0.0
                || movesWave(m) != waves)
                continue;
            made.moves.push_back(m);
            made.places.push_back(std::uint8_t(i));
            made.ofWaves += waves ? 1 : 0;
        }
    for (const auto& m : made.moves) {
        made.targets |= 1U << unsigned(m.target);
        for (const Source& source : {m.source, m.by})
            if (source.kind == SourceKind::wave)
                made.waveCount = std::max(made.waveCount, source.number + 1);
    }
    return made;
}

ProgramLayer programLayer(const Layer& layer)
{
    ProgramLayer made;
    made.id = layer.id;
    made.when = layer.when;
    made.sameKeys = layer.sameKeys;
    made.chokeGroup = layer.chokeGroup;
    made.voices = layer.voices;
    made.notes = layer.notes;
    made.fallDbPerSecond = layer.fallDbPerSecond;
    made.turnsOverAllKeys = layer.turnsOverAllKeys;
    // What sounds when a key comes up must end by itself.
    made.isFrozen = layer.manner == Manner::frozen && layer.when != SoundsWhen::release;
    made.frozen = layer.frozen;
    made.unison = layer.unison;
    made.glide = layer.glide;
    made.bendSemitones = layer.bendSemitones;
    made.follow = layer.follow;
    made.touch = layer.touch;
    made.inner = layer.inner;
    made.innerTouch = layer.innerTouch;
    made.envelope = layer.envelope;
    made.second = layer.second;
    made.filter = layer.filter;
    made.moves = movesOf(layer);
    made.toEffects = float(layer.toEffects);
    return made;
}

/// The blend belongs to the instrument: what moves it in one layer moves it in all that blend.
void shareBlendMovements(const Instrument& instrument, Program& program)
{
    constexpr auto movesBlend = [](const Movement& m) { return m.target == Target::blend; };
    std::vector<std::pair<LayerId, Movement>> shared;
    for (const auto& layer : program.layers)
        for (const auto& m : layer.moves.moves)
            if (movesBlend(m))
                shared.emplace_back(layer.id, m);
    const auto count = int(std::count_if(instrument.layers.begin(), instrument.layers.end(),
        [](const Layer& layer) { return layer.blends; }));
    if (shared.empty() || count < 2)
        return;
    int place = 0;
    for (const auto& layer : instrument.layers) {
        if (!layer.blends)
            continue;
        const auto at = program.layerAt(layer.id);
        if (at < program.layers.size()) {
            auto& made = program.layers[at];
            made.blendPlace = place;
            made.blendCount = count;
            made.moves.targets |= 1U << unsigned(Target::blend);
            for (const auto& [from, m] : shared)
                // Waves and envelopes are a layer's own.
                if (from != layer.id && m.source.kind != SourceKind::wave
                    && made.moves.moves.size() < mostMovements) {
                    made.moves.moves.push_back(m);
                    made.moves.places.push_back(255);
                }
        }
        ++place;
    }
}

/// Everything but what is read.
ProgramZone programZone(
    const Layer& layer, double blend, std::uint32_t index, const Zone& zone, const Take& take)
{
    ProgramZone made;
    made.zone = zone;
    made.layer = index;
    made.root = take.tuning.rootKey;
    made.tune =
        (take.tuning.fineCents + zone.tuneCents + layer.fineCents) / 100.0 + 12.0 * layer.octave;
    made.period = take.rate() / hzOf(take.tuning.soundingMidi()).value;
    made.pitched = take.period().has_value();
    const double level = blend * std::pow(10.0, layer.levelDb / 20.0);
    const auto [left, right] = balance(layer.pan);
    const auto [zoneLeft, zoneRight] = balance(zone.pan);
    made.left = float(level * left * zoneLeft);
    made.right = float(level * right * zoneRight);
    return made;
}

} // namespace

/// A take as voices play it. It belongs to the instrument, or to what was made of it.
struct Compiler::Sounding {
    std::shared_ptr<const KeptKey> kept; ///< Null for the take itself.
    const Take* take = nullptr;
    Take played; ///< The same with what its layer makes of the loop.
    double fastest = 1.0;
    std::vector<std::size_t> zones; ///< That play it.
};

namespace {

/// What a layer makes of a take's loop.
enum class LoopUse {
    asSet,
    onRelease, ///< None: it sounds once.
    frozen, ///< None: any place of all that is kept may be held.
};

LoopUse loopUseOf(const ProgramLayer& layer)
{
    return layer.when == SoundsWhen::release ? LoopUse::onRelease
        : layer.isFrozen                     ? LoopUse::frozen
                                             : LoopUse::asSet;
}

Take usedBy(Take take, LoopUse use)
{
    if (use == LoopUse::frozen)
        take.loop.on = false;
    return playedBy(std::move(take), use == LoopUse::onRelease);
}

/// The parts of a zone that play one sound each.
struct Part {
    int lowKey, highKey;
    std::shared_ptr<const KeptKey> kept; ///< Null for the take itself.
};

std::vector<Part> partsOf(
    const Layer& layer, const Zone& zone, const Take& take, const KeptLengths& lengths)
{
    if (layer.manner != Manner::keepsLength)
        return {{zone.lowKey, zone.highKey, nullptr}};
    std::vector<Part> parts;
    for (int key = zone.lowKey; key <= zone.highKey; ++key) {
        const auto wish = keptWish(layer, take, key);
        auto kept = lengths.find(take, wish);
        if (!kept)
            kept = lengths.alike(take, wish); // until it has been made anew
        if (!kept && !parts.empty() && !parts.back().kept)
            parts.back().highKey = key;
        else
            parts.push_back({key, key, std::move(kept)});
    }
    return parts;
}

/// The wheel and all else that moves a note's pitch up.
double reachUp(const Layer& layer, bool frozen)
{
    double moved = 0.0;
    for (const auto& m : layer.movements)
        if (m.on && m.target == Target::pitch)
            moved += isTwoSided(m.source) ? std::abs(m.amount) : std::max(0.0, m.amount);
    return std::max(layer.bendSemitones, 0.0) + moved
        + (layer.unison.detuneCents + (frozen ? layer.frozen.scatterCents : 0.0)) / 100.0;
}

} // namespace

int Program::latency() const noexcept
{
    int frames = 0;
    for (const auto& effect : effects)
        frames += effect.processor->latency();
    return frames;
}

void Compiler::addEffects(const Instrument& instrument, double rate, Program& program)
{
    std::erase_if(effects_, [](const KnownEffect& e) {
        const auto processor = e.processor.lock();
        return !processor || processor->spent();
    });
    for (const Effect& effect : instrument.effects) {
        const auto& impulse = effect.impulse.pointer();
        const auto known = std::find_if(effects_.begin(), effects_.end(), [&](const auto& e) {
            return e.id == effect.id && e.kind == effect.kind && e.rate == rate
                && e.impulse == impulse;
        });
        auto processor = known != effects_.end() ? known->processor.lock() : nullptr;
        if (!processor) {
            processor = makeProcessor(effect, rate);
            effects_.push_back({effect.id, effect.kind, rate, impulse, processor});
        }
        program.effects.push_back({effect, std::move(processor)});
        program.effects.back().effect.impulse = {};
    }
    for (std::size_t l = 0; l < program.layers.size(); ++l) {
        const auto& moves = program.layers[l].moves.moves;
        for (std::size_t m = 0; m < moves.size(); ++m)
            if (moves[m].target == Target::effect) {
                const auto [id, parameter] = EffectPlace::of(moves[m].number);
                program.effectMoves.push_back(
                    {std::uint32_t(l), std::uint32_t(m), id, parameter, float(moves[m].amount)});
            }
    }
}

void Compiler::giveSounds(const std::vector<const Sounding*>& wanted, Program& program)
{
    const auto give = [&](const Sounding& sounding, const std::shared_ptr<const ZoneSound>& made) {
        for (const auto zone : sounding.zones)
            program.zones[zone].sound = made;
    };
    // Those of one recording share its copies: one after the other, on one core.
    std::map<const Audio*, std::vector<const Sounding*>> lacking;
    for (const Sounding* sounding : wanted)
        if (auto known = knownSound(sounding->played, sounding->fastest))
            give(*sounding, known);
        else
            lacking[sounding->take->sound().get()].push_back(sounding);
    std::vector<std::vector<const Sounding*>> work;
    for (auto& [audio, ofAudio] : lacking)
        work.push_back(std::move(ofAudio));
    onAllCores(work.size(), [&](std::size_t i) {
        for (const Sounding* one : work[i])
            give(*one,
                soundOf(one->played, one->kept ? double(one->kept->from) : 0.0, one->fastest));
    });
}

std::unique_ptr<const Program> Compiler::compile(
    const Instrument& instrument, double rate, const KeptLengths& lengths)
{
    auto program = std::make_unique<Program>();
    program->blend = instrument.blend;
    program->tempo = instrument.tempo;
    program->pattern = instrument.pattern;
    std::map<TakeId, const Take*> takes;
    for (const auto& take : instrument.takes)
        takes[take.id] = &take;
    // Each sound once, for all of its zones.
    std::map<std::pair<const Take*, LoopUse>, Sounding> sounds;
    for (const auto& layer : instrument.layers)
        if (layer.on)
            program->layers.push_back(programLayer(layer));
    shareBlendMovements(instrument, *program);
    addEffects(instrument, rate, *program);
    const auto isVolume = [](const Source& s) {
        return s.kind == SourceKind::controller && (s.number == 7 || s.number == 11);
    };
    for (const auto& layer : program->layers)
        for (const auto& m : layer.moves.moves)
            program->movesVolume = program->movesVolume || isVolume(m.source) || isVolume(m.by);
    for (const auto& layer : instrument.layers) {
        if (!layer.on)
            continue;
        const auto index = program->layerAt(layer.id);
        const ProgramLayer& played = program->layers[index];
        // Where something moves the blend, each voice finds its own gain.
        const double blend = played.blendCount > 0 ? 1.0 : blendGain(instrument, layer);
        for (const auto& zone : layer.zones) {
            const auto found = takes.find(zone.take);
            if (found == takes.end())
                continue;
            const Take& take = *found->second;
            for (const auto& part : partsOf(layer, zone, take, lengths)) {
                auto made = programZone(layer, blend, index, zone, take);
                made.lowKey = part.lowKey;
                made.order = std::uint32_t(program->zones.size());
                made.highKey = part.highKey;
                if (part.kept) {
                    made.root = part.lowKey;
                    made.tune -= 12.0 * layer.octave;
                }
                const double highest = std::max(program->semitones(made, made.highKey),
                                           program->semitones(made, made.lowKey))
                    + reachUp(layer, played.isFrozen);
                const double needed = std::exp2(highest / 12.0) * take.rate() / rate;
                const Take* source = part.kept ? &part.kept->take : &take;
                Sounding& sound = sounds[{source, loopUseOf(played)}];
                sound.kept = part.kept;
                sound.take = source;
                sound.fastest = std::max({sound.fastest, std::min(needed, std::exp2(mostOctaves))});
                sound.zones.push_back(program->zones.size());
                program->zones.push_back(std::move(made));
            }
        }
    }
    std::vector<const Sounding*> wanted;
    for (auto& [which, sound] : sounds) {
        sound.played = usedBy(*sound.take, which.second);
        wanted.push_back(&sound);
    }
    giveSounds(wanted, *program);
    std::sort(program->zones.begin(), program->zones.end(),
        [](const ProgramZone& a, const ProgramZone& b) {
            return std::pair(a.id(), a.lowKey) < std::pair(b.id(), b.lowKey);
        });
    for (std::size_t i = 0; i < program->zones.size(); ++i)
        for (int key = program->zones[i].lowKey; key <= program->zones[i].highKey; ++key)
            program->zonesOfKey[std::size_t(key)].push_back(std::uint32_t(i));
    for (auto& zones : program->zonesOfKey)
        std::stable_sort(zones.begin(), zones.end(), [&](std::uint32_t a, std::uint32_t b) {
            const ProgramZone &first = program->zones[a], &second = program->zones[b];
            return std::pair(first.layer, first.order) < std::pair(second.layer, second.order);
        });
    findLikeness(*program, alike_);
    // Keep what this document uses; a step back is quick to make again.
    std::erase_if(known_, [&](const Known& known) {
        return std::none_of(program->zones.begin(), program->zones.end(),
            [&](const ProgramZone& z) { return z.sound == known.sound; });
    });
    std::erase_if(recorded_, [&](const Recorded& known) {
        return std::none_of(instrument.takes.begin(), instrument.takes.end(), [&](const Take& t) {
            return t.sound() == known.audio;
        }) && std::none_of(sounds.begin(), sounds.end(), [&](const auto& sound) {
            return sound.second.take->sound() == known.audio;
        });
    });
    return program;
}

} // namespace puretone
