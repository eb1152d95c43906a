// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/theme/theme.h"

#include "base/say.h"

#include <QApplication>
#include <QFontDatabase>
#include <QPalette>
#include <QRegularExpression>
#include <QStyleFactory>

/// Resources in a static library have to be asked for, from outside every namespace.
static void initResources()
{
    Q_INIT_RESOURCE(fonts);
    Q_INIT_RESOURCE(marks);
}
#include <algorithm>
#include <cmath>

namespace puretone::app {

namespace {

const Tokens daybreak{QColor("#F5F2EB"), QColor("#FFFDF8"), QColor("#1F2D36"), QColor("#5E6C74"),
    QColor("#D9D3C6"), QColor("#1C6E73"), QColor("#8F6314"), QColor("#6A5AA8"), QColor("#B8452F"),
    QColor("#F5F2EB"), QColor("#CFCABD"), QColor("#FFFDF8")};
const Tokens nightWatch{QColor("#161C22"), QColor("#1E262E"), QColor("#E8E3D8"), QColor("#93A0A8"),
    QColor("#33404A"), QColor("#58B3AE"), QColor("#E0B25C"), QColor("#A99BE0"), QColor("#F08A72"),
    QColor("#161C22"), QColor("#3B4852"), QColor("#161C22")};

ThemeName current = ThemeName::daybreak;
double scale = 1.0; ///< Of text.

QPalette paletteOf(const Tokens& t)
{
    QPalette p;
    p.setColor(QPalette::Window, t.paper);
    p.setColor(QPalette::WindowText, t.ink);
    p.setColor(QPalette::Base, t.panel);
    p.setColor(QPalette::AlternateBase, t.well);
    p.setColor(QPalette::Text, t.ink);
    p.setColor(QPalette::Button, t.panel);
    p.setColor(QPalette::ButtonText, t.ink);
    p.setColor(QPalette::Highlight, t.sea);
    p.setColor(QPalette::HighlightedText, t.onSea);
    p.setColor(QPalette::PlaceholderText, t.quietInk);
    p.setColor(QPalette::ToolTipBase, t.ink);
    p.setColor(QPalette::ToolTipText, t.paper);
    p.setColor(QPalette::Disabled, QPalette::Text, t.quietInk);
    p.setColor(QPalette::Disabled, QPalette::ButtonText, t.quietInk);
    p.setColor(QPalette::Disabled, QPalette::WindowText, t.quietInk);
    return p;
}

/// %1 paper, %2 panel, %3 ink, %4 quiet ink, %5 line, %6 sea, %7 brass, %8 heather, %9 coral,
/// %10 well, %11 on sea.
constexpr const char* sheet = R"(
QWidget#window { background: %1; }
QFrame[sheet="true"] { background: %2; border: 1px solid %6; border-radius: 10px; }
QFrame[card="true"] { background: %2; border: 1px solid %5; border-radius: 8px; }
QLabel { background: transparent; }
QLabel[role="quiet"] { color: %4; }
QLabel[role="heading"] { color: %3; font-weight: 600; }
QLabel[role="concern"] { color: %9; }
QFrame[role="rule"] { background: %5; border: none; max-height: 1px; min-height: 1px; }
QPushButton { background: %2; color: %3; border: 1px solid %5; border-radius: 14px;
    padding: 0 12px; min-height: 27px; outline: none; }
QPushButton:hover { border-color: %6; }
QPushButton:focus { border: 2px solid %6; }
QPushButton:checked, QPushButton[kind="main"] { background: %6; color: %11; border-color: %6; }
QPushButton[kind="main"]:hover, QPushButton:checked:hover { border-color: %3; }
QPushButton[kind="main"]:focus, QPushButton:checked:focus { border: 2px solid %3; }
QPushButton:disabled { color: %4; background: %10; border-color: %5; }
QPushButton[kind="plain"] { border: none; background: transparent; padding: 0 2px; text-align: left; }
QPushButton[kind="plain"]:hover, QPushButton[kind="plain"]:focus { color: %6; text-decoration: underline; }
QPushButton[kind="fold"], QPushButton[kind="fold"]:checked { border: none; background: transparent;
    color: %3; padding: 0; text-align: left; min-height: 24px; }
QPushButton[kind="fold"]:hover, QPushButton[kind="fold"]:focus { color: %6; }
QPushButton[kind="dot"] { border-radius: 7px; padding: 0; min-height: 10px; max-height: 10px;
    min-width: 10px; max-width: 10px; background: %2; border: 2px solid %4; }
QPushButton[kind="dot"]:checked { background: %6; border: 2px solid %6; }
QFrame[role="row"] { background: %10; border: 1px solid transparent; border-radius: 5px; }
QFrame[role="row"][chosen="true"] { border-color: %8; }
QFrame[role="row"]:focus { border-color: %6; }
QPushButton[kind="small"] { border-radius: 11px; padding: 0 10px; min-height: 21px;
    font-size: %13px; }
QToolButton { color: %3; }
QToolButton:hover, QToolButton:focus { color: %6; }
QToolButton:disabled { color: %5; }
QLineEdit { background: %10; color: %3; border: 1px solid transparent; border-radius: 4px;
    padding: 0 9px; min-height: 24px; selection-background-color: %6; selection-color: %11; }
QLineEdit:hover { border-color: %5; }
QLineEdit:focus { border-color: %6; }
QLineEdit:disabled { color: %4; }
QComboBox { background: %10; color: %3; border: 1px solid transparent; border-radius: 4px;
    padding: 0 2px 0 9px; min-height: 24px; }
QComboBox:hover { border-color: %5; }
QComboBox:focus { border-color: %6; }
QComboBox::drop-down { border: none; width: 16px; }
QComboBox::down-arrow { image: url(:/marks/choice-%12.png); width: 9px; height: 9px; }
QCheckBox::indicator { width: 12px; height: 12px; border: 1px solid %4; border-radius: 3px;
    background: %10; }
QCheckBox::indicator:hover, QCheckBox:focus::indicator { border-color: %6; }
QCheckBox::indicator:checked { background: %6; border-color: %6; image: url(:/marks/tick-%12.png); }
QCheckBox::indicator:disabled { border-color: %5; }
QCheckBox::indicator:checked:disabled { background: %5; }
QComboBox QAbstractItemView { background: %2; color: %3; border: 1px solid %5;
    selection-background-color: %6; selection-color: %11; outline: none; }
QMenu { background: %2; color: %3; border: 1px solid %5; padding: 6px 0; }
QMenu::item { padding: 5px 26px 5px 16px; }
QMenu::item:selected { background: %6; color: %11; }
QMenu::item:disabled { color: %4; }
QMenu::separator { height: 1px; background: %5; margin: 5px 0; }
QToolTip { background: %3; color: %1; border: none; padding: 5px 8px; }
QProgressBar { background: %5; border: none; border-radius: 3px; max-height: 6px; min-height: 6px; }
QProgressBar::chunk { background: %6; border-radius: 3px; }
QScrollArea, QScrollArea > QWidget > QWidget { background: transparent; border: none; }
QScrollBar:vertical { background: transparent; width: 8px; margin: 0; }
QScrollBar::handle:vertical { background: %5; border-radius: 4px; min-height: 24px; }
QScrollBar::add-line, QScrollBar::sub-line { height: 0; width: 0; }
QDialog { background: %1; }
QDialogButtonBox { dialogbuttonbox-buttons-have-icons: 0; }
)";

} // namespace

