// SPDX-License-Identifier: GPL-3.0-or-later
#include "devices/devices.h"

#include "devices/heartbeat.h"
#include "devices/simulated.h"
#include "pitch/report.h"
#include "support/signals.h"

#include <catch2/catch.hpp>
#include <mutex>

using namespace puretone;

namespace {

void wait(double seconds)
{
    std::this_thread::sleep_for(std::chrono::duration<double>(seconds));
}

} // namespace

TEST_CASE("simulated devices stand at the end of every list and always open", "[devices]")
{
    const auto all = listDevices();
    for (const auto& list : {all.outputs, all.inputs, all.keyboards}) {
        REQUIRE_FALSE(list.empty());
        CHECK(list.back().id == simulatedId);
        CHECK(list.back().simulated);
    }
    CHECK(openMidiInput(simulatedId, [](const MidiEvent&) {}));
}

TEST_CASE(
    "the simulated output plays in real time and keeps what it played", "[devices][simulated]")
{
    std::int64_t frame = 0;
    double rate = 0.0;
    SimulatedOutput output({[&](double r, int) { rate = r; },
        [&](float* left, float* right, int frames) {
            for (int i = 0; i < frames; ++i, ++frame)
                left[i] = right[i] =
                    float(std::sin(probe::twoPi * 440.0 * double(frame) / 48000.0));
        }});
    CHECK(rate == 48000.0);
    wait(0.5);
    const auto heard = output.heard().since(0).channels;
    // Half a second, give or take what a busy machine does.
    CHECK(heard[0].size() > 12000);
    CHECK(heard[0].size() < 72000);
    CHECK(probe::sineToRestDb(heard[0], 440.0, 48000.0) > 90.0);
    CHECK(output.alive());
    output.unplug();
    wait(0.1);
    CHECK_FALSE(output.alive());
}

TEST_CASE("the simulated microphone hums a known note", "[devices][simulated]")
{
    std::mutex lock;
    std::vector<float> heard;
    {
        const auto input = openInput(simulatedId, [&](const float* left, const float*, int frames) {
            const std::lock_guard guard(lock);
            heard.insert(heard.end(), left, left + frames);
        });
        REQUIRE(input);
        wait(0.4);
    }
    REQUIRE(heard.size() > 4800);
    for (std::size_t i = 0; i < heard.size(); ++i)
        REQUIRE(heard[i] == SimulatedMicrophone::sample(std::int64_t(i)));
    std::vector<float> note;
    for (std::int64_t f = 0; f < 48000; ++f)
        note.push_back(SimulatedMicrophone::sample(f));
    CHECK_THAT(*analysePitch(note, 48000.0).midi, Catch::Matchers::WithinAbs(50.0, 0.02)); // D3
}

TEST_CASE("the simulated keyboard sends a phrase that ends", "[devices][simulated]")
{
    std::mutex lock;
    int on = 0, off = 0;
    SimulatedKeyboard keyboard([&](const MidiEvent& e) {
        const std::lock_guard guard(lock);
        ++(e.kind == MidiEvent::Kind::noteOn ? on : off);
    });
    keyboard.playPhrase(60);
    for (int i = 0; i < 300; ++i) {
        wait(0.02);
        const std::lock_guard guard(lock);
        if (off == 5)
            break;
    }
    const std::lock_guard guard(lock);
    CHECK(on == 5);
    CHECK(off == 5);
}

TEST_CASE("a phrase ends before the next one begins, its note with it", "[devices][simulated]")
{
    // Each key's last word must be that it was let go, and no key is let go that is not down.
    std::mutex lock;
    std::array<int, 128> down{};
    bool sane = true;
    {
        SimulatedKeyboard keyboard([&](const MidiEvent& e) {
            const std::lock_guard guard(lock);
            auto& key = down[e.key];
            key += e.kind == MidiEvent::Kind::noteOn ? 1 : -1;
            sane = sane && (key == 0 || key == 1);
        });
        for (int i = 0; i < 60; ++i) {
            keyboard.playPhrase(60);
            wait(0.003 * (i % 4));
        }
    }
    CHECK(sane);
    CHECK(std::count(down.begin(), down.end(), 0) == 128);
}

TEST_CASE("devices that are not there are refused with a sentence", "[devices][bad-input]")
{
    const auto output =
        openOutput("jack:no such device", {[](double, int) {}, [](float*, float*, int) {}});
    REQUIRE_FALSE(output);
    CHECK(output.error().code == ErrorCode::noDevice);
    CHECK_FALSE(openInput("alsa:none", [](const float*, const float*, int) {}));
    CHECK_FALSE(openMidiInput("alsa:none", [](const MidiEvent&) {}));
}

TEST_CASE("a heart that stops beating is noticed", "[devices]")
{
    Heartbeat heart;
    heart.beat();
    CHECK(heart.alive());
    wait(2.2);
    CHECK_FALSE(heart.alive());
    heart.beat();
    CHECK(heart.alive());
}
