// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/instrument.h"

namespace puretone {

/// One note's way through an envelope. Each stage is met at its own frame; what is curved inside a
/// call of run() becomes a straight line, so that calls of a few dozen frames are wanted. No
/// allocation, no locks.
class EnvelopeRun {
public:
    /// @param slower All times are so many times as long.
    void start(const Envelope& envelope, double rate, double slower = 1.0) noexcept;
    /// How much longer attack, decay and release are than the envelope says, from here on.
    struct Pace {
        double attack = 1.0, decay = 1.0, release = 1.0;
    };
    void setPace(const Pace& pace) noexcept { pace_ = pace; }
    /// Key let go: falls by 60 dB in the release time from wherever it stands.
    void release() noexcept;
    /// The same from a level that is not where run() left off.
    void releaseFrom(double level) noexcept;
    /// Fills `gains` (linear, 0 to 1) for the next frames; the envelope may differ from call to
    /// call while it is turned.
    void run(const Envelope& envelope, float* gains, int frames) noexcept;
    /// The same without the way there: only level() is wanted.
    void advance(const Envelope& envelope, int frames) noexcept;
    /// Whether it goes on at level() as long as nothing happens.
    bool stands(const Envelope& envelope) noexcept
    {
        return stage_ == Stage::sustain && level_ == sustainOf(envelope);
    }
    bool finished() const noexcept { return stage_ == Stage::finished; }
    bool released() const noexcept { return stage_ >= Stage::release; }
    double level() const noexcept { return level_; }

private:
    enum class Stage { delay, attack, hold, decay, sustain, release, finished };
    void passEmptyStages(const Envelope& envelope) noexcept;
    int framesOfStage(const Envelope& envelope, int most) const noexcept;
    double secondsPerFrame() const noexcept;
    double releaseAfter(const Envelope& envelope, double seconds) const noexcept;
    double sustainOf(const Envelope& envelope) noexcept;
    double levelAfter(const Envelope& envelope, int frames) noexcept;
    /// Goes on within one stage, up to `most` frames. @return How many.
    int goOn(const Envelope& envelope, int most) noexcept;
    void enter(Stage stage) noexcept
    {
        stage_ = stage;
        elapsed_ = 0.0;
    }

    Stage stage_ = Stage::finished;
    double perFrame_ = 0.0; ///< Seconds.
    Pace pace_;
    double releasedAt_ = 1.0; ///< Level.
    double elapsed_ = 0.0; ///< In this stage, seconds.
    double level_ = 0.0;
    double sustainDb_ = 0.0, sustainGain_ = 1.0; ///< The last that was asked for.
};

/// Gain of a held note `seconds` after its start: the same shape, for drawing.
double envelopeGain(const Envelope& envelope, double seconds);
/// Of what was heard when the key was let go, `seconds` after that.
double releaseGain(const Envelope& envelope, double seconds);

} // namespace puretone
