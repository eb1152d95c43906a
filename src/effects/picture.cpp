// SPDX-License-Identifier: GPL-3.0-or-later
#include "effects/picture.h"

#include "base/quantity.h"
#include "base/say.h"
#include "base/song_time.h"
#include "effects/processor.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <numbers>

namespace puretone {

namespace {

constexpr int columns = 120;
constexpr double pictureRate = 16000.0; // what is shown needs no more

using Curve = std::function<double(double)>;

/// y of a curve over x from 0 to 1, held inside the square.
EffectPicture::Line lineOf(const Curve& curve, int points = columns)
{
    EffectPicture::Line line;
    for (int i = 0; i <= points; ++i) {
        const double x = double(i) / points;
        line.push_back({float(x), float(std::clamp(curve(x), 0.0, 1.0))});
    }
    return line;
}

/// What the effect itself makes of a sound.
std::vector<float> madeOf(
    const Effect& effect, double beatsPerSecond, std::vector<float>& left, double rate)
{
    const auto processor = makeProcessor(effect, rate);
    EffectNow values{};
    for (std::size_t i = 0; i < values.size(); ++i)
        values[i] = float(effect.values[i]);
    EffectTime time;
    time.beatsPerFrame = beatsPerSecond / rate;
    std::vector<float> right = left;
    for (std::size_t at = 0; at + effectCell <= left.size(); at += effectCell) {
        time.beat = double(at) * time.beatsPerFrame;
        processor->set(values, time);
        processor->process(left.data() + at, right.data() + at, effectCell);
    }
    return right;
}

EffectPicture pictureOfEcho(const Effect& effect, double beatsPerSecond)
{
    EffectPicture picture;
    picture.zero = 0.5f;
    const double left = songSeconds(valueOf(effect, "left"), beatsPerSecond);
    const double right = songSeconds(valueOf(effect, "right"), beatsPerSecond);
    const double seconds = std::clamp(4.5 * std::max(left, right), 0.2, 12.0);
    std::vector<float> l(std::size_t(seconds * pictureRate)), r;
    l[0] = 1.0f;
    r = madeOf(effect, beatsPerSecond, l, pictureRate);
    // Peaks of stretches, so that each echo is one bar.
    const auto stretch =
        std::max<std::size_t>(1, std::size_t(0.45 * std::min(left, right) * pictureRate));
    picture.bars.push_back({0.0f, 1.0f});
    picture.bars.push_back({0.0f, -1.0f});
    for (const auto* side : {&l, &r}) {
        std::size_t at = 1;
        while (at < side->size()) {
            const auto end = std::min(side->size(), at + stretch);
            const auto peak = std::max_element(side->begin() + long(at), side->begin() + long(end),
                [](float a, float b) { return std::abs(a) < std::abs(b); });
            const float height = std::abs(*peak);
            const auto place = std::size_t(peak - side->begin());
            const bool isTop = place > at && place + 1 < end;
            if (height > 0.02f && (isTop || end - at < stretch))
                picture.bars.push_back(
                    {float(double(place) / double(side->size())), side == &l ? height : -height});
            at = isTop ? place + stretch : end;
        }
    }
    picture.span = formatNumber(seconds, 1) + " s";
    return picture;
}

/// How something rings, from silence at 60 dB below its loudest.
EffectPicture pictureOfRinging(std::span<const float> sound, double seconds)
{
    EffectPicture picture;
    std::vector<float> power(columns, 0.0f);
    for (std::size_t i = 0; i < sound.size(); ++i)
        power[i * columns / sound.size()] += sound[i] * sound[i];
    const float most = *std::max_element(power.begin(), power.end());
    for (const float p : power)
        picture.area.push_back(most > 0.0f
                ? std::clamp(1.0f + std::log10(p / most + 1e-9f) / 6.0f, 0.0f, 1.0f)
                : 0.0f);
    picture.span = formatNumber(seconds, 1) + " s";
    return picture;
}

EffectPicture pictureOfReverb(const Effect& effect)
{
    const double seconds = std::clamp(decaySeconds(effect), 0.3, 8.0);
    std::vector<float> l(std::size_t(seconds * pictureRate) / effectCell * effectCell + effectCell);
    for (std::size_t i = 0; i < 32; ++i)
        l[i] = i % 2 == 0 ? 1.0f : 0.6f;
    madeOf(effect, 1.0, l, pictureRate);
    return pictureOfRinging(l, seconds);
}

/// The impulse as it is heard; nothing without one.
EffectPicture pictureOfSpace(const Effect& effect)
{
    const auto* impulse = effect.impulse.pointer().get();
    if (impulse == nullptr || !impulse->audio || impulse->audio->frames() == 0)
        return {};
    const auto& wave = impulse->audio->channels[0];
    const auto heard = std::min(wave.size(), std::size_t(longestImpulse * impulse->audio->rate));
    return pictureOfRinging(std::span(wave).first(heard), double(heard) / impulse->audio->rate);
}

EffectPicture pictureOfSwing(const Effect& effect)
{
    EffectPicture picture;
    const double speed = valueOf(effect, "speed");
    // Two swings of the slowest, and all of them where they are fast.
    const double seconds = std::clamp(2.0 / speed, 0.5, 20.0);
    const int voices = effect.kind == EffectKind::chorus ? 3 : 2;
    double deep = effect.kind == EffectKind::phaser ? 1.0 : valueOf(effect, "depth");
    const bool shimmers = effect.kind == EffectKind::chorus && valueOf(effect, "kind") > 0.5;
    for (int v = 0; v < voices; ++v)
        picture.lines.push_back(lineOf(
            [&](double x) {
                const double middle = (voices - v - 0.5) / voices;
                const double phase = voices == 3 ? v / 3.0 : 0.25 * v;
                const double turn = 2.0 * std::numbers::pi * (speed * seconds * x + phase);
                const double slow = std::sin(turn),
                             fast = shimmers ? 0.35 * std::sin(7.1 * turn) : 0.0;
                return middle + 0.42 / voices * deep * (slow + fast);
            },
            4 * columns));
    picture.span = formatNumber(seconds, 1) + " s";
    return picture;
}

/// What becomes of a steady level.
EffectPicture pictureOfLevel(const Effect& effect, double beatsPerSecond)
{
    EffectPicture picture;
    const double every = valueOf(effect, "every");
    const double seconds = std::clamp(2.05 * songSeconds(every, beatsPerSecond), 0.2, 12.0);
    Effect shown = effect;
    if (effect.kind == EffectKind::duck && valueOf(effect, "by") > 0.5)
        setValue(shown, "by", 0.0);
    std::vector<float> l(std::size_t(seconds * pictureRate) / effectCell * effectCell, 1.0f);
    const auto r = madeOf(shown, beatsPerSecond, l, pictureRate);
    const auto drawn = [&](const std::vector<float>& side) {
        return lineOf([&](double x) {
            const auto at = std::min(side.size() - 1, std::size_t(x * double(side.size())));
            return 0.08 + 0.84 * double(side[at]);
        });
    };
    picture.lines.push_back(drawn(l));
    if (effect.kind == EffectKind::tremolo && valueOf(effect, "sides") > 0.0)
        picture.lines.push_back(drawn(r));
    picture.span = formatNumber(seconds, 1) + " s";
    return picture;
}

EffectPicture pictureOfTransfer(const Curve& curve)
{
    EffectPicture picture;
    picture.diagonal = true;
    picture.lines.push_back(lineOf([&](double x) { return 0.5 + 0.5 * curve(2.0 * x - 1.0); }));
    return picture;
}

EffectPicture pictureOfEqualiser(const Effect& effect)
{
    EffectPicture picture;
    picture.zero = 0.5f;
    constexpr double low = 20.0, high = 20000.0, reach = 24.0, rate = 48000.0;
    picture.lines.push_back(lineOf([&](double x) {
        const double hz = low * std::pow(high / low, x);
        return 0.5 + equaliserResponse(effect.values, hz, rate).value / (2.0 * reach);
    }));
    picture.span = say("20 Hz to 20 kHz");
    return picture;
}

EffectPicture pictureOfCompressor(const Effect& effect)
{
    EffectPicture picture;
    picture.diagonal = true;
    constexpr double softest = -60.0;
    picture.lines.push_back(lineOf([&](double x) {
        const double out =
            compressedDb(effect.values, softest * (1.0 - x)) + valueOf(effect, "gain");
        return 1.0 - out / softest;
    }));
    picture.span = say("-60 to 0 dB");
    return picture;
}

/// Where the left and the right side of a wide sound come to stand.
EffectPicture pictureOfWidth(const Effect& effect)
{
    EffectPicture picture;
    const double width = 0.5 * valueOf(effect, "width");
    for (const double side : {-1.0, 1.0})
        picture.lines.push_back({{0.5f, 0.08f}, {float(0.5 + 0.46 * side * width), 0.92f}});
    return picture;
}

} // namespace

EffectPicture pictureOf(const Effect& effect, double beatsPerSecond)
{
    switch (effect.kind) {
    case EffectKind::equaliser:
        return pictureOfEqualiser(effect);
    case EffectKind::drive: {
        // The bend itself: its level is another thing.
        Effect even = effect;
        setValue(even, "level", 0.0);
        const double top = std::abs(driveCurve(even.values, 1.0));
        return pictureOfTransfer([even, scale = std::max(1.0, top)](
                                     double x) { return driveCurve(even.values, x) / scale; });
    }
    case EffectKind::crush: {
        const double step = std::exp2(1.0 - valueOf(effect, "bits"));
        return pictureOfTransfer([step](double x) { return step * std::round(x / step); });
    }
    case EffectKind::compressor:
        return pictureOfCompressor(effect);
    case EffectKind::duck:
    case EffectKind::tremolo:
        return pictureOfLevel(effect, beatsPerSecond);
    case EffectKind::chorus:
    case EffectKind::phaser:
    case EffectKind::flanger:
        return pictureOfSwing(effect);
    case EffectKind::echo:
        return pictureOfEcho(effect, beatsPerSecond);
    case EffectKind::reverb:
        return pictureOfReverb(effect);
    case EffectKind::space:
        return pictureOfSpace(effect);
    case EffectKind::width:
        return pictureOfWidth(effect);
    }
    return {};
}

} // namespace puretone
