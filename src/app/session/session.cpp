// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/session.h"

#include "audio/level.h"
#include "base/safe_file.h"
#include "model/take_maker.h"

#include <cstdio>

namespace puretone::app {

Session::Session(QObject* parent)
    : QObject(parent)
{
    connect(&player_, &Player::rateChanged, this, &Session::compile);
    connect(&player_, &Player::message, this, [this](const QString& s) { say(s); });
    connect(&background_, &Background::rested, this, [this](const QString& key) {
        if (key == QLatin1String("open"))
            emit openingChanged();
    });
}

const Take* Session::take() const
{
    if (const Take* shown = instrument().take(shownTake_))
        return shown;
    const auto& takes = instrument().takes;
    return takes.empty() ? nullptr : &takes.front();
}

void Session::showTake(int id)
{
    shownTake_ = id;
    split_.reset();
    afterChange();
}

std::optional<LoopCandidate> Session::seam() const
{
    return take() != nullptr && seamOf_ == take()->id ? seam_ : std::nullopt;
}

void Session::setNaming(const Naming& naming)
{
    naming_ = naming;
    emit changed();
}

void Session::edit(const QString& name, const std::function<void(Instrument&)>& change, int gesture)
{
    Instrument next = instrument();
    change(next);
    if (history_.apply(name.toStdString(), sanitized(std::move(next)), gesture))
        afterChange();
}

void Session::editTake(const QString& name, const std::function<void(Take&)>& change, int gesture)
{
    if (const Take* current = take())
        edit(
            name, [&, id = current->id](Instrument& next) { change(*next.take(id)); }, gesture);
}

void Session::abandon(int gesture)
{
    history_.abandon(gesture);
    afterChange();
}

void Session::undo()
{
    history_.undo();
    afterChange();
}

void Session::redo()
{
    history_.redo();
    afterChange();
}

void Session::afterChange()
{
    makePeaks();
    compile();
    measureSeam();
    analyseForDrawing();
    emit changed();
}

void Session::compile()
{
    using Made = std::shared_ptr<std::unique_ptr<const Program>>;
    const double rate = player_.engine().rate();
    background_.run(
        "compile", Background::Running::finish,
        [compiler = compiler_, document = instrument(), rate](const Progress&) -> std::any {
            return std::make_shared<std::unique_ptr<const Program>>(
                compiler->compile(document, rate));
        },
        [this](const std::any& made) {
            player_.engine().setProgram(std::move(*std::any_cast<Made>(made)));
        });
}

void Session::measureSeam()
{
    const Take* current = take();
    if (current == nullptr || !current->loop.on || (seam() && seam()->loop == current->loop))
        return;
    background_.run(
        "seam", Background::Running::finish,
        [recording = current->recording, loop = current->loop, period = current->period()](
            const Progress&) -> std::any { return judgeLoop(*recording->audio, loop, period); },
        [this, id = current->id](const std::any& judged) {
            seam_ = std::any_cast<LoopCandidate>(judged);
            seamOf_ = id;
            emit derivedChanged();
        });
}

void Session::analyseForDrawing()
{
    const Take* current = take();
    if (current == nullptr)
        return;
    const Drawn wanted{current->recording->audio, current->kept,
        current->pitch.midi.value_or(current->tuning.soundingMidi())};
    if (drawn_ == wanted)
        return;
    if (drawn_.audio != wanted.audio) {
        pitchLine_.reset();
        spectrum_.reset();
    }
    loudness_.reset();
    drawn_ = wanted;
    struct Found {
        PitchLine line;
        MeanSpectrum spectrum;
        Decibels loudness;
    };
    background_.run(
        "drawing", Background::Running::cancel,
        [wanted](const Progress& progress) -> std::any {
            const auto mono = mixToMono(*wanted.audio, wanted.kept);
            Found found;
            found.line = followPitch(mono, wanted.audio->rate, wanted.midi, 600, progress);
            if (progress.cancelled())
                return found;
            found.spectrum = meanSpectrum(mono, wanted.audio->rate);
            found.loudness = loudnessLufs(*wanted.audio, wanted.kept);
            return found;
        },
        [this](const std::any& result) {
            const auto& found = std::any_cast<const Found&>(result);
            pitchLine_ = found.line;
            spectrum_ = found.spectrum;
            loudness_ = found.loudness;
            emit derivedChanged();
        });
}

void Session::makePeaks()
{
    std::erase_if(peaks_, [&](const Peaks& p) {
        const auto& takes = instrument().takes;
        return std::none_of(takes.begin(), takes.end(),
            [&](const Take& t) { return t.recording->audio == p.audio; });
    });
    using Pyramid = std::shared_ptr<const PeakPyramid>;
    for (const auto& t : instrument().takes) {
        const AudioPtr audio = t.recording->audio;
        if (std::any_of(
                peaks_.begin(), peaks_.end(), [&](const Peaks& p) { return p.audio == audio; }))
            continue;
        // Short recordings are ready before the first paint; long ones come a moment later.
        if (audio->frames() < std::int64_t(30.0 * audio->rate)) {
            peaks_.push_back({audio, std::make_shared<const PeakPyramid>(audio)});
            continue;
        }
        peaks_.push_back({audio, nullptr});
        background_.run(
            "peaks " + t.recording->hash, Background::Running::finish,
            [audio](const Progress&) -> std::any {
                return Pyramid(std::make_shared<const PeakPyramid>(audio));
            },
            [this, audio](const std::any& made) {
                for (auto& p : peaks_)
                    if (p.audio == audio)
                        p.pyramid = std::any_cast<Pyramid>(made);
                emit derivedChanged();
            });
    }
}

std::shared_ptr<const PeakPyramid> Session::peaksOf(const Take* wanted) const
{
    for (const auto& p : peaks_)
        if (wanted != nullptr && p.audio == wanted->recording->audio)
            return p.pyramid;
    return nullptr;
}

void Session::addFiles(const QStringList& paths)
{
    struct Opened {
        std::vector<Take> takes;
        QStringList reasons;
    };
    std::vector<std::filesystem::path> files;
    for (const auto& path : paths)
        files.emplace_back(path.toStdString());
    background_.run(
        "open", Background::Running::cancel,
        [files](const Progress& progress) -> std::any {
            Opened opened;
            for (std::size_t i = 0; i < files.size() && !progress.cancelled(); ++i) {
                const auto part = progress.part(
                    double(i) / double(files.size()), double(i + 1) / double(files.size()));
                const auto recording = openRecording(files[i], part.part(0.0, 0.3));
                auto made = recording ? makeTake(*recording, {}, part.part(0.3, 1.0))
                                      : Result<Take>(tl::unexpected(recording.error()));
                if (made)
                    opened.takes.push_back(std::move(*made));
                else
                    opened.reasons << QString::fromStdString(made.error().message);
            }
            return opened;
        },
        [this](const std::any& result) {
            const auto& opened = std::any_cast<const Opened&>(result);
            const auto count = opened.takes.size();
            if (count > 0)
                edit(count == 1 ? tr("Add a take") : tr("Add %1 takes").arg(count),
                    [&](Instrument& next) {
                        const bool first = next.takes.empty();
                        addTakes(next, opened.takes);
                        if (first)
                            next.name = makeInstrument(opened.takes.front()).name;
                    });
            if (!opened.reasons.isEmpty())
                say(tr("%1 could not be opened. %2")
                        .arg(opened.reasons.size() == 1 ? tr("One file")
                                                        : tr("%1 files").arg(opened.reasons.size()),
                            opened.reasons.join(QLatin1Char(' '))));
            else
                say(tr("%1 takes are on the keys.").arg(instrument().takes.size()), false);
        });
    emit openingChanged();
}

void Session::removeTake(int id)
{
    edit(tr("Remove take"), [&](Instrument& next) {
        std::erase_if(next.takes, [&](const Take& t) { return t.id == id; });
        std::erase_if(next.zones, [&](const Zone& z) { return z.take == id; });
        if (!next.zones.empty())
            spreadByRoots(next);
    });
}

void Session::proposeSplit(const SplitOptions& options)
{
    const Take* current = take();
    if (current == nullptr)
        return;
    background_.run(
        "split", Background::Running::cancel,
        [audio = current->recording->audio, options](const Progress& progress) -> std::any {
            return splitRecording(*audio, options, progress);
        },
        [this, audio = current->recording->audio](const std::any& found) {
            if (take() == nullptr || take()->recording->audio != audio)
                return;
            split_ = std::any_cast<SplitResult>(found);
            emit derivedChanged();
        });
}

void Session::forgetSplit()
{
    background_.cancel("split");
    split_.reset();
    emit derivedChanged();
}

void Session::changeSplit(const SplitResult& changed)
{
    split_ = changed;
    emit derivedChanged();
}

void Session::makeSplit(const std::optional<NoteSeries>& series)
{
    const Take* current = take();
    if (current == nullptr || !split_)
        return;
    using Takes = std::vector<Take>;
    background_.run(
        "open", Background::Running::cancel,
        [recording = current->recording.pointer(), pieces = split_->pieces, series](
            const Progress& progress) -> std::any {
            return Takes(makePieces(recording, pieces, {}, series, progress));
        },
        [this, id = current->id](const std::any& made) {
            const auto& takes = std::any_cast<const Takes&>(made);
            if (takes.empty() || instrument().take(id) == nullptr)
                return;
            edit(tr("Split into %1 takes").arg(takes.size()), [&](Instrument& next) {
                std::erase_if(next.takes, [&](const Take& t) { return t.id == id; });
                std::erase_if(next.zones, [&](const Zone& z) { return z.take == id; });
                addTakes(next, takes);
            });
            forgetSplit();
            const auto doubtful = std::count_if(takes.begin(), takes.end(), contradictsSeries);
            if (doubtful > 0)
                say(tr("%1 of %2 takes read as another note than their place in the row says; they "
                       "are marked in the list.")
                        .arg(doubtful)
                        .arg(takes.size()));
            else
                say(tr("%1 takes are on the keys, each around its own root.").arg(takes.size()),
                    false);
        });
    emit openingChanged();
}

void Session::open(const QString& path)
{
    const std::filesystem::path file(path.toStdString());
    // A sound file is listened to anew even when it brings a root and a loop of its own.
    const bool isInstrument = [&] {
        const auto kind = kindOfFile(file);
        return kind && *kind != FileKind::wav;
    }();
    background_.run(
        "open", Background::Running::cancel,
        [file, isInstrument](const Progress& progress) -> std::any {
            if (isInstrument)
                return openInstrument(file, progress);
            const auto recording = openRecording(file, progress.part(0.0, 0.3));
            if (!recording)
                return Result<Instrument>(tl::unexpected(recording.error()));
            auto made = makeTake(*recording, {}, progress.part(0.3, 1.0));
            if (!made)
                return Result<Instrument>(tl::unexpected(made.error()));
            return Result<Instrument>(makeInstrument(std::move(*made)));
        },
        [this, path](
            const std::any& result) { opened(path, std::any_cast<Result<Instrument>>(result)); });
    emit openingChanged();
}

void Session::cancelOpening()
{
    background_.cancel("open");
}

void Session::opened(const QString& path, const Result<Instrument>& result)
{
    if (!result) {
        say(QString::fromStdString(result.error().sentence()));
        return;
    }
    const bool isProject = kindOfFile(path.toStdString()) == FileKind::project;
    const auto name = QString::fromStdString(shownName(path.toStdString()));
    // Opening is a step like any other: what was there before is one undo away.
    edit(tr("Open %1").arg(name), [&](Instrument& next) { next = *result; });
    path_ = isProject ? path : QString();
    if (isProject)
        history_.markSaved();
    emit changed();
    say(isProject ? tr("%1 is open.").arg(name)
                  : tr("%1 is ready: play it on the keys below.").arg(name),
        false);
}

void Session::clear()
{
    path_.clear();
    edit(tr("New instrument"), [](Instrument& next) { next = Instrument(); });
}

void Session::save(const QString& path)
{
    background_.run(
        "save", Background::Running::finish,
        [document = instrument(), path](const Progress&) -> std::any {
            return std::pair(document, writeInstrument(document, path.toStdString()));
        },
        [this, path](const std::any& done) {
            const auto& [document, written] =
                std::any_cast<const std::pair<Instrument, Result<Written>>&>(done);
            if (!written) {
                say(QString::fromStdString(written.error().sentence()));
                return;
            }
            path_ = path;
            history_.markSaved(document);
            const auto name = QString::fromStdString(shownName(path.toStdString()));
            say(tr("%1 is saved. %2").arg(name, QString::fromStdString(written->checked)), false);
            emit changed();
        });
}

bool Session::finishSaving()
{
    background_.settle();
    return history_.isSaved();
}

void Session::findLoops()
{
    const Take* current = take();
    if (current == nullptr)
        return;
    background_.run(
        "loops", Background::Running::cancel,
        [wanted = *current](const Progress& progress) mutable -> std::any {
            searchLoops(wanted, true, progress);
            return std::move(wanted);
        },
        [this](const std::any& result) {
            const auto& found = std::any_cast<const Take&>(result);
            if (found.loopChoices.empty())
                say(tr("No loop was found: it %1.").arg(QString::fromStdString(found.loopMessage)));
            editTake(tr("Find loops"), [&](Take& t) {
                if (!(t.recording == found.recording))
                    return;
                t.loopChoices = found.loopChoices;
                t.loopMessage = found.loopMessage;
                if (!found.loopChoices.empty())
                    t.loop = found.loop;
                t.loop.on = !found.loopChoices.empty();
            });
        });
}

void Session::say(const QString& sentence, bool trouble)
{
    if (trouble)
        std::fprintf(stderr, "%s\n", qPrintable(sentence));
    emit message(sentence, trouble);
}

} // namespace puretone::app
