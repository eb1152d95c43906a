// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/project/instrument_file.h"

#include "base/files/safe_file.h"
#include "base/say.h"
#include "formats/formats.h"
#include "model/making/sounds.h"
#include "model/making/take_maker.h"

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

std::vector<BankPreset> presetsIn(const fs::path& path)
{
    if (kindOfFile(path) != FileKind::sf2)
        return {};
    const auto file = OriginalFile::open(path);
    return file ? soundFontPresets(**file) : std::vector<BankPreset>{};
}

namespace {

Result<Instrument> openSoundFont(const fs::path& path, LeftOut* leftOut, std::size_t preset,
    const std::optional<PlayedNote>& only = {})
{
    const auto file = OriginalFile::open(path);
    if (!file)
        return tl::unexpected(file.error());
    return readSoundFont(**file, shownName(path), leftOut, preset, only);
}

} // namespace

Result<Instrument> openForNote(const fs::path& path, const PlayedNote& note)
{
    const auto kind = kindOfFile(path);
    return kind == FileKind::sfz ? readSfz(path, {}, nullptr, note)
        : kind == FileKind::sf2  ? openSoundFont(path, nullptr, 0, note)
                                 : openInstrument(path);
}

Result<Instrument> openInstrument(
    const fs::path& path, const Progress& progress, LeftOut* leftOut, std::size_t preset)
{
    const auto kind = kindOfFile(path);
    if (kind == FileKind::project) {
        auto read = readProject(path, progress.part(0.0, 0.7));
        if (std::error_code ignored; !read && read.error().code == ErrorCode::damaged
            && fs::is_regular_file(formerOf(path), ignored))
            read.error().hint =
                say("The version before it stands beside it: open %1.", shownName(formerOf(path)));
        if (read && !makeSounds(*read, progress.part(0.7, 1.0)))
            return fail(ErrorCode::cancelled, say("Opening %1 was cancelled.", shownName(path)));
        return read;
    }
    if (kind == FileKind::sfz)
        return readSfz(path, progress, leftOut);
    if (kind == FileKind::sf2)
        return openSoundFont(path, leftOut, preset);
    return openSound(path, progress);
}

} // namespace puretone
