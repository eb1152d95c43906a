// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/midi.h"
#include "base/threads/event_queue.h"
#include "base/threads/recent_audio.h"
#include "engine/out/beside.h"
#include "engine/out/master.h"
#include "engine/playing/frame_clock.h"
#include "engine/playing/key_latch.h"
#include "engine/playing/pattern_player.h"
#include "engine/playing/performance.h"
#include "engine/playing/recent_notes.h"
#include "engine/program/handover.h"

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

    /// Audio stopped, and nobody reads master().recent(). @param rate Frames per second of the
    /// output.
    void prepare(double rate);
    double rate() const { return rate_.load(std::memory_order_relaxed); }

    /// Interface thread: takes over sounding voices where the zone still exists.
    void setProgram(std::unique_ptr<const Program> program);
    /// Interface thread, now and then: frees programs and effects that are no longer heard.
    void collect();
    /// Interface thread. Where nothing is played for so long that events pile up, notes are refused
    /// (false) before their ends are; where an end is lost after all, every note ends.
    /// @param when It happened; matters where blocks are told when they begin.
    bool post(const MidiEvent& event, Moment when = {}) noexcept
    {
        return pass(fromWindow_, {event, when});
    }
    /// MIDI thread.
    bool postMidi(const MidiEvent& event, Moment when = {}) noexcept
    {
        return pass(fromMidi_, {event, when});
    }

    /// The thread of what is listened to.
    bool postListening(const MidiEvent& event, Moment when = {}) noexcept
    {
        return pass(fromListening_, {event, when});
    }

    /// Audio thread: what a queue would bring, at once.
    void handle(const MidiEvent& event) noexcept;
    /// Audio thread: writes `frames` frames, any number of them; what was posted happens at the
    /// first of them.
    void process(float* left, float* right, int frames) noexcept;
    /// The same for a block that was asked for now: what was posted with its moment happens as much
    /// into this block as it came into the one before. Everything is late by one block, and nothing
    /// by a little more or less.
    void process(float* left, float* right, int frames, Moment now) noexcept;

    static constexpr std::size_t mostShown = 32;
    struct Meter {
        float peakLeft = 0.0f, peakRight = 0.0f; ///< True peaks since the last look.
        float limited = 1.0f; ///< Least gain of the limiter since then.
        int voices = 0;
        bool rings = false; ///< Effects do, whether voices sound or not.
        std::array<float, mostEffects> held{}; ///< dB that effects hold back, by their places.
        int take = 0; ///< Of the newest voice; 0 when silent.
        double position = 0.0; ///< Of the newest voice, frames of its recording.
        int grains = 0; ///< Of all frozen notes.
        std::array<int, mostShown> zones{}; ///< Ids of some that sound and are held; 0 behind them.
        /// Of the layer that is shown: what moves it now, in the order of its program, and where
        /// its filter stands, Hz; 0 when silent.
        std::array<float, mostMovements> moves{};
        double cutoff = 0.0;
        double tempo = 0.0; ///< Beats a minute.
        bool clocked = false; ///< And it is another player's.
        int controller = -1; ///< That was moved since the last look,
        double controllerValue = 0.0; ///< and where it stands, 0 to 1.
    };
    /// Interface thread: whose movements look() tells of.
    void showLayer(LayerId layer) noexcept
    {
        shownLayer_.store(layer.value, std::memory_order_relaxed);
    }
    /// Interface thread: the tempo is that of a MIDI clock, while there is one.
    void setFollowsClock(bool follows) noexcept
    {
        followsClock_.store(follows, std::memory_order_relaxed);
    }
    /// Interface thread: each key has a MIDI channel of its own.
    void setPerKey(bool perKey) noexcept { perKey_.store(perKey, std::memory_order_relaxed); }
    /// Interface thread: keys that hands press go on sounding until they are pressed again.
    void setHold(bool hold) noexcept { hold_.store(hold, std::memory_order_relaxed); }
    /// What was played last, note by note.
    RecentNotes& recentNotes() { return recentNotes_; }
    /// Interface thread: looks and clears the peaks.
    Meter look() noexcept;
    /// Keys that are down, for drawing; two words of 64 keys.
    std::array<std::uint64_t, 2> keysDown() const noexcept;
    /// Limiter, trial tone, monitor, and what was played last.
    Master& master() { return master_; }

private:
    struct Posted {
        MidiEvent event;
        Moment when;
    };
    struct Due {
        MidiEvent event;
        int frame = 0; ///< Of the block.
    };
    static constexpr std::size_t queued = 1024;
    using Events = EventQueue<Posted, queued>;
    bool pass(Events& queue, const Posted& posted) noexcept;
    /// Brings what was posted into `due_`, in the order of its frames.
    void drain(int frames, bool timed) noexcept;
    void play(float* left, float* right, int frames) noexcept;
    void takeProgram() noexcept;
    void reachCell() noexcept;
    void beginCell() noexcept;
    int patternDue() const noexcept
    {
        const Program* program = performance_.program();
        return program != nullptr ? pattern_.due(program->pattern, tempo_, cellAt_ + 1)
                                  : Voice::cellFrames;
    }
    void publishKeys() noexcept;
    void publishZones() noexcept;
    void publishMoves() noexcept;
    void publishEffects() noexcept;
    void moveEffects() noexcept;
    void take(const MidiEvent& event) noexcept;
    void restrike() noexcept;
    void happen(const MidiEvent& event) noexcept;
    void followLeap() noexcept;
    void followHold() noexcept;
    void playPattern() noexcept;

    /// Processors of programs that came, until neither a program nor the chain has them: before the
    /// chain, which lets go of them when it goes.
    std::vector<std::shared_ptr<Processor>> processors_;

    // Audio thread only.
    Performance performance_;
    EffectChain chain_;
    Beside beside_;
    std::array<std::uint64_t, 2> pressed_{}; ///< Keys, in this cell.
    const Program* previous_ = nullptr; ///< Still heard through leaving voices.
    TempoRun tempo_;
    PatternPlayer pattern_;
    KeyLatch latch_;
    std::int64_t frame_ = 0; ///< Since prepare(), of the present cell's beginning.
    int untilZones_ = 0; ///< Cells until it is told again which zones sound.
    int cellAt_ = 0; ///< The next frame's place in its cell; at 0 the cell has not begun.
    FrameClock clock_;
    std::array<Due, 3 * queued> due_{};
    std::size_t dueCount_ = 0;
    Master master_;

    Handover<Program> handover_;
    Events fromWindow_;
    Events fromMidi_, fromListening_;
    std::atomic<double> rate_{48000.0};
    std::atomic<int> voiceCount_{0}, shownTake_{0};
    std::atomic<double> shownPosition_{0.0};
    std::atomic<int> shownGrains_{0};
    std::atomic<int> shownLayer_{0}, movedController_{-1};
    std::array<std::atomic<float>, mostMovements> shownMoves_{};
    std::atomic<double> shownCutoff_{0.0}, shownTempo_{0.0}, movedValue_{0.0};
    std::array<std::atomic<float>, mostEffects> held_{};
    RecentNotes recentNotes_;
    std::array<std::atomic<int>, mostShown> shownZones_{};
    std::array<std::atomic<std::uint64_t>, 2> keysDown_{};
    std::atomic<bool> rings_{false}, clocked_{false}, followsClock_{false}, perKey_{false},
        hold_{false};
    std::atomic<bool> lost_{false}; ///< Events, because a queue was full.
    bool reached_ = false; ///< The present cell. Audio thread only.
};

} // namespace puretone
