// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/joint/seam.h"

#include "base/quantity.h"
#include "loop/joint/bake.h"
#include "loop/joint/changes.h"
#include "loop/joint/turn.h"

#include <array>
#include <map>
#include <numbers>

namespace puretone {

namespace {

constexpr double pulseWindowSeconds = 0.045;

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

/// A place where two stretches of a turn meet, and the crossfade before it.
struct Seam {
    std::int64_t at = 0;
    std::int64_t fade = 0;
};

/// Both turns of an alternating loop, the one joint of any other.
std::vector<Seam> seamsOf(const Loop& loop, std::int64_t turnLength)
{
    const auto fade = loop.crossfade.value;
    if (loop.mode == LoopMode::alternating)
        return {{turnLength, fade}, {turnLength / 2, fade}};
    return {{turnLength, fade}};
}

double clickDb(
    const Turn& turn, const Turn& usual, std::int64_t joint, std::int64_t fade, double rate)
{
    const auto margin = std::int64_t(0.006 * rate);
    const auto reach = std::min(fade + 2 * margin, usual.length());
    std::vector<double> others;
    for (const auto at : placesInside(usual.length(), 2, reach, 24))
        others.push_back(usual.edgeMaximum(at, reach));
    if (others.empty())
        others.push_back(usual.edgeMaximum(2, usual.length() - 2));
    const double here = turn.edgeMaximum(joint - fade - margin, reach);
    // 80 dB under the sound itself nothing clicks, however smooth the rest is.
    const double inaudible = usual.power().meanDb(0, usual.length()) - 80.0;
    return std::max(0.0, here - std::max(inaudible, percentile(others, 0.95)));
}

/// Medians of the steps inside a stretch.
SpectralStep usualStep(Turn& usual, std::int64_t window, int places)
{
    std::vector<double> level, timbre;
    for (const auto at : placesInside(usual.length(), window, 0, places)) {
        const auto s = usual.step(at);
        level.push_back(s.level);
        timbre.push_back(s.timbre);
    }
    return {percentile(level, 0.5), percentile(timbre, 0.5)};
}

/// Mean of the worst and the average over three places of the fade, or the step at the joint
/// itself, beyond what is usual.
SpectralStep stepDb(Turn& turn, const SpectralStep& usual, Seam seam)
{
    const auto joint = turn.step(seam.at);
    SpectralStep worst = joint, sum = joint;
    for (const auto at : {seam.at - seam.fade / 2, seam.at - seam.fade}) {
        const auto s = turn.step(at);
        worst = {std::max(worst.level, s.level), std::max(worst.timbre, s.timbre)};
        sum = {sum.level + s.level, sum.timbre + s.timbre};
    }
    return {std::max({0.0, joint.level - usual.level,
                0.5 * (worst.level + sum.level / 3.0) - usual.level}),
        std::max({0.0, joint.timbre - usual.timbre,
            0.5 * (worst.timbre + sum.timbre / 3.0) - usual.timbre})};
}

/// Entering a short loop happens once a note, its seam many times a second.
constexpr double entryCounts = 0.33;

/// The smaller of both: what a restless recording hides stands out in a loop that is steadier.
SpectralStep smaller(const SpectralStep& a, const SpectralStep& b)
{
    return {std::min(a.level, b.level), std::min(a.timbre, b.timbre)};
}

double departureDb(const Turn& turn, const Turn& usual, std::int64_t from, std::int64_t reach,
    std::int64_t shortest)
{
    std::vector<double> others;
    for (const auto at : placesInside(usual.length(), 2 * shortest, reach, 6))
        others.push_back(usual.departure(at, reach, shortest));
    return std::max(0.0, turn.departure(from, reach, shortest) - percentile(others, 0.5));
}

/// The joint itself, against what the sound does at other places: a long crossfade forgives nothing
/// of what happens in its last few milliseconds.
double leapOutDb(const Turn& turn, const Turn& usual, std::int64_t joint, std::int64_t window)
{
    std::vector<double> others;
    for (const auto at : placesInside(usual.length(), 4 * window, 0, 16))
        others.push_back(usual.leapOut(at, window));
    return std::max(0.0, turn.leapOut(joint, window) - percentile(others, 0.5));
}

/// Holes and bumps in the crossfade, and at the joint itself.
double dipDb(
    const Turn& turn, const Turn& usual, Seam seam, std::int64_t shortest, std::int64_t around)
{
    return std::max(
        departureDb(turn, usual, seam.at - seam.fade - around, seam.fade + 2 * around, shortest),
        departureDb(turn, usual, seam.at - around, 2 * around, shortest));
}

/// @param shortest Rounds shorter than this are a tone and do not pulse.
double pulseDb(const Turn& turn, std::int64_t window, std::int64_t shortest)
{
    constexpr int points = 64;
    if (window >= turn.length() || turn.length() < shortest)
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
constexpr SeamMeasures longLimits{3.0, 1.0, 0.9, 2.0, 1.5, 2.0};
constexpr SeamMeasures shortLimits{1.5, 0.5, 0.7, 2.5, 0.6, 0.5};

constexpr std::size_t measureCount = 6;

std::array<double, measureCount> overLimits(const SeamMeasures& m, double loopSeconds)
{
    const SeamMeasures limit = seamLimits(loopSeconds);
    return {m.clickDb / limit.clickDb, m.levelDb / limit.levelDb, m.timbreDb / limit.timbreDb,
        m.changeDb / limit.changeDb, m.dipDb / limit.dipDb, m.pulseDb / limit.pulseDb};
}

} // namespace

/// What many loops of one recording share.
struct SeamMeter::Shared {
    std::unique_ptr<RecordingPowers> powers;
    std::map<std::int64_t, std::unique_ptr<Spectra>> spectra; ///< By window.
    Spectra* current = nullptr;
    std::unique_ptr<RecordingChanges> changes;

