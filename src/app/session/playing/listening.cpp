// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/playing/listening.h"

#include "app/session/session.h"
#include "base/files/safe_file.h"
#include "formats/midi/midi_file.h"

#include <QFileInfo>

namespace puretone::app {

Listening::Listening(Session& session)
    : session_(session)
    , player_([&session](const MidiEvent& event) {
        session.player().engine().postListening(event, std::chrono::steady_clock::now());
    })
{
}

std::vector<Phrase> Listening::list() const
{
    int low = 127, high = 0;
    for (const auto& zone : session_.layer().zones) {
        low = std::min(low, zone.lowKey);
        high = std::max(high, zone.highKey);
    }
    const Take* take = session_.take();
    auto all = low <= high
        ? shippedPhrases(low, high, take != nullptr ? take->tuning.rootKey : (low + high) / 2)
        : shippedPhrases(36, 84, 60);
    all.insert(all.end(), files_.begin(), files_.end());
    return all;
}

int Listening::addFile(const QString& path)
{
    const auto bytes = readFile(path.toStdString());
    const auto name = QFileInfo(path).completeBaseName();
    const auto events = bytes ? decodeMidiFile(*bytes, QFileInfo(path).fileName().toStdString())
                              : Result<std::vector<TimedEvent>>(tl::unexpected(bytes.error()));
    if (!events) {
        session_.say(QString::fromStdString(events.error().sentence()));
        return -1;
    }
    const double beatsPerSecond = tempoOfMidiFile(*bytes) / 60.0;
    Phrase phrase{name.toStdString(), 0.0, {}};
    for (const auto& [seconds, event] : *events)
        phrase.events.push_back({seconds * beatsPerSecond, event});
    // Up to the end of its last bar.
    phrase.beats = 4.0 * std::ceil(phrase.events.back().beat / 4.0 + 0.01);
    files_.push_back(std::move(phrase));
    emit changed();
    return int(list().size()) - 1;
}

void Listening::play(int place)
{
    const auto all = list();
    if (place < 0 || place >= int(all.size()))
        return;
    playing_ = place;
    refresh();
    player_.play(all[std::size_t(place)]);
    emit changed();
}

void Listening::stop()
{
    playing_ = -1;
    player_.stop();
    emit changed();
}

void Listening::refresh()
{
    player_.setTempo(session_.instrument().tempo);
}

} // namespace puretone::app
