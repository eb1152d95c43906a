// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/typing_keys.h"

#include <algorithm>
#include <array>

namespace puretone::app {

std::optional<int> TypingKeys::keyOf(int qtKey) const
{
    // In the order of the semitones.
    static constexpr std::array<int, 17> letters = {Qt::Key_A, Qt::Key_W, Qt::Key_S, Qt::Key_E,
        Qt::Key_D, Qt::Key_F, Qt::Key_T, Qt::Key_G, Qt::Key_Y, Qt::Key_H, Qt::Key_U, Qt::Key_J,
        Qt::Key_K, Qt::Key_O, Qt::Key_L, Qt::Key_P, Qt::Key_Semicolon};
    const auto found = std::find(letters.begin(), letters.end(), qtKey);
    if (found == letters.end())
        return std::nullopt;
    return std::min(127, lowest_ + int(found - letters.begin()));
}

bool TypingKeys::press(int qtKey)
{
    return down_.insert(qtKey).second;
}

void TypingKeys::shiftOctave(int by)
{
    lowest_ = std::clamp(lowest_ + 12 * by, 0, 108);
}

} // namespace puretone::app
