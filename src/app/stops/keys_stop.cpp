// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/keys_stop.h"

#include "app/theme/theme.h"
#include "model/take_maker.h"

namespace puretone::app {

KeysStop::KeysStop(Session& s, QWidget* parent)
    : StopView(s, tr("Keys"), parent)
    , zones_(new ZoneView(this))
{
    bench()->addWidget(zones_, 1);
    const auto naming = [this] { return session().naming(); };
    take_ = details()->addReading(tr("Take"), tr("What these keys play"));
    root_ = details()->addReading(
        tr("Root key"), tr("The key that plays it at its own speed; set at the stop Pitch"));
    details()->addRule();
    low_ =
        details()->addField(keyField(tr("Lowest key"), tr("Below it the keys are silent"), naming));
    high_ = details()->addField(
        keyField(tr("Highest key"), tr("Above it the keys are silent"), naming));
    quiet_ = details()->addField(
        countField(tr("Softest"), tr("Softer touches are silent (velocity 1 to 127)"), 1, 127, 1));
    loud_ = details()->addField(countField(
        tr("Hardest"), tr("Harder touches are silent (velocity 1 to 127)"), 1, 127, 127));
    details()->addRule();
    auto* again = details()->addButton(
        tr("Propose a range"), tr("The keys of a piano, and two octaves around the root"));
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
    connect(again, &QPushButton::clicked, this, [this] {
        if (const Take* t = session().take())
            session().edit(tr("Propose key range"), [&](Instrument& next) {
                if (next.takes.size() > 1) {
                    spreadByRoots(next);
                } else if (Zone* zone = zoneShown(next)) {
                    const int id = zone->id;
                    *zone = proposeZone(*t);
                    zone->id = id;
                }
            });
    });
    connect(zones_, &ZoneView::bordersDragged, this, [this](const Zone& zone, bool first) {
        session().edit(
            tr("Move zone border"),
            [&](Instrument& next) {
                for (auto& z : next.zones)
                    if (z.id == zone.id)
                        z = zone;
            },
            gesture(first));
    });
    connect(zones_, &ZoneView::cancelled, this, [this] { abandonGesture(); });
}

Zone* KeysStop::zoneShown(Instrument& instrument)
{
    const Take* take = session().take();
    for (auto& zone : instrument.zones)
        if (take != nullptr && zone.take == take->id)
            return &zone;
    return nullptr;
}

/// Until takes can take turns, what lies on the same keys and touches is heard at once.
void KeysStop::showTogether(const Instrument& instrument, const Zone* shown)
{
    QStringList names;
    if (shown != nullptr)
        for (const auto& zone : instrument.zones)
            if (zone.id != shown->id && overlap(zone, *shown))
                if (const Take* other = instrument.take(zone.take))
                    names << QString::fromStdString(other->name);
    constexpr int most = 3;
    const auto more = names.size() - most;
    if (more > 0)
        names = names.mid(0, most) << tr("%1 more").arg(more);
    together_->setVisible(!names.isEmpty());
    together_->setText(tr(
        "Shares keys with %1: they sound together. Set apart by keys or touch, each sounds alone.")
                           .arg(names.join(tr(", "))));
}

void KeysStop::refresh()
{
    const Instrument& instrument = session().instrument();
    const Take* onScreen = session().take();
    zones_->setInstrument(instrument, onScreen != nullptr ? onScreen->id : 0, session().naming());
    Instrument copy = instrument;
    const Zone* shown = zoneShown(copy);
    const bool has = shown != nullptr;
    for (auto* field : {low_, high_, quiet_, loud_})
        field->setFieldEnabled(has);
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
}

} // namespace puretone::app
