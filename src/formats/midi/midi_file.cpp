// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/midi/midi_file.h"

#include "audio/files/riff.h"
#include "base/files/safe_file.h"
#include "base/say.h"

#include <algorithm>

namespace puretone {

namespace {

constexpr std::size_t mostEvents = 2000000;

/// The numbers of MIDI files, which are big-endian.
class Bytes : public ByteReader {
public:
    using ByteReader::ByteReader;
    unsigned number(int size)
    {
        unsigned value = 0;
        for (int i = 0; i < size; ++i)
            value = value << 8U | u8();
        return value;
    }
    /// Seven bits a byte, four bytes at most.
    unsigned variable()
    {
        unsigned value = 0;
        for (int i = 0; i < 4; ++i) {
            const unsigned byte = u8();
            value = value << 7U | (byte & 0x7fU);
            if ((byte & 0x80U) == 0)
                return value;
        }
        spoil();
        return 0;
    }
    bool more() const { return ok() && left() > 0; }
};

struct TickEvent {
    std::uint64_t tick = 0;
    MidiEvent event;
};
struct Tempo {
    std::uint64_t tick = 0;
    double secondsPerQuarter = 0.5;
};
/// All tracks on one line of ticks.
struct Score {
    std::vector<TickEvent> events;
    std::vector<Tempo> tempos;
    bool full = false; ///< More events than are taken.
};

/// Reads what a meta event says; only the tempo counts.
void readMeta(unsigned type, std::span<const std::byte> body, std::uint64_t tick, Score& score)
{
    if (type != 0x51 || body.size() != 3)
        return;
    const unsigned microseconds = Bytes(body).number(3);
    if (microseconds > 0)
        score.tempos.push_back({tick, microseconds / 1e6});
}

/// One track from `tick` on. @return Where it ends; nothing where it makes no sense.
std::optional<std::uint64_t> readTrack(
    std::span<const std::byte> body, std::uint64_t tick, Score& score)
{
    Bytes in(body);
    unsigned running = 0; // the status that goes on where none is given
    while (in.more() && !score.full) {
        tick += in.variable();
        unsigned byte = in.u8();
        if (byte == 0xff) {
            const unsigned type = in.u8();
            readMeta(type, in.raw(in.variable()), tick, score);
            if (type == 0x2f)
                break;
            continue;
        }
        if (byte == 0xf0 || byte == 0xf7) {
            in.raw(in.variable());
            running = 0;
            continue;
        }
        std::uint8_t message[3] = {};
        const bool hasStatus = (byte & 0x80U) != 0;
        running = hasStatus ? byte : running;
        if (running < 0x80 || running >= 0xf0)
            return std::nullopt;
        const bool oneByte = (running & 0xe0U) == 0xc0; // program, channel pressure
        message[0] = std::uint8_t(running);
        message[1] = std::uint8_t(hasStatus ? in.u8() : byte);
        message[2] = oneByte ? std::uint8_t(0) : std::uint8_t(in.u8());
        if (!in.ok() || message[1] > 127 || message[2] > 127)
            return std::nullopt;
        if (const auto event = parseMidi(std::span(message, oneByte ? 2U : 3U)))
            score.events.push_back({tick, *event});
        score.full = score.events.size() > mostEvents;
    }
    return in.ok() ? std::optional(tick) : std::nullopt;
}

/// Ticks to seconds along the tempo changes, which come in order, as the ticks asked for must.
class Clock {
public:
    /// @param division As the header says it; not 0.
    Clock(unsigned division, std::vector<Tempo> tempos)
    {
        if ((division & 0x8000U) != 0) {
            // Frames a second, negative in the upper byte (29 means 29.97), and ticks a frame.
            const int code = 256 - int(division >> 8U);
            const double frames = code == 29 ? 30000.0 / 1001.0 : double(code);
            secondsPerTick_ = 1.0 / (frames * std::max(1U, division & 0xffU));
            return;
        }
        ticksPerQuarter_ = double(division);
        secondsPerTick_ = 0.5 / ticksPerQuarter_;
        tempos_ = std::move(tempos);
        std::stable_sort(tempos_.begin(), tempos_.end(),
            [](const Tempo& a, const Tempo& b) { return a.tick < b.tick; });
    }
    double secondsAt(std::uint64_t tick)
    {
        for (; next_ < tempos_.size() && tempos_[next_].tick <= tick; ++next_) {
            seconds_ += double(tempos_[next_].tick - from_) * secondsPerTick_;
            from_ = tempos_[next_].tick;
            secondsPerTick_ = tempos_[next_].secondsPerQuarter / ticksPerQuarter_;
        }
        return seconds_ + double(tick - from_) * secondsPerTick_;
    }

private:
    std::vector<Tempo> tempos_;
    std::size_t next_ = 0;
    double ticksPerQuarter_ = 1.0, secondsPerTick_ = 0.5;
    std::uint64_t from_ = 0;
    double seconds_ = 0.0;
};

struct FileHeader {
    unsigned format = 0;
    unsigned division = 0;
};

/// Reads all tracks. @return Nothing where the file is cut off or makes no sense.
std::optional<std::pair<FileHeader, Score>> readScore(std::span<const std::byte> bytes)
{
    Bytes in(bytes);
    in.raw(4);
    Bytes head(in.raw(in.number(4)));
    FileHeader header;
    header.format = head.number(2);
    head.number(2); // what it says of the number of tracks; the chunks themselves count
    header.division = head.number(2);
    if (!in.ok() || !head.ok() || header.division == 0)
        return std::nullopt;
    Score score;
    std::uint64_t end = 0;
    while (in.more() && !score.full) {
        const auto kind = in.raw(4);
        const auto body = in.raw(in.number(4));
        if (!in.ok())
            return std::nullopt;
        if (std::string_view(reinterpret_cast<const char*>(kind.data()), 4) != "MTrk")
            continue; // of somebody else
        const auto ended = readTrack(body, header.format == 2 ? end : 0, score);
        if (!ended)
            return std::nullopt;
        end = *ended;
    }
    return std::pair(header, std::move(score));
}

} // namespace

Result<std::vector<TimedEvent>> decodeMidiFile(
    std::span<const std::byte> bytes, const std::string& name)
{
    const std::string_view head(
        reinterpret_cast<const char*>(bytes.data()), std::min<std::size_t>(4, bytes.size()));
    if (head != "MThd")
        return fail(ErrorCode::notAudio, say("%1 is not a MIDI file that can be read.", name),
            say("Choose a Standard MIDI file (.mid)."));
    auto read = readScore(bytes);
    if (!read)
        return fail(ErrorCode::damaged,
            say("%1 is damaged: it is cut off or makes no sense inside.", name),
            say("Copy it again from where it came from, or save it anew in the program that made "
                "it."));
    auto& [header, score] = *read;
    std::stable_sort(score.events.begin(), score.events.end(),
        [](const TickEvent& a, const TickEvent& b) { return a.tick < b.tick; });
    Clock clock(header.division, std::move(score.tempos));
    std::vector<TimedEvent> events;
    events.reserve(score.events.size());
    for (const auto& [tick, event] : score.events)
        events.push_back({clock.secondsAt(tick), event});
    if (score.full || (!events.empty() && events.back().seconds > longestPerformance))
        return fail(ErrorCode::badValue,
            say("%1 is longer than an hour or two million events.", name),
            say("Cut it into parts."));
    if (std::none_of(events.begin(), events.end(),
            [](const TimedEvent& e) { return e.event.kind == MidiEvent::Kind::noteOn; }))
        return fail(ErrorCode::nothingInside, say("%1 holds no notes.", name),
            say("Choose another MIDI file."));
    return events;
}

double tempoOfMidiFile(std::span<const std::byte> bytes)
{
    const auto read = readScore(bytes);
    if (!read || read->second.tempos.empty())
        return 120.0;
    const auto& tempos = read->second.tempos;
    const auto first = std::min_element(tempos.begin(), tempos.end(),
        [](const Tempo& a, const Tempo& b) { return a.tick < b.tick; });
    return 60.0 / std::max(1e-3, first->secondsPerQuarter);
}

Result<std::vector<TimedEvent>> readMidiFile(const std::filesystem::path& path)
{
    const auto bytes = readFile(path);
    if (!bytes)
        return tl::unexpected(bytes.error());
    return decodeMidiFile(*bytes, shownName(path));
}

} // namespace puretone
