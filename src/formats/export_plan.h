// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "formats/fit.h"

#include <array>

namespace puretone {

/// What an export can make.
enum class Product { project, sfz, soundFont, wavs };
inline constexpr std::array allProducts = {
    Product::project, Product::sfz, Product::soundFont, Product::wavs};

/// What is wished of all of them; a project is what it is.
struct ExportWish {
    ExportChoices choices;
    bool usualDepth = true; ///< 16 bits in a SoundFont and 24 elsewhere, whatever `choices` say.
    double limitMegabytes = 0.0; ///< For each of them; 0 for none.
    std::vector<Saver> savers = usualSavers();
    bool operator==(const ExportWish&) const = default;
};

/// What a product will be.
struct ProductPlan {
    std::vector<PlannedFile> files;
    std::uint64_t bytes = 0;
    bool exact = true;
    bool fits = true; ///< Into the limit.
    std::vector<std::string> said; ///< What was done to fit.
    std::vector<std::string> losses; ///< What the format does not carry.
};

/// The file of a product, named after the instrument, or the folder of several WAV files.
std::filesystem::path productPath(const Instrument& instrument, Product product,
    const ExportWish& wish, const std::filesystem::path& folder);
ProductPlan planProduct(const Instrument& instrument, Product product, const ExportWish& wish,
    const std::filesystem::path& folder);
/// Writes and checks it, see writeInstrument and writeWavSet.
Result<Written> writeProduct(const Instrument& instrument, Product product, const ExportWish& wish,
    const std::filesystem::path& folder, const Progress& progress = {});
/// What it will sound like: without effects, which no format has.
Instrument heardProduct(const Instrument& instrument, Product product, const ExportWish& wish,
    const std::filesystem::path& folder);

} // namespace puretone
