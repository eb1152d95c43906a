// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/split/split.h"

#include "audio/level.h"
#include "audio/signal/crossing.h"
#include "prepare/split/breaths.h"
#include "prepare/split/onsets.h"

#include <algorithm>
#include <iterator>

namespace puretone {

namespace {

constexpr double splitSilenceDb = -90.0;
// A stretch opens a little above the noise and closes nearer to it: a level that hovers about one
// line would open and close a stretch over and over.
constexpr double opensAboveFloorDb = 6.0, closesAboveFloorDb = 3.0;
constexpr double opensUnderTopDb = 60.0, closesUnderTopDb = 66.0;
constexpr double closesAfterSeconds = 0.06;
/// Where silences alone count: two partials that beat may be still for as long as this.
constexpr double closesAfterLongSeconds = 0.2;
constexpr double startAboveFloorDb = 5.0;
constexpr double firstAttackSeconds = 0.04;
/// A sound this far below the typical note is no note of the same player.
constexpr double sliverBelowDb = 24.0;

double percentile(std::vector<double> values, double share)
{
    const auto at = values.begin() + std::ptrdiff_t(share * double(values.size() - 1));
    std::nth_element(values.begin(), at, values.end());
    return *at;
}

/// The noise: the quietest tenth, where the recording has quiet places at all.
double noiseFloor(const std::vector<double>& levels)
{
    constexpr double someSilence = 0.02, evenDb = 4.0, loudDb = 30.0;
    const auto sounds = [](double level) { return level > digitalSilenceDb; };
    std::vector<double> sounding;
    std::copy_if(levels.begin(), levels.end(), std::back_inserter(sounding), sounds);
    if (sounding.empty())
        return -200.0;
    const double floor = percentile(sounding, 0.08);
    // Digital silence says nothing about a room; but where the quietest that sounds is uneven, or
    // too loud for a room, it is the tails of notes, and the silence between them is what parts
    // them. Silence before or after everything parts nothing.
    const auto first = std::find_if(levels.begin(), levels.end(), sounds);
    const auto last = std::find_if(levels.rbegin(), levels.rend(), sounds).base();
    const double silent = 1.0 - double(sounding.size()) / double(last - first);
    const double top = *std::max_element(sounding.begin(), sounding.end());
    if (silent > someSilence
        && (floor > top - loudDb || floor - percentile(std::move(sounding), 0.01) > evenDb))
        return digitalSilenceDb;
    return floor;
}

class Splitter {
public:
    Splitter(const Audio& audio, const SplitOptions& options, const Progress& progress)
        : audio_(audio)
        , options_(options)
        , progress_(progress)
        , mono_(mixToMono(audio))
        , novelty_(measureNovelty(mono_, audio.rate, progress.part(0.0, 0.6)))
        , hop_(novelty_.hopSeconds * audio.rate)
    {
        const auto& levels = novelty_.levelDb;
        if (levels.empty())
            return;
        top_ = *std::max_element(levels.begin(), levels.end());
        // Without quiet places the quietest tenth is music: then only far below the top is quiet.
        floor_ = std::min(noiseFloor(levels), top_ - 20.0);
        opens_ = options.quietLineDb.value_or(
            std::max(floor_ + opensAboveFloorDb, top_ - opensUnderTopDb));
        closes_ = options.quietLineDb.value_or(
            std::max(floor_ + closesAboveFloorDb, top_ - closesUnderTopDb));
        tailsEnd_ = closes_;
        if (options.silencesOnly && !options.quietLineDb)
            raiseAboveTails();
    }

