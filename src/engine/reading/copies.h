// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/audio.h"
#include "engine/reading/reading.h"

#include <memory>
#include <vector>

namespace puretone {

/// Octaves above the fastest plain reading that copies are made for.
inline constexpr int mostOctaves = 4;

/// Octave copies that reading at up to `fastest` frames of the recording per output frame needs.
int octavesFor(double fastest) noexcept;

/// Samples that voices read: a recording, or a stretch of it, in place, and copies of it one octave
/// narrower each for keys far above the root, so that nothing folds back from above the Nyquist
/// frequency of the output. All positions are frames of the recording.
class SoundCopies {
public:
    /// @param sound What is read, from `first` on.
    /// @param copied Frames of the recording that octave copies are made of, where they are wanted.
    /// @param fastest Reading speed, recording frames per output frame, that must be served.
    SoundCopies(AudioPtr sound, std::int64_t first, Span copied, double fastest);

    int octaves() const noexcept { return int(octaves_.size()); }
    bool mono() const noexcept { return sound_->channels.size() < 2; }
    bool serves(double fastest) const { return octavesFor(fastest) <= octaves(); }
    /// Whether every frame of `span` is there in every copy.
    bool covers(Span span) const;

    /// @param octave 0 for the recording itself, up to octaves().
    CopyView copy(int octave) const noexcept;
    /// A position in frames of a copy.
    double placeIn(int octave, double position) const noexcept;
    /// Beside the sound itself, which belongs to the document or was made for this.
    std::size_t bytesOfOctaves() const;

private:
    AudioPtr sound_;
    std::int64_t first_;
    Span copied_;
    std::vector<Audio> octaves_;
};

} // namespace puretone
