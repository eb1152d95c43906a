// SPDX-License-Identifier: GPL-3.0-or-later
// Many takes: split from one recording, added from files, chosen in the list.
#include "support/driver.h"

#include <catch2/catch.hpp>
#include <fstream>

using namespace probe;
using Catch::Matchers::Contains;
using Catch::Matchers::WithinAbs;

namespace {

const std::string sounds = std::string(DEMO_FOLDER) + "/sounds/";

} // namespace

TEST_CASE(
    "one recording of six bottles becomes six takes, each in tune on its own keys", "[app][split]")
{
    Driver d;
    d.drop(sounds + "bottles.flac");
    const auto before = d.document();
    auto* sound = d.window.stop(Stop::sound);
    d.click(sound, "Find notes");
    REQUIRE(d.session().splitting().proposal());
    CHECK(d.session().splitting().proposal()->pieces.size() == 6);
    CHECK(d.document() == before); // only shown so far

    // A border is moved, a piece left out.
    auto* wave = static_cast<SoundStop*>(sound)->wave();
    const auto first = d.session().splitting().proposal()->pieces[0].span;
    d.dragHandle(wave, double(first.end.value), double(first.end.value) - 6000.0, false);
    CHECK(d.session().splitting().proposal()->pieces[0].span.end.value < first.end.value - 3000);
    const auto& g = wave->geometryOfWave();
    const auto last = d.session().splitting().proposal()->pieces[5].span;
    QTest::mouseDClick(wave, Qt::LeftButton, {},
        QPointF(g.xOf(double(last.start.value + last.end.value) / 2.0), g.area.center().y())
            .toPoint());
    CHECK(d.session().splitting().proposal()->pieces[5].sliver);
    d.click(sound, "Make 5 takes");

    REQUIRE(d.document().takes.size() == 5);
    const int roots[] = {60, 62, 64, 65, 67};
    for (std::size_t i = 0; i < 5; ++i) {
        CHECK(d.document().takes[i].tuning.rootKey == roots[i]);
        CHECK(d.document().takes[i].recording == d.document().takes[0].recording);
    }
    REQUIRE(d.window.takes()->isVisible());
    QTest::mouseClick(
        d.window.takes(), Qt::LeftButton, {}, d.window.takes()->rowRect(2).center().toPoint());
    CHECK(d.take().tuning.rootKey == 64);
    d.settle();
    // The take is in view, not the whole recording; and what was zoomed to stays while it is shown.
    const auto shows = [&](const Take& take) {
        const double part = double(take.kept.length()) / (g.lastFrame() - g.firstFrame);
        return g.firstFrame < double(take.kept.start.value)
            && g.lastFrame() > double(take.kept.end.value) && part > 0.6;
    };
    CHECK(shows(d.take()));
    wave->zoom(0.5);
    const double near = g.framesPerPixel;
    d.session().edit("Rename", [&](Instrument& i) { i.takes[2].name = "third"; });
    CHECK(g.framesPerPixel == near);
    d.shortcut(Qt::Key_Z, Qt::ControlModifier);
    CHECK(g.framesPerPixel == near);
    CHECK(d.window.messages()->text() == "Undone: Rename.");
    QTest::mouseClick(
        d.window.takes(), Qt::LeftButton, {}, d.window.takes()->rowRect(0).center().toPoint());
    CHECK(shows(d.take()));
    for (const int key : {60, 64, 67}) {
        d.pressKey(key);
        d.hear(0.15);
        CHECK_THAT(d.hearPitch(), WithinAbs(double(key), 0.05));
        d.releaseKey(key);
        d.hear(0.3);
    }
    d.window.takes()->setFocus();
    QTest::keyClick(d.window.takes(), Qt::Key_Delete);
    CHECK(d.document().takes.size() == 4);
    d.shortcut(Qt::Key_Z, Qt::ControlModifier);
    d.shortcut(Qt::Key_Z, Qt::ControlModifier);
    CHECK(d.document() == before);
    CHECK_FALSE(d.window.takes()->isVisible());
}

