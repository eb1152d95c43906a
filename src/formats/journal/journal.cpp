// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/journal/journal.h"

#include "base/files/safe_file.h"
#include "base/say.h"
#include "formats/journal/journal_file.h"
#include "model/files/json.h"
#include "model/making/recordings.h"
#include "model/making/sounds.h"

#include <algorithm>
#include <fcntl.h>
#include <unistd.h>

namespace puretone {

namespace fs = std::filesystem;

namespace {

constexpr const char* lockName = "lock";
/// A journal that has grown to this much more than it began with is written anew.
constexpr std::uint64_t grownBytes = std::uint64_t(32) << 20U;

tl::unexpected<Error> damagedJournal(const fs::path& folder)
{
    return fail(ErrorCode::damaged,
        say("The journal in %1 is damaged and cannot be opened.", folder.string()));
}

/// Adds to the end of a file and waits until it is on disk.
bool append(const fs::path& path, const std::string& bytes)
{
    const int file = ::open(path.c_str(), O_WRONLY | O_APPEND | O_CLOEXEC);
    if (file < 0)
        return false;
    std::size_t done = 0;
    while (done < bytes.size()) {
        const auto written = ::write(file, bytes.data() + done, bytes.size() - done);
        if (written <= 0)
            break;
        done += std::size_t(written);
    }
    const bool good = done == bytes.size() && ::fdatasync(file) == 0;
    ::close(file);
    return good;
}

/// What would be lost: documents that are not saved, or, where all that undo comes upon is, what
/// redo would bring back.
std::vector<History::Unsaved> losable(const History::Snapshot& history)
{
    auto found = History::unsavedIn(history);
    if (found.empty() && history.done < history.steps.size()) {
        const auto& last = history.steps.back().after;
        const auto& home = history.homes[std::size_t(last.document)];
        if (!home.holds(last))
            found.push_back({last.document, *last.value, home.file});
    }
    return found;
}

} // namespace

Result<void> Journal::begin()
{
    if (lock_)
        return {};
    std::error_code failed;
    fs::create_directories(root_, failed);
    for (int n = 1; n < 1000 && !lock_; ++n) {
        const auto folder = root_ / (std::to_string(::getpid()) + "-" + std::to_string(n));
        if (!fs::create_directory(folder, failed))
            continue; // another window's, or one that was left behind
        lock_ = FileLock::take(folder / lockName);
        folder_ = folder;
    }
    if (!lock_)
        return fail(ErrorCode::cannotWrite,
            say("No journal of unsaved work can be kept in %1.", root_.string()),
            say("Make that folder writable, or save often."));
    return {};
}

Result<std::string> Journal::keepAudio(const Recording& recording)
{
    const auto entry = audioPath(recording);
    if (const auto known = audio_.find(entry); known != audio_.end())
        return known->second;
    const auto target = folder_ / fs::path(entry).filename();
    if (recording.original->path().empty()) {
        auto written = writeWhole(target,
            [&](const fs::path& temporary) { return recording.original->copyTo(temporary); });
        if (!written)
            return tl::unexpected(written.error());
        return audio_[entry] = target.string();
    }
    // A second name for the same file takes no room and outlives the removal of the first.
    const auto path = recording.original->path();
    const bool linked = ::link(path.c_str(), target.c_str()) == 0;
    return audio_[entry] = linked ? target.string() : path.string();
}

Result<void> Journal::addValue(const History::Kept& kept, std::string& records)
{
    if (!kept.value || !values_.emplace(kept.number, true).second)
        return {};
    Result<void> result;
    eachRecording(*kept.value, [&](const Recording& recording) {
        const auto entry = audioPath(recording);
        if (!result || named_.count(entry) != 0)
            return;
        const auto file = keepAudio(recording);
        if (!file) {
            result = tl::unexpected(file.error());
            return;
        }
        named_[entry] = true;
        records += journal::record('a', entry + "\t" + *file);
    });
    if (!result)
        return result;
    auto text = toJson(*kept.value);
    records += journal::valueRecord(kept.number, text, lastText_);
    lastText_ = std::move(text);
    return {};
}

std::string Journal::historyRecord(const History::Snapshot& history)
{
    journal::HistoryText text;
    const auto add = [&](const History::Kept& kept) {
        text.documents[kept.number] = kept.document;
        return kept.number;
    };
    std::vector<Step> steps;
    for (const auto& step : history.steps) {
        steps.push_back({add(step.before), add(step.after)});
        text.steps.push_back({step.name, steps.back().before, steps.back().after});
    }
    text.done = history.done;
    text.current = add(history.current);
    for (const auto& home : history.homes)
        text.homes.push_back({home.file, home.saved.value ? add(home.saved) : -1});
    for (const auto& document : losable(history))
        text.unsaved.emplace_back(document.value.name, document.file);
    const auto kept =
        std::size_t(std::mismatch(steps.begin(), steps.end(), steps_.begin(), steps_.end()).first
            - steps.begin());
    steps_ = std::move(steps);
    return journal::historyRecord(text, kept);
}

void Journal::forgetWritten()
{
    named_.clear();
    values_.clear();
    lastText_.clear();
    steps_.clear();
    bytes_ = 0;
}

Result<void> Journal::write(const History::Snapshot& history)
{
    std::string records;
    Result<void> result;
    const auto add = [&](const History::Kept& kept) {
        if (result)
            result = addValue(kept, records);
    };
    for (const auto& step : history.steps) {
        add(step.before);
        add(step.after);
    }
    add(history.current);
    for (const auto& home : history.homes)
        add(home.saved);
    if (!result)
        return result;
    records += historyRecord(history);
    const auto path = folder_ / journal::fileName;
    if (bytes_ == 0) {
        result = writeWhole(path, [&](const fs::path& temporary) {
            return writeBytes(temporary, std::as_bytes(std::span(records)));
        });
        whole_ = records.size();
    } else if (!append(path, records)) {
        result = fail(ErrorCode::cannotWrite,
            say("The journal of unsaved work in %1 could not be written.", root_.string()),
            say("Free some space, or save now."));
    }
    bytes_ += records.size();
    return result;
}

Result<void> Journal::keep(const History::Snapshot& history)
{
    // Where all is saved, it says so and goes on: what is edited next is on disk the sooner.
    if (!lock_ && losable(history).empty())
        return {};
    if (auto begun = begin(); !begun)
        return begun;
    if (bytes_ > whole_ + grownBytes)
        forgetWritten();
    auto done = write(history);
    if (!done)
        forgetWritten(); // what stands there now is not known: the next time it is written anew
    return done;
}

void Journal::clear()
{
    if (!lock_)
        return;
    std::error_code ignored;
    fs::remove_all(folder_, ignored);
    lock_.reset();
    audio_.clear();
    forgetWritten();
}

namespace {

constexpr const char* asideName = "unreadable-";

std::optional<journal::Contents> contentsOf(const fs::path& folder)
{
    const auto bytes = readFile(folder / journal::fileName);
    if (!bytes)
        return std::nullopt;
    return journal::read({reinterpret_cast<const char*>(bytes->data()), bytes->size()});
}

/// Whether it never came to a journal: nothing was said there that could be lost.
bool hasNoJournal(const fs::path& folder)
{
    std::error_code trouble;
    return !fs::exists(folder / journal::fileName, trouble) && !trouble;
}

/// Out of the way of later looks, where it can be moved.
fs::path setAside(const fs::path& folder)
{
    std::error_code trouble;
    auto aside = folder.parent_path() / (asideName + folder.filename().string());
    fs::rename(folder, aside, trouble);
    return trouble ? folder : aside;
}

} // namespace

Left leftBehind(const fs::path& root)
{
    Left found;
    std::error_code ignored;
    std::vector<fs::path> folders;
    for (const auto& entry : fs::directory_iterator(root, ignored))
        if (entry.is_directory(ignored)
            && entry.path().filename().string().rfind(asideName, 0) != 0)
            folders.push_back(entry.path());
    for (const auto& folder : folders) {
        LeftBehind left{folder, {}, FileLock::take(folder / lockName)};
        if (!left.lock)
            continue;
        const auto contents = contentsOf(folder);
        if (contents)
            for (const auto& [name, file] : contents->history.unsaved)
                left.documents.push_back({name, file});
        if (!left.documents.empty())
            found.work.push_back(std::move(left));
        else if ((contents && contents->whole) || hasNoJournal(folder))
            discard(left);
        else {
            left.lock.reset(); // its file goes before the folder has another name
            found.unreadable.push_back(setAside(folder));
        }
    }
    std::sort(found.work.begin(), found.work.end(), [&](const LeftBehind& a, const LeftBehind& b) {
        return fs::last_write_time(a.folder, ignored) < fs::last_write_time(b.folder, ignored);
    });
    return found;
}

namespace {

/// Makes values of a journal's texts, each recording opened once.
class Reader {
public:
    Reader(const LeftBehind& left, const journal::Contents& contents, const Progress& progress)
        : left_(left)
        , contents_(contents)
        , progress_(progress)
    {
    }

