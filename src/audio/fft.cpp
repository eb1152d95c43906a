// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/fft.h"

#include <algorithm>
#include <cmath>
#include <fftw3.h>
#include <mutex>
#include <numbers>

namespace puretone {

namespace {

std::mutex& planLock()
{
    static std::mutex lock;
    return lock;
}

} // namespace

struct RealFft::Plans {
    float* time = nullptr;
    fftwf_complex* spectrum = nullptr;
    fftwf_plan forward = nullptr;
    fftwf_plan inverse = nullptr;
};

RealFft::RealFft(std::size_t size)
    : size_(size)
    , plans_(std::make_unique<Plans>())
{
    plans_->time = fftwf_alloc_real(size);
    plans_->spectrum = fftwf_alloc_complex(bins());
    const std::lock_guard lock(planLock());
    const int n = int(size);
    plans_->forward = fftwf_plan_dft_r2c_1d(n, plans_->time, plans_->spectrum, FFTW_ESTIMATE);
    plans_->inverse = fftwf_plan_dft_c2r_1d(n, plans_->spectrum, plans_->time, FFTW_ESTIMATE);
}

RealFft::~RealFft()
{
    {
        const std::lock_guard lock(planLock());
        fftwf_destroy_plan(plans_->forward);
        fftwf_destroy_plan(plans_->inverse);
    }
    fftwf_free(plans_->time);
    fftwf_free(plans_->spectrum);
}

std::span<float> RealFft::time() { return {plans_->time, size_}; }

std::span<std::complex<float>> RealFft::spectrum()
{
    return {reinterpret_cast<std::complex<float>*>(plans_->spectrum), bins()};
}

void RealFft::forward() { fftwf_execute(plans_->forward); }

void RealFft::inverse()
{
    fftwf_execute(plans_->inverse);
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

std::vector<float> hannWindow(std::size_t size)
{
    std::vector<float> window(size);
    for (std::size_t i = 0; i < size; ++i)
        window[i] = float(0.5 - 0.5 * std::cos(2.0 * std::numbers::pi * double(i) / double(size)));
    return window;
}

} // namespace puretone
