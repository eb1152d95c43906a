// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/files/sound_file.h"
#include "effects/effect.h"
#include "model/instrument/export_wish.h"
#include "model/instrument/facts.h"
#include "model/instrument/layer.h"
#include "model/instrument/pattern.h"
#include "model/instrument/print.h"
#include "prepare/treat/treatment.h"

#include <array>
#include <optional>
#include <string>
#include <vector>

namespace puretone {

enum class TuningSource {
    proposed,
    byHand,
    fromFile,
    series, ///< From a first note and a step: one of many pieces in a row.
};

/// On which key a take sounds at its recorded speed, and how far it is moved to be in tune there.
struct Tuning {
    int rootKey = 60;
    double fineCents = 0.0; ///< Added to the recorded pitch: a take 12 cents sharp has -12 here.
    TuningSource source = TuningSource::proposed;
    double a4 = concertPitch.value; ///< Hz of key 69 in the music that it is tuned for.

    /// The key, as a real number, that plays the recording at its own speed.
    double keyMidi() const { return rootKey - fineCents / 100.0; }
    /// The recording's own pitch as this tuning understands it (69 = 440 Hz).
    double soundingMidi() const { return keyMidi() + offset(a4); }
    /// The tuning that puts a sounding pitch on its nearest key.
    static Tuning forPitch(double midi, TuningSource source, double a4 = concertPitch.value)
    {
        const auto [key, rest] = nearestKey(inRange(midi - offset(a4), 0.0, 127.0, 60.0));
        return {key, -rest.value, source, a4};
    }
    /// A pitch (69 = 440 Hz) as a place on the keys of this tuning.
    double onKeys(double midi) const { return midi - offset(a4); }
    /// Semitones by which all keys stand above those of a piano at 440 Hz.
    static double offset(double a4) { return midiOf(Hz{a4}) - 69.0; }
    bool operator==(const Tuning&) const = default;
};

/// The way a fade rises from silence to full level; a fade out falls along the same one.
enum class FadeShape {
    straight, ///< The amplitude grows evenly.
    soft, ///< Slow at both ends: half a cosine.
    early, ///< Fast at first: a quarter of a sine.
    late, ///< Slow at first: its mirror, for long swells.
};
/// Gain at a share, 0 to 1, of a fade.
double fadeShapeGain(FadeShape shape, double share) noexcept;

/// Short slopes at both ends of the kept part, so that nothing clicks.
struct Fades {
    double inSeconds = 0.001; ///< 0, or at least shortestFade.
    double outSeconds = 0.010;
    FadeShape inShape = FadeShape::straight;
    FadeShape outShape = FadeShape::straight;
    bool operator==(const Fades&) const = default;
};

/// A fade that is wanted at all is never shorter: a steeper slope clicks, like none.
inline constexpr double shortestFade = 0.0005;

/// Audio that was computed from what stands beside it; never a difference between two documents.
struct DerivedAudio {
    AudioPtr audio; ///< Null where nothing is done to the recording.
    bool operator==(const DerivedAudio&) const { return true; }
};

/// One recording and what was decided about it. The recording itself is never changed.
struct Take {
    TakeId id; ///< Unique in the instrument.
    std::string name;
    RecordingRef recording;
    Treatments treatments;
    DerivedAudio treated; ///< What `treatments` make of the recording.
    Span kept; ///< Of the treated sound, which is as long as the recording.
    Fades fades;
    Tuning tuning;
    Loop loop;
    /// A second start behind the attack; none where it does not lie behind the first one.
    Frames innerStart;
    std::optional<Print> print; ///< What it was made of, where it was printed here.
    Aside<Facts>
        facts; ///< No part of the document; where they are not known, findFacts finds them.

    /// The recording as treated: what is looked at, analysed and played. Not where lacksSound().
    const AudioPtr& sound() const { return treated.audio ? treated.audio : recording->audio; }
    const Audio& audio() const { return *sound(); }
    double rate() const { return audio().rate; }
    bool hasInnerStart() const { return innerStart > kept.start; }
    /// Listened to without finding a clear pitch, and nobody has said one.
    bool lacksPitch() const
    {
        return facts.known() && facts->pitch.verdict == PitchVerdict::none
            && tuning.source == TuningSource::proposed;
    }
    /// No pitch, or a doubtful one of a hit or a noise, and nobody has said one: a lid's noise, a
    /// snare.
    bool isNoNote() const
    {
        const auto& pitch = facts->pitch;
        return lacksPitch()
            || (facts.known() && pitch.verdict == PitchVerdict::uncertain
                && (pitch.kind == SoundKind::percussive || pitch.kind == SoundKind::unpitched)
                && tuning.source == TuningSource::proposed);
    }
    /// Length of one period of the take as tuned, seconds; nothing for a take without pitch.
    std::optional<double> period() const
    {
        if (lacksPitch())
            return std::nullopt;
        return 1.0 / hzOf(tuning.soundingMidi()).value;
    }
    bool operator==(const Take&) const = default;
};

/// What happens when a key is let go: a one-shot needs no loop to be one.
inline LoopMode playedMode(const Take& take)
{
    return take.loop.on || take.loop.mode == LoopMode::oneShot ? take.loop.mode : LoopMode::forward;
}

/// What a layer makes of a take: on release it sounds once, to its recorded end, whatever its loop.
inline Take playedBy(Take take, bool onRelease)
{
    if (onRelease)
        take.loop.mode = LoopMode::oneShot;
    return take;
}

/// The whole document as one value; cheap to copy, because audio in it is shared.
struct Instrument {
    std::string name = "Untitled";
    std::vector<Take> takes;
    std::vector<Layer> layers = {Layer{}}; ///< Never empty.
    double a4 = concertPitch.value; ///< Hz, 400 to 480: what the keys are tuned to.
    /// From the first of the layers that blend, 0, to the last, 1.
    double blend = 0.0;
    double tempo = 96.0; ///< Beats a minute.
    Pattern pattern;
    Effects effects; ///< From what layers give to what is heard.
    Exports exports; ///< How it is written; changes nothing of what is heard.

