// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/desktop_theme.h"

#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusPendingCallWatcher>
#include <QDBusPendingReply>
#include <QFileInfo>

namespace puretone::app {

namespace {

const auto service = QStringLiteral("org.freedesktop.portal.Desktop");
const auto portalPath = QStringLiteral("/org/freedesktop/portal/desktop");
const auto interface = QStringLiteral("org.freedesktop.portal.Settings");
const auto appearance = QStringLiteral("org.freedesktop.appearance");
const auto scheme = QStringLiteral("color-scheme");
const auto desktop = QStringLiteral("org.gnome.desktop.interface");
const auto textScale = QStringLiteral("text-scaling-factor");

/// Whether there is a bus already: where there is none, the library would start one, and wait.
bool hasBus()
{
    return qEnvironmentVariableIsSet("DBUS_SESSION_BUS_ADDRESS")
        || QFileInfo::exists(qEnvironmentVariable("XDG_RUNTIME_DIR") + QStringLiteral("/bus"));
}

} // namespace

DesktopTheme::DesktopTheme(QObject* parent)
    : QObject(parent)
{
}

void DesktopTheme::ask()
{
    if (!hasBus())
        return;
    auto bus = QDBusConnection::sessionBus();
    if (!bus.isConnected())
        return;
    bus.connect(service, portalPath, interface, QStringLiteral("SettingChanged"), this,
        SLOT(settingChanged(QString, QString, QDBusVariant)));
    read(appearance, scheme);
    read(desktop, textScale);
}

void DesktopTheme::read(const QString& group, const QString& key)
{
    auto call =
        QDBusMessage::createMethodCall(service, portalPath, interface, QStringLiteral("Read"));
    call << group << key;
    auto* answer = new QDBusPendingCallWatcher(QDBusConnection::sessionBus().asyncCall(call), this);
    connect(answer, &QDBusPendingCallWatcher::finished, this, [this, answer, group, key] {
        const QDBusPendingReply<QDBusVariant> reply = *answer;
        if (!reply.isError())
            settingChanged(group, key, reply.value());
        answer->deleteLater();
    });
}

namespace {

/// Portals of old wrap it twice.
QVariant unwrapped(QVariant value)
{
    while (value.canConvert<QDBusVariant>())
        value = value.value<QDBusVariant>().variant();
    return value;
}

} // namespace

std::optional<double> DesktopTheme::textScaleFor(const QVariant& value)
{
    bool isNumber = false;
    const double factor = unwrapped(value).toDouble(&isNumber);
    return isNumber && factor > 0.0 ? std::optional(factor) : std::nullopt;
}

std::optional<bool> DesktopTheme::darkFor(const QVariant& value)
{
    bool isNumber = false;
    const auto number = unwrapped(value).toUInt(&isNumber);
    if (!isNumber || number < 1 || number > 2)
        return std::nullopt;
    return number == 1;
}

void DesktopTheme::settingChanged(
    const QString& group, const QString& key, const QDBusVariant& value)
{
    if (group == desktop && key == textScale)
        if (const auto factor = textScaleFor(value.variant()))
            emit textScaled(*factor);
    if (group != appearance || key != scheme)
        return;
    if (const auto dark = darkFor(value.variant()))
        emit changed(*dark);
}

} // namespace puretone::app
