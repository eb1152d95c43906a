// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "loop/joint/tone.h"
#include "loop/search/remedy.h"
#include "loop/search/seam_map.h"
#include "model/edits/loop_copy.h"

#include <QObject>

namespace puretone::app {

class Session;

/// What is done about loops: of the take on screen, unless it says otherwise.
class Looping : public QObject {
    Q_OBJECT

public:
    explicit Looping(Session& session);

    /// Searches loops in the kept part again, in the background; takes the best.
    /// @param gesture That it belongs to: one step with what was done by the hand.
    void find(int gesture = 0);
    /// The same inside one stretch; where it holds none, the loop and its choices stay.
    void findWithin(Span stretch);
    /// Loops as well as can be with posts near these, in the background. @param like Curve, mode
    /// and evening.
    void loopAround(Span wanted, const Loop& like, const QString& stepName);
    /// Gives the loop on screen to the other takes of its layer.
    void copyToOthers(LoopCopy how, bool stagger);
    /// How the current loop measures, where that is known.
    std::optional<LoopCandidate> seam() const;
    /// What would help the current loop, where something was found; otherwise null.
    const LoopRemedy* remedy() const;
    /// The tone that a very short loop is by itself.
    std::optional<Hz> tone() const;
    /// Has the map of the kept part drawn, coarse first; Session::derivedChanged tells of every
    /// step.
    void drawMap();
    const std::shared_ptr<const SeamMap>& map() const { return map_; }
    /// After the document changed.
    void refresh();

private:
    void findRemedy(const AudioPtr& sound, Span kept, std::optional<double> period);

    Session& session_;
    std::optional<LoopCandidate> seam_;
    TakeId seamOf_;
    AudioPtr seamSound_;
    std::optional<LoopRemedy> remedy_; ///< Of seam_.
    std::optional<Hz> tone_;
    std::shared_ptr<const SeamMap> map_;
    AudioPtr mapSound_;
    Span mapKept_;
};

} // namespace puretone::app
