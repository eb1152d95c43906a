// SPDX-License-Identifier: GPL-3.0-or-later
// An hour of 48 kHz stereo in the real window: how long it takes to open, how much memory at the
// most, beside its decoded size, and one paint of the wave at every zoom, beside the bare cost of
// filling the same pixels.
//
//   QT_QPA_PLATFORM=offscreen hour_bench [MINUTES]      (writes 700 MB to the temporary folder)

#include "app/shell/main_window.h"
#include "app/stops/sound/sound_stop.h"
#include "bench_timing.h"

#include <QApplication>
#include <QImage>
#include <QPainter>
#include <QTemporaryDir>
#include <QTest>
#include <sndfile.h>

using namespace puretone;
using namespace puretone::app;

namespace {

/// Notes of four seconds with silences between, 16 bit, written block by block.
void writeLong(const std::string& path, double minutes)
{
    SF_INFO info{};
    info.samplerate = 48000;
    info.channels = 2;
    info.format = SF_FORMAT_WAV | SF_FORMAT_PCM_16;
    SNDFILE* file = sf_open(path.c_str(), SFM_WRITE, &info);
    std::vector<float> block(2 * 48000);
    for (int second = 0; second < int(60.0 * minutes); ++second) {
        const double hz = 110.0 * std::exp2(double(second / 5 % 24) / 12.0);
        const double level = second % 5 == 4 ? 0.001 : 0.4 * std::exp2(-double(second % 5));
        for (std::size_t i = 0; i < 48000; ++i) {
            const double t = double(i) / 48000.0 + second;
            block[2 * i] = float(level * std::sin(6.283185307 * hz * t));
            block[2 * i + 1] = float(level * std::sin(6.283185307 * hz * 2.0 * t));
        }
        sf_writef_float(file, block.data(), 48000);
    }
    sf_close(file);
}

void measurePaints(MainWindow& window)
{
    auto* wave = static_cast<SoundStop*>(window.stop(Stop::sound))->wave();
    QImage image(wave->size(), QImage::Format_ARGB32_Premultiplied);
    const double floor = medianMs(30, [&] {
        QPainter painter(&image);
        painter.fillRect(image.rect(), Qt::white);
        painter.fillRect(image.rect().adjusted(8, 60, -8, -60), Qt::darkCyan);
    });
    std::printf(
        "wave of %dx%d; filling its pixels takes %.3f ms\n", wave->width(), wave->height(), floor);
    std::printf("%-20s %10s %10s %10s\n", "frames in view", "median ms", "worst ms", "x floor");
    const auto frames = double(window.session().take()->audio().frames());
    for (double view = 0.9 * frames; view > 40; view /= 6.0) {
        wave->fit({Frames{0}, Frames{std::int64_t(view)}});
        int step = 0;
        // Scrolled a little each time, so that nothing can be kept from the paint before.
        const auto times = timesMs(21, [&] {
            wave->scrollTo(0.3 * (frames - view) + 0.01 * view * ++step);
            wave->render(&image);
        });
        std::printf("%-20.0f %10.2f %10.2f %10.1f\n", view, median(times),
            *std::max_element(times.begin(), times.end()), median(times) / floor);
    }
}

} // namespace

int main(int argc, char** argv)
{
    const double minutes = argc > 1 ? std::atof(argv[1]) : 60.0;
    QApplication application(argc, argv);
    Theme::loadFonts();
    Theme::apply(application, ThemeName::daybreak);
    const QTemporaryDir folder;
    const auto path = folder.filePath("hour.wav").toStdString();
    writeLong(path, minutes);
    MainWindow window;
    window.show();
    window.startDevices(simulatedId);
    QTest::qWait(100);
    const double before = memoryMb("VmRSS");
    QElapsedTimer timer;
    timer.start();
    window.session().opening().open(QString::fromStdString(path));
    double drawnAfter = -1.0;
    while (window.session().take() == nullptr) {
        QCoreApplication::processEvents(QEventLoop::WaitForMoreEvents);
        if (drawnAfter < 0.0 && window.session().opening().arriving())
            drawnAfter = double(timer.elapsed()) / 1000.0;
    }
    const double ready = double(timer.elapsed()) / 1000.0;
    window.session().background().settle();
    const double decoded =
        double(window.session().take()->audio().frames()) * 2.0 * sizeof(float) / 1e6;
    std::printf("%.0f minutes of stereo, %.0f MB decoded\n", minutes, decoded);
    std::printf("first drawn after %.1f s, playable after %.1f s, all known after %.1f s\n",
        drawnAfter, ready, double(timer.elapsed()) / 1000.0);
    std::printf("memory at the most %.0f MB (%.0f before): %.2f times the decoded size\n",
        memoryMb("VmHWM"), before, memoryMb("VmHWM") / decoded);
    measurePaints(window);
    return 0;
}
