// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>

namespace probe {

/// While one of these lives, allocating or freeing with new and delete on this thread is counted as
/// a crime (see no_allocation.cpp, which replaces the operators for the whole test program).
class NoAllocation {
public:
    NoAllocation();
    ~NoAllocation();
    NoAllocation(const NoAllocation&) = delete;
    NoAllocation& operator=(const NoAllocation&) = delete;
    static int crimes();
};

/// The largest piece of memory that is asked for on this thread while it lives.
class LargestRequest {
public:
    LargestRequest();
    std::size_t bytes() const;
};

} // namespace probe
