// SPDX-License-Identifier: GPL-3.0-or-later
// Gives the programs in generated/ the shape of a processor.
#include "effects/processor.h"

#pragma GCC diagnostic push
#pragma GCC diagnostic ignored "-Wconversion"
#pragma GCC diagnostic ignored "-Wsign-conversion"
#pragma GCC diagnostic ignored "-Wshadow"
#pragma GCC diagnostic ignored "-Wunused-parameter"
#include "effects/generated/chorus.h"
#include "effects/generated/compressor.h"
#include "effects/generated/flanger.h"
#include "effects/generated/phaser.h"
#include "effects/generated/reverb.h"
#pragma GCC diagnostic pop

namespace puretone {

namespace {

template <class Program> class Generated final : public Processor, private generated::UI {
public:
    Generated(EffectKind kind, double rate, double memorySeconds)
        : parameters_(factsOf(kind).parameters)
        , rate_(rate)
        , memory_(int(memorySeconds * rate))
    {
        program_.init(int(std::lround(rate)));
        program_.buildUserInterface(this);
    }
    void reset() noexcept override { program_.instanceClear(); }
    void set(const EffectNow& values, const EffectTime&) noexcept override
    {
        for (std::size_t i = 0; i < parameters_.size(); ++i)
            if (numbers_[i] != nullptr)
                *numbers_[i] = values[i];
    }
    void process(float* left, float* right, int count) noexcept override
    {
        float* sides[2] = {left, right};
        program_.compute(count, sides, sides);
    }
    int memory() const noexcept override { return memory_; }
    float held() const noexcept override { return held_ != nullptr ? -*held_ : 0.0f; }

private:
    void number(std::string_view name, float* at) override
    {
        for (std::size_t i = 0; i < parameters_.size(); ++i)
            if (name == parameters_[i].name)
                numbers_[i] = at;
    }
    void shown(std::string_view, const float* at) override { held_ = at; }

    Program program_;
    std::span<const ParameterFacts> parameters_;
    double rate_;
    int memory_;
    std::array<float*, mostParameters> numbers_{};
    const float* held_ = nullptr;
};

} // namespace

std::unique_ptr<Processor> makeGenerated(EffectKind kind, double rate)
{
    switch (kind) {
    case EffectKind::compressor:
        return std::make_unique<Generated<generated::Compressor>>(kind, rate, 0.0);
    case EffectKind::chorus:
        return std::make_unique<Generated<generated::Chorus>>(kind, rate, 0.05);
    case EffectKind::phaser:
        return std::make_unique<Generated<generated::Phaser>>(kind, rate, 0.01);
    case EffectKind::flanger:
        return std::make_unique<Generated<generated::Flanger>>(kind, rate, 0.05);
    default:
        return std::make_unique<Generated<generated::Reverb>>(EffectKind::reverb, rate, 1.2);
    }
}

double compressedDb(const EffectValues& values, double db) noexcept
{
    const double threshold = values[0], ratio = values[1], knee = values[2];
    const double over = db - threshold;
    const double strength = 1.0 - 1.0 / ratio;
    if (knee > 0.0 && std::abs(over) < 0.5 * knee)
        return db - strength * (over + 0.5 * knee) * (over + 0.5 * knee) / (2.0 * knee);
    return over > 0.0 ? db - strength * over : db;
}

std::unique_ptr<Processor> makeProcessor(const Effect& effect, double rate)
{
    switch (effect.kind) {
    case EffectKind::equaliser:
        return makeEqualiser(rate);
    case EffectKind::drive:
        return makeDrive(rate);
    case EffectKind::crush:
        return makeCrush(rate);
    case EffectKind::duck:
        return makeDuck(rate);
    case EffectKind::tremolo:
        return makeTremolo(rate);
    case EffectKind::echo:
        return makeEcho(rate);
    case EffectKind::width:
        return makeWidth(rate);
    case EffectKind::space:
        return makeSpace(effect.impulse.pointer().get(), rate);
    case EffectKind::compressor:
    case EffectKind::chorus:
    case EffectKind::phaser:
    case EffectKind::flanger:
    case EffectKind::reverb:
        break;
    }
    return makeGenerated(effect.kind, rate);
}

} // namespace puretone
