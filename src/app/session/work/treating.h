// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/take_key.h"
#include "prepare/treat/treatment.h"

#include <QObject>

namespace puretone::app {

class Session;

/// What is done to the recording of the take on screen. The sound follows from the background, and
/// enters the document together with the list.
class Treating : public QObject {
    Q_OBJECT

public:
    explicit Treating(Session& session);

    /// The list, with the changes that are still being computed.
    const Treatments& list() const;
    ///
    /// @param also What else the same step changes, with the treated sound and not before.
    /// @param said When it is done.
    void set(const QString& name, Treatments treatments, int gesture = 0,
        std::function<void(Instrument&)> also = {}, const QString& said = {});
    /// Does to every other take what is done to the one on screen. What measures a stretch measures
    /// that take's own.
    void copyToAll();
    /// Gives up what is being computed: the list is again what it was before. @return Whether that
    /// was all there was to take back.
    bool drop();
    /// The same where it is this gesture's.
    void drop(int gesture);
    /// Reads the pitch and measures the loops again in the background, as they follow from what a
    /// gesture did to the sound or its kept part; a part of that gesture's step.
    void hearAgain(const TakeKey& of, int gesture);

private:
    Session& session_;
    struct Unfinished {
        TakeKey take;
        Treatments list;
        int gesture = 0;
    };
    std::optional<Unfinished> unfinished_; ///< What is being computed or waits for it.
};

} // namespace puretone::app
