// SPDX-License-Identifier: GPL-3.0-or-later
#include "devices/phrase_player.h"

#include <catch2/catch.hpp>
#include <map>

using namespace puretone;

namespace {

class Heard {
public:
    void operator()(const MidiEvent& event)
    {
        const std::lock_guard lock(lock_);
        events_.emplace_back(std::chrono::steady_clock::now(), event);
    }
    std::vector<std::pair<std::chrono::steady_clock::time_point, MidiEvent>> events() const
    {
        const std::lock_guard lock(lock_);
        return events_;
    }
    std::size_t notes() const
    {
        std::size_t count = 0;
        for (const auto& [when, event] : events())
            count += event.kind == MidiEvent::Kind::noteOn ? 1 : 0;
        return count;
    }
    /// Keys that were pressed and not let go.
    int hanging() const
    {
        std::map<int, int> down;
        for (const auto& [when, event] : events())
            down[event.key] = event.kind == MidiEvent::Kind::noteOn ? 1 : 0;
        int count = 0;
        for (const auto& [key, is] : down)
            count += is;
        return count;
    }

private:
    mutable std::mutex lock_;
    std::vector<std::pair<std::chrono::steady_clock::time_point, MidiEvent>> events_;
};

bool waitFor(const std::function<bool()>& what)
{
    for (int i = 0; i < 500 && !what(); ++i)
        std::this_thread::sleep_for(std::chrono::milliseconds(10));
    return what();
}

} // namespace

TEST_CASE("a phrase goes round until it is stopped, and leaves no note hanging",
    "[devices][phrase][threads]")
{
    Heard heard;
    PhrasePlayer player([&](const MidiEvent& e) { heard(e); });
    CHECK_FALSE(player.plays());
    player.setTempo(600.0); // a beat is a tenth of a second
    player.play({"two", 2.0,
        {{0.0, MidiEvent::noteOn(60, 90)}, {0.5, MidiEvent::noteOff(60)},
            {1.0, MidiEvent::noteOn(64, 90)}}}); // never let go
    REQUIRE(waitFor([&] { return heard.notes() >= 6; }));
    CHECK(player.plays());
    player.stop();
    REQUIRE(waitFor([&] { return heard.hanging() == 0; }));
    CHECK_FALSE(player.plays());
    const auto events = heard.events();
    // Never early; how late says how busy the machine is.
    const auto first = events[0].first;
    CHECK(events[2].first - first >= std::chrono::milliseconds(95));
    const auto count = heard.events().size();
    std::this_thread::sleep_for(std::chrono::milliseconds(150));
    CHECK(heard.events().size() == count);
}

TEST_CASE("another phrase takes over, and phrases that say nothing are silent",
    "[devices][phrase][bad-input]")
{
    Heard heard;
    {
        PhrasePlayer player([&](const MidiEvent& e) { heard(e); });
        player.play({"nothing", 4.0, {}});
        CHECK_FALSE(player.plays());
        player.play({"no length", 0.0, {{0.0, MidiEvent::noteOn(60, 90)}}});
        CHECK_FALSE(player.plays());
        player.setTempo(0.0);
        player.play({"held", 400.0, {{0.0, MidiEvent::noteOn(60, 90)}}});
        REQUIRE(waitFor([&] { return heard.notes() == 1; }));
        player.play({"other", 400.0, {{0.0, MidiEvent::noteOn(72, 90)}}});
        REQUIRE(waitFor([&] { return heard.notes() == 2; }));
        CHECK(heard.hanging() == 1);
    }
    // Its end lets everything go.
    CHECK(heard.hanging() == 0);
}

TEST_CASE("shipped phrases lie on keys that sound and let go of all of them", "[devices][phrase]")
{
    for (const auto& [low, high, root] :
        {std::tuple(0, 127, 60), {36, 84, 48}, {60, 60, 60}, {60, 64, 100}, {-5, 300, 0}})
        for (const auto& phrase : shippedPhrases(low, high, root)) {
            CAPTURE(low, high, root, phrase.name);
            CHECK(phrase.beats > 0.0);
            int down = 0;
            double last = 0.0;
            for (const auto& [beat, event] : phrase.events) {
                CHECK(event.key >= std::max(0, low));
                CHECK(event.key <= std::min(127, high));
                CHECK(beat >= last);
                CHECK(beat <= phrase.beats);
                last = beat;
                down += event.kind == MidiEvent::Kind::noteOn ? 1 : -1;
            }
            CHECK(down == 0);
        }
}
