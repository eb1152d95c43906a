// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/reading.h"

#include "engine/wide_vectors.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>

namespace puretone {

namespace {

using Eight [[gnu::vector_size(32)]] = float;
/// The same anywhere in memory.
using LooseEight [[gnu::vector_size(32), gnu::aligned(4)]] = float;

constexpr std::size_t most = readingBlock;

/// Places on the way in whole 2^-32 frames, the first one counted from its own whole frame.
struct FixedWay {
    std::int64_t base; ///< First frame of the first window.
    std::int64_t start, step, change;
    std::int64_t at(std::int64_t n) const noexcept
    {
        return start + n * step + n * (n - 1) / 2 * change;
    }
};

FixedWay fixed(const ReadingWay& way, const Kernel& kernel) noexcept
{
    constexpr double unit = 4294967296.0; // 2^32
    const double whole = std::floor(way.place);
    return {std::int64_t(whole) - std::int64_t(kernel.before()),
        std::int64_t((way.place - whole) * unit), std::int64_t(std::min(way.step, 1e7) * unit),
        std::int64_t(std::clamp(way.change, -1e4, 1e4) * unit)};
}

/// Where each frame of a block is read.
struct Places {
    alignas(32) std::array<std::int64_t, most> first; ///< Of its window, after the first one's.
    alignas(32) std::array<std::int32_t, most> row; ///< Phase below.
    alignas(32) std::array<float, most> share; ///< Of the phase above.
};

[[gnu::always_inline]] inline void findPlaces(
    const FixedWay& way, unsigned shift, std::size_t count, Places& places)
{
    // Four at once; what lies between n and n + 4 grows by 16 changes.
    using Four [[gnu::vector_size(32)]] = std::int64_t;
    Four at{way.at(0), way.at(1), way.at(2), way.at(3)};
    const std::int64_t four = 4 * way.step + 6 * way.change;
    Four next{four, four + 4 * way.change, four + 8 * way.change, four + 12 * way.change};
    const std::uint32_t below = (1U << shift) - 1U;
    const float perStep = 1.0f / float(below + 1U);
    alignas(32) std::array<std::int64_t, most> all;
    for (std::size_t i = 0; i < count; i += 4) {
        *reinterpret_cast<Four*>(&all[i]) = at;
        *reinterpret_cast<Four*>(&places.first[i]) = at >> 32;
        at += next;
        next += 16 * way.change;
    }
    for (std::size_t i = 0; i < count; ++i) {
        const auto fraction = std::uint32_t(std::uint64_t(all[i]));
        places.row[i] = std::int32_t(fraction >> shift);
        places.share[i] = float(std::int32_t(fraction & below)) * perStep;
    }
}

#if defined(__clang__)
// Which takes a loose vector for an aligned one once it is referred to.
[[gnu::always_inline]] inline Eight eight(const float* from)
{
    Eight read;
    __builtin_memcpy(&read, from, sizeof read);
    return read;
}
#else
[[gnu::always_inline]] inline const LooseEight& eight(const float* from)
{
    return *reinterpret_cast<const LooseEight*>(from);
}
#endif

/// Half-way sums of two: a b a b in each half.
[[gnu::always_inline]] inline void foldTwo(const Eight& a, const Eight& b, Eight& sums)
{
    sums = __builtin_shufflevector(a, b, 0, 8, 1, 9, 4, 12, 5, 13)
        + __builtin_shufflevector(a, b, 2, 10, 3, 11, 6, 14, 7, 15);
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
    __builtin_memcpy(sums, &all, sizeof all);
}

/// @param Groups Taps of the kernel, in eights.
template <int Groups, bool Stereo>
[[gnu::always_inline]] inline void readWith(const Kernel& kernel, const float* left,
    const float* right, const Places& places, std::size_t count, float* outLeft, float* outRight)
{
    for (std::size_t from = 0; from < count; from += 8) {
        Eight leftSums[8], rightSums[8];
        for (std::size_t i = 0; i < 8; ++i) {
            const float* below = kernel.row(std::size_t(places.row[from + i]));
            const float* above = below + 8 * Groups;
            const float* l = left + places.first[from + i];
            const float share = places.share[from + i];
            if constexpr (Stereo) {
                const float* r = right + places.first[from + i];
                Eight sumLeft{}, sumRight{};
                for (int g = 0; g < Groups; ++g) {
                    const Eight row = eight(below + 8 * g)
                        + share * (eight(above + 8 * g) - eight(below + 8 * g));
                    sumLeft += row * eight(l + 8 * g);
                    sumRight += row * eight(r + 8 * g);
                }
                leftSums[i] = sumLeft;
                rightSums[i] = sumRight;
            } else {
                // As cheap as blending the rows first, and exact at each of them.
                Eight sumBelow{}, sumAbove{};
                for (int g = 0; g < Groups; ++g) {
                    const Eight x = eight(l + 8 * g);
                    sumBelow += eight(below + 8 * g) * x;
                    sumAbove += eight(above + 8 * g) * x;
                }
                leftSums[i] = sumBelow + share * (sumAbove - sumBelow);
            }
        }
        sumEach(leftSums, outLeft + from);
        if constexpr (Stereo)
            sumEach(rightSums, outRight + from);
    }
}

/// Of one number of taps, for one or two channels.
template <int Groups>
[[gnu::always_inline]] inline void readEither(const Kernel& kernel, const float* left,
    const float* right, const Places& places, std::size_t count, float* outLeft, float* outRight)
{
    if (right != nullptr)
        readWith<Groups, true>(kernel, left, right, places, count, outLeft, outRight);
    else
        readWith<Groups, false>(kernel, left, right, places, count, outLeft, outRight);
}

/// @param left,right The first frame's window; there is as much to read as `count` frames, made up
/// to eights, need.
[[gnu::always_inline]] inline void readAny(const Kernel& kernel, const float* left,
    const float* right, const FixedWay& way, std::size_t count, float* outLeft, float* outRight)
{
    Places places;
    const std::size_t eights = (count + 7) / 8 * 8;
    findPlaces(way, kernel.phaseShift(), eights, places);
    // Behind the last one: the last one again, so that nothing is read that is not there.
    for (std::size_t i = count; i < eights; ++i)
        places.first[i] = places.first[count - 1];
    switch (kernel.taps()) {
    case 32:
        return readEither<4>(kernel, left, right, places, count, outLeft, outRight);
    case 40:
        return readEither<5>(kernel, left, right, places, count, outLeft, outRight);
    case 48:
        return readEither<6>(kernel, left, right, places, count, outLeft, outRight);
    default:
        return readEither<7>(kernel, left, right, places, count, outLeft, outRight);
    }
}

void readPlain(const Kernel& kernel, const float* left, const float* right, const FixedWay& way,
    std::size_t count, float* outLeft, float* outRight)
{
    readAny(kernel, left, right, way, count, outLeft, outRight);
}
PURETONE_WIDE void readWide(const Kernel& kernel, const float* left, const float* right,
    const FixedWay& way, std::size_t count, float* outLeft, float* outRight)
{
    readAny(kernel, left, right, way, count, outLeft, outRight);
}

/// Room for the windows of a block at the edge of a copy.
constexpr std::int64_t edgeFrames = 1024;

/// The frames of a channel from `first` on, zeros where it has none.
void copyPart(
    const float* from, std::int64_t frames, std::int64_t first, std::array<float, edgeFrames>& to)
{
    to.fill(0.0f);
    const auto begin = std::clamp<std::int64_t>(first, 0, frames);
    const auto end = std::clamp<std::int64_t>(first + edgeFrames, 0, frames);
    if (begin < end)
        std::copy(from + begin, from + end, to.begin() + (begin - first));
}

} // namespace

void readBetween(const Kernel& kernel, const CopyView& copy, const ReadingWay& way, int count,
    float* left, float* right) noexcept
{
    FixedWay fixedWay = fixed(way, kernel);
    const auto taps = std::int64_t(kernel.taps());
    auto* const reader = wideVectors() ? readWide : readPlain;
    const auto first = fixedWay.base;
    const auto end = first + (fixedWay.at(count - 1) >> 32) + taps;
    if (first >= 0 && end <= copy.frames) {
        reader(kernel, copy.left + first, copy.right != nullptr ? copy.right + first : nullptr,
            fixedWay, std::size_t(count), left, right);
        return;
    }
    if (end - first > edgeFrames) {
        // So fast that the windows of a block do not fit: one after the other. A single one does.
        float one[readingBlock], other[readingBlock];
        for (int i = 0; i < count; ++i) {
            const double steps = double(i), turns = 0.5 * steps * (steps - 1.0);
            const ReadingWay alone{way.place + steps * way.step + turns * way.change, 1.0, 0.0};
            readBetween(kernel, copy, alone, 1, one, other);
            left[i] = one[0];
            if (copy.right != nullptr)
                right[i] = other[0];
        }
        return;
    }
    std::array<float, edgeFrames> l, r;
    copyPart(copy.left, copy.frames, first, l);
    if (copy.right != nullptr)
        copyPart(copy.right, copy.frames, first, r);

    reader(kernel, l.data(), copy.right != nullptr ? r.data() : nullptr, fixedWay,
        std::size_t(count), left, right);
}

} // namespace puretone
