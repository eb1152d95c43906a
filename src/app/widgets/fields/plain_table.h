// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QTableWidget>

namespace puretone::app {

/// A table in the look of the window: no grid, no row numbers, nothing to type into.
QTableWidget* makePlainTable(const QStringList& heads, QWidget* parent);

} // namespace puretone::app
