// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/export/fit.h"

#include "base/quantity.h"
#include "base/say.h"

#include <algorithm>
#include <map>
#include <set>
#include <utility>

namespace puretone {

const char* nameOf(Saver saver)
{
    switch (saver) {
    case Saver::mono:
        return text("mono");
    case Saver::rate:
        return text("lower rate");
    case Saver::depth:
        return text("16 bits");
    case Saver::length:
        return text("shorter sounds");
    case Saver::fewerTakes:
        break;
    }
    return text("fewer takes");
}

namespace {

int rootOf(const Instrument& instrument, const Zone& zone)
{
    const Take* take = instrument.take(zone.take);
    return take != nullptr ? take->tuning.rootKey : zone.lowKey;
}

/// Keeps every n-th of a row of zones over the keys, and spreads those over all of its keys.
void thin(const Instrument& instrument, std::vector<Zone>& row, int every)
{
    std::stable_sort(row.begin(), row.end(), [&](const Zone& a, const Zone& b) {
        return rootOf(instrument, a) < rootOf(instrument, b);
    });
    int low = 127, high = 0;
    for (const auto& zone : row) {
        low = std::min(low, zone.lowKey);
        high = std::max(high, zone.highKey);
    }
    std::vector<Zone> kept;
    for (std::size_t i = 0; i < row.size(); i += std::size_t(every))
        kept.push_back(row[i]);
    if (kept.size() == row.size())
        return;
    for (std::size_t i = 0; i < kept.size(); ++i) {
        Zone& zone = kept[i];
        zone.lowKeyFade = zone.highKeyFade = 0;
        if (i == 0)
            zone.lowKey = low;
        if (i + 1 == kept.size()) {
            zone.highKey = high;
            continue;
        }
        const int border = (rootOf(instrument, zone) + rootOf(instrument, kept[i + 1])) / 2;
        zone.highKey = std::max(zone.lowKey, border);
        kept[i + 1].lowKey = zone.highKey + 1;
        kept[i + 1].highKey = std::max(kept[i + 1].highKey, kept[i + 1].lowKey);
    }
    row = std::move(kept);
}

/// One zone of each stack that takes turns.
void keepOneInTurn(Layer& layer)
{
    if (layer.sameKeys == SameKeys::together)
        return;
    std::set<std::array<int, 4>> known;
    std::erase_if(layer.zones, [&](const Zone& z) {
        return !known.insert({z.lowKey, z.highKey, z.lowVelocity, z.highVelocity}).second;
    });
}

void dropUnplayed(Instrument& instrument)
{
    std::set<TakeId> played;
    for (const auto& layer : instrument.layers)
        for (const auto& zone : layer.zones)
            played.insert(zone.take);
    std::erase_if(instrument.takes, [&](const Take& take) { return played.count(take.id) == 0; });
}

double longestPlainSeconds(const Instrument& instrument)
{
    double longest = 0.0;
    for (const auto& take : instrument.takes)
        if (!take.loop.repeats())
            longest = std::max(longest, double(preparedFrames(take)) / take.rate());
    return longest;
}

std::size_t mostRoots(const Instrument& instrument)
{
    std::size_t most = 0;
    for (const auto& layer : instrument.layers) {
        std::map<std::pair<int, int>, std::size_t> rows;
        for (const auto& zone : layer.zones)
            most = std::max(most, ++rows[{zone.lowVelocity, zone.highVelocity}]);
    }
    return most;
}

/// What is tried, mildest first; each goes as far as it must.
class Fitter {
public:
    Fitter(const Instrument& instrument, std::filesystem::path path, const ExportChoices& choices,
        std::uint64_t mostBytes)
        : whole_(instrument)
        , path_(std::move(path))
        , mostBytes_(mostBytes)
        , fit_{instrument, choices, 0, false, {}}
    {
        measure(fit_);
    }

