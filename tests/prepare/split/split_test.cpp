// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/split/split.h"

#include "audio/signal/resample.h"
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

namespace {

/// A section of many players: partials that each drift by a few cents and swell on their own.
std::vector<float> choir(double hz, double seconds, std::uint64_t seed)
{
    Noise random(seed);
    std::vector<float> wave(std::size_t(seconds * rate));
    for (int voice = 0; voice < 6; ++voice) {
        const double cents = random.between(-18.0, 18.0);
        const double wobble = random.between(4.0, 6.5), deep = random.between(5.0, 25.0);
        double phase = random.between(0.0, 1.0);
        for (std::size_t i = 0; i < wave.size(); ++i) {
            const double t = double(i) / rate;
            phase += hz * std::exp2((cents + deep * std::sin(twoPi * wobble * t)) / 1200.0) / rate;
            const double shape = std::min({1.0, t / 0.08, (seconds - t) / 0.15});
            for (int h = 1; h <= 10; ++h)
                wave[i] += float(0.03 * shape / h * std::sin(twoPi * h * phase + voice * h));
        }
    }
    return wave;
}

std::vector<float> trembling(std::vector<float> wave, double depthDb, double hz)
{
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double swing = 0.5 - 0.5 * std::cos(twoPi * hz * double(i) / rate);
        wave[i] *= float(std::pow(10.0, -depthDb * swing / 20.0));
    }
    return wave;
}

} // namespace

TEST_CASE("sections that beat, and tremolo, are one note each", "[prepare][split]")
{
    const double floorDb = GENERATE(-65.0, -45.0);
    std::vector<float> wave = silence(rate, 0.4);
    for (int n = 0; n < 4; ++n) {
        const double hz = 180.0 * std::exp2(n / 4.0);
        auto note = n % 2 == 0 ? choir(hz, 2.3, std::uint64_t(n) + 3)
                               : trembling(harmonicTone(hz, rate, 2.3), 7.0, 5.3);
        for (std::size_t i = 0; i < note.size(); ++i) // an attack and an end for both
            note[i] *= float(std::min(
                {1.0, double(i) / (0.02 * rate), double(note.size() - i) / (0.05 * rate)}));
        wave = wave + note + silence(rate, 0.4);
    }
    CHECK(notesOf(splitRecording(inRoom(wave, floorDb))).size() == 4);
}

TEST_CASE("a soft note over the end of a loud one begins where it is heard", "[prepare][split]")
{
    // Legato: the new note rises in 30 ms while the old one falls away.
    std::vector<float> wave = silence(rate, 4.2);
    const auto lay = [&](double at, std::vector<float> note, double gain) {
        for (std::size_t i = 0; i < note.size(); ++i) {
            const double t = double(i) / rate, left = double(note.size() - i) / rate;
            wave[std::size_t(at * rate) + i] +=
                float(gain * std::min({1.0, t / 0.03, left / 0.25})) * note[i];
        }
    };
    lay(0.4, harmonicTone(220.0, rate, 1.5), 1.0);
    lay(1.7, harmonicTone(294.0, rate, 1.5), 0.5);
    lay(3.0, harmonicTone(247.0, rate, 1.0), 1.0);
    const auto notes = notesOf(splitRecording(inRoom(wave, -60.0)));
    REQUIRE(notes.size() == 3);
    CHECK_THAT(double(notes[1].span.start.value) / rate, WithinAbs(1.7, 0.030));
    CHECK_THAT(double(notes[2].span.start.value) / rate, WithinAbs(3.0, 0.030));
}

TEST_CASE("breaths between notes are slivers; among drums nothing is", "[prepare][split]")
{
    const auto breath = [](double level) {
        auto wave = noise(rate, 0.25, level, 11);
        for (std::size_t i = 0; i < wave.size(); ++i)
            wave[i] *= float(std::sin(twoPi * 0.5 * double(i) / double(wave.size())));
        return wave;
    };
    std::vector<float> sung = silence(rate, 0.4), drummed = sung;
    for (const double hz : {220.0, 247.0, 262.0}) {
        auto note = harmonicTone(hz, rate, 0.8);
        for (std::size_t i = 0; i < note.size(); ++i)
            note[i] *= float(std::min(
                {1.0, double(i) / (0.01 * rate), double(note.size() - i) / (0.06 * rate)}));
        sung = sung + breath(0.03) + silence(rate, 0.05) + note + silence(rate, 0.4);
        drummed = drummed + decaying(noise(rate, 0.3, 0.5, 3), rate, 0.2) + silence(rate, 0.3)
            + breath(0.03) + silence(rate, 0.3);
    }
    const auto voice = splitRecording(inRoom(sung, -70.0));
    CHECK(wantedNotes(voice) == 3);
    CHECK(voice.pieces.size() == 6);
    CHECK(wantedNotes(splitRecording(inRoom(drummed, -70.0))) == 6);
}

