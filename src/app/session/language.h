// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCoreApplication>
#include <QStringList>

namespace puretone::app::language {

/// What the window can say: "en" and one for each catalogue in src/app/translations.
QStringList known();
/// The name of one, in itself: "Deutsch".
QString nameOf(const QString& code);

/// The first of the desktop's languages that is known; "en" where none is.
QString ofDesktop();

/// From now on the window, the core and Qt's own dialogs speak it. Before any widget is made: what
/// stands there already keeps its words.
///
/// @param code Of `known()`; anything else is English.
void speak(const QString& code);

} // namespace puretone::app::language
