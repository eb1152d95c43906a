// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/export/export_names.h"
#include "formats/export/own_lengths.h"
#include "formats/formats.h"

#include <set>

namespace puretone {

namespace fs = std::filesystem;

namespace {

int sampleBytes(const ExportChoices& choices)
{
    return bitsOf(choices.sound.depth) / 8;
}

PlannedFile plannedSample(
    const PreparedTake& planned, const fs::path& path, const ExportChoices& choices)
{
    const auto channels = planned.audio.channelCount();
    const auto data =
        std::uint64_t(planned.frames) * channels * std::uint64_t(sampleBytes(choices));
    if (path.extension() == ".flac") {
        // A guess: what plain recordings come to.
        return {path, std::uint64_t(0.6 * double(data)), false};
    }
    const auto head = wavHead({channels, planned.audio.rate, std::uint64_t(planned.frames)},
        formatOf(choices.sound.depth), samplerOf(planned));
    return {path, head.size() + data + data % 2, true};
}

std::vector<PlannedFile> plannedSfz(
    const Instrument& instrument, const fs::path& path, const ExportChoices& choices)
{
    const auto folder = sfzFolder(path);
    const auto regions = flatten(instrument, FileKind::sfz, Prepares::plans, choices.sound);
    const char* ending = choices.flac ? ".flac" : ".wav";
    const bool exact = ownLengths(instrument) == 0;
    std::vector<PlannedFile> files{{path,
        encodeSfz(instrument.name, regions, folder.filename().string(), ending).size(), exact}};
    std::set<std::string> known;
    for (const auto& region : regions)
        if (const auto name = sampleName(region, ending); known.insert(name).second)
            files.push_back(plannedSample(*region.prepared, folder / name, choices));
    if (!exact)
        files.push_back(
            {folder, ownLengthBytes(instrument, std::uint64_t(sampleBytes(choices))), false});
    return files;
}

std::vector<PlannedFile> plannedSoundFont(
    const Instrument& instrument, const fs::path& path, const ExportChoices& choices)
{
    const auto regions = flatten(instrument, FileKind::sf2, Prepares::plans, choices.sound);
    if (regions.empty())
        return {};
    const auto own = ownLengthBytes(instrument, std::uint64_t(sampleBytes(choices)));
    return {
        {path, soundFontSize(instrument.name, regions, choices.sound.depth).bytes + own, own == 0}};
}

} // namespace

std::vector<PlannedFile> plannedFiles(
    const Instrument& instrument, const fs::path& path, const std::optional<ExportChoices>& wished)
{
    const auto kind = kindOfFile(path);
    if (!kind)
        return {};
    if (*kind == FileKind::project)
        return {{path, projectBytes(instrument), true}};
    if (instrument.takes.empty())
        return {};
    const auto choices = possible(wished.value_or(usualChoices(*kind)), *kind);
    switch (*kind) {
    case FileKind::sfz:
        return plannedSfz(instrument, path, choices);
    case FileKind::sf2:
        return plannedSoundFont(instrument, path, choices);
    default:
        return {plannedSample(
            conformPlan(planTake(instrument.takes.front()), choices.sound), path, choices)};
    }
}

std::vector<PlannedFile> plannedWavSet(
    const Instrument& instrument, const fs::path& folder, const ExportChoices& choices)
{
    std::vector<PlannedFile> files;
    if (choices.keyStep > 0) {
        // As long as a key is held; how long it rings on only playing it tells.
        const auto many = keysOf(instrument, choices);
        const double rate = choices.sound.rate.value_or(48000.0);
        const auto frames = std::uint64_t(many.plan.heldSeconds * rate);
        for (const auto& plan : plansOf(instrument, many))
            files.push_back({folder / keyFileName(plan.key),
                frames * (choices.sound.mono ? 1U : 2U) * std::uint64_t(sampleBytes(choices)),
                false});
        return files;
    }
    const auto names = takeFileNames(instrument);
    for (std::size_t i = 0; i < names.size(); ++i)
        files.push_back(plannedSample(
            conformPlan(planTake(instrument.takes[i]), choices.sound), folder / names[i], choices));
    return files;
}

std::uint64_t totalBytes(const std::vector<PlannedFile>& files)
{
    std::uint64_t bytes = 0;
    for (const auto& file : files)
        bytes += file.bytes;
    return bytes;
}

} // namespace puretone
