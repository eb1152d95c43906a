// SPDX-License-Identifier: GPL-3.0-or-later
// Crafted and damaged documents in the real window: every stop is painted, nothing ends it.
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
    nlohmann::json audio = nlohmann::json::object();
    for (const auto& take : document.takes) {
        const auto path = folder / audioPath(*take.recording).substr(6);
        REQUIRE(writeBytes(path, bytesOf(*take.recording)));
        audio[audioPath(*take.recording)] = path.string();
    }
    // A recovery copy is read as a project is, and needs no archive around it.
    const auto about = nlohmann::json{{"name", "x"}, {"file", ""}, {"audio", audio}}.dump();
    const auto text = withFactsInside(document);
    Driver d;
    Noise random(42);
    int opened = 0;
    for (int round = 0; round < 40; ++round) {
        const auto path = folder / (std::to_string(round) + ".unsaved");
        std::ofstream(path) << about << "\n"
                            << mangled(text, random, round == 0 ? 0 : 1 + round % 6);
        auto left = std::make_shared<LeftBehind>();
        left->folder = folder / "none";
        left->documents = {{path, "x", ""}};
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
