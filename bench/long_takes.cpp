// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/long_takes.h"

#include "audio/signal/resample.h"
#include "engine/program/prepared.h"
#include "model/making/take_maker.h"

#include <algorithm>
#include <cmath>
#include <filesystem>
#include <numbers>
#include <optional>

namespace bench {

using namespace puretone;

namespace {

double uniform(std::mt19937& random, double low, double high)
{
    return std::uniform_real_distribution<double>(low, high)(random);
}
double gain(double db)
{
    return std::pow(10.0, db / 20.0);
}

/// Level of 3 ms every millisecond, linear.
std::vector<double> envelopeOf(const std::vector<float>& wave)
{
    const auto step = std::size_t(0.001 * takeRate);
    std::vector<double> levels;
    for (std::size_t at = 0; at < wave.size(); at += step) {
        double sum = 0.0;
        const auto to = std::min(wave.size(), at + 3 * step);
        for (auto i = at; i < to; ++i)
            sum += double(wave[i]) * double(wave[i]);
        levels.push_back(std::sqrt(sum / double(to - at)));
    }
    return levels;
}

std::size_t firstAbove(const std::vector<double>& levels, double line)
{
    return std::size_t(std::find_if(levels.begin(), levels.end(), [&](double v) {
        return v > line;
    }) - levels.begin());
}

bool isStruck(const std::vector<float>& wave)
{
    const auto levels = envelopeOf(wave);
    const double peak = *std::max_element(levels.begin(), levels.end());
    return firstAbove(levels, 0.7 * peak) - firstAbove(levels, 0.1 * peak) < 25;
}

/// Whether it is struck and what is left of it later, at the beginning of its loop, is no more than
/// an echo of how it began.
bool diesAway(const Sound& sound)
{
    const auto levels = envelopeOf(sound.wave);
    const bool loops = sound.loopEnd > sound.loopStart;
    const double later = loops ? double(sound.loopStart) : 0.6 * double(sound.wave.size());
    const auto at = std::min(levels.size() - 1, std::size_t(later / takeRate * 1000.0));
    return isStruck(sound.wave)
        && levels[at] < 0.5 * *std::max_element(levels.begin(), levels.end());
}

/// A note of so many seconds: the recording, its loop for as long as is needed, and an ending.
/// @param longRelease Instead of a short one, seconds.
std::vector<float> play(const Sound& sound, double seconds, std::mt19937& random,
    std::optional<double> longRelease = {})
{
    const double decay = uniform(random, 0.8, 3.0), brief = uniform(random, 0.15, 0.4);
    const double release = longRelease.value_or(brief);
    const bool dies = diesAway(sound);
    // A recording that is at its end is let go before it.
    if (sound.loopEnd == sound.loopStart)
        seconds = std::min(seconds, std::max(0.0, double(sound.wave.size()) / takeRate - release));
    const auto length = std::size_t((seconds + release) * takeRate);
    const auto turn = sound.loopEnd - sound.loopStart;
    std::vector<float> wave;
    for (std::size_t i = 0; i < length; ++i) {
        auto at = std::int64_t(i);
        if (turn > 0 && at >= sound.loopEnd)
            at = sound.loopStart + (at - sound.loopStart) % turn;
        if (at >= std::int64_t(sound.wave.size()))
            break;
        const double t = double(i) / takeRate;
        double shape = dies && turn > 0 ? std::pow(10.0, -3.0 * t / decay) : 1.0;
        if (t > seconds)
            shape *= std::pow(10.0, -3.0 * (t - seconds) / release);
        wave.push_back(float(shape) * sound.wave[std::size_t(at)]);
    }
    return wave;
}

/// Reads a wave at a speed that swings.
std::vector<float> withVibrato(const std::vector<float>& wave, double cents, double hz)
{
    std::vector<float> out;
    double at = 0.0;
    for (std::size_t i = 0; at + 1.0 < double(wave.size()); ++i) {
        const auto whole = std::size_t(at);
        const auto share = float(at - double(whole));
        out.push_back(wave[whole] + share * (wave[whole + 1] - wave[whole]));
        const double swing = std::sin(2.0 * std::numbers::pi * hz * double(i) / takeRate);
        at += std::exp2(cents * swing / 1200.0);
    }
    return out;
}

std::vector<float> unsteady(std::vector<float> wave, std::mt19937& random)
{
    switch (int(uniform(random, 0.0, 3.0))) {
    case 0: {
        const double depth = uniform(random, 4.0, 10.0), hz = uniform(random, 4.0, 7.0);
        for (std::size_t i = 0; i < wave.size(); ++i)
            wave[i] *= float(gain(-0.5 * depth
                * (1.0 - std::cos(2.0 * std::numbers::pi * hz * double(i) / takeRate))));
        return wave;
    }
    case 1:
        return withVibrato(wave, uniform(random, 25.0, 60.0), uniform(random, 4.5, 7.0));
    default: {
        const double ratio = std::exp2(uniform(random, 4.0, 14.0) / 1200.0);
        const auto other = resample(wave, ratio * takeRate, takeRate);
        for (std::size_t i = 0; i < std::min(wave.size(), other.size()); ++i)
            wave[i] = 0.6f * (wave[i] + 0.8f * other[i]);
        return wave;
    }
    }
}

class Builder {
public:
    Builder(double noiseDb, std::mt19937& random)
        : noiseDb_(noiseDb)
        , random_(random)
    {
    }
    double now() const { return double(wave_.size()) / takeRate; }

