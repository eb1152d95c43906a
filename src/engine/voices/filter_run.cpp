// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/voices/filter_run.h"

#include "audio/signal/bessel.h"
#include "base/wide_vectors.h"

#include <algorithm>
#include <cmath>
#include <complex>
#include <numbers>
#include <utility>

namespace puretone {

namespace {

constexpr int cellFrames = 32;
constexpr int lanes = int(FilterGroup::most);

/// Damping (1 / Q) of each stage. Two stages without resonance are a Butterworth filter of fourth
/// order; resonance belongs to the second.
std::array<double, 2> dampings(double resonance, bool steep)
{
    const double sharp = std::pow(28.0, std::clamp(resonance, 0.0, 1.0));
    return steep ? std::array{1.0 / 0.541196, 1.0 / (1.306563 * sharp)}
                 : std::array{std::numbers::sqrt2 / sharp, 1.0};
}

/// What the output is made of: input, band, low.
std::array<float, 3> mixOf(FilterKind kind, float damping)
{
    switch (kind) {
    case FilterKind::low:
        return {0.0f, 0.0f, 1.0f};
    case FilterKind::high:
        return {1.0f, -damping, -1.0f};
    case FilterKind::band:
        return {0.0f, damping, 0.0f};
    case FilterKind::notch:
        return {1.0f, -damping, 0.0f};
    case FilterKind::off:
        break;
    }
    return {1.0f, 0.0f, 0.0f};
}

double warped(double hz, double rate)
{
    return std::tan(std::numbers::pi * std::clamp(hz / rate, 1e-4, 0.45));
}

/// One channel of eight notes: where everything lies. Lanes without a note point to zeros.
struct Lanes {
    const float* from[2][lanes]; ///< Coefficients of each stage.
    const float* to[2][lanes];
    const float* driveFrom[lanes];
    const float* driveTo[lanes];
    float* states[lanes];
    float* samples[lanes];
    float* history[lanes]; ///< Of the drive: 16 frames before it, 48 behind its ceiling.
    bool second, driven, turns; ///< Any of them; see FilterRun.
};

/// Rows become columns.
[[gnu::always_inline]] inline void transpose(Eight* r)
{
    Eight t[8];
    for (int i = 0; i < 8; i += 2) {
        t[i] = __builtin_shufflevector(r[i], r[i + 1], 0, 8, 2, 10, 4, 12, 6, 14);
        t[i + 1] = __builtin_shufflevector(r[i], r[i + 1], 1, 9, 3, 11, 5, 13, 7, 15);
    }
    Eight u[8];
    for (int i = 0; i < 8; i += 4)
        for (int k = 0; k < 2; ++k) {
            u[i + k] = __builtin_shufflevector(t[i + k], t[i + k + 2], 0, 1, 8, 9, 4, 5, 12, 13);
            u[i + k + 2] =
                __builtin_shufflevector(t[i + k], t[i + k + 2], 2, 3, 10, 11, 6, 7, 14, 15);
        }
    for (int i = 0; i < 4; ++i) {
        r[i] = __builtin_shufflevector(u[i], u[i + 4], 0, 1, 2, 3, 8, 9, 10, 11);
        r[i + 4] = __builtin_shufflevector(u[i], u[i + 4], 4, 5, 6, 7, 12, 13, 14, 15);
    }
}

template <class Pointer>
[[gnu::always_inline]] inline void gather(Pointer const* rows, int offset, Eight* into)
{
    for (int v = 0; v < lanes; ++v)
        load(rows[v] + offset, into[v]);
    transpose(into);
}

/// A soft ceiling, u - u^3 / 3 up to 2 / 3, in its mean between the last sample and this one, which
/// folds less back than its value would (J. Parker, V. Zavalishin and E. Le Bivic, "Reducing
/// the aliasing of nonlinear waveshaping using continuous-time convolution", DAFx 2016). Written
/// without differences of nearly equal sums, so that single precision is enough.
///
/// @param now Becomes what comes out.
[[gnu::always_inline]] inline void ceiling(const Eight& before, Eight& now)
{
    constexpr float top = 2.0f / 3.0f;
    const Eight one = Eight{} + 1.0f;
    Eight a = before > one ? one : before, b = now > one ? one : now;
    a = a < -one ? -one : a;
    b = b < -one ? -one : b;
    const Eight inside = (b - a) * ((a + b) * 0.5f - (a + b) * (a * a + b * b) * (1.0f / 12.0f));
    // How much further than the ceiling each lies.
    const Eight overBefore = before < 0.0f ? a - before : before - a;
    const Eight overNow = now < 0.0f ? b - now : now - b;
    const Eight apart = now - before;
    const auto alike = apart < 1e-6f && apart > -1e-6f;
    const Eight value = b - b * b * b * (1.0f / 3.0f);
    now = alike ? value : (inside + top * (overNow - overBefore)) / (alike ? one : apart);
}

/// Four times the rate for the ceiling: a low-pass from 15 to 30 kHz at 192, Kaiser's window, 60
/// dB. Both ways together are 12 frames late.
constexpr std::size_t times = 4, taps = 49, perPhase = 13, allTaps = times * perPhase;
const std::array<float, allTaps> halfBand = [] {
    std::array<float, allTaps> h{};
    constexpr double beta = 5.65, cutoff = 22.5 / 192.0;
    double sum = 0.0;
    for (std::size_t j = 0; j < taps; ++j) {
        const double t = double(j) - (taps - 1) / 2.0, share = 2.0 * t / (taps - 1);
        const double sinc = t == 0.0
            ? 2.0 * cutoff
            : std::sin(2.0 * std::numbers::pi * cutoff * t) / (std::numbers::pi * t);
        const double value = sinc * besselI0(beta * std::sqrt(1.0 - share * share));
        h[j] = float(value);
        sum += value;
    }
    for (float& value : h)
        value /= float(sum);
    return h;
}();

[[gnu::always_inline]] inline void driveLanes(const Lanes& l, int from, Eight* x, Eight& last)
{
    constexpr std::size_t before = 16, beforeFast = 48; // frames that are remembered, at each rate
    Eight in[before + std::size_t(cellFrames)], fast[beforeFast + times * std::size_t(cellFrames)];
    for (std::size_t k = 0; k < before; k += 8)
        gather(l.history, int(k), in + k);
    for (std::size_t k = 0; k < beforeFast; k += 8)
        gather(l.history, int(before + k), fast + k);
    Eight c[8], d[8];
    gather(l.driveFrom, 0, c);
    gather(l.driveTo, 0, d);
    for (int k = 0; k < 3; ++k)
        d[k] = (d[k] - c[k]) * (1.0f / float(cellFrames - from));
    const auto count = std::size_t(cellFrames - from);
    for (std::size_t n = 0; n < count; ++n) {
        Eight& sample = x[std::size_t(from) + n];
        in[before + n] = c[0] * sample;
        for (std::size_t phase = 0; phase < times; ++phase) {
            Eight up{};
            for (std::size_t k = 0; k < perPhase; ++k)
                up += halfBand[times * k + phase] * in[before + n - k];
            const Eight now = up * float(times);
            Eight driven = now;
            ceiling(last, driven);
            fast[beforeFast + times * n + phase] = driven;
            last = now;
        }
        Eight down{};
        for (std::size_t j = 0; j < taps; ++j)
            down += halfBand[j] * fast[beforeFast + times * n - j];
        sample += c[2] * (c[1] * down - sample);
        for (int k = 0; k < 3; ++k)
            c[k] += d[k];
    }
    const auto keep = [&](const Eight* rows, int offset) __attribute__((always_inline))
    {
        Eight columns[8];
        for (int k = 0; k < 8; ++k)
            columns[k] = rows[k];
        transpose(columns);
        for (int v = 0; v < lanes; ++v)
            store(columns[v], l.history[v] + offset);
    };
    for (std::size_t k = 0; k < before; k += 8)
        keep(in + count + k, int(k));
    for (std::size_t k = 0; k < beforeFast; k += 8)
        keep(fast + times * count + k, int(before + k));
}

/// One stage over a cell. With v3 = in - two, the loop without delay is band = a1 one + a2 v3, low
/// = two + a2 one + a3 v3, and the states move to 2 band - one and 2 low - two. Written out, so
/// that only two operations lie between a state and the next one.
///
/// @param Turns Whether the shares of input, band and low move.
template <bool Turns>
[[gnu::always_inline]] inline void filterStage(
    const Lanes& l, std::size_t stage, int from, Eight* x, Eight& one, Eight& two)
{
    Eight c[8], d[8];
    gather(l.from[stage], 0, c);
    gather(l.to[stage], 0, d);
    // Coefficients reach their end at the end of the cell, wherever in it the note began.
    const float share = 1.0f / float(cellFrames - from);
    for (int k = 0; k < (Turns ? 6 : 3); ++k)
        d[k] = (d[k] - c[k]) * (k < 3 ? 2.0f * share : share);
    Eight oneToOne = 2.0f * c[0] - 1.0f, across = 2.0f * c[1], toTwo = 2.0f * c[2];
    Eight input = c[3], band = 0.5f * c[4], low = 0.5f * c[5];
    for (int i = from; i < cellFrames; ++i) {
        const Eight in = x[i];
        const Eight nextOne = (oneToOne * one + across * in) - across * two;
        const Eight nextTwo = (across * one + toTwo * in) + (two - toTwo * two);
        x[i] = input * in + band * (nextOne + one) + low * (nextTwo + two);
        one = nextOne;
        two = nextTwo;
        oneToOne += d[0];
        across += d[1];
        toTwo += d[2];
        if constexpr (Turns) {
            input += d[3];
            band += 0.5f * d[4];
            low += 0.5f * d[5];
        }
    }
}

[[gnu::always_inline]] inline void filterLanes(const Lanes& l, int from)
{
    Eight x[cellFrames], states[8];
    for (int i = 0; i < cellFrames; i += 8)
        gather(l.samples, i, x + i);
    gather(l.states, 0, states);
    if (l.driven)
        driveLanes(l, from, x, states[4]);
    for (std::size_t s = 0; s < (l.second ? 2U : 1U); ++s) {
        if (l.turns)
            filterStage<true>(l, s, from, x, states[2 * s], states[2 * s + 1]);
        else
            filterStage<false>(l, s, from, x, states[2 * s], states[2 * s + 1]);
    }
    transpose(states);
    for (int v = 0; v < lanes; ++v)
        store(states[v], l.states[v]);
    for (int i = 0; i < cellFrames; i += 8) {
        transpose(x + i);
        for (int v = 0; v < lanes; ++v)
            store(x[i + v], l.samples[v] + i);
    }
}

void filterPlain(const Lanes& l, int from)
{
    filterLanes(l, from);
}
PURETONE_WIDE void filterWide(const Lanes& l, int from)
{
    filterLanes(l, from);
}

} // namespace

/// Half of the drive is taken back behind the ceiling. Up to 6 dB the ceiling comes down from far
/// above; a tenth of a dB is as good as none.
FilterRun::Drive FilterRun::driveFor(double db) noexcept
{
    db = std::clamp(db, 0.0, 48.0);
    const double gain = std::exp2(db * 0.16609640474436813);
    const double scale = std::clamp(db / 6.0, 0.05, 1.0);
    return {float(scale * gain), float(1.0 / (scale * std::sqrt(gain))),
        float(std::min(db / 0.1, 1.0))};
}

void FilterRun::start() noexcept
{
    states_ = {};
    fresh_ = true;
}

void FilterRun::ask(
    const Filter& filter, double resonance, ControlGroup& control, std::size_t lane) noexcept
{
    if (resonance != resonance_ || filter.steep != steep_) {
        resonance_ = resonance;
        steep_ = filter.steep;
        const auto [first, second] = dampings(resonance, steep_);
        dampings_ = {float(first), float(second)};
    }
    for (std::size_t s = 0; s < 2; ++s)
        control.damping[s][lane] = dampings_[s];
}

void FilterRun::setDrive(double db) noexcept
{
    const auto before = driveTo_;
    if (db != driveDb_) {
        driveDb_ = db;
        driveTo_ = driveFor(db);
    }
    driveFrom_ = fresh_ ? driveTo_ : before;
    const bool wasDriven = std::exchange(driven_, driveFrom_ != undriven || driveTo_ != undriven);
    if (driven_ && (fresh_ || !wasDriven))
        history_ = {};
}

void FilterRun::set(
    const Filter& filter, double driveDb, const ControlGroup& control, std::size_t lane) noexcept
{
    if (driveDb != 0.0 || driveDb_ != 0.0 || driven_)
        setDrive(driveDb);
    const auto before = last_;
    last_ ^= 1U;
    turns_ = false;
    for (std::size_t s = 0; s < 2; ++s) {
        Stage& to = ends_[last_][s];
        const bool does = filter.kind != FilterKind::off && (s == 0 || filter.steep);
        if (does) {
            const auto mix = mixOf(filter.kind, dampings_[s]);
            to = {control.a1[s][lane], control.a2[s][lane], control.a3[s][lane], mix[0], mix[1],
                mix[2], 0.0f, 0.0f};
        } else if (does_[last_][s]) {
            to = passing;
        }
        does_[last_][s] = does;
        const Stage& from = ends_[before][s];
        turns_ = turns_ || from[3] != to[3] || from[4] != to[4] || from[5] != to[5];
    }
    if (fresh_) {
        ends_[before] = ends_[last_];
        does_[before] = does_[last_];
        turns_ = fresh_ = false;
    }
    second_ = does_[0][1] || does_[1][1];
    idle_ = !second_ && !driven_ && !does_[0][0] && !does_[1][0];
}

void FilterGroup::add(FilterRun& run, float* left, float* right) noexcept
{
    runs_[count_] = &run;
    buffers_[0][count_] = left;
    buffers_[1][count_] = right;
    ++count_;
    second_ = second_ || run.second_;
    driven_ = driven_ || run.driven_;
    turns_ = turns_ || run.turns_;
    both_ = both_ || right != nullptr;
}

void FilterGroup::run(int from) noexcept
{
    if (count_ == 0)
        return;
    alignas(32) float noStates[8] = {}, noSamples[cellFrames] = {}, noHistory[64] = {};
    Lanes l;
    l.second = second_;
    l.driven = driven_;
    l.turns = turns_;
    for (std::size_t v = 0; v < most; ++v) {
        const bool is = v < count_;
        for (std::size_t s = 0; s < (second_ ? 2U : 1U); ++s) {
            l.from[s][v] = is ? runs_[v]->from(s).data() : FilterRun::passing.data();
            l.to[s][v] = is ? runs_[v]->to(s).data() : FilterRun::passing.data();
        }
        if (driven_) {
            l.driveFrom[v] = is ? runs_[v]->driveFrom_.data() : FilterRun::undriven.data();
            l.driveTo[v] = is ? runs_[v]->driveTo_.data() : FilterRun::undriven.data();
        }
    }
    for (std::size_t channel = 0; channel < (both_ ? 2U : 1U); ++channel) {
        for (std::size_t v = 0; v < most; ++v) {
            float* samples = v < count_ ? buffers_[channel][v] : nullptr;
            const bool is = samples != nullptr;
            l.samples[v] = is ? samples : noSamples;
            l.states[v] = is ? runs_[v]->states_[channel].data() : noStates;
            if (driven_)
                l.history[v] =
                    is && runs_[v]->driven_ ? runs_[v]->history_[channel].data() : noHistory;
        }
        (wideVectors() ? filterWide : filterPlain)(l, from);
    }
    *this = {};
}

double filterGain(const Filter& filter, double cutoff, double hz, double rate)
{
    if (filter.kind == FilterKind::off)
        return 1.0;
    // The bilinear transform's own frequency, over the cutoff's.
    const std::complex<double> s(0.0, warped(hz, rate) / warped(cutoff, rate));
    const auto damping = dampings(filter.resonance, filter.steep);
    std::complex<double> gain = 1.0;
    for (std::size_t k = 0; k < (filter.steep ? 2U : 1U); ++k) {
        const auto below = s * s + damping[k] * s + 1.0;
        const auto mix = mixOf(filter.kind, float(damping[k]));
        gain *= double(mix[0]) + (double(mix[1]) * s + double(mix[2])) / below;
    }
    return std::abs(gain);
}

} // namespace puretone
