// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/event_queue.h"
#include "base/midi.h"
#include "base/recent_audio.h"
#include "engine/handover.h"
#include "engine/performance.h"

namespace puretone {

/// Plays programs in real time.
///
/// prepare() may allocate and must not overlap process(); process() never allocates, frees, locks,
/// waits or logs. Programs and events come from other threads without locks.
class Engine {
public:
    static constexpr std::size_t voices = Performance::voices;

    Engine();
    ~Engine(); ///< Audio stopped.
    Engine(const Engine&) = delete;
    Engine& operator=(const Engine&) = delete;

    /// Audio stopped, and nobody reads recent(). @param rate Frames per second of the output.
    void prepare(double rate);
    double rate() const { return rate_.load(std::memory_order_relaxed); }

    /// Interface thread: takes over sounding voices where the zone still exists.
    void setProgram(std::unique_ptr<const Program> program)
    {
        handover_.publish(std::move(program));
    }
    /// Interface thread, now and then: frees programs that are no longer heard.
    void collect() { handover_.collect(); }
    /// Interface thread. Where nothing is played for so long that events pile up, notes are refused
    /// (false) before their ends are; where an end is lost after all, every note ends.
    bool post(const MidiEvent& event) noexcept { return pass(fromWindow_, event); }
    /// MIDI thread.
    bool postMidi(const MidiEvent& event) noexcept { return pass(fromMidi_, event); }

    /// Audio thread: what a queue would bring, at once.
    void handle(const MidiEvent& event) noexcept;
    /// Audio thread: writes `frames` frames, any number of them.
    void process(float* left, float* right, int frames) noexcept;

    struct Meter {
        float peakLeft = 0.0f, peakRight = 0.0f; ///< Since the last look.
        int voices = 0;
        int take = 0; ///< Of the newest voice; 0 when silent.
        double position = 0.0; ///< Of the newest voice, frames of its recording.
    };
    /// Interface thread: looks and clears the peaks.
    Meter look() noexcept;
    /// Keys that are down, for drawing; two words of 64 keys.
    std::array<std::uint64_t, 2> keysDown() const noexcept;
    /// What was played last: two minutes, at any rate.
    RecentAudio& recent() { return recent_; }

private:
    using Events = EventQueue<MidiEvent, 1024>;
    bool pass(Events& queue, const MidiEvent& event) noexcept;
    void drain() noexcept;
    void takeProgram() noexcept;
    void beginCell() noexcept;
    void publishKeys() noexcept;
    void publishMeter(const float* left, const float* right, int frames) noexcept;

    // Audio thread only.
    Performance performance_;
    const Program* previous_ = nullptr; ///< Still heard through leaving voices.
    int cellAt_ = 0; ///< The next frame's place in its cell; at 0 the cell has not begun.

    Handover<Program> handover_;
    Events fromWindow_;
    Events fromMidi_;
    std::atomic<bool> lost_{false}; ///< Events, because a queue was full.
    RecentAudio recent_;
    std::atomic<double> rate_{48000.0};
    std::atomic<float> peakLeft_{0.0f}, peakRight_{0.0f};
    std::atomic<int> voiceCount_{0}, shownTake_{0};
    std::atomic<double> shownPosition_{0.0};
    std::array<std::atomic<std::uint64_t>, 2> keysDown_{};
};

} // namespace puretone
