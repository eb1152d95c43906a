// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/treat/treat.h"

#include "audio/level.h"
#include "base/overloaded.h"
#include "effects/offline.h"
#include "prepare/treat/biquad.h"
#include "prepare/treat/remove_tone.h"
#include "prepare/treat/shift_pitch.h"
#include "prepare/treat/straighten.h"

#include <algorithm>
#include <cmath>

namespace puretone {

namespace {

void scale(Audio& audio, double gain)
{
    for (auto& channel : audio.channels)
        for (float& s : channel)
            s = float(double(s) * gain);
}

void removeDc(Audio& audio)
{
    for (auto& channel : audio.channels) {
        double sum = 0.0;
        for (const float s : channel)
            sum += double(s);
        const auto mean = float(sum / double(std::max<std::size_t>(1, channel.size())));
        for (float& s : channel)
            s -= mean;
    }
}

Span insideOf(Span span, std::int64_t frames)
{
    const auto start = std::clamp<std::int64_t>(span.start.value, 0, frames);
    const auto end = std::clamp<std::int64_t>(span.end.value, start, frames);
    return end > start ? Span{Frames{start}, Frames{end}} : Span{Frames{0}, Frames{frames}};
}

void setLevel(Audio& audio, const Level& level, Span over)
{
    constexpr double silent = -150.0;
    double gainDb = level.value;
    if (level.to != Level::To::gain) {
        const double now = level.to == Level::To::peak ? peakLevel(audio, over).value
                                                       : loudnessLufs(audio, over).value;
        if (now <= silent)
            return;
        gainDb -= now;
    }
    scale(audio, toGain({gainDb}));
}

/// Centred mean over `reach` values on either side, of what is there.
std::vector<double> smoothed(const std::vector<double>& values, std::size_t reach)
{
    std::vector<double> sums(values.size() + 1, 0.0);
    for (std::size_t i = 0; i < values.size(); ++i)
        sums[i + 1] = sums[i] + values[i];
    std::vector<double> means(values.size());
    for (std::size_t i = 0; i < values.size(); ++i) {
        const auto from = i - std::min(reach, i);
        const auto to = std::min(values.size(), i + reach + 1);
        means[i] = (sums[to] - sums[from]) / double(to - from);
    }
    return means;
}

void evenOut(Audio& audio, double amount, Span over)
{
    const auto hop = std::max<std::int64_t>(1, std::llround(0.01 * audio.rate));
    const auto gains = evenOutGains(audio, over, amount, hop);
    for (auto& channel : audio.channels)
        for (std::int64_t i = 0; i < std::int64_t(channel.size()); ++i) {
            const double at = std::clamp(
                double(i - over.start.value) / double(hop), 0.0, double(gains.size() - 1));
            const auto index = std::size_t(at);
            const double next = gains[std::min(index + 1, gains.size() - 1)];
            const double gain = gains[index] + (at - double(index)) * (next - gains[index]);
            channel[std::size_t(i)] = float(double(channel[std::size_t(i)]) * gain);
        }
}

void pickChannels(Audio& audio, const Channels& wanted)
{
    const auto last = int(audio.channelCount()) - 1;
    if (wanted.how == Channels::How::mixed) {
        auto& first = audio.channels.front();
        const float share = 1.0f / float(audio.channelCount());
        for (std::size_t i = 0; i < first.size(); ++i) {
            float sum = 0.0f;
            for (const auto& channel : audio.channels)
                sum += channel[i];
            first[i] = share * sum;
        }
        audio.channels.resize(1);
        return;
    }
    const int left = std::min(wanted.left, last), right = std::min(wanted.right, last);
    std::vector<std::vector<float>> picked{audio.channels[std::size_t(left)]};
    if (right != left)
        picked.push_back(audio.channels[std::size_t(right)]);
    audio.channels = std::move(picked);
}

void setWidth(Audio& audio, double share)
{
    if (audio.channelCount() != 2)
        return;
    auto& left = audio.channels[0];
    auto& right = audio.channels[1];
    for (std::size_t i = 0; i < left.size(); ++i) {
        const double middle = 0.5 * (double(left[i]) + double(right[i]));
        const double side = 0.5 * share * (double(left[i]) - double(right[i]));
        left[i] = float(middle + side);
        right[i] = float(middle - side);
    }
}

template <class Filter> void applyFilter(Audio& audio, const Filter& filter)
{
    const auto sections = sectionsOf(filter, audio.rate);
    for (auto& channel : audio.channels)
        filterInPlace(channel, sections);
}

void transpose(Audio& audio, const Transpose& t, const Progress& progress)
{
    if (t.semitones == 0.0 && t.formants == 0.0)
        return;
    if (const auto moved = shiftPitchAndFormants(audio, t.semitones, t.formants, progress))
        audio = *moved;
}

/// Voices to the left and to the right in turn; one channel becomes two where they stand apart.
void addHarmony(Audio& audio, const Harmony& harmony, const Progress& progress)
{
    const auto voices = std::count_if(harmony.semitones.begin(), harmony.semitones.end(),
        [](double semitones) { return semitones != 0.0; });
    if (voices == 0)
        return;
    const Audio single = audio;
    if (harmony.width > 0.0 && audio.channelCount() == 1)
        audio.channels.push_back(audio.channels[0]);
    const double gain = toGain({harmony.levelDb});
    double side = -1.0, done = 0.0;
    for (const double semitones : harmony.semitones) {
        if (semitones == 0.0)
            continue;
        const auto voice = shiftPitch(single, semitones, harmony.keepsFormants,
            progress.part(done / double(voices), (done + 1.0) / double(voices)));
        if (!voice)
            return; // cancelled
        for (std::size_t c = 0; c < audio.channelCount(); ++c) {
            const auto& from = voice->channels[std::min(c, voice->channelCount() - 1)];
            // What goes to one side is taken from the other, at the same power.
            const double towards = c == 0 ? -side : side;
            const double share = audio.channelCount() < 2
                ? 1.0
                : std::sqrt(1.0 + towards * harmony.width * (c < 2 ? 1.0 : 0.0));
            for (std::size_t i = 0; i < from.size(); ++i)
                audio.channels[c][i] += float(gain * share * double(from[i]));
        }
        side = -side;
        done += 1.0;
    }
}

void apply(Audio& audio, const TreatmentKind& what, bool backwards, const Progress& progress)
{
    const auto here = [&](Span over) {
        const Span inside = insideOf(over, audio.frames());
        return backwards ? mirrored(inside, audio.frames()) : inside;
    };
    std::visit(Overloaded{
                   [&](const RemoveDc&) { removeDc(audio); },
                   [&](const PassFilter& f) { applyFilter(audio, f); },
                   [&](const Band& b) { applyFilter(audio, b); },
                   [&](const Level& l) { setLevel(audio, l, here(l.over)); },
                   [&](const EvenOut& e) { evenOut(audio, e.amount, here(e.over)); },
                   [&](const Reverse&) {
                       for (auto& channel : audio.channels)
                           std::reverse(channel.begin(), channel.end());
                   },
                   [&](const Channels& c) { pickChannels(audio, c); },
                   [&](const Width& w) { setWidth(audio, w.share); },
                   [&](const Straighten& s) { straighten(audio, s, here(s.over), progress); },
                   [&](const RemoveTone& r) { removeTone(audio, r, here(r.over), progress); },
                   [&](const Transpose& t) { transpose(audio, t, progress); },
                   [&](const Harmony& h) { addHarmony(audio, h, progress); },
                   [&](const Colour& c) { applyEffects(audio, c.effects, c.tempo, progress); },
               },
        what);
}

} // namespace

std::vector<double> evenOutGains(const Audio& audio, Span span, double amount, std::int64_t hop)
{
    constexpr double windowSeconds = 0.1; // two periods of the lowest tone that is heard
    constexpr double slowSeconds = 0.12; // on either side: slower than any beat worth keeping
    constexpr double mostDb = 24.0;
    auto levels = powerCurve(audio, span, std::llround(windowSeconds * audio.rate), hop);
    for (double& p : levels)
        p = p > 1e-20 ? 10.0 * std::log10(p) : -200.0;
    auto sorted = levels;
    std::nth_element(
        sorted.begin(), sorted.begin() + std::ptrdiff_t(sorted.size() / 2), sorted.end());
    const double reference = sorted[sorted.size() / 2];
    // A decay that ends in the noise would otherwise lift the noise to the level of the note.
    for (double& level : levels)
        level = std::clamp(level, reference - mostDb, reference + mostDb);
    // An attack is no swell: what rises at once keeps its shape.
    const auto early = levels.begin()
        + std::min<std::ptrdiff_t>(
            std::ptrdiff_t(levels.size()), std::ptrdiff_t(0.3 * audio.rate / double(hop)));
    const auto risen =
        std::find_if(levels.begin(), early, [&](double level) { return level > reference - 3.0; });
    if (risen != early)
        std::fill(levels.begin(), risen, *risen);
    auto gains = smoothed(levels, std::size_t(slowSeconds * audio.rate / double(hop)));
    for (double& g : gains)
        g = toGain({amount * (reference - g)});
    return gains;
}

bool anyOn(const Treatments& treatments)
{
    return std::any_of(
        treatments.begin(), treatments.end(), [](const Treatment& t) { return t.on; });
}

AudioPtr treat(const AudioPtr& audio, const Treatments& treatments, const Progress& progress)
{
    const auto active = std::count_if(
        treatments.begin(), treatments.end(), [](const Treatment& t) { return t.on; });
    if (active == 0 || audio->channels.empty())
        return audio;
    progress.at(0.0);
    auto treated = std::make_shared<Audio>(*audio);
    bool backwards = false;
    double done = 0.0;
    for (const auto& treatment : treatments) {
        if (!treatment.on)
            continue;
        if (progress.cancelled())
            return nullptr;
        apply(*treated, treatment.what, backwards,
            progress.part(done / double(active), (done + 1.0) / double(active)));
        backwards ^= std::holds_alternative<Reverse>(treatment.what);
        progress.at(++done / double(active));
    }
    if (progress.cancelled())
        return nullptr;
    return treated;
}

Colour compressing(const Audio& audio, Span span, double tempo)
{
    constexpr double below = 9.0, lowest = -60.0, highest = -3.0;
    auto compressor = makeEffect(EffectKind::compressor, 1);
    setValue(compressor, "threshold",
        std::clamp(std::round(peakLevel(audio, span).value - below), lowest, highest));
    return {{compressor}, tempo};
}

} // namespace puretone
