// SPDX-License-Identifier: GPL-3.0-or-later
// What the command line prints about takes and instruments: the JSON contract and its readable
// twin.

#include "audio/level.h"
#include "base/quantity.h"
#include "model/files/effect_json.h"
#include "model/files/json.h"

#include "model/files/json_names.h"
#include "model/files/layer_json.h"
#include "model/making/take_maker.h"
#include "model/words/readings.h"

#include <nlohmann/json.hpp>

namespace puretone {

using OrderedJson = nlohmann::ordered_json;

namespace {

std::string dump(const OrderedJson& j)
{
    return j.dump(-1, ' ', false, OrderedJson::error_handler_t::replace);
}

OrderedJson pitchReport(const PitchReport& report)
{
    OrderedJson candidates = OrderedJson::array();
    for (const auto& c : report.choices)
        candidates.push_back(
            {{"midi", c.midi}, {"confidence", c.confidence}, {"reason", c.reason.said()}});
    OrderedJson j = {{"verdict", nameOf(report.verdict)}, {"kind", nameOf(report.kind)}};
    if (report.midi) {
        const auto [key, rest] = nearestKey(*report.midi);
        j["hz"] = report.hz()->value;
        j["midi"] = *report.midi;
        j["rootKey"] = key;
        j["cents"] = rest.value;
        j["name"] = noteName(key);
    } else {
        for (const char* field : {"hz", "midi", "rootKey", "cents", "name"})
            j[field] = nullptr;
    }
    j["confidence"] = report.confidence;
    j["candidates"] = candidates;
    OrderedJson partials = OrderedJson::array();
    for (const auto& p : report.partials)
        partials.push_back({{"hz", p.hz}, {"levelDb", p.levelDb()},
            {"decaySeconds", p.decay > 0.0 ? OrderedJson(p.decay) : OrderedJson(nullptr)}});
    j["partials"] = partials;
    j["notes"] = report.notes;
    j["tonal"] = report.tonal;
    j["movement"] = nullptr;
    if (const auto& m = report.movement; m && m->smooth())
        j["movement"] = {{"low", m->low}, {"high", m->high}, {"wanders", report.wanders()},
            {"vibratoHz", m->vibratoHz}, {"vibratoCents", m->vibratoCents},
            {"steadiest", {{"start", m->steadyStart}, {"end", m->steadyEnd}, {"midi", m->steady}}}};
    return j;
}

std::string whyNoLoop(const Take& take)
{
    if (take.facts->loopChoices.empty())
        return take.facts->loopMessage.said();
    return isStruckDead(take) ? "is struck and gone at once; one is ready" : "is off; one is ready";
}

OrderedJson loopReport(const Take& take)
{
    if (!take.loop.on) {
        OrderedJson ready = nullptr;
        if (!take.facts->loopChoices.empty()) {
            const auto& best = take.facts->loopChoices.front();
            ready = {{"start", best.loop.span.start.value}, {"end", best.loop.span.end.value},
                {"crossfade", best.loop.crossfade.value}, {"holdsDb", best.holdsDb},
                {"verdict", nameOf(seamVerdict(best.cost))}};
        }
        return {{"verdict", "none"}, {"start", nullptr}, {"end", nullptr}, {"crossfade", nullptr},
            {"mode", nullptr}, {"seam", nullptr}, {"pitchErrorCents", nullptr},
            {"reason", whyNoLoop(take)}, {"ready", ready}};
    }
    const auto judged = judgeLoop(take.audio(), take.loop, take.period());
    return {{"verdict", nameOf(seamVerdict(judged.cost))}, {"start", take.loop.span.start.value},
        {"end", take.loop.span.end.value}, {"crossfade", take.loop.crossfade.value},
        {"mode", nameIn(loopModeNames, take.loop.mode)},
        {"seam",
            {{"clickDb", judged.seam.clickDb}, {"levelDb", judged.seam.levelDb},
                {"timbreDb", judged.seam.timbreDb}, {"changeDb", judged.seam.changeDb},
                {"dipDb", judged.seam.dipDb}, {"pulseDb", judged.seam.pulseDb}}},
        {"pitchErrorCents", judged.pitchErrorCents},
        {"holdsDb", measureHold(take.audio(), take.kept, take.loop)}};
}

} // namespace

std::string analysisJson(const std::string& file, const Take& take)
{
    const Audio& audio = take.audio();
    const Span whole{Frames{0}, Frames{audio.frames()}};
    const OrderedJson j = {{"file", file}, {"sampleRate", std::llround(audio.rate)},
        {"channels", audio.channelCount()}, {"frames", audio.frames()},
        {"level",
            {{"peakDb", peakLevel(audio, whole).value},
                {"loudnessLufs", loudnessLufs(audio, take.kept).value}}},
        {"kept", {{"start", take.kept.start.value}, {"end", take.kept.end.value}}},
        {"pitch", pitchReport(take.facts->pitch)}, {"loop", loopReport(take)}};
    return dump(j);
}

std::string analysisText(const std::string& file, const Take& take)
{
    std::string text = file + "\n";
    const double rate = take.rate();
    text += "  kept   " + formatPosition(toSeconds(take.kept.start, rate)) + " to "
        + formatPosition(toSeconds(take.kept.end, rate)) + "\n";
    const auto& pitch = take.facts->pitch;
    text += "  pitch  ";
    if (pitch.midi) {
        const auto [key, rest] = nearestKey(*pitch.midi);
        text += keyWithNumber(key) + " " + formatCents(rest) + ", "
            + formatNumber(pitch.hz()->value, 2) + " Hz, " + nameOf(pitch.verdict) + " ("
            + formatNumber(100.0 * pitch.confidence, 0) + " %), " + nameOf(pitch.kind) + "\n";
        for (const auto& fact : pitchFacts(take, {}))
            text += "         " + fact + "\n";
        for (const auto& choice : pitch.choices)
            text += "         " + noteName(nearestKey(choice.midi).key) + "  "
                + formatNumber(100.0 * choice.confidence, 0) + " %  " + choice.reason.said() + "\n";
    } else {
        text += "no clear pitch\n";
    }
    text += "  loop   ";
    if (!take.loop.on) {
        text += "none: it " + whyNoLoop(take);
        if (!take.facts->loopChoices.empty()) {
            const auto& best = take.facts->loopChoices.front();
            text += ", " + formatSeconds(double(best.loop.span.length()) / rate) + ", "
                + best.reason.said();
        }
        return text + "\n";
    }
    const double seconds = double(take.loop.span.length()) / rate;
    const auto judged = judgeLoop(take.audio(), take.loop, take.period());
    const char* way = take.loop.mode == LoopMode::alternating ? "there and back, "
        : take.loop.mode == LoopMode::untilRelease            ? "until release, "
                                                              : "";
    return text + way + formatPosition(toSeconds(take.loop.span.start, rate)) + " to "
        + formatPosition(toSeconds(take.loop.span.end, rate)) + ", crossfade "
        + formatSeconds(toSeconds(take.loop.crossfade, rate)) + ", "
        + describeSeam(judged.seam, seconds).said() + "\n";
}

std::string infoJson(const std::string& file, const Instrument& instrument)
{
    OrderedJson takes = OrderedJson::array();
    for (const auto& take : instrument.takes)
        takes.push_back({{"id", take.id.value}, {"name", take.name},
            {"file", take.recording->fileName}, {"sampleRate", std::llround(take.rate())},
            {"channels", take.audio().channelCount()}, {"frames", take.audio().frames()},
            {"kept", {{"start", take.kept.start.value}, {"end", take.kept.end.value}}},
            {"rootKey", take.tuning.rootKey}, {"fineCents", take.tuning.fineCents},
            {"midi", take.tuning.soundingMidi()},
            {"loop",
                {{"on", take.loop.on}, {"start", take.loop.span.start.value},
                    {"end", take.loop.span.end.value}, {"crossfade", take.loop.crossfade.value}}}});
    OrderedJson layers = OrderedJson::array();
    for (const auto& layer : instrument.layers)
        layers.push_back(OrderedJson(layerJson(layer)));
    OrderedJson effects = OrderedJson::array();
    for (const auto& effect : instrument.effects)
        effects.push_back(OrderedJson(effectJson(effect, audioPath)));
    return dump({{"file", file}, {"name", instrument.name}, {"takes", takes}, {"layers", layers},
        {"effects", effects}});
}

namespace {

/// "C2 (36) to B3 (59), touch 1 to 63  bottles 1"
std::string zoneText(const Instrument& instrument, const Zone& zone)
{
    std::string text =
        "  keys   " + keyWithNumber(zone.lowKey) + " to " + keyWithNumber(zone.highKey);
    if (zone.lowVelocity > 1 || zone.highVelocity < 127)
        text += ", touch " + std::to_string(zone.lowVelocity) + " to "
            + std::to_string(zone.highVelocity);
    if (zone.levelDb != 0.0)
        text += ", " + formatDecibels(Decibels{zone.levelDb});
    const Take* take = instrument.take(zone.take);
    return text + "  " + (take != nullptr ? take->name : "no take") + "\n";
}

std::string layerText(const Instrument& instrument, const Layer& layer)
{
    std::string text;
    if (instrument.layers.size() > 1 || layer.when != SoundsWhen::press
        || layer.sameKeys != SameKeys::together || layer.follow != 1.0
        || layer.manner != Manner::asRecorded) {
        text += "  layer  " + layer.name + (layer.on ? "" : ", off");
        constexpr const char* when[] = {
            "", ", on release", ", at phrase start", ", within phrases"};
        constexpr const char* turns[] = {"", ", in turn", ", at random"};
        constexpr const char* manner[] = {"", ", keeps its length", ", a frozen moment"};
        text += std::string(when[int(layer.when)]) + turns[int(layer.sameKeys)]
            + manner[int(layer.manner)];
        if (layer.follow != 1.0)
            text += ", follows the keys by " + formatNumber(100.0 * layer.follow, 0) + " %";
        text += "\n";
    }
    for (const auto& zone : layer.zones)
        text += zoneText(instrument, zone);
    const auto& e = layer.envelope;
    return text + "  shape  attack " + formatSeconds(e.attack) + ", decay " + formatSeconds(e.decay)
        + ", sustain " + formatDecibels(Decibels{e.sustainDb}) + ", release "
        + formatSeconds(e.release) + "\n";
}

} // namespace

std::string infoText(const Instrument& instrument)
{
    std::string text = instrument.name + "\n";
    for (const auto& take : instrument.takes) {
        text += "  take   " + take.name + ", " + formatSeconds(take.audio().seconds()) + ", root "
            + keyWithNumber(take.tuning.rootKey) + ", fine tune "
            + formatCents(Cents{take.tuning.fineCents}) + "\n";
        if (take.loop.on)
            text += "         loop of "
                + formatSeconds(double(take.loop.span.length()) / take.rate()) + "\n";
    }
    for (const auto& layer : instrument.layers)
        text += layerText(instrument, layer);
    for (const auto& effect : instrument.effects)
        text += std::string("  effect ") + factsOf(effect.kind).word + ", " + describe(effect)
            + (effect.on ? "\n" : ", passed by\n");
    return text;
}

std::string splitJson(const std::vector<SplitFile>& pieces)
{
    OrderedJson list = OrderedJson::array();
    for (const auto& [take, file] : pieces) {
        const bool pitched = take->facts->pitch.verdict != PitchVerdict::none;
        list.push_back({{"start", take->kept.start.value}, {"end", take->kept.end.value},
            {"midi", pitched ? OrderedJson(*take->facts->pitch.midi) : OrderedJson(nullptr)},
            {"rootKey", pitched ? OrderedJson(take->tuning.rootKey) : OrderedJson(nullptr)},
            {"file", file}});
    }
    return dump(list);
}

std::string splitText(const std::vector<SplitFile>& pieces)
{
    std::string text;
    for (const auto& [take, file] : pieces)
        text += formatPosition(toSeconds(take->kept.start, take->rate())) + " to "
            + formatPosition(toSeconds(take->kept.end, take->rate())) + "  " + file + "\n";
    return text;
}

} // namespace puretone
