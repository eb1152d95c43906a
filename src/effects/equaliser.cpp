// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/signal/biquad.h"
#include "effects/processor.h"

namespace puretone {

namespace {

using Sections = std::array<Biquad, 4>;

template <class Values> Sections sectionsOf(const Values& v, double rate)
{
    return {doesNothing(EffectKind::equaliser, 0, double(v[0]))
            ? Biquad{}
            : Biquad::lowCut(double(v[0]), Biquad::butterworth, rate),
        Biquad::bell(double(v[1]), double(v[2]), double(v[3]), rate),
        Biquad::bell(double(v[4]), double(v[5]), double(v[6]), rate),
        Biquad::highShelf(double(v[7]), double(v[8]), rate)};
}

class Equaliser final : public Processor {
public:
    explicit Equaliser(double rate)
        : rate_(rate)
    {
    }
    void reset() noexcept override { states_ = {}; }
    void set(const EffectNow& values, const EffectTime&) noexcept override
    {
        if (values == shown_)
            return;
        shown_ = values;
        sections_ = sectionsOf(values, rate_);
    }
    void process(float* left, float* right, int count) noexcept override
    {
        for (std::size_t s = 0; s < sections_.size(); ++s) {
            const Biquad& section = sections_[s];
            if (section == Biquad{})
                continue;
            for (int i = 0; i < count; ++i) {
                left[i] = float(states_[s][0].run(section, double(left[i])));
                right[i] = float(states_[s][1].run(section, double(right[i])));
            }
        }
    }

private:
    double rate_;
    EffectNow shown_{};
    Sections sections_;
    std::array<std::array<BiquadState, 2>, std::tuple_size_v<Sections>> states_;
};

} // namespace

std::unique_ptr<Processor> makeEqualiser(double rate)
{
    return std::make_unique<Equaliser>(rate);
}

Decibels equaliserResponse(const EffectValues& values, double hz, double rate)
{
    double sum = 0.0;
    for (const Biquad& section : sectionsOf(values, rate))
        sum += section.response(hz, rate).value;
    return {sum};
}

} // namespace puretone
