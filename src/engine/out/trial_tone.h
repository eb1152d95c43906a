// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <cmath>
#include <numbers>

namespace puretone {

/// The plain tone that a take is judged against by ear; mixed into what the engine has played.
///
/// Setters: interface thread. process(): audio thread; never allocates, locks or waits. Changes of
/// level, way and pitch glide, so that nothing clicks.
class TrialTone {
public:
    enum class Shape { sine, soft }; ///< Soft: six partials falling by 12 dB an octave.
    enum class Way {
        together, ///< Over the take, on both sides.
        inTurn, ///< The take for a while, then the tone.
        apart, ///< The take left, the tone right.
    };
    static constexpr double turnSeconds = 1.0;

    void setOn(bool on) { on_ = on; }
    bool on() const { return on_; }
    void setHz(double hz) { hz_ = hz; } ///< 8 Hz to the Nyquist frequency.
    void setLevel(double gain) { gain_ = float(gain); } ///< Linear peak, 0 to 1.
    void setShape(Shape shape) { shape_ = shape; }
    void setWay(Way way) { way_ = way; }

    /// Audio thread.
    void process(float* left, float* right, int frames, double rate) noexcept
    {
        const bool on = on_.load(std::memory_order_relaxed);
        if (!on && level_ < 1e-5f && apart_ < 1e-5f && takeShare_ > 0.99999f)
            return;
        const Way way = way_.load(std::memory_order_relaxed);
        const Shape shape = shape_.load(std::memory_order_relaxed);
        const float wanted = on ? gain_.load(std::memory_order_relaxed) : 0.0f;
        const double hz = hz_.load(std::memory_order_relaxed);
        const auto glide = float(1.0 - std::exp(-1.0 / (0.008 * rate)));
        for (int i = 0; i < frames; ++i) {
            turn_ =
                on && way == Way::inTurn ? std::fmod(turn_ + 1.0 / rate, 2.0 * turnSeconds) : 0.0;
            const bool tonesTurn = way != Way::inTurn || turn_ >= turnSeconds;
            const bool takesTurn = !on || way != Way::inTurn || turn_ < turnSeconds;
            level_ += glide * ((tonesTurn ? wanted : 0.0f) - level_);
            takeShare_ += glide * ((takesTurn ? 1.0f : 0.0f) - takeShare_);
            apart_ += glide * ((on && way == Way::apart ? 1.0f : 0.0f) - apart_);
            nowHz_ += double(glide) * (hz - nowHz_);
            phase_ += nowHz_ / rate;
            phase_ -= std::floor(phase_);
            const float tone = level_ * wave(shape, nowHz_, rate);
            const float middle = 0.5f * (left[i] + right[i]);
            left[i] = takeShare_ * (left[i] + apart_ * (middle - left[i])) + (1.0f - apart_) * tone;
            right[i] = takeShare_ * (1.0f - apart_) * right[i] + tone;
        }
    }

private:
    float wave(Shape shape, double hz, double rate) const noexcept
    {
        const double angle = 2.0 * std::numbers::pi * phase_;
        double sum = std::sin(angle);
        if (shape == Shape::soft)
            for (int h = 2; h <= 6 && h * hz < 0.45 * rate; ++h)
                sum += std::sin(h * angle) / (h * h);
        return float(shape == Shape::soft ? 0.8 * sum : sum);
    }

    std::atomic<bool> on_{false};
    std::atomic<double> hz_{440.0};
    std::atomic<float> gain_{0.2f};
    std::atomic<Shape> shape_{Shape::sine};
    std::atomic<Way> way_{Way::together};
    // Audio thread only.
    double phase_ = 0.0, nowHz_ = 440.0, turn_ = 0.0;
    float level_ = 0.0f, takeShare_ = 1.0f, apart_ = 0.0f;
};

} // namespace puretone
