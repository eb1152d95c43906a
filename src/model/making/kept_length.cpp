// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/making/kept_length.h"

#include "base/threads/all_cores.h"
#include "loop/joint/bake.h"
#include "loop/search/finder.h"
#include "prepare/treat/shift_pitch.h"

#include <algorithm>
#include <atomic>
#include <mutex>
#include <set>

namespace puretone {

namespace {

/// Everything of a short sound, so that trimming and looping stay cheap; of a long one what is
/// played, with room for crossfades and for the filters of the playing.
Span movedSpan(const Take& take)
{
    constexpr double shortSeconds = 20.0, roomSeconds = 1.0;
    const auto frames = take.audio().frames();
    if (double(frames) <= shortSeconds * take.rate())
        return {Frames{0}, Frames{frames}};
    const auto room = toFrames(roomSeconds, take.rate()).value;
    Span span = playedPart(take);
    if (take.loop.repeats())
        span.start.value =
            std::min(span.start.value, take.loop.span.start.value - take.loop.crossfade.value);
    return {Frames{std::max<std::int64_t>(0, span.start.value - room)},
        Frames{std::min(frames, span.end.value + room)}};
}

bool sameSound(const Take& a, const Take& b)
{
    return a.sound() == b.sound();
}

bool playsAlike(const Take& a, const Take& b)
{
    return sameSound(a, b) && a.kept == b.kept && a.fades == b.fades && a.loop == b.loop;
}

/// What goes into the moving: the stretch of the take's sound and, where it goes round for ever,
/// some rounds of it, so that the moved sound has a past and a future on both sides of its joint.
struct Material {
    Audio audio;
    std::int64_t from = 0;
    Loop loop; ///< As a place in `audio`.
    std::int64_t keptEnd = 0;
};

Material plainSource(const Take& take)
{
    const Span span = movedSpan(take);
    Material source{cut(take.audio(), span), span.start.value, take.loop, 0};
    source.loop.span.start.value -= span.start.value;
    source.loop.span.end.value -= span.start.value;
    source.keptEnd = std::min(source.audio.frames(), take.kept.end.value - span.start.value);
    return source;
}

Material unrolledSource(const Take& take)
{
    // A joint that comes back sooner would be heard as a tone of its own.
    constexpr double shortestSeconds = 0.25, futureSeconds = 1.5;
    const auto baked = bakeLoop(take.audio(), take.loop);
    const auto round = std::max<std::int64_t>(1, baked.turn.frames());
    const auto least = toFrames(shortestSeconds, take.rate()).value;
    const auto rounds = std::max<std::int64_t>(1, (least + round - 1) / round);
    const auto future = toFrames(futureSeconds, take.rate()).value;
    Material source;
    source.from = std::min(movedSpan(take).start.value, baked.from);
    source.audio.rate = take.rate();
    const auto length = baked.from - source.from + rounds * round + future;
    for (std::size_t c = 0; c < take.audio().channelCount(); ++c) {
        const auto& recorded = take.audio().channels[c];
        const auto& turn = baked.turn.channels[c];
        std::vector<float> channel(recorded.begin() + source.from, recorded.begin() + baked.from);
        channel.reserve(std::size_t(length));
        for (std::int64_t i = 0; std::int64_t(channel.size()) < length; ++i)
            channel.push_back(turn[std::size_t(i % round)]);
        source.audio.channels.push_back(std::move(channel));
    }
    source.loop.on = true;
    const auto start = baked.from - source.from;
    source.loop.span = Span{Frames{start}, Frames{start + rounds * round}};
    source.loop.crossfade = take.loop.crossfade;
    source.loop.curve = take.loop.curve;
    source.loop = clampLoop(source.loop, source.audio.frames());
    source.keptEnd = source.audio.frames();
    return source;
}

bool unrolls(const Take& take)
{
    return take.loop.repeats() && take.loop.mode != LoopMode::untilRelease;
}

/// The loop where the moved sound meets itself: its ends are of one pitch, whose period is another
/// now.
Loop fitted(const Audio& audio, const Material& source, std::optional<double> period,
    const Progress& progress)
{
    const Span kept{Frames{0}, Frames{source.keptEnd}};
    const auto near = loopNear(audio, kept, source.loop.span, source.loop, period, true);
    if (near.cost <= 1.0)
        return near.loop;
    auto best = loopNear(audio, kept, source.loop.span, source.loop, period);
    if (near.cost < best.cost)
        best = near;
    if (best.cost <= 1.0 || source.loop.mode != LoopMode::forward)
        return best.loop;
    // Moving leaves slow waves of its own in some sounds: another place among the rounds may do.
    LoopOptions options;
    options.anchors = 10;
    const Span rounds{source.loop.span.start, Frames{audio.frames()}};
    for (const auto& found : findLoops(audio, rounds, period, options, progress).candidates)
        if (found.loop.mode == LoopMode::forward && found.cost < best.cost)
            best = found;
    return best.loop;
}

} // namespace

bool canKeepLength(const Take& take)
{
    return double(playedPart(take).length()) <= longestKeptSeconds * take.rate();
}

KeptWish keptWish(const Layer& layer, const Take& take, int key)
{
    return {take.id, 12.0 * layer.octave + (key - take.tuning.rootKey) * layer.follow,
        layer.keepsFormants};
}

std::shared_ptr<const KeptKey> makeKept(const Take& take, double semitones, bool formants,
    const Progress& progress, const KeptKey* known, const PitchMover& mover)
{
    const Material source = unrolls(take) ? unrolledSource(take) : plainSource(take);
    auto made = std::make_shared<KeptKey>();
    made->take = take;
    made->take.facts.forget();
    made->from = source.from;
    // A loop is part of the sound that is moved.
    if (known != nullptr && !unrolls(take) && !unrolls(known->source) && known->from == source.from
        && known->take.audio().frames() == source.audio.frames())
        made->take.treated = known->take.treated;
    else
        made->take.treated.audio = (mover ? mover : PitchMover(shiftPitch))(
            source.audio, semitones, formants, progress.part(0.0, 0.9));
    if (!made->take.treated.audio)
        return nullptr;
    made->source = take;
    made->take.kept = {Frames{std::max<std::int64_t>(0, take.kept.start.value - source.from)},
        Frames{source.keptEnd}};
    made->take.loop = source.loop;
    if (take.hasInnerStart())
        made->take.innerStart = Frames{take.innerStart.value - source.from};
    std::optional<double> period = take.period();
    if (period)
        *period /= std::exp2(semitones / 12.0);
    if (take.loop.repeats())
        made->take.loop = fitted(made->take.audio(), source, period, progress.part(0.9, 1.0));
    made->take.loop.on = take.loop.on;
    return made;
}

std::shared_ptr<const KeptKey> KeptLengths::find(const Take& take, const KeptWish& wish) const
{
    const auto found = entries_.find(wish);
    return found != entries_.end() && playsAlike(found->second->source, take) ? found->second
                                                                              : nullptr;
}

std::shared_ptr<const KeptKey> KeptLengths::alike(const Take& take, const KeptWish& wish) const
{
    const auto found = entries_.find(wish);
    return found != entries_.end() && sameSound(found->second->source, take) ? found->second
                                                                             : nullptr;
}

void KeptLengths::put(const KeptWish& wish, std::shared_ptr<const KeptKey> made)
{
    entries_[wish] = std::move(made);
}

void KeptLengths::keepFor(const Instrument& instrument)
{
    const auto list = wantedLengths(instrument);
    const std::set<KeptWish> wanted(list.begin(), list.end());
    std::erase_if(entries_, [&](const auto& entry) {
        const Take* take = instrument.take(entry.first.take);
        return take == nullptr || !sameSound(*take, entry.second->source)
            || !wanted.contains(entry.first);
    });
}

std::uint64_t KeptLengths::bytes() const
{
    std::uint64_t sum = 0;
    for (const auto& [wish, made] : entries_)
        sum += made->bytes();
    return sum;
}

std::vector<KeptWish> wantedLengths(const Instrument& instrument)
{
    std::vector<KeptWish> wishes;
    for (const auto& layer : instrument.layers) {
        if (!layer.on || layer.manner != Manner::keepsLength)
            continue;
        for (const auto& zone : layer.zones) {
            const Take* take = instrument.take(zone.take);
            if (take == nullptr || !canKeepLength(*take))
                continue;
            for (int key = zone.lowKey; key <= zone.highKey; ++key)
                if (const auto wish = keptWish(layer, *take, key); std::abs(wish.semitones) <= 48.0)
                    wishes.push_back(wish);
        }
    }
    std::stable_sort(wishes.begin(), wishes.end(), [](const KeptWish& a, const KeptWish& b) {
        return std::abs(a.semitones) < std::abs(b.semitones);
    });
    std::set<KeptWish> seen;
    std::erase_if(wishes, [&](const KeptWish& wish) { return !seen.insert(wish).second; });
    return wishes;
}

std::vector<KeptWish> lackingLengths(const Instrument& instrument, const KeptLengths& made)
{
    auto wishes = wantedLengths(instrument);
    std::erase_if(wishes, [&](const KeptWish& wish) {
        return made.find(*instrument.take(wish.take), wish) != nullptr;
    });
    return wishes;
}

bool makeLengths(const Instrument& instrument, KeptLengths& made, const Progress& progress)
{
    const auto wishes = lackingLengths(instrument, made);
    std::mutex lock;
    std::atomic<std::size_t> done{0};
    onAllCores(wishes.size(), [&](std::size_t i) {
        if (progress.cancelled())
            return;
        const auto& wish = wishes[i];
        const Take& take = *instrument.take(wish.take);
        const auto known = [&] {
            const std::scoped_lock hold(lock);
            return made.alike(take, wish);
        }();
        auto key = makeKept(take, wish.semitones, wish.formants, {progress.stop, {}}, known.get());
        if (key) {
            const std::scoped_lock hold(lock);
            made.put(wish, std::move(key));
        }
        progress.at(double(++done) / double(wishes.size()));
    });
    return !progress.cancelled();
}

} // namespace puretone
