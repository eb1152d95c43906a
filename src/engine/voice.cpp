// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/voice.h"

#include "audio/interpolation.h"
#include "base/in_range.h"

namespace puretone {

namespace {

constexpr double againSeconds = 0.03; ///< Fade between one hearing of the joint and the next.

} // namespace

void Voice::start(const Program& program, const ProgramZone& zone, int key, int velocity,
    double rate, std::uint64_t age, NoteEntry entry) noexcept
{
    program_ = &program;
    zone_ = &zone;
    key_ = key;
    age_ = age;
    rate_ = rate;
    position_ = zone.sound->start;
    speedSemitones_ = key - zone.midi;
    wentRound_ = false;
    letGo_ = false;
    againFrames_ = travelled_ = 0.0;
    fadesToGoAgain_ = false;
    const ZoneSound& sound = *zone.sound;
    if (entry != NoteEntry::beginning && sound.loops()) {
        position_ = sound.loopEnd - sound.loopLength;
        if (entry == NoteEntry::beforeJoint) {
            againFrames_ = 1.0;
            placeAgain();
            position_ = againFrom_;
        }
        wentRound_ = true; // no fade in
    }
    sustained = false;
    // The square law that SoundFont and SFZ players use: half the velocity is 12 dB less.
    gain_ = (velocity / 127.0) * (velocity / 127.0);
    ramp_ = 1.0;
    rampStep_ = 0.0;
    envelope_.start(rate);
}

void Voice::fadeAway(double seconds) noexcept
{
    rampStep_ = -1.0 / (seconds * rate_);
    fadesToGoAgain_ = false;
}

/// Half a second is enough to hear what leads to the joint, and as much what follows.
void Voice::placeAgain() noexcept
{
    const ZoneSound& sound = *zone_->sound;
    if (againFrames_ == 0.0 || !sound.loops())
        return;
    const double before = std::min(0.5 * sound.rate, sound.loopLength);
    againFrom_ = sound.loopEnd - before;
    againFrames_ = 2.0 * before;
}

void Voice::goAgain() noexcept
{
    position_ = againFrom_;
    travelled_ = 0.0;
    ramp_ = 0.0;
    rampStep_ = 1.0 / (againSeconds * rate_);
}

void Voice::moveTo(const Program& program, const ProgramZone& zone, double seconds) noexcept
{
    // A turn may be longer than the recording; where nothing goes round any more, the note goes on
    // from the place that was heard.
    if (!zone.sound->loops())
        position_ = position();
    program_ = &program;
    zone_ = &zone;
    position_ = std::max(position_, zone.sound->start);
    // A key that was let go while the sound would have ended by itself.
    if (letGo_ && !zone.sound->endsItself())
        envelope_.release();
    placeAgain(); // where the joint is now
    wrap();
    ramp_ = 0.0;
    rampStep_ = 1.0 / (seconds * rate_);
    fadesToGoAgain_ = false;
}

void Voice::keepIn(const Program& program, const ProgramZone& zone) noexcept
{
    program_ = &program;
    zone_ = &zone;
}

void Voice::wrap() noexcept
{
    const ZoneSound& sound = *zone_->sound;
    if (!sound.loops() || position_ < sound.wrapAt || leavesLoop())
        return;
    wentRound_ = true;
    position_ -=
        sound.loopLength * (std::floor((position_ - sound.wrapAt) / sound.loopLength) + 1.0);
}

int Voice::readStretch(float* left, float* right, int frames, double speed) noexcept
{
    const ZoneSound& sound = *zone_->sound;
    const bool inLooped = sound.loops() && position_ >= sound.loopedFrom;
    const BandCopies& copies = inLooped ? *sound.looped : *sound.recorded;
    // Up to where this copy is right: the change of copies, the wrap, or the end.
    const double limit = !inLooped ? (sound.loops() ? sound.loopedFrom : sound.end)
        : leavesLoop()             ? sound.end
                                   : sound.wrapAt;
    // Many octaves down a long take lasts for more frames than an int counts.
    const int count = intIn(std::ceil((limit - position_) / speed), 1, frames);
    const BandCopy& copy = copies.copyFor(speed);
    const auto& kernel = InterpolationKernel::shared();
    const float* first = copy.channels[0].data();
    const float* second = copy.channels.size() > 1 ? copy.channels[1].data() : nullptr;
    const double origin = double(BandCopies::margin);
    double place = (position_ - double(copies.first())) * copy.framesPerFrame + origin;
    const double step = speed * copy.framesPerFrame;
    const double last = double(copy.channels[0].size()) - double(InterpolationKernel::taps);
    InterpolationKernel::Row row;
    for (int i = 0; i < count; ++i, place += step) {
        const double inside = std::clamp(place, double(InterpolationKernel::before), last);
        const auto whole = std::size_t(inside);
        kernel.weights(inside - double(whole), row);
        const auto at = whole - InterpolationKernel::before;
        left[i] = InterpolationKernel::dot(row, first + at);
        right[i] = second != nullptr ? InterpolationKernel::dot(row, second + at) : left[i];
    }
    if (!wentRound_ && (position_ < sound.fades.inEnd || !sound.loops()))
        for (int i = 0; i < count; ++i) {
            const float fade = sound.fades.at(position_ + i * speed);
            left[i] *= fade;
            right[i] *= fade;
        }
    position_ += count * speed;
    return count;
}

void Voice::readFrames(float* left, float* right, int frames, double speed) noexcept
{
    int done = 0;
    while (done < frames) {
        wrap();
        if (atEnd()) {
            std::fill(left + done, left + frames, 0.0f);
            std::fill(right + done, right + frames, 0.0f);
            return;
        }
        done += readStretch(left + done, right + done, frames - done, speed);
    }
}

void Voice::render(float* left, float* right, int frames, double bend) noexcept
{
    float l[blockFrames], r[blockFrames], gains[blockFrames];
    const double wanted = key_ - zone_->midi;
    // A turned tuning glides in within a few blocks instead of stepping.
    speedSemitones_ += std::abs(wanted - speedSemitones_) < 1e-4 ? wanted - speedSemitones_
                                                                 : 0.3 * (wanted - speedSemitones_);
    const double speed = std::exp2((speedSemitones_ + bend) / 12.0) * zone_->sound->rate / rate_;
    readFrames(l, r, frames, speed);
    travelled_ += speed * frames;
    if (againFrames_ > 0.0 && travelled_ >= againFrames_ && rampStep_ == 0.0) {
        fadeAway(againSeconds);
        fadesToGoAgain_ = true;
    }
    envelope_.run(program_->envelope, gains, frames);
    for (int i = 0; i < frames; ++i) {
        const auto g = float(double(gains[i]) * gain_ * ramp_);
        left[i] += g * l[i];
        right[i] += g * r[i];
        if (rampStep_ != 0.0) {
            ramp_ += rampStep_;
            if (ramp_ >= 1.0) {
                ramp_ = 1.0;
                rampStep_ = 0.0;
            } else if (ramp_ <= 0.0) {
                if (fadesToGoAgain_ && !letGo_) {
                    goAgain();
                    break;
                }
                stop();
                return;
            }
        }
    }
    if (envelope_.finished() || atEnd())
        stop();
}

} // namespace puretone
