// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/pitch_stop.h"

#include "app/theme/theme.h"
#include "base/quantity.h"

namespace puretone::app {

PitchStop::PitchStop(Session& s, QWidget* parent)
    : StopView(s, tr("Pitch"), parent)
    , line_(new PitchView(this))
    , spectrum_(new SpectrumView(this))
    , choices_(new ChoiceList(this))
{
    bench()->addWidget(line_, 5);
    bench()->addWidget(spectrum_, 3);
    bench()->addWidget(choices_);

    auto* head = new QHBoxLayout;
    note_ = new QLabel(this);
    note_->setFont(Theme::font(40, Theme::Weight::strong));
    note_->setAccessibleName(tr("Root key"));
    auto* side = new QVBoxLayout;
    side->setSpacing(0);
    cents_ = new QLabel(this);
    cents_->setFont(Theme::font(14, Theme::Weight::medium));
    frequency_ = new QLabel(this);
    frequency_->setProperty("role", "quiet");
    side->addStretch(1);
    side->addWidget(cents_);
    side->addWidget(frequency_);
    side->addStretch(1);
    head->addWidget(note_);
    head->addSpacing(10);
    head->addLayout(side, 1);
    details()->column()->addLayout(head);
    verdict_ = new QLabel(this);
    verdict_->setWordWrap(true);
    details()->column()->addWidget(verdict_);
    details()->addRule();
    const auto naming = [this] { return session().naming(); };
    root_ = details()->addField(
        keyField(tr("Root key"), tr("The key that plays the recording at its own speed"), naming));
    fine_ = details()->addField(centsField(tr("Fine tune"),
        tr("Moves the sound up or down until it stands in tune with the key"), -1200.0, 1200.0));
    auto* octaves = new QHBoxLayout;
    down_ = new QPushButton(tr("Octave down"), this);
    up_ = new QPushButton(tr("Octave up"), this);
    down_->setToolTip(tr("The right note, an octave too high (Ctrl+Down)"));
    up_->setToolTip(tr("The right note, an octave too low (Ctrl+Up)"));
    down_->setShortcut(QKeySequence(Qt::CTRL | Qt::Key_Down));
    up_->setShortcut(QKeySequence(Qt::CTRL | Qt::Key_Up));
    octaves->addWidget(down_);
    octaves->addWidget(up_);
    details()->column()->addSpacing(4);
    details()->column()->addLayout(octaves);
    reading_ = details()->addButton(
        tr("Use the reading again"), tr("Root key and fine tune as they were read from the sound"));
    details()->addRule();
    details()->addHeading(tr("How notes are named"));
    middleC_ = details()->addChoice(tr("Middle C is"),
        tr("The octave number of MIDI key 60; changes no sound"), {"C3", "C4", "C5"});
    signs_ = details()->addChoice(tr("Black keys"),
        tr("How black keys are written; changes no sound"), {tr("sharps"), tr("flats")});
    details()->column()->addStretch(1);

    connect(root_, &ValueField::edited, this, [this](double key, bool first) {
        setTuning(
            tr("Set root key"), [&](Tuning& t) { t.rootKey = int(std::lround(key)); },
            gesture(first));
    });
    connect(fine_, &ValueField::edited, this, [this](double cents, bool first) {
        setTuning(
            tr("Change fine tune"), [&](Tuning& t) { t.fineCents = cents; }, gesture(first));
    });
    connect(down_, &QPushButton::clicked, this, [this] {
        setTuning(tr("Octave down"), [](Tuning& t) { t.rootKey = std::max(0, t.rootKey - 12); });
    });
    connect(up_, &QPushButton::clicked, this, [this] {
        setTuning(tr("Octave up"), [](Tuning& t) { t.rootKey = std::min(127, t.rootKey + 12); });
    });
    connect(choices_, &ChoiceList::chosen, this, [this](int index) {
        const double midi = pitchChoices(*session().take())[std::size_t(index)].midi;
        setTuning(tr("Choose note"),
            [&](Tuning& t) { t = Tuning::forPitch(midi, TuningSource::byHand); });
    });
    connect(reading_, &QPushButton::clicked, this, [this] {
        session().editTake(tr("Use the reading"), [](Take& t) {
            if (t.pitch.midi)
                t.tuning = Tuning::forPitch(*t.pitch.midi, TuningSource::proposed);
        });
    });
    const auto rename = [this] {
        Naming next = session().naming();
        next.middleCOctave = middleC_->index() + 3;
        next.accidentals = signs_->index() == 0 ? Accidentals::sharps : Accidentals::flats;
        session().setNaming(next);
    };
    connect(middleC_, &ChoiceField::chosen, this, rename);
    connect(signs_, &ChoiceField::chosen, this, rename);
}

void PitchStop::setTuning(const QString& step, const std::function<void(Tuning&)>& change, int g)
{
    session().editTake(
        step,
        [&](Take& t) {
            change(t.tuning);
            t.tuning.source = TuningSource::byHand;
        },
        g);
}

void PitchStop::showVerdict(const Take& take)
{
    const auto& t = Theme::tokens();
    const bool byHand = take.tuning.source == TuningSource::byHand;
    const auto& pitch = take.pitch;
    QString text;
    if (byHand)
        text = tr("Set by hand.");
    else if (take.tuning.source == TuningSource::fromFile)
        text = tr("From the file.");
    else if (pitch.verdict == PitchVerdict::clear)
        text = tr("Clear: %1 % sure.").arg(std::lround(100.0 * pitch.confidence));
    else if (pitch.verdict == PitchVerdict::uncertain)
        text = tr("Uncertain: %1 % sure. Compare the candidates.")
                   .arg(std::lround(100.0 * pitch.confidence));
    else
        text = tr("No clear pitch. Set the root key by ear.");
    text += QLatin1Char(' ') + tr("The sound is %1.").arg(QString::fromLatin1(nameOf(pitch.kind)));
    const bool trouble = !byHand && pitch.verdict != PitchVerdict::clear;
    verdict_->setText(text);
    verdict_->setStyleSheet(
        QStringLiteral("color: %1").arg((trouble ? t.coral : t.quietInk).name()));
}

void PitchStop::refresh()
{
    const Take* take = session().take();
    for (auto* field : {root_, fine_})
        field->setFieldEnabled(take != nullptr);
    for (auto* button : {down_, up_, reading_})
        button->setEnabled(take != nullptr);
    middleC_->setIndex(session().naming().middleCOctave - 3);
    signs_->setIndex(session().naming().accidentals == Accidentals::sharps ? 0 : 1);
    if (take == nullptr) {
        line_->clear();
        spectrum_->clear();
        choices_->setChoices({}, -1, session().naming());
        note_->setText(QStringLiteral("–"));
        cents_->clear();
        frequency_->clear();
        verdict_->setText(tr("Open a recording first."));
        return;
    }
    const auto& naming = session().naming();
    const double midi = take->tuning.soundingMidi();
    const auto hz = hzOf(midi);
    const auto* line = session().pitchLine() ? &*session().pitchLine() : nullptr;
    line_->setPitch(line, midi, double(take->kept.length()) / take->rate(), naming);
    spectrum_->setSpectrum(session().spectrum(), hz.value, take->pitch.stretch,
        typeset(noteName(nearestKey(midi).key, naming)));
    choices_->setChoices(pitchChoices(*take), nearestKey(midi).key, naming);
    note_->setText(typeset(noteName(take->tuning.rootKey, naming)));
    note_->setStyleSheet(QStringLiteral("color: %1").arg(Theme::tokens().brass.name()));
    cents_->setText(typeset(formatCents(Cents{-take->tuning.fineCents})));
    cents_->setToolTip(tr("How far the recording lies from the key"));
    frequency_->setText(
        typeset(formatNumber(hz.value, 2) + " Hz · key " + std::to_string(take->tuning.rootKey)));
    reading_->setEnabled(
        take->pitch.midi.has_value() && take->tuning.source != TuningSource::proposed);
    showVerdict(*take);
    root_->setValue(take->tuning.rootKey);
    fine_->setValue(take->tuning.fineCents);
}

} // namespace puretone::app
