// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/signal/biquad.h"
#include "audio/signal/resample.h"
#include "effects/convolution.h"
#include "effects/processor.h"

#include <cmath>

namespace puretone {

namespace {

constexpr double longestPreDelay = 0.5; // seconds

/// The impulse as it is convolved: at the rate, no longer than there is time for, scaled so that
/// noise comes out as loud as it went in. Empty where there is nothing in it.
std::vector<std::vector<float>> prepared(const Recording* impulse, double rate)
{
    if (impulse == nullptr || !impulse->audio || impulse->audio->frames() == 0)
        return {};
    const Audio& audio = *impulse->audio;
    std::vector<std::vector<float>> sides;
    const auto longest = std::size_t(longestImpulse * audio.rate);
    double power = 0.0;
    for (std::size_t c = 0; c < std::min<std::size_t>(2, audio.channels.size()); ++c) {
        const auto& channel = audio.channels[c];
        Audio mono{audio.rate,
            {{channel.begin(),
                channel.begin() + std::ptrdiff_t(std::min(longest, channel.size()))}}};
        for (float& sample : mono.channels[0])
            if (!std::isfinite(sample))
                sample = 0.0f;
        sides.push_back(resample(mono, rate).channels[0]);
        double sum = 0.0;
        for (const float sample : sides.back())
            sum += double(sample) * double(sample);
        power = std::max(power, sum);
    }
    constexpr double silent = 1e-12;
    if (power < silent)
        return {};
    for (auto& side : sides)
        for (float& sample : side)
            sample = float(double(sample) / std::sqrt(power));
    return sides;
}

class Space final : public Processor {
public:
    Space(const Recording* impulse, double rate)
        : rate_(rate)
        , delay_(std::size_t(longestPreDelay * rate) + effectCell + 1)
    {
        const auto impulses = prepared(impulse, rate);
        if (impulses.empty())
            return;
        // One side serves both.
        for (const auto* side : {&impulses.front(), &impulses.back()}) {
            Side& made = sides_.emplace_back();
            made.convolution = std::make_unique<Convolution>(*side);
            made.line.resize(delay_);
            length_ = std::max(length_, int(side->size()));
        }
    }
    void reset() noexcept override
    {
        for (Side& side : sides_) {
            side.convolution->reset();
            std::fill(side.line.begin(), side.line.end(), 0.0f);
            side.low = side.high = {};
        }
    }
    void set(const EffectNow& values, const EffectTime&) noexcept override
    {
        gain_ = std::pow(10.0f, values[0] / 20.0f);
        wait_ = std::clamp(
            std::size_t(double(values[1]) * rate_), std::size_t(0), delay_ - effectCell - 1);
        if (values[2] != cuts_[0] || values[3] != cuts_[1]) {
            cuts_ = {values[2], values[3]};
            low_ = doesNothing(EffectKind::space, 2, double(cuts_[0]))
                ? Biquad{}
                : Biquad::lowCut(double(cuts_[0]), Biquad::butterworth, rate_);
            high_ = doesNothing(EffectKind::space, 3, double(cuts_[1]))
                ? Biquad{}
                : Biquad::highCut(double(cuts_[1]), Biquad::butterworth, rate_);
        }
    }
    void process(float* left, float* right, int count) noexcept override
    {
        if (sides_.empty()) {
            std::fill_n(left, count, 0.0f);
            std::fill_n(right, count, 0.0f);
            return;
        }
        std::size_t after = at_;
        for (std::size_t s = 0; s < 2; ++s) {
            Side& side = sides_[s];
            float* samples = s == 0 ? left : right;
            after = at_;
            for (int i = 0; i < count; ++i) {
                side.line[after] = samples[i];
                samples[i] = side.line[(after + delay_ - wait_) % delay_];
                after = (after + 1) % delay_;
            }
            side.convolution->process(samples, count);
            for (int i = 0; i < count; ++i)
                samples[i] =
                    gain_ * float(side.high.run(high_, side.low.run(low_, double(samples[i]))));
        }
        at_ = after;
    }
    int memory() const noexcept override { return length_ + int(wait_); }

private:
    struct Side {
        std::unique_ptr<Convolution> convolution;
        std::vector<float> line;
        BiquadState low, high;
    };
    double rate_;
    std::size_t delay_, wait_ = 0, at_ = 0;
    std::vector<Side> sides_;
    int length_ = 0;
    float gain_ = 1.0f;
    std::array<float, 2> cuts_{};
    Biquad low_, high_;
};

} // namespace

std::unique_ptr<Processor> makeSpace(const Recording* impulse, double rate)
{
    return std::make_unique<Space>(impulse, rate);
}

} // namespace puretone
