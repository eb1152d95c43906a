// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/playing/tempo_run.h"

#include "model/instrument/pattern.h"

#include <algorithm>
#include <cmath>

namespace puretone {

namespace {

/// A clock slower than any tempo that we have is one that has stopped.
constexpr double longestTick = 60.0 / slowestTempo / TempoRun::ticksPerBeat * 1.5; // seconds

} // namespace

void TempoRun::reset(double rate) noexcept
{
    const bool follows = follows_;
    const double own = own_;
    *this = TempoRun();
    rate_ = rate;
    follows_ = follows;
    own_ = own;
    perFrame_ = own_ / rate_;
}

void TempoRun::setFollowing(bool follows) noexcept
{
    if (follows != follows_)
        known_ = 0;
    follows_ = follows;
}

void TempoRun::tick(double frame) noexcept
{
    if (!follows_)
        return;
    if (counts_)
        ++ticks_;
    if (known_ > 0) {
        const double since = frame - times_[0];
        // A leap: what came before says nothing any more.
        const double usual =
            known_ > 1 ? (times_[0] - times_[known_ - 1]) / double(known_ - 1) : 0.0;
        if (since > longestTick * rate_ || (known_ > 8 && since > 3.0 * usual))
            known_ = 0;
    }
    std::copy_backward(times_.begin(), times_.end() - 1, times_.end());
    times_[0] = frame;
    known_ = std::min(known_ + 1, remembered);
    // The first tick of a song that begins or goes on says where it is, to the frame.
    if (counts_ && std::exchange(placed_, false))
        leapTo(double(ticks_ - 1) / ticksPerBeat - perFrame_ * (frame - double(frame_)));
    if (known_ < 2)
        return;
    // Ticks are late by chance, each on its own: a line through all of them.
    const double middle = (double(known_) - 1.0) / 2.0;
    double mean = 0.0, product = 0.0, square = 0.0;
    for (std::size_t i = 0; i < known_; ++i)
        mean += (times_[i] - frame) / double(known_);
    for (std::size_t i = 0; i < known_; ++i) {
        product += (double(i) - middle) * (times_[i] - frame - mean);
        square += (double(i) - middle) * (double(i) - middle);
    }
    const double apart = -product / square; // frames between ticks
    if (apart > 0.0)
        clock_ = std::clamp(rate_ / apart / ticksPerBeat, slowestTempo / 60.0, fastestTempo / 60.0);
}

double TempoRun::perSecond() const noexcept
{
    return follows_ && clock_ > 0.0 ? clock_ : own_;
}

void TempoRun::beginCell(int frames) noexcept
{
    beat_ += perFrame_ * frames;
    frame_ += frames;
    double beats = perSecond();
    if (followsNow() && counts_) {
        // Where the other player is now; we are there within a fifth of a second, without a leap
        // unless it has leapt.
        const double theirs =
            double(ticks_ - 1) / ticksPerBeat + (double(frame_) - times_[0]) / rate_ * clock_;
        const double late = theirs - beat_;
        if (std::abs(late) > 0.5)
            leapTo(theirs);
        else
            beats = std::max(0.1 * beats, beats + late / 0.2);
    }
    perFrame_ = beats / rate_;
}

} // namespace puretone
