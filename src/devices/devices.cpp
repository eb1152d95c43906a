// SPDX-License-Identifier: GPL-3.0-or-later
#include "devices/devices.h"

#include "devices/real_audio.h"
#include "devices/simulated.h"

namespace puretone {

namespace {

std::vector<DeviceName> withSimulated(std::vector<DeviceName> list, const char* name)
{
    list.push_back({simulatedId, name, true});
    return list;
}

} // namespace

std::vector<DeviceName> listOutputs()
{
    return withSimulated(listRealOutputs(), "Simulated output");
}

std::vector<DeviceName> listInputs()
{
    return withSimulated(listRealInputs(), "Simulated microphone");
}

std::vector<DeviceName> listMidiInputs()
{
    return withSimulated(listRealMidiInputs(), "Simulated keyboard");
}

Result<std::unique_ptr<AudioOutput>> openOutput(const std::string& id, OutputClient client)
{
    if (id == simulatedId)
        return std::make_unique<SimulatedOutput>(std::move(client));
    return openRealOutput(id, std::move(client));
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

std::string preferredOutput()
{
    return listOutputs().front().id;
}

} // namespace puretone
