// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/edits/layer_copy.h"

#include "base/say.h"
#include "base/threads/all_cores.h"
#include "prepare/treat/treat.h"

#include <algorithm>
#include <map>

namespace puretone {

namespace {

/// The other way round: one more treatment, or one less.
Treatments turned(Treatments treatments)
{
    const auto isReverse = [](const Treatment& t) {
        return t.on && std::holds_alternative<Reverse>(t.what);
    };
    const auto last = std::find_if(treatments.rbegin(), treatments.rend(), isReverse);
    if (last != treatments.rend())
        treatments.erase(std::next(last).base());
    else
        treatments.push_back({Reverse{}, true});
    return treatments;
}

/// Takes that run backwards, in place of those that the zones play. False when cancelled.
bool reverseTakes(Instrument& instrument, Layer& layer, const Progress& progress)
{
    std::map<TakeId, Take> copies;
    int id = instrument.freeId();
    for (const auto& zone : layer.zones)
        if (const Take* take = instrument.take(zone.take);
            take != nullptr && !copies.contains(zone.take)) {
            Take copy = *take;
            copy.id = id++;
            copy.name += say(" reversed");
            copies.emplace(zone.take, std::move(copy));
        }
    if (instrument.takes.size() + copies.size() > mostTakes)
        return false;
    std::vector<Take*> each;
    each.reserve(copies.size());
    for (auto& [from, copy] : copies)
        each.push_back(&copy);
    onAllCores(each.size(), [&](std::size_t i) {
        Take& take = *each[i];
        auto list = turned(take.treatments);
        if (auto sound = treat(take.recording->audio, list, {progress.stop, {}}))
            setTreatments(take, std::move(list), std::move(sound));
    });
    if (progress.cancelled())
        return false;
    for (auto& zone : layer.zones)
        if (const auto copy = copies.find(zone.take); copy != copies.end())
            zone.take = copy->second.id;
    for (auto& [from, copy] : copies)
        instrument.takes.push_back(std::move(copy));
    return true;
}

} // namespace

LayerId copyLayer(Instrument& instrument, LayerId original, LayerCopy how, const Progress& progress)
{
    const auto id = duplicateLayer(instrument, original);
    Layer* layer = instrument.layer(id);
    if (layer == nullptr)
        return {};
    // "Octave up" tells more than "Layer 1, octave up".
    const Layer& from = *instrument.layer(original);
    const std::string name = from.name;
    const auto nameAs = [&](std::string alone, std::string beside) {
        layer->name = isNamedByNumber(from) ? std::move(alone) : std::move(beside);
    };
    constexpr double detuneCents = 9.0;
    constexpr int mostOctaves = 4;
    switch (how) {
    case LayerCopy::same:
        break;
    case LayerCopy::reversed: {
        nameAs(say("Reversed"), say("%1 reversed", name));
        Layer turnedLayer = *layer;
        if (!reverseTakes(instrument, turnedLayer, progress)) {
            std::erase_if(instrument.layers, [&](const Layer& l) { return l.id == id; });
            return {};
        }
        *instrument.layer(id) = std::move(turnedLayer);
        break;
    }
    case LayerCopy::octaveUp:
        nameAs(say("Octave up"), say("%1, octave up", name));
        layer->octave = std::min(mostOctaves, layer->octave + 1);
        break;
    case LayerCopy::octaveDown:
        nameAs(say("Octave down"), say("%1, octave down", name));
        layer->octave = std::max(-mostOctaves, layer->octave - 1);
        break;
    case LayerCopy::detuned:
        nameAs(say("Detuned"), say("%1 detuned", name));
        layer->fineCents += layer->fineCents > 100.0 - detuneCents ? -detuneCents : detuneCents;
        break;
    }
    return id;
}

namespace {

/// The zones of a layer by what has to stay together, from the lowest key up: those of one take,
/// and where takes take turns all that share keys.
std::vector<std::vector<Zone>> soundsApart(const Layer& layer)
{
    auto zones = layer.zones;
    std::stable_sort(zones.begin(), zones.end(),
        [](const Zone& a, const Zone& b) { return a.lowKey < b.lowKey; });
    std::vector<std::vector<Zone>> groups;
    for (const auto& zone : zones) {
        const auto belongs = [&](const std::vector<Zone>& group) {
            return std::any_of(group.begin(), group.end(), [&](const Zone& other) {
                return other.take == zone.take
                    || (layer.sameKeys != SameKeys::together && overlap(other, zone));
            });
        };
        const auto home = std::find_if(groups.begin(), groups.end(), belongs);
        if (home == groups.end()) {
            groups.push_back({zone});
            continue;
        }
        // It may join groups that had nothing to do with each other.
        for (auto other = std::next(home); other != groups.end();)
            if (belongs(*other)) {
                home->insert(home->end(), other->begin(), other->end());
                other = groups.erase(other);
            } else {
                ++other;
            }
        home->push_back(zone);
    }
    return groups;
}

} // namespace

Result<std::size_t> spreadLayer(Instrument& instrument, LayerId id)
{
    const Layer* found = instrument.layer(id);
    if (found == nullptr)
        return fail(ErrorCode::badValue, say("There is no such layer."));
    if (found->blends)
        return fail(ErrorCode::badValue,
            say("A layer that blends stays one: the blend would go from sound to sound."));
    const auto sounds = soundsApart(*found);
    if (sounds.size() < 2)
        return fail(ErrorCode::badValue,
            say("It plays one sound, or sounds that take turns on their keys."));
    if (instrument.layers.size() + sounds.size() - 1 > mostLayers)
        return fail(ErrorCode::badValue, say("There is no room for %1 layers.", sounds.size()));
    const auto at = found - instrument.layers.data();
    for (std::size_t i = 0; i < sounds.size(); ++i) {
        const auto place = instrument.layers.begin() + at + std::ptrdiff_t(i);
        if (i > 0) {
            Layer next = *std::prev(place);
            next.id = freeLayerId(instrument);
            instrument.layers.insert(place, std::move(next));
        }
        Layer& layer = instrument.layers[std::size_t(at) + i];
        layer.zones = sounds[i]; // with their ids: keys that are held go on
        if (const Take* take = instrument.take(sounds[i].front().take))
            layer.name = take->name;
    }
    return sounds.size();
}

} // namespace puretone
