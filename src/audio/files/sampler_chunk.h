// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/files/original_file.h"
#include "base/units.h"

#include <cstddef>
#include <optional>
#include <span>
#include <vector>

namespace puretone {

/// What the `smpl` chunk of a RIFF WAVE file says (Microsoft and IBM, "Multimedia Programming
/// Interface and Data Specifications 1.0", 1991, and its 1994 addendum).
struct SamplerInfo {
    double midi = 60.0; ///< Sounding pitch: unity note plus pitch fraction, 0 to 128.
    struct Loop {
        Span span; ///< Half open; the chunk itself stores the last frame inside.
        int type = 0; ///< 0 forward, 1 alternating, 2 backward.
        bool operator==(const Loop&) const = default;
    };
    std::vector<Loop> loops;
    bool operator==(const SamplerInfo&) const = default;
};

/// The body of a `smpl` chunk (without its eight-byte head).
std::vector<std::byte> encodeSampler(const SamplerInfo& info, double rate);
/// Reads the body; nothing when it is shorter than it claims to be.
std::optional<SamplerInfo> decodeSampler(std::span<const std::byte> body);
/// Finds and reads the `smpl` chunk of a WAV file.
std::optional<SamplerInfo> findSampler(const OriginalFile& file);
/// Whether the `data` chunk claims more than the file holds: true for a file that was cut off.
bool isCutOff(const OriginalFile& file);

} // namespace puretone
