// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/result.h"
#include "base/threads/progress.h"

#include <cstddef>
#include <functional>

namespace puretone {

/// Calls `work` for 0 to count - 1 on all cores, each once, in no order, and waits for the last.
///
/// Where `work` throws, what was begun is finished, nothing more is begun, and the first exception
/// is thrown on to the caller.
void onAllCores(std::size_t count, const std::function<void(std::size_t)>& work);

/// The same for work that may fail or be cancelled: what was begun is finished, nothing more is
/// begun.
///
/// @param cancelled The sentence for what is cancelled.
/// @return The first error; `cancelled` where that came first.
Result<void> tryOnAllCores(std::size_t count, const std::string& cancelled,
    const Progress& progress, const std::function<Result<void>(std::size_t)>& work);

} // namespace puretone
