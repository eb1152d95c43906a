// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <stop_token>

namespace puretone {

/// Passed down into long computations: they report how far they are and ask whether to stop.
struct Progress {
    std::stop_token stop;
    std::function<void(double)> report; ///< 0 to 1, called on the computing thread; may be empty.

    bool cancelled() const { return stop.stop_requested(); }
    void at(double share) const
    {
        if (report)
            report(share);
    }
    /// The part of this progress between `from` and `to`, as a progress of its own.
    Progress part(double from, double to) const
    {
        if (!report)
            return {stop, {}};
        return {stop, [outer = report, from, to](double s) { outer(from + s * (to - from)); }};
    }
};

} // namespace puretone
