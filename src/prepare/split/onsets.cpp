// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/split/onsets.h"

#include "audio/signal/fft.h"

#include <algorithm>

namespace puretone {

namespace {

double quantile(std::vector<float>& values, double share)
{
    const auto at = values.begin() + std::ptrdiff_t(share * double(values.size() - 1));
    std::nth_element(values.begin(), at, values.end());
    return double(*at);
}

/// Copies `window` frames from `start` on into a transform, under a Hann window; zeros outside.
class Spectra {
public:
    /// @param padded How many times as long as the window the transform is.
    Spectra(std::span<const float> mono, std::size_t window, std::size_t padded)
        : mono_(mono)
        , hann_(hannWindow(window))
        , fft_(RealFft::goodSize(window * padded))
    {
    }
    std::span<const std::complex<float>> at(std::int64_t start)
    {
        const auto time = fft_.time();
        std::fill(time.begin(), time.end(), 0.0f);
        for (std::size_t j = 0; j < hann_.size(); ++j) {
            const auto place = start + std::int64_t(j);
            if (place >= 0 && place < std::int64_t(mono_.size()))
                time[j] = hann_[j] * mono_[std::size_t(place)];
        }
        fft_.forward();
        return fft_.spectrum();
    }
    std::size_t size() const { return fft_.size(); }
    std::size_t bins() const { return fft_.bins(); }
    std::size_t window() const { return hann_.size(); }

private:
    std::span<const float> mono_;
    std::vector<float> hann_;
    RealFft fft_;
};

struct Candidate {
    double seconds = 0.0;
    double attackSeconds = 0.0; ///< Where the energy rises most steeply about it.
    double edgeDb = 0.0; ///< How steeply.
    double fresh = 0.0; ///< Share of new peaks.
    double curve = 0.0; ///< What made it a candidate.
    double evidence = 0.0;
    bool recurring = false; ///< Among others like it, softly and without anything new: a tremolo.
};

/// What may begin inside one stretch.
class OnsetFinder {
public:
    OnsetFinder(std::span<const float> mono, double rate, const Novelty& novelty,
        const Steps& steps, SoundingStretch stretch)
        : mono_(mono)
        , rate_(rate)
        , novelty_(novelty)
        , steps_(steps)
        , stretch_(stretch)
    {
    }

    /// All moments that may be starts, most evident first.
    std::vector<Candidate> candidates() const
    {
        std::vector<Candidate> found;
        for (auto i = stretch_.from + 1; i < stretch_.to; ++i)
            if (isCandidate(i))
                found.push_back(judge(i));
        markRecurring(found);
        std::stable_sort(found.begin(), found.end(),
            [](const Candidate& a, const Candidate& b) { return a.evidence > b.evidence; });
        return found;
    }

    /// Those that are believed.
    std::vector<Candidate> choose(
        const std::vector<Candidate>& candidates, const OnsetOptions& options) const
    {
        std::vector<double> times{seconds(stretch_.from)};
        std::vector<Candidate> taken;
        for (const auto& c : candidates) {
            const double doubt = c.recurring ? options.recurringDoubt : 0.0;
            if (c.evidence - doubt <= needed(c.seconds, times, options))
                continue;
            times.push_back(c.seconds);
            taken.push_back(c);
        }
        return taken;
    }

private:
    double seconds(std::size_t hop) const { return double(hop) * novelty_.hopSeconds; }
    double curve(std::size_t i) const
    {
        return double(novelty_.rise[i]) + 0.8 * double(novelty_.longRise[i]);
    }

