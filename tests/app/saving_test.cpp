// SPDX-License-Identifier: GPL-3.0-or-later
// Nothing may be lost: files and the documents that belong to them, closing, recovery.
#include "support/driver.h"

#include "formats/journal/journal.h"

#include <QProcess>
#include <QProcessEnvironment>
#include <catch2/catch.hpp>
#include <csignal>

using namespace probe;
using Catch::Matchers::Contains;

namespace {

const std::string sounds = std::string(DEMO_FOLDER) + "/sounds/";

/// A small instrument in a file of its own.
Instrument written(const std::filesystem::path& file, const std::string& name, double hz)
{
    auto instrument = instrumentOf(looped(
        plainTake(mono(harmonicTone(hz, 48000.0, 0.5)), midiOf(Hz{hz}), name), 4000, 20000, 500));
    instrument.name = name;
    REQUIRE(writeInstrument(instrument, file));
    return instrument;
}

Instrument inFile(const std::filesystem::path& file)
{
    const auto read = openInstrument(file);
    REQUIRE(read);
    return *read;
}

void edit(Driver& d, double attack)
{
    d.session().edit("Change attack", [&](Instrument& i) { i.layers[0].envelope.attack = attack; });
}

QString text(const std::filesystem::path& path)
{
    return QString::fromStdString(path.string());
}

} // namespace

TEST_CASE("undo after opening saves into the file of what is on screen", "[app][saving]")
{
    const TemporaryFolder folder;
    const auto a = written(folder / "a.puretone", "A", 220.0);
    const auto b = written(folder / "b.puretone", "B", 330.0);
    Driver d;
    d.open((folder / "a.puretone").string());
    d.open((folder / "b.puretone").string());
    d.shortcut(Qt::Key_Z, Qt::ControlModifier);
    CHECK(d.document() == a);
    CHECK(d.session().path() == text(folder / "a.puretone"));
    CHECK(d.session().history().isSaved());
    edit(d, 0.5);
    d.shortcut(Qt::Key_S, Qt::ControlModifier);
    d.settle();
    CHECK(inFile(folder / "b.puretone") == b);
    CHECK(inFile(folder / "a.puretone") == d.document());
}

TEST_CASE("a save that ends after another file was opened does not take its place", "[app][saving]")
{
    const TemporaryFolder folder;
    written(folder / "a.puretone", "A", 220.0);
    const auto b = written(folder / "b.puretone", "B", 330.0);
    Driver d;
    d.open((folder / "a.puretone").string());
    edit(d, 0.4);
    const auto editedA = d.document();
    // Both at once: the save is under way while B is being opened.
    d.session().saving().save(text(folder / "a.puretone"));
    d.session().opening().open(text(folder / "b.puretone"));
    d.settle();
    REQUIRE(d.document() == b);
    CHECK(d.session().path() == text(folder / "b.puretone"));
    edit(d, 0.9);
    d.shortcut(Qt::Key_S, Qt::ControlModifier);
    d.settle();
    CHECK(inFile(folder / "a.puretone") == editedA);
    CHECK(inFile(folder / "b.puretone") == d.document());
}

TEST_CASE("two saves at once are two saves", "[app][saving]")
{
    const TemporaryFolder folder;
    Driver d;
    d.open(sounds + "fog-horn.flac");
    for (int i = 0; i < 4; ++i) {
        edit(d, 0.1 * (i + 1));
        d.session().saving().save(text(folder / (std::to_string(i) + ".puretone")));
    }
    d.settle();
    for (int i = 0; i < 4; ++i)
        CHECK(inFile(folder / (std::to_string(i) + ".puretone")).layers[0].envelope.attack
            == Approx(0.1 * (i + 1)));
    CHECK(d.session().history().isSaved());
}

