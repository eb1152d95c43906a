// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/keys/match_panel.h"

#include "app/theme/theme.h"
#include "app/widgets/fields/plain_table.h"
#include "base/quantity.h"

#include <QLabel>
#include <QVBoxLayout>
#include <map>

namespace puretone::app {

MatchPanel::MatchPanel(Session& session, QWidget* parent)
    : QWidget(parent)
    , session_(session)
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(4, 4, 4, 4);
    column->setSpacing(8);
    auto* title = new QLabel(tr("Match levels"), this);
    title->setProperty("role", "heading");
    title->setFont(Theme::font(14, Theme::Weight::strong));
    column->addWidget(title);
    text_ = new QLabel(this);
    text_->setWordWrap(true);
    column->addWidget(text_);
    table_ = makePlainTable({tr("Take"), tr("Keys"), tr("Loudness now"), tr("Change")}, this);
    table_->setAccessibleName(tr("What would change"));
    column->addWidget(table_, 1);
    auto* buttons = new QHBoxLayout;
    asRecorded_ = new QPushButton(tr("As recorded"), this);
    asRecorded_->setToolTip(tr("Takes every level of this layer's keys back to 0 dB"));
    auto* leave = new QPushButton(tr("Leave as it is"), this);
    match_ = new QPushButton(tr("Match"), this);
    match_->setProperty("kind", "main");
    buttons->addWidget(asRecorded_);
    buttons->addStretch(1);
    buttons->addWidget(leave);
    buttons->addWidget(match_);
    column->addLayout(buttons);
    connect(leave, &QPushButton::clicked, this, &MatchPanel::left);
    connect(match_, &QPushButton::clicked, this, [this] {
        session_.edit(tr("Match levels"), [&](Instrument& next) {
            if (Layer* layer = next.layer(layer_))
                applyMatch(*layer, matches_);
        });
        emit left();
    });
    connect(asRecorded_, &QPushButton::clicked, this, [this] {
        session_.edit(tr("Levels as recorded"), [&](Instrument& next) {
            if (Layer* layer = next.layer(layer_))
                levelsAsRecorded(*layer);
        });
        emit left();
    });
}

void MatchPanel::begin()
{
    layer_ = session_.layer().id;
    matches_.clear();
    table_->setRowCount(0);
    text_->setText(tr("Listening to the takes…"));
    match_->setEnabled(false);
    const auto& zones = session_.layer().zones;
    asRecorded_->setEnabled(
        std::any_of(zones.begin(), zones.end(), [](const Zone& z) { return z.levelDb != 0.0; }));
    session_.background().run(
        JobKind::levels, Background::Running::cancel,
        [instrument = session_.instrument(), layer = layer_](
            const Progress& progress) { return matchLevels(instrument, layer, progress); },
        [this](const std::vector<LevelMatch>& matches) { show(matches); });
}

void MatchPanel::show(const std::vector<LevelMatch>& matches)
{
    matches_ = matches;
    double most = 0.0;
    std::map<ZoneId, const Zone*> zones;
    if (const Layer* layer = session_.instrument().layer(layer_))
        for (const auto& zone : layer->zones)
            zones[zone.id] = &zone;
    std::map<TakeId, const Take*> takes;
    for (const auto& take : session_.instrument().takes)
        takes[take.id] = &take;
    table_->setRowCount(int(matches.size()));
    for (int row = 0; row < int(matches.size()); ++row) {
        const auto& match = matches[std::size_t(row)];
        most = std::max(most, std::abs(match.changeDb));
        const Zone* zone = zones[match.zone];
        if (zone == nullptr)
            continue;
        const Take* take = takes[zone->take];
        const QString change = (match.changeDb > 0.0 ? QStringLiteral("+") : QString())
            + typeset(formatDecibels(Decibels{match.changeDb}));
        const QString texts[] = {take != nullptr ? QString::fromStdString(take->name) : QString(),
            tr("%1 to %2")
                .arg(typeset(noteName(zone->lowKey, session_.naming())),
                    typeset(noteName(zone->highKey, session_.naming()))),
            typeset(formatNumber(match.heardLufs, 1) + " LUFS"), change};
        for (int c = 0; c < 4; ++c)
            table_->setItem(row, c, new QTableWidgetItem(texts[c]));
    }
    constexpr double audible = 0.05;
    match_->setEnabled(most > audible);
    text_->setText(matches.empty() ? tr("No take of this layer can be heard.")
            : most <= audible
            ? tr("All takes of this layer are as loud as each other.")
            : tr("So that all are as loud as the middle one, over the same stretch of each. Takes "
                 "of other touches are matched among themselves."));
}

} // namespace puretone::app