    /// The highest of the 30 ms on either side, and no small rise in the decay of something loud.
    bool isCandidate(std::size_t i) const
    {
        const double own = curve(i);
        if (own <= 1.0)
            return false;
        const auto reach = novelty_.hops(0.03);
        const auto from = i > reach ? i - reach : 0;
        const auto to = std::min(novelty_.rise.size(), i + reach + 1);
        for (auto j = from; j < to; ++j)
            if (curve(j) > own || (curve(j) == own && j < i))
                return false;
        const auto& levels = novelty_.levelDb;
        const auto soon = std::min(levels.size(), i + novelty_.hops(0.05) + 1);
        const double after = *std::max_element(
            levels.begin() + std::ptrdiff_t(i), levels.begin() + std::ptrdiff_t(soon));
        const double before = levels[i > reach ? i - reach : 0];
        return after > before - 12.0 && !stopsShort(i, before, after);
    }

    /// A sound that is cut off clicks, too; but nothing at all comes after it.
    bool stopsShort(std::size_t i, double before, double after) const
    {
        const auto later = std::min(novelty_.levelDb.size() - 1, i + novelty_.hops(0.1));
        return after < before + 1.0 && novelty_.levelDb[later] < digitalSilenceDb;
    }

    Candidate judge(std::size_t i) const
    {
        const auto ms = std::int64_t(std::lround(1000.0 * seconds(i)));
        auto attack = ms;
        double steepest = -200.0;
        for (auto t = std::max<std::int64_t>(0, ms - 35); t < std::min(steps_.size(), ms + 25); ++t)
            if (steps_.either(t) > steepest) {
                steepest = steps_.either(t);
                attack = t;
            }
        const double fresh = newPeaks(mono_, rate_, attack * std::int64_t(rate_) / 1000);
        const double edge = steps_.steepest(ms - 35, ms + 25);
        Candidate candidate{seconds(i), 0.001 * double(attack), edge, fresh, curve(i), 0.0, false};
        if (edge < 1.0 && fresh < 0.1 && !stirs(i))
            return candidate; // only faint bands rise: a pulse of the sound itself
        double rise = 0.0, longRise = 0.0;
        for (auto j = i > 2 ? i - 2 : 0; j < std::min(novelty_.rise.size(), i + 3); ++j) {
            rise = std::max(rise, double(novelty_.rise[j]));
            longRise = std::max(longRise, double(novelty_.longRise[j]));
        }
        // The weights are the experiment's: a logistic fit, rounded.
        candidate.evidence = 0.8 * std::min(rise, 10.0) + 1.1 * std::min(longRise, 8.0)
            + 0.85 * std::clamp(edge, 0.0, 12.0) + 6.0 * fresh - 2.2 * usualRise(i)
            - 0.85 * usualStep(ms) + 1.4 * std::log2(1.0 + double(novelty_.bands[i]));
        return candidate;
    }

    /// Whether the level moves at all: up, or down and up again.
    bool stirs(std::size_t i) const
    {
        const auto& levels = novelty_.levelDb;
        const auto place = [&](double seconds) {
            const auto at =
                std::int64_t(i) + std::int64_t(std::lround(seconds / novelty_.hopSeconds));
            return levels.begin()
                + std::clamp<std::int64_t>(at, 0, std::int64_t(levels.size()) - 1);
        };
        const double before = *std::max_element(place(-0.15), place(-0.025));
        const double dip = *std::min_element(place(-0.06), place(0.025));
        const double after = *std::max_element(place(0.0), place(0.105));
        return after > before + 0.5 || dip < before - 3.0;
    }

    /// What the sound does by itself within three quarters of a second, its attack apart.
    template <class Value>
    std::vector<float> around(std::int64_t centre, double perSecond, Value value) const
    {
        const auto first = std::int64_t((seconds(stretch_.from) + 0.1) * perSecond);
        const auto last = std::int64_t(seconds(stretch_.to) * perSecond);
        const auto reach = std::int64_t(0.75 * perSecond), own = std::int64_t(0.06 * perSecond);
        std::vector<float> values;
        for (auto j = std::max(first, centre - reach); j < std::min(last, centre + reach); ++j)
            if (std::abs(j - centre) > own)
                values.push_back(float(value(j)));
        return values;
    }
    double usualRise(std::size_t i) const
    {
        auto rises = around(std::int64_t(i), 1.0 / novelty_.hopSeconds,
            [&](std::int64_t j) { return novelty_.rise[std::size_t(j)]; });
        return rises.size() < 20 ? 0.5 : quantile(rises, 0.5);
    }
    double usualStep(std::int64_t ms) const
    {
        auto edges = around(ms, 1000.0, [&](std::int64_t j) { return steps_.edge(j); });
        return edges.size() < 100 ? 2.0 : quantile(edges, 0.9);
    }

