// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/sound_files.h"

#include "formats/project/instrument_file.h"

#include <QDir>
#include <QFileInfo>
#include <QObject>
#include <QUrl>

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

bool isInstrumentFile(const QString& path)
{
    const auto kind = kindOfFile(path.toStdString());
    return kind && *kind != FileKind::wav;
}

Dropped droppedPaths(const QMimeData& data)
{
    Dropped dropped;
    for (const auto& url : data.urls()) {
        if (!url.isLocalFile()) {
            dropped.remote = url.toDisplayString();
            continue;
        }
        const QString path = url.toLocalFile();
        if (!QFileInfo(path).isDir()) {
            dropped.paths << path;
            continue;
        }
        dropped.folders = true;
        dropped.paths << soundFilesIn(path);
    }
    dropped.emptyFolders = dropped.folders && dropped.paths.isEmpty();
    return dropped;
}

} // namespace puretone::app
