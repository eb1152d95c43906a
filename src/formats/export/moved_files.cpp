// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/export/moved_files.h"

#include "base/files/safe_file.h"
#include "prepare/treat/shift_pitch.h"

#include <algorithm>
#include <cstring>
#include <span>
#include <vector>
#define XXH_INLINE_ALL
#include <xxhash.h>

namespace puretone {

namespace fs = std::filesystem;

namespace {

/// Of another maker, or of another layout, is another file.
constexpr std::uint32_t maker = 1;

struct Head {
    char mark[8] = {'P', 'T', 'm', 'o', 'v', 'e', 'd', '1'};
    std::uint64_t frames = 0;
    std::uint64_t channels = 0;
    double rate = 0.0;
};

std::string nameFor(const Audio& audio, double semitones, bool keepsFormants)
{
    XXH3_state_t* state = XXH3_createState();
    XXH3_128bits_reset(state);
    const auto add = [&](const auto& value) { XXH3_128bits_update(state, &value, sizeof value); };
    add(maker);
    add(audio.rate);
    add(semitones);
    add(keepsFormants);
    for (const auto& channel : audio.channels)
        XXH3_128bits_update(state, channel.data(), channel.size() * sizeof(float));
    const auto hash = XXH3_128bits_digest(state);
    XXH3_freeState(state);
    char text[40];
    std::snprintf(text, sizeof text, "%016llx%016llx.moved", (unsigned long long)(hash.high64),
        (unsigned long long)(hash.low64));
    return text;
}

/// Null where there is none that fits what it was made from.
AudioPtr readMoved(const fs::path& path, const Audio& from)
{
    const auto bytes = readFile(path);
    if (!bytes)
        return nullptr;
    Head head;
    if (bytes->size() < sizeof head)
        return nullptr;
    std::memcpy(&head, bytes->data(), sizeof head);
    const auto frames = std::uint64_t(from.frames());
    if (std::memcmp(head.mark, Head{}.mark, sizeof head.mark) != 0 || head.frames != frames
        || head.channels != from.channelCount() || head.rate != from.rate
        || bytes->size() != sizeof head + frames * head.channels * sizeof(float))
        return nullptr;
    auto audio = std::make_shared<Audio>();
    audio->rate = head.rate;
    const std::byte* at = bytes->data() + sizeof head;
    for (std::uint64_t c = 0; c < head.channels; ++c, at += frames * sizeof(float)) {
        std::vector<float> channel(frames);
        std::memcpy(channel.data(), at, frames * sizeof(float));
        if (std::any_of(
                channel.begin(), channel.end(), [](float x) { return !(std::abs(x) < 1e3f); }))
            return nullptr;
        audio->channels.push_back(std::move(channel));
    }
    return audio;
}

void writeMoved(const fs::path& path, const Audio& audio)
{
    const Head head{{'P', 'T', 'm', 'o', 'v', 'e', 'd', '1'}, std::uint64_t(audio.frames()),
        audio.channelCount(), audio.rate};
    std::vector<std::byte> bytes(sizeof head);
    std::memcpy(bytes.data(), &head, sizeof head);
    for (const auto& channel : audio.channels) {
        const auto samples = std::as_bytes(std::span(channel));
        bytes.insert(bytes.end(), samples.begin(), samples.end());
    }
    // Where it cannot be kept it is made again next time.
    (void)writeWhole(path, [&](const fs::path& temporary) { return writeBytes(temporary, bytes); });
}

} // namespace

MovedFiles::MovedFiles(fs::path folder, std::uint64_t mostBytes)
    : folder_(std::move(folder))
    , mostBytes_(mostBytes)
{
    std::error_code ignored;
    fs::create_directories(folder_, ignored);
    makeRoom();
}

AudioPtr MovedFiles::moved(
    const Audio& audio, double semitones, bool keepsFormants, const Progress& progress)
{
    const auto path = folder_ / nameFor(audio, semitones, keepsFormants);
    if (auto known = readMoved(path, audio)) {
        std::error_code ignored;
        fs::last_write_time(path, fs::file_time_type::clock::now(), ignored);
        return known;
    }
    auto made = shiftPitch(audio, semitones, keepsFormants, progress);
    if (!made)
        return nullptr;
    writeMoved(path, *made);
    const std::scoped_lock hold(tidying_);
    sinceTidied_ += std::uint64_t(made->frames()) * made->channelCount() * sizeof(float);
    constexpr std::uint64_t tidiedEvery = 64U << 20U;
    if (sinceTidied_ > tidiedEvery) {
        sinceTidied_ = 0;
        makeRoom();
    }
    return made;
}

/// What was used longest ago goes first.
void MovedFiles::makeRoom()
{
    struct File {
        fs::file_time_type used;
        std::uint64_t bytes;
        fs::path path;
    };
    std::vector<File> files;
    std::uint64_t sum = 0;
    std::error_code error;
    for (fs::directory_iterator it(folder_, error), end; !error && it != end; it.increment(error)) {
        std::error_code own;
        const auto bytes = it->file_size(own);
        const auto used = it->last_write_time(own);
        if (own || it->path().extension() != ".moved")
            continue;
        files.push_back({used, bytes, it->path()});
        sum += bytes;
    }
    std::sort(
        files.begin(), files.end(), [](const File& a, const File& b) { return a.used < b.used; });
    for (const auto& file : files) {
        if (sum <= mostBytes_)
            return;
        sum -= file.bytes;
        fs::remove(file.path, error);
    }
}

} // namespace puretone
