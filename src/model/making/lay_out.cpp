// SPDX-License-Identifier: GPL-3.0-or-later
#include "model/making/lay_out.h"

#include "audio/level.h"
#include "base/quantity.h"
#include "base/say.h"
#include "model/making/reach.h"

#include <algorithm>
#include <limits>
#include <set>

namespace puretone {

namespace {

/// Smaller steps between recordings of one key are chance, or the player's mood.
constexpr double clearStepDb = 3.0;

struct Member {
    Zone* zone;
    double loudness; ///< LUFS, of what is played first.
    NameSays name;
};
using Groups = std::map<int, std::vector<Member>>; ///< By root key.

double loudnessOf(const Take& take)
{
    constexpr double heardSeconds = 3.0;
    Span heard = take.kept;
    heard.end.value =
        std::min(heard.end.value, heard.start.value + toFrames(heardSeconds, take.rate()).value);
    return loudnessLufs(take.audio(), heard).value;
}

/// Levels are measured where roots are shared.
Groups groupsOf(const Instrument& instrument, Layer& layer)
{
    std::map<int, std::size_t> count;
    for (const auto& zone : layer.zones)
        if (const Take* take = instrument.take(zone.take))
            ++count[take->tuning.rootKey];
    Groups groups;
    for (auto& zone : layer.zones)
        if (const Take* take = instrument.take(zone.take))
            groups[take->tuning.rootKey].push_back(
                {&zone, count[take->tuning.rootKey] > 1 ? loudnessOf(*take) : 0.0,
                    readName(take->recording->fileName)});
    return groups;
}

bool evenlyMany(const Groups& groups)
{
    return std::all_of(groups.begin(), groups.end(),
        [&](const auto& group) { return group.second.size() == groups.begin()->second.size(); });
}

/// Whether names tell the takes of every root apart by the same words.
bool wordsTell(const Groups& groups)
{
    std::set<int> common;
    for (const auto& [root, members] : groups) {
        std::set<int> touches;
        for (const auto& member : members)
            if (member.name.touch)
                touches.insert(*member.name.touch);
        if (touches.size() != members.size() || (!common.empty() && touches != common))
            return false;
        common = std::move(touches);
    }
    return true;
}

/// The smallest step of level between takes of one root, sorted by it.
double leastStep(const Groups& groups)
{
    double least = std::numeric_limits<double>::infinity();
    for (const auto& [root, members] : groups)
        for (std::size_t i = 1; i < members.size(); ++i)
            least = std::min(least, members[i].loudness - members[i - 1].loudness);
    return least;
}

template <class Less> void sortEach(Groups& groups, Less less)
{
    for (auto& [root, members] : groups)
        std::stable_sort(members.begin(), members.end(), less);
}

void shareTouch(const std::vector<Member>& members)
{
    const auto count = int(members.size());
    for (int i = 0; i < count; ++i) {
        Zone& zone = *members[std::size_t(i)].zone;
        zone.lowVelocity = 1 + 127 * i / count;
        zone.highVelocity = 127 * (i + 1) / count;
    }
}

/// The order in the layer is the order of turns.
void orderTurns(Layer& layer, const Groups& groups)
{
    std::map<ZoneId, std::size_t> place;
    for (const auto& [root, members] : groups)
        for (const auto& member : members)
            place[member.zone->id] = place.size();
    std::stable_sort(layer.zones.begin(), layer.zones.end(), [&](const Zone& a, const Zone& b) {
        const auto at = [&](const Zone& z) {
            const auto found = place.find(z.id);
            return found == place.end() ? place.size() : found->second;
        };
        return at(a) < at(b);
    });
}

void shareKeys(Instrument& instrument, Layer& layer, LayOutOptions::Share wanted, LaidOut& done)
{
    auto groups = groupsOf(instrument, layer);
    done.roots = groups.size();
    if (layer.zones.size() == done.roots) {
        layer.sameKeys = SameKeys::together;
        return;
    }
    using Share = LayOutOptions::Share;
    done.byWords = wanted != Share::inTurn && evenlyMany(groups) && wordsTell(groups);
    if (done.byWords)
        sortEach(
            groups, [](const Member& a, const Member& b) { return a.name.touch < b.name.touch; });
    else
        sortEach(groups, [](const Member& a, const Member& b) { return a.loudness < b.loudness; });
    done.leastStepDb = evenlyMany(groups) ? leastStep(groups) : 0.0;
    const bool clear = done.byWords || (evenlyMany(groups) && done.leastStepDb >= clearStepDb);
    const bool byTouch = wanted == Share::byTouch || (wanted == Share::decide && clear);
    done.shared = byTouch ? LaidOut::Shared::byTouch : LaidOut::Shared::inTurn;
    layer.sameKeys = byTouch ? SameKeys::together : SameKeys::inTurn;
    if (byTouch) {
        for (auto& [root, members] : groups)
            shareTouch(members);
        return;
    }
    sortEach(groups, [&](const Member& a, const Member& b) {
        if (a.name.number != b.name.number)
            return a.name.number < b.name.number;
        return a.zone->take < b.zone->take;
    });
    orderTurns(layer, groups);
}

std::optional<int> rootOf(
    const RootsSaid& said, RootFrom from, const LayOutOptions& options, int place)
{
    switch (from) {
    case RootFrom::asSet:
        return std::nullopt;
    case RootFrom::reading:
        return said.reading;
    case RootFrom::file:
        return said.file;
    case RootFrom::name:
        if (said.name.key)
            return *said.name.key + (said.name.isNumber ? 0 : options.nameShift);
        return std::nullopt;
    case RootFrom::series:
        return options.series.firstKey + place * options.series.step;
    }
    return std::nullopt;
}

/// The fine tuning stays what was read, where that is near the key.
void setRoot(Take& take, int key, RootFrom from)
{
    key = std::clamp(key, 0, 127);
    if (key == take.tuning.rootKey && from != RootFrom::reading)
        return;
    const auto& midi = take.facts->pitch.midi;
    double fine = 0.0;
    if (midi) {
        const double off = take.tuning.onKeys(*midi) - key;
        // A name in another octave still means the note that is heard.
        const double rest = off - 12.0 * std::round(off / 12.0);
        fine = std::abs(rest) <= 0.5 ? -100.0 * rest : 0.0;
    }
    const auto source = from == RootFrom::reading ? TuningSource::proposed
        : from == RootFrom::series                ? TuningSource::series
        : from == RootFrom::file                  ? TuningSource::fromFile
                                                  : TuningSource::byHand;
    take.tuning = {key, fine, source, take.tuning.a4};
}

void setRoots(Instrument& instrument, LayerId layer, const LayOutOptions& options)
{
    int place = 0;
    for (const auto& said : rootsSaid(instrument, layer)) {
        const auto own = options.rootsOf.find(said.take);
        const auto from = own != options.rootsOf.end() ? own->second : options.roots;
        if (const auto key = rootOf(said, from, options, place))
            setRoot(*instrument.take(said.take), *key, from);
        ++place;
    }
}

/// Single keys from `first` on; each sounds as recorded.
void layInARow(std::vector<Zone>& zones, int first)
{
    int key = first;
    for (auto& zone : zones) {
        zone.lowKey = zone.highKey = std::min(127, key++);
        zone.lowKeyByHand = zone.highKeyByHand = true;
    }
}

/// Takes the zones of takes without a pitch out of a layer and lays them elsewhere.
void moveUnpitched(Instrument& instrument, LayerId id, LayOutOptions::Unpitched to, LaidOut& done)
{
    using Unpitched = LayOutOptions::Unpitched;
    if (to == Unpitched::likeOthers)
        return;
    Layer* layer = instrument.layer(id);
    std::vector<Zone> moved;
    for (const auto& zone : layer->zones)
        if (const Take* take = instrument.take(zone.take); take != nullptr && take->isNoNote())
            moved.push_back(zone);
    if (moved.empty())
        return;
    // As they came: roots say nothing of noises.
    std::stable_sort(moved.begin(), moved.end(), [&](const Zone& a, const Zone& b) {
        return instrument.take(a.take) < instrument.take(b.take);
    });
    const bool all = moved.size() == layer->zones.size();
    LayerId into = id;
    if (!all) {
        into = addLayer(instrument);
        if (into == LayerId{})
            return; // no room: they stay where they are
        layer = instrument.layer(id);
        std::erase_if(layer->zones, [&](const Zone& zone) {
            return std::any_of(
                moved.begin(), moved.end(), [&](const Zone& m) { return m.id == zone.id; });
        });
        instrument.layer(into)->name = say("Without pitch");
    }
    Layer& own = *instrument.layer(into);
    own.follow = 0.0;
    own.sameKeys = to == Unpitched::ownLayer ? SameKeys::inTurn : SameKeys::together;
    for (auto& zone : moved) {
        zone.lowVelocity = 1;
        zone.highVelocity = 127;
        zone.lowKey = 0;
        zone.highKey = 127;
    }
    constexpr int firstKey = 36;
    if (to == Unpitched::inARow)
        layInARow(moved, firstKey);
    own.zones = std::move(moved);
    done.unpitched = own.zones.size();
    done.unpitchedTo = to;
}

void reachOut(const Instrument& instrument, Layer& layer, LayOutOptions::Reach reach)
{
    if (reach == LayOutOptions::Reach::asBefore || layer.zones.empty())
        return;
    int low = 0, high = 127;
    if (reach == LayOutOptions::Reach::asItSounds) {
        low = 127;
        high = 0;
        for (const auto& zone : layer.zones)
            if (const Take* take = instrument.take(zone.take)) {
                const auto sounds = proposeReach(*take);
                low = std::min(low, std::max(0, take->tuning.rootKey - sounds.down));
                high = std::max(high, std::min(127, take->tuning.rootKey + sounds.up));
            }
    }
    for (auto& zone : layer.zones) {
        zone.lowKey = low;
        zone.highKey = high;
    }
}

} // namespace

bool RootsSaid::disagree(int shift) const
{
    std::set<int> keys;
    if (reading)
        keys.insert(*reading);
    if (file)
        keys.insert(*file);
    if (name.key)
        keys.insert(*name.key + (name.isNumber ? 0 : shift));
    return keys.size() > 1;
}

std::vector<RootsSaid> rootsSaid(const Instrument& instrument, LayerId id)
{
    std::vector<RootsSaid> all;
    const Layer* layer = instrument.layer(id);
    if (layer == nullptr)
        return all;
    std::set<TakeId> playing;
    for (const auto& zone : layer->zones)
        playing.insert(zone.take);
    for (const auto& take : instrument.takes) {
        if (!playing.contains(take.id))
            continue;
        RootsSaid said;
        said.take = take.id;
        said.set = take.tuning.rootKey;
        const auto& pitch = take.facts->pitch;
        if (pitch.midi && pitch.verdict != PitchVerdict::none)
            said.reading = nearestKey(take.tuning.onKeys(*pitch.midi)).key;
        if (const auto& inFile = take.recording->sampler)
            said.file = nearestKey(inFile->midi).key;
        said.name = readName(take.recording->fileName);
        all.push_back(said);
    }
    return all;
}

std::optional<int> nameShift(const std::vector<RootsSaid>& said)
{
    std::optional<int> shift;
    for (const auto& one : said) {
        if (!one.name.key || one.name.isNumber || !one.reading)
            continue;
        const int away = *one.reading - *one.name.key;
        if (away % 12 != 0 || (shift && *shift != away))
            return std::nullopt;
        shift = away;
    }
    return shift && *shift != 0 ? shift : std::nullopt;
}

LaidOut layOut(Instrument& instrument, LayerId id, const LayOutOptions& options)
{
    LaidOut done;
    Layer* layer = instrument.layer(id);
    if (layer == nullptr || layer->zones.empty())
        return done;
    done.takes = layer->zones.size();
    setRoots(instrument, id, options);
    moveUnpitched(instrument, id, options.unpitched, done);
    layer = instrument.layer(id);
    if (done.unpitched == done.takes)
        return done;
    for (auto& zone : layer->zones) {
        zone.lowVelocity = 1;
        zone.highVelocity = 127;
        zone.lowVelocityFade = zone.highVelocityFade = 0;
        zone.lowKeyFade = zone.highKeyFade = 0;
        zone.lowKeyByHand = zone.highKeyByHand = false;
    }
    shareKeys(instrument, *layer, options.share, done);
    reachOut(instrument, *layer, options.reach);
    spreadByRoots(instrument, *layer);
    return done;
}

namespace {

std::string takesText(std::size_t count)
{
    return count == 1 ? say("1 take") : say("%1 takes", count);
}

std::string touchText(const LaidOut& done)
{
    if (done.byWords)
        return say("those of one root sound by touch, as their names say");
    return done.leastStepDb > 0.0
        ? say("those of one root sound by touch, their levels %1 apart or more",
            formatDecibels({done.leastStepDb}))
        : say("those of one root sound by touch");
}

} // namespace

std::string sentenceFor(const LaidOut& done)
{
    std::string words;
    const auto add = [&](const std::string& part) { words += (words.empty() ? "" : "; ") + part; };
    const auto pitched = done.takes - done.unpitched;
    if (pitched > 1 && done.roots == 1)
        add(say("All %1 have one root", takesText(pitched)));
    else if (pitched > 0)
        add(done.roots > 1 ? say(
                "%1 on %2 roots, borders halfway between them", takesText(pitched), done.roots)
                           : say("%1 on 1 root", takesText(pitched)));
    if (done.shared == LaidOut::Shared::byTouch)
        add(touchText(done));
    else if (done.shared == LaidOut::Shared::inTurn)
        add(say("those of one root sound in turn"));
    if (done.unpitched > 0)
        add(done.unpitchedTo == LayOutOptions::Unpitched::inARow
                ? say("%1, drums or noises, on single keys in a row", takesText(done.unpitched))
                : say("%1, drums or noises, in turn on every key, without following them",
                    takesText(done.unpitched)));
    return words + ".";
}

} // namespace puretone
