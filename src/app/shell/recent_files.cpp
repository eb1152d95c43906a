// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/recent_files.h"

#include <QFileInfo>
#include <QSettings>

namespace puretone::app {

namespace {

const QString recentKey = QStringLiteral("recent");

} // namespace

QStringList RecentFiles::list()
{
    return QSettings().value(recentKey).toStringList();
}

void RecentFiles::add(const QString& path)
{
    auto paths = list();
    const QString whole = QFileInfo(path).absoluteFilePath();
    paths.removeAll(whole);
    paths.prepend(whole);
    QSettings().setValue(recentKey, QStringList(paths.mid(0, most)));
}

} // namespace puretone::app
