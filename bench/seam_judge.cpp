// SPDX-License-Identifier: GPL-3.0-or-later
#include "seam_judge.h"

#include "audio/level.h"
#include "audio/signal/fft.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace puretone {

namespace {

double share(std::vector<double> values, double at)
{
    if (values.empty())
        return 0.0;
    std::sort(values.begin(), values.end());
    return values[std::size_t(std::lround(at * double(values.size() - 1)))];
}

double decibels(double power)
{
    return 10.0 * std::log10(std::max(1e-20, power));
}

/// The file played: all of it up to the loop's end, then round and round.
Audio played(const Audio& audio, Span loop, std::int64_t frames)
{
    Audio sound{audio.rate, {}};
    for (const auto& channel : audio.channels) {
        std::vector<float> out(channel.begin(), channel.begin() + loop.end.value);
        while (std::int64_t(out.size()) < frames)
            out.push_back(out[out.size() - std::size_t(loop.length())]);
        sound.channels.push_back(std::move(out));
    }
    return sound;
}

/// Spectra in bands of equal width on the Bark scale (Zwicker and Terhardt 1980), half a Bark each.
class BarkSpectra {
public:
    BarkSpectra(double rate, double seconds)
        : window_(std::size_t(seconds * rate))
        , fft_(RealFft::commonSize(std::max<std::size_t>(256, window_ * 2)))
        , shape_(hannWindow(window_))
        , band_(fft_.bins())
    {
        for (std::size_t k = 0; k < band_.size(); ++k) {
            const double khz = double(k) * rate / double(fft_.size()) / 1000.0;
            const double bark =
                13.0 * std::atan(0.76 * khz) + 3.5 * std::atan(khz * khz / (7.5 * 7.5));
            band_[k] = std::size_t(bark * 2.0);
            count_ = std::max(count_, band_[k] + 1);
        }
    }
    /// Levels around a frame in dB, no band more than 50 dB under the loudest.
    std::vector<double> at(const Audio& audio, std::int64_t centre)
    {
        std::vector<double> levels(count_, 0.0);
        for (const auto& channel : audio.channels) {
            auto time = fft_.time();
            std::fill(time.begin(), time.end(), 0.0f);
            for (std::size_t i = 0; i < window_; ++i) {
                const auto f = centre - std::int64_t(window_ / 2) + std::int64_t(i);
                if (f >= 0 && f < audio.frames())
                    time[i] = shape_[i] * channel[std::size_t(f)];
            }
            fft_.forward();
            for (std::size_t k = 1; k < band_.size(); ++k)
                levels[band_[k]] += double(std::norm(fft_.spectrum()[k]));
        }
        double top = -200.0;
        for (double& l : levels) {
            l = decibels(l);
            top = std::max(top, l);
        }
        for (double& l : levels)
            l = std::max(l, top - 50.0);
        return levels;
    }

private:
    std::size_t window_;
    RealFft fft_;
    std::vector<float> shape_;
    std::vector<std::size_t> band_;
    std::size_t count_ = 0;
};

/// Mean size of the band differences, and of the rises alone; loud bands count most.
std::pair<double, double> difference(const std::vector<double>& a, const std::vector<double>& b)
{
    const double top =
        std::max(*std::max_element(a.begin(), a.end()), *std::max_element(b.begin(), b.end()));
    double sum = 0.0, rise = 0.0, weights = 0.0;
    for (std::size_t i = 0; i < a.size(); ++i) {
        const double w = std::max(0.0, 1.0 - (top - std::max(a[i], b[i])) / 50.0);
        sum += w * std::abs(b[i] - a[i]);
        rise += w * std::max(0.0, b[i] - a[i]);
        weights += w;
    }
    return {sum / std::max(1e-9, weights), rise / std::max(1e-9, weights)};
}

/// Spread of the band differences about their mean: a change of colour without one of level.
double colour(const std::vector<double>& a, const std::vector<double>& b)
{
    double weights = 0.0, sum = 0.0, squares = 0.0;
    const double top =
        std::max(*std::max_element(a.begin(), a.end()), *std::max_element(b.begin(), b.end()));
    for (std::size_t i = 0; i < a.size(); ++i) {
        const double w = std::max(0.0, 1.0 - (top - std::max(a[i], b[i])) / 50.0);
        sum += w * (b[i] - a[i]);
        squares += w * (b[i] - a[i]) * (b[i] - a[i]);
        weights += w;
    }
    weights = std::max(1e-9, weights);
    return std::sqrt(std::max(0.0, squares / weights - sum * sum / weights / weights));
}

class Judge {
public:
    Judge(const Audio& audio, Span loop, double period)
        : rate_(audio.rate)
        , period_(period)
        , loop_(loop)
        , joint_(loop.end.value)
        , reach_(frames(0.12))
        , sound_(played(
              audio, loop, std::max(joint_ + 4 * reach_, joint_ + 4 * loop.length() + frames(0.1))))
    {
        // What is usual: the loop itself, and before it as much as makes a quarter of a second.
        const auto least = std::max(loop.length(), frames(0.25));
        usualFrom_ = std::max<std::int64_t>(0, joint_ - least);
    }

