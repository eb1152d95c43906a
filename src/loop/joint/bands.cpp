// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/joint/bands.h"

#include <algorithm>

namespace puretone {

std::vector<float> smoothed(const std::vector<float>& x, std::size_t width)
{
    const auto n = std::ptrdiff_t(x.size()), half = std::ptrdiff_t(width / 2);
    std::vector<float> out(x.size());
    const auto at = [&](std::ptrdiff_t i) {
        return double(x[std::size_t(std::clamp<std::ptrdiff_t>(i, 0, n - 1))]);
    };
    double sum = 0.0;
    for (auto i = -half; i <= half; ++i)
        sum += at(i);
    for (std::ptrdiff_t i = 0; i < n; ++i) {
        out[std::size_t(i)] = float(sum / double(width));
        sum += at(i + half + 1) - at(i - half);
    }
    return out;
}

Bands splitBands(const std::vector<std::vector<float>>& whole, double rate)
{
    constexpr std::array<double, bandCount - 1> borders = {900.0, 3600.0};
    Bands bands;
    for (const auto& channel : whole) {
        std::vector<float> below(channel.size(), 0.0f);
        for (std::size_t b = 0; b < bandCount; ++b) {
            auto upTo = channel;
            if (b < borders.size()) {
                // Two running means fall by 3 dB at 0.32 rate / width.
                const auto width = std::size_t(0.32 * rate / borders[b]) | 1U;
                upTo = smoothed(smoothed(channel, width), width);
            }
            std::vector<float> band(channel.size());
            for (std::size_t i = 0; i < band.size(); ++i)
                band[i] = upTo[i] - below[i];
            bands[b].push_back(std::move(band));
            below = std::move(upTo);
        }
    }
    return bands;
}

} // namespace puretone
