// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/session.h"

#include "audio/level.h"

#include <QTimer>
#include <set>
#include <utility>

namespace puretone::app {

Pictures::Pictures(Session& session)
    : session_(session)
{
}

void Pictures::refresh()
{
    makePeaks();
    analyse();
}

std::shared_ptr<const PeakPyramid> Pictures::peaks() const
{
    return peaksOf(session_.take());
}

void Pictures::analyse()
{
    const Take* current = session_.take();
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
    session_.background().run(
        JobKind::draw, Background::Running::cancel,
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
            emit session_.derivedChanged();
        });
}

void Pictures::makePeaks()
{
    const auto& takes = session_.instrument().takes;
    std::set<AudioPtr> wanted;
    for (const auto& take : takes)
        wanted.insert(take.sound());
    std::erase_if(peaks_, [&](const auto& known) { return !wanted.contains(known.first); });
    // The one that is looked at is there before the first paint, if it is short; others come a
    // moment later, a few at a time.
    const Take* shown = session_.take();
    std::vector<AudioPtr> unknown;
    for (const auto& audio : wanted) {
        if (!peaks_.try_emplace(audio).second)
            continue;
        const bool isShort = audio->frames() < std::int64_t(30.0 * audio->rate);
        if (isShort && shown != nullptr && shown->sound() == audio)
            peaks_[audio] = std::make_shared<const PeakPyramid>(audio);
        else
            unknown.push_back(audio);
    }
    constexpr std::size_t atOnce = 8;
    for (std::size_t from = 0; from < unknown.size(); from += atOnce) {
        const auto first = unknown.begin() + std::ptrdiff_t(from);
        const auto count = std::ptrdiff_t(std::min(atOnce, unknown.size() - from));
        makePeaksOf({first, first + count});
    }
}

void Pictures::makePeaksOf(std::vector<AudioPtr> sounds)
{
    using Made = std::vector<std::pair<AudioPtr, Pyramid>>;
    session_.background().run(
        JobKey(JobKind::peaks, std::to_string(++batches_)), Background::Running::finish,
        [sounds = std::move(sounds)](const Progress& progress) {
            Made made;
            for (const auto& audio : sounds)
                if (!progress.cancelled())
                    made.emplace_back(audio, std::make_shared<const PeakPyramid>(audio));
            return made;
        },
        [this](const Made& made) {
            for (const auto& [audio, pyramid] : made)
                if (const auto known = peaks_.find(audio); known != peaks_.end())
                    known->second = pyramid;
            tellSoon();
        });
}

void Pictures::tellSoon()
{
    if (std::exchange(tells_, true))
        return;
    QTimer::singleShot(0, &session_, [this] {
        tells_ = false;
        emit session_.derivedChanged();
    });
}

Pictures::Pyramid Pictures::peaksOf(const Take* wanted) const
{
    if (wanted == nullptr)
        return nullptr;
    const auto known = peaks_.find(wanted->sound());
    return known != peaks_.end() ? known->second : nullptr;
}

} // namespace puretone::app
