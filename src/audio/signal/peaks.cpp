// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/signal/peaks.h"

#include <algorithm>
#include <atomic>

namespace puretone {

namespace {

std::atomic<std::uint64_t> made{0};

Extent extentOf(std::span<const float> samples)
{
    Extent e{samples[0], samples[0]};
    for (const float s : samples.subspan(1))
        e.include({s, s});
    return e;
}

} // namespace

PeakPyramid::PeakPyramid(AudioPtr audio)
    : audio_(std::move(audio))
    , serial_(++made)
{
    const std::int64_t frames = audio_->frames();
    for (std::int64_t block = firstBlock; block < frames; block *= growth) {
        Level level{block, {}};
        const auto count = std::size_t((frames + block - 1) / block);
        for (std::size_t c = 0; c < audio_->channelCount(); ++c) {
            std::vector<Extent> extents(count);
            const auto samples = audio_->channel(c);
            for (std::size_t b = 0; b < count; ++b) {
                if (levels_.empty()) {
                    const auto from = b * std::size_t(block);
                    extents[b] = extentOf(
                        samples.subspan(from, std::min(std::size_t(block), samples.size() - from)));
                } else {
                    const auto& finer = levels_.back().channels[c];
                    const auto from = b * std::size_t(growth);
                    const auto to = std::min(finer.size(), from + std::size_t(growth));
                    extents[b] = finer[from];
                    for (auto i = from + 1; i < to; ++i)
                        extents[b].include(finer[i]);
                }
            }
            level.channels.push_back(std::move(extents));
        }
        levels_.push_back(std::move(level));
    }
}

Extent PeakPyramid::extent(std::size_t channel, Span span) const
{
    std::int64_t from = std::max<std::int64_t>(0, span.start.value);
    const std::int64_t to = std::min(audio_->frames(), span.end.value);
    if (from >= to)
        return {};
    const auto samples = audio_->channel(channel);
    const float first = samples[std::size_t(from)];
    Extent found{first, first};
    while (from < to) {
        // The largest block that begins here and ends inside.
        const Level* best = nullptr;
        for (const Level& level : levels_) {
            if (from % level.block != 0 || from + level.block > to)
                break;
            best = &level;
        }
        if (best != nullptr) {
            found.include(best->channels[channel][std::size_t(from / best->block)]);
            from += best->block;
        } else {
            const auto next = std::min(to, (from / firstBlock + 1) * firstBlock);
            found.include(extentOf(samples.subspan(std::size_t(from), std::size_t(next - from))));
            from = next;
        }
    }
    return found;
}

void PeakPyramid::columns(
    std::size_t channel, double firstFrame, double framesPerColumn, std::span<Extent> columns) const
{
    // Far out, borders lie on blocks of an eighth of a column: nobody sees the difference, and the
    // samples themselves, which would have to come from memory far apart, are never touched.
    std::int64_t grid = 1;
    for (const Level& level : levels_)
        if (double(level.block) * 8.0 <= framesPerColumn)
            grid = level.block;
    const auto border = [&](std::size_t i) {
        const auto frame = std::int64_t(std::floor(firstFrame + double(i) * framesPerColumn));
        return frame >= 0 ? frame / grid * grid : frame;
    };
    for (std::size_t i = 0; i < columns.size(); ++i) {
        const auto from = border(i), to = border(i + 1);
        // Close by, one frame more than the column holds, so that neighbouring columns touch.
        columns[i] =
            extent(channel, {Frames{from}, Frames{grid > 1 ? to : std::max(to, from + 1) + 1}});
    }
}

} // namespace puretone
