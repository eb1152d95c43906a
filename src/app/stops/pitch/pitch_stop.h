// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/pitch/mend_panel.h"
#include "app/stops/pitch/note_table.h"
#include "app/stops/pitch/pitch_view.h"
#include "app/stops/pitch/trial_panel.h"
#include "app/stops/stop_view.h"
#include "app/widgets/fields/choice_list.h"

namespace puretone::app {

/// Which note is it? The reading with its evidence, every way to overrule it, the ear's check and
/// what can be mended.
class PitchStop final : public StopView {
    Q_OBJECT

public:
    explicit PitchStop(Session& session, QWidget* parent = nullptr);
    void refresh() override;
    ChoiceList* choices() { return choices_; }
    PitchView* line() { return line_; }
    SpectrumView* spectrum() { return spectrum_; }
    TrialPanel* trial() { return trial_; }
    NoteTable* table() { return table_; }

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void keyReleaseEvent(QKeyEvent* event) override;
    void hideEvent(QHideEvent* event) override;
    void showEvent(QShowEvent* event) override;

private:
    void buildHead();
    void buildTuning();
    void buildNaming();
    void connectTuning();
    void setTuning(
        const QString& step, const std::function<void(Tuning&)>& change, int gesture = 0);
    void nudge(double cents, bool first);
    void octave(int by);
    void showVerdict(const Take& take);
    void showTake(const Take& take);
    void showForeign(const Take& take);

    PitchView* line_;
    SpectrumView* spectrum_;
    ChoiceList* choices_;
    TrialPanel* trial_;
    MendPanel* mend_;
    NoteTable* table_;
    QLabel *note_, *cents_, *frequency_, *verdict_, *facts_;
    ValueField *root_, *fine_, *a4_;
    QPushButton *down_, *up_, *reading_, *lookUp_;
    ChoiceField *middleC_, *signs_;
    bool nudging_ = false;
};

} // namespace puretone::app
