// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/midi.h"
#include "base/threads/event_queue.h"
#include "base/threads/recent_audio.h"
#include "engine/program/handover.h"

#include <atomic>
#include <catch2/catch.hpp>
#include <chrono>
#include <thread>

using namespace puretone;

TEST_CASE("events arrive in order across threads, and none is lost", "[base][threads]")
{
    EventQueue<int, 64> queue;
    constexpr int count = 20000;
    std::jthread writer([&] {
        for (int i = 0; i < count;)
            if (queue.push(i))
                ++i;
            else
                std::this_thread::yield();
    });
    int expected = 0, value = 0;
    while (expected < count)
        if (queue.pop(value)) {
            REQUIRE(value == expected);
            ++expected;
        }
}

TEST_CASE("a full queue says so and keeps what it has", "[base]")
{
    EventQueue<int, 4> queue;
    CHECK(queue.push(1));
    CHECK(queue.push(2));
    CHECK(queue.push(3));
    CHECK_FALSE(queue.push(4));
    int value = 0;
    CHECK(queue.pop(value));
    CHECK(value == 1);
}

TEST_CASE("the recent past is the newest part of a long stream", "[base]")
{
    RecentAudio recent(96000);
    std::vector<float> block(1000);
    float next = 0.0f;
    for (int b = 0; b < 200; ++b) {
        for (float& s : block)
            s = next++;
        recent.write(block.data(), block.data(), 1000);
    }
    const auto [from, all] = recent.since(0);
    REQUIRE(all[0].size() == 96000 - 12000);
    CHECK(from == 200000 - 84000);
    CHECK(all[0].back() == 199999.0f);
    CHECK(all[0].front() == 200000.0f - 84000.0f);
    CHECK(recent.since(199990).channels[1].size() == 10);
    // Another length begins anew, and goes on counting.
    recent.resize(1000);
    CHECK(recent.since(0).channels[0].empty());
    recent.write(block.data(), block.data(), 100);
    CHECK(recent.since(0).from == 200000);
    CHECK(recent.since(0).channels[0].size() == 100);
}

namespace {

struct Counted {
    static inline std::atomic<int> alive = 0;
    Counted() { ++alive; }
    ~Counted() { --alive; }
};

} // namespace

TEST_CASE("values handed over are freed by the publisher, each once", "[base][threads]")
{
    {
        Handover<Counted> handover;
        handover.publish(std::make_unique<const Counted>());
        handover.publish(std::make_unique<const Counted>()); // the first one was never taken
        CHECK(Counted::alive == 1);
        const Counted* first = handover.take();
        REQUIRE(first != nullptr);
        CHECK(handover.take() == nullptr);
        handover.publish(std::make_unique<const Counted>());
        const Counted* second = handover.take();
        CHECK(handover.retire(first));
        CHECK_FALSE(handover.retire(second)); // the first one still waits
        handover.collect();
        CHECK(Counted::alive == 1);
        CHECK(handover.retire(second));
    }
    CHECK(Counted::alive == 0);
}

TEST_CASE("values pass between threads that both hurry, each freed once", "[base][threads]")
{
    {
        Handover<Counted> handover;
        constexpr int count = 20000;
        std::atomic<bool> done{false};
        std::jthread audio([&] {
            const Counted* held = nullptr;
            while (!done.load(std::memory_order_acquire)) {
                const Counted* next = handover.take();
                if (next == nullptr)
                    continue;
                // Until the last one has been collected, both are held.
                while (held != nullptr && !handover.retire(held))
                    if (done.load()) {
                        delete held;
                        break;
                    }
                held = next;
            }
            // What it holds at its end is its own.
            delete held;
        });
        for (int i = 0; i < count; ++i) {
            handover.publish(std::make_unique<const Counted>());
            if (i % 3 == 0)
                handover.collect();
        }
        done.store(true, std::memory_order_release);
    }
    CHECK(Counted::alive == 0);
}

TEST_CASE("the recent past is copied whole while it goes on being written", "[base][threads]")
{
    RecentAudio recent(65536);
    std::atomic<bool> done{false};
    std::jthread audio([&] {
        std::vector<float> left(64), right(64);
        std::uint64_t next = 0;
        while (!done.load(std::memory_order_acquire)) {
            for (std::size_t i = 0; i < 64; ++i, ++next) {
                left[i] = float(next % 8000000);
                right[i] = -left[i];
            }
            recent.write(left.data(), right.data(), 64);
            // As fast as 40 times real time: the slack of a second is never used up.
            std::this_thread::sleep_for(std::chrono::microseconds(30));
        }
    });
    for (int round = 0; round < 200; ++round) {
        const auto newest = recent.written();
        const auto copy = recent.since(newest > 2000 ? newest - 2000 : 0);
        for (std::size_t i = 0; i < copy.channels[0].size(); ++i) {
            REQUIRE(copy.channels[0][i] == float((copy.from + i) % 8000000));
            REQUIRE(copy.channels[1][i] == -copy.channels[0][i]);
        }
    }
    done.store(true, std::memory_order_release);
}

TEST_CASE("MIDI messages are read, unknown ones ignored", "[base]")
{
    const auto parse = [](std::initializer_list<std::uint8_t> bytes) {
        return parseMidi({bytes.begin(), bytes.size()});
    };
    const auto on = parse({0x93, 60, 100});
    REQUIRE(on);
    CHECK(on->kind == MidiEvent::Kind::noteOn);
    CHECK(int(on->value) == 100);
    CHECK(parse({0x90, 60, 0})->kind == MidiEvent::Kind::noteOff);
    CHECK(parse({0x80, 60, 64})->kind == MidiEvent::Kind::noteOff);
    CHECK(parse({0xb0, 123, 0})->kind == MidiEvent::Kind::allOff);
    CHECK(parse({0xe0, 0, 64})->bend == 0.0f);
    CHECK(parse({0xe0, 0, 0})->bend == -1.0f);
    CHECK(parse({0xf8})->kind == MidiEvent::Kind::clock);
    CHECK_FALSE(parse({0x90, 200, 1}));
    CHECK_FALSE(parse({}));
}
