// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/edits/ready_shape.h"

#include <QObject>

namespace puretone::app {

class Session;

/// Shapes that are made from what the takes sound like. Takes are listened to in the background, on
/// the first time; each shape is one step that is there at once where all of them are known.
class Shaping : public QObject {
    Q_OBJECT

public:
    explicit Shaping(Session& session);

    /// Gives the layer on screen, or all where shapes belong to all, a ready shape.
    void give(ReadyShape shape);
    /// Puts the inner start of every take of the layer on screen where its attack is over.
    void findInnerStarts();

signals:
    /// What was done, or is being done, in a sentence.
    void told(const QString& sentence);

private:
    using Use = std::function<void()>;
    void whenHeard(const std::vector<LayerId>& layers, const Use& use);

    Session& session_;
    HeardTakes heard_;
};

} // namespace puretone::app
