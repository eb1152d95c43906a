// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/files/facts_json.h"

#include "model/files/json_names.h"
#include "model/instrument/instrument.h"

namespace puretone {

using nlohmann::json;

namespace {

constexpr Names<PitchVerdict, 3> verdictNames = {{{PitchVerdict::clear, "clear"},
    {PitchVerdict::uncertain, "uncertain"}, {PitchVerdict::none, "none"}}};
constexpr Names<SoundKind, 4> kindNames = {
    {{SoundKind::harmonic, "harmonic"}, {SoundKind::inharmonic, "inharmonic"},
        {SoundKind::percussive, "percussive"}, {SoundKind::unpitched, "unpitched"}}};
constexpr Names<LoopKind, 9> loopKindNames = {
    {{LoopKind::longLiving, "long"}, {LoopKind::middle, "middle"}, {LoopKind::shortSteady, "short"},
        {LoopKind::afterAttack, "afterAttack"}, {LoopKind::heldHigh, "heldHigh"},
        {LoopKind::lastSteady, "lastSteady"}, {LoopKind::wholeSwings, "wholeSwings"},
        {LoopKind::thereAndBack, "thereAndBack"}, {LoopKind::fromFile, "file"}}};

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

/// Each part as its id and its values: [["holds %1 dB", "20"], …].
json messageJson(const Message& message)
{
    json parts = json::array();
    for (const auto& part : message.parts()) {
        json one = json::array({part.id});
        for (const auto& value : part.values)
            one.push_back(value);
        parts.push_back(std::move(one));
    }
    return parts;
}
/// Files once had the sentence itself.
Message messageFrom(const json& j)
{
    if (j.is_string())
        return j.get_ref<const std::string&>().empty() ? Message()
                                                       : Message(j.get<std::string>().c_str(), {});
    std::vector<Message::Part> parts;
    for (const auto& one : j) {
        auto words = one.get<std::vector<std::string>>();
        if (words.empty())
            continue;
        Message::Part part{std::move(words.front()), {}};
        part.values.assign(
            std::make_move_iterator(words.begin() + 1), std::make_move_iterator(words.end()));
        parts.push_back(std::move(part));
    }
    return Message(std::move(parts));
}

json candidateJson(const LoopCandidate& c)
{
    return {{"loop", loopJson(c.loop)}, {"kind", nameIn(loopKindNames, c.kind)},
        {"seam", seamJson(c.seam)}, {"cost", c.cost}, {"pitchErrorCents", c.pitchErrorCents},
        {"holdsDb", c.holdsDb}, {"reason", messageJson(c.reason)}};
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
    c.reason = messageFrom(j.value("reason", json()));
    return c;
}

json choicesJson(const PitchReport& report)
{
    json list = json::array();
    for (const auto& c : report.choices)
        list.push_back(
            {{"midi", c.midi}, {"confidence", c.confidence}, {"reason", messageJson(c.reason)}});
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
PitchMovement pitchMovementFrom(const json& j)
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
            messageFrom(c.at("reason"))});
    for (const auto& p : j.value("partials", json::array()))
        report.partials.push_back({p.at(0).get<double>(), p.at(1).get<double>(),
            p.size() > 2 ? p[2].get<double>() : 0.0});
    report.notes = j.value("notes", std::vector<double>());
    report.tonal = j.value("tonal", 0.0);
    if (j.contains("movement") && !j["movement"].is_null())
        report.movement = pitchMovementFrom(j["movement"]);
    return report;
}

} // namespace

json factsJson(const Facts& facts)
{
    json choices = json::array();
    for (const auto& c : facts.loopChoices)
        choices.push_back(candidateJson(c));
    return {{"pitch", pitchJson(facts.pitch)}, {"loopChoices", choices},
        {"loopMessage", messageJson(facts.loopMessage)}};
}

Aside<Facts> factsFrom(const json& j, const Audio& audio)
{
    Aside<Facts> found;
    try {
        Facts& facts = found.change();
        facts.pitch = pitchFrom(j.at("pitch"));
        for (const auto& c : j.value("loopChoices", json::array()))
            facts.loopChoices.push_back(candidateFrom(c));
        facts.loopMessage = messageFrom(j.value("loopMessage", json()));
        sanitize(facts, audio);
    } catch (const json::exception&) {
        found.forget();
    }
    return found;
}

} // namespace puretone
