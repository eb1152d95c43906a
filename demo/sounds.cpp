// SPDX-License-Identifier: GPL-3.0-or-later
#include "demo/sounds.h"

#include "demo/voice.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace skerry {

namespace {

constexpr double rate = 48000.0;
constexpr double turn = 2.0 * std::numbers::pi;

Audio silence(double seconds, std::size_t channels)
{
    return {rate, std::vector(channels, std::vector<float>(std::size_t(seconds * rate), 0.0f))};
}

} // namespace

Sound fogHorn()
{
    // A reed blown by compressed air: it starts a little flat, steadies, and sinks when the air is
    // off.
    constexpr double hz = 116.54 * 0.9931; // A#2, 12 cents flat
    Audio audio = silence(4.2, 2);
    Noise air(11);
    BandPass hiss(1900.0, 0.8, rate);
    double phase = 0.0, shimmer = 0.0;
    Noise unsteady(12);
    for (std::size_t i = 0; i < audio.channels[0].size(); ++i) {
        const double t = double(i) / rate;
        const double level = curveAt(
            {{0.12, 0.0}, {0.32, 0.9}, {0.7, 1.0}, {3.3, 0.96}, {3.55, 0.3}, {3.9, 0.0}}, t);
        const double cents = curveAt({{0.12, -60.0}, {0.45, 0.0}, {3.3, 0.0}, {3.8, -120.0}}, t);
        shimmer += 0.0004 * (unsteady.next() - shimmer);
        phase += hz * std::exp2(cents / 1200.0) / rate;
        double left = 0.0, right = 0.0;
        for (int h = 1; h <= 40; ++h) {
            // A horn's bell lets the middle partials out best; loud tones are brighter.
            const double amplitude = std::pow(h, -0.75) * std::exp(-0.055 * h)
                * (0.5 + 0.5 * std::tanh(h / 3.0)) * std::pow(level, 1.0 + 0.05 * h);
            const double flutter = 1.0 + 6.0 * shimmer * (h % 5 - 2);
            left += amplitude * flutter * std::sin(turn * h * phase + 0.3 * h);
            right += amplitude * (2.0 - flutter)
                * std::sin(turn * h * phase + 0.3 * h + 0.12 * std::sin(double(h)));
        }
        const double wind = 0.02 * level * hiss.run(air.next()) + 0.0004 * air.next();
        audio.channels[0][i] = float(0.21 * left + wind);
        audio.channels[1][i] = float(0.21 * right + wind);
    }
    return {"fog-horn", std::move(audio),
        {"harmonic", hz, {1, 2, 3, 4, 5, 6, 7, 8}, 0.0, 0.0, 0.0, -65.0, {},
            "The fog horn on the gallery, one blast over a flat sea."}};
}

Sound buoyBell()
{
    // Hum, prime, tierce, quint, nominal and what lies above: a small bell, struck once by the
    // swell.
    constexpr double hum = 261.8;
    struct Mode {
        double ratio, level, seconds, split;
    };
    constexpr Mode modes[] = {{1.0, 0.55, 3.8, 0.23}, {2.0, 0.5, 2.4, 0.41},
        {2.39, 0.75, 1.9, 0.37}, {3.02, 0.22, 1.1, 0.6}, {4.0, 0.8, 1.3, 0.5},
        {5.01, 0.2, 0.7, 0.9}, {5.98, 0.42, 0.6, 0.8}, {6.7, 0.2, 0.4, 1.0}, {8.1, 0.3, 0.3, 1.2},
        {10.4, 0.2, 0.18, 1.5}, {13.1, 0.12, 0.1, 1.9}};
    Audio audio = silence(5.0, 1);
    Noise sea(21);
    BandPass swell(300.0, 0.5, rate);
    for (std::size_t i = 0; i < audio.channels[0].size(); ++i) {
        const double t = double(i) / rate - 0.08;
        double sum = 0.0;
        if (t > 0.0)
            for (const auto& m : modes) {
                // Two nearly equal modes beat: no cast bell is quite round.
                const double fall =
                    std::exp(-6.9 * t / (2.2 * m.seconds)) * (1.0 - std::exp(-t / 0.0006));
                sum += m.level * fall
                    * (0.75 * std::sin(turn * hum * m.ratio * t)
                        + 0.25 * std::sin(turn * (hum * m.ratio + m.split) * t + 1.0));
            }
        audio.channels[0][i] =
            float(0.24 * sum + 0.0012 * swell.run(sea.next()) + 0.00012 * sea.next());
    }
    return {"buoy-bell", std::move(audio),
        {"inharmonic", 2.0 * hum, {0.5, 1, 1.195, 1.51, 2, 2.505, 2.99}, 0.0, 0.0, 0.0, -70.0, {},
            "The bell on the buoy, struck once by the swell."}};
}

