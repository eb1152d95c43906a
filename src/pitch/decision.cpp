// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/decision.h"

#include "pitch/series/note.h"

#include <algorithm>

namespace puretone {

FrameSpread spreadOfFrames(const Periodicity& periodicity, double f0)
{
    double w = 0, wt = 0, wc = 0, wtt = 0, wtc = 0, wcc = 0;
    double firstTime = 0.0, lastTime = 0.0;
    for (const auto& frame : periodicity.frames) {
        const auto top = periodicity.peakNear(frame, 1.0 / f0, 0.06);
        if (top.value < 0.3)
            continue;
        const double cents = 1200.0 * std::log2(1.0 / top.period / f0);
        const double weight = frame.weight * top.value;
        if (w == 0.0)
            firstTime = frame.seconds;
        lastTime = frame.seconds;
        w += weight;
        wt += weight * frame.seconds;
        wc += weight * cents;
        wtt += weight * frame.seconds * frame.seconds;
        wtc += weight * frame.seconds * cents;
        wcc += weight * cents * cents;
    }
    FrameSpread m;
    if (w <= 0.0)
        return m;
    m.offset = wc / w;
    m.spread = std::sqrt(std::max(0.0, wcc / w - m.offset * m.offset));
    const double timeSpread = wtt / w - (wt / w) * (wt / w);
    if (timeSpread > 1e-6)
        m.drift = std::abs((wtc / w - wt / w * m.offset) / timeSpread) * (lastTime - firstTime);
    return m;
}

double noteBelief(const std::vector<PitchCandidate>& candidates, double hz, double reachCents)
{
    double sum = 0.0;
    for (const auto& c : candidates)
        if (std::abs(interval(Hz{hz}, Hz{c.series.f0}).value) < reachCents)
            sum += c.belief;
    return std::min(1.0, sum);
}

Certainty certaintyOf(const PitchCandidate& winner, double belief, const Periodicity& periodicity,
    const FrameSpread& frames, const std::optional<PitchMovement>& movement)
{
    const double period = 1.0 / winner.series.f0;
    Certainty c;
    c.belief = belief;
    c.clarity = periodicity.at(period, Periodicity::Curve::difference);
    c.compressed = periodicity.at(period, Periodicity::Curve::compressed);
    c.power = winner.power;
    c.score = winner.score;
    c.rest = winner.rest;
    c.vote = winner.vote;
    c.spread = frames.spread;
    c.drift = frames.drift;
    // A line that bends smoothly is a note that moves, whatever its frames' spread; its partials
    // are smeared over sidebands, so that the wave's own repeating has to stand in for the comb.
    if (movement && frames.moves() && movement->smooth()) {
        c.spread = movement->jitter;
        c.drift = 0.0;
        c.clarity = std::max(c.clarity, movement->clarity);
        c.power = std::max(c.power, movement->clarity);
    }
    return c;
}

double Certainty::confidence() const
{
    const double p = std::clamp(belief, 1e-6, 1.0 - 1e-6);
    const double logit = std::clamp(std::log(p / (1.0 - p)), -4.0, 5.0);
    const double z = -8.0 + 0.27 * logit + 2.0 * clarity + 1.2 * std::max(0.0, 0.7 - clarity)
        + 6.6 * power + 3.0 * score - 2.35 * std::min(60.0, spread) / 20.0
        + 1.6 * std::min(120.0, drift) / 60.0 + 0.7 * rest + 2.3 * compressed + 1.55 * vote * vote;
    return 1.0 / (1.0 + std::exp(-z));
}

double inharmonicShare(
    const std::vector<Partial>& partials, const Series& series, double windowSeconds, double tonal)
{
    // Peaks of a noise are no partials: the more of it there is, the louder they stand.
    const double faintest = tonal > 0.8 ? -30.0 : -18.0;
    // A short window cannot place a partial better than this, in partial numbers.
    const double unsure = 0.5 / (windowSeconds * series.f0);
    double all = 0.0, off = 0.0;
    for (const auto& p : partials) {
        if (p.levelDb() < faintest || p.hz < 0.4 * series.f0 || p.hz > 12.0 * series.f0)
            continue;
        const double g = series.number(p.hz);
        all += std::sqrt(p.amplitude);
        // Many voices on one note smear their partials by half a semitone.
        if (std::abs(g - std::round(g)) > std::max({0.06, 0.03 * g, unsure}))
            off += std::sqrt(p.amplitude);
    }
    return all > 0.0 ? off / all : 0.0;
}

FinalPitch finalPitch(const PitchCandidate& winner, const std::vector<Partial>& partials,
    const FrameSpread& frames, const std::optional<PitchMovement>& movement, double clarity,
    double windowSeconds, double tonal)
{
    constexpr double fittingCents = 8.0; // root mean square about the fitted series
    constexpr double periodic = 0.8; // N, above which the wave itself says what it repeats
    const Series& series = winner.series;
    double weights = 0.0, sum = 0.0, squares = 0.0;
    int fitted = 0;
    const Partial* strongest = nullptr;
    double strongestNumber = 1.0;
    for (const auto& p : partials) {
        const double h = std::max(1.0, std::round(series.number(p.hz)));
        const double cents = 1200.0 * std::log2(p.hz / series.partial(h));
        if (h > 8.0 || std::abs(cents) > 50.0)
            continue;
        const double w = p.amplitude * std::sqrt(h);
        weights += w;
        ++fitted;
        sum += w * cents;
        squares += w * cents * cents;
        if (strongest == nullptr || p.amplitude / h > strongest->amplitude / strongestNumber) {
            strongest = &p;
            strongestNumber = h;
        }
    }
    if (movement && movement->smooth() && clarity > periodic && movement->spread > 8.0) {
        // Where it comes to rest, if it does; otherwise its centre. A line that has strayed from
        // what most of the take holds is not believed.
        const bool settles = movement->rests() && movement->vibratoHz == 0.0;
        const Hz hz = hzOf(settles ? movement->steady : movement->centre);
        if (std::abs(interval(Hz{series.f0}, hz).value) < 100.0)
            return {hz.value, settles ? FinalPitch::From::rest : FinalPitch::From::centre};
    }
    // The fit for the whole comb is led by many weak partials; the lower ones are what is heard.
    const double lean = weights > 0.0 ? sum / weights : 0.0;
    const double deviation =
        weights > 0.0 ? std::sqrt(std::max(0.0, squares / weights - lean * lean)) : 1e3;
    // The first partial of a stretched series is what the fit calls f0 only for B = 0.
    if (deviation < fittingCents)
        return {transpose(Hz{series.partial(1.0)}, Cents{lean}).value,
            fitted >= 3 ? FinalPitch::From::series : FinalPitch::From::partial};
    const double offset = transpose(Hz{series.f0}, Cents{frames.offset}).value;
    // Many voices on one note: no partial alone is its pitch, the wave as a whole has one.
    const bool inSeries = inharmonicShare(partials, series, windowSeconds, tonal) < mostlyHarmonic;
    if ((clarity > periodic && inSeries) || strongest == nullptr)
        return {offset, FinalPitch::From::wave};
    return {strongest->hz / strongestNumber, FinalPitch::From::lonePartial};
}

} // namespace puretone
