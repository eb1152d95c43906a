// SPDX-License-Identifier: GPL-3.0-or-later
// The stop Shape: curves, filter, movements, patterns, and what is learnt from controllers.
#include "app/sheets/played_sheet.h"
#include "app/stops/shape/shape_stop.h"
#include "formats/midi/midi_file.h"
#include "model/edits/ready_shape.h"
#include "support/driver.h"
#include "support/takes.h"

using namespace puretone;
using namespace puretone::app;
using namespace probe;
using Catch::Matchers::Contains;
using Catch::Matchers::WithinAbs;
using Catch::Matchers::WithinRel;

namespace {

const std::string sounds = SOURCE_FOLDER "/demo/sounds/";

ShapeStop* shapeOf(Driver& d)
{
    d.goTo(Stop::shape);
    return static_cast<ShapeStop*>(d.window.stop(Stop::shape));
}

void type(QLineEdit* line, const QString& text)
{
    line->setText(text);
    QTest::keyClick(line, Qt::Key_Return);
}

} // namespace

TEST_CASE("slopes of the envelope are bent in the picture and straightened again", "[app][shape]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = shapeOf(d);
    d.session().editLayer("Longer", [](Layer& l) { l.envelope.attack = 0.8; });
    auto* picture = stop->picture();
    const QPointF middle = picture->geometryOfEnvelope().middleOf(EnvelopeSlope::attack);
    d.drag(picture, middle, {middle.x(), middle.y() - 60.0});
    CHECK_THAT(d.document().layers[0].envelope.attackCurve, WithinAbs(-0.5, 0.03));
    CHECK(d.document().layers[0].envelope.attack == 0.8);
    CHECK(d.session().history().undoName() == "Change attack's curve");
    const QPointF bent = picture->geometryOfEnvelope().middleOf(EnvelopeSlope::attack);
    QTest::mouseDClick(picture, Qt::LeftButton, {}, bent.toPoint());
    CHECK(d.document().layers[0].envelope.attackCurve == 0.0);
}

TEST_CASE("dragging the filter's handle where there is none begins a low one", "[app][shape]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* filter = shapeOf(d)->filter();
    const QPointF from = filter->handle();
    d.drag(filter, from, {from.x() - 0.4 * filter->width(), from.y() - 20.0});
    const Filter made = d.document().layers[0].filter;
    CHECK(made.kind == FilterKind::low);
    CHECK(made.hz < 2000.0);
    CHECK(made.resonance > 0.05);
    d.session().undo();
    CHECK(d.document().layers[0].filter == Filter());
}

TEST_CASE("movements are written, switched, changed and taken away", "[app][shape][movement]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* list = shapeOf(d)->movements();
    type(list->sentence(), "wheel cutoff 2 oct");
    REQUIRE(d.document().layers[0].movements.size() == 1);
    CHECK(d.document().layers[0].movements[0].on);
    CHECK(d.document().layers[0].filter.kind == FilterKind::low);
    CHECK(list->count() == 1);
    auto* on = list->row(0)->findChildren<QPushButton*>().first();
    CHECK(on->isChecked());
    QTest::mouseClick(on, Qt::LeftButton);
    CHECK_FALSE(d.document().layers[0].movements[0].on);
    auto* amount = list->row(0)->findChild<QLineEdit*>();
    CHECK(amount->text().contains("2.00 oct"));
    amount->setText("-1,5 oct");
    amount->setModified(true);
    QTest::keyClick(amount, Qt::Key_Return);
    CHECK(d.document().layers[0].movements[0].amount == -1.5);
    type(list->sentence(), "wheel nonsense");
    CHECK(d.document().layers[0].movements.size() == 1);
    QTest::keyClick(list->row(0), Qt::Key_Delete);
    CHECK(d.document().layers[0].movements.empty());
    for (int i = 0; i < 3; ++i)
        d.session().undo();
    CHECK(d.document().layers[0].movements[0].amount == 2.0);
}

TEST_CASE("a value that is touched learns the controller that moves", "[app][shape][movement]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = shapeOf(d);
    d.session().editLayer("Filter", [](Layer& l) { l.filter.kind = FilterKind::low; });
    QTest::mouseClick(stop->movements()->learnButton(), Qt::LeftButton);
    CHECK(stop->learns());
    d.window.activateWindow();
    for (auto* edit : stop->findChildren<QLineEdit*>())
        if (edit->accessibleName() == "Cutoff")
            edit->setFocus();
    d.send(MidiEvent::control(21, 64));
    for (int i = 0; i < 100 && d.document().layers[0].movements.empty(); ++i)
        d.hear(0.05);
    REQUIRE(d.document().layers[0].movements.size() == 1);
    const Movement learnt = d.document().layers[0].movements[0];
    CHECK(learnt.source == Source{SourceKind::controller, 21});
    CHECK(learnt.target == Target::cutoff);
    // Nothing jumped: the cutoff stands where it did.
    const Filter& filter = d.document().layers[0].filter;
    CHECK(filter.hz * std::exp2(learnt.amount * 64.0 / 127.0) == Approx(2000.0).epsilon(0.01));
    CHECK_FALSE(stop->movements()->learnButton()->isChecked());
}

