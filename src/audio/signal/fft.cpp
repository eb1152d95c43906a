// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/signal/fft.h"

#include <algorithm>
#include <cmath>
#include <fftw3.h>
#include <map>
#include <mutex>
#include <numbers>

namespace puretone {

namespace {

enum class Direction { forward, inverse };

/// Plans, made once and kept for the whole run: executing them on other buffers of the same
/// alignment is thread-safe (FFTW manual, "New-array Execute Functions"), making them is not.
fftwf_plan planFor(std::size_t size, Direction direction, float* time, fftwf_complex* spectrum)
{
    static std::mutex lock;
    // Never destroyed: other threads may still transform while the program ends.
    static auto& made = *new std::map<std::pair<std::size_t, Direction>, fftwf_plan>;
    const std::lock_guard guard(lock);
    auto& plan = made[{size, direction}];
    if (plan == nullptr)
        plan = direction == Direction::forward
            ? fftwf_plan_dft_r2c_1d(int(size), time, spectrum, FFTW_ESTIMATE)
            : fftwf_plan_dft_c2r_1d(int(size), spectrum, time, FFTW_ESTIMATE);
    return plan;
}

} // namespace

struct RealFft::Plans {
    float* time = nullptr;
    fftwf_complex* spectrum = nullptr;
    fftwf_plan forward = nullptr;
    fftwf_plan inverse = nullptr; ///< Made when it is first wanted: it takes time.
};

RealFft::RealFft(std::size_t size)
    : size_(size)
    , plans_(std::make_unique<Plans>())
{
    plans_->time = fftwf_alloc_real(size);
    plans_->spectrum = fftwf_alloc_complex(bins());
    plans_->forward = planFor(size, Direction::forward, plans_->time, plans_->spectrum);
    std::fill_n(plans_->time, size, 0.0f);
}

RealFft::~RealFft()
{
    fftwf_free(plans_->time);
    fftwf_free(plans_->spectrum);
}

std::span<float> RealFft::time()
{
    return {plans_->time, size_};
}

std::span<std::complex<float>> RealFft::spectrum()
{
    return {reinterpret_cast<std::complex<float>*>(plans_->spectrum), bins()};
}

void RealFft::forward()
{
    fftwf_execute_dft_r2c(plans_->forward, plans_->time, plans_->spectrum);
}

void RealFft::inverse()
{
    if (plans_->inverse == nullptr)
        plans_->inverse = planFor(size_, Direction::inverse, plans_->time, plans_->spectrum);
    fftwf_execute_dft_c2r(plans_->inverse, plans_->spectrum, plans_->time);
    const float scale = 1.0f / float(size_);
    for (float& sample : time())
        sample *= scale;
}

void RealFft::forward(std::span<const float> input)
{
    const auto buffer = time();
    const auto used = std::min(input.size(), buffer.size());
    std::copy_n(input.begin(), used, buffer.begin());
    std::fill(buffer.begin() + std::ptrdiff_t(used), buffer.end(), 0.0f);
    forward();
}

std::size_t RealFft::goodSize(std::size_t atLeast)
{
    std::size_t best = 2;
    while (best < atLeast)
        best *= 2;
    for (std::size_t five = 1; five < best; five *= 5)
        for (std::size_t three = five; three < best; three *= 3) {
            std::size_t size = three * 2;
            while (size < atLeast)
                size *= 2;
            best = std::min(best, size);
        }
    return best;
}

std::size_t RealFft::commonSize(std::size_t atLeast)
{
    std::size_t two = 2;
    while (two < atLeast)
        two *= 2;
    const std::size_t three = two / 4 * 3;
    return three >= atLeast && three >= 2 ? three : two;
}

std::vector<float> hannWindow(std::size_t size)
{
    std::vector<float> window(size);
    for (std::size_t i = 0; i < size; ++i)
        window[i] = float(0.5 - 0.5 * std::cos(2.0 * std::numbers::pi * double(i) / double(size)));
    return window;
}

} // namespace puretone
