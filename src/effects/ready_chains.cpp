// SPDX-License-Identifier: GPL-3.0-or-later
#include "effects/ready_chains.h"

#include "base/song_time.h"

namespace puretone {

namespace {

using Values = std::initializer_list<std::pair<const char*, double>>;

ReadyChain chain(
    const char* name, const char* tip, std::initializer_list<std::pair<EffectKind, Values>> effects)
{
    ReadyChain made{name, tip, {}};
    for (const auto& [kind, values] : effects) {
        made.effects.push_back(makeEffect(kind, int(made.effects.size()) + 1));
        for (const auto& [parameter, value] : values)
            setValue(made.effects.back(), parameter, value);
    }
    return made;
}

std::vector<ReadyChain> makeChains()
{
    using K = EffectKind;
    constexpr double sixteenth = 0.25, dottedEighth = 0.75, quarter = 1.0;
    return {
        chain("Keeper's kitchen", "A small warm room",
            {{K::equaliser, {{"lowCut", 40.0}, {"shelfHz", 7000.0}, {"shelfDb", -2.0}}},
                {K::reverb,
                    {{"kind", 0.0}, {"size", 0.35}, {"decay", 0.6}, {"damping", 4500.0},
                        {"mix", 0.22}}}}),
        chain("Lamp room", "Glass all around: bright and short",
            {{K::equaliser, {{"shelfHz", 6000.0}, {"shelfDb", 3.0}}},
                {K::reverb,
                    {{"kind", 2.0}, {"size", 0.4}, {"decay", 1.4}, {"damping", 14000.0},
                        {"mix", 0.28}}}}),
        chain("Spiral stair", "Short echoes that climb from side to side",
            {{K::echo,
                 {{"left", inBeats(sixteenth)}, {"right", inBeats(sixteenth)}, {"back", 0.5},
                     {"crosses", 1.0}, {"highCut", 5200.0}, {"mix", 0.3}}},
                {K::reverb, {{"kind", 0.0}, {"size", 0.7}, {"decay", 1.1}, {"mix", 0.18}}}}),
        chain("Oil cellar", "Low, round and driven",
            {{K::drive, {{"kind", 0.0}, {"drive", 14.0}, {"tone", 5000.0}}},
                {K::compressor, {{"threshold", -22.0}, {"ratio", 3.0}, {"gain", 4.0}}},
                {K::reverb,
                    {{"kind", 0.0}, {"size", 0.6}, {"decay", 0.9}, {"damping", 2500.0},
                        {"mix", 0.16}}}}),
        chain("Engine shed", "Hard and close, with iron in it",
            {{K::drive, {{"kind", 1.0}, {"drive", 18.0}, {"tone", 7000.0}, {"level", -4.0}}},
                {K::flanger,
                    {{"speed", 0.1}, {"delay", 0.006}, {"depth", 0.5}, {"back", 0.6},
                        {"mix", 0.35}}},
                {K::reverb, {{"kind", 2.0}, {"size", 0.5}, {"decay", 1.2}, {"mix", 0.2}}}}),
        chain("Gallery rail", "Several that drift, out in the wind",
            {{K::chorus, {{"kind", 0.0}, {"speed", 0.35}, {"depth", 0.5}, {"mix", 0.5}}},
                {K::tremolo, {{"every", 7.0}, {"depth", 0.25}, {"sides", 1.0}}},
                {K::reverb, {{"kind", 1.0}, {"decay", 2.4}, {"mix", 0.25}}}}),
        chain("Harmonium loft", "An ensemble under the roof",
            {{K::chorus, {{"kind", 1.0}, {"speed", 0.6}, {"depth", 0.45}, {"mix", 0.6}}},
                {K::reverb,
                    {{"kind", 1.0}, {"size", 0.4}, {"decay", 1.8}, {"damping", 5000.0},
                        {"mix", 0.28}}}}),
        chain("Radio hut", "A voice from far away, through a small speaker",
            {{K::equaliser,
                 {{"lowCut", 420.0}, {"highHz", 1900.0}, {"highDb", 7.0}, {"highQ", 1.4},
                     {"shelfHz", 3600.0}, {"shelfDb", -22.0}}},
                {K::crush, {{"bits", 9.0}, {"rate", 9000.0}, {"mix", 0.6}}},
                {K::compressor,
                    {{"threshold", -28.0}, {"ratio", 8.0}, {"attack", 0.002}, {"gain", 9.0}}}}),
        chain("Boat landing", "Comes back from the cliff across the water",
            {{K::echo,
                {{"left", inBeats(dottedEighth)}, {"right", inBeats(quarter)}, {"back", 0.42},
                    {"highCut", 3600.0}, {"wander", 0.25}, {"mix", 0.32}}}}),
        chain("Rock pool", "Sweeps like light on a wall",
            {{K::phaser, {{"speed", 0.22}, {"low", 260.0}, {"high", 2800.0}, {"mix", 0.5}}},
                {K::width, {{"width", 1.5}}},
                {K::reverb, {{"kind", 2.0}, {"decay", 2.0}, {"mix", 0.2}}}}),
        chain("North gully", "A cave that breathes with the song",
            {{K::reverb,
                 {{"kind", 1.0}, {"size", 0.9}, {"decay", 5.5}, {"damping", 3800.0},
                     {"preDelay", 0.04}, {"mix", 0.45}}},
                {K::duck,
                    {{"every", inBeats(quarter)}, {"depth", 9.0},
                        {"back", inBeats(dottedEighth)}}}}),
        chain("Open sea", "No end to it",
            {{K::chorus, {{"kind", 0.0}, {"speed", 0.12}, {"depth", 0.6}, {"mix", 0.4}}},
                {K::reverb,
                    {{"kind", 3.0}, {"size", 0.8}, {"decay", 1.5}, {"damping", 5200.0},
                        {"mix", 0.5}}},
                {K::equaliser, {{"lowCut", 90.0}}}}),
    };
}

} // namespace

const std::vector<ReadyChain>& readyChains()
{
    static const std::vector<ReadyChain> chains = makeChains();
    return chains;
}

} // namespace puretone
