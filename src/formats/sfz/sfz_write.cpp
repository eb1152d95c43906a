// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/quantity.h"
#include "formats/export/export_names.h"
#include "formats/formats.h"
#include "formats/sfz/sfz_words.h"

#include <map>

namespace puretone {

using namespace sfz;

namespace {

std::string opcode(const char* name, const std::string& value)
{
    return std::string(name) + "=" + value + "\n";
}
std::string opcode(const char* name, std::int64_t value)
{
    return opcode(name, std::to_string(value));
}

/// @param which "ampeg" or "fileg".
std::string envelopeOpcodes(const std::string& which, const Envelope& e)
{
    const double sustain =
        e.sustainDb <= silentSustainDb ? 0.0 : 100.0 * toGain(Decibels{e.sustainDb});
    const auto stage = [&](const char* name, double value, int digits) {
        return opcode((which + "_" + name).c_str(), formatNumber(value, digits));
    };
    return stage("delay", e.delay, 4) + stage("attack", e.attack, 4) + stage("hold", e.hold, 4)
        + stage("decay", e.decay, 4) + stage("sustain", sustain, 3)
        + stage("release", e.release, 4);
}

std::string filterOpcodes(const Filter& f, const Envelope& second)
{
    std::string text;
    for (const auto& [kind, name] : filterTypes)
        if (kind == f.kind)
            text += opcode("fil_type", std::string(name) + (f.steep ? "_4p" : "_2p"));
    if (text.empty())
        return text;
    text += opcode("cutoff", formatNumber(f.hz, 3))
        + opcode("resonance", formatNumber(resonanceDb * f.resonance, 3))
        + opcode("fil_keytrack", std::lround(100.0 * f.follow))
        + opcode("fil_veltrack", std::lround(1200.0 * f.touchOctaves));
    if (f.envelopeOctaves != 0.0)
        text += opcode("fileg_depth", std::lround(1200.0 * f.envelopeOctaves))
            + envelopeOpcodes("fileg", second);
    return text;
}

std::string lfoOpcodes(const SlowWave& lfo)
{
    std::string text;
    const auto wave = [&](const std::string& which, double depth, int digits) {
        if (depth > 0.0)
            text += opcode((which + "_freq").c_str(), formatNumber(lfo.hz, 4))
                + opcode((which + "_depth").c_str(), formatNumber(depth, digits))
                + opcode((which + "_fade").c_str(), formatNumber(lfo.fadeSeconds, 4));
    };
    wave("pitchlfo", lfo.pitchCents, 2);
    wave("amplfo", lfo.levelDb, 3);
    wave("fillfo", 1200.0 * lfo.cutoffOctaves, 2);
    return text;
}

std::string controlOpcodes(const Layer& layer)
{
    // One opcode for each controller and target: what says the same twice adds up.
    std::map<std::string, double> amounts;
    for (const auto& m : layer.movements)
        for (const auto& word : controlWords)
            if (word.target == m.target && isPlainControl(layer, m))
                amounts[std::string(word.name) + "_oncc"
                    + std::to_string(controllerOf(m.source))] += word.scale * m.amount;
    std::string text;
    for (const auto& [name, amount] : amounts)
        text += opcode(name.c_str(), formatNumber(amount, 3));
    return text;
}

} // namespace

std::string sampleName(const Region& region, const std::string& ending)
{
    return plainFileName(region.take->name) + " " + std::to_string(region.take->id.value)
        + (region.onRelease() ? " to its end" : "") + ending;
}

std::filesystem::path sfzFolder(const std::filesystem::path& sfz)
{
    return sfz.parent_path() / (plainFileName(sfz.stem().string()) + " samples");
}

namespace {

/// A name as a line of the text can carry it: its brackets, equals signs, comment signs and line
/// ends would be read as the format's own, and are written as signs that look like them.
std::string plainWords(const std::string& name)
{
    std::string plain;
    for (const char c : name) {
        if (c == '<')
            plain += "\u2039";
        else if (c == '>')
            plain += "\u203a";
        else if (c == '=')
            plain += "\ua78a"; // a letter of its own that looks like it
        else if (c == '$')
            plain += "\uff04"; // a name that some file may define
        else if ((c == '/' || c == '*') && !plain.empty() && plain.back() == '/')
            plain += std::string(" ") + c;
        else
            plain += static_cast<unsigned char>(c) < 0x20 ? ' ' : c;
    }
    return plain;
}

/// How the regions of a layer are played.
std::string groupOpcodes(const Layer& layer)
{
    std::string text = "\n<group>\n" + opcode("group_label", plainWords(layer.name));
    for (const auto& [when, name] : triggers)
        if (when == layer.when && when != SoundsWhen::press)
            text += opcode("trigger", name);
    if (layer.fallDbPerSecond > 0.0)
        text += opcode("rt_decay", formatNumber(layer.fallDbPerSecond, 3));
    if (layer.follow != 1.0)
        text += opcode("pitch_keytrack", formatNumber(100.0 * layer.follow, 2));
    if (layer.chokeGroup > 0)
        text += opcode("group", layer.chokeGroup) + opcode("off_by", layer.chokeGroup);
    if (layer.notes != Notes::many || layer.voices < Layer::mostVoices)
        text += opcode("polyphony", layer.notes != Notes::many ? 1 : layer.voices);
    if (layer.bendSemitones != 2.0)
        text += opcode("bend_up", std::lround(100.0 * layer.bendSemitones))
            + opcode("bend_down", -std::lround(100.0 * layer.bendSemitones));
    if (layer.touch != 1.0)
        text += opcode("amp_veltrack", formatNumber(100.0 * layer.touch, 2));
    return text + envelopeOpcodes("ampeg", layer.envelope)
        + filterOpcodes(layer.filter, layer.second) + lfoOpcodes(slowWaveOf(layer))
        + controlOpcodes(layer);
}

std::string fadeOpcodes(const Zone& z)
{
    std::string text;
    const auto fade = [&](int width, const char* low, const char* high, int from, int to) {
        if (width > 0)
            text += opcode(low, from) + opcode(high, to);
    };
    fade(z.lowKeyFade, "xfin_lokey", "xfin_hikey", z.lowKey, z.lowKey + z.lowKeyFade);
    fade(z.highKeyFade, "xfout_lokey", "xfout_hikey", z.highKey - z.highKeyFade, z.highKey);
    fade(z.lowVelocityFade, "xfin_lovel", "xfin_hivel", z.lowVelocity,
        z.lowVelocity + z.lowVelocityFade);
    fade(z.highVelocityFade, "xfout_lovel", "xfout_hivel", z.highVelocity - z.highVelocityFade,
        z.highVelocity);
    return text;
}

std::string turnOpcodes(const Region& region)
{
    if (region.turns < 2)
        return {};
    if (region.layer->sameKeys == SameKeys::inTurn)
        return opcode("seq_length", region.turns) + opcode("seq_position", region.turn + 1);
    return opcode("lorand", formatNumber(double(region.turn) / region.turns, 6))
        + opcode("hirand", formatNumber(double(region.turn + 1) / region.turns, 6));
}

std::string loopOpcodes(const PreparedTake& prepared)
{
    std::string text;
    const bool ends = prepared.mode == LoopMode::untilRelease || prepared.mode == LoopMode::oneShot;
    if (ends)
        text += opcode("ampeg_release", formatNumber(endlessRelease, 0));
    if (!prepared.loop)
        return text
            + opcode("loop_mode", prepared.mode == LoopMode::oneShot ? "one_shot" : "no_loop");
    return text
        + opcode("loop_mode",
            prepared.mode == LoopMode::untilRelease ? "loop_sustain" : "loop_continuous")
        + opcode("loop_start", prepared.loop->start.value)
        + opcode("loop_end", prepared.loop->end.value - 1);
}

std::string regionOpcodes(const Region& region, const std::string& sample)
{
    const Zone& z = region.zone;
    std::string text = "\n<region>\n" + opcode("sample", sample);
    text += opcode("lokey", z.lowKey) + opcode("hikey", z.highKey);
    text += opcode("lovel", z.lowVelocity) + opcode("hivel", z.highVelocity);
    text += opcode("pitch_keycenter", region.rootKey);
    // Whole cents: the format's first version allows no more than a semitone of them.
    const auto semitones = std::lround(region.tuneCents / 100.0);
    if (semitones != 0)
        text += opcode("transpose", semitones);
    text += opcode("tune", std::lround(region.tuneCents - 100.0 * double(semitones)));
    if (std::abs(region.levelDb) > 0.0005)
        text += opcode("volume", formatNumber(region.levelDb, 3));
    if (std::abs(region.pan) > 0.0005)
        text += opcode("pan", formatNumber(100.0 * region.pan, 2));
    return text + fadeOpcodes(z) + turnOpcodes(region) + loopOpcodes(*region.prepared);
}

} // namespace

std::string encodeSfz(const std::string& name, const std::vector<Region>& regions,
    const std::string& samplesFolder, const std::string& ending)
{
    std::string text = "// " + plainWords(name) + ", written by Pure Tone\n";
    const Layer* layer = nullptr;
    for (const auto& region : regions) {
        if (std::exchange(layer, region.layer) != region.layer)
            text += groupOpcodes(*region.layer);
        text += regionOpcodes(region, samplesFolder + "/" + sampleName(region, ending));
    }
    return text;
}

} // namespace puretone
