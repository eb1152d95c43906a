// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstddef>
#include <cstdint>
#include <utility>

namespace puretone {

/// Where the song is, in beats: by the document's tempo, or by the ticks of another player's clock,
/// which come unevenly, stop and leap. Works in the engine's cells, so that the sizes of blocks
/// change nothing. Audio thread.
class TempoRun {
public:
    static constexpr int ticksPerBeat = 24; ///< MIDI 1.0, timing clock.

    void reset(double rate) noexcept;
    /// Beats a minute, where no clock is followed.
    void setTempo(double tempo) noexcept { own_ = tempo / 60.0; }
    void setFollowing(bool follows) noexcept;

    /// @param frame Since reset().
    void tick(double frame) noexcept;
    /// The other player begins: its next tick is the song's first beat.
    void startClock() noexcept
    {
        ticks_ = 0;
        continueClock();
    }
    /// The other player goes on: its next tick is the one behind the last that was counted.
    void continueClock() noexcept
    {
        known_ = 0;
        counts_ = placed_ = true;
    }
    /// Where the other player will go on, or has leapt to. @param sixteenths Since the song began.
    void setSongPosition(int sixteenths) noexcept
    {
        ticks_ = std::int64_t(sixteenths) * ticksPerBeat / 4;
        known_ = 0;
        placed_ = true;
    }
    void stopClock() noexcept
    {
        known_ = 0;
        counts_ = false;
    }

    /// Goes on to the beginning of the next cell.
    void beginCell(int frames) noexcept;
    /// At the beginning of the present cell.
    double beat() const noexcept { return beat_; }
    double beatsPerFrame() const noexcept { return perFrame_; }
    double beatsPerSecond() const noexcept { return perFrame_ * rate_; }
    /// Beats by which the song has leapt, forwards or back, since the last call; 0 where it went
    /// on. Positions that were worked out before lie as far from where the song is now.
    double takeLeap() noexcept { return std::exchange(leap_, 0.0); }
    /// Whether a clock is heard and followed.
    bool followsNow() const noexcept { return known_ >= 2 && follows_; }

private:
    double perSecond() const noexcept;
    void leapTo(double beat) noexcept
    {
        leap_ += beat - beat_;
        beat_ = beat;
    }

    static constexpr std::size_t remembered = 24;
    double rate_ = 48000.0;
    double own_ = 1.6; ///< Beats a second.
    double clock_ = 0.0; ///< Beats a second, by the last ticks; 0 before the first.
    double beat_ = 0.0, perFrame_ = 0.0;
    double leap_ = 0.0;
    std::int64_t frame_ = 0; ///< Of the present cell's beginning.
    std::array<double, remembered> times_{}; ///< Of the last ticks, frames.
    std::size_t known_ = 0; ///< Of them.
    std::int64_t ticks_ = 0; ///< Since the clock began.
    bool follows_ = false, counts_ = true;
    bool placed_ = false; ///< Its next tick is known to be a place of the song.
};

} // namespace puretone
