// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/series/periodicity.h"

#include "audio/level.h"
#include "audio/signal/fft.h"
#include "audio/signal/parabola.h"

#include <algorithm>

namespace puretone {

namespace {

/// Parabola through three neighbouring values: place of the top (in steps) and its height.
LagPeak parabola(const std::vector<float>& curve, std::size_t i, double lagStep)
{
    if (i == 0 || i + 1 >= curve.size())
        return {double(i) * lagStep, double(curve[i])};
    const auto top = parabolaTop(curve[i - 1], curve[i], curve[i + 1]);
    return {(double(i) + top.shift) * lagStep, top.height};
}

/// Computes both curves of successive frames with shared transforms and buffers.
class FrameAnalyser {
public:
    FrameAnalyser(std::size_t window, std::size_t maxLag, bool withCompressed)
        : window_(window)
        , lags_(maxLag)
        , withCompressed_(withCompressed)
        , small_(RealFft::goodSize(window + maxLag + 2))
        // Twice the size gives the curve at half steps: notes of 5 samples a period need it.
        , large_(small_.size() * 2)
        , hann_(hannWindow(window))
        , samples_(window)
    {
    }

    void run(std::span<const float> input, PeriodicityFrame& frame)
    {
        double mean = 0.0;
        for (const float s : input)
            mean += s;
        mean /= double(input.size());
        for (std::size_t i = 0; i < window_; ++i)
            samples_[i] = input[i] - float(mean);
        frame.rms = std::sqrt(meanSquare(samples_));
        computeDifference(frame.difference);
        if (withCompressed_)
            computeCompressed(frame.compressed);
    }

private:
    void toHalfSteps()
    {
        const auto from = small_.spectrum();
        const auto to = large_.spectrum();
        std::copy(from.begin(), from.end(), to.begin());
        to[from.size() - 1] *= 0.5f;
        std::fill(to.begin() + std::ptrdiff_t(from.size()), to.end(), 0.0f);
        large_.inverse();
    }

    void computeDifference(std::vector<float>& curve)
    {
        small_.forward(samples_);
        for (auto& bin : small_.spectrum())
            bin = std::norm(bin);
        toHalfSteps();
        // Both inverse transforms scale by their own size; the half-step one is twice as large.
        const auto r = large_.time();
        curve.resize(2 * lags_);
        double m = 0.0; // sum of x[j]^2 + x[j + lag]^2 over the overlap
        for (const float s : samples_)
            m += 2.0 * double(s) * double(s);
        const double whole = std::max(m, 1e-20);
        for (std::size_t lag = 0; lag < lags_; ++lag) {
            const double gone = double(samples_[lag]) * double(samples_[lag])
                + double(samples_[window_ - 1 - lag]) * double(samples_[window_ - 1 - lag]);
            const double next = m - gone;
            const double floor = 1e-7 * whole;
            curve[2 * lag] = float(4.0 * double(r[2 * lag]) / std::max(m, floor));
            curve[2 * lag + 1] =
                float(4.0 * double(r[2 * lag + 1]) / std::max(0.5 * (m + next), floor));
            m = next;
        }
        for (float& v : curve)
            v = std::clamp(v, -1.0f, 1.0f);
    }

    void computeCompressed(std::vector<float>& curve)
    {
        for (std::size_t i = 0; i < window_; ++i)
            samples_[i] *= hann_[i];
        small_.forward(samples_);
        for (auto& bin : small_.spectrum())
            bin = std::pow(std::norm(bin), 0.3f); // |X|^0.6
        toHalfSteps();
        const auto g = large_.time();
        const float scale = g[0] > 1e-20f ? 1.0f / g[0] : 0.0f;
        curve.resize(2 * lags_);
        for (std::size_t i = 0; i < curve.size(); ++i)
            curve[i] = g[i] * scale;
    }

    std::size_t window_;
    std::size_t lags_;
    bool withCompressed_;
    RealFft small_;
    RealFft large_;
    std::vector<float> hann_;
    std::vector<float> samples_;
};

void weighFrames(std::vector<PeriodicityFrame>& frames)
{
    double top = 0.0;
    for (auto& frame : frames) {
        frame.weight = std::sqrt(frame.rms);
        top = std::max(top, frame.rms);
    }
    if (frames.size() <= 6)
        return;
    std::size_t attack = 0;
    while (attack < frames.size() && frames[attack].rms < 0.5 * top)
        ++attack;
    for (std::size_t i = 0; i < std::min(frames.size(), attack + 4); ++i)
        frames[i].weight *= 0.15;
}

} // namespace

Periodicity analysePeriodicity(std::span<const float> mono, double rate,
    const PeriodicityOptions& options, const Progress& progress)
{
    Periodicity result;
    result.lagStep = 0.5 / rate;
    if (mono.size() < std::size_t(16))
        return result;
    const auto window = std::min(mono.size(), std::size_t(options.windowSeconds * rate));
    const auto maxLag = std::min(std::size_t(0.056 * rate), std::size_t(0.62 * double(window)));
    const double room = double(mono.size() - window);
    auto count = std::size_t(room / (options.hopSeconds * rate)) + 1;
    count = std::min(count, options.mostFrames);
    const double hop =
        count > 1 ? std::max(options.hopSeconds * rate, room / double(count - 1)) : 0.0;
    FrameAnalyser analyser(window, maxLag, options.withCompressed);
    for (std::size_t i = 0; i < count && !progress.cancelled(); ++i) {
        const auto from = std::min(std::size_t(double(i) * hop), mono.size() - window);
        PeriodicityFrame frame;
        frame.seconds = (double(from) + 0.5 * double(window)) / rate;
        analyser.run(mono.subspan(from, window), frame);
        result.frames.push_back(std::move(frame));
        progress.at(double(i + 1) / double(count));
    }
    weighFrames(result.frames);
    return result;
}

double Periodicity::at(double period, Curve curve) const
{
    double sum = 0.0;
    double weights = 0.0;
    for (const auto& frame : frames) {
        const auto& values = curve == Curve::difference ? frame.difference : frame.compressed;
        const auto from = std::size_t(std::max(1.0, std::ceil(period * 0.975 / lagStep)));
        const auto to = std::size_t(std::floor(period * 1.025 / lagStep)) + 1;
        weights += frame.weight;
        if (to >= values.size())
            continue;
        std::size_t best = from;
        for (auto i = from; i <= to; ++i)
            if (values[i] > values[best])
                best = i;
        sum += frame.weight * parabola(values, best, lagStep).value;
    }
    return weights > 0.0 ? sum / weights : 0.0;
}

LagPeak Periodicity::peakNear(const PeriodicityFrame& frame, double period, double share) const
{
    const auto& values = frame.difference;
    const auto from = std::size_t(std::max(1.0, period * (1.0 - share) / lagStep));
    const auto to = std::size_t(period * (1.0 + share) / lagStep) + 1;
    LagPeak best;
    for (auto i = from; i <= to && i + 1 < values.size(); ++i)
        if (values[i] >= values[i - 1] && values[i] > values[i + 1] && values[i] > best.value)
            best = parabola(values, i, lagStep);
    return best;
}

std::vector<LagPeak> Periodicity::maxima(const std::vector<float>& curve, double least) const
{
    std::vector<LagPeak> found;
    std::size_t i = 1;
    while (i < curve.size() && curve[i] > 0.0f)
        ++i;
    for (; i + 1 < curve.size(); ++i)
        if (curve[i] > curve[i - 1] && curve[i] >= curve[i + 1] && double(curve[i]) > least)
            found.push_back(parabola(curve, i, lagStep));
    return found;
}

} // namespace puretone
