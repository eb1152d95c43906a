// SPDX-License-Identifier: GPL-3.0-or-later
#include "devices/real_audio.h"

#include "base/say.h"
#include "devices/heartbeat.h"
#include "devices/quiet.h"

#include <algorithm>
#include <atomic>
#include <mutex>
#include <rtaudio/RtAudio.h>

namespace puretone {

namespace {

/// RtAudio 5 throws, except out of a stream with a callback for errors, which then hears them and
/// nothing is thrown; without one it would throw on the audio thread. It gets no pointer of ours.
thread_local std::string lastError;
void rememberError(RtAudioError::Type type, const std::string& text)
{
    if (type != RtAudioError::WARNING && type != RtAudioError::DEBUG_WARNING)
        lastError = text;
}

struct Found {
    RtAudio::Api api;
    unsigned index;
    RtAudio::DeviceInfo info;
    std::string id;
};

/// RtAudio's probing is not meant for two threads at once.
std::mutex& probing()
{
    static std::mutex lock;
    return lock;
}

std::vector<Found> probe(bool outputs)
{
    const std::lock_guard lock(probing());
    const QuietErrors quiet;
    std::vector<RtAudio::Api> apis;
    RtAudio::getCompiledApi(apis);
    // A sound server shares the card with other programs; bare ALSA takes it for itself.
    const auto rank = [](RtAudio::Api api) {
        return api == RtAudio::UNIX_JACK ? 0 : api == RtAudio::LINUX_PULSE ? 1 : 2;
    };
    std::stable_sort(apis.begin(), apis.end(),
        [&](RtAudio::Api a, RtAudio::Api b) { return rank(a) < rank(b); });
    std::vector<Found> found;
    for (const auto api : apis) {
        try {
            RtAudio audio(api);
            audio.showWarnings(false);
            for (unsigned i = 0; i < audio.getDeviceCount(); ++i) {
                const auto info = audio.getDeviceInfo(i);
                if (info.probed && (outputs ? info.outputChannels : info.inputChannels) > 0)
                    found.push_back({api, i, info, RtAudio::getApiName(api) + ":" + info.name});
            }
        } catch (const RtAudioError&) {
            continue; // this API has no server here
        }
    }
    std::stable_sort(found.begin(), found.end(), [&](const Found& a, const Found& b) {
        const auto later = [&](const Found& f) {
            return std::pair(
                rank(f.api), outputs ? !f.info.isDefaultOutput : !f.info.isDefaultInput);
        };
        return later(a) < later(b);
    });
    return found;
}

std::vector<DeviceName> names(const std::vector<Found>& found)
{
    std::vector<DeviceName> list;
    list.reserve(found.size());
    for (const auto& f : found)
        list.push_back({f.id, RtAudio::getApiDisplayName(f.api) + ", " + f.info.name, false});
    return list;
}

/// The rate that is wished for, where the device has it; else its own.
unsigned rateFor(const RtAudio::DeviceInfo& info, unsigned wished)
{
    const auto& rates = info.sampleRates;
    if (std::find(rates.begin(), rates.end(), wished) != rates.end())
        return wished;
    return info.preferredSampleRate > 0 ? info.preferredSampleRate : 48000;
}

/// One RtAudio stream in either direction.
class Stream {
public:
    bool open(const std::string& id, bool output, const OutputFormat& format,
        RtAudioCallback callback, void* self, std::string& reason)
    {
        constexpr unsigned channelsWanted = 2;
        const auto found = probe(output);
        const auto device =
            std::find_if(found.begin(), found.end(), [&](const Found& f) { return f.id == id; });
        if (device == found.end()) {
            reason = say("it is not connected");
            return false;
        }
        name_ = RtAudio::getApiDisplayName(device->api) + ", " + device->info.name;
        channels_ = std::min(
            channelsWanted, output ? device->info.outputChannels : device->info.inputChannels);
        try {
            const QuietErrors quiet;
            audio_ = std::make_unique<RtAudio>(device->api);
            audio_->showWarnings(false);
            RtAudio::StreamParameters parameters{device->index, channels_, 0};
            RtAudio::StreamOptions options;
            options.flags = RTAUDIO_NONINTERLEAVED | RTAUDIO_SCHEDULE_REALTIME;
            options.streamName = say("Pure Tone");
            rate_ = rateFor(device->info, unsigned(std::max(0, format.rate)));
            block_ = unsigned(std::clamp(format.blockFrames, 16, 8192));
            audio_->openStream(output ? &parameters : nullptr, output ? nullptr : &parameters,
                RTAUDIO_FLOAT32, rate_, &block_, callback, self, &options, rememberError);
            return true;
        } catch (const RtAudioError& error) {
            reason = error.getMessage();
            return false;
        }
    }
    bool start(std::string& reason)
    {
        try {
            const QuietErrors quiet;
            lastError.clear();
            audio_->startStream();
            if (audio_->isStreamRunning())
                return true;
            reason = lastError.empty() ? say("it does not start") : lastError;
            return false;
        } catch (const RtAudioError& error) {
            reason = error.getMessage();
            return false;
        }
    }
    void close()
    {
        if (!audio_)
            return;
        try {
            const QuietErrors quiet;
            if (audio_->isStreamRunning())
                audio_->abortStream();
            if (audio_->isStreamOpen())
                audio_->closeStream();
        } catch (const RtAudioError&) {
            // The server has gone already; there is nothing left to stop.
        }
        audio_.reset();
    }
    bool alive() { return audio_ && audio_->isStreamRunning() && heartbeat_.alive(); }

