// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/shape/movement_panel.h"

#include "app/theme/theme.h"

#include <QMenu>

namespace puretone::app {

namespace {

struct NamedSource {
    const char* name;
    SourceKind kind;
};
/// In the order of menus and choices.
constexpr NamedSource sources[] = {{"mod wheel", SourceKind::wheel},
    {"controller", SourceKind::controller}, {"wave", SourceKind::wave},
    {"second envelope", SourceKind::secondEnvelope}, {"touch", SourceKind::touch},
    {"key", SourceKind::key}, {"pressure", SourceKind::pressure}, {"bend", SourceKind::bend},
    {"level envelope", SourceKind::levelEnvelope}, {"release touch", SourceKind::releaseTouch},
    {"chance", SourceKind::random}, {"turn", SourceKind::turn}, {"noise", SourceKind::noise}};

int placeOf(SourceKind kind)
{
    int place = 0;
    for (const auto& source : sources) {
        if (source.kind == kind)
            return place;
        ++place;
    }
    return 0;
}

QStringList sourceWords()
{
    QStringList words;
    for (const auto& source : sources)
        words << said(source.name);
    return words;
}

/// Targets of a layer; the last one stands for all values of effects.
constexpr int layerTargets = targetCount - 1;
static_assert(int(Target::effect) == layerTargets);

/// All values of the chain, by their numbers.
std::vector<int> effectNumbers(const Effects& effects)
{
    std::vector<int> numbers;
    for (const Effect& effect : effects)
        for (std::size_t p = 0; p < factsOf(effect.kind).parameters.size(); ++p)
            numbers.push_back(EffectPlace{effect.id, int(p)}.number());
    return numbers;
}

QStringList targetWords(const Effects& effects)
{
    QStringList words;
    for (int i = 0; i < layerTargets; ++i)
        words << said(factsOf(Target(i)).word);
    for (const int number : effectNumbers(effects))
        words << QString::fromStdString(effectValueName(effects, number));
    return words;
}

void addTargets(
    QMenu& into, const NewMovement& from, const std::function<void(const NewMovement&)>& make)
{
    for (int i = 0; i < layerTargets; ++i) {
        NewMovement made = from;
        made.movement.target = Target(i);
        made.movement.amount = factsOf(Target(i)).usual;
        into.addAction(said(factsOf(Target(i)).word), [make, made] { make(made); });
    }
}

} // namespace

void fillEffectMovementMenu(
    QMenu& menu, const Effect& effect, const std::function<void(const NewMovement&)>& make)
{
    const EffectFacts& facts = factsOf(effect.kind);
    for (const auto& source : sources) {
        QString name = said(source.name);
        name[0] = name[0].toUpper();
        auto* values = menu.addMenu(name);
        for (std::size_t p = 0; p < facts.parameters.size(); ++p) {
            if (facts.parameters[p].unit == ParameterUnit::choice)
                continue;
            NewMovement made;
            made.movement.source = {source.kind, source.kind == SourceKind::controller ? 11 : 0};
            if (source.kind == SourceKind::wave)
                made.wave = Wave();
            made.movement.target = Target::effect;
            made.movement.number = EffectPlace{effect.id, int(p)}.number();
            made.movement.amount = factsOf(Target::effect).usual;
            values->addAction(said(facts.parameters[p].label), [make, made] { make(made); });
        }
    }
}

void fillMovementMenu(QMenu& menu, const std::function<void(const NewMovement&)>& make)
{
    for (const auto& ready : readyMovements())
        menu.addAction(said(ready.name), [make, made = ready.made] { make(made); });
    menu.addSeparator();
    for (const auto& source : sources) {
        NewMovement made;
        made.movement.source = {source.kind, source.kind == SourceKind::controller ? 11 : 0};
        if (source.kind == SourceKind::wave)
            made.wave = Wave();
        QString name = said(source.name);
        name[0] = name[0].toUpper();
        addTargets(*menu.addMenu(name), made, make);
    }
}

MovementPanel::MovementPanel(Session& session, FieldColumn* into)
    : QWidget(into)
    , session_(session)
    , fold_(into->addFold(tr("Chosen movement"), QStringLiteral("movement"), false))
    , sentence_(new QLabel(this))
    , hint_(new QLabel(tr("Click a movement on the bench to change what moves it."), this))
{
    hide(); // its parts stand in the column
    for (auto* label : {sentence_, hint_}) {
        label->setWordWrap(true);
        label->setProperty("role", "quiet");
        fold_->column()->addWidget(label);
    }
    source_ = fold_->addChoice(tr("Moved by"), tr("What moves it"), sourceWords());
    number_ = fold_->addField(
        countField(tr("Number"), tr("Of the controller, or of the layer's wave"), 0, 127, 1));
    target_ = fold_->addChoice(tr("Moves"), tr("What is moved"), targetWords({}));
    by_ = fold_->addChoice(tr("As far as"),
        tr("Another source that scales it: the wheel can let a wave in"),
        QStringList(tr("nothing else")) + sourceWords());
    FieldSpec curve =
        percentField(tr("Curve"), tr("Above 0 it begins slowly, below 0 at once"), 0.0);
    curve.low = -1.0;
    curve_ = fold_->addField(std::move(curve));
    all_ = {source_, number_, target_, by_, curve_};
    connect(source_, &ChoiceField::chosen, this, [this](int index) {
        edit(tr("Change what moves"), [&](Layer&, Movement& m) {
            m.source = {
                sources[index].kind, sources[index].kind == SourceKind::controller ? 11 : 0};
        });
    });
    connect(target_, &ChoiceField::chosen, this, [this](int index) {
        edit(tr("Change what is moved"), [&](Layer&, Movement& m) {
            const auto numbers = effectNumbers(session_.instrument().effects);
            const bool ofLayer = index < layerTargets;
            m.target = ofLayer ? Target(index) : Target::effect;
            m.number = ofLayer ? 0 : numbers[std::size_t(index - layerTargets)];
            m.amount = factsOf(m.target).usual;
        });
    });
    connect(by_, &ChoiceField::chosen, this, [this](int index) {
        edit(tr("Change what allows it"), [&](Layer&, Movement& m) {
            m.by = index == 0 ? Source{} : Source{sources[index - 1].kind, 0};
        });
    });
    const auto number = [this](ValueField* field, const QString& name, auto set) {
        connect(field, &ValueField::edited, this,
            [this, name, set, gesture = Gesture(session_)](double value, bool first) mutable {
                edit(
                    name, [&](Layer&, Movement& m) { set(m, value); }, gesture.next(first));
            });
    };
    number(number_, tr("Change number"), [](Movement& m, double value) {
        m.source.number = int(std::lround(value)) - (m.source.kind == SourceKind::wave ? 1 : 0);
    });
    number(curve_, tr("Bend movement"), [](Movement& m, double value) { m.curve = value; });
    addWave();
}

ValueField* MovementPanel::addNumber(FieldSpec spec, double Wave::*part)
{
    auto* field = fold_->addField(std::move(spec));
    connect(field, &ValueField::edited, this,
        [this, part, gesture = Gesture(session_)](double value, bool first) mutable {
            editWave([&](Wave& wave) { wave.*part = value; }, gesture.next(first));
        });
    ofWave_.push_back(field);
    return field;
}

void MovementPanel::addWave()
{
    shape_ = fold_->addChoice(tr("Wave"), tr("Its shape; the last two go by chance"),
        {tr("sine"), tr("triangle"), tr("saw up"), tr("saw down"), tr("square"), tr("steps"),
            tr("drift")});
    lasts_ = fold_->addChoice(tr("Speed in"), tr("In swings a second, or in time with the song"),
        {tr("Hz"), tr("beats")});
    ofWave_ = {shape_, lasts_};
    hz_ = addNumber(
        frequencyField(tr("Speed"), tr("Swings in a second"), 0.01, 8000.0, 5.0), &Wave::hz);
    beats_ = addNumber(ratioField(tr("Swing lasts"), tr("In beats of the tempo: 4 is a bar"),
                           1.0 / 64.0, 64.0, 1.0),
        &Wave::beats);
    delay_ =
        addNumber(secondsField(tr("Waits"), tr("Before it begins, after the key"), 0.0, 20.0, 0.0),
            &Wave::delaySeconds);
    fade_ = addNumber(secondsField(tr("Fades in"), tr("Until all of it is there"), 0.0, 20.0, 0.0),
        &Wave::fadeSeconds);
    phase_ =
        addNumber(percentField(tr("Begins at"), tr("Which part of its swing"), 0.0), &Wave::phase);
    begins_ = fold_->addChoice(tr("Begins"),
        tr("Anew with every note, or once and the same for all of them"),
        {tr("with each note"), tr("by itself")});
    ofWave_.push_back(begins_);
    connect(shape_, &ChoiceField::chosen, this,
        [this](int index) { editWave([&](Wave& w) { w.shape = Wave::Shape(index); }); });
    connect(lasts_, &ChoiceField::chosen, this,
        [this](int index) { editWave([&](Wave& w) { w.beats = index == 1 ? 1.0 : 0.0; }); });
    connect(begins_, &ChoiceField::chosen, this,
        [this](int index) { editWave([&](Wave& w) { w.free = index == 1; }); });
}

void MovementPanel::edit(
    const QString& name, const std::function<void(Layer&, Movement&)>& change, int gesture)
{
    const auto at = std::size_t(chosen_);
    session_.editLayer(
        name,
        [&](Layer& layer) {
            if (chosen_ >= 0 && at < layer.movements.size())
                change(layer, layer.movements[at]);
        },
        gesture);
}

void MovementPanel::editWave(const std::function<void(Wave&)>& change, int gesture)
{
    edit(
        tr("Change wave"),
        [&](Layer& layer, Movement& m) { change(layer.waves[std::size_t(m.source.number)]); },
        gesture);
}

void MovementPanel::choose(int chosen)
{
    const bool another = chosen >= 0 && chosen != chosen_;
    if (another)
        fold_->unfold();
    chosen_ = chosen;
    refresh();
    if (another)
        fold_->bringIntoView();
}

void MovementPanel::refresh()
{
    const Layer& layer = session_.layer();
    if (chosen_ >= int(layer.movements.size()))
        chosen_ = -1;
    const bool any = chosen_ >= 0;
    hint_->setVisible(!any);
    sentence_->setVisible(any);
    for (auto* part : all_)
        part->setVisible(any);
    const Movement m = any ? layer.movements[std::size_t(chosen_)] : Movement();
    const bool wave = any && m.source.kind == SourceKind::wave;
    for (auto* part : ofWave_)
        part->setVisible(wave);
    if (!any)
        return;
    const Effects& effects = session_.instrument().effects;
    sentence_->setText(typeset(sentenceOf(layer, m, effects).whole() + "."));
    target_->setWords(targetWords(effects));
    source_->setIndex(placeOf(m.source.kind));
    const auto numbers = effectNumbers(effects);
    const auto at = std::find(numbers.begin(), numbers.end(), m.number);
    target_->setIndex(
        m.target == Target::effect ? layerTargets + int(at - numbers.begin()) : int(m.target));
    by_->setIndex(m.by.kind == SourceKind::none ? 0 : 1 + placeOf(m.by.kind));
    curve_->setValue(m.curve);
    number_->setVisible(wave || m.source.kind == SourceKind::controller);
    number_->setRange(wave ? 1 : 0, wave ? mostWaves : 127);
    number_->setValue(m.source.number + (wave ? 1 : 0));
    if (!wave)
        return;
    const Wave& w = layer.waves[std::size_t(m.source.number)];
    shape_->setIndex(int(w.shape));
    lasts_->setIndex(w.beats > 0.0 ? 1 : 0);
    hz_->setVisible(w.beats == 0.0);
    beats_->setVisible(w.beats > 0.0);
    hz_->setValue(w.hz);
    beats_->setValue(w.beats);
    delay_->setValue(w.delaySeconds);
    fade_->setValue(w.fadeSeconds);
    phase_->setValue(w.phase);
    begins_->setIndex(w.free ? 1 : 0);
}

} // namespace puretone::app
