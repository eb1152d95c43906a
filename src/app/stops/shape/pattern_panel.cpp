// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/shape/pattern_panel.h"

#include "app/theme/theme.h"
#include "base/quantity.h"

#include <QGridLayout>
#include <QSettings>

namespace puretone::app {

namespace {

constexpr int widestName = 190; ///< Of a layer, px.

FieldSpec tempoField()
{
    FieldSpec spec = ratioField(PatternPanel::tr("Tempo"),
        PatternPanel::tr("Beats a minute: of waves in beats, the pattern, and what is listened to"),
        slowestTempo, fastestTempo, 96.0);
    spec.step = [](double value, double steps) {
        return std::clamp(value + steps, slowestTempo, fastestTempo);
    };
    return spec;
}

} // namespace

PatternPanel::PatternPanel(Session& session, FieldColumn* into)
    : QWidget(into)
    , session_(session)
    , heard_(new QLabel(this))
    , steps_(new QWidget(this))
{
    hide(); // its parts stand in the column
    tempo_ = into->addField(tempoField());
    connect(tempo_, &ValueField::edited, this,
        [this, gesture = Gesture(session_)](double value, bool first) mutable {
            session_.edit(
                tr("Change tempo"), [&](Instrument& next) { next.tempo = value; },
                gesture.next(first));
        });
    tapButton_ = into->addButton(tr("Tap tempo"), tr("Tap it in time with the song"));
    connect(tapButton_, &QPushButton::pressed, this, &PatternPanel::tap);
    clock_ = into->addChoice(tr("Time comes from"),
        tr("The tempo here, or the MIDI clock of another player while it runs"),
        {tr("this tempo"), tr("MIDI clock")});
    QSettings settings;
    const bool follows = settings.value(QStringLiteral("followsClock"), false).toBool();
    clock_->setIndex(follows ? 1 : 0);
    session_.player().engine().setFollowsClock(follows);
    connect(clock_, &ChoiceField::chosen, this, [this](int index) {
        QSettings().setValue(QStringLiteral("followsClock"), index == 1);
        session_.player().engine().setFollowsClock(index == 1);
    });
    heard_->setProperty("role", "quiet");
    into->column()->addWidget(heard_);
    on_ = into->addChoice(tr("Held keys"), tr("Sound as they are, or one after the other in time"),
        {tr("as they are"), tr("as a pattern")});
    connect(on_, &ChoiceField::chosen, this, [this](int index) {
        session_.edit(tr("Switch pattern"), [&](Instrument& i) { i.pattern.on = index == 1; });
    });
    order_ = into->addChoice(tr("Order"), tr("In which order the keys are played"),
        {tr("up"), tr("down"), tr("up and down"), tr("as played"), tr("at random"),
            tr("together")});
    connect(order_, &ChoiceField::chosen, this,
        [this](int index) { edit([&](Pattern& p) { p.order = Pattern::Order(index); }); });
    beats_ = addNumber(into,
        ratioField(tr("Step"), tr("In beats: 0.5 is an eighth note"), 1.0 / 16.0, 8.0, 0.5),
        &Pattern::beats);
    gate_ = addNumber(into,
        percentField(tr("Held for"), tr("Of each step; 100 % lets notes be tied"), 0.8),
        &Pattern::gate);
    swing_ = addNumber(into,
        percentField(tr("Swing"), tr("How late every second step is"), 0.0, 0.75), &Pattern::swing);
    octaves_ =
        into->addField(countField(tr("Octaves"), tr("Over which the keys are repeated"), 1, 4, 1));
    connect(octaves_, &ValueField::edited, this,
        [this, gesture = Gesture(session_)](double value, bool first) mutable {
            edit([&](Pattern& p) { p.octaves = int(std::lround(value)); }, gesture.next(first));
        });
    addSteps(into);
}

ValueField* PatternPanel::addNumber(FieldColumn* into, FieldSpec spec, double Pattern::*part)
{
    auto* field = into->addField(std::move(spec));
    connect(field, &ValueField::edited, this,
        [this, part, gesture = Gesture(session_)](double value, bool first) mutable {
            edit([&](Pattern& p) { p.*part = value; }, gesture.next(first));
        });
    return field;
}

void PatternPanel::addSteps(FieldColumn* into)
{
    count_ = into->addField(countField(tr("Steps"),
        tr("That come round, each with layers of its own; 0 for one like the other"), 0,
        double(Pattern::mostSteps), 0));
    // On the way down and up again within one gesture, steps are what they were.
    connect(count_, &ValueField::edited, this,
        [this, gesture = Gesture(session_), before = std::vector<Pattern::Step>()](
            double value, bool first) mutable {
            if (first)
                before = session_.instrument().pattern.steps;
            edit(
                [&](Pattern& p) {
                    p.steps = before;
                    p.steps.resize(std::size_t(std::lround(value)));
                },
                gesture.next(first));
        });
    auto* grid = new QGridLayout(steps_);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setSpacing(3);
    for (int i = 0; i < int(Pattern::mostSteps); ++i) {
        auto* button = new QPushButton(QString::number(i + 1), steps_);
        button->setProperty("kind", "small");
        button->setCheckable(true);
        button->setFixedWidth(28);
        button->setStyleSheet(QStringLiteral("padding: 0;"));
        button->setAccessibleName(tr("Step %1 sounds").arg(i + 1));
        button->setToolTip(tr("Switches step %1; its layers stand below").arg(i + 1));
        grid->addWidget(button, i / 8, i % 8);
        connect(button, &QPushButton::clicked, this, [this, i] {
            chosenStep_ = i;
            edit([&](Pattern& p) {
                auto& step = p.steps[std::size_t(i)];
                step.sounds = !step.sounds;
            });
        });
        buttons_.push_back(button);
    }
    into->column()->addWidget(steps_);
    stepHead_ = into->addHeading({});
    stepLayers_ = new QVBoxLayout;
    stepLayers_->setSpacing(4);
    into->column()->addLayout(stepLayers_);
}

bool PatternPanel::soundsIn(const Pattern::Step& step, LayerId layer)
{
    return step.sounds
        && (step.layers.empty()
            || std::find(step.layers.begin(), step.layers.end(), layer) != step.layers.end());
}

/// The step that was clicked last sounds a layer more, or less; without any it is silent.
void PatternPanel::tickLayer(LayerId layer, bool sounds)
{
    edit([&](Pattern& p) {
        auto& step = p.steps[std::size_t(chosenStep_)];
        std::vector<LayerId> ticked;
        const auto& layers = session_.instrument().layers;
        for (const auto& one : layers)
            if (one.id == layer ? sounds : soundsIn(step, one.id))
                ticked.push_back(one.id);
        step.sounds = !ticked.empty();
        // All of them are those that come later, too.
        step.layers = ticked.size() == layers.size() ? std::vector<LayerId>{} : ticked;
    });
}

void PatternPanel::refreshStepLayers(bool shown)
{
    const auto& layers = session_.instrument().layers;
    while (layerTicks_.size() < layers.size()) {
        auto* tick = new QCheckBox(steps_->parentWidget());
        tick->setToolTip(tr("Whether the layer sounds on the step that was clicked last"));
        stepLayers_->addWidget(tick);
        connect(tick, &QCheckBox::clicked, this, [this, i = layerTicks_.size()](bool on) {
            if (i < session_.instrument().layers.size())
                tickLayer(session_.instrument().layers[i].id, on);
        });
        layerTicks_.push_back(tick);
    }
    shown = shown && layers.size() > 1;
    stepHead_->setVisible(shown);
    stepHead_->setText(tr("Step %1 sounds").arg(chosenStep_ + 1));
    for (std::size_t i = 0; i < layerTicks_.size(); ++i) {
        layerTicks_[i]->setVisible(shown && i < layers.size());
        if (!shown || i >= layers.size())
            continue;
        const auto name = QString::fromStdString(layers[i].name);
        layerTicks_[i]->setText(layerTicks_[i]->fontMetrics().elidedText(
            QString(name).replace(QLatin1Char('&'), QLatin1String("&&")), Qt::ElideMiddle,
            widestName));
        layerTicks_[i]->setAccessibleName(name);
        layerTicks_[i]->setChecked(
            soundsIn(session_.instrument().pattern.steps[std::size_t(chosenStep_)], layers[i].id));
    }
}

void PatternPanel::edit(const std::function<void(Pattern&)>& change, int gesture)
{
    session_.edit(
        tr("Change pattern"), [&](Instrument& next) { change(next.pattern); }, gesture);
}

/// The mean of the last taps; a long pause begins anew.
void PatternPanel::tap()
{
    constexpr qint64 pause = 3000; // ms: twenty beats a minute
    constexpr std::size_t remembered = 6;
    if (!taps_.isValid())
        taps_.start();
    const qint64 now = taps_.elapsed();
    if (!tapped_.empty() && now - tapped_.back() > pause)
        tapped_.clear();
    tapped_.push_back(now);
    if (tapped_.size() > remembered)
        tapped_.erase(tapped_.begin());
    if (tapped_.size() < 2)
        return;
    const double apart = double(tapped_.back() - tapped_.front()) / double(tapped_.size() - 1);
    if (apart > 0.0)
        session_.edit(tr("Tap tempo"), [&](Instrument& next) {
            next.tempo = std::clamp(60000.0 / apart, slowestTempo, fastestTempo);
        });
}

void PatternPanel::showHeard(const Engine::Meter& heard)
{
    const bool follows = clock_->index() == 1;
    heard_->setVisible(follows);
    if (follows)
        heard_->setText(heard.clocked
                ? tr("the clock runs at %1").arg(typeset(formatNumber(heard.tempo, 1)))
                : tr("no clock comes: the tempo above counts"));
}

void PatternPanel::refreshSteps()
{
    const Pattern& p = session_.instrument().pattern;
    count_->setValue(double(p.steps.size()));
    steps_->setVisible(p.on && !p.steps.empty());
    chosenStep_ = std::clamp(chosenStep_, 0, std::max(0, int(p.steps.size()) - 1));
    for (std::size_t i = 0; i < buttons_.size(); ++i) {
        buttons_[i]->setVisible(i < p.steps.size());
        if (i < p.steps.size())
            buttons_[i]->setChecked(p.steps[i].sounds);
    }
    refreshStepLayers(p.on && !p.steps.empty());
}

void PatternPanel::refresh()
{
    const Instrument& instrument = session_.instrument();
    const Pattern& p = instrument.pattern;
    tempo_->setValue(instrument.tempo);
    on_->setIndex(p.on ? 1 : 0);
    order_->setIndex(int(p.order));
    beats_->setValue(p.beats);
    gate_->setValue(p.gate);
    swing_->setValue(p.swing);
    octaves_->setValue(p.octaves);
    for (QWidget* part :
        std::initializer_list<QWidget*>{order_, beats_, gate_, swing_, octaves_, count_})
        part->setVisible(p.on);
    refreshSteps();
}

} // namespace puretone::app
