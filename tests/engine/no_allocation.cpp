// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/no_allocation.h"

#include <cstdlib>
#include <new>

namespace {

thread_local bool forbidden = false;
thread_local int counted = 0;
thread_local std::size_t largest = 0;

void* allocate(std::size_t size)
{
    if (forbidden) {
        ++counted;
        throw std::bad_alloc(); // a noexcept function ends the program here
    }
    if (size > largest)
        largest = size;
    if (void* memory = std::malloc(size == 0 ? 1 : size))
        return memory;
    throw std::bad_alloc();
}

void release(void* memory) noexcept
{
    if (forbidden && memory != nullptr)
        ++counted;
    std::free(memory);
}

} // namespace

namespace probe {

NoAllocation::NoAllocation()
{
    counted = 0;
    forbidden = true;
}
NoAllocation::~NoAllocation()
{
    forbidden = false;
}
int NoAllocation::crimes()
{
    return counted;
}

LargestRequest::LargestRequest()
{
    largest = 0;
}
std::size_t LargestRequest::bytes() const
{
    return largest;
}

} // namespace probe

void* operator new(std::size_t size)
{
    return allocate(size);
}
void* operator new[](std::size_t size)
{
    return allocate(size);
}
// Sorting asks this one for room, and gives it back to the plain operator.
void* operator new(std::size_t size, const std::nothrow_t&) noexcept
{
    try {
        return allocate(size);
    } catch (const std::bad_alloc&) {
        return nullptr;
    }
}
void operator delete(void* memory) noexcept
{
    release(memory);
}
void operator delete[](void* memory) noexcept
{
    release(memory);
}
void operator delete(void* memory, std::size_t) noexcept
{
    release(memory);
}
void operator delete[](void* memory, std::size_t) noexcept
{
    release(memory);
}
