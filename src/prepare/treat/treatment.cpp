// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/treat/treatment.h"

#include "base/in_range.h"
#include "base/overloaded.h"
#include "base/quantity.h"
#include "base/say.h"

#include <algorithm>
#include <cmath>

namespace puretone {

namespace {

std::string channelsText(const Channels& c)
{
    if (c.how == Channels::How::mixed)
        return say("Mono from all");
    if (c.left == c.right)
        return c.left == 0 ? say("Mono from left")
            : c.left == 1  ? say("Mono from right")
                           : say("Mono from channel %1", c.left + 1);
    if (c.left == 1 && c.right == 0)
        return say("Swap sides");
    return say("Channels %1 and %2", c.left + 1, c.right + 1);
}

std::string bandText(const Band& b)
{
    const char* shape = b.shape == Band::Shape::bell ? text("Bell")
        : b.shape == Band::Shape::lowShelf           ? text("Low shelf")
                                                     : text("High shelf");
    return say(shape) + " " + formatHz(b.hz) + " " + formatDecibels({b.gainDb});
}

std::string levelText(const Level& l)
{
    switch (l.to) {
    case Level::To::peak:
        return say("Level %1 peak", formatDecibels({l.value}));
    case Level::To::loudness:
        return say("Level %1 LUFS", formatNumber(l.value, 1));
    case Level::To::gain:
        break;
    }
    return say("Gain %1", (l.value < 0.0 ? "" : "+") + formatDecibels({l.value}));
}

std::string straightenText(const Straighten& s)
{
    if (s.drift == 0.0 && s.vibrato == 0.0)
        return say("Centre the pitch");
    std::string text = say("Straighten");
    if (s.drift > 0.0)
        text += say(" drift %1 %", formatNumber(100.0 * s.drift, 0));
    if (s.vibrato > 0.0)
        text += say(" vibrato %1 %", formatNumber(100.0 * s.vibrato, 0));
    return text;
}

std::string semitonesText(double semitones)
{
    const bool whole = std::abs(semitones - std::round(semitones)) < 0.005;
    return (semitones > 0.0 ? "+" : "") + formatNumber(semitones, whole ? 0 : 2);
}

std::string transposeText(const Transpose& t)
{
    std::string text = say("Transpose %1 st", semitonesText(t.semitones));
    if (t.formants != 0.0)
        text += say(", formants %1", semitonesText(t.formants));
    return text;
}

std::string harmonyText(const Harmony& h)
{
    std::string text;
    for (const double semitones : h.semitones)
        if (semitones != 0.0)
            text += (text.empty() ? " " : ", ") + semitonesText(semitones);
    return text.empty() ? say("Harmony of nobody yet") : say("Harmony") + text;
}

std::string colourText(const Colour& c)
{
    if (c.effects.size() == 1) {
        return say(factsOf(c.effects[0].kind).title) + " " + describe(c.effects[0]);
    }
    std::string text;
    for (const Effect& effect : c.effects)
        text += (text.empty() ? "" : ", ") + say(factsOf(effect.kind).word);
    return say("Effects: %1", text.empty() ? say("none") : text);
}

} // namespace

std::string describe(const Treatment& treatment)
{
    return std::visit(
        Overloaded{
            [](const RemoveDc&) { return say("Remove DC"); },
            [](const PassFilter& f) {
                return f.cut == PassFilter::Cut::low ? say("Low cut %1", formatHz(f.hz))
                                                     : say("High cut %1", formatHz(f.hz));
            },
            [](const Band& b) { return bandText(b); },
            [](const Level& l) { return levelText(l); },
            [](const EvenOut& e) {
                return say("Even out %1 %", formatNumber(100.0 * e.amount, 0));
            },
            [](const Reverse&) { return say("Reverse"); },
            [](const Channels& c) { return channelsText(c); },
            [](const Width& w) { return say("Width %1 %", formatNumber(100.0 * w.share, 0)); },
            [](const Straighten& s) { return straightenText(s); },
            [](const RemoveTone& r) {
                return r.alone ? say("Only the tone at %1", formatHz(r.hz))
                               : say("Remove tone %1", formatHz(r.hz));
            },
            [](const Transpose& t) { return transposeText(t); },
            [](const Harmony& h) { return harmonyText(h); },
            [](const Colour& c) { return colourText(c); },
        },
        treatment.what);
}

Treatment sanitized(Treatment treatment)
{
    std::visit(
        Overloaded{
            [](RemoveDc&) {},
            [](Reverse&) {},
            [](PassFilter& f) {
                f.hz = inRange(f.hz, 5.0, 90000.0, 40.0);
                f.slopeDb = f.slopeDb < 9 ? 6 : f.slopeDb < 18 ? 12 : f.slopeDb < 36 ? 24 : 48;
            },
            [](Band& b) {
                b.hz = inRange(b.hz, 5.0, 90000.0, 1000.0);
                b.gainDb = inRange(b.gainDb, -24.0, 24.0, 0.0);
                b.q = inRange(b.q, 0.1, 20.0, 1.0);
            },
            [](Level& l) { l.value = inRange(l.value, -80.0, 40.0, 0.0); },
            [](EvenOut& e) { e.amount = inRange(e.amount, 0.0, 1.0, 0.0); },
            [](Channels& c) {
                c.left = std::clamp(c.left, 0, 255);
                c.right = std::clamp(c.right, 0, 255);
            },
            [](Width& w) { w.share = inRange(w.share, 0.0, 2.0, 1.0); },
            [](Straighten& s) {
                s.drift = inRange(s.drift, 0.0, 1.0, 0.0);
                s.vibrato = inRange(s.vibrato, 0.0, 1.0, 0.0);
                s.midi = inRange(s.midi, 0.0, 140.0, 60.0);
                // Further than a fifth from what was followed it would be another sound.
                s.note = inRange(s.note, s.midi - 7.0, s.midi + 7.0, s.midi);
            },
            [](RemoveTone& r) { r.hz = inRange(r.hz, 20.0, 90000.0, 1000.0); },
            [](Transpose& t) {
                t.semitones = inRange(t.semitones, -24.0, 24.0, 0.0);
                t.formants = inRange(t.formants, -24.0, 24.0, 0.0);
            },
            [](Harmony& h) {
                for (double& semitones : h.semitones)
                    semitones = inRange(semitones, -24.0, 24.0, 0.0);
                h.levelDb = inRange(h.levelDb, -40.0, 6.0, -3.0);
                h.width = inRange(h.width, 0.0, 1.0, 0.6);
            },
            [](Colour& c) {
                std::erase_if(
                    c.effects, [](const Effect& e) { return e.kind == EffectKind::space; });
                c.effects = sanitized(std::move(c.effects));
                c.tempo = inRange(c.tempo, 20.0, 300.0, 96.0);
            },
        },
        treatment.what);
    return treatment;
}

bool reversed(const Treatments& treatments)
{
    return std::count_if(treatments.begin(), treatments.end(),
               [](const Treatment& t) { return t.on && std::holds_alternative<Reverse>(t.what); })
        % 2
        == 1;
}

Treatments measuredOver(Treatments treatments, Span over)
{
    for (auto& treatment : treatments)
        std::visit(
            [&](auto& what) {
                if constexpr (requires { what.over; })
                    what.over = over;
            },
            treatment.what);
    return treatments;
}

} // namespace puretone
