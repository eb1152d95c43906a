// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument.h"

#include <QObject>
#include <optional>

namespace puretone::app {

class Session;

/// Hearing sounds that are no takes yet: they sound in place of the document, at once and
/// unanalysed, at their own pitch or on the keys that are held.
class Audition : public QObject {
    Q_OBJECT

public:
    explicit Audition(Session& session);

    void hear(const QString& path);
    /// The document sounds again.
    void stop();
    /// What is heard in place of the document; null where that is.
    const Instrument* instrument() const { return instrument_ ? &*instrument_ : nullptr; }
    /// The program is there: strikes it.
    void strike();

private:
    void endNote();

    Session& session_;
    std::optional<Instrument> instrument_;
    bool toStrike_ = false;
    int struck_ = -1; ///< The key that was struck for it; held keys are others'.
    int count_ = 0;
};

} // namespace puretone::app
