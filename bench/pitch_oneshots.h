// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace bench {

/// Reads real one-shots whose notes somebody has listened out, as they are and changed seven ways,
/// and prints how often the note is right, offered and owned, and what noises are called.
///
/// @param folder Sound files and labels.tsv: file name without its ending, a tab, the accepted
/// notes
///        ("F#2-18 C3", cents after the key) or "-" for no clear pitch.
///
/// PITCH_BENCH_TALK=1 lists every sound and not only what went wrong, PITCH_BENCH_PLAIN=1 leaves
/// the changed copies out.
/// @return 0, or 1 where the labels cannot be read.
int benchLabelled(const char* folder);

} // namespace bench
