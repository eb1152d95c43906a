// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/keys_stop.h"

#include "base/quantity.h"
#include "model/lay_out.h"

#include "app/theme/theme.h"
#include "model/take_maker.h"

namespace puretone::app {

namespace {

QString wordsFor(const LaidOut& done)
{
    QString words = done.roots == 1
        ? KeysStop::tr("All %1 takes of this layer have one root").arg(done.takes)
        : KeysStop::tr("%1 takes on %2 roots, borders halfway between them")
              .arg(done.takes)
              .arg(done.roots);
    if (done.shared == LaidOut::Shared::byTouch)
        words += KeysStop::tr("; those of one root sound by touch, their levels %1 apart or more")
                     .arg(typeset(formatDecibels({done.leastStepDb})));
    else if (done.shared == LaidOut::Shared::inTurn)
        words += KeysStop::tr("; those of one root sound in turn");
    return words + KeysStop::tr(".");
}

std::array<int*, 4> fadesOf(Zone& zone)
{
    return {&zone.lowKeyFade, &zone.highKeyFade, &zone.lowVelocityFade, &zone.highVelocityFade};
}

} // namespace

KeysStop::KeysStop(Session& s, QWidget* parent)
    : StopView(s, tr("Keys"), parent)
    , zones_(new ZoneView(this))
{
    bench()->addWidget(zones_, 1);
    layers_ = new LayerPanel(s, details());
    const auto naming = [this] { return session().naming(); };
    layOut_ = details()->addButton(tr("Lay out by roots"),
        tr("Borders halfway between the roots of this layer's takes; those that share a root sound "
           "by touch where their levels differ clearly, otherwise in turn"));
    details()->addHeading(tr("Its keys"));
    take_ = details()->addReading(tr("Take"), tr("What these keys play"));
    root_ = details()->addReading(
        tr("Root key"), tr("The key that plays it at its own speed; set at the stop Pitch"));
    low_ =
        details()->addField(keyField(tr("Lowest key"), tr("Below it the keys are silent"), naming));
    high_ = details()->addField(
        keyField(tr("Highest key"), tr("Above it the keys are silent"), naming));
    quiet_ = details()->addField(
        countField(tr("Softest"), tr("Softer touches are silent (velocity 1 to 127)"), 1, 127, 1));
    loud_ = details()->addField(countField(
        tr("Hardest"), tr("Harder touches are silent (velocity 1 to 127)"), 1, 127, 127));
    level_ = details()->addField(
        decibelField(tr("Level"), tr("Of these keys against others"), -60.0, 24.0, 0.0));
    auto* more = details()->addFold(tr("Place, tune, crossovers"), QStringLiteral("zone"), false);
    place_ = more->addField(placeField(tr("Place"), tr("Left or right")));
    tune_ = more->addField(
        centsField(tr("Tune"), tr("Of these keys, beside the take's own"), -1200.0, 1200.0));
    const auto fade = [&](const QString& label, const QString& tip) {
        return more->addField(countField(label, tip, 0, 127, 0));
    };
    fades_ = {fade(tr("Fade, low keys"), tr("Keys over which it rises from the lowest one")),
        fade(tr("Fade, high keys"), tr("Keys over which it falls to the highest one")),
        fade(tr("Fade, soft"), tr("Touches over which it rises from the softest one")),
        fade(tr("Fade, hard"), tr("Touches over which it falls to the hardest one"))};
    layers_->addFields(details());
    details()->addRule();
    again_ = details()->addButton(
        tr("Propose a range"), tr("The keys of a piano, and two octaves around the root"));
    give_ = details()->addButton(
        tr("Give this layer the take"), tr("Lays the take on screen on keys of this layer"));
    together_ = new QLabel(this);
    together_->setWordWrap(true);
    together_->setProperty("role", "quiet");
    details()->column()->addWidget(together_);
    details()->column()->addStretch(1);
    const auto connectZone = [this](ValueField* field, const QString& step, auto change) {
        connectToInstrument(field, step, [this, change](Instrument& next, double value) {
            if (Zone* zone = zoneShown(next))
                change(*zone, int(std::lround(value)));
        });
    };
    connectZone(
        low_, tr("Set lowest key"), [](Zone& z, int v) { z.lowKey = std::min(v, z.highKey); });
    connectZone(
        high_, tr("Set highest key"), [](Zone& z, int v) { z.highKey = std::max(v, z.lowKey); });
    connectZone(quiet_, tr("Set softest touch"),
        [](Zone& z, int v) { z.lowVelocity = std::min(v, z.highVelocity); });
    connectZone(loud_, tr("Set hardest touch"),
        [](Zone& z, int v) { z.highVelocity = std::max(v, z.lowVelocity); });
    const auto connectValue = [this](ValueField* field, const QString& step, auto member) {
        connectToInstrument(field, step, [this, member](Instrument& next, double value) {
            if (Zone* zone = zoneShown(next))
                zone->*member = value;
        });
    };
    connectValue(level_, tr("Set level of keys"), &Zone::levelDb);
    connectValue(place_, tr("Place keys"), &Zone::pan);
    connectValue(tune_, tr("Tune keys"), &Zone::tuneCents);
    for (std::size_t i = 0; i < fades_.size(); ++i)
        connectZone(
            fades_[i], tr("Change crossover"), [i](Zone& z, int width) { *fadesOf(z)[i] = width; });
    connect(give_, &QPushButton::clicked, this, [this] {
        const Take* take = session().take();
        if (take != nullptr)
            session().edit(tr("Give layer a take"), [&](Instrument& next) {
                Zone zone = proposeZone(*take);
                zone.id = next.freeId();
                if (Layer* layer = next.layer(session().layer().id))
                    layer->zones.push_back(zone);
            });
    });
    connect(layOut_, &QPushButton::clicked, this, &KeysStop::layOutLayer);
    connect(again_, &QPushButton::clicked, this, [this] {
        if (const Take* t = session().take())
            session().edit(tr("Propose key range"), [&](Instrument& next) {
                Layer* layer = next.layer(session().layer().id);
                if (layer != nullptr && layer->zones.size() > 1) {
                    spreadByRoots(next, *layer);
                } else if (Zone* zone = zoneShown(next)) {
                    const ZoneId id = zone->id;
                    *zone = proposeZone(*t);
                    zone->id = id;
                }
            });
    });
    connect(zones_, &ZoneView::bordersDragged, this, [this](const Zone& zone, bool first) {
        session().edit(
            tr("Move zone border"),
            [&](Instrument& next) {
                if (Zone* z = next.zone(zone.id))
                    *z = zone;
            },
            gesture(first));
    });
    connect(zones_, &ZoneView::cancelled, this, [this] { abandonGesture(); });
}

Zone* KeysStop::zoneShown(Instrument& instrument)
{
    const Take* take = session().take();
    Layer* layer = instrument.layer(session().layer().id);
    if (take != nullptr && layer != nullptr)
        for (auto& zone : layer->zones)
            if (zone.take == take->id)
                return &zone;
    return nullptr;
}

/// What lies on the same keys and touches of the layer, where it does not sound in turn.
void KeysStop::showTogether(const Instrument& instrument, const Zone* shown)
{
    QStringList names;
    if (shown != nullptr && session().layer().sameKeys == SameKeys::together)
        for (const auto& zone : session().layer().zones)
            if (zone.id != shown->id && overlap(zone, *shown))
                if (const Take* other = instrument.take(zone.take))
                    names << QString::fromStdString(other->name);
    constexpr int most = 3;
    const auto more = names.size() - most;
    if (more > 0)
        names = names.mid(0, most) << tr("%1 more").arg(more);
    together_->setVisible(!names.isEmpty());
    together_->setText(tr("Shares keys with %1: they sound together. Set apart by keys or touch, "
                          "or in turn, each sounds alone.")
                           .arg(names.join(tr(", "))));
}

/// Levels are compared beside the window.
void KeysStop::layOutLayer()
{
    struct Work {
        Instrument before, laid;
        LaidOut done;
    };
    session().background().run(
        JobKind::layOut, Background::Running::cancel,
        [work = Work{session().instrument(), session().instrument(), {}},
            id = session().layer().id](const Progress&) mutable {
            work.done = layOut(work.laid, id);
            return std::move(work);
        },
        [this](const Work& work) {
            if (!(session().instrument() == work.before))
                return; // it was changed meanwhile: ask again
            session().edit(
                tr("Lay out by roots"), [&](Instrument& next) { next.layers = work.laid.layers; });
            session().say(wordsFor(work.done), false);
        });
}

void KeysStop::refresh()
{
    const Instrument& instrument = session().instrument();
    const Take* onScreen = session().take();
    layers_->refresh();
    zones_->setInstrument(
        instrument, onScreen != nullptr ? onScreen->id : 0, session().layer(), session().naming());
    Instrument copy = instrument;
    Zone* shown = zoneShown(copy);
    const bool has = shown != nullptr;
    for (auto* field : {low_, high_, quiet_, loud_, level_, place_, tune_, fades_[0], fades_[1],
             fades_[2], fades_[3]})
        field->setFieldEnabled(has);
    layOut_->setEnabled(session().layer().zones.size() > 1);
    again_->setVisible(has || onScreen == nullptr);
    give_->setVisible(!has && onScreen != nullptr);
    take_->clear();
    root_->clear();
    showTogether(instrument, shown);
    if (!has)
        return;
    const Zone& zone = *shown;
    const Take* take = instrument.take(zone.take);
    const QFontMetrics metrics(take_->font());
    take_->setText(metrics.elidedText(QString::fromStdString(take->name), Qt::ElideRight, 140));
    take_->setToolTip(QString::fromStdString(take->name));
    root_->setText(typeset(keyWithNumber(take->tuning.rootKey, session().naming())));
    low_->setValue(zone.lowKey);
    high_->setValue(zone.highKey);
    quiet_->setValue(zone.lowVelocity);
    loud_->setValue(zone.highVelocity);
    level_->setValue(zone.levelDb);
    place_->setValue(zone.pan);
    tune_->setValue(zone.tuneCents);
    for (std::size_t i = 0; i < fades_.size(); ++i)
        fades_[i]->setValue(*fadesOf(*shown)[i]);
}

} // namespace puretone::app
