// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/sf2/sf2_lists.h"
#include "audio/files/riff.h"
#include "formats/formats.h"
#include "formats/sf2/sf2_movement.h"

#include <map>

namespace puretone {

using namespace sf2;

namespace {

int addSample(Bank& bank, const PreparedTake& prepared, const std::string& name)
{
    BankSample sample;
    sample.name = name;
    sample.rate = unsigned(std::lround(prepared.audio.rate));
    const auto [key, rest] = nearestKey(prepared.midi);
    sample.key = std::clamp(key, 0, 127);
    sample.correction = int(std::lround(-rest.value));
    sample.start = bank.frames;
    bank.frames += std::size_t(prepared.frames);
    sample.end = bank.frames;
    const auto base = std::int64_t(sample.start);
    if (prepared.loop)
        sample.loop = {
            Frames{base + prepared.loop->start.value}, Frames{base + prepared.loop->end.value}};
    else
        sample.loop = {Frames{base}, Frames{std::int64_t(sample.end)}};
    bank.frames += silenceBehind;
    bank.samples.push_back(sample);
    return int(bank.samples.size()) - 1;
}

/// First sample of each prepared sound that a region plays.
using SampleOf = std::map<const PreparedTake*, int>;

SampleOf addSamples(Bank& bank, const std::vector<Region>& regions)
{
    SampleOf firstOf;
    for (const auto& region : regions) {
        const auto& prepared = *region.prepared;
        if (firstOf.count(&prepared) > 0)
            continue;
        const bool stereo = prepared.audio.channelCount() > 1;
        const auto name = region.take->name.substr(0, 17);
        const int first = addSample(bank, prepared, stereo ? name + " L" : name);
        if (stereo) {
            const int second = addSample(bank, prepared, name + " R");
            auto& left = bank.samples[std::size_t(first)];
            auto& right = bank.samples[std::size_t(second)];
            left.type = leftSample;
            left.link = unsigned(second);
            right.type = rightSample;
            right.link = unsigned(first);
        }
        firstOf[&prepared] = first;
        bank.sounds.emplace_back(&region, first);
    }
    return firstOf;
}

void envelopeGenerators(ByteWriter& out, const Envelope& e, double releaseFor100Db)
{
    const auto put = [&](Generator g, int amount) {
        out.u16(unsigned(g));
        out.u16(unsigned(amount));
    };
    put(delayVolEnv, timecents(e.delay));
    put(attackVolEnv, timecents(e.attack));
    put(holdVolEnv, timecents(e.hold));
    // Decay and release are times for a fall of 100 dB; ours are to the sustain level and of 60 dB.
    const double depth = std::max(0.1, -e.sustainDb);
    put(decayVolEnv, timecents(e.decay * 100.0 / depth));
    put(sustainVolEnv,
        e.sustainDb <= silentSustainDb ? 1000 : int(std::lround(-10.0 * e.sustainDb)));
    put(releaseVolEnv, timecents(releaseFor100Db));
}

struct Articulation {
    ByteWriter bags, generators, modulators;
    unsigned bagCount = 0, generatorCount = 0, modulatorCount = 0;
};

/// One sample of a region. @param side -1 and 1 for the halves of a stereo sound, 0 for a mono one.
/// @param loudestDb Of all regions: attenuation is all there is.
void addZone(Articulation& a, const Region& region, int sample, int side, double loudestDb)
{
    a.bags.u16(a.generatorCount);
    a.bags.u16(a.modulatorCount);
    ++a.bagCount;
    for (const auto& modulator : modulatorsOf(*region.layer)) {
        a.modulators.u16(modulator.source);
        a.modulators.u16(modulator.generator);
        a.modulators.u16(unsigned(modulator.amount) & 0xffffU);
        a.modulators.u32(0); // nothing scales it, straight
        ++a.modulatorCount;
    }
    ByteWriter g;
    const auto put = [&](Generator generator, int amount) {
        g.u16(unsigned(generator));
        g.u16(unsigned(amount) & 0xffffU);
    };
    const Zone& zone = region.zone;
    const Layer& layer = *region.layer;
    // Order is prescribed: key range, velocity range, then the rest, the sample last
    // (section 8.1.2).
    put(keyRange, zone.lowKey | zone.highKey << 8);
    put(velRange, zone.lowVelocity | zone.highVelocity << 8);
    // A balance takes the other side away.
    const double kept = side == 0 ? 1.0 : std::min(1.0, 1.0 + side * region.pan);
    const double fallen = loudestDb - region.levelDb - 20.0 * std::log10(std::max(kept, 1e-4));
    if (const int tenths = int(std::lround(10.0 * fallen)); tenths != 0)
        put(initialAttenuation, std::clamp(tenths, 0, 1440));
    if (const int place = side == 0 ? int(std::lround(500.0 * region.pan)) : 500 * side; place != 0)
        put(Generator::pan, place);
    // The sample knows its take's own tuning.
    const double more = region.tuneCents - region.take->tuning.fineCents
        + 100.0 * (region.take->tuning.rootKey - region.rootKey);
    const auto semitones = std::lround(more / 100.0);
    if (semitones != 0)
        put(coarseTune, int(semitones));
    if (const auto cents = std::lround(more - 100.0 * double(semitones)); cents != 0)
        put(fineTune, int(cents));
    if (layer.follow != 1.0) {
        put(scaleTuning, int(std::lround(100.0 * layer.follow)));
        // Keys are counted from this one; the sample's own may be the nearest to its pitch.
        put(overridingRootKey, region.rootKey);
    }
    for (const auto& [generator, amount] : movementAmounts(layer))
        put(Generator(generator), amount);
    if (layer.chokeGroup > 0)
        put(exclusiveClass, layer.chokeGroup);
    // A take that ends by itself has no release of its own in this format.
    const auto mode = region.prepared->mode;
    const bool endsItself = mode == LoopMode::untilRelease || mode == LoopMode::oneShot;
    // The longest of ours is written a little shorter, to be told from an endless one.
    constexpr double longestRelease = 0.95 * endlessRelease;
    envelopeGenerators(g, layer.envelope,
        endsItself ? endlessRelease
                   : std::min(longestRelease, layer.envelope.release * 100.0 / 60.0));
    // 1: goes on through the release; 3: plays on to the end when released (section 8.1.3, 54).
    put(sampleModes, !region.prepared->loop ? 0 : mode == LoopMode::untilRelease ? 3 : 1);
    put(sampleId, sample);
    a.generatorCount += unsigned(g.bytes().size() / 4);
    a.generators.raw(g.bytes());
}

Articulation articulate(const std::vector<Region>& regions, const SampleOf& firstOf)
{
    Articulation a;
    const double loudest = loudestDb(regions);
    for (const auto& region : regions) {
        const int first = firstOf.at(region.prepared.get());
        const bool stereo = region.prepared->audio.channelCount() > 1;
        addZone(a, region, first, stereo ? -1 : 0, loudest);
        if (stereo)
            addZone(a, region, first + 1, 1, loudest);
    }
    a.bags.u16(a.generatorCount);
    a.bags.u16(a.modulatorCount);
    a.generators.u32(0);
    a.modulators.raw(std::vector<std::byte>(10));
    return a;
}

std::vector<std::byte> sampleHeaders(const Bank& bank)
{
    ByteWriter out;
    for (const auto& s : bank.samples) {
        out.fixedText(s.name, 20);
        out.u32(s.start);
        out.u32(s.end);
        out.u32(std::uint64_t(s.loop.start.value));
        out.u32(std::uint64_t(s.loop.end.value));
        out.u32(s.rate);
        out.u8(unsigned(s.key));
        out.u8(unsigned(s.correction));
        out.u16(s.link);
        out.u16(s.type);
    }
    out.fixedText("EOS", 46);
    return out.take();
}

std::vector<std::byte> list(const char* kind, const ByteWriter& chunks)
{
    ByteWriter body;
    body.text(kind);
    body.raw(chunks.bytes());
    ByteWriter out;
    out.chunk("LIST", body.bytes());
    return out.take();
}

std::vector<std::byte> infoList(const std::string& name, Depth depth)
{
    const auto text = [](const std::string& s) {
        ByteWriter w;
        w.fixedText(s.substr(0, 254), std::min<std::size_t>(256, (s.size() + 2) / 2 * 2));
        return w.take();
    };
    ByteWriter version;
    version.u16(2);
    version.u16(depth == Depth::bits16 ? 1 : 4); // 24 bits came with 2.04
    ByteWriter info;
    info.chunk("ifil", version.bytes());
    info.chunk("isng", text("EMU8000"));
    info.chunk("INAM", text(name));
    info.chunk("ISFT", text("Pure Tone"));
    return list("INFO", info);
}

std::vector<std::byte> presetList(const std::string& name, const Bank& bank, const Articulation& a)
{
    ByteWriter preset;
    for (int end = 0; end < 2; ++end) {
        preset.fixedText(end != 0 ? "EOP" : name, 20);
        preset.u16(0); // program
        preset.u16(0); // bank
        preset.u16(unsigned(end)); // first zone
        preset.u32(0);
        preset.u32(0);
        preset.u32(0);
    }
    ByteWriter presetBags;
    presetBags.u32(0);
    presetBags.u16(1);
    presetBags.u16(0);
    ByteWriter presetGenerators;
    presetGenerators.u16(unsigned(instrumentIndex));
    presetGenerators.u16(0);
    presetGenerators.u32(0);
    ByteWriter instruments;
    instruments.fixedText(name, 20);
    instruments.u16(0);
    instruments.fixedText("EOI", 20);
    instruments.u16(a.bagCount);
    const std::vector<std::byte> noModulator(10);
    ByteWriter data;
    data.chunk("phdr", preset.bytes());
    data.chunk("pbag", presetBags.bytes());
    data.chunk("pmod", noModulator);
    data.chunk("pgen", presetGenerators.bytes());
    data.chunk("inst", instruments.bytes());
    data.chunk("ibag", a.bags.bytes());
    data.chunk("imod", a.modulators.bytes());
    data.chunk("igen", a.generators.bytes());
    data.chunk("shdr", sampleHeaders(bank));
    return list("pdta", data);
}

} // namespace

BankPlan sf2::planBank(const std::string& name, const std::vector<Region>& regions, Depth depth)
{
    constexpr std::uint64_t chunkHead = 8, kind = 4;
    BankPlan plan;
    const auto articulation = articulate(regions, addSamples(plan.bank, regions));
    plan.entries =
        std::max({std::size_t(articulation.bagCount), std::size_t(articulation.generatorCount),
            std::size_t(articulation.modulatorCount), plan.bank.samples.size()});
    plan.info = infoList(name, depth);
    plan.presets = presetList(name, plan.bank, articulation);
    plan.pool = chunkHead + kind + plan.info.size() + chunkHead + kind + chunkHead;
    const std::uint64_t frames = plan.bank.frames, end = plan.pool + 2 * frames;
    // 16 bits, and eight more in a chunk of their own (section 6.2), as long as an even number of
    // bytes.
    plan.low = depth == Depth::bits16 ? 0 : end + chunkHead;
    plan.bytes = (plan.low == 0 ? end : plan.low + frames + frames % 2) + plan.presets.size();
    return plan;
}

std::vector<std::byte> sf2::headOf(const BankPlan& plan)
{
    constexpr std::uint64_t chunkHead = 8;
    ByteWriter out;
    out.text("RIFF");
    out.u32(plan.bytes - chunkHead);
    out.text("sfbk");
    out.raw(plan.info);
    out.text("LIST");
    const auto listAt = out.bytes().size() + 4;
    out.u32(plan.bytes - plan.presets.size() - listAt);
    out.text("sdta");
    out.text("smpl");
    out.u32(2 * plan.bank.frames);
    return out.take();
}

SoundFontSize soundFontSize(
    const std::string& name, const std::vector<Region>& regions, Depth depth)
{
    const auto plan = planBank(name, regions, depth);
    // As many zones as are read back, one take each.
    return {plan.bytes, plan.entries <= BankPlan::mostEntries && regions.size() <= mostTakes};
}

} // namespace puretone