    SplitResult run()
    {
        SplitResult result;
        result.noiseFloorDb = floor_;
        result.quietLineDb = opens_;
        if (top_ < splitSilenceDb)
            return result;
        auto stretches = findStretches(opens_, closes_);
        followTails(stretches);
        std::vector<std::vector<std::int64_t>> onsets(stretches.size());
        if (!options_.silencesOnly)
            onsets = findOnsets(mono_, audio_.rate, novelty_, stretches,
                options_.onsetsOnly ? OnsetOptions::dense() : OnsetOptions(),
                progress_.part(0.6, 1.0));
        for (std::size_t s = 0; s < stretches.size(); ++s)
            addPieces(stretches, s, onsets[s], result.pieces);
        markSlivers(result.pieces);
        markBreaths(mono_, audio_.rate, result.pieces);
        return result;
    }

private:
    /// Where notes are parted by their tails alone, the line that tells a silence from the noise
    /// runs under some or all of them. A higher one is taken where it parts clearly more, and as
    /// many wherever it lies within a wide range: beating and swells part at one line this many and
    /// at the next that many.
    void raiseAboveTails()
    {
        constexpr double stepDb = 2.0, lowestUnderTopDb = 20.0;
        constexpr double wideDb = 10.0, muchMore = 1.5, nearlyAsWide = 0.75;
        struct Range {
            std::size_t notes = 0;
            double from = 0.0, to = 0.0; ///< Lines, dB.
            double width() const { return to - from; }
        };
        std::vector<Range> ranges;
        const auto shortest = novelty_.hops(options_.shortestSeconds);
        const int steps = int((top_ - lowestUnderTopDb - opens_) / stepDb);
        for (int i = 0; i <= steps; ++i) {
            const double line = opens_ + stepDb * i;
            const auto stretches = findStretches(line, line - (opens_ - closes_));
            const auto notes = std::size_t(std::count_if(stretches.begin(), stretches.end(),
                [&](const SoundingStretch& s) { return s.to - s.from >= shortest; }));
            if (ranges.empty() || ranges.back().notes != notes)
                ranges.push_back({notes, line, line});
            ranges.back().to = line + stepDb;
        }
        if (ranges.empty())
            return;
        // One piece of all is no reading to hold on to.
        const Range own = ranges.front();
        const double asWide = own.notes > 1 ? std::max(wideDb, nearlyAsWide * own.width()) : wideDb;
        const Range* best = nullptr;
        for (const auto& range : ranges)
            if (range.width() >= asWide && double(range.notes) >= muchMore * double(own.notes)
                && (best == nullptr || range.width() > best->width()))
                best = &range;
        if (best == nullptr)
            return;
        closes_ += best->from - opens_;
        opens_ = best->from;
    }

    /// Each sounds on below a raised line, until it is silent or the next begins.
    void followTails(std::vector<SoundingStretch>& stretches) const
    {
        const auto& levels = novelty_.levelDb;
        for (std::size_t s = 0; s < stretches.size(); ++s) {
            const auto end = s + 1 < stretches.size() ? stretches[s + 1].from : levels.size();
            while (stretches[s].to < end && levels[stretches[s].to] > tailsEnd_)
                ++stretches[s].to;
        }
    }

    /// Where something sounds, from above the one line to where it stays below the other.
    std::vector<SoundingStretch> findStretches(double opens, double closes) const
    {
        const auto patience =
            novelty_.hops(options_.silencesOnly ? closesAfterLongSeconds : closesAfterSeconds);
        const auto& levels = novelty_.levelDb;
        std::vector<SoundingStretch> stretches;
        bool open = false;
        std::size_t quiet = 0;
        for (std::size_t i = 0; i < levels.size(); ++i) {
            if (!open && levels[i] > opens) {
                open = true;
                stretches.push_back({i, levels.size()});
            }
            quiet = levels[i] > closes ? 0 : quiet + 1;
            if (open && quiet >= patience) {
                open = false;
                stretches.back().to = i + 1 - quiet;
            }
        }
        return stretches;
    }

    /// The pieces of one stretch: from its beginning, and from each start inside.
    void addPieces(const std::vector<SoundingStretch>& stretches, std::size_t index,
        const std::vector<std::int64_t>& onsets, std::vector<Piece>& pieces) const
    {
        const auto stretch = stretches[index];
        std::vector<std::int64_t> borders{startFromQuiet(stretch.from)};
        // What was found later, but begins within the first attack, is part of it: reeds that join.
        const auto begun = borders.front() + std::int64_t(firstAttackSeconds * audio_.rate);
        for (const auto frame : onsets)
            if (const auto start = onCrossing(frame); start > std::max(begun, borders.back()))
                borders.push_back(start);
        const bool last = index + 1 == stretches.size();
        const auto nextStretch = last ? audio_.frames() : startFromQuiet(stretches[index + 1].from);
        const auto tail =
            std::int64_t(double(stretch.to) * hop_) + std::int64_t(0.01 * audio_.rate);
        borders.push_back(options_.onsetsOnly ? nextStretch : std::min(nextStretch, tail));
        if (!pieces.empty() && options_.onsetsOnly)
            pieces.back().span.end = Frames{borders.front()};
        for (std::size_t b = 0; b + 1 < borders.size(); ++b)
            if (borders[b + 1] - borders[b] >= shortestPiece)
                pieces.push_back(describe({Frames{borders[b]}, Frames{borders[b + 1]}}));
    }