TEST_CASE("hits that follow one another are told apart without being asked", "[prepare][split]")
{
    std::vector<float> wave = silence(rate, 0.5);
    std::vector<double> starts;
    Noise random(9);
    wave.resize(std::size_t(5.0 * rate));
    for (double at = 0.5; at < 4.4; at += random.between(0.15, 0.35)) {
        starts.push_back(at);
        const double loud = random.between(0.15, 1.0);
        const auto hit = mixed(decaying(sine(random.between(90.0, 400.0), rate, 0.5), rate, 0.35),
            decaying(noise(rate, 0.5, 0.3, std::uint64_t(at * 100)), rate, 0.08));
        for (std::size_t i = 0; i < hit.size() && std::size_t(at * rate) + i < wave.size(); ++i)
            wave[std::size_t(at * rate) + i] += float(loud) * hit[i];
    }
    const auto notes = notesOf(splitRecording(inRoom(wave, -60.0)));
    REQUIRE(notes.size() == starts.size());
    for (std::size_t i = 0; i < starts.size(); ++i)
        CHECK_THAT(double(notes[i].span.start.value) / rate, WithinAbs(starts[i], 0.010));
}

TEST_CASE("splitting knows nothing of level and rate", "[prepare][split]")
{
    std::vector<float> wave = silence(rate, 0.4);
    for (const double hz : {220.0, 277.2, 329.6})
        wave = wave + decaying(harmonicTone(hz, rate, 1.0), rate, 0.8) + silence(rate, 0.25);
    const auto notes = notesOf(splitRecording(inRoom(wave, -60.0)));
    REQUIRE(notes.size() == 3);
    auto soft = inRoom(wave, -60.0);
    for (float& s : soft.channels[0])
        s *= 0.1f;
    const auto softNotes = notesOf(splitRecording(soft));
    const auto other = resample(inRoom(wave, -60.0), GENERATE(22050.0, 44100.0, 96000.0));
    const auto otherNotes = notesOf(splitRecording(other));
    REQUIRE(softNotes.size() == 3);
    REQUIRE(otherNotes.size() == 3);
    for (std::size_t i = 0; i < 3; ++i) {
        CHECK(softNotes[i].span == notes[i].span);
        CHECK_THAT(toSeconds(otherNotes[i].span.start, other.rate),
            WithinAbs(toSeconds(notes[i].span.start, rate), 0.004));
    }
}

