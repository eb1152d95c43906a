// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/envelope_run.h"

#include "base/in_range.h"

namespace puretone {

namespace {

double sustainGain(const Envelope& e) noexcept
{
    return e.sustainDb <= silentSustainDb ? 0.0 : std::exp2(e.sustainDb * 0.16609640474436813);
}

/// Of a note that cannot be heard any more.
constexpr double silent = 3e-5; // -90 dB

} // namespace

void EnvelopeRun::start(const Envelope& envelope, double rate) noexcept
{
    perFrame_ = 1.0 / rate;
    level_ = 0.0;
    enter(Stage::delay);
    passEmptyStages(envelope);
}

void EnvelopeRun::release() noexcept
{
    if (stage_ < Stage::release)
        enter(Stage::release);
}

void EnvelopeRun::releaseFrom(double level) noexcept
{
    if (released())
        return;
    level_ = level;
    enter(Stage::release);
}

double EnvelopeRun::sustainOf(const Envelope& envelope) noexcept
{
    if (envelope.sustainDb != sustainDb_) {
        sustainDb_ = envelope.sustainDb;
        sustainGain_ = sustainGain(envelope);
    }
    return sustainGain_;
}

void EnvelopeRun::passEmptyStages(const Envelope& e) noexcept
{
    if (stage_ == Stage::delay && elapsed_ >= e.delay)
        enter(Stage::attack);
    if (stage_ == Stage::attack && e.attack <= perFrame_)
        level_ = 1.0;
    if (stage_ == Stage::attack && level_ >= 1.0)
        enter(Stage::hold);
    if (stage_ == Stage::hold && elapsed_ >= e.hold)
        enter(Stage::decay);
    if (stage_ == Stage::decay && (elapsed_ >= e.decay || level_ <= sustainOf(e)))
        enter(Stage::sustain);
}

/// How long the present stage goes on, at most `most` and at least one frame.
int EnvelopeRun::framesOfStage(const Envelope& e, int most) const noexcept
{
    double seconds = most * perFrame_;
    if (stage_ == Stage::delay)
        seconds = e.delay - elapsed_;
    else if (stage_ == Stage::attack)
        seconds = (1.0 - level_) * e.attack;
    else if (stage_ == Stage::hold)
        seconds = e.hold - elapsed_;
    else if (stage_ == Stage::decay)
        seconds = e.decay - elapsed_;
    return intIn(std::ceil(seconds / perFrame_ - 1e-6), 1, most);
}

double EnvelopeRun::levelAfter(const Envelope& e, int frames) noexcept
{
    const double seconds = frames * perFrame_;
    switch (stage_) {
    case Stage::attack:
        return std::min(1.0, level_ + seconds / e.attack);
    case Stage::decay:
        return level_ * std::exp2(e.sustainDb * 0.16609640474436813 * seconds / e.decay);
    case Stage::sustain:
        // A turned sustain level arrives within about 10 ms.
        if (std::abs(sustainOf(e) - level_) < 1e-7)
            return sustainOf(e);
        return level_ + (1.0 - std::exp(-seconds / 0.004)) * (sustainOf(e) - level_);
    case Stage::release:
        // ln(1000) / release: 60 dB in the release time.
        return level_ * std::exp(-6.907755 * seconds / e.release);
    case Stage::finished:
        return 0.0;
    case Stage::delay:
    case Stage::hold:
        break;
    }
    return level_;
}

int EnvelopeRun::goOn(const Envelope& envelope, int most) noexcept
{
    constexpr int straight = 32;
    const int count = framesOfStage(envelope, std::min(straight, most));
    level_ = levelAfter(envelope, count);
    elapsed_ += count * perFrame_;
    if (stage_ == Stage::release && level_ < silent)
        enter(Stage::finished);
    return count;
}

void EnvelopeRun::run(const Envelope& envelope, float* gains, int frames) noexcept
{
    if (stage_ == Stage::sustain && level_ == sustainOf(envelope)) {
        std::fill(gains, gains + frames, float(level_));
        return;
    }
    for (int done = 0; done < frames;) {
        passEmptyStages(envelope); // an attack of no length begins at its end
        const double before = level_;
        const int count = goOn(envelope, frames - done);
        const double step = (level_ - before) / count;
        for (int i = 0; i < count; ++i)
            gains[done + i] = float(before + step * i);
        done += count;
    }
    if (stage_ == Stage::finished)
        level_ = 0.0;
}

void EnvelopeRun::advance(const Envelope& envelope, int frames) noexcept
{
    if (stage_ == Stage::sustain && level_ == sustainOf(envelope))
        return;
    for (int done = 0; done < frames;) {
        passEmptyStages(envelope);
        done += goOn(envelope, frames - done);
    }
    if (stage_ == Stage::finished)
        level_ = 0.0;
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
