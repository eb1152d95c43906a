// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/session.h"

#include "audio/level.h"

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
    std::erase_if(peaks_, [&](const Peaks& p) {
        const auto& takes = session_.instrument().takes;
        return std::none_of(
            takes.begin(), takes.end(), [&](const Take& t) { return t.sound() == p.audio; });
    });
    using Pyramid = std::shared_ptr<const PeakPyramid>;
    for (const auto& t : session_.instrument().takes) {
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
        session_.background().run(
            JobKey(JobKind::peaks, std::to_string(t.id.value) + t.recording->hash),
            Background::Running::finish,
            [audio](
                const Progress&) -> Pyramid { return std::make_shared<const PeakPyramid>(audio); },
            [this, audio](const Pyramid& made) {
                for (auto& p : peaks_)
                    if (p.audio == audio)
                        p.pyramid = made;
                emit session_.derivedChanged();
            });
    }
}

std::shared_ptr<const PeakPyramid> Pictures::peaksOf(const Take* wanted) const
{
    for (const auto& p : peaks_)
        if (wanted != nullptr && p.audio == wanted->sound())
            return p.pyramid;
    return nullptr;
}

} // namespace puretone::app
