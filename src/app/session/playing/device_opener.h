// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/background.h"
#include "devices/devices.h"

namespace puretone::app {

/// Opens devices of one kind beside the window, one at a time, for a sound server may take seconds:
/// the newest wish wins. Simulated ones are there at once.
template <class Device> class DeviceOpener {
public:
    using Made = Result<std::unique_ptr<Device>>;
    using Open = std::function<Made(const std::string& id)>;
    using Opened = std::function<void(const std::string& id, Made made)>;

    /// @param kind Of the jobs. @param open Runs on another thread. @param opened Gets the device
    /// on the interface thread.
    DeviceOpener(Background& jobs, JobKind kind, Open open, Opened opened)
        : jobs_(jobs)
        , kind_(kind)
        , open_(std::move(open))
        , opened_(std::move(opened))
    {
    }

    /// The one before must be closed already.
    void want(const std::string& id)
    {
        if (busy_) {
            next_ = id;
            return;
        }
        next_.reset();
        if (id == simulatedId) {
            opened_(id, open_(id));
            return;
        }
        busy_ = true;
        jobs_.run(
            kind_, Background::Running::finish,
            [open = open_, id](const Progress&) { return std::make_shared<Made>(open(id)); },
            [this, id](const std::shared_ptr<Made>& made) { finish(id, std::move(*made)); },
            [this, id](const Error& error) { finish(id, tl::unexpected(error)); });
    }
    /// What is being opened is closed again.
    void wantNone() { next_ = std::string(); }
    bool busy() const { return busy_; }

private:
    void finish(const std::string& id, Made made)
    {
        busy_ = false;
        if (!next_) {
            opened_(id, std::move(made));
            return;
        }
        made = tl::unexpected(Error{}); // closes it before the next one is opened
        if (const auto next = *std::exchange(next_, std::nullopt); !next.empty())
            want(next);
    }

    Background& jobs_;
    JobKind kind_;
    Open open_;
    Opened opened_;
    bool busy_ = false;
    std::optional<std::string> next_; ///< Empty: none.
};

} // namespace puretone::app
