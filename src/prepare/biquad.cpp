// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/biquad.h"

#include <algorithm>
#include <complex>
#include <numbers>

namespace puretone {

namespace {

constexpr double pi = std::numbers::pi;

/// Angle of a frequency on the unit circle, kept a little below the Nyquist frequency.
double angleOf(double hz, double rate)
{
    return 2.0 * pi * std::min(hz, 0.49 * rate) / rate;
}

Biquad normalised(double b0, double b1, double b2, double a0, double a1, double a2)
{
    return {b0 / a0, b1 / a0, b2 / a0, a1 / a0, a2 / a0};
}

Biquad firstOrder(PassFilter::Cut cut, double angle)
{
    const double k = std::tan(angle / 2.0);
    return cut == PassFilter::Cut::low ? normalised(1.0, -1.0, 0.0, 1.0 + k, k - 1.0, 0.0)
                                       : normalised(k, k, 0.0, 1.0 + k, k - 1.0, 0.0);
}

Biquad secondOrder(PassFilter::Cut cut, double angle, double q)
{
    const double c = std::cos(angle), alpha = std::sin(angle) / (2.0 * q);
    if (cut == PassFilter::Cut::low)
        return normalised(
            (1.0 + c) / 2.0, -(1.0 + c), (1.0 + c) / 2.0, 1.0 + alpha, -2.0 * c, 1.0 - alpha);
    return normalised(
        (1.0 - c) / 2.0, 1.0 - c, (1.0 - c) / 2.0, 1.0 + alpha, -2.0 * c, 1.0 - alpha);
}

} // namespace

Decibels Biquad::response(double hz, double rate) const
{
    const auto z = std::polar(1.0, -angleOf(hz, rate));
    return toDecibels(std::abs((b0 + z * (b1 + z * b2)) / (1.0 + z * (a1 + z * a2))));
}

std::vector<Biquad> sectionsOf(const PassFilter& filter, double rate)
{
    const double angle = angleOf(filter.hz, rate);
    const int order = std::max(1, filter.slopeDb / 6);
    std::vector<Biquad> sections;
    for (int k = 0; k < order / 2; ++k) {
        const double q = 1.0 / (2.0 * std::cos(pi * (2.0 * k + 1.0) / (2.0 * order)));
        sections.push_back(secondOrder(filter.cut, angle, q));
    }
    if (order % 2 == 1)
        sections.push_back(firstOrder(filter.cut, angle));
    return sections;
}

std::vector<Biquad> sectionsOf(const Band& band, double rate)
{
    const double angle = angleOf(band.hz, rate);
    const double c = std::cos(angle), s = std::sin(angle);
    const double a = std::pow(10.0, band.gainDb / 40.0);
    if (band.shape == Band::Shape::bell) {
        const double alpha = s / (2.0 * band.q);
        return {normalised(1.0 + alpha * a, -2.0 * c, 1.0 - alpha * a, 1.0 + alpha / a, -2.0 * c,
            1.0 - alpha / a)};
    }
    // Shelf slope 1: the steepest that does not overshoot.
    const double beta = 2.0 * std::sqrt(a) * s / std::numbers::sqrt2;
    const double sign = band.shape == Band::Shape::lowShelf ? 1.0 : -1.0;
    const double up = a + 1.0, down = (a - 1.0) * sign;
    return {normalised(a * (up - down * c + beta), 2.0 * a * sign * ((a - 1.0) - up * c * sign),
        a * (up - down * c - beta), up + down * c + beta, -2.0 * sign * ((a - 1.0) + up * c * sign),
        up + down * c - beta)};
}

void filterInPlace(std::span<float> samples, std::span<const Biquad> sections)
{
    if (samples.empty())
        return;
    double constant = double(samples.front());
    for (const Biquad& f : sections) {
        // Transposed direct form II, state settled on the constant.
        const double settled = constant * (f.b0 + f.b1 + f.b2) / std::max(1e-30, 1.0 + f.a1 + f.a2);
        double s2 = f.b2 * constant - f.a2 * settled;
        double s1 = f.b1 * constant - f.a1 * settled + s2;
        for (float& sample : samples) {
            const double in = double(sample);
            const double out = f.b0 * in + s1;
            s1 = f.b1 * in - f.a1 * out + s2;
            s2 = f.b2 * in - f.a2 * out;
            sample = float(out);
        }
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
