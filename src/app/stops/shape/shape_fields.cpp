// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/shape/shape_fields.h"

namespace puretone::app {

namespace {
constexpr const char* targetProperty = "target";
}

ValueField* ShapeFields::add(
    FieldColumn* into, FieldSpec spec, const QString& step, Get get, Set set, Session::Shaped which)
{
    auto* field = into->addField(std::move(spec));
    QObject::connect(field, &ValueField::edited, field,
        [&session = session_, step, set = std::move(set), which, gesture = Gesture(session_)](
            double value, bool first) mutable {
            session.editShape(
                step, [&](Layer& layer) { set(layer, value); }, gesture.next(first), which);
        });
    shown_.push_back({field, nullptr, std::move(get)});
    return field;
}

ValueField* ShapeFields::add(
    FieldColumn* into, FieldSpec spec, const QString& step, double Layer::*number)
{
    return add(
        into, std::move(spec), step, [=](const Layer& l) { return l.*number; },
        [=](Layer& l, double value) { l.*number = value; });
}

ChoiceField* ShapeFields::addChoice(FieldColumn* into, const QString& label, const QString& tip,
    const QStringList& words, const QString& step, Get get, Set set, Session::Shaped which)
{
    auto* choice = into->addChoice(label, tip, words);
    QObject::connect(choice, &ChoiceField::chosen, choice,
        [&session = session_, step, set = std::move(set), which](int index) {
            session.editShape(
                step, [&](Layer& layer) { set(layer, double(index)); }, 0, which);
        });
    shown_.push_back({nullptr, choice, std::move(get)});
    return choice;
}

void ShapeFields::refresh()
{
    const auto& layers = session_.instrument().layers;
    for (const Shown& shown : shown_) {
        const double value = shown.get(session_.layer());
        const bool various = session_.shapesAll()
            && std::any_of(layers.begin(), layers.end(),
                [&](const Layer& layer) { return shown.get(layer) != value; });
        if (shown.choice != nullptr)
            shown.choice->setIndex(int(value));
        else if (various)
            shown.field->setVarious(value);
        else
            shown.field->setValue(value);
    }
}

ValueField* moves(Target target, ValueField* field)
{
    field->setProperty(targetProperty, int(target));
    return field;
}

std::optional<Target> targetOf(const QWidget* widget)
{
    for (; widget != nullptr; widget = widget->parentWidget())
        if (const auto target = widget->property(targetProperty); target.isValid())
            return Target(target.toInt());
    return std::nullopt;
}

} // namespace puretone::app