void Theme::loadFonts()
{
    initResources();
    for (const char* file : {"PureToneText-Regular.otf", "PureToneText-Medium.otf",
             "PureToneText-SemiBold.otf", "PureToneSigns.ttf"})
        QFontDatabase::addApplicationFont(QStringLiteral(":/fonts/") + QLatin1String(file));
}

void Theme::apply(QApplication& application, ThemeName name)
{
    current = name;
    const Tokens& t = tokens();
    application.setStyle(QStyleFactory::create(QStringLiteral("Fusion")));
    application.setPalette(paletteOf(t));
    application.setFont(font(13));
    QString text = QString::fromLatin1(sheet);
    text.replace(QLatin1String("%13"), QString::number(font(12).pixelSize()));
    text.replace(
        QLatin1String("%12"), QLatin1String(name == ThemeName::daybreak ? "daybreak" : "night"));
    // From the highest number down: %1 must not eat the beginning of %10.
    const QColor* order[] = {&t.paper, &t.panel, &t.ink, &t.quietInk, &t.line, &t.sea, &t.brass,
        &t.heather, &t.coral, &t.well, &t.onSea};
    for (int i = 11; i >= 1; --i)
        text.replace(QLatin1Char('%') + QString::number(i), order[i - 1]->name());
    application.setStyleSheet(text);
}

void Theme::setTextScale(double wanted)
{
    // Rows and bars are made for text of about our size.
    scale = std::clamp(wanted, 0.9, 1.25);
}

double Theme::textScale()
{
    return scale;
}

double Theme::scaleOf(const QFont& desktops)
{
    constexpr double least = 9.0, most = 12.0, usual = 11.0;
    const double points = desktops.pointSizeF(); // below 0 where it is set in pixels
    return points > most ? points / usual : points > 0.0 && points < least ? points / least : 1.0;
}

ThemeName Theme::name()
{
    return current;
}

const Tokens& Theme::tokens()
{
    return current == ThemeName::daybreak ? daybreak : nightWatch;
}

QFont Theme::font(int pixelSize, Weight weight)
{
    QFont font;
    font.setFamilies({QStringLiteral("Pure Tone Text"), QStringLiteral("Pure Tone Signs")});
    font.setPixelSize(int(std::lround(pixelSize * scale)));
    font.setWeight(weight == Weight::strong ? QFont::DemiBold
            : weight == Weight::medium      ? QFont::Medium
                                            : QFont::Normal);
    font.setHintingPreference(QFont::PreferNoHinting);
    return font;
}

QString typeset(const QString& plain)
{
    // Most texts hold none of it, and lists of hundreds of takes ask at every change.
    if (!plain.contains(QLatin1Char('#')) && !plain.contains(QLatin1Char('-'))
        && !plain.contains(QLatin1Char('b')))
        return plain;
    QString text = plain;
    // Note names only: a letter A to G, then the sign, then an octave number.
    static const QRegularExpression sharp(QStringLiteral("\\b([A-G])#(?=-?\\d)"));
    static const QRegularExpression flat(QStringLiteral("\\b([A-G])b(?=-?\\d)"));
    static const QRegularExpression minus(QStringLiteral("(^|[\\s(])-(?=\\d)"));
    text.replace(sharp, QStringLiteral("\\1\u266F"));
    text.replace(flat, QStringLiteral("\\1\u266D"));
    text.replace(minus, QStringLiteral("\\1\u2212"));
    return text;
}

QString typeset(const std::string& plain)
{
    return typeset(QString::fromStdString(plain));
}

QString said(const char* id)
{
    return QString::fromStdString(say(id));
}

} // namespace puretone::app
