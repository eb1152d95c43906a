// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/seam.h"

#include "audio/fft.h"
#include "base/quantity.h"
#include "loop/crossfade.h"

#include <array>
#include <numbers>
#include <utility>

namespace puretone {

namespace {

constexpr double windowSeconds = 0.045;
constexpr double bandDepthDb = 50.0;

std::int64_t wrap(std::int64_t frame, std::int64_t length)
{
    if (frame >= 0 && frame < length) // nearly always, and a division is slow
        return frame;
    const auto rest = frame % length;
    return rest < 0 ? rest + length : rest;
}

/// Sums over frames of the recording that many loops are made from: frame powers and powers of the
/// second difference, of all channels together.
class RecordingPowers {
public:
    RecordingPowers(const Audio& audio, Span span)
        : span_(span)
    {
        const auto count = std::size_t(span.length()) + 1;
        power_.assign(count, 0.0);
        edges_.assign(count, 0.0);
        for (const auto& channel : audio.channels)
            for (std::size_t i = 1; i < count; ++i) {
                const auto at = std::size_t(span.start.value) + i - 1;
                const double now = channel[at];
                const double old = at > 0 ? double(channel[at - 1]) : now;
                const double older = at > 1 ? double(channel[at - 2]) : old;
                const double bend = now - 2.0 * old + older;
                power_[i] += now * now;
                edges_[i] += bend * bend;
            }
        for (std::size_t i = 1; i < count; ++i) {
            power_[i] += power_[i - 1];
            edges_[i] += edges_[i - 1];
        }
    }
    bool holds(Span span) const { return span.start >= span_.start && span.end <= span_.end; }
    Span span() const { return span_; }
    /// Running sums, the first of them at frame `from` of the recording.
    const double* powerFrom(std::int64_t from) const { return &power_[index(from)]; }
    const double* edgesFrom(std::int64_t from) const { return &edges_[index(from)]; }

private:
    std::size_t index(std::int64_t frame) const { return std::size_t(frame - span_.start.value); }
    Span span_;
    std::vector<double> power_, edges_;
};

/// Sums over any stretch of one turn that goes round for ever, in constant time. Its middle is the
/// recording as it is; only the first frames (whose past is the turn's end) and the baked ones have
/// sums of their own.
class PeriodicPower {
public:
    /// @param middle Running sums of the recording, from the turn's first frame on.
    PeriodicPower(std::int64_t length, const std::vector<double>& head,
        const std::vector<double>& tail, const double* middle)
        : length_(length)
        , head_(running(head))
        , tail_(running(tail))
        , headEnd_(std::int64_t(head.size()))
        , tailStart_(length - std::int64_t(tail.size()))
        , middle_(middle)
        , turn_(inside(length))
    {
    }
    double mean(std::int64_t from, std::int64_t to) const
    {
        return std::max(0.0, sumTo(to) - sumTo(from))
            / double(std::max<std::int64_t>(1, to - from));
    }
    double meanDb(std::int64_t from, std::int64_t to) const
    {
        return 10.0 * std::log10(std::max(1e-20, mean(from, to)));
    }

private:
    static std::vector<double> running(const std::vector<double>& values)
    {
        std::vector<double> sums(values.size() + 1, 0.0);
        for (std::size_t i = 0; i < values.size(); ++i)
            sums[i + 1] = sums[i] + values[i];
        return sums;
    }
    double inside(std::int64_t frame) const
    {
        if (frame <= headEnd_)
            return head_[std::size_t(frame)];
        const double begun = head_.back() - middle_[headEnd_];
        if (frame <= tailStart_)
            return begun + middle_[frame];
        return begun + middle_[tailStart_] + tail_[std::size_t(frame - tailStart_)];
    }
    double sumTo(std::int64_t frame) const
    {
        const auto rest = wrap(frame, length_);
        return double((frame - rest) / length_) * turn_ + inside(rest);
    }
    std::int64_t length_;
    std::vector<double> head_, tail_;
    std::int64_t headEnd_, tailStart_;
    const double* middle_;
    double turn_;
};

double percentile(std::vector<double> values, double share)
{
    if (values.empty())
        return 0.0;
    const auto at = values.begin() + std::ptrdiff_t(share * double(values.size() - 1));
    std::nth_element(values.begin(), at, values.end());
    return *at;
}

/// Third-octave spectra of windows of one length.
struct Spectra {
    struct Band {
        std::size_t from, to;
    };
    Spectra(std::int64_t windowFrames, double rate)
        : window(windowFrames)
        , fft(RealFft::goodSize(std::size_t(windowFrames) * 2))
        , hann(hannWindow(std::size_t(windowFrames)))
    {
        const double binHz = rate / double(fft.size());
        std::size_t from = 1;
        for (double edge = 60.0; edge < 0.45 * rate && edge < 16000.0;
             edge *= std::exp2(1.0 / 3.0)) {
            const auto to = std::min(fft.bins(), std::size_t(edge / binHz) + 1);
            if (to <= from)
                continue;
            bands.push_back({from, to});
            from = to;
        }
    }
    std::int64_t window;
    RealFft fft;
    std::vector<float> hann;
    std::vector<Band> bands;
};

/// A stretch of a recording that goes round, with what was baked into its end, and its powers ready
/// for any window. Costs no more than its baked part.
class Sound {
public:
    /// @param tail Takes the place of the stretch's last frames. @param goesRound Whether the frame
    /// before the first is the last one; otherwise it is the recording's own.
    Sound(const Audio& audio, const RecordingPowers& powers, Spectra& spectra, Span span,
        Audio tail, bool goesRound)
        : audio_(audio)
        , spectra_(spectra)
        , start_(span.start.value)
        , length_(span.length())
        , window_(spectra.window)
        , tailStart_(length_ - tail.frames())
        , tail_(std::move(tail))
        , power_(length_, {}, tailPowers(), powers.powerFrom(start_))
        , edges_(length_, headBends(goesRound ? std::min<std::int64_t>(2, tailStart_) : 0),
              tailBends(), powers.edgesFrom(start_))
    {
    }

