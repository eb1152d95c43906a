// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/midi/midi_file.h"

#include "support/takes.h"

#include <catch2/catch.hpp>
#include <fstream>

using namespace puretone;
using namespace probe;
using Catch::Matchers::Contains;
using Catch::Matchers::WithinAbs;

namespace {

using Bytes = std::vector<unsigned char>;

Bytes operator+(Bytes a, const Bytes& b)
{
    a.insert(a.end(), b.begin(), b.end());
    return a;
}

Bytes big(unsigned value, int size)
{
    Bytes bytes;
    for (int i = size - 1; i >= 0; --i)
        bytes.push_back(static_cast<unsigned char>(value >> (8 * i)));
    return bytes;
}

Bytes header(unsigned format, unsigned tracks, unsigned division)
{
    return Bytes{'M', 'T', 'h', 'd'} + big(6, 4) + big(format, 2) + big(tracks, 2)
        + big(division, 2);
}

Bytes track(const Bytes& events)
{
    return Bytes{'M', 'T', 'r', 'k'} + big(unsigned(events.size()), 4) + events;
}

const Bytes end = {0, 0xff, 0x2f, 0};
/// A quarter of 96 ticks on A4.
const Bytes note = {0, 0x90, 69, 100, 96, 0x80, 69, 0};

Result<std::vector<TimedEvent>> read(const Bytes& file)
{
    return decodeMidiFile(std::as_bytes(std::span(file)), "x.mid");
}

std::vector<double> times(const Bytes& file)
{
    const auto events = read(file);
    REQUIRE(events);
    std::vector<double> seconds;
    for (const auto& e : *events)
        seconds.push_back(e.seconds);
    return seconds;
}

const auto near = [](const std::vector<double>& wanted) {
    return Catch::Matchers::Approx(wanted).margin(1e-9);
};

} // namespace

TEST_CASE("MIDI files are read with their tempo changes, of whatever track", "[formats][midi]")
{
    // Half a second a quarter until the note is half over, then a whole one.
    const Bytes tempos = {0, 0xff, 0x51, 3, 0x07, 0xa1, 0x20, 48, 0xff, 0x51, 3, 0x0f, 0x42, 0x40};
    CHECK_THAT(
        times(header(1, 2, 96) + track(tempos + end) + track(note + end)), near({0.0, 0.75}));
    CHECK_THAT(
        times(header(1, 2, 96) + track(note + end) + track(tempos + end)), near({0.0, 0.75}));
    // Without any: 120 a minute.
    CHECK_THAT(times(header(0, 1, 96) + track(note + end)), near({0.0, 0.5}));
    // A tempo of nothing is none.
    CHECK_THAT(times(header(0, 1, 96) + track(Bytes{0, 0xff, 0x51, 3, 0, 0, 0} + note + end)),
        near({0.0, 0.5}));
}

TEST_CASE("time may count in frames of film", "[formats][midi]")
{
    // 25 frames a second, 40 ticks a frame: a thousand ticks a second, whatever the tempo says.
    const Bytes tempo = {0, 0xff, 0x51, 3, 0x0f, 0x42, 0x40};
    CHECK_THAT(times(header(0, 1, 0xe728) + track(tempo + note + end)), near({0.0, 0.096}));
    // 29.97
    CHECK_THAT(times(header(0, 1, 0xe301) + track(note + end)), near({0.0, 96 * 1001.0 / 30000.0}));
}

TEST_CASE("running status, sysex, programs and foreign chunks are read over", "[formats][midi]")
{
    const Bytes events = {0, 0xc0, 5, 0, 0xd0, 80, 0, 0xf0, 3, 1, 2, 0xf7, // sysex of three bytes
        0, 0x90, 60, 90, 10, 64, 90, 0x81, 0x00, 60, 0, 5, 64, 0, 0, 0xb0, 64, 127, 0, 0xe0, 0, 96};
    const auto file = header(0, 1, 100) + Bytes{'X', 'F', 'I', 'H'} + big(3, 4) + Bytes{1, 2, 3}
        + track(events + end);
    const auto read = decodeMidiFile(std::as_bytes(std::span(file)), "x.mid");
    REQUIRE(read);
    REQUIRE(read->size() == 7);
    using Kind = MidiEvent::Kind;
    CHECK((*read)[0].event.kind == Kind::pressure);
    CHECK((*read)[0].event.value == 80);
    CHECK((*read)[2].event.key == 64);
    CHECK_THAT((*read)[2].seconds, WithinAbs(0.05, 1e-9));
    CHECK((*read)[3].event.kind == Kind::noteOff); // velocity 0
    CHECK_THAT((*read)[3].seconds, WithinAbs(0.05 + 0.64, 1e-9));
    CHECK((*read)[5].event.kind == Kind::control);
    CHECK_THAT(double((*read)[6].event.bend), WithinAbs(0.5, 1e-6));
}

