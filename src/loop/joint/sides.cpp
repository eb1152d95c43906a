// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/joint/sides.h"

#include "loop/joint/bands.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>
#include <span>
#include <utility>

namespace puretone {

std::vector<float> fadeWeights(std::size_t n)
{
    std::vector<float> weights(n);
    const double angle = std::numbers::pi / double(std::max<std::size_t>(1, n));
    // By the recurrence of equally spaced sines.
    const double turn = 2.0 * std::cos(angle);
    double w = std::sin(0.5 * angle), before = -w;
    for (float& weight : weights) {
        weight = float(w);
        before = std::exchange(w, turn * w - before);
    }
    return weights;
}

double Likeness::correlation() const
{
    const double scale = std::sqrt(ending * beginning);
    return scale > 1e-18 ? std::clamp(product / scale, -1.0, 1.0) : 0.0;
}

namespace {

using Channels = std::vector<std::vector<float>>;

float mean(const float* samples, std::size_t count)
{
    double sum = 0.0;
    for (std::size_t i = 0; i < count; ++i)
        sum += double(samples[i]);
    return float(sum / double(std::max<std::size_t>(1, count)));
}

Likeness likeness(const Channels& ending, const Channels& beginning, std::span<const float> weights)
{
    Likeness sums;
    for (std::size_t c = 0; c < ending.size(); ++c)
        sums.add(ending[c].data(), beginning[c].data(), weights);
    return sums;
}

struct Pair {
    double ending;
    double beginning;
};

/// The gains along a fade, one after the other.
class FadeLaw {
public:
    FadeLaw(FadeCurve curve, std::size_t frames, double correlation)
        : curve_(curve)
        , step_(1.0 / double(std::max<std::size_t>(1, frames)))
        , correlation_(std::max(-0.6, correlation))
        , turnCos_(std::cos(0.5 * std::numbers::pi * step_))
        , turnSin_(std::sin(0.5 * std::numbers::pi * step_))
    {
    }
    /// For u = 0, step, 2 step, ...
    Pair next()
    {
        const double u = u_, c = cos_, s = sin_;
        u_ += step_;
        cos_ = c * turnCos_ - s * turnSin_;
        sin_ = s * turnCos_ + c * turnSin_;
        if (curve_ == FadeCurve::linear)
            return {1.0 - u, u};
        if (curve_ == FadeCurve::equalPower)
            return {c, s};
        const double n = std::sqrt(1.0 + correlation_ * 2.0 * s * c);
        return {c / n, s / n};
    }

private:
    FadeCurve curve_;
    double step_, correlation_;
    double turnCos_, turnSin_; ///< A quarter turn over the whole fade.
    double u_ = 0.0, cos_ = 1.0, sin_ = 0.0;
};

Channels mixWith(const FadeSides& sides, FadeCurve curve, double r)
{
    Channels mixed = sides.ending;
    const auto n = sides.frames();
    FadeLaw law(curve, n, r);
    for (std::size_t i = 0; i < n; ++i) {
        const auto [a, b] = law.next();
        for (std::size_t c = 0; c < mixed.size(); ++c)
            mixed[c][i] = float(a) * sides.ending[c][i] + float(b) * sides.beginning[c][i];
    }
    return mixed;
}

/// Each band by its own law, where they differ enough to be heard.
bool mixByBands(
    const FadeSides& sides, double r, std::span<const float> weights, double rate, Channels& mixed)
{
    constexpr double differs = 0.12, heardShare = 0.01;
    const Bands ending = splitBands(sides.ending, rate),
                beginning = splitBands(sides.beginning, rate);
    std::array<Likeness, bandCount> parts;
    double power = 0.0;
    for (std::size_t b = 0; b < bandCount; ++b) {
        parts[b] = likeness(ending[b], beginning[b], weights);
        power += parts[b].power();
    }
    bool disagree = false;
    for (const auto& part : parts)
        disagree = disagree
            || (part.power() > heardShare * power && std::abs(part.correlation() - r) > differs);
    if (!disagree)
        return false;
    for (auto& channel : mixed)
        std::fill(channel.begin(), channel.end(), 0.0f);
    for (std::size_t b = 0; b < bandCount; ++b) {
        const auto band =
            mixWith({ending[b], beginning[b]}, FadeCurve::automatic, parts[b].correlation());
        for (std::size_t c = 0; c < mixed.size(); ++c)
            for (std::size_t i = 0; i < mixed[c].size(); ++i)
                mixed[c][i] += band[c][i];
    }
    return true;
}

/// Power of all channels under a triangular window.
std::vector<float> slowPower(const Channels& channels, std::size_t width)
{
    std::vector<float> power(channels.front().size(), 0.0f);
    for (const auto& channel : channels)
        for (std::size_t i = 0; i < power.size(); ++i)
            power[i] += channel[i] * channel[i];
    return smoothed(smoothed(power, width), width);
}

/// Brings the mix to the level that runs from one side's to the other's.
void ride(const FadeSides& sides, double rate, Channels& mixed)
{
    constexpr double shortest = 0.06, mostDb = 6.0;
    const auto n = sides.frames();
    if (double(n) < shortest * rate)
        return;
    const auto width = std::size_t(std::clamp(double(n) / 6.0, 0.012 * rate, 0.03 * rate)) | 1U;
    const auto e = slowPower(sides.ending, width), s = slowPower(sides.beginning, width);
    const auto y = slowPower(mixed, width);
    // Slow enough to be reckoned at every 32nd frame.
    constexpr std::size_t grid = 32;
    std::vector<float> gain(n / grid + 2, 0.0f);
    for (std::size_t k = 0; k < gain.size(); ++k) {
        const auto i = std::min(k * grid, n - 1);
        if (e[i] < 1e-16f || s[i] < 1e-16f || y[i] < 1e-16f)
            continue;
        const double u = double(i) / double(n), smooth = u * u * (3.0 - 2.0 * u);
        const double wanted =
            std::log(double(e[i])) * (1.0 - smooth) + std::log(double(s[i])) * smooth;
        const double db = 10.0 / std::numbers::ln10 * (wanted - std::log(double(y[i])));
        gain[k] = float(std::clamp(db, -mostDb, mostDb));
    }
    // A little unevenness is the sound's own, and evening it would be heard more.
    constexpr float ownDb = 2.5f;
    if (std::none_of(gain.begin(), gain.end(), [](float db) { return std::abs(db) > ownDb; }))
        return;
    gain = smoothed(gain, std::max<std::size_t>(1, width / grid) | 1U);
    for (std::size_t k = 0; k < gain.size(); ++k) {
        // The smoothing must not leave a step at the ends.
        const auto i = double(std::min(k * grid, n));
        const double ramp = double(width) / 3.0;
        const double edge = std::min({1.0, i / ramp, (double(n) - i) / ramp});
        gain[k] = float(std::pow(10.0, double(gain[k]) * edge / 20.0));
    }
    for (std::size_t i = 0; i < n; ++i) {
        const auto k = i / grid;
        const float g = gain[k] + (gain[k + 1] - gain[k]) * float(i % grid) / float(grid);
        for (auto& channel : mixed)
            channel[i] *= g;
    }
}

} // namespace

void Likeness::add(const float* e, const float* s, std::span<const float> weights)
{
    // Several sums side by side, which the machine's vectors take at once.
    constexpr std::size_t lanes = 8, stretch = 256;
    const float e0 = mean(e, weights.size()), s0 = mean(s, weights.size());
    for (std::size_t from = 0; from < weights.size(); from += stretch) {
        const auto to = std::min(weights.size(), from + stretch);
        std::array<float, lanes> products{}, ee{}, ss{};
        const auto addOne = [&](std::size_t i, std::size_t lane) {
            const float a = e[i] - e0, b = s[i] - s0, w = weights[i];
            products[lane] += w * a * b;
            ee[lane] += w * a * a;
            ss[lane] += w * b * b;
        };
        auto i = from;
        for (; i + lanes <= to; i += lanes)
            for (std::size_t lane = 0; lane < lanes; ++lane)
                addOne(i + lane, lane);
        for (; i < to; ++i)
            addOne(i, 0);
        for (std::size_t lane = 0; lane < lanes; ++lane) {
            product += double(products[lane]);
            ending += double(ee[lane]);
            beginning += double(ss[lane]);
        }
    }
}

namespace {

/// Takes the mean out of a side and gives it back by channel: an offset is no sound, and gains that
/// suit the sound would make a thump of it.
std::vector<float> takeMeans(Channels& side)
{
    std::vector<float> means;
    for (auto& channel : side) {
        means.push_back(mean(channel.data(), channel.size()));
        for (float& s : channel)
            s -= means.back();
    }
    return means;
}

Channels mixWithoutMeans(const FadeSides& sides, FadeCurve curve, double rate)
{
    if (curve != FadeCurve::automatic)
        return mixWith(sides, curve, 0.0);
    // A correlation of a handful of frames says nothing.
    constexpr std::size_t fewest = 16;
    if (sides.frames() < fewest)
        return mixWith(sides, FadeCurve::linear, 1.0);
    constexpr double shortestForBands = 0.008;
    const auto weights = fadeWeights(sides.frames());
    const double r = likeness(sides.ending, sides.beginning, weights).correlation();
    auto mixed = mixWith(sides, curve, r);
    if (double(sides.frames()) >= shortestForBands * rate)
        mixByBands(sides, r, weights, rate, mixed);
    ride(sides, rate, mixed);
    return mixed;
}

} // namespace

std::vector<std::vector<float>> mixSides(FadeSides sides, FadeCurve curve, double rate)
{
    const auto frames = sides.frames();
    if (frames == 0)
        return sides.ending;
    const auto ending = takeMeans(sides.ending), beginning = takeMeans(sides.beginning);
    auto mixed = mixWithoutMeans(sides, curve, rate);
    const float step = 1.0f / float(frames);
    for (std::size_t c = 0; c < mixed.size(); ++c)
        for (std::size_t i = 0; i < frames; ++i)
            mixed[c][i] += ending[c] + (beginning[c] - ending[c]) * step * float(i);
    return mixed;
}

} // namespace puretone
