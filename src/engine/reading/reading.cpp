// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/reading/reading.h"

#include "base/wide_vectors.h"
#include "engine/reading/kernel_sums.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>

namespace puretone {

namespace {

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

[[gnu::always_inline]] inline void findPlaces(
    const FixedWay& way, unsigned shift, std::size_t count, Places& places)
{
    // Four at once; what lies between n and n + 4 grows by 16 changes.
    using FourWays [[gnu::vector_size(32)]] = std::int64_t;
    FourWays at{way.at(0), way.at(1), way.at(2), way.at(3)};
    const std::int64_t four = 4 * way.step + 6 * way.change;
    FourWays next{four, four + 4 * way.change, four + 8 * way.change, four + 12 * way.change};
    const std::uint32_t below = (1U << shift) - 1U;
    const float perStep = 1.0f / float(below + 1U);
    alignas(32) std::array<std::int64_t, most> all;
    for (std::size_t i = 0; i < count; i += 4) {
        *reinterpret_cast<FourWays*>(&all[i]) = at;
        *reinterpret_cast<FourWays*>(&places.first[i]) = at >> 32;
        at += next;
        next += 16 * way.change;
    }
    for (std::size_t i = 0; i < count; ++i) {
        const auto fraction = std::uint32_t(std::uint64_t(all[i]));
        places.row[i] = std::int32_t(fraction >> shift);
        places.share[i] = float(std::int32_t(fraction & below)) * perStep;
    }
}

/// @param left,right The first frame's window; there is as much to read as `count` frames, made up
/// to eights, need.
template <class V>
[[gnu::always_inline]] inline void readAny(const Kernel& kernel, const float* left,
    const float* right, const FixedWay& way, std::size_t count, float* outLeft, float* outRight)
{
    Places places;
    const std::size_t eights = (count + 7) / 8 * 8;
    findPlaces(way, kernel.phaseShift(), eights, places);
    // Behind the last one: the last one again, so that nothing is read that is not there.
    for (std::size_t i = count; i < eights; ++i)
        places.first[i] = places.first[count - 1];
    readKernel<V>(kernel, left, right, places, eights, outLeft, outRight);
}

void readPlain(const Kernel& kernel, const float* left, const float* right, const FixedWay& way,
    std::size_t count, float* outLeft, float* outRight)
{
    readAny<Four>(kernel, left, right, way, count, outLeft, outRight);
}
PURETONE_WIDE void readWide(const Kernel& kernel, const float* left, const float* right,
    const FixedWay& way, std::size_t count, float* outLeft, float* outRight)
{
    readAny<Eight>(kernel, left, right, way, count, outLeft, outRight);
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
