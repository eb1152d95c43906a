// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/sound/record_panel.h"

#include "app/stops/stop_view.h"
#include "app/theme/theme.h"
#include "base/quantity.h"

#include <QHBoxLayout>
#include <QPainter>
#include <QSettings>

namespace puretone::app {

LiveWave::LiveWave(QWidget* parent)
    : QWidget(parent)
{
    setFixedHeight(64);
    setAccessibleName(tr("What the input hears"));
    setToolTip(tr("What the input hears, newest on the right. The two seconds before you start "
                  "are recorded too."));
}

void LiveWave::setPicture(std::vector<Extent> columns, std::size_t taken, bool recording)
{
    columns_ = std::move(columns);
    taken_ = taken;
    recording_ = recording;
    update();
}

void LiveWave::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setPen(Qt::NoPen);
    painter.setBrush(t.well);
    painter.drawRoundedRect(QRectF(rect()), 5.0, 5.0);
    if (columns_.empty())
        return;
    const double wide = double(width()) / double(columns_.size());
    const double middle = height() / 2.0, half = middle - 4.0;
    const std::size_t first = columns_.size() - std::min(taken_, columns_.size());
    QColor band = recording_ ? t.coral : t.sea;
    band.setAlpha(30);
    painter.setBrush(band);
    painter.drawRect(QRectF(double(first) * wide, 0.0, width() - double(first) * wide, height()));
    float top = 0.05f;
    for (const auto& e : columns_)
        top = std::max({top, e.high, -e.low});
    for (std::size_t i = 0; i < columns_.size(); ++i) {
        const double high = half * double(columns_[i].high / top);
        const double low = half * double(columns_[i].low / top);
        painter.setBrush(i < first ? t.faded : recording_ ? t.coral : t.sea);
        painter.drawRect(
            QRectF(double(i) * wide, middle - high - 0.5, std::max(1.0, wide), high - low + 1.0));
    }
}

RecordPanel::RecordPanel(Session& session, QWidget* parent)
    : QWidget(parent)
    , session_(session)
{
    build();
    hide();
    connect(record_, &QPushButton::clicked, this, &RecordPanel::toggle);
    connect(inputs_, qOverload<int>(&QComboBox::activated), this, [this](int index) {
        const auto id = inputs_->itemData(index).toString();
        QSettings().setValue(QStringLiteral("input"), id);
        session_.player().useInput(id.toStdString());
    });
    connect(&session_.player(), &Player::devicesFound, this, [this] {
        if (!open_)
            return;
        useUsualInput();
        fillInputs();
    });
    connect(monitor_, &QCheckBox::toggled, this,
        [this](bool on) { session_.player().setMonitoring(on); });
    connect(startLevel_, &ValueField::edited, this, [this](double db, bool) {
        startDb_ = db;
        startLevel_->setValue(db);
    });
    connect(silence_, &ValueField::edited, this, [this](double seconds, bool) {
        silenceSeconds_ = seconds;
        silence_->setValue(seconds);
    });
    connect(starts_, &ChoiceField::chosen, this,
        [this](int index) { startLevel_->setVisible(index == 1); });
    connect(
        ends_, &ChoiceField::chosen, this, [this](int index) { silence_->setVisible(index == 1); });
    connect(&session_.player(), &Player::recordingEnded, this,
        [this](const Recorder::Recorded& recorded) { collect(recorded); });
    connect(&timer_, &QTimer::timeout, this, &RecordPanel::tick);
}

