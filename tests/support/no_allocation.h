// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

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

} // namespace probe
