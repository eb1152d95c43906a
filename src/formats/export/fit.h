// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "formats/project/instrument_file.h"

#include <string>
#include <vector>

namespace puretone {

const char* nameOf(Saver saver);

/// An instrument and choices that come to no more than so many bytes.
struct Fit {
    Instrument instrument;
    ExportChoices choices;
    std::uint64_t bytes = 0;
    bool met = false; ///< Otherwise that is as small as it gets.
    std::vector<std::string> said; ///< What was done for it, in its order.
};

/// Makes an export smaller, one saver after the other and each no further than needed, until it
/// fits.
///
/// @param path Says what is written: a SoundFont, SFZ with its samples, or a folder of WAV files
///        where it has no extension.
Fit fitInto(const Instrument& instrument, const std::filesystem::path& path,
    const ExportChoices& choices, std::uint64_t mostBytes, const std::vector<Saver>& order);

/// An instrument of fewer takes: 1 keeps one of those in turn; n from 2 on every n-th root of each
/// layer and touch, too. Those that stay take over the keys of those that go.
Instrument withFewerTakes(const Instrument& instrument, int every);

/// What an instrument sounds like with its samples as they will be written.
Instrument asWritten(Instrument instrument, const SoundChoices& choices);

} // namespace puretone
