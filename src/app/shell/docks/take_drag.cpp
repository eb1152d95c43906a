// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/docks/take_drag.h"

#include "formats/export/export_choices.h"
#include "formats/project/instrument_file.h"

#include <QDrag>
#include <QGuiApplication>
#include <QMimeData>
#include <QTimer>
#include <QUrl>

namespace puretone::app {

namespace {

Take withoutSound(Take take)
{
    take.recording = {};
    take.treated = {};
    take.facts = {};
    return take;
}

/// Written before anybody notices.
bool isShort(const Take& take)
{
    constexpr std::int64_t samples = 4'000'000;
    return take.audio().frames() * std::int64_t(take.audio().channelCount()) < samples;
}

} // namespace

TakeDrag::TakeDrag(Session& session, QWidget* source)
    : QObject(source)
    , session_(session)
    , source_(source)
{
}

QString TakeDrag::fileOf(const Take& take) const
{
    return ready_ && ready_->sound.lock() == take.sound() && ready_->take == withoutSound(take)
        ? ready_->file
        : QString();
}

void TakeDrag::begin(TakeId id)
{
    const Take* take = session_.instrument().take(id);
    if (take == nullptr)
        return;
    if (!folder_)
        folder_.emplace();
    if (!folder_->isValid())
        return;
    if (!fileOf(*take).isEmpty()) {
        drag();
        return;
    }
    const auto name = QString::fromStdString(take->name);
    if (!isShort(*take))
        session_.say(tr("Writing %1, to be dragged out…").arg(name), false);
    Instrument alone;
    alone.takes = {*take};
    session_.background().run(
        JobKind::dragOut, Background::Running::cancel,
        [alone, folder = folder_->path().toStdString()](
            const Progress&) { return writeWavSet(alone, folder, usualChoices(FileKind::wav)); },
        [this, name, bare = withoutSound(*take), sound = std::weak_ptr(take->sound())](
            const Result<Written>& written) {
            if (!written) {
                session_.say(QString::fromStdString(written.error().sentence()));
                return;
            }
            ready_ = {bare, sound, QString::fromStdString(written->files.front().string())};
            // Not from here: a drag goes on until it is dropped.
            QTimer::singleShot(0, this, [this, name] {
                if ((QGuiApplication::mouseButtons() & Qt::LeftButton) != 0)
                    drag();
                else
                    session_.say(tr("%1 is written: drag it out once more.").arg(name), false);
            });
        });
}

void TakeDrag::drag()
{
    auto* drag = new QDrag(source_);
    auto* files = new QMimeData;
    files->setUrls({QUrl::fromLocalFile(ready_->file)});
    drag->setMimeData(files);
    drag->exec(Qt::CopyAction);
}

} // namespace puretone::app
