// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/files/sound_file.h"

#include <random>
#include <string>
#include <vector>

// Long takes put together from recordings of single notes, so that every border is known.

namespace bench {

inline constexpr double takeRate = 44100.0;

/// Single notes or hits, brought to takeRate, mono.
struct Sound {
    std::string name;
    std::vector<float> wave; ///< Peak 1.
    std::int64_t loopStart = 0, loopEnd = 0; ///< Equal where it has no loop.
};
/// All WAV and FLAC files of a folder; those of less than 30 ms are left out.
/// @param lengthen Gives them loops, so that notes last as long as is wanted.
std::vector<Sound> loadSounds(const std::string& folder, bool lengthen);

enum class TakeKind {
    silences, ///< 0.25 to 1.2 s between the notes, noise of -70 to -40 dB.
    noisy, ///< The same in noise of -45 to -35 dB.
    tremolo, ///< Tremolo of 4 to 10 dB, vibrato of 25 to 60 cents, or a beating copy.
    breaths, ///< A breath before every note.
    drums, ///< Hits apart.
    overlaps, ///< Over 0.2 to 0.5 s of the last one's tail.
    legato, ///< No gaps.
    struckAgain, ///< The same note over its own tail.
    repeated, ///< The same sustained note, with a dip of about 50 ms.
    rhythm, ///< Hits 0.12 to 0.4 s apart.
    pluckedRhythm, ///< Plucked and struck notes, 0.15 to 0.5 s apart.
    tails, ///< No gaps but tails that have fallen by 45 to 60 dB, noise of -95 dB.
};
inline constexpr int takeKinds = 12;
const char* nameOf(TakeKind kind);

struct LongTake {
    puretone::Audio audio;
    /// Where a note begins: from where it stands 4 dB over the noise to a tenth of its peak,
    /// seconds. Either may come first.
    struct Start {
        double first, last;
        bool struck; ///< From a tenth to seven tenths of its peak in less than 25 ms.
        std::string sound; ///< Its name.
    };
    std::vector<Start> starts;
};

/// @param notes Of instruments. @param hits Of drums; kinds that need them are empty without any.
LongTake makeTake(TakeKind kind, const std::vector<Sound>& notes, const std::vector<Sound>& hits,
    std::mt19937& random);

} // namespace bench
