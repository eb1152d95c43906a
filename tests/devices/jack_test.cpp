// SPDX-License-Identifier: GPL-3.0-or-later
// Real devices without hardware. Never asserts anything about drop-outs.
#include "support/jack_server.h"

#include <atomic>
#include <catch2/catch.hpp>
#include <rtmidi/RtMidi.h>

using namespace puretone;
using namespace probe;
using Catch::Matchers::Contains;

namespace {

/// A server that lists its output may not be ready to be opened yet.
Result<std::unique_ptr<AudioOutput>> openedOutput(const OutputClient& client)
{
    auto output = openOutput(JackServer::output(), client);
    until(
        [&] {
            if (!output)
                output = openOutput(JackServer::output(), client);
            return output.has_value();
        },
        5.0);
    return output;
}

} // namespace

TEST_CASE("a real output plays until its server dies, and that is noticed", "[devices][jack]")
{
    JackServer server;
    if (!server.runs()) {
        WARN("No JACK server can be started here: not tested.");
        return;
    }
    std::atomic<int> blocks{0};
    double rate = 0.0;
    auto output = openedOutput({[&](double r, int) { rate = r; },
        [&](float* left, float* right, int frames) {
            std::fill_n(left, frames, 0.0f);
            std::fill_n(right, frames, 0.0f);
            ++blocks;
        }});
    REQUIRE(output);
    CHECK(rate == 48000.0);
    CHECK(until([&] { return blocks > 10; }));
    CHECK((*output)->alive());
    server.kill();
    CHECK(until([&] { return !(*output)->alive(); }));
}

TEST_CASE("an output with one side hears both", "[devices][jack]")
{
    JackServer server("1");
    if (!server.runs()) {
        WARN("No JACK server can be started here: not tested.");
        return;
    }
    std::atomic<int> blocks{0};
    std::atomic<bool> apart{true};
    auto output = openedOutput({[](double, int) {},
        [&](float* left, float* right, int frames) {
            // Two stretches that do not touch, or one side would overwrite the other.
            apart = apart && (right >= left + frames || left >= right + frames);
            std::fill_n(left, frames, 0.5f);
            std::fill_n(right, frames, -0.5f);
            ++blocks;
        }});
    REQUIRE(output);
    CHECK(until([&] { return blocks > 10; }));
    CHECK(apart);
    CHECK((*output)->alive());
}

TEST_CASE("both sides fold to their mean", "[devices]")
{
    std::vector<float> left = {1.0f, 0.5f, -0.25f, 0.0f};
    const std::vector<float> right = {1.0f, -0.5f, 0.75f, 0.5f};
    foldToMono(left.data(), right.data(), 3);
    CHECK(left == std::vector<float>{1.0f, 0.0f, 0.25f, 0.0f});
}

TEST_CASE("an output that opens and does not start is refused", "[devices][jack][bad-input]")
{
    JackServer server;
    if (!server.runs()) {
        WARN("No JACK server can be started here: not tested.");
        return;
    }
    // The server dies in between.
    const auto output = openOutput(
        JackServer::output(), {[&](double, int) { server.kill(); }, [](float*, float*, int) {}});
    REQUIRE_FALSE(output);
    CHECK(output.error().code == ErrorCode::noDevice);
    CHECK_THAT(output.error().message, Contains("could not be opened"));
}

TEST_CASE("a real keyboard plays until it is unplugged, and that is noticed", "[devices][jack]")
{
    JackServer server;
    if (!server.runs()) {
        WARN("No JACK server can be started here: not tested.");
        return;
    }
    auto keys = std::make_unique<RtMidiOut>(RtMidi::UNIX_JACK, "Skerry keys");
    keys->openVirtualPort("out");
    REQUIRE(until([] { return !JackServer::keyboard("Skerry keys").empty(); }));
    std::atomic<int> heard{0};
    auto input = openMidiInput(JackServer::keyboard("Skerry keys"), [&](const MidiEvent& e) {
        if (e.kind == MidiEvent::Kind::noteOn && e.key == 60)
            ++heard;
    });
    REQUIRE(input);
    // JACK connects when its next cycle comes round.
    const std::vector<unsigned char> note{0x90, 60, 100};
    CHECK(until([&] {
        keys->sendMessage(&note);
        return heard > 0;
    }));
    CHECK((*input)->alive());
    keys.reset();
    CHECK(until([&] { return !(*input)->alive(); }));
}
