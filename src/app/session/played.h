// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/kept_audio.h"

#include <QString>

namespace puretone::app {

class Session;

// What becomes of a stretch of what was played.

/// Writes it as WAV or FLAC, by the name's ending. @return A sentence.
QString savePlayed(KeptAudio& kept, const KeptAudio::Range& range, const QString& path);
/// Adds it to the instrument as a take, from a file of its own in the folder of recordings.
void takePlayed(Session& session, KeptAudio& kept, const KeptAudio::Range& range);

} // namespace puretone::app
