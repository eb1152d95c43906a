// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/effect_fields.h"

#include "base/quantity.h"

namespace puretone::app {

namespace {

FieldSpec hertzField(const ParameterFacts& facts)
{
    FieldSpec spec =
        frequencyField(said(facts.label), said(facts.tip), facts.low, facts.high, facts.standard);
    spec.format = [facts](double hz) {
        if (doesNothing(facts, hz))
            return QObject::tr("off");
        return QString::fromStdString(hz < 10.0 ? formatNumber(hz, 2) + " Hz" : formatHz(hz));
    };
    if (facts.off != ParameterFacts::Off::never) {
        const double end = facts.off == ParameterFacts::Off::atLow ? facts.low : facts.high;
        spec.parse = [end](const QString& text) {
            return text.trimmed() == QObject::tr("off") ? end : parseHz(text.toStdString());
        };
    }
    return spec;
}

/// A field for a parameter that is no choice.
FieldSpec fieldOf(const ParameterFacts& facts, const std::function<Naming()>& naming)
{
    const QString label = said(facts.label), tip = said(facts.tip);
    switch (facts.unit) {
    case ParameterUnit::share: {
        FieldSpec spec = percentField(label, tip, facts.standard, facts.high);
        spec.low = facts.low;
        return spec;
    }
    case ParameterUnit::decibels:
        return decibelField(label, tip, facts.low, facts.high, facts.standard);
    case ParameterUnit::hertz:
        return hertzField(facts);
    case ParameterUnit::seconds:
        return secondsField(label, tip, facts.low, facts.high, facts.standard);
    case ParameterUnit::songTime:
        return songTimeField(label, tip, facts.low, facts.high, facts.standard);
    case ParameterUnit::number:
        return ratioField(label, tip, facts.low, facts.high, facts.standard);
    case ParameterUnit::key:
        return keyField(label, tip, naming);
    case ParameterUnit::choice:
        break;
    }
    return countField(label, tip, facts.low, facts.high, facts.standard);
}

} // namespace

EffectFields::EffectFields(Session& session, QWidget* parent)
    : FieldColumn(parent)
    , session_(session)
{
    column()->setContentsMargins(0, 0, 0, 0);
}

void EffectFields::add(const ParameterFacts& facts, std::size_t place)
{
    if (facts.unit == ParameterUnit::choice) {
        QStringList list;
        for (const char* word : facts.words)
            if (word != nullptr)
                list << said(word);
        choices_[place] = fields_->addChoice(said(facts.label), said(facts.tip), list);
        connect(choices_[place], &ChoiceField::chosen, this,
            [this, place](int index) { emit edited(place, double(index), true); });
        return;
    }
    values_[place] = fields_->addField(fieldOf(facts, [this] { return session_.naming(); }));
    connect(values_[place], &ValueField::edited, this,
        [this, place](double value, bool first) { emit edited(place, value, first); });
}

void EffectFields::build(EffectKind kind)
{
    kind_ = kind;
    delete fields_;
    values_ = {};
    choices_ = {};
    fields_ = new FieldColumn(this);
    fields_->column()->setContentsMargins(0, 0, 0, 0);
    column()->addWidget(fields_);
    connect(fields_, &FieldColumn::refused, this, &FieldColumn::refused);
    const auto parameters = factsOf(kind).parameters;
    for (std::size_t i = 0; i < parameters.size(); ++i)
        add(parameters[i], i);
}

void EffectFields::showEffect(const Effect& effect)
{
    if (kind_ != effect.kind)
        build(effect.kind);
    for (std::size_t i = 0; i < mostParameters; ++i) {
        if (values_[i] != nullptr)
            values_[i]->setValue(effect.values[i]);
        if (choices_[i] != nullptr)
            choices_[i]->setIndex(int(effect.values[i]));
    }
    if (effect.kind == EffectKind::duck) {
        // By time or by a key: the other one means nothing.
        const bool byKey = valueOf(effect, "by") > 0.5;
        const EffectFacts& facts = factsOf(effect.kind);
        values_[std::size_t(facts.place("every"))]->setVisible(!byKey);
        values_[std::size_t(facts.place("key"))]->setVisible(byKey);
    }
}

} // namespace puretone::app
