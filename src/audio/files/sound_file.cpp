// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/files/sound_file.h"

#include "audio/files/riff.h"
#include "base/files/safe_file.h"
#include "base/say.h"

#include <algorithm>
#include <bit>
#include <cmath>
#include <cstring>
#include <sndfile.h>

namespace puretone {

namespace {

/// Lets libsndfile read what was opened.
struct ReadingFile {
    const OriginalFile& original;
    sf_count_t at = 0;

    static SF_VIRTUAL_IO callbacks()
    {
        return {
            [](void* self) { return sf_count_t(as(self).original.size()); },
            [](sf_count_t offset, int whence, void* self) {
                ReadingFile& file = as(self);
                const auto size = sf_count_t(file.original.size());
                const auto base = whence == SEEK_SET ? 0 : whence == SEEK_CUR ? file.at : size;
                file.at = std::clamp<sf_count_t>(base + offset, 0, size);
                return file.at;
            },
            [](void* target, sf_count_t count, void* self) {
                ReadingFile& file = as(self);
                const auto n = sf_count_t(file.original.read(std::uint64_t(file.at),
                    {static_cast<std::byte*>(target),
                        std::size_t(std::max<sf_count_t>(0, count))}));
                file.at += n;
                return n;
            },
            [](const void*, sf_count_t, void*) { return sf_count_t(0); },
            [](void* self) { return as(self).at; },
        };
    }
    static ReadingFile& as(void* self) { return *static_cast<ReadingFile*>(self); }
};

Error damaged(const std::string& name, const std::string& what)
{
    return {ErrorCode::damaged, name + " " + what + ".",
        say("Copy it again from where it came from, or repair it in a sound editor.")};
}

/// Room for `more` frames behind what is there. A header may claim anything: it is believed sixteen
/// times as far as it has been kept, so that an honest file is moved a few times only while it is
/// still short.
void makeRoom(Audio& audio, std::int64_t done, std::int64_t more, std::int64_t claimed)
{
    constexpr std::int64_t atFirst = 1 << 20;
    const auto room = std::size_t(
        std::clamp<std::int64_t>(claimed, done + more, std::max(done + more, atFirst + 16 * done)));
    for (auto& channel : audio.channels) {
        if (std::size_t(done + more) > channel.capacity())
            channel.reserve(room);
        channel.resize(std::size_t(done + more));
    }
}

/// Reads block by block, so that a cancelled opening ends soon. Returns frames read.
Result<std::int64_t> readAll(SNDFILE* file, const SF_INFO& info, Audio& audio,
    const Progress& progress, const ArrivedFunction& arrived)
{
    constexpr sf_count_t block = 1 << 15;
    const auto channels = std::size_t(info.channels);
    std::vector<float> interleaved(std::size_t(block) * channels);
    std::int64_t done = 0;
    while (true) {
        if (progress.cancelled())
            return fail(ErrorCode::cancelled, say("Opening was cancelled."));
        const auto got = sf_readf_float(file, interleaved.data(), block);
        if (got <= 0)
            return done;
        makeRoom(audio, done, got, info.frames);
        for (std::size_t c = 0; c < channels; ++c) {
            float* target = audio.channels[c].data() + done;
            for (std::size_t i = 0; i < std::size_t(got); ++i)
                target[i] = interleaved[i * channels + c];
        }
        if (arrived) {
            Extent extent;
            for (const float sample : std::span(interleaved).first(std::size_t(got) * channels))
                extent.include({sample, sample});
            arrived({{Frames{done}, Frames{done + got}}, info.frames, extent});
        }
        done += got;
        progress.at(info.frames > 0 ? double(done) / double(info.frames) : 0.0);
    }
}

bool allFinite(const Audio& audio)
{
    // Without a way out of the loop, so that many are looked at side by side.
    constexpr std::uint32_t exponent = 0x7f800000U; // IEEE 754: all ones for what is no number
    std::uint32_t strange = 0;
    for (const auto& channel : audio.channels)
        for (const float s : channel)
            strange |= std::uint32_t((std::bit_cast<std::uint32_t>(s) & exponent) == exponent);
    return strange == 0;
}

Result<Audio> decode(const OriginalFile& original, const std::string& name,
    const Progress& progress, const ArrivedFunction& arrived)
{
    ReadingFile reading{original};
    auto callbacks = ReadingFile::callbacks();
    SF_INFO info{};
    const std::unique_ptr<SNDFILE, int (*)(SNDFILE*)> file(
        sf_open_virtual(&callbacks, SFM_READ, &info, &reading), sf_close);
    if (!file)
        return fail(ErrorCode::notAudio, say("%1 is not a sound file that can be read.", name),
            say("Use WAV, AIFF, FLAC, Ogg, Opus or MP3."));
    if (info.samplerate < lowestRate || info.samplerate > highestRate)
        return tl::unexpected(damaged(
            name, say("claims %1 frames a second, which no recording has", info.samplerate)));
    Audio audio{double(info.samplerate), {}};
    audio.channels.resize(std::size_t(info.channels));
    const auto frames = readAll(file.get(), info, audio, progress, arrived);
    if (!frames)
        return tl::unexpected(frames.error());
    for (auto& channel : audio.channels)
        channel.shrink_to_fit(); // room was made as more and more came
    if (isCutOff(original) || (*frames < info.frames && info.frames < (std::int64_t(1) << 40)))
        return tl::unexpected(damaged(name, say("was cut off: its end is missing")));
    if (*frames < shortestTake)
        return fail(ErrorCode::nothingInside,
            *frames == 1 ? say("%1 holds 1 frame of sound, too little to play.", name)
                         : say("%1 holds %2 frames of sound, too little to play.", name, *frames),
            say("Choose a longer recording."));
    if (!allFinite(audio))
        return tl::unexpected(damaged(name, say("holds samples that are not numbers")));
    return audio;
}

} // namespace

Result<RecordingPtr> decodeRecording(OriginalPtr original, const std::string& fileName,
    const Progress& progress, const ArrivedFunction& arrived)
{
    if (original->size() == 0)
        return fail(ErrorCode::nothingInside, say("%1 is empty.", fileName),
            say("Choose another recording."));
    auto audio = [&]() -> Result<Audio> {
        try {
            return decode(*original, fileName, progress, arrived);
        } catch (const std::bad_alloc&) {
            return fail(ErrorCode::failed,
                say("%1 is longer than the memory of this computer.", fileName),
                say("Cut it into shorter recordings."));
        }
    }();
    if (!audio)
        return tl::unexpected(audio.error());
    auto recording = std::make_shared<Recording>();
    recording->fileName = fileName;
    recording->hash = original->hash();
    recording->sampler = findSampler(*original);
    recording->audio = std::make_shared<const Audio>(std::move(*audio));
    recording->original = std::move(original);
    return recording;
}

Result<RecordingPtr> decodeRecording(
    std::vector<std::byte> bytes, const std::string& fileName, const Progress& progress)
{
    return decodeRecording(
        std::make_shared<const OriginalFile>(std::move(bytes)), fileName, progress);
}

Result<RecordingPtr> openRecording(
    const std::filesystem::path& path, const Progress& progress, const ArrivedFunction& arrived)
{
    auto original = OriginalFile::open(path);
    if (!original)
        return tl::unexpected(original.error());
    return decodeRecording(std::move(*original), shownName(path), progress, arrived);
}

RecordingPtr makeRecording(Audio audio, const std::string& fileName)
{
    auto recording = std::make_shared<Recording>();
    recording->fileName = fileName;
    recording->audio = std::make_shared<const Audio>(std::move(audio));
    const auto& made = *recording->audio;
    recording->original = std::make_shared<const OriginalFile>(
        wavHead(
            {made.channelCount(), made.rate, std::uint64_t(made.frames())}, SampleFormat::float32),
        recording->audio);
    recording->hash = recording->original->hash();
    return recording;
}

RecordingPtr underName(const RecordingPtr& recording, const std::string& fileName)
{
    if (recording->fileName == fileName)
        return recording;
    auto other = std::make_shared<Recording>(*recording);
    other->fileName = fileName;
    return other;
}

RecordingPtr savable(const RecordingPtr& recording)
{
    const auto& original = *recording->original;
    if (original.path().empty() || original.hash() == recording->hash)
        return recording;
    const auto stem = std::filesystem::path(recording->fileName).stem().string();
    return makeRecording(*recording->audio, stem + ".wav");
}

int toInteger(float sample, int bits)
{
    const double scale = double(1 << (bits - 1));
    return int(std::clamp(std::round(double(sample) * scale), -scale, scale - 1.0));
}

namespace {

std::size_t bytesOf(SampleFormat format)
{
    return format == SampleFormat::int16 ? 2 : format == SampleFormat::int24 ? 3 : 4;
}

/// The sizes that do not fit into 32 bits.
std::vector<std::byte> sizes64(std::uint64_t riff, std::uint64_t data, std::uint64_t frames)
{
    ByteWriter body;
    for (const auto size : {riff, data, frames}) {
        body.u32(size & 0xffffffffU);
        body.u32(size >> 32U);
    }
    body.u32(0); // of no other chunk
    return body.take();
}

/// Puts a sample, little-endian. @return What stands behind it.
std::byte* putSample(std::byte* target, float sample, SampleFormat format)
{
    std::uint32_t bits = 0;
    if (format == SampleFormat::float32)
        std::memcpy(&bits, &sample, sizeof bits);
    else
        bits = std::uint32_t(toInteger(sample, format == SampleFormat::int24 ? 24 : 16));
    for (std::size_t i = 0; i < bytesOf(format); ++i)
        *target++ = std::byte(bits >> 8 * i & 0xffU);
    return target;
}

} // namespace

std::vector<std::byte> wavHead(
    const WavShape& shape, SampleFormat format, const std::optional<SamplerInfo>& sampler)
{
    constexpr std::uint64_t elsewhere = 0xffffffffU; // in 32 bits: see the 64-bit sizes
    const auto rate = std::uint64_t(std::llround(shape.rate));
    const auto channels = unsigned(shape.channels);
    const auto frameBytes = unsigned(bytesOf(format)) * channels;
    ByteWriter fmt;
    fmt.u16(format == SampleFormat::float32 ? 3 : 1);
    fmt.u16(channels);
    fmt.u32(rate);
    fmt.u32(rate * frameBytes);
    fmt.u16(frameBytes);
    fmt.u16(unsigned(bytesOf(format)) * 8);
    ByteWriter chunks;
    chunks.chunk("fmt ", fmt.bytes());
    if (sampler)
        chunks.chunk("smpl", encodeSampler(*sampler, shape.rate));
    const std::uint64_t data = shape.frames * frameBytes;
    constexpr std::uint64_t heads = 12, sizesChunk = 8 + 28;
    const auto riff = heads + chunks.bytes().size() + data + data % 2;
    const bool large = riff + sizesChunk >= elsewhere;
    ByteWriter file;
    file.text(large ? "RF64" : "RIFF");
    file.u32(large ? elsewhere : riff);
    file.text("WAVE");
    if (large)
        file.chunk("ds64", sizes64(riff + sizesChunk, data, shape.frames));
    file.raw(chunks.bytes());
    file.text("data");
    file.u32(large ? elsewhere : data);
    return file.take();
}

std::vector<std::byte> encodeWav(
    const Audio& audio, SampleFormat format, const std::optional<SamplerInfo>& sampler)
{
    const auto frames = std::size_t(audio.frames());
    auto file = wavHead({audio.channelCount(), audio.rate, frames}, format, sampler);
    const auto head = file.size(), data = frames * audio.channelCount() * bytesOf(format);
    file.resize(head + data + data % 2);
    std::byte* target = file.data() + head;
    for (std::size_t i = 0; i < frames; ++i)
        for (const auto& channel : audio.channels)
            target = putSample(target, channel[i], format);
    return file;
}

Result<void> writeWav(const std::filesystem::path& path, const Audio& audio, SampleFormat format,
    const std::optional<SamplerInfo>& sampler)
{
    const auto bytes = encodeWav(audio, format, sampler);
    return writeWhole(path, [&](const auto& temporary) { return writeBytes(temporary, bytes); });
}

Result<void> writeFlac(const std::filesystem::path& path, const Audio& audio, SampleFormat format)
{
    SF_INFO info{};
    info.samplerate = int(std::lround(audio.rate));
    info.channels = int(audio.channelCount());
    info.format =
        SF_FORMAT_FLAC | (format == SampleFormat::int16 ? SF_FORMAT_PCM_16 : SF_FORMAT_PCM_24);
    SNDFILE* file = sf_open(path.c_str(), SFM_WRITE, &info);
    if (file == nullptr)
        return fail(ErrorCode::cannotWrite,
            say("%1 cannot be written as FLAC.", path.filename().string()),
            say("Save it as a WAV file."));
    // Integers, since floats would be scaled to one step less than full scale.
    const int bits = format == SampleFormat::int16 ? 16 : 24;
    const auto frames = std::size_t(audio.frames());
    std::vector<int> piece;
    constexpr std::size_t together = 65536;
    bool whole = true;
    for (std::size_t at = 0; whole && at < frames; at += together) {
        const auto count = std::min(together, frames - at);
        piece.clear();
        for (std::size_t i = at; i < at + count; ++i)
            for (const auto& channel : audio.channels)
                piece.push_back(toInteger(channel[i], bits) * (1 << (32 - bits)));
        whole = sf_writef_int(file, piece.data(), sf_count_t(count)) == sf_count_t(count);
    }
    whole = sf_close(file) == 0 && whole;
    if (!whole)
        return fail(ErrorCode::cannotWrite,
            say("%1 was not written to its end.", path.filename().string()),
            say("Make room on the disk."));
    return {};
}

Result<void> writeSound(const std::filesystem::path& path, const Audio& audio)
{
    auto extension = path.extension().string();
    std::transform(extension.begin(), extension.end(), extension.begin(),
        [](unsigned char c) { return char(std::tolower(c)); });
    if (extension != ".flac")
        return writeWav(path, audio, SampleFormat::float32);
    return writeWhole(path, [&](const auto& temporary) { return writeFlac(temporary, audio); });
}

} // namespace puretone
