// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/pitch/trial_panel.h"

#include "app/theme/theme.h"
#include "base/quantity.h"

#include <QActionGroup>
#include <QMenu>

namespace puretone::app {

namespace {

constexpr double standsStill = 0.06; // beats a second: one in a quarter of a minute
/// What ends before this much of a beat is over is heard standing.
constexpr double heardOfBeat = 0.125;

} // namespace

TrialPanel::TrialPanel(Session& session, QWidget* parent)
    : QObject(parent)
    , session_(session)
    , fields_(new FieldColumn(parent))
    , beats_(new BeatView(parent))
{
    auto* head = new QHBoxLayout;
    head->addWidget(fields_->addHeading(tr("Beside a plain tone")), 1);
    options_ = new QPushButton(tr("Tone…"), fields_);
    options_->setToolTip(tr("Sine or soft, how loud, which octave, and how the two are heard"));
    head->addWidget(options_);
    fields_->column()->addLayout(head);
    text_ = new QLabel(fields_);
    text_->setWordWrap(true);
    text_->setProperty("role", "quiet");
    text_->setAccessibleName(tr("Beating"));
    fields_->column()->addWidget(text_);
    fields_->column()->addWidget(beats_);
    const auto buttons = fields_->addButtons(
        {{tr("Hear both"),
             tr("The root key with the tone that belongs to it; press other keys "
                "meanwhile and the tone follows")},
            {tr("Stand still"), tr("Moves the fine tuning by what the beating says")}});
    hear_ = buttons[0];
    still_ = buttons[1];
    hear_->setCheckable(true);
    fields_->addRule();
    connect(hear_, &QPushButton::toggled, this, &TrialPanel::hear);
    connect(still_, &QPushButton::clicked, this, [this] {
        if (beating_)
            emit stillWanted(-stillAt_);
    });
    connect(options_, &QPushButton::clicked, this, &TrialPanel::showMenu);
    connect(&keys_, &QTimer::timeout, this, &TrialPanel::followKeys);
}

void TrialPanel::showMenu()
{
    QMenu menu(fields_);
    const auto group = [&](const QString& title, const auto& values, auto& current) {
        menu.addSection(title);
        auto* actions = new QActionGroup(&menu);
        for (const auto& [text, value] : values) {
            auto* action = actions->addAction(menu.addAction(text));
            action->setCheckable(true);
            action->setChecked(value == current);
            connect(action, &QAction::triggered, this, [this, &current, value = value] {
                current = value;
                applyTone();
                refresh();
            });
        }
    };
    using Shape = TrialTone::Shape;
    using Way = TrialTone::Way;
    group(tr("Tone"),
        std::vector<std::pair<QString, Shape>>{
            {tr("Sine"), Shape::sine}, {tr("Soft, with overtones"), Shape::soft}},
        shape_);
    group(tr("Heard"),
        std::vector<std::pair<QString, Way>>{{tr("Together"), Way::together},
            {tr("In turn"), Way::inTurn}, {tr("Take left, tone right"), Way::apart}},
        way_);
    group(tr("Octave"),
        std::vector<std::pair<QString, int>>{{tr("Two below"), -2}, {tr("One below"), -1},
            {tr("Its own"), 0}, {tr("One above"), 1}, {tr("Two above"), 2}},
        octave_);
    group(tr("Level"),
        std::vector<std::pair<QString, double>>{{QStringLiteral("−9 dB"), -9.0},
            {QStringLiteral("−15 dB"), -15.0}, {QStringLiteral("−21 dB"), -21.0},
            {QStringLiteral("−27 dB"), -27.0}},
        levelDb_);
    menu.exec(options_->mapToGlobal(QPoint(0, options_->height() + 2)));
}

void TrialPanel::hear(bool on)
{
    auto& player = session_.player();
    const Take* take = session_.take();
    if (on && take != nullptr) {
        rootKey_ = take->tuning.rootKey;
        otherKey_ = -1;
        rootSeen_ = false;
        applyTone();
        root_ = player.press(rootKey_, 90);
        player.trial().setOn(true);
        keys_.start(40);
        return;
    }
    keys_.stop();
    player.trial().setOn(false);
    root_.end();
    rootKey_ = otherKey_ = -1;
}

void TrialPanel::stop()
{
    hear_->setChecked(false);
}

void TrialPanel::followKeys()
{
    const auto down = session_.player().engine().keysDown();
    const auto isDown = [&](int key) {
        return ((down[std::size_t(key / 64)] >> (key % 64)) & 1U) != 0;
    };
    // "All off", or the same key played and let go, ends the comparison, too.
    if (rootSeen_ && !isDown(rootKey_))
        return stop();
    rootSeen_ = rootSeen_ || isDown(rootKey_);
    int other = -1;
    for (int key = 0; key < 128; ++key)
        if (key != rootKey_ && isDown(key))
            other = key;
    if (other == otherKey_)
        return;
    // The root rests while another key is judged.
    if (other < 0)
        root_ = session_.player().press(rootKey_, 90);
    else if (otherKey_ < 0)
        root_.end();
    rootSeen_ = false;
    otherKey_ = other;
    applyTone();
}

void TrialPanel::applyTone()
{
    auto& trial = session_.player().trial();
    trial.setShape(shape_);
    trial.setWay(way_);
    trial.setLevel(toGain({levelDb_}));
    if (heardKey() >= 0)
        trial.setHz(hzOf(heardKey() + 12 * octave_, Hz{session_.instrument().a4}).value);
}

void TrialPanel::measure()
{
    const Take* take = session_.take();
    // The root key plays the recording faster by the fine tuning. Seen from the recording the tone
    // is slower by as much: it lies where the take is said to sound.
    const Measured wanted{take->sound(), steadiestPart(*take),
        hzOf(take->tuning.soundingMidi() + 12.0 * octave_).value, harmonics()};
    if (measured_ == wanted) {
        if (told_) // loop or manner may have changed under the same reading
            showBeating();
        return;
    }
    measured_ = wanted;
    told_ = false;
    session_.background().run(
        JobKind::beating, Background::Running::finish,
        [wanted](const Progress&) {
            const auto mono = mixToMono(*wanted.audio, wanted.kept);
            const double rate = wanted.audio->rate;
            const auto beating = measureBeating(mono, rate, wanted.toneHz, wanted.harmonics);
            return std::pair(beating,
                beating ? centsToStandStill(mono, rate, wanted.toneHz, wanted.harmonics, *beating)
                        : 0.0);
        },
        [this](const std::pair<std::optional<Beating>, double>& found) {
            std::tie(beating_, stillAt_) = found;
            told_ = true;
            showBeating();
        });
}

void TrialPanel::showBeating()
{
    still_->setEnabled(beating_.has_value());
    if (!beating_) {
        text_->setText(harmonics() == 1
                ? tr("No partial lies near the tone. Try the soft tone, or another octave.")
                : tr("No partial lies near the tone."));
        beats_->setBeats(-1.0, 0.0);
        return;
    }
    const double rate = beating_->perSecond;
    // A note that goes on for as long as its key is down beats however short its recording is.
    const Take* take = session_.take();
    const bool ends =
        take != nullptr && !take->loop.repeats() && session_.layer().manner != Manner::frozen;
    const bool over = ends && rate * beating_->seconds < heardOfBeat;
    const QString partial =
        beating_->partial > 1 ? tr(", heard at partial %1").arg(beating_->partial) : QString();
    if (rate < standsStill)
        text_->setText(tr("Stands still%1.").arg(partial));
    else if (over)
        text_->setText(
            (beating_->cents > 0.0 ? tr("Stands still as long as it lasts, %1 cents sharp%2.")
                                   : tr("Stands still as long as it lasts, %1 cents flat%2."))
                .arg(typeset(formatNumber(std::abs(beating_->cents), 1)), partial));
    else
        text_->setText((beating_->cents > 0.0 ? tr("%1 beats a second, %2 cents sharp%3.")
                                              : tr("%1 beats a second, %2 cents flat%3."))
                           .arg(typeset(formatNumber(rate, 1)),
                               typeset(formatNumber(std::abs(beating_->cents), 1)), partial));
    beats_->setBeats(over ? 0.0 : rate, beating_->depth);
}

void TrialPanel::refresh()
{
    const Take* take = session_.take();
    hear_->setEnabled(take != nullptr);
    still_->setEnabled(take != nullptr && beating_.has_value());
    if (take == nullptr) {
        stop();
        text_->setText(tr("Open a recording first."));
        beats_->setBeats(-1.0, 0.0);
        measured_ = {};
        told_ = false;
        beating_.reset();
        return;
    }
    // The root key may have moved under the held note.
    if (hear_->isChecked() && rootKey_ != take->tuning.rootKey) {
        root_.end();
        rootKey_ = take->tuning.rootKey;
        rootSeen_ = false;
        root_ = session_.player().press(rootKey_, 90);
    }
    applyTone();
    measure();
}

} // namespace puretone::app
