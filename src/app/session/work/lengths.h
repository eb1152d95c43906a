// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/making/kept_length.h"

#include <QObject>
#include <QTimer>

namespace puretone::app {

class Session;

/// Sounds for layers that keep the length of their takes: made beside the window, those near the
/// roots first. Until then their keys play as recorded.
class Lengths : public QObject {
    Q_OBJECT

public:
    explicit Lengths(Session& session);

    struct State {
        std::size_t wanted = 0, made = 0;
        std::size_t tooLong = 0; ///< Takes that are played as recorded.
        std::uint64_t bytes = 0;
    };
    const State& state() const { return state_; }
    const KeptLengths& made() const { return made_; }
    /// After the document changed.
    void refresh();

private:
    void makeMore();
    void reckon();

    Session& session_;
    KeptLengths made_;
    State state_;
    QTimer soon_;
};

} // namespace puretone::app