Sound keepersHum()
{
    constexpr double hz = 196.0 * 1.00405; // G3, 7 cents sharp
    Audio audio = silence(4.1, 1);
    Noise breath(31), wander(32);
    BandPass air(2600.0, 0.7, rate);
    double phase = 0.0, slow = 0.0;
    for (std::size_t i = 0; i < audio.channels[0].size(); ++i) {
        const double t = double(i) / rate;
        const double level =
            curveAt({{0.1, 0.0}, {0.28, 0.8}, {0.6, 1.0}, {3.3, 0.85}, {3.85, 0.0}}, t);
        const double depth = curveAt({{0.9, 0.0}, {1.8, 28.0}, {3.8, 34.0}}, t);
        const double drift = curveAt({{0.1, -25.0}, {0.6, 4.0}, {3.8, -4.0}}, t);
        slow += 0.00005 * (wander.next() - slow);
        const double cents = drift + depth * std::sin(turn * 5.2 * t) + 300.0 * slow;
        phase += hz * std::exp2(cents / 1200.0) / rate;
        double sum = 0.0;
        for (int h = 1; h <= 24; ++h) {
            // Closed lips: one formant near 300 Hz, a weak one near 1.1 kHz, a quick fall above.
            const double f = hz * h;
            const double formants = 1.0 / (1.0 + std::pow((f - 300.0) / 180.0, 2.0))
                + 0.12 / (1.0 + std::pow((f - 1100.0) / 160.0, 2.0))
                + 0.02 / (1.0 + std::pow((f - 2400.0) / 300.0, 2.0));
            sum += formants / std::sqrt(h) * std::sin(turn * h * phase);
        }
        const double noise = air.run(breath.next());
        audio.channels[0][i] = float(level * (0.42 * sum + 0.012 * noise) + 0.0003 * breath.next());
    }
    return {"keepers-hum", std::move(audio),
        {"harmonic", hz, {1, 2, 3, 4, 5, 6}, 34.0, 5.2, -8.0, -68.0, {},
            "The keeper, humming while he trims the wick."}};
}

Sound windInTheRigging()
{
    constexpr double hz = 622.25; // D#5: where the stay sings, if at all
    Audio audio = silence(6.0, 2);
    Noise gust(41), left(42), right(43);
    BandPass lowLeft(420.0, 0.6, rate), lowRight(440.0, 0.6, rate), tone(hz, 40.0, rate);
    double force = 0.0;
    for (std::size_t i = 0; i < audio.channels[0].size(); ++i) {
        force += 0.00004 * (gust.next() * 3.0 - force);
        const double strength = 0.6 + 14.0 * force;
        const double edge =
            std::min({1.0, double(i) / (0.4 * rate), (6.0 - double(i) / rate) / 0.4});
        const double l = left.next(), r = right.next();
        const double sing = 0.1 * tone.run(0.5 * (l + r));
        audio.channels[0][i] = float(edge * strength * (0.5 * lowLeft.run(l) + 0.03 * l + sing));
        audio.channels[1][i] = float(edge * strength * (0.5 * lowRight.run(r) + 0.03 * r + sing));
    }
    return {"wind-in-the-rigging", std::move(audio),
        {"unpitched", std::nullopt, {}, 0.0, 0.0, 0.0, -16.0, {},
            "Wind in the rigging of the supply boat; a stay sings faintly near 622 Hz."}};
}

