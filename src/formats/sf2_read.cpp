// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/riff.h"
#include "formats/formats.h"
#include "formats/sf2.h"
#include "formats/sf2_movement.h"
#include "model/zone_edit.h"

#include <set>

namespace puretone {

using namespace sf2;

namespace {

struct Header {
    std::size_t start, end, loopStart, loopEnd;
    unsigned rate;
    int key, correction;
    unsigned link, type;
    std::string name;
};

struct Tables {
    std::span<const std::byte> pool;
    std::span<const std::byte> low; ///< Eight more bits of each sample; empty where there are none.
    std::map<std::string, std::span<const std::byte>> data;
};

std::optional<Tables> findTables(std::span<const std::byte> bytes)
{
    ByteReader in(bytes);
    if (in.text(4) != "RIFF")
        return std::nullopt;
    in.u32();
    if (in.text(4) != "sfbk")
        return std::nullopt;
    Tables tables;
    for (const auto& listed : riffChunks(bytes.subspan(12))) {
        if (listed.id != "LIST" || listed.body.size() < 4 || listed.claimed > listed.body.size())
            continue;
        for (const auto& chunk : riffChunks(listed.body.subspan(4))) {
            if (chunk.id == "smpl")
                tables.pool = chunk.body;
            else if (chunk.id == "sm24")
                tables.low = chunk.body;
            else
                tables.data[std::string(chunk.id)] = chunk.body;
        }
    }
    // Otherwise it is to be ignored (section 6.2).
    if (tables.low.size() < tables.pool.size() / 2)
        tables.low = {};
    for (const char* needed : {"phdr", "pbag", "pgen", "inst", "ibag", "igen", "shdr"})
        if (tables.data.find(needed) == tables.data.end())
            return std::nullopt;
    return tables;
}

unsigned u16At(std::span<const std::byte> table, std::size_t at)
{
    ByteReader in(table.subspan(std::min(at, table.size())));
    return in.u16();
}

/// Whether a bag has a generator that names a sample.
bool namesSample(
    std::span<const std::byte> bags, std::span<const std::byte> generators, unsigned bag)
{
    const auto first = u16At(bags, std::size_t(bag) * 4);
    const auto last = u16At(bags, std::size_t(bag + 1) * 4);
    for (auto g = first; g < last && (std::size_t(g) + 1) * 4 <= generators.size(); ++g)
        if (u16At(generators, std::size_t(g) * 4) == sampleId)
            return true;
    return false;
}

/// Modulators of the zones [from, to) of a bag table, those of a leading zone that names nothing
/// with each; in the order of zonesOf.
std::vector<std::vector<Modulator>> modulatorsOf(std::span<const std::byte> bags,
    std::span<const std::byte> generators, std::span<const std::byte> modulators, unsigned from,
    unsigned to)
{
    constexpr std::size_t size = 10;
    std::vector<std::vector<Modulator>> zones;
    std::vector<Modulator> common;
    for (unsigned bag = from; bag < to && (std::size_t(bag) + 2) * 4 <= bags.size(); ++bag) {
        auto zone = common;
        const auto first = u16At(bags, std::size_t(bag) * 4 + 2);
        const auto last = u16At(bags, std::size_t(bag + 1) * 4 + 2);
        for (auto m = first; m < last && (std::size_t(m) + 1) * size <= modulators.size(); ++m) {
            ByteReader in(modulators.subspan(std::size_t(m) * size, size));
            Modulator modulator;
            modulator.source = in.u16();
            modulator.generator = in.u16();
            modulator.amount = in.i16();
            // One that another one scales or bends is not understood.
            if (in.u16() != 0 || in.u16() != 0)
                modulator.source = unsigned(-1);
            zone.push_back(modulator);
        }
        if (namesSample(bags, generators, bag))
            zones.push_back(std::move(zone));
        else if (bag == from)
            common = std::move(zone);
    }
    return zones;
}

/// Zones [from, to) of a bag table, each with the amounts of a leading zone that names nothing.
std::vector<Amounts> zonesOf(std::span<const std::byte> bags, std::span<const std::byte> generators,
    unsigned from, unsigned to, unsigned naming)
{
    std::vector<Amounts> zones;
    Amounts common;
    for (unsigned bag = from; bag < to && (std::size_t(bag) + 2) * 4 <= bags.size(); ++bag) {
        Amounts zone = common;
        const auto first = u16At(bags, std::size_t(bag) * 4);
        const auto last = u16At(bags, std::size_t(bag + 1) * 4);
        for (auto g = first; g < last && (std::size_t(g) + 1) * 4 <= generators.size(); ++g) {
            ByteReader in(generators.subspan(std::size_t(g) * 4));
            const auto generator = in.u16();
            zone[generator] = in.i16();
        }
        if (zone.count(naming) != 0)
            zones.push_back(std::move(zone));
        else if (bag == from)
            common = std::move(zone);
    }
    return zones;
}

constexpr std::size_t presetSize = 38;

/// A preset, and where it stands in its table.
struct Preset {
    BankPreset about;
    std::size_t place = 0;
};

/// By bank and program. The last one of the table only marks the end.
std::vector<Preset> presetsOf(std::span<const std::byte> table)
{
    std::vector<Preset> presets;
    for (std::size_t at = 0; (at + 2) * presetSize <= table.size(); ++at) {
        ByteReader in(table.subspan(at * presetSize, presetSize));
        const auto name = in.text(20);
        Preset preset{{std::string(name.substr(0, name.find('\0')))}, at};
        preset.about.program = int(in.u16());
        preset.about.bank = int(in.u16());
        presets.push_back(std::move(preset));
    }
    std::stable_sort(presets.begin(), presets.end(), [](const Preset& a, const Preset& b) {
        return std::pair(a.about.bank, a.about.program) < std::pair(b.about.bank, b.about.program);
    });
    return presets;
}

std::vector<Header> readHeaders(std::span<const std::byte> table)
{
    constexpr std::size_t size = 46;
    std::vector<Header> headers;
    // The last one only marks the end.
    for (std::size_t at = 0; at + 2 * size <= table.size(); at += size) {
        ByteReader in(table.subspan(at, size));
        Header h{};
        const auto name = in.text(20);
        h.name = std::string(name.substr(0, name.find('\0')));
        h.start = in.u32();
        h.end = in.u32();
        h.loopStart = in.u32();
        h.loopEnd = in.u32();
        h.rate = in.u32();
        h.key = int(in.u8());
        const auto cents = int(in.u8());
        h.correction = cents < 128 ? cents : cents - 256;
        h.link = in.u16();
        h.type = in.u16();
        headers.push_back(std::move(h));
    }
    return headers;
}

int amountIn(const Amounts& zone, unsigned generator, int fallback)
{
    const auto found = zone.find(generator);
    return found == zone.end() ? fallback : found->second;
}

std::pair<int, int> rangeIn(const Amounts& zone, Generator generator, int low)
{
    const auto found = zone.find(generator);
    if (found == zone.end())
        return {low, 127};
    const auto amount = unsigned(found->second) & 0xffffU;
    return {int(amount & 0xffU), int(amount >> 8U)};
}

std::vector<float> readPool(const Tables& tables, std::size_t from, std::size_t to)
{
    std::vector<float> samples;
    samples.reserve(to - from);
    ByteReader in(tables.pool.subspan(from * 2, (to - from) * 2));
    for (std::size_t i = from; i < to; ++i) {
        const int high = in.i16();
        samples.push_back(tables.low.empty()
                ? float(high) / 32768.0f
                : float(high * 256 + int(tables.low[i])) / 8388608.0f);
    }
    return samples;
}

/// What moves a zone: its own amounts, and what the preset adds to them (section 9.4).
Amounts together(const Amounts& preset, Amounts zone)
{
    for (const auto generator : {initialFilterFc, initialFilterQ, modEnvToFilterFc,
             modLfoToFilterFc, vibLfoToPitch, modLfoToVolume})
        if (const auto found = preset.find(generator); found != preset.end()) {
            const int own = generator == initialFilterFc ? 13500 : 0;
            zone[generator] = amountIn(zone, generator, own) + found->second;
        }
    return zone;
}

Envelope envelopeIn(const Amounts& zone)
{
    const auto seconds = [&](Generator g) { return secondsOf(amountIn(zone, g, -12000)); };
    Envelope e;
    e.delay = seconds(delayVolEnv);
    e.attack = seconds(attackVolEnv);
    e.hold = seconds(holdVolEnv);
    const double depth = amountIn(zone, sustainVolEnv, 0) / 10.0;
    e.sustainDb = -depth;
    e.decay = depth > 0.0 ? seconds(decayVolEnv) * depth / 100.0 : 0.0;
    e.release = seconds(releaseVolEnv) * 0.6;
    return e;
}

/// Adds the take and the zone for one instrument zone; the right half of a pair is found by its
/// link.
/// @param rightHalf Gives the zone that plays a sample, of the zones behind this one.
template <class RightHalf>
bool addZone(Instrument& instrument, const Tables& tables, const std::vector<Header>& headers,
    const Amounts& preset, const Amounts& zone, const std::vector<Modulator>& modulators,
    std::set<std::string>& strangers, ChokeGroups& groups, RightHalf rightHalf)
{
    const auto index = std::size_t(amountIn(zone, sampleId, 0));
    if (index >= headers.size())
        return false;
    const Header& h = headers[index];
    const bool paired = h.type == leftSample && h.link < headers.size()
        && headers[h.link].end - headers[h.link].start == h.end - h.start;
    if (h.type == rightSample && h.link < headers.size() && headers[h.link].link == index
        && headers[h.link].type == leftSample)
        return true; // comes with its left half
    const auto poolFrames = tables.pool.size() / 2;
    const auto inside = [&](const Header& x) { return x.start < x.end && x.end <= poolFrames; };
    if (!inside(h) || (paired && !inside(headers[h.link])) || h.rate < unsigned(lowestRate)
        || h.rate > unsigned(highestRate) || h.end - h.start < std::size_t(shortestTake))
        return false;
    Audio audio{double(h.rate), {readPool(tables, h.start, h.end)}};
    if (paired)
        audio.channels.push_back(readPool(tables, headers[h.link].start, headers[h.link].end));
    std::optional<Span> loop;
    if ((amountIn(zone, sampleModes, 0) & 1) != 0) {
        const auto shift = [&](unsigned fine, unsigned coarse) {
            return std::int64_t(amountIn(zone, fine, 0))
                + 32768 * std::int64_t(amountIn(zone, coarse, 0));
        };
        const auto start = std::int64_t(h.start);
        loop = Span{
            Frames{std::int64_t(h.loopStart) - start + shift(startLoopOffset, startLoopCoarse)},
            Frames{std::int64_t(h.loopEnd) - start + shift(endLoopOffset, endLoopCoarse)}};
    }
    const bool endless = envelopeIn(zone).release > 0.59 * endlessRelease;
    const auto mode = loop && amountIn(zone, sampleModes, 0) == 3 ? LoopMode::untilRelease
        : !loop && endless                                        ? LoopMode::oneShot
                                                                  : LoopMode::forward;
    if (instrument.takes.size() >= mostTakes)
        return false;
    const int id = int(instrument.takes.size()) + 1;
    Take take = finishedTake(
        id, h.name, makeRecording(std::move(audio), h.name + ".wav"), 60.0, loop, mode);
    const int moved = 100 * (amountIn(zone, coarseTune, 0) + amountIn(preset, coarseTune, 0))
        + amountIn(zone, fineTune, 0) + amountIn(preset, fineTune, 0) + h.correction;
    const int root = amountIn(zone, overridingRootKey, -1);
    Layer like;
    like.name.clear();
    like.follow = amountIn(zone, scaleTuning, 100) / 100.0;
    like.chokeGroup = groups.of(amountIn(zone, exclusiveClass, 0));
    like.envelope = envelopeIn(zone);
    readMovement(together(preset, zone), like);
    for (const auto& modulator : modulators)
        if (!readModulator(modulator, like))
            strangers.insert("some modulators");
    if (mode != LoopMode::forward && endless)
        like.envelope.release = Envelope{}.release;
    take.tuning = tuningOn(root >= 0 && root < 128 ? root : h.key, moved, like);
    instrument.takes.push_back(std::move(take));
    const auto keys = rangeIn(zone, keyRange, 0), outerKeys = rangeIn(preset, keyRange, 0);
    const auto speeds = rangeIn(zone, velRange, 1), outerSpeeds = rangeIn(preset, velRange, 1);
    Zone made{id, id, std::max(keys.first, outerKeys.first),
        std::min(keys.second, outerKeys.second), std::max(speeds.first, outerSpeeds.first),
        std::min(speeds.second, outerSpeeds.second)};
    const auto level = [&](const Amounts& x) { return amountIn(x, initialAttenuation, 0) / 10.0; };
    double left = -level(zone) - level(preset);
    if (paired) {
        // A balance: what one half lacks. The right one follows.
        const Amounts* other = rightHalf(h.link);
        const double right = other != nullptr ? -level(*other) - level(preset) : left;
        made.pan = left > right ? std::pow(10.0, (right - left) / 20.0) - 1.0
                                : 1.0 - std::pow(10.0, (left - right) / 20.0);
        left = std::max(left, right);
    } else {
        made.pan = (amountIn(zone, pan, 0) + amountIn(preset, pan, 0)) / 500.0;
    }
    made.levelDb = left;
    layerFor(instrument, like, false).zones.push_back(made);
    return true;
}

/// Generators that nobody here plays.
void addStrangers(const Amounts& zone, std::set<std::string>& names)
{
    static constexpr std::pair<unsigned, const char*> strangers[] = {
        {startOffset, "sample offsets"}, {endOffset, "sample offsets"},
        {startOffsetCoarse, "sample offsets"}, {endOffsetCoarse, "sample offsets"},
        {modLfoToPitch, "a second slow wave on the pitch"}, {modEnvToPitch, "pitch envelopes"},
        {chorusSend, "chorus"}, {reverbSend, "reverb"}, {delayModLfo, "delays of slow waves"},
        {delayVibLfo, "delays of slow waves"}, {keyToModHold, "envelope times by key"},
        {keyToModDecay, "envelope times by key"}, {keyToVolHold, "envelope times by key"},
        {keyToVolDecay, "envelope times by key"}, {fixedKey, "fixed keys"},
        {fixedVelocity, "fixed touch"}};
    for (const auto& [generator, name] : strangers)
        if (const auto found = zone.find(generator);
            found != zone.end() && found->second != 0 && found->second != -12000)
            names.insert(name); // neither nothing nor, for a time, none
}

} // namespace

std::vector<BankPreset> soundFontPresets(std::span<const std::byte> bytes)
{
    const auto tables = findTables(bytes);
    std::vector<BankPreset> found;
    if (tables)
        for (auto& preset : presetsOf(tables->data.at("phdr")))
            found.push_back(std::move(preset.about));
    return found;
}

Result<Instrument> decodeSoundFont(
    std::span<const std::byte> bytes, const std::string& name, LeftOut* leftOut, std::size_t chosen)
{
    const auto damaged = [&](const char* what) {
        return fail(ErrorCode::damaged, name + " is damaged: " + what + ".",
            "Copy it again from where it came from.");
    };
    if (bytes.empty())
        return fail(ErrorCode::nothingInside, name + " is empty.", "Choose another SoundFont.");
    const auto tables = findTables(bytes);
    if (!tables)
        return fail(ErrorCode::damaged, name + " is not a SoundFont 2 file, or it was cut off.",
            "Copy it again from where it came from.");
    const auto& data = tables->data;
    const auto headers = readHeaders(data.at("shdr"));
    if (data.at("phdr").size() < 2 * presetSize)
        return damaged("it names no preset");
    Instrument instrument;
    ChokeGroups groups;
    std::set<std::string> strangers;
    const auto presets = presetsOf(data.at("phdr"));
    if (chosen >= presets.size())
        return damaged("it has no such preset");
    const auto& preset = presets[chosen];
    instrument.name = preset.about.name;
    const auto firstBag = u16At(data.at("phdr"), preset.place * presetSize + 24),
               lastBag = u16At(data.at("phdr"), (preset.place + 1) * presetSize + 24);
    for (const auto& outer :
        zonesOf(data.at("pbag"), data.at("pgen"), firstBag, lastBag, instrumentIndex)) {
        const auto at = std::size_t(amountIn(outer, instrumentIndex, 0)) * 22;
        if (at + 44 > data.at("inst").size())
            return damaged("an instrument is missing");
        const auto from = u16At(data.at("inst"), at + 20), to = u16At(data.at("inst"), at + 42);
        const auto zones = zonesOf(data.at("ibag"), data.at("igen"), from, to, sampleId);
        const auto table = data.find("imod");
        const auto modulators = table == data.end()
            ? std::vector<std::vector<Modulator>>{}
            : modulatorsOf(data.at("ibag"), data.at("igen"), table->second, from, to);
        for (const auto& zone : zones)
            addStrangers(zone, strangers);
        for (std::size_t i = 0; i < zones.size(); ++i) {
            const auto rightHalf = [&](unsigned sample) -> const Amounts* {
                for (std::size_t k = i + 1; k < std::min(zones.size(), i + 3); ++k)
                    if (amountIn(zones[k], sampleId, -1) == int(sample))
                        return &zones[k];
                return nullptr;
            };
            static const std::vector<Modulator> none;
            if (!addZone(instrument, *tables, headers, outer, zones[i],
                    i < modulators.size() ? modulators[i] : none, strangers, groups, rightHalf))
                return damaged("a sample lies outside of it");
        }
    }
    if (instrument.takes.empty())
        return fail(
            ErrorCode::nothingInside, name + " holds no samples.", "Choose another SoundFont.");
    // One modulator only marks the end.
    if (const auto own = data.find("pmod"); own != data.end() && own->second.size() > 10)
        strangers.insert("modulators of presets");
    if (leftOut != nullptr)
        leftOut->assign(strangers.begin(), strangers.end());
    keepBorders(instrument);
    return sanitized(std::move(instrument));
}

} // namespace puretone
