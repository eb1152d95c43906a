// SPDX-License-Identifier: GPL-3.0-or-later
// The program is killed at random moments of a run of edits, saves and recordings: no change that
// is older than a second may be lost, and no saved file may be damaged.
#include "formats/journal/journal.h"
#include "formats/project/instrument_file.h"
#include "support/driver.h"

#include "audio/streams/recorder.h"

#include <QProcess>
#include <QProcessEnvironment>
#include <chrono>
#include <fstream>
#include <map>
#include <set>
#include <sstream>

using namespace probe;

namespace {

/// PURETONE_KILLS sets another number of moments: a hundred say more and take two minutes longer.
int kills()
{
    return qEnvironmentVariableIsSet("PURETONE_KILLS")
        ? qEnvironmentVariableIntValue("PURETONE_KILLS")
        : 30;
}

std::int64_t now()
{
    return std::chrono::duration_cast<std::chrono::milliseconds>(
        std::chrono::steady_clock::now().time_since_epoch())
        .count();
}

/// One program on its way to its end.
struct Scene {
    TemporaryFolder folder;
    QProcess program;
    std::int64_t lives = 0; ///< Milliseconds from its first deed.
    std::int64_t killAt = 0, killed = 0;

    explicit Scene(int number, Noise& random)
    {
        auto environment = QProcessEnvironment::systemEnvironment();
        for (const char* name : {"XDG_DATA_HOME", "XDG_CONFIG_HOME", "XDG_STATE_HOME", "HOME"})
            environment.insert(QString::fromLatin1(name), shown(folder.path()));
        environment.insert("QT_QPA_PLATFORM", "offscreen");
        program.setProcessEnvironment(environment);
        program.start(QString::fromLatin1(PROGRAM_FOLDER) + "/kill_scene",
            {shown(folder.path()), QString::number(number)});
        lives = std::int64_t(random.between(20.0, 3000.0));
    }
    static QString shown(const std::filesystem::path& path)
    {
        return QString::fromStdString(path.string());
    }
    bool isTime()
    {
        std::error_code none;
        if (killAt == 0 && std::filesystem::exists(folder / "log", none)
            && std::filesystem::file_size(folder / "log", none) > 0)
            killAt = now() + lives;
        return killAt != 0 && now() >= killAt;
    }
    void kill()
    {
        program.kill();
        killed = now();
        program.waitForFinished();
    }
};

struct Line {
    std::int64_t at;
    std::string what;
};

std::vector<Line> linesOf(const std::filesystem::path& path)
{
    std::ifstream file(path);
    std::vector<Line> lines;
    for (std::string text; std::getline(file, text);) {
        std::istringstream in(text);
        Line line{};
        in >> line.at;
        std::getline(in >> std::ws, line.what);
        lines.push_back(line);
    }
    return lines;
}

/// How long the program really had. A pause between two beats (scene.cpp) beyond twice what it was
/// meant to be is the machine's: other tests run beside this one, and a thread that did nothing
/// else was not served either.
class Lifetime {
public:
    explicit Lifetime(const Scene& scene)
        : beats_{scene.killed}
    {
        const auto lines = linesOf(scene.folder / "beats");
        for (auto line = lines.rbegin(); line != lines.rend(); ++line)
            beats_.push_back(std::min(line->at, beats_.back()));
    }
    /// Milliseconds that it had from a moment until it was killed.
    std::int64_t since(std::int64_t moment) const
    {
        std::int64_t had = 0;
        for (std::size_t i = 1; i < beats_.size() && beats_[i - 1] > moment; ++i)
            had += std::min(2 * meant, beats_[i - 1] - std::max(moment, beats_[i]));
        return had + std::max<std::int64_t>(0, beats_.back() - moment);
    }
    bool isLate(std::int64_t moment) const { return since(moment) <= 1000; }

private:
    static constexpr std::int64_t meant = 50;
    std::vector<std::int64_t> beats_; ///< From the end back.
};

} // namespace

