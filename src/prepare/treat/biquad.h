// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/signal/biquad.h"
#include "prepare/treat/treatment.h"

#include <span>
#include <vector>

namespace puretone {

/// The sections of a filter at a rate. Butterworth slopes are cascades with Q = 1 / (2 cos(pole
/// angle)).
std::vector<Biquad> sectionsOf(const PassFilter& filter, double rate);
std::vector<Biquad> sectionsOf(const Band& band, double rate);

/// Runs a cascade over one channel in place. It starts in the state in which a constant of the
/// first sample's height would have left it, so that a recording that begins beside zero does not
/// click.
void filterInPlace(std::span<float> samples, std::span<const Biquad> sections);

/// Gain of all filters and bands of a list that are on, at one frequency.
Decibels filterResponse(const Treatments& treatments, double hz, double rate);

} // namespace puretone
