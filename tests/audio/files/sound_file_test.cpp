// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/files/sound_file.h"

#include "base/files/safe_file.h"
#include "support/no_allocation.h"
#include "support/takes.h"

#include <catch2/catch.hpp>
#include <cstring>
#include <fstream>
#include <sndfile.h>

using namespace puretone;
using probe::TemporaryFolder;

namespace {

void save(const std::filesystem::path& path, std::span<const std::byte> bytes)
{
    std::ofstream(path, std::ios::binary)
        .write(reinterpret_cast<const char*>(bytes.data()), std::streamsize(bytes.size()));
}

void saveWith(const std::filesystem::path& path, int format, const Audio& audio)
{
    SF_INFO info{};
    info.samplerate = int(audio.rate);
    info.channels = int(audio.channelCount());
    info.format = format;
    SNDFILE* file = sf_open(path.c_str(), SFM_WRITE, &info);
    REQUIRE(file != nullptr);
    std::vector<float> frames;
    for (std::size_t i = 0; i < std::size_t(audio.frames()); ++i)
        for (const auto& channel : audio.channels)
            frames.push_back(channel[i]);
    sf_writef_float(file, frames.data(), audio.frames());
    sf_close(file);
}

} // namespace

TEST_CASE("WAV files give back what was written", "[audio][files]")
{
    const Audio audio{
        44100.0, {probe::harmonicTone(220.0, 44100.0, 0.2), probe::sine(330.0, 44100.0, 0.2)}};
    const auto [format, step] =
        GENERATE(table<SampleFormat, double>({{SampleFormat::int16, 0.51 / 32768},
            {SampleFormat::int24, 0.51 / 8388608}, {SampleFormat::float32, 0.0}}));
    const auto again = decodeRecording(encodeWav(audio, format), "x.wav");
    REQUIRE(again);
    const Audio& got = *(*again)->audio;
    REQUIRE(got.frames() == audio.frames());
    REQUIRE(got.channelCount() == 2);
    CHECK(got.rate == 44100.0);
    double worst = 0.0;
    for (std::size_t c = 0; c < 2; ++c)
        for (std::size_t i = 0; i < audio.channels[c].size(); ++i)
            worst = std::max(
                worst, std::abs(double(got.channels[c][i]) - double(audio.channels[c][i])));
    CHECK(worst <= step);
}

TEST_CASE("integer samples are limited, never wrapped", "[audio]")
{
    CHECK(toInteger(1.5f, 16) == 32767);
    CHECK(toInteger(-1.5f, 16) == -32768);
    CHECK(toInteger(0.0f, 24) == 0);
}

TEST_CASE("every kind of file that libsndfile reads is opened", "[audio][files]")
{
    const TemporaryFolder folder;
    const Audio audio{48000.0, {probe::sine(440.0, 48000.0, 0.5)}};
    const auto [name, format] = GENERATE(table<const char*, int>({
        {"a.aiff", SF_FORMAT_AIFF | SF_FORMAT_PCM_24},
        {"a.flac", SF_FORMAT_FLAC | SF_FORMAT_PCM_16},
        {"a.ogg", SF_FORMAT_OGG | SF_FORMAT_VORBIS},
        {"a.opus", SF_FORMAT_OGG | SF_FORMAT_OPUS},
        {"a.mp3", SF_FORMAT_MPEG | SF_FORMAT_MPEG_LAYER_III},
        {"a8.wav", SF_FORMAT_WAV | SF_FORMAT_PCM_U8},
        {"ad.wav", SF_FORMAT_WAV | SF_FORMAT_DOUBLE},
    }));
    CAPTURE(name);
    saveWith(folder / name, format, audio);
    const auto opened = openRecording(folder / name);
    REQUIRE(opened);
    // Lossy formats add a little padding.
    CHECK((*opened)->audio->frames() >= audio.frames());
    CHECK((*opened)->audio->frames() < audio.frames() + 4000);
    CHECK_THAT(probe::rmsDb((*opened)->audio->channel(0)), Catch::Matchers::WithinAbs(-9.0, 0.5));
    CHECK((*opened)->original->size() == std::filesystem::file_size(folder / name));
}

TEST_CASE("a file that cannot be used gives one sentence with its name", "[audio][bad-input]")
{
    const TemporaryFolder folder;
    auto bytes = encodeWav({48000.0, {probe::sine(440.0, 48000.0, 0.1)}}, SampleFormat::float32);
    ErrorCode expected{};
    SECTION("missing")
    {
        expected = ErrorCode::cannotRead;
    }
    SECTION("empty")
    {
        save(folder / "x.wav", {});
        expected = ErrorCode::nothingInside;
    }
    SECTION("text")
    {
        std::ofstream(folder / "x.wav") << "This is a letter, not a sound.";
        expected = ErrorCode::notAudio;
    }
    SECTION("random bytes")
    {
        probe::Noise next(5);
        std::vector<std::byte> junk(5000);
        for (auto& b : junk)
            b = std::byte(int(128.0 + 127.0 * next()));
        save(folder / "x.wav", junk);
        expected = ErrorCode::notAudio;
    }
    SECTION("cut off")
    {
        save(folder / "x.wav", std::span(bytes).first(bytes.size() / 2));
        expected = ErrorCode::damaged;
    }
    SECTION("header only")
    {
        save(folder / "x.wav", std::span(bytes).first(30));
        expected = ErrorCode::notAudio;
    }
    SECTION("no frames")
    {
        save(folder / "x.wav", encodeWav({48000.0, {{}}}, SampleFormat::int16));
        expected = ErrorCode::nothingInside;
    }
    SECTION("one frame")
    {
        save(folder / "x.wav", encodeWav({48000.0, {{0.5f}}}, SampleFormat::int16));
        expected = ErrorCode::nothingInside;
    }
    SECTION("not numbers")
    {
        const float nan = std::numeric_limits<float>::quiet_NaN();
        std::memcpy(bytes.data() + bytes.size() - 400, &nan, sizeof nan);
        save(folder / "x.wav", bytes);
        expected = ErrorCode::damaged;
    }
    SECTION("a folder")
    {
        std::filesystem::create_directory(folder / "x.wav");
        expected = ErrorCode::cannotRead;
    }
    const auto opened = openRecording(folder / "x.wav");
    REQUIRE_FALSE(opened);
    CHECK(opened.error().code == expected);
    CHECK_THAT(opened.error().message, Catch::Matchers::Contains("x.wav"));
    CHECK(opened.error().message.back() == '.');
}

