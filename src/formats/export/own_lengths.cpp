// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/export/own_lengths.h"

#include "engine/program/prepared.h"
#include "model/making/kept_length.h"
#include "pitch/series/note.h"

#include <algorithm>
#include <map>

namespace puretone {

namespace {

bool expands(const Layer& layer)
{
    return layer.on && layer.manner == Manner::keepsLength;
}

/// One key of a zone as a zone; what its keys fade by becomes its level.
Zone keyOf(const Zone& zone, int key)
{
    Zone one = zone;
    one.levelDb = 0.0;
    // In the middle of its touches only the keys count.
    Zone keysOnly = one;
    keysOnly.lowVelocityFade = keysOnly.highVelocityFade = 0;
    one.levelDb = std::max(
        -60.0, zone.levelDb + 20.0 * std::log10(zoneGain(keysOnly, key, zone.highVelocity)));
    one.lowKey = one.highKey = key;
    one.lowKeyFade = one.highKeyFade = 0;
    return one;
}

Take takeFor(const Take& take, const KeptKey& made, int key, TakeId id)
{
    Take own = made.take;
    own.id = id;
    own.name = take.name + " " + noteName(key);
    own.tuning.rootKey = key;
    return own;
}

} // namespace

Instrument withOwnLengths(Instrument instrument, const Progress& progress)
{
    if (std::none_of(instrument.layers.begin(), instrument.layers.end(), expands))
        return instrument;
    KeptLengths lengths;
    if (!makeLengths(instrument, lengths, progress))
        return {};
    int id = instrument.freeId();
    std::vector<Take> takes;
    for (auto& layer : instrument.layers) {
        if (!expands(layer))
            continue;
        std::vector<Zone> zones;
        std::map<std::pair<TakeId, int>, TakeId> made; // shared by zones of other touches
        for (const auto& zone : layer.zones) {
            const Take* take = instrument.take(zone.take);
            for (int key = zone.lowKey; take != nullptr && key <= zone.highKey; ++key) {
                const auto kept = lengths.find(*take, keptWish(layer, *take, key));
                Zone one = keyOf(zone, key);
                one.id = id++;
                if (kept) {
                    auto& own = made[{zone.take, key}];
                    if (own == TakeId{}) {
                        own = id++;
                        takes.push_back(takeFor(*take, *kept, key, own));
                    }
                    one.take = own;
                } else {
                    // Too long to be moved: as recorded, and an octave of the layer counted.
                    one.tuneCents += 1200.0 * layer.octave;
                }
                zones.push_back(one);
            }
        }
        layer.zones = std::move(zones);
        layer.manner = Manner::asRecorded;
        layer.octave = 0;
    }
    // Those that nobody plays any more need not be written.
    std::erase_if(instrument.takes, [&](const Take& take) {
        return std::none_of(
            instrument.layers.begin(), instrument.layers.end(), [&](const Layer& layer) {
                return std::any_of(layer.zones.begin(), layer.zones.end(),
                    [&](const Zone& zone) { return zone.take == take.id; });
            });
    });
    instrument.takes.insert(instrument.takes.end(), std::make_move_iterator(takes.begin()),
        std::make_move_iterator(takes.end()));
    return instrument;
}

std::size_t ownLengths(const Instrument& instrument)
{
    return wantedLengths(instrument).size();
}

std::uint64_t ownLengthBytes(const Instrument& instrument, std::uint64_t bytesForSample)
{
    std::uint64_t bytes = 0;
    for (const auto& wish : wantedLengths(instrument)) {
        const Take& take = *instrument.take(wish.take);
        bytes += std::uint64_t(std::max<std::int64_t>(0, preparedFrames(take)))
            * std::min<std::size_t>(2, take.audio().channelCount()) * bytesForSample;
    }
    return bytes;
}

} // namespace puretone
