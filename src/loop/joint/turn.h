// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// What the seam is measured on: one turn of a loop that goes round for ever, looked at through sums
// that many loops of one recording share. Inside the room `loop` only.

#include "audio/audio.h"
#include "loop/joint/bake.h"
#include "loop/joint/spectra.h"

#include <algorithm>
#include <cmath>
#include <utility>
#include <vector>

namespace puretone {

inline std::int64_t wrap(std::int64_t frame, std::int64_t length)
{
    if (frame >= 0 && frame < length) // nearly always, and a division is slow
        return frame;
    const auto rest = frame % length;
    return rest < 0 ? rest + length : rest;
}

/// Sums over frames of the recording that many loops are made from: frame powers and powers of the
/// second difference, of all channels together.
class RecordingPowers {
public:
    RecordingPowers(const Audio& audio, Span span)
        : span_(span)
    {
        const auto count = std::size_t(span.length()) + 1;
        power_.assign(count, 0.0);
        edges_.assign(count, 0.0);
        for (const auto& channel : audio.channels)
            for (std::size_t i = 1; i < count; ++i) {
                const auto at = std::size_t(span.start.value) + i - 1;
                const double now = channel[at];
                const double old = at > 0 ? double(channel[at - 1]) : now;
                const double older = at > 1 ? double(channel[at - 2]) : old;
                const double bend = now - 2.0 * old + older;
                power_[i] += now * now;
                edges_[i] += bend * bend;
            }
        for (std::size_t i = 1; i < count; ++i) {
            power_[i] += power_[i - 1];
            edges_[i] += edges_[i - 1];
        }
    }
    bool holds(Span span) const { return span.start >= span_.start && span.end <= span_.end; }
    Span span() const { return span_; }
    /// Running sums, the first of them at frame `from` of the recording.
    const double* powerFrom(std::int64_t from) const { return &power_[index(from)]; }
    const double* edgesFrom(std::int64_t from) const { return &edges_[index(from)]; }

private:
    std::size_t index(std::int64_t frame) const { return std::size_t(frame - span_.start.value); }
    Span span_;
    std::vector<double> power_, edges_;
};

/// Sums over any stretch of one turn that goes round for ever, in constant time. Its middle is the
/// recording as it is; only the first frames (whose past is the turn's end) and the baked ones have
/// sums of their own.
class PeriodicPower {
public:
    /// @param middle Running sums of the recording, from the turn's first frame on.
    PeriodicPower(std::int64_t length, const std::vector<double>& head,
        const std::vector<double>& tail, const double* middle)
        : length_(length)
        , head_(running(head))
        , tail_(running(tail))
        , headEnd_(std::int64_t(head.size()))
        , tailStart_(length - std::int64_t(tail.size()))
        , middle_(middle)
        , turn_(inside(length))
    {
    }
    double mean(std::int64_t from, std::int64_t to) const
    {
        return std::max(0.0, sumTo(to) - sumTo(from))
            / double(std::max<std::int64_t>(1, to - from));
    }
    double meanDb(std::int64_t from, std::int64_t to) const
    {
        return 10.0 * std::log10(std::max(1e-20, mean(from, to)));
    }

private:
    static std::vector<double> running(const std::vector<double>& values)
    {
        std::vector<double> sums(values.size() + 1, 0.0);
        for (std::size_t i = 0; i < values.size(); ++i)
            sums[i + 1] = sums[i] + values[i];
        return sums;
    }
    double inside(std::int64_t frame) const
    {
        if (frame <= headEnd_)
            return head_[std::size_t(frame)];
        const double begun = head_.back() - middle_[headEnd_];
        if (frame <= tailStart_)
            return begun + middle_[frame];
        return begun + middle_[tailStart_] + tail_[std::size_t(frame - tailStart_)];
    }
    double sumTo(std::int64_t frame) const
    {
        const auto rest = wrap(frame, length_);
        const auto turns = (frame - rest) / length_;
        return double(turns) * turn_ + inside(rest);
    }
    std::int64_t length_;
    std::vector<double> head_, tail_;
    std::int64_t headEnd_, tailStart_;
    const double* middle_;
    double turn_;
};

/// A stretch of a recording that goes round, with what was baked into its end, and its powers ready
/// for any window. Costs no more than its baked part.
class Turn {
public:
    /// @param round Its tail takes the place of the last frames. @param goesRound Whether the frame
    /// before the first is the last one; otherwise it is the recording's own.
    Turn(const Audio& audio, const RecordingPowers& powers, Spectra& spectra, BakedRound round,
        bool goesRound)
        : audio_(audio)
        , spectra_(spectra)
        , start_(round.from)
        , length_(round.length)
        , window_(spectra.window)
        , tailStart_(length_ - round.tail.frames())
        , tail_(std::move(round.tail))
        , power_(length_, {}, tailPowers(), powers.powerFrom(start_))
        , edges_(length_, headBends(goesRound ? std::min<std::int64_t>(2, tailStart_) : 0),
              tailBends(), powers.edgesFrom(start_))
    {
    }

    std::int64_t length() const { return length_; }
    const PeriodicPower& power() const { return power_; }

    /// Highest level of the second difference under 1.5 ms inside a stretch, dB.
    double edgeMaximum(std::int64_t from, std::int64_t reach) const
    {
        const auto window =
            std::clamp<std::int64_t>(std::int64_t(0.0015 * audio_.rate), 1, length_);
        const auto hop = std::max<std::int64_t>(1, window / 3);
        double top = 1e-30;
        for (std::int64_t i = from; i + window <= from + std::max(reach, window); i += hop)
            top = std::max(top, edges_.mean(i, i + window));
        return 10.0 * std::log10(top);
    }