    const Take* take(TakeId id) const;
    Take* take(TakeId id);
    const Layer* layer(LayerId id) const;
    Layer* layer(LayerId id);
    /// Null where there is none; `layer` is the one that it belongs to.
    Zone* zone(ZoneId id);
    /// Null where there is none.
    const Effect* effect(int effectId) const;
    Effect* effect(int effectId);
    /// Of all layers, in their order.
    std::vector<Zone> allZones() const;
    /// Not used by any take or zone yet.
    int freeId() const;
    bool operator==(const Instrument&) const = default;
};

/// A kept part longer than this, without a loop, is a recording to be split rather than a note:
/// keys play its beginning only.
inline constexpr double longestNoteSeconds = 600.0;
inline constexpr double playedOfLongSeconds = 120.0;
/// What keys play and exports write: up to the end of the loop, or of the kept part.
Span playedPart(const Take& take);

/// The kept part in frames of the recording, which runs forwards whatever is done to it: what a
/// treatment measures.
Span keptInRecording(const Take& take);

/// Another take's treatments as they are meant for this one: what measures a stretch measures this
/// take's, and what follows a pitch follows this take's onto its own key.
Treatments treatmentsFor(const Take& take, Treatments treatments);

/// Gives a take another list of treatments and the audio that they make (see treat). Where the
/// direction turns, kept part, loop and loop choices are seen from the other end, so that the same
/// sound stays kept.
void setTreatments(Take& take, Treatments treatments, AudioPtr treated);

inline constexpr double lowestA4 = 400.0, highestA4 = 480.0;
/// Tunes the whole instrument to another A4: every take keeps its key, where it is still the
/// nearest, and its recording is moved by the difference.
void setConcertPitch(Instrument& instrument, double a4);

/// An id that no layer has.
LayerId freeLayerId(const Instrument& instrument);
/// A copy of a layer, behind it, with ids and a name of its own. @return Its id; none where there
/// is no such layer, or no room for another.
LayerId duplicateLayer(Instrument& instrument, LayerId layer);
/// A blend of layers, neighbours at equal power. @return Gain of one of them, 0 to 1; 1 for a layer
/// that does not blend.
double blendGain(const Instrument& instrument, const Layer& layer) noexcept;
/// The same of the layer in place `at` of `count`, 2 or more. @param blend 0 to 1.
double blendGain(double blend, int at, int count) noexcept;

/// A layer without zones at the end. @return Its id; none where there is no room.
LayerId addLayer(Instrument& instrument);
/// The takes as a list shows them: layer by layer, each layer's from the lowest root up; the unused
/// ones last.
std::vector<const Take*> byLayerAndPitch(const Instrument& instrument);
/// The other takes of the layers that play a take; all others where none does.
std::vector<const Take*> heardBeside(const Instrument& instrument, TakeId id);
/// Whether it has the name that addLayer() gave it.
bool isNamedByNumber(const Layer& layer);
/// Whether it has takes, and none of them is a note.
bool holdsNoNotes(const Instrument& instrument, const Layer& layer);

/// The keys of a piano, and two octaves around the root: one take alone leaves no key silent.
Zone proposeZone(const Take& take);

/// The gate that every document passes before anything computes with it: gives the value nearest to
/// `instrument` whose numbers are all in range. Kept parts and loops lie inside their recordings,
/// keys on the keyboard, times are not negative. What typing and files may break.
Instrument sanitized(Instrument instrument);
PrintPlan sanitized(PrintPlan plan);
/// The same for one take, whose recording is there; its treated sound need not be.
void sanitize(Take& take);
/// The gate for facts that a file brings; those that were found here need none.
/// @param audio The take's recording.
void sanitize(Facts& facts, const Audio& audio);

} // namespace puretone