TEST_CASE(
    "takes that nobody has listened to are listened to, and not called unpitched", "[app][takes]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.session().edit("Twice", [](Instrument& i) {
        addTakes(i, {i.takes.front()});
        for (Take& take : i.takes) {
            take.facts.forget();
            take.tuning.source = TuningSource::proposed;
        }
    });
    for (const auto& take : d.document().takes)
        CHECK_FALSE(take.lacksPitch()); // nobody knows
    d.settle();
    for (const auto& take : d.document().takes) {
        CHECK(take.facts.known());
        CHECK(take.facts->pitch.verdict != PitchVerdict::none);
    }
}

TEST_CASE("a recording of several notes is noticed, and one click shows the split", "[app][split]")
{
    Driver d;
    d.drop(sounds + "bottles.flac");
    auto* path = d.window.path();
    const auto reading = [&] {
        return readingOf(Stop::sound, d.document(), d.session().take(), {},
            {std::nullopt, d.session().splitting().notesInside()});
    };
    CHECK(d.session().splitting().notesInside() == 6);
    CHECK_THAT(reading().text, Contains("6 notes"));
    CHECK_FALSE(reading().concern.empty());
    const auto before = d.document();

    SECTION("from any stop, by the words under Sound")
    {
        d.goTo(Stop::loop);
        CHECK_FALSE(d.session().splitting().proposal());
        QTest::mouseClick(path, Qt::LeftButton, {}, path->readingOf(Stop::sound).toPoint());
        REQUIRE(d.session().splitting().proposal());
        CHECK(path->current() == Stop::sound);
        CHECK(wantedNotes(*d.session().splitting().proposal()) == 6);
        CHECK(d.document() == before);
        d.click(d.window.stop(Stop::sound), "Make 6 takes");
        CHECK(d.document().takes.size() == 6);
        CHECK(d.session().splitting().notesInside() == 1); // that is answered
    }
    SECTION("by the button below the wave, and treated meanwhile")
    {
        static_cast<SoundStop*>(d.window.stop(Stop::sound))->treatments()->add(Level{});
        d.settle();
        d.click(d.window.stop(Stop::sound), "Show the split");
        REQUIRE(d.session().splitting().proposal());
        CHECK(wantedNotes(*d.session().splitting().proposal()) == 6);
        // What decides about it has come into view.
        int seen = 0;
        for (auto* button : d.window.stop(Stop::sound)->findChildren<QPushButton*>())
            if (button->text() == "Find notes")
                seen = button->height() - button->visibleRegion().boundingRect().height() + 1;
        CHECK(seen == 1); // all of it
        d.click(d.window.stop(Stop::sound), "Do not split");
        CHECK_FALSE(d.session().splitting().proposal());
        CHECK(d.session().splitting().notesInside() == 1);
    }
    SECTION("kept as one, it is not asked again")
    {
        d.click(d.window.stop(Stop::sound), "Keep it as one");
        CHECK(d.session().splitting().notesInside() == 1);
        CHECK(reading().concern.empty());
        CHECK(d.document() == before);
    }
    SECTION("what is set for it says nothing of another recording")
    {
        auto* stop = d.window.stop(Stop::sound);
        const auto shown = [&](const QString& field) {
            for (auto* edit : stop->findChildren<QLineEdit*>())
                if (edit->accessibleName() == field)
                    return edit->isVisibleTo(stop) ? edit->text() : QString();
            return QString("no such field");
        };
        const auto usual = shown("Shortest");
        d.type(stop, "Shortest", "2 s");
        d.type(stop, "Quiet line", "-30");
        d.choose(stop, "Named by", "a row of notes");
        CHECK(shown("Shortest") != usual);
        CHECK(shown("First note") != "");
        d.open(sounds + "fog-horn.flac");
        d.goTo(Stop::sound);
        CHECK(shown("Shortest") == usual);
        CHECK_FALSE(shown("Quiet line").contains("30"));
        CHECK(shown("First note") == "");
    }
}

