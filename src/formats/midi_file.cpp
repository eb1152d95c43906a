// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/midi_file.h"

#include "base/safe_file.h"

#include <smf.h>

namespace puretone {

namespace {

/// libsmf reports through GLib's log; our sentences are enough.
void silenceLog(const gchar*, GLogLevelFlags, const gchar*, gpointer) { }

} // namespace

Result<std::vector<TimedEvent>> readMidiFile(const std::filesystem::path& path)
{
    auto bytes = readFile(path);
    if (!bytes)
        return tl::unexpected(bytes.error());
    g_log_set_default_handler(silenceLog, nullptr);
    const std::unique_ptr<smf_t, void (*)(smf_t*)> file(
        bytes->size() < 22 || bytes->size() > (1U << 30U)
            ? nullptr
            : smf_load_from_memory(bytes->data(), int(bytes->size())),
        smf_delete);
    if (!file)
        return fail(ErrorCode::notAudio, shownName(path) + " is not a MIDI file that can be read.",
            "Choose a Standard MIDI file (.mid).");
    std::vector<TimedEvent> events;
    bool hasNotes = false;
    while (smf_event_t* event = smf_get_next_event(file.get())) {
        if (event->midi_buffer_length < 2 || smf_event_is_metadata(event))
            continue;
        const auto parsed = parseMidi({event->midi_buffer, std::size_t(event->midi_buffer_length)});
        if (!parsed)
            continue;
        hasNotes = hasNotes || parsed->kind == MidiEvent::Kind::noteOn;
        events.push_back({event->time_seconds, *parsed});
    }
    if (!hasNotes)
        return fail(ErrorCode::nothingInside, shownName(path) + " holds no notes.",
            "Choose another MIDI file.");
    return events;
}

} // namespace puretone
