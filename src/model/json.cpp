// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/json.h"

#include "model/json_names.h"
#include "model/layer_json.h"
#include "model/treatment_json.h"
#include "prepare/treat.h"

#include <filesystem>
#include <set>

namespace puretone {

using nlohmann::json;

namespace {

constexpr Names<FadeCurve, 3> curveNames = {{{FadeCurve::automatic, "automatic"},
    {FadeCurve::linear, "linear"}, {FadeCurve::equalPower, "equalPower"}}};
constexpr Names<TuningSource, 4> sourceNames = {
    {{TuningSource::proposed, "proposed"}, {TuningSource::byHand, "byHand"},
        {TuningSource::fromFile, "fromFile"}, {TuningSource::series, "series"}}};
constexpr Names<PitchVerdict, 3> verdictNames = {{{PitchVerdict::clear, "clear"},
    {PitchVerdict::uncertain, "uncertain"}, {PitchVerdict::none, "none"}}};
constexpr Names<SoundKind, 4> kindNames = {
    {{SoundKind::harmonic, "harmonic"}, {SoundKind::inharmonic, "inharmonic"},
        {SoundKind::percussive, "percussive"}, {SoundKind::unpitched, "unpitched"}}};
constexpr Names<FadeShape, 4> fadeNames = {{{FadeShape::straight, "straight"},
    {FadeShape::soft, "soft"}, {FadeShape::early, "early"}, {FadeShape::late, "late"}}};
constexpr Names<LoopKind, 9> loopKindNames = {
    {{LoopKind::longLiving, "long"}, {LoopKind::middle, "middle"}, {LoopKind::shortSteady, "short"},
        {LoopKind::afterAttack, "afterAttack"}, {LoopKind::heldHigh, "heldHigh"},
        {LoopKind::lastSteady, "lastSteady"}, {LoopKind::wholeSwings, "wholeSwings"},
        {LoopKind::thereAndBack, "thereAndBack"}, {LoopKind::fromFile, "file"}}};

json loopJson(const Loop& loop)
{
    json j = spanJson(loop.span);
    j["on"] = loop.on;
    j["crossfade"] = loop.crossfade.value;
    j["curve"] = nameIn(curveNames, loop.curve);
    j["mode"] = nameIn(loopModeNames, loop.mode);
    j["fraction"] = loop.fraction;
    j["evenOut"] = loop.evenOut;
    j["evenColour"] = loop.evenColour;
    return j;
}
Loop loopFrom(const json& j)
{
    Loop loop;
    loop.span = spanFrom(j);
    loop.on = j.value("on", false);
    loop.crossfade = Frames{whole(j, "crossfade", std::int64_t(0))};
    loop.curve = valueIn(curveNames, j.value("curve", "automatic"));
    loop.mode = valueIn(loopModeNames, j.value("mode", "forward"));
    loop.fraction = j.value("fraction", 0.0);
    loop.evenOut = j.value("evenOut", 0.0);
    loop.evenColour = j.value("evenColour", 0.0);
    return loop;
}

json seamJson(const SeamMeasures& s)
{
    return {{"clickDb", s.clickDb}, {"levelDb", s.levelDb}, {"timbreDb", s.timbreDb},
        {"changeDb", s.changeDb}, {"dipDb", s.dipDb}, {"pulseDb", s.pulseDb}};
}
SeamMeasures seamFrom(const json& j)
{
    return {j.value("clickDb", 0.0), j.value("levelDb", 0.0), j.value("timbreDb", 0.0),
        j.value("changeDb", 0.0), j.value("dipDb", 0.0), j.value("pulseDb", 0.0)};
}

json candidateJson(const LoopCandidate& c)
{
    return {{"loop", loopJson(c.loop)}, {"kind", nameIn(loopKindNames, c.kind)},
        {"seam", seamJson(c.seam)}, {"cost", c.cost}, {"pitchErrorCents", c.pitchErrorCents},
        {"holdsDb", c.holdsDb}, {"reason", c.reason}};
}
LoopCandidate candidateFrom(const json& j)
{
    LoopCandidate c;
    c.loop = loopFrom(j.at("loop"));
    c.kind = valueIn(loopKindNames, j.value("kind", "long"));
    c.seam = seamFrom(j.at("seam"));
    c.cost = j.value("cost", 0.0);
    c.pitchErrorCents = j.value("pitchErrorCents", 0.0);
    c.holdsDb = j.value("holdsDb", 0.0);
    c.reason = j.value("reason", "");
    return c;
}

json choicesJson(const PitchReport& report)
{
    json list = json::array();
    for (const auto& c : report.choices)
        list.push_back({{"midi", c.midi}, {"confidence", c.confidence}, {"reason", c.reason}});
    return list;
}

constexpr std::pair<const char*, double PitchMovement::*> movementFields[] = {
    {"low", &PitchMovement::low}, {"high", &PitchMovement::high}, {"mean", &PitchMovement::mean},
    {"centre", &PitchMovement::centre}, {"vibratoHz", &PitchMovement::vibratoHz},
    {"vibratoCents", &PitchMovement::vibratoCents}, {"spread", &PitchMovement::spread},
    {"slowRange", &PitchMovement::slowRange}, {"steadyStart", &PitchMovement::steadyStart},
    {"steadyEnd", &PitchMovement::steadyEnd}, {"steady", &PitchMovement::steady},
    {"steadySpread", &PitchMovement::steadySpread}, {"jitter", &PitchMovement::jitter},
    {"clarity", &PitchMovement::clarity}, {"voiced", &PitchMovement::voiced}};

json movementJson(const PitchMovement& movement)
{
    json j;
    for (const auto& [name, field] : movementFields)
        j[name] = movement.*field;
    return j;
}
PitchMovement movementFrom(const json& j)
{
    PitchMovement movement;
    for (const auto& [name, field] : movementFields)
        movement.*field = j.value(name, 0.0);
    return movement;
}

json pitchJson(const PitchReport& report)
{
    json partials = json::array();
    for (const auto& p : report.partials)
        partials.push_back({p.hz, p.amplitude, p.decay});
    return {{"verdict", nameIn(verdictNames, report.verdict)},
        {"kind", nameIn(kindNames, report.kind)},
        {"midi", report.midi ? json(*report.midi) : json(nullptr)},
        {"confidence", report.confidence}, {"stretch", report.stretch},
        {"candidates", choicesJson(report)}, {"partials", partials}, {"notes", report.notes},
        {"tonal", report.tonal},
        {"movement", report.movement ? movementJson(*report.movement) : json(nullptr)}};
}
PitchReport pitchFrom(const json& j)
{
    PitchReport report;
    report.verdict = valueIn(verdictNames, j.value("verdict", "none"));
    report.kind = valueIn(kindNames, j.value("kind", "unpitched"));
    if (j.contains("midi") && !j["midi"].is_null())
        report.midi = j["midi"].get<double>();
    report.confidence = j.value("confidence", 0.0);
    report.stretch = j.value("stretch", 0.0);
    for (const auto& c : j.value("candidates", json::array()))
        report.choices.push_back({c.at("midi").get<double>(), c.at("confidence").get<double>(),
            c.at("reason").get<std::string>()});
    for (const auto& p : j.value("partials", json::array()))
        report.partials.push_back({p.at(0).get<double>(), p.at(1).get<double>(),
            p.size() > 2 ? p[2].get<double>() : 0.0});
    report.notes = j.value("notes", std::vector<double>());
    report.tonal = j.value("tonal", 0.0);
    if (j.contains("movement") && !j["movement"].is_null())
        report.movement = movementFrom(j["movement"]);
    return report;
}

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

json takeJson(const Take& take)
{
    json choices = json::array();
    for (const auto& c : take.loopChoices)
        choices.push_back(candidateJson(c));
    return {{"id", take.id}, {"name", take.name}, {"audio", audioPath(*take.recording)},
        {"fileName", take.recording->fileName}, {"kept", spanJson(take.kept)},
        {"treatments", treatmentsJson(take.treatments)}, {"fades", fadesJson(take.fades)},
        {"pitch", pitchJson(take.pitch)},
        {"tuning",
            {{"rootKey", take.tuning.rootKey}, {"fineCents", take.tuning.fineCents},
                {"source", nameIn(sourceNames, take.tuning.source)}}},
        {"loop", loopJson(take.loop)}, {"loopChoices", choices}, {"loopMessage", take.loopMessage}};
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
    take.pitch = pitchFrom(j.at("pitch"));
    const auto& tuning = j.at("tuning");
    take.tuning = {whole<int>(tuning.at("rootKey")), tuning.at("fineCents").get<double>(),
        valueIn(sourceNames, tuning.value("source", "byHand"))};
    take.loop = loopFrom(j.at("loop"));
    for (const auto& c : j.value("loopChoices", json::array()))
        take.loopChoices.push_back(candidateFrom(c));
    take.loopMessage = j.value("loopMessage", "");
    sanitize(take);
    if (auto treated = treat(take.recording->audio, take.treatments);
        treated != take.recording->audio)
        take.treated.audio = std::move(treated);
    return take;
}

Error damagedDocument(const std::string& name, const std::string& what)
{
    return {ErrorCode::damaged, name + " is damaged: " + what + ".", "Open an older copy of it."};
}

} // namespace

std::string audioPath(const Recording& recording)
{
    auto extension = std::filesystem::path(recording.fileName).extension().string();
    return "audio/" + recording.hash + (extension.empty() ? ".wav" : extension);
}

std::string toJson(const Instrument& instrument)
{
    json takes = json::array();
    for (const auto& take : instrument.takes)
        takes.push_back(takeJson(take));
    json layers = json::array();
    for (const auto& layer : instrument.layers)
        layers.push_back(layerJson(layer));
    const json document = {{"schema", schemaVersion}, {"name", instrument.name}, {"takes", takes},
        {"layers", layers}, {"a4", instrument.a4}};
    // File names come from disks and may hold any bytes.
    return document.dump(2, ' ', false, json::error_handler_t::replace);
}

namespace {

/// Schema 1 had one layer, which was not called so.
void from1To2(json& j)
{
    const Layer standard;
    j["layers"] = json::array({{{"id", standard.id}, {"name", standard.name},
        {"zones", j.at("zones")}, {"envelope", j.at("envelope")}}});
    j.erase("zones");
    j.erase("envelope");
}

/// From schema to schema, JSON to JSON.
void migrate(json& j, int schema)
{
    if (schema < 2)
        from1To2(j);
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
            return "two of its takes are the same one";
    for (const auto& layer : instrument) {
        if (!free(layers, layer.id))
            return "two of its layers are the same one";
        for (const auto& zone : layer.zones) {
            if (takes.count(zone.take) == 0)
                return "a zone plays a take that is missing";
            if (!free(zones, zone.id))
                return "two of its zones are the same one";
        }
    }
    return zones.size() > mostZones ? "it has more zones than can be played" : "";
}

} // namespace

Result<Instrument> fromJson(const std::string& text, const std::string& name,
    const std::function<Result<RecordingPtr>(const std::string&, const std::string&)>& audio)
{
    try {
        json j = json::parse(text);
        const int schema = whole<int>(j.at("schema"));
        if (schema > schemaVersion)
            return fail(ErrorCode::damaged, name + " was made by a newer Pure Tone.",
                "Update Pure Tone to open it.");
        migrate(j, schema);
        if (j.at("takes").size() > mostTakes || j.at("layers").size() > mostLayers)
            return tl::unexpected(damagedDocument(name, "it claims more than can be played"));
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
        instrument.a4 = j.value("a4", concertPitch.value);
        for (auto& take : instrument.takes)
            take.tuning.a4 = instrument.a4;
        return sanitized(std::move(instrument));
    } catch (const json::other_error& error) {
        // "[json.exception.other_error.501] unknown name: sideways"
        const std::string what = error.what();
        return tl::unexpected(
            damagedDocument(name, what.substr(std::min(what.size(), what.find("] ") + 2))));
    } catch (const json::exception&) {
        return tl::unexpected(damagedDocument(name, "its description cannot be understood"));
    }
}

} // namespace puretone
