// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/files/adding.h"
#include "app/session/session.h"
#include "app/session/settings.h"
#include "model/making/lay_out.h"
#include "model/making/take_maker.h"

#include "base/files/safe_file.h"
#include "base/say.h"

#include <QFileInfo>
#include <QStandardPaths>

namespace puretone::app {

namespace {

constexpr std::array openingKinds = {
    JobKind::open, JobKind::replaceTake, JobKind::makeSplit, JobKind::recover};

bool opens(JobKind kind)
{
    return std::find(openingKinds.begin(), openingKinds.end(), kind) != openingKinds.end();
}

/// One sound file from disk to a take.
Result<Take> listenTo(const std::filesystem::path& file, const Progress& progress,
    const std::shared_ptr<Arriving>& arriving = {})
{
    if (const auto kind = kindOfFile(file); kind && *kind != FileKind::wav)
        return fail(ErrorCode::badValue,
            puretone::say(
                "%1 is an instrument: it is opened by itself, not as a take.", shownName(file)),
            puretone::say("Use Open for it."));
    const auto arrived = arriving
        ? ArrivedFunction([arriving](const ArrivedBlock& block) { arriving->take(block); })
        : ArrivedFunction();
    const auto recording = openRecording(file, progress.part(0.0, 0.5), arrived);
    if (!recording)
        return tl::unexpected(recording.error());
    return makeTake(*recording, {}, progress.part(0.5, 1.0));
}

std::vector<std::filesystem::path> pathsOf(const QStringList& files)
{
    std::vector<std::filesystem::path> paths;
    paths.reserve(std::size_t(files.size()));
    for (const auto& file : files)
        paths.emplace_back(file.toStdString());
    return paths;
}

} // namespace

Opening::Opening(Session& session)
    : session_(session)
{
    arrivingSoon_.setSingleShot(true);
    connect(&arrivingSoon_, &QTimer::timeout, this, [this] {
        showArriving_ = true;
        emit session_.derivedChanged();
    });
    connect(&session_.background(), &Background::progressed, this, &Opening::progress);
    connect(&session_.background(), &Background::rested, this, [this](const JobKey& key) {
        if (opens(key.kind))
            emit changed();
    });
}

Opening::~Opening() = default;

bool Opening::busy() const
{
    return adding_ != nullptr
        || std::any_of(openingKinds.begin(), openingKinds.end(),
            [this](JobKind kind) { return session_.background().busy(kind); });
}

void Opening::open(
    const QString& path, const QStringList& joining, std::optional<std::size_t> preset)
{
    const std::filesystem::path file(path.toStdString());
    // A sound file is listened to anew even when it brings a root and a loop of its own.
    const bool isInstrument = [&] {
        const auto kind = kindOfFile(file);
        return kind && *kind != FileKind::wav;
    }();
    showArriving_ = false;
    arrivingSoon_.start(300);
    arriving_ = isInstrument ? nullptr : std::make_shared<Arriving>(shownName(file));
    struct Opened {
        Result<Instrument> instrument;
        LeftOut leftOut;
        std::vector<BankPreset> presets; ///< Several: which one is to be asked first.
    };
    session_.background().run(
        JobKind::open, Background::Running::cancel,
        [file, isInstrument, preset, arriving = arriving_](const Progress& progress) -> Opened {
            if (isInstrument) {
                if (auto presets = presetsIn(file); !preset && presets.size() > 1)
                    return {Instrument{}, {}, std::move(presets)};
                LeftOut leftOut;
                auto opened = openInstrument(file, progress, &leftOut, preset.value_or(0));
                return {std::move(opened), std::move(leftOut), {}};
            }
            auto made = listenTo(file, progress, arriving);
            if (!made)
                return {tl::unexpected(made.error()), {}, {}};
            return {makeInstrument(std::move(*made)), {}, {}};
        },
        [this, path, joining](const Opened& opened) {
            if (!opened.presets.empty()) {
                emit presetsFound(path, joining, opened.presets);
                return;
            }
            adopt(path, opened.instrument, opened.leftOut);
            addFiles(joining);
        });
    emit changed();
}

void Opening::greet(const QString& demo)
{
    demo_ = demo;
    open(demo);
}

bool Opening::greets() const
{
    return greeting_ && greeting_->document == session_.history().document()
        && greeting_->value == session_.instrument();
}

std::filesystem::path Opening::dataFolder()
{
    return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation).toStdString();
}

std::filesystem::path Opening::recordingsFolder()
{
    return settings::recordingsFolder();
}

void Opening::cancel()
{
    for (const auto kind : openingKinds)
        session_.background().cancel(kind);
    if (adding_)
        finishAdding();
}

void Opening::adopt(const QString& path, const Result<Instrument>& result, const LeftOut& leftOut)
{
    if (!result) {
        session_.say(QString::fromStdString(result.error().sentence()));
        return;
    }
    // A former version, and what cannot be written where it is, is saved under a name to be chosen.
    const auto kind = kindOfFile(path.toStdString());
    const bool isProject = kind == FileKind::project;
    const bool isHome =
        isProject && !path.endsWith(QLatin1Char('~')) && QFileInfo(path).isWritable();
    const auto name = QString::fromStdString(shownName(path.toStdString()));
    auto document = *result;
    if (const bool isSound = !kind || *kind == FileKind::wav;
        isSound && document.a4 != settings::a4())
        setConcertPitch(document, settings::a4());
    session_.begin(tr("Open %1").arg(name), std::move(document),
        {isHome ? path.toStdString() : std::string(), isProject});
    emit opened(path);
    // Opened again by its name later, it is a document like others.
    if (path == std::exchange(demo_, QString()))
        greeting_ = session_.version();
    if (!kind || *kind == FileKind::wav)
        session_.splitting().lookForNotes(session_.instrument().takes.front().recording.pointer());
    if (!leftOut.empty()) {
        QStringList kinds;
        for (const auto& words : leftOut)
            kinds << QString::fromStdString(words);
        session_.say(
            tr("%1 is ready; %n of its settings are not played here.", nullptr, int(kinds.size()))
                .arg(name),
            true, kinds);
        return;
    }
    session_.say(isProject ? tr("%1 is open.").arg(name)
                           : tr("%1 is ready: play it on the keys below.").arg(name),
        false);
    if (isHome)
        session_.saving().wasOpened(path);
}

