// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/audition.h"

#include "app/session/session.h"
#include "model/name_note.h"

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
    zone.id = id; // another one each time: what sounded before ends
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
    if (struck_ >= 0)
        session_.player().engine().post(MidiEvent::noteOff(std::exchange(struck_, -1)));
}

void Audition::giveWay()
{
    if (struck_ < 0)
        return;
    auto down = session_.player().engine().keysDown();
    down[std::size_t(struck_ / 64)] &= ~(std::uint64_t(1) << (struck_ % 64));
    if (down[0] != 0 || down[1] != 0)
        endNote();
}

void Audition::strike()
{
    if (!std::exchange(toStrike_, false) || !instrument_)
        return;
    constexpr int velocity = 100;
    auto& engine = session_.player().engine();
    const int own = struck_;
    endNote();
    const auto down = engine.keysDown();
    bool held = false;
    for (int key = 0; key < 128; ++key)
        if (key != own && (down[std::size_t(key / 64)] >> (key % 64) & 1U) != 0) {
            engine.post(MidiEvent::noteOn(key, velocity));
            held = true;
        }
    if (held)
        return;
    struck_ = instrument_->takes.front().tuning.rootKey;
    engine.post(MidiEvent::noteOn(struck_, velocity));
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
