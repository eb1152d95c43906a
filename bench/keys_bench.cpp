// SPDX-License-Identifier: GPL-3.0-or-later
// The stop Keys with many takes and many zones, in the real window.
//
//   QT_QPA_PLATFORM=offscreen keys_bench takes   200 takes of 4 s: 100 keys, two touches, names
//                                                shuffled and an octave off
//   QT_QPA_PLATFORM=offscreen keys_bench border  a border dragged among 500 zones: one repaint
//                                                beside filling the same pixels, and until it is
//                                                heard

#include "app/shell/main_window.h"
#include "app/stops/keys/keys_stop.h"
#include "bench_timing.h"
#include "devices/simulated.h"
#include "model/making/lay_out.h"

#include <QApplication>
#include <QImage>
#include <QPainter>
#include <QTemporaryDir>
#include <QTest>
#include <cmath>
#include <cstdio>
#include <numbers>
#include <random>

using namespace puretone;
using namespace puretone::app;

namespace {

constexpr double rate = 48000.0;

/// A plucked tone that goes on, harder ones brighter and louder.
std::vector<float> note(int key, bool hard)
{
    std::vector<float> wave(std::size_t(4.0 * rate), 0.0f);
    const double hz = hzOf(double(key)).value;
    for (int h = 1; h <= 16 && h * hz < 0.45 * rate; ++h) {
        const double level = (hard ? 0.25 : 0.06) / std::pow(h, hard ? 1.0 : 1.6);
        const double turn = 2.0 * std::numbers::pi * h * hz / rate;
        // By rotation: sines of two hundred files would take longer than what is measured.
        double re = level * std::sin(1.3 * h), im = level * std::cos(1.3 * h);
        const double c = std::cos(turn), s = std::sin(turn);
        const double fall = std::exp(-0.12 * h / rate);
        for (float& x : wave) {
            x += float(re);
            const double next = (re * c - im * s) * fall;
            im = (re * s + im * c) * fall;
            re = next;
        }
    }
    return wave;
}

/// Files of 100 keys and two touches; @return Their paths in a shuffled order.
QStringList writeNotes(const QTemporaryDir& folder)
{
    QStringList paths;
    constexpr int lowest = 14;
    for (int i = 0; i < 200; ++i) {
        const int key = lowest + i / 2;
        const bool hard = i % 2 != 0;
        // Named as people do who count middle C as C3.
        const auto name = noteName(key - 12) + (hard ? " hard" : " soft") + ".wav";
        const auto path = folder.filePath(QString::fromStdString("x " + name));
        if (!writeWav(path.toStdString(), {rate, {note(key, hard)}}, SampleFormat::int16))
            std::exit(1);
        paths << path;
    }
    std::shuffle(paths.begin(), paths.end(), std::mt19937(5));
    return paths;
}

double seconds(std::chrono::steady_clock::time_point since)
{
    return std::chrono::duration<double>(std::chrono::steady_clock::now() - since).count();
}

void sayLayout(const Instrument& instrument, const char* what)
{
    int right = 0;
    for (const auto& take : instrument.takes) {
        const auto said = readName(take.recording->fileName);
        const int key = *said.key + 12;
        for (const auto& zone : instrument.layers[0].zones)
            if (zone.take == take.id)
                right += take.tuning.rootKey == key && zone.lowKey <= key && zone.highKey >= key
                        && (*said.touch > 30) == (zone.highVelocity == 127)
                    ? 1
                    : 0;
    }
    std::printf(
        "%s: %d of %zu takes are where they belong\n", what, right, instrument.takes.size());
}

void measureTakes(MainWindow& window)
{
    const QTemporaryDir folder;
    const auto files = writeNotes(folder);
    auto& session = window.session();
    const auto start = std::chrono::steady_clock::now();
    double first = 0.0;
    QObject::connect(&session, &Session::changed, [&] {
        if (first == 0.0 && !session.instrument().takes.empty())
            first = seconds(start);
    });
    session.opening().addFiles(files);
    while (session.opening().busy())
        QTest::qWait(10);
    auto instrument = session.instrument();
    layOut(instrument, instrument.layers[0].id);
    std::printf("first take on the keys after %.1f s, all 200 analysed, looped and laid out after "
                "%.1f s (30)\n",
        first, seconds(start));
    sayLayout(instrument, "by ear");
    auto named = session.instrument();
    LayOutOptions options;
    options.roots = RootFrom::name;
    const auto shift = nameShift(rootsSaid(named, named.layers[0].id));
    options.nameShift = shift.value_or(0);
    layOut(named, named.layers[0].id, options);
    std::printf("names agree when read %d semitones higher\n", shift.value_or(0));
    sayLayout(named, "by name");
}

void measureBorder(MainWindow& window)
{
    const QTemporaryDir folder;
    const auto path = folder.filePath("a.wav");
    if (!writeWav(path.toStdString(), {rate, {note(60, true)}}, SampleFormat::int16))
        return;
    auto& session = window.session();
    session.opening().open(path);
    session.background().settle();
    session.edit("Many", [](Instrument& next) {
        Layer& layer = next.layers[0];
        const Zone one = layer.zones[0];
        layer.zones.clear();
        for (int i = 0; i < 500; ++i) {
            Zone zone = one;
            zone.id = 10 + i;
            zone.lowKey = i / 5;
            zone.highKey = zone.lowKey;
            zone.lowVelocity = 1 + 25 * (i % 5);
            zone.highVelocity = 25 + 25 * (i % 5);
            layer.zones.push_back(zone);
        }
    });
    window.goTo(Stop::keys);
    session.background().settle();
    QTest::qWait(50);
    auto* lanes = static_cast<KeysStop*>(window.stop(Stop::keys))->lanes();
    QImage target(lanes->size(), QImage::Format_ARGB32_Premultiplied);
    const double bare = medianMs(30, [&] {
        QPainter painter(&target);
        painter.fillRect(target.rect(), QColor(200, 220, 220));
    });
    const double paint = medianMs(30, [&] { lanes->render(&target); });
    session.editLayer("Few", [](Layer& layer) { layer.zones.resize(1); });
    const double few = medianMs(30, [&] { lanes->render(&target); });
    session.undo();
    int by = 0;
    const double edit = medianMs(30, [&] {
        session.editLayer("Move", [&](Layer& layer) {
            moveBorder(
                layer, layer.zones[250].id, ZoneEdge::highKey, by++ % 2 == 0 ? 1 : -1, {}, false);
        });
    });
    const double heard = medianMs(10, [&] {
        session.editLayer("Move", [&](Layer& layer) {
            moveBorder(
                layer, layer.zones[250].id, ZoneEdge::highKey, by++ % 2 == 0 ? 1 : -1, {}, false);
        });
        session.background().settle();
    });
    std::printf("500 zones: repaint %.2f ms (16), of one zone %.2f ms, %.0f times a bare fill; one "
                "step of a drag %.2f "
                "ms; the engine has it after %.1f ms (100)\n",
        paint, few, paint / bare, edit, heard);
}

} // namespace

int main(int argc, char** argv)
{
    QApplication application(argc, argv);
    QApplication::setApplicationName(QStringLiteral("puretone-bench"));
    Theme::loadFonts();
    Theme::apply(application, ThemeName::daybreak);
    MainWindow window;
    window.resize(1280, 800);
    window.show();
    window.startDevices(simulatedId);
    const std::string what = argc > 1 ? argv[1] : "";
    if (what == "takes")
        measureTakes(window);
    else if (what == "border")
        measureBorder(window);
    else {
        std::fprintf(stderr, "keys_bench takes | border\n");
        return 2;
    }
    return 0;
}
