// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/formats.h"

namespace puretone {

Take finishedTake(int id, const std::string& name, RecordingPtr recording, double midi,
    std::optional<Span> loop, LoopMode mode)
{
    Take take;
    take.id = id;
    take.name = name;
    take.kept = {Frames{0}, Frames{recording->audio->frames()}};
    take.recording = std::move(recording);
    take.fades = {0.0, 0.0};
    take.tuning = Tuning::forPitch(midi, TuningSource::fromFile);
    take.loop.mode = mode;
    if (loop && loop->start.value >= 0 && loop->end.value <= take.kept.end.value
        && loop->length() >= shortestLoop) {
        take.loop.on = true;
        take.loop.span = *loop;
        // The crossfade is in the samples already.
        take.loop.crossfade = Frames{0};
    }
    return take;
}

namespace {

std::string compareAudio(const Audio& wanted, const Audio& got, int bits)
{
    if (wanted.channelCount() != got.channelCount())
        return "the channels";
    if (wanted.frames() > got.frames())
        return "the length";
    // Half a step is rounding; a full one allows for full scale, which is not symmetric.
    const double step = bits >= 32 ? 1e-6 : 1.01 / double(1 << (bits - 1));
    for (std::size_t c = 0; c < wanted.channelCount(); ++c)
        for (std::size_t i = 0; i < wanted.channels[c].size(); ++i) {
            const double limited = std::clamp(double(wanted.channels[c][i]), -1.0, 1.0);
            const double want = bits >= 32 ? double(wanted.channels[c][i]) : limited;
            if (std::abs(want - double(got.channels[c][i])) > step)
                return "the sound";
        }
    return {};
}

/// Times to a hundredth (SF2 counts in 1200ths of an octave and knows nothing under a millisecond),
/// the sustain to a tenth of a dB; what a format has no room for is not held against it.
std::string compareEnvelope(const Envelope& want, const Envelope& got, bool keepsRelease)
{
    constexpr double longest = 100.0, longestWait = 18.0; // seconds, of SF2
    const auto differs = [](double a, double b) { return std::abs(a - b) > 0.002 + 0.01 * a; };
    const double fall = -std::max(want.sustainDb, silentSustainDb);
    const bool decays = fall > 0.5 && want.decay * 100.0 / fall < longest;
    const bool releases = keepsRelease && want.release * 100.0 / 60.0 < longest;
    const bool same = !differs(std::min(want.delay, longestWait), got.delay)
        && !differs(std::min(want.attack, longest), got.attack)
        && !differs(std::min(want.hold, longestWait), got.hold)
        && std::abs(fall + std::max(got.sustainDb, silentSustainDb)) < 0.15
        && !(decays && differs(want.decay, got.decay))
        && !(releases && differs(want.release, got.release));
    return same ? std::string{} : "the envelope";
}

} // namespace

std::string envelopeDifference(const Instrument& original, const Instrument& readBack)
{
    // Takes that end by themselves are written with a release of their own kind.
    const bool keepsRelease =
        std::all_of(original.takes.begin(), original.takes.end(), [](const Take& take) {
            return take.loop.repeats() && take.loop.mode != LoopMode::untilRelease;
        });
    return compareEnvelope(original.envelope, readBack.envelope, keepsRelease);
}

std::string difference(
    const Instrument& original, const Instrument& readBack, int bits, double cents)
{
    if (original.zones.size() != readBack.zones.size())
        return "the number of zones";
    for (std::size_t i = 0; i < original.zones.size(); ++i) {
        const Zone& want = original.zones[i];
        const Zone& got = readBack.zones[i];
        if (want.lowKey != got.lowKey || want.highKey != got.highKey
            || want.lowVelocity != got.lowVelocity || want.highVelocity != got.highVelocity)
            return "the key range";
        const Take* take = original.take(want.take);
        const Take* other = readBack.take(got.take);
        if (take == nullptr || other == nullptr)
            return "the takes";
        const auto prepared = prepareTake(*take);
        if (std::abs(prepared.midi - other->tuning.keyMidi()) * 100.0 > cents)
            return "the tuning";
        if (modeInFiles(prepared.mode) != playedMode(*other))
            return "the way the loop goes";
        if (prepared.loop.has_value() != other->loop.on
            || (prepared.loop && *prepared.loop != other->loop.span))
            return "the loop";
        if (auto what = compareAudio(prepared.audio, other->audio(), bits); !what.empty())
            return what;
    }
    return {};
}

} // namespace puretone
