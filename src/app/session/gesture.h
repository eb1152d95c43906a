// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <utility>

namespace puretone::app {

class Session;

/// What one hand does at once with one thing: a drag, a run of arrow keys, a typed value. Its edits
/// are one step of undo. Whoever owns it can take back that step, and never another one.
class Gesture {
public:
    explicit Gesture(Session& session)
        : session_(&session)
    {
    }
    /// The number that its edits carry, see History::apply. @param first Begins a new one.
    int next(bool first);
    /// Esc: what it has done so far is taken back.
    void abandon();

private:
    Session* session_;
    int number_ = 0;
};

} // namespace puretone::app
