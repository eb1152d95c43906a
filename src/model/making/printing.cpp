// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/making/printing.h"

#include "base/quantity.h"
#include "base/say.h"
#include "model/files/json.h"
#include "model/making/take_maker.h"
#include "pitch/series/note.h"

#include <algorithm>
#include <cmath>
#include <set>
#include <tuple>

namespace puretone {

Print planPrint(const Instrument& instrument, const PrintPlan& plan)
{
    Print print;
    print.plan = plan;
    for (const Layer& layer : instrument.layers)
        if (layer.on)
            print.layers.push_back(layer.id);
    if (plan.effects)
        for (const Effect& effect : instrument.effects)
            if (effect.on)
                print.effects.push_back(effect.id);
    print.sources = printSources(instrument, print);
    return print;
}

namespace {

/// A note as its take gives it: full level at once, nothing moved.
void removeShape(Layer& layer)
{
    const double release = layer.envelope.release;
    layer.envelope = {0.0, 0.0, 0.0, 0.0, 0.0, release};
    layer.second = Layer().second;
    layer.filter = {};
    layer.movements.clear();
}

} // namespace

Instrument printedPart(const Instrument& instrument, const Print& print)
{
    Instrument part = instrument;
    part.name.clear();
    part.pattern = {};
    std::erase_if(part.layers, [&](const Layer& layer) {
        return std::find(print.layers.begin(), print.layers.end(), layer.id) == print.layers.end();
    });
    std::erase_if(part.effects, [&](const Effect& effect) {
        return std::find(print.effects.begin(), print.effects.end(), effect.id)
            == print.effects.end();
    });
    for (Effect& effect : part.effects)
        effect.on = true;
    std::set<TakeId> used;
    for (Layer& layer : part.layers) {
        layer.on = true;
        layer.name.clear();
        if (!print.plan.shape)
            removeShape(layer);
        std::erase_if(layer.zones,
            [&](const Zone& zone) { return !inZone(zone, print.plan.key, print.plan.touch); });
        for (const Zone& zone : layer.zones)
            used.insert(zone.take);
    }
    std::erase_if(part.takes, [&](const Take& take) { return used.count(take.id) == 0; });
    for (Take& take : part.takes)
        take.name.clear();
    if (part.layers.empty())
        part.layers.emplace_back();
    return sanitized(std::move(part));
}

std::string printSources(const Instrument& instrument, const Print& print)
{
    Instrument part = printedPart(instrument, print);
    for (Take& take : part.takes)
        if (take.print)
            take.print->sources.clear(); // what it was made of does not matter to what it is
    const std::string text = toJson(part);
    return contentHash(std::as_bytes(std::span(text)));
}

bool isStalePrint(const Instrument& instrument, const Take& take)
{
    return take.print && take.print->sources != printSources(instrument, *take.print);
}

std::string printObstacle(const Instrument& instrument, const Print& print)
{
    const bool any =
        std::any_of(instrument.layers.begin(), instrument.layers.end(), [&](const Layer& layer) {
            return std::find(print.layers.begin(), print.layers.end(), layer.id)
                != print.layers.end()
                && std::any_of(layer.zones.begin(), layer.zones.end(), [&](const Zone& zone) {
                       return inZone(zone, print.plan.key, print.plan.touch);
                   });
        });
    return any ? "" : say("nothing plays its key any more");
}

std::string describePrint(const Instrument& instrument, const Print& print, const Naming& naming)
{
    std::string text = say("Print of %1: ", noteName(print.plan.key, naming));
    std::string layers;
    for (const Layer& layer : instrument.layers)
        if (std::find(print.layers.begin(), print.layers.end(), layer.id) != print.layers.end())
            layers += (layers.empty() ? "" : ", ") + layer.name;
    text += layers.empty() ? say("layers that are gone") : layers;
    for (const Effect& effect : instrument.effects)
        if (std::find(print.effects.begin(), print.effects.end(), effect.id) != print.effects.end())
            text += std::string(", ") + factsOf(effect.kind).word;
    return say("%1, held %2", text, formatSeconds(print.plan.heldSeconds));
}

Take printedTake(const Instrument& instrument, RecordingPtr recording, const Print& print,
    const std::string& name)
{
    Take take;
    take.id = TakeId(1);
    take.name = name;
    take.recording = std::move(recording);
    take.kept = {Frames{0}, Frames{take.audio().frames()}};
    take.tuning = {print.plan.key, 0.0, TuningSource::byHand, instrument.a4};
    // It begins as the sound does.
    take.fades.inSeconds = 0.0;
    take.print = print;
    return take;
}

namespace {

/// Halfway between neighbours, the outermost up to the ends of a piano.
void spreadPrints(std::vector<Zone>& zones, const std::vector<Take>& prints)
{
    std::set<int> keys, touches;
    for (const Take& take : prints) {
        keys.insert(take.print->plan.key);
        touches.insert(take.print->plan.touch);
    }
    const auto between = [](const std::set<int>& all, int one, int low, int high) {
        const auto at = all.find(one);
        const int from = at == all.begin() ? low : (*std::prev(at) + one) / 2 + 1;
        const int to = std::next(at) == all.end() ? high : (one + *std::next(at)) / 2;
        return std::pair(from, to);
    };
    constexpr int pianoLow = 21, pianoHigh = 108;
    const int low = std::min(pianoLow, *keys.begin()), high = std::max(pianoHigh, *keys.rbegin());
    for (std::size_t i = 0; i < zones.size(); ++i) {
        const PrintPlan& plan = prints[i].print->plan;
        std::tie(zones[i].lowKey, zones[i].highKey) = between(keys, plan.key, low, high);
        std::tie(zones[i].lowVelocity, zones[i].highVelocity) =
            between(touches, plan.touch, 1, 127);
    }
}

} // namespace

LayerId addPrints(Instrument& instrument, std::vector<Take> prints, const std::string& layerName)
{
    if (prints.empty() || instrument.layers.size() >= mostLayers
        || instrument.takes.size() + prints.size() > mostTakes
        || instrument.allZones().size() + prints.size() > mostZones)
        return {};
    const Print first = *prints.front().print;
    const LayerId id = addLayer(instrument);
    Layer& layer = *instrument.layer(id);
    layer.name = layerName;
    for (Take& take : prints) {
        take.id = TakeId(instrument.freeId());
        instrument.takes.push_back(take);
        Zone zone;
        zone.id = ZoneId(instrument.freeId());
        zone.take = take.id;
        // How loud its touch made it is in the sound already: played with that touch it comes back
        // as it was printed.
        zone.levelDb =
            std::min(24.0, -40.0 * layer.touch * std::log10(take.print->plan.touch / 127.0));
        layer.zones.push_back(zone);
    }
    spreadPrints(layer.zones, prints);
    for (Layer& other : instrument.layers)
        if (std::find(first.layers.begin(), first.layers.end(), other.id) != first.layers.end())
            other.on = false;
    for (Effect& effect : instrument.effects)
        if (std::find(first.effects.begin(), first.effects.end(), effect.id) != first.effects.end())
            effect.on = false;
    return id;
}

void replacePrint(Instrument& instrument, TakeId id, RecordingPtr recording, Print print)
{
    Take* take = instrument.take(id);
    if (take == nullptr)
        return;
    const bool wholeKept = take->kept.end.value == take->audio().frames();
    take->recording = std::move(recording);
    take->treated = {};
    take->facts = {};
    const Frames end{take->recording->audio->frames()};
    if (wholeKept || take->kept.end > end)
        take->kept.end = end;
    take->print = std::move(print);
    sanitize(*take);
}

} // namespace puretone
