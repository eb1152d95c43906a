// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/docks/keys_dock.h"

#include "app/theme/theme.h"
#include "model/edits/zone_edit.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QKeyEvent>

namespace puretone::app {

namespace {

constexpr int playedVelocity = 100;

} // namespace

KeysDock::KeysDock(Session& session, QWidget* parent)
    : QWidget(parent)
    , session_(session)
    , keyboard_(new Keyboard(this))
    , meter_(new Meter(this))
    , peak_(new QLabel(this))
    , voices_(new QLabel(this))
{
    setFixedHeight(150);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(gap, 8, gap, 10);
    row->setSpacing(gap);
    addLeft(row);
    row->addWidget(keyboard_, 1);
    auto* right = new QVBoxLayout;
    right->setSpacing(3);
    auto* words = new QHBoxLayout;
    for (auto* label : {peak_, voices_})
        label->setProperty("role", "quiet");
    words->addWidget(peak_);
    words->addStretch(1);
    words->addWidget(voices_);
    right->addWidget(meter_);
    right->addLayout(words);
    output_ = addButton(QString(), tr("Audio output: click to choose another"), false);
    midi_ = addButton(QString(), tr("MIDI keyboard: click to choose another"), false);
    for (auto* button : {output_, midi_}) {
        button->setProperty("kind", "plain");
        right->addWidget(button);
    }
    keep_ = addButton(tr("Keep what I played"),
        tr("The last ten minutes: a stretch of them becomes a file or a take, its notes a MIDI "
           "file"),
        false);
    right->addWidget(keep_);
    right->addStretch(1);
    meter_->setFixedWidth(172);
    row->addLayout(right);

    connect(playRoot_, &QPushButton::pressed, this, [this] {
        if (const Take* t = session_.take())
            root_ = session_.player().press(t->tuning.rootKey, playedVelocity);
    });
    connect(playRoot_, &QPushButton::released, this, [this] { root_.end(); });
    connect(hold_, &QPushButton::toggled, this, [this](bool on) { session_.player().setHold(on); });
    connect(allOff_, &QPushButton::clicked, this, [this] { session_.player().allOff(); });
    connect(keyboard_, &Keyboard::pressed, this,
        [this](int k, int v) { struck_ = session_.player().press(k, v); });
    connect(keyboard_, &Keyboard::released, this, [this] { struck_.end(); });
    connect(output_, &QPushButton::clicked, this, [this] { emit devicesAsked(output_); });
    connect(midi_, &QPushButton::clicked, this, [this] { emit devicesAsked(output_); });
    connect(keep_, &QPushButton::clicked, this, &KeysDock::keepAsked);
    connect(&session_.player(), &Player::devicesChanged, this, &KeysDock::refresh);
    type_->setChecked(true);
}

void KeysDock::addLeft(QHBoxLayout* row)
{
    auto* left = new QGridLayout;
    left->setSpacing(5);
    playRoot_ =
        addButton(tr("Play root"), tr("Sounds the root key while pressed (space bar)"), false);
    hold_ = addButton(tr("Hold"), tr("Keys go on sounding until they are pressed again"), true);
    allOff_ = addButton(tr("All off"), tr("Ends every note (Ctrl+.)"), false);
    type_ = addButton(tr("Type to play"),
        tr("Two rows of the computer's keyboard play: the letters' middle row are the white keys "
           "from C. Page Up and Page Down change the octave, with Shift the touch."),
        true);
    listen_ = addButton(tr("Listen\u2026"),
        tr("Plays a phrase or a MIDI file round and round, so that hands are free"), false);
    typed_ = new QLabel(this);
    typed_->setProperty("role", "quiet");
    typed_->setAlignment(Qt::AlignCenter);
    int place = 0;
    for (QWidget* part :
        std::initializer_list<QWidget*>{playRoot_, hold_, type_, allOff_, listen_, typed_}) {
        left->addWidget(part, place / 2, place % 2);
        ++place;
    }
    left->setRowStretch(3, 1);
    row->addLayout(left);
    connect(listen_, &QPushButton::clicked, this, [this] { emit listeningAsked(listen_); });
    showTyping();
}

/// Where typing plays, and how hard.
void KeysDock::showTyping()
{
    typed_->setText(
        typeset(tr("%1, touch %2")
                    .arg(QString::fromStdString(noteName(typing_.lowest(), session_.naming())))
                    .arg(typedTouch_)
                    .toStdString()));
}

QPushButton* KeysDock::addButton(const QString& text, const QString& tip, bool checkable)
{
    auto* button = new QPushButton(text, this);
    button->setToolTip(tip);
    button->setAccessibleName(text.isEmpty() ? tip : text);
    button->setCheckable(checkable);
    button->setFixedHeight(26);
    if (!text.isEmpty())
        button->setMinimumWidth(96);
    return button;
}

bool KeysDock::typed(QKeyEvent* event)
{
    const bool press = event->type() == QEvent::KeyPress;
    // What sounds is let go, whatever else has changed since it was pressed.
    if (!press && !event->isAutoRepeat() && typing_.release(*event)) {
        if (event->key() == Qt::Key_Space)
            playRoot_->setDown(false);
        return true;
    }
    const int page = event->key() == Qt::Key_PageUp ? 1 : event->key() == Qt::Key_PageDown ? -1 : 0;
    if (type_->isChecked() && press && page != 0 && event->modifiers() == Qt::ShiftModifier) {
        typedTouch_ = std::clamp(typedTouch_ + 10 * page, 10, 127);
        showTyping();
        return true;
    }
    if (!type_->isChecked() || (press && event->modifiers() != Qt::NoModifier))
        return false;
    if (press && page != 0) {
        typing_.shiftOctave(page);
        showTyping();
        return true;
    }
    const bool root = event->key() == Qt::Key_Space && session_.take() != nullptr;
    const auto key = root ? std::optional(session_.take()->tuning.rootKey) : typing_.keyOf(*event);
    if (!key)
        return false;
    if (press && !typing_.isDown(*event)) {
        typing_.press(*event, session_.player().press(*key, typedTouch_));
        if (root)
            playRoot_->setDown(true);
    }
    return true;
}

void KeysDock::releaseTyped()
{
    typing_.releaseAll();
    playRoot_->setDown(false);
}

void KeysDock::refresh()
{
    const Take* take = session_.take();
    keyboard_->setNaming(session_.naming());
    keyboard_->setRoot(take != nullptr ? std::optional(take->tuning.rootKey) : std::nullopt);
    keyboard_->setSilent(silentKeys(session_.instrument()));
    playRoot_->setEnabled(take != nullptr);
    if (take == nullptr)
        root_.end(); // the button says nothing any more when it comes up
    const auto show = [this](QPushButton* button, const QString& text) {
        button->setText(button->fontMetrics().elidedText(text, Qt::ElideMiddle, 168));
    };
    show(output_, session_.player().outputName());
    output_->setToolTip(
        tr("Audio output: %1. Click to choose another.").arg(session_.player().outputText()));
    show(midi_, session_.player().midiText());
}

Engine::Meter KeysDock::tick()
{
    const auto heard = session_.player().engine().look();
    meter_->feed(heard.peakLeft, heard.peakRight, heard.limited);
    peak_->setText(meter_->text());
    peak_->setStyleSheet(meter_->tooLoud()
            ? QStringLiteral("color: %1").arg(Theme::tokens().coral.name())
            : QString());
    const auto* output = session_.player().output();
    const int late = output != nullptr ? output->dropouts() : 0;
    const QString count = heard.voices == 1 ? tr("1 voice") : tr("%1 voices").arg(heard.voices);
    voices_->setText(late == 0 ? count : tr("%1, %2 dropped").arg(count).arg(late));
    listen_->setText(session_.listening().plays() ? tr("Listening\u2026") : tr("Listen\u2026"));
    keyboard_->setKeysDown(session_.player().engine().keysDown());
    return heard;
}

} // namespace puretone::app