TEST_CASE("ready shapes are one click and one step, and say what they did", "[app][shape]")
{
    Driver d;
    d.open(sounds + "buoy-bell.flac");
    auto* stop = shapeOf(d);
    const auto before = d.document();
    for (int i = 0; i < readyShapeCount; ++i) {
        d.click(stop, nameOf(ReadyShape(i)));
        bool said = false;
        for (auto* label : stop->findChildren<QLabel*>())
            said = said || label->text().startsWith(i < 5 ? "A " : "As recorded:");
        CHECK(said);
    }
    for (int i = 0; i < readyShapeCount; ++i)
        d.session().undo();
    CHECK(d.document() == before);
}

TEST_CASE("many takes are listened to beside the window, and only once", "[app][shape]")
{
    Driver d;
    d.open(sounds + "buoy-bell.flac");
    auto* stop = shapeOf(d);
    const auto before = d.document();
    auto& shaping = d.session().shaping();
    std::vector<QString> told;
    QObject::connect(&shaping, &Shaping::told, [&](const QString& text) { told.push_back(text); });
    shaping.give(ReadyShape::pad);
    CHECK(d.document() == before);
    // What is wished for meanwhile takes its place.
    shaping.give(ReadyShape::pluck);
    d.settle();
    REQUIRE(told.size() == 3);
    CHECK(told[1].startsWith("Listening"));
    CHECK(told[2].startsWith("A pluck"));
    CHECK(d.document().layers[0].envelope.sustainDb == silentSustainDb);
    // From here on it is known.
    shaping.give(ReadyShape::drone);
    CHECK(told.back().startsWith("A drone"));
    CHECK(d.document().layers[0].unison.voices == 3);
    d.session().undo();
    d.session().undo();
    CHECK(d.document() == before);
    // Another part of the recording is another sound.
    d.session().editTake("Cut", [](Take& take) { take.kept.end.value -= 1000; });
    shaping.give(ReadyShape::pad);
    CHECK(told.back().startsWith("Listening"));
    d.settle();
    CHECK(told.back().startsWith("A pad"));
    d.click(stop, "Find inner starts");
    CHECK(d.session().take()->hasInnerStart());
}

TEST_CASE("what is shaped may belong to all layers, and noises stay out of one and glide",
    "[app][shape][layers]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.session().edit("Layers", [](Instrument& next) {
        duplicateLayer(next, next.layers[0].id);
        duplicateLayer(next, next.layers[0].id);
        next.layers[2].follow = 0.0;
    });
    auto* stop = shapeOf(d);
    d.click(stop, "all layers");
    d.type(stop, "Attack", "120 ms");
    d.type(stop, "Glide", "80 ms");
    for (const auto& layer : d.document().layers) {
        CHECK(layer.envelope.attack == Approx(0.12));
        CHECK(layer.glide.seconds == Approx(layer.follow == 0.0 ? 0.0 : 0.08));
    }
    CHECK(d.session().history().undoName() == "Change glide");
}

