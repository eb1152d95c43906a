// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/commands.h"

#include "audio/level.h"
#include "base/files/safe_file.h"
#include "base/quantity.h"
#include "base/threads/all_cores.h"
#include "formats/export/regions.h"
#include "formats/midi/midi_file.h"
#include "formats/project/instrument_file.h"
#include "model/files/json.h"
#include "model/making/lay_out.h"
#include "model/words/readings.h"

#include <CLI/CLI.hpp>
#include <ostream>

namespace puretone {

namespace fs = std::filesystem;

namespace {

struct Options {
    std::vector<std::string> files;
    std::string file, out, root, keys, row, midi, notes;
    bool json = false, noLoop = false, names = false, byVelocity = false, plan = false,
         silences = false;
    double rate = 48000.0, follow = 1.0;
};

/// Does `work` for every file, says each failure, and goes on: 1 if any failed.
template <class Work>
int forEach(const std::vector<std::string>& files, std::ostream& err, Work work)
{
    int status = 0;
    for (const auto& file : files)
        if (const Result<void> done = work(fs::path(file)); !done) {
            err << done.error().sentence() << "\n";
            status = 1;
        }
    return status;
}

int failWith(const Error& error, std::ostream& err)
{
    err << error.sentence() << "\n";
    return 1;
}

int analyze(const Options& options, std::ostream& out, std::ostream& err)
{
    return forEach(options.files, err, [&](const fs::path& path) -> Result<void> {
        const auto recording = openRecording(path);
        if (!recording)
            return tl::unexpected(recording.error());
        const auto take = makeTake(*recording);
        if (!take)
            return tl::unexpected(take.error());
        out << (options.json ? analysisJson(path.string(), *take) + "\n"
                             : analysisText(path.string(), *take))
            << std::flush;
        return {};
    });
}

Result<std::pair<int, int>> parseKeyRange(const std::string& text)
{
    // A minus may also belong to an octave number: try every one as the separator.
    for (auto at = text.find('-', 1); at != std::string::npos; at = text.find('-', at + 1)) {
        const auto low = parseKey(text.substr(0, at)), high = parseKey(text.substr(at + 1));
        if (low && high && *low <= *high)
            return std::pair(*low, *high);
    }
    return fail(ErrorCode::badValue, "\"" + text + "\" is no key range.",
        "Write LOW-HIGH, for example C2-C6 or 36-84.");
}

/// One recording as a take.
Result<Take> readTake(const fs::path& path, const Options& options)
{
    const auto recording = openRecording(path);
    if (!recording)
        return tl::unexpected(recording.error());
    TakeOptions how;
    how.findLoop = !options.noLoop && !options.plan;
    auto take = makeTake(*recording, how);
    if (take && !options.root.empty()) {
        // The key that plays the recording; the fine tuning stays what was read, within its octave.
        const int key = *parseKey(options.root);
        const double rest =
            take->facts->pitch.midi ? nearestKey(*take->facts->pitch.midi).rest.value : 0.0;
        take->tuning = {key, -rest, TuningSource::byHand};
    }
    return take;
}

/// All of them, on all cores; says each failure. @return Takes in the order of the files.
std::vector<Take> readTakes(const Options& options, std::ostream& err, int& status)
{
    std::vector<std::optional<Result<Take>>> read(options.files.size());
    onAllCores(read.size(), [&](std::size_t i) { read[i] = readTake(options.files[i], options); });
    std::vector<Take> takes;
    for (auto& one : read)
        if (*one)
            takes.push_back(std::move(**one));
        else
            status = failWith(one->error(), err);
    return takes;
}

/// "C2:6": a first note and a step.
Result<NoteSeries> parseRow(const std::string& text)
{
    const auto colon = text.find(':');
    const auto key = parseKey(text.substr(0, colon));
    const auto step = colon == std::string::npos ? std::optional<double>(1.0)
                                                 : parseNumber(text.substr(colon + 1), "");
    if (key && step && *step == std::round(*step) && std::abs(*step) <= 48.0)
        return NoteSeries{*key, int(*step)};
    return fail(ErrorCode::badValue, "\"" + text + "\" is no row of notes.",
        "Write NOTE:STEP, for example C2:6.");
}

Result<LayOutOptions> layOutOptions(const Options& options)
{
    LayOutOptions how;
    how.reach = LayOutOptions::Reach::asBefore;
    if (options.byVelocity)
        how.share = LayOutOptions::Share::byTouch;
    if (options.names)
        how.roots = RootFrom::name;
    if (options.row.empty())
        return how;
    const auto series = parseRow(options.row);
    if (!series)
        return tl::unexpected(series.error());
    how.roots = RootFrom::series;
    how.series = *series;
    return how;
}

/// What is said about roots that differ, one line each.
void sayDifferences(const Instrument& instrument, const LayOutOptions& how, std::ostream& err)
{
    const auto said = rootsSaid(instrument, instrument.layers.front().id);
    if (const auto shift = nameShift(said); shift && how.roots == RootFrom::name)
        err << "All names agree with what is heard if they are read " << std::abs(*shift)
            << " semitones " << (*shift > 0 ? "higher" : "lower") << ".\n";
    const auto keyWords = [](std::optional<int> key) {
        return key ? keyWithNumber(*key) : std::string("nothing");
    };
    for (const auto& one : said)
        if (one.disagree()) {
            err << instrument.take(one.take)->name << ": heard " << keyWords(one.reading);
            if (one.file)
                err << ", in the file " << keyWords(one.file);
            if (one.name.key)
                err << ", in its name " << keyWords(one.name.key);
            err << ".\n";
        }
}

/// All takes on the keys of one layer, as the window lays them.
Instrument layTakes(
    std::vector<Take> takes, const LayOutOptions& how, std::string& sentence, std::ostream& err)
{
    Instrument instrument = makeInstrument(std::move(takes.front()));
    takes.erase(takes.begin());
    const bool many = !takes.empty();
    addTakes(instrument, std::move(takes));
    sayDifferences(instrument, how, err);
    if (many || how.roots != RootFrom::asSet)
        sentence = sentenceFor(layOut(instrument, instrument.layers.front().id, how));
    return instrument;
}

/// The outer zones of a layer end at these keys.
void reachOver(Layer& layer, int low, int high)
{
    int lowest = 127, highest = 0;
    for (const auto& zone : layer.zones) {
        lowest = std::min(lowest, zone.lowKey);
        highest = std::max(highest, zone.highKey);
    }
    for (auto& zone : layer.zones) {
        if (zone.lowKey == lowest)
            zone.lowKey = low;
        if (zone.highKey == highest)
            zone.highKey = high;
    }
}

int build(const Options& options, std::ostream& out, std::ostream& err)
{
    const fs::path target(options.out);
    const auto wrong = [&](const std::string& sentence) {
        err << sentence << "\n";
        return 2;
    };
    if (!options.plan && !kindOfFile(target))
        return wrong(shownName(target)
            + " has an ending that Pure Tone does not write. Use .puretone, .wav, .sfz or .sf2.");
    if (!options.root.empty() && !parseKey(options.root))
        return wrong("\"" + options.root + "\" is no key. Write a note like A#3 or a number.");
    const auto range = options.keys.empty() ? Result<std::pair<int, int>>(std::pair(-1, -1))
                                            : parseKeyRange(options.keys);
    if (!range)
        return wrong(range.error().sentence());
    const auto how = layOutOptions(options);
    if (!how)
        return wrong(how.error().sentence());
    int status = 0;
    auto takes = readTakes(options, err, status);
    if (takes.empty())
        return 1;
    std::string sentence;
    Instrument instrument = layTakes(std::move(takes), *how, sentence, err);
    instrument.name = instrumentName({options.files.begin(), options.files.end()});
    Layer& layer = instrument.layers.front();
    if (range->first >= 0)
        reachOver(layer, range->first, range->second);
    layer.follow = options.follow;
    instrument = sanitized(std::move(instrument));
    if (options.plan) {
        out << infoText(instrument) << (sentence.empty() ? "" : "  plan   " + sentence + "\n");
        return status;
    }
    for (const auto& loss : lossesOf(instrument, *kindOfFile(target)))
        err << loss << "\n";
    const auto written = writeInstrument(instrument, target);
    if (!written)
        return failWith(written.error(), err);
    out << infoText(instrument);
    if (!sentence.empty())
        out << "  laid   " << sentence << "\n";
    out << "  wrote  ";
    for (std::size_t i = 0; i < written->files.size(); ++i)
        out << (i > 0 ? ", " : "") << shownName(written->files[i]);
    out << " (" << formatBytes(written->bytes) << ")\n  check  " << written->checked << "\n";
    return status;
}

/// A name that no other piece has: "bottles C4", "bottles C4 2".
std::string pieceName(const Take& take, const std::string& stem, std::vector<std::string>& taken)
{
    const bool pitched = take.facts->pitch.verdict != PitchVerdict::none;
    const std::string plain = stem + " " + (pitched ? noteName(take.tuning.rootKey) : "no pitch");
    std::string name = plain;
    for (int n = 2; std::find(taken.begin(), taken.end(), name) != taken.end(); ++n)
        name = plain + " " + std::to_string(n);
    taken.push_back(name);
    return name;
}

int split(const Options& options, std::ostream& out, std::ostream& err)
{
    const auto recording = openRecording(options.file);
    if (!recording)
        return failWith(recording.error(), err);
    SplitOptions how;
    how.silencesOnly = options.silences;
    Take source;
    source.recording = *recording;
    const auto takes =
        makePieces(source, splitRecording(*(*recording)->audio, how).pieces, {{}, false});
    if (takes.empty())
        return failWith(
            {ErrorCode::nothingInside,
                shownName(options.file) + " holds no note that stands out of the noise.",
                "Choose another recording."},
            err);
    std::error_code made;
    fs::create_directories(fs::path(options.out).parent_path(), made);
    Instrument pieces;
    pieces.takes = takes;
    std::vector<std::string> names, files;
    const auto stem = fs::path(options.file).stem().string();
    for (const auto& take : takes)
        files.push_back(pieceName(take, stem, names) + ".wav");
    const auto set = writeWavSet(pieces, options.out, usualChoices(FileKind::wav), {}, files);
    if (!set)
        return failWith(set.error(), err);
    std::vector<SplitFile> written;
    for (std::size_t i = 0; i < takes.size(); ++i)
        written.push_back({&takes[i], (fs::path(options.out) / files[i]).string()});
    out << (options.json ? splitJson(written) + "\n" : splitText(written));
    return 0;
}

/// Opens an instrument and says what of it is not played.
Result<Instrument> openSaying(const fs::path& file, std::ostream& err)
{
    LeftOut leftOut;
    auto instrument = openInstrument(file, {}, &leftOut);
    if (instrument && !leftOut.empty()) {
        err << shownName(file) << ": not played here:";
        for (std::size_t i = 0; i < leftOut.size(); ++i)
            err << (i > 0 ? ", " : " ") << leftOut[i];
        err << ".\n";
    }
    return instrument;
}

int render(const Options& options, std::ostream& out, std::ostream& err)
{
    if (options.midi.empty() == options.notes.empty()) {
        err << "Give either --midi FILE or --notes \"KEY:START:SECONDS:VELOCITY ...\".\n";
        return 2;
    }
    if (options.rate < 8000.0 || options.rate > 384000.0) {
        err << "The rate must lie between 8000 and 384000 Hz.\n";
        return 2;
    }
    const auto events =
        options.midi.empty() ? parseNotes(options.notes) : readMidiFile(options.midi);
    if (!events)
        return failWith(events.error(), err);
    const auto instrument = openSaying(options.file, err);
    if (!instrument)
        return failWith(instrument.error(), err);
    const auto audio = renderEvents(*instrument, *events, options.rate);
    const auto written = writeWav(options.out, audio, SampleFormat::float32);
    if (!written)
        return failWith(written.error(), err);
    const auto top = peakLevel(audio, {Frames{0}, Frames{audio.frames()}});
    out << shownName(options.out) << ": " << formatSeconds(audio.seconds()) << ", peak "
        << formatDecibels(top) << "\n";
    return 0;
}

int info(const Options& options, std::ostream& out, std::ostream& err)
{
    auto instrument = openSaying(options.file, err);
    if (!instrument)
        return failWith(instrument.error(), err);
    // A project whose facts were lost says the same as before.
    if (kindOfFile(options.file) == FileKind::project)
        for (auto& take : instrument->takes)
            if (!take.facts.known())
                findFacts(take);
    out << (options.json ? infoJson(options.file, *instrument) + "\n" : infoText(*instrument));
    return 0;
}

} // namespace

int runCommandLine(const std::vector<std::string>& arguments, std::ostream& out, std::ostream& err)
{
    Options o;
    CLI::App app(
        "Pure Tone: one recorded sound becomes a tuned, playable instrument", "puretone-cli");
    app.require_subcommand(1);
    auto* analyzeCommand = app.add_subcommand("analyze", "Say what is known about recordings");
    analyzeCommand->add_option("FILE", o.files, "Sound files")->required();
    analyzeCommand->add_flag("--json", o.json, "One JSON object per line");
    auto* buildCommand = app.add_subcommand("build", "Make an instrument without a question");
    buildCommand->add_option("FILE", o.files, "Sound files")->required();
    auto* buildOut = buildCommand->add_option("-o", o.out, "OUT.puretone, .sf2, .sfz or .wav");
    buildCommand->add_option(
        "--root", o.root, "Key that plays the recording, for example A#3 or 58");
    buildCommand->add_option("--keys", o.keys, "Key range, for example C2-C6");
    buildCommand->add_flag("--no-loop", o.noLoop, "Play to the recorded end");
    buildCommand->add_flag("--names", o.names, "Roots from the names of the files");
    buildCommand->add_option(
        "--row", o.row, "Roots from a first note and a step, for example C2:6");
    buildCommand->add_option("--follow", o.follow, "How far the pitch follows the keys, 0 to 2")
        ->check(CLI::Range(0.0, 2.0));
    buildCommand->add_flag("--velocity-by-level", o.byVelocity,
        "Takes of one root sound by touch, the softest recording at the softest");
    auto* planFlag =
        buildCommand->add_flag("--plan", o.plan, "Say what would be laid out, and write nothing");
    auto* splitCommand = app.add_subcommand("split", "Cut one long recording into its notes");
    splitCommand->add_option("FILE", o.file, "Sound file")->required();
    splitCommand->add_option("-o", o.out, "Folder for the pieces")->required();
    splitCommand->add_flag("--silences", o.silences,
        "Cut at silences alone: notes that beat, swell or are struck again stay whole");
    splitCommand->add_flag("--json", o.json, "The pieces as JSON");
    auto* renderCommand = app.add_subcommand("render", "Play notes into a WAV file");
    renderCommand->add_option("INSTRUMENT", o.file, ".puretone, .sf2, .sfz or .wav")->required();
    renderCommand->add_option("--midi", o.midi, "Standard MIDI file");
    renderCommand->add_option("--notes", o.notes, "\"KEY:START:SECONDS:VELOCITY ...\"");
    renderCommand->add_option("-o", o.out, "OUT.wav")->required();
    renderCommand->add_option("--rate", o.rate, "Frames per second");
    auto* infoCommand = app.add_subcommand("info", "Say what an instrument holds");
    infoCommand->add_option("INSTRUMENT", o.file, "Instrument file")->required();
    infoCommand->add_flag("--json", o.json, "As JSON");
    try {
        // CLI11 takes the words last first.
        app.parse(std::vector<std::string>(arguments.rbegin(), arguments.rend()));
    } catch (const CLI::ParseError& error) {
        return app.exit(error, out, err) == 0 ? 0 : 2;
    }
    if (*analyzeCommand)
        return analyze(o, out, err);
    if (*buildCommand && buildOut->empty() && planFlag->empty()) {
        err << "Say where to write it: -o OUT, or --plan to write nothing.\n";
        return 2;
    }
    if (*buildCommand)
        return build(o, out, err);
    if (*splitCommand)
        return split(o, out, err);
    if (*renderCommand)
        return render(o, out, err);
    return info(o, out, err);
}

} // namespace puretone
