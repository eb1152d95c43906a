// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/pitch/mend_panel.h"

#include "app/stops/stop_view.h"
#include "app/theme/theme.h"
#include "base/quantity.h"

namespace puretone::app {

namespace {

template <class Kind> const Kind* find(const Treatments& list)
{
    for (const auto& treatment : list)
        if (const auto* kind = std::get_if<Kind>(&treatment.what); kind != nullptr && treatment.on)
            return kind;
    return nullptr;
}

/// Changes the first treatment of a kind, makes it where there is none, drops it where `needless`.
template <class Kind, class How, class Needless>
void change(Treatments& list, const Kind& fresh, const How& how, const Needless& needless)
{
    auto at = std::find_if(list.begin(), list.end(),
        [](const Treatment& t) { return t.on && std::holds_alternative<Kind>(t.what); });
    if (at == list.end())
        at = list.insert(list.end(), {fresh, true});
    auto& kind = std::get<Kind>(at->what);
    how(kind);
    if (needless(kind))
        list.erase(at);
}

} // namespace

MendPanel::MendPanel(Session& session, QWidget* parent)
    : QObject(parent)
    , session_(session)
{
}

void MendPanel::foldInto(FieldColumn* details)
{
    buildStraighten(details->addFold(tr("Straighten"), QStringLiteral("straighten"), false));
    buildTone(details->addFold(tr("Take a tone out"), QStringLiteral("tone"), false));
}

void MendPanel::buildStraighten(FieldColumn* part)
{
    straightenPart_ = part;
    drift_ = part->addField(percentField(tr("Drift"),
        tr("How much of the slow wandering goes; the speed changes, nothing is stretched"), 0.0));
    vibrato_ = part->addField(percentField(
        tr("Vibrato"), tr("How much of the swing from 2 to 10 times a second goes"), 0.0));
    target_ = part->addChoice(tr("Onto"),
        tr("Its own middle, or the root key: with both at 0 % the take is only centred there"),
        {tr("its own middle"), tr("the root key")});
    connect(drift_, &ValueField::edited, this, [this](double share, bool first) {
        changeStraighten([share](Straighten& s) { s.drift = share; }, first);
    });
    connect(vibrato_, &ValueField::edited, this, [this](double share, bool first) {
        changeStraighten([share](Straighten& s) { s.vibrato = share; }, first);
    });
    connect(target_, &ChoiceField::chosen, this, [this](int index) {
        changeStraighten(
            [index](Straighten& s) {
                s.to = index == 1 ? Straighten::To::note : Straighten::To::centre;
            },
            true);
    });
}

void MendPanel::buildTone(FieldColumn* part)
{
    tonePart_ = part;
    hz_ = part->addField(frequencyField(tr("Tone at"),
        tr("Where the removed tone is strongest; it is followed from there"), 20.0, 20000.0,
        1000.0));
    overtones_ = part->addChoice(tr("Overtones"), tr("Whether the tone's own overtones go with it"),
        {tr("stay"), tr("go, too")});
    remove_ = part->addButton(tr("Remove a tone"),
        tr("Takes a whistle, hum or ring out; click it in the spectrum to mark it"));
    const auto pair = part->addButtons(
        {{tr("Hear it alone"), tr("What is taken out, by itself; press again for the take")},
            {tr("Leave it in"), tr("The tone stays in the take after all")}});
    alone_ = pair[0];
    keep_ = pair[1];
    alone_->setCheckable(true);
    connect(remove_, &QPushButton::clicked, this, &MendPanel::removeTone);
    connect(hz_, &ValueField::edited, this,
        [this](double hz, bool first) { changeTone([hz](RemoveTone& r) { r.hz = hz; }, first); });
    connect(overtones_, &ChoiceField::chosen, this, [this](int index) {
        changeTone([index](RemoveTone& r) { r.harmonics = index == 1; }, true);
    });
    connect(alone_, &QPushButton::clicked, this,
        [this](bool on) { changeTone([on](RemoveTone& r) { r.alone = on; }, true); });
    connect(keep_, &QPushButton::clicked, this, [this] {
        auto list = session_.treating().list();
        std::erase_if(
            list, [](const Treatment& t) { return std::holds_alternative<RemoveTone>(t.what); });
        marked_.reset();
        session_.treating().set(tr("Leave the tone in"), std::move(list));
    });
}

const Straighten* MendPanel::straightening() const
{
    return find<Straighten>(session_.treating().list());
}

const RemoveTone* MendPanel::removing() const
{
    return find<RemoveTone>(session_.treating().list());
}

void MendPanel::changeStraighten(const std::function<void(Straighten&)>& how, bool first)
{
    const Take* take = session_.take();
    if (take == nullptr)
        return;
    Straighten none;
    none.drift = 0.0;
    const auto fresh = std::get<Straighten>(treatmentsFor(*take, {{none, true}}).front().what);
    auto list = session_.treating().list();
    change(list, fresh, how, [](const Straighten& s) {
        return s.drift == 0.0 && s.vibrato == 0.0 && s.to == Straighten::To::centre;
    });
    session_.treating().set(tr("Straighten"), std::move(list), gesture_.next(first));
}

void MendPanel::changeTone(const std::function<void(RemoveTone&)>& how, bool first)
{
    const Take* take = session_.take();
    if (take == nullptr || removing() == nullptr)
        return;
    auto list = session_.treating().list();
    change(list, RemoveTone{}, how, [](const RemoveTone&) { return false; });
    session_.treating().set(tr("Change removed tone"), std::move(list), gesture_.next(first));
}

void MendPanel::removeTone()
{
    const Take* take = session_.take();
    const auto hz = tone();
    if (take == nullptr)
        return;
    if (!hz) {
        session_.say(
            tr("Click the tone in the spectrum first: every peak there can be marked."), false);
        return;
    }
    auto list = session_.treating().list();
    list.push_back({RemoveTone{*hz, false, false, keptInRecording(*take)}, true});
    session_.treating().set(tr("Remove tone"), std::move(list));
}

void MendPanel::mark(double hz)
{
    marked_ = hz;
    if (removing() != nullptr)
        changeTone([hz](RemoveTone& r) { r.hz = hz; }, true);
    emit marked();
    refresh();
}

std::optional<double> MendPanel::tone() const
{
    if (const auto* removed = removing())
        return removed->hz;
    if (marked_)
        return marked_;
    const Take* take = session_.take();
    return take != nullptr ? foreignTone(take->facts->pitch) : std::nullopt;
}

void MendPanel::refresh()
{
    const Take* take = session_.take();
    const TakeId shown = take != nullptr ? take->id : TakeId();
    if (shown != takeShown_)
        marked_.reset();
    takeShown_ = shown;
    const bool pitched = take != nullptr && take->facts->pitch.midi.has_value();
    const auto* straightened = straightening();
    for (auto* field : {drift_, vibrato_})
        field->setFieldEnabled(pitched);
    target_->setFieldEnabled(pitched);
    drift_->setValue(straightened != nullptr ? straightened->drift : 0.0);
    vibrato_->setValue(straightened != nullptr ? straightened->vibrato : 0.0);
    target_->setIndex(straightened != nullptr && straightened->to == Straighten::To::note ? 1 : 0);
    const auto* removed = removing();
    for (QWidget* widget : std::initializer_list<QWidget*>{hz_, overtones_, alone_, keep_})
        widget->setVisible(removed != nullptr);
    remove_->setVisible(removed == nullptr);
    remove_->setEnabled(take != nullptr);
    const auto hz = tone();
    // What is going on here, or proposed, is not left behind a title.
    if (hz && !toneShown_)
        tonePart_->unfold();
    if (straightened != nullptr && !straightenShown_)
        straightenPart_->unfold();
    toneShown_ = hz.has_value();
    straightenShown_ = straightened != nullptr;
    remove_->setText(
        hz ? tr("Remove the tone at %1").arg(typeset(formatHz(*hz))) : tr("Remove a tone…"));
    if (removed != nullptr) {
        hz_->setValue(removed->hz);
        overtones_->setIndex(removed->harmonics ? 1 : 0);
        alone_->setChecked(removed->alone);
    }
}

} // namespace puretone::app