TEST_CASE("the pattern is switched on, in time with a tapped tempo", "[app][shape][pattern]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto* stop = shapeOf(d);
    d.session().edit("Pattern", [](Instrument& next) {
        next.pattern.on = true;
        next.pattern.steps.resize(3);
    });
    d.type(stop, "Steps", "4");
    CHECK(d.document().pattern.steps.size() == 4);
    for (auto* button : stop->findChildren<QPushButton*>())
        if (button->text() == "2")
            button->click();
    CHECK_FALSE(d.document().pattern.steps[1].sounds);

    // Each step may sound some of the layers.
    d.session().edit("Layers", [](Instrument& next) {
        duplicateLayer(next, next.layers[0].id);
        duplicateLayer(next, next.layers[0].id);
        for (std::size_t i = 0; i < 3; ++i)
            next.layers[i].name = "Layer " + std::string(1, char('A' + i));
    });
    const auto tick = [&](const QString& layer) {
        for (auto* box : stop->findChildren<QCheckBox*>())
            if (box->accessibleName() == layer && !box->isHidden())
                return box->click();
        FAIL("no such layer");
    };
    const auto& layers = d.document().layers;
    const auto step = [&] { return d.document().pattern.steps[1]; };
    tick("Layer A");
    CHECK((step().sounds && step().layers == std::vector{layers[0].id}));
    tick("Layer C");
    CHECK(step().layers == std::vector{layers[0].id, layers[2].id});
    tick("Layer B"); // all of them, and those to come
    CHECK((step().sounds && step().layers.empty()));
    tick("Layer A");
    CHECK(step().layers == std::vector{layers[1].id, layers[2].id});
    tick("Layer B");
    tick("Layer C");
    CHECK_FALSE(step().sounds);
    QPushButton* tap = nullptr;
    for (auto* button : stop->findChildren<QPushButton*>())
        if (button->text() == "Tap tempo")
            tap = button;
    REQUIRE(tap != nullptr);
    // The waits of a busy machine are longer: what counts is when the taps were.
    std::vector<double> taps;
    QElapsedTimer clock;
    clock.start();
    for (int i = 0; i < 4; ++i) {
        QTest::qWait(300);
        taps.push_back(double(clock.nsecsElapsed()) * 1e-9);
        emit tap->pressed();
    }
    const double beats = 60.0 * 3.0 / (taps.back() - taps.front());
    CHECK_THAT(d.document().tempo, WithinRel(beats, 0.05));
}

TEST_CASE("a phrase plays round and round while hands are free", "[app][listening]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto& listening = d.session().listening();
    REQUIRE(listening.list().size() == 4);
    listening.play(3); // one long note
    CHECK_THAT(d.hearPitch(), WithinAbs(d.document().takes[0].tuning.rootKey, 0.1));
    CHECK(listening.plays());
    listening.stop();
    for (int i = 0; i < 100 && d.session().player().engine().look().voices > 0; ++i)
        d.hear(0.1);
    CHECK(d.session().player().engine().look().voices == 0);
    // A MIDI file joins the list; what is none is refused.
    const TemporaryFolder folder;
    const auto path = QString::fromStdString((folder / "two.mid").string());
    const auto bytes =
        encodeMidiFile({{0.0, MidiEvent::noteOn(60, 90)}, {0.5, MidiEvent::noteOff(60)}}, 120.0);
    QFile file(path);
    REQUIRE(file.open(QIODevice::WriteOnly));
    file.write(reinterpret_cast<const char*>(bytes.data()), qint64(bytes.size()));
    file.close();
    CHECK(listening.addFile(path) == 4);
    CHECK(listening.list()[4].beats == 4.0);
    CHECK(listening.list()[4].events[1].beat == Approx(1.0));
    CHECK(listening.addFile(path + ".gone") == -1);
}

TEST_CASE("what was played is saved as sound and notes, or becomes a take", "[app][played]")
{
    const TemporaryFolder folder;
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.pressKey(57);
    d.hear(0.6);
    d.releaseKey(57);
    d.hear(0.4);
    PlayedSheet sheet(d.session(), &d.window);
    REQUIRE(sheet.strip()->chosen().to > sheet.strip()->chosen().from);
    const auto path = [&](const char* name) {
        return QString::fromStdString((folder / name).string());
    };
    const auto said = [&] {
        d.settle();
        return d.window.messages()->text().toStdString();
    };
    sheet.save(path("a.wav"));
    CHECK_THAT(said(), Contains("a.wav is written"));
    sheet.save(path("a.flac"));
    CHECK_THAT(said(), Contains("a.flac is written"));
    sheet.saveNotes(path("a.mid"));
    CHECK_THAT(said(), Contains("a.mid is written"));
    sheet.save(path("no/such/a.wav"));
    CHECK_THAT(said(), !Contains("is written"));
    CHECK(d.window.messages()->tells()); // it stays until it is closed
    const auto wav = openRecording((folder / "a.wav").string());
    const auto flac = openRecording((folder / "a.flac").string());
    REQUIRE(wav);
    REQUIRE(flac);
    CHECK((*wav)->audio->frames() == (*flac)->audio->frames());
    const auto notes = readMidiFile(folder / "a.mid");
    REQUIRE(notes);
    CHECK(notes->front().event.key == 57);
    // The device may go while the sheet is open: what is on it stays.
    d.session().player().useOutput(simulatedId);
    sheet.save(path("b.wav"));
    CHECK_THAT(said(), Contains("b.wav is written"));
    CHECK(
        (*openRecording((folder / "b.wav").string()))->audio->frames() == (*wav)->audio->frames());
    sheet.makeTake();
    for (int i = 0; i < 300 && d.document().takes.size() < 2; ++i)
        d.hear(0.1);
    CHECK(d.document().takes.size() == 2);
}
