// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/in_range.h"
#include "base/quantity.h"
#include "base/safe_file.h"
#include "formats/formats.h"

#include <charconv>
#include <map>

namespace puretone {

namespace {

/// Letters that every file system and every SFZ reader takes.
std::string plainFileName(const std::string& name)
{
    std::string plain;
    for (const char c : name) {
        const auto u = static_cast<unsigned char>(c);
        plain += std::isalnum(u) != 0 || u >= 0x80 || c == '-' || c == '_' || c == ' ' ? c : '_';
    }
    return plain.empty() ? "take" : plain;
}

std::string opcode(const char* name, const std::string& value)
{
    return std::string(name) + "=" + value + "\n";
}
std::string opcode(const char* name, std::int64_t value)
{
    return opcode(name, std::to_string(value));
}

std::string envelopeOpcodes(const Envelope& e)
{
    const double sustain =
        e.sustainDb <= silentSustainDb ? 0.0 : 100.0 * toGain(Decibels{e.sustainDb});
    return opcode("ampeg_delay", formatNumber(e.delay, 4))
        + opcode("ampeg_attack", formatNumber(e.attack, 4))
        + opcode("ampeg_hold", formatNumber(e.hold, 4))
        + opcode("ampeg_decay", formatNumber(e.decay, 4))
        + opcode("ampeg_sustain", formatNumber(sustain, 3))
        + opcode("ampeg_release", formatNumber(e.release, 4));
}

} // namespace

std::string sampleName(const Take& take)
{
    return plainFileName(take.name) + " " + std::to_string(take.id) + ".wav";
}

std::filesystem::path sfzFolder(const std::filesystem::path& sfz)
{
    return sfz.parent_path() / (sfz.stem().string() + " samples");
}

std::string encodeSfz(const Instrument& instrument, const std::string& samplesFolder)
{
    std::string text = "// " + instrument.name + ", written by Pure Tone\n\n<global>\n"
        + envelopeOpcodes(instrument.envelope);
    for (const auto& zone : instrument.zones) {
        const Take* take = instrument.take(zone.take);
        if (take == nullptr)
            continue;
        const auto prepared = prepareTake(*take);
        const auto [key, rest] = nearestKey(prepared.midi);
        text += "\n<region>\n";
        text += opcode("sample", samplesFolder + "/" + sampleName(*take));
        text += opcode("lokey", zone.lowKey) + opcode("hikey", zone.highKey);
        text += opcode("lovel", zone.lowVelocity) + opcode("hivel", zone.highVelocity);
        text += opcode("pitch_keycenter", key);
        // Whole cents: the format's first version allows no more.
        text += opcode("tune", std::lround(-rest.value));
        if (prepared.loop) {
            text += opcode("loop_mode",
                prepared.mode == LoopMode::untilRelease ? "loop_sustain" : "loop_continuous");
            text += opcode("loop_start", prepared.loop->start.value);
            text += opcode("loop_end", prepared.loop->end.value - 1);
        }
        if (prepared.mode == LoopMode::untilRelease || prepared.mode == LoopMode::oneShot)
            text += opcode("ampeg_release", formatNumber(endlessRelease, 0));
        if (!prepared.loop)
            text +=
                opcode("loop_mode", prepared.mode == LoopMode::oneShot ? "one_shot" : "no_loop");
    }
    return text;
}

namespace {

using Opcodes = std::map<std::string, std::string>;

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
        into[trimmed(line.substr(nameStart, equals - nameStart))] =
            trimmed(line.substr(equals + 1, valueEnd - equals - 1));
        nameStart = valueEnd;
        equals = next;
    }
}

/// Regions with the opcodes of their groups and of the file filled in.
std::vector<Opcodes> readRegions(const std::string& text)
{
    std::vector<Opcodes> regions;
    Opcodes control, global, group, spare;
    Opcodes* target = &spare;
    std::size_t at = 0;
    while (at < text.size()) {
        const auto lineEnd = std::min(text.find('\n', at), text.size());
        std::string line = text.substr(at, lineEnd - at);
        at = lineEnd + 1;
        line = line.substr(0, line.find("//"));
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
                for (const Opcodes* more : {&global, &group})
                    for (const auto& [k, v] : *more)
                        start[k] = v;
                regions.push_back(std::move(start));
                target = &regions.back();
            } else if (kind == "group") {
                group.clear();
                target = &group;
            } else if (kind == "global") {
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

Envelope envelopeIn(const Opcodes& region)
{
    Envelope e;
    e.delay = numberIn(region, "ampeg_delay", 0.0);
    e.attack = numberIn(region, "ampeg_attack", 0.0);
    e.hold = numberIn(region, "ampeg_hold", 0.0);
    e.decay = numberIn(region, "ampeg_decay", 0.0);
    e.sustainDb = toDecibels(numberIn(region, "ampeg_sustain", 100.0) / 100.0).value;
    e.release = numberIn(region, "ampeg_release", 0.005);
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

double midiIn(const Opcodes& region, const Recording& recording)
{
    const auto centre = region.find("pitch_keycenter");
    double midi = 60.0;
    if (centre != region.end() && centre->second == "sample")
        return recording.sampler ? recording.sampler->midi : midi;
    midi = keyIn(region, "pitch_keycenter", 60);
    return midi - numberIn(region, "transpose", 0.0) - numberIn(region, "tune", 0.0) / 100.0;
}

} // namespace

Result<Instrument> readSfz(const std::filesystem::path& path, const Progress& progress)
{
    const auto bytes = readFile(path);
    if (!bytes)
        return tl::unexpected(bytes.error());
    const auto regions = readRegions({reinterpret_cast<const char*>(bytes->data()), bytes->size()});
    Instrument instrument;
    instrument.name = path.stem().string();
    std::map<std::filesystem::path, RecordingPtr> opened;
    for (const auto& region : regions) {
        const auto sample = region.find("sample");
        if (sample == region.end())
            continue;
        const auto prefix = region.find("default_path");
        std::string relative = (prefix == region.end() ? "" : prefix->second) + sample->second;
        std::replace(relative.begin(), relative.end(), '\\', '/');
        const auto file = path.parent_path() / relative;
        auto& recording = opened[file];
        if (!recording) {
            auto read = openRecording(file, progress);
            if (!read)
                return tl::unexpected(Error{read.error().code,
                    shownName(path) + " cannot be opened: " + read.error().message,
                    "Put the samples beside the SFZ file."});
            recording = *read;
        }
        const int id = int(instrument.takes.size()) + 1;
        Take take = finishedTake(id, recording->fileName, recording, midiIn(region, *recording),
            loopIn(region, *recording), modeIn(region));
        const int key = keyIn(region, "key", -1);
        Zone zone{id, id, keyIn(region, "lokey", key < 0 ? 0 : key),
            keyIn(region, "hikey", key < 0 ? 127 : key),
            intIn(numberIn(region, "lovel", 1.0), 0, 127),
            intIn(numberIn(region, "hivel", 127.0), 0, 127)};
        if (instrument.takes.empty())
            instrument.envelope = envelopeIn(region);
        instrument.takes.push_back(std::move(take));
        instrument.zones.push_back(zone);
    }
    if (instrument.takes.empty())
        return fail(ErrorCode::nothingInside, shownName(path) + " names no samples.",
            "Choose another SFZ file.");
    return sanitized(std::move(instrument));
}

} // namespace puretone
