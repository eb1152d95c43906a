// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/files/safe_file.h"
#include "base/say.h"
#include "base/threads/all_cores.h"
#include "engine/offline/print.h"
#include "formats/export/export_names.h"
#include "formats/export/own_lengths.h"
#include "formats/formats.h"
#include "formats/midi/played.h"

#include <cassert>
#include <map>
#include <set>

namespace puretone {

namespace fs = std::filesystem;

ExportChoices usualChoices(FileKind kind)
{
    ExportChoices choices;
    if (kind == FileKind::sf2)
        choices.sound.depth = Depth::bits16;
    return choices;
}

ExportChoices possible(ExportChoices choices, FileKind kind)
{
    const bool whole = kind == FileKind::sf2 || (kind == FileKind::sfz && choices.flac);
    if (whole && choices.sound.depth == Depth::floating)
        choices.sound.depth = Depth::bits24;
    return choices;
}

std::vector<std::byte> encodeTakeWav(const PreparedTake& prepared, SampleFormat format)
{
    return encodeWav(prepared.audio, format, samplerOf(prepared));
}

SamplerInfo samplerOf(const PreparedTake& prepared)
{
    SamplerInfo sampler;
    sampler.midi = prepared.midi;
    if (prepared.loop)
        sampler.loops.push_back({*prepared.loop, 0});
    return sampler;
}

std::string cancelledWriting()
{
    return say("Writing was cancelled.");
}

Error checkFailed(const fs::path& path, const std::string& what)
{
    return {ErrorCode::checkFailed,
        say("%1 was written, but reading it back gave another result: %2 differs.", shownName(path),
            what),
        say("Try again, or write to another disk.")};
}

namespace {

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
    return loops == 0 ? say("tuning") : say("tuning and loop");
}

Result<Written> writeProjectFile(Instrument instrument, const fs::path& path)
{
    std::map<RecordingPtr, RecordingPtr> savables;
    const auto save = [&](RecordingRef& recording) {
        auto& known = savables[recording.pointer()];
        if (!known)
            known = savable(recording.pointer());
        recording = known;
    };
    for (auto& take : instrument.takes)
        save(take.recording);
    for (auto& effect : instrument.effects)
        if (effect.impulse.pointer())
            save(effect.impulse);
    const auto done = writeWhole(
        path, [&](const fs::path& temporary) { return writeProject(instrument, temporary); },
        [&](const fs::path& temporary) -> Result<void> {
            const auto again = readProject(temporary);
            if (!again)
                return tl::unexpected(checkFailed(path, say("the archive")));
            if (!(*again == instrument))
                return tl::unexpected(checkFailed(path, say("the instrument")));
            keepFormer(path);
            return {};
        });
    if (!done)
        return tl::unexpected(done.error());
    Written written;
    count(written, path);
    written.checked = say("Read back: the same instrument, and every recording byte for byte.");
    return written;
}

/// The finished sample of one take, compared with what comes back.
Result<void> writeCheckedSample(FilesTogether& files, const PreparedTake& prepared,
    const fs::path& path, const ExportChoices& choices)
{
    const bool flac = path.extension() == ".flac";
    const auto format = formatOf(choices.sound.depth);
    return files.write(
        path,
        [&](const fs::path& temporary) {
            return flac ? writeFlac(temporary, prepared.audio, format)
                        : writeBytes(temporary, encodeTakeWav(prepared, format));
        },
        [&](const fs::path& temporary) -> Result<void> {
            const auto again = openRecording(temporary);
            if (!again || (!flac && !(*again)->sampler))
                return tl::unexpected(checkFailed(path, say("the file")));
            if (!flac) {
                const SamplerInfo& sampler = *(*again)->sampler;
                const auto loop =
                    sampler.loops.empty() ? std::nullopt : std::optional(sampler.loops[0].span);
                if (loop != prepared.loop)
                    return tl::unexpected(checkFailed(path, say("the loop")));
                if (std::abs(sampler.midi - prepared.midi) > 1e-4)
                    return tl::unexpected(checkFailed(path, say("the tuning")));
            }
            if (const auto what =
                    compareAudio(prepared.audio, *(*again)->audio, bitsOf(choices.sound.depth));
                !what.empty())
                return tl::unexpected(checkFailed(path, what));
            return {};
        });
}

/// A take alone, on all keys, beside the file that was made of it.
Played playAlone(const Take& take, const fs::path& file)
{
    Instrument alone;
    alone.takes = {take};
    alone.layers.front().zones = {{1, take.id, 0, 127, 1, 127}};
    return comparePlayed(sanitized(std::move(alone)), file);
}

void tellPlayed(Written& written, const Played& played)
{
    written.checked += " " + describe(played);
    written.trouble = troubleOf(played);
}

Result<Written> writeWavFile(
    const Instrument& instrument, const fs::path& path, const ExportChoices& choices)
{
    const auto prepared = conform(prepareTake(instrument.takes.front()), choices.sound);
    FilesTogether files;
    auto done = writeCheckedSample(files, prepared, path, choices);
    if (done)
        done = files.keep();
    if (!done)
        return tl::unexpected(done.error());
    Written written;
    count(written, path);
    written.checked = say("Read back: every frame within one step of %1 bits; %2 as set.",
        bitsOf(choices.sound.depth), loopWords(instrument));
    tellPlayed(written, playAlone(instrument.takes.front(), path));
    return written;
}

/// What a region plays, as it is to be written.
PreparedTake finishedSample(const Region& region, const ExportChoices& choices)
{
    return conform(prepareTake(playedBy(*region.take, region.onRelease())), choices.sound);
}

Result<Written> writeSfzFiles(const Instrument& instrument, const fs::path& path,
    const ExportChoices& choices, const Progress& progress)
{
    const auto folder = sfzFolder(path);
    FilesTogether files;
    if (const auto made = files.makeFolder(folder); !made)
        return tl::unexpected(made.error());
    Written written;
    // Each sample is made when its turn comes, and forgotten: their sum may be larger than memory.
    const auto regions = flatten(instrument, FileKind::sfz, Prepares::plans, choices.sound);
    const char* ending = choices.flac ? ".flac" : ".wav";
    const auto text = encodeSfz(instrument.name, regions, folder.filename().string(), ending);
    std::vector<std::pair<std::string, const Region*>> samples;
    std::set<std::string> known;
    for (const auto& region : regions)
        if (const auto name = sampleName(region, ending); known.insert(name).second)
            samples.emplace_back(name, &region);
    const auto sampled = tryOnAllCores(
        samples.size(), cancelledWriting(), progress, [&](std::size_t i) -> Result<void> {
            return writeCheckedSample(files, finishedSample(*samples[i].second, choices),
                folder / samples[i].first, choices);
        });
    if (!sampled)
        return tl::unexpected(sampled.error());
    // The text comes last, and is compared with samples that wait as it does: whatever stood here
    // before stays as it was until all is right.
    const auto done = files.write(
        path,
        [&](const fs::path& temporary) {
            return writeBytes(temporary, std::as_bytes(std::span(text)));
        },
        [&](const fs::path& temporary) -> Result<void> {
            const auto again = readSfz(temporary, {}, nullptr, {},
                [&files](const fs::path& sample) { return files.waiting(sample); });
            if (!again)
                return tl::unexpected(checkFailed(path, say("the text")));
            // Half a cent is what whole cents round to. The samples have been compared already.
            const auto what = difference(regions, flatten(*again, FileKind::sfz, Prepares::nothing),
                {bitsOf(choices.sound.depth), 0.501, 0.01, true});
            if (!what.empty())
                return tl::unexpected(checkFailed(path, what));
            return {};
        });
    if (!done)
        return tl::unexpected(done.error());
    if (const auto kept = files.keep(); !kept)
        return tl::unexpected(kept.error());
    count(written, path);
    for (const auto& [name, region] : samples)
        count(written, folder / name);
    written.checked =
        say("Read back with its samples: key range, %1 and sound as set.", loopWords(instrument));
    return written;
}

Result<Written> writeSoundFontFile(const Instrument& instrument, const fs::path& path,
    const ExportChoices& choices, const Progress& progress)
{
    constexpr std::uint64_t most = 0xfff00000U; // sizes have 32 bits
    auto regions = flatten(instrument, FileKind::sf2, Prepares::plans, choices.sound);
    if (regions.empty())
        return fail(ErrorCode::badValue,
            say("%1 was not written: no layer sounds when a key is pressed.", shownName(path)),
            say("Write SFZ, or switch such a layer on."));
    const auto size = soundFontSize(instrument.name, regions, choices.sound.depth);
    if (!size.fits)
        return fail(ErrorCode::badValue,
            say("%1 was not written: a SoundFont has no room for so many zones (%2).",
                shownName(path), regions.size()),
            say("Write SFZ, or take zones away."));
    if (size.bytes > most)
        return fail(ErrorCode::badValue,
            say("%1 would be larger than the four gigabytes that a SoundFont may have.",
                shownName(path)),
            say("Loop or shorten the takes, or write SFZ."));
    // What is compared, too: the loudest region stands at full level, others below it.
    const double loudest = loudestDb(regions);
    for (auto& region : regions)
        region.levelDb -= loudest;
    const int bits = bitsOf(choices.sound.depth);
    const auto done = writeWhole(
        path,
        [&](const fs::path& temporary) {
            return writeSoundFont(
                temporary, instrument.name, regions, choices.sound.depth,
                [&](const Region& region) { return finishedSample(region, choices); }, progress);
        },
        [&](const fs::path& temporary) -> Result<void> {
            const auto again = openInstrument(temporary);
            if (!again)
                return tl::unexpected(checkFailed(path, say("the bank")));
            // Levels are whole tenths of a dB, below the loudest region.
            const auto what = difference(regions, flatten(*again, FileKind::sf2, Prepares::nothing),
                {bits, 0.501, 0.06, false});
            if (!what.empty())
                return tl::unexpected(checkFailed(path, what));
            return {};
        });
    if (!done)
        return tl::unexpected(done.error());
    Written written;
    count(written, path);
    written.checked =
        say("Read back: key range, %1 as set, every frame within one step of %2 bits.",
            loopWords(instrument), bits);
    return written;
}

/// What a key sounds like as a sample of its own.
PreparedTake keySample(Audio audio, int key)
{
    PreparedTake sample;
    sample.frames = audio.frames();
    sample.audio = std::move(audio);
    sample.midi = key;
    return sample;
}

Result<Written> writeKeys(FilesTogether& files, const Instrument& instrument,
    const fs::path& folder, const ExportChoices& choices, const Progress& progress)
{
    std::vector<fs::path> names;
    const auto plans = plansOf(instrument, keysOf(instrument, choices));
    for (std::size_t i = 0; i < plans.size(); ++i) {
        const auto name = folder / keyFileName(plans[i].key);
        const auto audio = printAudio(instrument, planPrint(instrument, plans[i]),
            choices.sound.rate.value_or(48000.0),
            progress.part(double(i) / double(plans.size()), double(i + 1) / double(plans.size())));
        if (!audio) {
            if (audio.error().code == ErrorCode::nothingInside)
                continue; // a key that is silent
            return tl::unexpected(audio.error());
        }
        const auto sample = conform(keySample(*audio, plans[i].key), choices.sound);
        if (const auto done = writeCheckedSample(files, sample, name, choices); !done)
            return tl::unexpected(done.error());
        names.push_back(name);
    }
    if (names.empty())
        return fail(ErrorCode::nothingInside, say("No key sounds: nothing was written."),
            say("Switch a layer on."));
    if (const auto kept = files.keep(); !kept)
        return tl::unexpected(kept.error());
    Written written;
    for (const auto& name : names)
        count(written, name);
    written.checked = say(
        "Read back: %1 keys as they sound here, each with its note inside.", written.files.size());
    return written;
}

} // namespace