void RecordPanel::build()
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(8, 0, 8, 0);
    column->setSpacing(8);
    auto* upper = new QHBoxLayout;
    upper->setSpacing(12);
    record_ = new QPushButton(this);
    record_->setMinimumWidth(118);
    record_->setProperty("kind", "main");
    record_->setToolTip(tr("Records the input, with the two seconds before (Ctrl+R)"));
    wave_ = new LiveWave(this);
    auto* levels = new QVBoxLayout;
    levels->setSpacing(2);
    meter_ = new Meter(this);
    meter_->setAccessibleName(tr("Input level"));
    meter_->setFixedWidth(150);
    meter_->setToolTip(
        tr("Input level, −60 to 0 dB; the line is the held peak. Click to forget it."));
    auto* words = new QHBoxLayout;
    level_ = new QLabel(this);
    level_->setProperty("role", "quiet");
    clip_ = new QLabel(this);
    clip_->setToolTip(tr("The input reached full scale: make the source softer and record again"));
    words->addWidget(level_, 1);
    words->addWidget(clip_);
    levels->addWidget(meter_);
    levels->addLayout(words);
    upper->addWidget(record_);
    upper->addWidget(wave_, 1);
    upper->addLayout(levels);
    column->addLayout(upper);

    auto* lower = new QHBoxLayout;
    lower->setSpacing(12);
    inputs_ = new QComboBox(this);
    inputs_->setFixedWidth(190);
    inputs_->setAccessibleName(tr("Input"));
    inputs_->setToolTip(tr("Where the sound comes from"));
    monitor_ = new QCheckBox(tr("Hear it"), this);
    monitor_->setToolTip(
        tr("Plays the input through the output; use headphones where a microphone hears it"));
    starts_ = new ChoiceField(tr("Starts"),
        tr("When the button is pressed, or by itself when the input gets this loud"),
        {tr("at once"), tr("at a level")}, this);
    startLevel_ = new ValueField(
        decibelField(tr("of"), tr("Recording begins when the input reaches this peak"), -80.0, 0.0,
            startDb_),
        this);
    ends_ = new ChoiceField(tr("Ends"),
        tr("When the button is pressed again, or by itself after silence"),
        {tr("by hand"), tr("after silence")}, this);
    silence_ =
        new ValueField(secondsField(tr("of"), tr("Recording ends after so much time below -50 dB"),
                           0.2, 60.0, silenceSeconds_),
            this);
    lower->addWidget(inputs_);
    lower->addWidget(starts_);
    lower->addWidget(startLevel_);
    lower->addWidget(ends_);
    lower->addWidget(silence_);
    lower->addStretch(1);
    column->addLayout(lower);
    for (auto* field : {startLevel_, silence_})
        connect(field, &ValueField::refused, &session_, &Session::refuse);
    startLevel_->setValue(startDb_);
    startLevel_->hide();
    silence_->setValue(silenceSeconds_);
    silence_->hide();

    auto* last = new QHBoxLayout;
    length_ = new QLabel(this);
    length_->setFont(Theme::font(13, Theme::Weight::strong));
    disk_ = new QLabel(this);
    disk_->setProperty("role", "quiet");
    last->addWidget(length_);
    last->addWidget(disk_, 1);
    last->addWidget(monitor_);
    column->addLayout(last);
}

void RecordPanel::fillInputs()
{
    inputs_->clear();
    for (const auto& device : session_.player().devices().inputs) {
        inputs_->addItem(QString::fromStdString(device.name), QString::fromStdString(device.id));
        if (device.id == session_.player().inputId())
            inputs_->setCurrentIndex(inputs_->count() - 1);
    }
}

/// The one of the last time, where it is there; nothing where one is open already.
void RecordPanel::useUsualInput()
{
    auto& player = session_.player();
    if (!player.inputId().empty())
        return;
    const auto last = QSettings().value(QStringLiteral("input")).toString().toStdString();
    const auto& inputs = player.devices().inputs;
    const bool there = std::any_of(
        inputs.begin(), inputs.end(), [&](const DeviceName& device) { return device.id == last; });
    player.useInput(there ? last : inputs.front().id);
}

void RecordPanel::open(bool on)
{
    if (on == open_)
        return;
    open_ = on;
    setVisible(on);
    auto& player = session_.player();
    if (on) {
        player.findDevices();
        fillInputs();
        timer_.start(33);
        tick();
    } else {
        timer_.stop();
        player.setMonitoring(false);
        monitor_->setChecked(false);
        player.useInput({}); // a recording that goes on is ended and kept
    }
    emit openChanged(on);
}

