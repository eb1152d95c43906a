// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/search/joints.h"

#include "audio/level.h"
#include "audio/signal/fft.h"
#include "audio/signal/resample.h"

#include <algorithm>
#include <complex>
#include <numbers>

namespace puretone {

namespace {

std::vector<double> runningSquares(const std::vector<float>& samples)
{
    std::vector<double> sums(samples.size() + 1, 0.0);
    for (std::size_t i = 0; i < samples.size(); ++i)
        sums[i + 1] = sums[i] + double(samples[i]) * double(samples[i]);
    return sums;
}

/// The shape of a*b in a crossfade: what lies in the middle of the fade counts most.
std::vector<float> fadeShape(std::size_t size)
{
    std::vector<float> shape(size);
    for (std::size_t i = 0; i < size; ++i)
        shape[i] = float(std::sin(std::numbers::pi * (double(i) + 0.5) / double(size)));
    return shape;
}

/// Sum of shape[j] x[i + j]^2 for every i at which a window fits. The shape is half a sine, so the
/// sum is the imaginary part of a running sum of turned squares, turned back.
std::vector<double> shapedPowers(std::span<const float> x, std::size_t window)
{
    const double angle = std::numbers::pi / double(window);
    const std::complex<double> step = std::polar(1.0, angle);
    std::vector<std::complex<double>> sums(x.size() + 1);
    std::complex<double> turn = std::polar(1.0, 0.5 * angle);
    for (std::size_t i = 0; i < x.size(); ++i) {
        sums[i + 1] = sums[i] + double(x[i]) * double(x[i]) * turn;
        turn *= step;
        // The turning factor leaves the unit circle by rounding; seldom enough to be put back.
        if (i % 1024 == 1023)
            turn /= std::abs(turn);
    }
    std::vector<double> powers(x.size() >= window ? x.size() - window + 1 : 0);
    std::complex<double> back = 1.0;
    for (std::size_t i = 0; i < powers.size(); ++i) {
        powers[i] = std::max(0.0, (back * (sums[i + window] - sums[i])).imag());
        back *= std::conj(step);
        if (i % 1024 == 1023)
            back /= std::abs(back);
    }
    return powers;
}

bool nearlyEqual(const Joint& a, const Joint& b)
{
    return std::abs(a.start - b.start) + std::abs(a.end - b.end)
        < 0.15 * std::min(a.end - a.start, b.end - b.start);
}

std::vector<Joint> bestApart(std::vector<Joint> joints, std::size_t keep)
{
    const auto better = [](const Joint& a, const Joint& b) { return a.score > b.score; };
    // Of thousands only the first hundreds can matter.
    constexpr std::ptrdiff_t looked = 400;
    if (std::ssize(joints) > looked) {
        std::nth_element(joints.begin(), joints.begin() + looked, joints.end(), better);
        joints.resize(std::size_t(looked));
    }
    std::sort(joints.begin(), joints.end(), better);
    std::vector<Joint> kept;
    for (const Joint& joint : joints) {
        if (kept.size() >= keep)
            break;
        if (std::none_of(
                kept.begin(), kept.end(), [&](const Joint& k) { return nearlyEqual(k, joint); }))
            kept.push_back(joint);
    }
    return kept;
}

} // namespace

JointFinder::JointFinder(std::span<const float> mono, double rate, double searchRate)
    : rate_(std::min(rate, searchRate))
    , samples_(resample(mono, rate, rate_))
{
    double mean = 0.0;
    for (const float s : samples_)
        mean += s;
    mean /= double(std::max<std::size_t>(1, samples_.size()));
    for (float& s : samples_)
        s -= float(mean);
    squares_ = runningSquares(samples_);
}

double JointFinder::levelDb(std::size_t frame, std::size_t window) const
{
    const auto from = frame > window ? frame - window : 0;
    const double power =
        (squares_[frame] - squares_[from]) / double(std::max<std::size_t>(1, frame - from));
    return 10.0 * std::log10(std::max(1e-16, power));
}

std::vector<Joint> JointFinder::findFor(const JointSearch& search, std::size_t start) const
{
    const auto window = std::min(start, std::size_t(search.matched * rate_));
    const auto shortest = std::max<std::size_t>(2, std::size_t(search.shortest * rate_));
    const auto firstEnd = start + shortest;
    const auto lastEnd = std::min(samples_.size(), start + std::size_t(search.longest * rate_) + 1);
    if (window < 4 || firstEnd + 2 >= lastEnd)
        return {};
    // Every end's own stretch begins `window` before it.
    const auto base = firstEnd - window;
    const std::span<const float> stretch = std::span(samples_).subspan(base, lastEnd - base);
    const auto shape = fadeShape(window);
    // One size for all starts: making a transform ready takes longer than using it.
    const auto most = std::min(samples_.size(), std::size_t(search.longest * rate_) + 1)
        + 2 * std::size_t(search.matched * rate_);
    RealFft fft(RealFft::commonSize(std::max(most, stretch.size() + window)));
    RealFft other(fft.size());

    // Sum of w s x for every end: correlation with the weighted template.
    std::vector<float> pattern(window);
    double patternPower = 0.0;
    for (std::size_t i = 0; i < window; ++i) {
        const float s = samples_[start - window + i];
        pattern[i] = shape[i] * s;
        patternPower += double(shape[i]) * double(s) * double(s);
    }
    fft.forward(pattern);
    other.forward(stretch);
    for (std::size_t k = 0; k < fft.bins(); ++k)
        fft.spectrum()[k] = std::conj(fft.spectrum()[k]) * other.spectrum()[k];
    fft.inverse();
    const auto product = fft.time();
    const auto powers = shapedPowers(stretch, window);
    const double startLevel = levelDb(start, std::max(window, std::size_t(0.03 * rate_)));
    std::vector<Joint> scored;
    std::vector<double> score(lastEnd - firstEnd);
    double endLevel = startLevel;
    for (std::size_t i = 0; i < score.size(); ++i) {
        const double power = powers[i] * patternPower;
        const double match = power > 1e-18 ? double(product[i]) / std::sqrt(power) : 0.0;
        const double seconds = double(shortest + i) / rate_;
        // Levels change slowly, and logarithms take time.
        if (i % 8 == 0)
            endLevel = levelDb(firstEnd + i, std::max(window, std::size_t(0.03 * rate_)));
        score[i] = match - 0.03 * std::min(20.0, std::abs(endLevel - startLevel))
            + search.lengthBonus * std::log2(std::min(seconds, 2.0) / search.shortest);
    }
    for (std::size_t i = 1; i + 1 < score.size(); ++i)
        if (score[i] > score[i - 1] && score[i] >= score[i + 1])
            scored.push_back({double(start) / rate_, double(firstEnd + i) / rate_, score[i]});
    return bestApart(std::move(scored), 3);
}

std::vector<Joint> JointFinder::find(const JointSearch& search, double from, double to) const
{
    std::vector<Joint> all;
    const double last = std::min(to, double(samples_.size()) / rate_) - search.shortest;
    for (std::size_t a = 0; a < search.anchors; ++a) {
        const double share = search.anchors > 1 ? double(a) / double(search.anchors - 1) : 0.0;
        const double start = from + share * std::max(0.0, last - from);
        const auto found = findFor(search, std::size_t(start * rate_));
        all.insert(all.end(), found.begin(), found.end());
        if (last <= from)
            break;
    }
    return bestApart(std::move(all), search.keep);
}

Joint JointFinder::refine(Joint joint, double fade, double reach) const
{
    const auto start = std::int64_t(std::llround(joint.start * rate_));
    const auto end = std::int64_t(std::llround(joint.end * rate_));
    const auto window =
        std::min<std::int64_t>(start, std::max<std::int64_t>(8, std::llround(fade * rate_)));
    const auto lags = std::int64_t(reach * rate_) + 1;
    double best = -2.0;
    for (auto lag = -lags; lag <= lags; ++lag) {
        const auto e = end + lag;
        if (e > std::int64_t(samples_.size()) || e <= start + 2 || e < window)
            continue;
        const double product = dotProduct(&samples_[std::size_t(e - window)],
            &samples_[std::size_t(start - window)], std::size_t(window));
        const double power = (squares_[std::size_t(e)] - squares_[std::size_t(e - window)])
            * (squares_[std::size_t(start)] - squares_[std::size_t(start - window)]);
        const double match = power > 1e-18 ? product / std::sqrt(power) : 0.0;
        if (match > best) {
            best = match;
            joint.end = double(e) / rate_;
            joint.score = match;
        }
    }
    return joint;
}

} // namespace puretone
