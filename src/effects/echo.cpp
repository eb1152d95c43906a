// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/song_time.h"
#include "effects/processor.h"

#include <cmath>
#include <numbers>
#include <vector>

namespace puretone {

namespace {

constexpr double longestEcho = 8.0; // seconds, whatever the tempo
constexpr double changeSeconds = 0.05; // from one time to another
constexpr double mostWander = 0.003; // seconds

/// Straight up to about full scale, so that nothing grows for ever.
float soft(float x) noexcept
{
    const float y = x * x / 9.0f;
    return x / std::sqrt(std::sqrt(1.0f + y * y));
}

/// Two lines whose ends come back, to themselves or to each other.
class Echo final : public Processor {
public:
    explicit Echo(double rate)
        : rate_(rate)
        , most_(int(longestEcho * rate))
    {
        std::size_t size = 1;
        while (size < std::size_t(most_) + std::size_t(mostWander * rate) + 8)
            size *= 2;
        mask_ = size - 1;
        for (Line& line : lines_)
            line.samples.assign(size, 0.0f);
    }
    void reset() noexcept override
    {
        for (Line& line : lines_) {
            std::fill(line.samples.begin(), line.samples.end(), 0.0f);
            line.low = line.high = 0.0f;
            line.frames = 0;
        }
    }
    void set(const EffectNow& values, const EffectTime& time) noexcept override
    {
        const double perSecond = time.beatsPerFrame * rate_;
        for (std::size_t s = 0; s < 2; ++s) {
            const double seconds = songSeconds(double(values[s]), perSecond);
            const int frames = std::clamp(int(std::lround(seconds * rate_)), 1, most_);
            Line& line = lines_[s];
            if (line.frames == 0)
                line.frames = line.before = frames;
            else if (frames != line.frames && line.share >= 1.0f) {
                line.before = line.frames;
                line.frames = frames;
                line.share = 0.0f;
            }
        }
        back_ = values[2];
        lowWay_ = way(values[3]);
        highWay_ = doesNothing(EffectKind::echo, 4, double(values[4])) ? 1.0f : way(values[4]);
        wander_ = double(values[5]) * mostWander * rate_;
        crosses_ = values[6] > 0.5f;
        perFrame_ = 1.0 / rate_;
    }
    void process(float* left, float* right, int count) noexcept override
    {
        const auto step = float(1.0 / (changeSeconds * rate_));
        for (int i = 0; i < count; ++i) {
            const float l = filtered(lines_[0], read(lines_[0], 0.0, step));
            const float r = filtered(lines_[1], read(lines_[1], 0.37, step));
            if (crosses_) {
                push(lines_[0], 0.5f * (left[i] + right[i]) + back_ * r);
                push(lines_[1], l);
            } else {
                push(lines_[0], left[i] + back_ * l);
                push(lines_[1], right[i] + back_ * r);
            }
            at_ = (at_ + 1) & mask_;
            turn_ += perFrame_;
            left[i] = l;
            right[i] = r;
        }
    }
    int memory() const noexcept override { return std::max(lines_[0].frames, lines_[1].frames); }

private:
    struct Line {
        std::vector<float> samples;
        int frames = 0, before = 0; ///< Now, and before the last change.
        float share = 1.0f; ///< Of the new time.
        float low = 0.0f, high = 0.0f;
    };
    float way(float hz) const noexcept
    {
        return 1.0f - std::exp(-2.0f * std::numbers::pi_v<float> * hz / float(rate_));
    }
    void push(Line& line, float in) noexcept { line.samples[at_] = soft(in); }
    float sampleAt(const Line& line, int frames) const noexcept
    {
        return line.samples[(at_ - std::size_t(frames)) & mask_];
    }
    /// @param phase Where its wandering begins.
    float read(Line& line, double phase, float step) noexcept
    {
        if (wander_ > 0.0)
            return readWandering(line, phase, step);
        if (line.share >= 1.0f)
            return sampleAt(line, line.frames);
        line.share = std::min(1.0f, line.share + step);
        const float old = sampleAt(line, line.before);
        return old + line.share * (sampleAt(line, line.frames) - old);
    }
    /// Two slow swings that never meet the same way; a cubic between frames (Catmull and Rom).
    float readWandering(Line& line, double phase, float step) noexcept
    {
        const double t = turn_ + 10.0 * phase;
        const double away = wander_
            * (0.5 + 0.3 * std::sin(2.0 * std::numbers::pi * 0.53 * t)
                + 0.2 * std::sin(2.0 * std::numbers::pi * 0.89 * t));
        const auto whole = int(away);
        const auto part = float(away - whole);
        const auto between = [&](int frames) {
            const float a = sampleAt(line, std::max(1, frames + whole - 1)),
                        b = sampleAt(line, frames + whole), c = sampleAt(line, frames + whole + 1),
                        d = sampleAt(line, frames + whole + 2);
            return b
                + 0.5f * part
                * (c - a
                    + part
                        * (2.0f * a - 5.0f * b + 4.0f * c - d + part * (3.0f * (b - c) + d - a)));
        };
        if (line.share >= 1.0f)
            return between(line.frames);
        line.share = std::min(1.0f, line.share + step);
        const float old = between(line.before);
        return old + line.share * (between(line.frames) - old);
    }
    float filtered(Line& line, float in) const noexcept
    {
        line.high += highWay_ * (in - line.high);
        line.low += lowWay_ * (line.high - line.low);
        return line.high - line.low;
    }

    double rate_;
    int most_;
    std::size_t mask_ = 0, at_ = 0;
    std::array<Line, 2> lines_;
    float back_ = 0.0f, lowWay_ = 0.0f, highWay_ = 1.0f;
    double wander_ = 0.0, turn_ = 0.0, perFrame_ = 0.0;
    bool crosses_ = false;
};

} // namespace

std::unique_ptr<Processor> makeEcho(double rate)
{
    return std::make_unique<Echo>(rate);
}

} // namespace puretone
