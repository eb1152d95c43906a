// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/settings.h"

#include "app/session/files/opening.h"
#include "base/in_range.h"

#include <QApplication>
#include <QDir>
#include <QFileInfo>
#include <QPalette>
#include <QSettings>
#include <QStandardPaths>

namespace puretone::app::settings {

namespace {

bool desktopIsDark = false;
constexpr double bytesInMegabyte = 1e6;
constexpr double usualUndoMegabytes = 1000.0, leastUndoMegabytes = 50.0,
                 mostUndoMegabytes = 64000.0;

} // namespace

ThemeWish themeWish()
{
    return ThemeWish(intIn(QSettings().value(QStringLiteral("theme"), 0).toInt(), 0, 2));
}

void setThemeWish(ThemeWish wish)
{
    QSettings().setValue(QStringLiteral("theme"), int(wish));
}

void lookAtDesktop()
{
    constexpr int middle = 128;
    desktopIsDark = QApplication::palette().window().color().lightness() < middle;
}

void setDesktopDark(bool dark)
{
    desktopIsDark = dark;
}

ThemeName themeFor(ThemeWish wish)
{
    const bool dark =
        wish == ThemeWish::nightWatch || (wish == ThemeWish::asDesktop && desktopIsDark);
    return dark ? ThemeName::nightWatch : ThemeName::daybreak;
}

double desktopTextScale()
{
    return inRange(
        QSettings().value(QStringLiteral("desktopTextScale"), 1.0).toDouble(), 0.5, 3.0, 1.0);
}

void setDesktopTextScale(double factor)
{
    QSettings().setValue(QStringLiteral("desktopTextScale"), factor);
}

QString languageWish()
{
    return QSettings().value(QStringLiteral("language")).toString();
}

void setLanguageWish(const QString& code)
{
    QSettings().setValue(QStringLiteral("language"), code);
}

Naming naming()
{
    const QSettings kept;
    Naming naming;
    naming.middleCOctave =
        intIn(kept.value(QStringLiteral("middleC"), naming.middleCOctave).toInt(), 3, 5);
    naming.accidentals = kept.value(QStringLiteral("flats"), false).toBool() ? Accidentals::flats
                                                                             : Accidentals::sharps;
    return naming;
}

void setNaming(const Naming& naming)
{
    QSettings kept;
    kept.setValue(QStringLiteral("middleC"), naming.middleCOctave);
    kept.setValue(QStringLiteral("flats"), naming.accidentals == Accidentals::flats);
}

double a4()
{
    return inRange(QSettings().value(QStringLiteral("a4"), concertPitch.value).toDouble(), lowestA4,
        highestA4, concertPitch.value);
}

void setA4(double hz)
{
    QSettings().setValue(QStringLiteral("a4"), hz);
}

std::filesystem::path recordingsFolder()
{
    const auto chosen = QSettings().value(QStringLiteral("recordings")).toString();
    return QFileInfo(chosen).isDir() ? std::filesystem::path(chosen.toStdString())
                                     : Opening::dataFolder() / "recordings";
}

void setRecordingsFolder(const QString& folder)
{
    QSettings().setValue(QStringLiteral("recordings"), folder);
}

QString folder(const QString& setting, const QString& otherwise)
{
    for (const auto& folder : {QSettings().value(setting).toString(), otherwise,
             QStandardPaths::writableLocation(QStandardPaths::MusicLocation)})
        if (QFileInfo(folder).isDir())
            return folder;
    return QDir::homePath();
}

void setFolder(const QString& setting, const QString& folder)
{
    QSettings().setValue(setting, folder);
}

std::uint64_t mostUndoBytes()
{
    const double megabytes =
        QSettings().value(QStringLiteral("undoMegabytes"), usualUndoMegabytes).toDouble();
    return std::uint64_t(
        inRange(megabytes, leastUndoMegabytes, mostUndoMegabytes, usualUndoMegabytes)
        * bytesInMegabyte);
}

void setMostUndoBytes(std::uint64_t bytes)
{
    QSettings().setValue(QStringLiteral("undoMegabytes"), double(bytes) / bytesInMegabyte);
}

bool firstStart()
{
    QSettings kept;
    const bool first = !kept.value(QStringLiteral("started"), false).toBool();
    kept.setValue(QStringLiteral("started"), true);
    return first;
}

} // namespace puretone::app::settings
