// SPDX-License-Identifier: GPL-3.0-or-later
// Work beside the window: what is said of it, and what becomes of what is cancelled.
#include "app/session/job_table.h"
#include "app/shell/desktop_theme.h"
#include "app/shell/job_status.h"
#include "support/driver.h"

#include <QPushButton>

using namespace probe;

namespace {

QPushButton* cancelOf(Driver& d)
{
    for (auto* button : d.window.messages()->findChildren<QPushButton*>())
        if (button->text() == "Cancel")
            return button;
    FAIL("The line of messages has no Cancel");
    return nullptr;
}

} // namespace

TEST_CASE("work that lasts is said with its words, and can be cancelled", "[app][jobs]")
{
    Driver d;
    auto& background = d.session().background();
    auto* cancel = cancelOf(d);
    CHECK(cancel->isHidden());
    bool stopped = false, delivered = false;
    background.run(
        JobKind::split, Background::Running::cancel,
        [&stopped](const Progress& progress) {
            for (int i = 0; i < 2000 && !progress.cancelled(); ++i) {
                progress.at(i / 2000.0);
                QThread::msleep(2);
            }
            stopped = progress.cancelled();
            return 1;
        },
        [&delivered] { delivered = true; });
    QTest::qWait(100);
    CHECK(cancel->isHidden()); // what is over soon is not mentioned
    QTest::qWait(600);
    REQUIRE_FALSE(cancel->isHidden());
    CHECK(d.window.messages()->text() == wordsOf(JobKind::split));
    cancel->click();
    d.settle();
    CHECK(stopped);
    CHECK_FALSE(delivered);
    CHECK(cancel->isHidden());
    CHECK(d.window.messages()->text().isEmpty());
}

TEST_CASE("what must not be left half done has no Cancel", "[app][jobs]")
{
    Driver d;
    auto* cancel = cancelOf(d);
    d.session().background().run(
        JobKind::save, Background::Running::finish,
        [](const Progress&) {
            QThread::msleep(900);
            return 1;
        },
        [] {});
    QTest::qWait(600);
    CHECK(d.window.messages()->text() == wordsOf(JobKind::save));
    CHECK(cancel->isHidden());
    d.settle();
    CHECK(d.window.messages()->text().isEmpty());
}

TEST_CASE("every kind of work has a lane, and words that end in an ellipsis", "[app][jobs]")
{
    for (int kind = 0; kind <= int(JobKind::dragOut); ++kind) {
        const auto words = wordsOf(JobKind(kind));
        CAPTURE(words.toStdString());
        CHECK((words.isEmpty() || words.endsWith(QStringLiteral("…"))));
        // Whoever can cancel something is told what.
        CHECK((!factsOf(JobKind(kind)).cancellable || !words.isEmpty()));
    }
}

TEST_CASE("text follows the desktop's size within bounds", "[app][theme]")
{
    CHECK(Theme::scaleOf(QFont("Sans", 10)) == 1.0);
    CHECK(Theme::scaleOf(QFont("Sans", 14)) > 1.2);
    CHECK(Theme::scaleOf(QFont("Sans", 8)) < 1.0);
    CHECK(DesktopTheme::textScaleFor(QVariant(1.25)) == 1.25);
    CHECK_FALSE(DesktopTheme::textScaleFor(QVariant(QStringLiteral("large"))));
    CHECK_FALSE(DesktopTheme::textScaleFor(QVariant(-1.0)));
    const int usual = Theme::font(13).pixelSize();
    Theme::setTextScale(9.0);
    CHECK(Theme::textScale() == 1.25);
    CHECK(Theme::font(13).pixelSize() > usual);
    Theme::setTextScale(1.0);
}
