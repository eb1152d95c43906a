// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/keys/layer_panel.h"

#include "app/stops/stop_view.h"
#include "app/theme/theme.h"

namespace puretone::app {

LayerPanel::LayerPanel(Session& session, FieldColumn* into)
    : QWidget(into)
    , session_(session)
{
    hide(); // its parts stand in the column
    into->addHeading(tr("Layer"));
    auto* row = new QHBoxLayout;
    auto* label = new QLabel(tr("Name"), into);
    label->setProperty("role", "quiet");
    name_ = new QLineEdit(into);
    name_->setFixedWidth(128);
    name_->setMaxLength(60);
    name_->setAccessibleName(tr("Name of the layer"));
    name_->setToolTip(tr("What the lane is called"));
    name_->setFont(Theme::font(13, Theme::Weight::medium));
    row->addWidget(label, 1);
    row->addWidget(name_);
    into->column()->addLayout(row);
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        const QString name = name_->text().trimmed();
        if (name_->isModified() && !name.isEmpty())
            session_.editLayer(
                tr("Name layer"), [&](Layer& layer) { layer.name = name.toStdString(); });
        name_->setModified(false);
    });
    addWhen(into);
    follow_ = into->addField(percentField(tr("Follow keys"),
        tr("How far the pitch follows the keys: 0 % plays the same pitch on all of them"), 1.0,
        2.0));
    connectToLayer(session_, follow_, tr("Change pitch follow"),
        [](Layer& l, double value) { l.follow = value; });
    manner_ = new MannerPanel(session_, into);
    addNumbers(into);
}

void LayerPanel::addWhen(FieldColumn* into)
{
    when_ = into->addChoice(tr("Sounds"),
        tr("When this layer sounds. On release: a key that is let go plays it once, to its end."),
        {tr("on press"), tr("on release"), tr("at phrase start"), tr("within phrases")});
    fall_ = into->addField(decibelField(tr("Falls a second"),
        tr("On release: how much softer for each second that the key was held"), 0.0, 60.0, 0.0));
    sameKeys_ = into->addChoice(tr("Same keys"),
        tr("What takes of this layer do that share keys and touch"),
        {tr("all together"), tr("in turn"), tr("at random")});
    turns_ = into->addChoice(tr("Turns"), tr("Whether every key has its own turn"),
        {tr("for each key"), tr("over all keys")});
    connect(when_, &ChoiceField::chosen, this, [this](int index) {
        session_.editLayer(
            tr("Change when it sounds"), [&](Layer& l) { l.when = SoundsWhen(index); });
    });
    connect(sameKeys_, &ChoiceField::chosen, this, [this](int index) {
        session_.editLayer(tr("Change turns"), [&](Layer& l) { l.sameKeys = SameKeys(index); });
    });
    connect(turns_, &ChoiceField::chosen, this, [this](int index) {
        session_.editLayer(tr("Change turns"), [&](Layer& l) { l.turnsOverAllKeys = index == 1; });
    });
    connectToLayer(session_, fall_, tr("Change fall on release"),
        [](Layer& l, double value) { l.fallDbPerSecond = value; });
}

void LayerPanel::addNumbers(FieldColumn* into)
{
    level_ = into->addField(
        decibelField(tr("Level"), tr("Of this layer against the others"), -60.0, 24.0, 0.0));
    place_ = into->addField(placeField(tr("Place"), tr("Left or right")));
    octave_ = into->addField(countField(tr("Octave"), tr("Octaves up or down"), -4, 4, 0));
    fine_ = into->addField(centsField(tr("Fine tune"), tr("Of the whole layer"), -100.0, 100.0));
    voices_ = into->addField(countField(tr("At once"), tr("Notes at once; the oldest makes room"),
        1, Layer::mostVoices, Layer::mostVoices));
    choke_ = into->addField(countField(
        tr("Ends group"), tr("A note ends all others of its group; 0 for no group"), 0, 16, 0));
    blends_ = into->addChoice(tr("Blend"),
        tr("Layers that blend share one level, from the first of them to the last"),
        {tr("stands alone"), tr("blends")});
    blend_ = into->addField(percentField(tr("Blend stands at"),
        tr("0 % plays the first of the layers that blend, 100 % the last, at equal power between"),
        0.0));
    connectToLayer(
        session_, level_, tr("Set layer level"), [](Layer& l, double value) { l.levelDb = value; });
    connectToLayer(
        session_, place_, tr("Place layer"), [](Layer& l, double value) { l.pan = value; });
    connectToLayer(session_, octave_, tr("Change octave"),
        [](Layer& l, double value) { l.octave = int(std::lround(value)); });
    connectToLayer(
        session_, fine_, tr("Tune layer"), [](Layer& l, double value) { l.fineCents = value; });
    connectToLayer(session_, voices_, tr("Change voices"),
        [](Layer& l, double value) { l.voices = int(std::lround(value)); });
    connectToLayer(session_, choke_, tr("Change group"),
        [](Layer& l, double value) { l.chokeGroup = int(std::lround(value)); });
    connect(blends_, &ChoiceField::chosen, this, [this](int index) {
        session_.editLayer(tr("Change blend"), [&](Layer& l) { l.blends = index == 1; });
    });
    connect(blend_, &ValueField::edited, this,
        [this, gesture = Gesture(session_)](double value, bool first) mutable {
            session_.edit(
                tr("Blend layers"), [&](Instrument& next) { next.blend = value; },
                gesture.next(first));
        });
}

void LayerPanel::editName()
{
    name_->setFocus();
    name_->selectAll();
}

void LayerPanel::refresh()
{
    const Layer& layer = session_.layer();
    if (!name_->hasFocus() || !name_->isModified()) {
        name_->setText(QString::fromStdString(layer.name));
        name_->setCursorPosition(0);
        name_->setModified(false);
    }
    when_->setIndex(int(layer.when));
    fall_->setVisible(layer.when == SoundsWhen::release);
    fall_->setValue(layer.fallDbPerSecond);
    sameKeys_->setIndex(int(layer.sameKeys));
    turns_->setVisible(layer.sameKeys != SameKeys::together);
    turns_->setIndex(layer.turnsOverAllKeys ? 1 : 0);
    follow_->setValue(layer.follow);
    manner_->refresh();
    level_->setValue(layer.levelDb);
    place_->setValue(layer.pan);
    octave_->setValue(layer.octave);
    fine_->setValue(layer.fineCents);
    voices_->setValue(layer.voices);
    choke_->setValue(layer.chokeGroup);
    const auto& layers = session_.instrument().layers;
    blends_->setVisible(layers.size() > 1);
    blends_->setIndex(layer.blends ? 1 : 0);
    blend_->setVisible(
        std::count_if(layers.begin(), layers.end(), [](const Layer& l) { return l.blends; }) > 1);
    blend_->setValue(session_.instrument().blend);
}

} // namespace puretone::app
