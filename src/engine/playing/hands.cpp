// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/playing/hands.h"

#include <cmath>
#include <utility>

namespace puretone {

namespace {

constexpr std::uint8_t noNumber = 127; // "null function": data is for nobody
constexpr float perKeyReach = 48.0f; // semitones, unless a keyboard says another

} // namespace

void Hands::reset() noexcept
{
    const bool perKey = perKey_;
    *this = Hands();
    wanted_.controllers[7] = 1.0f;
    wanted_.controllers[10] = 0.5f;
    resetControllers();
    now_ = wanted_;
    setPerKey(perKey);
}

void Hands::setPerKey(bool perKey) noexcept
{
    perKey_ = perKey;
    now_.perKey = wanted_.perKey = perKey;
    now_.reach = Controls::everyLayersOwn;
    if (perKey)
        for (std::size_t c = 1; c < now_.reach.size(); ++c)
            now_.reach[c] = perKeyReach;
    registeredHigh_.fill(noNumber);
    registeredLow_.fill(noNumber);
}

/// As the standard's recommended practice RP-015 says: volume and pan stay.
void Hands::resetControllers() noexcept
{
    const float volume = wanted_.controllers[7], pan = wanted_.controllers[10];
    wanted_.controllers.fill(0.0f);
    wanted_.controllers[7] = volume;
    wanted_.controllers[10] = pan;
    wanted_.controllers[11] = 1.0f;
    wanted_.keyPressure.fill(0.0f);
    wanted_.bend.fill(0.0f);
    wanted_.pressure.fill(0.0f);
    wanted_.timbre.fill(0.0f);
    registeredHigh_.fill(noNumber);
    registeredLow_.fill(noNumber);
    soft_ = false;
    still_ = false;
}

/// Data for the number that was chosen before: 0 is the reach of the bend (MIDI 1.0, table III).
void Hands::registered(int channel, int number, int value) noexcept
{
    const auto c = std::size_t(channel);
    if (registeredHigh_[c] != 0 || registeredLow_[c] != 0)
        return;
    (number == 6 ? reachSemitones_ : reachCents_)[c] = std::uint8_t(value);
    const float reach = float(std::min<int>(reachSemitones_[c], 96))
        + float(std::min<int>(reachCents_[c], 99)) / 100.0f;
    now_.reach[c] = reach;
    // Said of one key's channel, it is said of all of them.
    if (perKey_ && channel > 0)
        std::fill(now_.reach.begin() + 1, now_.reach.end(), reach);
}

void Hands::handle(const MidiEvent& event) noexcept
{
    const int channel = channelOf(event);
    const auto c = std::size_t(channel);
    still_ = false;
    switch (event.kind) {
    case MidiEvent::Kind::bend:
        wanted_.bend[c] = event.bend;
        break;
    case MidiEvent::Kind::pressure:
        wanted_.pressure[c] = float(event.value) / 127.0f;
        break;
    case MidiEvent::Kind::keyPressure:
        wanted_.keyPressure[event.key & 127U] = float(event.value) / 127.0f;
        break;
    case MidiEvent::Kind::control:
        switch (event.key) {
        case 6:
        case 38:
            registered(channel, event.key, event.value);
            break;
        case 98: // numbers of makers' own
        case 99:
            registeredHigh_[c] = registeredLow_[c] = noNumber;
            break;
        case 100:
            registeredLow_[c] = event.value;
            break;
        case 101:
            registeredHigh_[c] = event.value;
            break;
        case 121:
            resetControllers();
            break;
        case 67:
            soft_ = event.value >= 64;
            [[fallthrough]];
        default:
            if (perKey_ && event.key == Controls::timbreController) {
                // Said on the first channel, it is said of all keys.
                if (channel == 0)
                    wanted_.timbre.fill(float(event.value) / 127.0f);
                else
                    wanted_.timbre[c] = float(event.value) / 127.0f;
            }
            if (event.key < 120) {
                wanted_.controllers[event.key] = float(event.value) / 127.0f;
                moved_ = event.key;
            }
        }
        break;
    default:
        break;
    }
}

bool Hands::follow(float& now, float wanted) const noexcept
{
    // 0.3 of the way in 64 frames.
    constexpr float share = 0.16333997f;
    const float way = wanted - now;
    now = std::abs(way) < 1e-5f ? wanted : now + share * way;
    return now != wanted;
}

void Hands::beginCell(double beatsPerSecond) noexcept
{
    now_.beatsPerSecond = beatsPerSecond;
    if (still_)
        return;
    bool moves = false;
    const auto all = [&](auto& list, const auto& wanted) {
        for (std::size_t i = 0; i < list.size(); ++i)
            moves = follow(list[i], wanted[i]) || moves;
    };
    all(now_.controllers, wanted_.controllers);
    all(now_.keyPressure, wanted_.keyPressure);
    all(now_.bend, wanted_.bend);
    all(now_.pressure, wanted_.pressure);
    all(now_.timbre, wanted_.timbre);
    still_ = !moves;
}

void Hands::snap(int channel) noexcept
{
    const auto c = std::size_t(channel);
    now_.bend[c] = wanted_.bend[c];
    now_.pressure[c] = wanted_.pressure[c];
    now_.timbre[c] = wanted_.timbre[c];
}

int Hands::lastMoved() noexcept
{
    return std::exchange(moved_, -1);
}

double Hands::level() const noexcept
{
    const double both = double(now_.controllers[7]) * double(now_.controllers[11]);
    return both * both;
}

} // namespace puretone
