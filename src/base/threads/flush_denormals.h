// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#if defined(__SSE__)
#include <xmmintrin.h>
#endif

namespace puretone {

/// Denormal numbers cost a hundred times as much as others: while this lives, they are zero on this
/// thread. For every callback of an audio device.
class FlushDenormals {
public:
#if defined(__SSE__)
    FlushDenormals() noexcept
        : before_(_mm_getcsr())
    {
        _mm_setcsr(before_ | 0x8040U); // FTZ and DAZ
    }
    ~FlushDenormals()
    {
        _mm_setcsr(before_);
    }

private:
    unsigned before_;

public:
#else
    FlushDenormals() noexcept { }
#endif
    FlushDenormals(const FlushDenormals&) = delete;
    FlushDenormals& operator=(const FlushDenormals&) = delete;
};

} // namespace puretone