TEST_CASE("undoing while a save runs leaves the step unsaved", "[app][saving]")
{
    const TemporaryFolder folder;
    written(folder / "a.puretone", "A", 220.0);
    Driver d;
    d.open((folder / "a.puretone").string());
    edit(d, 0.4);
    d.session().saving().save(text(folder / "a.puretone"));
    d.session().undo();
    d.settle();
    CHECK_FALSE(d.session().history().isSaved());
    d.session().redo();
    CHECK(d.session().history().isSaved());
}

TEST_CASE("closing asks for every document that undo could reach", "[app][saving]")
{
    const TemporaryFolder folder;
    const auto a = written(folder / "a.puretone", "A", 220.0);
    written(folder / "b.puretone", "B", 330.0);
    Driver d;
    d.open((folder / "a.puretone").string());
    edit(d, 0.4);
    const auto editedA = d.document();

    SECTION("another file was opened")
    {
        d.open((folder / "b.puretone").string());
    }
    SECTION("a new instrument was begun")
    {
        d.shortcut(Qt::Key_N, Qt::ControlModifier);
    }
    d.answer("Go back");
    CHECK_FALSE(d.window.close());
    CHECK(d.window.isVisible());
    CHECK(inFile(folder / "a.puretone") == a);
    d.answer("Save");
    CHECK(d.window.close());
    CHECK(d.answered == 2);
    CHECK(inFile(folder / "a.puretone") == editedA);
}

TEST_CASE("closing asks once for each, and nothing where all is saved", "[app][saving]")
{
    const TemporaryFolder folder;
    const auto a = written(folder / "a.puretone", "A", 220.0);
    const auto b = written(folder / "b.puretone", "B", 330.0);
    Driver d;
    d.open((folder / "a.puretone").string());
    d.open((folder / "b.puretone").string());
    SECTION("nothing to ask")
    {
        CHECK(d.window.close());
        CHECK(d.answered == 0);
    }
    SECTION("two edited documents")
    {
        edit(d, 0.3);
        d.open((folder / "a.puretone").string());
        edit(d, 0.7);
        d.answer("Do not save");
        QTimer::singleShot(300, [&] { d.answer("Do not save"); });
        CHECK(d.window.close());
        CHECK(d.answered == 2);
        CHECK(inFile(folder / "a.puretone") == a);
        CHECK(inFile(folder / "b.puretone") == b);
    }
}

TEST_CASE("an export over the file of a document is a save of what was exported", "[app][saving]")
{
    const TemporaryFolder folder;
    written(folder / "a.puretone", "A", 220.0);
    written(folder / "b.puretone", "B", 330.0);
    Driver d;
    d.open((folder / "b.puretone").string());
    const auto b = d.session().version();
    d.open((folder / "a.puretone").string());
    edit(d, 0.4);
    d.session().saving().wasWritten(d.session().version(), text(folder / "a.puretone"));
    CHECK(d.session().history().isSaved());
    d.session().saving().wasWritten(d.session().version(), text(folder / "b.puretone"));
    CHECK(d.session().history().isSaved());
    d.session().undo();
    d.session().undo();
    REQUIRE(d.document() == b.value);
    CHECK_FALSE(d.session().history().isSaved());
}

TEST_CASE("a document without a file gets the one that it is exported to", "[app][saving]")
{
    const TemporaryFolder folder;
    Driver d;
    d.open(sounds + "fog-horn.flac");
    REQUIRE(d.session().path().isEmpty());
    d.goTo(Stop::write);
    d.session().exporting().setFolder(QString::fromStdString(folder.path().string()));
    d.session().exporting().write();
    d.settle();
    const auto path = text(folder / "Fog horn.puretone");
    CHECK(d.session().path() == path);
    CHECK(d.session().history().isSaved());
    // Another folder later holds a copy: the file stays where it was.
    std::filesystem::create_directory(folder / "copy");
    d.session().exporting().setFolder(text(folder / "copy"));
    d.session().exporting().write();
    d.settle();
    CHECK(std::filesystem::exists(folder / "copy" / "Fog horn.puretone"));
    CHECK(d.session().path() == path);
    CHECK(d.session().history().isSaved());
}

