// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/seam.h"

#include "audio/fft.h"
#include "base/quantity.h"
#include "loop/crossfade.h"

#include <array>
#include <numbers>

namespace puretone {

namespace {

constexpr double windowSeconds = 0.045;
constexpr double bandDepthDb = 50.0;

std::int64_t wrap(std::int64_t frame, std::int64_t length)
{
    const auto rest = frame % length;
    return rest < 0 ? rest + length : rest;
}

/// Sums over any stretch of a periodic signal in constant time.
class PeriodicPower {
public:
    explicit PeriodicPower(std::vector<double> power)
        : length_(std::int64_t(power.size()))
        , sums_(power.size() + 1, 0.0)
    {
        for (std::size_t i = 0; i < power.size(); ++i)
            sums_[i + 1] = sums_[i] + power[i];
    }
    double mean(std::int64_t from, std::int64_t to) const
    {
        return (sumTo(to) - sumTo(from)) / double(std::max<std::int64_t>(1, to - from));
    }
    double meanDb(std::int64_t from, std::int64_t to) const
    {
        return 10.0 * std::log10(std::max(1e-20, mean(from, to)));
    }

private:
    double sumTo(std::int64_t frame) const
    {
        const auto rest = wrap(frame, length_);
        return double((frame - rest) / length_) * sums_.back() + sums_[std::size_t(rest)];
    }
    std::int64_t length_;
    std::vector<double> sums_;
};

double percentile(std::vector<double> values, double share)
{
    if (values.empty())
        return 0.0;
    const auto at = values.begin() + std::ptrdiff_t(share * double(values.size() - 1));
    std::nth_element(values.begin(), at, values.end());
    return *at;
}

/// A stretch of sound that goes round, with its powers ready for any window.
class Sound {
public:
    Sound(Audio audio, std::int64_t window)
        : audio_(std::move(audio))
        , length_(audio_.frames())
        , window_(window)
        , power_(framePowers(audio_))
        , edges_(secondDifferences(audio_))
        , fft_(RealFft::goodSize(std::size_t(window) * 2))
        , hann_(hannWindow(std::size_t(window)))
    {
        makeBands();
    }

    std::int64_t length() const { return length_; }
    const PeriodicPower& power() const { return power_; }

    /// Highest level of the second difference under 1.5 ms inside a stretch, dB.
    double edgeMaximum(std::int64_t from, std::int64_t reach) const
    {
        const auto window =
            std::clamp<std::int64_t>(std::int64_t(0.0015 * audio_.rate), 1, length_);
        const auto hop = std::max<std::int64_t>(1, window / 3);
        double top = -300.0;
        for (std::int64_t i = from; i + window <= from + std::max(reach, window); i += hop)
            top = std::max(top, edges_.meanDb(i, i + window));
        return top;
    }

    struct Step {
        double level = 0.0;
        double timbre = 0.0;
    };
    /// Level and timbre difference of the windows that meet at `at`, dB.
    Step step(std::int64_t at)
    {
        const auto before = bandLevels(at - window_);
        const auto after = bandLevels(at);
        double top = -300.0;
        for (std::size_t b = 0; b < before.size(); ++b)
            top = std::max({top, before[b], after[b]});
        double weights = 0.0, sum = 0.0, squares = 0.0;
        for (std::size_t b = 0; b < before.size(); ++b) {
            // Strong bands are heard, bands at the floor are not.
            const double depth = (top - std::max(before[b], after[b])) / bandDepthDb;
            const double w = 0.02 + std::max(0.0, 1.0 - depth);
            const double d = after[b] - before[b];
            weights += w;
            sum += w * d;
            squares += w * d * d;
        }
        const double level =
            std::abs(power_.meanDb(at, at + window_) - power_.meanDb(at - window_, at));
        if (weights <= 0.0)
            return {level, 0.0};
        const double mean = sum / weights;
        return {level, std::sqrt(std::max(0.0, squares / weights - mean * mean))};
    }