TEST_CASE("names that say other notes than are heard are offered to be compared", "[app][keys]")
{
    const TemporaryFolder folder;
    const auto tone = [&](const std::string& name, double midi) {
        const auto path = folder / name;
        REQUIRE(writeWav(
            path, mono(harmonicTone(hzOf(midi).value, 48000.0, 1.5)), SampleFormat::int16));
        return QString::fromStdString(path.string());
    };
    const QStringList files{tone("pipe A3.wav", 57.0), tone("pipe C4.wav", 60.0),
        tone("pipe E4.wav", 65.0), tone("pipe.wav", 69.0)};
    Driver d;
    d.session().opening().openTogether({files[0], files[1], files[3]});
    d.settle();
    CHECK(d.window.offers()->text().isEmpty());
    d.session().opening().openTogether(files);
    d.settle();
    REQUIRE(d.document().takes.size() == 4);
    CHECK(d.window.offers()->text().contains("1 of 4"));
    // What is undone is compared with nothing.
    d.session().undo();
    CHECK(d.window.offers()->text().isEmpty());
    d.session().opening().openTogether(files);
    d.settle();
    d.click(d.window.offers(), "Compare…");
    auto* keys = static_cast<KeysStop*>(d.window.stop(Stop::keys));
    CHECK(keys->layOutPanel()->isVisible());
    CHECK(d.window.offers()->text().isEmpty());
}

TEST_CASE("files name the empty layer that they join; takes stand by pitch, the shown one in view",
    "[app][takes]")
{
    const TemporaryFolder folder;
    QStringList files;
    for (const int midi : {72, 60, 67, 48, 55, 50, 64, 62, 53, 57, 69, 65}) {
        const auto path = folder / ("pipe " + std::to_string(midi) + ".wav");
        REQUIRE(writeWav(
            path, mono(harmonicTone(hzOf(double(midi)).value, 48000.0, 0.6)), SampleFormat::int16));
        files << QString::fromStdString(path.string());
    }
    Driver d;
    d.open(sounds + "fog-horn.flac");
    d.session().edit("Add layer", [](Instrument& next) { addLayer(next); });
    const auto second = d.document().layers[1].id;
    d.session().showLayer(second);
    d.session().opening().addFiles(files, second);
    d.settle();
    CHECK(d.take().name == "pipe 72"); // the first of a layer is what one goes on with
    CHECK(d.document().layers[1].name == "Pipe");
    CHECK(d.document().layers[0].name == "Layer 1");
    auto* list = d.window.takes();
    const auto rowOf = [&](int midi) {
        for (const auto& take : d.document().takes)
            if (take.name == "pipe " + std::to_string(midi))
                d.session().showTake(take.id);
        d.settle();
        return list->shownRow();
    };
    CHECK(rowOf(48) == 1);
    CHECK(rowOf(72) == 12);
    const auto seen = [&] {
        QTest::qWait(100); // layouts first
        const auto row = list->rowRect(*list->shownRow()).toAlignedRect();
        return list->visibleRegion().contains(row.center());
    };
    CHECK(seen());
    list->setFocus();
    for (int i = 0; i < 11; ++i)
        QTest::keyClick(list, Qt::Key_Up);
    d.settle();
    CHECK(d.take().name == "pipe 48");
    CHECK(seen());
    // Where it is shaped, its layer comes along; where takes are laid on keys, it does not.
    CHECK(d.session().layer().id == second);
    const auto clickFirst = [&] {
        QTest::mouseClick(list, Qt::LeftButton, {}, list->rowRect(0).center().toPoint());
    };
    d.goTo(Stop::keys);
    clickFirst();
    CHECK(d.take().name == "fog horn");
    CHECK(d.session().layer().id == second);
    d.goTo(Stop::shape);
    clickFirst();
    CHECK(d.session().layer().id == d.document().layers[0].id);
    // A name of one's own stays.
    d.session().edit("Bells", [&](Instrument& next) {
        next.layer(second)->name = "Bells";
        next.layer(second)->zones.clear();
    });
    d.session().opening().addFiles({files[0]}, second);
    d.settle();
    CHECK(d.document().layers[1].name == "Bells");
}

