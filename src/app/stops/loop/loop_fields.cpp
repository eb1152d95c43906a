// SPDX-License-Identifier: GPL-3.0-or-later
// The fields, readings and buttons beside the loop's bench.
#include "app/stops/loop/loop_stop.h"

#include "app/theme/theme.h"
#include "base/quantity.h"

#include <QMenu>

namespace puretone::app {

namespace {

/// In the order of the choice.
constexpr LoopMode modes[] = {
    LoopMode::forward, LoopMode::alternating, LoopMode::untilRelease, LoopMode::oneShot};
constexpr FadeCurve curves[] = {FadeCurve::linear, FadeCurve::automatic, FadeCurve::equalPower};

template <class E, std::size_t N> int indexOf(const E (&values)[N], E value)
{
    return int(std::find(std::begin(values), std::end(values), value) - std::begin(values));
}

} // namespace

void LoopStop::addFields()
{
    const auto rateNow = [this] { return rate(); };
    on_ = addTitleButton(tr("on"), tr("Off: the sound plays to its recorded end"));
    on_->setAccessibleName(tr("Loop on"));
    // Much stands here; a little closer together it needs no scrolling.
    details()->column()->setSpacing(3);
    on_->setCheckable(true);
    mode_ = details()->addChoice(tr("Way"),
        tr("Forward: from the end back to the start. There and back: every other time backward. "
           "Until release: then on to the recorded end. One-shot: no loop, always to the end"),
        {tr("forward"), tr("there and back"), tr("until release"), tr("one-shot")});
    start_ = details()->addField(framesField(tr("Start"),
        tr("Where the loop begins again; Ctrl while its post is dragged moves the whole loop"),
        rateNow, true));
    end_ = details()->addField(
        framesField(tr("End"), tr("Where it goes back to the start"), rateNow, true));
    length_ = details()->addField(
        framesField(tr("Length"), tr("Moves the end; the start stays"), rateNow, false));
    auto crossfade = framesField(tr("Crossfade"),
        tr("How long the end is mixed with what lies before the start: longer hides more, and may "
           "sound limp"),
        rateNow, false);
    crossfade.timesAsShown = true;
    crossfade_ = details()->addField(crossfade);
    curve_ = details()->addChoice(tr("Curve"),
        tr("Automatic keeps the loudness, whatever both sides have in common"),
        {tr("linear"), tr("automatic"), tr("equal power")});
    evenOut_ = details()->addField(percentField(tr("Even out"),
        tr("Takes the level change inside the loop out, so that it does not pump"), 0.0));
    evenColour_ = details()->addField(percentField(tr("Brightness"),
        tr("Evens out the brightness inside the loop, too: for sounds whose highs die first"),
        0.0));
    details()->addRule();
    addSeamReadings();
    details()->column()->addStretch(1);
    const auto buttons = details()->addButtons({{tr("Find again"),
                                                    tr("Searches the kept part for loops and takes "
                                                       "the best. Shift and a drag across the wave "
                                                       "search one stretch of it")},
        {tr("Copy to…"), tr("Gives this loop to every other take, in one of several ways")}});
    find_ = buttons[0];
    find_->setProperty("kind", "main");
    copy_ = buttons[1];
}

void LoopStop::addSeamReadings()
{
    details()->addHeading(tr("What the seam does"));
    verdict_ = new QLabel(this);
    verdict_->setWordWrap(true);
    details()->column()->addWidget(verdict_);
    remedy_ = details()->addButton({}, tr("What helps most against it; can be undone"));
    bars_ = new SeamBars(this);
    details()->column()->addWidget(bars_);
    fit_ = details()->addButton(tr("Fit to whole periods"),
        tr("Makes the loop as long as a whole number of periods, to a fraction of a frame, so that "
           "it is in tune with the rest of the note"));
    tone_ = details()->addButton(
        {}, tr("So short a loop is a tone of its own: this makes its pitch the take's"));
    begin_ = details()->addButton(tr("Begin notes here"),
        tr("Keys begin at the loop at every stop: the sound before it is left out. The start at "
           "the stop Sound brings it back"));
    // Their words change; the column's width does not.
    for (auto* button : {remedy_, tone_})
        button->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
}

void LoopStop::connectFields()
{
    connectToTake(start_, tr("Move loop start"),
        [](Take& t, double f) { t.loop = withLoopFrom(t.loop, t.kept, std::llround(f)); });
    connectToTake(end_, tr("Move loop end"),
        [](Take& t, double f) { t.loop = withLoopEnd(t.loop, t.kept, std::llround(f)); });
    connectToTake(length_, tr("Change loop length"), [](Take& t, double f) {
        t.loop = withLoopEnd(t.loop, t.kept, t.loop.span.start.value + std::llround(f));
    });
    connectToTake(crossfade_, tr("Change crossfade"),
        [](Take& t, double f) { t.loop.crossfade = Frames{std::llround(f)}; });
    connectToTake(evenOut_, tr("Even out loop"), [](Take& t, double v) { t.loop.evenOut = v; });
    connectToTake(
        evenColour_, tr("Even out brightness"), [](Take& t, double v) { t.loop.evenColour = v; });
    connect(curve_, &ChoiceField::chosen, this, [this](int index) {
        session().editTake(
            tr("Change crossfade curve"), [&](Take& t) { t.loop.curve = curves[index]; });
    });
    connect(mode_, &ChoiceField::chosen, this, [this](int index) {
        const Take* take = session().take();
        const auto turns = [](LoopMode mode) { return mode == LoopMode::alternating; };
        if (modes[index] != LoopMode::oneShot && take != nullptr && take->loop.repeats()
            && turns(modes[index]) != turns(take->loop.mode)) {
            // It can turn only where the wave runs backward as it ran forward; where it then goes
            // round, it need not fit.
            Loop like = take->loop;
            like.mode = modes[index];
            session().looping().loopAround(take->loop.span, like, tr("Change way of looping"));
            return;
        }
        session().editTake(tr("Change way of looping"), [&](Take& t) {
            t.loop.mode = modes[index];
            t.loop.crossfade =
                std::min(t.loop.crossfade, longestCrossfade(t.loop.span, t.loop.mode));
        });
    });
    connectButtons();
}

void LoopStop::connectButtons()
{
    connect(on_, &QPushButton::clicked, this, [this](bool wanted) {
        const Take* t = session().take();
        // A loop that was never placed has to be found first.
        if (wanted && t != nullptr && t->loop.span.length() < shortestLoop) {
            session().looping().find();
            return;
        }
        session().editTake(wanted ? tr("Loop on") : tr("Loop off"), [&](Take& x) {
            x.loop.on = wanted;
            if (wanted && x.loop.mode == LoopMode::oneShot)
                x.loop.mode = LoopMode::forward;
        });
    });
    connect(find_, &QPushButton::clicked, this, [this] { session().looping().find(); });
    connect(copy_, &QPushButton::clicked, this, [this] { showCopyMenu(); });
    connect(remedy_, &QPushButton::clicked, this, [this] {
        if (const auto* remedy = session().looping().remedy())
            session().editTake(said(remedy->name.c_str()),
                [loop = remedy->result.loop](Take& t) { t.loop = loop; });
    });
    connect(fit_, &QPushButton::clicked, this, [this] {
        session().editTake(tr("Fit to whole periods"), [](Take& t) {
            if (const auto period = t.period())
                t.loop = fittedToPeriods(t.loop, *period, t.rate(), t.kept.end.value);
        });
    });
    connect(hear_->button(NoteEntry::loopStart), &QAbstractButton::toggled, this, [this] {
        if (const Take* take = session().take())
            showOffers(*take);
    });
    connect(begin_, &QPushButton::clicked, this, [this] {
        session().editTake(
            tr("Begin at the loop"), [](Take& t) { t.kept = keptFromLoop(t).value_or(t.kept); });
    });
    connect(tone_, &QPushButton::clicked, this, [this] {
        const auto tone = session().looping().tone();
        if (const auto own = tone ? tuningByTone(*session().take(), *tone) : std::nullopt)
            session().editTake(tr("Tune to the loop"), [&](Take& t) { t.tuning = *own; });
    });
}

void LoopStop::showCopyMenu()
{
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    menu->setToolTipsVisible(true);
    const auto add = [&](const QString& text, const QString& tip, LoopCopy how, bool stagger) {
        menu->addAction(text, this,
                [this, how, stagger] { session().looping().copyToOthers(how, stagger); })
            ->setToolTip(tip);
    };
    add(tr("At the same times"), tr("For takes that were performed alike"), LoopCopy::sameTimes,
        false);
    add(tr("At the same share of the length"), tr("For takes of different lengths"),
        LoopCopy::sameShare, false);
    add(tr("Find the like in each"), tr("Each take's own loop that is most like this one"),
        LoopCopy::findTheLike, false);
    menu->addSeparator();
    const QString unequal =
        tr("Start and length differ from take to take, so that neighbours do not pulse together");
    add(tr("Same times, staggered"), unequal, LoopCopy::sameTimes, true);
    add(tr("Same share, staggered"), unequal, LoopCopy::sameShare, true);
    add(tr("Find the like, staggered"), unequal, LoopCopy::findTheLike, true);
    menu->popup(copy_->mapToGlobal(QPoint(0, copy_->height())));
}

void LoopStop::showSeam(const Take& take)
{
    const double seconds = double(take.loop.span.length()) / take.rate();
    verdict_->setStyleSheet({});
    if (!take.loop.repeats()) {
        bars_->setMeasured(std::nullopt, seconds);
        verdict_->setText(take.loop.mode == LoopMode::oneShot
                ? tr("One-shot: it plays to its end, however short the key is held.")
                : !take.facts->loopChoices.empty()
                    && take.facts->pitch.kind == SoundKind::percussive
                ? tr("Struck and gone at once: it gets no loop by itself. One is ready.")
                : !take.facts->loopChoices.empty() || take.facts->loopMessage.empty()
                ? tr("The loop is off.")
                : tr("No loop was found: it %1.").arg(typeset(take.facts->loopMessage.said())));
        return;
    }
    const auto& measured = session().looping().seam();
    if (!measured || !(measured->loop == take.loop))
        return;
    const bool good = seamVerdict(measured->cost) == SeamVerdict::seamless;
    bars_->setMeasured(measured, seconds);
    const QString words = typeset(describeSeam(measured->seam, seconds).said());
    const bool best =
        !take.facts->loopChoices.empty() && take.facts->loopChoices.front().loop == take.loop;
    verdict_->setText(good ? tr("Seamless.")
            : best && !take.facts->loopMessage.empty()
            ? tr("It %1. The sound %2.").arg(words, typeset(take.facts->loopMessage.said()))
            : tr("It %1.").arg(words));
    verdict_->setStyleSheet(QStringLiteral("color: %1; font-weight: 600")
                                .arg((good ? Theme::tokens().sea : Theme::tokens().coral).name()));
}

/// Buttons that are there only while there is something to offer.
void LoopStop::showOffers(const Take& take)
{
    const auto* remedy = take.loop.repeats() ? session().looping().remedy() : nullptr;
    remedy_->setVisible(remedy != nullptr);
    if (remedy != nullptr)
        remedy_->setText(said(remedy->name.c_str()));
    fit_->setVisible(wantsFitting(take));
    begin_->setVisible(hear_->button(NoteEntry::loopStart)->isChecked() && keptFromLoop(take));
    const auto tone = session().looping().tone();
    const auto own = tone ? tuningByTone(take, *tone) : std::nullopt;
    tone_->setVisible(own.has_value());
    if (own)
        tone_->setText(tr("Take root %1")
                           .arg(typeset(noteName(own->rootKey, session().naming()) + " "
                               + formatCents(Cents{-own->fineCents}))));
}

void LoopStop::refreshFields(const Take* take)
{
    const bool has = take != nullptr, repeats = has && take->loop.repeats();
    for (auto* field : {start_, end_, length_, crossfade_, evenOut_, evenColour_})
        field->setFieldEnabled(repeats);
    curve_->setFieldEnabled(repeats);
    mode_->setFieldEnabled(has);
    on_->setEnabled(has);
    find_->setEnabled(has);
    copy_->setVisible(has && !heardBeside(session().instrument(), take->id).empty());
    copy_->setEnabled(has && take->loop.span.length() >= shortestLoop);
    on_->setChecked(repeats);
    on_->setText(repeats ? tr("on") : tr("off"));
    if (!has) {
        remedy_->hide();
        fit_->hide();
        tone_->hide();
        begin_->hide();
        bars_->setMeasured(std::nullopt, 1.0);
        verdict_->clear();
        return;
    }
    mode_->setIndex(indexOf(modes, take->loop.mode));
    showSeam(*take);
    showOffers(*take);
    if (!repeats)
        return;
    const Loop& loop = take->loop;
    const double start = double(loop.span.start.value), end = double(loop.span.end.value);
    const double latest = double(take->kept.end.value) - (end - start);
    start_->setRange(double(take->kept.start.value), std::max(latest, end - double(shortestLoop)));
    end_->setRange(start + double(shortestLoop), double(take->kept.end.value));
    length_->setRange(double(shortestLoop), double(take->kept.end.value) - start);
    crossfade_->setRange(0.0, double(longestCrossfade(loop.span, loop.mode).value));
    start_->setValue(start);
    end_->setValue(end);
    length_->setValue(end - start);
    crossfade_->setValue(double(loop.crossfade.value));
    curve_->setIndex(indexOf(curves, loop.curve));
    evenOut_->setValue(loop.evenOut);
    evenColour_->setValue(loop.evenColour);
}

} // namespace puretone::app
