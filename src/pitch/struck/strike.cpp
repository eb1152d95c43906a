// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/struck/strike.h"

#include "audio/level.h"

#include <algorithm>
#include <vector>

namespace puretone {

namespace {

constexpr double heardSeconds = 1.5;

/// Where the sound is first nearly as loud as it gets.
std::size_t findStrike(std::span<const float> mono, double rate)
{
    const auto block = std::max<std::size_t>(1, std::size_t(0.010 * rate));
    std::vector<double> power;
    for (std::size_t from = 0; from < mono.size(); from += block)
        power.push_back(meanSquare(mono.subspan(from, std::min(block, mono.size() - from))));
    const double top = *std::max_element(power.begin(), power.end());
    const auto struck =
        std::find_if(power.begin(), power.end(), [&](double p) { return p >= 0.316 * top; });
    return std::size_t(struck - power.begin()) * block;
}

} // namespace

std::span<const float> afterStrike(std::span<const float> mono, double rate)
{
    if (mono.empty())
        return mono;
    const auto rest = mono.subspan(findStrike(mono, rate));
    const auto ring = rest.subspan(std::min(std::size_t(0.025 * rate), rest.size() / 8));
    return ring.first(std::min(ring.size(), std::size_t(heardSeconds * rate)));
}

} // namespace puretone