TEST_CASE("a noise alone in a layer does not follow the keys", "[app][takes]")
{
    const TemporaryFolder folder;
    const auto written = [&](const char* name, const std::vector<float>& wave) {
        const auto path = folder / name;
        REQUIRE(writeWav(path, mono(wave), SampleFormat::int16));
        return QString::fromStdString(path.string());
    };
    const auto lid = written("lid 2.wav", decaying(noise(48000.0, 0.5), 48000.0, 0.2));
    const auto pipe = written("pipe.wav", harmonicTone(220.0, 48000.0, 0.8));
    Driver d;
    d.open(sounds + "fog-horn.flac");
    const auto layer = [&]() -> const Layer& { return d.document().layers[1]; };
    d.session().edit("Add layer", [](Instrument& next) { addLayer(next); });
    const auto added = d.document();
    const auto add = [&](const QStringList& files) {
        d.session().opening().addFiles(files, layer().id);
        d.settle();
    };
    add({lid});
    CHECK(layer().name == "Lid");
    CHECK(layer().follow == 0.0);
    CHECK(d.window.messages()->text().contains("no clear pitch"));
    d.session().undo(); // one step
    CHECK(d.document() == added);
    SECTION("nor where a file beside it could not be opened")
    {
        add({lid, lid + "nowhere"});
        CHECK(layer().zones.size() == 1);
        CHECK(layer().follow == 0.0);
        CHECK(d.window.messages()->text().contains("could not be opened"));
    }
    SECTION("a note beside it does")
    {
        add({lid, pipe});
        CHECK(layer().follow == 1.0);
    }
    SECTION("one that joins notes does")
    {
        add({pipe});
        add({lid});
        CHECK(layer().follow == 1.0);
    }
    SECTION("the first layer does: a hit is played over the keys")
    {
        d.session().clear();
        d.session().opening().addFiles({lid});
        d.settle();
        CHECK(d.document().layers[0].follow == 1.0);
        CHECK(d.window.messages()->text() == "1 take is on the keys.");
    }
}

TEST_CASE("takes of one root that come together take turns", "[app][takes]")
{
    const TemporaryFolder folder;
    QStringList knocks;
    for (int i = 1; i <= 3; ++i) {
        const auto path = folder / ("knock " + std::to_string(i) + ".wav");
        REQUIRE(
            writeWav(path, mono(harmonicTone(110.0 + 0.1 * i, 48000.0, 0.6)), SampleFormat::int16));
        knocks << QString::fromStdString(path.string());
    }
    Driver d;
    SECTION("in a layer of their own, in one step")
    {
        d.open(sounds + "fog-horn.flac");
        d.session().edit("Add layer", [](Instrument& next) { addLayer(next); });
        const auto added = d.document();
        const auto layer = added.layers[1].id;
        d.session().opening().addFiles(knocks, layer);
        d.settle();
        CHECK(d.document().layers[1].zones.size() == 3);
        CHECK(d.document().layers[1].sameKeys == SameKeys::inTurn);
        CHECK(d.window.messages()->text().contains("turn"));
        d.session().undo();
        CHECK(d.document() == added);
    }
    SECTION("as a new instrument")
    {
        d.session().opening().openTogether(knocks);
        d.settle();
        CHECK(d.document().layers[0].sameKeys == SameKeys::inTurn);
    }
    SECTION("but not among those that are there: how they sound was decided")
    {
        d.open(knocks[0].toStdString());
        d.session().opening().addFiles({knocks[1], knocks[2]});
        d.settle();
        CHECK(d.document().layers[0].sameKeys == SameKeys::together);
    }
}

TEST_CASE("what becomes of noises among notes is asked once", "[app][takes]")
{
    const TemporaryFolder folder;
    const auto written = [&](const char* name, const std::vector<float>& wave) {
        const auto path = folder / name;
        REQUIRE(writeWav(path, mono(wave), SampleFormat::int16));
        return QString::fromStdString(path.string());
    };
    const auto lid = written("lid.wav", decaying(noise(48000.0, 0.5), 48000.0, 0.2));
    const auto creak = written("creak.wav", decaying(noise(48000.0, 0.8, 0.2, 7), 48000.0, 0.4));
    const auto pipe = written("pipe.wav", harmonicTone(220.0, 48000.0, 0.8));
    Driver d;
    SECTION("a key each")
    {
        d.session().opening().openTogether({lid, pipe, creak});
        d.settle();
        REQUIRE(d.window.offers()->text().contains("2 of 3 takes are drums or noises"));
        d.click(d.window.offers(), "A key each");
        d.settle();
        REQUIRE(d.document().layers.size() == 2);
        const Layer& row = d.document().layers[1];
        CHECK(row.follow == 0.0);
        REQUIRE(row.zones.size() == 2);
        CHECK(row.zones[0].lowKey == row.zones[0].highKey);
        CHECK(row.zones[1].lowKey == row.zones[0].lowKey + 1);
        CHECK(d.window.offers()->text().isEmpty());
    }
    SECTION("in turn")
    {
        d.session().opening().openTogether({lid, pipe, creak});
        d.settle();
        d.click(d.window.offers(), "In turn");
        d.settle();
        REQUIRE(d.document().layers.size() == 2);
        CHECK(d.document().layers[1].sameKeys == SameKeys::inTurn);
    }
    SECTION("not where a layer holds nothing else")
    {
        d.open(sounds + "fog-horn.flac");
        d.session().edit("Add layer", [](Instrument& next) { addLayer(next); });
        d.session().opening().addFiles({lid, creak}, d.document().layers[1].id);
        d.settle();
        const Layer& own = d.document().layers[1];
        CHECK(own.follow == 0.0);
        CHECK(own.sameKeys == SameKeys::inTurn);
        REQUIRE(own.zones.size() == 2);
        CHECK(own.zones[1].lowKey == 0);
        CHECK(own.zones[1].highKey == 127);
        CHECK(d.window.offers()->text().isEmpty());
    }
}

