// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

class QWidget;

namespace puretone::app {

/// Gives a window the place and size that it had when it was last closed; at first 1280 by 800, or
/// what the screen that is there has room for.
void placeWindow(QWidget& window);
/// To be called when it closes.
void rememberPlace(const QWidget& window);

} // namespace puretone::app
