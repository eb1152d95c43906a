// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/files/safe_file.h"
#include "base/say.h"
#include "base/threads/all_cores.h"
#include "formats/formats.h"
#include "model/files/json.h"
#include "model/making/recordings.h"

#include <list>
#include <mutex>
#include <set>
#include <zip.h>

namespace puretone {

namespace {

constexpr const char* documentName = "instrument.json";
constexpr const char* factsName = "facts.json";
/// Larger claims than this are damage, not music.
constexpr std::uint64_t mostEntryBytes = std::uint64_t(1) << 34U;
/// Of a description, which is packed: a small file may unfold to anything.
constexpr std::uint64_t mostTextBytes = std::uint64_t(1) << 28U;

struct CloseZip {
    void operator()(zip_t* zip) const { zip_discard(zip); }
};
using Zip = std::unique_ptr<zip_t, CloseZip>;

tl::unexpected<Error> damagedProject(const std::string& name, const std::string& what)
{
    return fail(ErrorCode::damaged, say("%1 is damaged: %2.", name, what),
        say("Open an older copy of it if there is one."));
}

/// Adds a source, which the archive takes over.
bool addEntry(zip_t* zip, const std::string& name, zip_source_t* source, bool squeeze)
{
    if (source == nullptr)
        return false;
    const auto index = zip_file_add(zip, name.c_str(), source, ZIP_FL_ENC_UTF_8);
    if (index < 0) {
        zip_source_free(source);
        return false;
    }
    // Equal documents give equal files: no clock in them.
    zip_file_set_dostime(zip, zip_uint64_t(index), 0, 0x21, 0);
    return zip_set_file_compression(
               zip, zip_uint64_t(index), squeeze ? ZIP_CM_DEFLATE : ZIP_CM_STORE, 0)
        == 0;
}

/// Calls with each recording that an archive holds, once.
template <class Each> void eachEntry(const Instrument& instrument, Each each)
{
    std::set<std::string> known;
    eachRecording(instrument, [&](const Recording& recording) {
        if (known.insert(audioPath(recording)).second)
            each(recording);
    });
}

/// What an archive reads of a recording's file, from its beginning to its end.
struct ReadingOriginal {
    const OriginalFile* original;
    std::uint64_t at = 0;

