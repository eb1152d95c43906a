// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/application.h"

#include "app/session/background.h"

namespace puretone::app {

bool Application::notify(QObject* receiver, QEvent* event)
{
    try {
        return QApplication::notify(receiver, event);
    } catch (...) {
        // Later: painting may have been under way.
        QMetaObject::invokeMethod(
            this, [this, error = describeException()] { emit failed(error); },
            Qt::QueuedConnection);
        return false;
    }
}

} // namespace puretone::app
