// SPDX-License-Identifier: GPL-3.0-or-later
// The window in another language: the catalogue says all there is to say, and there is room for it.
#include "app/session/language.h"
#include "app/session/settings.h"
#include "support/walking.h"

#include <QAbstractButton>
#include <QFile>
#include <QLayout>
#include <QScrollArea>
#include <QStyleOptionComboBox>
#include <QXmlStreamReader>
#include <set>

using namespace probe;
using Catch::Matchers::Contains;

namespace {

struct Speaking {
    explicit Speaking(const char* code) { language::speak(QString::fromLatin1(code)); }
    ~Speaking() { language::speak(QStringLiteral("en")); }
    Speaking(const Speaking&) = delete;
    Speaking& operator=(const Speaking&) = delete;
};

/// "%1", "%n" and the like.
std::multiset<QString> placesIn(const QString& text)
{
    std::multiset<QString> places;
    for (qsizetype i = 0; i + 1 < text.size(); ++i)
        if (text[i] == QLatin1Char('%') && (text[i + 1].isDigit() || text[i + 1].isLetter()))
            places.insert(text.mid(i, 2));
    return places;
}

struct Entry {
    QString context, source;
    QStringList translations;
    bool finished = true;
};

std::vector<Entry> entriesOf(const char* catalogue)
{
    QFile file(QStringLiteral(SOURCE_FOLDER "/src/app/translations/") + catalogue);
    REQUIRE(file.open(QIODevice::ReadOnly));
    QXmlStreamReader xml(&file);
    std::vector<Entry> entries;
    QString context;
    while (!xml.atEnd()) {
        if (xml.readNext() != QXmlStreamReader::StartElement)
            continue;
        const auto name = xml.name().toString();
        if (name == "name")
            context = xml.readElementText();
        else if (name == "source")
            entries.push_back({context, xml.readElementText(), {}});
        else if (name == "translation") {
            entries.back().finished = xml.attributes().value("type").isEmpty();
            const auto text = xml.readElementText(QXmlStreamReader::IncludeChildElements);
            entries.back().translations << text;
        }
    }
    REQUIRE_FALSE(xml.hasError());
    return entries;
}

/// Buttons and choices whose words do not fit.
QStringList cutWords(const QWidget& window)
{
    QStringList cut;
    for (const auto* box : window.findChildren<QComboBox*>()) {
        QStyleOptionComboBox option;
        option.initFrom(box);
        const int room =
            box->style()
                ->subControlRect(QStyle::CC_ComboBox, &option, QStyle::SC_ComboBoxEditField, box)
                .width();
        for (int i = 0; i < box->count() && box->isVisible(); ++i)
            if (box->fontMetrics().horizontalAdvance(box->itemText(i)) > room)
                cut << box->itemText(i);
    }
    for (const auto* button : window.findChildren<QPushButton*>()) {
        if (!button->isVisible() || button->text().isEmpty())
            continue;
        const auto text = QString(button->text()).remove(QLatin1Char('&'));
        if (button->sizeHint().width() > button->width() + 1)
            cut << text;
    }
    return cut;
}

/// The text that leads a row, or what the row is.
QString leadOf(QLayoutItem& row)
{
    if (auto* label = qobject_cast<QLabel*>(row.widget()); label != nullptr)
        return label->text();
    auto* layout = row.widget() != nullptr ? row.widget()->layout() : row.layout();
    if (layout == nullptr || layout->count() == 0)
        return row.widget() != nullptr ? row.widget()->metaObject()->className() : QString();
    return leadOf(*layout->itemAt(0));
}

/// The rows that make a column wider than what shows it.
QStringList cutColumns(const QWidget& window)
{
    QStringList cut;
    for (const auto* area : window.findChildren<QScrollArea*>()) {
        if (!area->isVisible() || area->widget() == nullptr || area->widget()->layout() == nullptr
            || area->widget()->width() <= area->viewport()->width())
            continue;
        auto& column = *area->widget()->layout();
        const auto margins = column.contentsMargins();
        const int room = area->viewport()->width() - margins.left() - margins.right();
        for (int i = 0; i < column.count(); ++i)
            if (const int width = column.itemAt(i)->minimumSize().width(); width > room)
                cut << QStringLiteral("%1 (%2 of %3)")
                           .arg(leadOf(*column.itemAt(i)))
                           .arg(width)
                           .arg(room);
    }
    return cut;
}

/// What is shown, or read aloud.
QStringList textsOf(const QWidget& window)
{
    QStringList texts;
    for (const auto* widget : window.findChildren<QWidget*>()) {
        if (!widget->isVisible())
            continue;
        texts << widget->toolTip() << widget->accessibleName() << widget->accessibleDescription();
        if (const auto* label = qobject_cast<const QLabel*>(widget))
            texts << label->text();
        if (const auto* button = qobject_cast<const QAbstractButton*>(widget))
            texts << button->text();
        if (const auto* box = qobject_cast<const QComboBox*>(widget))
            for (int i = 0; i < box->count(); ++i)
                texts << box->itemText(i);
    }
    return texts;
}

} // namespace

