// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/work/lengths.h"

#include "app/session/session.h"
#include "base/threads/all_cores.h"
#include "formats/export/moved_files.h"

#include <QStandardPaths>
#include <set>

namespace puretone::app {

namespace {

/// A handful at a time: each batch is heard as soon as it is there.
constexpr std::size_t batch = 4;

/// What others made before, in this session or another.
std::shared_ptr<MovedFiles> files()
{
    static const auto shared = std::make_shared<MovedFiles>(
        std::filesystem::path(
            QStandardPaths::writableLocation(QStandardPaths::CacheLocation).toStdString())
        / "lengths");
    return shared;
}

} // namespace

Lengths::Lengths(Session& session)
    : session_(session)
{
    soon_.setSingleShot(true);
    connect(&soon_, &QTimer::timeout, this, &Lengths::makeMore);
}

void Lengths::reckon()
{
    const Instrument& now = session_.instrument();
    state_ = {};
    state_.bytes = made_.bytes();
    std::set<TakeId> tooLong;
    for (const auto& layer : now.layers)
        if (layer.on && layer.manner == Manner::keepsLength)
            for (const auto& zone : layer.zones)
                if (const Take* take = now.take(zone.take);
                    take != nullptr && !canKeepLength(*take))
                    tooLong.insert(zone.take);
    state_.tooLong = tooLong.size();
    const auto wanted = wantedLengths(now);
    state_.wanted = wanted.size();
    state_.made = wanted.size() - lackingLengths(now, made_).size();
}

void Lengths::refresh()
{
    const auto& layers = session_.instrument().layers;
    const bool any = std::any_of(layers.begin(), layers.end(),
        [](const Layer& l) { return l.on && l.manner == Manner::keepsLength; });
    if (!any && made_.count() == 0)
        return;
    made_.keepFor(session_.instrument());
    reckon();
    // A post that is dragged wants new ones with every step: those of its last place are made.
    constexpr int quietMilliseconds = 250;
    if (state_.made < state_.wanted)
        soon_.start(quietMilliseconds);
}

void Lengths::makeMore()
{
    auto wishes = lackingLengths(session_.instrument(), made_);
    if (wishes.empty())
        return;
    wishes.resize(std::min(wishes.size(), batch));
    struct Made {
        Take take;
        KeptWish wish;
        std::shared_ptr<const KeptKey> known, key;
    };
    std::vector<Made> work;
    for (const auto& wish : wishes) {
        const Take& take = *session_.instrument().take(wish.take);
        work.push_back({take, wish, made_.alike(take, wish), nullptr});
    }
    session_.background().run(
        JobKind::keepLength, Background::Running::cancel,
        [work = std::move(work)](const Progress& progress) mutable {
            onAllCores(work.size(), [&](std::size_t i) {
                auto& [take, wish, known, key] = work[i];
                key =
                    makeKept(take, wish.semitones, wish.formants, {progress.stop, {}}, known.get(),
                        [](const Audio& audio, double semitones, bool formants,
                            const Progress& within) {
                            return files()->moved(audio, semitones, formants, within);
                        });
            });
            return std::move(work);
        },
        [this](const std::vector<Made>& done) {
            for (const auto& [take, wish, known, key] : done)
                if (key)
                    made_.put(wish, key);
            made_.keepFor(session_.instrument());
            reckon();
            session_.hearing().compileNow();
            emit session_.derivedChanged();
            if (state_.made < state_.wanted)
                makeMore();
        });
}

} // namespace puretone::app