TEST_CASE("kill -9 loses next to nothing: what was there is offered at the next start",
    "[app][saving][recovery]")
{
    const TemporaryFolder folder;
    QProcess program;
    auto environment = QProcessEnvironment::systemEnvironment();
    for (const char* name : {"XDG_DATA_HOME", "XDG_CONFIG_HOME", "XDG_STATE_HOME", "HOME"})
        environment.insert(QString::fromLatin1(name), text(folder.path()));
    environment.insert("QT_QPA_PLATFORM", "offscreen");
    program.setProcessEnvironment(environment);
    // A recording that was just opened is an instrument that nobody has saved.
    program.start(QString::fromLatin1(PROGRAM_FOLDER) + "/puretone",
        {"--output", "simulated", QString::fromStdString(sounds + "keepers-hum.flac")});
    REQUIRE(program.waitForStarted());
    const auto root = folder / "puretone/journal";
    const auto kept = [&] {
        std::error_code none;
        for (const auto& entry : std::filesystem::recursive_directory_iterator(root, none))
            if (entry.path().filename() == "journal")
                return true;
        return false;
    };
    for (int i = 0; i < 300 && !kept(); ++i)
        QTest::qWait(50);
    REQUIRE(kept());
    CHECK(leftBehind(root).work.empty()); // it lives
    program.kill();
    program.waitForFinished();
    CHECK(program.exitStatus() == QProcess::CrashExit);
    auto left = leftBehind(root).work;
    REQUIRE(left.size() == 1);
    Driver d;
    d.session().saving().recover(std::make_shared<const LeftBehind>(std::move(left[0])));
    d.settle();
    REQUIRE(d.session().take() != nullptr);
    CHECK(d.take().name == "keepers hum");
    CHECK(d.take().loop.on);
    CHECK_FALSE(d.session().history().isSaved());
    // It goes only when there is a copy of ours.
    for (int i = 0; i < 100 && !std::filesystem::is_empty(root); ++i)
        QTest::qWait(50);
    CHECK(std::filesystem::is_empty(root));
}

TEST_CASE("the version before stands beside the file, and opens under a name to be chosen",
    "[app][saving]")
{
    const TemporaryFolder folder;
    const auto file = folder / "a.puretone";
    const auto first = written(file, "A", 220.0);
    CHECK_FALSE(std::filesystem::exists(formerOf(file)));
    Driver d;
    d.open(file.string());
    edit(d, 0.4);
    d.shortcut(Qt::Key_S, Qt::ControlModifier);
    d.settle();
    CHECK(inFile(formerOf(file)) == first);
    edit(d, 0.5);
    d.shortcut(Qt::Key_S, Qt::ControlModifier);
    d.settle();
    CHECK(inFile(formerOf(file)).layers[0].envelope.attack == 0.4);
    d.open(formerOf(file).string());
    CHECK(d.document().layers[0].envelope.attack == 0.4);
    CHECK(d.session().path().isEmpty());
    // A damaged file names it.
    std::filesystem::resize_file(file, std::filesystem::file_size(file) / 2);
    const auto opened = openInstrument(file);
    REQUIRE_FALSE(opened);
    CHECK_THAT(opened.error().hint, Contains("a.puretone~"));
}

