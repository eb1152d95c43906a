// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/movement.h"

#include <algorithm>
#include <cctype>
#include <string>

namespace puretone {

// The words of movements, as they are typed and shown. Where there are several for one thing, it is
// shown as the first of them.

struct SourceWord {
    const char* word; ///< As typed.
    SourceKind kind;
};
inline constexpr SourceWord sourceWords[] = {{"mod wheel", SourceKind::wheel},
    {"modwheel", SourceKind::wheel}, {"wheel", SourceKind::wheel}, {"bend", SourceKind::bend},
    {"pressure", SourceKind::pressure}, {"aftertouch", SourceKind::pressure},
    {"release touch", SourceKind::releaseTouch}, {"release velocity", SourceKind::releaseTouch},
    {"touch", SourceKind::touch}, {"velocity", SourceKind::touch}, {"key", SourceKind::key},
    {"keys", SourceKind::key}, {"level envelope", SourceKind::levelEnvelope},
    {"second envelope", SourceKind::secondEnvelope}, {"envelope", SourceKind::secondEnvelope},
    {"chance", SourceKind::random}, {"random", SourceKind::random}, {"turn", SourceKind::turn},
    {"noise", SourceKind::noise}};

struct TargetWord {
    const char* word;
    Target target;
};
inline constexpr TargetWord targetWords[] = {{"pitch", Target::pitch}, {"level", Target::level},
    {"loudness", Target::level}, {"volume", Target::level}, {"pan", Target::pan},
    {"place", Target::pan}, {"cutoff", Target::cutoff}, {"filter", Target::cutoff},
    {"resonance", Target::resonance}, {"drive", Target::drive}, {"start", Target::start},
    {"loop", Target::loopPlace}, {"ring", Target::ring}, {"shake", Target::ring},
    {"moment", Target::place}, {"grain size", Target::grainSize}, {"grains", Target::grainSize},
    {"scatter", Target::scatter}, {"wandering", Target::drift}, {"blend", Target::blend},
    {"speed", Target::waveRate}, {"depth", Target::waveDepth}, {"attack", Target::attack},
    {"decay", Target::decay}, {"release", Target::release}};

struct ShapeWord {
    const char* word;
    Wave::Shape shape;
};
inline constexpr ShapeWord shapeWords[] = {{"sine", Wave::Shape::sine},
    {"triangle", Wave::Shape::triangle}, {"saw up", Wave::Shape::sawUp},
    {"saw down", Wave::Shape::sawDown}, {"saw", Wave::Shape::sawUp},
    {"square", Wave::Shape::square}, {"steps", Wave::Shape::steps}, {"drift", Wave::Shape::drift},
    {"wave", Wave::Shape::sine}, {"lfo", Wave::Shape::sine}};

inline std::string lowered(std::string text)
{
    std::transform(text.begin(), text.end(), text.begin(),
        [](unsigned char c) { return c < 128 ? char(std::tolower(c)) : char(c); });
    return text;
}

} // namespace puretone
