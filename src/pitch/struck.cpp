// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/struck.h"

#include "audio/level.h"

#include <algorithm>

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

} // namespace

Decay measureDecay(std::span<const float> mono, double rate)
{
    const auto window = std::max<std::size_t>(1, std::size_t(0.05 * rate));
    std::vector<double> power;
    for (std::size_t from = 0; from < mono.size(); from += window / 2 + 1)
        power.push_back(meanSquare(mono.subspan(from, std::min(window, mono.size() - from))));
    Decay decay;
    if (power.empty())
        return decay;
    const auto top = std::max_element(power.begin(), power.end());
    decay.endLevel = *top > 0.0 ? std::sqrt(power.back() / *top) : 1.0;
    const auto quiet = std::find_if(top, power.end(), [&](double p) { return p < 0.01 * *top; });
    const double hop = double(window / 2 + 1) / rate;
    const double secondsToQuiet = double(quiet - top) * hop;
    const double secondsLeft = double(power.end() - top) * hop;
    decay.dying = (quiet != power.end() && secondsToQuiet <= 0.35)
        || (quiet == power.end() && secondsLeft <= 0.2 && decay.endLevel < 0.15);
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
    const auto at = [&](double ratio) { return levelNear(partials, ratio * f0); };
    const bool nothingAbove = std::none_of(partials.begin(), partials.end(),
        [&](const Partial& p) { return p.hz > 6.6 * f0 && p.levelDb() > -28.0; });
    if (f0 < 180.0 && decay.endLevel < 0.2 && at(1.0) < -30.0 && at(2.0) > -6.0 && at(3.0) > -25.0
        && (nothingAbove || winner.score < 0.5))
        return StruckNote{2.0 * f0, "principal mode of a kettledrum: modes at 1 : 1.5 : 2"};
    return std::nullopt;
}

std::optional<Hz> restingPitch(const Periodicity& periodicity, double f0, const Decay& decay)
{
    if (!decay.dying && decay.endLevel > 0.1)
        return std::nullopt;
    // Follow the period backwards in time from where it rests, each frame near the one after it.
    std::vector<double> path;
    double period = 1.0 / f0;
    double loudest = 0.0;
    for (const auto& frame : periodicity.frames)
        loudest = std::max(loudest, frame.rms);
    for (auto frame = periodicity.frames.rbegin(); frame != periodicity.frames.rend(); ++frame) {
        const auto top = periodicity.peakNear(*frame, period, path.empty() ? 0.15 : 0.12);
        if (top.value < 0.6 || frame->rms < 0.003 * loudest)
            continue;
        period = top.period;
        path.push_back(1.0 / top.period);
    }
    if (path.size() < 3)
        return std::nullopt;
    const auto restFrames = std::max<std::size_t>(1, path.size() / 3);
    std::vector<double> resting(path.begin(), path.begin() + std::ptrdiff_t(restFrames));
    std::nth_element(
        resting.begin(), resting.begin() + std::ptrdiff_t(restFrames / 2), resting.end());
    const double rest = resting[restFrames / 2];
    if (interval(Hz{rest}, Hz{path.back()}).value < 100.0)
        return std::nullopt;
    return Hz{rest};
}

} // namespace puretone
