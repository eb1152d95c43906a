// SPDX-License-Identifier: GPL-3.0-or-later
#include "field_sounds.h"

#include "prepare/treat/biquad.h"

#include <cmath>
#include <numbers>
#include <random>

namespace bench {

using namespace puretone;

namespace {

constexpr double rate = 44100.0;
constexpr double twoPi = 2.0 * std::numbers::pi;

/// One channel under way; the library's distributions differ between implementations, these do not.
class Maker {
public:
    Maker(std::size_t frames, std::uint64_t seed)
        : wave_(frames)
        , engine_(seed)
    {
    }
    double between(double low, double high)
    {
        return low + (high - low) * double(engine_() >> 11U) / double(1ULL << 53U);
    }
    /// White noise through a low and a high cut.
    std::vector<float> band(double lowHz, double highHz)
    {
        std::vector<float> noise(wave_.size());
        for (float& s : noise)
            s = float(between(-0.5, 0.5));
        if (lowHz > 0.0)
            filterInPlace(noise, sectionsOf(PassFilter{PassFilter::Cut::low, lowHz, 12}, rate));
        filterInPlace(noise, sectionsOf(PassFilter{PassFilter::Cut::high, highHz, 12}, rate));
        return noise;
    }
    /// A slow random curve about 1, between 1 - depth and 1 + depth.
    std::vector<double> slow(double hz, double depth)
    {
        std::vector<double> curve(wave_.size());
        double from = between(-1.0, 1.0), to = between(-1.0, 1.0);
        const auto step = std::size_t(rate / hz);
        for (std::size_t i = 0; i < curve.size(); ++i) {
            if (i % step == 0) {
                from = to;
                to = between(-1.0, 1.0);
            }
            const double at = double(i % step) / double(step);
            const double smooth = 0.5 - 0.5 * std::cos(std::numbers::pi * at);
            curve[i] = 1.0 + depth * (from + (to - from) * smooth);
        }
        return curve;
    }
    void add(const std::vector<float>& noise, double level, const std::vector<double>& curve = {})
    {
        for (std::size_t i = 0; i < wave_.size(); ++i)
            wave_[i] += float(level * noise[i] * (curve.empty() ? 1.0 : curve[i]));
    }
    /// Short ringing ticks at random times.
    void addTicks(double perSecond, double lowHz, double highHz, double seconds, double level)
    {
        const auto count = std::size_t(perSecond * double(wave_.size()) / rate);
        for (std::size_t n = 0; n < count; ++n) {
            const auto at = std::size_t(between(0.0, double(wave_.size() - 1)));
            const double hz = lowHz * std::pow(highHz / lowHz, between(0.0, 1.0));
            const double loud = level * std::pow(10.0, between(-1.0, 0.0));
            const double ring = seconds * between(0.4, 1.6), phase = between(0.0, twoPi);
            for (std::size_t i = at; i < wave_.size() && double(i - at) < 6.0 * ring * rate; ++i) {
                const double t = double(i - at) / rate;
                wave_[i] += float(loud * std::exp(-t / ring) * std::sin(twoPi * hz * t + phase));
            }
        }
    }
    void addTone(double hz, double level)
    {
        const double phase = between(0.0, twoPi);
        for (std::size_t i = 0; i < wave_.size(); ++i)
            wave_[i] += float(level * std::sin(twoPi * hz * double(i) / rate + phase));
    }
    /// Voices: bands of noise about a formant that come and go.
    void addVoices(int count)
    {
        for (int v = 0; v < count; ++v) {
            const double formant = between(250.0, 2200.0);
            auto curve = slow(between(2.0, 5.0), 1.0);
            for (double& c : curve)
                c = 0.5 * std::max(0.0, c - 0.6);
            add(band(0.7 * formant, 1.4 * formant), 0.5, curve);
        }
    }
    std::vector<float> finished()
    {
        double top = 1e-9;
        for (const float s : wave_)
            top = std::max(top, double(std::abs(s)));
        for (float& s : wave_)
            s = float(0.7 * s / top);
        return std::move(wave_);
    }

private:
    std::vector<float> wave_;
    std::mt19937_64 engine_;
};

using Recipe = void (*)(Maker&);

void rain(Maker& m)
{
    m.add(m.band(500.0, 9000.0), 0.5, m.slow(0.7, 0.2));
    m.addTicks(m.between(40.0, 300.0), 1500.0, 9000.0, 0.004, 0.3);
}
void crackle(Maker& m)
{
    m.add(m.band(80.0, 6000.0), 0.03);
    m.addTicks(m.between(3.0, 15.0), 900.0, 7000.0, 0.0015, 0.5);
}
void rumble(Maker& m)
{
    m.add(m.band(0.0, m.between(60.0, 150.0)), 2.0, m.slow(0.5, 0.4));
    m.add(m.band(100.0, 900.0), 0.02);
}
void room(Maker& m)
{
    m.add(m.band(0.0, 400.0), 0.2);
    m.addTone(50.0, 0.004);
    m.addTone(100.0, 0.003);
    m.addTicks(0.4, 300.0, 2500.0, 0.01, 0.02);
}
void crowd(Maker& m)
{
    m.addVoices(int(m.between(8.0, 24.0)));
    m.add(m.band(150.0, 3000.0), 0.05);
}
void wind(Maker& m)
{
    m.add(m.band(60.0, m.between(400.0, 1200.0)), 1.0, m.slow(m.between(0.3, 1.5), 0.6));
}
void hiss(Maker& m)
{
    m.add(m.band(800.0, 12000.0), 0.1);
    m.add(m.band(0.0, 120.0), 0.2);
    m.addTicks(m.between(1.0, 4.0), 1500.0, 9000.0, 0.0008, 0.6);
}
void surf(Maker& m)
{
    m.add(m.band(100.0, 5000.0), 0.5, m.slow(m.between(0.15, 0.4), 0.9));
}
void fire(Maker& m)
{
    m.add(m.band(40.0, 300.0), 0.4, m.slow(3.0, 0.5));
    m.addTicks(m.between(8.0, 40.0), 600.0, 6000.0, 0.003, 0.4);
}
void fan(Maker& m)
{
    m.add(m.band(100.0, 2500.0), 0.2);
    const double hz = m.between(80.0, 200.0);
    for (int h = 1; h <= 4; ++h)
        m.addTone(h * hz, 0.02 / h);
}

} // namespace

std::vector<FieldSound> fieldSounds(int rounds, std::uint64_t seed)
{
    constexpr std::pair<const char*, Recipe> recipes[] = {{"rain", rain}, {"crackle", crackle},
        {"rumble", rumble}, {"room", room}, {"crowd", crowd}, {"wind", wind}, {"hiss", hiss},
        {"surf", surf}, {"fire", fire}, {"fan", fan}};
    std::vector<FieldSound> sounds;
    std::mt19937_64 engine(seed);
    for (int round = 0; round < rounds; ++round)
        for (const auto& [name, make] : recipes) {
            const double seconds =
                1.5 * std::pow(8.0, double(engine() >> 11U) / double(1ULL << 53U));
            Audio audio{rate, {}};
            const auto shape = engine();
            for (int c = 0; c < 1 + round % 2; ++c) {
                // The same weather on both sides, other drops.
                Maker maker(std::size_t(seconds * rate), shape + std::uint64_t(c));
                make(maker);
                audio.channels.push_back(maker.finished());
            }
            sounds.push_back({name + std::string(" ") + std::to_string(round), std::move(audio)});
        }
    return sounds;
}

namespace {

enum class Slow { tremolo, swell, beatingTwo, beatingFive, wander };

/// dB at a moment.
double slowLevel(Slow kind, double t, double hz, double depth)
{
    if (kind == Slow::tremolo)
        return -depth * (0.5 - 0.5 * std::sin(twoPi * hz * t));
    const double turn = std::sin(twoPi * hz * t);
    return std::max(
        -30.0, -1.5 * depth * (turn < 0.0 ? -turn : 1.0 - std::pow(std::max(0.0, turn), 0.3)));
}

std::vector<float> slowSound(Slow kind, Maker& m, std::size_t frames)
{
    struct Tone {
        double hz, level, phase;
    };
    const double hz = m.between(60.0, 900.0);
    const int partials = 1 + int(m.between(1.0, 9.0));
    const int voices = kind == Slow::beatingTwo ? 2 : kind == Slow::beatingFive ? 5 : 1;
    std::vector<Tone> tones;
    for (int v = 0; v < voices; ++v) {
        const double detune = voices == 1 ? 1.0 : std::exp2(m.between(-12.0, 12.0) / 1200.0);
        for (int h = 1; h <= partials; ++h)
            tones.push_back({h * hz * detune, 1.0 / h / std::sqrt(voices), m.between(0.0, twoPi)});
    }
    const double rounds = kind == Slow::tremolo ? m.between(0.15, 6.0) : m.between(0.1, 0.7);
    const double depth = m.between(3.0, 20.0);
    const double noise = std::pow(10.0, m.between(-75.0, -45.0) / 20.0);
    const auto wander = m.slow(5.0, kind == Slow::wander ? 0.9 : 0.0);
    const bool moves = kind == Slow::tremolo || kind == Slow::swell;
    std::vector<float> wave(frames);
    for (std::size_t i = 0; i < frames; ++i) {
        const double t = double(i) / rate, left = double(frames - i) / rate;
        double sum = 0.0;
        for (const auto& tone : tones)
            sum += tone.level * std::sin(twoPi * tone.hz * t + tone.phase);
        const double level = moves ? slowLevel(kind, t, rounds, depth) : 0.0;
        const double edge = std::min({1.0, t / 0.2, left / 0.3});
        wave[i] = float(0.2 * edge * wander[i] * std::pow(10.0, level / 20.0) * sum
            + noise * m.between(-1.0, 1.0));
    }
    return wave;
}

} // namespace

std::vector<FieldSound> slowSounds(int rounds, std::uint64_t seed)
{
    constexpr std::pair<const char*, Slow> kinds[] = {{"tremolo", Slow::tremolo},
        {"swell", Slow::swell}, {"two voices", Slow::beatingTwo},
        {"five voices", Slow::beatingFive}, {"wander", Slow::wander}};
    std::vector<FieldSound> sounds;
    std::mt19937_64 engine(seed);
    for (int round = 0; round < rounds; ++round)
        for (const auto& [name, kind] : kinds) {
            const double seconds = 2.0 + 12.0 * double(engine() >> 11U) / double(1ULL << 53U);
            const auto frames = std::size_t(seconds * rate);
            Maker maker(frames, engine());
            sounds.push_back({name + std::string(" ") + std::to_string(round),
                Audio{rate, {slowSound(kind, maker, frames)}}});
        }
    return sounds;
}

} // namespace bench
