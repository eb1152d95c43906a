// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/several.h"

#include <algorithm>

namespace puretone {

namespace {

constexpr double faintest = -34.0; // dB under the strongest: what is taken into account
constexpr double quietest = 0.16; // of the strongest partial: less is a hum, not a second note
constexpr std::size_t mostNotes = 5;
constexpr double shortestWindow = 0.2; // to tell a tone from its neighbour

struct Teeth {
    double explained = 0.0; ///< Weight of partials that nobody else explains yet.
    int fresh = 0; ///< How many of them.
    double loudest = 0.0; ///< The loudest of them.
    bool fundamental = false; ///< Its own first partial is there, and strong.
    double hz = 0.0; ///< Fitted to the first four.
};

bool liesOn(const Partial& p, double hz, double unsure)
{
    const double g = p.hz / hz, h = std::round(g);
    return h >= 1.0 && h <= 20.0 && std::abs(g - h) < std::max(0.012 * h, unsure);
}

Teeth measure(
    const std::vector<Partial>& partials, const std::vector<bool>& taken, double hz, double unsure)
{
    Teeth teeth;
    double sum = 0.0, weights = 0.0, strongest = 0.0, first = 0.0;
    for (std::size_t i = 0; i < partials.size(); ++i) {
        const auto& p = partials[i];
        if (!liesOn(p, hz, unsure))
            continue;
        const double h = std::round(p.hz / hz);
        strongest = std::max(strongest, p.amplitude);
        if (h == 1.0)
            first = std::max(first, p.amplitude);
        if (h <= 4.0) {
            sum += p.amplitude * p.hz / h;
            weights += p.amplitude;
        }
        if (!taken[i]) {
            teeth.loudest = std::max(teeth.loudest, p.amplitude);
            teeth.explained += std::sqrt(p.amplitude);
            ++teeth.fresh;
        }
    }
    teeth.fundamental = first > 0.06 * strongest;
    teeth.hz = weights > 0.0 ? sum / weights : hz;
    return teeth;
}

/// Whether it could as well be a voice of another note: beside it, or on one of its overtones.
bool belongsTo(double hz, const std::vector<double>& notes)
{
    return std::any_of(notes.begin(), notes.end(), [&](double other) {
        const double ratio = std::max(hz, other) / std::min(hz, other), h = std::round(ratio);
        return h <= 8.0 && std::abs(ratio / h - 1.0) < (h == 1.0 ? 0.045 : 0.02);
    });
}

} // namespace

std::vector<double> notesAtOnce(const std::vector<Partial>& all, double windowSeconds)
{
    std::vector<Partial> partials;
    double total = 0.0;
    for (const auto& p : all)
        if (p.levelDb() > faintest && p.hz < 5000.0) {
            partials.push_back(p);
            total += std::sqrt(p.amplitude);
        }
    if (partials.size() < 4 || windowSeconds < shortestWindow)
        return {};
    std::vector<double> notes;
    std::vector<bool> taken(partials.size(), false);
    double explained = 0.0;
    int doubles = 0;
    while (notes.size() < mostNotes) {
        Teeth best;
        for (const auto& p : partials) {
            const auto teeth = measure(partials, taken, p.hz, 0.3 / (windowSeconds * p.hz));
            if (teeth.fundamental && teeth.fresh >= 2 && teeth.loudest > quietest
                && teeth.explained > best.explained)
                best = teeth;
        }
        // A note of its own adds a good share, and more than a few stray peaks.
        if (best.hz <= 0.0 || best.explained < 0.07 * total)
            break;
        for (std::size_t i = 0; i < partials.size(); ++i)
            if (liesOn(partials[i], best.hz, 0.3 / (windowSeconds * best.hz)))
                taken[i] = true;
        explained += best.explained;
        if (!belongsTo(best.hz, notes))
            notes.push_back(best.hz);
        else if (++doubles > 3)
            break;
    }
    // Partials that no few notes explain belong to a bell, a gong or a noise.
    if (notes.size() < 2 || explained < 0.85 * total)
        return {};
    std::sort(notes.begin(), notes.end());
    return notes;
}

} // namespace puretone
