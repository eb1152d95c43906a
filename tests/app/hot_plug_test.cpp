// SPDX-License-Identifier: GPL-3.0-or-later
// Keyboards and outputs that come and go while the window is open.
#include "support/driver.h"
#include "support/jack_server.h"

#include <catch2/catch.hpp>
#include <rtmidi/RtMidi.h>

using namespace probe;

namespace {

const std::string horn = DEMO_FOLDER "/sounds/fog-horn.flac";

/// Lets the window live until something is so; a lost device is looked for every few seconds.
bool comes(const std::function<bool()>& there)
{
    for (int i = 0; i < 1500 && !there(); ++i)
        QTest::qWait(20);
    return there();
}

std::unique_ptr<RtMidiOut> plugged()
{
    auto keys = std::make_unique<RtMidiOut>(RtMidi::UNIX_JACK, "Skerry keys");
    keys->openVirtualPort("out");
    return keys;
}

} // namespace

TEST_CASE("what is unplugged is said to have gone, and a keyboard is taken back", "[app][jack]")
{
    JackServer server;
    if (!server.runs()) {
        WARN("No JACK server can be started here: not tested.");
        return;
    }
    auto keys = plugged();
    REQUIRE(until([] { return !JackServer::keyboard("Skerry keys").empty(); }));
    const auto id = JackServer::keyboard("Skerry keys");
    Driver d;
    d.open(horn);
    auto& player = d.session().player();
    const auto says = [&](const char* words) {
        return comes([&] { return d.window.messages()->text().contains(words); });
    };
    const auto voices = [&] { return player.engine().look().voices; };
    player.useMidi(id);
    REQUIRE(comes([&] { return player.midi() != nullptr && player.midiId() == id; }));
    const std::vector<unsigned char> note{0x90, 57, 100};
    const auto plays = [&] {
        return comes([&] {
            keys->sendMessage(&note);
            return voices() > 0;
        });
    };
    CHECK(plays());

    // Pulled out while a key is down: the key is let go, and keys on the screen still play.
    keys.reset();
    CHECK(says("has gone"));
    CHECK(player.midiId() == simulatedId);
    CHECK(comes([&] { return voices() == 0; }));
    d.pressKey(57);
    CHECK(comes([&] { return voices() > 0; }));
    d.releaseKey(57);
    CHECK(comes([&] { return voices() == 0; }));
    keys = plugged();
    CHECK(says("is back"));
    REQUIRE(comes([&] { return player.midi() != nullptr && player.midiId() == id; }));
    CHECK(plays());

    // The output goes with its server.
    const auto output = JackServer::output();
    player.useOutput(output);
    REQUIRE(comes([&] { return player.output() != nullptr && player.outputId() == output; }));
    keys.reset();
    server.kill();
    CHECK(comes([&] { return player.outputId() == simulatedId && player.output() != nullptr; }));
    CHECK(comes([&] { return voices() == 0; }));
    d.pressKey(57);
    CHECK(comes([&] { return voices() > 0; }));
    d.releaseKey(57);
}