TEST_CASE("an attack is not cut off by what joins later in the note", "[prepare][split]")
{
    // Each note speaks softly for 24 ms; another reed joins at 34 ms and stands at 125 ms. One of
    // two such sounds out of 400 drawn at random whose beginning was lost.
    std::vector<float> wave;
    std::vector<double> starts;
    for (const double hz : {261.105, 522.210}) {
        starts.push_back(double(wave.size()) / rate);
        auto note = harmonicTone(hz, rate, 1.0);
        const auto other = harmonicTone(1.271096 * hz, rate, 1.0);
        for (std::size_t i = 0; i < note.size(); ++i) {
            const double t = double(i) / rate;
            const double gain = t < 0.02438 ? 0.018 : std::min(1.0, 0.1 + (t - 0.02438) / 0.01187);
            const double joined = t < 0.03394 ? 0.0 : t < 0.12485 ? 0.05 : 1.0;
            note[i] = float(gain * (double(note[i]) + 0.3677 * joined * double(other[i])));
        }
        wave = wave + note + silence(rate, 0.5);
    }
    const auto notes = notesOf(splitRecording(mono(wave)));
    for (const double start : starts)
        CHECK(std::any_of(notes.begin(), notes.end(), [&](const Piece& note) {
            return std::abs(double(note.span.start.value) / rate - start) < 0.005;
        }));
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

TEST_CASE("cut at silences alone, notes that beat to nothing stay whole", "[prepare][split]")
{
    // Two partials of one strength: at 1.3 and 4 beats a second, still for a moment each time.
    std::vector<float> wave = silence(rate, 0.5);
    for (const double beats : {1.3, 4.0, 2.0}) {
        auto note = harmonicTone(200.0 * beats, rate, 4.0);
        for (std::size_t i = 0; i < note.size(); ++i)
            note[i] *= float(std::cos(std::numbers::pi * beats * double(i) / rate)
                * std::exp(-double(i) / rate));
        wave = wave + note + silence(rate, 0.6);
    }
    SplitOptions options;
    options.silencesOnly = true;
    const auto notes = notesOf(splitRecording(inRoom(wave, -70.0), options));
    REQUIRE(notes.size() == 3);
    for (std::size_t i = 0; i < 3; ++i)
        CHECK_THAT(toSeconds(notes[i].span.start, rate), WithinAbs(0.5 + 4.6 * double(i), 0.01));
    // A melody without gaps is one piece then.
    CHECK(notesOf(splitRecording(inRoom(silence(rate, 0.5) + harmonicTone(220.0, rate, 1.0)
                                         + harmonicTone(330.0, rate, 1.0) + silence(rate, 0.5),
                                     -70.0),
                      options))
              .size()
        == 1);
}

TEST_CASE(
    "cut at silences alone, notes whose tails never fall silent are parted", "[prepare][split]")
{
    // Each has fallen by 48 dB when the next begins; the room is far below that.
    constexpr double held = 1.0, fall60 = 1.5, every = 2.2;
    const auto tailed = [](double hz) {
        auto note = harmonicTone(hz, rate, held + fall60);
        for (auto i = std::size_t(held * rate); i < note.size(); ++i)
            note[i] *= float(std::pow(10.0, -3.0 * (double(i) / rate - held) / fall60));
        return note;
    };
    std::vector<float> wave(std::size_t((0.5 + 6.0 * every) * rate));
    const std::vector<double> pitches{110.0, 220.0, 165.0, 330.0, 247.0};
    for (std::size_t n = 0; n < pitches.size(); ++n) {
        const auto note = tailed(pitches[n]);
        const auto from = std::size_t((0.5 + every * double(n)) * rate);
        for (std::size_t i = 0; i < note.size(); ++i)
            wave[from + i] += note[i];
    }
    SplitOptions options;
    options.silencesOnly = true;
    const auto notes = notesOf(splitRecording(inRoom(wave, -95.0), options));
    REQUIRE(notes.size() == pitches.size());
    for (std::size_t n = 0; n < notes.size(); ++n) {
        const double start = 0.5 + every * double(n);
        CHECK_THAT(toSeconds(notes[n].span.start, rate), WithinAbs(start, 0.01));
        // What rings on below the line is kept, up to the next attack.
        if (n + 1 < notes.size())
            CHECK_THAT(toSeconds(notes[n].span.end, rate), WithinAbs(start + every, 0.03));
    }
    // A line that was asked for is not moved.
    options.quietLineDb = -80.0;
    CHECK(notesOf(splitRecording(inRoom(wave, -95.0), options)).size() == 1);
    // One that swells and sags without falling silent is one.
    auto swelling = harmonicTone(220.0, rate, 6.0);
    for (std::size_t i = 0; i < swelling.size(); ++i)
        swelling[i] *= float(0.55 + 0.45 * std::sin(2.0 * std::numbers::pi * double(i) / rate));
    CHECK(notesOf(splitRecording(inRoom(silence(rate, 0.5) + swelling + silence(rate, 0.5), -95.0),
                      {{}, 0.08, false, true}))
              .size()
        == 1);
}

TEST_CASE("tails that end in digital silence are not taken for the room", "[prepare][split]")
{
    // Rendered or gated: nothing at all between notes that die away.
    std::vector<float> wave = silence(rate, 0.3);
    for (int n = 0; n < 4; ++n)
        wave = wave + decaying(harmonicTone(150.0 + 40.0 * n, rate, 3.0), rate, 8.0)
            + silence(rate, 0.4);
    const auto notes = notesOf(splitRecording(mono(wave)));
    REQUIRE(notes.size() == 4);
    for (std::size_t i = 0; i < 4; ++i) {
        CHECK_THAT(toSeconds(notes[i].span.start, rate), WithinAbs(0.3 + 3.4 * double(i), 0.005));
        CHECK_THAT(toSeconds(notes[i].span.end, rate),
            WithinAbs(3.3 + 3.4 * double(i), 0.03)); // all of it
    }
}

TEST_CASE("digital silence before everything says nothing about a loud room", "[prepare][split]")
{
    std::vector<float> wave = silence(rate, 0.5);
    for (int n = 0; n < 3; ++n)
        wave = wave + decaying(harmonicTone(200.0 + 40.0 * n, rate, 1.0), rate, 1.0)
            + silence(rate, 0.5);
    for (float& x : wave)
        x *= 2.0f;
    const Audio noisy = inRoom(wave, -32.0);
    Audio padded = noisy;
    padded.channels[0].insert(padded.channels[0].begin(), std::size_t(rate), 0.0f);
    const auto alone = splitRecording(noisy), after = splitRecording(padded);
    CHECK_THAT(alone.noiseFloorDb, WithinAbs(-32.0, 1.0));
    CHECK_THAT(after.noiseFloorDb, WithinAbs(alone.noiseFloorDb, 1.0));
    CHECK(notesOf(after).size() == notesOf(alone).size());
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
