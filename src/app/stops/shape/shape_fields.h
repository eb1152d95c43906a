// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/stop_view.h"

namespace puretone::app {

/// Fields of the layer on screen, or of all layers at once: shown as "various" where those differ,
/// and named as targets, so that a controller may learn to move them.
class ShapeFields {
public:
    using Get = std::function<double(const Layer&)>;
    using Set = std::function<void(Layer&, double)>;

    explicit ShapeFields(Session& session)
        : session_(session)
    {
    }
    ValueField* add(FieldColumn* into, FieldSpec spec, const QString& step, Get get, Set set,
        Session::Shaped which = Session::Shaped::all);
    ChoiceField* addChoice(FieldColumn* into, const QString& label, const QString& tip,
        const QStringList& words, const QString& step, Get get, Set set,
        Session::Shaped which = Session::Shaped::all);
    /// A number of a layer, or of a part of it: &Layer::touch, or &Layer::filter, &Filter::hz.
    ValueField* add(FieldColumn* into, FieldSpec spec, const QString& step, double Layer::*number);
    template <class Part>
    ValueField* add(FieldColumn* into, FieldSpec spec, const QString& step, Part Layer::*part,
        double Part::*number)
    {
        return add(
            into, std::move(spec), step, [=](const Layer& l) { return l.*part.*number; },
            [=](Layer& l, double value) { l.*part.*number = value; });
    }
    /// Shows the document as it is now.
    void refresh();

private:
    struct Shown {
        ValueField* field = nullptr;
        ChoiceField* choice = nullptr;
        Get get;
    };
    Session& session_;
    std::vector<Shown> shown_;
};

/// Says of a field that movements can move it.
ValueField* moves(Target target, ValueField* field);
/// The target that a widget, or what it stands in, is a value of.
std::optional<Target> targetOf(const QWidget* widget);

} // namespace puretone::app
