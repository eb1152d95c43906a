// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "prepare/treatment.h"

#include <span>
#include <vector>

namespace puretone {

/// One section of second order, normalised: y = b0 x + b1 x' + b2 x'' - a1 y' - a2 y''.
struct Biquad {
    double b0 = 1.0, b1 = 0.0, b2 = 0.0;
    double a1 = 0.0, a2 = 0.0;

    /// Gain at one frequency.
    Decibels response(double hz, double rate) const;
    bool operator==(const Biquad&) const = default;
};

/// The sections of a filter at a rate; a frequency above what the rate holds is brought down to it.
///
/// Bilinear transform, after R. Bristow-Johnson, "Cookbook formulae for audio equalizer biquad
/// filter coefficients"; Butterworth slopes as cascades with Q = 1 / (2 cos(pole angle)).
std::vector<Biquad> sectionsOf(const PassFilter& filter, double rate);
std::vector<Biquad> sectionsOf(const Band& band, double rate);

/// Runs a cascade over one channel in place. It starts in the state in which a constant of the
/// first sample's height would have left it, so that a recording that begins beside zero does not
/// click.
void filterInPlace(std::span<float> samples, std::span<const Biquad> sections);

/// Gain of all filters and bands of a list that are on, at one frequency.
Decibels filterResponse(const Treatments& treatments, double hz, double rate);

} // namespace puretone
