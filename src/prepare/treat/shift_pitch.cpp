// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/treat/shift_pitch.h"

#include <algorithm>
#include <cmath>
#include <rubberband/RubberBandStretcher.h>

namespace puretone {

namespace {

using RubberBand::RubberBandStretcher;
constexpr std::int64_t block = 4096;

/// Takes what is ready.
void drain(RubberBandStretcher& stretcher, Audio& out)
{
    std::vector<float*> to(out.channelCount());
    for (int ready = stretcher.available(); ready > 0; ready = stretcher.available()) {
        const auto from = std::size_t(out.frames());
        for (std::size_t c = 0; c < to.size(); ++c) {
            out.channels[c].resize(from + std::size_t(ready));
            to[c] = out.channels[c].data() + from;
        }
        stretcher.retrieve(to.data(), std::size_t(ready));
    }
}

/// Calls `each` with pointers to every block of the sound. False when cancelled.
template <class Each> bool inBlocks(const Audio& audio, const Progress& progress, Each each)
{
    std::vector<const float*> from(audio.channelCount());
    for (std::int64_t at = 0; at < audio.frames(); at += block) {
        if (progress.cancelled())
            return false;
        const auto count = std::min(block, audio.frames() - at);
        for (std::size_t c = 0; c < from.size(); ++c)
            from[c] = audio.channels[c].data() + at;
        each(from.data(), std::size_t(count), at + count == audio.frames());
        progress.at(double(at + count) / double(audio.frames()));
    }
    return true;
}

/// @param formantScale Of the colour, relative to the pitch; 0 to leave it to the library.
AudioPtr shifted(const Audio& audio, double semitones, bool keepsFormants, double formantScale,
    const Progress& progress)
{
    using Option = RubberBandStretcher::Option;
    // Two sides of one sound must not drift apart.
    RubberBandStretcher stretcher(std::size_t(std::llround(audio.rate)), audio.channelCount(),
        Option::OptionProcessOffline | Option::OptionEngineFiner | Option::OptionThreadingNever
            | Option::OptionChannelsTogether | Option::OptionPitchHighQuality
            | (keepsFormants ? Option::OptionFormantPreserved : Option::OptionFormantShifted));
    stretcher.setPitchScale(std::exp2(std::clamp(semitones, -48.0, 48.0) / 12.0));
    if (formantScale > 0.0)
        stretcher.setFormantScale(formantScale);
    stretcher.setExpectedInputDuration(std::size_t(audio.frames()));
    stretcher.setMaxProcessSize(std::size_t(block));
    auto out = std::make_shared<Audio>();
    out->rate = audio.rate;
    out->channels.resize(audio.channelCount());
    const bool whole = inBlocks(audio, progress.part(0.0, 0.1),
                           [&](const float* const* from, std::size_t count, bool last) {
                               stretcher.study(from, count, last);
                           })
        && inBlocks(audio, progress.part(0.1, 1.0),
            [&](const float* const* from, std::size_t count, bool last) {
                stretcher.process(from, count, last);
                drain(stretcher, *out);
            });
    if (!whole)
        return nullptr;
    drain(stretcher, *out);
    for (auto& channel : out->channels)
        channel.resize(std::size_t(audio.frames()));
    return out;
}

} // namespace

AudioPtr shiftPitch(
    const Audio& audio, double semitones, bool keepsFormants, const Progress& progress)
{
    return shifted(audio, semitones, keepsFormants, 0.0, progress);
}

AudioPtr shiftPitchAndFormants(
    const Audio& audio, double semitones, double formants, const Progress& progress)
{
    const double way = std::clamp(formants, -48.0, 48.0) - std::clamp(semitones, -48.0, 48.0);
    return shifted(audio, semitones, true, std::exp2(way / 12.0), progress);
}

} // namespace puretone
