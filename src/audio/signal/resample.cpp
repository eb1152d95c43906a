// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/signal/resample.h"

#include <soxr.h>

namespace puretone {

std::vector<float> resample(std::span<const float> input, double rateIn, double rateOut)
{
    if (rateIn == rateOut || input.empty())
        return {input.begin(), input.end()};
    const auto wanted = std::size_t(std::llround(double(input.size()) * rateOut / rateIn));
    std::vector<float> output(wanted + 16, 0.0f);
    std::size_t done = 0;
    const auto io = soxr_io_spec(SOXR_FLOAT32_I, SOXR_FLOAT32_I);
    const auto quality = soxr_quality_spec(SOXR_VHQ, 0);
    const auto threads = soxr_runtime_spec(1);
    soxr_oneshot(rateIn, rateOut, 1, input.data(), input.size(), nullptr, output.data(),
        output.size(), &done, &io, &quality, &threads);
    output.resize(wanted);
    return output;
}

Audio resample(const Audio& audio, double rateOut)
{
    Audio out{rateOut, {}};
    for (const auto& channel : audio.channels)
        out.channels.push_back(resample(channel, audio.rate, rateOut));
    return out;
}

} // namespace puretone
