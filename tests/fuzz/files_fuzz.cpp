// SPDX-License-Identifier: GPL-3.0-or-later
// Bytes as every kind of file that is read: the first one says which, or PURETONE_READER does, for
// all of them, so that each reader can be given its time. See document_fuzz.cpp.
#include "base/files/safe_file.h"
#include "formats/export/regions.h"
#include "formats/formats.h"
#include "formats/journal/journal_file.h"
#include "formats/midi/midi_file.h"
#include "model/files/json.h"
#include "support/mangle.h"

using namespace puretone;

namespace {

/// Walks through one in sixteen of what could be opened: that takes a thousand times as long as
/// reading it, which is what this is about (document_fuzz walks through everything).
void walkSometimes(const Instrument& instrument, std::size_t size)
{
    if (size % 16 == 0)
        probe::walkThrough(instrument);
}

/// Files that are opened by their path, with a sample that is there.
void fromDisk(const char* name, std::span<const std::byte> bytes)
{
    static const probe::TemporaryFolder folder;
    static const bool sample = writeWav(folder / "tone.wav",
        probe::mono(probe::harmonicTone(233.0, 16000.0, 0.2), 16000.0), SampleFormat::int16)
                                   .has_value();
    if (sample && writeBytes(folder / name, bytes))
        if (const auto opened = openInstrument(folder / name); opened && opened->takes.size() < 4)
            walkSometimes(*opened, bytes.size());
}

} // namespace

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size)
{
    if (size < 2)
        return 0;
    const auto bytes = std::as_bytes(std::span(data + 1, size - 1));
    static const char* const reader = std::getenv("PURETONE_READER");
    switch ((reader != nullptr ? reader[0] - '0' : data[0]) % 7) {
    case 0:
        (void)decodeMidiFile(bytes, "x.mid");
        break;
    case 1:
        if (const auto bank = readSoundFont(OriginalFile({bytes.begin(), bytes.end()}), "x.sf2");
            bank && bank->takes.size() < 4)
            walkSometimes(*bank, bytes.size());
        break;
    case 2:
        if (const auto sound = decodeRecording({bytes.begin(), bytes.end()}, "x.wav");
            size % 16 == 0 && sound && (*sound)->audio->seconds() < 2.0
            && (*sound)->audio->channelCount() < 4)
            if (auto take = makeTake(*sound))
                probe::walkThrough(makeInstrument(std::move(*take)));
        break;
    case 3:
        (void)decodeSampler(bytes);
        break;
    case 4:
        fromDisk("x.sfz", bytes);
        break;
    case 5:
        fromDisk("x.puretone", bytes);
        break;
    default:
        (void)journal::read({reinterpret_cast<const char*>(bytes.data()), bytes.size()});
    }
    return 0;
}

/// What the fuzzing begins with: a small file of each kind, into the folder that is named.
extern "C" int LLVMFuzzerInitialize(int*, char***)
{
    const char* folder = std::getenv("PURETONE_SEED");
    if (folder == nullptr)
        return 0;
    const auto put = [&](const char* name, char kind, std::vector<std::byte> bytes) {
        bytes.insert(bytes.begin(), std::byte(kind));
        (void)writeBytes(std::filesystem::path(folder) / name, bytes);
    };
    const auto tone = probe::instrumentOf(probe::looped(
        probe::plainTake(probe::mono(probe::harmonicTone(233.0, 16000.0, 0.2), 16000.0), 58.0), 800,
        2400, 100));
    const unsigned char midi[] = {'M', 'T', 'h', 'd', 0, 0, 0, 6, 0, 0, 0, 1, 0, 96, 'M', 'T', 'r',
        'k', 0, 0, 0, 12, 0, 0x90, 69, 100, 96, 0x80, 69, 0, 0, 0xff, 0x2f, 0};
    const auto score = std::as_bytes(std::span(midi));
    put("midi", 0, {score.begin(), score.end()});
    const auto bank = std::filesystem::path(folder) / "x.sf2";
    if (writeInstrument(tone, bank)) {
        put("bank", 1, *readFile(bank));
        std::filesystem::remove(bank);
    }
    put("wave", 2, encodeTakeWav(prepareTake(tone.takes[0]), SampleFormat::int16));
    const std::string text = "#define $KEY 60\n<group> loop_mode=loop_continuous\n<region> "
                             "sample=tone.wav pitch_keycenter=$KEY cutoff_oncc1=1200\n";
    const auto words = std::as_bytes(std::span(text));
    put("text", 4, {words.begin(), words.end()});
    const auto project = std::filesystem::path(folder) / "x.puretone";
    if (writeProject(tone, project)) {
        put("project", 5, *readFile(project));
        std::filesystem::remove(project);
    }
    journal::HistoryText history;
    history.current = 1;
    history.homes = {{"", -1}};
    const auto log = journal::valueRecord(1, toJson(tone), "") + journal::historyRecord(history, 0);
    const auto records = std::as_bytes(std::span(log));
    put("journal", 6, {records.begin(), records.end()});
    put("sampler", 3, encodeSampler({60.5, {{{Frames{10}, Frames{100}}, 0}}}, 16000.0));
    return 0;
}
