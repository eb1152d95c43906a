// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/files/sampler_chunk.h"

#include "audio/files/sound_file.h"
#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;

namespace {

std::vector<std::byte> bytesOf(std::initializer_list<unsigned> values)
{
    std::vector<std::byte> bytes;
    for (const auto v : values)
        bytes.push_back(std::byte(v));
    return bytes;
}

} // namespace

TEST_CASE("the smpl chunk has the bytes that the specification says", "[audio][smpl]")
{
    // Key 60, a quarter of a semitone up, one loop from frame 100 to 499, both inside.
    SamplerInfo info;
    info.midi = 60.25;
    info.loops.push_back({{Frames{100}, Frames{500}}, 0});
    const auto expected = bytesOf({0, 0, 0, 0, 0, 0, 0, 0, /* 1e9 / 50000 = 20000 */ 0x20, 0x4e, 0,
        0, 60, 0, 0, 0, 0, 0, 0, 0x40, 0, 0, 0, 0, 0, 0, 0, 0, 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0,
        0, 0, 0, 0, 100, 0, 0, 0, 0xf3, 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0});
    CHECK(encodeSampler(info, 50000.0) == expected);
    CHECK(decodeSampler(expected) == info);
}

TEST_CASE("any tuning survives the chunk, flat ones too", "[audio][smpl]")
{
    const double midi = GENERATE(0.0, 59.63, 60.0, 61.0 - 0.37, 99.999999999, 127.5);
    SamplerInfo info;
    info.midi = midi;
    const auto again = decodeSampler(encodeSampler(info, 44100.0));
    REQUIRE(again);
    // 2^-32 of a semitone.
    CHECK_THAT(again->midi, Catch::Matchers::WithinAbs(midi, 1e-8));
}

TEST_CASE("a short or lying chunk is no chunk", "[audio][smpl][bad-input]")
{
    SamplerInfo info;
    info.loops.push_back({{Frames{0}, Frames{10}}, 0});
    auto bytes = encodeSampler(info, 44100.0);
    CHECK_FALSE(decodeSampler(std::span(bytes).first(20)));
    CHECK_FALSE(decodeSampler(std::span(bytes).first(bytes.size() - 1)));
    bytes[28] = std::byte{0xff}; // 255 loops
    CHECK_FALSE(decodeSampler(bytes));
    bytes[28] = std::byte{1};
    bytes[12] = std::byte{200}; // no such key
    CHECK_FALSE(decodeSampler(bytes));
}

TEST_CASE("the chunk is found inside a WAV file", "[audio][smpl]")
{
    SamplerInfo info;
    info.midi = 45.5;
    info.loops.push_back({{Frames{10}, Frames{90}}, 0});
    const auto file =
        encodeWav(probe::mono(probe::sine(100.0, 48000.0, 0.01)), SampleFormat::int16, info);
    const auto first = [&](std::size_t size) {
        return OriginalFile({file.begin(), file.begin() + std::ptrdiff_t(size)});
    };
    CHECK(findSampler(OriginalFile(file)) == info);
    CHECK_FALSE(isCutOff(OriginalFile(file)));
    CHECK(isCutOff(first(file.size() - 10)));
    CHECK_FALSE(findSampler(first(30)));
}