TEST_CASE("a file that somebody else has written is not replaced unasked", "[app][saving]")
{
    const TemporaryFolder folder;
    const auto file = folder / "a.puretone";
    written(file, "A", 220.0);
    Driver d;
    d.open(file.string());
    edit(d, 0.4);
    const auto other = written(file, "other", 330.0);
    d.answer("Keep it");
    d.shortcut(Qt::Key_S, Qt::ControlModifier);
    d.settle();
    CHECK(d.answered == 1);
    CHECK(inFile(file) == other);
    CHECK_FALSE(d.session().history().isSaved());
    d.answer("Replace");
    d.shortcut(Qt::Key_S, Qt::ControlModifier);
    d.settle();
    CHECK(inFile(file) == d.document());
    CHECK(inFile(formerOf(file)) == other);
    // What was saved here is ours: nothing is asked.
    edit(d, 0.6);
    d.shortcut(Qt::Key_S, Qt::ControlModifier);
    d.settle();
    CHECK(d.answered == 2);
    CHECK(inFile(file) == d.document());
    // Nor where it is written with others; but what somebody else has put there is in the way.
    d.session().edit("Rename", [](Instrument& next) { next.name = "a"; });
    d.session().exporting().setFolder(QString::fromStdString(folder.path().string()));
    REQUIRE(d.session().exporting().pathOf(Product::project) == file);
    CHECK(d.session().exporting().inTheWay().isEmpty());
    written(file, "other", 440.0);
    CHECK(d.session().exporting().inTheWay() == QStringList{"a.puretone"});
}

TEST_CASE("a second window on one file is told", "[app][saving]")
{
    const TemporaryFolder folder;
    const auto file = folder / "a.puretone";
    written(file, "A", 220.0);
    Driver first;
    first.open(file.string());
    CHECK_FALSE(first.window.messages()->text().contains("another window"));
    {
        Driver second;
        second.open(file.string());
        CHECK(second.window.messages()->text().contains("a.puretone is open in another window"));
    }
    // Once the first is gone, nothing is told.
    first.open(file.string());
    CHECK_FALSE(first.window.messages()->text().contains("another window"));
}

TEST_CASE("an offer stands whatever else is said, until it is taken up, refused or put off",
    "[app][saving][recovery]")
{
    Driver d;
    int taken = 0, refused = 0;
    const auto offer = [&](const QString& sentence) {
        d.window.offers()->add(
            {sentence, "Open", [&] { ++taken; }, "Throw away", [&] { ++refused; }});
    };
    offer("first");
    offer("second");
    offer("third");
    CHECK(d.window.offers()->isVisible());
    d.open(sounds + "fog-horn.flac");
    d.session().say("Something else went wrong.");
    CHECK(d.window.offers()->text() == "first");
    d.click(d.window.offers(), "Open");
    CHECK(d.window.offers()->text() == "second");
    d.click(d.window.offers(), "Throw away");
    CHECK(d.window.offers()->text() == "third");
    d.click(d.window.offers(), "Later");
    CHECK_FALSE(d.window.offers()->isVisible());
    CHECK(taken == 1);
    CHECK(refused == 1);
}

TEST_CASE("several files that the program is given become takes of one instrument", "[app]")
{
    Driver d;
    d.window.openFiles({QString::fromStdString(sounds + "fog-horn.flac"),
        QString::fromStdString(sounds + "keepers-hum.flac"),
        QString::fromStdString(sounds + "buoy-bell.flac")});
    d.settle();
    CHECK(d.document().takes.size() == 3);
    CHECK(d.document().name == "Fog horn"); // they share no word
    // Those that do are called by it.
    const TemporaryFolder folder;
    for (const char* name : {"bell_A3.flac", "bell_C4.flac"})
        std::filesystem::copy_file(sounds + "buoy-bell.flac", folder / name);
    Driver bells;
    bells.window.openFiles({text(folder / "bell_A3.flac"), text(folder / "bell_C4.flac")});
    bells.settle();
    CHECK(bells.document().name == "Bell");
}

TEST_CASE("an instrument among them is opened first, and what cannot join is named", "[app]")
{
    const TemporaryFolder folder;
    written(folder / "a.puretone", "A", 220.0);
    written(folder / "b.puretone", "B", 330.0);
    Driver d;
    d.window.openFiles({QString::fromStdString(sounds + "fog-horn.flac"),
        text(folder / "a.puretone"), text(folder / "b.puretone")});
    d.settle();
    CHECK(d.document().takes.size() == 2);
    CHECK_THAT(d.window.messages()->text().toStdString(), Contains("b.puretone"));
}

