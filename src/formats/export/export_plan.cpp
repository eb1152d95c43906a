// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/export/export_plan.h"

#include "formats/export/regions.h"

#include <algorithm>

namespace puretone {

namespace {

constexpr double bytesInMegabyte = 1e6;

FileKind kindOf(Product product)
{
    switch (product) {
    case Product::project:
        return FileKind::project;
    case Product::sfz:
        return FileKind::sfz;
    case Product::soundFont:
        return FileKind::sf2;
    case Product::wavs:
        break;
    }
    return FileKind::wav;
}

/// Several files in a folder of their own.
bool isSet(const Instrument& instrument, Product product, const ExportWish& wish)
{
    return product == Product::wavs && (instrument.takes.size() > 1 || wish.choices.keyStep > 0);
}

ExportChoices choicesFor(Product product, const ExportWish& wish)
{
    auto choices = wish.choices;
    if (wish.usualDepth)
        choices.sound.depth = usualChoices(kindOf(product)).sound.depth;
    return possible(choices, kindOf(product));
}

Fit fitFor(const Instrument& instrument, Product product, const ExportWish& wish,
    const std::filesystem::path& path)
{
    const auto choices = choicesFor(product, wish);
    if (product == Product::project || wish.limitMegabytes <= 0.0)
        return {instrument, choices, 0, true, {}};
    return fitInto(instrument, path, choices, std::uint64_t(wish.limitMegabytes * bytesInMegabyte),
        wish.savers);
}

} // namespace

std::filesystem::path productPath(const Instrument& instrument, Product product,
    const ExportWish& wish, const std::filesystem::path& folder)
{
    auto name = instrument.name;
    std::replace(name.begin(), name.end(), '/', '-');
    if (name.find_first_not_of(" \t") == std::string::npos)
        name = "Untitled";
    switch (product) {
    case Product::project:
        return folder / (name + ".puretone");
    case Product::sfz:
        return folder / (name + ".sfz");
    case Product::soundFont:
        return folder / (name + ".sf2");
    case Product::wavs:
        break;
    }
    return folder / (name + (isSet(instrument, product, wish) ? " WAV" : ".wav"));
}

ProductPlan planProduct(const Instrument& instrument, Product product, const ExportWish& wish,
    const std::filesystem::path& folder)
{
    const auto path = productPath(instrument, product, wish, folder);
    const auto fit = fitFor(instrument, product, wish, path);
    const bool set = isSet(instrument, product, wish);
    ProductPlan plan;
    plan.files = set ? plannedWavSet(fit.instrument, path, fit.choices)
                     : plannedFiles(fit.instrument, path, fit.choices);
    plan.bytes = totalBytes(plan.files);
    plan.exact = std::all_of(
        plan.files.begin(), plan.files.end(), [](const PlannedFile& file) { return file.exact; });
    plan.fits = fit.met;
    plan.said = fit.said;
    // A set of keys is what is heard, with everything.
    if (product != Product::wavs || wish.choices.keyStep == 0)
        plan.losses = lossesOf(fit.instrument, kindOf(product), set);
    return plan;
}

Result<Written> writeProduct(const Instrument& instrument, Product product, const ExportWish& wish,
    const std::filesystem::path& folder, const Progress& progress)
{
    const auto path = productPath(instrument, product, wish, folder);
    const auto fit = fitFor(instrument, product, wish, path);
    return isSet(instrument, product, wish)
        ? writeWavSet(fit.instrument, path, fit.choices, progress)
        : writeInstrument(fit.instrument, path, fit.choices, progress);
}

Instrument heardProduct(const Instrument& instrument, Product product, const ExportWish& wish,
    const std::filesystem::path& folder)
{
    const auto fit =
        fitFor(instrument, product, wish, productPath(instrument, product, wish, folder));
    auto heard = asWritten(fit.instrument, fit.choices.sound);
    heard.effects.clear();
    return sanitized(std::move(heard));
}

} // namespace puretone
