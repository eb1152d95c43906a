// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDBusVariant>
#include <QObject>
#include <optional>

namespace puretone::app {

/// Whether the desktop wants dark windows, now and whenever it changes its mind: the setting
/// "color-scheme" of "org.freedesktop.appearance" in the XDG desktop portal's interface Settings.
/// Where there is no portal it says nothing.
class DesktopTheme : public QObject {
    Q_OBJECT

public:
    explicit DesktopTheme(QObject* parent = nullptr);
    /// Asks the portal; the answer comes as changed().
    void ask();
    /// 1 is dark and 2 is light; anything else is no wish.
    static std::optional<bool> darkFor(const QVariant& scheme);

public slots:
    void settingChanged(const QString& group, const QString& key, const QDBusVariant& value);

signals:
    void changed(bool dark);
};

} // namespace puretone::app
