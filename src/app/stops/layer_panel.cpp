// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/layer_panel.h"

#include "app/stops/stop_view.h"

namespace puretone::app {

LayerPanel::LayerPanel(Session& session, FieldColumn* into)
    : QWidget(into)
    , session_(session)
    , list_(new LayerList(into))
{
    hide(); // its parts stand in the column
    into->column()->addWidget(list_);
    const auto buttons = into->addButtons({{tr("Add"), tr("A new layer, on top of the others")},
        {tr("Copy"), tr("Another layer like the one on screen")},
        {tr("Remove"), tr("Takes the layer on screen away; its takes stay")}});
    copy_ = buttons[1];
    remove_ = buttons[2];
    into->addRule();
    connect(buttons[0], &QPushButton::clicked, this, [this] {
        LayerId made;
        session_.edit(tr("Add layer"), [&](Instrument& next) { made = addLayer(next); });
        session_.showLayer(made);
    });
    connect(copy_, &QPushButton::clicked, this, [this] {
        LayerId made;
        session_.edit(tr("Copy layer"),
            [&, id = session_.layer().id](Instrument& next) { made = duplicateLayer(next, id); });
        session_.showLayer(made);
    });
    connect(remove_, &QPushButton::clicked, this, [this] { remove(session_.layer().id); });
    connect(list_, &LayerList::chosen, this, [this](LayerId id) { session_.showLayer(id); });
    connect(list_, &LayerList::removeAsked, this, &LayerPanel::remove);
    connect(list_, &LayerList::moveAsked, this, &LayerPanel::move);
    connect(list_, &LayerList::switched, this, [this](LayerId id, bool on) {
        session_.edit(on ? tr("Switch layer on") : tr("Switch layer off"), [&](Instrument& next) {
            if (Layer* layer = next.layer(id))
                layer->on = on;
        });
    });
    connect(list_, &LayerList::renamed, this, [this](LayerId id, const QString& name) {
        session_.edit(tr("Name layer"), [&](Instrument& next) {
            if (Layer* layer = next.layer(id))
                layer->name = name.toStdString();
        });
    });
}

void LayerPanel::addFields(FieldColumn* into)
{
    into = into->addFold(tr("How the layer is played"), QStringLiteral("layer"), true);
    when_ = into->addChoice(tr("Sounds"),
        tr("When this layer sounds. On release: a key that is let go plays it once, to its end."),
        {tr("on press"), tr("on release"), tr("at phrase start"), tr("within phrases")});
    sameKeys_ = into->addChoice(tr("Same keys"),
        tr("What takes of this layer do that share keys and touch"),
        {tr("all together"), tr("in turn"), tr("at random")});
    level_ = into->addField(
        decibelField(tr("Level"), tr("Of this layer against the others"), -60.0, 24.0, 0.0));
    place_ = into->addField(placeField(tr("Place"), tr("Left or right")));
    octave_ = into->addField(countField(tr("Octave"), tr("Octaves up or down"), -4, 4, 0));
    fine_ = into->addField(centsField(tr("Fine tune"), tr("Of the whole layer"), -100.0, 100.0));
    follow_ = into->addField(percentField(tr("Follow keys"),
        tr("How far the pitch follows the keys: 0 % plays the same pitch on all of them"), 1.0,
        2.0));
    choke_ = into->addField(countField(
        tr("Ends group"), tr("A note ends all others of its group; 0 for no group"), 0, 16, 0));
    connect(when_, &ChoiceField::chosen, this, [this](int index) {
        session_.editLayer(
            tr("Change when it sounds"), [&](Layer& l) { l.when = SoundsWhen(index); });
    });
    connect(sameKeys_, &ChoiceField::chosen, this, [this](int index) {
        session_.editLayer(tr("Change turns"), [&](Layer& l) { l.sameKeys = SameKeys(index); });
    });
    connectField(level_, tr("Set layer level"), [](Layer& l, double value) { l.levelDb = value; });
    connectField(place_, tr("Place layer"), [](Layer& l, double value) { l.pan = value; });
    connectField(octave_, tr("Change octave"),
        [](Layer& l, double value) { l.octave = int(std::lround(value)); });
    connectField(fine_, tr("Tune layer"), [](Layer& l, double value) { l.fineCents = value; });
    connectField(
        follow_, tr("Change pitch follow"), [](Layer& l, double value) { l.follow = value; });
    connectField(choke_, tr("Change group"),
        [](Layer& l, double value) { l.chokeGroup = int(std::lround(value)); });
}

void LayerPanel::connectField(
    ValueField* field, const QString& step, std::function<void(Layer&, double)> change)
{
    connect(field, &ValueField::edited, this,
        [this, step, change = std::move(change)](double value, bool first) {
            if (first)
                gesture_ = session_.newGesture();
            session_.editLayer(
                step, [&](Layer& layer) { change(layer, value); }, gesture_);
        });
}

void LayerPanel::remove(LayerId id)
{
    session_.edit(tr("Remove layer"), [&](Instrument& next) {
        // The last one stays: an instrument has at least one.
        if (next.layers.size() > 1)
            std::erase_if(next.layers, [&](const Layer& layer) { return layer.id == id; });
    });
}

void LayerPanel::move(LayerId id, int by)
{
    session_.edit(tr("Move layer"), [&](Instrument& next) {
        const Layer* layer = next.layer(id);
        if (layer == nullptr)
            return;
        const auto from = layer - next.layers.data();
        const auto to = from + by;
        if (to >= 0 && to < std::ptrdiff_t(next.layers.size()))
            std::swap(next.layers[std::size_t(from)], next.layers[std::size_t(to)]);
    });
}

void LayerPanel::refresh()
{
    const Layer& layer = session_.layer();
    const auto& layers = session_.instrument().layers;
    list_->setLayers(layers, layer.id);
    copy_->setEnabled(layers.size() < mostLayers);
    remove_->setEnabled(layers.size() > 1);
    when_->setIndex(int(layer.when));
    sameKeys_->setIndex(int(layer.sameKeys));
    level_->setValue(layer.levelDb);
    place_->setValue(layer.pan);
    octave_->setValue(layer.octave);
    fine_->setValue(layer.fineCents);
    follow_->setValue(layer.follow);
    choke_->setValue(layer.chokeGroup);
}

} // namespace puretone::app
