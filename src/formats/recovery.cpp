// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/recovery.h"

#include "base/safe_file.h"
#include "model/json.h"
#include "model/sounds.h"

#include <algorithm>
#include <fcntl.h>
#include <nlohmann/json.hpp>
#include <set>
#include <sys/file.h>
#include <unistd.h>

namespace puretone {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

constexpr const char* lockName = "lock";
constexpr const char* documentEnding = ".unsaved";

tl::unexpected<Error> damagedCopy(const fs::path& path)
{
    return fail(ErrorCode::damaged,
        "The recovery copy " + path.string() + " is damaged and cannot be opened.");
}

/// The first line says where the document belongs, the rest is the document.
struct Copy {
    json about;
    std::string document;
};

Result<Copy> readCopy(const fs::path& path)
{
    const auto bytes = readFile(path);
    if (!bytes)
        return tl::unexpected(bytes.error());
    const std::string text(reinterpret_cast<const char*>(bytes->data()), bytes->size());
    const auto end = text.find('\n');
    Copy copy{json::parse(text.substr(0, end), nullptr, false), {}};
    if (end == std::string::npos || !copy.about.is_object() || !copy.about.contains("name")
        || !copy.about["name"].is_string() || !copy.about.contains("file")
        || !copy.about["file"].is_string() || !copy.about.contains("audio")
        || !copy.about["audio"].is_object())
        return damagedCopy(path);
    copy.document = text.substr(end + 1);
    return copy;
}

int numberOf(const fs::path& path)
{
    return std::atoi(path.stem().c_str());
}

} // namespace

std::unique_ptr<FolderLock> FolderLock::take(const fs::path& folder)
{
    const int descriptor =
        ::open((folder / lockName).c_str(), O_RDWR | O_CREAT | O_CLOEXEC | O_NOFOLLOW, 0600);
    if (descriptor < 0)
        return nullptr;
    if (::flock(descriptor, LOCK_EX | LOCK_NB) != 0) {
        ::close(descriptor);
        return nullptr;
    }
    return std::unique_ptr<FolderLock>(new FolderLock(descriptor));
}

FolderLock::~FolderLock()
{
    ::close(descriptor_);
}

Result<void> RecoveryCopies::begin()
{
    if (lock_)
        return {};
    std::error_code failed;
    fs::create_directories(root_, failed);
    for (int n = 1; n < 1000 && !lock_; ++n) {
        const auto folder = root_ / (std::to_string(::getpid()) + "-" + std::to_string(n));
        if (!fs::create_directory(folder, failed))
            continue; // another window's, or one that was left behind
        lock_ = FolderLock::take(folder);
        folder_ = folder;
    }
    if (!lock_)
        return fail(ErrorCode::cannotWrite,
            "No copy of unsaved work can be kept in " + root_.string() + ".",
            "Make that folder writable, or save often.");
    return {};
}

Result<std::string> RecoveryCopies::keepAudio(const Recording& recording)
{
    const auto entry = audioPath(recording);
    if (const auto known = audio_.find(entry); known != audio_.end())
        return known->second;
    const auto target = folder_ / fs::path(entry).filename();
    if (recording.original->path().empty()) {
        std::vector<std::byte> bytes(recording.original->size());
        recording.original->read(0, bytes);
        auto written = writeWhole(
            target, [&](const fs::path& temporary) { return writeBytes(temporary, bytes); });
        if (!written)
            return tl::unexpected(written.error());
        return audio_[entry] = target.string();
    }
    // A second name for the same file takes no room and outlives the removal of the first.
    const auto path = recording.original->path();
    const bool linked = ::link(path.c_str(), target.c_str()) == 0;
    return audio_[entry] = linked ? target.string() : path.string();
}

