// SPDX-License-Identifier: GPL-3.0-or-later
#include "formats/sf2/sf2_movement.h"

#include "formats/sf2/sf2.h"
#include "formats/sfz/sfz_words.h"

namespace puretone::sf2 {

int amountIn(const Amounts& zone, unsigned generator, int fallback)
{
    const auto found = zone.find(generator);
    return found == zone.end() ? fallback : found->second;
}

namespace {

constexpr double centsOf8Hz = 8.176; // Hz of absolute cent 0 (section 8.1.3, footnote)
constexpr int openFilter = 13500; // cents; what a zone without a filter has

int absoluteCents(double hz, int low, int high)
{
    return std::clamp(int(std::lround(1200.0 * std::log2(hz / centsOf8Hz))), low, high);
}
double hzOfCents(int cents)
{
    return centsOf8Hz * std::exp2(cents / 1200.0);
}
int whole(double value, int most)
{
    return std::clamp(int(std::lround(value)), -most, most);
}

/// The modulation envelope falls evenly in level: in tenths of a percent, and times are for all of
/// it.
void addEnvelope(const Envelope& e, Amounts& amounts)
{
    const double level = e.sustainDb <= silentSustainDb ? 0.0 : std::pow(10.0, e.sustainDb / 20.0);
    amounts[delayModEnv] = timecents(e.delay);
    amounts[attackModEnv] = timecents(e.attack);
    amounts[holdModEnv] = timecents(e.hold);
    amounts[decayModEnv] = timecents(e.decay / std::max(0.01, 1.0 - level));
    amounts[sustainModEnv] = int(std::lround(1000.0 * (1.0 - level)));
    amounts[releaseModEnv] = timecents(e.release);
}

Envelope readEnvelope(const Amounts& zone)
{
    const auto seconds = [&](Generator g) { return secondsOf(amountIn(zone, g, -12000)); };
    const double level = 1.0 - std::clamp(amountIn(zone, sustainModEnv, 0), 0, 1000) / 1000.0;
    Envelope e;
    e.delay = seconds(delayModEnv);
    e.attack = seconds(attackModEnv);
    e.hold = seconds(holdModEnv);
    e.decay = seconds(decayModEnv) * (1.0 - level);
    e.sustainDb = level < 0.001 ? silentSustainDb : 20.0 * std::log10(level);
    e.release = seconds(releaseModEnv);
    return e;
}

} // namespace

Amounts movementAmounts(const Layer& layer)
{
    Amounts amounts;
    const Filter& f = layer.filter;
    if (f.kind == FilterKind::low) {
        amounts[initialFilterFc] = absoluteCents(f.hz, 1500, openFilter - 1);
        amounts[initialFilterQ] = whole(10.0 * sfz::resonanceDb * f.resonance, 960);
        if (const int cents = whole(1200.0 * f.envelopeOctaves, 12000); cents != 0) {
            amounts[modEnvToFilterFc] = cents;
            addEnvelope(layer.second, amounts);
        }
    }
    const SlowWave lfo = slowWaveOf(layer);
    if (lfo.pitchCents > 0.0) {
        amounts[vibLfoToPitch] = whole(lfo.pitchCents, 12000);
        amounts[freqVibLfo] = absoluteCents(lfo.hz, -16000, 4500);
    }
    if (lfo.levelDb > 0.0 || (lfo.cutoffOctaves > 0.0 && f.kind == FilterKind::low)) {
        amounts[modLfoToVolume] = whole(10.0 * lfo.levelDb, 960);
        if (f.kind == FilterKind::low)
            amounts[modLfoToFilterFc] = whole(1200.0 * lfo.cutoffOctaves, 12000);
        amounts[freqModLfo] = absoluteCents(lfo.hz, -16000, 4500);
    }
    return amounts;
}

void readMovement(const Amounts& zone, Layer& layer)
{
    layer.filter = Filter{};
    layer.movements.clear();
    if (const int cutoff = amountIn(zone, initialFilterFc, openFilter); cutoff < openFilter) {
        layer.filter.kind = FilterKind::low;
        layer.filter.hz = hzOfCents(cutoff);
        layer.filter.resonance =
            std::clamp(amountIn(zone, initialFilterQ, 0) / (10.0 * sfz::resonanceDb), 0.0, 1.0);
        if (const int sweep = amountIn(zone, modEnvToFilterFc, 0); sweep != 0) {
            layer.filter.envelopeOctaves = sweep / 1200.0;
            layer.second = readEnvelope(zone);
        }
    }
    SlowWave lfo;
    lfo.pitchCents = std::abs(amountIn(zone, vibLfoToPitch, 0));
    lfo.levelDb = std::abs(amountIn(zone, modLfoToVolume, 0)) / 10.0;
    if (layer.filter.kind != FilterKind::off)
        lfo.cutoffOctaves = std::abs(amountIn(zone, modLfoToFilterFc, 0)) / 1200.0;
    // Two waves there, one here: that of the pitch, where it moves.
    if (lfo.moves())
        lfo.hz = hzOfCents(amountIn(zone, lfo.pitchCents > 0.0 ? freqVibLfo : freqModLfo, 0));
    setSlowWave(layer, lfo);
}

namespace {

// Sources (section 8.2.1): an index, with bit 7 for a controller, bit 8 for falling from 1 to 0.
constexpr unsigned touchSource = 0x0002, touchFalling = 0x0102, controllerBit = 0x80;
constexpr unsigned lowestIndex = 0x7f;

/// A generator that a target adds to, and how many of its units one of ours is.
struct ModulatorWord {
    Target target;
    Generator generator;
    double scale;
};
constexpr ModulatorWord modulatorWords[] = {{Target::cutoff, initialFilterFc, 1200.0},
    {Target::pitch, fineTune, 100.0}, {Target::pan, pan, 500.0}};

} // namespace

bool isWritten(const Layer& layer, const Movement& movement)
{
    return isPlainControl(layer, movement)
        && std::any_of(std::begin(modulatorWords), std::end(modulatorWords),
            [&](const ModulatorWord& word) { return word.target == movement.target; })
        && (movement.target != Target::cutoff || layer.filter.kind == FilterKind::low);
}

std::vector<Modulator> modulatorsOf(const Layer& layer)
{
    // What readers add by themselves (section 8.4): the wheel shakes the pitch, and soft touches
    // close the filter.
    std::vector<Modulator> modulators{{controllerBit | 1U, vibLfoToPitch, 0}};
    if (layer.filter.kind == FilterKind::low) {
        modulators.push_back({touchFalling, initialFilterFc, 0});
        if (const int cents = whole(1200.0 * layer.filter.touchOctaves, 12000); cents != 0)
            modulators.push_back({touchSource, initialFilterFc, cents});
    }
    for (const auto& m : layer.movements)
        for (const auto& word : modulatorWords)
            if (word.target == m.target && isWritten(layer, m))
                modulators.push_back({controllerBit | unsigned(controllerOf(m.source)),
                    word.generator, whole(word.scale * m.amount, 32000)});
    return modulators;
}

bool readModulator(const Modulator& m, Layer& layer)
{
    if (m.amount == 0)
        return true;
    if (m.source == touchSource && m.generator == initialFilterFc) {
        layer.filter.touchOctaves = m.amount / 1200.0;
        return true;
    }
    if ((m.source & ~lowestIndex) != controllerBit || layer.movements.size() >= mostMovements)
        return false;
    for (const auto& word : modulatorWords)
        if (word.generator == Generator(m.generator)) {
            Movement movement;
            movement.source = sourceOfController(int(m.source & lowestIndex));
            movement.target = word.target;
            movement.amount = m.amount / word.scale;
            layer.movements.push_back(movement);
            return true;
        }
    return false;
}

Layer movedAsWritten(Layer layer)
{
    const auto modulators = modulatorsOf(layer);
    readMovement(movementAmounts(layer), layer);
    for (const auto& modulator : modulators)
        readModulator(modulator, layer);
    return layer;
}

} // namespace puretone::sf2
