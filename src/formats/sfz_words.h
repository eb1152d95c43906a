// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/layer.h"

#include <utility>

// What the writer and the reader of SFZ share.
namespace puretone::sfz {

inline constexpr std::pair<SoundsWhen, const char*> triggers[] = {{SoundsWhen::press, "attack"},
    {SoundsWhen::release, "release"}, {SoundsWhen::phraseStart, "first"},
    {SoundsWhen::phraseOn, "legato"}};

inline constexpr std::pair<FilterKind, const char*> filterTypes[] = {{FilterKind::low, "lpf"},
    {FilterKind::high, "hpf"}, {FilterKind::band, "bpf"}, {FilterKind::notch, "brf"}};

/// Resonance is the height of the peak in dB, as the format has it.
inline constexpr double resonanceDb = 28.9432; // 28 times

} // namespace puretone::sfz
