// SPDX-License-Identifier: GPL-3.0-or-later
// Fifty recordings of five seconds dropped at once: when the first is on the keys, when all are,
// beside the bare cost of reading the files on one core.
//
//   QT_QPA_PLATFORM=offscreen files_bench [FILES]

#include "app/shell/main_window.h"
#include "bench_timing.h"

#include <QApplication>
#include <QTemporaryDir>
#include <QTest>

using namespace puretone;
using namespace puretone::app;

namespace {

/// A stereo note with vibrato, a decay or none, and some noise.
Audio note(int index)
{
    Audio audio{48000.0, std::vector(2, std::vector<float>(std::size_t(5 * 48000)))};
    const double hz = 55.0 * std::exp2(double(index) / 12.0);
    std::uint32_t noise = 12345U + std::uint32_t(index);
    for (std::size_t c = 0; c < 2; ++c) {
        double phase = 0.0;
        for (std::size_t i = 0; i < audio.channels[c].size(); ++i) {
            const double t = double(i) / 48000.0;
            phase += hz * (1.0 + 0.003 * std::sin(33.0 * t + double(c))) / 48000.0;
            noise = noise * 1664525U + 1013904223U;
            double sum = 0.001 * (double(noise) / 2147483648.0 - 1.0);
            for (int h = 1; h <= 10; ++h)
                sum += 0.2 / h * std::sin(6.283185307 * h * phase + h * double(c));
            const double shape = std::min(1.0, t / 0.05) * (index % 2 == 0 ? std::exp(-t) : 1.0);
            audio.channels[c][i] = float(shape * sum);
        }
    }
    return audio;
}

} // namespace

int main(int argc, char** argv)
{
    const int files = argc > 1 ? std::atoi(argv[1]) : 50;
    QApplication application(argc, argv);
    Theme::loadFonts();
    Theme::apply(application, ThemeName::daybreak);
    QTemporaryDir folder;
    folder.setAutoRemove(!qEnvironmentVariableIsSet("KEEP"));
    QStringList paths;
    for (int i = 0; i < files; ++i) {
        paths << folder.filePath(QStringLiteral("note %1.wav").arg(i, 3, 10, QLatin1Char('0')));
        if (!writeWav(paths.back().toStdString(), note(i % 60), SampleFormat::int24))
            return 1;
    }
    const double bare = medianMs(3, [&] {
        for (const auto& path : paths)
            (void)openRecording(path.toStdString());
    });
    MainWindow window;
    window.show();
    window.startDevices(simulatedId);
    QTest::qWait(100);
    QElapsedTimer timer;
    timer.start();
    window.session().opening().addFiles(paths);
    double first = -1.0;
    qint64 longestGap = 0, last = 0;
    while (window.session().opening().busy()) {
        QCoreApplication::processEvents(QEventLoop::WaitForMoreEvents);
        last = timer.elapsed();
        QCoreApplication::processEvents();
        longestGap = std::max(longestGap, timer.elapsed() - last);
        if (first < 0.0 && window.session().take() != nullptr)
            first = double(timer.elapsed());
    }
    const double all = double(timer.elapsed());
    std::printf("%d files of 5 s stereo; only reading them takes %.0f ms\n", files, bare);
    std::printf("first on the keys after %.0f ms, all %zu after %.0f ms (%.1f times reading)\n",
        first, window.session().instrument().takes.size(), all, all / bare);
    std::printf(
        "the window was busy for %lld ms at the longest\n", static_cast<long long>(longestGap));
    window.session().background().settle();
    return 0;
}