    void save(Saver saver)
    {
        said_ = false;
        switch (saver) {
        case Saver::mono:
            tryStep([](Fit& f) { f.choices.sound.mono = true; }, say("mixed to mono"));
            break;
        case Saver::rate:
            for (const double rate : {44100.0, 32000.0, 22050.0, 16000.0})
                if (rate < highestRate())
                    tryStep([rate](Fit& f) { f.choices.sound.rate = rate; },
                        formatNumber(rate / 1000.0, 2) + " kHz");
            break;
        case Saver::depth:
            if (fit_.choices.sound.depth != Depth::bits16)
                tryStep([](Fit& f) { f.choices.sound.depth = Depth::bits16; }, say("16 bits"));
            break;
        case Saver::length:
            for (double seconds = 0.8 * longestPlainSeconds(fit_.instrument); seconds >= 0.25;
                 seconds *= 0.8)
                tryStep([seconds](Fit& f) { f.choices.sound.longest = seconds; },
                    say("sounds without a loop end after %1 s", formatNumber(seconds, 2)));
            break;
        case Saver::fewerTakes:
            fewer();
            break;
        }
    }
    Fit result() { return fit_; }

private:
    double highestRate() const
    {
        double highest = 0.0;
        for (const auto& take : fit_.instrument.takes)
            highest = std::max(highest, fit_.choices.sound.rate.value_or(take.rate()));
        return highest;
    }
    void fewer()
    {
        const auto most = int(std::min<std::size_t>(12, mostRoots(whole_)));
        for (int every = 1; every <= most && !fit_.met; ++every) {
            auto less = withFewerTakes(whole_, every);
            const auto gone = whole_.takes.size() - less.takes.size();
            if (gone == 0)
                continue;
            tryStep([&less](Fit& f) { f.instrument = less; },
                say("%1 of %2 takes", less.takes.size(), whole_.takes.size()));
        }
    }
    void measure(Fit& fit) const
    {
        const auto files = path_.has_extension()
            ? plannedFiles(fit.instrument, path_, fit.choices)
            : plannedWavSet(fit.instrument, path_, fit.choices);
        fit.bytes = totalBytes(files);
        fit.met = fit.bytes <= mostBytes_;
    }
    /// @param words Take the place of those of a milder step of the same saver.
    template <class Change> void tryStep(Change change, const std::string& words)
    {
        if (fit_.met)
            return;
        Fit next = fit_;
        change(next);
        measure(next);
        if (next.bytes >= fit_.bytes)
            return; // nothing is won
        if (std::exchange(said_, true))
            next.said.pop_back();
        next.said.push_back(words);
        fit_ = std::move(next);
    }

    const Instrument& whole_;
    std::filesystem::path path_;
    std::uint64_t mostBytes_;
    Fit fit_;
    bool said_ = false; ///< Whether the last words are the present saver's.
};

} // namespace

Instrument withFewerTakes(const Instrument& instrument, int every)
{
    Instrument less = instrument;
    for (auto& layer : less.layers) {
        keepOneInTurn(layer);
        if (every < 2)
            continue;
        std::map<std::pair<int, int>, std::vector<Zone>> rows;
        for (const auto& zone : layer.zones)
            rows[{zone.lowVelocity, zone.highVelocity}].push_back(zone);
        layer.zones.clear();
        for (auto& [touches, row] : rows) {
            thin(instrument, row, every);
            layer.zones.insert(layer.zones.end(), row.begin(), row.end());
        }
    }
    dropUnplayed(less);
    return less;
}

Fit fitInto(const Instrument& instrument, const std::filesystem::path& path,
    const ExportChoices& choices, std::uint64_t mostBytes, const std::vector<Saver>& order)
{
    Fitter fitter(instrument, path, choices, mostBytes);
    for (const auto saver : order)
        fitter.save(saver);
    return fitter.result();
}

Instrument asWritten(Instrument instrument, const SoundChoices& choices)
{
    for (auto& take : instrument.takes) {
        auto written = conform(prepareTake(take), choices);
        Take finished = take;
        finished.treatments.clear();
        finished.treated = {};
        finished.kept = {Frames{0}, Frames{written.frames}};
        finished.fades = {0.0, 0.0};
        finished.tuning.fineCents += written.retuneCents;
        finished.loop = {};
        finished.loop.mode = modeInFiles(written.mode);
        if (written.loop) {
            finished.loop.on = true;
            finished.loop.span = *written.loop;
        }
        finished.recording = makeRecording(std::move(written.audio), take.recording->fileName);
        take = std::move(finished);
    }
    return instrument;
}

} // namespace puretone
