// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/playing/audition.h"

#include "app/session/session.h"
#include "model/making/name_note.h"

namespace puretone::app {

namespace {

/// A sound as it is: all of it, on the key that it says, or on middle C.
Instrument unheard(const RecordingPtr& recording, int id)
{
    Take take;
    take.id = id;
    take.name = recording->fileName;
    take.recording = recording;
    take.kept = {Frames{0}, Frames{recording->audio->frames()}};
    if (const auto& inFile = recording->sampler)
        take.tuning = Tuning::forPitch(inFile->midi, TuningSource::fromFile);
    else if (const auto key = readName(recording->fileName).key)
        take.tuning.rootKey = std::clamp(*key, 0, 127);
    Instrument instrument;
    Zone zone;
    zone.id = id; // another one each time: what sounded before ends, held keys sound anew
    zone.take = take.id;
    instrument.takes = {std::move(take)};
    instrument.layers.front().zones = {zone};
    return sanitized(std::move(instrument));
}

} // namespace

Audition::Audition(Session& session)
    : session_(session)
{
}

void Audition::hear(const QString& path)
{
    constexpr int firstId = 500000000; // above those of any document
    session_.background().run(
        JobKind::audition, Background::Running::cancel,
        [file = std::filesystem::path(path.toStdString()), id = firstId + ++count_ % 1000000](
            const Progress& progress) -> Result<Instrument> {
            const auto recording = openRecording(file, progress);
            if (!recording)
                return tl::unexpected(recording.error());
            return unheard(*recording, id);
        },
        [this](const Result<Instrument>& read) {
            if (!read) {
                session_.say(QString::fromStdString(read.error().sentence()));
                return;
            }
            endNote(); // before it would sound what comes, on its key
            instrument_ = *read;
            toStrike_ = true;
            session_.hearing().compileNow();
        });
}

void Audition::hearInstead(std::function<Instrument(const Progress&)> make)
{
    session_.background().run(JobKind::audition, Background::Running::cancel, std::move(make),
        [this](const Instrument& made) {
            instrument_ = made;
            toStrike_ = false;
            session_.hearing().compileNow();
        });
}

void Audition::endNote()
{
    if (struck_ < 0)
        return;
    ended_ = std::exchange(struck_, -1);
    session_.player().engine().post(MidiEvent::noteOff(ended_));
}

bool Audition::otherKeysDown(int own) const
{
    auto down = session_.player().engine().keysDown();
    if (own >= 0)
        down[std::size_t(own / 64)] &= ~(std::uint64_t(1) << (own % 64));
    return down[0] != 0 || down[1] != 0;
}

void Audition::giveWay()
{
    if (struck_ >= 0 && otherKeysDown(struck_))
        endNote();
}

void Audition::strike()
{
    // Keys that are held sound it by themselves. That its own has ended may not be known yet.
    if (!std::exchange(toStrike_, false) || !instrument_ || otherKeysDown(ended_))
        return;
    constexpr int velocity = 100;
    struck_ = instrument_->takes.front().tuning.rootKey;
    session_.player().engine().post(MidiEvent::noteOn(struck_, velocity));
}

void Audition::stop()
{
    session_.background().cancel(JobKind::audition);
    endNote();
    if (!instrument_)
        return;
    instrument_.reset();
    toStrike_ = false;
    session_.hearing().compileNow();
}

} // namespace puretone::app
