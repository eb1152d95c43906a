// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/offline/print.h"

#include "base/say.h"
#include "base/threads/all_cores.h"
#include "engine/offline/render.h"

#include <algorithm>
#include <cmath>
#include <mutex>

namespace puretone {

namespace {

/// What rings below anybody's hearing, up to the end, goes.
void cutSilence(Audio& audio)
{
    constexpr float unheard = 3.2e-5f; // -90 dB
    std::size_t last = 0;
    for (const auto& channel : audio.channels)
        for (std::size_t i = last; i < channel.size(); ++i)
            if (std::abs(channel[i]) > unheard)
                last = i + 1;
    for (auto& channel : audio.channels)
        channel.resize(std::min(channel.size(), last));
}

} // namespace

Result<Audio> printAudio(
    const Instrument& instrument, const Print& print, double rate, const Progress& progress)
{
    const auto nothing = [&](const std::string& why) {
        return fail(ErrorCode::nothingInside, say("Nothing can be printed: %1.", why),
            say("Choose another key."));
    };
    if (!printObstacle(instrument, print).empty())
        return nothing(say("no layer plays that key"));
    const PrintPlan& plan = print.plan;
    Audio audio = renderEvents(printedPart(instrument, print),
        {{0.0, MidiEvent::noteOn(plan.key, plan.touch)},
            {plan.heldSeconds, MidiEvent::noteOff(plan.key)}},
        rate, plan.tailSeconds, progress);
    if (progress.cancelled())
        return fail(ErrorCode::cancelled, say("Printing was stopped."), "");
    if (plan.untilSilent)
        cutSilence(audio);
    else
        for (auto& channel : audio.channels)
            channel.resize(std::size_t((plan.heldSeconds + plan.tailSeconds) * rate));
    if (plan.mono) {
        for (std::size_t i = 0; i < audio.channels[0].size(); ++i)
            audio.channels[0][i] = 0.5f * (audio.channels[0][i] + audio.channels[1][i]);
        audio.channels.resize(1);
    }
    const bool heard =
        std::any_of(audio.channels.begin(), audio.channels.end(), [](const auto& channel) {
            return std::any_of(channel.begin(), channel.end(), [](float s) { return s != 0.0f; });
        });
    if (!heard || audio.frames() < shortestTake)
        return nothing(say("it is silent"));
    return audio;
}

std::vector<PrintPlan> plansOf(const Instrument& instrument, const PrintMany& many)
{
    std::vector<PrintPlan> plans;
    for (int key = std::max(0, many.from); key <= std::min(127, many.to);
         key += std::max(1, many.step))
        for (const int touch : many.touches) {
            PrintPlan plan = many.plan;
            plan.key = key;
            plan.touch = std::clamp(touch, 1, 127);
            if (printObstacle(instrument, planPrint(instrument, plan)).empty())
                plans.push_back(plan);
        }
    return plans;
}

Result<std::vector<Audio>> printAll(const Instrument& instrument, const std::vector<Print>& prints,
    double rate, const Progress& progress)
{
    std::vector<Audio> made(prints.size());
    std::optional<Error> trouble;
    std::size_t done = 0;
    std::mutex guard;
    // A single one tells how far it is, several how many there are.
    const Progress each = prints.size() == 1 ? progress : Progress{progress.stop, {}};
    onAllCores(prints.size(), [&](std::size_t i) {
        if (progress.cancelled())
            return;
        auto audio = printAudio(instrument, prints[i], rate, each);
        const std::lock_guard lock(guard);
        progress.at(double(++done) / double(prints.size()));
        if (audio)
            made[i] = std::move(*audio);
        else if (!trouble)
            trouble = audio.error();
    });
    if (progress.cancelled())
        return fail(ErrorCode::cancelled, say("Printing was stopped."), "");
    if (trouble)
        return tl::unexpected(*trouble);
    return made;
}

} // namespace puretone
