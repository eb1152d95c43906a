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
    auto read =
        QDBusMessage::createMethodCall(service, portalPath, interface, QStringLiteral("Read"));
    read << appearance << scheme;
    auto* answer = new QDBusPendingCallWatcher(bus.asyncCall(read), this);
    connect(answer, &QDBusPendingCallWatcher::finished, this, [this, answer] {
        const QDBusPendingReply<QDBusVariant> reply = *answer;
        if (!reply.isError())
            settingChanged(appearance, scheme, reply.value());
        answer->deleteLater();
    });
}

std::optional<bool> DesktopTheme::darkFor(const QVariant& value)
{
    // Portals of old wrap it twice.
    QVariant inner = value;
    while (inner.canConvert<QDBusVariant>())
        inner = inner.value<QDBusVariant>().variant();
    bool isNumber = false;
    const auto number = inner.toUInt(&isNumber);
    if (!isNumber || number < 1 || number > 2)
        return std::nullopt;
    return number == 1;
}

void DesktopTheme::settingChanged(
    const QString& group, const QString& key, const QDBusVariant& value)
{
    if (group != appearance || key != scheme)
        return;
    if (const auto dark = darkFor(value.variant()))
        emit changed(*dark);
}

} // namespace puretone::app