TEST_CASE("tracks play together, patterns one after another", "[formats][midi]")
{
    const auto two = track(note + end) + track(note + end);
    CHECK_THAT(times(header(1, 2, 96) + two), near({0.0, 0.0, 0.5, 0.5}));
    CHECK_THAT(times(header(2, 2, 96) + two), near({0.0, 0.5, 0.5, 1.0}));
}

TEST_CASE("damaged MIDI files are refused with a sentence", "[formats][midi][bad-input]")
{
    const auto whole = header(0, 1, 96) + track(note + end);
    REQUIRE(read(whole));
    const auto refused = [](const Bytes& file) {
        const auto events = read(file);
        REQUIRE_FALSE(events);
        CHECK_THAT(events.error().message, Contains("x.mid"));
        return events.error().code;
    };
    // A track that claims 0x2d000021 bytes and begins in the middle of a sysex.
    CHECK(refused(header(0, 1, 96) + Bytes{'M', 'T', 'r', 'k', 0x2d, 0, 0, 0x21, 0, 0xf0})
        == ErrorCode::damaged);
    CHECK(refused(Bytes(whole.begin(), whole.end() - 6)) == ErrorCode::damaged);
    CHECK(refused(header(0, 1, 0) + track(note + end)) == ErrorCode::damaged);
    CHECK(refused(header(0, 1, 96) + track({0, 60, 100})) == ErrorCode::damaged); // no status
    CHECK(refused(header(0, 1, 96) + track({0xff, 0xff, 0xff, 0xff, 0xff, 0x90, 60, 1}))
        == ErrorCode::damaged);
    CHECK(refused(header(0, 1, 96) + track({0, 0x90, 200, 100})) == ErrorCode::damaged);
    CHECK(refused({}) == ErrorCode::notAudio);
    CHECK(refused({'M', 'T'}) == ErrorCode::notAudio);
    CHECK(refused({'R', 'I', 'F', 'F', 1, 2, 3, 4, 5, 6, 7, 8, 9}) == ErrorCode::notAudio);
    CHECK(refused(header(0, 1, 96)) == ErrorCode::nothingInside);
    CHECK(refused(header(0, 1, 96) + track(end)) == ErrorCode::nothingInside);
}

TEST_CASE("a performance of weeks is refused before it takes memory", "[formats][midi][bad-input]")
{
    // One delta of 2^28 - 1 ticks, at a tick a quarter.
    const auto events = read(header(0, 1, 1)
        + track(Bytes{0, 0x90, 60, 100, 0xff, 0xff, 0xff, 0x7f, 0x80, 60, 0} + end));
    REQUIRE_FALSE(events);
    CHECK(events.error().code == ErrorCode::badValue);
    Bytes many;
    for (int i = 0; i < 2000001; ++i)
        many.insert(many.end(), {0, 0x90, 60, 100});
    const auto crowd = read(header(0, 1, 96) + track(many + end));
    REQUIRE_FALSE(crowd);
    CHECK(crowd.error().code == ErrorCode::badValue);
}

TEST_CASE("whatever bytes a MIDI file holds, reading it ends", "[formats][midi][bad-input]")
{
    const Bytes tempos = {0, 0xff, 0x51, 3, 0x07, 0xa1, 0x20, 48, 0xff, 0x51, 3, 0x0f, 0x42, 0x40};
    const auto whole = header(1, 2, 96) + track(tempos + end) + track(note + note + note + end);
    Noise random(5);
    int good = 0;
    for (int round = 0; round < 20000; ++round) {
        auto file = whole;
        for (int i = 0; i <= round % 5; ++i)
            file[std::size_t(random.between(0.0, double(file.size()) - 0.01))] =
                static_cast<unsigned char>(random.between(0.0, 255.99));
        file.resize(std::size_t(random.between(0.8, 1.2) * double(file.size())));
        const auto events = read(file);
        good += events.has_value();
        if (!events)
            continue;
        for (std::size_t i = 0; i < events->size(); ++i) {
            const double seconds = (*events)[i].seconds;
            REQUIRE((seconds >= 0.0 && seconds <= longestPerformance));
            REQUIRE((i == 0 || seconds >= (*events)[i - 1].seconds));
        }
    }
    CHECK(good > 100);
}

TEST_CASE("MIDI files that cannot be read are told", "[formats][midi][bad-input]")
{
    const TemporaryFolder folder;
    std::ofstream(folder / "words.mid") << "MThd but not really, only words";
    CHECK(readMidiFile(folder / "words.mid").error().code == ErrorCode::damaged);
    CHECK(readMidiFile(folder / "gone.mid").error().code == ErrorCode::cannotRead);
    CHECK(readMidiFile(folder.path()).error().code == ErrorCode::cannotRead);
}
