// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// Drives the real window the way a hand does, and listens to what comes out.

#include "app/shell/main_window.h"
#include "app/stops/keys/keys_stop.h"
#include "app/stops/loop/loop_stop.h"
#include "app/stops/pitch/pitch_stop.h"
#include "app/stops/sound/sound_stop.h"
#include "base/files/safe_file.h"
#include "devices/simulated.h"
#include "support/takes.h"

#include <catch2/catch.hpp>

#include <QComboBox>
#include <QFileDialog>
#include <QLineEdit>
#include <QMimeData>
#include <QTest>
#include <QTimer>
#include <functional>
#include <map>

namespace probe {

using namespace puretone;
using namespace puretone::app;

class Driver {
public:
    Driver()
    {
        window.resize(1280, 800);
        window.show();
        window.startDevices(simulatedId);
        window.activateWindow();
        QTest::qWait(50);
    }
    ~Driver() { window.session().player().allOff(); }

    Session& session() { return window.session(); }
    const Instrument& document() { return session().instrument(); }
    const Take& take() { return *session().take(); }

    void open(const std::string& path)
    {
        session().opening().open(QString::fromStdString(path));
        settle();
    }
    /// Splits the recording on screen as it is proposed.
    void split(const std::optional<NoteSeries>& series = {})
    {
        session().splitting().propose({});
        settle();
        session().splitting().make(series);
        settle();
    }
    /// Drops a file on the window and waits until it is open.
    void drop(const std::filesystem::path& file)
    {
        QMimeData data;
        data.setUrls({QUrl::fromLocalFile(QString::fromStdString(file.string()))});
        QDragEnterEvent enter(
            QPoint(500, 300), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        QCoreApplication::sendEvent(&window, &enter);
        REQUIRE(enter.isAccepted());
        QDropEvent event(QPointF(500, 300), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        QCoreApplication::sendEvent(&window, &event);
        settle();
    }
    /// Ctrl+S, then types a name into the dialog that opens.
    void saveInDialog(const std::filesystem::path& file)
    {
        // An exception must not leave a slot: what was found is told afterwards. Under a sanitizer
        // the dialog may not be ready for the first Return: asked again until it has gone.
        bool found = false;
        QTimer typing;
        QObject::connect(&typing, &QTimer::timeout, [&] {
            auto* dialog = qobject_cast<QFileDialog*>(QApplication::activeModalWidget());
            if (dialog == nullptr)
                return;
            found = true;
            auto* edit = dialog->findChild<QLineEdit*>("fileNameEdit");
            edit->setText(QString::fromStdString(file.string()));
            QTest::keyClick(edit, Qt::Key_Return);
        });
        typing.start(250);
        shortcut(Qt::Key_S, Qt::ControlModifier);
        typing.stop();
        settle();
        REQUIRE(found);
    }
    /// Clicks a button of the question that will stand there in a moment.
    void answer(const QString& button)
    {
        whenModal([this, button](QWidget* modal) {
            for (auto* b : modal->findChildren<QPushButton*>())
                if (b->text() == button) {
                    ++answered;
                    b->click();
                    return;
                }
        });
    }
    /// Does something with what comes to stand before the window, however slow the machine is.
    void whenModal(std::function<void(QWidget*)> what)
    {
        auto* looking = new QTimer(&window);
        QObject::connect(looking, &QTimer::timeout, [looking, what = std::move(what)] {
            auto* modal = QApplication::activeModalWidget();
            if (modal == nullptr)
                return;
            looking->stop();
            looking->deleteLater();
            what(modal);
        });
        looking->start(100);
    }
    void settle()
    {
        session().background().settle();
        QTest::qWait(30);
    }
    void goTo(Stop stop)
    {
        QTest::mouseClick(
            window.path(), Qt::LeftButton, {}, window.path()->centreOf(stop).toPoint());
    }
    /// Drags in small steps, as a hand does. @param during Runs before the button is let go.
    void drag(QWidget* widget, QPointF from, QPointF to, Qt::KeyboardModifiers keys = {},
        const std::function<void()>& during = {})
    {
        QTest::mousePress(widget, Qt::LeftButton, keys, from.toPoint());
        for (int i = 1; i <= 10; ++i)
            move(widget, from + (to - from) * (i / 10.0), keys);
        if (during)
            during();
        QTest::mouseRelease(widget, Qt::LeftButton, keys, to.toPoint());
        settle();
    }
    /// Places a handle of a wave: drags it from where it is to a frame.
    void dragHandle(WaveView* wave, double fromFrame, double toFrame, bool atTop,
        Qt::KeyboardModifiers keys = Qt::AltModifier, const std::function<void()>& during = {})
    {
        const auto& g = wave->geometryOfWave();
        const double y = atTop ? g.area.top() : g.area.bottom() - 6.0;
        drag(wave, {g.xOf(fromFrame), y}, {g.xOf(toFrame), y}, keys, during);
    }
    void type(QWidget* parent, const QString& field, const QString& text)
    {
        auto* edit = lineOf(parent, field);
        edit->setFocus();
        edit->selectAll();
        QTest::keyClicks(edit, text);
        QTest::keyClick(edit, Qt::Key_Return);
        edit->clearFocus();
        settle();
    }
    /// A shortcut of the window; another window may have been active meanwhile.
    void shortcut(Qt::Key key, Qt::KeyboardModifiers keys)
    {
        window.activateWindow();
        REQUIRE(QTest::qWaitForWindowActive(&window));
        QTest::keyClick(&window, key, keys);
        QCoreApplication::processEvents();
    }
    static QPushButton* button(QWidget* parent, const QString& text)
    {
        for (auto* b : parent->findChildren<QPushButton*>())
            if (b->text() == text)
                return b;
        FAIL("There is no button " << text.toStdString());
        return nullptr;
    }
    /// The line of a field, by its label.
    static QLineEdit* lineOf(QWidget* parent, const QString& field)
    {
        for (auto* edit : parent->findChildren<QLineEdit*>())
            if (edit->accessibleName() == field)
                return edit;
        FAIL("There is no field " << field.toStdString());
        return nullptr;
    }
    /// Puts the focus there, as where the window is in use.
    void focus(QWidget* widget)
    {
        window.activateWindow();
        REQUIRE(QTest::qWaitForWindowActive(&window));
        widget->setFocus();
        REQUIRE(widget->hasFocus());
    }
    void click(QWidget* parent, const QString& text)
    {
        QTest::mouseClick(button(parent, text), Qt::LeftButton);
        settle();
    }
    /// Picks a word of a choice by its label.
    void choose(QWidget* parent, const QString& label, const QString& word)
    {
        for (auto* box : parent->findChildren<QComboBox*>())
            if (box->accessibleName() == label) {
                box->setCurrentText(word);
                REQUIRE(box->currentText() == word);
                emit box->activated(box->currentIndex());
                return;
            }
        FAIL("No choice is called " << label.toStdString());
    }
    KeysStop& keysStop()
    {
        goTo(Stop::keys);
        return *static_cast<KeysStop*>(window.stop(Stop::keys));
    }
    /// A key that is held, by whatever hand.
    void noteOn(int key, int velocity) { held_[key] = session().player().press(key, velocity); }
    void noteOff(int key) { held_.erase(key); }
    void pressKey(int key) { QTest::mousePress(keyboard(), Qt::LeftButton, {}, middleOf(key)); }
    void releaseKey(int key) { QTest::mouseRelease(keyboard(), Qt::LeftButton, {}, middleOf(key)); }

    /// What a real keyboard would send.
    void send(const MidiEvent& event)
    {
        auto* keyboard = dynamic_cast<SimulatedKeyboard*>(session().player().midi());
        REQUIRE(keyboard != nullptr);
        keyboard->send(event);
    }

    /// What the simulated output plays during the next `seconds`.
    std::vector<float> hear(double seconds)
    {
        auto* output = dynamic_cast<SimulatedOutput*>(session().player().output());
        REQUIRE(output != nullptr);
        const auto from = output->heard().written();
        const auto wanted = std::uint64_t(seconds * 48000.0);
        for (int i = 0; i < 1000 && output->heard().written() < from + wanted; ++i)
            QTest::qWait(10);
        return output->heard().since(from).channels[0];
    }
    /// Pitch of what is heard, MIDI; -1 for none.
    double hearPitch(double seconds = 0.6)
    {
        const auto report = analysePitch(hear(seconds), 48000.0);
        return report.verdict == PitchVerdict::none ? -1.0 : report.midi.value_or(-1.0);
    }

    MainWindow window;
    int answered = 0; ///< Questions that got their answer.

private:
    std::map<int, HeldNote> held_;
    static void move(QWidget* widget, QPointF to, Qt::KeyboardModifiers keys)
    {
        QMouseEvent event(
            QEvent::MouseMove, to, widget->mapToGlobal(to), Qt::NoButton, Qt::LeftButton, keys);
        QCoreApplication::sendEvent(widget, &event);
        QCoreApplication::processEvents();
    }
    Keyboard* keyboard() { return window.dock()->keyboard(); }
    QPoint middleOf(int key)
    {
        const QRectF rect = keyboard()->geometryOfKeys().rectOf(key);
        return QPointF(rect.center().x(), rect.bottom() - 4.0).toPoint();
    }
};

} // namespace probe