    Result<History::Kept> value(int number)
    {
        if (const auto known = values_.find(number); known != values_.end())
            return known->second;
        const auto text = contents_.values.find(number);
        if (text == contents_.values.end())
            return damagedJournal(left_.folder);
        auto instrument = fromJson(text->second, left_.documents.front().name,
            [&](const std::string& entry, const std::string& fileName) {
                return recording(entry, fileName);
            });
        if (!instrument)
            return values_[number] = tl::unexpected(instrument.error());
        const auto document = contents_.history.documents.find(number);
        const int of = document == contents_.history.documents.end() ? 0 : document->second;
        if (of < 0 || std::size_t(of) >= contents_.history.homes.size())
            return damagedJournal(left_.folder);
        return values_[number] = History::Kept{
                   std::make_shared<const Instrument>(std::move(*instrument)), of, number};
    }

private:
    Result<RecordingPtr> recording(const std::string& entry, const std::string& fileName)
    {
        if (const auto known = recordings_.find(entry); known != recordings_.end())
            return known->second ? underName(*known->second, fileName) : known->second;
        return recordings_[entry] = opened(entry, fileName);
    }
    Result<RecordingPtr> opened(const std::string& entry, const std::string& fileName) const
    {
        const auto file = contents_.audio.find(entry);
        if (file == contents_.audio.end())
            return damagedJournal(left_.folder);
        auto original = OriginalFile::open(file->second);
        if (!original)
            return tl::unexpected(original.error());
        auto recording = decodeRecording(std::move(*original), fileName, progress_);
        if (recording && audioPath(**recording) != entry)
            return fail(ErrorCode::damaged,
                say("%1 was changed on disk since %2 was made.", fileName,
                    left_.documents.front().name),
                say("Put the recording as it was back to %1.", file->second));
        return recording;
    }

