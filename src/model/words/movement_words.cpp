// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/words/movement_words.h"

#include "base/quantity.h"
#include "base/say.h"
#include "model/words/movement_vocabulary.h"

#include <cmath>

namespace puretone {

namespace {

std::string capital(std::string text)
{
    if (!text.empty())
        text[0] = char(std::toupper(static_cast<unsigned char>(text[0])));
    return text;
}

} // namespace

std::string waveName(const Wave& wave)
{
    std::string name = "sine";
    for (const auto& [word, shape] : shapeWords)
        if (shape == wave.shape) {
            name = word;
            break;
        }
    if (wave.beats == 1.0)
        return say("%1, 1 beat", say(name.c_str()));
    if (wave.beats > 0.0)
        return say(
            "%1, %2 beats", say(name.c_str()), formatNumber(wave.beats, wave.beats < 1.0 ? 3 : 1));
    return say(name.c_str()) + ", " + formatNumber(wave.hz, wave.hz < 10.0 ? 2 : 0) + " Hz";
}

std::string sourceName(const Source& source, const std::array<Wave, mostWaves>& waves)
{
    switch (source.kind) {
    case SourceKind::none:
        return say("nothing");
    case SourceKind::wheel:
        return say("mod wheel");
    case SourceKind::random:
        return say("chance");
    case SourceKind::controller:
        return say("controller %1", source.number);
    case SourceKind::wave:
        return waveName(waves[std::size_t(source.number)]);
    default:
        break;
    }
    for (const auto& [word, kind] : sourceWords)
        if (kind == source.kind)
            return say(word);
    return {};
}

std::string amountText(const Movement& m)
{
    const auto& facts = factsOf(m.target);
    const double shown = m.amount * facts.scale;
    const std::string sign = isTwoSided(m.source) ? "\xC2\xB1" : shown < 0.0 ? "-" : "+";
    std::string number = formatNumber(std::abs(shown), facts.decimals);
    return sign + number + " " + (facts.unit[0] == '\0' ? "%" : say(facts.unit));
}

std::string effectValueName(const Effects& effects, int number)
{
    const auto [id, parameter] = EffectPlace::of(number);
    for (const Effect& effect : effects) {
        const EffectFacts& facts = factsOf(effect.kind);
        if (effect.id == id && std::size_t(parameter) < facts.parameters.size())
            return say(facts.word) + " "
                + lowered(say(facts.parameters[std::size_t(parameter)].label));
    }
    return {};
}

MovementSentence sentenceOf(const Layer& layer, const Movement& m, const Effects& effects)
{
    const auto& facts = factsOf(m.target);
    MovementSentence said;
    said.source = capital(sourceName(m.source, layer.waves));
    said.verb = say(isTwoSided(m.source) ? facts.swinging : facts.verb);
    if (m.target == Target::effect)
        if (const auto name = effectValueName(effects, m.number); !name.empty())
            said.verb =
                isTwoSided(m.source) ? say("moves the %1 by", name) : say("raises the %1 by", name);
    said.amount = amountText(m);
    if (m.by.kind != SourceKind::none)
        said.by = say("as far as %1 allows", sourceName(m.by, layer.waves));
    return said;
}

std::string MovementSentence::whole() const
{
    return source + " " + verb + " " + amount + (by.empty() ? "" : " " + by);
}

} // namespace puretone
