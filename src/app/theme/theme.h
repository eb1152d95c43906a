// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QColor>
#include <QFont>
#include <QString>

class QApplication;

namespace puretone::app {

enum class ThemeName { daybreak, nightWatch };

/// Every colour of the window. Nothing else in `app` names one.
struct Tokens {
    QColor paper; ///< Behind everything.
    QColor panel; ///< Cards, fields' surroundings.
    QColor ink;
    QColor quietInk;
    QColor line;
    QColor sea; ///< Main action, kept sound.
    QColor brass; ///< Root key, pitch.
    QColor heather; ///< Loop, seam.
    QColor coral; ///< Wants a look.
    QColor well; ///< Fields and small pictures: between paper and panel.
    QColor faded; ///< What is cut away or out of range.
    QColor onSea; ///< Text on a sea-coloured button.
};

/// Sizes that come back everywhere, device-independent pixels.
inline constexpr int gap = 16;
inline constexpr int cardRadius = 8;
inline constexpr int detailsWidth = 264;

class Theme {
public:
    /// Loads the shipped fonts; once, after the QApplication exists.
    static void loadFonts();
    /// Gives the whole application the palette, font and style sheet of a theme.
    static void apply(QApplication& application, ThemeName name);
    static ThemeName name();
    static const Tokens& tokens();

    /// How much larger than ours the desktop wants text, 0.9 to 1.25; shown by the next apply().
    static void setTextScale(double scale);
    static double textScale();
    /// The scale that a desktop's own font asks for: those of 9 to 12 points are usual sizes.
    static double scaleOf(const QFont& desktops);

    enum class Weight { regular, medium, strong };
    /// @param pixelSize Before the desktop's scale.
    static QFont font(int pixelSize, Weight weight = Weight::regular);
};

/// Typographic signs for the window: "A♯3", "−12 ct".
QString typeset(const QString& plain);
QString typeset(const std::string& plain);
/// A message of the core, by its id, in the language of the program.
QString said(const char* id);

} // namespace puretone::app