    /// Walks back, a millisecond at a time, to where the sound leaves the noise.
    std::int64_t startFromQuiet(std::size_t i) const
    {
        const auto step = std::max<std::int64_t>(1, std::int64_t(0.001 * audio_.rate));
        const double line = std::max(floor_ + startAboveFloorDb, opens_ - 6.0);
        auto at = std::min(audio_.frames() - 1, std::int64_t(double(i) * hop_) + 16 * step);
        std::int64_t start = at;
        for (int quiet = 0; at >= 0 && quiet < 6; at -= step) {
            if (levelOf(at, step) > line) {
                start = at;
                quiet = 0;
            } else {
                ++quiet;
            }
        }
        return onCrossing(start);
    }

    std::int64_t onCrossing(std::int64_t start) const
    {
        const auto reach = std::int64_t(0.002 * audio_.rate);
        return start <= 0 ? 0
                          : std::min(start, nearestCrossing(audio_, Frames{start}, reach).value);
    }

    double levelOf(std::int64_t from, std::int64_t length) const
    {
        from = std::clamp<std::int64_t>(from, 0, std::int64_t(mono_.size()));
        length = std::clamp<std::int64_t>(length, 0, std::int64_t(mono_.size()) - from);
        const auto part = std::span(mono_).subspan(std::size_t(from), std::size_t(length));
        return 10.0 * std::log10(std::max(1e-20, meanSquare(part)));
    }

    Piece describe(Span span) const
    {
        Piece piece{span, false, -200.0};
        const auto from = std::size_t(double(span.start.value) / hop_);
        // Levels look 15 ms ahead: the last ones belong to what follows.
        const auto last = std::size_t(double(span.end.value) / hop_);
        const auto to = std::min(novelty_.levelDb.size(),
            std::max(from + 1, last - std::min(last, novelty_.hops(0.02))));
        for (auto i = from; i < to; ++i)
            piece.peakDb = std::max(piece.peakDb, novelty_.levelDb[i]);
        return piece;
    }

    void markSlivers(std::vector<Piece>& pieces) const
    {
        std::vector<double> peaks;
        for (const auto& piece : pieces)
            if (double(piece.span.length()) / audio_.rate >= options_.shortestSeconds)
                peaks.push_back(piece.peakDb);
        const double typical = peaks.empty() ? top_ : percentile(std::move(peaks), 0.7);
        for (auto& piece : pieces) {
            const double seconds = double(piece.span.length()) / audio_.rate;
            // A loud hit whose tail drowns in the noise is short, too, and yet a note.
            const bool brief = seconds < options_.shortestSeconds
                && (piece.peakDb < typical - 10.0 || seconds < 0.25 * options_.shortestSeconds);
            piece.sliver = brief || piece.peakDb < typical - sliverBelowDb;
        }
    }

    static constexpr std::int64_t shortestPiece = 16;

    const Audio& audio_;
    const SplitOptions& options_;
    const Progress& progress_;
    std::vector<float> mono_;
    Novelty novelty_;
    double hop_;
    double top_ = -200.0, floor_ = -200.0, opens_ = -200.0, closes_ = -200.0;
    double tailsEnd_ = -200.0; ///< Where a tail has died away into the noise.
};

} // namespace

SplitResult splitRecording(
    const Audio& audio, const SplitOptions& options, const Progress& progress)
{
    if (audio.frames() < 16)
        return {};
    return Splitter(audio, options, progress).run();
}

} // namespace puretone
