// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"

#include <optional>

namespace puretone {

/// One peak of a spectrum.
struct Partial {
    double hz = 0.0;
    double amplitude = 0.0; ///< Relative to the strongest partial, 0 to 1.
    double decay = 0.0; ///< Seconds to fall by 60 dB; 0 where it lasts, or where that is not known.
    double levelDb() const { return toDecibels(amplitude).value; }
    bool operator==(const Partial&) const = default;
};

/// The mean spectrum of a take after its attack.
struct MeanSpectrum {
    double binHz = 0.0;
    double windowSeconds = 0.0;
    std::vector<float> magnitude; ///< Linear, by bin.
};

/// Averages Hann windows of up to 0.5 s over up to 2 s after the attack, each weighted so that the
/// ring counts beside the strike.
MeanSpectrum meanSpectrum(std::span<const float> mono, double rate);

/// Peaks of a mean spectrum, strongest first, at most 100: within 60 dB of the strongest, between
/// 16 Hz and 11 kHz, standing at least 4 dB over their surroundings.
std::vector<Partial> findPartials(const MeanSpectrum& spectrum, double rate);

/// The highest peak within `reachHz` of a frequency, Hz; nothing where there is none.
std::optional<double> peakNear(const MeanSpectrum& spectrum, double hz, double reachHz);

/// Share of the power that lies in partials within 40 dB of the strongest: the body of a sound
/// against its noise. 0 to 1.
double tonalShare(const MeanSpectrum& spectrum, const std::vector<Partial>& partials);

} // namespace puretone
