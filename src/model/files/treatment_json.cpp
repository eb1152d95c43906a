// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/files/treatment_json.h"

#include "base/overloaded.h"
#include "model/files/effect_json.h"
#include "model/files/json_names.h"

namespace puretone {

using nlohmann::json;

namespace {

constexpr Names<PassFilter::Cut, 2> cutNames = {
    {{PassFilter::Cut::low, "low"}, {PassFilter::Cut::high, "high"}}};
constexpr Names<Band::Shape, 3> bandShapeNames = {{{Band::Shape::bell, "bell"},
    {Band::Shape::lowShelf, "lowShelf"}, {Band::Shape::highShelf, "highShelf"}}};
constexpr Names<Level::To, 3> levelNames = {
    {{Level::To::gain, "gain"}, {Level::To::peak, "peak"}, {Level::To::loudness, "loudness"}}};

json kindJson(const TreatmentKind& what)
{
    return std::visit(
        Overloaded{
            [](const RemoveDc&) {
                return json{{"kind", "removeDc"}};
            },
            [](const PassFilter& f) {
                return json{{"kind", "cut"}, {"cut", nameIn(cutNames, f.cut)}, {"hz", f.hz},
                    {"slopeDb", f.slopeDb}};
            },
            [](const Band& b) {
                return json{{"kind", "band"}, {"shape", nameIn(bandShapeNames, b.shape)},
                    {"hz", b.hz}, {"gainDb", b.gainDb}, {"q", b.q}};
            },
            [](const Level& l) {
                return json{{"kind", "level"}, {"to", nameIn(levelNames, l.to)}, {"value", l.value},
                    {"over", spanJson(l.over)}};
            },
            [](const EvenOut& e) {
                return json{{"kind", "evenOut"}, {"amount", e.amount}, {"over", spanJson(e.over)}};
            },
            [](const Reverse&) {
                return json{{"kind", "reverse"}};
            },
            [](const Channels& c) {
                return json{{"kind", "channels"}, {"mixed", c.how == Channels::How::mixed},
                    {"left", c.left}, {"right", c.right}};
            },
            [](const Width& w) {
                return json{{"kind", "width"}, {"share", w.share}};
            },
            [](const Straighten& s) {
                return json{{"kind", "straighten"}, {"drift", s.drift}, {"vibrato", s.vibrato},
                    {"toNote", s.to == Straighten::To::note}, {"midi", s.midi}, {"note", s.note},
                    {"over", spanJson(s.over)}};
            },
            [](const RemoveTone& r) {
                return json{{"kind", "removeTone"}, {"hz", r.hz}, {"harmonics", r.harmonics},
                    {"alone", r.alone}, {"over", spanJson(r.over)}};
            },
            [](const Transpose& t) {
                return json{
                    {"kind", "transpose"}, {"semitones", t.semitones}, {"formants", t.formants}};
            },
            [](const Harmony& h) {
                return json{{"kind", "harmony"}, {"semitones", h.semitones}, {"levelDb", h.levelDb},
                    {"keepsFormants", h.keepsFormants}, {"width", h.width}};
            },
            [](const Colour& c) {
                json effects = json::array();
                for (const Effect& effect : c.effects)
                    effects.push_back(
                        effectJson(effect, [](const Recording&) { return std::string(); }));
                return json{{"kind", "colour"}, {"effects", effects}, {"tempo", c.tempo}};
            },
        },
        what);
}

TreatmentKind kindFrom(const json& j)
{
    const auto kind = j.at("kind").get<std::string>();
    if (kind == "removeDc")
        return RemoveDc{};
    if (kind == "cut")
        return PassFilter{valueIn(cutNames, j.value("cut", "low")), j.at("hz").get<double>(),
            whole(j, "slopeDb", 24)};
    if (kind == "band")
        return Band{valueIn(bandShapeNames, j.value("shape", "bell")), j.at("hz").get<double>(),
            j.at("gainDb").get<double>(), j.value("q", 1.0)};
    if (kind == "level")
        return Level{valueIn(levelNames, j.value("to", "gain")), j.at("value").get<double>(),
            spanFrom(j.at("over"))};
    if (kind == "evenOut")
        return EvenOut{j.at("amount").get<double>(), spanFrom(j.at("over"))};
    if (kind == "reverse")
        return Reverse{};
    if (kind == "channels")
        return Channels{j.value("mixed", false) ? Channels::How::mixed : Channels::How::picked,
            whole(j, "left", 0), whole(j, "right", 1)};
    if (kind == "width")
        return Width{j.at("share").get<double>()};
    if (kind == "straighten")
        return Straighten{j.at("drift").get<double>(), j.at("vibrato").get<double>(),
            j.value("toNote", false) ? Straighten::To::note : Straighten::To::centre,
            j.at("midi").get<double>(), j.value("note", 60.0), spanFrom(j.at("over"))};
    if (kind == "removeTone")
        return RemoveTone{j.at("hz").get<double>(), j.value("harmonics", false),
            j.value("alone", false), spanFrom(j.at("over"))};
    if (kind == "transpose")
        return Transpose{j.value("semitones", 0.0), j.value("formants", 0.0)};
    if (kind == "harmony") {
        Harmony h;
        const json list = j.value("semitones", json::array());
        for (std::size_t i = 0; i < std::min(list.size(), h.semitones.size()); ++i)
            h.semitones[i] = list[i].get<double>();
        h.levelDb = j.value("levelDb", h.levelDb);
        h.keepsFormants = j.value("keepsFormants", true);
        h.width = j.value("width", h.width);
        return h;
    }
    if (kind == "colour") {
        Colour c;
        for (const auto& effect : j.value("effects", json::array()))
            if (c.effects.size() < mostEffects)
                c.effects.push_back(effectFrom(effect));
        c.tempo = j.value("tempo", c.tempo);
        return c;
    }
    throw json::other_error::create(501, "unknown treatment: " + kind, &j);
}

} // namespace

json treatmentsJson(const Treatments& treatments)
{
    json list = json::array();
    for (const auto& treatment : treatments) {
        json j = kindJson(treatment.what);
        j["on"] = treatment.on;
        list.push_back(std::move(j));
    }
    return list;
}

Treatments treatmentsFrom(const json& list)
{
    Treatments treatments;
    for (const auto& j : list)
        treatments.push_back(sanitized(Treatment{kindFrom(j), j.value("on", true)}));
    return treatments;
}

} // namespace puretone
