// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/layer.h"

#include <utility>

// What the writer and the reader of SFZ share.
namespace puretone::sfz {

inline constexpr std::pair<SoundsWhen, const char*> triggers[] = {{SoundsWhen::press, "attack"},
    {SoundsWhen::release, "release"}, {SoundsWhen::phraseStart, "first"},
    {SoundsWhen::phraseOn, "legato"}};

inline constexpr std::pair<FilterKind, const char*> filterTypes[] = {{FilterKind::low, "lpf"},
    {FilterKind::high, "hpf"}, {FilterKind::band, "bpf"}, {FilterKind::notch, "brf"}};

/// What controllers move, "NAME_onccN", and how many of its units one of ours is.
struct ControlWord {
    Target target;
    const char* name;
    const char* older; ///< Of the format's first version, "NAME_ccN"; null where there is none.
    double scale;
};
inline constexpr ControlWord controlWords[] = {{Target::cutoff, "cutoff", "cutoff", 1200.0},
    {Target::pitch, "pitch", nullptr, 100.0}, {Target::level, "volume", "gain", 1.0},
    {Target::pan, "pan", nullptr, 100.0}};

/// Opcodes that are read, or that only say what something is called.
inline constexpr const char* understood[] = {"sample", "default_path", "group_label",
    "region_label", "global_label", "master_label", "lokey", "hikey", "key", "lovel", "hivel",
    "pitch_keycenter", "transpose", "tune", "pitch_keytrack", "volume", "pan", "trigger", "group",
    "off_by", "rt_decay", "polyphony", "bend_up", "bend_down", "amp_veltrack", "seq_length",
    "seq_position", "lorand", "hirand", "loop_mode", "loop_type", "loop_start", "loop_end",
    "offset", "end", "xfin_lokey", "xfin_hikey", "xfout_lokey", "xfout_hikey", "xfin_lovel",
    "xfin_hivel", "xfout_lovel", "xfout_hivel", "ampeg_delay", "ampeg_attack", "ampeg_hold",
    "ampeg_decay", "ampeg_sustain", "ampeg_release", "fil_type", "cutoff", "resonance",
    "fil_keytrack", "fil_veltrack", "fileg_depth", "fileg_delay", "fileg_attack", "fileg_hold",
    "fileg_decay", "fileg_sustain", "fileg_release", "pitchlfo_freq", "pitchlfo_depth",
    "pitchlfo_fade", "amplfo_freq", "amplfo_depth", "amplfo_fade", "fillfo_freq", "fillfo_depth",
    "fillfo_fade"};
/// Other spellings of some of them.
inline constexpr std::pair<const char*, const char*> spellings[] = {{"loopmode", "loop_mode"},
    {"looptype", "loop_type"}, {"loopstart", "loop_start"}, {"loopend", "loop_end"},
    {"bendup", "bend_up"}, {"benddown", "bend_down"}, {"offby", "off_by"}, {"filtype", "fil_type"}};

/// Resonance is the height of the peak in dB, as the format has it.
inline constexpr double resonanceDb = 28.9432; // 28 times

} // namespace puretone::sfz
