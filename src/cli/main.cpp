// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/commands.h"

#include <iostream>

int main(int argc, char** argv)
{
    return puretone::runCommandLine({argv + 1, argv + argc}, std::cout, std::cerr);
}
