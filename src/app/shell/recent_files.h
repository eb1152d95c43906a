// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QStringList>

namespace puretone::app {

/// The files that were opened last, newest first; remembered between starts.
class RecentFiles {
public:
    static constexpr int most = 12;
    static QStringList list();
    static void add(const QString& path);
};

} // namespace puretone::app