Sound mooringPost()
{
    constexpr double rest = 87.31; // F2
    Audio audio = silence(0.9, 1);
    Noise wood(51);
    BandPass knock(900.0, 1.2, rate);
    double phase = 0.0;
    for (std::size_t i = 0; i < audio.channels[0].size(); ++i) {
        const double t = double(i) / rate - 0.06;
        double sum = 0.0;
        if (t > 0.0) {
            const double hz = rest * (1.0 + 0.9 * std::exp(-t / 0.022));
            phase += hz / rate;
            sum =
                0.85 * std::exp(-t / 0.13) * (1.0 - std::exp(-t / 0.0008)) * std::sin(turn * phase)
                + 0.1 * std::exp(-t / 0.05) * std::sin(turn * 2.3 * phase)
                + 0.9 * std::exp(-t / 0.006) * knock.run(wood.next());
        }
        audio.channels[0][i] = float(0.8 * sum + 0.0001 * wood.next());
    }
    return {"mooring-post", std::move(audio),
        {"percussive", rest, {1}, 0.0, 0.0, 0.0, -80.0, {},
            "A mooring post, knocked with the boat hook; the note glides down and settles."}};
}

Sound bottles()
{
    // Six bottles filled to a scale, blown one after another and recorded in one go.
    constexpr double keys[] = {60, 62, 64, 65, 67, 69};
    Audio audio = silence(9.2, 1);
    Truth truth{"harmonic", std::nullopt, {1, 2, 3}, 0.0, 0.0, 0.0, -62.0, {},
        "Six bottles on the window sill, blown in turn."};
    Noise breath(61), room(62);
    double at = 0.35;
    for (int n = 0; n < 6; ++n) {
        const double cents = 9.0 * std::sin(2.1 * n); // nobody fills a bottle to the cent
        const double hz = 440.0 * std::exp2((keys[n] - 69.0 + cents / 100.0) / 12.0);
        const double length = 1.05 + 0.08 * std::sin(3.3 * n);
        BandPass air(hz * 1.02, 6.0, rate), hiss(3200.0, 0.7, rate);
        const double strength = 0.8 + 0.15 * std::cos(1.7 * n);
        double phase = 0.0;
        for (std::size_t i = 0; i < std::size_t(length * rate); ++i) {
            const double t = double(i) / rate;
            const double level = strength
                * curveAt({{0.0, 0.0}, {0.07, 1.0}, {0.6 * length, 0.85}, {length, 0.0}}, t);
            phase += hz / rate * (1.0 + 0.002 * (level - 0.8));
            const double tone = std::sin(turn * phase) + 0.09 * std::sin(2.0 * turn * phase)
                + 0.05 * std::sin(3.0 * turn * phase);
            const double b = breath.next();
            audio.channels[0][std::size_t(at * rate) + i] +=
                float(level * (0.4 * tone + 0.25 * air.run(b) + 0.02 * hiss.run(b)));
        }
        truth.notes.push_back({at, at + length, hz});
        at += length + 0.35 + 0.05 * std::sin(1.3 * n);
    }
    for (float& s : audio.channels[0])
        s += float(0.0005 * room.next());
    return {"bottles", std::move(audio), std::move(truth)};
}

std::vector<Sound> allSounds()
{
    std::vector<Sound> sounds;
    sounds.push_back(fogHorn());
    sounds.push_back(buoyBell());
    sounds.push_back(keepersHum());
    sounds.push_back(windInTheRigging());
    sounds.push_back(mooringPost());
    sounds.push_back(bottles());
    return sounds;
}

} // namespace skerry
