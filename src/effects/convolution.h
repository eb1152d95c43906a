// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/signal/fft.h"

#include <span>
#include <vector>

namespace puretone {

/// Convolves one channel with an impulse response in real time without delay.
///
/// The first frames are summed directly, the next ones by transforms of a small block, the rest by
/// large ones that have a whole large block of time, so that their work is spread evenly (W. G.
/// Gardner, "Efficient Convolution without Input-Output Delay", 1995). Allocates when made only.
class Convolution {
public:
    /// @param impulse Any length.
    explicit Convolution(std::span<const float> impulse);
    void reset() noexcept;
    /// In place, any number of frames.
    void process(float* samples, int count) noexcept;

private:
    static constexpr std::size_t smallBlock = 128, largeBlock = 2048;

    /// Blocks of one size: what lies `first` frames and more behind the newest input.
    class Stage {
    public:
        /// @param parts How many blocks of the impulse, from `from` on.
        Stage(
            std::span<const float> impulse, std::size_t block, std::size_t from, std::size_t parts);
        void reset() noexcept;
        bool empty() const noexcept { return parts_.empty(); }
        std::size_t parts() const noexcept { return parts_.size(); }
        /// Takes a whole block of input.
        void take(const float* input) noexcept;
        /// Adds so many of the parts' products; all have been when `done` parts are.
        void work(std::size_t done) noexcept;
        /// What the newest finished block comes to: `block` frames.
        void finish() noexcept;
        const float* out() const noexcept { return out_.data(); }

    private:
        std::size_t block_;
        RealFft fft_;
        std::vector<std::vector<std::complex<float>>> parts_, inputs_;
        std::vector<std::complex<float>> sum_;
        std::vector<float> before_, out_;
        std::size_t newest_ = 0, worked_ = 0;
    };
    void blockEnds() noexcept;
    float headAt(const float* from) const noexcept;

    std::vector<float> head_; ///< Turned round.
    std::vector<float> line_; ///< The head's last inputs and a block of new ones.
    Stage small_, large_;
    std::vector<float> input_; ///< Of a large block.
    std::vector<float> largeOut_; ///< Of the large block that is heard now.
    std::size_t at_ = 0; ///< Of the large block.
};

} // namespace puretone