    /// Largest departure of the 15 ms level from the line between both sides of a stretch, dB.
    double departure(std::int64_t from, std::int64_t reach, std::int64_t shortest) const
    {
        const auto side = std::max<std::int64_t>(std::int64_t(0.03 * audio_.rate), 2 * shortest);
        const auto window = std::max<std::int64_t>(std::int64_t(0.015 * audio_.rate), shortest);
        if (reach < window)
            return 0.0;
        const double left = power_.meanDb(from - side, from);
        const double right = power_.meanDb(from + reach, from + reach + side);
        double worst = 0.0;
        for (std::int64_t at = 0; at + window <= reach;
             at += std::max<std::int64_t>(1, window / 2)) {
            const double u = (double(at) + 0.5 * double(window)) / double(reach);
            const double line = left + u * (right - left);
            worst = std::max(worst, std::abs(power_.meanDb(from + at, from + at + window) - line));
        }
        return worst;
    }

private:
    static std::vector<double> framePowers(const Audio& audio)
    {
        std::vector<double> power(std::size_t(audio.frames()), 0.0);
        for (const auto& channel : audio.channels)
            for (std::size_t i = 0; i < power.size(); ++i)
                power[i] += double(channel[i]) * double(channel[i]);
        return power;
    }

    static std::vector<double> secondDifferences(const Audio& audio)
    {
        const auto n = audio.frames();
        std::vector<double> power(std::size_t(n), 0.0);
        for (const auto& channel : audio.channels) {
            double older = channel[std::size_t(wrap(-2, n))];
            double old = channel[std::size_t(wrap(-1, n))];
            for (std::size_t i = 0; i < std::size_t(n); ++i) {
                const double now = channel[i];
                const double d = now - 2.0 * old + older;
                power[i] += d * d;
                older = old;
                old = now;
            }
        }
        return power;
    }

    void makeBands()
    {
        const double binHz = audio_.rate / double(fft_.size());
        std::size_t from = 1;
        for (double edge = 60.0; edge < 0.45 * audio_.rate && edge < 16000.0;
             edge *= std::exp2(1.0 / 3.0)) {
            const auto to = std::min(fft_.bins(), std::size_t(edge / binHz) + 1);
            if (to <= from)
                continue;
            bands_.push_back({from, to});
            from = to;
        }
    }

    /// Third-octave levels of one window beginning at `from`, dB, floored under its own top.
    std::vector<double> bandLevels(std::int64_t from)
    {
        std::vector<double> levels(bands_.size(), 0.0);
        const auto time = fft_.time();
        for (const auto& channel : audio_.channels) {
            std::fill(time.begin(), time.end(), 0.0f);
            for (std::int64_t i = 0, at = wrap(from, length_); i < window_; ++i) {
                time[std::size_t(i)] = hann_[std::size_t(i)] * channel[std::size_t(at)];
                if (++at == length_)
                    at = 0;
            }
            fft_.forward();
            const auto bins = fft_.spectrum();
            for (std::size_t b = 0; b < bands_.size(); ++b)
                for (auto k = bands_[b].from; k < bands_[b].to; ++k)
                    levels[b] += double(std::norm(bins[k]));
        }
        double top = -300.0;
        for (double& level : levels) {
            level = 10.0 * std::log10(std::max(1e-20, level));
            top = std::max(top, level);
        }
        for (double& level : levels)
            level = std::max(level, top - bandDepthDb);
        return levels;
    }