    std::int64_t length() const { return length_; }
    const PeriodicPower& power() const { return power_; }

    /// Highest level of the second difference under 1.5 ms inside a stretch, dB.
    double edgeMaximum(std::int64_t from, std::int64_t reach) const
    {
        const auto window =
            std::clamp<std::int64_t>(std::int64_t(0.0015 * audio_.rate), 1, length_);
        const auto hop = std::max<std::int64_t>(1, window / 3);
        double top = 1e-30;
        for (std::int64_t i = from; i + window <= from + std::max(reach, window); i += hop)
            top = std::max(top, edges_.mean(i, i + window));
        return 10.0 * std::log10(top);
    }

    struct Step {
        double level = 0.0;
        double timbre = 0.0;
    };
    /// Level and timbre difference of the windows that meet at `at`, dB.
    Step step(std::int64_t at)
    {
        const auto before = bandLevels(at - window_);
        const auto after = bandLevels(at);
        double top = -300.0;
        for (std::size_t b = 0; b < before.size(); ++b)
            top = std::max({top, before[b], after[b]});
        double weights = 0.0, sum = 0.0, squares = 0.0;
        for (std::size_t b = 0; b < before.size(); ++b) {
            // Strong bands are heard, bands at the floor are not.
            const double depth = (top - std::max(before[b], after[b])) / bandDepthDb;
            const double w = 0.02 + std::max(0.0, 1.0 - depth);
            const double d = after[b] - before[b];
            weights += w;
            sum += w * d;
            squares += w * d * d;
        }
        const double level =
            std::abs(power_.meanDb(at, at + window_) - power_.meanDb(at - window_, at));
        if (weights <= 0.0)
            return {level, 0.0};
        const double mean = sum / weights;
        return {level, std::sqrt(std::max(0.0, squares / weights - mean * mean))};
    }

    /// Largest departure of the 15 ms level from the line between both sides of a stretch, dB.
    double departure(std::int64_t from, std::int64_t reach, std::int64_t shortest) const
    {
        const auto side = std::max<std::int64_t>(std::int64_t(0.03 * audio_.rate), 2 * shortest);
        const auto window = std::max<std::int64_t>(std::int64_t(0.015 * audio_.rate), shortest);
        if (reach < window)
            return 0.0;
        const double left = power_.meanDb(from - side, from);
        const double right = power_.meanDb(from + reach, from + reach + side);
        double worst = 0.0;
        for (std::int64_t at = 0; at + window <= reach;
             at += std::max<std::int64_t>(1, window / 2)) {
            const double u = (double(at) + 0.5 * double(window)) / double(reach);
            const double line = left + u * (right - left);
            worst = std::max(worst, std::abs(power_.meanDb(from + at, from + at + window) - line));
        }
        return worst;
    }

private:
    /// One sample of the turn, `frame` from its start; goes round.
    double sample(std::size_t channel, std::int64_t frame) const
    {
        const auto at = wrap(frame, length_);
        return at < tailStart_ ? double(audio_.channels[channel][std::size_t(start_ + at)])
                               : double(tail_.channels[channel][std::size_t(at - tailStart_)]);
    }

