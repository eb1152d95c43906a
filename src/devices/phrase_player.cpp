// SPDX-License-Identifier: GPL-3.0-or-later
#include "devices/phrase_player.h"

#include <algorithm>
#include <chrono>

namespace puretone {

namespace {

using Clock = std::chrono::steady_clock;

Clock::duration seconds(double value)
{
    return std::chrono::duration_cast<Clock::duration>(std::chrono::duration<double>(value));
}

/// A note of a phrase that is being made.
void add(Phrase& phrase, double beat, double length, int key, int touch)
{
    phrase.events.push_back({beat, MidiEvent::noteOn(key, touch)});
    phrase.events.push_back({beat + length, MidiEvent::noteOff(key)});
}

Phrase finished(Phrase phrase)
{
    // A note that ends where the next one begins ends first.
    std::stable_sort(phrase.events.begin(), phrase.events.end(),
        [](const Phrase::Event& a, const Phrase::Event& b) {
            return a.beat < b.beat
                || (a.beat == b.beat && a.event.kind == MidiEvent::Kind::noteOff
                    && b.event.kind != MidiEvent::Kind::noteOff);
        });
    return phrase;
}

} // namespace

PhrasePlayer::PhrasePlayer(MidiClient client)
    : client_(std::move(client))
    , thread_([this] { run(); })
{
}

PhrasePlayer::~PhrasePlayer()
{
    {
        const std::lock_guard lock(lock_);
        ends_ = true;
    }
    wake_.notify_all();
    thread_.join();
}

void PhrasePlayer::play(Phrase phrase)
{
    {
        const std::lock_guard lock(lock_);
        phrase_ = std::move(phrase);
        plays_ = !phrase_.events.empty() && phrase_.beats > 0.0;
        ++round_;
    }
    wake_.notify_all();
}

void PhrasePlayer::stop()
{
    {
        const std::lock_guard lock(lock_);
        plays_ = false;
        ++round_;
    }
    wake_.notify_all();
}

bool PhrasePlayer::plays() const
{
    const std::lock_guard lock(lock_);
    return plays_;
}

void PhrasePlayer::endNotes()
{
    for (int key = 0; key < 128; ++key)
        if (std::exchange(sounding_[std::size_t(key)], false))
            client_(MidiEvent::noteOff(key));
}

void PhrasePlayer::run()
{
    std::unique_lock lock(lock_);
    int round = -1;
    double beat = 0.0; // of the next event, since the phrase began
    std::size_t next = 0;
    auto at = Clock::now(); // of `beat`
    while (!ends_) {
        if (round != round_) {
            round = round_;
            endNotes();
            beat = 0.0;
            next = 0;
            at = Clock::now();
        }
        if (!plays_) {
            wake_.wait(lock, [&] { return ends_ || round != round_; });
            continue;
        }
        const bool over = next == phrase_.events.size();
        const double until = over ? phrase_.beats : phrase_.events[next].beat;
        // In pieces, so that a tempo that is turned is heard at once.
        const double perBeat = 60.0 / std::clamp(tempo_.load(std::memory_order_relaxed), 1.0, 1e3);
        const double step = std::min(until - beat, 0.02 / perBeat);
        if (step > 0.0) {
            beat += step;
            at += seconds(step * perBeat);
            // Long asleep, it does not hurry after what it has missed.
            at = std::max(at, Clock::now() - std::chrono::milliseconds(100));
            wake_.wait_until(lock, at, [&] { return ends_ || round != round_; });
            continue;
        }
        if (over) {
            beat = 0.0;
            next = 0;
            continue;
        }
        const MidiEvent event = phrase_.events[next++].event;
        if (event.kind == MidiEvent::Kind::noteOn || event.kind == MidiEvent::Kind::noteOff)
            sounding_[event.key & 127U] = event.kind == MidiEvent::Kind::noteOn;
        client_(event);
    }
    endNotes();
}

std::vector<Phrase> shippedPhrases(int low, int high, int root)
{
    low = std::clamp(low, 0, 127);
    high = std::clamp(high, low, 127);
    // An octave lower or higher where a key does not sound.
    const auto inside = [&](int key) {
        while (key < low && key + 12 <= high)
            key += 12;
        while (key > high && key - 12 >= low)
            key -= 12;
        return std::clamp(key, low, high);
    };
    Phrase bass{"Bass line", 8.0, {}};
    constexpr int steps[] = {0, 0, 12, 7, 0, 3, 5, 7, 0, 0, 12, 10, 7, 5, 3, -2};
    for (int i = 0; i < 16; ++i)
        add(bass, 0.5 * i, i % 4 == 3 && i < 15 ? 0.55 : 0.42, inside(root - 12 + steps[i]),
            i % 4 == 0 ? 112 : 84 + 5 * (i % 3));
    Phrase chords{"Chords", 16.0, {}};
    constexpr int roots[] = {0, -3, 5, -5};
    constexpr bool minor[] = {false, true, false, false};
    for (int i = 0; i < 4; ++i)
        for (const int tone : {0, minor[i] ? 3 : 4, 7, 12})
            add(chords, 4.0 * i, 3.7, inside(root + roots[i] + tone), 76 + 3 * tone);
    Phrase scale{"Scale over all keys", 0.0, {}};
    constexpr int white[] = {0, 2, 4, 5, 7, 9, 11};
    std::vector<int> keys;
    for (int key = low; key <= high; ++key)
        if (std::find(std::begin(white), std::end(white), key % 12) != std::end(white))
            keys.push_back(key);
    if (keys.empty())
        keys.push_back(low);
    for (std::size_t i = 0; i < keys.size(); ++i)
        add(scale, 0.5 * double(i), 0.46, keys[i], 96);
    scale.beats = 0.5 * double(keys.size()) + 2.0;
    Phrase held{"One long note", 16.0, {}};
    add(held, 0.0, 14.0, inside(root), 96);
    return {finished(std::move(bass)), finished(std::move(chords)), finished(std::move(scale)),
        finished(std::move(held))};
}

} // namespace puretone