    static void markRecurring(std::vector<Candidate>& candidates)
    {
        constexpr double around = 0.75, alike = 0.6, softDb = 6.0, freshShare = 0.1;
        constexpr int often = 3;
        for (auto& own : candidates) {
            const auto alikes =
                std::count_if(candidates.begin(), candidates.end(), [&](const Candidate& other) {
                    return std::abs(other.seconds - own.seconds) < around
                        && other.curve > alike * own.curve;
                });
            own.recurring = own.edgeDb < softDb && own.fresh < freshShare && alikes > often;
        }
    }

    /// More soon after the stretch began, and soon after another start.
    double needed(double at, const std::vector<double>& taken, const OnsetOptions& options) const
    {
        constexpr double leastApart = 0.08, soonEvidence = 4.0;
        const double age = at - seconds(stretch_.from);
        double needed = options.evidence + 38.0 * std::max(0.0, options.youthSeconds - age);
        for (std::size_t i = 0; i < taken.size(); ++i) {
            if (std::abs(at - taken[i]) < leastApart)
                return 1e9;
            if (i > 0 && at > taken[i] && at - taken[i] < options.soonSeconds)
                needed = std::max(needed, options.evidence + soonEvidence);
        }
        return needed;
    }

    std::span<const float> mono_;
    double rate_;
    const Novelty& novelty_;
    const Steps& steps_;
    SoundingStretch stretch_;
};

/// Hit follows hit: then a soft one between two loud ones is worth believing.
bool isRhythm(const std::vector<std::vector<Candidate>>& taken, double soundingSeconds)
{
    constexpr double least = 4.0, perSecond = 0.8, hardDb = 5.0, mostly = 0.6;
    double all = 0.0, hard = 0.0;
    for (const auto& stretch : taken)
        for (const auto& c : stretch) {
            all += 1.0;
            hard += c.edgeDb >= hardDb ? 1.0 : 0.0;
        }
    return all >= least && hard >= mostly * all && all >= perSecond * soundingSeconds;
}

} // namespace

double newPeaks(std::span<const float> mono, double rate, std::int64_t frame)
{
    constexpr double lowestHz = 55.0, highestHz = 6000.0, deepDb = 40.0, newDb = 9.0;
    const auto frames = [&](double seconds) { return std::int64_t(seconds * rate); };
    Spectra spectra(mono, std::size_t(frames(0.093)), 2);
    const auto window = std::int64_t(spectra.window());
    const auto bins = spectra.bins();
    std::vector<float> before(bins, 0.0f), after(bins);
    for (const double ends : {0.008, 0.098, 0.188, 0.278}) {
        const auto spectrum = spectra.at(frame - frames(ends) - window);
        for (std::size_t k = 0; k < bins; ++k)
            before[k] = std::max(before[k], std::abs(spectrum[k]));
    }
    const auto spectrum = spectra.at(frame + frames(0.06));
    for (std::size_t k = 0; k < bins; ++k)
        after[k] = std::abs(spectrum[k]);
    const double binHz = rate / double(spectra.size());
    const auto low = std::max<std::size_t>(1, std::size_t(lowestHz / binHz));
    const auto high = std::min(bins - 1, std::size_t(highestHz / binHz));
    if (high <= low)
        return 0.0;
    const float top = *std::max_element(
        after.begin() + std::ptrdiff_t(low), after.begin() + std::ptrdiff_t(high));
    const auto floor = float(double(top) * std::pow(10.0, -deepDb / 20.0));
    const auto louder = float(std::pow(10.0, newDb / 20.0));
    double all = 1e-20, fresh = 0.0;
    for (auto k = low; k < high; ++k) {
        if (after[k] <= floor || after[k] < after[k - 1] || after[k] <= after[k + 1])
            continue;
        // Within 60 cents, or two bins, was something as loud there?
        const auto reach =
            std::max<std::size_t>(2, std::size_t(std::lround(double(k) * (std::exp2(0.05) - 1.0))));
        const auto from = before.begin() + std::ptrdiff_t(k > reach ? k - reach : 0);
        const auto to = before.begin() + std::ptrdiff_t(std::min(bins, k + reach + 1));
        all += double(after[k]);
        if (after[k] > louder * *std::max_element(from, to))
            fresh += double(after[k]);
    }
    return fresh / all;
}

namespace {

/// The gain, by bins, that leaves what is there after `frame` and was not before, whitened a
/// little; empty where next to nothing is new: the same sound again after a dip.
std::vector<float> maskOfNew(
    std::span<const float> mono, double rate, std::int64_t frame, std::size_t window)
{
    Spectra spectra(mono, window, 1);
    const auto bins = spectra.bins();
    const auto meanPower = [&](double from, double to) {
        std::vector<float> mean(bins, 0.0f);
        auto start = frame + std::int64_t(from * rate);
        const auto end = frame + std::int64_t(to * rate);
        float count = 0.0f;
        for (; start + std::int64_t(window) <= end; start += std::int64_t(window / 4), ++count) {
            const auto spectrum = spectra.at(start);
            for (std::size_t k = 0; k < bins; ++k)
                mean[k] += std::norm(spectrum[k]);
        }
        for (float& m : mean)
            m /= std::max(1.0f, count);
        return mean;
    };
    const auto before = meanPower(-0.13, -0.03);
    const auto after = meanPower(0.005, 0.085);
    constexpr double leastNew = 0.02;
    std::vector<float> gains(bins, 0.0f);
    double all = 0.0, fresh = 0.0;
    for (std::size_t k = 0; k < bins; ++k) {
        float known = before[k];
        if (k > 0)
            known = std::max(known, before[k - 1]);
        if (k + 1 < bins)
            known = std::max(known, before[k + 1]);
        if (after[k] <= 0.0f)
            continue;
        const float left = std::max(0.0f, 1.0f - 2.0f * known / after[k]);
        gains[k] = left * std::pow(after[k], -0.25f);
        all += double(after[k]);
        fresh += double(left * after[k]);
    }
    if (fresh <= leastNew * all)
        gains.clear();
    return gains;
}

/// A stretch of the wave through a filter of these gains, without delay.
std::vector<float> filtered(std::span<const float> mono, std::int64_t from, std::int64_t to,
    const std::vector<float>& gains, std::size_t window)
{
    // The filter's response: real and even, cut to the window's length.
    RealFft small(window);
    const auto bins = small.spectrum();
    for (std::size_t k = 0; k < small.bins(); ++k)
        bins[k] = gains[k];
    small.inverse();
    const auto hann = hannWindow(window);
    const auto half = std::int64_t(window / 2);
    RealFft fft(RealFft::commonSize(std::size_t(to - from) + 2 * window));
    const auto time = fft.time();
    std::fill(time.begin(), time.end(), 0.0f);
    for (std::int64_t i = -half; i < half; ++i) {
        const auto wrapped = std::size_t(i < 0 ? i + std::int64_t(fft.size()) : i);
        const auto source = std::size_t(i < 0 ? i + std::int64_t(window) : i);
        time[wrapped] = small.time()[source] * hann[std::size_t(i + half)];
    }
    fft.forward();
    const std::vector<std::complex<float>> response(fft.spectrum().begin(), fft.spectrum().end());
    std::fill(time.begin(), time.end(), 0.0f);
    for (auto i = from - half; i < to + half; ++i)
        if (i >= 0 && i < std::int64_t(mono.size()))
            time[std::size_t(i - from + half)] = mono[std::size_t(i)];
    fft.forward();
    for (std::size_t k = 0; k < fft.bins(); ++k)
        fft.spectrum()[k] *= response[k];
    fft.inverse();
    return {time.begin() + half, time.begin() + half + (to - from)};
}

} // namespace

std::int64_t placeOnset(std::span<const float> mono, double rate, std::int64_t frame)
{
    constexpr int reach = 8, first = -60, last = 50, heard = 110; // ms
    constexpr double nearLoudestDb = 15.0;
    const auto frames = [&](int ms) { return std::int64_t(double(ms) * 0.001 * rate); };
    const auto window = RealFft::goodSize(std::size_t(0.0232 * rate));
    const auto gains = maskOfNew(mono, rate, frame, window);
    if (gains.empty())
        return frame;
    const auto from = frame + frames(first - reach);
    const auto wave = filtered(mono, from, frame + frames(heard + reach), gains, window);
    std::vector<double> energy; // of every millisecond
    for (int ms = first - reach; ms < heard + reach; ++ms) {
        double sum = 1e-20;
        const auto end =
            std::min<std::int64_t>(std::int64_t(wave.size()), frames(ms + 1 - first + reach));
        for (auto i = frames(ms - first + reach); i < end; ++i)
            sum += double(wave[std::size_t(i)]) * double(wave[std::size_t(i)]);
        energy.push_back(sum);
    }
    const auto sum = [&](int fromMs) {
        double total = 0.0;
        const int at = fromMs - first + reach;
        for (int i = at; i < at + reach; ++i)
            total += energy[std::size_t(i)];
        return total;
    };
    double loudest = 0.0;
    for (int ms = first; ms < heard; ++ms)
        loudest = std::max(loudest, sum(ms));
    const double least = loudest * std::pow(10.0, -nearLoudestDb / 10.0);
    int best = 0;
    double steepest = 0.0;
    for (int ms = first; ms <= last; ++ms)
        if (const double after = sum(ms); after >= least && after / sum(ms - reach) > steepest) {
            steepest = after / sum(ms - reach);
            best = ms;
        }
    return std::clamp<std::int64_t>(frame + frames(best), 0, std::int64_t(mono.size()) - 1);
}

std::vector<std::vector<std::int64_t>> findOnsets(std::span<const float> mono, double rate,
    const Novelty& novelty, const std::vector<SoundingStretch>& stretches,
    const OnsetOptions& options, const Progress& progress)
{
    const Steps steps(mono, rate);
    std::vector<OnsetFinder> finders;
    std::vector<std::vector<Candidate>> candidates, taken;
    double sounding = 0.0;
    for (const auto& stretch : stretches) {
        finders.emplace_back(mono, rate, novelty, steps, stretch);
        candidates.push_back(
            progress.cancelled() ? std::vector<Candidate>() : finders.back().candidates());
        taken.push_back(finders.back().choose(candidates.back(), options));
        sounding += double(stretch.to - stretch.from) * novelty.hopSeconds;
        progress.at(double(finders.size()) / double(stretches.size()));
    }
    if (isRhythm(taken, sounding))
        for (std::size_t i = 0; i < finders.size(); ++i)
            taken[i] = finders[i].choose(candidates[i], OnsetOptions::dense());
    std::vector<std::vector<std::int64_t>> starts(taken.size());
    for (std::size_t i = 0; i < taken.size(); ++i) {
        for (const auto& c : taken[i])
            starts[i].push_back(placeOnset(mono, rate, std::llround(c.attackSeconds * rate)));
        std::sort(starts[i].begin(), starts[i].end());
    }
    return starts;
}

} // namespace puretone
