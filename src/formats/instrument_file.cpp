// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/instrument_file.h"

#include "base/quantity.h"
#include "base/safe_file.h"
#include "formats/formats.h"
#include "formats/own_lengths.h"
#include "model/sounds.h"
#include "model/take_maker.h"

#include <map>
#include <set>

namespace puretone {

namespace fs = std::filesystem;

std::optional<FileKind> kindOfFile(const fs::path& path)
{
    std::string extension = path.extension().string();
    for (char& c : extension)
        c = char(std::tolower(static_cast<unsigned char>(c)));
    if (extension == ".puretone" || extension == ".puretone~")
        return FileKind::project;
    if (extension == ".wav")
        return FileKind::wav;
    if (extension == ".sfz")
        return FileKind::sfz;
    if (extension == ".sf2")
        return FileKind::sf2;
    return std::nullopt;
}

const char* describe(FileKind kind)
{
    switch (kind) {
    case FileKind::project:
        return "instrument with its audio inside";
    case FileKind::wav:
        return "WAV with root, tuning and loop";
    case FileKind::sfz:
        return "SFZ text with its WAV";
    case FileKind::sf2:
        break;
    }
    return "SoundFont 2, 16 bit";
}

std::vector<std::byte> encodeTakeWav(const PreparedTake& prepared, SampleFormat format)
{
    SamplerInfo sampler;
    sampler.midi = prepared.midi;
    if (prepared.loop)
        sampler.loops.push_back({*prepared.loop, 0});
    return encodeWav(prepared.audio, format, sampler);
}

namespace {

constexpr SampleFormat wavFormat = SampleFormat::int24;
constexpr int wavBits = 24;

Error checkFailed(const fs::path& path, const std::string& what)
{
    return {ErrorCode::checkFailed,
        shownName(path) + " was written, but reading it back gave another result: " + what
            + " differs.",
        "Try again, or write to another disk."};
}

/// Counts files and bytes on disk.
void count(Written& written, const fs::path& path)
{
    std::error_code ignored;
    written.files.push_back(path);
    written.bytes += fs::file_size(path, ignored);
}

std::string loopWords(const Instrument& instrument)
{
    const auto loops = std::count_if(instrument.takes.begin(), instrument.takes.end(),
        [](const Take& t) { return t.loop.repeats(); });
    return loops == 0 ? "tuning" : "tuning and loop";
}

Result<Written> writeProjectFile(Instrument instrument, const fs::path& path)
{
    std::map<RecordingPtr, RecordingPtr> savables;
    for (auto& take : instrument.takes) {
        auto& known = savables[take.recording.pointer()];
        if (!known)
            known = savable(take.recording.pointer());
        take.recording = known;
    }
    const auto done = writeWhole(
        path, [&](const fs::path& temporary) { return writeProject(instrument, temporary); },
        [&](const fs::path& temporary) -> Result<void> {
            const auto again = readProject(temporary);
            if (!again)
                return tl::unexpected(checkFailed(path, "the archive"));
            if (!(*again == instrument))
                return tl::unexpected(checkFailed(path, "the instrument"));
            keepFormer(path);
            return {};
        });
    if (!done)
        return tl::unexpected(done.error());
    Written written;
    count(written, path);
    written.checked = "Read back: the same instrument, and every recording byte for byte.";
    return written;
}

/// The finished sample of one take, compared with what comes back.
Result<void> writeCheckedWav(const PreparedTake& prepared, const fs::path& path)
{
    const auto bytes = encodeTakeWav(prepared, wavFormat);
    return writeWhole(
        path, [&](const fs::path& temporary) { return writeBytes(temporary, bytes); },
        [&](const fs::path& temporary) -> Result<void> {
            const auto again = openRecording(temporary);
            if (!again || !(*again)->sampler)
                return tl::unexpected(checkFailed(path, "the file"));
            const SamplerInfo& sampler = *(*again)->sampler;
            const auto loop =
                sampler.loops.empty() ? std::nullopt : std::optional(sampler.loops[0].span);
            if (loop != prepared.loop)
                return tl::unexpected(checkFailed(path, "the loop"));
            if (std::abs(sampler.midi - prepared.midi) > 1e-4)
                return tl::unexpected(checkFailed(path, "the tuning"));
            if (const auto what = compareAudio(prepared.audio, *(*again)->audio, wavBits);
                !what.empty())
                return tl::unexpected(checkFailed(path, what));
            return {};
        });
}

Result<Written> writeWavFile(const Instrument& instrument, const fs::path& path)
{
    if (const auto done = writeCheckedWav(prepareTake(instrument.takes.front()), path); !done)
        return tl::unexpected(done.error());
    Written written;
    count(written, path);
    written.checked =
        "Read back: every frame within one step of 24 bits; " + loopWords(instrument) + " as set.";
    return written;
}

Result<Written> writeSfzFiles(const Instrument& instrument, const fs::path& path)
{
    const auto folder = sfzFolder(path);
    std::error_code error;
    fs::create_directories(folder, error);
    if (error)
        return fail(ErrorCode::cannotWrite,
            "The folder " + shownName(folder) + " could not be made: " + error.message() + ".",
            "Choose another folder.");
    Written written;
    const auto regions = flatten(instrument, FileKind::sfz);
    const auto text = encodeSfz(instrument.name, regions, folder.filename().string());
    std::set<std::string> samples;
    for (const auto& region : regions) {
        const auto name = sampleName(region);
        if (!samples.insert(name).second)
            continue;
        if (const auto done = writeCheckedWav(*region.prepared, folder / name); !done)
            return tl::unexpected(done.error());
    }
    const auto done = writeWhole(
        path,
        [&](const fs::path& temporary) {
            return writeBytes(temporary, std::as_bytes(std::span(text)));
        },
        [&](const fs::path& temporary) -> Result<void> {
            const auto again = readSfz(temporary);
            if (!again)
                return tl::unexpected(checkFailed(path, "the text"));
            // Half a cent is what whole cents round to.
            const auto what = difference(
                regions, flatten(*again, FileKind::sfz, false), {wavBits, 0.501, 0.01, true});
            if (!what.empty())
                return tl::unexpected(checkFailed(path, what));
            return {};
        });
    if (!done)
        return tl::unexpected(done.error());
    count(written, path);
    for (const auto& name : samples)
        count(written, folder / name);
    written.checked =
        "Read back with its samples: key range, " + loopWords(instrument) + " and sound as set.";
    return written;
}

Result<Written> writeSoundFontFile(const Instrument& instrument, const fs::path& path)
{
    constexpr std::uint64_t most = 0xfff00000U; // sizes have 32 bits
    if (estimateBytes(instrument, FileKind::sf2) > most)
        return fail(ErrorCode::badValue,
            shownName(path) + " would be larger than the four gigabytes that a SoundFont may have.",
            "Loop or shorten the takes, or write SFZ.");
    auto regions = flatten(instrument, FileKind::sf2);
    if (regions.empty())
        return fail(ErrorCode::badValue,
            shownName(path) + " was not written: no layer sounds when a key is pressed.",
            "Write SFZ, or switch such a layer on.");
    const auto bytes = encodeSoundFont(instrument.name, regions);
    // What is compared, too: the loudest region stands at full level, others below it.
    const double loudest = loudestDb(regions);
    for (auto& region : regions)
        region.levelDb -= loudest;
    const auto done = writeWhole(
        path, [&](const fs::path& temporary) { return writeBytes(temporary, bytes); },
        [&](const fs::path& temporary) -> Result<void> {
            const auto read = readFile(temporary);
            if (!read)
                return tl::unexpected(read.error());
            const auto again = decodeSoundFont(*read, shownName(path));
            if (!again)
                return tl::unexpected(checkFailed(path, "the bank"));
            // Levels are whole tenths of a dB, below the loudest region.
            const auto what = difference(
                regions, flatten(*again, FileKind::sf2, false), {16, 0.501, 0.06, false});
            if (!what.empty())
                return tl::unexpected(checkFailed(path, what));
            return {};
        });
    if (!done)
        return tl::unexpected(done.error());
    Written written;
    count(written, path);
    written.checked = "Read back: key range, " + loopWords(instrument)
        + " as set, every frame within one step of 16 bits.";
    return written;
}

} // namespace

Result<Written> writeInstrument(const Instrument& instrument, const fs::path& path)
{
    const auto kind = kindOfFile(path);
    if (!kind)
        return fail(ErrorCode::badValue,
            shownName(path) + " has an ending that Pure Tone does not write.",
            "Use .puretone, .wav, .sfz or .sf2.");
    if (instrument.takes.empty() && *kind != FileKind::project)
        return fail(ErrorCode::badValue,
            shownName(path) + " was not written: the instrument has no take yet.",
            "Open a recording first.");
    switch (*kind) {
    case FileKind::project:
        return writeProjectFile(instrument, path);
    case FileKind::wav:
        return writeWavFile(instrument, path);
    case FileKind::sfz:
        return writeSfzFiles(withOwnLengths(instrument), path);
    case FileKind::sf2:
        break;
    }
    return writeSoundFontFile(withOwnLengths(instrument), path);
}

namespace {

/// A WAV that brings its own root is an instrument already; other sound has to be listened to.
Result<Instrument> openSound(const fs::path& path, const Progress& progress)
{
    const auto recording = openRecording(path, progress.part(0.0, 0.2));
    if (!recording)
        return tl::unexpected(recording.error());
    if (const std::optional<SamplerInfo>& sampler = (*recording)->sampler) {
        Instrument instrument;
        instrument.name = nameFromFile((*recording)->fileName);
        instrument.takes = {finishedTake(1, instrument.name, *recording, sampler->midi,
            sampler->loops.empty() ? std::nullopt : std::optional(sampler->loops[0].span),
            sampler->loops.empty() ? LoopMode::forward : loopModeOf(sampler->loops[0]))};
        instrument.layers.front().zones = {{1, 1, 0, 127, 1, 127}};
        return sanitized(std::move(instrument));
    }
    auto take = makeTake(*recording, {}, progress.part(0.2, 1.0));
    if (!take)
        return tl::unexpected(take.error());
    return makeInstrument(std::move(*take));
}

} // namespace

Result<Instrument> openInstrument(const fs::path& path, const Progress& progress, LeftOut* leftOut)
{
    const auto kind = kindOfFile(path);
    if (kind == FileKind::project) {
        auto read = readProject(path, progress.part(0.0, 0.7));
        if (std::error_code ignored; !read && read.error().code == ErrorCode::damaged
            && fs::is_regular_file(formerOf(path), ignored))
            read.error().hint =
                "The version before it stands beside it: open " + shownName(formerOf(path)) + ".";
        if (read && !makeSounds(*read, progress.part(0.7, 1.0)))
            return fail(ErrorCode::cancelled, "Opening " + shownName(path) + " was cancelled.");
        return read;
    }
    if (kind == FileKind::sfz)
        return readSfz(path, progress, leftOut);
    if (kind == FileKind::sf2) {
        const auto bytes = readFile(path);
        if (!bytes)
            return tl::unexpected(bytes.error());
        return decodeSoundFont(*bytes, shownName(path), leftOut);
    }
    return openSound(path, progress);
}

std::uint64_t estimateBytes(const Instrument& instrument, FileKind kind)
{
    std::uint64_t bytes = kind == FileKind::sfz ? 600 : kind == FileKind::sf2 ? 1200 : 2000;
    for (const auto& take : instrument.takes) {
        const auto frames = preparedFrames(take);
        const auto samples = std::uint64_t(std::max<std::int64_t>(0, frames))
            * std::min<std::size_t>(2, take.audio().channelCount());
        if (kind == FileKind::project)
            bytes += take.recording->original->size();
        else
            bytes += samples * (kind == FileKind::sf2 ? 2 : 3) + 150;
        if (kind == FileKind::wav)
            break;
    }
    if (kind == FileKind::sfz || kind == FileKind::sf2)
        bytes += ownLengthBytes(instrument, kind == FileKind::sf2 ? 2 : 3);
    return bytes;
}

} // namespace puretone
