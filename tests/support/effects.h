// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "effects/chain.h"

#include <random>

namespace testing_effects {

using namespace puretone;

inline constexpr double rate = 48000.0;

struct Stereo {
    std::vector<float> left, right;
    explicit Stereo(std::size_t frames = 0)
        : left(frames)
        , right(frames)
    {
    }
    bool operator==(const Stereo&) const = default;
};

inline Stereo impulse(double seconds, std::size_t at = 0)
{
    Stereo made(std::size_t(seconds * rate));
    made.left[at] = made.right[at] = 1.0f;
    return made;
}

inline Stereo sine(double hz, double level, double seconds)
{
    Stereo made(std::size_t(seconds * rate));
    for (std::size_t i = 0; i < made.left.size(); ++i)
        made.left[i] = made.right[i] =
            float(level * std::sin(2.0 * 3.14159265358979 * hz * double(i) / rate));
    return made;
}

inline Stereo noise(double level, double seconds, unsigned seed = 1)
{
    Stereo made(std::size_t(seconds * rate));
    std::mt19937 random(seed);
    std::normal_distribution<float> normal(0.0f, float(level));
    for (auto* side : {&made.left, &made.right})
        for (float& sample : *side)
            sample = normal(random);
    return made;
}

/// An effect with values by their names.
inline Effect effect(
    EffectKind kind, std::initializer_list<std::pair<const char*, double>> values, int id = 1)
{
    Effect made = makeEffect(kind, id);
    for (const auto& [name, value] : values)
        setValue(made, name, value);
    return made;
}

/// A chain as the engine drives it, cell by cell whatever the blocks.
class Played {
public:
    explicit Played(double outRate = rate)
        : rate_(outRate)
    {
        chain_.reset(outRate);
    }
    ~Played() { chain_.reset(rate_); } // before the processors go
    void want(const Effects& effects)
    {
        std::vector<ChainedEffect> wanted;
        for (const Effect& e : effects) {
            auto known = std::find_if(made_.begin(), made_.end(), [&](const ChainedEffect& m) {
                return m.effect.id == e.id && m.effect.kind == e.kind;
            });
            if (known == made_.end())
                known = made_.insert(
                    made_.end(), {e, std::shared_ptr<Processor>(makeProcessor(e, rate_))});
            wanted.push_back({e, known->processor});
        }
        chain_.setWanted(wanted);
    }
    void play(Stereo& sound, std::size_t from, std::size_t frames, std::size_t block = effectCell)
    {
        for (std::size_t done = 0; done < frames;) {
            if (at_ == 0) {
                time_.beat = double(frame_) * time_.beatsPerFrame;
                chain_.beginCell(time_);
                time_.pressed = {};
            }
            const auto count = std::min({std::size_t(effectCell - at_), frames - done, block});
            chain_.process(
                sound.left.data() + from + done, sound.right.data() + from + done, at_, int(count));
            at_ = (at_ + int(count)) % effectCell;
            frame_ += count;
            done += count;
        }
    }
    void press(int key) { time_.pressed[std::size_t(key / 64)] |= std::uint64_t(1) << (key % 64); }
    EffectChain& chain() { return chain_; }
    EffectTime& time() { return time_; }

private:
    double rate_;
    std::vector<ChainedEffect> made_;
    EffectChain chain_;
    EffectTime time_;
    int at_ = 0;
    std::size_t frame_ = 0;
};

/// What a chain makes of a sound. @param silence Seconds that the chain hears before it.
inline Stereo through(
    const Effects& effects, Stereo sound, std::size_t block = effectCell, double silence = 0.1)
{
    Played played;
    played.want(effects);
    Stereo before{std::size_t(silence * rate) / effectCell * effectCell};
    played.play(before, 0, before.left.size());
    played.play(sound, 0, sound.left.size(), block);
    return sound;
}

inline double rmsDb(const std::vector<float>& sound, double from, double to)
{
    double sum = 0.0;
    const auto a = std::size_t(from * rate), b = std::size_t(to * rate);
    for (std::size_t i = a; i < b; ++i)
        sum += double(sound[i]) * double(sound[i]);
    return 10.0 * std::log10(sum / double(b - a) + 1e-30);
}

} // namespace testing_effects
