// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/split/breaths.h"

#include "audio/level.h"
#include "pitch/series/periodicity.h"

#include <algorithm>

namespace puretone {

namespace {

constexpr double tonalClarity = 0.25;

double middle(std::vector<double> values)
{
    const auto at = values.begin() + std::ptrdiff_t(values.size() / 2);
    std::nth_element(values.begin(), at, values.end());
    return *at;
}

/// How well a sound repeats itself where it is loudest, 0 to 1.
double clarityOf(std::span<const float> mono, double rate, std::int64_t loudest)
{
    constexpr double around = 0.09, shortest = 1.0 / 1500.0, longest = 1.0 / 50.0;
    const auto reach = std::int64_t(around * rate);
    const auto to = std::min(std::int64_t(mono.size()), loudest + reach);
    const auto from = std::max<std::int64_t>(0, to - 2 * reach);
    PeriodicityOptions options;
    options.windowSeconds = 0.06;
    options.hopSeconds = 0.04;
    options.withCompressed = false;
    const auto periodicity =
        analysePeriodicity(mono.subspan(std::size_t(from), std::size_t(to - from)), rate, options);
    std::vector<double> clarities;
    for (const auto& frame : periodicity.frames) {
        double best = 0.0;
        for (std::size_t i = 0; i < frame.difference.size(); ++i)
            if (const double lag = double(i) * periodicity.lagStep;
                lag >= shortest && lag <= longest)
                best = std::max(best, double(frame.difference[i]));
        clarities.push_back(best);
    }
    return clarities.empty() ? 0.0 : middle(std::move(clarities));
}

/// A piece without its last moments, in which the next one may begin.
std::span<const float> withoutNext(std::span<const float> mono, double rate, Span span)
{
    constexpr double last = 0.025;
    const auto length = std::max(span.length() / 2, span.length() - std::int64_t(last * rate));
    return mono.subspan(std::size_t(span.start.value), std::size_t(length));
}

struct Shape {
    std::int64_t loudest = 0; ///< Frame.
    double riseSeconds = 0.0; ///< From 12 to 3 dB under the highest level of 10 ms.
};

Shape shapeOf(std::span<const float> mono, double rate)
{
    const auto window = std::max<std::size_t>(1, std::size_t(0.01 * rate));
    const auto hop = std::max<std::size_t>(1, std::size_t(0.002 * rate));
    std::vector<double> powers;
    for (std::size_t at = 0; at + window <= mono.size(); at += hop)
        powers.push_back(meanSquare(mono.subspan(at, window)));
    if (powers.empty())
        return {};
    const auto top = std::max_element(powers.begin(), powers.end());
    const auto above = [&](double db) {
        return std::find_if(powers.begin(), top,
            [line = *top * std::pow(10.0, db / 10.0)](double p) { return p >= line; });
    };
    return {std::int64_t(hop) * (top - powers.begin()), 0.002 * double(above(-3.0) - above(-12.0))};
}

} // namespace

void markBreaths(std::span<const float> mono, double rate, std::vector<Piece>& pieces)
{
    constexpr double loudDb = 10.0, quieterDb = 8.0, muchQuieterDb = 15.0;
    constexpr double mostlyTonal = 0.7, slowSeconds = 0.02;
    std::vector<double> peaks;
    for (const auto& piece : pieces)
        if (!piece.sliver)
            peaks.push_back(piece.peakDb);
    if (peaks.size() < 2)
        return;
    std::sort(peaks.begin(), peaks.end());
    const double typical = peaks[std::size_t(0.7 * double(peaks.size() - 1))];
    struct Heard {
        double clarity;
        double riseSeconds;
    };
    std::vector<Heard> heard;
    int loud = 0, tonal = 0;
    for (const auto& piece : pieces) {
        const auto own = withoutNext(mono, rate, piece.span);
        const auto shape = shapeOf(own, rate);
        heard.push_back({clarityOf(own, rate, shape.loudest), shape.riseSeconds});
        if (piece.sliver || piece.peakDb < typical - loudDb)
            continue;
        ++loud;
        tonal += heard.back().clarity >= tonalClarity;
    }
    if (tonal < mostlyTonal * loud)
        return;
    for (std::size_t i = 0; i < pieces.size(); ++i) {
        const double below = typical - pieces[i].peakDb;
        if (below > quieterDb && heard[i].clarity < tonalClarity
            && (below > muchQuieterDb || heard[i].riseSeconds > slowSeconds))
            pieces[i].sliver = true;
    }
}

} // namespace puretone
