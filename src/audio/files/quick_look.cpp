// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/files/quick_look.h"

#include <algorithm>
#include <sndfile.hh>

namespace puretone {

std::optional<QuickLook> quickLook(const std::filesystem::path& path, std::size_t columns)
{
    constexpr double longestSeconds = 60.0;
    constexpr int mostChannels = 64;
    SndfileHandle file(path.string());
    if (file.error() != 0 || file.samplerate() <= 0 || file.channels() <= 0
        || file.channels() > mostChannels || file.frames() <= 0 || columns == 0)
        return std::nullopt;
    QuickLook look;
    look.seconds = double(file.frames()) / file.samplerate();
    const auto shown =
        std::min<std::int64_t>(file.frames(), std::int64_t(longestSeconds * file.samplerate()));
    look.columns.assign(columns, Extent{});
    constexpr std::int64_t block = 4096;
    std::vector<float> samples(std::size_t(block * file.channels()));
    std::int64_t at = 0;
    while (at < shown) {
        const auto got = file.readf(samples.data(), std::min(block, shown - at));
        if (got <= 0)
            break; // it ends before its header says
        for (std::int64_t i = 0; i < got; ++i) {
            auto& column = look.columns[std::size_t((at + i) * std::int64_t(columns) / shown)];
            for (int c = 0; c < file.channels(); ++c) {
                const float x =
                    std::clamp(samples[std::size_t(i * file.channels() + c)], -1.0f, 1.0f);
                column.low = std::min(column.low, x);
                column.high = std::max(column.high, x);
            }
        }
        at += got;
    }
    return look;
}

} // namespace puretone
