// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument.h"

namespace puretone {

/// One note's way through an envelope, sample by sample. No allocation, no locks.
class EnvelopeRun {
public:
    void start(double rate) noexcept;
    /// Key let go: falls by 60 dB in the release time from wherever it stands.
    void release() noexcept;
    /// Fills `gains` (linear, 0 to 1); the envelope may differ from call to call while it is
    /// turned.
    void run(const Envelope& envelope, float* gains, int frames) noexcept;
    bool finished() const noexcept { return stage_ == Stage::finished; }
    bool released() const noexcept { return stage_ >= Stage::release; }
    double level() const noexcept { return level_; }

private:
    enum class Stage { delay, attack, hold, decay, sustain, release, finished };
    float step(const Envelope& envelope) noexcept;
    void enter(Stage stage) noexcept
    {
        stage_ = stage;
        elapsed_ = 0.0;
    }

    Stage stage_ = Stage::finished;
    double perFrame_ = 0.0; ///< Seconds.
    double elapsed_ = 0.0; ///< In this stage, seconds.
    double level_ = 0.0;
    double glide_ = 0.0; ///< Share of a sustain change that is made up for in one frame.
};

/// Gain of a held note `seconds` after its start: the same shape, for drawing.
double envelopeGain(const Envelope& envelope, double seconds);

} // namespace puretone
