// SPDX-License-Identifier: GPL-3.0-or-later
#include "effects/effect.h"

namespace puretone {

namespace {

using Unit = ParameterUnit;
using P = ParameterFacts;
constexpr auto atLow = P::Off::atLow, atHigh = P::Off::atHigh;

constexpr P mixOf(double standard)
{
    return {"mix", "Mix", "How much of the effect is heard beside the sound itself", Unit::share,
        0.0, 1.0, standard};
}

constexpr std::array equaliser = {
    P{"lowCut", "Low cut", "What lies below goes, 12 dB an octave; at 10 Hz it does nothing",
        Unit::hertz, 10.0, 2000.0, 10.0, {}, atLow},
    P{"lowHz", "Low bell", "Middle of the lower bell", Unit::hertz, 20.0, 8000.0, 220.0},
    P{"lowDb", "Low gain", "How far the lower bell lifts or sinks", Unit::decibels, -24.0, 24.0,
        0.0},
    P{"lowQ", "Low Q", "0.1 is wide, 20 is narrow", Unit::number, 0.1, 20.0, 0.9},
    P{"highHz", "High bell", "Middle of the higher bell", Unit::hertz, 100.0, 20000.0, 2500.0},
    P{"highDb", "High gain", "How far the higher bell lifts or sinks", Unit::decibels, -24.0, 24.0,
        0.0},
    P{"highQ", "High Q", "0.1 is wide, 20 is narrow", Unit::number, 0.1, 20.0, 0.9},
    P{"shelfHz", "Shelf", "From here on the shelf lifts or sinks", Unit::hertz, 500.0, 20000.0,
        6000.0},
    P{"shelfDb", "Shelf gain", "How far the shelf lifts or sinks", Unit::decibels, -24.0, 24.0,
        0.0},
};

constexpr std::array drive = {
    P{"kind", "Kind", "Tape-like is round, hard cuts off, fold turns peaks back", Unit::choice, 0.0,
        2.0, 0.0, {"tape-like", "hard", "fold"}},
    P{"drive", "Drive", "Into the bend; what comes out is not louder for it", Unit::decibels, 0.0,
        36.0, 9.0},
    P{"tone", "High cut", "What is brighter than this is softened again", Unit::hertz, 500.0,
        20000.0, 14000.0, {}, atHigh},
    P{"level", "Level", "Of what comes out", Unit::decibels, -24.0, 12.0, 0.0},
    mixOf(1.0),
};

constexpr std::array crush = {
    P{"bits", "Bits", "How finely levels are told apart", Unit::number, 1.0, 16.0, 8.0},
    P{"rate", "Rate", "How often the wave is looked at", Unit::hertz, 200.0, 48000.0, 12000.0},
    mixOf(1.0),
};

constexpr std::array compressor = {
    P{"threshold", "Threshold", "What is louder is held back", Unit::decibels, -60.0, 0.0, -20.0},
    P{"ratio", "Ratio", "So many dB above the threshold become one", Unit::number, 1.0, 20.0, 3.0},
    P{"knee", "Knee", "How gradually holding back begins about the threshold", Unit::decibels, 0.0,
        24.0, 6.0},
    P{"attack", "Attack", "How quickly it takes hold", Unit::seconds, 0.0001, 0.2, 0.01},
    P{"release", "Release", "How quickly it lets go", Unit::seconds, 0.01, 2.0, 0.15},
    P{"gain", "Make-up", "Brings back what was held back", Unit::decibels, 0.0, 24.0, 0.0},
    mixOf(1.0),
};

constexpr std::array duck = {
    P{"by", "Ducks by", "In time with the song, or whenever a key is pressed", Unit::choice, 0.0,
        1.0, 0.0, {"tempo", "a key"}},
    P{"every", "Every", "Time from one duck to the next", Unit::songTime, 0.05, 4.0, -1.0},
    P{"key", "Ducking key", "The key that makes room, such as a kick's", Unit::key, 0.0, 127.0,
        36.0},
    P{"depth", "Depth", "How far the level goes down", Unit::decibels, 0.0, 60.0, 12.0},
    P{"fall", "Falls in", "Time until it is down", Unit::seconds, 0.001, 0.2, 0.004},
    P{"back", "Comes back in", "Time until it is up again", Unit::songTime, 0.01, 4.0, -0.75},
};

constexpr std::array chorus = {
    P{"kind", "Kind", "Three voices that drift, or an ensemble that shimmers", Unit::choice, 0.0,
        1.0, 0.0, {"chorus", "ensemble"}},
    P{"speed", "Speed", "How fast the voices drift", Unit::hertz, 0.02, 8.0, 0.5},
    P{"depth", "Depth", "How far their pitches drift", Unit::share, 0.0, 1.0, 0.4},
    P{"width", "Width", "How far apart they stand", Unit::share, 0.0, 1.0, 1.0},
    mixOf(0.5),
};

constexpr std::array phaser = {
    P{"speed", "Speed", "How fast the notches sweep", Unit::hertz, 0.02, 8.0, 0.3},
    P{"low", "From", "Where the lowest notch turns", Unit::hertz, 60.0, 2000.0, 200.0},
    P{"high", "To", "Where it turns again", Unit::hertz, 500.0, 8000.0, 2400.0},
    P{"back", "Comes back", "Sharpens what lies between the notches", Unit::share, -0.9, 0.9, 0.2},
    mixOf(0.5),
};

constexpr std::array flanger = {
    P{"speed", "Speed", "How fast the delay swings", Unit::hertz, 0.01, 8.0, 0.2},
    P{"delay", "Delay", "The longest that it gets", Unit::seconds, 0.0001, 0.015, 0.004},
    P{"depth", "Depth", "How far it swings", Unit::share, 0.0, 1.0, 0.8},
    P{"back", "Comes back", "Makes it ring; below zero it is hollow", Unit::share, -0.95, 0.95,
        0.5},
    mixOf(0.5),
};

constexpr std::array tremolo = {
    P{"every", "Swing lasts", "In seconds, or as a note of the tempo", Unit::songTime, 0.02, 20.0,
        -0.5},
    P{"shape", "Shape", "Of the swing", Unit::choice, 0.0, 2.0, 0.0,
        {"sine", "triangle", "square"}},
    P{"depth", "Depth", "How far the level goes down", Unit::share, 0.0, 1.0, 0.6},
    P{"sides", "Side to side", "At 0 both sides together, at 100 % from one to the other",
        Unit::share, 0.0, 1.0, 0.0},
};

constexpr std::array echo = {
    P{"left", "Time left", "In seconds, or as a note of the tempo", Unit::songTime, 0.001, 4.0,
        -0.75},
    P{"right", "Time right", "In seconds, or as a note of the tempo", Unit::songTime, 0.001, 4.0,
        -1.0},
    P{"back", "Comes back", "How much of each echo is heard again", Unit::share, 0.0, 1.0, 0.45},
    P{"lowCut", "Low cut", "Each echo loses what lies below", Unit::hertz, 20.0, 2000.0, 120.0},
    P{"highCut", "High cut", "Each echo loses what lies above", Unit::hertz, 500.0, 20000.0, 6000.0,
        {}, atHigh},
    P{"wander", "Wander", "How far the times drift, and the pitch of echoes with them", Unit::share,
        0.0, 1.0, 0.0},
    P{"crosses", "Crosses over", "Echoes go from side to side", Unit::choice, 0.0, 1.0, 0.0,
        {"no", "yes"}},
    mixOf(0.28),
};

constexpr std::array reverb = {
    P{"kind", "Kind", "A room, a hall, a plate, or a hall that hardly ends", Unit::choice, 0.0, 3.0,
        1.0, {"room", "hall", "plate", "endless"}},
    P{"size", "Size", "How far apart the walls stand", Unit::share, 0.0, 1.0, 0.5},
    P{"decay", "Decay", "Time to fall by 60 dB; twenty times that where it is endless",
        Unit::seconds, 0.1, 30.0, 2.2},
    P{"damping", "Damping", "What is brighter than this dies twice as soon", Unit::hertz, 500.0,
        20000.0, 6000.0, {}, atHigh},
    P{"preDelay", "Pre-delay", "Time before it begins", Unit::seconds, 0.0, 0.5, 0.015},
    P{"width", "Width", "From the middle to both sides", Unit::share, 0.0, 1.0, 1.0},
    mixOf(0.3),
};

constexpr std::array space = {
    P{"level", "Level", "Of the space; at 0 dB it is as loud as what comes in", Unit::decibels,
        -36.0, 24.0, 0.0},
    P{"preDelay", "Pre-delay", "Time before it begins", Unit::seconds, 0.0, 0.5, 0.0},
    P{"lowCut", "Low cut", "The space loses what lies below", Unit::hertz, 10.0, 2000.0, 10.0, {},
        atLow},
    P{"highCut", "High cut", "The space loses what lies above", Unit::hertz, 500.0, 20000.0,
        20000.0, {}, atHigh},
    mixOf(0.35),
};

constexpr std::array ofWidth = {
    P{"width", "Width", "0 % is mono, 100 % as it is, 200 % twice as far apart", Unit::share, 0.0,
        2.0, 1.4},
    P{"monoBelow", "Mono below", "What is lower stays in the middle", Unit::hertz, 10.0, 1000.0,
        120.0, {}, atLow},
};

constexpr std::array<EffectFacts, effectKindCount> facts = {{
    {"equaliser", "equaliser", "Equaliser", "Low cut, two bells and a high shelf", MixLaw::none,
        equaliser},
    {"drive", "drive", "Drive", "Bends the wave: warmer, harsher, or folded", MixLaw::crossfade,
        drive},
    {"crush", "crush", "Crush", "Fewer bits and a lower rate, with all that folds back",
        MixLaw::crossfade, crush},
    {"compressor", "compressor", "Compressor", "Holds loud things back", MixLaw::crossfade,
        compressor},
    {"duck", "duck", "Duck", "Makes room in time with the song, or for a key", MixLaw::none, duck},
    {"chorus", "chorus", "Chorus", "Several that drift instead of one", MixLaw::crossfade, chorus},
    {"phaser", "phaser", "Phaser", "Notches that sweep through the sound", MixLaw::crossfade,
        phaser},
    {"flanger", "flanger", "Flanger", "A short delay that swings, like a jet far away",
        MixLaw::crossfade, flanger},
    {"tremolo", "tremolo", "Tremolo", "The level swings, together or from side to side",
        MixLaw::none, tremolo},
    {"echo", "echo", "Echo", "Comes again, and again softer", MixLaw::added, echo},
    {"reverb", "reverb", "Reverb", "A room around the sound", MixLaw::added, reverb},
    {"space", "space", "Space", "The room that an impulse response was recorded in", MixLaw::added,
        space},
    {"width", "width", "Width", "Draws both sides together or apart", MixLaw::none, ofWidth},
}};

} // namespace

const EffectFacts& factsOf(EffectKind kind) noexcept
{
    return facts[std::size_t(kind)];
}

} // namespace puretone
