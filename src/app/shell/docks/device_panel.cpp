// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/docks/device_panel.h"

#include "app/theme/theme.h"
#include "devices/simulated.h"

#include <QLabel>
#include <QVBoxLayout>

namespace puretone::app {

DevicePanel::DevicePanel(Player& player, QWidget* parent)
    : QFrame(parent, Qt::Popup)
    , player_(player)
{
    setProperty("card", true);
    setFixedWidth(330);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 14, 16, 16);
    column->setSpacing(4);
    output_ = addChoice(tr("Audio output"), tr("Where the instrument is heard"));
    addFormat();
    limiter_ = new QCheckBox(tr("Limiter: peaks stay below full scale"), this);
    limiter_->setToolTip(tr(
        "Holds what is heard below −0.3 dB, and is 1.5 ms late for that. Files are not changed."));
    column->addWidget(limiter_);
    column->addSpacing(4);
    input_ = addChoice(tr("Microphone"), tr("Heard here as a level; recording comes from it"));
    level_ = new QProgressBar(this);
    level_->setRange(0, 1000);
    level_->setTextVisible(false);
    level_->setAccessibleName(tr("Microphone level"));
    column->addWidget(level_);
    midi_ = addChoice(tr("MIDI keyboard"), tr("Its keys play the instrument"));
    perKey_ = new QCheckBox(tr("Each key bends by itself (MPE)"), this);
    perKey_->setToolTip(tr("For keyboards that send every key on a MIDI channel of its own"));
    column->addWidget(perKey_);
    connect(perKey_, &QCheckBox::toggled, this, [this](bool on) { player_.setPerKey(on); });
    phrase_ = new QPushButton(tr("Let it play a phrase"), this);
    phrase_->setToolTip(tr("Five notes from the simulated keyboard"));
    column->addSpacing(6);
    column->addWidget(phrase_);

    const auto chosen = [](QComboBox* box) { return box->currentData().toString().toStdString(); };
    connect(output_, qOverload<int>(&QComboBox::activated), this,
        [this, chosen] { player_.chooseOutput(chosen(output_)); });
    connect(input_, qOverload<int>(&QComboBox::activated), this,
        [this, chosen] { player_.useInput(chosen(input_)); });
    connect(midi_, qOverload<int>(&QComboBox::activated), this, [this, chosen] {
        player_.chooseMidi(chosen(midi_));
        phrase_->setEnabled(player_.midiId() == simulatedId);
    });
    connect(limiter_, &QCheckBox::toggled, this, [this](bool on) { player_.setLimiting(on); });
    connect(&player_, &Player::devicesFound, this, [this] {
        if (isVisible())
            fillAll();
    });
    connect(phrase_, &QPushButton::clicked, this, [this] {
        if (auto* keyboard = dynamic_cast<SimulatedKeyboard*>(player_.midi()))
            keyboard->playPhrase(60);
    });
}

/// Rate and block in one row, and what came too late below it.
void DevicePanel::addFormat()
{
    auto* row = new QHBoxLayout;
    rate_ = new QComboBox(this);
    rate_->setToolTip(tr("Frames a second; the device's own where it cannot"));
    rate_->setAccessibleName(tr("Rate"));
    rate_->addItem(tr("its own rate"), 0);
    for (const int rate : {44100, 48000, 88200, 96000})
        rate_->addItem(tr("%1 Hz").arg(rate), rate);
    block_ = new QComboBox(this);
    block_->setToolTip(tr("Short blocks answer sooner, long ones drop out less"));
    block_->setAccessibleName(tr("Block"));
    for (const int frames : {64, 128, 256, 512, 1024})
        block_->addItem(tr("%1 frames").arg(frames), frames);
    row->addWidget(rate_, 1);
    row->addWidget(block_, 1);
    static_cast<QVBoxLayout*>(layout())->addLayout(row);
    dropouts_ = new QLabel(this);
    dropouts_->setProperty("role", "quiet");
    layout()->addWidget(dropouts_);
    const auto apply = [this] {
        player_.setFormat({rate_->currentData().toInt(), block_->currentData().toInt()});
    };
    connect(rate_, qOverload<int>(&QComboBox::activated), this, apply);
    connect(block_, qOverload<int>(&QComboBox::activated), this, apply);
}

QComboBox* DevicePanel::addChoice(const QString& label, const QString& tip)
{
    auto* name = new QLabel(label, this);
    name->setProperty("role", "quiet");
    auto* box = new QComboBox(this);
    box->setToolTip(tip);
    box->setAccessibleName(label);
    layout()->addWidget(name);
    layout()->addWidget(box);
    static_cast<QVBoxLayout*>(layout())->addSpacing(4);
    return box;
}

void DevicePanel::fill(
    QComboBox* box, const std::vector<DeviceName>& list, const std::string& current)
{
    box->clear();
    for (const auto& device : list) {
        box->addItem(QString::fromStdString(device.name), QString::fromStdString(device.id));
        if (device.id == current)
            box->setCurrentIndex(box->count() - 1);
    }
}

void DevicePanel::fillAll()
{
    const auto& devices = player_.devices();
    limiter_->setChecked(player_.limiting());
    perKey_->setChecked(player_.perKey());
    rate_->setCurrentIndex(std::max(0, rate_->findData(player_.format().rate)));
    block_->setCurrentIndex(std::max(0, block_->findData(player_.format().blockFrames)));
    fill(output_, devices.outputs, player_.outputId());
    auto inputs = devices.inputs;
    inputs.insert(inputs.begin(), DeviceName{"", tr("none").toStdString(), false});
    fill(input_, inputs, player_.inputId());
    fill(midi_, devices.keyboards, player_.midiId());
    phrase_->setEnabled(player_.midiId() == simulatedId);
}

void DevicePanel::openAbove(QWidget* anchor)
{
    fillAll();
    player_.findDevices(); // as it is now
    adjustSize();
    const QPoint corner = anchor->mapToGlobal(QPoint(anchor->width(), 0));
    move(corner.x() - width(), corner.y() - height() - 6);
    show();
    timer_ = startTimer(40);
}

void DevicePanel::hideEvent(QHideEvent*)
{
    if (timer_ != 0)
        killTimer(std::exchange(timer_, 0));
}

void DevicePanel::timerEvent(QTimerEvent*)
{
    const int dropouts = player_.output() != nullptr ? player_.output()->dropouts() : 0;
    dropouts_->setText(dropouts == 0 ? tr("No drop-outs")
            : dropouts == 1          ? tr("1 drop-out: longer blocks help")
                                     : tr("%1 drop-outs: longer blocks help").arg(dropouts));
    auto* recorder = player_.recorder();
    double heard = 0.0;
    if (recorder != nullptr)
        // The picture, not the peaks: those belong to the meter that holds them.
        for (const auto& column : recorder->picture(3))
            heard = std::max({heard, double(column.high), -double(column.low)});
    const double db = toDecibels(heard).value;
    level_->setValue(int(1000.0 * std::clamp(1.0 + db / 60.0, 0.0, 1.0)));
}

} // namespace puretone::app
