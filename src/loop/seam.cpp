// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/seam.h"

#include "base/quantity.h"
#include "loop/crossfade.h"
#include "loop/turn.h"

#include <array>
#include <numbers>
#include <utility>

namespace puretone {

namespace {

constexpr double windowSeconds = 0.045;

double percentile(std::vector<double> values, double share)
{
    if (values.empty())
        return 0.0;
    const auto at = values.begin() + std::ptrdiff_t(share * double(values.size() - 1));
    std::nth_element(values.begin(), at, values.end());
    return *at;
}

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

double clickDb(const Turn& turn, const Turn& usual, std::int64_t fade, double rate)
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
Turn::Step usualStep(Turn& usual, std::int64_t window)
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
Turn::Step stepDb(Turn& turn, const Turn::Step& usual, std::int64_t fade)
{
    Turn::Step worst, sum;
    for (const auto at : {turn.length(), turn.length() - fade / 2, turn.length() - fade}) {
        const auto s = turn.step(at);
        worst = {std::max(worst.level, s.level), std::max(worst.timbre, s.timbre)};
        sum = {sum.level + s.level / 3.0, sum.timbre + s.timbre / 3.0};
    }
    return {std::max(0.0, 0.5 * (worst.level + sum.level) - usual.level),
        std::max(0.0, 0.5 * (worst.timbre + sum.timbre) - usual.timbre)};
}

double dipDb(const Turn& turn, const Turn& usual, std::int64_t fade, std::int64_t shortest)
{
    std::vector<double> others;
    for (const auto at : placesInside(usual.length(), 2 * shortest, fade, 6))
        others.push_back(usual.departure(at, fade, shortest));
    return std::max(
        0.0, turn.departure(turn.length() - fade, fade, shortest) - percentile(others, 0.5));
}

double pulseDb(const Turn& turn, std::int64_t window)
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
        Turn sound;
        Turn::Step step;
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
            Usual{loop, Turn(audio, *powers, *spectra, wanted, {audio.rate, {}}, false), {}});
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
    Turn& usual = shared_->usual->sound;
    Turn turn(audio_, *shared_->powers, *shared_->spectra, loop.span, bakeEnd(audio_, loop), true);
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