Result<Written> writeWavSet(const Instrument& instrument, const fs::path& folder,
    const ExportChoices& choices, const Progress& progress, std::vector<std::string> names)
{
    if (instrument.takes.empty())
        return fail(ErrorCode::badValue,
            say("%1 was not written: the instrument has no take yet.", shownName(folder)),
            say("Open a recording first."));
    FilesTogether files;
    if (const auto made = files.makeFolder(folder); !made)
        return tl::unexpected(made.error());
    if (choices.keyStep > 0)
        return writeKeys(files, instrument, folder, choices, progress);
    Written written;
    Played played;
    // Spread over all of them, where there are many.
    constexpr std::size_t mostPlayed = 16;
    const auto every = (instrument.takes.size() + mostPlayed - 1) / mostPlayed;
    if (names.empty())
        names = takeFileNames(instrument);
    assert(names.size() == instrument.takes.size());
    const auto sampled = tryOnAllCores(
        names.size(), cancelledWriting(), progress.part(0.0, 0.9), [&](std::size_t i) {
            return writeCheckedSample(files,
                conform(prepareTake(instrument.takes[i]), choices.sound), folder / names[i],
                choices);
        });
    if (!sampled)
        return tl::unexpected(sampled.error());
    if (const auto kept = files.keep(); !kept)
        return tl::unexpected(kept.error());
    for (std::size_t i = 0; i < names.size(); ++i) {
        count(written, folder / names[i]);
        if (i % every == 0)
            played.add(playAlone(instrument.takes[i], folder / names[i]));
    }
    written.checked = names.size() == 1
        ? say("Read back: every frame of 1 take within one step of %1 bits; %2 as set.",
            bitsOf(choices.sound.depth), loopWords(instrument))
        : say("Read back: every frame of %1 takes within one step of %2 bits; %3 as set.",
            names.size(), bitsOf(choices.sound.depth), loopWords(instrument));
    tellPlayed(written, played);
    return written;
}

