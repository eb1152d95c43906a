// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

class QWidget;

namespace puretone::app {

/// The one place that lists every shortcut.
void showShortcuts(QWidget* parent);

} // namespace puretone::app