    JudgeMeasures measures()
    {
        JudgeMeasures m{};
        m[0] = click();
        steps(m[1], m[2]);
        movement(m[3], m[4]);
        m[5] = dip();
        m[6] = pulse();
        return m;
    }

private:
    std::int64_t frames(double seconds) const
    {
        return std::max<std::int64_t>(1, std::llround(seconds * rate_));
    }
    double level(std::int64_t from, std::int64_t to) const
    {
        from = std::max<std::int64_t>(0, from);
        to = std::min(to, sound_.frames());
        double power = 0.0;
        for (std::size_t c = 0; c < sound_.channelCount() && to > from; ++c)
            power += meanSquare(sound_.channel(c, {Frames{from}, Frames{to}}));
        return decibels(power);
    }
    /// Third differences under 1 ms: what leaps out of a wave.
    double leap(std::int64_t from, std::int64_t to) const
    {
        double worst = 0.0;
        const auto window = frames(0.001);
        for (auto at = std::max<std::int64_t>(3, from); at < to; at += window / 2 + 1) {
            double power = 0.0;
            for (const auto& x : sound_.channels)
                for (auto f = at; f < at + window && f < sound_.frames(); ++f) {
                    const auto i = std::size_t(f);
                    const double d = double(x[i]) - 3.0 * double(x[i - 1]) + 3.0 * double(x[i - 2])
                        - double(x[i - 3]);
                    power += d * d;
                }
            worst = std::max(worst, power);
        }
        return worst;
    }
    double click() const
    {
        const auto near = frames(0.003);
        std::vector<double> others;
        for (auto at = usualFrom_; at + 2 * near < joint_ - near; at += 2 * near)
            others.push_back(leap(at, at + 2 * near));
        if (others.empty())
            others.push_back(leap(usualFrom_, joint_ - 4));
        const double floor =
            std::pow(10.0, (level(usualFrom_, joint_) - 80.0) / 10.0) * double(frames(0.001));
        return std::max(0.0,
            decibels(leap(joint_ - near, joint_ + near))
                - decibels(std::max(floor, share(others, 0.9))));
    }
    void steps(double& levelStep, double& timbreStep)
    {
        const auto window = frames(0.04);
        BarkSpectra spectra(rate_, 0.04);
        const auto stepAt = [&](std::int64_t at) {
            return std::pair{std::abs(level(at, at + window) - level(at - window, at)),
                colour(spectra.at(sound_, at - window / 2), spectra.at(sound_, at + window / 2))};
        };
        std::vector<double> levels, timbres;
        for (int i = 0; i < 16; ++i) {
            const auto at = usualFrom_ + window + (joint_ - usualFrom_ - 2 * window) * i / 15;
            const auto [l, t] = stepAt(at);
            levels.push_back(l);
            timbres.push_back(t);
        }
        const auto [l, t] = stepAt(joint_);
        levelStep = std::max(0.0, l - share(levels, 0.5));
        timbreStep = std::max(0.0, t - share(timbres, 0.5));
    }
    void movement(double& onset, double& change)
    {
        const auto hop = frames(0.004);
        BarkSpectra spectra(rate_, 0.016);
        const auto run = [&](std::int64_t from, std::int64_t to) {
            std::pair<std::vector<double>, std::vector<double>> both;
            std::vector<std::vector<double>> history;
            for (auto at = std::max(from, frames(0.008)); at <= to; at += hop)
                history.push_back(spectra.at(sound_, at));
            for (std::size_t i = 3; i < history.size(); ++i) {
                const auto [all, rise] = difference(history[i - 3], history[i]);
                both.first.push_back(rise);
                both.second.push_back(all);
            }
            return both;
        };
        const auto usual = run(usualFrom_, joint_ - frames(0.012));
        const auto here = run(joint_ - frames(0.024), joint_ + frames(0.024));
        onset = std::max(0.0, share(here.first, 1.0) - share(usual.first, 0.9));
        change = std::max(0.0, share(here.second, 1.0) - share(usual.second, 0.9));
    }
    double dip() const
    {
        const auto window = frames(0.012), side = frames(0.03);
        const auto departure = [&](std::int64_t joint) {
            const double left = level(joint - side - window, joint - window);
            const double right = level(joint + window, joint + window + side);
            double worst = 0.0;
            for (auto at = joint - window; at <= joint + window / 2; at += window / 4 + 1) {
                const double now = level(at - window / 2, at + window / 2);
                worst = std::max({worst, std::min(left, right) - now, now - std::max(left, right)});
            }
            return worst;
        };
        std::vector<double> others;
        others.reserve(16);
        for (int i = 0; i < 16; ++i)
            others.push_back(
                departure(usualFrom_ + side + (joint_ - usualFrom_ - 2 * side) * i / 15));
        return std::max(0.0, departure(joint_) - share(others, 0.5));
    }
    /// The level's part that goes round with the loop.
    double pulse() const
    {
        constexpr int points = 48;
        // Windows shorter than the wave follow the wave itself; a round of a wave or two is a tone.
        const auto window =
            std::max(frames(1.5 * period_), std::min(frames(0.02), loop_.length() / 2));
        if (window >= loop_.length() || double(loop_.length()) < 0.025 * rate_)
            return 0.0;
        double re = 0.0, im = 0.0;
        for (int i = 0; i < points; ++i) {
            const auto at = joint_ + loop_.length() * i / points;
            const double l = level(at, at + window);
            re += l * std::cos(2.0 * std::numbers::pi * i / points);
            im += l * std::sin(2.0 * std::numbers::pi * i / points);
        }
        return 4.0 / points * std::hypot(re, im);
    }

    double rate_, period_;
    Span loop_;
    std::int64_t joint_, reach_;
    Audio sound_;
    std::int64_t usualFrom_ = 0;
};

} // namespace

JudgeMeasures judgeSeam(const Audio& audio, Span loop, double period)
{
    return Judge(audio, loop, period).measures();
}

} // namespace puretone
