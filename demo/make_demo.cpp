// SPDX-License-Identifier: GPL-3.0-or-later
// make-demo FOLDER: writes the Skerry Light sounds as FLAC with what is true of each, and the demo
// instrument. Deterministic: run it after changing a sound and commit what it writes.

#include "base/files/safe_file.h"
#include "demo/sounds.h"
#include "formats/project/instrument_file.h"
#include "model/making/take_maker.h"

#include <cstdio>
#include <nlohmann/json.hpp>

using namespace puretone;
namespace fs = std::filesystem;

namespace {

std::string truthJson(const skerry::Sound& sound)
{
    const auto& t = sound.truth;
    nlohmann::ordered_json notes = nlohmann::ordered_json::array();
    for (const auto& n : t.notes)
        notes.push_back(
            {{"start", n.start}, {"end", n.end}, {"hz", n.hz}, {"midi", midiOf(Hz{n.hz})}});
    const nlohmann::ordered_json j = {{"story", t.story}, {"kind", t.kind},
        {"hz", t.hz ? nlohmann::ordered_json(*t.hz) : nullptr},
        {"midi", t.hz ? nlohmann::ordered_json(midiOf(Hz{*t.hz})) : nullptr},
        {"partials", t.partials}, {"vibratoCents", t.vibratoCents}, {"vibratoHz", t.vibratoHz},
        {"driftCents", t.driftCents}, {"noiseDb", t.noiseDb}, {"notes", notes}};
    return j.dump(2) + "\n";
}

bool said(const Result<void>& done)
{
    if (!done)
        std::fprintf(stderr, "%s\n", done.error().sentence().c_str());
    return bool(done);
}

} // namespace

int main(int argc, char** argv)
{
    if (argc != 2) {
        std::fputs("make-demo FOLDER\n", stderr);
        return 2;
    }
    const fs::path folder(argv[1]);
    std::error_code error;
    fs::create_directories(folder / "sounds", error);
    for (const auto& sound : skerry::allSounds()) {
        const auto path = folder / "sounds" / (sound.name + ".flac");
        if (!said(writeWhole(path, [&](const fs::path& temporary) {
                return writeFlac(temporary, sound.audio, SampleFormat::int16);
            })))
            return 1;
        const auto text = truthJson(sound);
        const auto truth = folder / "sounds" / (sound.name + ".json");
        if (!said(writeWhole(truth, [&](const fs::path& temporary) {
                return writeBytes(temporary, std::as_bytes(std::span(text)));
            })))
            return 1;
    }
    const auto recording = openRecording(folder / "sounds" / "fog-horn.flac");
    if (!recording)
        return 1;
    auto take = makeTake(*recording);
    if (!take)
        return 1;
    Instrument instrument = makeInstrument(std::move(*take));
    instrument.name = "Skerry Light";
    const auto written = writeInstrument(instrument, folder / "skerry-light.puretone");
    if (!written) {
        std::fprintf(stderr, "%s\n", written.error().sentence().c_str());
        return 1;
    }
    return 0;
}
