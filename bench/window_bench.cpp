// SPDX-License-Identifier: GPL-3.0-or-later
// How quickly the window answers: from start to the first picture with the demo instrument, and one
// repaint while a handle moves on a ten minute stereo recording, beside the bare cost of filling
// the same pixels. Then, with 300 takes and 40 minutes of sound, the longest time for which each
// thing that a hand asks for keeps the window from answering; 100 ms are allowed.
//
//   QT_QPA_PLATFORM=offscreen window_bench DEMO.puretone

#include "app/shell/main_window.h"
#include "app/stops/loop/loop_stop.h"
#include "bench_timing.h"

#include <QApplication>
#include <QElapsedTimer>
#include <QImage>
#include <QPainter>
#include <QTest>
#include <algorithm>
#include <cstdio>

using namespace puretone;
using namespace puretone::app;

namespace {

/// Ten minutes of something with a shape, at two channels.
Instrument longInstrument()
{
    Audio audio{48000.0, std::vector(2, std::vector<float>(std::size_t(600 * 48000)))};
    for (std::size_t c = 0; c < 2; ++c)
        for (std::size_t i = 0; i < audio.channels[c].size(); ++i)
            audio.channels[c][i] = float(
                0.4 * std::sin(double(i) * 0.02) * std::sin(double(i) * 3e-7 * double(c + 1)));
    Take take;
    take.id = 1;
    take.name = "long";
    take.recording = makeRecording(std::move(audio), "long.wav");
    take.kept = {Frames{0}, Frames{take.audio().frames()}};
    take.loop.on = true;
    take.loop.span = {Frames{480000}, Frames{960000}};
    take.loop.crossfade = Frames{9600};
    Instrument instrument;
    instrument.layers[0].zones.push_back(proposeZone(take));
    instrument.takes.push_back(std::move(take));
    return instrument;
}

void measurePaints(MainWindow& window)
{
    window.session().edit("Long", [](Instrument& next) { next = longInstrument(); });
    window.session().background().settle();
    window.goTo(Stop::loop);
    QTest::qWait(50);
    auto* wave = static_cast<LoopStop*>(window.stop(Stop::loop))->wave();
    QImage image(window.size(), QImage::Format_ARGB32_Premultiplied);
    const double floor = medianMs(30, [&] {
        QPainter painter(&image);
        painter.fillRect(image.rect(), Qt::white);
        painter.fillRect(image.rect().adjusted(20, 80, -300, -170), Qt::darkCyan);
    });
    std::printf("ten minutes of stereo, window of %dx%d; filling its pixels takes %.2f ms\n",
        window.width(), window.height(), floor);
    std::printf("%-24s %10s %12s %8s\n", "frames in view", "edit ms", "repaint ms", "x floor");
    const Loop loop = window.session().take()->loop;
    for (double frames = 600.0 * 48000; frames > 100; frames /= 12.0) {
        const auto middle = loop.span.end.value;
        wave->fit(
            {Frames{middle - std::int64_t(frames / 2)}, Frames{middle + std::int64_t(frames / 2)}});
        int step = 0;
        const double edit = medianMs(15, [&] {
            window.session().editTake(
                "Move", [&](Take& t) { t.loop.span.end.value = middle - ++step; }, 7);
        });
        const double paint = medianMs(15, [&] { window.stop(Stop::loop)->render(&image); });
        std::printf("%-24.0f %10.2f %12.2f %8.1f\n", frames, edit, paint, paint / floor);
    }
    window.session().background().settle();
}

/// 300 takes of eight seconds, on the keys and touches of one layer.
Instrument manyTakes()
{
    Instrument instrument;
    std::vector<Take> takes;
    for (int i = 0; i < 300; ++i) {
        Audio audio{44100.0, {std::vector<float>(std::size_t(8 * 44100))}};
        const double step = 0.01 * std::exp2(i % 60 / 12.0);
        for (std::size_t k = 0; k < audio.channels[0].size(); ++k)
            audio.channels[0][k] =
                float(0.3 * std::exp(-double(k) / 200000.0) * std::sin(double(k) * step));
        Take take;
        take.id = i + 1;
        take.name = "take " + std::to_string(i + 1);
        take.recording = makeRecording(std::move(audio), take.name + ".wav");
        take.kept = {Frames{0}, Frames{take.audio().frames()}};
        take.tuning = Tuning::forPitch(30.0 + i % 60, TuningSource::byHand);
        takes.push_back(std::move(take));
    }
    addTakes(instrument, std::move(takes));
    return instrument;
}

/// One recording of forty minutes with silence at both ends.
Instrument fortyMinutes()
{
    Audio audio{44100.0, {std::vector<float>(std::size_t(2400 * 44100))}};
    auto& wave = audio.channels[0];
    for (std::size_t i = 44100 * 60; i < wave.size() - 44100 * 60; ++i)
        wave[i] = float(0.3 * std::sin(double(i) * 0.02) * std::sin(double(i) * 1e-5));
    Take take;
    take.id = 1;
    take.name = "forty minutes";
    take.recording = makeRecording(std::move(audio), "forty.wav");
    take.kept = {Frames{0}, Frames{take.audio().frames()}};
    return makeInstrument(std::move(take));
}

/// The longest time that the window's thread answers nobody, while something is done and until all
/// work beside the window has come to rest.
template <class Do> void measureAnswers(MainWindow& window, const char* what, Do action)
{
    QElapsedTimer since, all;
    qint64 longest = 0;
    since.start();
    all.start();
    const auto look = [&] { longest = std::max(longest, since.restart()); };
    action();
    look();
    while (window.session().background().anyBusy() && all.elapsed() < 120000) {
        QCoreApplication::processEvents(QEventLoop::AllEvents, 1);
        look();
        QThread::msleep(1);
        since.restart();
    }
    QCoreApplication::processEvents();
    look();
    std::printf("%-44s %6lld ms %s (all of it %lld ms)\n", what, static_cast<long long>(longest),
        longest > 100 ? "TOO LONG" : "", static_cast<long long>(all.elapsed()));
}

QPushButton* buttonOf(QWidget* parent, const QString& text)
{
    for (auto* button : parent->findChildren<QPushButton*>())
        if (button->text() == text)
            return button;
    std::printf("there is no button %s\n", qPrintable(text));
    std::exit(1);
}

void measureMany(MainWindow& window)
{
    auto& session = window.session();
    const Instrument many = manyTakes(), forty = fortyMinutes();
    std::printf("the window answers again after, with 300 takes and 40 minutes of sound:\n");
    const auto answers = [&](const char* what, auto action) {
        measureAnswers(window, what, action);
    };
    window.goTo(Stop::keys);
    answers("300 takes open", [&] { session.begin("Open", many); });
    answers("a zone moves", [&] {
        session.editLayer(
            "Move", [](Layer& layer) { layer.zones[7].levelDb = -1.0; }, 5);
    });
    answers("their picture", [&] { window.stop(Stop::keys)->repaint(); });
    answers("the list of takes", [&] { session.showTake(many.takes[200].id); });
    answers("Levels", [&] { buttonOf(window.stop(Stop::keys), "Levels\u2026")->click(); });
    answers("Lay out", [&] { buttonOf(window.stop(Stop::keys), "Lay out\u2026")->click(); });
    window.goTo(Stop::shape);
    answers("a ready shape", [&] { session.shaping().give(ReadyShape::pad); });
    answers("inner starts", [&] { session.shaping().findInnerStarts(); });
    answers("undo", [&] { session.undo(); });
    window.goTo(Stop::sound);
    answers("40 minutes open", [&] { session.begin("Open", forty); });
    answers("its kept part is searched for",
        [&] { buttonOf(window.stop(Stop::sound), "Propose")->click(); });
    session.clear();
}

} // namespace

int main(int argc, char** argv)
{
    QElapsedTimer sinceStart;
    sinceStart.start();
    QApplication application(argc, argv);
    Theme::loadFonts();
    Theme::apply(application, ThemeName::daybreak);
    MainWindow window;
    window.show();
    if (argc > 1)
        window.session().opening().open(QString::fromLocal8Bit(argv[1]));
    while (window.session().take() == nullptr && sinceStart.elapsed() < 20000)
        QCoreApplication::processEvents();
    window.repaint();
    std::printf("from main() to the first picture of the instrument: %lld ms\n",
        static_cast<long long>(sinceStart.elapsed()));
    window.startDevices(simulatedId);
    measurePaints(window);
    measureMany(window);
    return 0;
}
