// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <complex>
#include <memory>
#include <span>
#include <vector>

namespace puretone {

/// Real Fourier transform of one size with its own buffers (FFTW, single precision).
///
/// Making one takes a lock (plans are shared between equal sizes), and so does its first inverse();
/// using one does not. One instance must not be used by two threads at once.
class RealFft {
public:
    /// @param size Number of real samples, at least 2; see goodSize().
    explicit RealFft(std::size_t size);
    ~RealFft();
    RealFft(const RealFft&) = delete;
    RealFft& operator=(const RealFft&) = delete;

    std::size_t size() const { return size_; }
    std::size_t bins() const { return size_ / 2 + 1; }
    std::span<float> time();
    std::span<std::complex<float>> spectrum();
    void forward(); ///< time() to spectrum(), unscaled.
    void
    inverse(); ///< spectrum() to time(), scaled so that forward and inverse give the input back.
    /// Copies `input` into time(), filling the rest with zeros, and transforms.
    void forward(std::span<const float> input);

    /// The smallest size of the form 2^a 3^b 5^c that is even and at least `atLeast`.
    static std::size_t goodSize(std::size_t atLeast);
    /// The smallest of 2^a and 3 2^a that is at least `atLeast`: for lengths that differ from one
    /// recording to the next, so that the same few plans serve them all.
    static std::size_t commonSize(std::size_t atLeast);

private:
    struct Plans;
    std::size_t size_;
    std::unique_ptr<Plans> plans_;
};

/// Hann window, periodic: w[i] = 0.5 - 0.5 cos(2 pi i / size).
std::vector<float> hannWindow(std::size_t size);

} // namespace puretone
