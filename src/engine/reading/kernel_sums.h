// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/wide_vectors.h"
#include "engine/reading/kernel.h"
#include "engine/reading/reading.h"

#include <array>
#include <cstddef>
#include <cstdint>

// The sums of weights and samples of reading between frames, with vectors of four or eight numbers.
// All of it is inlined into functions that are built for one of them.

namespace puretone {

/// Rows of kernels lie at whole eights of their table.
[[gnu::always_inline]] inline const Four& fourOfRow(const float* row)
{
    return *reinterpret_cast<const Four*>(row);
}

/// Where each frame of a block is read.
struct Places {
    static constexpr std::size_t most = readingBlock;
    alignas(32) std::array<std::int64_t, most> first; ///< Of its window, after the first one's.
    alignas(32) std::array<std::int32_t, most> row; ///< Phase below.
    alignas(32) std::array<float, most> share; ///< Of the phase above.
};

/// Half-way sums of two: a b a b in each half.
[[gnu::always_inline]] inline void foldTwo(const Eight& a, const Eight& b, Eight& sums)
{
    sums = __builtin_shufflevector(a, b, 0, 8, 1, 9, 4, 12, 5, 13)
        + __builtin_shufflevector(a, b, 2, 10, 3, 11, 6, 14, 7, 15);
}
[[gnu::always_inline]] inline void foldTwo(const Four& a, const Four& b, Four& sums)
{
    sums = __builtin_shufflevector(a, b, 0, 4, 1, 5) + __builtin_shufflevector(a, b, 2, 6, 3, 7);
}
/// From two such ones: a b c d in each half.
[[gnu::always_inline]] inline void foldFour(const Eight& ab, const Eight& cd, Eight& sums)
{
    sums = __builtin_shufflevector(ab, cd, 0, 1, 8, 9, 4, 5, 12, 13)
        + __builtin_shufflevector(ab, cd, 2, 3, 10, 11, 6, 7, 14, 15);
}

/// Eight sums of eight values each.
[[gnu::always_inline]] inline void sumEach(const Eight* v, float* sums)
{
    Eight ab, cd, ef, gh, abcd, efgh;
    foldTwo(v[0], v[1], ab);
    foldTwo(v[2], v[3], cd);
    foldTwo(v[4], v[5], ef);
    foldTwo(v[6], v[7], gh);
    foldFour(ab, cd, abcd);
    foldFour(ef, gh, efgh);
    const Eight all = __builtin_shufflevector(abcd, efgh, 0, 1, 2, 3, 8, 9, 10, 11)
        + __builtin_shufflevector(abcd, efgh, 4, 5, 6, 7, 12, 13, 14, 15);
    store(all, sums);
}
/// Four sums of four values each.
[[gnu::always_inline]] inline void sumEach(const Four* v, float* sums)
{
    Four ab, cd;
    foldTwo(v[0], v[1], ab);
    foldTwo(v[2], v[3], cd);
    const Four all =
        __builtin_shufflevector(ab, cd, 0, 1, 4, 5) + __builtin_shufflevector(ab, cd, 2, 3, 6, 7);
    store(all, sums);
}

/// A frame of one channel: as cheap as blending the rows first, and exact at each of them.
template <int Taps>
[[gnu::always_inline]] inline void sumFrame(
    const float* below, const float* above, const float* x, float share, Four& sum)
{
    Four sumBelow{}, sumAbove{};
    for (int t = 0; t < Taps; t += 4) {
        Four in;
        load(x + t, in);
        sumBelow += fourOfRow(below + t) * in;
        sumAbove += fourOfRow(above + t) * in;
    }
    sum = sumBelow + share * (sumAbove - sumBelow);
}
template <int Taps>
[[gnu::always_inline]] inline void sumFrame(
    const float* below, const float* above, const float* x, float share, Eight& sum)
{
    Eight sumBelow{}, sumAbove{};
    for (int t = 0; t < Taps; t += 8) {
        Eight in, low, high;
        load(x + t, in);
        load(below + t, low);
        load(above + t, high);
        sumBelow += low * in;
        sumAbove += high * in;
    }
    sum = sumBelow + share * (sumAbove - sumBelow);
}
/// A frame of two channels: the rows are blended once for both.
template <int Taps, class V>
[[gnu::always_inline]] inline void sumBoth(const float* below, const float* above, const float* l,
    const float* r, float share, V& left, V& right)
{
    constexpr int lanes = int(sizeof(V) / sizeof(float));
    V sumLeft{}, sumRight{};
    for (int t = 0; t < Taps; t += lanes) {
        V low, high, inLeft, inRight;
        load(below + t, low);
        load(above + t, high);
        load(l + t, inLeft);
        load(r + t, inRight);
        const V row = low + share * (high - low);
        sumLeft += row * inLeft;
        sumRight += row * inRight;
    }
    left = sumLeft;
    right = sumRight;
}
/// All frames of a block; a vector of sums makes as many of them.
///
/// @param V Four or Eight. @param count A whole number of eights. @param outRight Null for one
/// channel, as `right`.
template <class V, int Taps>
[[gnu::always_inline]] inline void readTaps(const Kernel& kernel, const float* left,
    const float* right, const Places& places, std::size_t count, float* outLeft, float* outRight)
{
    constexpr std::size_t lanes = sizeof(V) / sizeof(float);
    const float* const rows = kernel.row(0);
    if (right == nullptr) {
        for (std::size_t from = 0; from < count; from += lanes) {
            V sums[lanes];
            for (std::size_t i = 0; i < lanes; ++i) {
                const float* below = rows + std::ptrdiff_t(places.row[from + i]) * Taps;
                const float* x = left + places.first[from + i];
                sumFrame<Taps>(below, below + Taps, x, places.share[from + i], sums[i]);
            }
            sumEach(sums, outLeft + from);
        }
        return;
    }
    for (std::size_t from = 0; from < count; from += lanes) {
        V sums[lanes], others[lanes];
        for (std::size_t i = 0; i < lanes; ++i) {
            const float* below = rows + std::ptrdiff_t(places.row[from + i]) * Taps;
            const float* l = left + places.first[from + i];
            const float* r = right + places.first[from + i];
            sumBoth<Taps>(below, below + Taps, l, r, places.share[from + i], sums[i], others[i]);
        }
        sumEach(sums, outLeft + from);
        sumEach(others, outRight + from);
    }
}

/// With whatever taps the kernel has.
template <class V>
[[gnu::always_inline]] inline void readKernel(const Kernel& kernel, const float* left,
    const float* right, const Places& places, std::size_t count, float* outLeft, float* outRight)
{
    switch (kernel.taps()) {
    case 32:
        return readTaps<V, 32>(kernel, left, right, places, count, outLeft, outRight);
    case 40:
        return readTaps<V, 40>(kernel, left, right, places, count, outLeft, outRight);
    case 48:
        return readTaps<V, 48>(kernel, left, right, places, count, outLeft, outRight);
    default:
        return readTaps<V, 56>(kernel, left, right, places, count, outLeft, outRight);
    }
}

} // namespace puretone
