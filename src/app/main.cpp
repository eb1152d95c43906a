// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/language.h"
#include "app/session/settings.h"
#include "app/shell/application.h"
#include "app/shell/desktop_theme.h"
#include "app/shell/main_window.h"
#include "base/threads/large_memory.h"

#include <QCommandLineParser>
#include <QIcon>

namespace {

/// For desktops that do not look the program up among those that are installed.
QIcon windowIcon()
{
    QIcon icon;
    for (const int size : {16, 32, 48, 128})
        icon.addFile(QStringLiteral(":/icon/%1.png").arg(size));
    return icon;
}

} // namespace

int main(int argc, char** argv)
{
    using namespace puretone::app;
    puretone::returnLargeMemory();
    Application application(argc, argv);
    QApplication::setApplicationName(QStringLiteral("puretone"));
    QApplication::setApplicationDisplayName(QStringLiteral("Pure Tone"));
    QApplication::setApplicationVersion(QStringLiteral(PURETONE_VERSION));
    QApplication::setDesktopFileName(QStringLiteral("puretone"));
    const auto wish = settings::languageWish();
    language::speak(wish.isEmpty() ? language::ofDesktop() : wish);
    QCommandLineParser parser;
    parser.setApplicationDescription(
        QStringLiteral("One recorded sound becomes a tuned, playable instrument"));
    parser.addHelpOption();
    parser.addVersionOption();
    parser.addPositionalArgument(QStringLiteral("file"),
        QStringLiteral("A recording or an instrument; several recordings become takes of one"),
        QStringLiteral("[file...]"));
    const QCommandLineOption output(QStringLiteral("output"),
        QStringLiteral("Audio output, for example \"simulated\""), QStringLiteral("device"));
    parser.addOption(output);
    parser.process(application);

    Theme::loadFonts();
    QApplication::setWindowIcon(windowIcon());
    settings::lookAtDesktop();
    const double ofFont = Theme::scaleOf(QApplication::font());
    // As the desktop said last time: its answer comes when there is a window already.
    Theme::setTextScale(ofFont * settings::desktopTextScale());
    Theme::apply(application, settings::themeFor(settings::themeWish()));
    MainWindow window;
    QObject::connect(
        &application, &Application::failed, &window.session(), [&](const puretone::Error& error) {
            window.session().say(QString::fromStdString(error.sentence()));
        });
    window.show();
    DesktopTheme desktop;
    QObject::connect(&desktop, &DesktopTheme::changed, &window, &MainWindow::followDesktop);
    QObject::connect(&desktop, &DesktopTheme::textScaled, &window, [&](double factor) {
        settings::setDesktopTextScale(factor);
        Theme::setTextScale(ofFont * factor);
        window.setThemeWish(settings::themeWish());
    });
    desktop.ask();
    const bool first = settings::firstStart();
    if (!parser.positionalArguments().isEmpty())
        window.openFiles(parser.positionalArguments());
    if (first)
        window.welcome(parser.positionalArguments().isEmpty());
    // Looking for sound servers takes a moment: first the picture.
    QTimer::singleShot(0, &window, [&] {
        window.startDevices(parser.value(output).toStdString());
        window.offerUnfinished();
    });
    return QApplication::exec();
}
