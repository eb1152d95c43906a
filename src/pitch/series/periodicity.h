// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/threads/progress.h"

namespace puretone {

/// How well one short frame repeats itself at each lag.
struct PeriodicityFrame {
    double seconds = 0.0; ///< Centre of the frame from the beginning of the take.
    double rms = 0.0;
    double weight = 0.0; ///< sqrt(rms), less during the attack.
    std::vector<float> difference; ///< N: normalised square difference, -1 to 1, by lag step.
    std::vector<float> compressed; ///< G: compressed autocorrelation, 1 at lag 0, by lag step.
};

/// Where a curve is highest near one lag.
struct LagPeak {
    double period = 0.0; ///< Seconds.
    double value = 0.0;
};

/// Time-domain evidence of one take.
///
/// N follows P. McLeod and G. Wyvill, "A smarter way to find pitch", ICMC 2005; G follows
/// T. Tolonen and M. Karjalainen, "A computationally efficient multipitch analysis model", IEEE
/// Trans. Speech and Audio Processing 8(6), 2000 (exponent 0.6 instead of 0.67).
struct Periodicity {
    double lagStep = 0.0; ///< Seconds between two values of a curve: half a frame of the take.
    std::vector<PeriodicityFrame> frames;

    enum class Curve { difference, compressed };
    /// Weighted mean over the frames of the curve's maximum within 2.5 % of `period` (seconds);
    /// 0 beyond the lags.
    double at(double period, Curve curve) const;
    /// The maximum of one frame's N within `share` of `period`; value 0 where there is none.
    LagPeak peakNear(const PeriodicityFrame& frame, double period, double share) const;
    /// All local maxima of a curve behind its first negative lobe that exceed `least`.
    std::vector<LagPeak> maxima(const std::vector<float>& curve, double least) const;
};

struct PeriodicityOptions {
    double windowSeconds = 0.093;
    double hopSeconds = 0.050;
    std::size_t mostFrames = 36; ///< Spread over the take where there would be more.
    bool withCompressed = true; ///< A pitch line needs N only.
};

/// @param mono One take, full scale +-1. Shorter than 16 samples gives no frames.
Periodicity analysePeriodicity(std::span<const float> mono, double rate,
    const PeriodicityOptions& options = {}, const Progress& progress = {});

} // namespace puretone
