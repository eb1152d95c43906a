// SPDX-License-Identifier: GPL-3.0-or-later
// What the window is besides its stops: its place on the screen, its folding parts, its sheets.
#include "support/driver.h"

#include "app/stops/stop_view.h"

#include <QScreen>
#include <QSettings>
#include <catch2/catch.hpp>

using namespace probe;

namespace {

const std::string sounds = std::string(DEMO_FOLDER) + "/sounds/";

} // namespace

TEST_CASE("the window fits the screen that is there, and comes back as it was left", "[app][place]")
{
    QSettings().remove(QStringLiteral("window"));
    QSize least;
    {
        MainWindow window;
        const QSize room = window.screen()->availableSize();
        CHECK(window.width() <= room.width());
        CHECK(window.height() <= room.height());
        least = window.minimumSize();
        CHECK(least.width() <= room.width());
        CHECK(least.height() <= room.height());
        window.show();
        window.resize(least);
        QTest::qWait(50);
        window.close();
    }
    const MainWindow again;
    CHECK(again.size() == least);
    QSettings().remove(QStringLiteral("window"));
}

TEST_CASE("parts of the details fold away and stay as they were left", "[app][fold]")
{
    for (const char* key : {"straighten", "tone", "naming"})
        QSettings().remove(QStringLiteral("folds/") + QLatin1String(key));
    const auto field = [](Driver& d) {
        for (auto* label : d.window.stop(Stop::pitch)->findChildren<QLabel*>())
            if (label->text() == QLatin1String("A4 sounds at"))
                return label;
        return static_cast<QLabel*>(nullptr);
    };
    const auto head = [](Driver& d) {
        for (auto* b : d.window.stop(Stop::pitch)->findChildren<QPushButton*>())
            if (b->accessibleName() == QLatin1String("How notes are named"))
                return b;
        return static_cast<QPushButton*>(nullptr);
    };
    {
        Driver d;
        d.open(sounds + "fog-horn.flac");
        d.window.goTo(Stop::pitch);
        d.settle();
        REQUIRE(head(d) != nullptr);
        REQUIRE(field(d) != nullptr);
        CHECK_FALSE(field(d)->isVisible());
        QTest::mouseClick(head(d), Qt::LeftButton);
        CHECK(field(d)->isVisible());
    }
    Driver again;
    again.open(sounds + "fog-horn.flac");
    again.window.goTo(Stop::pitch);
    again.settle();
    CHECK(field(again)->isVisible());
    QSettings().remove(QStringLiteral("folds/naming"));
}

TEST_CASE("Keys says which takes sound together", "[app][keys]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    const auto says = [&] {
        d.window.goTo(Stop::keys);
        d.settle();
        for (auto* label : d.window.stop(Stop::keys)->findChildren<QLabel*>())
            if (label->isVisible() && label->text().contains(QLatin1String("sound together")))
                return label->text();
        return QString();
    };
    CHECK(says().isEmpty());
    d.window.session().opening().addFiles({QString::fromStdString(sounds) + "fog-horn.flac"});
    d.settle();
    REQUIRE(d.window.session().instrument().takes.size() == 2);
    CHECK(says().startsWith(QLatin1String("Shares keys with fog horn")));
    d.window.session().edit(QStringLiteral("Set apart"), [](Instrument& i) {
        i.layers[0].zones[0].highVelocity = 63;
        i.layers[0].zones[1].lowVelocity = 64;
    });
    CHECK(says().isEmpty());
}

TEST_CASE("the list of shortcuts is a sheet that Esc closes", "[app][sheet]")
{
    Driver d;
    bool shown = false, fits = false;
    QTimer::singleShot(150, &d.window, [&] {
        QWidget* sheet = QApplication::activeModalWidget();
        shown = sheet != nullptr;
        if (!shown)
            return;
        fits = sheet->width() <= 1000 && sheet->height() <= 640;
        QTest::keyClick(sheet, Qt::Key_Escape);
    });
    QTest::keyClick(&d.window, Qt::Key_F1);
    d.settle();
    CHECK(shown);
    CHECK(fits);
    CHECK(QApplication::activeModalWidget() == nullptr);
}
