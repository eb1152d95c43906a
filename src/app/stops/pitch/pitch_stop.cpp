// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/pitch/pitch_stop.h"

#include "app/theme/theme.h"
#include "base/quantity.h"

#include <QKeyEvent>

namespace puretone::app {

PitchStop::PitchStop(Session& s, QWidget* parent)
    : StopView(s, tr("Pitch"), parent)
    , line_(new PitchView(this))
    , spectrum_(new SpectrumView(this))
    , choices_(new ChoiceList(this))
    , trial_(new TrialPanel(s, this))
    , mend_(new MendPanel(s, this))
    , table_(new NoteTable(this))
{
    bench()->addWidget(line_, 5);
    bench()->addWidget(spectrum_, 3);
    bench()->addWidget(choices_);
    line_->setFocusPolicy(Qt::StrongFocus);
    line_->setToolTip(tr("Up and Down move the fine tuning by 1 cent, with Shift by 0.1, with Ctrl "
                         "by 10; + and − move the root key by an octave"));
    buildHead();
    buildTuning();
    details()->column()->addWidget(trial_->fields());
    mend_->foldInto(details());
    connect(trial_->fields(), &FieldColumn::refused, details(), &FieldColumn::refused);
    buildNaming();
    details()->column()->addStretch(1);
    connectTuning();
    connect(spectrum_, &SpectrumView::pointedAt, mend_, &MendPanel::mark);
    connect(mend_, &MendPanel::marked, this, [this] {
        if (session().take() != nullptr)
            showForeign(*session().take());
    });
    connect(trial_, &TrialPanel::stillWanted, this, [this](double cents) {
        setTuning(tr("Stand still"), [&](Tuning& t) { t.fineCents += cents; });
    });
}

void PitchStop::buildHead()
{
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
    facts_ = new QLabel(this);
    facts_->setWordWrap(true);
    facts_->setProperty("role", "quiet");
    facts_->setFont(Theme::font(12));
    details()->column()->addWidget(facts_);
    details()->addRule();
}

void PitchStop::buildTuning()
{
    const auto naming = [this] { return session().naming(); };
    root_ = details()->addField(
        keyField(tr("Root key"), tr("The key that plays the recording at its own speed"), naming));
    fine_ = details()->addField(centsField(tr("Fine tune"),
        tr("Moves the sound up or down until it stands in tune with the key"), -1200.0, 1200.0));
    details()->column()->addSpacing(4);
    const auto octaves =
        details()->addButtons({{tr("Octave down"), tr("The right note, an octave too high (−)")},
            {tr("Octave up"), tr("The right note, an octave too low (+)")}});
    down_ = octaves[0];
    up_ = octaves[1];
    reading_ = details()->addButton(
        tr("Use the reading again"), tr("Root key and fine tune as they were read from the sound"));
    details()->addRule();
}

void PitchStop::buildNaming()
{
    auto* part = details()->addFold(tr("How notes are named"), QStringLiteral("naming"), false);
    a4_ = part->addField(frequencyField(tr("A4 sounds at"),
        tr("What the whole instrument is tuned to; every take is moved along"), lowestA4, highestA4,
        concertPitch.value));
    middleC_ = part->addChoice(tr("Middle C is"),
        tr("The octave number of MIDI key 60; changes no sound"), {"C3", "C4", "C5"});
    signs_ = part->addChoice(tr("Black keys"), tr("How black keys are written; changes no sound"),
        {tr("sharps"), tr("flats")});
    lookUp_ = part->addButton(
        tr("Look up a note…"), tr("All keys with their number, name and frequency"));
}

void PitchStop::connectTuning()
{
    connect(root_, &ValueField::edited, this, [this](double key, bool first) {
        setTuning(
            tr("Set root key"), [&](Tuning& t) { t.rootKey = int(std::lround(key)); },
            gesture(first));
    });
    connect(fine_, &ValueField::edited, this, [this](double cents, bool first) {
        setTuning(
            tr("Change fine tune"), [&](Tuning& t) { t.fineCents = cents; }, gesture(first));
    });
    connect(down_, &QPushButton::clicked, this, [this] { octave(-1); });
    connect(up_, &QPushButton::clicked, this, [this] { octave(1); });
    connect(choices_, &ChoiceList::chosen, this, [this](int index) {
        const double midi = pitchChoices(*session().take())[std::size_t(index)].midi;
        setTuning(tr("Choose note"),
            [&](Tuning& t) { t = Tuning::forPitch(midi, TuningSource::byHand, t.a4); });
    });
    connect(reading_, &QPushButton::clicked, this, [this] {
        session().editTake(tr("Use the reading"), [](Take& t) {
            if (t.facts->pitch.midi)
                t.tuning =
                    Tuning::forPitch(*t.facts->pitch.midi, TuningSource::proposed, t.tuning.a4);
        });
    });
    connectToInstrument(
        a4_, tr("Tune A4"), [](Instrument& next, double hz) { setConcertPitch(next, hz); });
    const auto rename = [this] {
        Naming next = session().naming();
        next.middleCOctave = middleC_->index() + 3;
        next.accidentals = signs_->index() == 0 ? Accidentals::sharps : Accidentals::flats;
        session().setNaming(next);
    };
    connect(middleC_, &ChoiceField::chosen, this, rename);
    connect(signs_, &ChoiceField::chosen, this, rename);
    connect(lookUp_, &QPushButton::clicked, this, [this] {
        const Take* take = session().take();
        table_->setNotes(session().naming(), Hz{session().instrument().a4},
            take != nullptr ? take->tuning.rootKey : 60);
        table_->move(lookUp_->mapToGlobal(
            QPoint(lookUp_->width() - table_->width(), -table_->height() - 4)));
        table_->show();
        table_->search()->setFocus();
    });
}

void PitchStop::nudge(double cents, bool first)
{
    setTuning(
        tr("Change fine tune"), [&](Tuning& t) { t.fineCents += cents; }, gesture(first));
}

void PitchStop::octave(int by)
{
    setTuning(by > 0 ? tr("Octave up") : tr("Octave down"), [by](Tuning& t) {
        if (t.rootKey + 12 * by >= 0 && t.rootKey + 12 * by <= 127)
            t.rootKey += 12 * by;
    });
}

void PitchStop::keyPressEvent(QKeyEvent* event)
{
    const double size = event->modifiers() & Qt::ShiftModifier ? 0.1
        : event->modifiers() & Qt::ControlModifier             ? 10.0
                                                               : 1.0;
    switch (session().take() != nullptr ? event->key() : 0) {
    case Qt::Key_Up:
    case Qt::Key_Down:
        // One run of presses is one step to undo.
        nudge(event->key() == Qt::Key_Up ? size : -size, !nudging_);
        nudging_ = true;
        return;
    case Qt::Key_Plus:
    case Qt::Key_Equal:
        return octave(1);
    case Qt::Key_Minus:
        return octave(-1);
    default:
        StopView::keyPressEvent(event);
    }
}

void PitchStop::keyReleaseEvent(QKeyEvent* event)
{
    if (!event->isAutoRepeat())
        nudging_ = false;
    StopView::keyReleaseEvent(event);
}

void PitchStop::hideEvent(QHideEvent* event)
{
    trial_->stop();
    StopView::hideEvent(event);
}

void PitchStop::showEvent(QShowEvent* event)
{
    StopView::showEvent(event);
    line_->setFocus();
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
    const auto& pitch = take.facts->pitch;
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
    text += QLatin1Char(' ') + tr("The sound is %1.").arg(said(nameOf(pitch.kind)));
    QStringList facts;
    for (const auto& fact : pitchFacts(take, session().naming()))
        facts += typeset(fact);
    facts_->setText(facts.join(QLatin1Char(' ')));
    facts_->setVisible(!facts.isEmpty());
    const bool trouble = !byHand && pitch.verdict != PitchVerdict::clear;
    verdict_->setText(text);
    verdict_->setStyleSheet(
        QStringLiteral("color: %1").arg((trouble ? t.coral : t.quietInk).name()));
}

void PitchStop::showForeign(const Take& take)
{
    const auto hz = mend_->tone();
    const bool removed =
        std::any_of(session().treating().list().begin(), session().treating().list().end(),
            [](const Treatment& t) { return t.on && std::holds_alternative<RemoveTone>(t.what); });
    const auto proposed = foreignTone(take.facts->pitch);
    spectrum_->setForeign(hz,
        !hz                  ? QString()
            : removed        ? tr("taken out, %1").arg(typeset(formatHz(*hz)))
            : hz == proposed ? tr("a tone of its own, %1").arg(typeset(formatHz(*hz)))
                             : tr("marked, %1").arg(typeset(formatHz(*hz))));
}

void PitchStop::showTake(const Take& take)
{
    const auto& naming = session().naming();
    const double midi = take.tuning.soundingMidi();
    const double offset = Tuning::offset(take.tuning.a4);
    const auto hz = hzOf(midi);
    const auto* line =
        session().pictures().pitchLine() ? &*session().pictures().pitchLine() : nullptr;
    line_->setOffset(offset);
    line_->setPitch(line, midi, double(take.kept.length()) / take.rate(), naming);
    const bool wanders = take.facts->pitch.wanders();
    line_->setSteady(wanders ? take.facts->pitch.movement->steadyStart : 0.0,
        wanders ? take.facts->pitch.movement->steadyEnd : 0.0);
    spectrum_->setSpectrum(session().pictures().spectrum(), hz.value, take.facts->pitch.stretch,
        typeset(noteName(nearestKey(midi - offset).key, naming)));
    spectrum_->setPartials(take.facts->pitch.partials,
        take.facts->pitch.kind == SoundKind::inharmonic, naming, Hz{take.tuning.a4});
    showForeign(take);
    auto choices = pitchChoices(take);
    for (auto& choice : choices)
        choice.midi -= offset;
    choices_->setChoices(std::move(choices), nearestKey(midi - offset).key, naming);
    note_->setText(typeset(noteName(take.tuning.rootKey, naming)));
    note_->setStyleSheet(QStringLiteral("color: %1").arg(Theme::tokens().brass.name()));
    cents_->setText(typeset(formatCents(Cents{-take.tuning.fineCents})));
    cents_->setToolTip(tr("How far the recording lies from the key"));
    frequency_->setText(tr("%1 Hz · key %2")
                            .arg(QString::fromStdString(formatNumber(hz.value, 2)))
                            .arg(take.tuning.rootKey));
    reading_->setVisible(
        take.facts->pitch.midi.has_value() && take.tuning.source != TuningSource::proposed);
    showVerdict(take);
    root_->setValue(take.tuning.rootKey);
    fine_->setValue(take.tuning.fineCents);
}

void PitchStop::refresh()
{
    const Take* take = session().take();
    for (auto* field : {root_, fine_})
        field->setFieldEnabled(take != nullptr);
    for (auto* button : {down_, up_})
        button->setEnabled(take != nullptr);
    a4_->setValue(session().instrument().a4);
    middleC_->setIndex(session().naming().middleCOctave - 3);
    signs_->setIndex(session().naming().accidentals == Accidentals::sharps ? 0 : 1);
    trial_->refresh();
    mend_->refresh();
    if (take != nullptr)
        return showTake(*take);
    line_->clear();
    spectrum_->clear();
    choices_->setChoices({}, -1, session().naming());
    note_->setText(QStringLiteral("–"));
    cents_->clear();
    frequency_->clear();
    reading_->hide();
    facts_->hide();
    verdict_->setText(tr("Open a recording first."));
}

} // namespace puretone::app
