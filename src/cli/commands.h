// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <iosfwd>
#include <string>
#include <vector>

namespace puretone {

/// The whole command line: `puretone-cli COMMAND ...` without the program's own name.
///
/// @return Exit status: 0 done, 1 input or output at fault (one sentence on `err` for each), 2
/// wrong
///         usage.
int runCommandLine(const std::vector<std::string>& arguments, std::ostream& out, std::ostream& err);

} // namespace puretone
