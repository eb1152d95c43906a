// SPDX-License-Identifier: GPL-3.0-or-later
#include "devices/devices.h"

#include "base/say.h"

#include "devices/device_choice.h"
#include "devices/real_audio.h"
#include "devices/simulated.h"

namespace puretone {

DeviceLists simulatedDevices()
{
    return {{{simulatedId, say("Simulated output"), true}},
        {{simulatedId, say("Simulated microphone"), true}},
        {{simulatedId, say("Simulated keyboard"), true}}};
}

DeviceLists listDevices()
{
    DeviceLists lists = simulatedDevices();
    const auto before = [](std::vector<DeviceName>& list, std::vector<DeviceName> real) {
        list.insert(list.begin(), real.begin(), real.end());
    };
    before(lists.outputs, listRealOutputs());
    before(lists.inputs, listRealInputs());
    auto keyboards = listRealMidiInputs();
    putLoopbacksLast(keyboards);
    before(lists.keyboards, std::move(keyboards));
    return lists;
}

Result<std::unique_ptr<AudioOutput>> openOutput(
    const std::string& id, OutputClient client, const OutputFormat& format)
{
    if (id == simulatedId)
        return std::make_unique<SimulatedOutput>(std::move(client));
    return openRealOutput(id, std::move(client), format);
}

Result<std::unique_ptr<AudioInput>> openInput(const std::string& id, InputClient client)
{
    if (id == simulatedId)
        return std::make_unique<SimulatedMicrophone>(std::move(client));
    return openRealInput(id, std::move(client));
}

Result<std::unique_ptr<MidiInput>> openMidiInput(const std::string& id, MidiClient client)
{
    if (id == simulatedId)
        return std::make_unique<SimulatedKeyboard>(std::move(client));
    return openRealMidiInput(id, std::move(client));
}

} // namespace puretone
