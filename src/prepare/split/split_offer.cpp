// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/split/split_offer.h"

#include "audio/level.h"
#include "pitch/report.h"
#include "prepare/split/onsets.h"

#include <algorithm>
#include <cmath>
#include <iterator>

namespace puretone {

namespace {

/// Levels in dB, times in seconds.
struct PieceFacts {
    double start = 0.0, end = 0.0, peakDb = -200.0;
    std::optional<double> midi; ///< Where it is read with some confidence.
};

/// Two pieces, one after the other.
struct Cut {
    double gap = 0.0; ///< Silence between them.
    double rise = 0.0; ///< Of the attack over what was there before.
    double body = 0.0; ///< Of what follows the attack: a crackle has none.
    double fall = 0.0; ///< From the first one's peak to the cut.
    double dip = 0.0; ///< The quietest place before the cut, under both.
    double notch = 0.0; ///< And under what is heard a twentieth of a second beside it.
    double fresh = 0.0; ///< Share of the spectrum's peaks that are new, 0 to 1.
    double step = 0.0; ///< From peak to peak, dB.
    double shorter = 0.0, first = 0.0; ///< Length of the shorter piece, and of the first.
    bool pitched = false, same = false; ///< Both are, and with one pitch.
};

enum class Sure { no, half, yes };

/// Whether it parts two notes, by itself.
Sure sureness(const Cut& cut)
{
    constexpr double shortestSeconds = 0.08, mostApartDb = 20.0;
    constexpr double someBodyDb = 3.0, muchBodyDb = 12.0, muchFallDb = 10.0;
    constexpr double newPitch = 0.4, newSound = 0.3;
    if (cut.shorter < shortestSeconds || std::abs(cut.step) > mostApartDb)
        return Sure::no;
    if (cut.pitched && !cut.same && cut.fresh >= newPitch)
        return Sure::yes;
    if (cut.body < someBodyDb)
        return Sure::no;
    const bool strong = cut.body >= muchBodyDb && cut.fall >= muchFallDb;
    return strong || (cut.fresh >= newSound && cut.body > someBodyDb + 1.0) ? Sure::yes
        : cut.body > someBodyDb + 1.0                                       ? Sure::half
                                                                            : Sure::no;
}

/// Struck again from far below: no swell rises so steeply.
bool isStruckAgain(const Cut& cut)
{
    return cut.rise >= 18.0 && cut.fall >= 12.0;
}

class Weigher {
public:
    Weigher(const Audio& audio, const std::vector<Piece>& pieces, const Progress& progress)
        : rate_(audio.rate)
        , mono_(mixToMono(audio))
    {
        for (std::size_t i = 0; i < pieces.size() && !progress.cancelled(); ++i) {
            facts_.push_back(factsOf(pieces[i]));
            if (i > 0)
                cuts_.push_back(cutBefore(i));
            progress.at(double(i + 1) / double(pieces.size()));
        }
    }

    /// Whether the cuts together speak of several notes.
    bool convinces() const
    {
        const double count = double(cuts_.size());
        if (cuts_.empty())
            return false;
        const auto sure = share([](const Cut& c) { return sureness(c) == Sure::yes; });
        const auto any = share([](const Cut& c) { return sureness(c) != Sure::no; });
        if (cuts_.size() == 1)
            return sure == 1.0 && cuts_[0].gap > 0.1 && cuts_[0].body > 20.0;
        const auto same = share([](const Cut& c) { return c.same; });
        const auto parted = share([](const Cut& c) { return c.gap > 0.04 && c.body >= 18.0; });
        if (same >= 0.75 && parted < 0.6)
            return repeats();
        // What has a pitch, or a hit's body, is no crackle.
        if (pitchedShare() >= 0.4)
            return sure * count >= 2.0 && sure >= (count > 7.0 ? 0.2 : 0.4) && any >= 0.35;
        return sure * count >= 3.0 && sure >= 0.6;
    }

    /// Cuts that part nothing: a note that pulses among notes of other pitches.
    std::vector<bool> idleCuts() const
    {
        const auto changes = std::count_if(cuts_.begin(), cuts_.end(),
            [](const Cut& c) { return c.pitched && !c.same && sureness(c) == Sure::yes; });
        std::vector<bool> idle;
        for (const auto& cut : cuts_)
            idle.push_back(changes >= 2 && cut.same && !isStruckAgain(cut) && cut.gap < 0.1);
        return idle;
    }

private:
    double levelDb(double from, double to) const
    {
        const auto at = [&](double seconds) {
            return std::min(mono_.size(), std::size_t(std::max(0.0, seconds) * rate_));
        };
        const auto part = std::span(mono_).subspan(at(from), at(to) - at(from));
        return part.empty() ? -200.0 : 10.0 * std::log10(std::max(1e-20, meanSquare(part)));
    }

    PieceFacts factsOf(const Piece& piece) const
    {
        constexpr double readSeconds = 3.0, confidence = 0.6;
        PieceFacts facts{
            toSeconds(piece.span.start, rate_), toSeconds(piece.span.end, rate_), piece.peakDb, {}};
        const auto from = std::size_t(std::max<std::int64_t>(0, piece.span.start.value));
        const auto length = std::min({std::size_t(piece.span.length()), mono_.size() - from,
            std::size_t(readSeconds * rate_)});
        const auto report = analysePitch(std::span(mono_).subspan(from, length), rate_);
        if (report.confidence > confidence)
            facts.midi = report.midi;
        return facts;
    }