TEST_CASE("dialogs begin where the last file of their kind was", "[app][saving]")
{
    const TemporaryFolder folder;
    std::filesystem::create_directories(folder / "takes");
    std::filesystem::create_directories(folder / "bank");
    const auto takes = QString::fromStdString((folder / "takes").string());
    std::filesystem::copy_file(sounds + "fog-horn.flac", folder / "takes" / "horn.flac");
    Driver d;
    const auto reply = [&](const QString& name, QString& begun) {
        d.whenModal([name, &begun](QWidget* modal) {
            auto* dialog = qobject_cast<QFileDialog*>(modal);
            begun = dialog == nullptr ? QString("no dialog") : dialog->directory().path();
            if (dialog == nullptr)
                return;
            auto* edit = dialog->findChild<QLineEdit*>("fileNameEdit");
            edit->setText(name);
            QTest::keyClick(edit, Qt::Key_Return);
        });
    };
    QString begun;
    reply(takes + "/horn.flac", begun);
    d.shortcut(Qt::Key_O, Qt::ControlModifier);
    d.settle();
    REQUIRE(d.document().takes.size() == 1);
    CHECK(begun == QDir::homePath());
    SECTION("each kind for itself")
    {
        reply(QString::fromStdString((folder / "bank" / "horn").string()), begun);
        d.shortcut(Qt::Key_S, Qt::ControlModifier);
        d.settle();
        CHECK(begun == QDir::homePath());
        CHECK(std::filesystem::exists(folder / "bank" / "horn.puretone"));
        reply("horn.flac", begun);
        d.shortcut(Qt::Key_O, Qt::ControlModifier | Qt::ShiftModifier);
        d.settle();
        CHECK(begun == takes);
        CHECK(d.document().takes.size() == 2);
    }
    SECTION("several are opened as one instrument, which takes the place of what was open")
    {
        std::filesystem::copy_file(sounds + "buoy-bell.flac", folder / "takes" / "bell.flac");
        reply("\"horn.flac\" \"bell.flac\"", begun);
        d.shortcut(Qt::Key_O, Qt::ControlModifier);
        d.settle();
        REQUIRE(d.document().takes.size() == 2);
        CHECK(d.document().takes[1].name == "bell");
        d.session().undo();
        CHECK(d.document().takes.empty());
        d.session().undo();
        CHECK(d.document().takes.size() == 1);
    }
    SECTION("the shelf begins where sounds were opened")
    {
        d.window.shelf()->unfold(true);
        for (int i = 0; i < 100 && d.window.shelf()->list()->count() == 0; ++i)
            QTest::qWait(20);
        CHECK(d.window.shelf()->list()->count() == 1);
    }
}

TEST_CASE("a name without its ending does not replace what is there unasked", "[app][saving]")
{
    const TemporaryFolder folder;
    const auto there = written(folder / "bell.puretone", "bell", 220.0);
    Driver d;
    d.open(sounds + "fog-horn.flac");
    bool asked = false;
    d.whenModal([&](QWidget* modal) {
        auto* edit = modal->findChild<QLineEdit*>("fileNameEdit");
        REQUIRE(edit != nullptr);
        edit->setText(QString::fromStdString((folder / "bell").string()));
        d.whenModal([&](QWidget* question) {
            asked = question != modal;
            for (auto* button : question->findChildren<QPushButton*>())
                if (asked && button->text().contains("No"))
                    button->click();
            qobject_cast<QDialog*>(modal)->reject();
        });
        QTest::keyClick(edit, Qt::Key_Return);
    });
    d.shortcut(Qt::Key_S, Qt::ControlModifier);
    d.settle();
    CHECK(asked);
    CHECK(inFile(folder / "bell.puretone") == there);
}
