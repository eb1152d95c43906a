// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/playing/player.h"

#include <QCheckBox>
#include <QComboBox>
#include <QFrame>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>

namespace puretone::app {

/// Audio output, microphone and MIDI keyboard, real and simulated ones in the same lists.
class DevicePanel : public QFrame {
    Q_OBJECT

public:
    explicit DevicePanel(Player& player, QWidget* parent = nullptr);
    /// Lists the devices as they are now and shows the panel above `anchor`.
    void openAbove(QWidget* anchor);

protected:
    void hideEvent(QHideEvent* event) override;
    void timerEvent(QTimerEvent* event) override;

private:
    QComboBox* addChoice(const QString& label, const QString& tip);
    void addFormat();
    void fillAll();
    void fill(QComboBox* box, const std::vector<DeviceName>& list, const std::string& current);

    Player& player_;
    QComboBox *output_, *rate_, *block_, *input_, *midi_;
    QLabel* dropouts_;
    QCheckBox *limiter_, *perKey_;
    QProgressBar* level_;
    QPushButton* phrase_;
    int timer_ = 0;
};

} // namespace puretone::app
