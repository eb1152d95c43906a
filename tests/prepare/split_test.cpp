// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/split.h"

#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;
using Catch::Matchers::WithinAbs;

namespace {

constexpr double rate = 48000.0;

std::vector<Piece> notesOf(const SplitResult& result)
{
    std::vector<Piece> notes;
    for (const auto& piece : result.pieces)
        if (!piece.sliver)
            notes.push_back(piece);
    return notes;
}

Audio inRoom(std::vector<float> wave, double noiseDb)
{
    const double seconds = double(wave.size()) / rate;
    return mono(
        mixed(std::move(wave), noise(rate, seconds, 1.73 * std::pow(10.0, noiseDb / 20.0), 5)));
}

} // namespace

TEST_CASE("notes with silences between them are found on their attacks", "[prepare][split]")
{
    const double floorDb = GENERATE(-70.0, -50.0, -40.0);
    std::vector<float> wave = silence(rate, 0.4);
    std::vector<double> starts;
    for (const double hz : {220.0, 277.2, 329.6, 220.0}) {
        starts.push_back(double(wave.size()) / rate);
        wave = wave + decaying(harmonicTone(hz, rate, 1.2), rate, 0.8) + silence(rate, 0.3);
    }
    const auto notes = notesOf(splitRecording(inRoom(wave, floorDb)));
    REQUIRE(notes.size() == 4);
    for (std::size_t i = 0; i < 4; ++i) {
        CHECK_THAT(double(notes[i].span.start.value) / rate, WithinAbs(starts[i], 0.010));
        // The tail is kept down to the noise: 40 dB down is 0.53 s after the attack.
        CHECK(double(notes[i].span.end.value) / rate > starts[i] + 0.8 * (-15.0 - floorDb) / 60.0);
    }
}

TEST_CASE("a note over the last one's tail begins a piece of its own", "[prepare][split]")
{
    std::vector<float> wave = silence(rate, 3.0);
    const double at[] = {0.3, 0.7, 1.1, 1.5};
    const double hz[] = {196.0, 247.0, 294.0, 294.0};
    for (int n = 0; n < 4; ++n) {
        const auto note = decaying(harmonicTone(hz[n], rate, 1.4), rate, 1.2);
        for (std::size_t i = 0; i < note.size(); ++i)
            wave[std::size_t(at[n] * rate) + i] += note[i];
    }
    const auto notes = notesOf(splitRecording(inRoom(wave, -65.0)));
    REQUIRE(notes.size() == 4);
    for (std::size_t i = 0; i < 4; ++i)
        CHECK_THAT(double(notes[i].span.start.value) / rate, WithinAbs(at[i], 0.010));
    for (std::size_t i = 1; i < 4; ++i)
        CHECK(notes[i - 1].span.end <= notes[i].span.start);
}

TEST_CASE("vibrato and beating do not split a note", "[prepare][split]")
{
    std::vector<float> wave(std::size_t(3.0 * rate));
    double phase = 0.0;
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double t = double(i) / rate;
        phase += 220.0 * std::exp2(50.0 * std::sin(twoPi * 5.5 * t) / 1200.0) / rate;
        const double shape = std::min({1.0, t / 0.05, (3.0 - t) / 0.1});
        for (int h = 1; h <= 8; ++h)
            wave[i] += float(0.2 * shape / h
                * (std::sin(twoPi * h * phase) + 0.5 * std::sin(twoPi * (h * phase + 1.3 * t))));
    }
    CHECK(notesOf(splitRecording(inRoom(silence(rate, 0.5) + wave + silence(rate, 0.5), -60.0)))
              .size()
        == 1);
}

TEST_CASE("slivers are marked and left out", "[prepare][split]")
{
    const auto note = decaying(harmonicTone(330.0, rate, 1.0), rate, 0.8);
    auto click = noise(rate, 0.02, 0.01, 8);
    const auto result = splitRecording(inRoom(
        silence(rate, 0.4) + note + silence(rate, 0.4) + click + silence(rate, 0.4) + note, -70.0));
    CHECK(notesOf(result).size() == 2);
    CHECK(result.pieces.size() == 3);
}

TEST_CASE("the quiet line and onsets alone can be asked for", "[prepare][split]")
{
    std::vector<float> wave;
    for (int n = 0; n < 5; ++n)
        wave = wave + decaying(harmonicTone(150.0 + 40.0 * n, rate, 0.4), rate, 0.7);
    SplitOptions options;
    options.onsetsOnly = true;
    const auto pieces = splitRecording(inRoom(wave, -70.0), options).pieces;
    REQUIRE(pieces.size() == 5);
    for (std::size_t i = 1; i < pieces.size(); ++i)
        CHECK(pieces[i - 1].span.end == pieces[i].span.start);
    options.quietLineDb = 20.0; // nothing is as loud as that
    CHECK(splitRecording(inRoom(wave, -70.0), options).pieces.empty());
}

TEST_CASE("pieces are cut and joined by hand", "[prepare][split]")
{
    SplitResult split;
    split.pieces = {
        {{Frames{1000}, Frames{5000}}, false, -20.0}, {{Frames{6000}, Frames{9000}}, true, -50.0}};
    const Frames end{100000};
    const auto cut = withCut(split, Frames{3000}, end, rate);
    REQUIRE(cut.pieces.size() == 3);
    CHECK(cut.pieces[0].span == Span{Frames{1000}, Frames{3000}});
    CHECK(cut.pieces[1].span == Span{Frames{3000}, Frames{5000}});
    CHECK(withJoined(cut, 0).pieces == split.pieces);
    const auto joined = withJoined(split, 0);
    REQUIRE(joined.pieces.size() == 1);
    CHECK(joined.pieces[0].span == Span{Frames{1000}, Frames{9000}});
    CHECK_FALSE(joined.pieces[0].sliver);
    CHECK(withJoined(split, 1).pieces == split.pieces);
    CHECK(withCut(split, Frames{1005}, end, rate).pieces == split.pieces); // too close
    const auto begun = withCut(split, Frames{5400}, end, rate);
    CHECK(begun.pieces[1].span == Span{Frames{5400}, Frames{6000}});
    CHECK(withCut(split, Frames{9500}, end, rate).pieces[2].span
        == Span{Frames{9500}, Frames{100000}});
    CHECK(withCut({}, Frames{0}, Frames{10}, rate).pieces.empty());
}

TEST_CASE("nothing comes of nothing", "[prepare][split][bad-input]")
{
    CHECK(splitRecording(mono({})).pieces.empty());
    CHECK(splitRecording(mono(silence(rate, 2.0))).pieces.empty());
    CHECK(splitRecording(mono(std::vector<float>(5, 0.5f))).pieces.empty());
    CHECK(splitRecording(mono(std::vector<float>(30, 0.5f))).pieces.size() <= 1);
}
