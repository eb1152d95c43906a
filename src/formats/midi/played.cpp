// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/midi/played.h"

#include "audio/level.h"
#include "base/quantity.h"
#include "base/say.h"
#include "base/threads/all_cores.h"
#include "engine/offline/render.h"
#include "formats/formats.h"
#include "loop/joint/seam.h"
#include "model/making/printing.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <set>

namespace puretone {

namespace {

constexpr double rate = 48000.0;
constexpr double heldSeconds = 1.0;
constexpr int touch = 100;
constexpr std::size_t mostKeys = 16;

/// Roots of zones that sound when pressed, spread over all of them.
std::vector<int> keysOf(const Instrument& document)
{
    std::set<int> roots;
    for (const auto& layer : document.layers)
        for (const auto& zone : layer.zones)
            if (const Take* take = document.take(zone.take); layer.on && take != nullptr
                && layer.when == SoundsWhen::press && zone.lowVelocity <= touch
                && zone.highVelocity >= touch)
                roots.insert(std::clamp(take->tuning.rootKey, zone.lowKey, zone.highKey));
    const std::vector<int> all(roots.begin(), roots.end());
    if (all.size() <= mostKeys)
        return all;
    std::vector<int> spread;
    for (std::size_t i = 0; i < mostKeys; ++i)
        spread.push_back(all[i * (all.size() - 1) / (mostKeys - 1)]);
    return spread;
}

/// Only what plays the key: the rest may be a thousand times as much.
Instrument partFor(const Instrument& instrument, int key)
{
    Print print;
    print.plan.key = key;
    print.plan.touch = touch;
    for (const auto& layer : instrument.layers)
        if (layer.on)
            print.layers.push_back(layer.id);
    return printedPart(instrument, print);
}

Audio playedOn(const Instrument& instrument, int key)
{
    return renderEvents(instrument,
        {{0.0, MidiEvent::noteOn(key, touch)}, {heldSeconds, MidiEvent::noteOff(key)}}, rate, 0.2);
}

/// Frames by which `b` comes after `a` around a place, with the likeness of the two there, -1 to 1.
struct Lag {
    double frames = 0.0, likeness = 0.0;
};
/// @param near Where it is looked for, and `most` to either side: what repeats is alike at other
/// lags.
Lag lagAt(std::span<const float> a, std::span<const float> b, std::int64_t at, std::int64_t near,
    std::int64_t most)
{
    constexpr std::int64_t length = 4800;
    const auto here = a.subspan(std::size_t(at), std::size_t(length));
    const auto power = [&](std::span<const float> x) { return meanSquare(x) * double(length); };
    std::vector<double> likeness;
    for (std::int64_t lag = -most; lag <= most; ++lag) {
        const auto there = b.subspan(std::size_t(at + near + lag), std::size_t(length));
        const double both = std::sqrt(power(here) * power(there));
        likeness.push_back(
            both > 0.0 ? dotProduct(here.data(), there.data(), std::size_t(length)) / both : 0.0);
    }
    const auto best = std::max_element(likeness.begin(), likeness.end()) - likeness.begin();
    double fraction = 0.0;
    if (best > 0 && best + 1 < std::ptrdiff_t(likeness.size())) {
        const double l = likeness[std::size_t(best - 1)], m = likeness[std::size_t(best)],
                     r = likeness[std::size_t(best + 1)];
        if (const double bend = l - 2.0 * m + r; bend < 0.0)
            fraction = 0.5 * (l - r) / bend;
    }
    return {double(near + best - most) + fraction, likeness[std::size_t(best)]};
}

void compareKey(const Audio& a, const Audio& b, Played& played)
{
    const auto frames = std::min(a.frames(), b.frames());
    constexpr std::int64_t first = 4800, second = 36000, last = 42000;
    // While the key is held: noises on release are listed where a format has none.
    const auto power = [](const Audio& audio) {
        const auto held =
            std::min<std::size_t>(audio.channels[0].size(), std::size_t(heldSeconds * rate));
        return (meanSquare(std::span(audio.channels[0]).first(held))
                   + meanSquare(std::span(audio.channels[1]).first(held)))
            * double(held);
    };
    const double levelA = power(a), levelB = power(b);
    constexpr double inaudible = 1e-7 * heldSeconds * rate; // -70 dB
    if (levelA < inaudible && levelB < inaudible)
        return;
    ++played.keys;
    if (levelA < inaudible || levelB < inaudible) {
        ++played.silent;
        return;
    }
    const double db = 10.0 * std::log10(levelB / levelA);
    if (std::abs(db) > std::abs(played.levelDb))
        played.levelDb = db;
    if (frames < last)
        return;
    // Followed in small steps, so that another period is never taken for this one.
    constexpr std::int64_t step = 2400, reach = 24;
    const auto& left = a.channels[0];
    const auto early = lagAt(left, b.channels[0], first, 0, 4 * reach);
    Lag late = early;
    double drift = 0.0;
    for (std::int64_t at = first + step; at <= second; at += step) {
        const auto next = lagAt(left, b.channels[0], at, std::llround(late.frames + drift), reach);
        drift = next.frames - late.frames;
        late = {next.frames, std::min(late.likeness, next.likeness)};
    }
    if (late.likeness < 0.7)
        return; // too short by then, or never the same twice
    ++played.compared;
    const double cents =
        1200.0 * std::log2(1.0 - (late.frames - early.frames) / double(second - first));
    if (std::abs(cents) > std::abs(played.cents))
        played.cents = cents;
}

double costOf(const Take& take)
{
    const double seconds = double(take.loop.span.length()) / take.rate();
    return seamCost(measureSeam(take.audio(), take.loop, std::nullopt), seconds);
}

/// The worst of an instrument's loops, up to so many of them.
struct Joints {
    int count = 0;
    double worst = 0.0; ///< Cost.
};

Joints jointsOf(const Instrument& instrument, std::size_t most)
{
    Joints joints;
    for (const auto& take : instrument.takes)
        if (take.loop.repeats() && take.loop.mode != LoopMode::alternating
            && std::size_t(joints.count) < most) {
            ++joints.count;
            joints.worst = std::max(joints.worst, costOf(take));
        }
    return joints;
}

/// A format may have made other takes of them, so only the worst of all counts.
void compareJoints(const Joints& here, const Joints& there, Played& played)
{
    if (there.count == 0)
        return;
    played.joints = there.count;
    played.seamCost = there.worst - here.worst;
    played.jointHeard = here.worst <= 1.0 && there.worst > 1.3;
}

using FileAt = std::function<std::optional<Instrument>(int key)>;

/// @param fileAt What plays a key of the file; nothing where it cannot be read.
Played compareOnKeys(const Instrument& document, const FileAt& fileAt)
{
    Played played;
    const auto keys = keysOf(document);
    // Each key has its own sounds as a rule; of many layers the first ones are looked at.
    const std::size_t most = mostKeys / std::max<std::size_t>(1, keys.size()) + 1;
    std::vector<Played> each(keys.size());
    onAllCores(keys.size(), [&](std::size_t i) {
        const auto file = fileAt(keys[i]);
        if (!file) {
            each[i].keys = each[i].silent = 1;
            return;
        }
        const auto here = partFor(document, keys[i]);
        compareKey(playedOn(here, keys[i]), playedOn(*file, keys[i]), each[i]);
        compareJoints(jointsOf(here, most), jointsOf(*file, most), each[i]);
    });
    for (const auto& one : each)
        played.add(one);
    return played;
}

} // namespace

Played comparePlayed(const Instrument& document, const Instrument& file)
{
    return compareOnKeys(document, [&](int key) { return partFor(file, key); });
}

Played comparePlayed(const Instrument& document, const std::filesystem::path& file)
{
    return compareOnKeys(document, [&](int key) -> std::optional<Instrument> {
        auto read = openForNote(file, {key, touch});
        if (!read)
            return std::nullopt;
        return partFor(*read, key);
    });
}

void Played::add(const Played& more)
{
    const auto worse = [](double& mine, double theirs) {
        if (std::abs(theirs) > std::abs(mine))
            mine = theirs;
    };
    keys += more.keys;
    silent += more.silent;
    compared += more.compared;
    worse(cents, more.cents);
    worse(levelDb, more.levelDb);
    joints += more.joints;
    seamCost = std::max(seamCost, more.seamCost);
    jointHeard = jointHeard || more.jointHeard;
}

namespace {

/// Of the joints, to stand behind the keys.
std::string jointsText(const Played& played)
{
    if (played.jointHeard)
        return say("; a joint is heard that was not before");
    return played.joints == 0 ? ""
        : played.joints == 1  ? say("; the joint as before")
                              : say("; the joints as before");
}

} // namespace

std::string describe(const Played& played)
{
    if (played.keys == 0)
        return say("Nothing of it sounds at an ordinary touch.");
    const auto keys = played.keys == 1 ? say("1 key") : say("%1 keys", played.keys);
    const auto level = formatNumber(std::abs(played.levelDb), 1);
    const auto text = played.compared > 0 ? say("Played back: %1 within %2 ct and %3 dB", keys,
                          formatNumber(std::abs(played.cents), 1), level)
                                          : say("Played back: %1 within %2 dB", keys, level);
    return text + jointsText(played) + ".";
}

std::string troubleOf(const Played& played)
{
    if (played.silent > 0)
        return played.silent == 1 ? say("One key does not sound in both.")
                                  : say("%1 keys do not sound in both.", played.silent);
    if (std::abs(played.cents) > 3.0)
        return say("A key is %1 ct off.", formatNumber(std::abs(played.cents), 1));
    if (std::abs(played.levelDb) > 1.5)
        return say("A key is %1 dB off: what is not written may be why.",
            formatNumber(std::abs(played.levelDb), 1));
    return played.jointHeard ? say("A joint is heard that was not before.") : "";
}

} // namespace puretone
