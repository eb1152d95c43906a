// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/threads/progress.h"
#include "model/instrument/instrument.h"

#include <QObject>
#include <functional>
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
    /// Plays another instrument in place of the document, with what keys are pressed.
    /// @param make Makes it, beside the window.
    void hearInstead(std::function<Instrument(const Progress&)> make);
    /// The document sounds again.
    void stop();
    /// What is heard in place of the document; null where that is.
    const Instrument* instrument() const { return instrument_ ? &*instrument_ : nullptr; }
    /// The program is there: strikes it.
    void strike();
    /// What was struck for it ends as soon as somebody plays it on keys.
    void giveWay();

private:
    void endNote();
    bool otherKeysDown(int own) const;

    Session& session_;
    std::optional<Instrument> instrument_;
    bool toStrike_ = false;
    int struck_ = -1; ///< The key that was struck for it; held keys are others'.
    int ended_ = -1; ///< The one before, whose end the engine may not have heard of.
    int count_ = 0;
};

} // namespace puretone::app
