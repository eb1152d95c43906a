// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/docks/typing_keys.h"

#include <algorithm>
#include <array>

namespace puretone::app {

namespace {

struct Place {
    quint32 scanCode; ///< Of X11 and Wayland: the kernel's event code plus 8.
    int symbol; ///< On an English keyboard.
};

/// In the order of the semitones.
constexpr std::array<Place, 17> places = {{{38, Qt::Key_A}, {25, Qt::Key_W}, {39, Qt::Key_S},
    {26, Qt::Key_E}, {40, Qt::Key_D}, {41, Qt::Key_F}, {28, Qt::Key_T}, {42, Qt::Key_G},
    {29, Qt::Key_Y}, {43, Qt::Key_H}, {30, Qt::Key_U}, {44, Qt::Key_J}, {45, Qt::Key_K},
    {32, Qt::Key_O}, {46, Qt::Key_L}, {33, Qt::Key_P}, {47, Qt::Key_Semicolon}}};

} // namespace

quint32 TypingKeys::placeOf(const QKeyEvent& event)
{
    // Symbols are numbered from 32 on without a scan code; the highest bit keeps both apart.
    return event.nativeScanCode() != 0 ? event.nativeScanCode()
                                       : quint32(event.key()) | 0x80000000U;
}

std::optional<int> TypingKeys::keyOf(const QKeyEvent& event) const
{
    // Events that no keyboard made have none.
    const auto scan = event.nativeScanCode();
    const auto found = std::find_if(places.begin(), places.end(), [&](const Place& place) {
        return scan != 0 ? place.scanCode == scan : place.symbol == event.key();
    });
    if (found == places.end())
        return std::nullopt;
    return std::min(127, lowest_ + int(found - places.begin()));
}

void TypingKeys::shiftOctave(int by)
{
    lowest_ = std::clamp(lowest_ + 12 * by, 0, 108);
}

} // namespace puretone::app
