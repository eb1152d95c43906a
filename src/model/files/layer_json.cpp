// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/files/layer_json.h"

#include "model/files/json_names.h"
#include "model/files/movement_json.h"

namespace puretone {

using nlohmann::json;

namespace {

constexpr Names<SoundsWhen, 4> whenNames = {
    {{SoundsWhen::press, "press"}, {SoundsWhen::release, "release"},
        {SoundsWhen::phraseStart, "phraseStart"}, {SoundsWhen::phraseOn, "phraseOn"}}};
constexpr Names<SameKeys, 3> sameKeysNames = {{{SameKeys::together, "together"},
    {SameKeys::inTurn, "inTurn"}, {SameKeys::atRandom, "atRandom"}}};
constexpr Names<Notes, 3> notesNames = {
    {{Notes::many, "many"}, {Notes::one, "one"}, {Notes::tied, "tied"}}};

constexpr Names<Manner, 3> mannerNames = {{{Manner::asRecorded, "asRecorded"},
    {Manner::keepsLength, "keepsLength"}, {Manner::frozen, "frozen"}}};
constexpr Names<Frozen::Direction, 3> directionNames = {{{Frozen::Direction::forward, "forward"},
    {Frozen::Direction::backward, "backward"}, {Frozen::Direction::either, "either"}}};

constexpr Names<FilterKind, 5> filterNames = {{{FilterKind::off, "off"}, {FilterKind::low, "low"},
    {FilterKind::high, "high"}, {FilterKind::band, "band"}, {FilterKind::notch, "notch"}}};

constexpr Names<InnerUse, 4> innerNames = {{{InnerUse::never, "never"},
    {InnerUse::always, "always"}, {InnerUse::softer, "softer"}, {InnerUse::harder, "harder"}}};

Envelope envelopeFrom(const json& j, const Envelope& standard = {})
{
    return {j.value("delay", standard.delay), j.value("attack", standard.attack),
        j.value("hold", standard.hold), j.value("decay", standard.decay),
        j.value("sustainDb", standard.sustainDb), j.value("release", standard.release),
        j.value("attackCurve", 0.0), j.value("decayCurve", 0.0), j.value("releaseCurve", 0.0),
        j.value("touchTimes", 0.0), j.value("keyTimes", 0.0)};
}

json zoneJson(const Zone& z)
{
    return {{"id", z.id.value}, {"take", z.take.value}, {"lowKey", z.lowKey},
        {"highKey", z.highKey}, {"lowVelocity", z.lowVelocity}, {"highVelocity", z.highVelocity},
        {"lowKeyFade", z.lowKeyFade}, {"highKeyFade", z.highKeyFade},
        {"lowVelocityFade", z.lowVelocityFade}, {"highVelocityFade", z.highVelocityFade},
        {"levelDb", z.levelDb}, {"pan", z.pan}, {"tuneCents", z.tuneCents},
        {"lowKeyByHand", z.lowKeyByHand}, {"highKeyByHand", z.highKeyByHand}};
}
Zone zoneFrom(const json& j)
{
    Zone z;
    z.id = whole<int>(j.at("id"));
    z.take = whole<int>(j.at("take"));
    z.lowKey = whole<int>(j.at("lowKey"));
    z.highKey = whole<int>(j.at("highKey"));
    z.lowVelocity = whole(j, "lowVelocity", 1);
    z.highVelocity = whole(j, "highVelocity", 127);
    z.lowKeyFade = whole(j, "lowKeyFade", 0);
    z.highKeyFade = whole(j, "highKeyFade", 0);
    z.lowVelocityFade = whole(j, "lowVelocityFade", 0);
    z.highVelocityFade = whole(j, "highVelocityFade", 0);
    z.levelDb = j.value("levelDb", 0.0);
    z.pan = j.value("pan", 0.0);
    z.tuneCents = j.value("tuneCents", 0.0);
    z.lowKeyByHand = j.value("lowKeyByHand", false);
    z.highKeyByHand = j.value("highKeyByHand", false);
    return z;
}

json filterJson(const Filter& f)
{
    return {{"kind", nameIn(filterNames, f.kind)}, {"steep", f.steep}, {"hz", f.hz},
        {"resonance", f.resonance}, {"driveDb", f.driveDb}, {"follow", f.follow},
        {"touchOctaves", f.touchOctaves}, {"envelopeOctaves", f.envelopeOctaves}};
}
Filter filterFrom(const json& j)
{
    const Filter standard;
    return {valueIn(filterNames, j.value("kind", "off")), j.value("steep", false),
        j.value("hz", standard.hz), j.value("resonance", 0.0), j.value("driveDb", 0.0),
        j.value("follow", 0.0), j.value("touchOctaves", 0.0), j.value("envelopeOctaves", 0.0)};
}

json glideJson(const Glide& glide)
{
    return {{"seconds", glide.seconds}, {"byRate", glide.byRate}, {"always", glide.always}};
}
Glide glideFrom(const json& j)
{
    return {j.value("seconds", 0.0), j.value("byRate", false), j.value("always", true)};
}

json frozenJson(const Frozen& f)
{
    return {{"place", f.place}, {"sizeSeconds", f.sizeSeconds}, {"density", f.density},
        {"scatterSeconds", f.scatterSeconds}, {"scatterSize", f.scatterSize},
        {"scatterCents", f.scatterCents}, {"drift", f.drift},
        {"direction", nameIn(directionNames, f.direction)}, {"hardEdges", f.hardEdges},
        {"sizeBeats", f.sizeBeats}};
}
Frozen frozenFrom(const json& j)
{
    const Frozen standard;
    return {j.value("place", standard.place), j.value("sizeSeconds", standard.sizeSeconds),
        whole(j, "density", standard.density), j.value("scatterSeconds", 0.0),
        j.value("scatterSize", 0.0), j.value("scatterCents", 0.0), j.value("drift", 0.0),
        valueIn(directionNames, j.value("direction", "forward")), j.value("hardEdges", false),
        j.value("sizeBeats", 0.0)};
}

json unisonJson(const Unison& u)
{
    return {{"voices", u.voices}, {"detuneCents", u.detuneCents}, {"width", u.width},
        {"phase", u.phase}};
}
Unison unisonFrom(const json& j)
{
    const Unison standard;
    return {whole(j, "voices", standard.voices), j.value("detuneCents", standard.detuneCents),
        j.value("width", standard.width), j.value("phase", standard.phase)};
}

} // namespace

json envelopeJson(const Envelope& e)
{
    return {{"delay", e.delay}, {"attack", e.attack}, {"hold", e.hold}, {"decay", e.decay},
        {"sustainDb", e.sustainDb}, {"release", e.release}, {"attackCurve", e.attackCurve},
        {"decayCurve", e.decayCurve}, {"releaseCurve", e.releaseCurve},
        {"touchTimes", e.touchTimes}, {"keyTimes", e.keyTimes}};
}

json layerJson(const Layer& layer)
{
    json zones = json::array();
    for (const auto& zone : layer.zones)
        zones.push_back(zoneJson(zone));
    json waves = json::array(), movements = json::array();
    for (const auto& wave : layer.waves)
        waves.push_back(waveJson(wave));
    for (const auto& movement : layer.movements)
        movements.push_back(movementJson(movement));
    return {{"id", layer.id.value}, {"name", layer.name}, {"on", layer.on}, {"zones", zones},
        {"levelDb", layer.levelDb}, {"pan", layer.pan}, {"octave", layer.octave},
        {"fineCents", layer.fineCents}, {"follow", layer.follow},
        {"when", nameIn(whenNames, layer.when)}, {"fallDbPerSecond", layer.fallDbPerSecond},
        {"sameKeys", nameIn(sameKeysNames, layer.sameKeys)},
        {"turnsOverAllKeys", layer.turnsOverAllKeys}, {"manner", nameIn(mannerNames, layer.manner)},
        {"keepsFormants", layer.keepsFormants}, {"frozen", frozenJson(layer.frozen)},
        {"toEffects", layer.toEffects}, {"blends", layer.blends}, {"chokeGroup", layer.chokeGroup},
        {"voices", layer.voices}, {"notes", nameIn(notesNames, layer.notes)},
        {"unison", unisonJson(layer.unison)}, {"glide", glideJson(layer.glide)},
        {"bendSemitones", layer.bendSemitones}, {"touch", layer.touch},
        {"inner", nameIn(innerNames, layer.inner)}, {"innerTouch", layer.innerTouch},
        {"envelope", envelopeJson(layer.envelope)}, {"second", envelopeJson(layer.second)},
        {"filter", filterJson(layer.filter)}, {"waves", waves}, {"movements", movements}};
}

Layer layerFrom(const json& j)
{
    const Layer standard;
    Layer layer;
    layer.id = whole<int>(j.at("id"));
    layer.name = j.value("name", standard.name);
    layer.on = j.value("on", true);
    for (const auto& zone : j.at("zones")) {
        if (layer.zones.size() >= mostZones)
            throw json::other_error::create(501, "more zones than can be played", nullptr);
        layer.zones.push_back(zoneFrom(zone));
    }
    layer.levelDb = j.value("levelDb", 0.0);
    layer.pan = j.value("pan", 0.0);
    layer.octave = whole(j, "octave", 0);
    layer.fineCents = j.value("fineCents", 0.0);
    layer.follow = j.value("follow", 1.0);
    layer.when = valueIn(whenNames, j.value("when", "press"));
    layer.sameKeys = valueIn(sameKeysNames, j.value("sameKeys", "together"));
    layer.fallDbPerSecond = j.value("fallDbPerSecond", 0.0);
    layer.turnsOverAllKeys = j.value("turnsOverAllKeys", false);
    layer.manner = valueIn(mannerNames, j.value("manner", "asRecorded"));
    layer.keepsFormants = j.value("keepsFormants", true);
    layer.toEffects = j.value("toEffects", 1.0);
    layer.frozen = frozenFrom(j.value("frozen", json::object()));
    layer.blends = j.value("blends", false);
    layer.chokeGroup = whole(j, "chokeGroup", 0);
    layer.voices = whole(j, "voices", standard.voices);
    layer.notes = valueIn(notesNames, j.value("notes", "many"));
    layer.unison = unisonFrom(j.value("unison", json::object()));
    layer.glide = glideFrom(j.value("glide", json::object()));
    layer.bendSemitones = j.value("bendSemitones", standard.bendSemitones);
    layer.touch = j.value("touch", 1.0);
    layer.envelope = envelopeFrom(j.at("envelope"));
    layer.filter = filterFrom(j.value("filter", json::object()));
    layer.second = envelopeFrom(j.value("second", json::object()), standard.second);
    layer.inner = valueIn(innerNames, j.value("inner", "never"));
    layer.innerTouch = whole(j, "innerTouch", standard.innerTouch);
    const auto waves = j.value("waves", json::array());
    for (std::size_t i = 0; i < std::min(waves.size(), layer.waves.size()); ++i)
        layer.waves[i] = waveFrom(waves[i]);
    for (const auto& movement : j.value("movements", json::array())) {
        if (layer.movements.size() >= mostMovements)
            throw json::other_error::create(501, "more movements than can be played", nullptr);
        layer.movements.push_back(movementFrom(movement));
    }
    return layer;
}

} // namespace puretone
