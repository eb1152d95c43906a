// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/threads/progress.h"

#include <filesystem>
#include <mutex>

namespace puretone {

/// Sounds whose pitch was moved (see shiftPitch), kept on disk by what they were made from, so that
/// an instrument that is opened again need not wait for them. A cache: files that are lost or
/// damaged are made again, and those that were used longest ago go.
class MovedFiles {
public:
    /// @param folder Made where it is missing; where that fails nothing is kept.
    explicit MovedFiles(std::filesystem::path folder, std::uint64_t mostBytes = 1ULL << 30U);

    /// From any thread. @return As shiftPitch.
    AudioPtr moved(
        const Audio& audio, double semitones, bool keepsFormants, const Progress& progress = {});

private:
    void makeRoom();

    std::filesystem::path folder_;
    std::uint64_t mostBytes_;
    std::mutex tidying_;
    std::uint64_t sinceTidied_ = 0;
};

} // namespace puretone