    /// Adds a note that begins at `at`; the take grows with it.
    void add(double at, std::vector<float> note, double levelDb, const std::string& name)
    {
        float peak = 1e-9f;
        for (const float s : note)
            peak = std::max(peak, std::abs(s));
        for (float& s : note)
            s *= float(gain(levelDb)) / peak;
        const auto levels = envelopeOf(note);
        const double top = *std::max_element(levels.begin(), levels.end());
        const double heard = 0.001 * double(firstAbove(levels, gain(noiseDb_ + 4.0)));
        const double tenth = 0.001 * double(firstAbove(levels, 0.1 * top));
        take_.starts.push_back({at + heard, at + tenth, isStruck(note), name});
        mix(at, note);
    }
    void addBreath(double at, double seconds, double levelDb)
    {
        std::vector<float> breath(std::size_t(seconds * takeRate));
        double low = 0.0;
        for (std::size_t i = 0; i < breath.size(); ++i) {
            const double share = double(i) / double(breath.size());
            low += 0.25 * (uniform(random_, -1.0, 1.0) - low);
            breath[i] = float(gain(levelDb) * 2.0 * low * std::sin(std::numbers::pi * share));
        }
        mix(at, breath);
    }
    LongTake finish()
    {
        wave_.resize(wave_.size() + std::size_t(0.5 * takeRate), 0.0f);
        const double level = gain(noiseDb_) * std::sqrt(3.0);
        for (float& s : wave_)
            s += float(level * uniform(random_, -1.0, 1.0));
        take_.audio = {takeRate, {std::move(wave_)}};
        return std::move(take_);
    }

private:
    void mix(double at, const std::vector<float>& sound)
    {
        const auto from = std::size_t(at * takeRate);
        wave_.resize(std::max(wave_.size(), from + sound.size()), 0.0f);
        for (std::size_t i = 0; i < sound.size(); ++i)
            wave_[from + i] += sound[i];
    }

