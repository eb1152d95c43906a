// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <chrono>
#include <cmath>

namespace puretone {

/// When something happened, for playing it that much later than something before it.
using Moment = std::chrono::steady_clock::time_point;

/// Says where in a block an event belongs that happened while the block before was being played:
/// keys that were pressed 3 ms apart sound 3 ms apart, whatever the size of blocks. Sound servers
/// ask for blocks unevenly, so that the moments at which blocks begin are smoothed.
///
/// Audio thread.
class FrameClock {
public:
    void prepare(double rate)
    {
        rate_ = rate;
        known_ = false;
    }
    /// @param now When this block was asked for.
    void beginBlock(Moment now, int frames) noexcept
    {
        const double block = frames / rate_;
        const double expected = known_ ? seconds(now - begin_) - length_ : 0.0;
        // Far off: it was silent for a while, or blocks come in bursts of many.
        constexpr double farSeconds = 0.05, share = 0.1;
        const bool lost = !known_ || std::abs(expected) > farSeconds;
        const double passed = lost ? 0.0 : length_ + share * expected;
        previous_ = lost ? now - duration(block) : begin_;
        begin_ = lost ? now : begin_ + duration(passed);
        length_ = block;
        known_ = true;
    }
    /// Frame of this block, 0 to frames - 1.
    int frameOf(Moment event, int frames) const noexcept
    {
        const double at = seconds(event - previous_) * rate_;
        return int(std::clamp(at, 0.0, double(std::max(0, frames - 1))));
    }

private:
    static double seconds(Moment::duration d) { return std::chrono::duration<double>(d).count(); }
    static Moment::duration duration(double seconds)
    {
        return std::chrono::duration_cast<Moment::duration>(std::chrono::duration<double>(seconds));
    }

    double rate_ = 48000.0;
    Moment begin_, previous_; ///< Of this block and the one before.
    double length_ = 0.0; ///< Of this block, seconds.
    bool known_ = false;
};

} // namespace puretone
