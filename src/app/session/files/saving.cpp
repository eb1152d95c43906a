// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/session.h"

#include "base/files/safe_file.h"
#include "base/say.h"

#include <QCryptographicHash>
#include <QDir>

namespace puretone::app {

namespace {

/// Milliseconds from a change to its writing: changes of one drag are gathered, and enough of a
/// second is left for a slow disk.
constexpr int journalDelay = 100;

} // namespace

Saving::Saving(Session& session, History& history)
    : session_(session)
    , history_(history)
{
    journalSoon_.setSingleShot(true);
    connect(&journalSoon_, &QTimer::timeout, this, &Saving::writeJournal);
}

std::filesystem::path Saving::stateFolder()
{
    // XDG Base Directory Specification; this Qt does not know that folder yet.
    const auto set = qEnvironmentVariable("XDG_STATE_HOME");
    const auto home = set.isEmpty() ? QDir::homePath() + QStringLiteral("/.local/state") : set;
    return std::filesystem::path(home.toStdString()) / "puretone";
}

void Saving::claim(const std::string& file)
{
    claimedElsewhere_ = false;
    if (auto known = claims_.find(file); known != claims_.end() && known->second)
        return;
    const auto folder = stateFolder() / "open";
    std::error_code failed;
    std::filesystem::create_directories(folder, failed);
    const auto whole = std::filesystem::weakly_canonical(file, failed).string();
    const auto name =
        QCryptographicHash::hash(QByteArray::fromStdString(whole), QCryptographicHash::Sha1);
    const auto lock = folder / name.toHex().toStdString();
    claims_[file] = FileLock::take(lock);
    // Where no lock can be made at all, nobody is known to have it.
    claimedElsewhere_ = !claims_[file] && std::filesystem::exists(lock, failed);
}

void Saving::wasOpened(const QString& path)
{
    const auto file = path.toStdString();
    if (const auto stamp = stampOf(file))
        stamps_[file] = *stamp;
    claim(file);
    if (claimedElsewhere_)
        session_.say(tr("%1 is open in another window of Pure Tone, too: save it under another "
                        "name here, or the window that saves last wins.")
                         .arg(QString::fromStdString(shownName(file))));
}

bool Saving::changedOutside(const QString& path) const
{
    const auto known = stamps_.find(path.toStdString());
    if (known == stamps_.end())
        return false;
    const auto now = stampOf(path.toStdString());
    return now && *now != known->second;
}

void Saving::setMostUndoBytes(std::uint64_t bytes)
{
    mostUndoBytes_ = bytes;
    history_.trim(bytes);
}

void Saving::save(const QString& path)
{
    saveVersion(session_.version(), path);
}

void Saving::saveVersion(const DocumentVersion& version, const QString& path)
{
    const int order = ++saves_;
    // By the file: two documents that are saved at once do not drop each other.
    session_.background().run(
        JobKey(JobKind::save, path.toStdString()), Background::Running::finish,
        [value = version.value, path](
            const Progress&) { return writeInstrument(value, path.toStdString()); },
        [this, version, path, order](const Result<Written>& written) {
            if (!written) {
                session_.say(QString::fromStdString(written.error().sentence()));
                return;
            }
            // Where two saves overtake each other, the one that was asked for last counts.
            int& last = lastSave_[version.document];
            if (order > last)
                history_.markSaved(version.document, version.value, path.toStdString());
            else
                history_.markOverwritten(path.toStdString());
            last = std::max(last, order);
            if (const auto stamp = stampOf(path.toStdString()))
                stamps_[path.toStdString()] = *stamp;
            claim(path.toStdString());
            const auto name = QString::fromStdString(shownName(path.toStdString()));
            session_.say(
                tr("%1 is saved. %2").arg(name, QString::fromStdString(written->checked)), false);
            writeJournalSoon();
            emit session_.changed();
        });
}

bool Saving::saveNow(const History::Unsaved& document, const QString& path)
{
    saveVersion({document.document, document.value}, path);
    session_.background().settle({JobKind::save, path.toStdString()});
    const auto left = history_.unsaved();
    return std::none_of(left.begin(), left.end(),
        [&](const History::Unsaved& u) { return u.document == document.document; });
}

void Saving::wasWritten(const DocumentVersion& version, const QString& path)
{
    const auto file = path.toStdString();
    if (const auto stamp = stampOf(file))
        stamps_[file] = *stamp;
    // One that has no file yet has one now.
    const bool here = version.document == history_.document()
        && (history_.file().empty() || history_.file() == file);
    if (here) {
        history_.markSaved(version.document, version.value, file);
        claim(file);
    } else {
        history_.markOverwritten(file);
    }
    writeJournalSoon();
    emit session_.changed();
}

void Saving::writeJournalSoon()
{
    history_.trim(mostUndoBytes_);
    // Not put off by what comes after: a drag of ten seconds is written while it goes on.
    if (!journalSoon_.isActive())
        journalSoon_.start(journalDelay);
}

void Saving::writeJournal()
{
    if (!journal_)
        journal_ = std::make_shared<Journal>(journalFolder());
    session_.background().run(
        JobKind::journal, Background::Running::finish,
        [journal = journal_, history = history_.snapshot(), recovered = recovered_](
            const Progress&) {
            auto kept = journal->keep(history);
            if (kept)
                for (const auto& left : recovered)
                    discard(*left); // it stands in ours now
            return kept;
        },
        [this, recovered = recovered_](const Result<void>& kept) {
            if (kept)
                std::erase_if(recovered_, [&](const auto& left) {
                    return std::find(recovered.begin(), recovered.end(), left) != recovered.end();
                });
            else if (!journalFailed_)
                session_.say(QString::fromStdString(kept.error().sentence()));
            journalFailed_ = !kept;
        });
}

void Saving::recover(const std::shared_ptr<const LeftBehind>& left)
{
    struct Opened {
        History::Snapshot history;
        Instrument ready;
    };
    session_.background().run(
        JobKind::recover, Background::Running::finish,
        [left](const Progress& progress) -> Result<Opened> {
            auto history = openLeft(*left, progress.part(0.0, 0.8));
            if (!history)
                return tl::unexpected(history.error());
            auto ready = *history->current.value;
            if (!makeSounds(ready, progress.part(0.8, 1.0)))
                return fail(ErrorCode::cancelled, puretone::say("Opening was cancelled."));
            return Opened{std::move(*history), std::move(ready)};
        },
        [this, left](const Result<Opened>& opened) {
            if (!opened) { // it stays where it is
                session_.say(QString::fromStdString(opened.error().sentence()));
                return;
            }
            const auto name = QString::fromStdString(left->documents.front().name);
            session_.restore(tr("Recover %1").arg(name), opened->history, opened->ready);
            session_.say(left->documents.size() == 1
                    ? tr("%1 is as it was, with all that can be undone. Save it to keep it.")
                          .arg(name)
                    : tr("%1 instruments are as they were; undo goes from one to the one before.")
                          .arg(left->documents.size()),
                false);
            for (const auto& document : left->documents)
                if (!document.file.empty())
                    wasOpened(QString::fromStdString(document.file));
            recovered_.push_back(left);
            writeJournalSoon();
        });
    emit session_.opening().changed();
}

void Saving::sweep(const QStringList& folders)
{
    std::vector<std::filesystem::path> wanted{Opening::recordingsFolder()};
    for (const auto& folder : folders)
        wanted.emplace_back(folder.toStdString());
    session_.background().run(
        JobKind::sweep, Background::Running::finish,
        [wanted = std::move(wanted)](const Progress&) {
            int removed = 0;
            for (const auto& folder : wanted)
                removed += removeAbandoned(folder);
            return removed;
        },
        [] {});
}

} // namespace puretone::app
