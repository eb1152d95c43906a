// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/level.h"
#include "prepare/treat/biquad.h"
#include "prepare/treat/treat.h"
#include "support/signals.h"

#include <catch2/catch.hpp>

using namespace puretone;

namespace {

AudioPtr stereo(std::vector<float> left, std::vector<float> right, double rate = 48000.0)
{
    return std::make_shared<const Audio>(Audio{rate, {std::move(left), std::move(right)}});
}
AudioPtr mono(std::vector<float> wave, double rate = 48000.0)
{
    return std::make_shared<const Audio>(Audio{rate, {std::move(wave)}});
}
Span whole(const Audio& audio)
{
    return {Frames{0}, Frames{audio.frames()}};
}
/// Level of a sine after a treatment, relative to before; the filter's settling is left out.
double gainAt(double hz, const TreatmentKind& what)
{
    const auto before = mono(probe::sine(hz, 48000.0, 2.0));
    const auto after = treat(before, {{what}});
    const Span steady{Frames{48000}, Frames{96000}};
    return 10.0
        * std::log10(
            meanSquare(after->channel(0, steady)) / meanSquare(before->channel(0, steady)));
}

} // namespace

TEST_CASE("Nothing to do gives the very same audio", "[treat]")
{
    const auto audio = mono(probe::noise(48000.0, 0.2));
    CHECK(treat(audio, {}) == audio);
    CHECK(treat(audio, {{Reverse{}, false}, {RemoveDc{}, false}}) == audio);
}

TEST_CASE("The recording itself is never changed", "[treat]")
{
    const auto audio = stereo(probe::noise(48000.0, 0.5), probe::noise(48000.0, 0.5, 0.2, 2));
    const Audio copy = *audio;
    treat(audio,
        {{RemoveDc{}}, {PassFilter{}}, {Band{Band::Shape::bell, 500.0, 6.0, 1.0}}, {Level{}},
            {EvenOut{}}, {Reverse{}}, {Width{0.5}}, {Channels{}}});
    CHECK(*audio == copy);
}

TEST_CASE("DC is taken from each channel by itself", "[treat]")
{
    auto left = probe::sine(440.0, 48000.0, 1.0), right = left;
    for (float& s : left)
        s += 0.25f;
    for (float& s : right)
        s -= 0.1f;
    const auto treated = treat(stereo(left, right), {{RemoveDc{}}});
    for (const auto& channel : treated->channels) {
        double sum = 0.0;
        for (const float s : channel)
            sum += double(s);
        CHECK(std::abs(sum / double(channel.size())) < 1e-6);
    }
}

TEST_CASE("Cuts fall by their slope and pass what is wanted", "[treat]")
{
    for (const int slope : {6, 12, 24, 48}) {
        INFO("slope " << slope);
        const PassFilter low{PassFilter::Cut::low, 200.0, slope};
        // Butterworth: 3 dB down at the corner; two octaves below it twice the slope, within the
        // 0.3 dB by which the curve of first order and the bilinear transform miss the straight
        // line.
        CHECK(gainAt(200.0, low) == Approx(-3.01).margin(0.05));
        CHECK(gainAt(50.0, low) == Approx(-2.0 * slope).margin(0.4));
        CHECK(std::abs(gainAt(3200.0, low)) < 0.05);
        const PassFilter high{PassFilter::Cut::high, 1000.0, slope};
        CHECK(gainAt(1000.0, high) == Approx(-3.01).margin(0.05));
        CHECK(gainAt(62.5, high) > -0.05);
        // The bilinear transform falls faster towards the Nyquist frequency, never slower.
        CHECK(gainAt(4000.0, high) < -2.0 * slope + 0.3);
    }
}

