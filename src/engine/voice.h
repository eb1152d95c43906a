// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/midi.h"
#include "engine/envelope_run.h"
#include "engine/program.h"

namespace puretone {

/// One sounding note. Lives on the audio thread; nothing in it allocates, locks or waits.
class Voice {
public:
    static constexpr int blockFrames = 64;

    void start(const Program& program, const ProgramZone& zone, int key, int velocity, double rate,
        std::uint64_t age, NoteEntry entry = NoteEntry::beginning) noexcept;
    void release() noexcept
    {
        letGo_ = true;
        if (!zone_->sound->endsItself())
            envelope_.release();
    }
    /// Fades to silence within `seconds`, whatever the envelope says: for stolen voices.
    void fadeAway(double seconds) noexcept;
    /// Goes on with the sound of a new program, rising over the same `seconds`.
    void moveTo(const Program& program, const ProgramZone& zone, double seconds) noexcept;
    /// The same sound in a new program: only tuning and envelope may differ.
    void keepIn(const Program& program, const ProgramZone& zone) noexcept;

    /// Adds at most blockFrames frames. @param bend Semitones.
    void render(float* left, float* right, int frames, double bend) noexcept;

    bool active() const noexcept { return program_ != nullptr; }
    void stop() noexcept { program_ = nullptr; }
    bool leaving() const noexcept { return rampStep_ < 0.0; }
    bool released() const noexcept { return letGo_ || envelope_.released(); }
    const Program* program() const noexcept { return program_; }
    const ProgramZone* zone() const noexcept { return zone_; }
    int key() const noexcept { return key_; }
    std::uint64_t age() const noexcept { return age_; }
    double position() const noexcept { return zone_->sound->shownPlace(position_, leavesLoop()); }
    /// How loud it stands, for choosing which voice to give up.
    double loudness() const noexcept { return envelope_.level() * gain_ * ramp_; }

    bool sustained = false; ///< Let go, but held by the pedal.

private:
    void goAgain() noexcept;
    void placeAgain() noexcept;
    void readFrames(float* left, float* right, int frames, double speed) noexcept;
    int readStretch(float* left, float* right, int frames, double speed) noexcept;
    void wrap() noexcept;
    /// On its way to the recorded end.
    bool leavesLoop() const noexcept
    {
        return letGo_ && zone_->sound->mode == LoopMode::untilRelease;
    }
    /// Where this note is over, if it has such a place.
    bool atEnd() const noexcept
    {
        const ZoneSound& sound = *zone_->sound;
        return (!sound.loops() || leavesLoop()) && position_ >= sound.end;
    }

    const Program* program_ = nullptr;
    const ProgramZone* zone_ = nullptr;
    EnvelopeRun envelope_;
    double rate_ = 48000.0;
    double position_ = 0.0;
    double speedSemitones_ = 0.0; ///< Glides to the wanted tuning.
    bool wentRound_ = false;
    bool letGo_ = false;
    int key_ = 0;
    std::uint64_t age_ = 0;
    double gain_ = 1.0;
    double ramp_ = 1.0, rampStep_ = 0.0;
    /// Heard again and again: from here, for so many frames of the recording; 0 for a whole note.
    double againFrom_ = 0.0, againFrames_ = 0.0;
    double travelled_ = 0.0; ///< Since it last began there.
    bool fadesToGoAgain_ = false; ///< And not because it is to end.
};

} // namespace puretone
