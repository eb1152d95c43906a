// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/split.h"

#include "audio/crossing.h"
#include "prepare/novelty.h"

#include <algorithm>

namespace puretone {

namespace {

constexpr double silentDb = -90.0;
/// Taste, set on computed plucks, bows, voices and drums (bench/split_bench): vibrato and beating
/// stay below, a repeated note over its own tail rises above.
constexpr double riseNeededDb = 5.0;
constexpr double aboveFloorDb = 5.0;
constexpr double tailAboveFloorDb = 3.0;
constexpr double leastApartSeconds = 0.06;
constexpr double quietGapSeconds = 0.03;
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
    std::vector<double> sounding;
    for (const double level : levels)
        if (level > -150.0) // digital silence says nothing about the room
            sounding.push_back(level);
    return sounding.empty() ? -200.0 : percentile(std::move(sounding), 0.08);
}

class Splitter {
public:
    Splitter(const Audio& audio, const SplitOptions& options, const Progress& progress)
        : audio_(audio)
        , options_(options)
        , mono_(mixToMono(audio))
        , novelty_(measureNovelty(mono_, audio.rate, progress))
        , hop_(novelty_.hopSeconds * audio.rate)
    {
        const auto& levels = novelty_.levelDb;
        top_ = *std::max_element(levels.begin(), levels.end());
        // Without quiet places the quietest tenth is music: then only far below the top is quiet.
        floor_ = std::min(noiseFloor(levels), top_ - 20.0);
        line_ = options.quietLineDb.value_or(std::max(floor_ + aboveFloorDb, top_ - 60.0));
    }

    SplitResult run()
    {
        SplitResult result;
        result.noiseFloorDb = floor_;
        result.quietLineDb = line_;
        if (top_ < silentDb)
            return result;
        const auto starts = findStarts();
        for (std::size_t i = 0; i < starts.size(); ++i) {
            const auto next = i + 1 < starts.size() ? starts[i + 1] : audio_.frames();
            const auto end = options_.onsetsOnly ? next : endOf(starts[i], next);
            if (end - starts[i] >= 16)
                result.pieces.push_back(describe({Frames{starts[i]}, Frames{end}}));
        }
        markSlivers(result.pieces);
        return result;
    }

private:
    std::size_t hops(double seconds) const
    {
        return std::size_t(std::lround(seconds / novelty_.hopSeconds));
    }
    bool sounds(std::size_t i) const { return novelty_.levelDb[i] > line_; }

    /// A moment at which something begins, and how loud it becomes.
    struct Start {
        std::int64_t frame;
        double levelDb;
    };

    /// Moments at which something begins: out of quiet, or new over what still sounds.
    std::vector<std::int64_t> findStarts() const
    {
        const auto gap = hops(quietGapSeconds);
        const auto apart = std::int64_t(leastApartSeconds * audio_.rate);
        std::vector<Start> starts;
        std::size_t quiet = gap;
        for (std::size_t i = 0; i < novelty_.riseDb.size(); ++i) {
            const double level = levelSoon(i);
            // A sound that hovers about the line has not begun yet.
            const bool sounding = sounds(i) && level > line_ + 2.0;
            const bool outOfQuiet = sounding && quiet >= gap;
            quiet = sounding ? 0 : quiet + 1;
            const bool isNew = isPeak(i) && novelty_.riseDb[i] > riseNeededDb && soundsAfter(i);
            if (!outOfQuiet && !isNew)
                continue;
            const auto frame = outOfQuiet ? startFromQuiet(i) : startOver(i);
            if (starts.empty() || frame - starts.back().frame >= apart)
                starts.push_back({frame, level});
            else if (level > starts.back().levelDb + 6.0)
                starts.back() = {frame, level}; // what came just before was only its forerunner
        }
        std::vector<std::int64_t> frames;
        frames.reserve(starts.size());
        for (const auto& start : starts)
            frames.push_back(start.frame);
        return frames;
    }

    /// Highest level within the next 50 ms.
    double levelSoon(std::size_t i) const
    {
        const auto& levels = novelty_.levelDb;
        const auto to = std::min(levels.size(), i + hops(0.05) + 1);
        return *std::max_element(
            levels.begin() + std::ptrdiff_t(i), levels.begin() + std::ptrdiff_t(to));
    }

    bool isPeak(std::size_t i) const
    {
        const auto reach = hops(0.03);
        const auto& rise = novelty_.riseDb;
        const auto from = i > reach ? i - reach : 0;
        const auto to = std::min(rise.size(), i + reach + 1);
        return std::max_element(
                   rise.begin() + std::ptrdiff_t(from), rise.begin() + std::ptrdiff_t(to))
            == rise.begin() + std::ptrdiff_t(i);
    }

    /// What begins must be heard above the quiet line, and not lie far below what came just before:
    /// inside a loud note's decay small rises are beating.
    bool soundsAfter(std::size_t i) const
    {
        const double now = novelty_.levelDb[std::min(novelty_.levelDb.size() - 1, i + hops(0.015))];
        const double before = novelty_.levelDb[i > hops(0.03) ? i - hops(0.03) : 0];
        return i >= hops(0.03) && now > line_ && levelSoon(i) > before - 6.0;
    }

