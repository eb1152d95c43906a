// SPDX-License-Identifier: GPL-3.0-or-later
#include "devices/simulated.h"

#include <chrono>
#include <cmath>
#include <numbers>

namespace puretone {

namespace {

using Clock = std::chrono::steady_clock;

/// Calls `block` once per `frames` frames of real time; catches up after a pause, up to a second.
template <class Block>
void keepTime(const std::stop_token& stop, double rate, int frames, Block block)
{
    const auto span =
        std::chrono::duration_cast<Clock::duration>(std::chrono::duration<double>(frames / rate));
    auto due = Clock::now();
    while (!stop.stop_requested()) {
        block();
        due += span;
        const auto now = Clock::now();
        if (due < now - std::chrono::seconds(1))
            due = now;
        std::this_thread::sleep_until(due);
    }
}

} // namespace

SimulatedOutput::SimulatedOutput(OutputClient client)
    : client_(std::move(client))
    , heard_(std::size_t(simulatedRate) * 120)
{
    client_.prepare(simulatedRate, simulatedBlock);
    thread_ = std::jthread([this](const std::stop_token& stop) { run(stop); });
}

SimulatedOutput::~SimulatedOutput()
{
    thread_.request_stop();
    if (thread_.joinable())
        thread_.join();
}

void SimulatedOutput::run(const std::stop_token& stop)
{
    std::vector<float> left(simulatedBlock), right(simulatedBlock);
    keepTime(stop, simulatedRate, simulatedBlock, [&] {
        client_.render(left.data(), right.data(), simulatedBlock);
        heard_.write(left.data(), right.data(), simulatedBlock);
    });
    alive_.store(false);
}

float SimulatedMicrophone::sample(std::int64_t frame)
{
    constexpr std::int64_t cycle = 72000;
    const std::int64_t turn = frame / cycle;
    const double t = double(frame % cycle) / 48000.0;
    // A cheap hash gives the same faint room noise at every start.
    auto bits = std::uint64_t(frame) * 0x9e3779b97f4a7c15ULL;
    bits ^= bits >> 29U;
    bits *= 0xbf58476d1ce4e5b9ULL;
    const double noise = double(bits >> 40U) / double(1U << 24U) - 0.5;
    double sound = 0.0008 * noise;
    if (t < 1.0) {
        const double semitones = double((turn % 4) * 2);
        const double hz = 146.83 * std::exp2(semitones / 12.0);
        const double shape = std::min({1.0, t / 0.06, (1.0 - t) / 0.15});
        for (int h = 1; h <= 8; ++h)
            sound += 0.25 * shape / (h * h) * std::sin(2.0 * std::numbers::pi * hz * h * t);
    }
    return float(sound);
}

SimulatedMicrophone::SimulatedMicrophone(InputClient client)
    : client_(std::move(client))
{
    thread_ = std::jthread([this](const std::stop_token& stop) { run(stop); });
}

SimulatedMicrophone::~SimulatedMicrophone()
{
    thread_.request_stop();
    if (thread_.joinable())
        thread_.join();
}

void SimulatedMicrophone::run(const std::stop_token& stop)
{
    constexpr int block = 480;
    std::vector<float> frames(block);
    std::int64_t at = 0;
    keepTime(stop, 48000.0, block, [&] {
        for (float& s : frames)
            s = sample(at++);
        client_(frames.data(), frames.data(), block);
    });
    alive_.store(false);
}

SimulatedKeyboard::~SimulatedKeyboard()
{
    phrase_.request_stop();
    if (phrase_.joinable())
        phrase_.join();
}

void SimulatedKeyboard::playPhrase(int key)
{
    // The old phrase has let its note go before the new one begins.
    phrase_.request_stop();
    if (phrase_.joinable())
        phrase_.join();
    phrase_ = std::jthread([this, key](const std::stop_token& stop) {
        for (const int step : {0, 4, 7, 4, 0}) {
            if (stop.stop_requested())
                return;
            const int note = std::min(127, key + step);
            client_(MidiEvent::noteOn(note, 96));
            std::unique_lock lock(waiting_);
            ended_.wait_for(lock, stop, std::chrono::milliseconds(300), [] { return false; });
            client_(MidiEvent::noteOff(note));
        }
    });
}

} // namespace puretone
