// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/effect_fields.h"
#include "app/widgets/filter_view.h"

class QMenu;

namespace puretone::app {

/// The values of the effect that is chosen, as fields made from what is known about its kind.
class EffectPanel : public QWidget {
    Q_OBJECT

public:
    EffectPanel(Session& session, FieldColumn* into);
    /// @param id 0 for none.
    void choose(int id);
    int chosen() const { return id_; }
    const Effect* effect() const { return session_.instrument().effect(id_); }
    void refresh();

signals:
    void stepAsked(int by);
    void removeAsked();

private:
    void connectValues();
    void askForImpulse();
    void askForMovement();
    void edit(const QString& name, const std::function<void(Effect&)>& change, bool first);

    Session& session_;
    QLabel *title_, *hint_;
    FilterView* curve_; ///< Of an equaliser: the same hand as the treatments'.
    QPushButton* impulse_; ///< Of a space.
    EffectFields* fields_;
    QPushButton *earlier_, *later_, *move_, *remove_;
    int id_ = 0;
    int band_ = -1; ///< Of the equaliser, that is chosen in its curve.
    Gesture gesture_{session_};
};

/// Effects to be added, by what they do, and ready chains.
void fillEffectMenu(
    QMenu& menu, const std::function<void(EffectKind)>& add, const std::function<void(int)>& ready);

} // namespace puretone::app
