// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/midi.h"
#include "base/result.h"

#include <functional>
#include <memory>
#include <string>
#include <vector>

namespace puretone {

/// A device as it is offered for choosing.
struct DeviceName {
    std::string id; ///< Stable between starts: "simulated", "jack:system", "alsa:...".
    std::string name; ///< For people.
    bool simulated = false;
    bool operator==(const DeviceName&) const = default;
};

/// What an output plays. prepare() comes once before the first render().
struct OutputClient {
    std::function<void(double rate, int blockFrames)> prepare;
    /// Audio thread: fills both channels; must not allocate, lock or wait.
    std::function<void(float* left, float* right, int frames)> render;
};

/// How an output is wished to run; a device that cannot takes the nearest that it can.
struct OutputFormat {
    int rate = 0; ///< Frames a second; 0 for the device's own.
    int blockFrames = 256;
    bool operator==(const OutputFormat&) const = default;
};

/// What a device with one side plays of two: their mean, in place of the left one.
inline void foldToMono(float* left, const float* right, int frames) noexcept
{
    for (int i = 0; i < frames; ++i)
        left[i] = 0.5f * (left[i] + right[i]);
}

/// An output that plays from its making to its end.
class AudioOutput {
public:
    virtual ~AudioOutput() = default;
    virtual std::string name() const = 0;
    virtual double rate() const = 0;
    virtual int blockFrames() const = 0;
    /// How often a block came too late to be heard, since it was opened.
    virtual int dropouts() const { return 0; }
    /// False once the device has gone or stopped asking for sound.
    virtual bool alive() const = 0;
};

/// What an input hears: one or two channels of planar frames, on the audio thread.
using InputClient = std::function<void(const float* left, const float* right, int frames)>;

class AudioInput {
public:
    virtual ~AudioInput() = default;
    virtual std::string name() const = 0;
    virtual double rate() const = 0;
    virtual bool alive() const = 0;
};

/// What a keyboard sends, on the MIDI thread.
using MidiClient = std::function<void(const MidiEvent&)>;

class MidiInput {
public:
    virtual ~MidiInput() = default;
    virtual std::string name() const = 0;
    virtual bool alive() const = 0;
};

inline constexpr const char* simulatedId = "simulated";

struct DeviceLists {
    std::vector<DeviceName> outputs, inputs, keyboards;
};
/// Real devices as present (JACK, ALSA, PulseAudio), the one to prefer first, then the simulated
/// ones, which are always there. May take seconds where a sound server has to be asked: not for the
/// interface thread.
DeviceLists listDevices();
/// The simulated ones only.
DeviceLists simulatedDevices();

/// Opens and starts a device of the lists.
///
/// @return The running device, or `noDevice` with the reason. The simulated ones always open.
Result<std::unique_ptr<AudioOutput>> openOutput(
    const std::string& id, OutputClient client, const OutputFormat& format = {});
Result<std::unique_ptr<AudioInput>> openInput(const std::string& id, InputClient client);
Result<std::unique_ptr<MidiInput>> openMidiInput(const std::string& id, MidiClient client);

} // namespace puretone
