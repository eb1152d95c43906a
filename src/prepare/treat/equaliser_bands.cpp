// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/treat/equaliser_bands.h"

namespace puretone {

namespace {

constexpr int cutSlope = 12; // dB per octave: one section

struct BandNames {
    Band::Shape shape;
    const char *hz, *gain;
    const char* q; ///< Null for a shelf.
};
constexpr BandNames names[] = {{Band::Shape::bell, "lowHz", "lowDb", "lowQ"},
    {Band::Shape::bell, "highHz", "highDb", "highQ"},
    {Band::Shape::highShelf, "shelfHz", "shelfDb", nullptr}};

const ParameterFacts& cutFacts()
{
    const EffectFacts& facts = factsOf(EffectKind::equaliser);
    return facts.parameters[std::size_t(facts.place("lowCut"))];
}

} // namespace

Treatments bandsOf(const Effect& equaliser)
{
    const double cut = valueOf(equaliser, "lowCut");
    Treatments bands = {
        {PassFilter{PassFilter::Cut::low, cut, cutSlope}, !doesNothing(cutFacts(), cut)}};
    for (const auto& [shape, hz, gain, q] : names)
        bands.push_back({Band{shape, valueOf(equaliser, hz), valueOf(equaliser, gain),
            q != nullptr ? valueOf(equaliser, q) : 1.0}});
    return bands;
}

void setBand(Effect& equaliser, int index, const Treatment& band)
{
    if (const auto* cut = std::get_if<PassFilter>(&band.what); cut != nullptr && index == 0)
        setValue(equaliser, "lowCut", inRange(cutFacts(), cut->hz));
    const auto* changed = std::get_if<Band>(&band.what);
    if (changed == nullptr || index < 1 || index > int(std::size(names)))
        return;
    const auto& [shape, hz, gain, q] = names[std::size_t(index - 1)];
    setValue(equaliser, hz, changed->hz);
    setValue(equaliser, gain, changed->gainDb);
    if (q != nullptr)
        setValue(equaliser, q, changed->q);
    equaliser = sanitized(Effects{equaliser}).front();
}

} // namespace puretone
