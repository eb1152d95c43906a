// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>

// Some inner loops are built twice from one inlined function: for every processor, and for those
// with AVX2 and FMA. Which one runs is chosen here, for all of them alike.

#if defined(__x86_64__) && !defined(__clang__)
#define PURETONE_WIDE [[gnu::target("avx2,fma")]]
#else
#define PURETONE_WIDE
#endif

namespace puretone {

namespace detail {

inline bool processorIsWide()
{
#if defined(__x86_64__)
    return __builtin_cpu_supports("avx2") && __builtin_cpu_supports("fma");
#else
    return false;
#endif
}
inline std::atomic<bool> wide{processorIsWide()};

} // namespace detail

/// Whether the wide ones run.
inline bool wideVectors() noexcept
{
    return detail::wide.load(std::memory_order_relaxed);
}
/// Has all of them run as on a processor without. For measuring and tests.
inline void avoidWideVectors(bool avoid)
{
    detail::wide.store(!avoid && detail::processorIsWide());
}

} // namespace puretone
