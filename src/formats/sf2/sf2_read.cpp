// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/say.h"
#include "formats/formats.h"
#include "formats/sf2/sf2.h"
#include "formats/sf2/sf2_tables.h"
#include "model/edits/zone_edit.h"

#include <set>

namespace puretone {

using namespace sf2;

namespace {

constexpr int noTime = -12000, longestTime = 8000; // timecents

/// What a zone has that says nothing of a generator (section 8.1.3).
int usualAmount(unsigned generator)
{
    switch (generator) {
    case delayModLfo:
    case delayVibLfo:
    case delayModEnv:
    case attackModEnv:
    case holdModEnv:
    case decayModEnv:
    case releaseModEnv:
    case delayVolEnv:
    case attackVolEnv:
    case holdVolEnv:
    case decayVolEnv:
    case releaseVolEnv:
        return noTime;
    case initialFilterFc:
        return 13500;
    case scaleTuning:
        return 100;
    default:
        return 0;
    }
}

/// Whether an amount of a preset adds to the zone's; indices, ranges and what belongs to a sample
/// has no meaning there (section 8.1.2).
bool addsToZone(unsigned generator)
{
    static constexpr unsigned no[] = {startOffset, endOffset, startLoopOffset, endLoopOffset,
        startOffsetCoarse, endOffsetCoarse, instrumentIndex, keyRange, velRange, startLoopCoarse,
        fixedKey, fixedVelocity, endLoopCoarse, sampleId, sampleModes, exclusiveClass,
        overridingRootKey};
    return std::find(std::begin(no), std::end(no), generator) == std::end(no);
}

/// What shapes and moves a zone: its own amounts, and what the preset adds to them (section 9.4).
Amounts together(const Amounts& preset, Amounts zone)
{
    for (const auto& [generator, more] : preset) {
        if (!addsToZone(generator))
            continue;
        const int usual = usualAmount(generator);
        int sum = amountIn(zone, generator, usual) + more;
        if (usual == noTime)
            sum = std::clamp(sum, noTime, longestTime);
        if (generator == sustainVolEnv || generator == sustainModEnv)
            sum = std::clamp(sum, 0, 1440);
        zone[generator] = sum;
    }
    return zone;
}

/// Of a sample or an instrument: these amounts have no sign.
std::size_t indexIn(const Amounts& zone, unsigned generator)
{
    return std::size_t(amountIn(zone, generator, 0)) & 0xffffU;
}

Envelope envelopeIn(const Amounts& zone)
{
    const auto seconds = [&](Generator g) { return secondsOf(amountIn(zone, g, noTime)); };
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

/// A zone of an instrument of the bank, with what its preset adds.
struct Source {
    const Amounts& preset;
    const Amounts& zone;
    const std::vector<Modulator>& modulators;
    const Amounts* rightHalf; ///< The zone that plays the other half of a pair; null for none.
};

/// Makes takes and zones of what stands in the tables.
class BankReader {
public:
    BankReader(const Tables& tables, const std::optional<PlayedNote>& only)
        : tables_(tables)
        , only_(only)
        , headers_(readHeaders(tables.data.at("shdr")))
    {
    }
    Instrument instrument;
    std::set<std::string> strangers;

    /// The sample that is the other half of a zone's; nothing for mono.
    std::optional<unsigned> pairOf(const Amounts& zone) const
    {
        const auto index = indexIn(zone, sampleId);
        if (index >= headers_.size() || !isPair(headers_[index]))
            return std::nullopt;
        return headers_[index].link;
    }
    /// Adds the take and the zone for one instrument zone; right halves come with their left ones.
    ///
    /// @return False where its sample lies outside of the bank, or there is no room.
    bool add(const Source& source);

private:
    bool isPair(const Header& h) const
    {
        return h.type == leftSample && h.link < headers_.size()
            && headers_[h.link].end - headers_[h.link].start == h.end - h.start;
    }
    bool comesWithLeft(std::size_t index) const
    {
        const Header& h = headers_[index];
        return h.type == rightSample && h.link < headers_.size() && headers_[h.link].link == index
            && headers_[h.link].type == leftSample;
    }
    bool isInside(const Header& h) const
    {
        return h.start < h.end && h.end <= tables_.frames() && h.rate >= unsigned(lowestRate)
            && h.rate <= unsigned(highestRate) && h.end - h.start >= std::size_t(shortestTake);
    }
    /// Each sample once, however many zones play it; null where it cannot be read.
    RecordingPtr recordingOf(std::size_t index);

    const Tables& tables_;
    const std::optional<PlayedNote>& only_;
    std::vector<Header> headers_;
    std::map<std::size_t, RecordingPtr> recordings_;
    ChokeGroups groups_;
};

RecordingPtr BankReader::recordingOf(std::size_t index)
{
    auto& known = recordings_[index];
    if (known)
        return known;
    const Header& h = headers_[index];
    Audio audio{double(h.rate), {readSamples(tables_, h.start, h.end)}};
    if (isPair(h))
        audio.channels.push_back(
            readSamples(tables_, headers_[h.link].start, headers_[h.link].end));
    for (const auto& channel : audio.channels)
        if (channel.size() != h.end - h.start)
            return nullptr;
    return known = makeRecording(std::move(audio), h.name + ".wav");
}

std::optional<Span> loopIn(const Amounts& zone, const Header& h)
{
    if ((amountIn(zone, sampleModes, 0) & 1) == 0)
        return std::nullopt;
    const auto shift = [&](unsigned fine, unsigned coarse) {
        return std::int64_t(amountIn(zone, fine, 0))
            + 32768 * std::int64_t(amountIn(zone, coarse, 0));
    };
    const auto start = std::int64_t(h.start);
    return Span{Frames{std::int64_t(h.loopStart) - start + shift(startLoopOffset, startLoopCoarse)},
        Frames{std::int64_t(h.loopEnd) - start + shift(endLoopOffset, endLoopCoarse)}};
}

/// The keys and touches of a zone, inside those of its preset.
Zone rangesIn(const Source& source)
{
    const auto keys = rangeIn(source.zone, keyRange, 0),
               outerKeys = rangeIn(source.preset, keyRange, 0);
    const auto touches = rangeIn(source.zone, velRange, 1),
               outerTouches = rangeIn(source.preset, velRange, 1);
    Zone zone;
    zone.lowKey = std::max(keys.first, outerKeys.first);
    zone.highKey = std::min(keys.second, outerKeys.second);
    zone.lowVelocity = std::max(touches.first, outerTouches.first);
    zone.highVelocity = std::min(touches.second, outerTouches.second);
    return zone;
}

void placeIn(const Source& source, bool paired, Zone& made)
{
    const auto level = [&](const Amounts& x) { return amountIn(x, initialAttenuation, 0) / 10.0; };
    const double left = -level(source.zone) - level(source.preset);
    made.levelDb = left;
    if (!paired) {
        made.pan = (amountIn(source.zone, pan, 0) + amountIn(source.preset, pan, 0)) / 500.0;
        return;
    }
    // A balance: what one half lacks.
    const double right =
        source.rightHalf != nullptr ? -level(*source.rightHalf) - level(source.preset) : left;
    made.pan = left > right ? std::pow(10.0, (right - left) / 20.0) - 1.0
                            : 1.0 - std::pow(10.0, (left - right) / 20.0);
    made.levelDb = std::max(left, right);
}

bool BankReader::add(const Source& source)
{
    const auto& [preset, zone, modulators, right] = source;
    const Amounts all = together(preset, zone);
    const auto index = indexIn(zone, sampleId);
    if (index >= headers_.size())
        return false;
    if (comesWithLeft(index))
        return true;
    const Header& h = headers_[index];
    const bool paired = isPair(h);
    if (!isInside(h) || (paired && !isInside(headers_[h.link]))
        || instrument.takes.size() >= mostTakes)
        return false;
    Zone made = rangesIn(source);
    if (only_ && !inZone(made, only_->key, only_->touch))
        return true;
    auto recording = recordingOf(index);
    if (!recording)
        return false;
    const auto loop = loopIn(zone, h);
    const bool endless = envelopeIn(all).release > 0.59 * endlessRelease;
    const auto mode = loop && amountIn(zone, sampleModes, 0) == 3 ? LoopMode::untilRelease
        : !loop && endless                                        ? LoopMode::oneShot
                                                                  : LoopMode::forward;
    const int id = int(instrument.takes.size()) + 1;
    Take take = finishedTake(id, h.name, std::move(recording), 60.0, loop, mode);
    const int moved = 100 * (amountIn(zone, coarseTune, 0) + amountIn(preset, coarseTune, 0))
        + amountIn(zone, fineTune, 0) + amountIn(preset, fineTune, 0) + h.correction;
    const int root = amountIn(zone, overridingRootKey, -1);
    Layer like;
    like.name.clear();
    like.follow = amountIn(all, scaleTuning, usualAmount(scaleTuning)) / 100.0;
    like.chokeGroup = groups_.of(amountIn(zone, exclusiveClass, 0));
    like.envelope = envelopeIn(all);
    readMovement(all, like);
    for (const auto& modulator : modulators)
        if (!readModulator(modulator, like))
            strangers.insert("some modulators");
    if (mode != LoopMode::forward && endless)
        like.envelope.release = Envelope{}.release;
    take.tuning = tuningOn(root >= 0 && root < 128 ? root : h.key, moved, like);
    instrument.takes.push_back(std::move(take));
    made.id = id;
    made.take = id;
    placeIn(source, paired, made);
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

std::vector<BankPreset> soundFontPresets(const OriginalFile& file)
{
    const auto tables = findTables(file);
    std::vector<BankPreset> found;
    if (tables)
        for (auto& preset : presetsOf(tables->data.at("phdr")))
            found.push_back(std::move(preset.about));
    return found;
}

namespace {

/// Adds all zones of one instrument of the bank.
///
/// @return What is wrong with it; empty where nothing is.
std::string addInstrument(BankReader& reader, const Tables& tables, const Amounts& outer)
{
    const auto& data = tables.data;
    const auto at = indexIn(outer, instrumentIndex) * 22;
    if (at + 44 > data.at("inst").size())
        return say("an instrument is missing");
    const auto from = u16At(data.at("inst"), at + 20), to = u16At(data.at("inst"), at + 42);
    const auto zones = zonesOf(data.at("ibag"), data.at("igen"), from, to, sampleId);
    const auto table = data.find("imod");
    const auto modulators = table == data.end()
        ? std::vector<std::vector<Modulator>>{}
        : modulatorsOf(data.at("ibag"), data.at("igen"), table->second, from, to);
    addStrangers(outer, reader.strangers);
    for (const auto& zone : zones)
        addStrangers(zone, reader.strangers);
    static const std::vector<Modulator> none;
    for (std::size_t i = 0; i < zones.size(); ++i) {
        const Amounts* right = nullptr;
        if (const auto pair = reader.pairOf(zones[i]))
            for (std::size_t k = i + 1; k < std::min(zones.size(), i + 3) && right == nullptr; ++k)
                if (indexIn(zones[k], sampleId) == *pair)
                    right = &zones[k];
        if (!reader.add({outer, zones[i], i < modulators.size() ? modulators[i] : none, right}))
            return say("a sample lies outside of it");
    }
    return {};
}

} // namespace

Result<Instrument> readSoundFont(const OriginalFile& file, const std::string& name,
    LeftOut* leftOut, std::size_t chosen, const std::optional<PlayedNote>& only)
{
    const auto damaged = [&](const std::string& what) {
        return fail(ErrorCode::damaged, say("%1 is damaged: %2.", name, what),
            say("Copy it again from where it came from."));
    };
    if (file.size() == 0)
        return fail(
            ErrorCode::nothingInside, say("%1 is empty.", name), say("Choose another SoundFont."));
    const auto tables = findTables(file);
    if (!tables)
        return fail(ErrorCode::damaged,
            say("%1 is not a SoundFont 2 file, or it was cut off.", name),
            say("Copy it again from where it came from."));
    const auto& data = tables->data;
    if (data.at("phdr").size() < 2 * presetSize)
        return damaged(say("it names no preset"));
    const auto presets = presetsOf(data.at("phdr"));
    if (chosen >= presets.size())
        return damaged(say("it has no such preset"));
    const auto& preset = presets[chosen];
    BankReader reader(*tables, only);
    reader.instrument.name = preset.about.name;
    const auto firstBag = u16At(data.at("phdr"), preset.place * presetSize + 24),
               lastBag = u16At(data.at("phdr"), (preset.place + 1) * presetSize + 24);
    for (const auto& outer :
        zonesOf(data.at("pbag"), data.at("pgen"), firstBag, lastBag, instrumentIndex))
        if (const auto wrong = addInstrument(reader, *tables, outer); !wrong.empty())
            return damaged(wrong);
    if (reader.instrument.takes.empty() && !only)
        return fail(ErrorCode::nothingInside, say("%1 holds no samples.", name),
            say("Choose another SoundFont."));
    // One modulator only marks the end.
    if (const auto own = data.find("pmod"); own != data.end() && own->second.size() > 10)
        reader.strangers.insert("modulators of presets");
    if (leftOut != nullptr)
        leftOut->assign(reader.strangers.begin(), reader.strangers.end());
    keepBorders(reader.instrument);
    return sanitized(std::move(reader.instrument));
}

} // namespace puretone
