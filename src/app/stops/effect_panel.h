// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/stop_view.h"

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
    void build(EffectKind kind);
    void addField(const ParameterFacts& facts, std::size_t place);
    void askForImpulse();
    void askForMovement();
    void edit(const QString& name, std::size_t place, double value, int gesture);

    Session& session_;
    FieldColumn* column_;
    FieldColumn* fields_ = nullptr; ///< Made anew for another kind.
    QLabel *title_, *hint_;
    QPushButton *earlier_, *later_, *move_, *remove_;
    QPushButton* impulse_ = nullptr;
    int id_ = 0;
    std::optional<EffectKind> kind_;
    std::array<ValueField*, mostParameters> values_{};
    std::array<ChoiceField*, mostParameters> choices_{};
    int gesture_ = 0;
};

/// A field for a parameter.
FieldSpec fieldOf(const ParameterFacts& facts, const std::function<Naming()>& naming);

/// Effects to be added, by what they do, and ready chains.
void fillEffectMenu(
    QMenu& menu, const std::function<void(EffectKind)>& add, const std::function<void(int)>& ready);

} // namespace puretone::app
