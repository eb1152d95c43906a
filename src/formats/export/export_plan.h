// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "formats/export/fit.h"

namespace puretone {

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
