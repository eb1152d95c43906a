// SPDX-License-Identifier: GPL-3.0-or-later
// The effects of a few lines each: crush, duck, tremolo, width.
#include "base/song_time.h"
#include "effects/processor.h"

#include <cmath>
#include <numbers>

namespace puretone {

namespace {

float gainOf(float decibels) noexcept
{
    return std::exp2(decibels * 0.16609640474f);
}

class Crush final : public Processor {
public:
    explicit Crush(double rate)
        : rate_(rate)
    {
    }
    void reset() noexcept override
    {
        left_ = right_ = 0.0f;
        phase_ = 1.0;
    }
    void set(const EffectNow& values, const EffectTime&) noexcept override
    {
        step_ = std::exp2(1.0f - values[0]);
        perFrame_ = std::min(1.0, double(values[1]) / rate_);
    }
    void process(float* left, float* right, int count) noexcept override
    {
        for (int i = 0; i < count; ++i) {
            phase_ += perFrame_;
            if (phase_ >= 1.0) {
                phase_ -= 1.0;
                left_ = step_ * std::round(left[i] / step_);
                right_ = step_ * std::round(right[i] / step_);
            }
            left[i] = left_;
            right[i] = right_;
        }
    }

private:
    double rate_, phase_ = 1.0, perFrame_ = 1.0;
    float step_ = 1.0f / 128.0f, left_ = 0.0f, right_ = 0.0f;
};

class Duck final : public Processor {
public:
    explicit Duck(double rate)
        : rate_(rate)
    {
    }
    void reset() noexcept override
    {
        down_ = 0.0f;
        falls_ = false;
        since_ = 0.0;
    }
    void set(const EffectNow& values, const EffectTime& time) noexcept override
    {
        depth_ = values[3];
        const double perSecond = time.beatsPerFrame * rate_;
        fall_ = 1.0f / (values[4] * float(rate_));
        back_ = 1.0f / float(std::max(0.001, songSeconds(double(values[5]), perSecond)) * rate_);
        at_ = 0;
        due_ = effectCell;
        if (values[0] > 0.5f) {
            const auto key = unsigned(values[2]);
            if (key < 128 && (time.pressed[key / 64] >> (key % 64) & 1U) != 0)
                due_ = 0;
        } else if (isInBeats(double(values[1]))) {
            // The frame of this cell, if any, on which a beat that counts falls.
            const double every = -double(values[1]);
            const double next = std::ceil(time.beat / every - 1e-9) * every;
            const double frames = (next - time.beat) / time.beatsPerFrame;
            due_ = frames < effectCell ? int(std::max(0.0, std::ceil(frames - 1e-6))) : effectCell;
        } else {
            since_ += effectCell / (double(values[1]) * rate_);
            if (since_ >= 1.0) {
                since_ -= std::floor(since_);
                due_ = 0;
            }
        }
    }
    void process(float* left, float* right, int count) noexcept override
    {
        for (int i = 0; i < count; ++i) {
            if (at_++ == due_)
                falls_ = true;
            down_ = std::clamp(down_ + (falls_ ? fall_ : -back_), 0.0f, 1.0f);
            falls_ = falls_ && down_ < 1.0f;
            const float eased = down_ * down_ * (3.0f - 2.0f * down_);
            const float gain = gainOf(-depth_ * eased);
            left[i] *= gain;
            right[i] *= gain;
        }
        held_ = depth_ * down_ * down_ * (3.0f - 2.0f * down_);
    }
    bool sleeps() const noexcept override { return false; }
    float held() const noexcept override { return held_; }

private:
    double rate_, since_ = 0.0;
    float depth_ = 0.0f, fall_ = 1.0f, back_ = 1.0f, down_ = 0.0f, held_ = 0.0f;
    int due_ = effectCell, at_ = 0;
    bool falls_ = false;
};

class Tremolo final : public Processor {
public:
    explicit Tremolo(double rate)
        : rate_(rate)
    {
    }
    void reset() noexcept override
    {
        phase_ = 0.0;
        level_ = {1.0f, 1.0f};
    }
    void set(const EffectNow& values, const EffectTime& time) noexcept override
    {
        shape_ = int(values[1]);
        depth_ = values[2];
        apart_ = 0.5 * double(values[3]);
        const double every = double(values[0]);
        if (isInBeats(every)) {
            phase_ = time.beat / -every;
            perFrame_ = time.beatsPerFrame / -every;
        } else
            perFrame_ = 1.0 / (every * rate_);
        phase_ -= std::floor(phase_);
        // A square would click.
        constexpr double smoothSeconds = 0.0015;
        smooth_ = float(1.0 - std::exp(-1.0 / (smoothSeconds * rate_)));
    }
    void process(float* left, float* right, int count) noexcept override
    {
        for (int i = 0; i < count; ++i) {
            left[i] *= level(0, phase_);
            right[i] *= level(1, phase_ + apart_);
            phase_ += perFrame_;
        }
    }

private:
    float level(std::size_t side, double phase) noexcept
    {
        const auto at = float(phase - std::floor(phase));
        const float swing = shape_ == 0
            ? 0.5f - 0.5f * std::cos(2.0f * std::numbers::pi_v<float> * at)
            : shape_ == 1 ? 1.0f - std::abs(2.0f * at - 1.0f)
            : at < 0.5f   ? 0.0f
                          : 1.0f;
        const float wanted = 1.0f - depth_ * swing;
        level_[side] = shape_ == 2 ? level_[side] + smooth_ * (wanted - level_[side]) : wanted;
        return level_[side];
    }
    double rate_, phase_ = 0.0, perFrame_ = 0.0, apart_ = 0.0;
    int shape_ = 0;
    float depth_ = 0.0f, smooth_ = 1.0f;
    std::array<float, 2> level_{1.0f, 1.0f};
};

class Width final : public Processor {
public:
    explicit Width(double rate)
        : rate_(rate)
    {
    }
    void reset() noexcept override { low_ = 0.0f; }
    void set(const EffectNow& values, const EffectTime&) noexcept override
    {
        width_ = values[0];
        way_ = doesNothing(EffectKind::width, 1, double(values[1]))
            ? 0.0f
            : 1.0f - std::exp(-2.0f * std::numbers::pi_v<float> * values[1] / float(rate_));
    }
    void process(float* left, float* right, int count) noexcept override
    {
        for (int i = 0; i < count; ++i) {
            const float middle = 0.5f * (left[i] + right[i]);
            const float side = 0.5f * (left[i] - right[i]);
            low_ += way_ * (side - low_);
            const float wide = width_ * (side - low_);
            left[i] = middle + wide;
            right[i] = middle - wide;
        }
    }

private:
    double rate_;
    float width_ = 1.0f, way_ = 0.0f, low_ = 0.0f;
};

} // namespace

std::unique_ptr<Processor> makeCrush(double rate)
{
    return std::make_unique<Crush>(rate);
}
std::unique_ptr<Processor> makeDuck(double rate)
{
    return std::make_unique<Duck>(rate);
}
std::unique_ptr<Processor> makeTremolo(double rate)
{
    return std::make_unique<Tremolo>(rate);
}
std::unique_ptr<Processor> makeWidth(double rate)
{
    return std::make_unique<Width>(rate);
}

} // namespace puretone
