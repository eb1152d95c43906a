// SPDX-License-Identifier: GPL-3.0-or-later
// A JACK server with its dummy driver: real devices without hardware.
#pragma once

#include "devices/devices.h"

#include <chrono>
#include <csignal>
#include <cstdio>
#include <cstdlib>
#include <functional>
#include <string>
#include <sys/wait.h>
#include <thread>
#include <unistd.h>

namespace probe {

using puretone::DeviceName;
using puretone::listDevices;

inline bool until(const std::function<bool()>& done, double seconds = 10.0)
{
    for (int i = 0; i < int(seconds * 50.0); ++i) {
        if (done())
            return true;
        std::this_thread::sleep_for(std::chrono::milliseconds(20));
    }
    return done();
}

/// Killed at the end.
class JackServer {
public:
    explicit JackServer(const char* outputs = "2")
    {
        const std::string name = "puretone-" + std::to_string(::getpid());
        ::setenv("JACK_DEFAULT_SERVER", name.c_str(), 1);
        ::setenv("JACK_NO_START_SERVER", "1", 1);
        ::setenv("JACK_NO_AUDIO_RESERVATION", "1", 1);
        process_ = ::fork();
        if (process_ == 0) {
            (void)!std::freopen("/dev/null", "w", stdout);
            (void)!std::freopen("/dev/null", "w", stderr);
            ::execlp("jackd", "jackd", "--no-realtime", "--no-mlock", "-n", name.c_str(), "-d",
                "dummy", "-r", "48000", "-p", "256", "-P", outputs, nullptr);
            ::_exit(127);
        }
        runs_ = until([this] { return !output().empty(); });
    }
    ~JackServer()
    {
        kill();
        ::unsetenv("JACK_DEFAULT_SERVER");
    }
    /// Whether there is a server at all: not everywhere may one be started.
    bool runs() const { return runs_; }
    void kill()
    {
        if (process_ <= 0)
            return;
        ::kill(process_, SIGKILL);
        ::waitpid(process_, nullptr, 0);
        process_ = -1;
    }
    static std::string output() { return find(listDevices().outputs, ""); }
    static std::string keyboard(const std::string& name)
    {
        return find(listDevices().keyboards, name);
    }

private:
    static std::string find(const std::vector<DeviceName>& list, const std::string& name)
    {
        for (const auto& device : list)
            if (device.id.rfind("jack:", 0) == 0 && device.id.find(name) != std::string::npos)
                return device.id;
        return {};
    }
    pid_t process_ = -1;
    bool runs_ = false;
};

} // namespace probe
