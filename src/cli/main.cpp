// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/threads/large_memory.h"
#include "cli/commands.h"

#include <iostream>

int main(int argc, char** argv)
{
    puretone::returnLargeMemory();
    return puretone::runCommandLine({argv + 1, argv + argc}, std::cout, std::cerr);
}
