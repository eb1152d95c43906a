// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <optional>
#include <vector>

namespace puretone {

enum class Depth { bits16, bits24, floating };

/// How the samples of an export are written.
struct SoundChoices {
    Depth depth = Depth::bits24;
    std::optional<double> rate; ///< Frames per second; none: as recorded.
    bool mono = false;
    /// Noise of one step (triangular), so that rounding to 16 bits is no distortion: Lipshitz,
    /// Wannamaker and Vanderkooy, "Quantization and Dither", JAES 40 (1992).
    bool dither = true;
    /// Seconds that a take without a loop may last; what is behind fades away.
    std::optional<double> longest;
    /// Seconds of a take whose loop is played out, for readers that know no loops.
    std::optional<double> playedOut;
    bool operator==(const SoundChoices&) const = default;
};

inline constexpr double shortestLongest = 0.05; ///< Seconds.
inline constexpr double shortestPlayedOut = 0.5, longestPlayedOut = 120.0; ///< Seconds.

/// What may be chosen about an export; a project has no choices.
struct ExportChoices {
    SoundChoices sound;
    bool flac = false; ///< SFZ: samples as FLAC instead of WAV. Floats become 24 bits then.
    /// WAV: every so many semitones a file of what that key sounds like, effects included; 0 for
    /// the takes themselves, with their loops.
    int keyStep = 0;
    static constexpr int mostKeyStep = 24;
    bool operator==(const ExportChoices&) const = default;
};

/// What an export may be made smaller by.
enum class Saver {
    mono,
    rate, ///< 44.1, 32, 22.05 or 16 kHz.
    depth, ///< 16 bits.
    length, ///< Of takes without a loop.
    fewerTakes, ///< One of those in turn, then every second, third … root of a layer.
};
inline constexpr int saverCount = int(Saver::fewerTakes) + 1;

/// What an export can make.
enum class Product { project, sfz, soundFont, wavs };
inline constexpr std::array allProducts = {
    Product::project, Product::sfz, Product::soundFont, Product::wavs};

/// How an instrument is to be written.
struct ExportWish {
    ExportChoices choices;
    bool usualDepth = true; ///< 16 bits in a SoundFont and 24 elsewhere, whatever `choices` say.
    double limitMegabytes = 0.0; ///< For each of them; 0 for none.
    std::vector<Saver> savers = {
        Saver::depth, Saver::mono, Saver::rate, Saver::length, Saver::fewerTakes}; ///< Each once.
    static constexpr double mostMegabytes = 100000.0;
    bool operator==(const ExportWish&) const = default;
};

/// What is written of an instrument; a part of it, as its settings for the way out.
struct Exports {
    ExportWish wish;
    std::array<bool, allProducts.size()> ticked{true, true, true, true}; ///< By Product.
    bool operator==(const Exports&) const = default;
};

} // namespace puretone