    /// Walks back, a millisecond at a time, to where the sound leaves the noise.
    std::int64_t startFromQuiet(std::size_t i) const
    {
        const auto step = std::max<std::int64_t>(1, std::int64_t(0.001 * audio_.rate));
        const double line = std::max(floor_ + aboveFloorDb, line_ - 6.0);
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

    /// Where the energy rises most steeply around a moment at which something else still sounds.
    std::int64_t startOver(std::size_t i) const
    {
        const auto step = std::max<std::int64_t>(1, std::int64_t(0.001 * audio_.rate));
        const auto centre = std::int64_t(double(i) * hop_);
        std::int64_t best = centre;
        double steepest = -1e9;
        for (auto at = centre - 35 * step; at <= centre + 25 * step; at += step) {
            const double ratio = edgeLevel(at, at + 8 * step) - edgeLevel(at - 8 * step, at);
            if (ratio > steepest) {
                steepest = ratio;
                best = at;
            }
        }
        return onCrossing(std::clamp<std::int64_t>(best, 0, audio_.frames() - 1));
    }

    std::int64_t onCrossing(std::int64_t start) const
    {
        const auto reach = std::int64_t(0.002 * audio_.rate);
        return start <= 0 ? 0
                          : std::min(start, nearestCrossing(audio_, Frames{start}, reach).value);
    }

    double levelOf(std::int64_t from, std::int64_t length) const
    {
        return edge(from, from + length, false);
    }
    double edgeLevel(std::int64_t from, std::int64_t to) const { return edge(from, to, true); }
    /// Level of a stretch; of its first difference where attacks stand out from what rings on.
    double edge(std::int64_t from, std::int64_t to, bool difference) const
    {
        from = std::clamp<std::int64_t>(from, 1, std::int64_t(mono_.size()));
        to = std::clamp<std::int64_t>(to, from, std::int64_t(mono_.size()));
        double sum = 1e-20;
        for (auto f = from; f < to; ++f) {
            const double s = mono_[std::size_t(f)];
            const double d = difference ? s - double(mono_[std::size_t(f) - 1]) : s;
            sum += d * d;
        }
        return 10.0 * std::log10(sum / double(std::max<std::int64_t>(1, to - from)));
    }

    /// Down to the noise, or to the next start.
    std::int64_t endOf(std::int64_t start, std::int64_t next) const
    {
        const double line =
            options_.quietLineDb.value_or(std::max(floor_ + tailAboveFloorDb, top_ - 66.0));
        const auto from = std::size_t(double(start) / hop_) + 1;
        const auto to = std::min(novelty_.levelDb.size(), std::size_t(double(next) / hop_));
        // The decay ends at the first 60 ms that stay under the line; single dips of a beat do not
        // end it.
        const auto patience = hops(0.06);
        std::size_t quiet = 0;
        for (auto i = from; i < to; ++i) {
            quiet = novelty_.levelDb[i] > line ? 0 : quiet + 1;
            if (quiet >= patience)
                return std::min(next,
                    std::int64_t(double(i + 1 - quiet) * hop_) + std::int64_t(0.01 * audio_.rate));
        }
        return next;
    }

    Piece describe(Span span) const
    {
        Piece piece{span, false, -200.0};
        const auto from = std::size_t(double(span.start.value) / hop_);
        // Levels look 15 ms ahead: the last ones belong to what follows.
        const auto last = std::size_t(double(span.end.value) / hop_);
        const auto to = std::min(
            novelty_.levelDb.size(), std::max(from + 1, last - std::min(last, hops(0.02))));
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

    const Audio& audio_;
    const SplitOptions& options_;
    std::vector<float> mono_;
    Novelty novelty_;
    double hop_;
    double top_ = -200.0, floor_ = -200.0, line_ = -200.0;
};

} // namespace

SplitResult splitRecording(
    const Audio& audio, const SplitOptions& options, const Progress& progress)
{
    if (audio.frames() < 16)
        return {};
    return Splitter(audio, options, progress).run();
}

SplitResult withCut(SplitResult result, Frames frame, Frames recordingEnd, double rate)
{
    constexpr std::int64_t least = 16;
    auto& pieces = result.pieces;
    std::size_t at = 0;
    while (at < pieces.size() && pieces[at].span.end <= frame)
        ++at;
    const bool inside = at < pieces.size() && pieces[at].span.start <= frame;
    if (inside) {
        const Span span = pieces[at].span;
        if (frame.value - span.start.value < least || span.end.value - frame.value < least)
            return result;
        Piece second = pieces[at];
        pieces[at].span.end = frame;
        second.span.start = frame;
        pieces.insert(pieces.begin() + std::ptrdiff_t(at) + 1, second);
        return result;
    }
    const auto next = at < pieces.size() ? pieces[at].span.start : recordingEnd;
    const Frames end{std::min(next.value, frame.value + std::int64_t(2.0 * rate))};
    if (end.value - frame.value >= least)
        pieces.insert(pieces.begin() + std::ptrdiff_t(at), Piece{{frame, end}, false, -200.0});
    return result;
}

SplitResult withJoined(SplitResult result, std::size_t index)
{
    auto& pieces = result.pieces;
    if (index + 1 >= pieces.size())
        return result;
    const Piece next = pieces[index + 1];
    pieces[index].span.end = next.span.end;
    pieces[index].sliver = pieces[index].sliver && next.sliver;
    pieces[index].peakDb = std::max(pieces[index].peakDb, next.peakDb);
    pieces.erase(pieces.begin() + std::ptrdiff_t(index) + 1);
    return result;
}

} // namespace puretone
