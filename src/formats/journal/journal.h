// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/files/file_lock.h"
#include "base/result.h"
#include "model/history.h"

#include <filesystem>
#include <map>
#include <memory>
#include <string>
#include <vector>

namespace puretone {

/// What is not saved, with all that can be undone, on disk as it is done: in a folder of this
/// process inside `root`, so that a program that is killed at any moment loses next to nothing. Not
/// for two threads at once.
///
/// A journal is only ever written at its end (journal_file.h says how). Whatever was being written
/// when the process ended is left out when it is read.
class Journal {
public:
    /// @param root Made, when first needed.
    explicit Journal(std::filesystem::path root)
        : root_(std::move(root))
    {
    }
    /// Nothing is left to recover.
    ~Journal() { clear(); }
    Journal(const Journal&) = delete;
    Journal& operator=(const Journal&) = delete;

    /// Adds what has changed since the last time; on disk when it returns. The audio of each
    /// recording is written once only; of a file that stays open on disk a link is kept. Nothing
    /// is begun before something is unsaved.
    ///
    /// @return `cannotWrite`, naming the folder.
    Result<void> keep(const History::Snapshot& history);
    /// Forgets and removes it all.
    void clear();
    /// Bytes that the journal has, audio left out.
    std::uint64_t bytes() const { return bytes_; }

private:
    struct Step {
        int before, after;
        bool operator==(const Step&) const = default;
    };
    Result<void> begin();
    Result<void> write(const History::Snapshot& history);
    Result<std::string> keepAudio(const Recording& recording);
    Result<void> addValue(const History::Kept& kept, std::string& records);
    std::string historyRecord(const History::Snapshot& history);
    void forgetWritten();

    std::filesystem::path root_;
    std::filesystem::path folder_;
    std::unique_ptr<FileLock> lock_;
    std::map<std::string, std::string> audio_; ///< Entry in the document -> file that holds it.
    // What the file says so far.
    std::map<std::string, bool> named_; ///< Audio that it names.
    std::map<int, bool> values_; ///< Numbers of values in it.
    std::string lastText_; ///< The value that the next one is written against.
    std::vector<Step> steps_;
    std::uint64_t bytes_ = 0, whole_ = 0; ///< Now, and when it was last begun.
};

/// A document that was not saved when its process ended.
struct LeftDocument {
    std::string name; ///< The instrument's.
    std::string file; ///< Where it was saved; may be empty.
};

/// What one process left behind. As long as this lives, no other process is offered it.
struct LeftBehind {
    std::filesystem::path folder;
    std::vector<LeftDocument> documents; ///< The one that was on screen first; at least one.
    std::unique_ptr<FileLock> lock;
};

/// What processes that are gone left inside a folder of journals.
struct Left {
    std::vector<LeftBehind> work; ///< The oldest first.
    /// Journals that may hold work which cannot be read here: damaged, of a later program, or not
    /// to be had from the disk. Kept under these names, and not looked at again.
    std::vector<std::filesystem::path> unreadable;
};

/// Looks through `root`. Journals that say that all was saved are removed; what cannot be read is
/// set aside.
Left leftBehind(const std::filesystem::path& root);
/// @return The work as it was, undo and redo included, or `damaged`, `cannotRead` with a sentence
///         where the value on screen cannot be had. Steps to values that cannot are left out.
Result<History::Snapshot> openLeft(const LeftBehind& left, const Progress& progress = {});
/// Removes it for good.
void discard(const LeftBehind& left);

} // namespace puretone
