// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch_programs.h"

#include "audio/level.h"
#include "audio/signal/fft.h"
#include "prepare/treat/biquad.h"

#include <algorithm>
#include <array>
#include <functional>
#include <numbers>
#include <random>

namespace bench {

using namespace puretone;

namespace {

constexpr double twoPi = 2.0 * std::numbers::pi;

class Dice {
public:
    explicit Dice(std::uint64_t seed)
        : engine_(seed)
    {
    }
    // The library's distributions differ between implementations; these do not.
    double between(double low, double high) { return low + (high - low) * unit(); }
    bool once(double share) { return unit() < share; }
    double noise() { return 2.0 * unit() - 1.0; }
    std::uint64_t seed() { return engine_(); }

private:
    double unit() { return double(engine_() >> 11U) / double(1ULL << 53U); }
    std::mt19937_64 engine_;
};

std::vector<float> pinkNoise(std::size_t length, double rms, std::uint64_t seed)
{
    // Sum of one-pole filters an octave apart (after P. Kellet's three-pole form).
    Dice dice(seed);
    std::vector<float> noise(length);
    double b0 = 0, b1 = 0, b2 = 0;
    for (float& s : noise) {
        const double white = dice.noise();
        b0 = 0.99765 * b0 + white * 0.0990460;
        b1 = 0.96300 * b1 + white * 0.2965164;
        b2 = 0.57000 * b2 + white * 1.0526913;
        s = float(b0 + b1 + b2 + white * 0.1848);
    }
    const double gain = rms / std::sqrt(std::max(1e-20, meanSquare(noise)));
    for (float& s : noise)
        s = float(s * gain);
    return noise;
}

std::vector<float> inARoom(
    const std::vector<float>& dry, double rate, double seconds60, double wetDb, std::uint64_t seed)
{
    Dice dice(seed);
    const auto tail = std::size_t(seconds60 * rate);
    RealFft fft(RealFft::goodSize(dry.size() + tail + 1));
    std::vector<float> response(tail);
    double power = 0.0;
    for (std::size_t i = 0; i < tail; ++i) {
        response[i] = float(dice.noise() * std::pow(10.0, -3.0 * double(i) / double(tail)));
        power += double(response[i]) * double(response[i]);
    }
    const double wet = std::pow(10.0, wetDb / 20.0) / std::sqrt(power);
    for (float& s : response)
        s = float(s * wet);
    response[0] += 1.0f;
    fft.forward(response);
    const std::vector<std::complex<float>> transfer(fft.spectrum().begin(), fft.spectrum().end());
    fft.forward(dry);
    for (std::size_t b = 0; b < transfer.size(); ++b)
        fft.spectrum()[b] *= transfer[b];
    fft.inverse();
    return {fft.time().begin(), fft.time().begin() + std::ptrdiff_t(dry.size())};
}

/// Partials given as ratio, level and decay (seconds to -60 dB; 0 lasts), bent by a common curve.
struct Mode {
    double ratio, level, decay;
};
std::vector<float> modes(const std::vector<Mode>& list, double hz, double rate, double seconds,
    Dice& dice, const std::function<double(double)>& cents = {})
{
    std::vector<float> wave(std::size_t(seconds * rate));
    std::vector<double> bend(wave.size(), 1.0);
    if (cents)
        for (std::size_t i = 0; i < bend.size(); ++i)
            bend[i] = std::exp2(cents(double(i) / rate) / 1200.0);
    for (const auto& mode : list) {
        if (mode.ratio * hz > 0.45 * rate)
            continue;
        double phase = twoPi * dice.between(0, 1);
        const double fall = mode.decay > 0.0 ? std::pow(10.0, -3.0 / (mode.decay * rate)) : 1.0;
        double level = mode.level;
        for (std::size_t i = 0; i < wave.size(); ++i, level *= fall) {
            phase += twoPi * mode.ratio * hz * bend[i] / rate;
            wave[i] += float(level * std::sin(phase));
        }
    }
    return wave;
}

void shapeEnds(std::vector<float>& wave, double rate, double attack, double release)
{
    for (std::size_t i = 0; i < wave.size(); ++i) {
        const double t = double(i) / rate, left = double(wave.size() - i) / rate;
        wave[i] = float(wave[i] * std::min({1.0, t / attack, left / release}));
    }
}

struct Recipe {
    const char* name;
    SoundKind family;
    double low, high; ///< MIDI.
    std::function<std::vector<float>(double hz, double rate, Dice&)> make;
};

std::vector<Mode> randomSpectrum(Dice& dice, double slope, int count)
{
    std::vector<Mode> list;
    for (int h = 1; h <= count; ++h)
        list.push_back({double(h),
            std::pow(double(h), -slope) * std::pow(10.0, dice.between(-8.0, 4.0) / 20.0), 0.0});
    return list;
}

std::vector<float> sustained(
    std::vector<Mode> list, double hz, double rate, Dice& dice, double vibrato = 0.0)
{
    const double seconds = dice.between(0.6, 4.0);
    const double speed = dice.between(4.5, 7.0);
    auto wave = modes(list, hz, rate, seconds, dice,
        vibrato > 0.0 ? std::function<double(double)>(
            [=](double t) { return vibrato * std::sin(twoPi * speed * t); })
                      : std::function<double(double)>());
    shapeEnds(wave, rate, dice.between(0.005, 0.15), dice.between(0.02, 0.2));
    return wave;
}

std::vector<float> plucked(double hz, double rate, Dice& dice, double stiffness)
{
    std::vector<Mode> list;
    const double place = dice.between(0.08, 0.45), decay = dice.between(0.6, 5.0);
    for (int h = 1; h <= 40; ++h)
        list.push_back({h * std::sqrt(1.0 + stiffness * h * h) / std::sqrt(1.0 + stiffness),
            std::abs(std::sin(std::numbers::pi * h * place)) / h, decay / (1.0 + 0.08 * h)});
    auto wave = modes(list, hz, rate, dice.between(0.4, 3.0), dice);
    shapeEnds(wave, rate, 0.002, 0.02);
    return wave;
}

std::vector<float> struck(std::vector<Mode> list, double hz, double rate, Dice& dice)
{
    for (auto& mode : list) {
        mode.level *= std::pow(10.0, dice.between(-4.0, 4.0) / 20.0);
        mode.decay *= dice.between(0.7, 1.4);
    }
    const auto longest =
        std::max_element(list.begin(), list.end(), [](const Mode& a, const Mode& b) {
            return a.decay < b.decay;
        })->decay;
    auto wave = modes(list, hz, rate, std::clamp(0.6 * longest, 0.25, 4.0), dice);
    shapeEnds(wave, rate, 0.001, 0.01);
    return wave;
}

std::vector<float> kick(double hz, double rate, Dice& dice)
{
    const double fall = dice.between(300.0, 2400.0), time = dice.between(0.015, 0.04);
    auto wave = modes({{1.0, 1.0, dice.between(0.4, 1.2)}}, hz, rate, dice.between(0.4, 0.9), dice,
        [=](double t) { return fall * std::exp(-t / time); });
    for (std::size_t i = 0; i < std::size_t(0.01 * rate); ++i)
        wave[i] += float(0.5 * dice.noise() * std::exp(-double(i) / (0.002 * rate)));
    shapeEnds(wave, rate, 0.001, 0.02);
    return wave;
}

std::vector<float> tom(double hz, double rate, Dice& dice)
{
    const double d = dice.between(0.4, 1.0), fall = dice.between(0.0, 120.0);
    auto wave = modes({{1.0, 1.0, d}, {1.593, 0.4, 0.5 * d}, {2.136, 0.25, 0.4 * d},
                          {2.296, 0.2, 0.35 * d}, {2.653, 0.12, 0.3 * d}},
        hz, rate, dice.between(0.4, 1.0), dice,
        [=](double t) { return fall * std::exp(-t / 0.05); });
    for (std::size_t i = 0; i < std::size_t(0.03 * rate); ++i)
        wave[i] += float(0.3 * dice.noise() * std::exp(-double(i) / (0.008 * rate)));
    shapeEnds(wave, rate, 0.001, 0.02);
    return wave;
}

const std::vector<Recipe>& recipes()
{
    using K = SoundKind;
    static const std::vector<Recipe> all = {
        {"sine", K::harmonic, 24, 119,
            [](double f, double r, Dice& d) {
                return sustained({{1, 1, 0}}, f, r, d);
            }},
        {"reed", K::harmonic, 22, 100,
            [](double f, double r, Dice& d) {
                return sustained(randomSpectrum(d, d.between(0.4, 1.4), 30), f, r, d);
            }},
        {"hollow pipe", K::harmonic, 30, 96,
            [](double f, double r, Dice& d) {
                auto list = randomSpectrum(d, d.between(0.7, 1.4), 21);
                for (auto& mode : list)
                    if (int(mode.ratio) % 2 == 0)
                        mode.level *= 0.003;
                return sustained(list, f, r, d);
            }},
        {"no fundamental", K::harmonic, 28, 72,
            [](double f, double r, Dice& d) {
                auto list = randomSpectrum(d, 0.8, 20);
                list[0].level = 0.0;
                return sustained(list, f, r, d);
            }},
        {"strong octave", K::harmonic, 30, 90,
            [](double f, double r, Dice& d) {
                auto list = randomSpectrum(d, 1.0, 20);
                list[1].level *= d.between(3.0, 6.0);
                return sustained(list, f, r, d);
            }},
        {"voice", K::harmonic, 40, 84,
            [](double f, double r, Dice& d) {
                auto list = randomSpectrum(d, 1.2, 30);
                return sustained(list, f, r, d, d.between(20.0, 80.0));
            }},
        {"stiff string", K::harmonic, 24, 96,
            [](double f, double r, Dice& d) {
                return plucked(f, r, d, std::pow(10.0, d.between(-5.0, -3.2)));
            }},
        {"two strings", K::harmonic, 36, 84,
            [](double f, double r, Dice& d) {
                const double apart = std::exp2(d.between(1.0, 4.0) / 1200.0);
                const auto seed = d.seed();
                Dice one(seed), two(seed);
                auto wave = plucked(f * apart, r, one, 0.0);
                const auto other = plucked(f / apart, r, two, 0.0);
                for (std::size_t i = 0; i < wave.size(); ++i)
                    wave[i] += other[i];
                return wave;
            }},
        {"bell", K::inharmonic, 50, 84,
            [](double f, double r, Dice& d) {
                return struck({{0.5, 0.6, 9}, {1, 0.5, 5}, {1.2, 0.7, 4}, {1.5, 0.25, 3}, {2, 1, 3},
                                  {2.5, 0.3, 1.8}, {3, 0.4, 1.5}, {4, 0.3, 1}, {5.33, 0.15, 0.7}},
                    f, r, d);
            }},
        {"wooden bar", K::inharmonic, 45, 96,
            [](double f, double r, Dice& d) {
                return struck({{1, 1, 1.2}, {3.98, 0.35, 0.25}, {9.4, 0.12, 0.1}}, f, r, d);
            }},
        {"metal bar", K::inharmonic, 65, 105,
            [](double f, double r, Dice& d) {
                return struck({{1, 1, 3}, {2.756, 0.4, 1.2}, {5.404, 0.2, 0.5}}, f, r, d);
            }},
        {"kick", K::percussive, 26, 43, kick},
        {"tom", K::percussive, 36, 62, tom},
    };
    return all;
}

Program noiseProgram(Dice& dice)
{
    Program p;
    p.family = SoundKind::unpitched;
    const double rate = 48000.0;
    const auto length = std::size_t(dice.between(0.3, 4.0) * rate);
    std::vector<float> wave(length);
    const int which = int(dice.between(0.0, 4.0));
    if (which == 1)
        wave = pinkNoise(length, 0.1, dice.seed());
    else
        for (float& s : wave)
            s = float(0.2 * dice.noise());
    if (which == 2)
        for (std::size_t i = 1; i < length; ++i)
            wave[i] = 0.05f * wave[i] + 0.998f * wave[i - 1];
    if (which == 3)
        filterInPlace(
            wave, sectionsOf(PassFilter{PassFilter::Cut::high, dice.between(300, 3000), 12}, rate));
    p.kind =
        std::array{"white noise", "pink noise", "brown noise", "dull noise"}[std::size_t(which)];
    p.audio = {rate, {std::move(wave)}};
    return p;
}

} // namespace

std::vector<Program> randomPrograms(std::size_t count, std::uint64_t seed)
{
    Dice dice(seed);
    std::vector<Program> programs;
    while (programs.size() < count) {
        const auto which = programs.size() % (recipes().size() + 1);
        if (which == recipes().size()) {
            programs.push_back(noiseProgram(dice));
            continue;
        }
        const Recipe& recipe = recipes()[which];
        const double rate = std::array{44100.0, 48000.0, 96000.0}[std::size_t(dice.between(0, 3))];
        const double midi = dice.between(recipe.low, recipe.high);
        const bool drum = recipe.family == SoundKind::percussive;
        const double noiseDb = dice.between(-70.0, drum ? -30.0 : -15.0);
        const bool room = dice.once(0.4);
        const double seconds60 = dice.between(0.3, 2.0), wetDb = dice.between(-20.0, -6.0);
        auto wave = recipe.make(hzOf(midi).value, rate, dice);
        const double rms = std::sqrt(meanSquare(wave));
        Program p{recipe.name, recipe.family, {rate, {}}, midi};
        for (int c = 0; c < (dice.once(0.5) ? 2 : 1); ++c) {
            auto channel = room ? inARoom(wave, rate, seconds60, wetDb, dice.seed()) : wave;
            const auto noise =
                pinkNoise(channel.size(), rms * std::pow(10.0, noiseDb / 20.0), dice.seed());
            for (std::size_t i = 0; i < channel.size(); ++i)
                channel[i] = float(0.25 * (channel[i] + noise[i]));
            p.audio.channels.push_back(std::move(channel));
        }
        programs.push_back(std::move(p));
    }
    return programs;
}

std::vector<Chord> randomChords(std::size_t count, std::uint64_t seed)
{
    Dice dice(seed);
    static constexpr std::array<std::array<int, 4>, 6> shapes = {{{0, 4, 7, 10}, {0, 3, 7, 10},
        {0, 5, 9, 14}, {0, 7, 16, 21}, {0, 4, 9, 11}, {0, 6, 10, 15}}};
    std::vector<Chord> chords;
    for (std::size_t n = 0; n < count; ++n) {
        Chord chord{{48000.0, {std::vector<float>(72000)}}, {}};
        const auto& shape = shapes[std::size_t(dice.between(0.0, 6.0))];
        const double root = dice.between(45.0, 70.0), slope = dice.between(0.6, 1.6);
        for (std::size_t i = 0; i < 2 + n % 3; ++i) {
            const double midi = root + shape[i] + dice.between(-0.05, 0.05);
            auto partials = randomSpectrum(dice, slope, 24);
            const double level = std::pow(10.0, dice.between(-6.0, 0.0) / 20.0);
            const double decay = dice.between(1.5, 18.0);
            for (auto& mode : partials) {
                mode.level *= 0.1 * level;
                mode.decay = decay;
            }
            const auto note = modes(partials, hzOf(midi).value, 48000.0, 1.5, dice);
            for (std::size_t k = 0; k < note.size(); ++k)
                chord.audio.channels[0][k] += note[k];
            chord.midi.push_back(midi);
        }
        chords.push_back(std::move(chord));
    }
    return chords;
}

const char* nameOf(Harm harm)
{
    return std::array{"noise", "telephone", "room", "overdrive", "hum", "cut"}[std::size_t(harm)];
}

std::vector<float> harmed(std::vector<float> mono, double rate, Harm harm, std::uint64_t seed)
{
    Dice dice(seed);
    const double rms = std::sqrt(meanSquare(mono));
    switch (harm) {
    case Harm::noise: {
        const auto noise = pinkNoise(mono.size(), rms / 4.0, seed);
        for (std::size_t i = 0; i < mono.size(); ++i)
            mono[i] += noise[i];
        break;
    }
    case Harm::telephone:
        filterInPlace(mono, sectionsOf(PassFilter{PassFilter::Cut::low, 300.0, 24}, rate));
        if (rate > 8000.0)
            filterInPlace(mono, sectionsOf(PassFilter{PassFilter::Cut::high, 3400.0, 24}, rate));
        break;
    case Harm::room:
        mono = inARoom(mono, rate, dice.between(0.6, 2.0), -3.0, seed);
        break;
    case Harm::overdrive:
        for (float& s : mono)
            s = std::tanh(4.0f * s / float(std::max(1e-6, 1.4 * rms)));
        break;
    case Harm::hum:
        for (std::size_t i = 0; i < mono.size(); ++i)
            for (int h = 1; h <= 5; ++h)
                mono[i] += float(0.12 * rms / h * std::sin(twoPi * 50.0 * h * double(i) / rate));
        break;
    case Harm::cut: {
        const auto length = std::min(mono.size(), std::size_t(dice.between(0.035, 0.3) * rate));
        const auto from = std::size_t(dice.between(0.0, 0.5) * double(mono.size() - length));
        mono = {mono.begin() + std::ptrdiff_t(from), mono.begin() + std::ptrdiff_t(from + length)};
        break;
    }
    }
    return mono;
}

} // namespace bench
