// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/work/note_picture.h"

#include "app/session/session.h"
#include "engine/offline/render.h"

namespace puretone::app {

namespace {

constexpr int shownTouch = 100;
constexpr double pictureRate = 48000.0, mostSeconds = 30.0;

/// Full level from the first frame, and as good as no release.
constexpr Envelope flat = {0.0, 0.0, 0.0, 0.0, 0.0, 60.0};

Audio playedNote(
    const Instrument& instrument, int key, double letGo, double seconds, const Progress& progress)
{
    Audio out = renderEvents(instrument,
        {{0.0, MidiEvent::noteOn(key, shownTouch)}, {letGo, MidiEvent::noteOff(key)}}, pictureRate,
        seconds - letGo, progress);
    const auto frames = std::size_t(seconds * pictureRate);
    for (auto& channel : out.channels)
        if (channel.size() > frames)
            channel.resize(frames);
    return out;
}

} // namespace

NotePicture::NotePicture(Session& session)
    : session_(session)
{
}

bool NotePicture::setKey(int key)
{
    return std::exchange(lastKey_, key) != key;
}

/// The key played last, where the layer has something on it; else a root of its own.
int NotePicture::playedKey(const Layer& layer) const
{
    int first = -1;
    for (const Zone& zone : layer.zones) {
        if (inZone(zone, lastKey_, shownTouch))
            return lastKey_;
        const Take* take = session_.instrument().take(zone.take);
        if (first < 0 && take != nullptr)
            first = std::clamp(take->tuning.rootKey, zone.lowKey, zone.highKey);
    }
    return first;
}

NotePicture::Wish NotePicture::wishFor(double letGo, double seconds) const
{
    Wish wish;
    wish.key = playedKey(session_.layer());
    if (wish.key < 0)
        return wish;
    wish.letGo = std::min(letGo, mostSeconds);
    wish.seconds = std::min(seconds, mostSeconds);
    const Instrument& whole = session_.instrument();
    wish.instrument.a4 = whole.a4;
    wish.instrument.tempo = whole.tempo;
    wish.instrument.layers = {session_.layer()};
    Layer& layer = wish.instrument.layers.front();
    layer.on = true;
    layer.blends = false;
    layer.envelope = flat;
    layer.when = SoundsWhen::press;
    std::erase_if(
        layer.zones, [&](const Zone& zone) { return !inZone(zone, wish.key, shownTouch); });
    for (const Zone& zone : layer.zones)
        if (const Take* take = whole.take(zone.take);
            take != nullptr && wish.instrument.take(zone.take) == nullptr)
            wish.instrument.takes.push_back(*take);
    return wish;
}

void NotePicture::want(double letGo, double seconds)
{
    Wish wish = wishFor(letGo, seconds);
    if (wish == shown_)
        return;
    if (wish.instrument.takes.empty()) {
        shown_ = wish;
        wave_.reset();
        spectrum_.reset();
        return;
    }
    shown_ = wish;
    struct Found {
        std::shared_ptr<const PeakPyramid> wave;
        MeanSpectrum spectrum;
    };
    session_.background().run(
        JobKind::note, Background::Running::finish,
        [wish = std::move(wish)](const Progress& progress) {
            Found found;
            found.wave = std::make_shared<const PeakPyramid>(std::make_shared<const Audio>(
                playedNote(wish.instrument, wish.key, wish.letGo, wish.seconds, progress)));
            Instrument open = wish.instrument;
            open.layers.front().filter = Filter();
            open.layers.front().movements.clear();
            constexpr double listened = 1.5;
            const Audio raw = playedNote(open, wish.key, listened, listened, progress);
            found.spectrum =
                meanSpectrum(mixToMono(raw, {Frames{0}, Frames{raw.frames()}}), raw.rate);
            return found;
        },
        [this](const Found& found) {
            if (shown_.instrument.takes.empty())
                return; // nothing is to be shown any more
            wave_ = found.wave;
            spectrum_ = found.spectrum;
            emit session_.derivedChanged();
        });
}

} // namespace puretone::app
