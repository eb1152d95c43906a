// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/widgets/fields/field_column.h"

namespace puretone::app {

/// Mending a pitch: drift and vibrato taken out, a foreign tone removed. Both are treatments of the
/// take; this panel makes, changes and drops them.
class MendPanel : public QObject {
    Q_OBJECT

public:
    MendPanel(Session& session, QWidget* parent);
    /// Builds its parts, each behind a title of its own. To be called once, before anything else.
    void foldInto(FieldColumn* details);
    void refresh();
    /// A frequency was pointed at in the spectrum: offers to remove the tone there.
    void mark(double hz);
    /// The tone that is marked by hand, or proposed, or being removed.
    std::optional<double> tone() const;

signals:
    void marked();

private:
    void buildStraighten(FieldColumn* part);
    void buildTone(FieldColumn* part);
    void changeStraighten(const std::function<void(Straighten&)>& how, bool first);
    void changeTone(const std::function<void(RemoveTone&)>& how, bool first);
    void removeTone();
    const Straighten* straightening() const;
    const RemoveTone* removing() const;

    Session& session_;
    FieldColumn *straightenPart_ = nullptr, *tonePart_ = nullptr;
    bool straightenShown_ = false, toneShown_ = false;
    ValueField *drift_, *vibrato_, *hz_;
    ChoiceField *target_, *overtones_;
    QPushButton *remove_, *alone_, *keep_;
    std::optional<double> marked_;
    TakeId takeShown_;
    Gesture gesture_{session_};
};

} // namespace puretone::app
