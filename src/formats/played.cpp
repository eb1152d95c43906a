// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/played.h"

#include "audio/level.h"
#include "base/all_cores.h"
#include "base/quantity.h"
#include "engine/render.h"
#include "loop/seam.h"
#include "model/printing.h"

#include <algorithm>
#include <cmath>
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

/// Only what plays the key is made ready: the rest may be a thousand times as much.
Audio playedOn(const Instrument& instrument, int key)
{
    Print print;
    print.plan.key = key;
    print.plan.touch = touch;
    for (const auto& layer : instrument.layers)
        if (layer.on)
            print.layers.push_back(layer.id);
    return renderEvents(printedPart(instrument, print),
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

/// Costs of an instrument's loops, up to so many of them.
std::vector<double> costsOf(const Instrument& instrument, std::size_t most)
{
    std::vector<const Take*> looped;
    for (const auto& take : instrument.takes)
        if (take.loop.repeats() && take.loop.mode != LoopMode::alternating && looped.size() < most)
            looped.push_back(&take);
    std::vector<double> costs(looped.size());
    onAllCores(looped.size(), [&](std::size_t i) { costs[i] = costOf(*looped[i]); });
    return costs;
}

/// A format may have made other takes of them, so only the worst of all counts.
void compareJoints(const Instrument& document, const Instrument& file, Played& played)
{
    const auto here = costsOf(document, mostKeys), there = costsOf(file, here.size());
    if (there.empty())
        return;
    const double worst = *std::max_element(here.begin(), here.end()),
                 worstThere = *std::max_element(there.begin(), there.end());
    played.joints = int(there.size());
    played.seamCost = worstThere - worst;
    played.jointHeard = worst <= 1.0 && worstThere > 1.3;
}

} // namespace

Played comparePlayed(const Instrument& document, const Instrument& file)
{
    Played played;
    const auto keys = keysOf(document);
    std::vector<Played> each(keys.size());
    onAllCores(keys.size(), [&](std::size_t i) {
        compareKey(playedOn(document, keys[i]), playedOn(file, keys[i]), each[i]);
    });
    for (const auto& one : each)
        played.add(one);
    compareJoints(document, file, played);
    return played;
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

std::string describe(const Played& played)
{
    if (played.keys == 0)
        return "Nothing of it sounds at an ordinary touch.";
    std::string text = "Played back: " + std::to_string(played.keys)
        + (played.keys == 1 ? " key" : " keys") + " within ";
    if (played.compared > 0)
        text += formatNumber(std::abs(played.cents), 1) + " ct and ";
    text += formatNumber(std::abs(played.levelDb), 1) + " dB";
    if (played.joints > 0)
        text += played.jointHeard ? "; a joint is heard that was not before"
            : played.joints == 1  ? "; the joint as before"
                                  : "; " + std::to_string(played.joints) + " joints as before";
    return text + ".";
}

std::string troubleOf(const Played& played)
{
    if (played.silent > 0)
        return played.silent == 1 ? "One key does not sound in both."
                                  : std::to_string(played.silent) + " keys do not sound in both.";
    if (std::abs(played.cents) > 3.0)
        return "A key is " + formatNumber(std::abs(played.cents), 1) + " ct off.";
    if (std::abs(played.levelDb) > 1.5)
        return "A key is " + formatNumber(std::abs(played.levelDb), 1)
            + " dB off: what is not written may be why.";
    return played.jointHeard ? "A joint is heard that was not before." : "";
}

} // namespace puretone
