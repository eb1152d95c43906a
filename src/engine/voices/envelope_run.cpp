// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/voices/envelope_run.h"

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

void EnvelopeRun::start(const Envelope& envelope, double rate, double slower) noexcept
{
    perFrame_ = 1.0 / (rate * slower);
    pace_ = {};
    level_ = 0.0;
    enter(Stage::delay);
    passEmptyStages(envelope);
}

void EnvelopeRun::release() noexcept
{
    releaseFrom(level_);
}

void EnvelopeRun::releaseFrom(double level) noexcept
{
    if (released())
        return;
    level_ = level;
    releasedAt_ = std::max(level, 1e-9);
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
    if (stage_ == Stage::attack && e.attack <= secondsPerFrame())
        level_ = 1.0;
    if (stage_ == Stage::attack && level_ >= 1.0)
        enter(Stage::hold);
    if (stage_ == Stage::hold && elapsed_ >= e.hold)
        enter(Stage::decay);
    if (stage_ == Stage::decay && (elapsed_ >= e.decay || level_ <= sustainOf(e)))
        enter(Stage::sustain);
}

double EnvelopeRun::secondsPerFrame() const noexcept
{
    switch (stage_) {
    case Stage::attack:
        return perFrame_ / pace_.attack;
    case Stage::decay:
        return perFrame_ / pace_.decay;
    case Stage::release:
        return perFrame_ / pace_.release;
    default:
        return perFrame_;
    }
}

/// How long the present stage goes on, at most `most` and at least one frame.
int EnvelopeRun::framesOfStage(const Envelope& e, int most) const noexcept
{
    constexpr double pieces = 64.0; // straight ones, of a curve
    const double step = secondsPerFrame();
    double seconds = most * step;
    const auto bend = [&](double curve, double stage) {
        if (curve != 0.0)
            seconds = std::min(seconds, std::max(step, stage / pieces));
    };
    if (stage_ == Stage::delay) {
        seconds = e.delay - elapsed_;
    } else if (stage_ == Stage::attack) {
        seconds = (1.0 - slopeShare(e.attackCurve, level_)) * e.attack;
        bend(e.attackCurve, e.attack);
    } else if (stage_ == Stage::hold) {
        seconds = e.hold - elapsed_;
    } else if (stage_ == Stage::decay) {
        seconds = e.decay - elapsed_;
        bend(e.decayCurve, e.decay);
    } else if (stage_ == Stage::release) {
        bend(e.releaseCurve, e.release);
    }
    return intIn(std::ceil(seconds / step - 1e-6), 1, most);
}

/// The first 60 dB take the release time, along their curve; what is left goes on evenly.
double EnvelopeRun::releaseAfter(const Envelope& e, double seconds) const noexcept
{
    // ln(1000) / release: 60 dB in the release time.
    constexpr double all = 6.907755;
    const double gone =
        e.releaseCurve == 0.0 ? 1.0 : std::log(releasedAt_ / std::max(level_, 1e-12)) / all;
    if (gone >= 1.0)
        return level_ * std::exp(-all * seconds / e.release);
    const double share = slopeShare(e.releaseCurve, std::max(0.0, gone)) + seconds / e.release;
    return releasedAt_ * std::exp(-all * slopeAt(e.releaseCurve, std::min(1.0, share)));
}

double EnvelopeRun::levelAfter(const Envelope& e, int frames) noexcept
{
    const double seconds = frames * secondsPerFrame();
    switch (stage_) {
    case Stage::attack:
        return slopeAt(
            e.attackCurve, std::min(1.0, slopeShare(e.attackCurve, level_) + seconds / e.attack));
    case Stage::decay: {
        const double fall = e.sustainDb * 0.16609640474436813; // octaves of gain
        if (e.decayCurve == 0.0 || fall == 0.0)
            return level_ * std::exp2(fall * seconds / e.decay);
        const double gone = std::clamp(std::log2(std::max(level_, 1e-9)) / fall, 0.0, 1.0);
        const double share = slopeShare(e.decayCurve, gone) + seconds / e.decay;
        return std::exp2(fall * slopeAt(e.decayCurve, std::min(1.0, share)));
    }
    case Stage::sustain:
        // A turned sustain level arrives within about 10 ms.
        if (std::abs(sustainOf(e) - level_) < 1e-7)
            return sustainOf(e);
        return level_ + (1.0 - std::exp(-seconds / 0.004)) * (sustainOf(e) - level_);
    case Stage::release:
        return releaseAfter(e, seconds);
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
    elapsed_ += count * secondsPerFrame();
    if (stage_ == Stage::release && level_ < silent)
        enter(Stage::finished);
    return count;
}

void EnvelopeRun::run(const Envelope& envelope, float* gains, int frames) noexcept
{
    if (stands(envelope)) {
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
    if (stands(envelope))
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
        return slopeAt(e.attackCurve, inAttack / e.attack);
    const double inDecay = inAttack - e.attack - e.hold;
    if (inDecay <= 0.0)
        return 1.0;
    if (inDecay < e.decay)
        return std::exp2(
            e.sustainDb * 0.16609640474436813 * slopeAt(e.decayCurve, inDecay / e.decay));
    return sustainGain(e);
}

double releaseGain(const Envelope& e, double seconds)
{
    const double share = seconds / e.release;
    return std::pow(0.001, share < 1.0 ? slopeAt(e.releaseCurve, share) : share);
}

} // namespace puretone
