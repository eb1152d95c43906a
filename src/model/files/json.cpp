// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/files/json.h"

#include "model/files/effect_json.h"
#include "model/files/export_json.h"
#include "model/files/facts_json.h"
#include "model/files/json_names.h"
#include "model/files/layer_json.h"
#include "model/files/movement_json.h"
#include "model/files/treatment_json.h"

#include "audio/files/original_file.h"
#include "base/say.h"

#include <filesystem>
#include <set>

namespace puretone {

using nlohmann::json;

namespace {

constexpr Names<TuningSource, 4> sourceNames = {
    {{TuningSource::proposed, "proposed"}, {TuningSource::byHand, "byHand"},
        {TuningSource::fromFile, "fromFile"}, {TuningSource::series, "series"}}};
constexpr Names<FadeShape, 4> fadeNames = {{{FadeShape::straight, "straight"},
    {FadeShape::soft, "soft"}, {FadeShape::early, "early"}, {FadeShape::late, "late"}}};

json fadesJson(const Fades& fades)
{
    return {{"in", fades.inSeconds}, {"out", fades.outSeconds},
        {"inShape", nameIn(fadeNames, fades.inShape)},
        {"outShape", nameIn(fadeNames, fades.outShape)}};
}
Fades fadesFrom(const json& j)
{
    return {j.at("in").get<double>(), j.at("out").get<double>(),
        valueIn(fadeNames, j.value("inShape", "straight")),
        valueIn(fadeNames, j.value("outShape", "straight"))};
}

json printJson(const Print& print)
{
    json layers = json::array();
    for (const LayerId id : print.layers)
        layers.push_back(id.value);
    const PrintPlan& p = print.plan;
    return {{"key", p.key}, {"touch", p.touch}, {"heldSeconds", p.heldSeconds},
        {"untilSilent", p.untilSilent}, {"tailSeconds", p.tailSeconds}, {"withEffects", p.effects},
        {"withShape", p.shape}, {"mono", p.mono}, {"layers", layers}, {"effects", print.effects},
        {"sources", print.sources}};
}
Print printFrom(const json& j)
{
    Print print;
    PrintPlan& p = print.plan;
    p = {whole(j, "key", p.key), whole(j, "touch", p.touch), j.value("heldSeconds", p.heldSeconds),
        j.value("untilSilent", true), j.value("tailSeconds", p.tailSeconds),
        j.value("withEffects", true), j.value("withShape", true), j.value("mono", false)};
    for (const auto& id : j.value("layers", json::array()))
        if (print.layers.size() < mostLayers)
            print.layers.emplace_back(whole<int>(id));
    for (const auto& id : j.value("effects", json::array()))
        if (print.effects.size() < mostEffects)
            print.effects.push_back(whole<int>(id));
    print.sources = j.value("sources", "");
    return print;
}

json takeJson(const Take& take)
{
    json j = {{"id", take.id.value}, {"name", take.name}, {"audio", audioPath(*take.recording)},
        {"fileName", take.recording->fileName}, {"kept", spanJson(take.kept)},
        {"treatments", treatmentsJson(take.treatments)}, {"fades", fadesJson(take.fades)},
        {"tuning",
            {{"rootKey", take.tuning.rootKey}, {"fineCents", take.tuning.fineCents},
                {"source", nameIn(sourceNames, take.tuning.source)}}},
        {"loop", loopJson(take.loop)}};
    if (take.innerStart.value != 0)
        j["innerStart"] = take.innerStart.value;
    if (take.print)
        j["print"] = printJson(*take.print);
    return j;
}

Take takeFrom(const json& j, RecordingPtr recording)
{
    Take take;
    take.id = whole<int>(j.at("id"));
    take.name = j.at("name").get<std::string>();
    take.recording = std::move(recording);
    take.kept = spanFrom(j.at("kept"));
    take.fades = fadesFrom(j.at("fades"));
    take.treatments = treatmentsFrom(j.value("treatments", json::array()));
    const auto& tuning = j.at("tuning");
    take.tuning = {whole<int>(tuning.at("rootKey")), tuning.at("fineCents").get<double>(),
        valueIn(sourceNames, tuning.value("source", "byHand"))};
    take.loop = loopFrom(j.at("loop"));
    take.innerStart = Frames{whole(j, "innerStart", std::int64_t(0))};
    if (j.contains("print"))
        take.print = printFrom(j["print"]);
    sanitize(take);
    // Older files carried the facts inside the take.
    if (j.contains("pitch"))
        take.facts = factsFrom(j, *take.recording->audio);
    return take;
}

Error damagedDocument(const std::string& name, const std::string& what)
{
    return {ErrorCode::damaged, say("%1 is damaged: %2.", name, what),
        say("Open an older copy of it.")};
}

} // namespace

std::string audioPath(const Recording& recording)
{
    auto extension = std::filesystem::path(recording.fileName).extension().string();
    return say("audio/%1%2", recording.hash, (extension.empty() ? ".wav" : extension));
}

std::string toJson(const Instrument& instrument)
{
    json takes = json::array();
    for (const auto& take : instrument.takes)
        takes.push_back(takeJson(take));
    json layers = json::array();
    for (const auto& layer : instrument.layers)
        layers.push_back(layerJson(layer));
    json effects = json::array();
    for (const auto& effect : instrument.effects)
        effects.push_back(effectJson(effect, audioPath));
    json document = {{"schema", schemaVersion}, {"name", instrument.name}, {"takes", takes},
        {"layers", layers}, {"a4", instrument.a4}, {"blend", instrument.blend},
        {"tempo", instrument.tempo}, {"pattern", patternJson(instrument.pattern)},
        {"effects", effects}};
    if (instrument.exports != Exports{})
        document["export"] = exportsJson(instrument.exports);
    // File names come from disks and may hold any bytes.
    return document.dump(2, ' ', false, json::error_handler_t::replace);
}

namespace {

/// Facts are for a take as it is described: where anything about it was changed, they are not used.
std::string factsKey(const Take& take)
{
    const auto text = takeJson(take).dump(-1, ' ', false, json::error_handler_t::replace);
    return contentHash(std::as_bytes(std::span(text)));
}

} // namespace

std::string factsToJson(const Instrument& instrument)
{
    json list = json::array();
    for (const auto& take : instrument.takes)
        if (take.facts.known()) {
            json j = factsJson(*take.facts);
            j["take"] = take.id.value;
            j["of"] = factsKey(take);
            list.push_back(std::move(j));
        }
    return json{{"facts", list}}.dump(-1, ' ', false, json::error_handler_t::replace);
}

void addFacts(Instrument& instrument, const std::string& text)
{
    const json j = json::parse(text, nullptr, false);
    if (!j.is_object() || !j.contains("facts") || !j["facts"].is_array())
        return;
    for (const auto& fact : j["facts"]) {
        if (!fact.is_object() || !fact.contains("take") || !fact["take"].is_number()
            || !fact.contains("of"))
            continue;
        Take* take = instrument.take(whole<int>(fact["take"]));
        if (take != nullptr && fact["of"] == factsKey(*take))
            take->facts = factsFrom(fact, *take->recording->audio);
    }
}

namespace {

/// Schema 1 had one layer, which was not called so.
void from1To2(json& j)
{
    const Layer standard;
    j["layers"] = json::array({{{"id", standard.id.value}, {"name", standard.name},
        {"zones", j.at("zones")}, {"envelope", j.at("envelope")}}});
    j.erase("zones");
    j.erase("envelope");
}

/// From schema to schema, JSON to JSON.
void migrate(json& j, int schema)
{
    if (schema < 2)
        from1To2(j);
    if (schema < 3)
        for (auto& layer : j.at("layers"))
            layerFrom2To3(layer);
}

/// Ids that tell everything apart, and takes for all zones, before any audio is decoded. @return
/// What is wrong; empty when nothing is.
std::string contradiction(const std::vector<int>& takeIds, const std::vector<Layer>& instrument)
{
    // Room above for those that are given later.
    const auto free = [](std::set<int>& known, int id) {
        return id > 0 && id < 1000000000 && known.insert(id).second;
    };
    std::set<int> takes, layers, zones;
    for (const int id : takeIds)
        if (!free(takes, id))
            return say("two of its takes are the same one");
    for (const auto& layer : instrument) {
        if (!free(layers, layer.id.value))
            return say("two of its layers are the same one");
        for (const auto& zone : layer.zones) {
            if (takes.count(zone.take.value) == 0)
                return say("a zone plays a take that is missing");
            if (!free(zones, zone.id.value))
                return say("two of its zones are the same one");
        }
    }
    return zones.size() > mostZones ? say("it has more zones than can be played") : "";
}

} // namespace

Result<Instrument> fromJson(const std::string& text, const std::string& name,
    const std::function<Result<RecordingPtr>(const std::string&, const std::string&)>& audio)
{
    try {
        json j = json::parse(text);
        const int schema = whole<int>(j.at("schema"));
        if (schema > schemaVersion)
            return fail(ErrorCode::damaged, say("%1 was made by a newer Pure Tone.", name),
                say("Update Pure Tone to open it."));
        migrate(j, schema);
        if (j.at("takes").size() > mostTakes || j.at("layers").size() > mostLayers
            || j.value("effects", json::array()).size() > mostEffects)
            return tl::unexpected(damagedDocument(name, say("it claims more than can be played")));
        Instrument instrument;
        instrument.name = j.at("name").get<std::string>();
        instrument.layers.clear();
        for (const auto& layer : j.at("layers"))
            instrument.layers.push_back(layerFrom(layer));
        std::vector<int> takeIds;
        for (const auto& t : j.at("takes"))
            takeIds.push_back(whole<int>(t.at("id")));
        if (const auto what = contradiction(takeIds, instrument.layers); !what.empty())
            return tl::unexpected(damagedDocument(name, what));
        for (const auto& t : j.at("takes")) {
            auto recording =
                audio(t.at("audio").get<std::string>(), t.at("fileName").get<std::string>());
            if (!recording)
                return tl::unexpected(recording.error());
            instrument.takes.push_back(takeFrom(t, *recording));
        }
        for (const auto& e : j.value("effects", json::array())) {
            instrument.effects.push_back(effectFrom(e));
            if (!e.contains("audio"))
                continue;
            auto impulse =
                audio(e.at("audio").get<std::string>(), e.at("fileName").get<std::string>());
            if (!impulse)
                return tl::unexpected(impulse.error());
            instrument.effects.back().impulse = *impulse;
        }
        instrument.a4 = j.value("a4", concertPitch.value);
        instrument.blend = j.value("blend", 0.0);
        instrument.tempo = j.value("tempo", instrument.tempo);
        instrument.pattern = patternFrom(j.value("pattern", json::object()));
        instrument.exports = exportsFrom(j.value("export", json::object()));
        for (auto& take : instrument.takes)
            take.tuning.a4 = instrument.a4;
        return sanitized(std::move(instrument));
    } catch (const json::other_error& error) {
        // "[json.exception.other_error.501] unknown name: sideways"
        const std::string what = error.what();
        return tl::unexpected(
            damagedDocument(name, what.substr(std::min(what.size(), what.find("] ") + 2))));
    } catch (const json::exception&) {
        return tl::unexpected(damagedDocument(name, say("its description cannot be understood")));
    }
}

} // namespace puretone
