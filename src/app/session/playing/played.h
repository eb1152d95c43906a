// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/streams/kept_audio.h"

#include <QString>
#include <memory>

namespace puretone::app {

class Session;

/// Writes a stretch of what was played as WAV or FLAC, by the name's ending, beside the window: ten
/// minutes are 230 MB. Says how it went.
void savePlayed(Session& session, const std::shared_ptr<KeptAudio>& kept,
    const KeptAudio::Range& range, const QString& path);
/// Adds it to the instrument as a take, once it is in a file of its own.
void takePlayed(
    Session& session, const std::shared_ptr<KeptAudio>& kept, const KeptAudio::Range& range);

} // namespace puretone::app
