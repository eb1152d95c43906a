// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/keys/manner_panel.h"

#include "app/stops/stop_view.h"
#include "app/theme/theme.h"
#include "base/quantity.h"
#include "base/song_time.h"

namespace puretone::app {

MannerPanel::MannerPanel(Session& session, FieldColumn* into)
    : QWidget(into)
    , session_(session)
{
    hide(); // its parts stand in the column
    manner_ = into->addChoice(tr("Plays"),
        tr("As recorded: speed and pitch together. Its own length: every key lasts the same. A "
           "frozen moment: one place of the take for as long as the key is held."),
        {tr("as recorded"), tr("own length"), tr("frozen moment")});
    connect(manner_, &ChoiceField::chosen, this, [this](int index) {
        session_.editLayer(
            tr("Change playing manner"), [&](Layer& l) { l.manner = Manner(index); });
        if (Manner(index) == Manner::keepsLength)
            FieldColumn::bringIntoView(manner_, lengths_);
        if (Manner(index) == Manner::frozen)
            FieldColumn::bringIntoView(manner_, scatterPitch_);
    });
    addLength(into);
    addFrozen(into);
    addScatter(into);
    ofFrozen_ = {strip_, place_, size_, density_, grains_, direction_, drift_, edges_,
        scatterPlace_, scatterSize_, scatterPitch_};
}

void MannerPanel::addLength(FieldColumn* into)
{
    formants_ = into->addChoice(tr("Formants"),
        tr("Whether the colour of a voice stays where it is, or moves with the pitch"),
        {tr("move"), tr("are kept")});
    connect(formants_, &ChoiceField::chosen, this, [this](int index) {
        session_.editLayer(tr("Change formants"), [&](Layer& l) { l.keepsFormants = index == 1; });
    });
    lengths_ = new QLabel(into);
    lengths_->setWordWrap(true);
    lengths_->setProperty("role", "quiet");
    into->column()->addWidget(lengths_);
}

void MannerPanel::addFrozen(FieldColumn* into)
{
    const Frozen standard;
    strip_ = new PlaceStrip(into);
    into->column()->addWidget(strip_);
    connect(strip_, &PlaceStrip::dragged, this, [this](double place, bool first) {
        session_.editLayer(
            tr("Move frozen place"), [&](Layer& l) { l.frozen.place = place; },
            gesture_.next(first));
    });
    place_ = into->addField(
        percentField(tr("Moment"), tr("The place of the take that is held"), standard.place));
    size_ = into->addField(songTimeField(tr("Grain"),
        tr("How long each piece of it lasts, in seconds or as a note (1/16); shorter than a period "
           "it is a tone of its own"),
        0.001, 0.5, standard.sizeSeconds));
    density_ = into->addField(countField(
        tr("Grains at once"), tr("How many of them overlap"), 1, Frozen::most, standard.density));
    grains_ = new QLabel(into);
    grains_->setProperty("role", "quiet");
    into->column()->addWidget(grains_);
    showGrains(0);
    direction_ = into->addChoice(tr("Direction"), tr("Which way grains run"),
        {tr("forwards"), tr("backwards"), tr("either way")});
    connect(direction_, &ChoiceField::chosen, this, [this](int index) {
        session_.editLayer(tr("Change direction of grains"),
            [&](Layer& l) { l.frozen.direction = Frozen::Direction(index); });
    });
    drift_ = into->addField(percentField(tr("Wanders"),
        tr("How fast the place moves through the take, there and back, against its own speed"),
        0.0));
    edges_ = into->addChoice(tr("Edges"), tr("How grains begin and end"), {tr("soft"), tr("hard")});
    connect(edges_, &ChoiceField::chosen, this, [this](int index) {
        session_.editLayer(
            tr("Change edges of grains"), [&](Layer& l) { l.frozen.hardEdges = index == 1; });
    });
    connectToLayer(
        session_, place_, tr("Move frozen place"), [](Layer& l, double v) { l.frozen.place = v; });
    connectToLayer(session_, size_, tr("Change grain size"), [](Layer& l, double v) {
        l.frozen.sizeBeats = isInBeats(v) ? -v : 0.0;
        if (!isInBeats(v))
            l.frozen.sizeSeconds = v;
    });
    connectToLayer(session_, density_, tr("Change grains at once"),
        [](Layer& l, double v) { l.frozen.density = int(std::lround(v)); });
    connectToLayer(
        session_, drift_, tr("Change wandering"), [](Layer& l, double v) { l.frozen.drift = v; });
}

void MannerPanel::addScatter(FieldColumn* into)
{
    scatterPlace_ = into->addField(secondsField(
        tr("Scatter, place"), tr("How far grains begin from the place, at random"), 0.0, 1.0, 0.0));
    scatterSize_ = into->addField(
        percentField(tr("Scatter, size"), tr("How far their lengths differ, at random"), 0.0));
    scatterPitch_ = into->addField(centsField(
        tr("Scatter, pitch"), tr("How far their pitches differ, at random"), 0.0, 1200.0));
    connectToLayer(session_, scatterPlace_, tr("Scatter grains"),
        [](Layer& l, double v) { l.frozen.scatterSeconds = v; });
    connectToLayer(session_, scatterSize_, tr("Scatter grains"),
        [](Layer& l, double v) { l.frozen.scatterSize = v; });
    connectToLayer(session_, scatterPitch_, tr("Scatter grains"),
        [](Layer& l, double v) { l.frozen.scatterCents = v; });
}

const Take* MannerPanel::shownTake() const
{
    const auto& zones = session_.layer().zones;
    const Take* onScreen = session_.take();
    for (const auto& zone : zones)
        if (onScreen != nullptr && zone.take == onScreen->id)
            return onScreen;
    return zones.empty() ? nullptr : session_.instrument().take(zones.front().take);
}

void MannerPanel::showLengths()
{
    const auto& state = session_.lengths().state();
    const QString memory = typeset(formatBytes(state.bytes));
    QString words = state.wanted == 0 ? tr("Nothing to make: no key plays this layer.")
        : state.made < state.wanted
        ? tr("%1 of %2 keys are ready, %3; the others play as recorded until then.")
              .arg(state.made)
              .arg(state.wanted)
              .arg(memory)
        : tr("All %1 keys are ready, %2.").arg(state.wanted).arg(memory);
    if (state.tooLong > 0)
        words += tr(" %1 longer than a minute are played as recorded.")
                     .arg(state.tooLong == 1 ? tr("1 take") : tr("%1 takes").arg(state.tooLong));
    lengths_->setText(words);
}

void MannerPanel::showGrains(int grains)
{
    const QString text = grains == 0 ? tr("No grain sounds now.")
        : grains == 1                ? tr("1 grain sounds now.")
                                     : tr("%1 grains sound now.").arg(grains);
    if (grains_->text() != text)
        grains_->setText(text);
}

void MannerPanel::refresh()
{
    const Layer& layer = session_.layer();
    manner_->setIndex(int(layer.manner));
    const bool keeps = layer.manner == Manner::keepsLength;
    formants_->setVisible(keeps);
    lengths_->setVisible(keeps);
    if (keeps) {
        formants_->setIndex(layer.keepsFormants ? 1 : 0);
        showLengths();
    }
    const bool frozen = layer.manner == Manner::frozen;
    for (auto* widget : ofFrozen_)
        widget->setVisible(frozen);
    if (!frozen)
        return;
    const Frozen& f = layer.frozen;
    if (const Take* take = shownTake())
        strip_->setTake(session_.pictures().peaksOf(take), take->kept);
    strip_->setPlace(f.place, f.scatterSeconds);
    place_->setValue(f.place);
    size_->setValue(f.sizeBeats > 0.0 ? inBeats(f.sizeBeats) : f.sizeSeconds);
    density_->setValue(f.density);
    direction_->setIndex(int(f.direction));
    drift_->setValue(f.drift);
    edges_->setIndex(f.hardEdges ? 1 : 0);
    scatterPlace_->setValue(f.scatterSeconds);
    scatterSize_->setValue(f.scatterSize);
    scatterPitch_->setValue(f.scatterCents);
}

} // namespace puretone::app
