// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/playing/played.h"

#include "app/session/session.h"

#include <QDateTime>
#include <QFileInfo>

namespace puretone::app {

namespace {

/// @param write Writes what was read, on another thread. @param done When that went well.
template <class Write, class Done>
void writePlayed(Session& session, const std::shared_ptr<KeptAudio>& kept,
    const KeptAudio::Range& range, const std::string& path, Write write, Done done)
{
    session.background().run(
        JobKey(JobKind::keepPlayed, path), Background::Running::finish,
        [kept, range, path, write](const Progress&) { return write(path, kept->read(range)); },
        [&session, done](const Result<void>& written) {
            if (written)
                done();
            else
                session.say(QString::fromStdString(written.error().sentence()));
        });
}

} // namespace

void savePlayed(Session& session, const std::shared_ptr<KeptAudio>& kept,
    const KeptAudio::Range& range, const QString& path)
{
    writePlayed(
        session, kept, range, path.toStdString(),
        [](const std::string& file, const Audio& audio) { return writeSound(file, audio); },
        [&session, path] {
            session.say(QObject::tr("%1 is written.").arg(QFileInfo(path).fileName()), false);
        });
}

void takePlayed(
    Session& session, const std::shared_ptr<KeptAudio>& kept, const KeptAudio::Range& range)
{
    // A file of its own first, like every recording: nothing is lost if the program ends.
    const auto name = QDateTime::currentDateTime().toString(QStringLiteral("yyyy-MM-dd HH.mm.ss"));
    const auto folder = Opening::recordingsFolder();
    std::error_code ignored;
    std::filesystem::create_directories(folder, ignored);
    const auto path = (folder / QObject::tr("played %1.wav").arg(name).toStdString()).string();
    writePlayed(
        session, kept, range, path,
        [](const std::string& file, const Audio& audio) {
            return writeWav(file, audio, SampleFormat::float32);
        },
        [&session, path] { session.opening().addFiles({QString::fromStdString(path)}); });
}

} // namespace puretone::app