TEST_CASE("a catalogue keeps every value in its place", "[app][language]")
{
    const auto entries = entriesOf("puretone_de.ts");
    CHECK(entries.size() > 1500);
    for (const auto& entry : entries) {
        INFO(entry.context.toStdString() << ": " << entry.source.toStdString());
        CHECK(entry.finished);
        REQUIRE(entry.translations.size() == 1);
        CHECK_FALSE(entry.translations[0].isEmpty());
        const auto wanted = placesIn(entry.source);
        if (wanted.count("%n") > 0)
            continue; // one of its forms may do without
        CHECK(placesIn(entry.translations[0]) == wanted);
    }
}

TEST_CASE("the window and the core speak German, and there is room for it", "[app][language]")
{
    const Speaking german("de");
    Driver d;
    d.window.resize(1024, 700);
    d.open(DEMO_FOLDER "/sounds/fog-horn.flac");
    // Of the English texts those that cannot be German ones, too.
    std::set<QString> english;
    for (const auto& entry : entriesOf("puretone_de.ts"))
        english.insert(entry.source);
    for (const auto& entry : entriesOf("puretone_de.ts"))
        english.erase(entry.translations[0]);
    for (const auto stop : allStops) {
        d.goTo(stop);
        d.settle();
        const auto name = said(nameOf(stop));
        INFO(name.toStdString());
        CHECK(cutWords(d.window).join(" | ").toStdString() == "");
        CHECK(cutColumns(d.window).join(" | ").toStdString() == "");
        for (const auto& text : textsOf(d.window)) {
            INFO(text.toStdString());
            CHECK(english.count(text) == 0);
        }
    }
    CHECK(said(nameOf(Stop::pitch)) == QString::fromUtf8("Tonhöhe"));
    // What the core says, and what it understands.
    CHECK_THAT(d.take().facts->loopChoices.front().reason.said(), Contains("nahtlos"));
    typeMovements(d,
        {QString::fromUtf8("rad grenze 2 okt"), "wheel resonance 10 %",
            QString::fromUtf8("sinus 1 takt tonhöhe 20 ct mit druck")});
    const auto& movements = d.session().layer().movements;
    CHECK(movements[0].target == Target::cutoff);
    CHECK(movements[0].amount == 2.0);
    CHECK(movements[1].source.kind == SourceKind::wheel);
    CHECK(movements[2].by.kind == SourceKind::pressure);
    CHECK(d.session().layer().waves[0].beats == 4.0);
    const auto missing = openInstrument("/no/such/file.sfz");
    REQUIRE_FALSE(missing);
    CHECK_THAT(missing.error().sentence(), Contains("keine solche Datei"));
}

TEST_CASE("numbers change English words, too", "[app][language]")
{
    const Speaking english("en");
    CHECK(QCoreApplication::translate(
              "puretone::app::Looping", "The loop was copied to %n other take(s).", nullptr, 1)
              .toStdString()
        == "The loop was copied to one other take.");
    CHECK(QCoreApplication::translate(
              "puretone::app::Looping", "The loop was copied to %n other take(s).", nullptr, 3)
              .toStdString()
        == "The loop was copied to 3 other takes.");
}