TEST_CASE("Bands lift where they are told, and the drawn curve is what is heard", "[treat]")
{
    const Band bell{Band::Shape::bell, 1000.0, 9.0, 2.0};
    const Band low{Band::Shape::lowShelf, 200.0, -6.0, 1.0};
    const Band high{Band::Shape::highShelf, 4000.0, 4.0, 1.0};
    CHECK(gainAt(1000.0, bell) == Approx(9.0).margin(0.02));
    CHECK(std::abs(gainAt(60.0, bell)) < 0.2);
    CHECK(gainAt(20.0, low) == Approx(-6.0).margin(0.1));
    CHECK(gainAt(200.0, low) == Approx(-3.0).margin(0.1));
    CHECK(gainAt(15000.0, high) == Approx(4.0).margin(0.1));
    CHECK(std::abs(gainAt(100.0, high)) < 0.05);
    for (const double hz : {35.0, 120.0, 700.0, 2500.0, 9000.0})
        for (const auto& band : {bell, low, high}) {
            INFO(describe({band}) << " at " << hz);
            CHECK(gainAt(hz, band)
                == Approx(filterResponse({{band}}, hz, 48000.0).value).margin(0.02));
        }
}

TEST_CASE("A low cut does not click on a recording that begins beside zero", "[treat]")
{
    std::vector<float> wave(48000, 0.5f);
    const auto treated = treat(mono(wave), {{PassFilter{PassFilter::Cut::low, 30.0, 24}}});
    CHECK(peak(treated->channels[0]) < 1e-4f);
}

TEST_CASE("A corner above the Nyquist frequency stays harmless", "[treat]")
{
    const auto audio = mono(probe::noise(8000.0, 1.0), 8000.0);
    for (const TreatmentKind& what : {TreatmentKind(PassFilter{PassFilter::Cut::high, 20000.0, 48}),
             TreatmentKind(Band{Band::Shape::bell, 20000.0, 24.0, 20.0}),
             TreatmentKind(Band{Band::Shape::highShelf, 20000.0, 24.0, 1.0})}) {
        const auto treated = treat(audio, {{what}});
        CHECK(std::all_of(treated->channels[0].begin(), treated->channels[0].end(),
            [](float s) { return std::isfinite(s) && std::abs(s) < 10.0f; }));
    }
}

TEST_CASE("Level reaches a peak or a loudness over its stretch only", "[treat]")
{
    auto wave = probe::sine(997.0, 48000.0, 3.0, 0.05);
    for (std::size_t i = 0; i < 24000; ++i)
        wave[i] *= 8.0f; // a loud knock before the note
    const auto audio = mono(wave);
    const Span note{Frames{48000}, Frames{144000}};
    const auto peaked = treat(audio, {{Level{Level::To::peak, -6.0, note}}});
    CHECK(peakLevel(*peaked, note).value == Approx(-6.0).margin(0.01));
    const auto loud = treat(audio, {{Level{Level::To::loudness, -18.0, note}}});
    CHECK(loudnessLufs(*loud, note).value == Approx(-18.0).margin(0.1));
    const auto gained = treat(audio, {{Level{Level::To::gain, 6.0, {}}}});
    CHECK(double(gained->channels[0][1000] / wave[1000]) == Approx(toGain({6.0})).epsilon(1e-5));
    // Silence has no level to reach.
    const auto silent = treat(mono(probe::silence(48000.0, 1.0)), {{Level{}}});
    CHECK(peak(silent->channels[0]) == 0.0f);
}

TEST_CASE("Level measures the same sound when the list runs backwards", "[treat]")
{
    auto wave = probe::noise(48000.0, 2.0, 0.1);
    for (std::size_t i = 0; i < 9600; ++i)
        wave[i] *= 5.0f;
    const Span quiet{Frames{48000}, Frames{96000}};
    const Level level{Level::To::peak, -3.0, quiet};
    const auto first = treat(mono(wave), {{level}, {Reverse{}}});
    const auto last = treat(mono(wave), {{Reverse{}}, {level}});
    CHECK(first->channels[0] == last->channels[0]);
}