    /// One window's samples, piece by piece of what lies together.
    void copyWindow(std::size_t channel, std::int64_t from, float* to) const
    {
        const auto& recorded = audio_.channels[channel];
        const auto& baked = tail_.channels.empty() ? recorded : tail_.channels[channel];
        for (std::int64_t done = 0; done < window_;) {
            const auto at = wrap(from + done, length_);
            const bool inTail = at >= tailStart_;
            const auto count = std::min(window_ - done, (inTail ? length_ : tailStart_) - at);
            std::copy_n(inTail ? baked.data() + (at - tailStart_) : recorded.data() + start_ + at,
                count, to + done);
            done += count;
        }
    }

    /// Of the baked frames.
    std::vector<double> tailPowers() const
    {
        std::vector<double> power(std::size_t(length_ - tailStart_), 0.0);
        for (const auto& channel : tail_.channels)
            for (std::size_t i = 0; i < power.size(); ++i)
                power[i] += double(channel[i]) * double(channel[i]);
        return power;
    }

    /// Powers of the second difference of the first `count` frames.
    std::vector<double> headBends(std::int64_t count) const
    {
        std::vector<double> power(std::size_t(count), 0.0);
        for (std::size_t c = 0; c < audio_.channelCount(); ++c)
            for (std::int64_t f = 0; f < count; ++f) {
                const double bend = sample(c, f) - 2.0 * sample(c, f - 1) + sample(c, f - 2);
                power[std::size_t(f)] += bend * bend;
            }
        return power;
    }

    std::vector<double> tailBends() const
    {
        std::vector<double> power(std::size_t(length_ - tailStart_), 0.0);
        for (std::size_t c = 0; c < tail_.channelCount(); ++c) {
            double older = sample(c, tailStart_ - 2), old = sample(c, tailStart_ - 1);
            const auto& channel = tail_.channels[c];
            for (std::size_t i = 0; i < power.size(); ++i) {
                const double now = double(channel[i]);
                const double bend = now - 2.0 * old + older;
                power[i] += bend * bend;
                older = std::exchange(old, now);
            }
        }
        return power;
    }

    /// Third-octave levels of one window beginning at `from`, dB, floored under its own top.
    std::vector<double> bandLevels(std::int64_t from)
    {
        const auto& bands = spectra_.bands;
        std::vector<double> levels(bands.size(), 0.0);
        const auto time = spectra_.fft.time();
        for (std::size_t c = 0; c < audio_.channelCount(); ++c) {
            std::fill(time.begin() + window_, time.end(), 0.0f);
            copyWindow(c, from, time.data());
            for (std::size_t i = 0; i < std::size_t(window_); ++i)
                time[i] *= spectra_.hann[i];
            spectra_.fft.forward();
            const auto bins = spectra_.fft.spectrum();
            for (std::size_t b = 0; b < bands.size(); ++b)
                for (auto k = bands[b].from; k < bands[b].to; ++k)
                    levels[b] += double(std::norm(bins[k]));
        }
        double top = -300.0;
        for (double& level : levels) {
            level = 10.0 * std::log10(std::max(1e-20, level));
            top = std::max(top, level);
        }
        for (double& level : levels)
            level = std::max(level, top - bandDepthDb);
        return levels;
    }