    zip_int64_t answer(void* data, zip_uint64_t length, zip_source_cmd_t command)
    {
        switch (command) {
        case ZIP_SOURCE_READ: {
            const auto got =
                original->read(at, {static_cast<std::byte*>(data), std::size_t(length)});
            at += got;
            return zip_int64_t(got);
        }
        case ZIP_SOURCE_STAT: {
            auto* about = static_cast<zip_stat_t*>(data);
            zip_stat_init(about);
            about->valid = ZIP_STAT_SIZE;
            about->size = original->size();
            return sizeof *about;
        }
        case ZIP_SOURCE_ERROR: {
            zip_error_t none;
            zip_error_init(&none);
            return zip_error_to_data(&none, data, length);
        }
        case ZIP_SOURCE_SUPPORTS:
            return zip_source_make_command_bitmap(ZIP_SOURCE_OPEN, ZIP_SOURCE_READ,
                ZIP_SOURCE_CLOSE, ZIP_SOURCE_STAT, ZIP_SOURCE_ERROR, ZIP_SOURCE_FREE, -1);
        case ZIP_SOURCE_OPEN:
            at = 0;
            return 0;
        case ZIP_SOURCE_CLOSE:
        case ZIP_SOURCE_FREE:
            return 0;
        default:
            return -1;
        }
    }
    /// Must outlive the archive.
    zip_source_t* source(zip_t* zip)
    {
        return zip_source_function(
            zip,
            [](void* self, void* data, zip_uint64_t length, zip_source_cmd_t command) {
                return static_cast<ReadingOriginal*>(self)->answer(data, length, command);
            },
            this);
    }
};

Result<std::vector<std::byte>> readEntry(zip_t* zip, const std::string& entry,
    const std::string& name, std::uint64_t most, std::uint64_t archiveBytes = 0)
{
    zip_stat_t about;
    zip_stat_init(&about);
    if (zip_stat(zip, entry.c_str(), 0, &about) != 0)
        return damagedProject(name, say("%1 is missing inside", entry));
    if ((about.valid & ZIP_STAT_SIZE) == 0 || about.size > most)
        return damagedProject(name, say("%1 has an impossible size", entry));
    const std::unique_ptr<zip_file_t, int (*)(zip_file_t*)> file(
        zip_fopen(zip, entry.c_str(), 0), zip_fclose);
    if (!file)
        return damagedProject(name, say("%1 cannot be read", entry));
    // Grown while reading, so that a false claim of size takes no memory; what is stored as it is
    // has its bytes in the archive.
    std::vector<std::byte> bytes;
    if ((about.valid & ZIP_STAT_COMP_METHOD) != 0 && about.comp_method == ZIP_CM_STORE)
        bytes.reserve(std::size_t(std::min<std::uint64_t>(about.size, archiveBytes)));
    constexpr std::size_t step = 1 << 20;
    while (bytes.size() < about.size) {
        const auto had = bytes.size();
        bytes.resize(std::min<std::size_t>(std::size_t(about.size), had + step));
        const auto got = zip_fread(file.get(), bytes.data() + had, bytes.size() - had);
        if (got <= 0)
            return damagedProject(name, say("%1 is cut off", entry));
        bytes.resize(had + std::size_t(got));
    }
    // Reading to the very end makes libzip compare the checksum.
    std::byte beyond{};
    if (zip_fread(file.get(), &beyond, 1) != 0)
        return damagedProject(name, say("%1 fails its checksum", entry));
    return bytes;
}

} // namespace

std::uint64_t projectBytes(const Instrument& instrument)
{
    // The archive with nothing in its recordings: what is stored adds its own size, no more.
    zip_error_t error;
    zip_error_init(&error);
    zip_source_t* source = zip_source_buffer_create(nullptr, 0, 0, &error);
    zip_t* zip = source != nullptr ? zip_open_from_source(source, ZIP_TRUNCATE, &error) : nullptr;
    zip_error_fini(&error);
    if (zip == nullptr) {
        zip_source_free(source);
        return 0;
    }
    Zip owner(zip);
    zip_source_keep(source);
    const std::string document = toJson(instrument), facts = factsToJson(instrument);
    for (const auto& [entry, text] : {std::pair(documentName, &document), {factsName, &facts}})
        addEntry(zip, entry, zip_source_buffer(zip, text->data(), text->size(), 0), true);
    std::uint64_t bytes = 0;
    eachEntry(instrument, [&](const Recording& recording) {
        addEntry(zip, audioPath(recording), zip_source_buffer(zip, nullptr, 0, 0), false);
        bytes += recording.original->size();
    });
    zip_stat_t about;
    if (zip_close(zip) == 0) {
        (void)owner.release(); // closed
        if (zip_source_stat(source, &about) == 0)
            bytes += about.size;
    }
    owner.reset();
    zip_source_free(source);
    return bytes;
}

Result<void> writeProject(const Instrument& instrument, const std::filesystem::path& path)
{
    const auto failed = [&](const std::string& why) {
        return fail(ErrorCode::cannotWrite,
            say("%1 could not be written: %2.", shownName(path), why),
            say("Choose another folder."));
    };
    const std::string document = toJson(instrument), facts = factsToJson(instrument);
    std::list<ReadingOriginal> readings; // ends after the archive
    int code = 0;
    zip_t* zip = zip_open(path.c_str(), ZIP_CREATE | ZIP_TRUNCATE, &code);
    if (zip == nullptr)
        return failed(say("the archive could not be begun"));
    Zip owner(zip);
    bool good = true;
    for (const auto& [entry, text] : {std::pair(documentName, &document), {factsName, &facts}})
        good = good
            && addEntry(zip, entry, zip_source_buffer(zip, text->data(), text->size(), 0), true);
    eachEntry(instrument, [&](const Recording& recording) {
        readings.push_back({recording.original.get()});
        good = good && addEntry(zip, audioPath(recording), readings.back().source(zip), false);
    });
    if (!good)
        return failed(zip_strerror(zip));
    if (zip_close(zip) != 0) {
        zip_error_t* error = zip_get_error(zip);
        // What the system says has a sentence of its own.
        if (zip_error_system_type(error) == ZIP_ET_SYS)
            return tl::unexpected(writeError(path, zip_error_code_system(error)));
        return failed(zip_strerror(zip));
    }
    (void)owner.release(); // closed
    return {};
}

namespace {

/// The recordings that a document names, by their entries, decoded on all cores.
std::map<std::string, Result<RecordingPtr>> readRecordings(zip_t* zip, std::uint64_t archiveBytes,
    const std::string& document, const std::string& name, const Progress& progress)
{
    // Any will do to learn what is named.
    static const auto nothing = makeRecording({48000.0, {std::vector<float>(shortestTake)}}, "");
    std::map<std::string, std::string> named;
    (void)fromJson(document, name,
        [&](const std::string& entry, const std::string& fileName) -> Result<RecordingPtr> {
            named.emplace(entry, fileName);
            return nothing;
        });
    const std::vector<std::pair<std::string, std::string>> wanted(named.begin(), named.end());
    std::map<std::string, Result<RecordingPtr>> read;
    std::mutex guard; // an archive is read by one at a time
    std::size_t done = 0;
    onAllCores(wanted.size(), [&](std::size_t i) {
        const auto& [entry, fileName] = wanted[i];
        std::unique_lock lock(guard);
        auto bytes = readEntry(zip, entry, name, mostEntryBytes, archiveBytes);
        lock.unlock();
        auto recording = bytes ? decodeRecording(std::move(*bytes), fileName, {progress.stop, {}})
                               : tl::unexpected(bytes.error());
        if (recording && entry != audioPath(**recording))
            recording = damagedProject(name, say("the audio of %1 was changed", fileName));
        lock.lock();
        read.emplace(entry, std::move(recording));
        progress.at(double(++done) / double(wanted.size()));
    });
    return read;
}

} // namespace

Result<Instrument> readProject(const std::filesystem::path& path, const Progress& progress)
{
    const auto name = shownName(path);
    // From the disk, piece by piece: it may be as large as memory. Held open, it stays what it was,
    // whatever takes its place.
    std::error_code unknown;
    const auto archiveBytes = std::filesystem::is_regular_file(path, unknown)
        ? std::filesystem::file_size(path, unknown)
        : 0;
    int code = 0;
    const Zip zip(
        archiveBytes > 0 && !unknown ? zip_open(path.c_str(), ZIP_RDONLY, &code) : nullptr);
    if (!zip) {
        const auto bytes = readFile(path); // finds the words for what cannot be read
        if (!bytes)
            return tl::unexpected(bytes.error());
        if (bytes->empty())
            return fail(ErrorCode::nothingInside, say("%1 is empty.", name),
                say("Choose another instrument."));
        return damagedProject(name, say("it is not a Pure Tone archive"));
    }
    const auto document = readEntry(zip.get(), documentName, name, mostTextBytes);
    if (!document)
        return tl::unexpected(document.error());
    const auto textOf = [](const std::vector<std::byte>& entry) {
        return std::string(reinterpret_cast<const char*>(entry.data()), entry.size());
    };
    const auto text = textOf(*document);
    const auto opened = readRecordings(zip.get(), archiveBytes, text, name, progress);
    auto instrument = fromJson(text, name,
        [&](const std::string& entry, const std::string& fileName) -> Result<RecordingPtr> {
            const auto found = opened.find(entry);
            if (found == opened.end()) // fails before it comes to this
                return damagedProject(name, say("%1 is missing inside", entry));
            if (!found->second)
                return found->second;
            return underName(*found->second, fileName);
        });
    // Facts can be found again: where they are missing or damaged, that is no reason to refuse.
    if (instrument)
        if (const auto facts = readEntry(zip.get(), factsName, name, mostTextBytes))
            addFacts(*instrument, textOf(*facts));
    return instrument;
}

} // namespace puretone
