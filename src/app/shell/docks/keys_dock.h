// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/shell/docks/typing_keys.h"
#include "app/widgets/keyboard.h"
#include "app/widgets/meter.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

namespace puretone::app {

/// The keyboard and the output, present at every stop.
class KeysDock : public QWidget {
    Q_OBJECT

public:
    explicit KeysDock(Session& session, QWidget* parent = nullptr);
    Keyboard* keyboard() { return keyboard_; }
    QPushButton* holdButton() { return hold_; }
    /// Handles a key of the computer's keyboard; true when it played or ended a note.
    bool typed(QKeyEvent* event);
    /// Whether a key of the computer's keyboard sounds: when it comes up, that is for us.
    bool sounds(const QKeyEvent& event) const { return typing_.isDown(event); }
    /// Lets go of every typed key: the window is no longer told when they come up.
    void releaseTyped();
    void refresh();
    /// 30 times a second: meter, pressed keys, voices. Returns what is heard.
    Engine::Meter tick();

signals:
    void devicesAsked(QWidget* near);
    void listeningAsked(QWidget* near);
    void keepAsked();

private:
    QPushButton* addButton(const QString& text, const QString& tip, bool checkable);
    void addLeft(QHBoxLayout* row);

    Session& session_;
    TypingKeys typing_;
    Keyboard* keyboard_;
    Meter* meter_;
    QLabel *peak_, *voices_;
    void showTyping();

    QPushButton *playRoot_, *hold_, *allOff_, *type_, *listen_, *keep_, *output_, *midi_;
    QLabel* typed_;
    HeldNote root_, struck_; ///< By the button, and by the mouse on the keys.
    int typedTouch_ = 100;
};

} // namespace puretone::app