    const Audio& audio_;
    Spectra& spectra_;
    std::int64_t start_;
    std::int64_t length_;
    std::int64_t window_;
    std::int64_t tailStart_; ///< Of the baked part, from the turn's start.
    Audio tail_;
    PeriodicPower power_;
    PeriodicPower edges_;
};

/// `count` places at which a stretch of `reach` frames with `margin` around it lies inside.
std::vector<std::int64_t> placesInside(
    std::int64_t length, std::int64_t margin, std::int64_t reach, int count)
{
    std::vector<std::int64_t> places;
    const auto free = length - reach - 2 * margin;
    for (int i = 0; i < count && free > 0; ++i)
        places.push_back(margin + free * i / (count - 1));
    return places;
}

/// Over this long a loop is compared with its own stretch, below it with its surroundings, too.
constexpr double shortSeconds = 0.25;

Span reference(const Audio& audio, Span loop)
{
    const auto least = std::int64_t(2.0 * shortSeconds * audio.rate);
    auto [start, end] = loop;
    if (const auto missing = least - loop.length(); missing > 0) {
        end.value = std::min(audio.frames(), end.value + missing / 2);
        start.value = std::max<std::int64_t>(0, end.value - least);
    }
    return {start, end};
}

double clickDb(const Sound& turn, const Sound& usual, std::int64_t fade, double rate)
{
    const auto margin = std::int64_t(0.006 * rate);
    const auto reach = std::min(fade + 2 * margin, usual.length());
    std::vector<double> others;
    for (const auto at : placesInside(usual.length(), 2, reach, 24))
        others.push_back(usual.edgeMaximum(at, reach));
    if (others.empty())
        others.push_back(usual.edgeMaximum(2, usual.length() - 2));
    const double seam = turn.edgeMaximum(turn.length() - fade - margin, reach);
    // 80 dB under the sound itself nothing clicks, however smooth the rest is.
    const double inaudible = usual.power().meanDb(0, usual.length()) - 80.0;
    return std::max(0.0, seam - std::max(inaudible, percentile(others, 0.95)));
}

/// Medians of the steps inside a stretch.
Sound::Step usualStep(Sound& usual, std::int64_t window)
{
    std::vector<double> level, timbre;
    for (const auto at : placesInside(usual.length(), window, 0, 10)) {
        const auto s = usual.step(at);
        level.push_back(s.level);
        timbre.push_back(s.timbre);
    }
    return {percentile(level, 0.5), percentile(timbre, 0.5)};
}

/// Mean of the worst and the average over three places of the fade, beyond what is usual.
Sound::Step stepDb(Sound& turn, const Sound::Step& usual, std::int64_t fade)
{
    Sound::Step worst, sum;
    for (const auto at : {turn.length(), turn.length() - fade / 2, turn.length() - fade}) {
        const auto s = turn.step(at);
        worst = {std::max(worst.level, s.level), std::max(worst.timbre, s.timbre)};
        sum = {sum.level + s.level / 3.0, sum.timbre + s.timbre / 3.0};
    }
    return {std::max(0.0, 0.5 * (worst.level + sum.level) - usual.level),
        std::max(0.0, 0.5 * (worst.timbre + sum.timbre) - usual.timbre)};
}

double dipDb(const Sound& turn, const Sound& usual, std::int64_t fade, std::int64_t shortest)
{
    std::vector<double> others;
    for (const auto at : placesInside(usual.length(), 2 * shortest, fade, 6))
        others.push_back(usual.departure(at, fade, shortest));
    return std::max(
        0.0, turn.departure(turn.length() - fade, fade, shortest) - percentile(others, 0.5));
}

double pulseDb(const Sound& turn, std::int64_t window)
{
    constexpr int points = 64;
    if (window >= turn.length())
        return 0.0;
    double re = 0.0, im = 0.0;
    for (int i = 0; i < points; ++i) {
        const auto from = turn.length() * i / points - window / 2;
        const double db = turn.power().meanDb(from, from + window);
        const double angle = 2.0 * std::numbers::pi * i / points;
        re += db * std::cos(angle);
        im += db * std::sin(angle);
    }
    // Swing from lowest to highest: twice the amplitude, which is 2/points times the sum.
    return 4.0 / points * std::hypot(re, im);
}

/// In the order of SeamMeasures.
constexpr SeamMeasures longLimits{4.0, 1.5, 1.0, 1.5, 5.0};
constexpr SeamMeasures shortLimits{1.5, 0.5, 0.7, 0.6, 0.5};

std::array<double, 5> overLimits(const SeamMeasures& m, double loopSeconds)
{
    const SeamMeasures limit = seamLimits(loopSeconds);
    return {m.clickDb / limit.clickDb, m.levelDb / limit.levelDb, m.timbreDb / limit.timbreDb,
        m.dipDb / limit.dipDb, m.pulseDb / limit.pulseDb};
}

} // namespace

/// What many loops of one recording share.
struct SeamMeter::Shared {
    std::unique_ptr<RecordingPowers> powers;
    std::unique_ptr<Spectra> spectra;

    /// What is usual in the stretch that a loop was made from.
    struct Usual {
        Span loop;
        Sound sound;
        Sound::Step step;
    };
    std::unique_ptr<Usual> usual;

