// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/struck/mode_line.h"

#include "audio/signal/fft.h"
#include "audio/signal/parabola.h"
#include "pitch/series/note.h"
#include "pitch/struck/strike.h"

#include <algorithm>
#include <cmath>

namespace puretone {

namespace {

constexpr double reachSemitones = 5.0;
constexpr double leapDb = 6.0; ///< What a semitone's leap from one frame to the next costs.
constexpr double goneDb = 26.0;
constexpr std::size_t mostPoints = 60, mostPeaks = 6, fewestPoints = 4;

/// Peaks of every frame near the mode, before one of each is chosen.
class PeaksOverTime {
public:
    using Peaks = std::vector<ModeLine::Point>; ///< Loudest first; may be empty.

    PeaksOverTime(std::span<const float> mono, double rate, Hz near)
        : rate_(rate)
        , near_(near)
    {
        const auto part = afterStrike(mono, rate);
        const auto window = std::min(
            std::size_t(std::clamp(4.0 / near.value, 0.030, 0.100) * rate), part.size() / 2);
        if (window < 16)
            return;
        window_ = window;
        RealFft fft(RealFft::goodSize(4 * window));
        const auto hann = hannWindow(window);
        const auto room = part.size() - window;
        const auto hop = std::max({std::size_t(1), window / 4, room / (mostPoints - 1)});
        std::vector<float> frame(window);
        for (std::size_t at = 0; at <= room; at += hop) {
            for (std::size_t i = 0; i < window; ++i)
                frame[i] = part[at + i] * hann[i];
            fft.forward(frame);
            add(fft, double(std::size_t(part.data() - mono.data()) + at + window / 2) / rate);
        }
    }
    const std::vector<Peaks>& all() const { return frames_; }

private:
    void add(RealFft& fft, double seconds)
    {
        const auto bins = fft.spectrum();
        const double binHz = rate_ / double(fft.size());
        std::vector<double> power(bins.size());
        double all = 0.0;
        for (std::size_t b = 0; b < bins.size(); ++b)
            all += power[b] = double(std::norm(bins[b]));
        const double ratio = std::exp2(reachSemitones / 12.0);
        const auto bin = [&](double hz) {
            return std::size_t(std::clamp(hz / binHz, 1.0, double(bins.size() - 2)));
        };
        // The surroundings: an octave to either side, and a lobe at the least.
        const double lobe = 2.0 * rate_ / double(window_) / binHz;
        auto first = power.begin() + std::ptrdiff_t(bin(0.5 * near_.value - lobe * binHz));
        auto last = power.begin() + std::ptrdiff_t(bin(2.0 * near_.value + lobe * binHz)) + 1;
        std::vector<double> around(first, last);
        std::nth_element(
            around.begin(), around.begin() + std::ptrdiff_t(around.size() / 2), around.end());
        const double floor = around[around.size() / 2] + 1e-30;
        Peaks peaks;
        for (auto b = bin(near_.value / ratio); b <= bin(near_.value * ratio); ++b) {
            if (power[b] <= power[b - 1] || power[b] < power[b + 1] || power[b] <= 0.0)
                continue;
            const auto level = [&](std::size_t at) { return std::log(power[at] + 1e-30); };
            const auto top = parabolaTop(level(b - 1), level(b), level(b + 1));
            double inLobe = 0.0;
            for (auto k = bin((double(b) - lobe) * binHz); k <= bin((double(b) + lobe) * binHz);
                 ++k)
                inLobe += power[k];
            peaks.push_back(
                {seconds, midiOf(Hz{(double(b) + top.shift) * binHz}), std::exp(0.5 * top.height),
                    all > 0.0 ? inLobe / all : 0.0, 10.0 * std::log10(power[b] / floor)});
        }
        std::sort(peaks.begin(), peaks.end(),
            [](const auto& a, const auto& b) { return a.amplitude > b.amplitude; });
        peaks.resize(std::min(peaks.size(), mostPeaks));
        frames_.push_back(std::move(peaks));
    }

