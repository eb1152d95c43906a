// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/signal/peaks.h"
#include "base/result.h"
#include "base/threads/recent_audio.h"

#include <array>
#include <deque>
#include <filesystem>
#include <mutex>
#include <optional>
#include <thread>

namespace puretone {

/// Records what an input hears, straight to disk.
///
/// It listens all the time: what came in the two seconds before recording begins is part of it. The
/// input's thread only writes into memory; a thread of the recorder's own takes it to a WAV file
/// (32 bit float) at least four times a second and keeps that file's header true, so that a program
/// that is killed loses less than a second. Whoever looks at the meters never waits for the disk.
class Recorder {
public:
    static constexpr double preRollSeconds = 2.0;

    struct Settings {
        std::optional<double> startAtDb; ///< Waits for a peak of this level; none: begins at once.
        std::optional<double> stopAfterSeconds; ///< Ends after so much time below `silenceDb`.
        double silenceDb = -50.0;
    };
    enum class Phase {
        listening,
        waiting, ///< For the level at which it starts by itself.
        recording,
        finished, ///< There is a file to be collected.
    };
    /// What a window shows.
    struct Look {
        Phase phase = Phase::listening;
        double seconds = 0.0; ///< Recorded so far, with the two seconds before.
        std::uint64_t bytesFree = 0; ///< On the disk that is recorded to; 0 before that is known.
        double bytesPerSecond = 0.0;
        std::array<float, 2> peaks{}; ///< Of both sides since the last look, 0 to 1 and above.
        bool mono = false;
        bool clipped = false; ///< At full scale since the last forgetClip().
        std::vector<Extent> recent; ///< One for every `pictureSeconds`, newest last.
    };
    static constexpr double pictureSeconds = 0.02;
    static constexpr std::size_t pictureLength = 500;

    struct Recorded {
        std::filesystem::path path;
        double seconds = 0.0;
        /// Why it ended before it was told to, or what is missing; one sentence, may be empty.
        std::string trouble;
    };

    Recorder();
    ~Recorder();
    Recorder(const Recorder&) = delete;
    Recorder& operator=(const Recorder&) = delete;

    /// Before the first block; frames per second.
    void setRate(double rate) { rate_.store(rate); }
    /// Input's thread: never allocates, locks or waits. One channel is given as the same twice.
    void hear(const float* left, const float* right, int frames) noexcept;

    /// Begins a file in `folder`, which is made where it is missing.
    ///
    /// @return `cannotWrite` when that is not possible, `noDevice` when nothing is heard.
    Result<void> start(const std::filesystem::path& folder, const Settings& settings);
    /// Ends recording. Nothing where none was going on or nothing had been recorded.
    /// @param trouble Told in what comes back: "The microphone has gone."
    std::optional<Recorded> stop(const std::string& trouble = {});
    Look look();
    Phase phase() const { return phase_.load(); }
    /// Frames of the input that have been metered and, where it records, written.
    std::uint64_t looked() const { return looked_.load(); }
    /// The newest columns of the picture, without looking at the meters.
    std::vector<Extent> picture(std::size_t columns);
    void forgetClip();

private:
    using Heard = std::vector<std::vector<float>>; ///< Two channels.
    struct File;
    void run(const std::stop_token& stop);
    void turn();
    Heard withPreRoll(std::size_t frames);
    void meter(const Heard& heard);
    bool passesLevel(const Heard& heard, double db) const;
    void write(const Heard& heard);
    void writeMissing(std::uint64_t frames);
    void finish(const std::string& trouble);
    void tellFreeSpace();

    std::atomic<double> rate_{0.0};
    std::atomic<bool> mono_{false};
    RecentAudio recent_;
    // What a window looks at without waiting.
    std::atomic<Phase> phase_{Phase::listening};
    std::atomic<bool> clipped_{false};
    std::atomic<double> seconds_{0.0}, bytesPerSecond_{0.0};
    std::atomic<std::uint64_t> bytesFree_{0}, looked_{0};

    std::mutex disk_; ///< Held while the disk works; guards what follows, up to meters_.
    Settings settings_;
    std::unique_ptr<File> file_;
    double quietSeconds_ = 0.0;
    std::string trouble_;

    std::mutex meters_; ///< Held for moments only; guards the rest. Taken after disk_.
    std::array<float, 2> peaks_{};
    std::deque<Extent> picture_;
    Extent pending_;
    std::int64_t pendingFrames_ = 0;
    std::jthread thread_;
};

/// Recordings in a folder that were not ended: of a program that was killed, not of one that is
/// still running. Ones without sound are removed.
std::vector<std::filesystem::path> unfinishedRecordings(const std::filesystem::path& folder);
/// Gives such a recording its final name. @return The new path, or the old one where that fails.
std::filesystem::path finishRecording(const std::filesystem::path& unfinished);

} // namespace puretone
