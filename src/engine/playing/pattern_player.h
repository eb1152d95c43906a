// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/midi.h"
#include "engine/playing/tempo_run.h"
#include "engine/program/program.h"

namespace puretone {

/// Plays held keys one after the other (see Pattern). What it is given are keys; what it gives are
/// notes, at their frames of each cell. Audio thread; nothing in it allocates.
class PatternPlayer {
public:
    static constexpr int cellFrames = 32;

    void reset() noexcept;
    /// Takes keys and the sustaining pedal while the pattern is on. @param at Frame of the cell.
    /// @return Whether the event is not for anybody else.
    bool take(
        const MidiEvent& event, const Pattern& pattern, const TempoRun& tempo, int at) noexcept;
    /// The song has leapt: what sounds keeps its length, and the next step is the song's next one.
    /// @param beats By how much. @param at Frame of the cell.
    void leap(double beats, const Pattern& pattern, const TempoRun& tempo, int at) noexcept;
    /// The first frame of the cell, `from` or later, at which it does something; cellFrames for
    /// none.
    int due(const Pattern& pattern, const TempoRun& tempo, int from) const noexcept;

    /// What it does: notes that end, and those that begin with the layers that sound them.
    struct Doing {
        std::array<std::uint8_t, 32> ends{}, begins{}, touches{};
        std::size_t endCount = 0, beginCount = 0;
        std::uint64_t layers = ~std::uint64_t(0); ///< By their places in the program.
    };
    /// @param at As due() said.
    Doing happen(const Program& program, const TempoRun& tempo, int at) noexcept;
    /// Whether notes of its own sound.
    bool sounds() const noexcept { return soundingCount_ > 0; }

private:
    struct Held {
        std::uint8_t key = 0, touch = 0;
        bool down = true; ///< Or held by the pedal.
    };
    void press(int key, int touch) noexcept;
    bool letGo(int key) noexcept;
    void letGoHeld() noexcept;
    void choose(const Pattern& pattern, Doing& doing) noexcept;
    std::size_t sequence(const Pattern& pattern, std::array<Held, 128>& into) const noexcept;
    static double nextStep(const Pattern& pattern, double now) noexcept;
    double swung(const Pattern& pattern) const noexcept;

    static constexpr std::size_t most = 32;
    std::array<Held, most> held_{};
    std::size_t heldCount_ = 0;
    std::array<std::uint8_t, most> sounding_{};
    std::size_t soundingCount_ = 0;
    double stepBeat_ = 0.0; ///< Of the next step, without swing.
    double endBeat_ = 0.0; ///< Of the notes that sound.
    std::int64_t step_ = 0; ///< Counts them since the first key.
    std::uint32_t random_ = 1;
    bool pedal_ = false, running_ = false;
};

} // namespace puretone
