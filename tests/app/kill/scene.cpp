// SPDX-License-Identifier: GPL-3.0-or-later
// The real window at a scripted run of edits, saves and recordings, until it is killed. What it did
// and when stands in a file that outlives it; kill_test.cpp compares that with what is left.
#include "app/shell/application.h"
#include "app/shell/main_window.h"
#include "app/stops/sound/record_panel.h"
#include "app/stops/sound/sound_stop.h"
#include "devices/simulated.h"

#include <QTimer>
#include <chrono>
#include <csignal>
#include <fcntl.h>
#include <random>
#include <sys/prctl.h>
#include <thread>
#include <unistd.h>

namespace {

using namespace puretone;
using namespace puretone::app;

int appended(const std::filesystem::path& file)
{
    return ::open(file.c_str(), O_WRONLY | O_CREAT | O_APPEND | O_CLOEXEC, 0600);
}

void append(int file, const std::string& what)
{
    const auto now = std::chrono::duration_cast<std::chrono::milliseconds>(
        std::chrono::steady_clock::now().time_since_epoch());
    const auto line = std::to_string(now.count()) + " " + what + "\n";
    if (::write(file, line.data(), line.size()) < 0)
        ::_exit(3);
}

/// What the machine gives a thread that does next to nothing: a line on disk every 50 ms. It says
/// how long the program really had, where other programs take the processor or the disk.
void beat(const std::filesystem::path& folder)
{
    std::thread([file = appended(folder / "beats")] {
        for (;;) {
            append(file, "beat");
            ::fdatasync(file);
            std::this_thread::sleep_for(std::chrono::milliseconds(50));
        }
    }).detach();
}

class Scene {
public:
    Scene(const std::filesystem::path& folder, unsigned seed)
        : folder_(folder)
        , log_(appended(folder / "log"))
        , random_(seed)
    {
        window_.show();
        window_.startDevices(simulatedId);
        window_.session().opening().open(
            QStringLiteral(DEMO_FOLDER) + QStringLiteral("/sounds/fog-horn.flac"));
        QObject::connect(&timer_, &QTimer::timeout, [this] { act(); });
        timer_.start(15);
    }

private:
    RecordPanel& recorder()
    {
        return *static_cast<SoundStop*>(window_.stop(Stop::sound))->recording();
    }

    void act()
    {
        Session& session = window_.session();
        if (session.opening().busy() || (step_ == 0 && session.take() == nullptr))
            return;
        // Undone to the very beginning: what was there comes back.
        const int chance = session.take() == nullptr ? 69 : int(random_() % 100);
        if (chance < 55)
            edit();
        else if (chance < 65)
            session.undo();
        else if (chance < 70)
            session.redo();
        else if (chance < 76)
            save("a.puretone");
        else if (chance < 79)
            save("b.puretone");
        else if (chance < 80 && (!recorder().isRecording() || random_() % 4 == 0))
            record();
        else
            return; // a moment of rest
        say("state " + session.instrument().name);
    }

    void edit()
    {
        Session& session = window_.session();
        const auto name = "step " + std::to_string(++step_);
        const int gesture = random_() % 3 == 0 ? 1 + step_ / 10 : 0; // some are drags
        session.edit(
            QStringLiteral("Edit"),
            [&](Instrument& next) {
                next.name = name;
                next.layers[0].envelope.attack = 0.001 * (1 + step_ % 500);
            },
            gesture);
    }

    void save(const std::string& name)
    {
        window_.session().saving().save(QString::fromStdString((folder_ / name).string()));
    }

    void record()
    {
        auto& panel = recorder();
        if (!panel.isOpen())
            panel.open(true);
        else if (window_.session().player().input() != nullptr) {
            panel.toggle();
            say(panel.isRecording() ? "recording" : "recorded");
        }
    }

    void say(const std::string& what) { append(log_, what); }

    std::filesystem::path folder_;
    int log_;
    std::mt19937 random_;
    int step_ = 0;
    MainWindow window_;
    QTimer timer_;
};

} // namespace

int main(int argc, char** argv)
{
    Application application(argc, argv);
    QApplication::setApplicationName(QStringLiteral("puretone"));
    Theme::loadFonts();
    Theme::apply(application, ThemeName::daybreak);
    ::prctl(PR_SET_PDEATHSIG, SIGKILL); // does not outlive the test
    beat(argv[1]);
    const Scene scene(argv[1], unsigned(std::atoi(argv[2])));
    return QApplication::exec();
}
