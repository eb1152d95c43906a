// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "effects/effect.h"

#include <atomic>
#include <cstdint>
#include <memory>

namespace puretone {

/// Frames of the cells that the engine works in; values move once in each.
inline constexpr int effectCell = 32;

/// What an effect may know of the song, once a cell.
struct EffectTime {
    double beat = 0.0; ///< At the cell's first frame.
    double beatsPerFrame = 1.6 / 48000.0;
    std::array<std::uint64_t, 2> pressed{}; ///< Keys that were pressed in the cell before.
};

/// A parameter's values as they are smoothed, by their places.
using EffectNow = std::array<float, mostParameters>;

/// What one effect does to a stereo signal. Made on the interface thread; everything but making and
/// freeing happens on the audio thread and neither allocates, locks nor waits.
class Processor {
public:
    Processor() = default;
    virtual ~Processor() = default;
    Processor(const Processor&) = delete;
    Processor& operator=(const Processor&) = delete;

    /// As if nothing had ever been heard.
    virtual void reset() noexcept = 0;
    /// A cell begins.
    virtual void set(const EffectNow& values, const EffectTime& time) noexcept = 0;
    /// Frames of the cell, in place: only what the effect makes.
    virtual void process(float* left, float* right, int count) noexcept = 0;
    /// Frames by which what it makes is late.
    virtual int latency() const noexcept { return 0; }
    /// Frames of silence that may lie inside what still sounds.
    virtual int memory() const noexcept { return 0; }
    /// Whether it may be left alone in silence: one that keeps time may not.
    virtual bool sleeps() const noexcept { return true; }
    /// dB that it holds back now, for drawing.
    virtual float held() const noexcept { return 0.0f; }

    /// Audio thread: a chain holds it, whatever programs say.
    void setLeased(bool leased) noexcept { leased_.store(leased, std::memory_order_release); }
    bool leased() const noexcept { return leased_.load(std::memory_order_acquire); }

    /// Audio thread: it has been heard and left the chain. Forgetting that takes a while for one
    /// with long lines, so programs that come later bring a new one instead.
    void setSpent() noexcept { spent_.store(true, std::memory_order_relaxed); }
    bool spent() const noexcept { return spent_.load(std::memory_order_relaxed); }

private:
    std::atomic<bool> leased_{false}, spent_{false};
};

/// Allocates. @param rate Frames per second. @return Never null.
std::unique_ptr<Processor> makeProcessor(const Effect& effect, double rate);

// The kinds that are made by hand; the others come from generated/.
std::unique_ptr<Processor> makeEqualiser(double rate);
std::unique_ptr<Processor> makeDrive(double rate);
std::unique_ptr<Processor> makeCrush(double rate);
std::unique_ptr<Processor> makeDuck(double rate);
std::unique_ptr<Processor> makeTremolo(double rate);
std::unique_ptr<Processor> makeEcho(double rate);
std::unique_ptr<Processor> makeWidth(double rate);
/// @param impulse At any rate; null for none.
std::unique_ptr<Processor> makeSpace(const Recording* impulse, double rate);
std::unique_ptr<Processor> makeGenerated(EffectKind kind, double rate);

/// Gain at a frequency of an equaliser.
Decibels equaliserResponse(const EffectValues& values, double hz, double rate);
/// What a drive makes of a level: the curve without filters.
double driveCurve(const EffectValues& values, double in) noexcept;
/// What a compressor makes of a steady level, dB, without its make-up.
double compressedDb(const EffectValues& values, double db) noexcept;

} // namespace puretone
