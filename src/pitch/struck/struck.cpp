// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/struck/struck.h"

#include "audio/level.h"

#include <algorithm>
#include <numeric>

namespace puretone {

double levelNear(const std::vector<Partial>& partials, double hz)
{
    double best = -100.0;
    for (const auto& p : partials)
        if (std::abs(p.hz / hz - 1.0) < 0.03)
            best = std::max(best, p.levelDb());
    return best;
}

namespace {

/// Where the strongest partial within 3 % of `hz` lies; nothing where there is none.
std::optional<double> partialNear(const std::vector<Partial>& partials, double hz)
{
    const Partial* best = nullptr;
    for (const auto& p : partials)
        if (std::abs(p.hz / hz - 1.0) < 0.03 && (best == nullptr || p.amplitude > best->amplitude))
            best = &p;
    return best != nullptr ? std::optional(best->hz) : std::nullopt;
}

/// The strike note lies an octave below the nominal, whatever the other partials say; a fitted
/// series would be pulled away by the ones above it.
double strikeNote(const std::vector<Partial>& partials, double hum)
{
    if (const auto nominal = partialNear(partials, 4.0 * hum))
        return *nominal / 2.0;
    return 2.0 * hum;
}

bool isBell(const std::vector<Partial>& partials, double hum)
{
    const auto at = [&](double ratio) { return levelNear(partials, ratio * hum); };
    const double tierce = at(2.4);
    return tierce > -20.0 && at(4.0) > -20.0 && std::max(at(1.0), at(2.0)) > -25.0
        && at(1.2) < -30.0 && at(3.6) < -25.0 && std::max(at(4.8), at(7.2)) < tierce - 12.0;
}

/// Share of the power of all partials that lies within 4 % of some places.
double powerNear(const std::vector<Partial>& partials, std::initializer_list<double> places)
{
    double all = 0.0, near = 0.0;
    for (const auto& p : partials) {
        const double power = p.amplitude * p.amplitude;
        all += power;
        if (std::any_of(places.begin(), places.end(),
                [&](double hz) { return std::abs(p.hz / hz - 1.0) < 0.04; }))
            near += power;
    }
    return all > 0.0 ? near / all : 0.0;
}

/// The strike note of a chime, a long hanging tube: an octave below its fourth mode. Its modes
/// stand as the squares of 5, 7, 9, 11, 13, 15, brought closer together at the top by thickness and
/// a plug in its end, so that the fourth to the sixth lie nearly as 2 : 3 : 4 above a strike note
/// that no mode has (chapter 19).
std::optional<double> chimeNote(const std::vector<Partial>& partials, const Decay& decay)
{
    constexpr double lowestStrike = 120.0, strong = -20.0;
    if (!decay.rings)
        return std::nullopt;
    for (const auto& fourth : partials) {
        const double strike = fourth.hz / 2.0;
        if (strike < lowestStrike || fourth.levelDb() < strong)
            continue;
        const auto at = [&](double ratio) { return levelNear(partials, ratio * strike); };
        const bool modes = at(2.95) > strong && at(4.07) > strong && at(1.22) > -30.0;
        // A series that has them would have these, too.
        const bool alone = at(1.0) < -28.0 && std::max({at(1.5), at(2.5), at(3.5)}) < -22.0;
        if (modes && alone
            && powerNear(partials,
                   {1.22 * strike, 2.0 * strike, 2.95 * strike, 4.07 * strike, 5.3 * strike})
                > 0.7)
            return strike;
    }
    return std::nullopt;
}

/// A free bar: modes at 1 : 2.756 : 5.404 (chapter 2), coming down to 1 : 2.72 : 5.02 and beyond as
/// it gets thick, and none where a string would have its own.
enum class Bar { no, likely, plain };
Bar isBar(const std::vector<Partial>& partials, double hz, double one)
{
    const auto at = [&](double ratio) { return levelNear(partials, ratio * hz); };
    const double two = std::max(at(2.72), at(2.756));
    const double three = std::max({at(5.02), at(5.2), at(5.35)});
    const double multiples = std::max({at(2.0), at(3.0), at(4.0)});
    if (two < -25.0 || three < -30.0)
        return Bar::no;
    if (one > -6.0 && multiples < -35.0)
        return Bar::plain;
    const bool stands = multiples < -20.0 && multiples < std::min({one, two, three}) - 10.0;
    return one > -14.0 && stands && powerNear(partials, {hz, 2.74 * hz, 5.2 * hz}) > 0.6
        ? Bar::likely
        : Bar::no;
}

Message barWords()
{
    return message("lowest mode of a bar: modes at 1 : 2.76 : 5.4");
}

/// Combs of the lower octaves catch a bar's pattern by accident.
std::optional<StruckNote> barNote(
    const std::vector<Partial>& partials, const PitchCandidate& winner, const Decay& decay)
{
    const bool weakComb = winner.score < 0.35 && decay.rings;
    for (const auto& p : partials) {
        if (p.hz < 150.0 || std::abs(p.hz / winner.series.f0 - 1.0) < 0.03)
            continue;
        const auto bar = isBar(partials, p.hz, p.levelDb());
        if (bar == Bar::plain || (bar == Bar::likely && weakComb))
            return StruckNote{p.hz, barWords()};
    }
    return std::nullopt;
}

} // namespace

std::optional<Message> barReason(const std::vector<Partial>& partials, double hz)
{
    return isBar(partials, hz, levelNear(partials, hz)) != Bar::no
        ? std::optional<Message>(barWords())
        : std::nullopt;
}

const PitchCandidate& secondLook(
    const std::vector<PitchCandidate>& candidates, const std::vector<Partial>& partials)
{
    const PitchCandidate& first = candidates.front();
    const auto at = [&](double h) { return levelNear(partials, first.series.partial(h)); };
    if (at(2) < -6.0 || std::max({at(1), at(3), at(5), at(7)}) > -30.0)
        return first;
    const auto octave = std::find_if(candidates.begin(), candidates.end(),
        [&](const auto& c) { return std::abs(c.series.f0 / first.series.f0 - 2.0) < 0.06; });
    return octave != candidates.end() ? *octave : first;
}

Decay measureDecay(std::span<const float> mono, double rate)
{
    const auto window = std::max<std::size_t>(1, std::size_t(0.025 * rate));
    const auto hop = std::max<std::size_t>(1, window / 4);
    std::vector<double> power;
    for (std::size_t from = 0; from < mono.size(); from += hop)
        power.push_back(meanSquare(mono.subspan(from, std::min(window, mono.size() - from))));
    Decay decay;
    if (power.empty())
        return decay;
    const double top = *std::max_element(power.begin(), power.end());
    const auto above = [&](double share) { return [=](double p) { return p >= share * top; }; };
    const auto struck = std::find_if(power.begin(), power.end(), above(0.5));
    const auto lengthAbove = [&](double share) {
        const auto last = std::find_if(power.rbegin(), power.rend(), above(share)).base();
        return double(last - struck) * double(hop) / rate;
    };
    const auto tail = power.end() - std::min<std::ptrdiff_t>(8, std::ptrdiff_t(power.size()));
    decay.endLevel = top > 0.0
        ? std::sqrt(std::accumulate(tail, power.end(), 0.0) / double(power.end() - tail) / top)
        : 1.0;
    decay.seconds20 = lengthAbove(0.01);
    // An exponential decay spends three tenths of its first 20 dB on the first 6; a held note that
    // is let go nearly all of it.
    decay.rings = decay.endLevel < 0.3 && lengthAbove(0.25) < 0.6 * decay.seconds20;
    return decay;
}

std::optional<StruckNote> struckNote(
    const std::vector<Partial>& partials, const PitchCandidate& winner, const Decay& decay)
{
    const double f0 = winner.series.f0;
    for (const double hum : {f0, f0 / 2.0, 2.0 * f0})
        if (isBell(partials, hum))
            return StruckNote{strikeNote(partials, hum),
                message("strike note of a bell: hum, tierce and nominal are there")};
    if (const auto strike = chimeNote(partials, decay))
        return StruckNote{*strike, message("strike note of a chime: modes at 2 : 3 : 4 above it")};
    if (auto bar = barNote(partials, winner, decay))
        return bar;
    const auto at = [&](double ratio) { return levelNear(partials, ratio * f0); };
    const bool nothingAbove = std::none_of(partials.begin(), partials.end(),
        [&](const Partial& p) { return p.hz > 6.6 * f0 && p.levelDb() > -28.0; });
    if (f0 < 180.0 && decay.endLevel < 0.2 && at(1.0) < -30.0 && at(2.0) > -6.0 && at(3.0) > -25.0
        && (nothingAbove || winner.score < 0.5))
        return StruckNote{
            2.0 * f0, message("principal mode of a kettledrum: modes at 1 : 1.5 : 2")};
    return std::nullopt;
}

} // namespace puretone
