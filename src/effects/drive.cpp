// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/signal/biquad.h"
#include "effects/oversampling.h"

#include <cmath>
#include <numbers>

namespace puretone {

namespace {

// Each bend with its first and second antiderivative. All are odd.

struct TapeLike {
    static double bend(double x) noexcept { return x / std::sqrt(1.0 + x * x); }
    static double first(double x) noexcept { return std::sqrt(1.0 + x * x); }
    static double second(double x) noexcept
    {
        return 0.5 * (x * std::sqrt(1.0 + x * x) + std::asinh(x));
    }
};

struct Hard {
    static double bend(double x) noexcept { return std::clamp(x, -1.0, 1.0); }
    static double first(double x) noexcept
    {
        const double a = std::abs(x);
        return a <= 1.0 ? 0.5 * x * x : a - 0.5;
    }
    static double second(double x) noexcept
    {
        const double a = std::abs(x);
        const double s = a <= 1.0 ? a * a * a / 6.0 : 0.5 * a * a - 0.5 * a + 1.0 / 6.0;
        return x < 0.0 ? -s : s;
    }
};

struct Fold {
    static constexpr double turn = std::numbers::pi / 2.0;
    static double bend(double x) noexcept { return std::sin(turn * x); }
    static double first(double x) noexcept { return -std::cos(turn * x) / turn; }
    static double second(double x) noexcept { return -std::sin(turn * x) / (turn * turn); }
};

/// A bend without most of what would fold back: antiderivative antialiasing of second order (S.
/// Bilbao, F. Esqueda, J. Parker, V. Välimäki, "Antiderivative Antialiasing for Memoryless
/// Nonlinearities", 2017). One frame late.
struct SmoothBend {
    static constexpr double alike = 1e-3;
    double x1 = 0.0, x2 = 0.0;
    double second1 = 0.0; ///< Of x1.
    double slope = 0.0; ///< From x2 to x1.

    void reset() noexcept { *this = {}; }

    template <class Shape> double run(double x) noexcept
    {
        const double second0 = Shape::second(x);
        const double newSlope = std::abs(x - x1) < alike ? Shape::first(0.5 * (x + x1))
                                                         : (second0 - second1) / (x - x1);
        double out;
        if (std::abs(x - x2) >= alike)
            out = 2.0 * (newSlope - slope) / (x - x2);
        else {
            const double middle = 0.5 * (x + x2), apart = middle - x1;
            out = std::abs(apart) < alike
                ? Shape::bend(0.5 * (middle + x1))
                : 2.0 / apart * (Shape::first(middle) + (second1 - Shape::second(middle)) / apart);
        }
        x2 = x1;
        x1 = x;
        second1 = second0;
        slope = newSlope;
        return out;
    }
};

/// What a level of a half comes out as, so that driving harder is not much louder.
double makeUp(int kind, double gain) noexcept
{
    const double half = 0.5 * gain;
    const double out = kind == 0 ? TapeLike::bend(half)
        : kind == 1              ? Hard::bend(half)
                                 : Fold::bend(std::min(1.0, half));
    return 0.5 / out;
}

class Drive final : public Processor {
public:
    explicit Drive(double rate)
        : rate_(rate)
        , high_(Oversampling::times * std::size_t(effectCell))
    {
    }
    void reset() noexcept override
    {
        for (Side& side : sides_)
            side = {};
        for (auto& over : over_)
            over.reset();
    }
    void set(const EffectNow& values, const EffectTime&) noexcept override
    {
        kind_ = int(values[0]);
        gainFrom_ = gainTo_;
        outFrom_ = outTo_;
        gainTo_ = std::pow(10.0, double(values[1]) / 20.0);
        outTo_ = makeUp(kind_, gainTo_) * std::pow(10.0, double(values[3]) / 20.0);
        if (gainFrom_ == 0.0) {
            gainFrom_ = gainTo_;
            outFrom_ = outTo_;
        }
        if (values[2] != tone_) {
            tone_ = values[2];
            softer_ = doesNothing(EffectKind::drive, 2, double(tone_))
                ? Biquad{}
                : Biquad::highCut(double(tone_), std::numbers::sqrt2 / 2.0, rate_);
        }
        at_ = 0;
    }
    void process(float* left, float* right, int count) noexcept override
    {
        for (int s = 0; s < 2; ++s) {
            float* side = s == 0 ? left : right;
            over_[std::size_t(s)].up(side, high_.data(), count);
            bend(sides_[std::size_t(s)], count);
            over_[std::size_t(s)].down(high_.data(), side, count);
            for (int i = 0; i < count; ++i)
                side[i] = float(
                    outAt(at_ + i) * sides_[std::size_t(s)].softer.run(softer_, double(side[i])));
        }
        at_ += count;
    }
    int latency() const noexcept override { return Oversampling::latency; }

private:
    struct Side {
        SmoothBend bend;
        float late = 0.0f; ///< See Oversampling::extra.
        BiquadState softer;
    };
    double outAt(int frame) const noexcept
    {
        return outFrom_ + (outTo_ - outFrom_) * frame / effectCell;
    }
    void bend(Side& side, int count) noexcept
    {
        if (kind_ == 0)
            bendAs<TapeLike>(side, count);
        else if (kind_ == 1)
            bendAs<Hard>(side, count);
        else
            bendAs<Fold>(side, count);
    }
    template <class Shape> void bendAs(Side& side, int count) noexcept
    {
        static_assert(Oversampling::extra == 1);
        const int all = Oversampling::times * count;
        const double step = (gainTo_ - gainFrom_) / (Oversampling::times * effectCell);
        double gain = gainFrom_ + step * (Oversampling::times * at_);
        for (int i = 0; i < all; ++i) {
            const auto bent = float(side.bend.run<Shape>(gain * double(high_[std::size_t(i)])));
            high_[std::size_t(i)] = side.late;
            side.late = bent;
            gain += step;
        }
    }

    double rate_;
    int kind_ = 0, at_ = 0;
    double gainFrom_ = 0.0, gainTo_ = 0.0, outFrom_ = 0.0, outTo_ = 0.0;
    float tone_ = 0.0f;
    Biquad softer_;
    std::array<Side, 2> sides_;
    std::array<Oversampling, 2> over_;
    std::vector<float> high_;
};

} // namespace

std::unique_ptr<Processor> makeDrive(double rate)
{
    return std::make_unique<Drive>(rate);
}

double driveCurve(const EffectValues& values, double in) noexcept
{
    const int kind = int(values[0]);
    const double gain = std::pow(10.0, values[1] / 20.0);
    const double out = kind == 0 ? TapeLike::bend(gain * in)
        : kind == 1              ? Hard::bend(gain * in)
                                 : Fold::bend(gain * in);
    return out * makeUp(kind, gain) * std::pow(10.0, values[3] / 20.0);
}

} // namespace puretone
