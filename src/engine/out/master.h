// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/streams/monitor.h"
#include "base/threads/recent_audio.h"
#include "engine/out/limiter.h"
#include "engine/out/trial_tone.h"

namespace puretone {

/// What happens to the sum of all layers on its way out: it is remembered, joined by the trial tone
/// and the input's monitor, limited, and measured. Effects will stand before all of that.
///
/// prepare(): audio stopped. process(): audio thread; never allocates, locks or waits. The rest:
/// interface thread.
class Master {
public:
    void prepare(double rate);
    void process(float* left, float* right, int frames) noexcept;

    /// The limiter is off at first; then nothing is late. Goes over within a few milliseconds.
    void setLimiting(bool on) { limiting_.store(on, std::memory_order_relaxed); }
    bool limiting() const { return limiting_.load(std::memory_order_relaxed); }
    /// Frames between what the layers give and what is heard, once that is switched.
    int latency() const { return limiting() ? limiter_.latency() : 0; }

    TrialTone& trial() { return trial_; }
    Monitor& monitor() { return monitor_; }
    /// What was played last, before trial tone, monitor and limiter: twenty seconds, at any rate,
    /// from which KeptAudio takes it.
    RecentAudio& recent() { return recent_; }

    struct Look {
        float peakLeft = 0.0f, peakRight = 0.0f; ///< True peaks of what went out.
        float least = 1.0f; ///< Gain of the limiter.
    };
    /// Since the last look.
    Look look() noexcept;

private:
    void limit(float& left, float& right) noexcept;

    TrialTone trial_;
    Monitor monitor_;
    RecentAudio recent_;
    Limiter limiter_;
    std::atomic<bool> limiting_{false};
    // Audio thread only.
    double rate_ = 48000.0;
    float share_ = 0.0f; ///< Of the limited signal in what goes out.
    float shareStep_ = 0.0f;
    TruePeak left_, right_;

    std::atomic<float> peakLeft_{0.0f}, peakRight_{0.0f}, least_{1.0f};
};

} // namespace puretone
