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

using Four [[gnu::vector_size(16)]] = float;
using Eight [[gnu::vector_size(32)]] = float;

/// From and to anywhere in memory. GCC does best with types of lower alignment, which clang forgets
/// once they are referred to.
#if defined(__clang__)
template <class V> [[gnu::always_inline]] inline void load(const float* from, V& into)
{
    __builtin_memcpy(&into, from, sizeof into);
}
template <class V> [[gnu::always_inline]] inline void store(const V& value, float* to)
{
    __builtin_memcpy(to, &value, sizeof value);
}
#else
template <class V> [[gnu::always_inline]] inline void load(const float* from, V& into)
{
    using Anywhere [[gnu::vector_size(sizeof(V)), gnu::aligned(4), gnu::may_alias]] = float;
    into = *reinterpret_cast<const Anywhere*>(from);
}
template <class V> [[gnu::always_inline]] inline void store(const V& value, float* to)
{
    using Anywhere [[gnu::vector_size(sizeof(V)), gnu::aligned(4), gnu::may_alias]] = float;
    *reinterpret_cast<Anywhere*>(to) = value;
}
#endif

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
