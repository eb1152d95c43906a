// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/song_time.h"

#include "base/quantity.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace puretone {

namespace {

constexpr double beatsOfWhole = 4.0;

/// Note lengths that hands step through, parts of a whole note.
constexpr std::array ladder = {1.0 / 64, 1.0 / 48, 1.0 / 32, 1.0 / 24, 3.0 / 64, 1.0 / 16, 1.0 / 12,
    3.0 / 32, 1.0 / 8, 1.0 / 6, 3.0 / 16, 1.0 / 4, 1.0 / 3, 3.0 / 8, 1.0 / 2, 2.0 / 3, 3.0 / 4, 1.0,
    3.0 / 2, 2.0, 3.0, 4.0, 6.0, 8.0};

std::optional<double> partOfWhole(std::string_view text)
{
    const auto slash = text.find('/');
    if (slash == std::string_view::npos)
        return std::nullopt;
    double scale = 1.0;
    const auto ends = [&](std::string_view word, double by) {
        if (!text.ends_with(word))
            return;
        text.remove_suffix(word.size());
        scale = by;
    };
    ends("dotted", 1.5);
    ends("triplet", 2.0 / 3.0);
    const auto above = parseNumber(text.substr(0, slash), "");
    const auto below = parseNumber(text.substr(slash + 1), "");
    if (!above || !below || *above <= 0.0 || *below <= 0.0)
        return std::nullopt;
    return scale * *above / *below;
}

} // namespace

std::string formatSongTime(double songTime)
{
    if (!isInBeats(songTime))
        return formatSeconds(songTime);
    const double whole = -songTime / beatsOfWhole;
    for (const int below : {1, 2, 3, 4, 6, 8, 12, 16, 24, 32, 48, 64}) {
        const double above = whole * below;
        if (above > 0.5 && std::abs(above - std::round(above)) < 1e-6)
            return formatNumber(above, 0) + "/" + std::to_string(below);
    }
    return formatNumber(-songTime, 2) + " beats";
}

std::optional<double> parseSongTime(std::string_view text)
{
    if (const auto part = partOfWhole(text))
        return inBeats(beatsOfWhole * *part);
    for (const char* unit : {"beats", "beat"})
        if (text.find(unit) != std::string_view::npos)
            if (const auto beats = parseNumber(text, unit); beats && *beats > 0.0)
                return inBeats(*beats);
    for (const char* unit : {"bars", "bar"})
        if (text.find(unit) != std::string_view::npos)
            if (const auto bars = parseNumber(text, unit); bars && *bars > 0.0)
                return inBeats(beatsOfWhole * *bars);
    const auto seconds = parseSeconds(text, 1.0);
    return seconds && *seconds >= 0.0 ? seconds : std::nullopt;
}

double stepSongTime(double songTime, double steps)
{
    if (!isInBeats(songTime)) {
        constexpr double least = 1e-4;
        return std::max(songTime, least) * std::pow(1.08, steps);
    }
    const double whole = -songTime / beatsOfWhole;
    const auto near = std::min_element(ladder.begin(), ladder.end(),
        [&](double a, double b) { return std::abs(a - whole) < std::abs(b - whole); });
    const auto at = double(near - ladder.begin()) + std::round(steps);
    return inBeats(
        beatsOfWhole * ladder[std::size_t(std::clamp(at, 0.0, double(ladder.size() - 1)))]);
}

} // namespace puretone
