// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/edits/match_levels.h"

#include "audio/level.h"
#include "base/threads/all_cores.h"

#include <algorithm>
#include <map>

namespace puretone {

namespace {

constexpr double longestHeard = 3.0, silent = -70.0;

/// So much of every take is heard, seconds.
double heardSeconds(const Instrument& instrument, const Layer& layer)
{
    double shortest = longestHeard;
    for (const auto& zone : layer.zones)
        if (const Take* take = instrument.take(zone.take))
            shortest = std::min(shortest, double(playedPart(*take).length()) / take->rate());
    return shortest;
}

} // namespace

std::vector<LevelMatch> matchLevels(
    const Instrument& instrument, LayerId id, const Progress& progress)
{
    const Layer* layer = instrument.layer(id);
    if (layer == nullptr)
        return {};
    const double seconds = heardSeconds(instrument, *layer);
    std::vector<LevelMatch> all(layer->zones.size());
    onAllCores(all.size(), [&](std::size_t i) {
        const Zone& zone = layer->zones[i];
        const Take* take = instrument.take(zone.take);
        if (take == nullptr || progress.cancelled())
            return;
        Span heard = playedPart(*take);
        heard.end.value =
            std::min(heard.end.value, heard.start.value + toFrames(seconds, take->rate()).value);
        all[i] = {
            zone.id, loudnessLufs(take->audio(), heard).value + zone.levelDb, zone.levelDb, 0.0};
    });
    if (progress.cancelled())
        return {};
    using Touches = std::pair<int, int>;
    std::map<Touches, std::vector<double>> groups;
    const auto touchesOf = [&](std::size_t i) {
        return Touches{layer->zones[i].lowVelocity, layer->zones[i].highVelocity};
    };
    const auto counts = [&](std::size_t i) {
        return all[i].zone != ZoneId{} && all[i].heardLufs - all[i].levelDb > silent;
    };
    for (std::size_t i = 0; i < all.size(); ++i)
        if (counts(i))
            groups[touchesOf(i)].push_back(all[i].heardLufs);
    std::vector<LevelMatch> matches;
    for (std::size_t i = 0; i < all.size(); ++i) {
        if (!counts(i))
            continue;
        auto& levels = groups[touchesOf(i)];
        const auto middle = levels.begin() + std::ptrdiff_t(levels.size() / 2);
        std::nth_element(levels.begin(), middle, levels.end());
        LevelMatch match = all[i];
        match.levelDb = std::clamp(match.levelDb + *middle - match.heardLufs, -60.0, 24.0);
        match.changeDb = match.levelDb - layer->zones[i].levelDb;
        matches.push_back(match);
    }
    return matches;
}

void applyMatch(Layer& layer, const std::vector<LevelMatch>& matches)
{
    for (auto& zone : layer.zones)
        for (const auto& match : matches)
            if (match.zone == zone.id)
                zone.levelDb = match.levelDb;
}

void levelsAsRecorded(Layer& layer)
{
    for (auto& zone : layer.zones)
        zone.levelDb = 0.0;
}

} // namespace puretone
