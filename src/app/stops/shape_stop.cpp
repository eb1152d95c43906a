// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/shape_stop.h"

namespace puretone::app {

ShapeStop::ShapeStop(Session& s, QWidget* parent)
    : StopView(s, tr("Shape"), parent)
    , picture_(new EnvelopeView(this))
{
    bench()->addWidget(picture_, 1);
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
    details()->column()->addStretch(1);
    connectToInstrument(
        delay_, tr("Change delay"), [](Instrument& i, double v) { i.envelope.delay = v; });
    connectToInstrument(
        attack_, tr("Change attack"), [](Instrument& i, double v) { i.envelope.attack = v; });
    connectToInstrument(
        hold_, tr("Change hold"), [](Instrument& i, double v) { i.envelope.hold = v; });
    connectToInstrument(
        decay_, tr("Change decay"), [](Instrument& i, double v) { i.envelope.decay = v; });
    connectToInstrument(
        sustain_, tr("Change sustain"), [](Instrument& i, double v) { i.envelope.sustainDb = v; });
    connectToInstrument(
        release_, tr("Change release"), [](Instrument& i, double v) { i.envelope.release = v; });
    connect(again, &QPushButton::clicked, this, [this] {
        session().edit(tr("Plain shape"), [](Instrument& i) { i.envelope = Envelope(); });
    });
    connect(picture_, &EnvelopeView::dragged, this,
        [this](const Envelope& envelope, const QString& name, bool first) {
            session().edit(
                name, [&](Instrument& i) { i.envelope = envelope; }, gesture(first));
        });
    connect(picture_, &EnvelopeView::cancelled, this, [this] { abandonGesture(); });
}

void ShapeStop::refresh()
{
    const Envelope& e = session().instrument().envelope;
    picture_->setNote(session().peaks(), session().take(), e);
    delay_->setValue(e.delay);
    attack_->setValue(e.attack);
    hold_->setValue(e.hold);
    decay_->setValue(e.decay);
    sustain_->setValue(e.sustainDb);
    release_->setValue(e.release);
}

} // namespace puretone::app
