// SPDX-License-Identifier: GPL-3.0-or-later
// Whether a long session grows: edits of one long take in the real window, as many as an hour of
// work has, with undo and redo in between. What counts is that memory stops growing near what
// opening took, the limit that Settings gives to undo, and the 48 MB of sounds that History keeps
// at hand.
//
//   QT_QPA_PLATFORM=offscreen editing_bench [MINUTES] [EDITS] [LIMIT MB]

#include "app/shell/main_window.h"
#include "audio/files/sound_file.h"
#include "base/threads/large_memory.h"
#include "bench_timing.h"

#include <QApplication>
#include <QTemporaryDir>
#include <QTest>
#include <cmath>

using namespace puretone;
using namespace puretone::app;

namespace {

/// Minutes of two voices that swell.
Audio longTake(double minutes)
{
    const auto frames = std::size_t(minutes * 60.0 * 48000.0);
    Audio audio{48000.0, {std::vector<float>(frames), std::vector<float>(frames)}};
    for (std::size_t i = 0; i < frames; ++i) {
        const double t = double(i) / 48000.0;
        const double level = 0.3 + 0.1 * std::sin(0.7 * t);
        audio.channels[0][i] = float(level * std::sin(6.283185307 * 220.0 * t));
        audio.channels[1][i] = float(level * std::sin(6.283185307 * 330.0 * t));
    }
    return audio;
}

void edit(MainWindow& window, int n)
{
    auto& session = window.session();
    const auto seconds = [&](double s) { return std::int64_t(s * session.take()->rate()); };
    switch (n % 8) {
    case 0:
    case 1:
    case 2: // a whole new sound each
        session.treating().set(
            "Gain", {{Level{Level::To::gain, -1.0 - 0.01 * (n % 400), {}}, true}});
        break;
    case 3:
        session.editTake("Trim", [&](Take& take) { take.kept.start = Frames{seconds(0.01 * n)}; });
        break;
    case 4:
        session.editTake("Move loop", [&](Take& take) {
            take.loop.on = true;
            take.loop.span = {Frames{seconds(10.0 + 0.01 * n)}, Frames{seconds(20.0)}};
        });
        break;
    case 5:
        session.editLayer("Shape", [&](Layer& layer) { layer.envelope.release = 0.001 * n; });
        break;
    case 6:
        for (int i = 0; i < 4; ++i)
            session.undo();
        break;
    case 7:
        for (int i = 0; i < 3; ++i)
            session.redo();
        break;
    }
    window.goTo(Stop(n % 5));
    session.background().settle();
    QCoreApplication::processEvents();
}

} // namespace

int main(int argc, char** argv)
{
    const double minutes = argc > 1 ? std::atof(argv[1]) : 3.0;
    const int edits = argc > 2 ? std::atoi(argv[2]) : 400;
    const double limit = argc > 3 ? std::atof(argv[3]) : 500.0;
    std::setvbuf(stdout, nullptr, _IOLBF, 0);
    returnLargeMemory(); // as the program does
    QApplication application(argc, argv);
    Theme::loadFonts();
    Theme::apply(application, ThemeName::daybreak);
    const QTemporaryDir folder;
    const auto path = folder.filePath("long.wav");
    if (!writeWav(path.toStdString(), longTake(minutes), SampleFormat::int24))
        return 1;
    MainWindow window;
    window.show();
    window.startDevices(simulatedId);
    QTest::qWait(100);
    const double before = memoryMb("VmRSS");
    auto& session = window.session();
    session.saving().setMostUndoBytes(std::uint64_t(limit * 1e6));
    session.opening().open(path);
    session.background().settle();
    if (session.take() == nullptr)
        return 1;
    const double audio = double(session.take()->audio().frames()) * 2.0 * sizeof(float) / 1e6;
    const double opened = memoryMb("VmRSS");
    std::printf("%.0f minutes, %.0f MB of audio, undo limited to %.0f MB; %.0f MB more once open\n",
        minutes, audio, limit, opened - before);
    std::printf("%8s %12s %30s\n", "edits", "MB more", "of opening and limit together");
    for (int n = 1; n <= edits; ++n) {
        edit(window, n);
        if (n % std::max(1, edits / 10) == 0) {
            const double more = memoryMb("VmRSS") - before;
            std::printf("%8d %12.0f %29.2f\n", n, more, more / (opened - before + limit));
        }
    }
    return 0;
}
