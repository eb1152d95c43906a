// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/files/movement_json.h"

#include "model/files/json_names.h"

namespace puretone {

using nlohmann::json;

namespace {

constexpr Names<Wave::Shape, 7> shapeNames = {{{Wave::Shape::sine, "sine"},
    {Wave::Shape::triangle, "triangle"}, {Wave::Shape::sawUp, "sawUp"},
    {Wave::Shape::sawDown, "sawDown"}, {Wave::Shape::square, "square"},
    {Wave::Shape::steps, "steps"}, {Wave::Shape::drift, "drift"}}};

constexpr Names<SourceKind, 14> sourceNames = {
    {{SourceKind::none, "none"}, {SourceKind::wheel, "wheel"}, {SourceKind::bend, "bend"},
        {SourceKind::pressure, "pressure"}, {SourceKind::touch, "touch"},
        {SourceKind::releaseTouch, "releaseTouch"}, {SourceKind::key, "key"},
        {SourceKind::controller, "controller"}, {SourceKind::levelEnvelope, "levelEnvelope"},
        {SourceKind::secondEnvelope, "secondEnvelope"}, {SourceKind::wave, "wave"},
        {SourceKind::random, "random"}, {SourceKind::turn, "turn"}, {SourceKind::noise, "noise"}}};

constexpr Names<Target, std::size_t(targetCount)> targetNames = {
    {{Target::pitch, "pitch"}, {Target::level, "level"}, {Target::pan, "pan"},
        {Target::cutoff, "cutoff"}, {Target::resonance, "resonance"}, {Target::drive, "drive"},
        {Target::start, "start"}, {Target::loopPlace, "loopPlace"}, {Target::ring, "ring"},
        {Target::place, "place"}, {Target::grainSize, "grainSize"}, {Target::scatter, "scatter"},
        {Target::drift, "drift"}, {Target::blend, "blend"}, {Target::waveRate, "waveRate"},
        {Target::waveDepth, "waveDepth"}, {Target::attack, "attack"}, {Target::decay, "decay"},
        {Target::release, "release"}, {Target::effect, "effect"}}};

constexpr Names<Pattern::Order, 6> orderNames = {
    {{Pattern::Order::up, "up"}, {Pattern::Order::down, "down"},
        {Pattern::Order::upAndDown, "upAndDown"}, {Pattern::Order::asPlayed, "asPlayed"},
        {Pattern::Order::atRandom, "atRandom"}, {Pattern::Order::together, "together"}}};

json sourceJson(const Source& source)
{
    return {{"kind", nameIn(sourceNames, source.kind)}, {"number", source.number}};
}
Source sourceFrom(const json& j)
{
    return {valueIn(sourceNames, j.value("kind", "none")), whole(j, "number", 0)};
}

} // namespace

json waveJson(const Wave& w)
{
    return {{"shape", nameIn(shapeNames, w.shape)}, {"hz", w.hz}, {"beats", w.beats},
        {"delaySeconds", w.delaySeconds}, {"fadeSeconds", w.fadeSeconds}, {"phase", w.phase},
        {"free", w.free}};
}
Wave waveFrom(const json& j)
{
    const Wave standard;
    return {valueIn(shapeNames, j.value("shape", "sine")), j.value("hz", standard.hz),
        j.value("beats", 0.0), j.value("delaySeconds", 0.0), j.value("fadeSeconds", 0.0),
        j.value("phase", 0.0), j.value("free", false)};
}

json movementJson(const Movement& m)
{
    return {{"source", sourceJson(m.source)}, {"target", nameIn(targetNames, m.target)},
        {"number", m.number}, {"amount", m.amount}, {"by", sourceJson(m.by)}, {"curve", m.curve},
        {"on", m.on}};
}
Movement movementFrom(const json& j)
{
    return {sourceFrom(j.at("source")), valueIn(targetNames, j.at("target").get<std::string>()),
        whole(j, "number", 0), j.value("amount", 0.0), sourceFrom(j.value("by", json::object())),
        j.value("curve", 0.0), j.value("on", true)};
}

json patternJson(const Pattern& p)
{
    json steps = json::array();
    for (const auto& step : p.steps) {
        json layers = json::array();
        for (const auto id : step.layers)
            layers.push_back(id.value);
        steps.push_back({{"sounds", step.sounds}, {"layers", layers}});
    }
    return {{"on", p.on}, {"order", nameIn(orderNames, p.order)}, {"beats", p.beats},
        {"gate", p.gate}, {"swing", p.swing}, {"octaves", p.octaves}, {"steps", steps}};
}
Pattern patternFrom(const json& j)
{
    const Pattern standard;
    Pattern p;
    p.on = j.value("on", false);
    p.order = valueIn(orderNames, j.value("order", "up"));
    p.beats = j.value("beats", standard.beats);
    p.gate = j.value("gate", standard.gate);
    p.swing = j.value("swing", 0.0);
    p.octaves = whole(j, "octaves", 1);
    for (const auto& step : j.value("steps", json::array())) {
        if (p.steps.size() >= Pattern::mostSteps)
            break;
        p.steps.push_back({step.value("sounds", true), {}});
        for (const auto& id : step.value("layers", json::array()))
            if (p.steps.back().layers.size() < mostLayers)
                p.steps.back().layers.emplace_back(whole<int>(id));
    }
    return p;
}

void layerFrom2To3(json& layer)
{
    const auto filter = layer.find("filter");
    if (filter != layer.end() && filter->contains("envelope")) {
        layer["second"] = filter->at("envelope");
        filter->erase("envelope");
    }
    const auto notes = layer.value("notes", "many");
    layer["glide"] = {{"seconds", notes == "many" ? 0.0 : layer.value("glideSeconds", 0.0)},
        {"byRate", false}, {"always", notes != "tied"}};
    layer.erase("glideSeconds");
    const auto lfo = layer.find("lfo");
    if (lfo == layer.end())
        return;
    Layer made;
    setSlowWave(made,
        {lfo->value("hz", 5.0), lfo->value("pitchCents", 0.0), lfo->value("levelDb", 0.0),
            lfo->value("cutoffOctaves", 0.0), lfo->value("fadeSeconds", 0.0)});
    layer["waves"] = json::array({waveJson(made.waves[0])});
    layer["movements"] = json::array();
    for (const auto& movement : made.movements)
        layer["movements"].push_back(movementJson(movement));
    layer.erase("lfo");
}

} // namespace puretone
