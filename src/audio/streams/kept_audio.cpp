// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/streams/kept_audio.h"

#include <algorithm>
#include <chrono>
#include <cmath>

namespace puretone {

namespace {

constexpr auto betweenLooks = std::chrono::milliseconds(400);
constexpr std::uint64_t frameBytes = 2 * sizeof(float);

} // namespace

KeptAudio::KeptAudio(const RecentAudio& recent, double rate)
    : recent_(recent)
    , rate_(rate)
    , capacity_(std::uint64_t(seconds * rate) / perExtent * perExtent)
    , extents_(std::size_t(capacity_ / perExtent))
{
    first_ = next_ = recent.since(0).from;
    thread_ = std::thread([this] { run(); });
}

KeptAudio::~KeptAudio()
{
    finish();
}

void KeptAudio::finish()
{
    {
        const std::lock_guard lock(lock_);
        ends_ = true;
    }
    wake_.notify_all();
    if (thread_.joinable())
        thread_.join();
}

void KeptAudio::run()
{
    std::unique_lock lock(lock_);
    while (!ends_) {
        append(recent_.since(next_));
        wake_.wait_for(lock, betweenLooks, [this] { return ends_; });
    }
}

void KeptAudio::catchUp()
{
    const std::lock_guard lock(lock_);
    if (!ends_)
        append(recent_.since(next_));
}

/// The lock is held.
void KeptAudio::append(const RecentAudio::Stretch& stretch)
{
    if (!file_.there())
        return;
    const auto count = stretch.channels[0].size();
    // What the memory had lost by now is silent.
    if (stretch.from > next_)
        first_ = stretch.from;
    std::vector<float> piece;
    for (std::size_t done = 0; done < count;) {
        const auto at = stretch.from + done;
        const auto slot = at % capacity_;
        const auto room = std::min<std::uint64_t>(perExtent - slot % perExtent, count - done);
        Extent& extent = extents_[std::size_t(slot / perExtent)];
        if (slot % perExtent == 0)
            extent = {0.0f, 0.0f};
        piece.clear();
        for (std::size_t i = done; i < done + room; ++i)
            for (const auto& channel : stretch.channels) {
                piece.push_back(channel[i]);
                extent.low = std::min(extent.low, channel[i]);
                extent.high = std::max(extent.high, channel[i]);
            }
        if (!file_.write(std::as_bytes(std::span(piece)), slot * frameBytes))
            return; // the disk is full: what there is stays
        done += std::size_t(room);
        next_ = at + room;
    }
    // The extent that is being overwritten is gone as a whole.
    const auto oldest = next_ > capacity_ - perExtent ? next_ - (capacity_ - perExtent) : 0;
    first_ = std::max(first_, (oldest + perExtent - 1) / perExtent * perExtent);
}

KeptAudio::Range KeptAudio::range() const
{
    const std::lock_guard lock(lock_);
    return {std::min(first_, next_), next_};
}

std::vector<Extent> KeptAudio::picture(Range range, int columns) const
{
    const std::lock_guard lock(lock_);
    std::vector<Extent> list(std::size_t(std::max(0, columns)), Extent{0.0f, 0.0f});
    const double per = double(range.to - range.from) / std::max(1, columns);
    for (int i = 0; i < columns; ++i) {
        const auto from = range.from + std::uint64_t(i * per);
        const auto to = std::max(from + 1, range.from + std::uint64_t((i + 1) * per));
        for (auto at = from / perExtent; at * perExtent < to; ++at) {
            if (at * perExtent >= next_)
                break;
            const Extent& extent = extents_[std::size_t(at * perExtent % capacity_ / perExtent)];
            auto& column = list[std::size_t(i)];
            column.low = std::min(column.low, extent.low);
            column.high = std::max(column.high, extent.high);
        }
    }
    return list;
}

Audio KeptAudio::read(Range range) const
{
    const std::lock_guard lock(lock_);
    range.from = std::clamp(range.from, first_, next_);
    range.to = std::clamp(range.to, range.from, next_);
    Audio audio{rate_, std::vector<std::vector<float>>(2)};
    std::vector<float> piece;
    for (auto at = range.from; at < range.to;) {
        const auto slot = at % capacity_;
        const auto count = std::min({range.to - at, capacity_ - slot, std::uint64_t(65536)});
        piece.resize(std::size_t(2 * count));
        if (!file_.read(std::as_writable_bytes(std::span(piece)), slot * frameBytes))
            break;
        for (std::size_t i = 0; i < count; ++i)
            for (std::size_t c = 0; c < 2; ++c)
                audio.channels[c].push_back(piece[2 * i + c]);
        at += count;
    }
    return audio;
}

KeptAudio::Range lastPlayed(const std::vector<Extent>& picture, KeptAudio::Range whole, double rate)
{
    constexpr float silent = 1e-4f;
    constexpr double pause = 2.0; // seconds
    const double per =
        double(whole.to - whole.from) / double(std::max<std::size_t>(1, picture.size()));
    const auto loud = [&](std::size_t i) {
        return picture[i].high > silent || picture[i].low < -silent;
    };
    std::size_t end = picture.size();
    while (end > 0 && !loud(end - 1))
        --end;
    std::size_t begin = end;
    for (std::size_t i = end; i-- > 0;) {
        if (loud(i))
            begin = i;
        else if (double(begin - i) * per > pause * rate)
            break;
    }
    return {whole.from + std::uint64_t(double(begin) * per),
        std::min(whole.to, whole.from + std::uint64_t(std::ceil(double(end) * per)))};
}

} // namespace puretone
