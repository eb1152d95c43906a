// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "audio/files/nameless_file.h"
#include "audio/signal/peaks.h"
#include "base/threads/recent_audio.h"

#include <condition_variable>
#include <mutex>
#include <thread>

namespace puretone {

/// The last ten minutes of a stream, on disk in a file without a name: a thread of its own takes
/// them from where the stream remembers its last seconds. Frames count from the beginning of that
/// memory, as RecentAudio's do.
class KeptAudio {
public:
    static constexpr double seconds = 600.0;

    /// @param recent Stays until finish() or the end of this; what it holds by now is kept too.
    /// @param rate Of the stream.
    KeptAudio(const RecentAudio& recent, double rate);
    ~KeptAudio();
    KeptAudio(const KeptAudio&) = delete;
    KeptAudio& operator=(const KeptAudio&) = delete;

    double rate() const { return rate_; }
    /// What there is: frames [from, to).
    struct Range {
        std::uint64_t from = 0, to = 0;
        double seconds(double rate) const { return double(to - from) / rate; }
    };
    Range range() const;
    /// Lowest and highest sample of both sides in each of `columns` equal parts of a range.
    std::vector<Extent> picture(Range range, int columns) const;
    /// Copies a range, or as much of it as is still there. Two channels.
    Audio read(Range range) const;
    /// Takes what the stream has given until now, without waiting for the thread.
    void catchUp();
    /// Takes nothing more: the stream's memory may go. What there is stays.
    void finish();

private:
    static constexpr std::uint64_t perExtent = 1024; ///< Frames.
    void run();
    void append(const RecentAudio::Stretch& stretch);

    const RecentAudio& recent_;
    double rate_;
    std::uint64_t capacity_; ///< Frames, whole extents.
    NamelessFile file_;
    mutable std::mutex lock_; ///< Of what follows; never taken by the stream's thread.
    std::vector<Extent> extents_; ///< Of the frames at their places in the ring.
    std::uint64_t first_ = 0, next_ = 0;
    bool ends_ = false;
    std::condition_variable wake_;
    std::thread thread_;
};

/// The last stretch of a picture() that sounded: up to a silence of two seconds. Nothing played: an
/// empty range. @param whole That the picture shows.
KeptAudio::Range lastPlayed(
    const std::vector<Extent>& picture, KeptAudio::Range whole, double rate);

} // namespace puretone
