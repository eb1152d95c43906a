// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/theme/theme.h"
#include "pitch/series/note.h"

#include <QString>
#include <cstdint>
#include <filesystem>

namespace puretone::app {

/// What holds for all instruments and stays from one session to the next.
namespace settings {

enum class ThemeWish { daybreak, nightWatch, asDesktop };
ThemeWish themeWish();
void setThemeWish(ThemeWish wish);
/// Before the first theme is applied: whether the desktop's own colours are dark.
void lookAtDesktop();
/// What the desktop says itself, which may change.
void setDesktopDark(bool dark);
ThemeName themeFor(ThemeWish wish);

/// How much larger than usual the desktop said that it wants text.
double desktopTextScale();
void setDesktopTextScale(double factor);

/// A code of language::known(); empty for the desktop's.
QString languageWish();
void setLanguageWish(const QString& code);

Naming naming();
void setNaming(const Naming& naming);

/// Of A4 in new instruments, Hz.
double a4();
void setA4(double hz);

/// Where recordings go.
std::filesystem::path recordingsFolder();
void setRecordingsFolder(const QString& folder);

/// Where files of a kind were found or put last, by the name of its setting; as long as there is
/// none, `otherwise`, or the user's music, or home.
QString folder(const QString& setting, const QString& otherwise = {});
inline const QString resultsFolder = QStringLiteral("folders/results");
inline const QString shelfFolder = QStringLiteral("folders/shelf");
void setFolder(const QString& setting, const QString& folder);

/// Of recordings that only undo still wants, bytes.
std::uint64_t mostUndoBytes();
void setMostUndoBytes(std::uint64_t bytes);

/// Whether this is the first time that somebody starts the program here; not a second time.
bool firstStart();

} // namespace settings

} // namespace puretone::app
