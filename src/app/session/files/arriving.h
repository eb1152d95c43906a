// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/files/sound_file.h"
#include "audio/signal/peaks.h"

#include <mutex>
#include <string>

namespace puretone::app {

/// A coarse picture of a file while it is read: filled by the reading thread, drawn by the window.
class Arriving {
public:
    static constexpr std::size_t columns = 1024;

    explicit Arriving(std::string name)
        : name_(std::move(name))
        , extents_(columns)
    {
    }

    const std::string& name() const { return name_; }
    void take(const ArrivedBlock& block)
    {
        const std::lock_guard lock(mutex_);
        const auto column = [&](std::int64_t frame) {
            const double share = double(frame) / double(std::max<std::int64_t>(1, block.total));
            return std::min(columns - 1, std::size_t(share * double(columns)));
        };
        for (auto c = column(block.span.start.value); c <= column(block.span.end.value - 1); ++c)
            extents_[c].include(block.extent);
        share_ = double(block.span.end.value) / double(std::max<std::int64_t>(1, block.total));
    }

    struct Picture {
        std::vector<Extent> columns; ///< Of the whole file; {0, 0} where nothing has come yet.
        double share = 0.0;
    };
    Picture picture() const
    {
        const std::lock_guard lock(mutex_);
        return {extents_, share_};
    }

private:
    std::string name_;
    mutable std::mutex mutex_;
    std::vector<Extent> extents_;
    double share_ = 0.0;
};

} // namespace puretone::app
