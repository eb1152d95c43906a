// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/kept_part.h"

#include "audio/level.h"
#include "audio/signal/crossing.h"
#include "base/say.h"

#include <algorithm>

namespace puretone {

namespace {

constexpr double silentDb = -90.0;
constexpr double depthDb = 60.0; ///< Below the peak nothing is heard beside what follows it.

std::vector<double> levelsDb(const Audio& audio, Span span, double windowSeconds, std::int64_t hop)
{
    auto curve = powerCurve(
        audio, span, std::max<std::int64_t>(1, std::llround(windowSeconds * audio.rate)), hop);
    for (double& p : curve)
        p = p > 1e-20 ? 10.0 * std::log10(p) : -200.0;
    return curve;
}

/// The level of the quietest tenth: noise if the sound stands well above it.
double noiseFloorDb(std::vector<double> levels)
{
    const auto tenth = levels.begin() + std::ptrdiff_t(levels.size() / 10);
    std::nth_element(levels.begin(), tenth, levels.end());
    return *tenth;
}

/// Walks back from a frame inside the attack to where the sound leaves the floor.
std::int64_t attackStart(const Audio& audio, std::int64_t inside, double lineDb)
{
    const std::int64_t hop = std::max<std::int64_t>(1, std::llround(0.00025 * audio.rate));
    // A few milliseconds below the line end the walk; single dips inside a low tone's period do
    // not.
    const std::int64_t patience = std::max<std::int64_t>(1, std::llround(0.004 * audio.rate) / hop);
    // Fine levels are costly: only as far back as the walk goes.
    const std::int64_t stretch = std::llround(2.0 * audio.rate) / hop * hop;
    std::int64_t start = inside;
    std::int64_t quiet = 0;
    for (std::int64_t end = std::min(audio.frames(), inside / hop * hop + hop); end > 0;) {
        const auto from = std::max<std::int64_t>(0, end - stretch);
        const auto fine = levelsDb(audio, {Frames{from}, Frames{end}}, 0.001, hop);
        for (auto at = std::int64_t(fine.size()) - 1; at >= 0; --at) {
            if (fine[std::size_t(at)] > lineDb) {
                start = from + at * hop;
                quiet = 0;
            } else if (++quiet >= patience) {
                return start;
            }
        }
        end = from;
    }
    return start;
}

} // namespace

Result<Span> proposeKept(const Audio& audio, const std::string& name)
{
    const Span whole{Frames{0}, Frames{audio.frames()}};
    if (peakLevel(audio, whole).value < silentDb)
        return fail(ErrorCode::nothingInside, say("%1 holds only silence.", name),
            say("Choose a recording with sound in it."));
    const std::int64_t hop = std::max<std::int64_t>(1, std::llround(0.0025 * audio.rate));
    const auto levels = levelsDb(audio, whole, 0.02, hop);
    const double top = *std::max_element(levels.begin(), levels.end());
    const double floor = noiseFloorDb(levels);
    const bool hasNoise = floor < top - 25.0;
    const double line = hasNoise ? std::max(floor + 6.0, top - depthDb) : top - depthDb;
    const auto above = [line](double level) { return level > line; };

    const auto first = std::find_if(levels.begin(), levels.end(), above) - levels.begin();
    const auto last = levels.rend() - std::find_if(levels.rbegin(), levels.rend(), above);
    // The coarse window sees a sound 10 ms early: begin the fine walk behind its first full window.
    const auto inside = std::min(audio.frames() - 1, std::int64_t(first) * hop + 4 * hop);
    std::int64_t start = attackStart(audio, inside, line);
    const auto reach = std::int64_t(0.002 * audio.rate);
    if (start > 0)
        start = std::min(start, nearestCrossing(audio, Frames{start}, reach).value);
    std::int64_t end = std::min(audio.frames(), std::int64_t(last) * hop);
    // 20 ms are not worth a cut: keep to the recording's end.
    if (audio.frames() - end < std::int64_t(0.02 * audio.rate))
        end = audio.frames();
    if (end - start < 16)
        return whole;
    return Span{Frames{start}, Frames{end}};
}

} // namespace puretone
