// SPDX-License-Identifier: GPL-3.0-or-later
// How quickly the window answers: from start to the first picture with the demo instrument, and one
// repaint while a handle moves on a ten minute stereo recording, beside the bare cost of filling
// the same pixels.
//
//   QT_QPA_PLATFORM=offscreen window_bench DEMO.puretone

#include "app/shell/main_window.h"
#include "app/stops/loop_stop.h"
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
    return 0;
}
