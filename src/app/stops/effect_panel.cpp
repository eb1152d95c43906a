// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/effect_panel.h"

#include "app/shell/sound_files.h"
#include "app/stops/movement_panel.h"
#include "app/theme/theme.h"
#include "audio/level.h"
#include "base/quantity.h"
#include "base/song_time.h"
#include "effects/ready_chains.h"

#include <QFileDialog>
#include <QMenu>

namespace puretone::app {

namespace {

QString words(const char* text)
{
    return QString::fromUtf8(text);
}

/// Cuts do nothing at their outer end, and say so.
std::optional<double> offEnd(const ParameterFacts& facts)
{
    const std::string_view name = facts.name;
    if ((name == "lowCut" || name == "monoBelow") && facts.low == 10.0)
        return facts.low;
    if (name == "highCut" || name == "tone" || name == "damping")
        return facts.high;
    return std::nullopt;
}

FieldSpec hertzField(const ParameterFacts& facts)
{
    FieldSpec spec =
        frequencyField(words(facts.label), words(facts.tip), facts.low, facts.high, facts.standard);
    const auto off = offEnd(facts);
    spec.format = [off](double hz) {
        if (off && std::abs(hz - *off) < 0.5)
            return QObject::tr("off");
        return QString::fromStdString(hz < 10.0 ? formatNumber(hz, 2) + " Hz" : formatHz(hz));
    };
    if (off)
        spec.parse = [off](const QString& text) {
            return text.trimmed() == QObject::tr("off") ? off : parseHz(text.toStdString());
        };
    return spec;
}

} // namespace

FieldSpec fieldOf(const ParameterFacts& facts, const std::function<Naming()>& naming)
{
    const QString label = words(facts.label), tip = words(facts.tip);
    switch (facts.unit) {
    case ParameterUnit::share: {
        FieldSpec spec = percentField(label, tip, facts.standard, facts.high);
        spec.low = facts.low;
        return spec;
    }
    case ParameterUnit::decibels: {
        FieldSpec spec = decibelField(label, tip, facts.low, facts.high, facts.standard);
        spec.format = [](double db) { return QString::fromStdString(formatNumber(db, 1) + " dB"); };
        return spec;
    }
    case ParameterUnit::hertz:
        return hertzField(facts);
    case ParameterUnit::seconds:
        return secondsField(label, tip, facts.low, facts.high, facts.standard);
    case ParameterUnit::songTime:
        return songTimeField(label, tip, facts.low, facts.high, facts.standard);
    case ParameterUnit::number:
        return ratioField(label, tip, facts.low, facts.high, facts.standard);
    case ParameterUnit::key:
        return keyField(label, tip, naming);
    case ParameterUnit::count:
    case ParameterUnit::choice:
        break;
    }
    return countField(label, tip, facts.low, facts.high, facts.standard);
}

EffectPanel::EffectPanel(Session& session, FieldColumn* into)
    : QWidget(into)
    , session_(session)
    , column_(new FieldColumn(into))
    , title_(into->addHeading({}))
    , hint_(new QLabel(into))
{
    hide(); // its parts stand in the column
    hint_->setWordWrap(true);
    hint_->setProperty("role", "quiet");
    into->column()->addWidget(hint_);
    column_->column()->setContentsMargins(0, 0, 0, 0);
    into->column()->addWidget(column_);
    connect(column_, &FieldColumn::refused, into, &FieldColumn::refused);
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

void EffectPanel::edit(const QString& name, std::size_t place, double value, int gesture)
{
    session_.edit(
        name,
        [&](Instrument& next) {
            if (Effect* effect = next.effect(id_))
                effect->values[place] = value;
        },
        gesture);
}

void EffectPanel::addField(const ParameterFacts& facts, std::size_t place)
{
    const QString step = tr("Change %1").arg(words(facts.label).toLower());
    if (facts.unit == ParameterUnit::choice) {
        QStringList list;
        for (const char* word : facts.words)
            if (word != nullptr)
                list << words(word);
        choices_[place] = fields_->addChoice(words(facts.label), words(facts.tip), list);
        connect(choices_[place], &ChoiceField::chosen, this,
            [this, step, place](int index) { edit(step, place, double(index), 0); });
        return;
    }
    values_[place] = fields_->addField(fieldOf(facts, [this] { return session_.naming(); }));
    connect(
        values_[place], &ValueField::edited, this, [this, step, place](double value, bool first) {
            if (first)
                gesture_ = session_.newGesture();
            edit(step, place, value, gesture_);
        });
}

void EffectPanel::build(EffectKind kind)
{
    kind_ = kind;
    delete fields_;
    values_ = {};
    choices_ = {};
    impulse_ = nullptr;
    fields_ = new FieldColumn(column_);
    fields_->column()->setContentsMargins(0, 0, 0, 0);
    column_->column()->addWidget(fields_);
    connect(fields_, &FieldColumn::refused, column_, &FieldColumn::refused);
    if (kind == EffectKind::space) {
        impulse_ = fields_->addButton(tr("Choose a sound…"),
            tr("An impulse response: a clap or a burst as a room answers it"), true);
        connect(impulse_, &QPushButton::clicked, this, &EffectPanel::askForImpulse);
    }
    const auto parameters = factsOf(kind).parameters;
    for (std::size_t i = 0; i < parameters.size(); ++i)
        addField(parameters[i], i);
}

void EffectPanel::refresh()
{
    const Effect* effect = this->effect();
    for (auto* button : {earlier_, later_, move_, remove_})
        button->setVisible(effect != nullptr);
    column_->setVisible(effect != nullptr);
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
    title_->setText(words(facts.title));
    title_->show();
    hint_->setText(words(facts.tip) + QStringLiteral("."));
    if (kind_ != effect->kind)
        build(effect->kind);
    for (std::size_t i = 0; i < facts.parameters.size(); ++i) {
        if (values_[i] != nullptr)
            values_[i]->setValue(effect->values[i]);
        if (choices_[i] != nullptr)
            choices_[i]->setIndex(int(effect->values[i]));
    }
    if (effect->kind == EffectKind::duck) {
        const bool byKey = valueOf(*effect, "by") > 0.5;
        values_[1]->setVisible(!byKey);
        values_[2]->setVisible(byKey);
    }
    if (impulse_ != nullptr)
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
        QFileDialog::getOpenFileName(this, tr("Choose an impulse response"), {}, soundFilter());
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
        menu.addSection(name);
        for (const K kind : kinds) {
            auto* action = menu.addAction(words(factsOf(kind).title), [add, kind] { add(kind); });
            action->setToolTip(words(factsOf(kind).tip));
        }
    }
    menu.addSeparator();
    auto* places = menu.addMenu(QObject::tr("Ready chains"));
    places->setToolTipsVisible(true);
    for (std::size_t i = 0; i < readyChains().size(); ++i) {
        auto* action =
            places->addAction(words(readyChains()[i].name), [ready, i] { ready(int(i)); });
        action->setToolTip(words(readyChains()[i].tip));
    }
}

} // namespace puretone::app
