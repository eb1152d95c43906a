// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/treat/biquad.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace puretone {

std::vector<Biquad> sectionsOf(const PassFilter& filter, double rate)
{
    const bool low = filter.cut == PassFilter::Cut::low;
    const int order = std::max(1, filter.slopeDb / 6);
    std::vector<Biquad> sections;
    for (int k = 0; k < order / 2; ++k) {
        const double q = 1.0 / (2.0 * std::cos(std::numbers::pi * (2.0 * k + 1.0) / (2.0 * order)));
        sections.push_back(
            low ? Biquad::lowCut(filter.hz, q, rate) : Biquad::highCut(filter.hz, q, rate));
    }
    if (order % 2 == 1)
        sections.push_back(
            low ? Biquad::lowCut(filter.hz, rate) : Biquad::highCut(filter.hz, rate));
    return sections;
}

std::vector<Biquad> sectionsOf(const Band& band, double rate)
{
    switch (band.shape) {
    case Band::Shape::bell:
        return {Biquad::bell(band.hz, band.gainDb, band.q, rate)};
    case Band::Shape::lowShelf:
        return {Biquad::lowShelf(band.hz, band.gainDb, rate)};
    case Band::Shape::highShelf:
        return {Biquad::highShelf(band.hz, band.gainDb, rate)};
    }
    return {};
}

void filterInPlace(std::span<float> samples, std::span<const Biquad> sections)
{
    if (samples.empty())
        return;
    double constant = double(samples.front());
    for (const Biquad& f : sections) {
        // In the state that has settled on the constant.
        const double settled = constant * (f.b0 + f.b1 + f.b2) / std::max(1e-30, 1.0 + f.a1 + f.a2);
        BiquadState state;
        state.s2 = f.b2 * constant - f.a2 * settled;
        state.s1 = f.b1 * constant - f.a1 * settled + state.s2;
        for (float& sample : samples)
            sample = float(state.run(f, double(sample)));
        constant = settled;
    }
}

Decibels filterResponse(const Treatments& treatments, double hz, double rate)
{
    double sum = 0.0;
    const auto add = [&](const auto& filter) {
        for (const Biquad& section : sectionsOf(filter, rate))
            sum += section.response(hz, rate).value;
    };
    for (const auto& treatment : treatments) {
        if (!treatment.on)
            continue;
        if (const auto* pass = std::get_if<PassFilter>(&treatment.what))
            add(*pass);
        else if (const auto* band = std::get_if<Band>(&treatment.what))
            add(*band);
    }
    return {sum};
}

} // namespace puretone