Recorder::Settings RecordPanel::settings() const
{
    Recorder::Settings settings;
    if (starts_->index() == 1)
        settings.startAtDb = startDb_;
    if (ends_->index() == 1)
        settings.stopAfterSeconds = silenceSeconds_;
    return settings;
}

bool RecordPanel::isRecording() const
{
    auto* recorder = session_.player().recorder();
    if (recorder == nullptr)
        return false;
    const auto phase = recorder->phase();
    return phase == Recorder::Phase::recording || phase == Recorder::Phase::waiting;
}

void RecordPanel::toggle()
{
    auto* recorder = session_.player().recorder();
    if (recorder == nullptr) {
        session_.say(tr("No input is open. Choose one beside the record button."));
        return;
    }
    if (isRecording()) {
        collect(recorder->stop());
        return;
    }
    recorder->forgetClip();
    if (const auto started = recorder->start(Opening::recordingsFolder(), settings()); !started)
        session_.say(QString::fromStdString(started.error().sentence()));
    tick();
}

void RecordPanel::collect(const std::optional<Recorder::Recorded>& recorded)
{
    if (!recorded) {
        session_.say(tr("Nothing was recorded."), false);
        return;
    }
    if (!recorded->trouble.empty())
        session_.say(QString::fromStdString(recorded->trouble));
    session_.opening().addFiles({QString::fromStdString(recorded->path.string())});
}

void RecordPanel::tick()
{
    auto* recorder = session_.player().recorder();
    if (recorder == nullptr) {
        fillInputs();
        inputs_->setCurrentIndex(-1);
        wave_->setPicture({}, 0, false);
        record_->setText(tr("Record"));
        record_->setEnabled(false);
        length_->setText(tr("No input is open: choose one."));
        disk_->clear();
        timer_.stop();
        connect(
            &session_.player(), &Player::devicesChanged, &timer_, [this] { timer_.start(33); },
            Qt::SingleShotConnection);
        return;
    }
    const auto look = recorder->look();
    if (look.phase == Recorder::Phase::finished) {
        collect(recorder->stop());
        return;
    }
    meter_->feed(look.peaks[0], look.mono ? look.peaks[0] : look.peaks[1]);
    level_->setText(meter_->text());
    clip_->setText(look.clipped ? tr("■ clipped") : QString());
    clip_->setStyleSheet(
        QStringLiteral("color: %1; font-weight: 600").arg(Theme::tokens().coral.name()));
    record_->setEnabled(true);
    showRecording(look);
}

void RecordPanel::showRecording(const Recorder::Look& look)
{
    using Phase = Recorder::Phase;
    const bool recording = look.phase == Phase::recording;
    const bool waiting = look.phase == Phase::waiting;
    record_->setText(recording ? tr("■  Stop") : waiting ? tr("■  Do not wait") : tr("●  Record"));
    const double seconds = recording ? look.seconds : Recorder::preRollSeconds;
    wave_->setPicture(look.recent, std::size_t(seconds / Recorder::pictureSeconds), recording);
    const int whole = int(look.seconds);
    length_->setText(recording ? tr("%1:%2.%3")
                                     .arg(whole / 60)
                                     .arg(whole % 60, 2, 10, QLatin1Char('0'))
                                     .arg(int(10.0 * look.seconds) % 10)
            : waiting ? tr("Waiting for a sound")
                      : tr("Listening"));
    if (!recording && !waiting) {
        disk_->setText(tr("the last two seconds count when you start"));
        return;
    }
    const double hours = double(look.bytesFree) / std::max(1.0, look.bytesPerSecond) / 3600.0;
    disk_->setText(tr("%1 free on the disk, enough for %2")
                       .arg(QString::fromStdString(formatBytes(look.bytesFree)),
                           hours >= 2.0 ? tr("%1 hours").arg(int(hours))
                                        : tr("%1 minutes").arg(int(60.0 * hours))));
}

} // namespace puretone::app
