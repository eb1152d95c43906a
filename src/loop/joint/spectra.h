// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// Third-octave spectra, as seams are judged by. Inside the room `loop` only.

#include "audio/audio.h"
#include "audio/signal/fft.h"

#include <algorithm>
#include <vector>

namespace puretone {

inline constexpr double bandDepthDb = 50.0; ///< Weaker bands than this are not heard.

/// Third-octave spectra of windows of one length.
struct Spectra {
    struct Band {
        std::size_t from, to;
    };
    Spectra(std::int64_t windowFrames, double rate);

    /// Levels in dB of one window, floored under its own top; `fill(channel, samples)` copies
    /// `window` samples.
    template <class Fill> std::vector<double> levels(std::size_t channels, Fill fill)
    {
        std::vector<double> powers(bands.size(), 0.0);
        for (std::size_t c = 0; c < channels; ++c) {
            fill(c, fft.time().data());
            addPowers(powers);
        }
        return decibels(std::move(powers));
    }
    /// Of a stretch of a recording; zeros where it is shorter than the window.
    std::vector<double> levels(const Audio& audio, Span stretch);

    std::int64_t window;
    RealFft fft;
    std::vector<float> hann;
    std::vector<Band> bands;

private:
    void addPowers(std::vector<double>& powers);
    static std::vector<double> decibels(std::vector<double> powers);
};

struct SpectralStep {
    double level = 0.0; ///< dB.
    double timbre = 0.0; ///< Spread of the band differences about their mean, dB.
};
/// @param before, after Levels of the same bands. Strong bands count, bands at the floor hardly.
SpectralStep spectralStep(const std::vector<double>& before, const std::vector<double>& after);

/// Mean change of the bands in dB; rises, which sound like something beginning, count three times
/// as much as falls.
double spectralChange(const std::vector<double>& before, const std::vector<double>& after);

} // namespace puretone