TEST_CASE("a single note raises no question", "[app][split]")
{
    Driver d;
    for (const char* name : {"fog-horn", "keepers-hum", "buoy-bell", "mooring-post"}) {
        d.open(sounds + name + ".flac");
        CAPTURE(name);
        CHECK(d.session().splitting().notesInside() == 1);
    }
}

TEST_CASE(
    "several files join the takes; the bad ones are listed, the others go on", "[app][bad-input]")
{
    const TemporaryFolder folder;
    std::ofstream(folder / "letter.wav") << "Dear keeper";
    Driver d;
    d.session().opening().addFiles({QString::fromStdString(sounds + "fog-horn.flac"),
        QString::fromStdString((folder / "letter.wav").string()),
        QString::fromStdString(sounds + "keepers-hum.flac"),
        QString::fromStdString((folder / "gone.wav").string())});
    d.settle();
    CHECK(d.document().takes.size() == 2);
    const auto message = d.window.messages()->text().toStdString();
    CHECK_THAT(message, Contains("2 files could not be opened"));
    const auto& reasons = d.window.messages()->details();
    REQUIRE(reasons.size() == 2);
    CHECK_THAT(reasons[0].toStdString(), Contains("letter.wav"));
    CHECK_THAT(reasons[1].toStdString(), Contains("gone.wav"));
    CHECK(d.document().layers[0].zones[0].highKey + 1 == d.document().layers[0].zones[1].lowKey);
    // Editing is about the take on screen.
    d.session().showTake(2);
    d.goTo(Stop::keys);
    d.type(d.window.stop(Stop::keys), "Highest key", "C7");
    CHECK(d.document().layers[0].zones[1].highKey == 96);
    CHECK(d.document().layers[0].zones[0].highKey == 50);
}

TEST_CASE("a take that is dragged out is written beside the window, and anew after a change",
    "[app][takes]")
{
    Driver d;
    d.open(sounds + "fog-horn.flac");
    auto& out = d.window.takeDrag();
    QStringList told;
    QObject::connect(
        &d.session(), &Session::message, [&](const QString& sentence) { told << sentence; });
    CHECK(out.fileOf(d.take()).isEmpty());
    out.begin(d.take().id);
    CHECK(out.fileOf(d.take()).isEmpty());
    d.settle();
    // The hand that is not there has let go: the next drag has its file at once.
    const auto file = out.fileOf(d.take());
    REQUIRE_FALSE(file.isEmpty());
    REQUIRE_FALSE(told.isEmpty());
    CHECK(told.last().contains("once more"));
    const auto written = openRecording(file.toStdString());
    REQUIRE(written);
    // Nothing of it is missing up to the end of its loop.
    CHECK((*written)->audio->frames() >= d.take().loop.span.end.value - d.take().kept.start.value);

    d.session().editTake("Tune", [](Take& take) { take.tuning.rootKey += 1; });
    CHECK(out.fileOf(d.take()).isEmpty());
    out.begin(d.take().id);
    d.settle();
    CHECK_FALSE(out.fileOf(d.take()).isEmpty());
    out.begin(TakeId{99}); // which is gone
    d.settle();
}
