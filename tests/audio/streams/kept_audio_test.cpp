// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/streams/kept_audio.h"

#include <catch2/catch.hpp>
#include <cmath>

using namespace puretone;

namespace {

/// A stream whose samples say where they stand.
class Stream {
public:
    explicit Stream(double rate)
        : recent(std::size_t(20.0 * rate))
    {
    }
    void play(std::size_t frames)
    {
        std::vector<float> left(frames), right(frames);
        for (std::size_t i = 0; i < frames; ++i, ++at_) {
            left[i] = float(at_ % 65536) / 65536.0f;
            right[i] = -left[i];
        }
        recent.write(left.data(), right.data(), int(frames));
    }
    RecentAudio recent;

private:
    std::uint64_t at_ = 0;
};

bool isWhatWasPlayed(const Audio& audio, std::uint64_t from)
{
    for (std::size_t i = 0; i < audio.channels[0].size(); ++i)
        if (audio.channels[0][i] != float((from + i) % 65536) / 65536.0f
            || audio.channels[1][i] != -audio.channels[0][i])
            return false;
    return true;
}

} // namespace

TEST_CASE("the last ten minutes are kept, frame by frame", "[audio][kept][threads]")
{
    constexpr double rate = 4000.0; // so that minutes pass quickly
    Stream stream(rate);
    KeptAudio kept(stream.recent, rate);
    CHECK(kept.range().to == 0);
    for (int second = 0; second < 1300; ++second) {
        stream.play(std::size_t(rate));
        if (second % 8 == 0)
            kept.catchUp();
    }
    kept.catchUp();
    const auto range = kept.range();
    CHECK(range.to == std::uint64_t(1300 * rate));
    CHECK(range.seconds(rate) > 599.0);
    CHECK(range.seconds(rate) <= 600.0);
    const auto all = kept.read(range);
    CHECK(all.frames() == std::int64_t(range.to - range.from));
    CHECK(isWhatWasPlayed(all, range.from));
    // What has gone already is left out.
    const auto older = kept.read({0, range.from + 100});
    CHECK(older.frames() == 100);
    CHECK(isWhatWasPlayed(older, range.from));
    CHECK(kept.read({range.to + 5, range.to + 50}).frames() == 0);
}

TEST_CASE("the picture of what is kept shows where it was loud", "[audio][kept]")
{
    RecentAudio recent(100000);
    KeptAudio kept(recent, 8000.0);
    std::vector<float> silent(20480, 0.0f), loud(20480, 0.0f);
    for (std::size_t i = 0; i < loud.size(); ++i)
        loud[i] = i % 2 == 0 ? 0.5f : -0.25f;
    recent.write(silent.data(), silent.data(), int(silent.size()));
    recent.write(loud.data(), silent.data(), int(loud.size()));
    recent.write(silent.data(), silent.data(), int(silent.size()));
    kept.catchUp();
    const auto picture = kept.picture(kept.range(), 60);
    REQUIRE(picture.size() == 60);
    CHECK(picture[10].high == 0.0f);
    CHECK(picture[30].high == 0.5f);
    CHECK(picture[30].low == -0.25f);
    CHECK(picture[50].low == 0.0f);
    CHECK(kept.picture({0, 0}, 5).size() == 5);
    CHECK(kept.picture(kept.range(), 0).empty());
}

TEST_CASE("what was kept stays when the stream's memory goes", "[audio][kept]")
{
    std::unique_ptr<KeptAudio> kept;
    {
        Stream stream(8000.0);
        kept = std::make_unique<KeptAudio>(stream.recent, 8000.0);
        stream.play(8000);
        kept->catchUp();
        kept->finish();
        stream.play(8000);
        kept->catchUp(); // too late
    }
    kept->catchUp();
    CHECK(kept->range().to == 8000);
    CHECK(isWhatWasPlayed(kept->read(kept->range()), 0));
}

TEST_CASE(
    "the last thing that was played ends where it does, and begins behind a pause", "[audio][kept]")
{
    // A second a column.
    std::vector<Extent> picture(20, Extent{0.0f, 0.0f});
    const KeptAudio::Range whole{1000, 21000};
    CHECK(lastPlayed(picture, whole, 1000.0).seconds(1000.0) == 0.0);
    for (const std::size_t loud : {2U, 9U, 11U, 12U})
        picture[loud].high = 0.5f;
    const auto last = lastPlayed(picture, whole, 1000.0);
    CHECK(last.from == 10000);
    CHECK(last.to == 14000);
    CHECK(lastPlayed({}, whole, 1000.0).seconds(1000.0) == 0.0);
}

TEST_CASE("what is kept is taken while the stream goes on", "[audio][kept][threads]")
{
    constexpr double rate = 48000.0;
    Stream stream(rate);
    KeptAudio kept(stream.recent, rate);
    std::thread writer([&] {
        for (int i = 0; i < 400; ++i) {
            stream.play(480);
            std::this_thread::sleep_for(std::chrono::milliseconds(2));
        }
    });
    for (int i = 0; i < 40; ++i) {
        const auto range = kept.range();
        CHECK(isWhatWasPlayed(kept.read(range), range.from));
        std::this_thread::sleep_for(std::chrono::milliseconds(10));
    }
    writer.join();
    kept.catchUp();
    CHECK(kept.range().to == 400 * 480);
    CHECK(isWhatWasPlayed(kept.read(kept.range()), kept.range().from));
}
