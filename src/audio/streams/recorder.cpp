// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/streams/recorder.h"

#include "audio/files/sound_file.h"
#include "base/files/safe_file.h"
#include "base/quantity.h"
#include "base/say.h"

#include <algorithm>
#include <cerrno>
#include <chrono>
#include <cmath>
#include <cstring>
#include <ctime>
#include <fcntl.h>
#include <sndfile.h>
#include <sys/file.h>
#include <unistd.h>

namespace puretone {

namespace fs = std::filesystem;

namespace {

constexpr const char* unfinishedMark = " (unfinished)";
constexpr double fastestRate = 192000.0;
constexpr double memorySeconds = 12.0;
/// A WAV file counts its bytes in 32 bits.
constexpr std::uint64_t mostBytes = 0xffffffffU - (1U << 20U);

fs::path freshPath(const fs::path& folder)
{
    const std::time_t now = std::time(nullptr);
    std::tm local{};
    ::localtime_r(&now, &local);
    char text[64];
    std::strftime(text, sizeof text, "Recording %Y-%m-%d %H.%M.%S", &local);
    std::error_code ignored;
    for (int n = 1;; ++n) {
        const std::string stem = text + (n > 1 ? " " + std::to_string(n) : std::string());
        if (!fs::exists(folder / (stem + ".wav"), ignored)
            && !fs::exists(folder / (stem + unfinishedMark + ".wav"), ignored))
            return folder / (stem + unfinishedMark + ".wav");
    }
}

} // namespace

/// The file that is being recorded to. It is locked while it is, so that another program knows.
struct Recorder::File {
    fs::path path;
    int descriptor = -1; ///< Ours to close: libsndfile is told so.
    SNDFILE* sound = nullptr;
    std::size_t channels = 2;
    double rate = 48000.0;
    std::uint64_t frames = 0;
    std::uint64_t missing = 0; ///< Frames that stand as silence.
    double unsynced = 0.0; ///< Seconds since the last sync.

