// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/choices.h"

#include "pitch/decision.h"

#include <algorithm>

namespace puretone {

Message reasonFor(const PitchCandidate& c, double chosenHz, const std::vector<Partial>& partials)
{
    const double octaves = std::log2(c.series.f0 / chosenHz);
    const auto isOctave = [&](double wanted) { return std::abs(octaves - wanted) < 0.04; };
    if (isOctave(0.0))
        return c.hits >= 3 ? message("common spacing of %1 partials", c.hits)
            : c.vote > 0.5 ? message("the wave repeats at this pitch")
                           : message("the strongest partial");
    if (isOctave(-1.0))
        return c.missingOdd > 0.3 ? message("one octave below: even partials only")
                                  : message("one octave below: its odd partials are weak");
    if (isOctave(1.0))
        return message("one octave above: odd partials unexplained");
    if (isOctave(2.0))
        return message("two octaves above: most partials unexplained");
    if (!partials.empty() && std::abs(interval(Hz{partials[0].hz}, Hz{c.series.f0}).value) < 50.0)
        return message("the strongest partial");
    if (c.vote > 0.3)
        return message("the wave repeats at this pitch now and then");
    return c.hits == 1 ? message("explains 1 partial") : message("explains %1 partials", c.hits);
}

namespace {

constexpr std::size_t mostChoices = 5;

void offer(PitchReport& report, double midi, double confidence, const Message& reason)
{
    const bool known = std::any_of(report.choices.begin(), report.choices.end(),
        [&](const PitchChoice& other) { return std::abs(other.midi - midi) < 0.5; });
    if (!known && report.choices.size() < mostChoices)
        report.choices.push_back({midi, confidence, reason});
}

/// What people try first on a bell or a gong.
void offerPartials(PitchReport& report, const std::vector<PitchCandidate>& candidates)
{
    constexpr double heard = -20.0; // dB under the strongest
    const Partial* lowest = nullptr;
    for (const auto& p : report.partials)
        if (p.levelDb() > heard && (lowest == nullptr || p.hz < lowest->hz))
            lowest = &p;
    if (lowest == nullptr)
        return;
    const Partial& strongest = report.partials.front();
    offer(report, midiOf(Hz{strongest.hz}), noteBelief(candidates, strongest.hz),
        message("the strongest partial"));
    offer(report, midiOf(Hz{lowest->hz}), noteBelief(candidates, lowest->hz),
        message("the lowest partial"));
}

} // namespace

void listChoices(PitchReport& report, const std::vector<PitchCandidate>& candidates,
    double chosenHz, const Message& reason, const std::vector<Offer>& beside)
{
    offer(report, *report.midi, report.confidence, reason);
    for (const double note : report.notes)
        offer(report, note, noteBelief(candidates, hzOf(note).value),
            message("one of %1 notes at once", report.notes.size()));
    for (const auto& [hz, why] : beside)
        offer(report, midiOf(Hz{hz}), noteBelief(candidates, hz), why);
    if (report.kind != SoundKind::harmonic)
        offerPartials(report, candidates);
    for (const auto& c : candidates) {
        const double midi = midiOf(Hz{c.series.f0});
        offer(report, midi, noteBelief(candidates, c.series.f0),
            reasonFor(c, chosenHz, report.partials));
    }
    double beliefs = 0.0;
    for (std::size_t i = 1; i < report.choices.size(); ++i)
        beliefs += report.choices[i].confidence;
    const double left = 1.0 - report.confidence;
    for (std::size_t i = 1; i < report.choices.size(); ++i) {
        double& confidence = report.choices[i].confidence;
        confidence = std::min({confidence * left / std::max(beliefs, left), report.confidence});
    }
}

} // namespace puretone
