// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDBusVariant>
#include <QObject>
#include <optional>

namespace puretone::app {

/// Whether the desktop wants dark windows, and how large text, now and whenever it changes its
/// mind: the settings "color-scheme" of "org.freedesktop.appearance" and "text-scaling-factor" of
/// "org.gnome.desktop.interface" in the XDG desktop portal's interface Settings.
/// Where there is no portal it says nothing.
class DesktopTheme : public QObject {
    Q_OBJECT

public:
    explicit DesktopTheme(QObject* parent = nullptr);
    /// Asks the portal; the answer comes as changed().
    void ask();
    /// GNOME's "text-scaling-factor"; nothing for what is no number.
    static std::optional<double> textScaleFor(const QVariant& factor);
    /// 1 is dark and 2 is light; anything else is no wish.
    static std::optional<bool> darkFor(const QVariant& scheme);

private:
    void read(const QString& group, const QString& key);

public slots:
    void settingChanged(const QString& group, const QString& key, const QDBusVariant& value);

signals:
    void changed(bool dark);
    void textScaled(double factor);
};

} // namespace puretone::app
