// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/struck.h"

#include "audio/level.h"
#include "pitch/movement.h"
#include "pitch/note.h"

#include <algorithm>
#include <numeric>

namespace puretone {

namespace {

/// Level of the strongest partial within 3 % of `hz`, dB under the strongest of all; -100 for none.
double levelNear(const std::vector<Partial>& partials, double hz)
{
    double best = -100.0;
    for (const auto& p : partials)
        if (std::abs(p.hz / hz - 1.0) < 0.03)
            best = std::max(best, p.levelDb());
    return best;
}

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

/// A free bar: modes at 1 : 2.756 : 5.404 (chapter 2) and none where a string would have its own.
/// Combs of the lower octaves catch such a pattern by accident.
std::optional<StruckNote> barNote(
    const std::vector<Partial>& partials, const PitchCandidate& winner)
{
    for (const auto& p : partials) {
        const auto at = [&](double ratio) { return levelNear(partials, ratio * p.hz); };
        if (p.hz < 150.0 || std::abs(p.hz / winner.series.f0 - 1.0) < 0.03)
            continue;
        if (p.levelDb() > -6.0 && at(2.756) > -25.0 && at(5.35) > -30.0 && at(2.0) < -35.0
            && at(3.0) < -35.0 && at(4.0) < -35.0)
            return StruckNote{p.hz, "lowest mode of a bar: modes at 1 : 2.76 : 5.4"};
    }
    return std::nullopt;
}

} // namespace

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
                "strike note of a bell: hum, tierce and nominal are there"};
    if (const auto bar = barNote(partials, winner))
        return bar;
    const auto at = [&](double ratio) { return levelNear(partials, ratio * f0); };
    const bool nothingAbove = std::none_of(partials.begin(), partials.end(),
        [&](const Partial& p) { return p.hz > 6.6 * f0 && p.levelDb() > -28.0; });
    if (f0 < 180.0 && decay.endLevel < 0.2 && at(1.0) < -30.0 && at(2.0) > -6.0 && at(3.0) > -25.0
        && (nothingAbove || winner.score < 0.5))
        return StruckNote{2.0 * f0, "principal mode of a kettledrum: modes at 1 : 1.5 : 2"};
    return std::nullopt;
}

namespace {

/// midi(t) = rest + fall exp(-t / time), fitted with weights.
struct Fall {
    double rest = 0.0, fall = 0.0, error = 1e300;
};

Fall fitFall(const std::vector<PitchLine::Point>& points, double time)
{
    double w = 0, we = 0, wee = 0, wp = 0, wpe = 0;
    for (const auto& p : points) {
        const double weight = p.level * p.clarity, e = std::exp(-p.seconds / time);
        w += weight;
        we += weight * e;
        wee += weight * e * e;
        wp += weight * p.midi;
        wpe += weight * e * p.midi;
    }
    const double det = w * wee - we * we;
    if (det < 1e-9 * w * wee)
        return {};
    Fall fit{(wee * wp - we * wpe) / det, (w * wpe - we * wp) / det, 0.0};
    for (const auto& p : points) {
        const double off = p.midi - fit.rest - fit.fall * std::exp(-p.seconds / time);
        fit.error += p.level * p.clarity * off * off;
    }
    return fit;
}

/// The points from the loudest one down to 40 dB below it, times counted from the first.
std::vector<PitchLine::Point> ringingPart(const PitchLine& line)
{
    auto points = line.points;
    const auto loudest = std::max_element(points.begin(), points.end(),
        [](const auto& a, const auto& b) { return a.level < b.level; });
    const double least = 0.01 * loudest->level;
    points.erase(points.begin(), loudest);
    const auto quiet =
        std::find_if(points.begin(), points.end(), [&](const auto& p) { return p.level < least; });
    points.erase(quiet, points.end());
    const double first = points.empty() ? 0.0 : points.front().seconds;
    for (auto& p : points)
        p.seconds -= first;
    return points;
}

} // namespace

std::optional<SettledPitch> settledPitch(
    std::span<const float> mono, double rate, double f0, const Decay& decay)
{
    if (!decay.rings || decay.endLevel > 0.15)
        return std::nullopt;
    constexpr double worthNaming = 0.08; // semitones of fall
    TrackOptions closely;
    closely.windowSeconds = std::clamp(2.5 / f0, 0.012, 0.093);
    closely.hopSeconds = 0.004;
    closely.mostPoints = 250;
    const auto points = ringingPart(followPitch(
        mono.first(std::min(mono.size(), std::size_t(1.0 * rate))), rate, midiOf(Hz{f0}), closely));
    if (points.size() < 6)
        return std::nullopt;
    const PitchLine ringing{
        points, std::size_t(std::lround(points.back().seconds / closely.hopSeconds)) + 1};
    if (const auto movement = measureMovement(ringing); !movement || !movement->smooth())
        return std::nullopt;
    Fall best;
    for (int i = 0; i < 16; ++i) {
        const double time = 0.008 * std::pow(1.25, i); // to a quarter of a second
        if (const auto fit = fitFall(points, time); fit.error < best.error)
            best = fit;
    }
    if (best.fall < worthNaming)
        return std::nullopt;
    // An ear hears no further than the sound goes.
    double lowest = points.back().midi;
    for (const auto& p : points)
        lowest = std::min(lowest, p.midi);
    const double rest = std::max(best.rest, lowest - 0.3);
    // The whole take was named by what it holds longest: a line that ends elsewhere has strayed.
    if (std::abs(rest - midiOf(Hz{f0})) > 1.0)
        return std::nullopt;
    return SettledPitch{hzOf(rest), Cents{100.0 * best.fall}};
}

} // namespace puretone