    Cut cutBefore(std::size_t index) const
    {
        const PieceFacts &a = facts_[index - 1], &b = facts_[index];
        Cut cut;
        const double before = levelDb(b.start - 0.05, b.start);
        double after = -200.0;
        for (int i = 0; i < 8; ++i)
            after = std::max(after, levelDb(b.start + 0.01 * i, b.start + 0.01 * (i + 1)));
        double least = 200.0, quietest = b.start;
        for (double at = std::max(a.start, b.start - 0.3); at <= b.start; at += 0.01)
            if (const double level = levelDb(at, at + 0.02); level < least) {
                least = level;
                quietest = at;
            }
        constexpr double beside = 0.05;
        cut.notch = std::min(levelDb(quietest - beside, quietest - beside + 0.02),
                        levelDb(quietest + beside, quietest + beside + 0.02))
            - least;
        cut.gap = b.start - a.end;
        cut.rise = after - before;
        cut.body = levelDb(b.start + 0.02, b.start + 0.1) - before;
        cut.fall = a.peakDb - before;
        cut.dip = std::min(a.peakDb, after) - least;
        cut.fresh = newPeaks(mono_, rate_, std::int64_t(b.start * rate_));
        cut.step = b.peakDb - a.peakDb;
        cut.first = a.end - a.start;
        cut.shorter = std::min(cut.first, b.end - b.start);
        cut.pitched = a.midi && b.midi;
        cut.same = cut.pitched && std::abs(*a.midi - *b.midi) < 0.5;
        return cut;
    }

    template <class Is> double share(Is is) const
    {
        return double(std::count_if(cuts_.begin(), cuts_.end(), is)) / double(cuts_.size());
    }

    double pitchedShare() const
    {
        return double(std::count_if(facts_.begin(), facts_.end(), [](const PieceFacts& f) {
            return f.midi.has_value();
        })) / double(facts_.size());
    }

    /// One pitch again and again, with a notch between that is over at once. A slow wave on the
    /// level looks much the same, but comes and goes slowly, or comes round evenly.
    bool repeats() const
    {
        constexpr double nearPeakDb = 12.0, mostAlike = 0.8;
        double top = -200.0;
        for (const auto& f : facts_)
            top = std::max(top, f.peakDb);
        const auto loud = std::count_if(facts_.begin(), facts_.end(),
            [&](const PieceFacts& f) { return f.peakDb > top - nearPeakDb; });
        if (double(loud) < mostAlike * double(facts_.size()))
            return false; // what dies away in swells
        if (cuts_.size() >= 3 && share(isStruckAgain) >= 0.6)
            return true;
        const auto dips = share(
            [](const Cut& c) { return c.dip >= 4.0 && c.notch >= 2.5 && std::abs(c.step) < 10.0; });
        std::vector<double> lengths;
        for (const auto& cut : cuts_)
            lengths.push_back(cut.first);
        std::nth_element(
            lengths.begin(), lengths.begin() + std::ptrdiff_t(lengths.size() / 2), lengths.end());
        return cuts_.size() >= 5 && dips >= 0.7 && lengths[lengths.size() / 2] > 0.4
            && !comesRoundEvenly();
    }

    /// In ones, twos or threes.
    bool comesRoundEvenly() const
    {
        for (const std::size_t every : {1, 2, 3}) {
            if (facts_.size() < every + 4)
                break;
            double sum = 0.0, squares = 0.0, count = 0.0;
            for (std::size_t i = every; i < facts_.size(); ++i) {
                const double round = facts_[i].start - facts_[i - every].start;
                sum += round;
                squares += round * round;
                count += 1.0;
            }
            const double mean = sum / count;
            const double spread = std::sqrt(std::max(0.0, squares / count - mean * mean));
            // The sum of several is more even by itself.
            if (spread < (every == 1 ? 0.12 : 0.07) * mean)
                return true;
        }
        return false;
    }

    double rate_;
    std::vector<float> mono_;
    std::vector<PieceFacts> facts_;
    std::vector<Cut> cuts_;
};

/// The pieces without some of the cuts between wanted ones; slivers between what is joined go.
std::vector<Piece> joinedAt(const std::vector<Piece>& pieces, const std::vector<bool>& idle)
{
    std::vector<Piece> joined;
    std::size_t last = 0, wanted = 0; // place of the last wanted one; how many there were
    for (const auto& piece : pieces) {
        if (!piece.sliver && wanted++ > 0 && idle[wanted - 2]) {
            joined.resize(last + 1);
            joined[last].span.end = piece.span.end;
            joined[last].peakDb = std::max(joined[last].peakDb, piece.peakDb);
            continue;
        }
        joined.push_back(piece);
        if (!piece.sliver)
            last = joined.size() - 1;
    }
    return joined;
}

} // namespace

std::optional<SplitResult> splitToOffer(const Audio& audio, const Progress& progress)
{
    SplitResult split = splitRecording(audio, {}, progress.part(0.0, 0.5));
    if (wantedNotes(split) < 2 || progress.cancelled())
        return std::nullopt;
    std::vector<Piece> wanted;
    std::copy_if(split.pieces.begin(), split.pieces.end(), std::back_inserter(wanted),
        [](const Piece& piece) { return !piece.sliver; });
    const Weigher weigher(audio, wanted, progress.part(0.5, 1.0));
    if (progress.cancelled() || !weigher.convinces())
        return std::nullopt;
    split.pieces = joinedAt(split.pieces, weigher.idleCuts());
    return wantedNotes(split) < 2 ? std::nullopt : std::optional(std::move(split));
}

} // namespace puretone