void Opening::addFiles(const QStringList& paths, LayerId layer)
{
    startAdding(paths, layer, greets());
}

void Opening::openTogether(const QStringList& paths)
{
    startAdding(paths, {}, true);
}

void Opening::startAdding(const QStringList& paths, LayerId layer, bool anew)
{
    if (paths.isEmpty())
        return;
    if (adding_)
        finishAdding();
    adding_ = std::make_shared<Adding>();
    adding_->files = paths;
    adding_->layer = layer;
    adding_->anew = anew;
    adding_->ready.resize(std::size_t(paths.size()));
    adding_->gesture = session_.newGesture();
    adding_->key = std::to_string(adding_->gesture) + " ";
    showArriving_ = false;
    arriving_ = paths.size() == 1
        ? std::make_shared<Arriving>(shownName(paths.front().toStdString()))
        : nullptr;
    if (arriving_)
        arrivingSoon_.start(300);
    // The first one alone: it is on the keys as soon as one core can have it.
    listenToNext(1);
    emit changed();
}

void Opening::replaceTake(TakeId id, const QString& path)
{
    const Take* old = session_.instrument().take(id);
    if (old == nullptr)
        return;
    session_.background().run(
        JobKind::replaceTake, Background::Running::cancel,
        [file = std::filesystem::path(path.toStdString())](
            const Progress& progress) { return listenTo(file, progress); },
        [this, of = session_.keyOf(*old), path](const Result<Take>& made) {
            if (!made) {
                session_.say(QString::fromStdString(made.error().sentence()));
                return;
            }
            session_.editTake(of, tr("Replace take"),
                [&](Take& take) { take = inPlaceOf(take, *made, session_.instrument().a4); });
            emit opened(path);
        });
}

bool Opening::addingMany() const
{
    return adding_ != nullptr && adding_->added > 1;
}

void Opening::listenToNext(std::size_t count)
{
    const auto end = std::min(adding_->ready.size(), adding_->started + count);
    for (auto& i = adding_->started; i < end; ++i) {
        const QString path = adding_->files[qsizetype(i)];
        session_.background().run(
            adding_->jobKey(i), Background::Running::finish,
            [file = std::filesystem::path(path.toStdString()), arriving = arriving_](
                const Progress& progress) { return listenTo(file, progress, arriving); },
            [this, index = i, path, key = adding_->key](const Result<Take>& made) {
                if (adding_ && adding_->key == key)
                    takeReady(index, made, path);
            },
            [this, index = i, path, key = adding_->key](const Error& error) {
                if (adding_ && adding_->key == key)
                    takeReady(index, tl::unexpected(error), path);
            });
    }
}

void Opening::progress(const JobKey& key, double share)
{
    // Of many files those that are ready count; a single one tells how far it is.
    const bool alone = adding_ && adding_->files.size() == 1 && key == adding_->jobKey(0);
    if (alone || opens(key.kind))
        emit progressed(share);
}

void Opening::takeReady(std::size_t index, const Result<Take>& made, const QString& path)
{
    if (made)
        emit opened(path);
    adding_->ready[index] = made;
    ++adding_->done;
    emit progressed(double(adding_->done) / double(adding_->ready.size()));
    addReady();
    if (adding_->next == adding_->ready.size())
        finishAdding();
    else
        listenToNext(adding_->ready.size());
}

void Opening::addReady()
{
    std::vector<Take> takes;
    for (; adding_->next < adding_->ready.size() && adding_->ready[adding_->next];
         ++adding_->next) {
        const auto& made = *adding_->ready[adding_->next];
        if (made) {
            takes.push_back(*made);
            adding_->joined.push_back(made->recording.pointer());
        } else {
            adding_->reasons << QString::fromStdString(made.error().message);
        }
    }
    if (takes.empty())
        return;
    adding_->added += takes.size();
    if (std::exchange(adding_->anew, false) && !session_.instrument().takes.empty())
        session_.clear();
    const auto count = adding_->files.size();
    const auto before = session_.instrument().takes.size();
    bool shows = count == 1;
    session_.edit(
        count == 1 ? tr("Add a take") : tr("Add takes"),
        [&](Instrument& next) {
            adding_->begins = adding_->begins || next.takes.empty();
            if (next.takes.empty())
                next.name = instrumentName(pathsOf(adding_->files));
            if (next.layer(adding_->layer) == nullptr)
                adding_->layer = session_.layer().id;
            Layer& joins = *next.layer(adding_->layer);
            shows = shows || joins.zones.empty();
            if (next.layers.size() > 1 && joins.zones.empty()) {
                adding_->founds = true;
                if (isNamedByNumber(joins))
                    joins.name = layerName(pathsOf(adding_->files));
            }
            addTakes(next, std::move(takes), adding_->layer);
        },
        adding_->gesture);
    // One more is the one to go on with, and the first of a layer; to many more one adds in peace.
    if (const auto& now = session_.instrument().takes; shows && now.size() > before)
        session_.showTake(now[before].id);
}

} // namespace puretone::app