TEST_CASE("memory goes by what a file holds, not by what its header claims", "[audio][bad-input]")
{
    const TemporaryFolder folder;
    const Audio audio{48000.0, {probe::noise(48000.0, 1.0)}};
    saveWith(folder / "x.flac", SF_FORMAT_FLAC | SF_FORMAT_PCM_16, audio);
    auto bytes = *readFile(folder / "x.flac");
    // STREAMINFO: the lowest 36 bits of bytes 18 to 25 count the samples.
    REQUIRE(bytes.size() > 42);
    bytes[21] |= std::byte(0x0f);
    std::fill(bytes.begin() + 22, bytes.begin() + 26, std::byte(0xff));
    bytes.resize(std::size_t(20) << 20U); // padded
    const probe::LargestRequest asked;
    const auto opened = decodeRecording(bytes, "x.flac");
    REQUIRE_FALSE(opened);
    CHECK(opened.error().code == ErrorCode::damaged);
    CHECK(asked.bytes() < bytes.size() + (std::size_t(8) << 20U));
}

TEST_CASE("an honest long file is not moved about while it is read", "[audio]")
{
    const auto bytes = encodeWav(
        {48000.0, {std::vector<float>(std::size_t(5) << 20U, 0.1f)}}, SampleFormat::int16);
    const auto opened = decodeRecording(bytes, "x.wav");
    REQUIRE(opened);
    const auto& channel = (*opened)->audio->channels[0];
    CHECK(channel.capacity() == channel.size());
}

TEST_CASE("a WAV of more than four gigabytes counts its bytes in 64 bits", "[audio][files]")
{
    const TemporaryFolder folder;
    const SamplerInfo sampler{58.25, {{{Frames{100}, Frames{2000}}, 0}}};
    for (const std::uint64_t frames : {std::uint64_t(48000), std::uint64_t(0x30000000)}) {
        CAPTURE(frames);
        // A file of holes: 3.2 GB of frames at 8 bytes each take no room on disk.
        const auto head = wavHead({2, 48000.0, frames}, SampleFormat::float32, sampler);
        save(folder / "x.wav", head);
        std::filesystem::resize_file(folder / "x.wav", head.size() + frames * 8);
        SF_INFO info{};
        SNDFILE* file = sf_open((folder / "x.wav").c_str(), SFM_READ, &info);
        REQUIRE(file != nullptr);
        sf_close(file);
        CHECK(std::uint64_t(info.frames) == frames);
        CHECK(info.channels == 2);
        CHECK(info.samplerate == 48000);
        const auto original = *OriginalFile::open(folder / "x.wav");
        CHECK_FALSE(isCutOff(*original));
        REQUIRE(findSampler(*original));
        CHECK(findSampler(*original)->loops == sampler.loops);
    }
}

TEST_CASE("impossible rates are refused at once", "[audio][bad-input]")
{
    auto bytes = encodeWav({48000.0, {probe::noise(48000.0, 0.1)}}, SampleFormat::int16);
    const auto claim = [&](std::uint32_t rate) {
        std::memcpy(bytes.data() + 24, &rate, sizeof rate);
        return decodeRecording(bytes, "x.wav");
    };
    for (const std::uint32_t rate : {1U, 999U, 768001U, 1900000000U}) {
        CAPTURE(rate);
        const auto opened = claim(rate);
        REQUIRE_FALSE(opened);
        CHECK_THAT(opened.error().message, Catch::Matchers::Contains("x.wav"));
    }
    for (const std::uint32_t rate : {1000U, 8000U, 384000U, 768000U})
        CHECK(claim(rate));
}

TEST_CASE("opening can be cancelled", "[audio]")
{
    std::stop_source stop;
    stop.request_stop();
    const auto bytes =
        encodeWav({48000.0, {probe::sine(440.0, 48000.0, 1.0)}}, SampleFormat::int16);
    const auto opened = decodeRecording(bytes, "x.wav", {stop.get_token(), {}});
    REQUIRE_FALSE(opened);
    CHECK(opened.error().code == ErrorCode::cancelled);
}

TEST_CASE("recordings are equal when their files are", "[audio]")
{
    const auto bytes =
        encodeWav({48000.0, {probe::sine(440.0, 48000.0, 0.1)}}, SampleFormat::int16);
    const RecordingRef a(*decodeRecording(bytes, "x.wav")), b(*decodeRecording(bytes, "x.wav"));
    CHECK(a == b);
    CHECK_FALSE(a == RecordingRef(*decodeRecording(bytes, "y.wav")));
}
