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
    const auto& takes = instrument().takes;
    return takes.empty() ? nullptr : &takes.front();
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
    if (current == nullptr || !current->loop.on || (seam_ && seam_->loop == current->loop))
        return;
    background_.run(
        "seam", Background::Running::finish,
        [recording = current->recording, loop = current->loop, period = current->period()](
            const Progress&) -> std::any { return judgeLoop(*recording->audio, loop, period); },
        [this](const std::any& judged) {
            seam_ = std::any_cast<LoopCandidate>(judged);
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
    const Take* current = take();
    const AudioPtr audio = current != nullptr ? current->recording->audio : nullptr;
    if (audio == peaksOf_)
        return;
    peaksOf_ = audio;
    peaks_.reset();
    if (!audio)
        return;
    using Pyramid = std::shared_ptr<const PeakPyramid>;
    // Short recordings are ready before the first paint; long ones come a moment later.
    if (audio->frames() < std::int64_t(30.0 * audio->rate)) {
        peaks_ = std::make_shared<const PeakPyramid>(audio);
        return;
    }
    background_.run(
        "peaks", Background::Running::finish,
        [audio](const Progress&) -> std::any {
            return Pyramid(std::make_shared<const PeakPyramid>(audio));
        },
        [this](const std::any& made) {
            const auto pyramid = std::any_cast<Pyramid>(made);
            if (&pyramid->audio() == peaksOf_.get()) {
                peaks_ = pyramid;
                emit derivedChanged();
            }
        });
}

std::shared_ptr<const PeakPyramid> Session::peaks()
{
    return peaks_;
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