    double noiseDb_;
    std::mt19937& random_;
    std::vector<float> wave_;
    LongTake take_;
};

const Sound& anyOf(const std::vector<Sound>& sounds, std::mt19937& random)
{
    return sounds[std::uniform_int_distribution<std::size_t>(0, sounds.size() - 1)(random)];
}

/// One whose note dies away, or one that lasts.
const Sound& anyOf(const std::vector<Sound>& sounds, bool dying, std::mt19937& random)
{
    for (int i = 0; i < 1000; ++i)
        if (const Sound& sound = anyOf(sounds, random); diesAway(sound) == dying)
            return sound;
    return sounds.front();
}

void addNotes(TakeKind kind, Builder& take, const std::vector<Sound>& notes, std::mt19937& random)
{
    const int count = int(uniform(random, 5.0, 13.0));
    const Sound* same = nullptr;
    if (kind == TakeKind::struckAgain || kind == TakeKind::repeated)
        same = &anyOf(notes, kind == TakeKind::struckAgain, random);
    double at = uniform(random, 0.3, 0.8);
    for (int i = 0; i < count; ++i) {
        const bool plucked = kind == TakeKind::pluckedRhythm;
        const Sound& sound = same != nullptr ? *same
            : plucked                        ? anyOf(notes, true, random)
                                             : anyOf(notes, random);
        const double seconds = plucked ? 1.5 : uniform(random, 0.6, 3.0);
        std::optional<double> release;
        if (kind == TakeKind::tails)
            release = uniform(random, 1.2, 3.0);
        auto note = play(sound, seconds, random, release);
        if (kind == TakeKind::tremolo)
            note = unsteady(std::move(note), random);
        const double levelDb =
            same != nullptr ? uniform(random, -10.0, -5.0) : uniform(random, -14.0, -4.0);
        if (kind == TakeKind::breaths) {
            const double breath = uniform(random, 0.15, 0.4);
            take.addBreath(at, breath, levelDb - uniform(random, 18.0, 30.0));
            at += breath + uniform(random, 0.02, 0.1);
        }
        const double whole = double(note.size()) / takeRate, length = std::min(whole, seconds);
        take.add(at, std::move(note), levelDb, sound.name);
        switch (kind) {
        case TakeKind::overlaps:
            at += std::max(0.3, whole - uniform(random, 0.2, 0.5));
            break;
        case TakeKind::legato:
            at += std::max(0.3, length);
            break;
        case TakeKind::struckAgain:
            at += std::max(0.25, uniform(random, 0.3, 0.8) * length);
            break;
        case TakeKind::repeated:
            at += std::max(0.3, length) + uniform(random, 0.03, 0.07);
            break;
        case TakeKind::pluckedRhythm:
            at += uniform(random, 0.15, 0.5);
            break;
        case TakeKind::tails:
            at += std::min(whole, length + uniform(random, 0.75, 1.0) * *release);
            break;
        default:
            at = take.now() + uniform(random, 0.25, 1.2);
        }
    }
}

void addHits(TakeKind kind, Builder& take, const std::vector<Sound>& hits, std::mt19937& random)
{
    const bool rhythm = kind == TakeKind::rhythm;
    const int count = int(rhythm ? uniform(random, 10.0, 25.0) : uniform(random, 5.0, 13.0));
    double at = uniform(random, 0.3, 0.8);
    for (int i = 0; i < count; ++i) {
        const Sound& hit = anyOf(hits, random);
        take.add(at, hit.wave, uniform(random, -14.0, -4.0), hit.name);
        at = rhythm ? at + uniform(random, 0.12, 0.4) : take.now() + uniform(random, 0.25, 1.2);
    }
}

} // namespace

namespace {

/// Lengthens a note by a loop of our own, where there is a good one: many a loop in a bank clicks
/// or pulses, and that is no one's note.
void addLoop(const RecordingPtr& recording, Sound& sound)
{
    constexpr double surelyGood = 0.6;
    const auto take = puretone::makeTake(recording);
    if (!take || take->facts->loopChoices.empty()
        || take->facts->loopChoices.front().cost > surelyGood)
        return;
    Take looped = *take;
    looped.loop = take->facts->loopChoices.front().loop;
    looped.loop.on = true;
    const auto prepared = prepareTake(looped);
    if (!prepared.loop)
        return;
    const double ratio = takeRate / prepared.audio.rate;
    sound.wave = resample(mixToMono(prepared.audio), prepared.audio.rate, takeRate);
    sound.loopStart = std::llround(ratio * double(prepared.loop->start.value));
    sound.loopEnd = std::min(std::int64_t(sound.wave.size()),
        std::int64_t(std::llround(ratio * double(prepared.loop->end.value))));
}

} // namespace

std::vector<Sound> loadSounds(const std::string& folder, bool lengthen)
{
    std::vector<std::filesystem::path> paths;
    for (const auto& entry : std::filesystem::directory_iterator(folder))
        if (entry.path().extension() == ".wav" || entry.path().extension() == ".flac")
            paths.push_back(entry.path());
    std::sort(paths.begin(), paths.end());
    std::vector<Sound> sounds;
    for (const auto& path : paths) {
        const auto recording = openRecording(path);
        if (!recording || (*recording)->audio->seconds() < 0.03)
            continue;
        Sound sound{path.stem().string(),
            resample(mixToMono(*(*recording)->audio), (*recording)->audio->rate, takeRate)};
        if (lengthen)
            addLoop(*recording, sound);
        sounds.push_back(std::move(sound));
    }
    return sounds;
}

const char* nameOf(TakeKind kind)
{
    constexpr const char* names[] = {"silences", "noisy", "tremolo", "breaths", "drums", "overlaps",
        "legato", "struck again", "repeated", "drum rhythm", "plucked rhythm", "tails"};
    return names[int(kind)];
}

LongTake makeTake(TakeKind kind, const std::vector<Sound>& notes, const std::vector<Sound>& hits,
    std::mt19937& random)
{
    const bool noisy = kind == TakeKind::noisy;
    const double noiseDb = uniform(random, noisy ? -45.0 : -70.0, noisy ? -35.0 : -40.0);
    Builder take(kind == TakeKind::tails ? -95.0 : noiseDb, random);
    const bool drums = kind == TakeKind::drums || kind == TakeKind::rhythm;
    if (drums ? hits.empty() : notes.empty())
        return {};
    if (drums)
        addHits(kind, take, hits, random);
    else
        addNotes(kind, take, notes, random);
    return take.finish();
}

} // namespace bench
