// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/window_place.h"

#include <QScreen>
#include <QSettings>
#include <QWidget>

namespace puretone::app {

namespace {

const QString placeKey = QStringLiteral("window");
constexpr QSize wanted{1280, 800}, least{1000, 660};
constexpr int frame = 32; ///< A title bar, whose height is not known before it is there.

} // namespace

void placeWindow(QWidget& window)
{
    const QSize room = window.screen()->availableSize() - QSize(0, frame);
    window.setMinimumSize(least.boundedTo(room));
    window.resize(wanted.boundedTo(room));
    // A place on a screen that has gone is brought back onto one that is there.
    window.restoreGeometry(QSettings().value(placeKey).toByteArray());
    window.resize(window.size().boundedTo(window.screen()->availableSize()));
}

void rememberPlace(const QWidget& window)
{
    QSettings().setValue(placeKey, window.saveGeometry());
}

} // namespace puretone::app
