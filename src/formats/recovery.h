// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/result.h"
#include "model/instrument.h"

#include <filesystem>
#include <map>
#include <memory>
#include <vector>

namespace puretone {

/// A document with unsaved edits.
struct UnsavedDocument {
    int number = 0; ///< Tells the documents of one program apart.
    Instrument value;
    std::string file; ///< Where it is saved; empty where it never was.
};

/// Holds a folder for this process, as long as it lives: a lock that goes with the process however
/// it ends.
class FolderLock {
public:
    /// Null where another living process holds it, or where it cannot be made.
    static std::unique_ptr<FolderLock> take(const std::filesystem::path& folder);
    ~FolderLock();
    FolderLock(const FolderLock&) = delete;
    FolderLock& operator=(const FolderLock&) = delete;

private:
    explicit FolderLock(int descriptor)
        : descriptor_(descriptor)
    {
    }
    int descriptor_;
};

/// Copies of what is not saved, in a folder of this process inside `root`, so that a program that
/// is killed loses little. Not for two threads at once.
class RecoveryCopies {
public:
    /// @param root Made, when first needed.
    explicit RecoveryCopies(std::filesystem::path root)
        : root_(std::move(root))
    {
    }
    /// Nothing is left to recover.
    ~RecoveryCopies() { clear(); }
    RecoveryCopies(const RecoveryCopies&) = delete;
    RecoveryCopies& operator=(const RecoveryCopies&) = delete;

    /// Makes the folder hold exactly these documents. The audio of each recording is written once
    /// only; of a file that stays open on disk a link is kept.
    ///
    /// @return `cannotWrite`, naming the folder.
    Result<void> keep(const std::vector<UnsavedDocument>& documents);
    void clear();

private:
    Result<void> begin();
    Result<std::string> keepAudio(const Recording& recording);
    Result<void> keepDocument(const UnsavedDocument& document);

    std::filesystem::path root_;
    std::filesystem::path folder_;
    std::unique_ptr<FolderLock> lock_;
    std::map<std::string, std::string> audio_; ///< Entry in the document -> file that holds it.
    std::map<int, std::string> written_; ///< Document -> what its file holds.
};

/// A document that a process left behind when it was killed.
struct LeftDocument {
    std::filesystem::path path;
    std::string name; ///< The instrument's.
    std::string file; ///< Where it was saved; may be empty.
};

/// What one process left behind. As long as this lives, no other process is offered it.
struct LeftBehind {
    std::filesystem::path folder;
    std::vector<LeftDocument> documents; ///< In the order in which they were begun.
    std::unique_ptr<FolderLock> lock;
};

/// What processes that are gone left inside `root`; folders with nothing in them are removed.
std::vector<LeftBehind> leftBehind(const std::filesystem::path& root);
/// @return The document as it was, or `damaged`, `cannotRead` with a sentence.
Result<Instrument> openLeft(const LeftDocument& document, const Progress& progress = {});
/// Removes it for good.
void discard(const LeftBehind& left);

} // namespace puretone