    /// Level and timbre difference of the windows that meet at `at`. Before frame 0 lies the
    /// recording, so that at the end of the first of several short rounds it is what is heard when
    /// a living sound enters the loop.
    SpectralStep step(std::int64_t at)
    {
        auto step = spectralStep(bandLevels(at - window_), bandLevels(at));
        const double before =
            at >= window_ ? power_.meanDb(at - window_, at) : streamDb(at - window_, at);
        step.level = std::abs(power_.meanDb(at, at + window_) - before);
        return step;
    }

    /// Third-octave levels of one window around a frame of the turn.
    std::vector<double> levelsAround(std::int64_t frame, Spectra& spectra)
    {
        return bandLevels(frame - spectra.window / 2, spectra);
    }

    /// Largest departure of the 15 ms level from the line between both sides of a stretch, dB.
    /// @param shortest Windows are no shorter than this.
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

    /// How far the level of short windows about a place leaves what both sides of it have, dB.
    double leapOut(std::int64_t at, std::int64_t window) const
    {
        const auto side = std::max<std::int64_t>(std::int64_t(0.03 * audio_.rate), 2 * window);
        const double left = power_.meanDb(at - side - window, at - window);
        const double right = power_.meanDb(at + window, at + window + side);
        const auto [low, high] = std::minmax(left, right);
        double worst = 0.0;
        for (auto from = at - 3 * window / 2; from <= at + window / 2;
             from += std::max<std::int64_t>(1, window / 4)) {
            const double here = power_.meanDb(from, from + window);
            worst = std::max({worst, low - here, here - high});
        }
        return worst;
    }

private:
    /// One sample of the turn, `frame` from its start; goes round.
    double sample(std::size_t channel, std::int64_t frame) const
    {
        const auto at = wrap(frame, length_);
        return at < tailStart_ ? double(audio_.channels[channel][std::size_t(start_ + at)])
                               : double(tail_.channels[channel][std::size_t(at - tailStart_)]);
    }

    /// One window's samples, piece by piece of what lies together; the recording before frame 0.
    void copyWindow(std::size_t channel, std::int64_t from, std::int64_t frames, float* to) const
    {
        const auto& recorded = audio_.channels[channel];
        const auto& baked = tail_.channels.empty() ? recorded : tail_.channels[channel];
        std::int64_t done = 0;
        for (; done < frames && from + done < 0; ++done) {
            const auto at = start_ + from + done;
            to[done] = at >= 0 ? recorded[std::size_t(at)] : 0.0f;
        }
        while (done < frames) {
            const auto at = wrap(from + done, length_);
            const bool inTail = at >= tailStart_;
            const auto count = std::min(frames - done, (inTail ? length_ : tailStart_) - at);
            std::copy_n(inTail ? baked.data() + (at - tailStart_) : recorded.data() + start_ + at,
                count, to + done);
            done += count;
        }
    }

    /// Mean level of a stretch, the recording before frame 0.
    double streamDb(std::int64_t from, std::int64_t to) const
    {
        std::vector<float> samples(std::size_t(to - from));
        double sum = 0.0;
        for (std::size_t c = 0; c < audio_.channelCount(); ++c) {
            copyWindow(c, from, to - from, samples.data());
            for (const float s : samples)
                sum += double(s) * double(s);
        }
        return 10.0
            * std::log10(std::max(1e-20, sum / double(std::max<std::int64_t>(1, to - from))));
    }

    /// Of the baked frames.
    std::vector<double> tailPowers() const
    {
        std::vector<double> power(std::size_t(length_ - tailStart_), 0.0);
        for (const auto& channel : tail_.channels)
            for (std::size_t i = 0; i < power.size(); ++i)
                power[i] += double(channel[i]) * double(channel[i]);
        return power;
    }

    /// Powers of the second difference of the first `count` frames.
    std::vector<double> headBends(std::int64_t count) const
    {
        std::vector<double> power(std::size_t(count), 0.0);
        for (std::size_t c = 0; c < audio_.channelCount(); ++c)
            for (std::int64_t f = 0; f < count; ++f) {
                const double bend = sample(c, f) - 2.0 * sample(c, f - 1) + sample(c, f - 2);
                power[std::size_t(f)] += bend * bend;
            }
        return power;
    }

    std::vector<double> tailBends() const
    {
        std::vector<double> power(std::size_t(length_ - tailStart_), 0.0);
        for (std::size_t c = 0; c < tail_.channelCount(); ++c) {
            double older = sample(c, tailStart_ - 2), old = sample(c, tailStart_ - 1);
            const auto& channel = tail_.channels[c];
            for (std::size_t i = 0; i < power.size(); ++i) {
                const double now = double(channel[i]);
                const double bend = now - 2.0 * old + older;
                power[i] += bend * bend;
                older = std::exchange(old, now);
            }
        }
        return power;
    }

    std::vector<double> bandLevels(std::int64_t from) { return bandLevels(from, spectra_); }
    std::vector<double> bandLevels(std::int64_t from, Spectra& spectra)
    {
        return spectra.levels(audio_.channelCount(),
            [&](std::size_t c, float* to) { copyWindow(c, from, spectra.window, to); });
    }

    const Audio& audio_;
    Spectra& spectra_;
    std::int64_t start_;
    std::int64_t length_;
    std::int64_t window_;
    std::int64_t tailStart_; ///< Of the baked part, from the turn's start.
    Audio tail_;
    PeriodicPower power_;
    PeriodicPower edges_;
};

} // namespace puretone
