// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "effects/chain.h"
#include "engine/program/likeness.h"
#include "engine/program/moves.h"
#include "engine/program/prepared.h"
#include "engine/reading/copies.h"
#include "model/making/kept_length.h"

#include <array>
#include <mutex>

namespace puretone {

/// What a voice reads: the recording in place and, where it loops, the stretch around the seam with
/// its crossfade in it. All positions are frames of the recording.
struct ZoneSound {
    std::shared_ptr<const SoundCopies> recorded;
    std::shared_ptr<const SoundCopies> looped; ///< Null without a loop.
    double loopedFrom = 0.0; ///< From here on `looped` is read.
    double start = 0.0;
    double innerStart = 0.0; ///< `start` where the take has none.
    double end = 0.0; ///< Where a sound without loop ends, or one that has left its loop.
    double lastFrame = 0.0; ///< Of what is kept, whatever the loop.
    /// Reaching this, the position goes back by one loop length. It lies a little behind the loop's
    /// end, in material that goes on as the loop does, so that both sides of the jump are alike for
    /// as far as any filter sees: the joint is exact in every bandwidth.
    double wrapAt = 0.0;
    double loopLength = 0.0; ///< Frames of the baked turn; 0 without a loop.
    double loopEnd = 0.0; ///< Where the turn ends.
    LoopMode mode = LoopMode::forward;
    Loop loop; ///< As set.
    FadePlan fades;
    double rate = 48000.0;
    double shift = 0.0; ///< Frame of the take's sound where this one begins.

    bool loops() const { return loopLength > 0.0; }
    /// Whether it plays to its end by itself once the key is let go, whatever the envelope says.
    bool endsItself() const noexcept
    {
        return mode == LoopMode::oneShot || mode == LoopMode::untilRelease;
    }
    /// A position as people see it: a place in the recording.
    double shownPlace(double position, bool left) const noexcept
    {
        const double from = loopEnd - loopLength;
        if (!loops() || position < from)
            return shift + position;
        if (left && position >= loopEnd)
            return shift + double(loop.span.end.value) + position - loopEnd;
        return shift + recordedPlace(loop, std::fmod(position - from, loopLength));
    }
};

/// How a layer is played: the numbers of Layer that the audio thread needs.
struct ProgramLayer {
    LayerId id;
    SoundsWhen when = SoundsWhen::press;
    SameKeys sameKeys = SameKeys::together;
    int chokeGroup = 0;
    int voices = Layer::mostVoices;
    Notes notes = Notes::many;
    double fallDbPerSecond = 0.0;
    bool turnsOverAllKeys = false;
    bool isFrozen = false;
    Frozen frozen;
    Unison unison;
    Glide glide;
    double bendSemitones = 2.0;
    double follow = 1.0;
    double touch = 1.0;
    InnerUse inner = InnerUse::never;
    int innerTouch = 64;
    Envelope envelope, second;
    Filter filter;
    LayerMoves moves;
    /// Its place among those that blend, where a movement moves the blend; otherwise the blend is
    /// part of its zones' gains.
    int blendPlace = 0, blendCount = 0;
    float toEffects = 1.0f;
};

/// A movement of a layer that moves a value of the chain.
struct EffectMove {
    std::uint32_t layer = 0; ///< Index into Program::layers.
    std::uint32_t move = 0; ///< Index into its moves.
    int effectId = 0, parameter = 0;
    float amount = 0.0f;
};

struct ProgramZone {
    Zone zone;
    int lowKey = 0, highKey = 127; ///< The part of its keys that plays this sound.
    std::uint32_t order = 0; ///< Its place in the document, which turns follow.
    std::uint32_t layer = 0; ///< Index into Program::layers.
    int root = 60;
    double tune = 0.0; ///< Semitones at the root key above the recorded pitch.
    double period = 0.0; ///< Of the take as tuned, frames of the recording.
    bool pitched = false; ///< And it is heard.
    float left = 1.0f, right = 1.0f; ///< Gains of the layer's level and both places.
    EdgeLikeness alike;
    std::shared_ptr<const ZoneSound> sound;

    ZoneId id() const noexcept { return zone.id; }
};

/// An instrument as the audio thread needs it. Immutable; freed away from the audio thread.
struct Program {
    std::vector<ProgramLayer> layers; ///< Those that are on.
    std::vector<ProgramZone> zones; ///< Of those layers, by their ids and keys, growing.
    /// Indices into `zones` of those that a key may sound, layer by layer, so that a note looks at
    /// no others.
    std::array<std::vector<std::uint32_t>, 128> zonesOfKey;
    double blend = 0.0;
    double tempo = 96.0; ///< Beats a minute.
    /// Movements follow controller 7 or 11, which otherwise mean the level of everything.
    bool movesVolume = false;
    Pattern pattern;
    std::vector<ChainedEffect> effects;
    std::vector<EffectMove> effectMoves;
    /// Frames by which the chain is late.
    int latency() const noexcept;

    /// Audio thread. The part that plays a key, or one beside it; null where there is no such zone.
    const ProgramZone* zone(ZoneId id, int key) const noexcept;
    const ProgramLayer& layerOf(const ProgramZone& zone) const noexcept
    {
        return layers[zone.layer];
    }
    /// Index of a layer; layers.size() where there is none.
    std::uint32_t layerAt(LayerId id) const noexcept;
    /// Semitones from the recorded pitch at which a key plays a zone.
    double semitones(const ProgramZone& zone, int key) const noexcept
    {
        return zone.tune + (key - zone.root) * layerOf(zone).follow;
    }
};

/// Turns documents into programs and remembers the costly parts: a moved loop costs the stretch
/// around the seam only, a new envelope next to nothing. Not thread-safe: one user at a time; and
/// its programs are for one engine, since an effect that stays the same keeps its processor.
class Compiler {
public:
    /// @param rate Of the output, frames per second. @param lengths What there is for layers that
    ///        keep the length; other keys of theirs play as recorded.
    std::unique_ptr<const Program> compile(
        const Instrument& instrument, double rate, const KeptLengths& lengths = {});

private:
    struct Recorded {
        AudioPtr audio;
        std::shared_ptr<const SoundCopies> copies;
    };
    struct Known {
        Take take; ///< As it was when `sound` was made.
        double fastest = 0.0;
        std::shared_ptr<const ZoneSound> sound;
    };
    /// A take, as a layer plays it, and what it needs.
    struct Sounding;
    std::shared_ptr<const SoundCopies> recordedCopies(const Take& take, double fastest);
    /// Null where it has to be made.
    std::shared_ptr<const ZoneSound> knownSound(const Take& take, double fastest);
    std::shared_ptr<const ZoneSound> soundOf(const Take& take, double shift, double fastest);

    /// Makes what is not known, on all cores.
    void giveSounds(const std::vector<const Sounding*>& wanted, Program& program);
    void addEffects(const Instrument& instrument, double rate, Program& program);

    struct KnownEffect {
        int id = 0;
        EffectKind kind = EffectKind::echo;
        double rate = 0.0;
        RecordingPtr impulse;
        std::weak_ptr<Processor> processor;
    };
    std::vector<KnownEffect> effects_;
    std::mutex guard_; ///< Of the next two: sounds are made on all cores.
    std::vector<Recorded> recorded_;
    std::vector<Known> known_;
    KnownLikeness alike_;
};

} // namespace puretone
