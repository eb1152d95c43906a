// SPDX-License-Identifier: GPL-3.0-or-later
// Settings, the first start, and what goes into and out of the window by hand.
#include "support/driver.h"

#include "app/session/settings.h"
#include "app/shell/desktop_theme.h"
#include "app/shell/settings_sheet.h"

#include <QListWidget>
#include <QSettings>
#include <QSignalSpy>

using namespace probe;
using Catch::Matchers::Contains;
using Catch::Matchers::WithinAbs;

namespace {

const std::filesystem::path demo = DEMO_FOLDER;

} // namespace

TEST_CASE("settings hold from one window to the next", "[app][settings]")
{
    const TemporaryFolder folder;
    {
        Driver d;
        SettingsSheet sheet(d.window);
        sheet.show();
        d.choose(&sheet, "Middle C is", "C3");
        d.choose(&sheet, "Black keys", "flats");
        d.type(&sheet, "A4 of new ones", "432");
        d.type(&sheet, "Undo keeps", "200 MB");
        d.choose(&sheet, "Theme", "Night watch");
        CHECK(Theme::name() == ThemeName::nightWatch);
        CHECK(d.session().saving().mostUndoBytes() == 200000000);
        // Nonsense is refused.
        d.type(&sheet, "Undo keeps", "3 MB");
        CHECK(d.session().saving().mostUndoBytes() == 200000000);
    }
    settings::setRecordingsFolder(QString::fromStdString(folder.path().string()));
    Driver d;
    CHECK(d.session().naming().middleCOctave == 3);
    CHECK(d.session().naming().accidentals == Accidentals::flats);
    CHECK(d.session().saving().mostUndoBytes() == 200000000);
    CHECK(Opening::recordingsFolder() == folder.path());
    CHECK(settings::themeFor(settings::themeWish()) == ThemeName::nightWatch);
    // A sound that is opened is tuned to it; an instrument brings its own.
    d.open(demo / "sounds" / "fog-horn.flac");
    CHECK(d.document().a4 == 432.0);
    d.open(demo / "skerry-light.puretone");
    CHECK(d.document().a4 == 440.0);
    d.session().clear();
    CHECK(d.document().a4 == 432.0);
    d.window.setThemeWish(settings::ThemeWish::daybreak);
}

TEST_CASE(
    "the desktop's wish for dark windows is followed where that is wished for", "[app][settings]")
{
    const auto wrapped = [](const QVariant& value) { return QDBusVariant(value); };
    DesktopTheme desktop;
    QSignalSpy changed(&desktop, &DesktopTheme::changed);
    const auto group = QStringLiteral("org.freedesktop.appearance");
    const auto key = QStringLiteral("color-scheme");
    desktop.settingChanged(group, key, wrapped(1U));
    desktop.settingChanged(group, key, wrapped(QVariant::fromValue(wrapped(2U)))); // as of old
    // No wish, nonsense, and what is none of ours.
    desktop.settingChanged(group, key, wrapped(0U));
    desktop.settingChanged(group, key, wrapped(QStringLiteral("purple")));
    desktop.settingChanged(group, QStringLiteral("contrast"), wrapped(1U));
    desktop.settingChanged(QStringLiteral("org.example"), key, wrapped(1U));
    REQUIRE(changed.size() == 2);
    CHECK(changed[0][0].toBool());
    CHECK_FALSE(changed[1][0].toBool());

    Driver d;
    d.window.setThemeWish(settings::ThemeWish::daybreak);
    d.window.followDesktop(true);
    CHECK(Theme::name() == ThemeName::daybreak);
    d.window.setThemeWish(settings::ThemeWish::asDesktop);
    CHECK(Theme::name() == ThemeName::nightWatch);
    d.window.followDesktop(false);
    CHECK(Theme::name() == ThemeName::daybreak);
    CHECK(settings::themeWish() == settings::ThemeWish::asDesktop);
    d.window.setThemeWish(settings::ThemeWish::daybreak);
}

TEST_CASE("what the settings file says is brought into range", "[app][settings][bad-input]")
{
    QSettings kept;
    for (const char* name : {"theme", "middleC", "a4", "undoMegabytes", "recordings"})
        kept.setValue(QString::fromLatin1(name), QStringLiteral("-99999"));
    CHECK(settings::themeWish() == settings::ThemeWish::daybreak);
    CHECK(settings::naming().middleCOctave == 3);
    CHECK(settings::a4() >= lowestA4);
    CHECK(settings::mostUndoBytes() == 50000000);
    CHECK(Opening::recordingsFolder() == Opening::dataFolder() / "recordings");
    kept.clear();
}

