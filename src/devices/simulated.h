// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/say.h"
#include "base/threads/recent_audio.h"
#include "devices/devices.h"

#include <condition_variable>
#include <mutex>
#include <thread>

namespace puretone {

/// Plays into memory, in real time, and keeps the last two minutes.
class SimulatedOutput final : public AudioOutput {
public:
    static constexpr double simulatedRate = 48000.0;
    static constexpr int simulatedBlock = 256;

    explicit SimulatedOutput(OutputClient client);
    ~SimulatedOutput() override;
    std::string name() const override { return say("Simulated output"); }
    double rate() const override { return simulatedRate; }
    int blockFrames() const override { return simulatedBlock; }
    bool alive() const override { return alive_.load(); }

    RecentAudio& heard() { return heard_; }
    /// Behaves like a device that was pulled out.
    void unplug() { thread_.request_stop(); }

private:
    void run(const std::stop_token& stop);
    OutputClient client_;
    RecentAudio heard_;
    std::atomic<bool> alive_{true};
    std::jthread thread_;
};

/// Hears a computed hum: a second of voice, half a second of room, for ever.
class SimulatedMicrophone final : public AudioInput {
public:
    explicit SimulatedMicrophone(InputClient client);
    ~SimulatedMicrophone() override;
    std::string name() const override { return say("Simulated microphone"); }
    double rate() const override { return 48000.0; }
    bool alive() const override { return alive_.load(); }
    /// Behaves like a device that was pulled out.
    void unplug() { thread_.request_stop(); }

    /// The signal itself, frame by frame from the start: the same at every start.
    static float sample(std::int64_t frame);

private:
    void run(const std::stop_token& stop);
    InputClient client_;
    std::atomic<bool> alive_{true};
    std::jthread thread_;
};

/// A keyboard whose keys are pressed by the program.
class SimulatedKeyboard final : public MidiInput {
public:
    explicit SimulatedKeyboard(MidiClient client)
        : client_(std::move(client))
    {
    }
    ~SimulatedKeyboard() override;
    std::string name() const override { return say("Simulated keyboard"); }
    bool alive() const override { return true; }

    void send(const MidiEvent& event) { client_(event); }
    /// Five notes up and down around `key`, on a thread of its own; one phrase at a time.
    void playPhrase(int key);

private:
    MidiClient client_;
    std::mutex waiting_;
    std::condition_variable_any ended_; ///< Wakes the phrase when it is to end.
    std::jthread phrase_;
};

} // namespace puretone
