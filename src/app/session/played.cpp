// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/played.h"

#include "app/session/session.h"

#include <QDateTime>
#include <QFileInfo>

namespace puretone::app {

QString savePlayed(KeptAudio& kept, const KeptAudio::Range& range, const QString& path)
{
    const auto written = writeSound(path.toStdString(), kept.read(range));
    return written ? QObject::tr("%1 is written.").arg(QFileInfo(path).fileName())
                   : QString::fromStdString(written.error().sentence());
}

void takePlayed(Session& session, KeptAudio& kept, const KeptAudio::Range& range)
{
    // A file of its own first, like every recording: nothing is lost if the program ends.
    const auto name = QDateTime::currentDateTime().toString(QStringLiteral("yyyy-MM-dd HH.mm.ss"));
    const auto folder = Opening::recordingsFolder();
    std::error_code ignored;
    std::filesystem::create_directories(folder, ignored);
    const auto path = folder / QObject::tr("played %1.wav").arg(name).toStdString();
    const auto written = writeWav(path, kept.read(range), SampleFormat::float32);
    if (written)
        session.opening().addFiles({QString::fromStdString(path.string())});
    else
        session.say(QString::fromStdString(written.error().sentence()));
}

} // namespace puretone::app
