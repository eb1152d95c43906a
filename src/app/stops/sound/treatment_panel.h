// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/stops/effect_fields.h"
#include "app/stops/sound/chip_row.h"
#include "app/widgets/fields/field_column.h"
#include "app/widgets/filter_view.h"

namespace puretone::app {

/// The treatments of the take on screen: chips and filter curves for the bench, the values of the
/// chosen one for the details.
class TreatmentPanel : public QObject {
    Q_OBJECT

public:
    TreatmentPanel(Session& session, QWidget* parent);
    QWidget* bench() { return bench_; }
    FieldColumn* fields() { return fields_; }
    ChipRow* chips() { return chips_; }
    FilterView* filters() { return filters_; }
    void refresh();
    /// Puts a treatment at the end of the list, as its menu entry does.
    void add(TreatmentKind what);

private:
    static constexpr std::array slopes = {6, 12, 24, 48}; ///< dB per octave.
    void buildFields();
    void addPitchFields();
    ValueField* addField(const FieldSpec& spec, std::function<void(TreatmentKind&, double)> change);
    ChoiceField* addChoice(const QString& label, const QString& tip, const QStringList& words,
        std::function<void(TreatmentKind&, int)> change);
    void change(const QString& name, const std::function<void(Treatments&)>& how, int gesture = 0);
    void changeChosen(const std::function<void(TreatmentKind&)>& how, bool first);
    void showAddMenu(const QPoint& place);
    void showChipMenu(int index, const QPoint& place);
    void toggle(int index);
    void move(int from, int to);
    void remove(int index);
    void showValues(const TreatmentKind& what);

    Session& session_;
    QWidget* bench_;
    FieldColumn* fields_;
    ChipRow* chips_;
    FilterView* filters_;
    QLabel* title_;
    ValueField *hz_, *gain_, *q_, *level_, *loudness_, *plainGain_, *amount_, *left_, *right_,
        *width_;
    ChoiceField *slope_, *mixing_;
    ValueField *semitones_, *formants_, *voiceLevel_, *apart_;
    std::array<ValueField*, 4> voices_{};
    ChoiceField* colours_;
    EffectFields* effect_; ///< Of a colour of one effect.
    QLabel* note_;
    QPushButton *switch_, *remove_, *again_, *copy_;
    std::vector<QWidget*> all_; ///< Every field, hidden unless the chosen treatment has it.
    int chosen_ = -1;
    TakeId takeShown_;
    Gesture gesture_{session_};
};

} // namespace puretone::app
