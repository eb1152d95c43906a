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
    voices_ = into->addField(countField(tr("At once"), tr("Notes at once; the oldest makes room"),
        1, Layer::mostVoices, Layer::mostVoices));
    connect(notes_, &ChoiceField::chosen, this, [this](int index) {
        session().editLayer(tr("Change notes"), [&](Layer& l) { l.notes = Notes(index); });
    });
    connectToLayer(
        glide_, tr("Change glide"), [](Layer& l, double value) { l.glideSeconds = value; });
    connectToLayer(
        bend_, tr("Change wheel"), [](Layer& l, double value) { l.bendSemitones = value; });
    connectToLayer(voices_, tr("Change notes at once"),
        [](Layer& l, double value) { l.voices = int(std::lround(value)); });
}

void ShapeStop::refresh()
{
    const Layer& layer = session().layer();
    const Envelope& e = layer.envelope;
    picture_->setNote(session().peaks(), session().take(), e);
    delay_->setValue(e.delay);
    attack_->setValue(e.attack);
    hold_->setValue(e.hold);
    decay_->setValue(e.decay);
    sustain_->setValue(e.sustainDb);
    release_->setValue(e.release);
    layer_->setVisible(session().instrument().layers.size() > 1);
    layer_->setText(tr("Layer: %1").arg(QString::fromStdString(layer.name)));
    notes_->setIndex(int(layer.notes));
    glide_->setValue(layer.glideSeconds);
    bend_->setValue(layer.bendSemitones);
    voices_->setValue(layer.voices);
    glide_->setFieldEnabled(layer.notes != Notes::many);
    voices_->setFieldEnabled(layer.notes == Notes::many);
}

} // namespace puretone::app
