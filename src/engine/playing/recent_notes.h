// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/midi.h"

#include <algorithm>
#include <atomic>
#include <cstddef>
#include <cstdint>
#include <vector>

namespace puretone {

struct RecentNote {
    std::int64_t frame = 0; ///< Of the engine's output, since it was prepared.
    MidiEvent event;
};

/// The last events that were played: one thread writes for ever, any other may copy the newest.
class RecentNotes {
public:
    static constexpr std::size_t most = 32768;

    RecentNotes()
        : frames_(most)
        , events_(most)
    {
    }
    /// Nothing else may be going on. What was there is forgotten.
    void clear(double rate)
    {
        rate_.store(rate, std::memory_order_relaxed);
        kept_.store(written_.load(std::memory_order_relaxed), std::memory_order_relaxed);
    }
    double rate() const { return rate_.load(std::memory_order_relaxed); }

    /// Audio thread. Never waits.
    void add(std::int64_t frame, const MidiEvent& event) noexcept
    {
        const auto at = written_.load(std::memory_order_relaxed);
        const auto slot = std::size_t(at % most);
        frames_[slot].store(frame, std::memory_order_relaxed);
        events_[slot].store(packed(event), std::memory_order_relaxed);
        written_.store(at + 1, std::memory_order_release);
    }
    /// Those from a frame on, in their order; the oldest of very many are gone.
    std::vector<RecentNote> since(std::int64_t frame) const
    {
        constexpr std::uint64_t slack = most / 8; // the writer goes on while this reads
        const auto newest = written_.load(std::memory_order_acquire);
        auto at = newest > most - slack ? newest - (most - slack) : 0;
        std::vector<RecentNote> list;
        for (at = std::max(at, kept_.load(std::memory_order_relaxed)); at < newest; ++at) {
            const auto slot = std::size_t(at % most);
            const auto when = frames_[slot].load(std::memory_order_relaxed);
            if (when >= frame)
                list.push_back({when, unpacked(events_[slot].load(std::memory_order_relaxed))});
        }
        return list;
    }

private:
    static std::uint64_t packed(const MidiEvent& e) noexcept
    {
        const auto bend = std::uint16_t(std::int32_t(e.bend * 8191.0f) + 8192);
        return std::uint64_t(e.kind) | std::uint64_t(e.key) << 8U | std::uint64_t(e.value) << 16U
            | std::uint64_t(e.channel) << 24U | std::uint64_t(bend) << 32U;
    }
    static MidiEvent unpacked(std::uint64_t word) noexcept
    {
        return {MidiEvent::Kind(word & 255U), std::uint8_t(word >> 8U), std::uint8_t(word >> 16U),
            float(int(word >> 32U & 65535U) - 8192) / 8191.0f, std::uint8_t(word >> 24U)};
    }

    std::vector<std::atomic<std::int64_t>> frames_;
    std::vector<std::atomic<std::uint64_t>> events_;
    std::atomic<std::uint64_t> written_{0}, kept_{0};
    std::atomic<double> rate_{48000.0};
};

} // namespace puretone
