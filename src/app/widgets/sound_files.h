// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QStringList>

namespace puretone::app {

/// Endings of what may be sound; what a file really is shows when it is opened.
QStringList soundPatterns();
/// For file dialogs: recordings alone, or with instruments.
QString soundFilter();
QString soundAndInstrumentFilter();
/// The sound files directly inside a folder, by name.
QStringList soundFilesIn(const QString& folder);

} // namespace puretone::app