Result<void> RecoveryCopies::keepDocument(const UnsavedDocument& document)
{
    json audio = json::object();
    for (const auto& take : document.value.takes) {
        const auto file = keepAudio(*take.recording);
        if (!file)
            return tl::unexpected(file.error());
        audio[audioPath(*take.recording)] = *file;
    }
    const json about = {
        {"name", document.value.name}, {"file", document.file}, {"audio", std::move(audio)}};
    const auto text =
        about.dump(-1, ' ', false, json::error_handler_t::replace) + "\n" + toJson(document.value);
    auto& written = written_[document.number];
    if (written == text)
        return {};
    const auto path = folder_ / (std::to_string(document.number) + documentEnding);
    auto done = writeWhole(path, [&](const fs::path& temporary) {
        return writeBytes(temporary, std::as_bytes(std::span(text)));
    });
    if (done)
        written = text;
    return done;
}

Result<void> RecoveryCopies::keep(const std::vector<UnsavedDocument>& documents)
{
    if (documents.empty()) {
        clear();
        return {};
    }
    if (auto begun = begin(); !begun)
        return begun;
    for (const auto& document : documents)
        if (auto done = keepDocument(document); !done)
            return done;
    std::erase_if(written_, [&](const auto& entry) {
        const bool wanted = std::any_of(documents.begin(), documents.end(),
            [&](const UnsavedDocument& d) { return d.number == entry.first; });
        std::error_code ignored;
        if (!wanted)
            fs::remove(folder_ / (std::to_string(entry.first) + documentEnding), ignored);
        return !wanted;
    });
    return {};
}

void RecoveryCopies::clear()
{
    if (!lock_)
        return;
    std::error_code ignored;
    fs::remove_all(folder_, ignored);
    lock_.reset();
    audio_.clear();
    written_.clear();
}

std::vector<LeftBehind> leftBehind(const fs::path& root)
{
    std::vector<LeftBehind> found;
    std::error_code ignored;
    for (const auto& entry : fs::directory_iterator(root, ignored)) {
        if (!entry.is_directory(ignored))
            continue;
        LeftBehind left{entry.path(), {}, FolderLock::take(entry.path())};
        if (!left.lock)
            continue;
        for (const auto& file : fs::directory_iterator(left.folder, ignored)) {
            if (file.path().extension() != documentEnding)
                continue;
            const auto copy = readCopy(file.path());
            left.documents.push_back({file.path(),
                copy ? copy->about["name"].get<std::string>() : file.path().stem().string(),
                copy ? copy->about["file"].get<std::string>() : std::string()});
        }
        std::sort(left.documents.begin(), left.documents.end(),
            [](const auto& a, const auto& b) { return numberOf(a.path) < numberOf(b.path); });
        if (left.documents.empty())
            discard(left);
        else
            found.push_back(std::move(left));
    }
    std::sort(found.begin(), found.end(), [&](const LeftBehind& a, const LeftBehind& b) {
        return fs::last_write_time(a.folder, ignored) < fs::last_write_time(b.folder, ignored);
    });
    return found;
}

Result<Instrument> openLeft(const LeftDocument& document, const Progress& progress)
{
    const auto copy = readCopy(document.path);
    if (!copy)
        return tl::unexpected(copy.error());
    std::map<std::string, RecordingPtr> opened;
    auto instrument = fromJson(copy->document, document.name,
        [&](const std::string& entry, const std::string& fileName) -> Result<RecordingPtr> {
            if (const auto known = opened.find(entry); known != opened.end())
                return underName(known->second, fileName);
            const auto& audio = copy->about["audio"];
            if (!audio.contains(entry) || !audio[entry].is_string())
                return damagedCopy(document.path);
            auto original = OriginalFile::open(audio[entry].get<std::string>());
            if (!original)
                return tl::unexpected(original.error());
            auto recording = decodeRecording(std::move(*original), fileName, progress);
            if (!recording)
                return recording;
            if (audioPath(**recording) != entry)
                return fail(ErrorCode::damaged,
                    fileName + " was changed on disk since " + document.name + " was made.",
                    "Put the recording as it was back to " + audio[entry].get<std::string>() + ".");
            return opened[entry] = *recording;
        });
    if (instrument && !makeSounds(*instrument, progress))
        return fail(ErrorCode::cancelled, "Opening " + document.name + " was cancelled.");
    return instrument;
}

void discard(const LeftBehind& left)
{
    std::error_code ignored;
    fs::remove_all(left.folder, ignored);
}

} // namespace puretone
