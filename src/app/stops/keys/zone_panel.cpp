// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/keys/zone_panel.h"

#include "app/stops/stop_view.h"
#include "app/theme/theme.h"
#include "model/making/take_maker.h"

namespace puretone::app {

ZonePanel::ZonePanel(Session& session, FieldColumn* into)
    : QWidget(into)
    , session_(session)
{
    hide(); // its parts stand in the column
    heading_ = into->addHeading({});
    const auto naming = [this] { return session_.naming(); };
    addRow(
        into, keyField(tr("Lowest key"), tr("Below it the keys are silent"), naming),
        tr("Set lowest key"), [](const Zone& z) { return z.lowKey; },
        [](Zone& z, double v) {
            z.lowKey = std::min(int(std::lround(v)), z.highKey);
            z.lowKeyByHand = true;
        });
    addRow(
        into, keyField(tr("Highest key"), tr("Above it the keys are silent"), naming),
        tr("Set highest key"), [](const Zone& z) { return z.highKey; },
        [](Zone& z, double v) {
            z.highKey = std::max(int(std::lround(v)), z.lowKey);
            z.highKeyByHand = true;
        });
    addRow(
        into,
        countField(tr("Softest"), tr("Softer touches are silent (velocity 1 to 127)"), 1, 127, 1),
        tr("Set softest touch"), [](const Zone& z) { return z.lowVelocity; },
        [](Zone& z, double v) { z.lowVelocity = std::min(int(std::lround(v)), z.highVelocity); });
    addRow(
        into,
        countField(tr("Hardest"), tr("Harder touches are silent (velocity 1 to 127)"), 1, 127, 127),
        tr("Set hardest touch"), [](const Zone& z) { return z.highVelocity; },
        [](Zone& z, double v) { z.highVelocity = std::max(int(std::lround(v)), z.lowVelocity); });
    addRow(
        into, decibelField(tr("Level"), tr("Of these keys against others"), -60.0, 24.0, 0.0),
        tr("Set level of keys"), [](const Zone& z) { return z.levelDb; },
        [](Zone& z, double v) { z.levelDb = v; });
    variations_ = new QLabel(tr("Sounds of the same keys, in their order"), into);
    variations_->setProperty("role", "quiet");
    variations_->setWordWrap(true);
    into->column()->addWidget(variations_);
    stack_ = new StackList(into);
    into->column()->addWidget(stack_);
    addCrossovers(into->addFold(tr("Place, tune, crossovers"), QStringLiteral("zone"), false));
    together_ = new QLabel(into);
    together_->setWordWrap(true);
    together_->setProperty("role", "quiet");
    into->column()->addWidget(together_);
    turns_ = into->addButton(tr("Take turns"),
        tr("The sounds of this layer that share keys are played one after the other"));
    connect(turns_, &QPushButton::clicked, this, [this] {
        session_.editLayer(
            tr("Take turns"), [](Layer& layer) { layer.sameKeys = SameKeys::inTurn; });
    });
    lay_ = into->addButton(
        tr("Lay this take on keys"), tr("Lays the take on screen on keys of this layer"));
    remove_ = into->addButton(tr("Take off these keys"),
        tr("The keys no longer play it; the take itself stays (Delete)"));
    connect(lay_, &QPushButton::clicked, this, [this] {
        if (const Take* take = session_.take())
            session_.edit(tr("Lay take on keys"), [&](Instrument& next) {
                Zone zone = proposeZone(*take);
                zone.id = next.freeId();
                if (Layer* layer = next.layer(session_.layer().id))
                    layer->zones.push_back(zone);
            });
    });
    connect(remove_, &QPushButton::clicked, this, &ZonePanel::removeAsked);
    connect(stack_, &StackList::chosen, this, [this](ZoneId id) { emit chooseAsked({id}); });
    connect(stack_, &StackList::moved, this, [this](ZoneId id, int to) {
        session_.editLayer(
            tr("Order variations"), [&](Layer& layer) { moveInStack(layer, id, to); });
    });
}

void ZonePanel::addRow(
    FieldColumn* into, FieldSpec spec, const QString& step, Read read, Change change)
{
    auto* field = into->addField(std::move(spec));
    connect(field, &ValueField::edited, this,
        [this, step, change = std::move(change)](double value, bool first) {
            edit(
                step, [&](Zone& zone) { change(zone, value); }, first);
        });
    rows_.push_back({field, std::move(read)});
}

void ZonePanel::addCrossovers(FieldColumn* into)
{
    addRow(
        into, placeField(tr("Place"), tr("Left or right")), tr("Place keys"),
        [](const Zone& z) { return z.pan; }, [](Zone& z, double v) { z.pan = v; });
    addRow(
        into, centsField(tr("Tune"), tr("Of these keys, beside the take's own"), -1200.0, 1200.0),
        tr("Tune keys"), [](const Zone& z) { return z.tuneCents; },
        [](Zone& z, double v) { z.tuneCents = v; });
    struct Side {
        QString label, tip;
        int Zone::*fade;
    };
    for (const auto& [label, tip, fade] :
        {Side{tr("Fade, low keys"), tr("Keys over which it rises from the lowest one"),
             &Zone::lowKeyFade},
            Side{tr("Fade, high keys"), tr("Keys over which it falls to the highest one"),
                &Zone::highKeyFade},
            Side{tr("Fade, soft"), tr("Touches over which it rises from the softest one"),
                &Zone::lowVelocityFade},
            Side{tr("Fade, hard"), tr("Touches over which it falls to the hardest one"),
                &Zone::highVelocityFade}})
        addRow(
            into, countField(label, tip, 0, 127, 0), tr("Change crossover"),
            [fade = fade](const Zone& z) { return z.*fade; },
            [fade = fade](Zone& z, double v) { z.*fade = int(std::lround(v)); });
}

void ZonePanel::edit(const QString& step, const std::function<void(Zone&)>& change, bool first)
{
    session_.editLayer(
        step,
        [&](Layer& layer) {
            for (auto& zone : layer.zones)
                if (chosen_.contains(zone.id))
                    change(zone);
        },
        gesture_.next(first));
}

void ZonePanel::setChosen(const ZoneIds& chosen)
{
    chosen_ = chosen;
    refresh();
}

std::vector<Zone> ZonePanel::chosenZones() const
{
    std::vector<Zone> zones;
    for (const auto& zone : session_.layer().zones)
        if (chosen_.contains(zone.id))
            zones.push_back(zone);
    return zones;
}

QString ZonePanel::title(const std::vector<Zone>& zones) const
{
    if (zones.empty())
        return tr("Nothing chosen");
    const Take* take = session_.instrument().take(zones.front().take);
    return zones.size() > 1 ? tr("%1 zones").arg(zones.size())
        : take != nullptr   ? QString::fromStdString(take->name)
                            : QString();
}

void ZonePanel::showStack(const std::vector<Zone>& zones)
{
    std::vector<StackList::Row> rows;
    if (zones.size() == 1)
        for (const auto id : stackOf(session_.layer(), zones.front()))
            for (const auto& zone : session_.layer().zones)
                if (zone.id == id)
                    if (const Take* take = session_.instrument().take(zone.take))
                        rows.push_back({id, QString::fromStdString(take->name)});
    const bool any = rows.size() > 1;
    variations_->setVisible(any);
    stack_->setVisible(any);
    if (any)
        stack_->setRows(std::move(rows), zones.front().id);
}

/// What lies on the same keys and touches of the layer, where it does not sound in turn.
void ZonePanel::showTogether(const std::vector<Zone>& zones)
{
    QStringList names;
    if (zones.size() == 1 && session_.layer().sameKeys == SameKeys::together)
        for (const auto& zone : session_.layer().zones)
            if (zone.id != zones.front().id && overlap(zone, zones.front()))
                if (const Take* other = session_.instrument().take(zone.take))
                    names << QString::fromStdString(other->name);
    constexpr int most = 3;
    const auto more = names.size() - most;
    if (more > 0)
        names = names.mid(0, most) << tr("%1 more").arg(more);
    together_->setVisible(!names.isEmpty());
    turns_->setVisible(!names.isEmpty());
    together_->setText(tr("Shares keys with %1: they sound together. Set apart by keys or touch, "
                          "or one after the other, each sounds alone.")
                           .arg(names.join(tr(", "))));
}

void ZonePanel::refresh()
{
    const auto zones = chosenZones();
    const QString name = title(zones);
    heading_->setText(heading_->fontMetrics().elidedText(name, Qt::ElideMiddle, 220));
    heading_->setToolTip(name);
    for (const auto& [field, read] : rows_) {
        field->setFieldEnabled(!zones.empty());
        if (zones.empty())
            continue;
        const double value = read(zones.front());
        const auto& of = read; // clang 14 takes no part of a pair into a lambda
        if (std::all_of(zones.begin(), zones.end(), [&](const Zone& z) { return of(z) == value; }))
            field->setValue(value);
        else
            field->setVarious(value);
    }
    showStack(zones);
    showTogether(zones);
    const Take* take = session_.take();
    const bool laid = take == nullptr
        || std::any_of(session_.layer().zones.begin(), session_.layer().zones.end(),
            [&](const Zone& z) { return z.take == take->id; });
    lay_->setVisible(!laid);
    remove_->setVisible(!zones.empty());
}

} // namespace puretone::app