    void prepare(const Audio& audio, Span loop, std::int64_t window)
    {
        const Span wanted = reference(audio, loop);
        const Span both{std::min(wanted.start, loop.start), std::max(wanted.end, loop.end)};
        if (!powers || !powers->holds(both)) {
            usual.reset();
            // A second more on both sides: the next loop will lie near this one.
            const auto room = std::llround(audio.rate);
            Span span{Frames{std::max<std::int64_t>(0, both.start.value - room)},
                Frames{std::min<std::int64_t>(audio.frames(), both.end.value + room)}};
            if (powers)
                span = {std::min(span.start, powers->span().start),
                    std::max(span.end, powers->span().end)};
            powers = std::make_unique<RecordingPowers>(audio, span);
        }
        if (!spectra || spectra->window != window) {
            usual.reset();
            spectra = std::make_unique<Spectra>(window, audio.rate);
        }
        // Ends move by a few frames while a joint is refined; what is usual does not change by
        // that.
        const auto near = loop.length() / 100;
        if (usual && std::abs(loop.start.value - usual->loop.start.value) <= near
            && std::abs(loop.end.value - usual->loop.end.value) <= near)
            return;
        usual = std::make_unique<Usual>(
            Usual{loop, Sound(audio, *powers, *spectra, wanted, {audio.rate, {}}, false), {}});
        usual->step = usualStep(usual->sound, window);
    }
};

SeamMeter::SeamMeter(const Audio& audio, std::optional<double> period)
    : audio_(audio)
    , period_(period)
    , shared_(std::make_unique<Shared>())
{
}

SeamMeter::~SeamMeter() = default;

SeamMeasures SeamMeter::measure(const Loop& loop)
{
    const auto length = loop.span.length();
    const auto fade = loop.crossfade.value;
    const auto frames = [&](double seconds) { return std::int64_t(seconds * audio_.rate); };
    // Whole periods: shorter windows follow the wave itself. Rounds shorter than a window are a
    // tone, in which nothing can step.
    const auto wave = frames(1.5 * period_.value_or(0.0));
    const auto window =
        std::max<std::int64_t>({std::min(frames(windowSeconds), length / 2), frames(0.02), 16});
    shared_->prepare(audio_, loop.span, window);
    Sound& usual = shared_->usual->sound;
    Sound turn(audio_, *shared_->powers, *shared_->spectra, loop.span, bakeEnd(audio_, loop), true);
    SeamMeasures measures;
    measures.clickDb = clickDb(turn, usual, fade, audio_.rate);
    const auto step = stepDb(turn, shared_->usual->step, fade);
    measures.levelDb = step.level;
    measures.timbreDb = step.timbre;
    measures.dipDb = dipDb(turn, usual, fade, wave);
    const auto slow = std::max(wave, std::min(frames(0.02), length / 2));
    measures.pulseDb = pulseDb(turn, std::max<std::int64_t>(1, slow));
    return measures;
}

SeamMeasures measureSeam(const Audio& audio, const Loop& loop, std::optional<double> period)
{
    return SeamMeter(audio, period).measure(loop);
}

SeamMeasures seamLimits(double loopSeconds)
{
    return loopSeconds < shortSeconds ? shortLimits : longLimits;
}

double seamCost(const SeamMeasures& measures, double loopSeconds)
{
    const auto parts = overLimits(measures, loopSeconds);
    double worst = 0.0, sum = 0.0;
    for (const double part : parts) {
        worst = std::max(worst, part);
        sum += part;
    }
    return worst + 0.1 * sum / double(parts.size());
}

SeamVerdict seamVerdict(double cost)
{
    return cost <= 1.0 ? SeamVerdict::seamless : SeamVerdict::audible;
}

const char* nameOf(SeamVerdict verdict)
{
    switch (verdict) {
    case SeamVerdict::seamless:
        return "seamless";
    case SeamVerdict::audible:
        return "audible";
    case SeamVerdict::none:
        break;
    }
    return "none";
}

std::string describeSeam(const SeamMeasures& m, double loopSeconds)
{
    if (seamVerdict(seamCost(m, loopSeconds)) == SeamVerdict::seamless)
        return "seamless";
    const auto parts = overLimits(m, loopSeconds);
    const auto worst = std::max_element(parts.begin(), parts.end()) - parts.begin();
    const auto by = [](double db) { return " by " + formatNumber(db, 1) + " dB"; };
    switch (worst) {
    case 0:
        return "clicks" + by(m.clickDb);
    case 1:
        return "steps in level" + by(m.levelDb);
    case 2:
        return "changes colour" + by(m.timbreDb);
    case 3:
        return "dips or bumps" + by(m.dipDb);
    default:
        return "pulses" + by(m.pulseDb);
    }
}

} // namespace puretone