    struct Band {
        std::size_t from, to;
    };
    Audio audio_;
    std::int64_t length_;
    std::int64_t window_;
    PeriodicPower power_;
    PeriodicPower edges_;
    RealFft fft_;
    std::vector<float> hann_;
    std::vector<Band> bands_;
};

/// `count` places at which a stretch of `reach` frames with `margin` around it lies inside.
std::vector<std::int64_t> placesInside(
    std::int64_t length, std::int64_t margin, std::int64_t reach, int count)
{
    std::vector<std::int64_t> places;
    const auto free = length - reach - 2 * margin;
    for (int i = 0; i < count && free > 0; ++i)
        places.push_back(margin + free * i / (count - 1));
    return places;
}

/// Over this long a loop is compared with its own stretch, below it with its surroundings, too.
constexpr double shortSeconds = 0.25;

Audio reference(const Audio& audio, const Loop& loop)
{
    const auto least = std::int64_t(2.0 * shortSeconds * audio.rate);
    auto [start, end] = loop.span;
    if (const auto missing = least - loop.span.length(); missing > 0) {
        end.value = std::min(audio.frames(), end.value + missing / 2);
        start.value = std::max<std::int64_t>(0, end.value - least);
    }
    return cut(audio, {start, end});
}

double clickDb(const Sound& turn, const Sound& usual, std::int64_t fade, double rate)
{
    const auto margin = std::int64_t(0.006 * rate);
    const auto reach = std::min(fade + 2 * margin, usual.length());
    std::vector<double> others;
    for (const auto at : placesInside(usual.length(), 2, reach, 24))
        others.push_back(usual.edgeMaximum(at, reach));
    if (others.empty())
        others.push_back(usual.edgeMaximum(2, usual.length() - 2));
    const double seam = turn.edgeMaximum(turn.length() - fade - margin, reach);
    // 80 dB under the sound itself nothing clicks, however smooth the rest is.
    const double inaudible = usual.power().meanDb(0, usual.length()) - 80.0;
    return std::max(0.0, seam - std::max(inaudible, percentile(others, 0.95)));
}

/// Medians of the steps inside a stretch.
Sound::Step usualStep(Sound& usual, std::int64_t window)
{
    std::vector<double> level, timbre;
    for (const auto at : placesInside(usual.length(), window, 0, 10)) {
        const auto s = usual.step(at);
        level.push_back(s.level);
        timbre.push_back(s.timbre);
    }
    return {percentile(level, 0.5), percentile(timbre, 0.5)};
}

/// Mean of the worst and the average over three places of the fade, beyond what is usual.
Sound::Step stepDb(Sound& turn, const Sound::Step& usual, std::int64_t fade)
{
    Sound::Step worst, sum;
    for (const auto at : {turn.length(), turn.length() - fade / 2, turn.length() - fade}) {
        const auto s = turn.step(at);
        worst = {std::max(worst.level, s.level), std::max(worst.timbre, s.timbre)};
        sum = {sum.level + s.level / 3.0, sum.timbre + s.timbre / 3.0};
    }
    return {std::max(0.0, 0.5 * (worst.level + sum.level) - usual.level),
        std::max(0.0, 0.5 * (worst.timbre + sum.timbre) - usual.timbre)};
}

double dipDb(const Sound& turn, const Sound& usual, std::int64_t fade, std::int64_t shortest)
{
    std::vector<double> others;
    for (const auto at : placesInside(usual.length(), 2 * shortest, fade, 6))
        others.push_back(usual.departure(at, fade, shortest));
    return std::max(
        0.0, turn.departure(turn.length() - fade, fade, shortest) - percentile(others, 0.5));
}

double pulseDb(const Sound& turn, std::int64_t window)
{
    constexpr int points = 64;
    if (window >= turn.length())
        return 0.0;
    double re = 0.0, im = 0.0;
    for (int i = 0; i < points; ++i) {
        const auto from = turn.length() * i / points - window / 2;
        const double db = turn.power().meanDb(from, from + window);
        const double angle = 2.0 * std::numbers::pi * i / points;
        re += db * std::cos(angle);
        im += db * std::sin(angle);
    }
    // Swing from lowest to highest: twice the amplitude, which is 2/points times the sum.
    return 4.0 / points * std::hypot(re, im);
}

/// In the order of SeamMeasures.
constexpr SeamMeasures longLimits{4.0, 1.5, 1.0, 1.5, 5.0};
constexpr SeamMeasures shortLimits{1.5, 0.5, 0.7, 0.6, 0.5};

std::array<double, 5> overLimits(const SeamMeasures& m, double loopSeconds)
{
    const SeamMeasures limit = seamLimits(loopSeconds);
    return {m.clickDb / limit.clickDb, m.levelDb / limit.levelDb, m.timbreDb / limit.timbreDb,
        m.dipDb / limit.dipDb, m.pulseDb / limit.pulseDb};
}

} // namespace

/// What is usual in the stretch that a loop was made from.
struct SeamMeter::Usual {
    Usual(const Audio& audio, const Loop& loop, std::int64_t windowFrames)
        : span(loop.span)
        , window(windowFrames)
        , sound(reference(audio, loop), windowFrames)
        , step(usualStep(sound, windowFrames))
    {
    }
    /// Ends move by a few frames while a joint is refined; what is usual does not change by that.
    bool serves(const Loop& loop, std::int64_t windowFrames) const
    {
        const auto near = loop.span.length() / 100;
        return window == windowFrames && std::abs(loop.span.start.value - span.start.value) <= near
            && std::abs(loop.span.end.value - span.end.value) <= near;
    }

