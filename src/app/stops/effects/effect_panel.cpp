// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/effects/effect_panel.h"

#include "app/stops/shape/movement_panel.h"
#include "app/theme/theme.h"
#include "app/widgets/file_dialogs.h"
#include "app/widgets/sound_files.h"
#include "audio/level.h"
#include "effects/ready_chains.h"
#include "prepare/treat/equaliser_bands.h"

#include <QMenu>

namespace puretone::app {

namespace {

constexpr double curveRate = 48000.0; // as the card's picture

} // namespace

EffectPanel::EffectPanel(Session& session, FieldColumn* into)
    : QWidget(into)
    , session_(session)
    , title_(into->addHeading({}))
    , hint_(new QLabel(into))
    , curve_(new FilterView(into))
    , fields_(new EffectFields(session, into))
{
    hide(); // its parts stand in the column
    hint_->setWordWrap(true);
    hint_->setProperty("role", "quiet");
    into->column()->addWidget(hint_);
    constexpr int curveHeight = 150, curveWidth = 200;
    curve_->setFixedHeight(curveHeight);
    curve_->setMinimumWidth(curveWidth);
    into->column()->addWidget(curve_);
    impulse_ = into->addButton(tr("Choose a sound…"),
        tr("An impulse response: a clap or a burst as a room answers it"), true);
    connect(impulse_, &QPushButton::clicked, this, &EffectPanel::askForImpulse);
    into->column()->addWidget(fields_);
    connect(fields_, &FieldColumn::refused, into, &FieldColumn::refused);
    connectValues();
    const auto first =
        into->addButtons({{tr("Earlier"), tr("Ctrl+Left: one place nearer to the notes")},
            {tr("Later"), tr("Ctrl+Right: one place nearer to the end")}});
    earlier_ = first[0];
    later_ = first[1];
    const auto second = into->addButtons(
        {{tr("Move by…"),
             tr("Lets the wheel, a pedal, a wave or the touch move one of its values")},
            {tr("Remove"), tr("Takes it out of the chain; what still rings, rings on")}});
    move_ = second[0];
    remove_ = second[1];
    connect(earlier_, &QPushButton::clicked, this, [this] { emit stepAsked(-1); });
    connect(later_, &QPushButton::clicked, this, [this] { emit stepAsked(1); });
    connect(remove_, &QPushButton::clicked, this, &EffectPanel::removeAsked);
    connect(move_, &QPushButton::clicked, this, &EffectPanel::askForMovement);
}

void EffectPanel::choose(int id)
{
    id_ = id;
    refresh();
}

void EffectPanel::edit(const QString& name, const std::function<void(Effect&)>& change, bool first)
{
    session_.edit(
        name,
        [&](Instrument& next) {
            if (Effect* effect = next.effect(id_))
                change(*effect);
        },
        gesture_.next(first));
}

void EffectPanel::connectValues()
{
    connect(
        fields_, &EffectFields::edited, this, [this](std::size_t place, double value, bool first) {
            const Effect* now = effect();
            if (now == nullptr)
                return;
            const auto& facts = factsOf(now->kind).parameters[place];
            edit(
                tr("Change %1").arg(said(facts.label).toLower()),
                [&](Effect& next) { next.values[place] = value; }, first);
        });
    connect(curve_, &FilterView::chosen, this, [this](int index) {
        band_ = index;
        refresh();
    });
    connect(
        curve_, &FilterView::changed, this, [this](int index, const Treatment& band, bool first) {
            band_ = index;
            edit(
                tr("Change equaliser"), [&](Effect& next) { setBand(next, index, band); }, first);
        });
    connect(curve_, &FilterView::cancelled, this, [this] { gesture_.abandon(); });
}

void EffectPanel::refresh()
{
    const Effect* effect = this->effect();
    for (auto* button : {earlier_, later_, move_, remove_})
        button->setVisible(effect != nullptr);
    fields_->setVisible(effect != nullptr);
    curve_->setVisible(effect != nullptr && effect->kind == EffectKind::equaliser);
    impulse_->setVisible(effect != nullptr && effect->kind == EffectKind::space);
    if (effect == nullptr) {
        title_->setText({});
        title_->hide();
        hint_->setText(session_.instrument().effects.empty()
                ? tr("Add an effect, or begin with one of the ready chains: they are named after "
                     "places around the light.")
                : tr("Click an effect to see its values."));
        hint_->show();
        return;
    }
    const EffectFacts& facts = factsOf(effect->kind);
    title_->setText(said(facts.title));
    title_->show();
    hint_->setText(said(facts.tip) + QStringLiteral("."));
    fields_->showEffect(*effect);
    if (effect->kind == EffectKind::equaliser)
        curve_->setFilters(session_.pictures().spectrum(), bandsOf(*effect), band_, curveRate);
    if (effect->kind == EffectKind::space)
        impulse_->setText(effect->impulse.pointer()
                ? impulse_->fontMetrics().elidedText(
                    QString::fromStdString(effect->impulse->fileName), Qt::ElideMiddle, 190)
                : tr("Choose a sound…"));
    const auto& chain = session_.instrument().effects;
    earlier_->setEnabled(chain.front().id != id_);
    later_->setEnabled(chain.back().id != id_);
}

void EffectPanel::askForImpulse()
{
    const auto path =
        dialogs::file(this, tr("Choose an impulse response"), soundFilter(), dialogs::Kind::sounds);
    if (path.isEmpty())
        return;
    session_.background().run(
        JobKey(JobKind::addFile, "impulse"), Background::Running::cancel,
        [path](const Progress& progress) { return openRecording(path.toStdString(), progress); },
        [this, id = id_](const Result<RecordingPtr>& opened) {
            if (!opened) {
                session_.say(QString::fromStdString(opened.error().sentence()));
                return;
            }
            const Audio& audio = *(*opened)->audio;
            if (peakLevel(audio, {Frames{0}, Frames{audio.frames()}}).value < -120.0) {
                session_.say(tr("%1 is silent: it makes no space.")
                                 .arg(QString::fromStdString((*opened)->fileName)));
                return;
            }
            session_.edit(tr("Choose a space"), [&](Instrument& next) {
                if (Effect* effect = next.effect(id))
                    effect->impulse = savable(*opened);
            });
            if ((*opened)->audio->seconds() > longestImpulse)
                session_.say(
                    tr("Only the first %1 seconds of it are heard.").arg(longestImpulse), false);
        });
}

void EffectPanel::askForMovement()
{
    const Effect* effect = this->effect();
    if (effect == nullptr)
        return;
    QMenu menu(this);
    fillEffectMovementMenu(menu, *effect, [this](const NewMovement& wanted) {
        Result<std::size_t> added = 0;
        session_.editLayer(
            tr("Add movement"), [&](Layer& layer) { added = addMovement(layer, wanted); });
        if (!added) {
            session_.say(QString::fromStdString(added.error().sentence()));
            return;
        }
        const Layer& layer = session_.layer();
        session_.say(
            typeset(
                sentenceOf(layer, layer.movements.back(), session_.instrument().effects).whole())
                + tr(". It stands among the movements of %1, at Shape.")
                      .arg(QString::fromStdString(layer.name)),
            false);
    });
    menu.exec(move_->mapToGlobal(QPoint(0, move_->height())));
}

void fillEffectMenu(
    QMenu& menu, const std::function<void(EffectKind)>& add, const std::function<void(int)>& ready)
{
    using K = EffectKind;
    const std::pair<QString, std::vector<K>> groups[] = {
        {QObject::tr("Colour"), {K::equaliser, K::drive, K::crush}},
        {QObject::tr("Level"), {K::compressor, K::duck}},
        {QObject::tr("Motion"), {K::chorus, K::phaser, K::flanger, K::tremolo}},
        {QObject::tr("Space"), {K::echo, K::reverb, K::space, K::width}}};
    menu.setToolTipsVisible(true);
    for (const auto& [name, kinds] : groups) {
        if (!menu.isEmpty())
            menu.addSection(name);
        for (const K kind : kinds) {
            auto* action = menu.addAction(said(factsOf(kind).title), [add, kind] { add(kind); });
            action->setToolTip(said(factsOf(kind).tip));
        }
    }
    menu.addSeparator();
    auto* places = menu.addMenu(QObject::tr("Ready chains"));
    places->setToolTipsVisible(true);
    for (std::size_t i = 0; i < readyChains().size(); ++i) {
        auto* action =
            places->addAction(said(readyChains()[i].name), [ready, i] { ready(int(i)); });
        action->setToolTip(said(readyChains()[i].tip));
    }
}

} // namespace puretone::app