Result<Written> writeInstrument(const Instrument& instrument, const fs::path& path,
    const std::optional<ExportChoices>& wished, const Progress& progress)
{
    const auto kind = kindOfFile(path);
    if (!kind)
        return fail(ErrorCode::badValue,
            say("%1 has an ending that Pure Tone does not write.", shownName(path)),
            say("Use .puretone, .wav, .sfz or .sf2."));
    if (instrument.takes.empty() && *kind != FileKind::project)
        return fail(ErrorCode::badValue,
            say("%1 was not written: the instrument has no take yet.", shownName(path)),
            say("Open a recording first."));
    const auto choices = possible(wished.value_or(usualChoices(*kind)), *kind);
    if (*kind == FileKind::project)
        return writeProjectFile(instrument, path);
    if (*kind == FileKind::wav)
        return writeWavFile(instrument, path, choices);
    const auto own = withOwnLengths(instrument, progress.part(0.0, 0.3));
    if (own.takes.empty())
        return fail(ErrorCode::cancelled, cancelledWriting());
    auto written = *kind == FileKind::sfz
        ? writeSfzFiles(own, path, choices, progress.part(0.3, 0.9))
        : writeSoundFontFile(own, path, choices, progress.part(0.3, 0.9));
    if (written)
        tellPlayed(*written, comparePlayed(instrument, path));
    return written;
}

} // namespace puretone
