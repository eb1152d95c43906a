// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// Documents as a damaged or malicious file may hold them, and a walk through all that is done with
// what the gate lets through. The fuzz target and the tests share both.

#include "engine/engine.h"
#include "loop/search/remedy.h"
#include "loop/search/seam_map.h"
#include "model/files/json.h"
#include "model/making/sounds.h"
#include "model/words/readings.h"
#include "prepare/treat/treat.h"
#include "support/takes.h"

#include <nlohmann/json.hpp>

namespace probe {

/// A short document in which every kind of value occurs.
inline puretone::Instrument everyKindOfValue()
{
    using namespace puretone;
    auto first = *makeTake(makeRecording(
        mono(harmonicTone(233.0, 16000.0, 0.3) + silence(16000.0, 0.02), 16000.0), "hum.wav"));
    first.name = "hum";
    auto& report = first.facts.change().pitch;
    report.notes = {48.0, 55.0};
    report.movement = PitchMovement{};
    report.movement->low = 57.5;
    report.movement->high = 58.5;
    report.movement->voiced = 1.0;
    report.movement->slowRange = 100.0;
    report.movement->steadyEnd = 0.2;
    const Span all{Frames{0}, Frames{4800}};
    first.treatments = {{RemoveDc{}}, {PassFilter{}}, {Band{}}, {Level{Level::To::peak, -1.0, all}},
        {EvenOut{0.5, all}}, {Reverse{}, false}, {Channels{}, false}, {Width{}, false},
        {Straighten{0.5, 0.5, Straighten::To::centre, 58.0, 58.0, all}, false},
        {RemoveTone{3000.0, false, false, all}, false}};
    first.treated.audio = treat(first.recording->audio, first.treatments);
    auto second = plainTake(mono(noise(22050.0, 0.2), 22050.0), 60.0, "wind");
    auto instrument = makeInstrument(std::move(first));
    addTakes(instrument, {std::move(second)});
    return sanitized(std::move(instrument));
}

/// The document as older files hold it: with the facts inside its takes.
inline std::string withFactsInside(const puretone::Instrument& document)
{
    using nlohmann::json;
    json j = json::parse(toJson(document));
    const json facts = json::parse(factsToJson(document))["facts"];
    for (std::size_t i = 0; i < facts.size(); ++i)
        for (const char* name : {"pitch", "loopChoices", "loopMessage"})
            j["takes"][i][name] = facts[i][name];
    return j.dump();
}

/// Reads a document whose recordings are those of `of`.
inline puretone::Result<puretone::Instrument> readWith(
    const puretone::Instrument& of, const std::string& text)
{
    using namespace puretone;
    auto read = fromJson(text, "x.puretone",
        [&](const std::string& path, const std::string&) -> Result<RecordingPtr> {
            for (const auto& t : of.takes)
                if (audioPath(*t.recording) == path)
                    return t.recording.pointer();
            return fail(ErrorCode::damaged, path + " is missing.");
        });
    if (read)
        (void)makeSounds(*read);
    return read;
}

/// Replaces `changes` values of a document, of any depth, by values that hurt.
inline std::string mangled(const std::string& text, Noise& random, int changes)
{
    using nlohmann::json;
    json document = json::parse(text);
    std::vector<json::json_pointer> places;
    const std::function<void(const json&, const json::json_pointer&)> collect =
        [&](const json& j, const json::json_pointer& at) {
            if (!at.empty())
                places.push_back(at);
            if (j.is_object())
                for (const auto& [key, value] : j.items())
                    collect(value, at / key);
            else if (j.is_array())
                for (std::size_t i = 0; i < j.size(); ++i)
                    collect(j[i], at / i);
        };
    collect(document, json::json_pointer());
    const auto pick = [&](std::size_t count) {
        return std::min(count - 1, std::size_t(random.between(0.0, double(count))));
    };
    const std::vector<json> nasty = {-100, -1, 0, 1, 1e300, -1e300, 1e19, 9223372036854775807LL,
        std::uint64_t(18446744073709551615ULL), 4800, 4799, 1e-300, 0.5, -0.5, 127, 128, 1e6,
        nullptr, "forward", "", "\xE2\x99\xAF", true, json::array(), json::object(),
        json::array({1, 2, 3})};
    for (int i = 0; i < changes; ++i) {
        const auto& place = places[pick(places.size())];
        if (!document.contains(place))
            continue; // gone with what held it
        // Mostly numbers for numbers: other types are refused at once.
        auto& value = document[place];
        const auto& by = nasty[value.is_number() ? pick(17) : pick(nasty.size())];
        if (value.is_primitive() || random() > 0.9)
            value = by;
    }
    return document.dump();
}

/// Does with a document that was read what the program does with it: readings, reports, drawing
/// data, treatments, and a fifth of a second of sound.
inline void walkThrough(const puretone::Instrument& document)
{
    using namespace puretone;
    for (const auto& take : document.takes) {
        for (const auto stop : allStops)
            (void)readingOf(stop, document, &take, {});
        (void)pitchFacts(take, {});
        (void)pitchChoices(take);
        (void)contradictsSeries(take);
        (void)crossfadeLimitReason(take.loop);
        const Span steady = steadiestPart(take);
        (void)mixToMono(take.audio(), steady);
        (void)analysisJson("x", take);
        (void)analysisText("x", take);
        std::vector<Extent> columns(100);
        PeakPyramid(take.sound())
            .columns(0, double(take.kept.start.value),
                double(take.kept.length()) / double(columns.size()), columns);
        if (take.loop.on)
            (void)loopRemedy(take.audio(), take.kept,
                judgeLoop(take.audio(), take.loop, take.period()), take.period());
        (void)makeSeamMap(take.audio(), take.kept);
        Take turned = take;
        auto list = take.treatments;
        list.push_back({Reverse{}});
        setTreatments(turned, list, treat(take.recording->audio, list));
        hearAgain(turned);
        (void)prepareTake(turned);
    }
    (void)infoJson("x", document);
    (void)infoText(document);
    (void)toJson(document);
    (void)factsToJson(document);
    const auto owner = std::make_unique<Engine>();
    Engine& engine = *owner;
    engine.prepare(48000.0);
    engine.setProgram(Compiler().compile(document, 48000.0));
    std::vector<float> left(512), right(512);
    engine.process(left.data(), right.data(), 0);
    for (const int key : {0, 48, 60, 127})
        engine.handle(MidiEvent::noteOn(key, 100));
    for (int i = 0; i < 19; ++i)
        engine.process(left.data(), right.data(), 512);
    engine.handle(MidiEvent::allOff());
}

} // namespace probe