    Span span;
    std::int64_t window;
    Sound sound;
    Sound::Step step;
};

SeamMeter::SeamMeter(const Audio& audio, std::optional<double> period)
    : audio_(audio)
    , period_(period)
{
}

SeamMeter::~SeamMeter() = default;

SeamMeasures SeamMeter::measure(const Loop& loop)
{
    const auto length = loop.span.length();
    const auto fade = loop.crossfade.value;
    const auto frames = [&](double seconds) { return std::int64_t(seconds * audio_.rate); };
    // Whole periods: shorter windows follow the wave itself. Rounds shorter than a window are a
    // tone, in which nothing can step.
    const auto wave = frames(1.5 * period_.value_or(0.0));
    const auto window =
        std::max<std::int64_t>({std::min(frames(windowSeconds), length / 2), frames(0.02), 16});
    Sound turn(bakeTurn(audio_, loop), window);
    if (!usual_ || !usual_->serves(loop, window))
        usual_ = std::make_unique<Usual>(audio_, loop, window);
    SeamMeasures measures;
    measures.clickDb = clickDb(turn, usual_->sound, fade, audio_.rate);
    const auto step = stepDb(turn, usual_->step, fade);
    measures.levelDb = step.level;
    measures.timbreDb = step.timbre;
    measures.dipDb = dipDb(turn, usual_->sound, fade, wave);
    const auto slow = std::max(wave, std::min(frames(0.02), length / 2));
    measures.pulseDb = pulseDb(turn, std::max<std::int64_t>(1, slow));
    return measures;
}

SeamMeasures measureSeam(const Audio& audio, const Loop& loop, std::optional<double> period)
{
    return SeamMeter(audio, period).measure(loop);
}

SeamMeasures seamLimits(double loopSeconds)
{
    return loopSeconds < shortSeconds ? shortLimits : longLimits;
}

double seamCost(const SeamMeasures& measures, double loopSeconds)
{
    const auto parts = overLimits(measures, loopSeconds);
    double worst = 0.0, sum = 0.0;
    for (const double part : parts) {
        worst = std::max(worst, part);
        sum += part;
    }
    return worst + 0.1 * sum / double(parts.size());
}

SeamVerdict seamVerdict(double cost)
{
    return cost <= 1.0 ? SeamVerdict::seamless : SeamVerdict::audible;
}

const char* nameOf(SeamVerdict verdict)
{
    switch (verdict) {
    case SeamVerdict::seamless:
        return "seamless";
    case SeamVerdict::audible:
        return "audible";
    case SeamVerdict::none:
        break;
    }
    return "none";
}

std::string describeSeam(const SeamMeasures& m, double loopSeconds)
{
    if (seamVerdict(seamCost(m, loopSeconds)) == SeamVerdict::seamless)
        return "seamless";
    const auto parts = overLimits(m, loopSeconds);
    const auto worst = std::max_element(parts.begin(), parts.end()) - parts.begin();
    const auto by = [](double db) { return " by " + formatNumber(db, 1) + " dB"; };
    switch (worst) {
    case 0:
        return "clicks" + by(m.clickDb);
    case 1:
        return "steps in level" + by(m.levelDb);
    case 2:
        return "changes colour" + by(m.timbreDb);
    case 3:
        return "dips or bumps" + by(m.dipDb);
    default:
        return "pulses" + by(m.pulseDb);
    }
}

} // namespace puretone
