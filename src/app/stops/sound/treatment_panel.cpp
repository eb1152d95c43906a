// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/sound/treatment_panel.h"

#include "app/theme/theme.h"
#include "base/overloaded.h"
#include "prepare/treat/treat.h"

#include <QMenu>

namespace puretone::app {

namespace {

bool isFilter(const TreatmentKind& what)
{
    return std::holds_alternative<PassFilter>(what) || std::holds_alternative<Band>(what);
}

bool measures(const TreatmentKind& what)
{
    const auto* level = std::get_if<Level>(&what);
    return (level != nullptr && level->to != Level::To::gain)
        || std::holds_alternative<EvenOut>(what) || std::holds_alternative<Straighten>(what)
        || std::holds_alternative<RemoveTone>(what);
}

/// Undo names without the values: one for all of a drag.
QString nameOf(const TreatmentKind& what)
{
    return std::visit(Overloaded{
                          [](const RemoveDc&) { return QObject::tr("remove DC"); },
                          [](const PassFilter& f) {
                              return f.cut == PassFilter::Cut::low ? QObject::tr("low cut")
                                                                   : QObject::tr("high cut");
                          },
                          [](const Band&) { return QObject::tr("band"); },
                          [](const Level&) { return QObject::tr("level"); },
                          [](const EvenOut&) { return QObject::tr("evening out"); },
                          [](const Reverse&) { return QObject::tr("reverse"); },
                          [](const Channels&) { return QObject::tr("channels"); },
                          [](const Width&) { return QObject::tr("width"); },
                          [](const Straighten&) { return QObject::tr("straightening"); },
                          [](const RemoveTone&) { return QObject::tr("removed tone"); },
                          [](const Transpose&) { return QObject::tr("transposing"); },
                          [](const Harmony&) { return QObject::tr("harmony"); },
                          [](const Colour& c) {
                              return c.effects.size() == 1 ? said(factsOf(c.effects[0].kind).word)
                                                           : QObject::tr("effects");
                          },
                      },
        what);
}

} // namespace

TreatmentPanel::TreatmentPanel(Session& session, QWidget* parent)
    : QObject(parent)
    , session_(session)
    , bench_(new QWidget(parent))
    , fields_(new FieldColumn(parent))
    , chips_(new ChipRow(tr("Treat…"), bench_))
    , filters_(new FilterView(bench_))
{
    auto* column = new QVBoxLayout(bench_);
    column->setContentsMargins(8, 0, 8, 0);
    column->setSpacing(8);
    column->addWidget(filters_);
    column->addWidget(chips_);
    filters_->setFixedHeight(170);
    chips_->setAccessibleName(tr("Treatments, in order"));
    chips_->setToolTip(
        tr("What is done to the recording, from left to right. Click one for its values, "
           "double-click to switch it, drag to move it; the right button offers more"));
    buildFields();
    connect(chips_, &ChipRow::chosen, this, [this](int index) {
        chosen_ = index;
        refresh();
    });
    connect(chips_, &ChipRow::addAsked, this, &TreatmentPanel::showAddMenu);
    connect(chips_, &ChipRow::menuAsked, this, &TreatmentPanel::showChipMenu);
    connect(chips_, &ChipRow::switched, this, &TreatmentPanel::toggle);
    connect(chips_, &ChipRow::moved, this, &TreatmentPanel::move);
    connect(chips_, &ChipRow::removeAsked, this, &TreatmentPanel::remove);
    connect(filters_, &FilterView::chosen, this, [this](int index) {
        chosen_ = index;
        refresh();
    });
    connect(filters_, &FilterView::changed, this,
        [this](int index, const Treatment& treatment, bool first) {
            chosen_ = index;
            changeChosen([&](TreatmentKind& what) { what = treatment.what; }, first);
        });
    connect(filters_, &FilterView::cancelled, this, [this] { gesture_.abandon(); });
}

void TreatmentPanel::change(
    const QString& name, const std::function<void(Treatments&)>& how, int gesture)
{
    auto list = session_.treating().list();
    how(list);
    session_.treating().set(name, std::move(list), gesture);
}

void TreatmentPanel::changeChosen(const std::function<void(TreatmentKind&)>& how, bool first)
{
    const auto& list = session_.treating().list();
    if (chosen_ < 0 || chosen_ >= int(list.size()))
        return;
    change(
        tr("Change %1").arg(nameOf(list[std::size_t(chosen_)].what)),
        [&](Treatments& next) { how(next[std::size_t(chosen_)].what); }, gesture_.next(first));
}

void TreatmentPanel::add(TreatmentKind what)
{
    const Take* take = session_.take();
    if (take == nullptr)
        return;
    const Treatment treatment = measuredOver({{what}}, keptInRecording(*take)).front();
    chosen_ = int(session_.treating().list().size());
    // What has no values needs no fields.
    if (std::holds_alternative<Reverse>(treatment.what)
        || std::holds_alternative<RemoveDc>(treatment.what))
        chosen_ = -1;
    change(tr("Add %1").arg(nameOf(treatment.what)),
        [&](Treatments& list) { list.push_back(treatment); });
}

void TreatmentPanel::toggle(int index)
{
    const auto& list = session_.treating().list();
    if (index < 0 || index >= int(list.size()))
        return;
    const auto& treatment = list[std::size_t(index)];
    change((treatment.on ? tr("Switch %1 off") : tr("Switch %1 on")).arg(nameOf(treatment.what)),
        [index](Treatments& next) { next[std::size_t(index)].on = !next[std::size_t(index)].on; });
}

void TreatmentPanel::move(int from, int to)
{
    if (chosen_ == from)
        chosen_ = to;
    else
        chosen_ = -1;
    change(tr("Move %1").arg(nameOf(session_.treating().list()[std::size_t(from)].what)),
        [from, to](Treatments& list) {
            const auto moved = list[std::size_t(from)];
            list.erase(list.begin() + from);
            list.insert(list.begin() + to, moved);
        });
}

void TreatmentPanel::remove(int index)
{
    const auto& list = session_.treating().list();
    if (index < 0 || index >= int(list.size()))
        return;
    chosen_ = -1;
    change(tr("Remove %1").arg(nameOf(list[std::size_t(index)].what)),
        [index](Treatments& next) { next.erase(next.begin() + index); });
}

void TreatmentPanel::showAddMenu(const QPoint& place)
{
    const Take* take = session_.take();
    if (take == nullptr)
        return;
    QMenu menu(fields_);
    const auto entry = [&](const QString& text, const QString& tip, TreatmentKind what) {
        auto* action = menu.addAction(text, this, [this, what] { add(what); });
        action->setToolTip(tip);
        return action;
    };
    menu.setToolTipsVisible(true);
    // Below the note there is only rumble: an octave under it is a safe place to begin.
    const auto period = take->period();
    const double below = period ? std::clamp(0.5 / *period, 20.0, 400.0) : 40.0;
    using How = Channels::How;
    entry(tr("Low cut"), tr("Takes out rumble below the note"),
        PassFilter{PassFilter::Cut::low, below, 24});
    entry(tr("High cut"), tr("Takes out hiss"), PassFilter{PassFilter::Cut::high, 12000.0, 12});
    entry(tr("Remove DC"), tr("Puts the wave back in the middle"), RemoveDc{});
    menu.addSeparator();
    entry(tr("Bell"), tr("Lifts or lowers around a frequency"), Band{});
    entry(tr("Low shelf"), tr("Lifts or lowers everything below"),
        Band{Band::Shape::lowShelf, 200.0, 0.0, 1.0});
    entry(tr("High shelf"), tr("Lifts or lowers everything above"),
        Band{Band::Shape::highShelf, 4000.0, 0.0, 1.0});
    menu.addSeparator();
    entry(tr("Level to a peak"), tr("The loudest moment comes to stand at -1 dB"), Level{});
    entry(tr("Level to a loudness"), tr("The kept part comes to stand at -18 LUFS"),
        Level{Level::To::loudness, -18.0, {}});
    entry(tr("Gain"), tr("Louder or softer"), Level{Level::To::gain, 0.0, {}});
    entry(tr("Even out"), tr("Levels a note that slowly swells or sags"), EvenOut{});
    entry(tr("Compress"), tr("Holds loud moments back"),
        compressing(take->audio(), take->kept, session_.instrument().tempo));
    menu.addSeparator();
    entry(tr("Transpose"), tr("Another pitch at the same length, formants on their own"),
        Transpose{});
    entry(tr("Harmony"), tr("Up to four voices beside the sound"),
        Harmony{{-12.0, 7.0, 0.0, 0.0}, -3.0, true, 0.6});
    menu.addSeparator();
    entry(tr("Reverse"), tr("Plays it from the end"), Reverse{});
    const bool stereo = take->recording->audio->channelCount() > 1;
    for (auto* action :
        {entry(tr("Mono from all"), tr("The mean of all channels"), Channels{How::mixed, 0, 1}),
            entry(tr("Mono from left"), tr("The left side alone"), Channels{How::picked, 0, 0}),
            entry(tr("Mono from right"), tr("The right side alone"), Channels{How::picked, 1, 1}),
            entry(tr("Swap sides"), tr("Left becomes right"), Channels{How::picked, 1, 0}),
            entry(tr("Width"), tr("Moves the sides together or apart"), Width{})})
        action->setEnabled(stereo);
    if (take->recording->audio->channelCount() > 2)
        entry(
            tr("Choose channels"), tr("Which two of them are heard"), Channels{How::picked, 0, 1});
    menu.exec(place);
}

void TreatmentPanel::showChipMenu(int index, const QPoint& place)
{
    const auto& list = session_.treating().list();
    QMenu menu(fields_);
    menu.addAction(list[std::size_t(index)].on ? tr("Switch off") : tr("Switch on"), this,
        [this, index] { toggle(index); });
    auto* earlier = menu.addAction(tr("Earlier"), this, [this, index] { move(index, index - 1); });
    auto* later = menu.addAction(tr("Later"), this, [this, index] { move(index, index + 1); });
    earlier->setEnabled(index > 0);
    later->setEnabled(index + 1 < int(list.size()));
    menu.addAction(tr("Remove"), this, [this, index] { remove(index); });
    menu.addSeparator();
    auto* all = menu.addAction(
        tr("Treat all takes alike"), &session_, [this] { session_.treating().copyToAll(); });
    all->setEnabled(session_.instrument().takes.size() > 1);
    menu.exec(place);
}

void TreatmentPanel::refresh()
{
    const Take* take = session_.take();
    const auto& list = session_.treating().list();
    if (take == nullptr || take->id != takeShown_ || chosen_ >= int(list.size()))
        chosen_ = -1;
    takeShown_ = take != nullptr ? take->id : 0;
    bench_->setVisible(take != nullptr);
    std::vector<Chip> chips;
    for (const auto& treatment : list)
        chips.push_back({typeset(describe(treatment)), treatment.on});
    chips_->setChips(std::move(chips), chosen_);
    const bool has = chosen_ >= 0;
    fields_->setVisible(has);
    const bool filter = has && isFilter(list[std::size_t(chosen_)].what);
    filters_->setVisible(filter);
    if (filter)
        filters_->setFilters(session_.pictures().spectrum(), list, chosen_, take->rate());
    if (has)
        showValues(list[std::size_t(chosen_)].what);
    copy_->setVisible(session_.instrument().takes.size() > 1);
    if (has)
        switch_->setText(list[std::size_t(chosen_)].on ? tr("Switch off") : tr("Switch on"));
}

void TreatmentPanel::showValues(const TreatmentKind& what)
{
    for (auto* field : all_)
        field->setVisible(false);
    const auto show = [](ValueField* field, double value) {
        field->setValue(value);
        field->setVisible(true);
    };
    QString name = nameOf(what);
    name[0] = name[0].toUpper();
    title_->setText(name);
    note_->setVisible(measures(what));
    again_->setVisible(measures(what));
    note_->setText(tr("Measured on the kept part when it was set."));
    std::visit(Overloaded{
                   [](const RemoveDc&) {},
                   [](const Reverse&) {},
                   [&](const PassFilter& f) {
                       show(hz_, f.hz);
                       const auto at = std::find(slopes.begin(), slopes.end(), f.slopeDb);
                       slope_->setIndex(int(at - slopes.begin()));
                       slope_->setVisible(true);
                   },
                   [&](const Band& b) {
                       show(hz_, b.hz);
                       show(gain_, b.gainDb);
                       if (b.shape == Band::Shape::bell)
                           show(q_, b.q);
                   },
                   [&](const Level& l) {
                       show(l.to == Level::To::peak          ? level_
                               : l.to == Level::To::loudness ? loudness_
                                                             : plainGain_,
                           l.value);
                   },
                   [&](const EvenOut& e) { show(amount_, e.amount); },
                   [&](const Channels& c) {
                       mixing_->setIndex(c.how == Channels::How::mixed ? 0 : 1);
                       mixing_->setVisible(true);
                       if (c.how == Channels::How::mixed)
                           return;
                       show(left_, c.left + 1.0);
                       show(right_, c.right + 1.0);
                   },
                   [&](const Width& w) { show(width_, w.share); },
                   // Their values stand at the Pitch stop, beside what they are judged by.
                   [&](const Straighten&) { note_->setText(tr("Its values stand at Pitch.")); },
                   [&](const RemoveTone&) { note_->setText(tr("Its values stand at Pitch.")); },
                   [&](const Transpose& t) {
                       show(semitones_, t.semitones);
                       show(formants_, t.formants);
                   },
                   [&](const Harmony& h) {
                       for (std::size_t i = 0; i < voices_.size(); ++i)
                           show(voices_[i], h.semitones[i]);
                       show(voiceLevel_, h.levelDb);
                       show(apart_, h.width);
                       colours_->setIndex(h.keepsFormants ? 1 : 0);
                       colours_->setVisible(true);
                   },
                   [&](const Colour& c) {
                       if (c.effects.size() == 1) {
                           effect_->showEffect(c.effects[0]);
                           effect_->show();
                       }
                       note_->setVisible(c.effects.size() > 1);
                       note_->setText(tr("A chain as it stood at Effects when it was made part of "
                                         "this take. Take it off to change it there."));
                   },
               },
        what);
}

} // namespace puretone::app