    std::unique_ptr<RtAudio> audio_;
    std::string name_;
    unsigned channels_ = 2, rate_ = 48000, block_ = 256;
    Heartbeat heartbeat_;
};

tl::unexpected<Error> cannotOpen(const std::string& id, const std::string& reason)
{
    return fail(ErrorCode::noDevice,
        say("The audio device %1 could not be opened: %2.", id, reason),
        say("Choose another device."));
}

class RealOutput final : public AudioOutput {
public:
    explicit RealOutput(OutputClient client)
        : client_(std::move(client))
    {
    }
    ~RealOutput() override { stream_.close(); }

    bool open(const std::string& id, const OutputFormat& format, std::string& reason)
    {
        if (!stream_.open(id, true, format, &RealOutput::callback, this, reason))
            return false;
        spare_.resize(stream_.block_);
        client_.prepare(double(stream_.rate_), int(stream_.block_));
        return stream_.start(reason);
    }
    std::string name() const override { return stream_.name_; }
    double rate() const override { return double(stream_.rate_); }
    int blockFrames() const override { return int(stream_.block_); }
    int dropouts() const override { return dropouts_.load(std::memory_order_relaxed); }
    bool alive() const override { return stream_.alive(); }

private:
    static int callback(
        void* output, void*, unsigned frames, double, RtAudioStreamStatus status, void* self)
    {
        auto& me = *static_cast<RealOutput*>(self);
        if ((status & RTAUDIO_OUTPUT_UNDERFLOW) != 0)
            me.dropouts_.fetch_add(1, std::memory_order_relaxed);
        me.stream_.heartbeat_.beat();
        auto* left = static_cast<float*>(output);
        const bool stereo = me.stream_.channels_ > 1;
        // A mono device gets the mean of both sides.
        float* right = stereo ? left + frames : me.spare_.data();
        if (!stereo && frames > me.spare_.size()) {
            std::fill_n(left, frames, 0.0f);
            return 0;
        }
        me.client_.render(left, right, int(frames));
        if (!stereo)
            foldToMono(left, right, int(frames));
        return 0;
    }

    OutputClient client_;
    std::atomic<int> dropouts_{0};
    std::vector<float> spare_;
    mutable Stream stream_;
};

class RealInput final : public AudioInput {
public:
    explicit RealInput(InputClient client)
        : client_(std::move(client))
    {
    }
    ~RealInput() override { stream_.close(); }
    bool open(const std::string& id, std::string& reason)
    {
        return stream_.open(id, false, {}, &RealInput::callback, this, reason)
            && stream_.start(reason);
    }
    std::string name() const override { return stream_.name_; }
    double rate() const override { return double(stream_.rate_); }
    bool alive() const override { return stream_.alive(); }

private:
    static int callback(
        void*, void* input, unsigned frames, double, RtAudioStreamStatus, void* self)
    {
        auto& me = *static_cast<RealInput*>(self);
        me.stream_.heartbeat_.beat();
        const auto* left = static_cast<const float*>(input);
        me.client_(left, me.stream_.channels_ > 1 ? left + frames : left, int(frames));
        return 0;
    }

    InputClient client_;
    mutable Stream stream_;
};

} // namespace

std::vector<DeviceName> listRealOutputs()
{
    return names(probe(true));
}
std::vector<DeviceName> listRealInputs()
{
    return names(probe(false));
}

Result<std::unique_ptr<AudioOutput>> openRealOutput(
    const std::string& id, OutputClient client, const OutputFormat& format)
{
    auto output = std::make_unique<RealOutput>(std::move(client));
    std::string reason;
    if (!output->open(id, format, reason))
        return cannotOpen(id, reason);
    return output;
}

Result<std::unique_ptr<AudioInput>> openRealInput(const std::string& id, InputClient client)
{
    auto input = std::make_unique<RealInput>(std::move(client));
    std::string reason;
    if (!input->open(id, reason))
        return cannotOpen(id, reason);
    return input;
}

} // namespace puretone
