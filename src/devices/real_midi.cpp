// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/say.h"
#include "devices/quiet.h"
#include "devices/real_audio.h"

#include <algorithm>
#include <chrono>
#include <rtmidi/RtMidi.h>

namespace puretone {

namespace {

std::vector<RtMidi::Api> realApis()
{
    std::vector<RtMidi::Api> apis;
    RtMidi::getCompiledApi(apis);
    return apis;
}

/// Calls `use(input, port, name)` for every port until it returns true.
template <class Use> void eachPort(Use use)
{
    const QuietErrors quiet;
    for (const auto api : realApis()) {
        try {
            auto input = std::make_unique<RtMidiIn>(api, "Pure Tone");
            const unsigned ports = input->getPortCount();
            for (unsigned port = 0; port < ports; ++port)
                if (use(input, port, RtMidi::getApiName(api) + ":" + input->getPortName(port)))
                    return;
        } catch (const RtMidiError&) {
            continue; // this API has no server here
        }
    }
}

class RealMidi final : public MidiInput {
public:
    explicit RealMidi(MidiClient client)
        : client_(std::move(client))
    {
    }
    ~RealMidi() override
    {
        if (input_)
            input_->cancelCallback();
    }
    bool open(const std::string& id)
    {
        eachPort([&](std::unique_ptr<RtMidiIn>& input, unsigned port, const std::string& portId) {
            if (portId != id)
                return false;
            // The clock is wanted; messages of any length to some maker's machine are not.
            input->ignoreTypes(true, false, true);
            input->openPort(port, "keyboard");
            input->setCallback(&RealMidi::callback, this);
            input->setErrorCallback([](RtMidiError::Type, const std::string&, void*) {}, nullptr);
            input_ = std::move(input);
            id_ = id;
            return true;
        });
        return input_ != nullptr;
    }
    std::string name() const override { return id_.substr(id_.find(':') + 1); }
    /// The library's own word for it only says that we have not closed it: is the port still there?
    bool alive() const override
    {
        const auto now = Clock::now();
        if (now - looked_ < std::chrono::seconds(1))
            return there_;
        looked_ = now;
        const unsigned ports = input_->getPortCount();
        there_ = false;
        for (unsigned port = 0; port < ports && !there_; ++port)
            there_ = RtMidi::getApiName(input_->getCurrentApi()) + ":" + input_->getPortName(port)
                == id_;
        return there_;
    }

private:
    static void callback(double, std::vector<unsigned char>* message, void* self)
    {
        if (const auto event = parseMidi({message->data(), message->size()}))
            static_cast<RealMidi*>(self)->client_(*event);
    }

    using Clock = std::chrono::steady_clock;
    MidiClient client_;
    std::unique_ptr<RtMidiIn> input_;
    std::string id_;
    mutable Clock::time_point looked_ = Clock::now(); ///< Interface thread.
    mutable bool there_ = true;
};

} // namespace

std::vector<DeviceName> listRealMidiInputs()
{
    std::vector<DeviceName> list;
    eachPort([&](std::unique_ptr<RtMidiIn>&, unsigned, const std::string& id) {
        list.push_back({id, id.substr(id.find(':') + 1), false});
        return false;
    });
    return list;
}

Result<std::unique_ptr<MidiInput>> openRealMidiInput(const std::string& id, MidiClient client)
{
    auto input = std::make_unique<RealMidi>(std::move(client));
    if (!input->open(id))
        return fail(ErrorCode::noDevice, say("The keyboard %1 is not connected.", id),
            say("Choose another one."));
    return input;
}

} // namespace puretone
