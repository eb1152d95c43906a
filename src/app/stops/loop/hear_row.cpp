// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/loop/hear_row.h"

#include "app/theme/theme.h"

#include <QHBoxLayout>
#include <QLabel>

namespace puretone::app {

HearRow::HearRow(Session& session, QWidget* parent)
    : QWidget(parent)
    , session_(session)
    , parts_(new QButtonGroup(this))
{
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    auto* label = new QLabel(tr("Keys play"), this);
    label->setProperty("role", "quiet");
    row->addWidget(label);
    const auto addPart = [&](NoteEntry entry, const QString& text, const QString& tip) {
        auto* button = new QPushButton(text, this);
        button->setCheckable(true);
        button->setToolTip(tip);
        button->setProperty("kind", "small");
        parts_->addButton(button, int(entry));
        row->addWidget(button);
    };
    addPart(NoteEntry::beginning, tr("all of it"), tr("From the beginning, then round the loop"));
    addPart(NoteEntry::loopStart, tr("the loop alone"), tr("Begins at the loop's start"));
    addPart(NoteEntry::beforeJoint, tr("across the joint"),
        tr("Half a second before the joint and half a second after it, again and again"));
    parts_->button(int(NoteEntry::beginning))->setChecked(true);
    connect(parts_, &QButtonGroup::idClicked, this, [this](int id) {
        session_.player().engine().post(MidiEvent::enterAt(NoteEntry(id)));
        session_.player().restartHeld();
    });
    row->addStretch(1);
    const QStringList names = {tr("lowest key"), tr("root"), tr("highest key")};
    for (int i = 0; i < 3; ++i) {
        auto* button = new QPushButton(names[i], this);
        button->setToolTip(
            tr("Hear the %1 of this take for as long as it is pressed").arg(names[i]));
        button->setProperty("kind", "small");
        connect(button, &QPushButton::pressed, this, [this, i] { play(i, true); });
        connect(button, &QPushButton::released, this, [this, i] { play(i, false); });
        keys_[std::size_t(i)] = button;
        row->addWidget(button);
    }
}

std::optional<std::array<int, 3>> HearRow::keysOfTake() const
{
    const Take* take = session_.take();
    if (take == nullptr)
        return std::nullopt;
    for (const auto& zone : session_.instrument().allZones())
        if (zone.take == take->id)
            return std::array{zone.lowKey,
                std::clamp(take->tuning.rootKey, zone.lowKey, zone.highKey), zone.highKey};
    return std::nullopt;
}

void HearRow::play(int which, bool down)
{
    HeldNote& sounding = sounding_[std::size_t(which)];
    if (!down)
        sounding.end();
    else if (const auto keys = keysOfTake())
        sounding = session_.player().press((*keys)[std::size_t(which)], 100);
}

void HearRow::refresh()
{
    const Take* take = session_.take();
    const bool loops = take != nullptr && take->loop.repeats();
    button(NoteEntry::loopStart)->setEnabled(loops);
    button(NoteEntry::beforeJoint)->setEnabled(loops);
    if (!loops)
        reset();
    const auto keys = keysOfTake();
    const QStringList names = {tr("lowest %1"), tr("root %1"), tr("highest %1")};
    for (int i = 0; i < 3; ++i) {
        keys_[std::size_t(i)]->setEnabled(keys.has_value());
        const int key = keys ? (*keys)[std::size_t(i)] : 60;
        keys_[std::size_t(i)]->setText(names[i].arg(typeset(noteName(key, session_.naming()))));
    }
}

void HearRow::reset()
{
    if (parts_->checkedId() == int(NoteEntry::beginning))
        return;
    button(NoteEntry::beginning)->setChecked(true);
    session_.player().engine().post(MidiEvent::enterAt(NoteEntry::beginning));
}

} // namespace puretone::app