TEST_CASE("the first start shows the demo and says what to press, once", "[app][settings]")
{
    CHECK(settings::firstStart());
    CHECK_FALSE(settings::firstStart());
    {
        // As it is installed: nothing to save, and nowhere to save it to.
        const TemporaryFolder folder;
        std::filesystem::copy_file(demo / "skerry-light.puretone", folder / "a.puretone~");
        Driver installed;
        installed.open(folder / "a.puretone~");
        CHECK(installed.session().path().isEmpty());
        CHECK(installed.window.close());
        CHECK(installed.answered == 0);
    }
    Driver d;
    d.window.welcome(true);
    d.settle();
    CHECK(d.document().name == "Skerry Light");
    CHECK(d.window.offers()->text().contains("press A, S, D and F"));
    const auto stands = [&] { return !d.window.offers()->text().isEmpty(); };
    d.pressKey(57);
    CHECK_THAT(d.hearPitch(), WithinAbs(57.0, 0.05));
    d.releaseKey(57);
    CHECK(stands());
    // What it speaks of has gone.
    d.open(demo / "sounds" / "buoy-bell.flac");
    CHECK_FALSE(stands());
}

TEST_CASE("what greets gives its place to sounds, unless it was changed", "[app][settings]")
{
    const auto bell = QString::fromStdString((demo / "sounds" / "buoy-bell.flac").string());
    const auto post = QString::fromStdString((demo / "sounds" / "mooring-post.flac").string());
    Driver d;
    d.window.welcome(true);
    d.settle();
    SECTION("untouched")
    {
        d.session().opening().addFiles({bell + "nowhere", bell, post});
        d.settle();
        CHECK(d.window.offers()->text().isEmpty());
        REQUIRE(d.document().takes.size() == 2);
        CHECK(d.document().takes[0].name == "buoy bell");
    }
    SECTION("changed")
    {
        const TemporaryFolder folder;
        d.session().edit("Rename", [](Instrument& next) { next.name = "Our light"; });
        CHECK_FALSE(d.window.offers()->text().isEmpty());
        d.session().saving().save(QString::fromStdString((folder / "ours.puretone").string()));
        d.settle();
        CHECK(d.window.offers()->text().isEmpty()); // it is theirs now
        d.session().opening().addFiles({bell});
        d.settle();
        CHECK(d.document().takes.size() == 2);
        CHECK(d.document().name == "Our light");
    }
    SECTION("opened again by its name it is a document like others")
    {
        d.open((demo / "skerry-light.puretone").string());
        d.session().opening().addFiles({bell});
        d.settle();
        CHECK(d.document().takes.size() == 2);
    }
}

TEST_CASE("a bank of several instruments asks which one", "[app][settings]")
{
    const TemporaryFolder folder;
    auto instrument = instrumentOf(
        looped(plainTake(mono(harmonicTone(220.0, 48000.0, 1.0)), 57.0), 20000, 40000, 500));
    instrument.name = "horn";
    REQUIRE(writeInstrument(instrument, folder / "one.sf2"));
    // The same preset once more: its record stands twice before the one that ends the table.
    auto bytes = *readFile(folder / "one.sf2");
    const auto find = [&](const char* id) {
        for (std::size_t i = 0; i + 4 < bytes.size(); ++i)
            if (std::memcmp(bytes.data() + i, id, 4) == 0)
                return i;
        return std::size_t(0);
    };
    const auto grow = [&](std::size_t at, unsigned by) {
        unsigned size = 0;
        std::memcpy(&size, bytes.data() + at, 4);
        size += by;
        std::memcpy(bytes.data() + at, &size, 4);
    };
    const auto table = find("phdr");
    const std::vector<std::byte> record(
        bytes.begin() + std::ptrdiff_t(table + 8), bytes.begin() + std::ptrdiff_t(table + 8 + 38));
    grow(4, 38);
    grow(table + 4, 38);
    grow(find("pdta") - 4, 38);
    auto second = record;
    std::memcpy(second.data(), "bell", 5);
    second[20] = std::byte{9};
    bytes.insert(bytes.begin() + std::ptrdiff_t(table + 8 + 38), second.begin(), second.end());
    // The second one has the zones that begin where the first one's do not end.
    bytes[table + 8 + 24] = std::byte{0};
    REQUIRE(writeBytes(folder / "two.sf2", bytes));
    REQUIRE(presetsIn(folder / "two.sf2").size() == 2);
    Driver d;
    d.whenModal([](QWidget* modal) {
        auto* list = modal->findChild<QListWidget*>();
        REQUIRE(list != nullptr);
        CHECK(list->count() == 2);
        CHECK(list->item(1)->text() == "000:009  bell");
        list->setCurrentRow(1);
        for (auto* button : modal->findChildren<QPushButton*>())
            if (button->text() == "Open")
                button->click();
    });
    d.open((folder / "two.sf2").string());
    for (int i = 0; i < 50 && d.session().take() == nullptr; ++i) {
        QTest::qWait(20);
        d.settle();
    }
    CHECK(d.document().name == "bell");
}
