// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/files/safe_file.h"
#include "base/in_range.h"
#include "base/quantity.h"
#include "base/say.h"
#include "formats/formats.h"
#include "formats/sfz/sfz_text.h"
#include "formats/sfz/sfz_words.h"
#include "model/edits/zone_edit.h"

#include <map>
#include <set>

namespace puretone {

using namespace sfz;

namespace {

using Opcodes = std::map<std::string, std::string>;

/// No opcode: which group of the file a region stands in.
constexpr const char* groupNumber = "<group>";

std::string trimmed(const std::string& text)
{
    const auto first = text.find_first_not_of(" \t\r\n");
    const auto last = text.find_last_not_of(" \t\r\n");
    return first == std::string::npos ? std::string() : text.substr(first, last - first + 1);
}

/// Cuts a line "a=1 b=two words c=3" into opcodes; values may hold spaces.
void readOpcodes(const std::string& line, Opcodes& into)
{
    std::size_t equals = line.find('=');
    std::size_t nameStart = 0;
    while (equals != std::string::npos) {
        const auto next = line.find('=', equals + 1);
        auto valueEnd = line.size();
        if (next != std::string::npos) {
            const auto space = line.find_last_of(" \t", next);
            valueEnd = space == std::string::npos || space < equals ? next : space;
        }
        std::string name = trimmed(line.substr(nameStart, equals - nameStart));
        for (const auto& [other, usual] : spellings)
            if (name == other)
                name = usual;
        into[name] = trimmed(line.substr(equals + 1, valueEnd - equals - 1));
        nameStart = valueEnd;
        equals = next;
    }
}

/// Regions with the opcodes of their groups and of the file filled in.
std::vector<Opcodes> readRegions(const std::string& text)
{
    std::vector<Opcodes> regions;
    Opcodes control, global, master, group, spare;
    int groups = 0;
    Opcodes* target = &spare;
    std::size_t at = 0;
    while (at < text.size()) {
        const auto lineEnd = std::min(text.find('\n', at), text.size());
        std::string line = text.substr(at, lineEnd - at);
        at = lineEnd + 1;
        while (!line.empty()) {
            const auto head = line.find('<');
            const auto close = head == std::string::npos ? head : line.find('>', head);
            readOpcodes(line.substr(0, head), *target);
            if (close == std::string::npos)
                break;
            const auto kind = line.substr(head + 1, close - head - 1);
            line = line.substr(close + 1);
            if (kind == "region") {
                Opcodes start = control;
                for (const Opcodes* more : {&global, &master, &group})
                    for (const auto& [k, v] : *more)
                        start[k] = v;
                regions.push_back(std::move(start));
                target = &regions.back();
            } else if (kind == "group") {
                group.clear();
                group[groupNumber] = std::to_string(++groups);
                target = &group;
            } else if (kind == "master") {
                master.clear();
                group.clear();
                target = &master;
            } else if (kind == "global") {
                master.clear();
                group.clear();
                target = &global;
            } else if (kind == "control") {
                target = &control;
            } else {
                target = &spare;
            }
        }
    }
    return regions;
}

double numberIn(const Opcodes& region, const char* name, double fallback)
{
    const auto found = region.find(name);
    if (found == region.end())
        return fallback;
    return parseNumber(found->second, "").value_or(fallback);
}

int keyIn(const Opcodes& region, const char* name, int fallback)
{
    const auto found = region.find(name);
    if (found == region.end())
        return fallback;
    return parseKey(found->second).value_or(fallback);
}

LoopMode modeIn(const Opcodes& region)
{
    const auto mode = region.find("loop_mode");
    const auto type = region.find("loop_type");
    if (type != region.end() && type->second == "alternate")
        return LoopMode::alternating;
    if (mode == region.end())
        return LoopMode::forward;
    return mode->second == "loop_sustain" ? LoopMode::untilRelease
        : mode->second == "one_shot"      ? LoopMode::oneShot
                                          : LoopMode::forward;
}

Envelope stagesIn(const Opcodes& region, const std::string& which)
{
    const auto stage = [&](const char* name, double fallback) {
        return numberIn(region, (which + "_" + name).c_str(), fallback);
    };
    Envelope e;
    e.delay = stage("delay", 0.0);
    e.attack = stage("attack", 0.0);
    e.hold = stage("hold", 0.0);
    e.decay = stage("decay", 0.0);
    e.sustainDb = toDecibels(stage("sustain", 100.0) / 100.0).value;
    e.release = stage("release", 0.005);
    return e;
}

Filter filterIn(const Opcodes& region)
{
    Filter f;
    const auto type = region.find("fil_type");
    if (type == region.end() && region.count("cutoff") == 0)
        return f;
    const std::string name = type != region.end() ? type->second : "lpf_2p";
    for (const auto& [kind, prefix] : filterTypes)
        if (name.rfind(prefix, 0) == 0)
            f.kind = kind;
    f.steep = name.find("_4p") != std::string::npos || name.find("_6p") != std::string::npos;
    f.hz = numberIn(region, "cutoff", 20000.0);
    f.resonance = numberIn(region, "resonance", 0.0) / resonanceDb;
    f.follow = numberIn(region, "fil_keytrack", 0.0) / 100.0;
    f.touchOctaves = numberIn(region, "fil_veltrack", 0.0) / 1200.0;
    f.envelopeOctaves = numberIn(region, "fileg_depth", 0.0) / 1200.0;
    return f;
}

SlowWave lfoIn(const Opcodes& region)
{
    SlowWave lfo;
    const auto wave = [&](const std::string& which) {
        const double depth = std::abs(numberIn(region, (which + "_depth").c_str(), 0.0));
        if (depth > 0.0) {
            lfo.hz = numberIn(region, (which + "_freq").c_str(), lfo.hz);
            lfo.fadeSeconds = numberIn(region, (which + "_fade").c_str(), 0.0);
        }
        return depth;
    };
    lfo.cutoffOctaves = wave("fillfo") / 1200.0;
    lfo.levelDb = wave("amplfo");
    lfo.pitchCents = wave("pitchlfo");
    return lfo;
}

Envelope envelopeIn(const Opcodes& region)
{
    Envelope e = stagesIn(region, "ampeg");
    // Written for takes that end by themselves; the envelope has its own.
    if (modeIn(region) != LoopMode::forward && e.release >= endlessRelease)
        e.release = Envelope{}.release;
    return e;
}

std::optional<Span> loopIn(const Opcodes& region, const Recording& recording)
{
    const auto mode = region.find("loop_mode");
    const std::string how = mode == region.end() ? "" : mode->second;
    const std::optional<SamplerInfo>& sampler = recording.sampler;
    const bool inFile = sampler && !sampler->loops.empty();
    if (how == "no_loop" || how == "one_shot" || (how.empty() && !inFile))
        return std::nullopt;
    Span span =
        inFile ? sampler->loops[0].span : Span{Frames{0}, Frames{recording.audio->frames()}};
    constexpr std::int64_t most = std::int64_t(1) << 40U; // outside of any sample
    const auto frame = [&](const char* name, std::int64_t fallback) {
        return wholeIn(numberIn(region, name, double(fallback)), -1, most);
    };
    span.start.value = frame("loop_start", span.start.value);
    span.end.value = frame("loop_end", span.end.value - 1) + 1;
    return span;
}

/// The tuning of a region: on its key centre, moved by what the region says.
Tuning tuningIn(const Opcodes& region, const Recording& recording, Layer& layer)
{
    const auto centre = region.find("pitch_keycenter");
    double moved = 100.0 * numberIn(region, "transpose", 0.0) + numberIn(region, "tune", 0.0);
    int key = keyIn(region, "pitch_keycenter", keyIn(region, "key", 60));
    if (centre != region.end() && centre->second == "sample" && recording.sampler) {
        const auto [nearest, rest] = nearestKey(recording.sampler->midi);
        key = nearest;
        moved -= rest.value;
    }
    return tuningOn(key, moved, layer);
}

/// "cutoff_oncc1=2400", and older spellings, as a movement.
std::optional<Movement> controlIn(const std::string& name, const std::string& value)
{
    for (const auto& word : controlWords)
        for (const auto& prefix : {std::string(word.name) + "_oncc",
                 word.older != nullptr ? std::string(word.older) + "_cc" : std::string("?"),
                 word.older != nullptr ? std::string(word.older) + "_oncc" : std::string("?")}) {
            if (name.rfind(prefix, 0) != 0)
                continue;
            const auto number = parseNumber(name.substr(prefix.size()), "");
            const auto amount = parseNumber(value, "");
            if (!number || !amount || *number < 0 || *number > 127)
                return std::nullopt;
            Movement movement;
            movement.source = sourceOfController(int(*number));
            movement.target = word.target;
            movement.amount = *amount / word.scale;
            return movement;
        }
    return std::nullopt;
}

/// How the region's layer is played, without zones and id.
Layer layerIn(const Opcodes& region, ChokeGroups& groups)
{
    Layer layer;
    const auto label = region.find("group_label");
    layer.name = label != region.end() ? label->second : "";
    if (const auto trigger = region.find("trigger"); trigger != region.end())
        for (const auto& [when, name] : triggers)
            if (trigger->second == name)
                layer.when = when;
    layer.follow = numberIn(region, "pitch_keytrack", 100.0) / 100.0;
    // A group alone is a name; what ends its notes is that it is off by itself.
    constexpr int most = 1 << 30;
    const int group = intIn(numberIn(region, "group", 0.0), -most, most);
    if (group == intIn(numberIn(region, "off_by", 0.0), -most, most))
        layer.chokeGroup = groups.of(group);
    layer.voices = intIn(numberIn(region, "polyphony", Layer::mostVoices), 1, Layer::mostVoices);
    layer.fallDbPerSecond = numberIn(region, "rt_decay", 0.0);
    layer.bendSemitones = numberIn(region, "bend_up", 200.0) / 100.0;
    if (region.count("seq_length") > 0)
        layer.sameKeys = SameKeys::inTurn;
    else if (region.count("lorand") + region.count("hirand") > 0)
        layer.sameKeys = SameKeys::atRandom;
    layer.touch = numberIn(region, "amp_veltrack", 100.0) / 100.0;
    layer.envelope = envelopeIn(region);
    layer.filter = filterIn(region);
    if (layer.filter.envelopeOctaves != 0.0)
        layer.second = stagesIn(region, "fileg");
    setSlowWave(layer, lfoIn(region));
    for (const auto& [name, value] : region)
        if (auto movement = controlIn(name, value);
            movement && layer.movements.size() < mostMovements)
            layer.movements.push_back(*movement);
    return layer;
}

Zone zoneIn(const Opcodes& region, int id)
{
    const int key = keyIn(region, "key", -1);
    Zone zone{id, id, keyIn(region, "lokey", key < 0 ? 0 : key),
        keyIn(region, "hikey", key < 0 ? 127 : key), intIn(numberIn(region, "lovel", 1.0), 1, 127),
        intIn(numberIn(region, "hivel", 127.0), 1, 127)};
    const auto width = [&](const char* low, const char* high) {
        return region.count(low) > 0 && region.count(high) > 0
            ? keyIn(region, high, 0) - keyIn(region, low, 0)
            : 0;
    };
    zone.lowKeyFade = width("xfin_lokey", "xfin_hikey");
    zone.highKeyFade = width("xfout_lokey", "xfout_hikey");
    zone.lowVelocityFade = width("xfin_lovel", "xfin_hivel");
    zone.highVelocityFade = width("xfout_lovel", "xfout_hivel");
    zone.levelDb = numberIn(region, "volume", 0.0);
    zone.pan = numberIn(region, "pan", 0.0) / 100.0;
    return zone;
}

/// A sample may begin later and end earlier than its file.
void trim(const Opcodes& region, Take& take)
{
    const auto frames = take.kept.end.value;
    const auto frame = [&](const char* name, std::int64_t fallback) {
        return wholeIn(numberIn(region, name, double(fallback)), 0, frames);
    };
    take.kept.start.value = std::min(frame("offset", 0), frames - shortestTake);
    take.kept.end.value =
        std::max(frame("end", frames - 1) + 1, take.kept.start.value + shortestTake);
}

/// Opcodes that nobody here plays, in their order.
std::vector<std::string> strangersIn(const std::vector<Opcodes>& regions)
{
    std::set<std::string> names;
    for (const auto& region : regions)
        for (const auto& [name, value] : region)
            if (name != groupNumber && !controlIn(name, value)
                && std::find(std::begin(understood), std::end(understood), name)
                    == std::end(understood))
                names.insert(name);
    return {names.begin(), names.end()};
}

} // namespace

Result<Instrument> readSfz(const std::filesystem::path& path, const Progress& progress,
    LeftOut* leftOut, const std::optional<PlayedNote>& only, const SampleFiles& where)
{
    const auto text = readText(path);
    if (!text)
        return tl::unexpected(text.error());
    const auto regions = readRegions(*text);
    Instrument instrument;
    instrument.name = path.stem().string();
    std::map<std::filesystem::path, RecordingPtr> opened;
    std::string group;
    ChokeGroups groups;
    for (const auto& region : regions) {
        const auto sample = region.find("sample");
        if (sample == region.end())
            continue;
        if (only && !inZone(zoneIn(region, 1), only->key, only->touch))
            continue;
        const auto prefix = region.find("default_path");
        const auto beside =
            fileBeside(path, (prefix == region.end() ? "" : prefix->second) + sample->second);
        if (!beside)
            return tl::unexpected(beside.error());
        const auto& file = *beside;
        auto& recording = opened[file];
        if (!recording) {
            auto read = openRecording(where ? where(file) : file, progress);
            if (!read)
                return tl::unexpected(Error{read.error().code,
                    say("%1 cannot be opened: %2", shownName(path), read.error().message),
                    say("Put the samples beside the SFZ file.")});
            recording = *read;
        }
        if (instrument.takes.size() >= mostTakes)
            return fail(ErrorCode::badValue,
                say("%1 names more samples than can be played.", shownName(path)),
                say("Take a smaller one."));
        const int id = int(instrument.takes.size()) + 1;
        Take take = finishedTake(
            id, recording->fileName, recording, 60.0, loopIn(region, *recording), modeIn(region));
        Layer like = layerIn(region, groups);
        take.tuning = tuningIn(region, *recording, like);
        trim(region, take);
        instrument.takes.push_back(std::move(take));
        // Turns are counted inside a layer: those of another group are others.
        const auto number = region.find(groupNumber);
        const std::string nowIn = number != region.end() ? number->second : "";
        const bool begins = std::exchange(group, nowIn) != nowIn
            && (like.sameKeys != SameKeys::together || !like.name.empty());
        layerFor(instrument, like, begins).zones.push_back(zoneIn(region, id));
    }
    if (instrument.takes.empty() && !only)
        return fail(ErrorCode::nothingInside, say("%1 names no samples.", shownName(path)),
            say("Choose another SFZ file."));
    if (leftOut != nullptr)
        *leftOut = strangersIn(regions);
    keepBorders(instrument);
    return sanitized(std::move(instrument));
}

} // namespace puretone