    double rate_;
    Hz near_;
    std::size_t window_ = 0;
    std::vector<Peaks> frames_;
};

/// From the loudest peak outwards, the peak of each frame that is high and no leap away.
std::vector<ModeLine::Point> joined(const std::vector<PeaksOverTime::Peaks>& frames)
{
    std::size_t start = 0;
    double loudest = 0.0;
    for (std::size_t i = 0; i < frames.size(); ++i)
        if (!frames[i].empty() && frames[i].front().amplitude > loudest) {
            loudest = frames[i].front().amplitude;
            start = i;
        }
    if (loudest <= 0.0)
        return {};
    const auto next = [](const PeaksOverTime::Peaks& peaks, double midi) {
        const auto worth = [&](const ModeLine::Point& p) {
            return 20.0 * std::log10(p.amplitude) - leapDb * std::abs(p.midi - midi);
        };
        return *std::max_element(peaks.begin(), peaks.end(),
            [&](const auto& a, const auto& b) { return worth(a) < worth(b); });
    };
    std::vector<ModeLine::Point> points{frames[start].front()};
    for (std::size_t i = start; i-- > 0;)
        if (!frames[i].empty())
            points.push_back(next(frames[i], points.back().midi));
    std::reverse(points.begin(), points.end());
    for (std::size_t i = start + 1; i < frames.size(); ++i)
        if (!frames[i].empty())
            points.push_back(next(frames[i], points.back().midi));
    const double least = loudest * std::pow(10.0, -goneDb / 20.0);
    const auto last = std::find_if(
        points.rbegin(), points.rend(), [&](const auto& p) { return p.amplitude >= least; });
    points.erase(last.base(), points.end());
    return points;
}

double loudness(const ModeLine::Point& p, double exponent = 0.6)
{
    return std::pow(p.amplitude, exponent);
}

/// Median of the points' pitch, weighted by their amplitude to the power of `exponent`.
double medianPitch(std::vector<ModeLine::Point> points, double exponent)
{
    std::sort(
        points.begin(), points.end(), [](const auto& a, const auto& b) { return a.midi < b.midi; });
    double all = 0.0, sum = 0.0;
    for (const auto& p : points)
        all += loudness(p, exponent);
    for (const auto& p : points)
        if ((sum += loudness(p, exponent)) >= 0.5 * all)
            return p.midi;
    return points.back().midi;
}

/// The mode of the points' density and the mean of those about it.
void measureDwelling(ModeLine& line)
{
    constexpr double width = 0.4, near = 0.5, dwellsSomewhere = 0.25;
    const auto& points = line.points;
    double densest = 0.0, place = points.front().midi;
    const auto [low, high] = std::minmax_element(
        points.begin(), points.end(), [](const auto& a, const auto& b) { return a.midi < b.midi; });
    for (double at = low->midi; at <= high->midi + 0.01; at += 0.02) {
        double density = 0.0;
        for (const auto& p : points) {
            const double off = (at - p.midi) / width;
            density += loudness(p) * std::exp(-0.5 * off * off);
        }
        if (density > densest) {
            densest = density;
            place = at;
        }
    }
    double all = 0.0, gathered = 0.0, sum = 0.0;
    for (const auto& p : points) {
        all += loudness(p);
        if (std::abs(p.midi - place) < near) {
            gathered += loudness(p);
            sum += loudness(p) * p.midi;
        }
    }
    line.gather = gathered / all;
    line.heard = line.gather < dwellsSomewhere ? medianPitch(points, 0.3) : sum / gathered;
}

void measureMotion(ModeLine& line)
{
    const auto& points = line.points;
    const auto n = points.size();
    double weights = 0.0, sum = 0.0, squares = 0.0, loud = 0.0, shares = 0.0;
    for (const auto& p : points) {
        weights += p.amplitude;
        shares += p.amplitude * p.share;
        loud += loudness(p);
        sum += loudness(p) * p.midi;
        squares += loudness(p) * p.midi * p.midi;
    }
    line.share = shares / weights;
    line.spread = 100.0 * std::sqrt(std::max(0.0, squares / loud - sum / loud * (sum / loud)));
    double off2 = 0.0, offWeights = 0.0;
    for (std::size_t i = 1; i + 1 < n; ++i) {
        const double off = points[i].midi - 0.5 * (points[i - 1].midi + points[i + 1].midi);
        off2 += points[i].amplitude * off * off;
        offWeights += points[i].amplitude;
    }
    // Of independent errors, half of each neighbour's adds to a point's own.
    line.jitter = offWeights > 0.0 ? 100.0 * std::sqrt(off2 / offWeights / 1.5) : 0.0;
    const auto median = [&](std::size_t from, std::size_t to) {
        return medianPitch(
            {points.begin() + std::ptrdiff_t(from), points.begin() + std::ptrdiff_t(to)}, 0.0);
    };
    const auto quarter = std::max<std::size_t>(1, n / 4), third = std::max<std::size_t>(1, n / 3);
    line.fall = 100.0 * (median(0, quarter) - median(n - quarter, n));
    line.rest = median(n - third, n);
}

} // namespace

double ModeLine::overFloor() const
{
    std::vector<double> over;
    over.reserve(points.size());
    for (const auto& p : points)
        over.push_back(p.overFloor);
    std::nth_element(over.begin(), over.begin() + std::ptrdiff_t(over.size() / 2), over.end());
    return over[over.size() / 2];
}

bool ModeLine::solid() const
{
    constexpr double steadyCents = 60.0, standsOutDb = 18.0;
    return jitter < steadyCents && overFloor() > standsOutDb;
}

std::optional<ModeLine> followMode(std::span<const float> mono, double rate, Hz near)
{
    if (mono.empty() || near.value <= 0.0)
        return std::nullopt;
    ModeLine line;
    line.points = joined(PeaksOverTime(mono, rate, near).all());
    if (line.points.size() < fewestPoints)
        return std::nullopt;
    measureDwelling(line);
    measureMotion(line);
    return line;
}

} // namespace puretone
