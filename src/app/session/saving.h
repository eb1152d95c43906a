// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/take_key.h"
#include "formats/recovery.h"

#include <QStringList>
#include <QTimer>
#include <filesystem>
#include <map>

namespace puretone::app {

class Session;

/// So that nothing is lost: project files, recovery copies, and what killed programs left behind.
class Saving : public QObject {
    Q_OBJECT

public:
    Saving(Session& session, History& history);

    /// Saves the project, in the background; a message says how it went.
    void save(const QString& path);
    /// Saves a document that may not be the one on screen, and waits for it. False when it is not
    /// on disk afterwards.
    bool saveNow(const History::Unsaved& document, const QString& path);
    /// A document was written to a project file otherwise: as an export.
    void wasWritten(const DocumentVersion& version, const QString& path);
    /// Opens what a program that was killed had not saved; removes it once there is a copy of ours.
    void recover(const std::shared_ptr<const LeftBehind>& left);
    static std::filesystem::path recoveryFolder();
    /// Removes what killed programs left half-written in these folders and in the recordings', in
    /// the background.
    void sweep(const QStringList& folders);
    /// After the document changed.
    void keepCopySoon();

private:
    void saveVersion(const DocumentVersion& version, const QString& path);
    void keepCopy();

    Session& session_;
    History& history_; ///< For what is saved, and where.
    QTimer copySoon_;
    std::shared_ptr<RecoveryCopies> copies_;
    int saves_ = 0;
    std::map<History::DocumentId, int> lastSave_; ///< Of those that have ended.
    bool copyFailed_ = false; ///< Said once.
    std::vector<std::shared_ptr<const LeftBehind>> recovered_; ///< Until there is a copy of ours.
};

} // namespace puretone::app