TEST_CASE("Evening out flattens a swell and a sag and leaves the attack alone", "[treat]")
{
    auto wave = probe::harmonicTone(220.0, 48000.0, 3.0);
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double t = double(i) / 48000.0;
        wave[i] *= float(std::pow(10.0, -t * 4.0 / 20.0) * std::min(1.0, t / 0.02));
    }
    const auto audio = mono(wave);
    const auto levelAt = [](const Audio& a, double seconds) {
        const auto from = std::int64_t(seconds * 48000.0);
        return 10.0 * std::log10(meanSquare(a.channel(0, {Frames{from}, Frames{from + 4800}})));
    };
    const auto even = treat(audio, {{EvenOut{1.0, whole(*audio)}}});
    const auto half = treat(audio, {{EvenOut{0.5, whole(*audio)}}});
    CHECK(levelAt(*audio, 0.2) - levelAt(*audio, 2.7) == Approx(10.0).margin(0.2));
    // The mean over a quarter of a second sees half of it at the very ends.
    CHECK(std::abs(levelAt(*even, 0.2) - levelAt(*even, 2.7)) < 0.5);
    CHECK(levelAt(*half, 0.2) - levelAt(*half, 2.7) == Approx(5.0).margin(0.5));
    // 20 ms of attack stay 20 ms: the slow gain is nearly the same all through them.
    const double early = double(even->channels[0][300] / wave[300]);
    const double later = double(even->channels[0][960] / wave[960]);
    CHECK(std::abs(toDecibels(early / later).value) < 0.3);
}

TEST_CASE("Evening out never lifts noise by more than its limit", "[treat]")
{
    auto wave = probe::decaying(probe::harmonicTone(330.0, 48000.0, 4.0), 48000.0, 0.8);
    const auto gains =
        evenOutGains({48000.0, {wave}}, {Frames{0}, Frames{std::int64_t(wave.size())}}, 1.0, 480);
    for (const double gain : gains)
        CHECK(toDecibels(gain).value < 24.01);
}

TEST_CASE("Compressing holds loud moments back, however quiet the recording", "[treat]")
{
    // A second 12 dB louder than the one that follows.
    auto wave = probe::sine(330.0, 48000.0, 2.0, 1.0);
    for (std::size_t i = 48000; i < wave.size(); ++i)
        wave[i] *= 0.25f;
    const auto difference = [](const Audio& audio) {
        return peakLevel(audio, {Frames{24000}, Frames{47000}}).value
            - peakLevel(audio, {Frames{72000}, Frames{95000}}).value;
    };
    for (const float peak : {0.9f, 0.1f, 0.01f}) {
        auto quiet = wave;
        for (float& s : quiet)
            s *= peak;
        const auto before = mono(quiet);
        const auto after = treat(before, {{compressing(*before, whole(*before), 96.0)}});
        // 9 dB above the threshold become 3; what lies 3 dB below it is as it was.
        CHECK_THAT(difference(*before) - difference(*after), Catch::Matchers::WithinAbs(6.0, 0.7));
    }
    const auto silent = mono(std::vector<float>(4800));
    CHECK(
        valueOf(compressing(*silent, whole(*silent), 96.0).effects.front(), "threshold") == -60.0);
}

TEST_CASE("Reversing twice gives the recording back", "[treat]")
{
    const auto audio = stereo(probe::noise(44100.0, 0.3), probe::noise(44100.0, 0.3, 0.2, 3));
    const auto once = treat(audio, {{Reverse{}}});
    CHECK(once->channels[1].front() == audio->channels[1].back());
    CHECK(*treat(audio, {{Reverse{}}, {Reverse{}}}) == *audio);
    CHECK(reversed({{Reverse{}}}));
    CHECK_FALSE(reversed({{Reverse{}}, {Reverse{}}}));
    CHECK_FALSE(reversed({{Reverse{}, false}}));
}

