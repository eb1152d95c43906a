// SPDX-License-Identifier: GPL-3.0-or-later
#include "effects/effect.h"

#include "base/in_range.h"
#include "base/quantity.h"
#include "base/say.h"
#include "base/song_time.h"

#include <algorithm>

namespace puretone {

int EffectFacts::place(std::string_view parameter) const noexcept
{
    for (std::size_t i = 0; i < parameters.size(); ++i)
        if (parameter == parameters[i].name)
            return int(i);
    return -1;
}

Effect makeEffect(EffectKind kind, int id)
{
    Effect effect{id, kind, true, {}, {}};
    const auto parameters = factsOf(kind).parameters;
    for (std::size_t i = 0; i < parameters.size(); ++i)
        effect.values[i] = parameters[i].standard;
    return effect;
}

double valueOf(const Effect& effect, std::string_view parameter) noexcept
{
    const int place = factsOf(effect.kind).place(parameter);
    return place < 0 ? 0.0 : effect.values[std::size_t(place)];
}

void setValue(Effect& effect, std::string_view parameter, double value) noexcept
{
    if (const int place = factsOf(effect.kind).place(parameter); place >= 0)
        effect.values[std::size_t(place)] = value;
}

bool doesNothing(const ParameterFacts& facts, double value) noexcept
{
    // A little of the way, so that a value on its way there arrives.
    constexpr double low = 1.05, high = 0.995;
    return (facts.off == ParameterFacts::Off::atLow && value <= low * facts.low)
        || (facts.off == ParameterFacts::Off::atHigh && value >= high * facts.high);
}

double inRange(const ParameterFacts& facts, double value) noexcept
{
    constexpr double longest = 32.0, shortest = 1.0 / 64.0; // beats
    if (facts.unit == ParameterUnit::songTime && isInBeats(value) && std::isfinite(value))
        return std::clamp(value, inBeats(longest), inBeats(shortest));
    value = inRange(value, facts.low, facts.high, facts.standard);
    const bool whole = facts.unit == ParameterUnit::choice || facts.unit == ParameterUnit::key;
    return whole ? std::round(value) : value;
}

Effects sanitized(Effects effects)
{
    if (effects.size() > mostEffects)
        effects.resize(mostEffects);
    Effects known;
    for (Effect& effect : effects) {
        effect.kind = EffectKind(std::clamp(int(effect.kind), 0, effectKindCount - 1));
        const auto parameters = factsOf(effect.kind).parameters;
        for (std::size_t i = 0; i < effect.values.size(); ++i)
            effect.values[i] =
                i < parameters.size() ? inRange(parameters[i], effect.values[i]) : 0.0;
        if (effect.kind != EffectKind::space)
            effect.impulse = {};
        const bool taken = std::any_of(
            known.begin(), known.end(), [&](const Effect& e) { return e.id == effect.id; });
        if (effect.id <= 0 || effect.id >= mostEffectId || taken)
            effect.id = std::max(freeEffectId(effects), freeEffectId(known));
        known.push_back(effect);
    }
    return known;
}

int freeEffectId(const Effects& effects) noexcept
{
    int id = 1;
    for (const Effect& effect : effects)
        id = std::max(id, effect.id < mostEffectId ? effect.id + 1 : 1);
    return id;
}

MixGains mixGains(MixLaw law, double mix) noexcept
{
    switch (law) {
    case MixLaw::none:
        break;
    case MixLaw::crossfade:
        return {1.0 - mix, mix};
    case MixLaw::added:
        return {std::min(1.0, 2.0 * (1.0 - mix)), std::min(1.0, 2.0 * mix)};
    }
    return {0.0, 1.0};
}

double decaySeconds(const Effect& reverb) noexcept
{
    constexpr double endless = 3.0, longer = 20.0;
    const double decay = valueOf(reverb, "decay");
    return valueOf(reverb, "kind") == endless ? longer * decay : decay;
}

namespace {

std::string word(const Effect& effect, std::string_view parameter)
{
    const auto& facts = factsOf(effect.kind);
    const auto& p = facts.parameters[std::size_t(facts.place(parameter))];
    return say(p.words[std::size_t(valueOf(effect, parameter))]);
}

std::string percent(const Effect& effect, std::string_view parameter)
{
    return formatNumber(100.0 * valueOf(effect, parameter), 0) + " %";
}

std::string decibels(const Effect& effect, std::string_view parameter)
{
    const double value = valueOf(effect, parameter);
    return formatNumber(value, std::abs(value - std::round(value)) < 0.05 ? 0 : 1) + " dB";
}

std::string hertz(const Effect& effect, std::string_view parameter)
{
    const double value = valueOf(effect, parameter);
    return value < 10.0 ? formatNumber(value, value < 1.0 ? 2 : 1) + " Hz" : formatHz(value);
}

std::string describeEqualiser(const Effect& effect)
{
    std::string text;
    const auto add = [&](const std::string& part) { text += (text.empty() ? "" : ", ") + part; };
    if (valueOf(effect, "lowCut") > 10.0)
        add(say("cut %1", hertz(effect, "lowCut")));
    for (const auto& [hz, gain] :
        {std::pair{"lowHz", "lowDb"}, {"highHz", "highDb"}, {"shelfHz", "shelfDb"}})
        if (std::abs(valueOf(effect, gain)) >= 0.05)
            add(say("%1 at %2", (valueOf(effect, gain) > 0.0 ? "+" : "") + decibels(effect, gain),
                hertz(effect, hz)));
    return text.empty() ? say("flat") : text;
}

std::string describeEcho(const Effect& effect)
{
    const std::string left = formatSongTime(valueOf(effect, "left")),
                      right = formatSongTime(valueOf(effect, "right"));
    const std::string times = left == right ? left : say("%1 and %2", left, right);
    return valueOf(effect, "crosses") > 0.5 ? say("%1, crossing", times) : times;
}

} // namespace

std::string describe(const Effect& effect)
{
    switch (effect.kind) {
    case EffectKind::equaliser:
        return describeEqualiser(effect);
    case EffectKind::drive:
        return word(effect, "kind") + ", " + decibels(effect, "drive");
    case EffectKind::crush:
        return say("%1 bits, %2", formatNumber(valueOf(effect, "bits"), 0), hertz(effect, "rate"));
    case EffectKind::compressor:
        return say("%1 to 1 above %2", formatNumber(valueOf(effect, "ratio"), 1),
            decibels(effect, "threshold"));
    case EffectKind::duck:
        return valueOf(effect, "by") > 0.5 ? say("%1 by key %2", decibels(effect, "depth"),
                   formatNumber(valueOf(effect, "key"), 0))
                                           : say("%1 every %2", decibels(effect, "depth"),
                                               formatSongTime(valueOf(effect, "every")));
    case EffectKind::chorus:
        return word(effect, "kind") + ", " + hertz(effect, "speed");
    case EffectKind::phaser:
        return say(
            "%1, %2 to %3", hertz(effect, "speed"), hertz(effect, "low"), hertz(effect, "high"));
    case EffectKind::flanger:
        return hertz(effect, "speed") + ", " + formatSeconds(valueOf(effect, "delay"));
    case EffectKind::tremolo:
        return word(effect, "shape") + ", " + formatSongTime(valueOf(effect, "every"));
    case EffectKind::echo:
        return describeEcho(effect);
    case EffectKind::reverb:
        return word(effect, "kind") + ", " + formatSeconds(decaySeconds(effect));
    case EffectKind::space:
        return effect.impulse.pointer() ? effect.impulse->fileName : say("no sound chosen yet");
    case EffectKind::width:
        return percent(effect, "width");
    }
    return {};
}

} // namespace puretone
