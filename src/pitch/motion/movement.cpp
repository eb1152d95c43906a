// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/motion/movement.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace puretone {

namespace {

/// Weighted quantile of the line's pitch.
double quantile(std::vector<std::pair<double, double>> midiAndWeight, double share)
{
    std::sort(midiAndWeight.begin(), midiAndWeight.end());
    double total = 0.0;
    for (const auto& [midi, weight] : midiAndWeight)
        total += weight;
    double sum = 0.0;
    for (const auto& [midi, weight] : midiAndWeight) {
        sum += weight;
        if (sum >= share * total)
            return midi;
    }
    return midiAndWeight.back().first;
}

/// Mean and deviation (semitones) of the points from `first` up to `last`.
struct Stretch {
    double mean = 0.0, deviation = 0.0;
};
Stretch measure(const std::vector<PitchLine::Point>& points, std::size_t first, std::size_t last)
{
    double w = 0.0, sum = 0.0, squares = 0.0;
    for (std::size_t i = first; i < last; ++i) {
        const double weight = points[i].clarity * std::sqrt(points[i].level);
        w += weight;
        sum += weight * points[i].midi;
        squares += weight * points[i].midi * points[i].midi;
    }
    if (w <= 0.0)
        return {points[first].midi, 0.0};
    const double mean = sum / w;
    return {mean, std::sqrt(std::max(0.0, squares / w - mean * mean))};
}

double jitterOf(const std::vector<PitchLine::Point>& points)
{
    double sum = 0.0;
    std::size_t count = 0;
    for (std::size_t i = 1; i + 1 < points.size(); ++i) {
        const double left = points[i].seconds - points[i - 1].seconds;
        const double right = points[i + 1].seconds - points[i].seconds;
        if (std::abs(left - right) > 0.1 * (left + right))
            continue;
        const double off = points[i].midi - 0.5 * (points[i - 1].midi + points[i + 1].midi);
        sum += off * off;
        ++count;
    }
    // Of independent errors, half of each neighbour's adds to a point's own.
    return count > 0 ? 100.0 * std::sqrt(sum / double(count) / 1.5) : 0.0;
}

/// Sine, straight line and constant fitted to the pitch at one frequency: five unknowns less one.
struct Swing {
    double centre = 0.0, slope = 0.0, amplitude = 0.0, error = 1e300;
};

Swing fitSwing(const std::vector<PitchLine::Point>& points, double hz, double middle)
{
    constexpr int n = 4;
    std::array<std::array<double, n + 1>, n> m{};
    const auto terms = [&](double seconds) {
        const double t = seconds - middle, angle = 2.0 * std::numbers::pi * hz * t;
        return std::array<double, n>{1.0, t, std::cos(angle), std::sin(angle)};
    };
    for (const auto& p : points) {
        const auto x = terms(p.seconds);
        const double w = p.clarity * std::sqrt(p.level);
        for (int i = 0; i < n; ++i) {
            for (int j = 0; j < n; ++j)
                m[i][j] += w * x[i] * x[j];
            m[i][n] += w * x[i] * p.midi;
        }
    }
    // Gauss elimination; positive semidefinite, so that no pivoting is needed.
    for (int i = 0; i < n; ++i) {
        if (m[i][i] < 1e-12)
            return {};
        for (int j = 0; j < n; ++j)
            if (j != i)
                for (int k = n; k >= i; --k)
                    m[j][k] -= m[i][k] * m[j][i] / m[i][i];
    }
    std::array<double, n> a{};
    for (int i = 0; i < n; ++i)
        a[i] = m[i][n] / m[i][i];
    Swing swing{a[0], a[1], std::hypot(a[2], a[3]), 0.0};
    for (const auto& p : points) {
        const auto x = terms(p.seconds);
        const double off = p.midi - (a[0] * x[0] + a[1] * x[1] + a[2] * x[2] + a[3] * x[3]);
        swing.error += p.clarity * std::sqrt(p.level) * off * off;
    }
    return swing;
}

void measureVibrato(PitchMovement& movement, const std::vector<PitchLine::Point>& points)
{
    movement.centre = movement.mean;
    const double length = points.back().seconds - points.front().seconds;
    if (points.size() < 12 || length < 0.25)
        return;
    double weights = 0.0;
    for (const auto& p : points)
        weights += p.clarity * std::sqrt(p.level);
    const double middle = 0.5 * (points.front().seconds + points.back().seconds);
    // Fine enough that the best frequency is off by a tenth of a cycle at most over the take.
    const double step = std::clamp(0.2 / length, 0.02, 0.3);
    Swing best;
    double bestHz = 0.0;
    const double slowest = std::max(3.0, 1.2 / length);
    const int steps = int((9.0 - slowest) / step);
    for (int i = 0; i <= steps; ++i) {
        const double hz = slowest + i * step;
        if (const auto swing = fitSwing(points, hz, middle); swing.error < best.error) {
            best = swing;
            bestHz = hz;
        }
    }
    const double variance = movement.spread * movement.spread * 1e-4 * weights;
    // At the slowest frequency that was tried it is a bend and no swing.
    if (best.error > 0.5 * variance || best.amplitude < 0.03 || bestHz < 3.0 + step)
        return;
    // It has to cross its middle as often as that; a single leap fits a slow sine, too.
    int crossings = 0;
    double side = 0.0;
    for (const auto& p : points) {
        const double off = p.midi - best.centre - best.slope * (p.seconds - middle);
        if (std::abs(off) < 0.2 * best.amplitude || off * side > 0.0)
            continue;
        crossings += side != 0.0 ? 1 : 0;
        side = off;
    }
    if (crossings < bestHz * length)
        return;
    movement.vibratoHz = bestHz;
    movement.vibratoCents = 100.0 * best.amplitude;
    movement.centre = best.centre;
}

} // namespace

