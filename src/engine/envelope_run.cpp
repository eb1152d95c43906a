// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/envelope_run.h"

namespace puretone {

namespace {

double sustainGain(const Envelope& e) noexcept
{
    return e.sustainDb <= silentSustainDb ? 0.0 : std::exp2(e.sustainDb * 0.16609640474436813);
}

/// Of a note that cannot be heard any more.
constexpr double silent = 3e-5; // -90 dB

} // namespace

void EnvelopeRun::start(double rate) noexcept
{
    perFrame_ = 1.0 / rate;
    // A turned sustain level arrives within about 10 ms.
    glide_ = 1.0 - std::exp(-perFrame_ / 0.004);
    level_ = 0.0;
    enter(Stage::delay);
}

void EnvelopeRun::release() noexcept
{
    if (stage_ < Stage::release)
        enter(Stage::release);
}

float EnvelopeRun::step(const Envelope& e) noexcept
{
    // Stages of no length are passed through within one frame.
    if (stage_ == Stage::delay && elapsed_ >= e.delay)
        enter(Stage::attack);
    if (stage_ == Stage::attack && level_ >= 1.0)
        enter(Stage::hold);
    if (stage_ == Stage::hold && elapsed_ >= e.hold)
        enter(Stage::decay);
    if (stage_ == Stage::decay && (elapsed_ >= e.decay || level_ <= sustainGain(e)))
        enter(Stage::sustain);
    switch (stage_) {
    case Stage::attack:
        level_ = e.attack > perFrame_ ? std::min(1.0, level_ + perFrame_ / e.attack) : 1.0;
        break;
    case Stage::decay:
        level_ *= std::exp2(e.sustainDb * 0.16609640474436813 * perFrame_ / e.decay);
        break;
    case Stage::sustain:
        level_ += glide_ * (sustainGain(e) - level_);
        break;
    case Stage::release:
        // ln(1000) / release: 60 dB in the release time.
        level_ *= std::exp(-6.907755 * perFrame_ / e.release);
        if (level_ < silent)
            enter(Stage::finished);
        break;
    case Stage::finished:
        level_ = 0.0;
        break;
    case Stage::delay:
    case Stage::hold:
        break;
    }
    elapsed_ += perFrame_;
    return float(level_);
}

void EnvelopeRun::run(const Envelope& envelope, float* gains, int frames) noexcept
{
    for (int i = 0; i < frames; ++i)
        gains[i] = step(envelope);
}

double envelopeGain(const Envelope& e, double seconds)
{
    const double inAttack = seconds - e.delay;
    if (inAttack < 0.0)
        return 0.0;
    if (inAttack < e.attack)
        return inAttack / e.attack;
    const double inDecay = inAttack - e.attack - e.hold;
    if (inDecay <= 0.0)
        return 1.0;
    if (inDecay < e.decay)
        return std::exp2(e.sustainDb * 0.16609640474436813 * inDecay / e.decay);
    return sustainGain(e);
}

} // namespace puretone
