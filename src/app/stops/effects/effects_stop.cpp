// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/effects/effects_stop.h"

#include "app/theme/theme.h"
#include "base/quantity.h"
#include "effects/ready_chains.h"
#include "engine/out/limiter.h"

#include <QMenu>
#include <set>

namespace puretone::app {

EffectsStop::EffectsStop(Session& s, QWidget* parent)
    : StopView(s, tr("Effects"), parent)
    , chain_(new ChainView(this))
    , print_(new PrintPanel(s, this))
{
    bench()->addWidget(chain_);
    addLimiter();
    bench()->addWidget(print_, 1);
    effect_ = new EffectPanel(s, details());
    details()->addRule();
    onto_ = details()->addButton(tr("Print onto this take"),
        tr("Makes the effects that are on part of the take on screen, as a treatment that can be "
           "switched off and taken away"));
    connect(onto_, &QPushButton::clicked, this, &EffectsStop::printOntoTake);
    addAmounts();
    details()->column()->addStretch(1);
    connectChain();
}

void EffectsStop::addLimiter()
{
    auto* row = new QHBoxLayout;
    row->setSpacing(10);
    limits_ = new QPushButton(tr("Limiter"), this);
    limits_->setCheckable(true);
    limits_->setProperty("kind", "small");
    limits_->setToolTip(tr("Always last: nothing passes its ceiling, also between samples"));
    connect(limits_, &QPushButton::clicked, this, [this](bool on) {
        session().player().setLimiting(on);
        refresh();
    });
    row->addWidget(limits_);
    limited_ = new QLabel(this);
    limited_->setProperty("role", "quiet");
    row->addWidget(limited_);
    limiter_ = new LimiterStrip(this);
    row->addWidget(limiter_, 1);
    bench()->addLayout(row);
}

void EffectsStop::addAmounts()
{
    amounts_ = details()->addFold(
        tr("Layers through the effects"), QStringLiteral("effect amounts"), false);
}

void EffectsStop::connectChain()
{
    std::vector<std::pair<QString, QString>> ready;
    for (const ReadyChain& each : readyChains())
        ready.emplace_back(said(each.name), said(each.tip));
    chain_->setReady(ready);
    connect(chain_, &ChainView::readyAsked, this, &EffectsStop::useReady);
    connect(chain_, &ChainView::chosen, this, [this](int index) {
        const auto& effects = session().instrument().effects;
        if (std::size_t(index) >= effects.size())
            return;
        const int id = effects[std::size_t(index)].id;
        if (effect_->chosen() == id)
            return;
        effect_->choose(id);
        chain_->setChain(effects, session().instrument().tempo / 60.0, id);
    });
    connect(chain_, &ChainView::switched, this, [this](int index) {
        session().edit(tr("Switch effect"), [&](Instrument& next) {
            Effect& effect = next.effects[std::size_t(index)];
            effect.on = !effect.on;
        });
    });
    connect(chain_, &ChainView::mixDragged, this, [this](int index, double share, bool first) {
        session().edit(
            tr("Change mix"),
            [&](Instrument& next) { setValue(next.effects[std::size_t(index)], "mix", share); },
            gesture(first));
    });
    connect(chain_, &ChainView::mixCancelled, this, [this] { abandonGesture(); });
    connect(chain_, &ChainView::moved, this, &EffectsStop::move);
    connect(chain_, &ChainView::removeAsked, this, &EffectsStop::remove);
    connect(chain_, &ChainView::addAsked, this, [this](const QPoint& place) {
        QMenu menu(this);
        fillEffectMenu(
            menu, [this](EffectKind kind) { add(kind); }, [this](int index) { useReady(index); });
        menu.exec(place);
    });
    connect(effect_, &EffectPanel::removeAsked, this, [this] { remove(indexOfChosen()); });
    connect(effect_, &EffectPanel::stepAsked, this,
        [this](int by) { move(indexOfChosen(), indexOfChosen() + by); });
}

int EffectsStop::indexOfChosen() const
{
    const auto& effects = const_cast<EffectsStop*>(this)->session().instrument().effects;
    for (std::size_t i = 0; i < effects.size(); ++i)
        if (effects[i].id == effect_->chosen())
            return int(i);
    return -1;
}

void EffectsStop::add(EffectKind kind)
{
    int id = 0;
    session().edit(tr("Add %1").arg(said(factsOf(kind).word)), [&](Instrument& next) {
        id = freeEffectId(next.effects);
        next.effects.push_back(makeEffect(kind, id));
    });
    effect_->choose(id);
    refresh();
}

void EffectsStop::useReady(int index)
{
    const ReadyChain& ready = readyChains()[std::size_t(index)];
    session().edit(tr("Use %1").arg(said(ready.name)), [&](Instrument& next) {
        int id = freeEffectId(next.effects);
        next.effects = ready.effects;
        for (Effect& effect : next.effects)
            effect.id = id++;
    });
    effect_->choose(session().instrument().effects.front().id);
    refresh();
    session().say(tr("%1: %2. Undo brings back the chain that was there.")
                      .arg(said(ready.name), said(ready.tip).toLower()),
        false);
}

void EffectsStop::move(int from, int to)
{
    const int count = int(session().instrument().effects.size());
    if (from < 0 || to < 0 || from >= count || to >= count || from == to)
        return;
    session().edit(tr("Move effect"), [&](Instrument& next) {
        const Effect effect = next.effects[std::size_t(from)];
        next.effects.erase(next.effects.begin() + from);
        next.effects.insert(next.effects.begin() + to, effect);
    });
}

void EffectsStop::remove(int index)
{
    const auto& effects = session().instrument().effects;
    if (index < 0 || std::size_t(index) >= effects.size())
        return;
    const int id = effects[std::size_t(index)].id;
    session().edit(tr("Remove %1").arg(said(factsOf(effects[std::size_t(index)].kind).word)),
        [&](Instrument& next) {
            std::erase_if(next.effects, [id](const Effect& effect) { return effect.id == id; });
        });
    const auto& left = session().instrument().effects;
    effect_->choose(left.empty() ? 0 : left[std::min(std::size_t(index), left.size() - 1)].id);
    refresh();
}

void EffectsStop::printOntoTake()
{
    Colour colour;
    bool spaces = false;
    for (const Effect& effect : session().instrument().effects) {
        const bool space = effect.kind == EffectKind::space;
        spaces = spaces || (effect.on && space);
        if (effect.on && !space)
            colour.effects.push_back(effect);
    }
    if (session().take() == nullptr || colour.effects.empty()) {
        session().say(tr("There is no effect that is on and no space."));
        return;
    }
    colour.tempo = session().instrument().tempo;
    std::set<int> printed;
    for (const Effect& effect : colour.effects)
        printed.insert(effect.id);
    auto list = session().treating().list();
    list.push_back({colour});
    // One step: the chain gives up what the take gets, when it has it.
    session().treating().set(
        tr("Print onto the take"), std::move(list), 0,
        [printed](Instrument& next) {
            for (Effect& effect : next.effects)
                if (printed.contains(effect.id))
                    effect.on = false;
        },
        spaces ? tr("The effects are part of the take now, but for the space: print a take to have "
                    "that, too.")
               : tr("The effects are part of the take now, and passed by here."));
}

void EffectsStop::showHeard(const Engine::Meter& heard, std::array<std::uint64_t, 2>)
{
    chain_->setHeld(heard.held);
    const bool on = session().player().limiting();
    limiter_->push(on ? -toDecibels(double(heard.limited)).value : 0.0);
    QString text = on
        ? tr("ceiling %1 dB, never passed").arg(typeset(formatNumber(Limiter::ceilingDb, 1)))
        : tr("off: nothing holds back what is too loud");
    if (on && limiter_->now() > 0.05)
        text += tr("; now holding back %1 dB").arg(limiter_->now(), 0, 'f', 1);
    if (limited_->text() != text)
        limited_->setText(text);
}

void EffectsStop::refreshAmounts()
{
    const auto& layers = session().instrument().layers;
    while (amountOf_.size() < layers.size()) {
        const auto index = amountOf_.size();
        // Its label is set by making it anew: names of layers change seldom.
        FieldSpec spec = percentField(QString::fromStdString(layers[index].name),
            tr("How much of this layer goes through the chain; the rest goes past it"), 1.0);
        auto* field = amounts_->addField(std::move(spec));
        connect(field, &ValueField::edited, this, [this, index](double value, bool first) {
            session().edit(
                tr("Change amount to effects"),
                [&](Instrument& next) {
                    if (index < next.layers.size())
                        next.layers[index].toEffects = value;
                },
                gesture(first));
        });
        amountOf_.push_back(field);
    }
    for (std::size_t i = 0; i < amountOf_.size(); ++i) {
        amountOf_[i]->setVisible(i < layers.size());
        if (i < layers.size()) {
            amountOf_[i]->setLabel(QString::fromStdString(layers[i].name));
            amountOf_[i]->setValue(layers[i].toEffects);
        }
    }
}

void EffectsStop::refresh()
{
    const Instrument& instrument = session().instrument();
    if (instrument.effect(effect_->chosen()) == nullptr)
        effect_->choose(instrument.effects.empty() ? 0 : instrument.effects.front().id);
    chain_->setChain(instrument.effects, instrument.tempo / 60.0, effect_->chosen());
    effect_->refresh();
    limits_->setChecked(session().player().limiting());
    const auto& effects = instrument.effects;
    onto_->setEnabled(session().take() != nullptr
        && std::any_of(
            effects.begin(), effects.end(), [](const Effect& effect) { return effect.on; }));
    refreshAmounts();
    print_->refresh();
}

} // namespace puretone::app
