// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/sound_files.h"

#include <QDir>
#include <QObject>

namespace puretone::app {

QStringList soundPatterns()
{
    return {"*.wav", "*.aif", "*.aiff", "*.flac", "*.ogg", "*.opus", "*.mp3"};
}

QString soundFilter()
{
    return QObject::tr("Sound (%1);;All files (*)").arg(soundPatterns().join(QLatin1Char(' ')));
}

QString soundAndInstrumentFilter()
{
    return QObject::tr("Sound and instruments (%1 *.puretone *.sfz *.sf2);;All files (*)")
        .arg(soundPatterns().join(QLatin1Char(' ')));
}

QStringList soundFilesIn(const QString& folder)
{
    QStringList paths;
    for (const auto& info : QDir(folder).entryInfoList(soundPatterns(), QDir::Files, QDir::Name))
        paths << info.absoluteFilePath();
    return paths;
}

} // namespace puretone::app
