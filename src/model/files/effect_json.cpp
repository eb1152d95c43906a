// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/files/effect_json.h"

#include "model/files/json_names.h"

namespace puretone {

using nlohmann::json;

json effectJson(const Effect& effect, const std::function<std::string(const Recording&)>& audio)
{
    const EffectFacts& facts = factsOf(effect.kind);
    json values = json::object();
    for (std::size_t i = 0; i < facts.parameters.size(); ++i)
        values[facts.parameters[i].name] = effect.values[i];
    json j = {
        {"id", effect.id}, {"kind", facts.name}, {"on", effect.on}, {"values", std::move(values)}};
    if (effect.impulse.pointer()) {
        j["audio"] = audio(*effect.impulse);
        j["fileName"] = effect.impulse->fileName;
    }
    return j;
}

Effect effectFrom(const json& j)
{
    const auto name = j.at("kind").get<std::string>();
    for (int kind = 0; kind < effectKindCount; ++kind) {
        const EffectFacts& facts = factsOf(EffectKind(kind));
        if (name != facts.name)
            continue;
        Effect effect = makeEffect(EffectKind(kind), whole(j, "id", 0));
        effect.on = j.value("on", true);
        const json values = j.value("values", json::object());
        for (std::size_t i = 0; i < facts.parameters.size(); ++i)
            effect.values[i] = values.value(facts.parameters[i].name, effect.values[i]);
        return effect;
    }
    throw json::other_error::create(501, "unknown name: " + name, nullptr);
}

} // namespace puretone
