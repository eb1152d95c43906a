// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/program.h"

#include "audio/interpolation.h"
#include "engine/prepared.h"

namespace puretone {

namespace {

std::int64_t gridBelow(std::int64_t frame)
{
    return std::max<std::int64_t>(0, frame) / copyGrid * copyGrid;
}

/// How far, in frames of the recording, the filters of the narrowest copy see.
std::int64_t filterReach(double fastest)
{
    return std::int64_t(480.0 * std::max(1.0, std::ceil(fastest)));
}

/// What is copied: everything of a short recording, so that trimming and looping stay cheap; of a
/// long one only what is played, with room to move.
Span copiedSpan(const Take& take)
{
    const auto frames = take.audio().frames();
    const auto room = std::int64_t(2.0 * take.rate());
    if (frames <= std::int64_t(60.0 * take.rate()))
        return {Frames{0}, Frames{frames}};
    const Span played = playedPart(take);
    return {Frames{gridBelow(played.start.value - room)},
        Frames{std::min(frames, played.end.value + room)}};
}

bool covers(const BandCopies& copies, const Take& take)
{
    const Span played = playedPart(take);
    return copies.first() <= played.start.value && copies.end() >= played.end.value;
}

/// The stretch around the seam: recording up to the loop, one baked turn, what follows when it goes
/// round, and what follows when it does not.
std::shared_ptr<const BandCopies> loopedCopies(
    const Take& take, const BakedLoop& baked, std::int64_t from, std::int64_t guard, double fastest)
{
    const Audio& audio = take.audio();
    const auto frames = baked.turn.frames();
    const bool leaves = take.loop.mode == LoopMode::untilRelease;
    const auto leaving = leaves ? leavingPart(take, baked, guard) : Audio{};
    Audio stretch{audio.rate, {}};
    for (std::size_t c = 0; c < audio.channelCount(); ++c) {
        std::vector<float> channel(audio.channels[c].begin() + from,
            audio.channels[c].begin() + std::max(from, baked.from));
        const auto& turn = baked.turn.channels[c];
        for (auto i = std::max<std::int64_t>(0, from - baked.from); i < frames + guard; ++i)
            channel.push_back(turn[std::size_t(i % frames)]);
        if (leaving.frames() > guard)
            channel.insert(
                channel.end(), leaving.channels[c].begin() + guard, leaving.channels[c].end());
        stretch.channels.push_back(std::move(channel));
    }
    return std::make_shared<const BandCopies>(stretch, from, fastest);
}

/// Fills in what a voice needs to go round.
void addLoop(const Take& take, double fastest, ZoneSound& sound)
{
    const auto baked = bakeLoop(take.audio(), take.loop);
    const auto reach = filterReach(fastest);
    const auto from = gridBelow(baked.from + baked.changed - 2 * reach);
    sound.looped = loopedCopies(take, baked, from, 2 * reach, fastest);
    // Where the stretch begins inside the recording its first frames are spoilt by the cut.
    sound.loopedFrom = from == 0 ? 0.0 : double(from + reach);
    sound.loopLength = double(baked.turn.frames());
    sound.loopEnd = double(baked.from + baked.turn.frames());
    sound.wrapAt = sound.loopEnd + double(reach);
    sound.loop = take.loop;
    if (take.loop.mode == LoopMode::untilRelease)
        sound.end = std::max(sound.wrapAt, double(sound.looped->end()));
}

bool soundsAlike(const Take& a, const Take& b)
{
    return a.sound() == b.sound() && a.kept == b.kept && a.fades == b.fades && a.loop == b.loop;
}

} // namespace

std::shared_ptr<const BandCopies> Compiler::recordedCopies(const Take& take, double fastest)
{
    const auto& audio = take.sound();
    for (auto& known : recorded_)
        if (known.audio == audio) {
            if (!known.copies->serves(fastest) || !covers(*known.copies, take)) {
                const Span span = copiedSpan(take);
                known.copies = std::make_shared<const BandCopies>(
                    cut(*audio, span), span.start.value, fastest);
            }
            return known.copies;
        }
    const Span span = copiedSpan(take);
    recorded_.push_back(
        {audio, std::make_shared<const BandCopies>(cut(*audio, span), span.start.value, fastest)});
    return recorded_.back().copies;
}

std::shared_ptr<const ZoneSound> Compiler::soundOf(const Take& take, double fastest)
{
    for (const auto& known : known_)
        if (soundsAlike(known.take, take) && known.fastest >= fastest)
            return known.sound;
    auto sound = std::make_shared<ZoneSound>();
    sound->recorded = recordedCopies(take, fastest);
    sound->rate = take.rate();
    sound->start = double(take.kept.start.value);
    sound->end = double(playedPart(take).end.value);
    sound->fades = fadePlan(take);
    sound->mode = playedMode(take);
    if (take.loop.repeats())
        addLoop(take, fastest, *sound);
    known_.push_back({take, fastest, sound});
    return sound;
}

std::unique_ptr<const Program> Compiler::compile(const Instrument& instrument, double rate)
{
    InterpolationKernel::shared();
    auto program = std::make_unique<Program>();
    program->envelope = instrument.envelope;
    for (const auto& zone : instrument.zones) {
        const Take* take = instrument.take(zone.take);
        if (take == nullptr)
            continue;
        const double midi = take->tuning.keyMidi();
        // Two semitones more than the highest key: the reach of the pitch wheel.
        const double needed = std::exp2((zone.highKey + 2.0 - midi) / 12.0) * take->rate() / rate;
        const double fastest = std::clamp(needed, 1.0, double(bandwidths.back().denominator));
        ProgramZone made{zone.id, zone.take, zone.lowKey, zone.highKey, zone.lowVelocity,
            zone.highVelocity, midi, soundOf(*take, fastest)};
        program->zones.push_back(std::move(made));
    }
    // Keep what this document uses; a step back is quick to make again.
    std::erase_if(known_, [&](const Known& known) {
        return std::none_of(program->zones.begin(), program->zones.end(),
            [&](const ProgramZone& z) { return z.sound == known.sound; });
    });
    std::erase_if(recorded_, [&](const Recorded& known) {
        return std::none_of(instrument.takes.begin(), instrument.takes.end(),
            [&](const Take& t) { return t.sound() == known.audio; });
    });
    return program;
}

} // namespace puretone
