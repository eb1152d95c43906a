// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/files/opening.h"

#include <QStringList>
#include <optional>
#include <string>
#include <vector>

namespace puretone::app {

/// Files that join in one gesture, each as soon as those before it are ready.
struct Opening::Adding {
    QStringList files;
    std::vector<std::optional<Result<Take>>> ready;
    std::string key; ///< What the jobs are about begins with it.
    int gesture = 0;
    LayerId layer; ///< That they join; none for the one on screen.
    bool anew = false; ///< The first of them begins an instrument.
    bool founds = false; ///< The layer, beside others, was empty.
    bool begins = false; ///< There was no take before.
    std::size_t started = 0; ///< Files that have been handed to other threads.
    std::size_t next = 0; ///< First file that has not joined.
    std::size_t done = 0;
    std::size_t added = 0;
    QStringList reasons;
    std::vector<RecordingPtr> joined;

    JobKey jobKey(std::size_t index) const
    {
        return {JobKind::addFile, key + std::to_string(index)};
    }
};

} // namespace puretone::app
