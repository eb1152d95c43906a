// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/making/heard_takes.h"

#include "base/threads/all_cores.h"

#include <atomic>
#include <optional>
#include <set>

namespace puretone {

const Sustain* HeardTakes::of(const Take& take) const
{
    const auto at = heard_.find(take.id);
    return at != heard_.end() && at->second.sound.lock() == take.sound()
            && at->second.kept == take.kept
        ? &at->second.sustain
        : nullptr;
}

void HeardTakes::keep(const Take& take, const Sustain& sustain)
{
    heard_.insert_or_assign(take.id, Heard{take.sound(), take.kept, sustain});
}

Sustain listenTo(const Take& take)
{
    constexpr double listenedSeconds = 30.0;
    return findSustain(take.audio(), take.kept, listenedSeconds);
}

std::vector<const Take*> notHeard(
    const Instrument& instrument, const std::vector<LayerId>& layers, const HeardTakes& heard)
{
    std::vector<const Take*> takes;
    std::set<TakeId> seen;
    for (const LayerId id : layers) {
        const Layer* layer = instrument.layer(id);
        if (layer == nullptr)
            continue;
        for (const Zone& zone : layer->zones)
            if (const Take* take = instrument.take(zone.take);
                take != nullptr && seen.insert(zone.take).second && heard.of(*take) == nullptr)
                takes.push_back(take);
    }
    return takes;
}

HeardTakes listenToLayers(const Instrument& instrument, const std::vector<LayerId>& layers,
    HeardTakes heard, const Progress& progress)
{
    const auto takes = notHeard(instrument, layers, heard);
    std::vector<std::optional<Sustain>> found(takes.size());
    std::atomic<std::size_t> done = 0;
    onAllCores(takes.size(), [&](std::size_t i) {
        if (progress.cancelled())
            return;
        found[i] = listenTo(*takes[i]);
        progress.at(double(++done) / double(takes.size()));
    });
    for (std::size_t i = 0; i < takes.size(); ++i)
        if (found[i])
            heard.keep(*takes[i], *found[i]);
    return heard;
}

} // namespace puretone
