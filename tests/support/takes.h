// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "formats/project/instrument_file.h"
#include "model/making/take_maker.h"
#include "support/signals.h"

#include <filesystem>
#include <random>

namespace probe {

/// A take that plays everything it is given, tuned, without loop and fades.
inline puretone::Take plainTake(Audio audio, double midi, const std::string& name = "tone")
{
    using namespace puretone;
    Take take;
    take.id = 1;
    take.name = name;
    take.recording = makeRecording(std::move(audio), name + ".wav");
    take.kept = {Frames{0}, Frames{take.audio().frames()}};
    take.fades = {0.0, 0.0};
    take.tuning = Tuning::forPitch(midi, TuningSource::byHand);
    return take;
}

inline puretone::Take looped(
    puretone::Take take, std::int64_t start, std::int64_t end, std::int64_t fade)
{
    take.loop.on = true;
    take.loop.span = {puretone::Frames{start}, puretone::Frames{end}};
    take.loop.crossfade = puretone::Frames{fade};
    return take;
}

inline puretone::Instrument instrumentOf(puretone::Take take)
{
    auto instrument = puretone::makeInstrument(std::move(take));
    instrument.layers[0].zones.front().lowKey = 0;
    instrument.layers[0].zones.front().highKey = 127;
    return instrument;
}

/// The file that a recording came from.
inline std::vector<std::byte> bytesOf(const puretone::Recording& recording)
{
    std::vector<std::byte> bytes(recording.original->size());
    bytes.resize(recording.original->read(0, bytes));
    return bytes;
}

/// A folder that goes away with everything in it.
class TemporaryFolder {
public:
    TemporaryFolder()
        : path_(std::filesystem::temp_directory_path()
            / ("puretone-test-" + std::to_string(std::random_device()())))
    {
        std::filesystem::create_directories(path_);
    }
    ~TemporaryFolder()
    {
        std::error_code ignored;
        std::filesystem::permissions(path_, std::filesystem::perms::owner_all, ignored);
        std::filesystem::remove_all(path_, ignored);
    }
    TemporaryFolder(const TemporaryFolder&) = delete;
    TemporaryFolder& operator=(const TemporaryFolder&) = delete;
    std::filesystem::path operator/(const std::string& name) const { return path_ / name; }
    const std::filesystem::path& path() const { return path_; }
    /// Names of what is inside, to see that nothing was left behind.
    std::vector<std::string> names() const
    {
        std::vector<std::string> found;
        for (const auto& entry : std::filesystem::directory_iterator(path_))
            found.push_back(entry.path().filename().string());
        std::sort(found.begin(), found.end());
        return found;
    }

private:
    std::filesystem::path path_;
};

} // namespace probe
