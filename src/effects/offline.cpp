// SPDX-License-Identifier: GPL-3.0-or-later
#include "effects/offline.h"

#include "effects/chain.h"

namespace puretone {

void applyEffects(Audio& audio, const Effects& effects, double tempo, const Progress& progress)
{
    if (audio.channels.empty() || effects.empty())
        return;
    const auto frames = audio.channels[0].size();
    const bool wasMono = audio.channels.size() == 1;
    if (wasMono)
        audio.channels.push_back(audio.channels[0]);
    audio.channels.resize(2);
    std::vector<ChainedEffect> wanted;
    std::size_t late = 0;
    for (const Effect& effect : effects) {
        wanted.push_back({effect, makeProcessor(effect, audio.rate)});
        late += std::size_t(wanted.back().processor->latency());
    }
    // Goes before the processors do.
    EffectChain chain;
    chain.reset(audio.rate);
    chain.setWanted(wanted);
    for (auto& channel : audio.channels)
        channel.resize(frames + late);
    EffectTime time;
    time.beatsPerFrame = tempo / 60.0 / audio.rate;
    constexpr std::size_t cell = effectCell;
    for (std::size_t at = 0; at < frames + late && !progress.cancelled(); at += cell) {
        time.beat = double(at) * time.beatsPerFrame;
        chain.beginCell(time);
        const auto count = std::min(cell, frames + late - at);
        chain.process(audio.channels[0].data() + at, audio.channels[1].data() + at, 0, int(count));
        constexpr std::size_t seldom = 1024;
        if (at / cell % seldom == 0)
            progress.at(double(at) / double(frames + late));
    }
    for (auto& channel : audio.channels)
        channel.erase(channel.begin(), channel.begin() + std::ptrdiff_t(late));
    if (wasMono && audio.channels[0] == audio.channels[1])
        audio.channels.resize(1);
}

} // namespace puretone
