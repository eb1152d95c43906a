// SPDX-License-Identifier: GPL-3.0-or-later
#include "pitch/several.h"

#include "pitch/struck/struck.h"

#include <algorithm>
#include <array>

namespace puretone {

namespace {

constexpr double faintest = -34.0; // dB under the strongest: what is taken into account
constexpr double faintestNote = 0.16; // of the strongest partial: less is a hum, not a second note
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

/// Whether it has no first partial and lives by its second and third, as the lower string of a
/// fifth whose fundamental a small box does not carry.
bool livesByOvertones(const std::vector<Partial>& partials, double hz, double unsure)
{
    constexpr double near = 0.25; // of the strongest that it explains: 12 dB
    double strongest = 0.0;
    std::array<double, 4> level{};
    for (const auto& p : partials) {
        if (!liesOn(p, hz, unsure))
            continue;
        strongest = std::max(strongest, p.amplitude);
        if (const auto h = std::size_t(std::lround(p.hz / hz)); h < level.size())
            level[h] = std::max(level[h], p.amplitude);
    }
    return std::min(level[2], level[3]) > near * strongest;
}

/// The mains beside the music: 50 or 60 Hz or their next two multiples, to a sixth of a semitone
/// (notes of the tempered scale lie further off), and not what is loudest.
bool isHum(const std::vector<Partial>& partials, double hz)
{
    constexpr double loudest = 0.5;
    const auto near = [](double a, double b) { return std::abs(a / b - 1.0) < 0.01; };
    const bool mains = std::ranges::any_of(std::array{50.0, 60.0, 100.0, 120.0, 150.0, 180.0},
        [&](double mainsHz) { return near(hz, mainsHz); });
    return mains && std::ranges::none_of(partials, [&](const Partial& p) {
        return near(p.hz, hz) && p.amplitude > loudest;
    });
}

/// Whether it could as well be a voice of another note: beside it, or on one of its overtones.
bool belongsTo(double hz, const std::vector<double>& notes)
{
    return std::any_of(notes.begin(), notes.end(), [&](double other) {
        const double ratio = std::max(hz, other) / std::min(hz, other), h = std::round(ratio);
        return h <= 8.0 && std::abs(ratio / h - 1.0) < (h == 1.0 ? 0.045 : 0.02);
    });
}

/// A note read an octave too high, since its first partial is missing and its third lies on another
/// note: its fifth and seventh, which lie on none, bring it down.
double withoutOctaveError(double hz, const std::vector<double>& notes,
    const std::vector<Partial>& partials, double unsure)
{
    int own = 0;
    for (const auto& p : partials) {
        const double half = p.hz / (0.5 * hz), h = std::round(half);
        if (h < 3.0 || h > 9.0 || std::lround(h) % 2 == 0 || std::abs(half - h) > 0.012 * h)
            continue;
        own += std::none_of(notes.begin(), notes.end(),
                   [&](double other) { return liesOn(p, other, unsure); })
            ? 1
            : 0;
    }
    return own >= 2 ? 0.5 * hz : hz;
}

std::vector<double> explain(
    const std::vector<Partial>& partials, double total, double windowSeconds, bool withoutFirst)
{
    std::vector<double> notes;
    std::vector<bool> taken(partials.size(), false);
    double explained = 0.0;
    int doubles = 0;
    const auto unsure = [&](double hz) { return 0.3 / (windowSeconds * hz); };
    while (notes.size() < mostNotes) {
        Teeth best;
        const auto consider = [&](double hz, bool needsFirst) {
            const auto teeth = measure(partials, taken, hz, unsure(hz));
            const bool stands =
                needsFirst ? teeth.fundamental : livesByOvertones(partials, hz, unsure(hz));
            if (stands && teeth.fresh >= 2 && teeth.loudest > faintestNote
                && teeth.explained > best.explained)
                best = teeth;
        };
        for (const auto& p : partials) {
            consider(p.hz, true);
            if (withoutFirst)
                consider(0.5 * p.hz, false);
        }
        // A note of its own adds a good share, and more than a few stray peaks.
        if (best.hz <= 0.0 || best.explained < 0.07 * total)
            break;
        for (std::size_t i = 0; i < partials.size(); ++i)
            if (liesOn(partials[i], best.hz, unsure(best.hz)))
                taken[i] = true;
        explained += best.explained;
        if (!belongsTo(best.hz, notes))
            notes.push_back(best.hz);
        else if (++doubles > 3)
            break;
    }
    std::erase_if(notes, [&](double hz) { return isHum(partials, hz); });
    // Partials that no few notes explain belong to a bell, a gong or a noise.
    if (notes.size() < 2 || explained < 0.85 * total)
        return {};
    const auto read = notes;
    for (double& hz : notes)
        hz = withoutOctaveError(hz, read, partials, unsure(hz));
    std::sort(notes.begin(), notes.end());
    return notes;
}

} // namespace

std::vector<double> notesAtOnce(const std::vector<Partial>& all, double windowSeconds, double tonal)
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
    auto notes = explain(partials, total, windowSeconds, false);
    // Tried second: as the only way it would find the octave below of many a chord, and in a noise
    // halves of its peaks are always to be had.
    constexpr double allBody = 0.85;
    return !notes.empty() || tonal < allBody ? notes
                                             : explain(partials, total, windowSeconds, true);
}

bool isCommonPeriod(
    double hz, const std::vector<double>& notes, const std::vector<Partial>& partials)
{
    constexpr double silent = -40.0; // dB
    for (const double note : notes) {
        const double ratio = note / hz, whole = std::round(ratio);
        if (whole < 2.0 || std::abs(ratio / whole - 1.0) > 0.02)
            return false;
    }
    const auto loudest = [&](std::initializer_list<double> numbers) {
        double level = -100.0;
        for (const double h : numbers)
            level = std::max(level, levelNear(partials, h * hz));
        return level;
    };
    return loudest({1.0, 5.0, 7.0, 11.0}) < silent && loudest({8.0, 10.0}) > silent
        && loudest({9.0, 12.0, 15.0}) > silent;
}

} // namespace puretone
