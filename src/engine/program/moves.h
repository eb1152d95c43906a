// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "engine/program/quick_math.h"
#include "model/instrument/movement.h"

#include <array>
#include <cstdint>
#include <vector>

namespace puretone {

/// Where hands and time stand in a cell: one for all voices. A controller is followed within a few
/// cells instead of stepping.
struct Controls {
    static constexpr int channels = 16;
    static constexpr int timbreController = 74; ///< "Sound controller 5", one of each key's three.
    std::array<float, 128> controllers{}; ///< 0 to 1.
    std::array<float, 128> keyPressure{};
    std::array<float, channels> bend{}; ///< -1 to 1, at the end of the cell; of channel 0 for all
                                        ///< unless keys have channels of their own.
    std::array<float, channels> pressure{}; ///< Of channel 0 for all.
    /// Controller 74, where keys have channels of their own; otherwise it is one of `controllers`.
    std::array<float, channels> timbre{};
    bool perKey = false; ///< Keys have channels of their own.
    /// Semitones that a bend of 1 is; below 0 where the layer says it.
    std::array<float, channels> reach = everyLayersOwn;
    static constexpr std::array<float, channels> everyLayersOwn = {-1.0f, -1.0f, -1.0f, -1.0f,
        -1.0f, -1.0f, -1.0f, -1.0f, -1.0f, -1.0f, -1.0f, -1.0f, -1.0f, -1.0f, -1.0f, -1.0f};
    double beatsPerSecond = 1.6;
};

/// What a note is, to its movements.
struct NoteNow {
    float touch = 0.0f, releaseTouch = 0.0f; ///< 0 to 1.
    float levelEnvelope = 0.0f, secondEnvelope = 0.0f;
    int key = 60;
    int channel = 0;
    int turn = 0; ///< Counts notes.
};

/// How far everything is moved; 0 where nothing moves it.
struct Moved {
    std::array<float, targetCount> by{};
    float operator[](Target target) const noexcept { return by[std::size_t(target)]; }
};

/// The movements of a layer as voices follow them.
struct LayerMoves {
    std::array<Wave, mostWaves> waves;
    std::vector<Movement> moves; ///< Those that are on, waves' own before the others.
    std::vector<std::uint8_t> places; ///< Of each in the document's layer; 255 for another layer's.
    std::size_t ofWaves = 0; ///< How many move waves.
    int waveCount = 0; ///< Waves 0 to here are followed.
    std::uint32_t targets = 0; ///< A bit for each that is moved.
    bool does(Target target) const noexcept { return (targets >> unsigned(target) & 1U) != 0; }
};

/// One note's way through the movements of its layer. No allocation, no locks.
class MovesRun {
public:
    /// @param seed Another for each note.
    void start(const LayerMoves& layer, std::uint32_t seed) noexcept;
    /// Goes on by some frames and says where everything stands behind them.
    ///
    /// @param shared Of the layer, for waves that go on by themselves; null for that one itself.
    const Moved& advance(const LayerMoves& layer, const Controls& controls, const NoteNow& note,
        double seconds, const MovesRun* shared) noexcept;
    const Moved& moved() const noexcept { return moved_; }
    /// What a movement's source gave last, for showing.
    float shown(std::size_t movement) const noexcept { return shown_[movement]; }
    /// Multiplies gains of the cell that advance() went to the end of by what moves the level as
    /// fast as it goes.
    void ring(const LayerMoves& layer, const Controls& controls, const NoteNow& note, float* gains,
        int from, int to) noexcept;

private:
    float valueOf(const Source& source, const Controls& controls, const NoteNow& note) noexcept;
    void advanceWaves(const LayerMoves& layer, const Controls& controls, double seconds,
        const MovesRun* shared) noexcept;
    float nextNoise() noexcept;

    Moved moved_;
    std::array<double, mostWaves> turns_{}; ///< Of each wave, at the end of the cell.
    std::array<double, mostWaves> before_{}; ///< At its beginning.
    std::array<float, mostWaves> depth_{}; ///< Faded in, and moved.
    std::array<float, mostWaves> values_{};
    std::array<float, mostMovements> shown_{};
    double seconds_ = 0.0;
    std::uint32_t seed_ = 1, noise_ = 1;
    float random_ = 0.0f;
};

/// Value of a wave at a place, counted in swings; another seed gives other random values.
float waveAt(Wave::Shape shape, double turns, std::uint32_t seed) noexcept;

} // namespace puretone
