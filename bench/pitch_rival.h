// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <aubio/aubio.h>

#include <algorithm>
#include <cmath>
#include <cstring>
#include <optional>
#include <span>
#include <vector>

namespace bench {

/// A note for a whole take from one of aubio's frame-wise methods: the median of the frames that
/// are within 30 dB of the loudest. @param mono At 44.1 kHz, the rate at which all its methods run.
inline std::optional<double> aubioPitch(const char* method, std::span<const float> mono)
{
    constexpr unsigned window = 2048, hop = 512, rate = 44100;
    aubio_pitch_t* pitch = new_aubio_pitch(method, window, hop, rate);
    fvec_t* in = new_fvec(hop);
    fvec_t* out = new_fvec(1);
    struct Frame {
        double midi, power;
    };
    std::vector<Frame> frames;
    double loudest = 0.0;
    for (std::size_t at = 0; at < mono.size(); at += hop) {
        const auto count = std::min<std::size_t>(hop, mono.size() - at);
        std::memset(in->data, 0, hop * sizeof(float));
        std::copy_n(mono.begin() + std::ptrdiff_t(at), count, in->data);
        double power = 0.0;
        for (unsigned i = 0; i < hop; ++i)
            power += double(in->data[i]) * double(in->data[i]);
        aubio_pitch_do(pitch, in, out);
        loudest = std::max(loudest, power);
        if (out->data[0] > 10.0f)
            frames.push_back({69.0 + 12.0 * std::log2(double(out->data[0]) / 440.0), power});
    }
    del_fvec(in);
    del_fvec(out);
    del_aubio_pitch(pitch);
    std::erase_if(frames, [&](const Frame& f) { return f.power < 0.001 * loudest; });
    if (frames.empty())
        return std::nullopt;
    const auto middle = frames.begin() + std::ptrdiff_t(frames.size() / 2);
    std::nth_element(frames.begin(), middle, frames.end(),
        [](const Frame& a, const Frame& b) { return a.midi < b.midi; });
    return middle->midi;
}

} // namespace bench
