// SPDX-License-Identifier: GPL-3.0-or-later
#include "effects/convolution.h"

#include <algorithm>
#include <array>

namespace puretone {

Convolution::Stage::Stage(
    std::span<const float> impulse, std::size_t block, std::size_t from, std::size_t parts)
    : block_(block)
    , fft_(2 * block)
    , sum_(fft_.bins())
    , before_(block)
    , out_(block)
{
    for (std::size_t p = 0; p < parts; ++p) {
        const std::size_t begin = from + p * block;
        if (begin >= impulse.size())
            break;
        fft_.forward(impulse.subspan(begin, std::min(block, impulse.size() - begin)));
        parts_.emplace_back(fft_.spectrum().begin(), fft_.spectrum().end());
        inputs_.emplace_back(fft_.bins());
    }
    fft_.inverse(); // its plan is made now
    reset();
}

void Convolution::Stage::reset() noexcept
{
    for (auto& input : inputs_)
        std::fill(input.begin(), input.end(), std::complex<float>{});
    std::fill(sum_.begin(), sum_.end(), std::complex<float>{});
    std::fill(before_.begin(), before_.end(), 0.0f);
    std::fill(out_.begin(), out_.end(), 0.0f);
    newest_ = worked_ = 0;
}

void Convolution::Stage::take(const float* input) noexcept
{
    if (empty())
        return;
    // Overlap-save: the block before and this one.
    std::copy(before_.begin(), before_.end(), fft_.time().begin());
    std::copy_n(input, block_, fft_.time().begin() + std::ptrdiff_t(block_));
    std::copy_n(input, block_, before_.begin());
    fft_.forward();
    newest_ = (newest_ + inputs_.size() - 1) % inputs_.size();
    std::copy(fft_.spectrum().begin(), fft_.spectrum().end(), inputs_[newest_].begin());
    std::fill(sum_.begin(), sum_.end(), std::complex<float>{});
    worked_ = 0;
}

void Convolution::Stage::work(std::size_t done) noexcept
{
    for (; worked_ < std::min(done, parts_.size()); ++worked_) {
        const auto& part = parts_[worked_];
        const auto& input = inputs_[(newest_ + worked_) % inputs_.size()];
        for (std::size_t k = 0; k < sum_.size(); ++k) {
            // Written out: the library's product looks after infinities.
            const float re = part[k].real() * input[k].real() - part[k].imag() * input[k].imag();
            const float im = part[k].real() * input[k].imag() + part[k].imag() * input[k].real();
            sum_[k] += std::complex<float>(re, im);
        }
    }
}

void Convolution::Stage::finish() noexcept
{
    if (empty())
        return;
    work(parts_.size());
    std::copy(sum_.begin(), sum_.end(), fft_.spectrum().begin());
    fft_.inverse();
    std::copy_n(fft_.time().begin() + std::ptrdiff_t(block_), block_, out_.begin());
}

// The small stage is heard one block after its input, so it begins behind the head's one block; the
// large one two of its blocks after it.
Convolution::Convolution(std::span<const float> impulse)
    : head_(smallBlock)
    , line_(2 * smallBlock)
    , small_(impulse, smallBlock, smallBlock, 2 * largeBlock / smallBlock - 1)
    , large_(impulse, largeBlock, 2 * largeBlock, impulse.size() / largeBlock + 1)
    , input_(largeBlock)
    , largeOut_(largeBlock)
{
    for (std::size_t i = 0; i < std::min(smallBlock, impulse.size()); ++i)
        head_[smallBlock - 1 - i] = impulse[i];
}

void Convolution::reset() noexcept
{
    std::fill(line_.begin(), line_.end(), 0.0f);
    std::fill(input_.begin(), input_.end(), 0.0f);
    std::fill(largeOut_.begin(), largeOut_.end(), 0.0f);
    small_.reset();
    large_.reset();
    at_ = 0;
}

/// A small block of input is whole.
void Convolution::blockEnds() noexcept
{
    std::copy_n(line_.begin() + smallBlock, smallBlock, line_.begin());
    small_.take(input_.data() + at_ - smallBlock);
    small_.finish();
    if (large_.empty()) {
        at_ %= largeBlock;
        return;
    }
    if (at_ == largeBlock) {
        large_.finish();
        std::copy_n(large_.out(), largeBlock, largeOut_.begin());
        large_.take(input_.data());
        at_ = 0;
        return;
    }
    // So many of its parts' products by now that all are there in time.
    constexpr std::size_t steps = largeBlock / smallBlock;
    large_.work(large_.parts() * (at_ / smallBlock) / (steps - 1));
}

float Convolution::headAt(const float* from) const noexcept
{
    constexpr std::size_t lanes = 8; // sums side by side: vectors
    std::array<float, lanes> sums{};
    for (std::size_t k = 0; k < smallBlock; k += lanes)
        for (std::size_t lane = 0; lane < lanes; ++lane)
            sums[lane] += head_[k + lane] * from[k + lane];
    return ((sums[0] + sums[4]) + (sums[2] + sums[6]))
        + ((sums[1] + sums[5]) + (sums[3] + sums[7]));
}

void Convolution::process(float* samples, int count) noexcept
{
    for (int done = 0; done < count;) {
        const std::size_t inBlock = at_ % smallBlock;
        const auto n = std::min(std::size_t(count - done), smallBlock - inBlock);
        std::copy_n(samples + done, n, line_.begin() + std::ptrdiff_t(smallBlock + inBlock));
        std::copy_n(samples + done, n, input_.begin() + std::ptrdiff_t(at_));
        for (std::size_t i = 0; i < n; ++i) {
            samples[done + int(i)] = headAt(line_.data() + inBlock + i + 1)
                + small_.out()[inBlock + i] + largeOut_[at_ + i];
        }
        at_ += n;
        done += int(n);
        if (at_ % smallBlock == 0)
            blockEnds();
    }
}

} // namespace puretone
