// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <malloc.h>

namespace puretone {

/// Gives recordings and copies back to the system as soon as they are freed. The C library would
/// otherwise learn from the first large piece to keep all later ones. At the start of a program.
inline void returnLargeMemory()
{
    mallopt(M_MMAP_THRESHOLD, 512 * 1024);
}

} // namespace puretone
