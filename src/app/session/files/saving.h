// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/settings.h"
#include "app/session/take_key.h"
#include "base/files/safe_file.h"
#include "formats/journal/journal.h"

#include <QStringList>
#include <QTimer>
#include <filesystem>
#include <map>

namespace puretone::app {

class Session;

/// So that nothing is lost: project files, the journal, and what killed programs left behind.
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
    /// Brings back what a program that was killed had not saved, undo included; removes it once it
    /// stands in our own journal.
    void recover(const std::shared_ptr<const LeftBehind>& left);
    /// Of journals and of what is open in which window.
    static std::filesystem::path stateFolder();
    static std::filesystem::path journalFolder() { return stateFolder() / "journal"; }
    /// The document on screen belongs to this file, as it is now. Says so where another window has
    /// it open, too.
    void wasOpened(const QString& path);
    /// Whether somebody else has written to a file since it was opened or saved here.
    bool changedOutside(const QString& path) const;
    /// Removes what killed programs left half-written in these folders and in the recordings', in
    /// the background.
    void sweep(const QStringList& folders);
    /// After the document changed.
    void writeJournalSoon();
    std::uint64_t mostUndoBytes() const { return mostUndoBytes_; }
    void setMostUndoBytes(std::uint64_t bytes);

private:
    void saveVersion(const DocumentVersion& version, const QString& path);
    void writeJournal();
    void claim(const std::string& file);

    Session& session_;
    History& history_; ///< For what is saved, and where.
    QTimer journalSoon_;
    std::shared_ptr<Journal> journal_;
    std::map<std::string, FileStamp> stamps_; ///< As they were opened or saved here.
    std::map<std::string, std::unique_ptr<FileLock>> claims_; ///< Null where another has it.
    bool claimedElsewhere_ = false; ///< The one that was asked for last.
    std::uint64_t mostUndoBytes_ = settings::mostUndoBytes();
    int saves_ = 0;
    std::map<History::DocumentId, int> lastSave_; ///< Of those that have ended.
    bool journalFailed_ = false; ///< Said once.
    std::vector<std::shared_ptr<const LeftBehind>> recovered_; ///< Until our journal has it.
};

} // namespace puretone::app
