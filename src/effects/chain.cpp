// SPDX-License-Identifier: GPL-3.0-or-later
#include "effects/chain.h"

#include <algorithm>
#include <cmath>

namespace puretone {

namespace {

constexpr double fadeSeconds = 0.01;
constexpr double chainSmoothSeconds = 0.02;
constexpr double longestLeaving = 30.0; // seconds that what was taken away may ring on
constexpr float unheard = 1e-6f;
constexpr float loudest = 1000.0f; // of what comes in, whatever went wrong before

bool isSmoothed(ParameterUnit unit) noexcept
{
    return unit != ParameterUnit::choice && unit != ParameterUnit::songTime
        && unit != ParameterUnit::key;
}

/// A value moved by a share of its range: frequencies and times by ratios.
float movedValue(const ParameterFacts& facts, float base, float by) noexcept
{
    if (by == 0.0f || !isSmoothed(facts.unit))
        return base;
    const auto low = float(facts.low), high = float(facts.high);
    const bool byRatio =
        low > 0.0f && (facts.unit == ParameterUnit::hertz || facts.unit == ParameterUnit::seconds);
    return std::clamp(
        byRatio ? base * std::pow(high / low, by) : base + by * (high - low), low, high);
}

bool isFinite(float x) noexcept
{
    return x > -loudest && x < loudest;
}

} // namespace

void EffectChain::drop() noexcept
{
    for (Slot& s : slots_)
        if (s.processor != nullptr) {
            s.processor->setSpent();
            s.processor->setLeased(false);
            s.processor = nullptr;
        }
    count_ = wantedCount_ = 0;
    changes_ = false;
}

void EffectChain::reset(double rate) noexcept
{
    drop();
    started_ = false;
    rate_ = rate;
    fadeStep_ = float(effectCell / (fadeSeconds * rate));
    smooth_ = float(1.0 - std::exp(-effectCell / (chainSmoothSeconds * rate)));
}

EffectChain::Slot* EffectChain::slotOf(const Processor* processor) noexcept
{
    for (std::size_t i = 0; i < count_; ++i)
        if (slot(i).processor == processor)
            return &slot(i);
    return nullptr;
}

void EffectChain::setWanted(std::span<const ChainedEffect> effects) noexcept
{
    wantedCount_ = std::min(effects.size(), wanted_.size());
    for (std::size_t i = 0; i < wantedCount_; ++i) {
        const Effect& e = effects[i].effect;
        wanted_[i] = {e.id, e.kind, e.on, e.values, effects[i].processor.get()};
    }
    takeValues();
    changes_ = true;
}

/// What is there already takes its new values; what is not wanted any more begins to leave.
void EffectChain::takeValues() noexcept
{
    for (std::size_t i = 0; i < count_; ++i) {
        Slot& s = slot(i);
        const auto end = wanted_.begin() + std::ptrdiff_t(wantedCount_);
        const auto w = std::find_if(wanted_.begin(), end,
            [&](const Wanted& each) { return each.processor == s.processor; });
        s.leaving = w == end;
        // One that is late cannot just go.
        s.hidden = s.hidden || (s.leaving && s.processor->latency() > 0);
        if (s.leaving)
            continue;
        s.id = w->id;
        s.leavingFor = 0;
        s.on = w->on;
        for (std::size_t v = 0; v < s.base.size(); ++v)
            s.base[v] = float(w->values[v]);
    }
}

void EffectChain::move(int effectId, int parameter, float by) noexcept
{
    for (std::size_t i = 0; i < count_; ++i)
        if (slot(i).id == effectId && !slot(i).leaving && parameter >= 0
            && std::size_t(parameter) < mostParameters)
            slot(i).moved[std::size_t(parameter)] += by;
}

void EffectChain::moveNothing() noexcept
{
    for (std::size_t i = 0; i < count_; ++i)
        slot(i).moved = {};
}

/// Brings those that stay into the wanted order: what is out of it fades out first. @return Whether
/// they are.
bool EffectChain::arrange() noexcept
{
    std::array<std::uint8_t, mostSlots> now{}, then{};
    std::size_t count = 0;
    for (std::size_t i = 0; i < count_; ++i)
        if (!slot(i).leaving)
            now[count++] = order_[i];
    std::size_t at = 0;
    for (std::size_t w = 0; w < wantedCount_; ++w)
        for (std::size_t i = 0; i < count; ++i)
            if (slots_[now[i]].processor == wanted_[w].processor)
                then[at++] = now[i];
    bool ready = true;
    for (std::size_t i = 0; i < count; ++i) {
        slots_[now[i]].hidden = now[i] != then[i];
        ready = ready && (!slots_[now[i]].hidden || slots_[now[i]].presence.isZero());
    }
    if (!ready)
        return false;
    at = 0;
    for (std::size_t i = 0; i < count_; ++i)
        if (!slot(i).leaving)
            order_[i] = then[at++];
    for (std::size_t i = 0; i < count_; ++i)
        if (!slot(i).leaving)
            slot(i).hidden = false;
    return true;
}

bool EffectChain::insert(std::size_t place, const Wanted& wanted) noexcept
{
    const auto free = std::find_if(
        slots_.begin(), slots_.end(), [](const Slot& s) { return s.processor == nullptr; });
    if (free == slots_.end())
        return false;
    *free = Slot{};
    free->processor = wanted.processor;
    free->processor->setLeased(true);
    free->id = wanted.id;
    free->kind = wanted.kind;
    free->on = wanted.on;
    for (std::size_t v = 0; v < free->base.size(); ++v)
        free->base[v] = float(wanted.values[v]);
    free->stale = wanted.processor->spent(); // a new one has nothing to forget
    // Before anything has been heard nothing can click.
    free->presence.to = started_ ? 0.0f : 1.0f;
    free->input.to = started_ || !wanted.on ? 0.0f : 1.0f;
    std::copy_backward(order_.begin() + std::ptrdiff_t(place),
        order_.begin() + std::ptrdiff_t(count_), order_.begin() + std::ptrdiff_t(count_ + 1));
    order_[place] = std::uint8_t(free - slots_.begin());
    ++count_;
    return true;
}

void EffectChain::erase(std::size_t place) noexcept
{
    Slot& s = slot(place);
    s.processor->setSpent();
    s.processor->setLeased(false);
    s.processor = nullptr;
    std::copy(order_.begin() + std::ptrdiff_t(place + 1), order_.begin() + std::ptrdiff_t(count_),
        order_.begin() + std::ptrdiff_t(place));
    --count_;
}

/// Newcomers take their places. @return Whether all have one.
bool EffectChain::admit() noexcept
{
    std::size_t place = 0;
    for (std::size_t w = 0; w < wantedCount_; ++w) {
        if (slotOf(wanted_[w].processor) == nullptr && !insert(place, wanted_[w])) {
            // What leaves has to hurry.
            for (std::size_t i = 0; i < count_; ++i)
                slot(i).hidden = slot(i).hidden || slot(i).leaving;
            return false;
        }
        while (place < count_ && slot(place).processor != wanted_[w].processor)
            ++place;
        ++place;
    }
    return true;
}

bool EffectChain::isOff(const Slot& s) noexcept
{
    return factsOf(s.kind).mix != MixLaw::added && s.input.isZero();
}

bool EffectChain::isGone(const Slot& s) const noexcept
{
    const bool unheard = isOff(s) || (s.asleep && s.input.isZero());
    return s.leaving && (s.presence.isZero() || (unheard && s.processor->latency() == 0));
}

void EffectChain::endSlot(Slot& s) noexcept
{
    s.quiet = s.heardNow || s.soundsNow ? 0 : s.quiet + effectCell;
    s.heardNow = s.soundsNow = false;
    if (s.quiet > s.processor->memory() + s.processor->latency() + effectCell)
        s.asleep = s.processor->sleeps();
    if (s.leaving && (s.leavingFor += effectCell) > int(longestLeaving * rate_))
        s.hidden = true;
}

void EffectChain::moveValues(Slot& s) noexcept
{
    const auto parameters = factsOf(s.kind).parameters;
    for (std::size_t v = 0; v < parameters.size(); ++v) {
        const float wanted = movedValue(parameters[v], s.base[v], s.moved[v]);
        const float away = wanted - s.now[v];
        const bool there = std::abs(away) <= 1e-5f * float(parameters[v].high - parameters[v].low);
        s.now[v] = s.fresh || there || !isSmoothed(parameters[v].unit) ? wanted
                                                                       : s.now[v] + smooth_ * away;
    }
    s.fresh = false;
}

void EffectChain::beginSlot(Slot& s) noexcept
{
    const EffectFacts& facts = factsOf(s.kind);
    s.input.towards(s.on && !s.leaving ? 1.0f : 0.0f, fadeStep_);
    s.presence.towards(s.hidden ? 0.0f : 1.0f, fadeStep_);
    const bool fresh = s.fresh;
    moveValues(s);
    const int mix = facts.mixPlace();
    const auto gains = mixGains(facts.mix, mix < 0 ? 1.0 : double(s.now[std::size_t(mix)]));
    const float any = fresh ? 1e9f : 1.0f;
    s.dry.towards(float(gains.dry), any);
    s.wet.towards(float(gains.wet), any);
    if (fresh) {
        s.dry.from = s.dry.to;
        s.wet.from = s.wet.to;
        s.dry.step = s.wet.step = 0.0f;
    }
    if (isOff(s) || s.asleep) {
        s.stale = s.stale || isOff(s);
        return;
    }
    if (s.stale) {
        s.processor->reset();
        s.stale = false;
    }
    s.processor->set(s.now, time_);
}

void EffectChain::beginCell(const EffectTime& time) noexcept
{
    time_ = time;
    if (count_ == 0 && !changes_)
        return;
    for (std::size_t i = 0; i < count_; ++i)
        endSlot(slot(i));
    for (std::size_t i = count_; i-- > 0;)
        if (isGone(slot(i)))
            erase(i);
    if (changes_)
        changes_ = !(arrange() && admit());
    for (std::size_t i = 0; i < count_; ++i)
        beginSlot(slot(i));
}

/// It hears something again, at frame `from` of the cell: the frames before were silent.
void EffectChain::wake(Slot& s, int from) noexcept
{
    s.asleep = false;
    s.quiet = 0;
    if (s.stale) {
        s.processor->reset();
        s.stale = false;
    }
    s.processor->set(s.now, time_);
    if (from > 0) {
        std::array<float, effectCell> left{}, right{};
        s.processor->process(left.data(), right.data(), from);
    }
}

void EffectChain::run(Slot& s, float* left, float* right, int from, int count) noexcept
{
    const bool added = factsOf(s.kind).mix == MixLaw::added;
    std::array<float, effectCell> wetLeft, wetRight;
    bool heard = false;
    for (int i = 0; i < count; ++i) {
        // What is moved elsewhere must not hear the step between both places either.
        const float gain = s.presence.at(from + i) * (added ? s.input.at(from + i) : 1.0f);
        const auto at = std::size_t(i);
        wetLeft[at] = gain * left[i];
        wetRight[at] = gain * right[i];
        heard = heard || wetLeft[at] != 0.0f || wetRight[at] != 0.0f;
    }
    s.heardNow = s.heardNow || heard;
    const bool off = isOff(s);
    if (!off && s.asleep && heard)
        wake(s, from);
    const bool runs = !off && !s.asleep;
    if (runs)
        s.processor->process(wetLeft.data(), wetRight.data(), count);
    else if (s.asleep && !heard && !added)
        return;
    const auto late = std::size_t(s.processor->latency());
    float loud = 0.0f;
    for (int i = 0; i < count; ++i) {
        const int frame = from + i;
        const auto at = std::size_t(i);
        const float wl = runs ? wetLeft[at] : 0.0f, wr = runs ? wetRight[at] : 0.0f;
        loud = std::max({loud, std::abs(wl), std::abs(wr)});
        float l = left[i], r = right[i];
        if (late > 0) {
            std::swap(l, s.lateLeft[s.lateAt]);
            std::swap(r, s.lateRight[s.lateAt]);
            s.lateAt = (s.lateAt + 1) % late;
            loud = std::max({loud, std::abs(l), std::abs(r)});
        }
        const float p = s.input.at(frame), dry = 1.0f + p * (s.dry.at(frame) - 1.0f);
        const float wet = added ? s.wet.at(frame) : p * s.wet.at(frame);
        const float q = s.presence.at(frame);
        left[i] = q * (dry * l + wet * wl) + (1.0f - q) * left[i];
        right[i] = q * (dry * r + wet * wr) + (1.0f - q) * right[i];
    }
    s.soundsNow = s.soundsNow || loud > unheard;
}

void EffectChain::process(float* left, float* right, int from, int count) noexcept
{
    started_ = started_ || count > 0;
    if (count_ == 0)
        return;
    for (int i = 0; i < count; ++i) {
        left[i] = isFinite(left[i]) ? left[i] : 0.0f;
        right[i] = isFinite(right[i]) ? right[i] : 0.0f;
    }
    for (std::size_t i = 0; i < count_; ++i)
        run(slot(i), left, right, from, count);
}

bool EffectChain::silent() const noexcept
{
    for (std::size_t i = 0; i < count_; ++i)
        if (!slot(i).asleep && slot(i).processor->sleeps() && !isOff(slot(i)))
            return false;
    return true;
}

int EffectChain::latency() const noexcept
{
    int frames = 0;
    for (std::size_t i = 0; i < count_; ++i)
        frames += slot(i).processor->latency();
    return frames;
}

float EffectChain::held(int effectId) const noexcept
{
    for (std::size_t i = 0; i < count_; ++i)
        if (slot(i).id == effectId && !slot(i).leaving && !slot(i).asleep && !isOff(slot(i)))
            return slot(i).processor->held();
    return 0.0f;
}

} // namespace puretone
