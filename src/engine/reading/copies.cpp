// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/reading/copies.h"

#include "audio/signal/resample.h"

#include <algorithm>
#include <cmath>

namespace puretone {

int octavesFor(double fastest) noexcept
{
    int octaves = 0;
    while (octaves < mostOctaves && fastest > KernelLadder::fastest * std::exp2(octaves))
        ++octaves;
    return octaves;
}

SoundCopies::SoundCopies(AudioPtr sound, std::int64_t first, Span copied, double fastest)
    : sound_(std::move(sound))
    , first_(first)
    , copied_(copied)
{
    // Of whole frames in every copy.
    const int wanted = octavesFor(fastest);
    const std::int64_t grid = std::int64_t(1) << wanted;
    copied_.start.value = first + (copied_.start.value - first) / grid * grid;
    for (int octave = 1; octave <= wanted; ++octave) {
        Audio narrow{sound_->rate / std::exp2(octave), {}};
        for (std::size_t c = 0; c < std::min<std::size_t>(2, sound_->channelCount()); ++c) {
            std::span<const float> wide;
            if (octave == 1)
                wide = std::span<const float>(sound_->channels[c])
                           .subspan(std::size_t(copied_.start.value - first),
                               std::size_t(copied_.length()));
            else
                wide = octaves_.back().channels[c];
            narrow.channels.push_back(resample(wide, 2.0, 1.0));
        }
        octaves_.push_back(std::move(narrow));
    }
}

bool SoundCopies::covers(Span span) const
{
    return octaves_.empty()
        || (copied_.start.value <= span.start.value && copied_.end.value >= span.end.value);
}

CopyView SoundCopies::copy(int octave) const noexcept
{
    const Audio& audio = octave == 0 ? *sound_ : octaves_[std::size_t(octave - 1)];
    return {audio.channels[0].data(),
        audio.channels.size() > 1 ? audio.channels[1].data() : nullptr, audio.frames()};
}

double SoundCopies::placeIn(int octave, double position) const noexcept
{
    return octave == 0 ? position - double(first_)
                       : std::ldexp(position - double(copied_.start.value), -octave);
}

std::size_t SoundCopies::bytesOfOctaves() const
{
    std::size_t sum = 0;
    for (const auto& octave : octaves_)
        for (const auto& channel : octave.channels)
            sum += channel.size() * sizeof(float);
    return sum;
}

} // namespace puretone
