// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/making/sounds.h"

#include "base/threads/all_cores.h"
#include "prepare/treat/treat.h"

#include <algorithm>
#include <atomic>

namespace puretone {

namespace {

std::uint64_t bytesOf(const Audio& audio)
{
    return std::uint64_t(audio.frames()) * audio.channelCount() * sizeof(float);
}

} // namespace

bool lacksSound(const Take& take)
{
    return take.treated.audio == nullptr && anyOn(take.treatments);
}

bool lacksSound(const Instrument& instrument)
{
    return std::any_of(instrument.takes.begin(), instrument.takes.end(),
        [](const Take& take) { return lacksSound(take); });
}

bool makeSounds(Instrument& instrument, const Progress& progress)
{
    std::vector<Take*> lacking;
    for (auto& take : instrument.takes)
        if (lacksSound(take))
            lacking.push_back(&take);
    std::atomic<std::size_t> done{0};
    onAllCores(lacking.size(), [&](std::size_t i) {
        Take& take = *lacking[i];
        // One take alone tells how far it is; of many, those that are ready count.
        auto treated = treat(take.recording->audio, take.treatments,
            lacking.size() == 1 ? progress : Progress{progress.stop, {}});
        if (treated != take.recording->audio)
            take.treated.audio = std::move(treated);
        progress.at(double(++done) / double(lacking.size()));
    });
    return !progress.cancelled();
}

Instrument withoutSounds(Instrument instrument)
{
    for (auto& take : instrument.takes)
        take.treated.audio.reset();
    return instrument;
}

std::deque<SoundCache::Entry>::const_iterator SoundCache::find(const Take& take) const
{
    return std::find_if(entries_.begin(), entries_.end(), [&](const Entry& e) {
        return e.recording == take.recording->hash && e.treatments == take.treatments;
    });
}

void SoundCache::keep(const Instrument& instrument)
{
    for (const auto& take : instrument.takes) {
        const auto& audio = take.treated.audio;
        if (audio == nullptr || bytesOf(*audio) > mostBytes_)
            continue;
        if (const auto known = find(take); known != entries_.end()) {
            bytes_ -= bytesOf(*known->audio);
            entries_.erase(known);
        }
        bytes_ += bytesOf(*audio);
        entries_.push_back({take.recording->hash, take.treatments, audio});
    }
    while (bytes_ > mostBytes_) {
        bytes_ -= bytesOf(*entries_.front().audio);
        entries_.pop_front();
    }
}

void SoundCache::fill(Instrument& instrument) const
{
    for (auto& take : instrument.takes)
        if (lacksSound(take))
            if (const auto known = find(take); known != entries_.end())
                take.treated.audio = known->audio;
}

} // namespace puretone