    File() = default;
    File(const File&) = delete;
    File& operator=(const File&) = delete;
    ~File() { close(); }
    void close()
    {
        if (sound != nullptr)
            sf_close(std::exchange(sound, nullptr));
        if (descriptor >= 0)
            ::close(std::exchange(descriptor, -1));
    }
    double seconds() const { return double(frames) / rate; }
    double bytesPerSecond() const { return double(channels) * sizeof(float) * rate; }
    std::uint64_t bytes() const { return frames * channels * sizeof(float); }
};

Recorder::Recorder()
    : recent_(std::size_t(memorySeconds * fastestRate))
    , picture_(pictureLength)
{
    thread_ = std::jthread([this](const std::stop_token& stop) { run(stop); });
}

Recorder::~Recorder()
{
    thread_.request_stop();
    thread_.join();
    stop();
}

void Recorder::hear(const float* left, const float* right, int frames) noexcept
{
    mono_.store(left == right, std::memory_order_relaxed);
    recent_.write(left, right, frames);
}

void Recorder::run(const std::stop_token& stop)
{
    using Clock = std::chrono::steady_clock;
    auto spaceTold = Clock::now();
    while (!stop.stop_requested()) {
        std::this_thread::sleep_for(std::chrono::milliseconds(25));
        int unsynced = -1;
        {
            const std::lock_guard lock(disk_);
            turn();
            if (file_ && file_->unsynced > 1.0) {
                unsynced = ::fcntl(file_->descriptor, F_DUPFD_CLOEXEC, 0);
                file_->unsynced = 0.0;
            }
            if (file_ && Clock::now() - spaceTold > std::chrono::seconds(1)) {
                tellFreeSpace();
                spaceTold = Clock::now();
            }
        }
        // A slow disk must not hold up whoever ends the recording.
        if (unsynced >= 0) {
            ::fdatasync(unsynced);
            ::close(unsynced);
        }
    }
}

void Recorder::tellFreeSpace()
{
    std::error_code unknown;
    const auto space = fs::space(file_->path.parent_path(), unknown);
    bytesFree_ = unknown ? 0 : space.available;
}

/// Looks at what has come in since the last turn.
void Recorder::turn()
{
    const double rate = rate_.load();
    const auto now = recent_.written();
    const auto before = looked_.load();
    if (rate <= 0.0 || now == before)
        return;
    const auto [from, heard] = recent_.between(before, now);
    meter(heard);
    if (phase() == Phase::waiting && passesLevel(heard, *settings_.startAtDb)) {
        phase_ = Phase::recording;
        quietSeconds_ = 0.0;
        looked_ = now;
        write(withPreRoll(heard[0].size()));
    } else if (phase() == Phase::recording) {
        // The disk took so long that the memory went round.
        writeMissing(from - before);
        write(heard);
    }
    if (phase() == Phase::recording && settings_.stopAfterSeconds) {
        quietSeconds_ = passesLevel(heard, settings_.silenceDb)
            ? 0.0
            : quietSeconds_ + double(heard[0].size()) / rate;
        if (quietSeconds_ >= *settings_.stopAfterSeconds)
            finish({});
    }
    looked_ = now;
}

/// What has been looked at: the newest `frames`, and the two seconds before them.
Recorder::Heard Recorder::withPreRoll(std::size_t frames)
{
    const auto wanted = std::uint64_t(preRollSeconds * rate_.load()) + frames;
    const auto looked = looked_.load();
    return recent_.between(looked > wanted ? looked - wanted : 0, looked).channels;
}

void Recorder::meter(const Heard& heard)
{
    const std::lock_guard lock(meters_);
    const auto perColumn = std::int64_t(pictureSeconds * rate_.load());
    for (std::size_t i = 0; i < heard[0].size(); ++i) {
        for (std::size_t side = 0; side < 2; ++side) {
            const float sample = heard[side][i];
            pending_.include({sample, sample});
            peaks_[side] = std::max(peaks_[side], std::abs(sample));
        }
        if (++pendingFrames_ < perColumn)
            continue;
        picture_.push_back(std::exchange(pending_, {}));
        picture_.pop_front();
        pendingFrames_ = 0;
    }
    // Converters stop just below 1: their largest positive step.
    if (std::max(peaks_[0], peaks_[1]) >= 0.99996f)
        clipped_.store(true);
}

bool Recorder::passesLevel(const Heard& heard, double db) const
{
    const auto line = float(std::pow(10.0, db / 20.0));
    return std::any_of(heard.begin(), heard.end(), [line](const auto& channel) {
        return std::any_of(
            channel.begin(), channel.end(), [line](float s) { return std::abs(s) >= line; });
    });
}

Result<void> Recorder::start(const fs::path& folder, const Settings& settings)
{
    const std::lock_guard lock(disk_);
    const double rate = rate_.load();
    if (rate <= 0.0 || recent_.written() == 0)
        return fail(
            ErrorCode::noDevice, say("The input gives no sound."), say("Choose another input."));
    turn();
    finish({});
    std::error_code failed;
    fs::create_directories(folder, failed);
    auto file = std::make_unique<File>();
    file->path = freshPath(folder);
    file->channels = mono_.load() ? 1 : 2;
    file->rate = rate;
    file->descriptor = ::open(file->path.c_str(), O_RDWR | O_CREAT | O_EXCL | O_CLOEXEC, 0644);
    const auto cannot = [&] {
        return fail(ErrorCode::cannotWrite,
            say("Recording to %1 is not possible: %2.", shownName(folder), std::strerror(errno)),
            say("Free some space there, or make the folder writable."));
    };
    if (file->descriptor < 0)
        return cannot();
    ::flock(file->descriptor, LOCK_EX | LOCK_NB);
    SF_INFO info{};
    info.samplerate = int(std::lround(rate));
    info.channels = int(file->channels);
    info.format = SF_FORMAT_WAV | SF_FORMAT_FLOAT;
    file->sound = sf_open_fd(file->descriptor, SFM_WRITE, &info, SF_FALSE);
    if (file->sound == nullptr) {
        fs::remove(file->path, failed);
        return cannot();
    }
    file_ = std::move(file);
    settings_ = settings;
    quietSeconds_ = 0.0;
    seconds_ = 0.0;
    bytesPerSecond_ = file_->bytesPerSecond();
    tellFreeSpace();
    phase_ = settings.startAtDb ? Phase::waiting : Phase::recording;
    if (!settings.startAtDb)
        write(withPreRoll(0));
    return {};
}

void Recorder::write(const Heard& heard)
{
    if (phase() != Phase::recording)
        return; // it has just ended
    File& file = *file_;
    const auto frames = heard[0].size();
    std::vector<float> interleaved(frames * file.channels);
    for (std::size_t c = 0; c < file.channels; ++c)
        for (std::size_t i = 0; i < frames; ++i)
            interleaved[i * file.channels + c] = heard[c][i];
    const auto put = sf_writef_float(file.sound, interleaved.data(), sf_count_t(frames));
    file.frames += std::uint64_t(std::max<sf_count_t>(0, put));
    seconds_ = file.seconds();
    sf_command(file.sound, SFC_UPDATE_HEADER_NOW, nullptr, 0);
    if (put < sf_count_t(frames)) {
        finish(say("The disk took no more: what was recorded until then is kept."));
        return;
    }
    file.unsynced += double(frames) / file.rate;
    if (file.bytes() > mostBytes)
        finish(say(
            "The recording has reached four gigabytes, as much as a WAV file holds; it is kept."));
}

/// Silence for what is lost, so that everything after it stands at its own time.
void Recorder::writeMissing(std::uint64_t frames)
{
    constexpr std::uint64_t block = 1 << 16;
    file_->missing += frames;
    for (; frames > 0 && phase() == Phase::recording; frames -= std::min(frames, block))
        write(Heard(2, std::vector<float>(std::size_t(std::min(frames, block)), 0.0f)));
}

/// Ends the file; it waits to be collected by stop().
void Recorder::finish(const std::string& trouble)
{
    if (!file_ || file_->sound == nullptr)
        return;
    file_->close();
    trouble_ = trouble;
    if (trouble.empty() && file_->missing > 0)
        trouble_ = say("The disk was too slow for a while: %1 are missing and stand as silence.",
            formatSeconds(double(file_->missing) / file_->rate));
    phase_ = Phase::finished;
}

std::optional<Recorder::Recorded> Recorder::stop(const std::string& trouble)
{
    const std::lock_guard lock(disk_);
    if (phase() == Phase::recording)
        turn(); // what came in since the last look
    finish(trouble);
    phase_ = Phase::listening;
    const auto file = std::exchange(file_, nullptr);
    if (!file)
        return std::nullopt;
    if (file->frames < std::uint64_t(shortestTake)) {
        std::error_code ignored;
        fs::remove(file->path, ignored);
        return std::nullopt;
    }
    return Recorded{finishRecording(file->path), file->seconds(), std::exchange(trouble_, {})};
}

Recorder::Look Recorder::look()
{
    Look now;
    now.phase = phase();
    now.mono = mono_.load();
    now.clipped = clipped_.load();
    if (now.phase != Phase::listening) {
        now.seconds = seconds_.load();
        now.bytesFree = bytesFree_.load();
        now.bytesPerSecond = bytesPerSecond_.load();
    }
    const std::lock_guard lock(meters_);
    now.peaks = std::exchange(peaks_, {});
    now.recent.assign(picture_.begin(), picture_.end());
    return now;
}

void Recorder::forgetClip()
{
    const std::lock_guard lock(meters_);
    clipped_.store(false);
    peaks_ = {}; // or the peak that clipped would be seen once more
}

std::vector<Extent> Recorder::picture(std::size_t columns)
{
    const std::lock_guard lock(meters_);
    return {picture_.end() - std::ptrdiff_t(std::min(columns, picture_.size())), picture_.end()};
}

std::vector<fs::path> unfinishedRecordings(const fs::path& folder)
{
    std::vector<fs::path> found;
    std::error_code ignored;
    for (const auto& entry : fs::directory_iterator(folder, ignored)) {
        const auto stem = entry.path().stem().string();
        if (!stem.ends_with(unfinishedMark) || entry.path().extension() != ".wav")
            continue;
        // A recording that goes on in another window is locked by it.
        const int descriptor = ::open(entry.path().c_str(), O_RDWR | O_CLOEXEC);
        if (descriptor < 0)
            continue;
        const bool ours = ::flock(descriptor, LOCK_EX | LOCK_NB) == 0;
        ::close(descriptor);
        if (!ours)
            continue;
        SF_INFO info{};
        SNDFILE* sound = sf_open(entry.path().c_str(), SFM_READ, &info);
        if (sound != nullptr)
            sf_close(sound);
        if (sound != nullptr && info.frames >= shortestTake)
            found.push_back(entry.path());
        else if (entry.file_size(ignored) < 4096)
            fs::remove(entry.path(), ignored);
    }
    std::sort(found.begin(), found.end());
    return found;
}

fs::path finishRecording(const fs::path& unfinished)
{
    auto stem = unfinished.stem().string();
    if (!stem.ends_with(unfinishedMark))
        return unfinished;
    stem.erase(stem.size() - std::strlen(unfinishedMark));
    const auto target = unfinished.parent_path() / (stem + ".wav");
    std::error_code failed;
    if (fs::exists(target, failed))
        return unfinished;
    fs::rename(unfinished, target, failed);
    return failed ? unfinished : target;
}

} // namespace puretone
