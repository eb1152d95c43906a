// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "devices/devices.h"

namespace puretone {

/// Devices that RtAudio finds, under every API it was built with. None where there is no server.
std::vector<DeviceName> listRealOutputs();
std::vector<DeviceName> listRealInputs();
std::vector<DeviceName> listRealMidiInputs();

Result<std::unique_ptr<AudioOutput>> openRealOutput(
    const std::string& id, OutputClient client, const OutputFormat& format);
Result<std::unique_ptr<AudioInput>> openRealInput(const std::string& id, InputClient client);
Result<std::unique_ptr<MidiInput>> openRealMidiInput(const std::string& id, MidiClient client);

} // namespace puretone
