// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "base/say.h"
#include "loop/loop.h"

#include <memory>
#include <optional>
#include <string>

namespace puretone {

/// What is heard at the joint of a loop, all in dB, smaller is better. Measured on the baked turn,
/// repeated.
struct SeamMeasures {
    double clickDb = 0.0; ///< High-band energy at the seam above what the loop has elsewhere.
    double levelDb = 0.0; ///< Level step across the seam beyond the usual one.
    double timbreDb = 0.0; ///< Distance of the third-octave spectra across the seam, likewise.
    double changeDb = 0.0; ///< Quickest change of those spectra near the seam, beyond the usual.
    double dipDb = 0.0; ///< Largest hole or bump of the level inside the crossfade.
    double pulseDb = 0.0; ///< Swing of the level once per round.
    bool operator==(const SeamMeasures&) const = default;
};

enum class SeamVerdict { seamless, audible, none };

/// Measures the seams of many loops of one recording; what is usual in a stretch is kept for the
/// next loop over nearly the same stretch. Not thread-safe.
class SeamMeter {
public:
    /// @param audio Must outlive the meter.
    /// @param period Of the note in seconds, where it has one: shorter level changes are its own
    /// wave.
    SeamMeter(const Audio& audio, std::optional<double> period);
    ~SeamMeter();
    SeamMeter(const SeamMeter&) = delete;
    SeamMeter& operator=(const SeamMeter&) = delete;

    /// Loops of all this stretch will be measured: what they share is reckoned once.
    void expect(Span span);

    /// Bakes one turn of the loop, lets it go round, and compares what happens around the seam with
    /// what is usual in the stretch of the recording that it was made from.
    ///
    /// @param loop On, and inside the recording (see clampLoop).
    /// @param giveUpAbove A cost that makes the rest of no interest: spectra are not looked at
    /// then, and timbre and change are a flat 99 dB.
    SeamMeasures measure(const Loop& loop, double giveUpAbove = 1e9);
    /// As a meter would that has seen no other loop.
    SeamMeasures measureAlone(const Loop& loop);

private:
    struct Shared;
    std::int64_t windowFor(std::int64_t loopFrames) const;
    const Audio& audio_;
    std::optional<double> period_;
    std::unique_ptr<Shared> shared_;
};

/// One loop on its own.
SeamMeasures measureSeam(const Audio& audio, const Loop& loop, std::optional<double> period);

/// The worst measure over its limit plus a tenth of their mean: up to 1 nothing exceeds its limit.
/// Limits are stricter for loops under 0.35 s, and strictest under 0.1 s, whose flaws return as a
/// tone.
double seamCost(const SeamMeasures& measures, double loopSeconds);

/// From where on each measure begins to be heard: what nine in ten loops set by hand stay within.
SeamMeasures seamLimits(double loopSeconds);

SeamVerdict seamVerdict(double cost);
const char* nameOf(SeamVerdict verdict);

/// The worst measure in plain words: "clicks", "pulses by 2.1 dB once a round", "seamless".
Message describeSeam(const SeamMeasures& measures, double loopSeconds);

} // namespace puretone
