// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/session.h"

#include "base/safe_file.h"

namespace puretone::app {

Saving::Saving(Session& session, History& history)
    : session_(session)
    , history_(history)
{
    copySoon_.setSingleShot(true);
    connect(&copySoon_, &QTimer::timeout, this, &Saving::keepCopy);
}

std::filesystem::path Saving::recoveryFolder()
{
    return Opening::dataFolder() / "recovery";
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
            const auto name = QString::fromStdString(shownName(path.toStdString()));
            session_.say(
                tr("%1 is saved. %2").arg(name, QString::fromStdString(written->checked)), false);
            keepCopySoon();
            emit session_.changed();
        },
        Background::Lane::keeping);
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
    if (version.document == history_.document() && file == history_.file())
        history_.markSaved(version.document, version.value, file);
    else
        history_.markOverwritten(file);
    keepCopySoon();
    emit session_.changed();
}

void Saving::keepCopySoon()
{
    // Not put off by what comes after: a drag of ten seconds is copied while it goes on.
    if (!copySoon_.isActive())
        copySoon_.start(700);
}

void Saving::keepCopy()
{
    std::vector<UnsavedDocument> unsaved;
    for (auto& document : history_.unsaved())
        unsaved.push_back({document.document, std::move(document.value), document.file});
    if (!copies_)
        copies_ = std::make_shared<RecoveryCopies>(recoveryFolder());
    session_.background().run(
        JobKind::keepCopy, Background::Running::finish,
        [copies = copies_, unsaved = std::move(unsaved), recovered = recovered_](const Progress&) {
            auto kept = copies->keep(unsaved);
            if (kept)
                for (const auto& left : recovered)
                    discard(*left); // there is a copy of ours now
            return kept;
        },
        [this, recovered = recovered_](const Result<void>& kept) {
            if (kept)
                std::erase_if(recovered_, [&](const auto& left) {
                    return std::find(recovered.begin(), recovered.end(), left) != recovered.end();
                });
            else if (!copyFailed_)
                session_.say(QString::fromStdString(kept.error().sentence()));
            copyFailed_ = !kept;
        },
        Background::Lane::keeping);
}

void Saving::recover(const std::shared_ptr<const LeftBehind>& left)
{
    using Opened = std::vector<Result<Instrument>>;
    session_.background().run(
        JobKind::recover, Background::Running::finish,
        [left](const Progress& progress) {
            Opened opened;
            for (const auto& document : left->documents)
                opened.push_back(openLeft(document, progress));
            return opened;
        },
        [this, left](const Opened& opened) {
            bool all = true;
            for (std::size_t i = 0; i < opened.size(); ++i) {
                const auto& document = left->documents[i];
                const auto name = QString::fromStdString(document.name);
                all = all && opened[i].has_value();
                if (opened[i])
                    session_.begin(tr("Recover %1").arg(name), *opened[i], {document.file, false});
                else
                    session_.say(QString::fromStdString(opened[i].error().sentence()));
            }
            if (!all)
                return; // what could not be opened stays where it is
            session_.say(opened.size() == 1
                    ? tr("%1 is as it was. Save it to keep it.")
                          .arg(QString::fromStdString(left->documents.front().name))
                    : tr("%1 instruments are as they were; undo goes from one to the one before.")
                          .arg(opened.size()),
                false);
            recovered_.push_back(left);
            keepCopySoon();
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
        [] {}, Background::Lane::bulk);
}

} // namespace puretone::app