    const LeftBehind& left_;
    const journal::Contents& contents_;
    Progress progress_;
    std::map<std::string, Result<RecordingPtr>> recordings_;
    std::map<int, Result<History::Kept>> values_;
};

} // namespace

Result<History::Snapshot> openLeft(const LeftBehind& left, const Progress& progress)
{
    const auto contents = contentsOf(left.folder);
    if (!contents || left.documents.empty())
        return damagedJournal(left.folder);
    Reader reader(left, *contents, progress);
    const auto current = reader.value(contents->history.current);
    if (!current)
        return tl::unexpected(current.error());
    History::Snapshot history;
    history.current = *current;
    // Steps that lead to what cannot be had end the way there.
    const auto& steps = contents->history.steps;
    const auto step = [&](std::size_t i) -> std::optional<History::Edit> {
        const auto before = reader.value(steps[i].before), after = reader.value(steps[i].after);
        if (!before || !after)
            return std::nullopt;
        return History::Edit{steps[i].name, *before, *after, 0};
    };
    for (std::size_t i = contents->history.done; i > 0; --i) {
        auto edit = step(i - 1);
        if (!edit)
            break;
        history.steps.insert(history.steps.begin(), std::move(*edit));
    }
    history.done = history.steps.size();
    for (std::size_t i = contents->history.done; i < steps.size(); ++i) {
        auto edit = step(i);
        if (!edit)
            break;
        history.steps.push_back(std::move(*edit));
    }
    for (const auto& home : contents->history.homes) {
        const auto saved =
            home.saved < 0 ? Result<History::Kept>(History::Kept{}) : reader.value(home.saved);
        history.homes.push_back({home.file, saved.value_or(History::Kept{})});
    }
    return history;
}

void discard(const LeftBehind& left)
{
    std::error_code ignored;
    fs::remove_all(left.folder, ignored);
}

} // namespace puretone
