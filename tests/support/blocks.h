// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "engine/engine.h"

#include <memory>
#include <utility>
#include <vector>

namespace probe {

/// An event and the frame at which it happens.
using EventAt = std::pair<int, puretone::MidiEvent>;

/// What an engine at 48 kHz plays in blocks of a size, cut where events are: the left side, then
/// the right one. @param events In order.
inline std::vector<float> playInBlocks(
    const puretone::Instrument& instrument, std::vector<EventAt> events, int frames, int block)
{
    using namespace puretone;
    const auto engine = std::make_unique<Engine>();
    engine->prepare(48000.0);
    engine->setProgram(Compiler().compile(instrument, 48000.0));
    std::vector<float> left(static_cast<std::size_t>(frames)), right(left);
    engine->process(left.data(), right.data(), 0);
    events.emplace_back(frames, MidiEvent{});
    int done = 0;
    for (const auto& [at, event] : events) {
        while (done < at) {
            const int count = std::min(block, at - done);
            engine->process(left.data() + done, right.data() + done, count);
            done += count;
        }
        engine->handle(event);
    }
    left.insert(left.end(), right.begin(), right.end());
    return left;
}

} // namespace probe
