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
    connect(&player_, &Player::rateChanged, this, &Session::compileNow);
    connect(&player_, &Player::message, this, [this](const QString& s) { say(s); });
    connect(&background_, &Background::rested, this, [this](const QString& key) {
        if (key == QLatin1String("open"))
            emit openingChanged();
    });
    connect(&background_, &Background::progressed, this, &Session::openingProgress);
    connect(&background_, &Background::failed, this,
        [this](const Error& error) { say(QString::fromStdString(error.sentence())); });
    copySoon_.setSingleShot(true);
    connect(&copySoon_, &QTimer::timeout, this, &Session::keepCopy);
    compileSoon_.setSingleShot(true);
    connect(&compileSoon_, &QTimer::timeout, this, &Session::compileNow);
    arrivingSoon_.setSingleShot(true);
    connect(&arrivingSoon_, &QTimer::timeout, this, [this] {
        showArriving_ = true;
        emit derivedChanged();
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

const Layer& Session::layer() const
{
    if (const Layer* shown = instrument().layer(shownLayer_))
        return *shown;
    return instrument().layers.front();
}

void Session::showLayer(int id)
{
    shownLayer_ = id;
    emit changed();
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
    const auto revision = history_.revision();
    history_.apply(name.toStdString(), sanitized(std::move(next)), gesture);
    if (history_.revision() != revision)
        afterChange();
}

void Session::editLayer(const QString& name, const std::function<void(Layer&)>& change, int gesture)
{
    edit(
        name,
        [&, id = layer().id](Instrument& next) {
            if (Layer* shown = next.layer(id))
                change(*shown);
        },
        gesture);
}

void Session::editTake(const QString& name, const std::function<void(Take&)>& change, int gesture)
{
    if (const Take* current = take())
        editTake(keyOf(*current), name, change, gesture);
}

void Session::editTake(
    const TakeKey& of, const QString& name, const std::function<void(Take&)>& change, int gesture)
{
    if (take(of) != nullptr)
        edit(
            name, [&](Instrument& next) { change(*next.take(of.take)); }, gesture);
}

const Take* Session::take(const TakeKey& key) const
{
    return key.document == history_.document() ? instrument().take(key.take) : nullptr;
}

void Session::begin(const QString& name, Instrument next, const DocumentOrigin& origin)
{
    shownTake_ = 0;
    split_.reset();
    history_.begin(name.toStdString(), sanitized(std::move(next)), origin);
    afterChange();
}

void Session::abandon(int gesture)
{
    if (treating_ && treating_->gesture == gesture)
        dropUnfinishedTreatment();
    if (history_.continues(gesture))
        walk(History::Step::abandon);
}

void Session::undo()
{
    if (dropUnfinishedTreatment())
        return;
    walk(History::Step::undo);
}

void Session::redo()
{
    dropUnfinishedTreatment();
    walk(History::Step::redo);
}

void Session::walk(History::Step step)
{
    auto target = history_.target(step);
    if (!target)
        return;
    if (!lacksSound(*target)) {
        history_.walk(step, &*target);
        afterChange();
        return;
    }
    // A long sound that nobody has kept is made again first: no document says one thing and sounds
    // another.
    background_.run(
        "walk", Background::Running::cancel,
        [ready = std::move(*target)](const Progress& progress) mutable {
            return makeSounds(ready, progress) ? std::optional(std::move(ready)) : std::nullopt;
        },
        [this, step, revision = history_.revision()](const std::optional<Instrument>& ready) {
            if (!ready || history_.revision() != revision)
                return;
            history_.walk(step, &*ready);
            afterChange();
        });
}

void Session::afterChange()
{
    makePeaks();
    compile();
    findMissingFacts();
    measureSeam();
    analyseForDrawing();
    keepCopySoon();
    emit changed();
}

void Session::compile()
{
    // While many files join, what was there before and the first of them sound; the others follow
    // in batches, for every one of them moves its neighbours' borders.
    if (addingMany() && compileSoon_.isActive())
        return;
    if (addingMany()) {
        compileSoon_.start(1000);
        return;
    }
    compileNow();
}

void Session::compileNow()
{
    compileSoon_.stop();
    using Made = std::shared_ptr<std::unique_ptr<const Program>>;
    const double rate = player_.engine().rate();
    background_.run(
        "compile", Background::Running::finish,
        [compiler = compiler_, document = instrument(), rate](const Progress&) -> Made {
            return std::make_shared<std::unique_ptr<const Program>>(
                compiler->compile(document, rate));
        },
        [this](const Made& made) { player_.engine().setProgram(std::move(*made)); });
}

void Session::analyseForDrawing()
{
    const Take* current = take();
    if (current == nullptr)
        return;
    const Drawn wanted{current->sound(), current->kept,
        current->facts->pitch.midi.value_or(current->tuning.soundingMidi())};
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
        [wanted](const Progress& progress) {
            Found found;
            found.line = followPitch(*wanted.audio, wanted.kept, wanted.midi, {}, progress);
            if (progress.cancelled())
                return found;
            // The spectrum is that of the first seconds after the attack.
            Span early = wanted.kept;
            early.end.value = std::min(
                early.end.value, early.start.value + toFrames(10.0, wanted.audio->rate).value);
            found.spectrum = meanSpectrum(mixToMono(*wanted.audio, early), wanted.audio->rate);
            found.loudness = loudnessLufs(*wanted.audio, wanted.kept);
            return found;
        },
        [this](const Found& found) {
            pitchLine_ = found.line;
            spectrum_ = found.spectrum;
            loudness_ = found.loudness;
            emit derivedChanged();
        });
}

void Session::findMissingFacts()
{
    const Take* current = take();
    if (current == nullptr || current->facts.known())
        return;
    background_.run(
        "facts", Background::Running::cancel,
        [heard = *current](const Progress& progress) mutable {
            findFacts(heard, progress);
            return std::move(heard);
        },
        [this, of = keyOf(*current)](const Take& heard) {
            const Take* now = take(of);
            if (now != nullptr && *now == heard && !now->facts.known())
                editTake(of, {}, [&](Take& t) { t.facts = heard.facts; });
        },
        Background::Lane::bulk);
}

void Session::makePeaks()
{
    std::erase_if(peaks_, [&](const Peaks& p) {
        const auto& takes = instrument().takes;
        return std::none_of(
            takes.begin(), takes.end(), [&](const Take& t) { return t.sound() == p.audio; });
    });
    using Pyramid = std::shared_ptr<const PeakPyramid>;
    for (const auto& t : instrument().takes) {
        const AudioPtr audio = t.sound();
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
            "peaks " + std::to_string(t.id) + t.recording->hash, Background::Running::finish,
            [audio](
                const Progress&) -> Pyramid { return std::make_shared<const PeakPyramid>(audio); },
            [this, audio](const Pyramid& made) {
                for (auto& p : peaks_)
                    if (p.audio == audio)
                        p.pyramid = made;
                emit derivedChanged();
            });
    }
}

std::shared_ptr<const PeakPyramid> Session::peaksOf(const Take* wanted) const
{
    for (const auto& p : peaks_)
        if (wanted != nullptr && p.audio == wanted->sound())
            return p.pyramid;
    return nullptr;
}

void Session::removeTake(int id)
{
    edit(tr("Remove take"), [&](Instrument& next) {
        std::erase_if(next.takes, [&](const Take& t) { return t.id == id; });
        for (auto& layer : next.layers) {
            const auto gone =
                std::erase_if(layer.zones, [&](const Zone& z) { return z.take == id; });
            if (gone > 0 && !layer.zones.empty())
                spreadByRoots(next, layer);
        }
    });
}

void Session::clear()
{
    begin(tr("New instrument"), {});
}

void Session::say(const QString& sentence, bool trouble, const QStringList& details)
{
    if (trouble) {
        std::fprintf(stderr, "%s\n", qPrintable(sentence));
        for (const auto& line : details)
            std::fprintf(stderr, "  %s\n", qPrintable(line));
    }
    emit message(sentence, trouble, details);
}

} // namespace puretone::app
