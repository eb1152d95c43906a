// SPDX-License-Identifier: GPL-3.0-or-later
// Crafted and damaged documents in the real window: every stop is painted, nothing ends it.
#include "formats/journal/journal_file.h"
#include "support/driver.h"
#include "support/mangle.h"

#include <catch2/catch.hpp>
#include <fstream>

using namespace probe;

TEST_CASE("mangled documents open in the window or are refused, and every stop paints",
    "[app][gate][bad-input]")
{
    const TemporaryFolder folder;
    const auto document = everyKindOfValue();
    std::string audio;
    for (const auto& take : document.takes) {
        const auto path = folder / audioPath(*take.recording).substr(6);
        REQUIRE(writeBytes(path, bytesOf(*take.recording)));
        audio += journal::record('a', audioPath(*take.recording) + "\t" + path.string());
    }
    // A journal is read as a project is, and needs no archive around it.
    journal::HistoryText only;
    only.current = 1;
    only.homes = {{"", -1}};
    only.unsaved = {{"x", ""}};
    const auto text = withFactsInside(document);
    Driver d;
    Noise random(42);
    int opened = 0;
    for (int round = 0; round < 40; ++round) {
        auto left = std::make_shared<LeftBehind>();
        left->folder = folder / std::to_string(round);
        left->documents = {{"x", ""}};
        std::filesystem::create_directory(left->folder);
        std::ofstream(left->folder / journal::fileName)
            << audio
            << journal::valueRecord(1, mangled(text, random, round == 0 ? 0 : 1 + round % 6), "")
            << journal::historyRecord(only, 0);
        d.session().saving().recover(left);
        d.settle();
        if (d.session().take() == nullptr)
            continue;
        ++opened;
        for (const auto stop : allStops) {
            d.goTo(stop);
            (void)d.window.grab();
        }
        d.settle();
        d.session().clear();
    }
    // Most names that are hurt make a document unreadable; enough of them must not be.
    CHECK(opened > 8);
}