    /// What is usual in the stretch that a loop was made from.
    struct Usual {
        Span loop;
        Span stretch;
        Turn sound;
        std::optional<SpectralStep> step;
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
            if (powers) {
                // Loops that lie far apart do not share what lies between.
                constexpr double most = 30.0;
                const Span all{std::min(span.start, powers->span().start),
                    std::max(span.end, powers->span().end)};
                if (double(all.length()) < most * audio.rate)
                    span = all;
            }
            powers = std::make_unique<RecordingPowers>(audio, span);
        }
        auto& wantedSpectra = spectra[window];
        if (!wantedSpectra)
            wantedSpectra = std::make_unique<Spectra>(window, audio.rate);
        if (current != wantedSpectra.get()) {
            usual.reset();
            current = wantedSpectra.get();
        }
        if (!changes)
            changes = std::make_unique<RecordingChanges>(audio);
        // Ends move by a few frames while a joint is refined; what is usual does not change by
        // that.
        const auto near = loop.length() / 100;
        if (usual && std::abs(loop.start.value - usual->loop.start.value) <= near
            && std::abs(loop.end.value - usual->loop.end.value) <= near)
            return;
        usual = std::make_unique<Usual>(Usual{loop, wanted,
            Turn(audio, *powers, *current, {wanted.start.value, wanted.length(), {audio.rate, {}}},
                false),
            {}});
    }
};

SeamMeter::SeamMeter(const Audio& audio, std::optional<double> period)
    : audio_(audio)
    , period_(period)
    , shared_(std::make_unique<Shared>())
{
}

SeamMeter::~SeamMeter() = default;

void SeamMeter::expect(Span span)
{
    shared_->powers = std::make_unique<RecordingPowers>(audio_, span);
}

namespace {

/// The worse of both in every measure.
void worsen(SeamMeasures& m, const SeamMeasures& other)
{
    m.clickDb = std::max(m.clickDb, other.clickDb);
    m.levelDb = std::max(m.levelDb, other.levelDb);
    m.timbreDb = std::max(m.timbreDb, other.timbreDb);
    m.changeDb = std::max(m.changeDb, other.changeDb);
    m.dipDb = std::max(m.dipDb, other.dipDb);
}

} // namespace

/// In steps of 5 ms, so that a few transforms serve all loops; of low notes whole periods, or two
/// windows side by side would differ by where in the wave they lie.
std::int64_t SeamMeter::windowFor(std::int64_t loopFrames) const
{
    const auto frames = [&](double seconds) { return std::int64_t(seconds * audio_.rate); };
    const auto wanted = std::max(std::min(frames(pulseWindowSeconds), loopFrames / 2),
        std::max<std::int64_t>(16, frames(0.02)));
    constexpr double low = 0.01;
    if (const double period = period_.value_or(0.0); period > low) {
        const double periods = std::max(1.0, std::round(double(wanted) / audio_.rate / period));
        return std::max<std::int64_t>(16, std::llround(periods * period * audio_.rate));
    }
    const auto grid = std::max<std::int64_t>(16, frames(0.005));
    return wanted / grid * grid;
}

SeamMeasures SeamMeter::measure(const Loop& loop, double giveUpAbove)
{
    const auto length = loop.span.length();
    const auto frames = [&](double seconds) { return std::int64_t(seconds * audio_.rate); };
    // Whole periods: shorter windows follow the wave itself. Rounds shorter than a window are a
    // tone, in which nothing can step.
    const auto wave = frames(1.5 * period_.value_or(0.0));
    const auto window = windowFor(length);
    shared_->prepare(audio_, loop.span, window);
    auto& known = *shared_->usual;
    Turn turn(audio_, *shared_->powers, *shared_->current, bakeRound(audio_, loop), true);
    const auto seams = seamsOf(loop, turn.length());
    SeamMeasures measures;
    for (const Seam seam : seams) {
        SeamMeasures m;
        m.clickDb = std::max(clickDb(turn, known.sound, seam.at, seam.fade, audio_.rate),
            clickDb(turn, known.sound, seam.at, 0, audio_.rate));
        m.dipDb = dipDb(turn, known.sound, seam, wave, frames(0.012));
        for (const double seconds : {0.008, 0.012, 0.016})
            if (const auto brief = std::max(wave, frames(seconds)); length > 4 * brief)
                m.dipDb = std::max(m.dipDb, leapOutDb(turn, known.sound, seam.at, brief));
        worsen(measures, m);
    }
    const auto slow = std::max(wave, std::min(frames(0.02), turn.length() / 2));
    measures.pulseDb = pulseDb(turn, std::max<std::int64_t>(1, slow), frames(0.025));
    const double seconds = double(length) / audio_.rate;
    if (seamCost(measures, seconds) > giveUpAbove) {
        measures.timbreDb = measures.changeDb = 99.0;
        return measures;
    }
    if (!known.step)
        known.step = usualStep(known.sound, window, 10);
    // Rounds shorter than the windows: once where the sound enters them, once among themselves.
    const auto settled = (window / turn.length() + 1) * turn.length();
    const auto usual =
        turn.length() > 3 * window ? smaller(*known.step, usualStep(turn, window, 5)) : *known.step;
    for (Seam seam : seams) {
        const bool brief = turn.length() < 2 * window;
        for (const auto later : {std::int64_t(0), settled}) {
            if (later > 0 && !brief)
                continue;
            // What enters is not known where the recording begins inside the window.
            if (later == 0 && brief && loop.span.end.value < window + frames(0.024))
                continue;
            SeamMeasures m;
            const auto step = stepDb(turn, usual, {seam.at + later, seam.fade});
            const double counts = brief && later == 0 ? entryCounts : 1.0;
            m.levelDb = counts * step.level;
            m.timbreDb = counts * step.timbre;
            // All of the crossfade, and its end on its own.
            for (const auto fade : {seam.fade, std::int64_t(0)})
                m.changeDb = std::max(m.changeDb,
                    counts
                        * shared_->changes->beyondUsual(
                            turn, seam.at + later, fade, known.stretch));
            worsen(measures, m);
        }
    }
    return measures;
}

namespace {

/// The recording as a file holds it, up to the end of the loop's turn, and the loop in it.
std::pair<Audio, Loop> asWritten(const Audio& audio, const Loop& loop)
{
    constexpr double before = 1.0;
    const auto baked = bakeLoop(audio, loop);
    const auto from = std::max<std::int64_t>(0, baked.from - std::int64_t(before * audio.rate));
    Audio written{audio.rate, {}};
    for (std::size_t c = 0; c < audio.channelCount(); ++c) {
        const auto lead = audio.channel(c, {Frames{from}, Frames{baked.from}});
        auto& channel = written.channels.emplace_back(lead.begin(), lead.end());
        channel.insert(channel.end(), baked.turn.channels[c].begin(), baked.turn.channels[c].end());
    }
    Loop plain;
    plain.on = true;
    plain.span = {Frames{baked.from - from}, Frames{written.frames()}};
    return {std::move(written), plain};
}

} // namespace

/// A restless recording hides in what is usual for it what its calmer loop does not hide, and a
/// long crossfade its own end: so that the turn is measured once more as who reads the file finds
/// it.
SeamMeasures SeamMeter::measureAlone(const Loop& loop)
{
    shared_->usual.reset();
    auto measures = measure(loop);
    if (loop.mode == LoopMode::alternating || loop.crossfade.value == 0)
        return measures;
    const auto [written, plain] = asWritten(audio_, loop);
    const auto again = SeamMeter(written, period_).measure(plain);
    worsen(measures, again);
    measures.pulseDb = std::max(measures.pulseDb, again.pulseDb);
    return measures;
}

SeamMeasures measureSeam(const Audio& audio, const Loop& loop, std::optional<double> period)
{
    return SeamMeter(audio, period).measureAlone(loop);
}

SeamMeasures seamLimits(double loopSeconds)
{
    // What pulses quickly is heard sooner; in between the limits go over into each other.
    constexpr double quick = 0.1, slow = 0.35;
    const double share = std::clamp(
        std::log(std::max(1e-9, loopSeconds) / quick) / std::log(slow / quick), 0.0, 1.0);
    const auto between = [&](double SeamMeasures::*measure) {
        return shortLimits.*measure * std::pow(longLimits.*measure / (shortLimits.*measure), share);
    };
    return {between(&SeamMeasures::clickDb), between(&SeamMeasures::levelDb),
        between(&SeamMeasures::timbreDb), between(&SeamMeasures::changeDb),
        between(&SeamMeasures::dipDb), between(&SeamMeasures::pulseDb)};
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
        return text("seamless");
    case SeamVerdict::audible:
        return text("audible");
    case SeamVerdict::none:
        break;
    }
    return text("none");
}

Message describeSeam(const SeamMeasures& m, double loopSeconds)
{
    if (seamVerdict(seamCost(m, loopSeconds)) == SeamVerdict::seamless)
        return message("seamless");
    const auto parts = overLimits(m, loopSeconds);
    auto worst = std::max_element(parts.begin(), parts.end()) - parts.begin();
    // What clicks changes the spectrum, too, and the click is what one hears.
    if (worst == 3 && parts[0] > 1.0)
        worst = 0;
    const auto by = [](const char* id, double db) { return message(id, formatNumber(db, 1)); };
    switch (worst) {
    case 0:
        return by(text("clicks by %1 dB"), m.clickDb);
    case 1:
        return by(text("steps in level by %1 dB"), m.levelDb);
    case 2:
        return by(text("changes colour by %1 dB"), m.timbreDb);
    case 3:
        return by(text("starts anew at the joint by %1 dB"), m.changeDb);
    case 4:
        return by(text("dips or bumps by %1 dB"), m.dipDb);
    default:
        return by(text("pulses by %1 dB once a round"), m.pulseDb);
    }
}

} // namespace puretone
