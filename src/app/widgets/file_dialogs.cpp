// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/file_dialogs.h"

#include "app/session/settings.h"

#include <QDir>
#include <QFileDialog>

namespace puretone::app::dialogs {

namespace {

QString settingOf(Kind kind)
{
    switch (kind) {
    case Kind::sounds:
        return QStringLiteral("folders/sounds");
    case Kind::shelf:
        return settings::shelfFolder;
    case Kind::notes:
        return QStringLiteral("folders/notes");
    case Kind::instruments:
        return QStringLiteral("folders/instruments");
    case Kind::results:
        break;
    }
    return settings::resultsFolder;
}

QStringList ask(QFileDialog& dialog, Kind kind)
{
    if (dialog.exec() != QDialog::Accepted)
        return {};
    auto chosen = dialog.selectedFiles();
    if (!chosen.isEmpty()) {
        const bool isFolder = dialog.fileMode() == QFileDialog::Directory;
        settings::setFolder(
            settingOf(kind), isFolder ? chosen.front() : QFileInfo(chosen.front()).absolutePath());
    }
    return chosen;
}

QString first(const QStringList& chosen)
{
    return chosen.isEmpty() ? QString() : chosen.front();
}

} // namespace

QString folderOf(Kind kind)
{
    // What is looked through by ear lies where sounds were opened, until something else was said.
    return settings::folder(
        settingOf(kind), kind == Kind::shelf ? folderOf(Kind::sounds) : QString());
}

QString file(QWidget* parent, const QString& title, const QString& filter, Kind kind)
{
    QFileDialog dialog(parent, title, folderOf(kind), filter);
    dialog.setFileMode(QFileDialog::ExistingFile);
    return first(ask(dialog, kind));
}

QStringList files(QWidget* parent, const QString& title, const QString& filter, Kind kind)
{
    QFileDialog dialog(parent, title, folderOf(kind), filter);
    dialog.setFileMode(QFileDialog::ExistingFiles);
    return ask(dialog, kind);
}

QString folder(QWidget* parent, const QString& title, Kind kind)
{
    QFileDialog dialog(parent, title, folderOf(kind));
    dialog.setFileMode(QFileDialog::Directory);
    dialog.setOption(QFileDialog::ShowDirsOnly);
    return first(ask(dialog, kind));
}

QString newFile(QWidget* parent, const QString& title, const QString& proposal,
    const QString& filter, const QString& ending, Kind kind)
{
    const QFileInfo proposed(QDir(folderOf(kind)), proposal);
    QFileDialog dialog(parent, title, proposed.absolutePath(), filter);
    dialog.setAcceptMode(QFileDialog::AcceptSave);
    dialog.setFileMode(QFileDialog::AnyFile);
    dialog.setDefaultSuffix(ending);
    dialog.selectFile(proposed.fileName());
    return first(ask(dialog, kind));
}

QString newSound(QWidget* parent, const QString& title, const QString& proposal)
{
    return newFile(parent, title, proposal, QObject::tr("WAV or FLAC (*.wav *.flac)"),
        QStringLiteral("wav"), Kind::results);
}

} // namespace puretone::app::dialogs