TEST_CASE("Channels are mixed, picked and swapped", "[treat]")
{
    const auto left = probe::sine(300.0, 48000.0, 0.1), right = probe::sine(500.0, 48000.0, 0.1);
    const auto audio = stereo(left, right);
    using How = Channels::How;
    CHECK(treat(audio, {{Channels{How::picked, 1, 0}}})->channels
        == std::vector<std::vector<float>>{right, left});
    CHECK(treat(audio, {{Channels{How::picked, 1, 1}}})->channels
        == std::vector<std::vector<float>>{right});
    const auto mixed = treat(audio, {{Channels{How::mixed, 0, 0}}});
    REQUIRE(mixed->channelCount() == 1);
    CHECK(mixed->channels[0][100] == Approx(0.5f * (left[100] + right[100])));
    // A channel that is not there is the last one.
    CHECK(treat(mono(left), {{Channels{How::picked, 4, 7}}})->channels
        == std::vector<std::vector<float>>{left});
}

TEST_CASE("Width keeps the middle and moves the sides", "[treat]")
{
    const auto audio = stereo(probe::noise(48000.0, 0.1), probe::noise(48000.0, 0.1, 0.3, 5));
    const auto none = treat(audio, {{Width{0.0}}});
    CHECK(none->channels[0] == none->channels[1]);
    const auto wide = treat(audio, {{Width{2.0}}});
    for (std::size_t i = 0; i < 4800; i += 37) {
        const auto side = [i](const Audio& a) { return a.channels[0][i] - a.channels[1][i]; };
        const auto middle = [i](const Audio& a) { return a.channels[0][i] + a.channels[1][i]; };
        CHECK(side(*wide) == Approx(2.0f * side(*audio)).margin(1e-6));
        CHECK(middle(*wide) == Approx(middle(*audio)).margin(1e-6));
    }
}

TEST_CASE("A cancelled list gives nothing", "[treat]")
{
    std::stop_source stop;
    stop.request_stop();
    CHECK(
        treat(mono(probe::noise(48000.0, 0.1)), {{RemoveDc{}}}, {stop.get_token(), {}}) == nullptr);
}

TEST_CASE("Random lists on random sounds stay finite and as long as before", "[treat]")
{
    probe::Noise random(11);
    for (int round = 0; round < 60; ++round) {
        Treatments list;
        const int count = int(random.between(1.0, 6.0));
        for (int i = 0; i < count; ++i) {
            const TreatmentKind kinds[] = {RemoveDc{},
                PassFilter{random() > 0.0 ? PassFilter::Cut::low : PassFilter::Cut::high,
                    random.between(-10.0, 30000.0), int(random.between(0.0, 60.0))},
                Band{Band::Shape(int(random.between(0.0, 2.99))), random.between(1.0, 1e6),
                    random.between(-60.0, 60.0), random.between(-1.0, 90.0)},
                Level{Level::To(int(random.between(0.0, 2.99))), random.between(-90.0, 10.0),
                    {Frames{-50}, Frames{std::int64_t(random.between(0.0, 99999.0))}}},
                EvenOut{random.between(-1.0, 2.0), {Frames{0}, Frames{100}}}, Reverse{},
                Channels{Channels::How::picked, int(random.between(-3.0, 9.0)), 0},
                Width{random.between(-1.0, 3.0)}};
            list.push_back(sanitized({kinds[std::size_t(random.between(0.0, 7.99))]}));
        }
        const double seconds = random.between(0.0004, 0.5);
        const auto audio = stereo(probe::noise(48000.0, seconds, 0.5, std::uint64_t(round) + 1),
            probe::sine(random.between(20.0, 20000.0), 48000.0, seconds));
        const auto treated = treat(audio, list);
        CHECK(treated->frames() == audio->frames());
        for (const auto& channel : treated->channels)
            CHECK(std::all_of(
                channel.begin(), channel.end(), [](float s) { return std::isfinite(s); }));
    }
}
