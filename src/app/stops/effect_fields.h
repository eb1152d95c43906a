// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/stop_view.h"

namespace puretone::app {

/// The values of one effect, as fields made from what is known about its kind.
class EffectFields : public FieldColumn {
    Q_OBJECT

public:
    EffectFields(Session& session, QWidget* parent);
    /// Shows an effect; another kind gets other fields.
    void showEffect(const Effect& effect);

signals:
    /// The value in place `place` of the effect; `first` begins a gesture.
    void edited(std::size_t place, double value, bool first);

private:
    void build(EffectKind kind);
    void add(const ParameterFacts& facts, std::size_t place);

    Session& session_;
    FieldColumn* fields_ = nullptr; ///< Made anew for another kind.
    std::optional<EffectKind> kind_;
    std::array<ValueField*, mostParameters> values_{};
    std::array<ChoiceField*, mostParameters> choices_{};
};

} // namespace puretone::app
