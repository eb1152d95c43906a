// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/shape/shape_panel.h"

#include "model/edits/ready_shape.h"

namespace puretone::app {

namespace {

/// From slow at first to hurrying, straight in the middle.
FieldSpec curveField(const QString& label, const QString& tip)
{
    FieldSpec spec = percentField(label, tip, 0.0);
    spec.low = -1.0;
    spec.high = 1.0;
    return spec;
}

} // namespace

ShapePanel::ShapePanel(Session& session, FieldColumn* into)
    : QWidget(into)
    , session_(session)
    , fields_(session)
{
    hide(); // its parts stand in the column
    addEnvelope(into);
    addCurves(into->addFold(tr("Curves, touch and keys"), QStringLiteral("curves"), false));
    into->addRule();
    addFilter(into);
    addSecond(into->addFold(tr("Second envelope"), QStringLiteral("second"), false));
    into->addRule();
    addNotes(into);
    addUnison(into->addFold(tr("Unison and tuning"), QStringLiteral("unison"), false));
    addInnerStart(into->addFold(tr("Inner start"), QStringLiteral("inner"), false));
}

void ShapePanel::addEnvelope(FieldColumn* into)
{
    const Envelope standard;
    const auto stage = [&](FieldSpec spec, const QString& step, double Envelope::*part) {
        return fields_.add(into, std::move(spec), step, &Layer::envelope, part);
    };
    stage(secondsField(tr("Delay"), tr("Silence between the key and the sound"), 0.0, 20.0, 0.0),
        tr("Change delay"), &Envelope::delay);
    moves(Target::attack,
        stage(
            secondsField(tr("Attack"), tr("How long the sound takes to rise: long ones make a pad"),
                0.0, 60.0, standard.attack),
            tr("Change attack"), &Envelope::attack));
    stage(secondsField(
              tr("Hold"), tr("How long it stays at full level before it falls"), 0.0, 60.0, 0.0),
        tr("Change hold"), &Envelope::hold);
    moves(Target::decay,
        stage(secondsField(tr("Decay"), tr("How long it takes to fall to the sustain level"), 0.0,
                  60.0, 0.0),
            tr("Change decay"), &Envelope::decay));
    stage(sustainField(
              tr("Sustain"), tr("The level that a held key stays at; silent makes a pluck"), 0.0),
        tr("Change sustain"), &Envelope::sustainDb);
    moves(Target::release,
        stage(secondsField(tr("Release"),
                  tr("How long it takes to die away by 60 dB after the key is let go"),
                  shortestRelease, 60.0, standard.release),
            tr("Change release"), &Envelope::release));
}

void ShapePanel::addCurves(FieldColumn* into)
{
    const auto number = [&](FieldSpec spec, const QString& step, double Envelope::*part) {
        fields_.add(into, std::move(spec), step, &Layer::envelope, part);
    };
    number(curveField(tr("Attack curve"),
               tr("Above 0 it rises slowly at first, below 0 quickly; also bent in the picture")),
        tr("Bend attack"), &Envelope::attackCurve);
    number(curveField(tr("Decay curve"), tr("Above 0 it stays loud for longer, below 0 it drops")),
        tr("Bend decay"), &Envelope::decayCurve);
    number(
        curveField(tr("Release curve"), tr("Above 0 it stays loud for longer, below 0 it drops")),
        tr("Bend release"), &Envelope::releaseCurve);
    number(
        octavesField(tr("Times by touch"),
            tr("Octaves by which all times grow at full touch: -2 makes hard notes four times as "
               "fast"),
            -4.0),
        tr("Change times by touch"), &Envelope::touchTimes);
    number(
        octavesField(tr("Times by keys"),
            tr("Octaves for each octave of the keys: -1 halves all times an octave higher"), -2.0),
        tr("Change times by keys"), &Envelope::keyTimes);
    moves(Target::level,
        fields_.add(into,
            percentField(tr("Touch"),
                tr("How far touch makes louder: 0 % plays every note at full level"), 1.0),
            tr("Change touch"), &Layer::touch));
}

void ShapePanel::addFilter(FieldColumn* into)
{
    const Filter standard;
    fields_.addChoice(
        into, tr("Filter"), tr("What it lets through"),
        {tr("off"), tr("low"), tr("high"), tr("band"), tr("notch")}, tr("Choose filter"),
        [](const Layer& l) { return double(l.filter.kind); },
        [](Layer& l, double index) { l.filter.kind = FilterKind(int(index)); });
    slope_ = fields_.addChoice(
        into, tr("Slope"), tr("How steeply it takes away, per octave"), {tr("12 dB"), tr("24 dB")},
        tr("Change slope"), [](const Layer& l) { return l.filter.steep ? 1.0 : 0.0; },
        [](Layer& l, double index) { l.filter.steep = index > 0.0; });
    const auto number = [&](FieldSpec spec, const QString& step, double Filter::*part) {
        auto* field = fields_.add(into, std::move(spec), step, &Layer::filter, part);
        ofFilter_.push_back(field);
        return field;
    };
    moves(Target::cutoff,
        number(frequencyField(
                   tr("Cutoff"), tr("Where it begins to take away"), 16.0, 20000.0, standard.hz),
            tr("Move cutoff"), &Filter::hz));
    moves(Target::resonance,
        number(percentField(tr("Resonance"), tr("How much it rings at the cutoff"), 0.0),
            tr("Change resonance"), &Filter::resonance));
    number(percentField(
               tr("By keys"), tr("How far the cutoff follows the keys, from C4 (60) on"), 0.0, 2.0),
        tr("Change cutoff by keys"), &Filter::follow);
    number(octavesField(tr("By touch"), tr("Octaves of cutoff at full touch")),
        tr("Change cutoff by touch"), &Filter::touchOctaves);
    number(octavesField(tr("Sweep"), tr("Octaves by which the second envelope moves the cutoff")),
        tr("Change sweep"), &Filter::envelopeOctaves);
    moves(Target::drive,
        fields_.add(into,
            decibelField(tr("Drive"),
                tr("Pushes the sound into a soft ceiling before the filter: denser and brighter"),
                0.0, 36.0, 0.0),
            tr("Change drive"), &Layer::filter, &Filter::driveDb));
}

void ShapePanel::addSecond(FieldColumn* into)
{
    const Envelope standard = Layer().second;
    const auto stage = [&](const QString& label, const QString& tip, double Envelope::*part,
                           double low, double high) {
        fields_.add(into, secondsField(label, tip, low, high, standard.*part),
            tr("Change second envelope"), &Layer::second, part);
    };
    stage(tr("Second delay"), tr("Before it rises"), &Envelope::delay, 0.0, 20.0);
    stage(tr("Second attack"), tr("How long it takes to rise"), &Envelope::attack, 0.0, 60.0);
    stage(tr("Second hold"), tr("How long it stays"), &Envelope::hold, 0.0, 60.0);
    stage(tr("Second decay"), tr("How long it takes to fall"), &Envelope::decay, 0.0, 60.0);
    fields_.add(into,
        sustainField(
            tr("Second sustain"), tr("Where it stays while a key is held"), standard.sustainDb),
        tr("Change second envelope"), &Layer::second, &Envelope::sustainDb);
    stage(tr("Second release"), tr("How long it takes to fall after the key is let go"),
        &Envelope::release, shortestRelease, 60.0);
    fields_.add(into,
        curveField(tr("Second curve"), tr("Of its decay: above 0 it stays up for longer")),
        tr("Change second envelope"), &Layer::second, &Envelope::decayCurve);
}

void ShapePanel::addNotes(FieldColumn* into)
{
    constexpr auto notes = Session::Shaped::notesOnly;
    fields_.addChoice(
        into, tr("Notes"),
        tr("How many notes sound at once. Tied: the sounding note goes on to the next key, without "
           "a new attack."),
        {tr("many"), tr("one"), tr("one, tied")}, tr("Change notes"),
        [](const Layer& l) { return double(l.notes); },
        [](Layer& l, double index) { l.notes = Notes(int(index)); }, notes);
    glide_ = fields_.add(
        into, secondsField(tr("Glide"), tr("Slides from note to note"), 0.0, 10.0, 0.0),
        tr("Change glide"), [](const Layer& l) { return l.glide.seconds; },
        [](Layer& l, double value) { l.glide.seconds = value; }, notes);
    glideBy_ = fields_.addChoice(
        into, tr("Glide lasts"), tr("As long for every way, or longer the further it goes"),
        {tr("for all of it"), tr("for each octave")}, tr("Change glide"),
        [](const Layer& l) { return l.glide.byRate ? 1.0 : 0.0; },
        [](Layer& l, double index) { l.glide.byRate = index > 0.0; }, notes);
    glideWhen_ = fields_.addChoice(
        into, tr("Glides"), tr("Whether a note that was let go is glided from"),
        {tr("always"), tr("while held")}, tr("Change glide"),
        [](const Layer& l) { return l.glide.always ? 0.0 : 1.0; },
        [](Layer& l, double index) { l.glide.always = index == 0.0; }, notes);
    moves(Target::pitch,
        fields_.add(into,
            countField(
                tr("Bend"), tr("Semitones that the pitch wheel reaches up and down"), 0, 48, 2),
            tr("Change bend"), &Layer::bendSemitones));
    fields_.add(
        into,
        countField(tr("At once"), tr("Notes at once; the oldest makes room"), 1, Layer::mostVoices,
            Layer::mostVoices),
        tr("Change notes at once"), [](const Layer& l) { return double(l.voices); },
        [](Layer& l, double value) { l.voices = int(std::lround(value)); });
}

void ShapePanel::addUnison(FieldColumn* into)
{
    const Unison standard;
    fields_.add(
        into,
        countField(tr("Unison"), tr("Voices that sound every note together"), 1, Unison::most, 1),
        tr("Change unison"), [](const Layer& l) { return double(l.unison.voices); },
        [](Layer& l, double value) { l.unison.voices = int(std::lround(value)); });
    const auto number = [&](FieldSpec spec, const QString& step, double Unison::*part) {
        spec.reset = standard.*part;
        ofUnison_.push_back(fields_.add(into, std::move(spec), step, &Layer::unison, part));
    };
    number(centsField(tr("Detune"), tr("How far the outer ones of them stand beside the pitch"),
               0.0, 100.0),
        tr("Change detune"), &Unison::detuneCents);
    number(percentField(tr("Width"), tr("How far they stand apart, left to right"), 0.5),
        tr("Change width"), &Unison::width);
    number(
        percentField(tr("Phase"),
            tr("How far apart their waves begin, by chance: 0 % makes all notes begin alike"), 1.0),
        tr("Change phase"), &Unison::phase);
    fields_.add(
        into, countField(tr("Octave"), tr("Octaves up or down"), -4, 4, 0), tr("Change octave"),
        [](const Layer& l) { return double(l.octave); },
        [](Layer& l, double value) { l.octave = int(std::lround(value)); });
    fields_.add(into, centsField(tr("Fine tune"), tr("Of the whole layer"), -100.0, 100.0),
        tr("Tune layer"), &Layer::fineCents);
    moves(Target::pan,
        fields_.add(
            into, placeField(tr("Place"), tr("Left or right")), tr("Place layer"), &Layer::pan));
}

void ShapePanel::addInnerStart(FieldColumn* into)
{
    fields_.addChoice(
        into, tr("Used"), tr("Which notes begin behind the attack instead of at the start"),
        {tr("never"), tr("always"), tr("by softer notes"), tr("by harder notes")},
        tr("Change inner start"), [](const Layer& l) { return double(l.inner); },
        [](Layer& l, double index) { l.inner = InnerUse(int(index)); });
    innerTouch_ = fields_.add(
        into, countField(tr("Than touch"), tr("Softer or harder than this"), 1, 127, 64),
        tr("Change inner start"), [](const Layer& l) { return double(l.innerTouch); },
        [](Layer& l, double value) { l.innerTouch = int(std::lround(value)); });
    innerPlace_ = into->addField(framesField(
        tr("Inner start"), tr("Where notes of the take on screen begin then"),
        [this] { return session_.take() != nullptr ? session_.take()->rate() : 48000.0; }, true));
    moves(Target::start, innerPlace_);
    connect(innerPlace_, &ValueField::edited, this,
        [this, gesture = Gesture(session_)](double value, bool first) mutable {
            session_.editTake(
                tr("Move inner start"),
                [&](Take& take) { take.innerStart = Frames{std::llround(value)}; },
                gesture.next(first));
        });
    findInner_ = into->addButton(tr("Find inner starts"),
        tr("Puts the inner start of every take of the layer where its attack is over"));
    connect(
        findInner_, &QPushButton::clicked, this, [this] { session_.shaping().findInnerStarts(); });
}

void ShapePanel::refreshInnerStart()
{
    const Take* take = session_.take();
    const Layer& layer = session_.layer();
    innerTouch_->setFieldEnabled(
        layer.inner == InnerUse::softer || layer.inner == InnerUse::harder);
    innerPlace_->setFieldEnabled(take != nullptr);
    if (take != nullptr)
        innerPlace_->setValue(double(std::max(take->innerStart, take->kept.start).value));
    findInner_->setEnabled(!layer.zones.empty());
}

void ShapePanel::refresh()
{
    const Layer& layer = session_.layer();
    fields_.refresh();
    for (auto* field : ofFilter_)
        field->setFieldEnabled(layer.filter.kind != FilterKind::off);
    slope_->setFieldEnabled(layer.filter.kind != FilterKind::off);
    for (std::size_t i = 0; i < ofUnison_.size(); ++i)
        ofUnison_[i]->setFieldEnabled(layer.unison.voices > 1);
    const bool glides = layer.glide.seconds > 0.0;
    glideBy_->setFieldEnabled(glides);
    glideWhen_->setFieldEnabled(glides);
    refreshInnerStart();
}

} // namespace puretone::app
