// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/offline/render.h"

#include "base/quantity.h"
#include "base/say.h"

#include <set>
#include <sstream>

namespace puretone {

namespace {

/// Renders up to frame `to`, appending.
void renderTo(Engine& engine, Audio& out, std::int64_t to)
{
    constexpr std::int64_t block = 4096;
    while (out.frames() < to) {
        const auto from = std::size_t(out.frames());
        const auto count = std::size_t(std::min(block, to - out.frames()));
        for (auto& channel : out.channels)
            channel.resize(from + count);
        engine.process(out.channels[0].data() + from, out.channels[1].data() + from, int(count));
    }
}

/// The instrument on the keys that are played: no others need be made.
Instrument onlyKeys(Instrument instrument, const std::vector<TimedEvent>& events)
{
    std::set<int> keys;
    for (const auto& event : events)
        if (event.event.kind == MidiEvent::Kind::noteOn)
            keys.insert(event.event.key & 127);
    for (auto& layer : instrument.layers) {
        std::vector<Zone> zones;
        for (Zone zone : layer.zones)
            for (const int key : keys)
                if (key >= zone.lowKey && key <= zone.highKey) {
                    Zone one = zone;
                    one.lowKey = one.highKey = key;
                    zones.push_back(one);
                }
        layer.zones = std::move(zones);
    }
    return instrument;
}

bool sounds(Engine& engine)
{
    const auto heard = engine.look();
    return heard.voices > 0 || heard.rings;
}

} // namespace

Audio renderEvents(const Instrument& instrument, std::vector<TimedEvent> events, double rate,
    double tailSeconds, const Progress& progress)
{
    std::stable_sort(events.begin(), events.end(), [](const TimedEvent& a, const TimedEvent& b) {
        if (a.seconds != b.seconds)
            return a.seconds < b.seconds;
        // A note that ends when the same key begins again must end first.
        return a.event.kind == MidiEvent::Kind::noteOff && b.event.kind != MidiEvent::Kind::noteOff;
    });
    const auto engine = std::make_unique<Engine>();
    engine->master().setLimiting(true);
    engine->prepare(rate);
    KeptLengths lengths;
    makeLengths(onlyKeys(instrument, events), lengths, progress.part(0.0, 0.5));
    auto program = Compiler().compile(instrument, rate, lengths);
    const auto late = engine->master().latency() + program->latency();
    engine->setProgram(std::move(program));
    Audio out{rate, std::vector<std::vector<float>>(2)};
    for (std::size_t i = 0; i < events.size() && !progress.cancelled(); ++i) {
        renderTo(*engine, out, std::llround(events[i].seconds * rate));
        // The first block makes the program known even when the first note is at 0.
        if (out.frames() == 0)
            engine->process(nullptr, nullptr, 0);
        engine->handle(events[i].event);
        progress.at(double(i + 1) / double(events.size()));
    }
    const auto last = late + out.frames() + std::llround(tailSeconds * rate);
    do
        renderTo(*engine, out, std::min(last, out.frames() + std::llround(0.05 * rate)));
    while (sounds(*engine) && out.frames() < last && !progress.cancelled());
    // Limiter and effects are late, the file is not.
    renderTo(*engine, out, out.frames() + late);
    for (auto& channel : out.channels)
        channel.erase(channel.begin(), channel.begin() + late);
    return out;
}

Result<std::vector<TimedEvent>> parseNotes(const std::string& text)
{
    std::vector<TimedEvent> events;
    std::istringstream words(text);
    std::string word;
    while (words >> word) {
        std::vector<std::string> parts(1);
        for (const char c : word) {
            if (c == ':')
                parts.emplace_back();
            else
                parts.back() += c;
        }
        const auto number = [&](std::size_t i) -> std::optional<double> {
            return i < parts.size() ? parseNumber(parts[i], "") : std::nullopt;
        };
        const auto key = parseKey(parts[0]);
        const auto start = number(1), seconds = number(2);
        const auto velocity = parts.size() > 3 ? number(3) : 100.0;
        if (!key || !start || !seconds || !velocity || parts.size() > 4 || *start < 0.0
            || *seconds <= 0.0 || *start + *seconds > longestPerformance || *velocity < 1.0
            || *velocity > 127.0)
            return fail(ErrorCode::badValue, say("\"%1\" is no note.", word),
                say("Write KEY:START:SECONDS:VELOCITY, for example A3:0:1.5:100."));
        events.push_back({*start, MidiEvent::noteOn(*key, int(std::lround(*velocity)))});
        events.push_back({*start + *seconds, MidiEvent::noteOff(*key)});
    }
    if (events.empty())
        return fail(ErrorCode::badValue, say("There are no notes to play."),
            say("Write KEY:START:SECONDS:VELOCITY, for example A3:0:1.5:100."));
    return events;
}

} // namespace puretone
