// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <functional>

namespace puretone {

/// Calls `work` for 0 to count - 1 on all cores, each once, in no order, and waits for the last.
///
/// Where `work` throws, what was begun is finished, nothing more is begun, and the first exception
/// is thrown on to the caller.
void onAllCores(std::size_t count, const std::function<void(std::size_t)>& work);

} // namespace puretone
