// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "effects/processor.h"

namespace puretone {

/// An effect as a program brings it to the chain.
struct ChainedEffect {
    Effect effect; ///< Without its impulse.
    std::shared_ptr<Processor> processor; ///< The same as long as the effect is the same one.
};

/// Effects one after another. Lives on the audio thread; nothing in it allocates, locks or waits.
///
/// Programs bring what the chain is to be; it goes there without a click: what is switched fades
/// within hundredths of a second, what changes its place fades out and in again, and what is taken
/// away rings on. A processor that hears and makes nothing is not asked any more until it hears
/// something again. Works on the engine's cells, so that the sizes of blocks change nothing.
class EffectChain {
public:
    EffectChain() = default;
    ~EffectChain() { drop(); }
    EffectChain(const EffectChain&) = delete;
    EffectChain& operator=(const EffectChain&) = delete;

    /// Silent and empty. @param rate Frames per second.
    void reset(double rate) noexcept;
    /// Between cells. The processors must live until they are not leased any more.
    void setWanted(std::span<const ChainedEffect> effects) noexcept;
    /// Moves a value of an effect by a share of its range in the next cell, until it is called
    /// again with another one.
    void move(int effectId, int parameter, float by) noexcept;
    /// Forgets what move() has said.
    void moveNothing() noexcept;
    void beginCell(const EffectTime& time) noexcept;
    /// Frames of the cell, in place.
    void process(float* left, float* right, int from, int count) noexcept;
    /// Nothing sounds any more.
    bool silent() const noexcept;
    /// Frames by which everything is late.
    int latency() const noexcept;
    /// dB that an effect holds back now; 0 where there is no such effect.
    float held(int effectId) const noexcept;

private:
    static constexpr std::size_t mostLeaving = 8;
    static constexpr std::size_t mostSlots = mostEffects + mostLeaving;
    static constexpr int mostLatency = 64;

    struct Ramp {
        float from = 0.0f, to = 0.0f, step = 0.0f;
        void towards(float wanted, float most) noexcept
        {
            from = to;
            to += std::clamp(wanted - to, -most, most);
            step = (to - from) / effectCell;
        }
        float at(int frame) const noexcept { return from + step * float(frame); }
        bool isZero() const noexcept { return from == 0.0f && to == 0.0f; }
    };
    struct Slot {
        Processor* processor = nullptr; ///< Null: free.
        int id = 0;
        EffectKind kind = EffectKind::echo;
        EffectNow base{}, moved{}, now{};
        bool on = true, leaving = false, hidden = false;
        bool fresh = true; ///< Its values have never been set.
        bool stale = false; ///< Its processor has missed something.
        Ramp input; ///< Whether it is switched on.
        Ramp presence; ///< Whether it is there at all.
        Ramp dry, wet;
        bool asleep = true;
        int quiet = 0; ///< Frames since it was heard.
        int leavingFor = 0; ///< Frames.
        bool heardNow = false, soundsNow = false; ///< In this cell.
        std::array<float, mostLatency> lateLeft{}, lateRight{};
        std::size_t lateAt = 0;
    };
    struct Wanted {
        int id = 0;
        EffectKind kind = EffectKind::echo;
        bool on = true;
        EffectValues values{};
        Processor* processor = nullptr;
    };
    void drop() noexcept;
    Slot& slot(std::size_t place) noexcept { return slots_[order_[place]]; }
    const Slot& slot(std::size_t place) const noexcept { return slots_[order_[place]]; }
    Slot* slotOf(const Processor* processor) noexcept;
    void takeValues() noexcept;
    bool arrange() noexcept;
    bool admit() noexcept;
    bool insert(std::size_t place, const Wanted& wanted) noexcept;
    void erase(std::size_t place) noexcept;
    void beginSlot(Slot& slot) noexcept;
    void moveValues(Slot& slot) noexcept;
    void endSlot(Slot& slot) noexcept;
    bool isGone(const Slot& slot) const noexcept;
    /// Whether its processor is not heard, whatever comes in.
    static bool isOff(const Slot& slot) noexcept;
    void run(Slot& slot, float* left, float* right, int from, int count) noexcept;
    void wake(Slot& slot, int from) noexcept;

    double rate_ = 48000.0;
    float fadeStep_ = 0.1f, smooth_ = 0.1f;
    std::array<Slot, mostSlots> slots_;
    std::array<std::uint8_t, mostSlots> order_{}; ///< Places in `slots_`.
    std::size_t count_ = 0;
    std::array<Wanted, mostEffects> wanted_;
    std::size_t wantedCount_ = 0;
    bool started_ = false; ///< Something has been heard since reset().
    bool changes_ = false; ///< `wanted_` is not what there is yet.
    EffectTime time_;
};

} // namespace puretone