TEST_CASE(
    "killed at any moment, the program loses no change older than a second", "[app][saving][kill]")
{
    Noise random(20);
    const int wanted = kills();
    int started = 0, recovered = 0, undone = 0, files = 0, recordings = 0;
    int spared = 0; ///< Right only because the machine's own pauses are not counted.
    std::vector<std::unique_ptr<Scene>> running;
    const auto look = [&](const Scene& scene) {
        const auto log = linesOf(scene.folder / "log");
        const Lifetime lifetime(scene);
        std::set<std::string> allowed, ever;
        std::map<std::string, std::int64_t> last; // until when each state stood
        std::string standing, newest;
        bool recording = false;
        std::int64_t recordingSince = 0;
        for (const auto& line : log) {
            if (line.what == "recording" || line.what == "recorded") {
                recording = line.what == "recording";
                recordingSince = line.at;
            }
            if (line.what.rfind("state ", 0) != 0)
                continue;
            const auto name = line.what.substr(6);
            ever.insert(name);
            if (!newest.empty())
                last[newest] = line.at;
            newest = name;
            if (!lifetime.isLate(line.at))
                standing = name;
            else
                allowed.insert(name);
        }
        if (!standing.empty())
            allowed.insert(standing);
        // Saved files are whole, whatever was being written.
        for (const char* name : {"a.puretone", "b.puretone", "a.puretone~", "b.puretone~"}) {
            if (!std::filesystem::exists(scene.folder / name))
                continue;
            ++files;
            const auto opened = openInstrument(scene.folder / name);
            INFO(name);
            REQUIRE(opened);
            CHECK(ever.count(opened->name) == 1);
        }
        const auto left = leftBehind(scene.folder / "puretone" / "journal").work;
        REQUIRE(left.size() <= 1);
        if (!left.empty()) {
            const auto history = openLeft(left[0]);
            REQUIRE(history);
            ++recovered;
            undone += history->steps.empty() ? 0 : 1;
            // A document that is empty has nothing but what redo brings back.
            INFO("recovered " << history->current.value->name << ", a second ago " << standing);
            const auto& name = history->current.value->name;
            CHECK(allowed.count(name) == 1);
            spared += last.count(name) > 0 && scene.killed - last[name] > 1000 ? 1 : 0;
        } else if (!standing.empty()) {
            // Nothing is left where what stood there was saved, or is lost: it must be in a file.
            std::set<std::string> inFiles;
            for (const char* name : {"a.puretone", "b.puretone"})
                if (const auto opened = openInstrument(scene.folder / name))
                    inFiles.insert(opened->name);
            std::ostringstream story;
            for (const auto& line : log)
                story << line.at - scene.killed << " " << line.what << "; ";
            for (const auto& name : inFiles)
                story << "in file " << name << "; ";
            INFO(story.str());
            CHECK(std::any_of(inFiles.begin(), inFiles.end(),
                [&](const std::string& name) { return allowed.count(name) == 1; }));
        }
        const auto recorded = lifetime.since(recordingSince);
        if (recording && recorded > 1500) {
            const auto folder = scene.folder / "puretone" / "recordings";
            const auto found = unfinishedRecordings(folder);
            REQUIRE(found.size() == 1);
            const auto sound = openRecording(found.front());
            REQUIRE(sound);
            ++recordings;
            const double seconds = double((*sound)->audio->frames()) / (*sound)->audio->rate;
            CHECK(seconds > 0.001 * double(recorded) - 1.0);
        }
    };
    for (int ended = 0; ended < wanted;) {
        while (started < wanted && running.size() < 5)
            running.push_back(std::make_unique<Scene>(started++, random));
        QTest::qWait(3);
        for (auto& scene : running)
            if (scene && scene->isTime()) {
                scene->kill();
                CAPTURE(ended);
                look(*scene);
                scene.reset();
                ++ended;
            }
        std::erase(running, nullptr);
    }
    WARN(wanted << " kills: " << recovered << " recovered, " << undone
                << " with steps to undo or redo, " << files << " saved files whole, " << recordings
                << " recordings kept; " << spared << " right only without the machine's pauses");
    // Most moments have work that is not saved.
    CHECK(recovered > wanted / 3);
    CHECK(undone == recovered);
}