std::optional<PitchMovement> measureMovement(const PitchLine& line)
{
    const auto& points = line.points;
    if (points.size() < 3)
        return std::nullopt;
    PitchMovement movement;
    std::vector<std::pair<double, double>> weighted;
    weighted.reserve(points.size());
    for (const auto& p : points)
        weighted.emplace_back(p.midi, p.clarity * std::sqrt(p.level));
    movement.low = quantile(weighted, 0.05);
    movement.high = quantile(weighted, 0.95);
    const auto whole = measure(points, 0, points.size());
    movement.mean = whole.mean;
    movement.spread = 100.0 * whole.deviation;
    movement.jitter = jitterOf(points);
    measureVibrato(movement, points);
    for (const auto& p : points)
        movement.clarity += p.clarity / double(points.size());
    movement.voiced = double(points.size()) / double(std::max(points.size(), line.frames));

    // Two cycles of the slowest vibrato, or a third of a short take.
    const double length = points.back().seconds - points.front().seconds;
    const double window = std::min(0.5, length / 3.0);
    double lowest = 1e9, highest = -1e9, calmest = 1e9;
    const double hop = length / double(std::max<std::size_t>(1, line.frames - 1));
    std::size_t last = 0;
    for (std::size_t first = 0; first < points.size(); ++first) {
        while (last < points.size() && points[last].seconds <= points[first].seconds + window)
            ++last;
        if (points[std::min(last, points.size() - 1)].seconds
            < points[first].seconds + 0.9 * window)
            break;
        // A few frames among silence are steady for want of more.
        if (double(last - first) < std::max(3.0, 0.6 * window / hop))
            continue;
        const auto here = measure(points, first, last);
        lowest = std::min(lowest, here.mean);
        highest = std::max(highest, here.mean);
        if (here.deviation < calmest) {
            calmest = here.deviation;
            movement.steady = here.mean;
            movement.steadyStart = points[first].seconds;
            movement.steadyEnd = points[last - 1].seconds;
            movement.steadySpread = 100.0 * here.deviation;
        }
    }
    movement.slowRange = highest > lowest ? 100.0 * (highest - lowest) : 0.0;
    return movement;
}

} // namespace puretone
