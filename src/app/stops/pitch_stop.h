// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/stop_view.h"
#include "app/widgets/choice_list.h"
#include "app/widgets/pitch_view.h"

namespace puretone::app {

/// Which note is it? The reading with its evidence, and every way to overrule it.
class PitchStop final : public StopView {
    Q_OBJECT

public:
    explicit PitchStop(Session& session, QWidget* parent = nullptr);
    void refresh() override;
    ChoiceList* choices() { return choices_; }

private:
    void setTuning(
        const QString& step, const std::function<void(Tuning&)>& change, int gesture = 0);
    void showVerdict(const Take& take);

    PitchView* line_;
    SpectrumView* spectrum_;
    ChoiceList* choices_;
    QLabel *note_, *cents_, *frequency_, *verdict_;
    ValueField *root_, *fine_;
    QPushButton *down_, *up_, *reading_;
    ChoiceField *middleC_, *signs_;
};

} // namespace puretone::app
