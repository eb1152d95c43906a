// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QMimeData>
#include <QStringList>
#include <optional>

namespace puretone::app {

/// Endings of what may be sound; what a file really is shows when it is opened.
QStringList soundPatterns();
/// For file dialogs: recordings alone, or with instruments.
QString soundFilter();
QString soundAndInstrumentFilter();
/// The sound files directly inside a folder, by name.
QStringList soundFilesIn(const QString& folder);
/// By its name: a document or a bank, which is opened and not added to one.
bool isInstrumentFile(const QString& path);

/// What was let go over the window.
struct Dropped {
    QStringList paths; ///< Files, with those inside every folder.
    bool folders = false; ///< Some of them came as folders,
    bool emptyFolders = false; ///< which hold no sound, all of them.
    std::optional<QString> remote; ///< An address on another computer; of files of this one none.
};
Dropped droppedPaths(const QMimeData& data);

} // namespace puretone::app
