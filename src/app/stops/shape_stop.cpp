// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/shape_stop.h"

namespace puretone::app {

ShapeStop::ShapeStop(Session& s, QWidget* parent)
    : StopView(s, tr("Shape"), parent)
    , picture_(new EnvelopeView(this))
{
    bench()->addWidget(picture_, 1);
    layer_ = new QLabel(this);
    layer_->setProperty("role", "quiet");
    layer_->setToolTip(
        tr("What is set here belongs to this layer; another is chosen at the stop Keys"));
    details()->column()->addWidget(layer_);
    const Envelope standard;
    delay_ = details()->addField(secondsField(
        tr("Delay"), tr("Silence between the key and the sound"), 0.0, 20.0, standard.delay));
    attack_ = details()->addField(secondsField(tr("Attack"),
        tr("How long the sound takes to rise: long ones make a pad"), 0.0, 60.0, standard.attack));
    hold_ = details()->addField(secondsField(tr("Hold"),
        tr("How long it stays at full level before it falls"), 0.0, 60.0, standard.hold));
    decay_ = details()->addField(secondsField(tr("Decay"),
        tr("How long it takes to fall to the sustain level"), 0.0, 60.0, standard.decay));
    sustain_ = details()->addField(
        decibelField(tr("Sustain"), tr("The level that a held key stays at; silent makes a pluck"),
            silentSustainDb, 0.0, standard.sustainDb));
    release_ = details()->addField(secondsField(tr("Release"),
        tr("How long it takes to die away by 60 dB after the key is let go"), 0.005, 60.0,
        standard.release));
    details()->addRule();
    auto* again = details()->addButton(
        tr("Plain shape"), tr("As the recording is: quick attack, full level, short release"));
    addFilter(details()->addFold(tr("Filter"), QStringLiteral("filter"), false));
    addLfo(details()->addFold(tr("Slow wave"), QStringLiteral("lfo"), false));
    addNotes(details()->addFold(tr("Notes and glide"), QStringLiteral("notes"), true));
    details()->column()->addStretch(1);
    connectToLayer(delay_, tr("Change delay"), [](Layer& l, double v) { l.envelope.delay = v; });
    connectToLayer(attack_, tr("Change attack"), [](Layer& l, double v) { l.envelope.attack = v; });
    connectToLayer(hold_, tr("Change hold"), [](Layer& l, double v) { l.envelope.hold = v; });
    connectToLayer(decay_, tr("Change decay"), [](Layer& l, double v) { l.envelope.decay = v; });
    connectToLayer(
        sustain_, tr("Change sustain"), [](Layer& l, double v) { l.envelope.sustainDb = v; });
    connectToLayer(
        release_, tr("Change release"), [](Layer& l, double v) { l.envelope.release = v; });
    connect(again, &QPushButton::clicked, this, [this] {
        session().editLayer(tr("Plain shape"), [](Layer& l) { l.envelope = Envelope(); });
    });
    connect(picture_, &EnvelopeView::dragged, this,
        [this](const Envelope& envelope, const QString& name, bool first) {
            session().editLayer(
                name, [&](Layer& l) { l.envelope = envelope; }, gesture(first));
        });
    connect(picture_, &EnvelopeView::cancelled, this, [this] { abandonGesture(); });
}

void ShapeStop::addNotes(FieldColumn* into)
{
    notes_ = into->addChoice(tr("Notes"),
        tr("How many notes sound at once. Tied: the sounding note goes on to the next key, without "
           "a new attack."),
        {tr("many"), tr("one"), tr("one, tied")});
    glide_ = into->addField(
        secondsField(tr("Glide"), tr("From note to note, where one sounds"), 0.0, 10.0, 0.0));
    bend_ = into->addField(countField(
        tr("Wheel"), tr("Semitones that the pitch wheel reaches up and down"), 0, 24, 2));
    touch_ = into->addField(percentField(
        tr("Touch"), tr("How far touch makes louder: 0 % plays every note at full level"), 1.0));
    connectToLayer(touch_, tr("Change touch"), [](Layer& l, double value) { l.touch = value; });
    voices_ = into->addField(countField(tr("At once"), tr("Notes at once; the oldest makes room"),
        1, Layer::mostVoices, Layer::mostVoices));
    const Unison standard;
    unison_ = into->addField(
        countField(tr("Unison"), tr("Voices that sound every note together"), 1, Unison::most, 1));
    auto detune = centsField(
        tr("Detune"), tr("How far the outer ones of them stand beside the pitch"), 0.0, 100.0);
    detune.reset = standard.detuneCents;
    detune_ = into->addField(std::move(detune));
    width_ = into->addField(
        percentField(tr("Width"), tr("How far they stand apart, left to right"), standard.width));
    connectToLayer(unison_, tr("Change unison"),
        [](Layer& l, double value) { l.unison.voices = int(std::lround(value)); });
    connectToLayer(
        detune_, tr("Change detune"), [](Layer& l, double value) { l.unison.detuneCents = value; });
    connectToLayer(
        width_, tr("Change width"), [](Layer& l, double value) { l.unison.width = value; });
    connect(notes_, &ChoiceField::chosen, this, [this](int index) {
        session().editLayer(tr("Change notes"), [&](Layer& l) { l.notes = Notes(index); });
    });
    connectToLayer(
        glide_, tr("Change glide"), [](Layer& l, double value) { l.glide.seconds = value; });
    connectToLayer(
        bend_, tr("Change wheel"), [](Layer& l, double value) { l.bendSemitones = value; });
    connectToLayer(voices_, tr("Change notes at once"),
        [](Layer& l, double value) { l.voices = int(std::lround(value)); });
}

void ShapeStop::addFilter(FieldColumn* into)
{
    filter_ = into->addChoice(tr("Filter"), tr("What it lets through"),
        {tr("off"), tr("low"), tr("high"), tr("band"), tr("notch")});
    slope_ = into->addChoice(
        tr("Slope"), tr("How steeply it takes away, per octave"), {tr("12 dB"), tr("24 dB")});
    connect(filter_, &ChoiceField::chosen, this, [this](int index) {
        session().editLayer(
            tr("Choose filter"), [&](Layer& l) { l.filter.kind = FilterKind(index); });
    });
    connect(slope_, &ChoiceField::chosen, this, [this](int index) {
        session().editLayer(tr("Change slope"), [&](Layer& l) { l.filter.steep = index == 1; });
    });
    const auto number = [&](FieldSpec spec, const QString& step, double Filter::*part) {
        auto* field = into->addField(std::move(spec));
        connectToLayer(field, step, [part](Layer& l, double value) { l.filter.*part = value; });
        return field;
    };
    const auto stage = [&](FieldSpec spec, double Envelope::*part) {
        auto* field = into->addField(std::move(spec));
        connectToLayer(field, tr("Shape the sweep"),
            [part](Layer& l, double value) { l.second.*part = value; });
        return field;
    };
    const Filter standard;
    cutoff_ = number(frequencyField(tr("Cutoff"), tr("Where it begins to take away"), 16.0, 20000.0,
                         standard.hz),
        tr("Move cutoff"), &Filter::hz);
    resonance_ = number(percentField(tr("Resonance"), tr("How much it rings at the cutoff"), 0.0),
        tr("Change resonance"), &Filter::resonance);
    filterKeys_ = number(percentField(tr("Keys"),
                             tr("How far the cutoff follows the keys, from C4 (60) on"), 0.0, 2.0),
        tr("Change cutoff by keys"), &Filter::follow);
    filterTouch_ = number(octavesField(tr("By touch"), tr("Octaves of cutoff at full touch")),
        tr("Change cutoff by touch"), &Filter::touchOctaves);
    sweep_ = number(
        octavesField(tr("Sweep"), tr("Octaves by which the envelope below moves the cutoff")),
        tr("Change sweep"), &Filter::envelopeOctaves);
    const Envelope e = Layer{}.second;
    sweepAttack_ = stage(
        secondsField(tr("Sweep attack"), tr("How long it takes to rise"), 0.0, 60.0, e.attack),
        &Envelope::attack);
    sweepDecay_ =
        stage(secondsField(tr("Sweep decay"), tr("How long it takes to fall"), 0.0, 60.0, e.decay),
            &Envelope::decay);
    sweepSustain_ =
        stage(decibelField(tr("Sweep sustain"), tr("Where it stays while a key is held"),
                  silentSustainDb, 0.0, e.sustainDb),
            &Envelope::sustainDb);
    sweepRelease_ =
        stage(secondsField(tr("Sweep release"),
                  tr("How long it takes to fall after the key is let go"), 0.005, 60.0, e.release),
            &Envelope::release);
}

void ShapeStop::addLfo(FieldColumn* into)
{
    const auto number = [&](FieldSpec spec, double SlowWave::*part) {
        auto* field = into->addField(std::move(spec));
        connectToLayer(field, tr("Change slow wave"), [part](Layer& l, double value) {
            SlowWave wave = slowWaveOf(l);
            wave.*part = value;
            setSlowWave(l, wave);
        });
        return field;
    };
    const SlowWave standard;
    rate_ = number(frequencyField(tr("Rate"), tr("Swings in a second"), 0.01, 40.0, standard.hz),
        &SlowWave::hz);
    lfoPitch_ = number(
        centsField(tr("Pitch"), tr("Up and down: a vibrato"), 0.0, 1200.0), &SlowWave::pitchCents);
    lfoLevel_ = number(decibelField(tr("Level"), tr("Up and down: a tremolo"), 0.0, 24.0, 0.0),
        &SlowWave::levelDb);
    lfoCutoff_ = number(
        octavesField(tr("Cutoff"), tr("Octaves up and down"), 0.0), &SlowWave::cutoffOctaves);
    lfoFade_ = number(secondsField(tr("Fade in"), tr("Until it is there"), 0.0, 20.0, 0.0),
        &SlowWave::fadeSeconds);
}

void ShapeStop::showFilter(const Layer& layer)
{
    const Filter& f = layer.filter;
    const bool on = f.kind != FilterKind::off;
    filter_->setIndex(int(f.kind));
    slope_->setIndex(f.steep ? 1 : 0);
    slope_->setFieldEnabled(on);
    for (const auto& [field, value] : {std::pair(cutoff_, f.hz), {resonance_, f.resonance},
             {filterKeys_, f.follow}, {filterTouch_, f.touchOctaves}, {sweep_, f.envelopeOctaves},
             {sweepAttack_, layer.second.attack}, {sweepDecay_, layer.second.decay},
             {sweepSustain_, layer.second.sustainDb}, {sweepRelease_, layer.second.release}}) {
        field->setFieldEnabled(on);
        field->setValue(value);
    }
    rate_->setValue(slowWaveOf(layer).hz);
    lfoPitch_->setValue(slowWaveOf(layer).pitchCents);
    lfoLevel_->setValue(slowWaveOf(layer).levelDb);
    lfoCutoff_->setValue(slowWaveOf(layer).cutoffOctaves);
    lfoFade_->setValue(slowWaveOf(layer).fadeSeconds);
}

void ShapeStop::refresh()
{
    const Layer& layer = session().layer();
    const Envelope& e = layer.envelope;
    picture_->setNote(session().pictures().peaks(), session().take(), e);
    delay_->setValue(e.delay);
    attack_->setValue(e.attack);
    hold_->setValue(e.hold);
    decay_->setValue(e.decay);
    sustain_->setValue(e.sustainDb);
    release_->setValue(e.release);
    layer_->setVisible(session().instrument().layers.size() > 1);
    layer_->setText(tr("Layer: %1").arg(QString::fromStdString(layer.name)));
    notes_->setIndex(int(layer.notes));
    glide_->setFieldEnabled(layer.notes != Notes::many);
    voices_->setFieldEnabled(layer.notes == Notes::many);
    glide_->setValue(layer.glide.seconds);
    bend_->setValue(layer.bendSemitones);
    voices_->setValue(layer.voices);
    touch_->setValue(layer.touch);
    unison_->setValue(layer.unison.voices);
    for (const auto& [field, value] :
        {std::pair(detune_, layer.unison.detuneCents), {width_, layer.unison.width}}) {
        field->setFieldEnabled(layer.unison.voices > 1);
        field->setValue(value);
    }
    showFilter(layer);
}

} // namespace puretone::app
