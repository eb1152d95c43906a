// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>
#include <QStringList>

class QWidget;

namespace puretone::app {

/// Questions for files and folders. Each kind of file begins where the last one of its kind was
/// found or put; the first time among the user's music.
namespace dialogs {

enum class Kind { sounds, shelf, notes, instruments, results };

/// The folder that a question would begin with.
QString folderOf(Kind kind);

/// Each is empty when nothing was chosen. @param filter As QFileDialog has it.
QString file(QWidget* parent, const QString& title, const QString& filter, Kind kind);
QStringList files(QWidget* parent, const QString& title, const QString& filter, Kind kind);
QString folder(QWidget* parent, const QString& title, Kind kind);
/// Asks before a file that is there is replaced, also where its ending was not typed.
/// @param proposal A name, or a path, which counts more than the folder of the last one.
/// @param ending "wav": what a name without one gets.
QString newFile(QWidget* parent, const QString& title, const QString& proposal,
    const QString& filter, const QString& ending, Kind kind);
/// A WAV or FLAC file among the results.
QString newSound(QWidget* parent, const QString& title, const QString& proposal);

} // namespace dialogs

} // namespace puretone::app
