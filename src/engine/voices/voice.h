// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/midi.h"
#include "engine/program/program.h"
#include "engine/program/quick_math.h"
#include "engine/voices/envelope_run.h"
#include "engine/voices/filter_run.h"
#include "engine/voices/grains.h"

namespace puretone {

struct VoiceStart;

/// One sounding note. Lives on the audio thread; nothing in it allocates, locks or waits.
///
/// A voice works in cells of 32 frames that lie on a grid of absolute frames, so that the sizes of
/// blocks change nothing: at the start of a cell it reads all of it; what happens inside one, at
/// its own frame, shapes the rest of it anew.
class Voice {
public:
    static constexpr int cellFrames = readingBlock;

    void start(const VoiceStart& how) noexcept;
    /// The sounding note goes on at the pitch of another key. @param seconds To get there.
    void retune(int key, int channel, double seconds) noexcept;
    /// @param at Frame of the cell; 0 where the next cell has not begun. @param touch 0 to 1.
    void release(int at, double touch = 0.0) noexcept;
    /// Fades to silence within `seconds`, whatever the envelope says: for stolen voices.
    void fadeAway(double seconds, int at) noexcept;
    /// Between cells: leaves within `seconds`, where it would not be gone sooner.
    void hastenAway(double seconds) noexcept
    {
        if (rampStep_ > -1.0 / (seconds * rate_))
            fadeAway(seconds, 0);
    }
    /// Between cells: goes on with the sound of a new program, rising over the same `seconds`.
    void moveTo(const Program& program, const ProgramZone& zone, double seconds) noexcept;
    /// Between cells: the same sound in a new program: only tuning and envelope may differ.
    void keepIn(const Program& program, const ProgramZone& zone) noexcept;

    /// Between cells: whether its loop, moved by movements, has come to its end. Then a copy of it
    /// fades away and it goes back by itself, both within jumpSeconds().
    bool wantsJump() const noexcept
    {
        if (!movesLoop() || leaving() || rampStep_ != 0.0)
            return false;
        const auto [from, to] = movedLoop();
        // Where it was moved far ahead the note does not play all the way there.
        return position_ >= to || (wentRound_ && position_ < from - (to - from));
    }
    double jumpSeconds() const noexcept; ///< Half a second at the most.
    void jump() noexcept;

    /// The next cell is made in steps, of up to eight voices side by side: this one (or it ends:
    /// false), askControl(), what control makes of that, readCell(), the filter where it wants one,
    /// and finishCell().
    bool beginCell() noexcept;
    /// @param shared What goes on by itself in the voice's layer.
    void askControl(const Controls& controls, const MovesRun& shared, ControlGroup& control,
        std::size_t lane) noexcept
    {
        ask(controls, shared, cellFrames, control, lane);
    }
    void readCell(const ControlGroup& control, std::size_t lane) noexcept
    {
        readCell(0, control, lane);
    }
    bool wantsFilter() const noexcept { return !filter_.idle(); }
    void joinFilter(FilterGroup& group) noexcept
    {
        group.add(filter_, readLeft_.data(), mono_ ? nullptr : readRight_.data());
    }
    void finishCell(const Controls& controls) noexcept { finishCell(0, controls); }
    /// Adds a share of the cell to another.
    void add(float* left, float* right, float share = 1.0f) const noexcept;

    bool active() const noexcept { return program_ != nullptr; }
    void stop() noexcept { program_ = nullptr; }
    bool leaving() const noexcept { return rampStep_ < 0.0; }
    bool released() const noexcept { return letGo_ || envelope_.released(); }
    const Program* program() const noexcept { return program_; }
    const ProgramZone* zone() const noexcept { return zone_; }
    int key() const noexcept { return key_; }
    /// With which its key was struck: the one that chose its zone.
    int velocity() const noexcept { return velocity_; }
    std::uint64_t age() const noexcept { return age_; }
    /// Of what was played; others began with it.
    std::uint64_t event() const noexcept { return event_; }
    double position() const noexcept
    {
        return frozen()   ? zone_->sound->shift + grains_.place()
            : movesLoop() ? zone_->sound->shift + position_
                          : zone_->sound->shownPlace(position_, leavesLoop());
    }
    bool frozen() const noexcept { return layer().isFrozen; }
    int channel() const noexcept { return channel_; }
    const MovesRun& moves() const noexcept { return moves_; }
    /// Where the filter stands, Hz.
    double cutoff() const noexcept;
    /// Of a frozen note; 0 of others.
    int grains() const noexcept { return frozen() ? grains_.sounding() : 0; }
    /// How loud it stands, for choosing which voice to give up.
    double loudness() const noexcept
    {
        return envelope_.level() * std::max(gainLeft_, gainRight_) * rampAt(cellFrames);
    }

    bool sustained = false; ///< Let go, but held by the pedal.

private:
    static constexpr double againSeconds =
        0.03; ///< Fade between one hearing of the joint and the next.
    /// A kernel, the copy that it reads, and the speeds for which both are kept.
    struct Gear {
        const Kernel* kernel = nullptr;
        int octave = 0;
        double above = 0.0, upTo = 0.0; ///< Frames of the recording per output frame.
    };
    static Gear gearFor(double speed, int octaves) noexcept;

    void goAgain() noexcept;
    void placeAgain() noexcept;
    bool carryOn() noexcept;
    void glideTuning() noexcept;
    void placeAtStart(const VoiceStart& how) noexcept;
    void beginMoves(const VoiceStart& how) noexcept;
    void ask(const Controls& controls, const MovesRun& shared, int frames, ControlGroup& control,
        std::size_t lane) noexcept;
    void askFilter(ControlGroup& control, std::size_t lane) noexcept;
    void readCell(int from, const ControlGroup& control, std::size_t lane) noexcept;
    void finishCell(int from, const Controls& controls) noexcept;
    NoteNow now() const noexcept;
    Frozen frozenNow() const noexcept;
    double bendOf(const Controls& controls) const noexcept;
    void read(double octaves, double power, int from) noexcept;
    void readGrains(const ReadingWay& way, int from) noexcept;
    void readWith(const Gear& gear, const SoundCopies& copies, const ReadingWay& way, int count,
        float* left, float* right) const noexcept;
    void changeGear(const SoundCopies& copies, const ReadingWay& way, int count, float* left,
        float* right) noexcept;
    void fade(const ReadingWay& way, int from, int count) noexcept;
    struct Gains {
        double left, right;
    };
    Gains wantedGains() const noexcept;
    void followGains() noexcept;
    void runEnvelope(int from) noexcept;
    double moveGainAt(int frame) const noexcept
    {
        return moveGain_ + (moveGainTo_ - moveGain_) * frame / cellFrames;
    }
    void glideWithin(double seconds) noexcept;
    void wrap() noexcept;
    double rampAt(int frame) const noexcept
    {
        return std::clamp(ramp_ + rampStep_ * frame, 0.0, 1.0);
    }
    const ProgramLayer& layer() const noexcept { return *layer_; }
    void settle() noexcept;
    UnisonVoice ofUnison() const noexcept { return unisonVoice(layer().unison, unison_); }
    double speedAt(double power) const noexcept { return power * (zone_->sound->rate * perFrame_); }
    /// On its way to the recorded end.
    bool leavesLoop() const noexcept
    {
        return letGo_ && zone_->sound->mode == LoopMode::untilRelease;
    }
    /// A movement moves the loop: it is read from the recording as it is, joint by joint.
    bool movesLoop() const noexcept
    {
        return followsMoves_ && layer().moves.does(Target::loopPlace) && zone_->sound->loops()
            && !leavesLoop() && !frozen();
    }
    std::pair<double, double> movedLoop() const noexcept;
    /// Where this note is over, if it has such a place.
    bool atEnd() const noexcept
    {
        const ZoneSound& sound = *zone_->sound;
        return !frozen() && (!sound.loops() || leavesLoop()) && position_ >= sound.end;
    }

    const Program* program_ = nullptr;
    const ProgramZone* zone_ = nullptr;
    const ProgramLayer* layer_ = nullptr; ///< Of the zone.
    EnvelopeRun envelope_;
    EnvelopeRun second_;
    FilterRun filter_;
    GrainRun grains_;
    MovesRun moves_;
    double beatsPerSecond_ = 1.6;
    double moveGain_ = 1.0, moveGainTo_ = 1.0; ///< At both ends of the cell.
    double touchShare_ = 0.0; ///< 0 to 1.
    double releaseTouch_ = 0.0; ///< 0 to 1.
    int channel_ = 0;
    int turn_ = 0;
    Gear gear_;
    double rate_ = 48000.0, perFrame_ = 1.0 / 48000.0; ///< A second, and its inverse.
    double position_ = 0.0; ///< Of the next cell's first frame.
    double wantedSemitones_ = 0.0; ///< Of key, zone, layer and unison.
    double speedSemitones_ = 0.0; ///< Glides to the wanted tuning.
    double glideStep_ = 0.0; ///< Semitones in each cell; 0 for the short way of a turned tuning.
    static constexpr float manyGains = -1.0f;
    float oneGain_ = 0.0f; ///< All of the envelope's in one, where it stands still.
    float cutoffOctaves_ = 0.0f;
    double speed_ = 0.0; ///< At the next cell's first frame.
    double spoken_ = 0.0; ///< Octaves that `speed_` stands for.
    std::uint64_t age_ = 0;
    std::uint64_t event_ = 0;
    int key_ = 0;
    int velocity_ = 100;
    double fall_ = 1.0; ///< Gain of a note that is softer for having been held.
    int unison_ = 0;
    int mostGrains_ = Frozen::most;
    bool followsMoves_ = false; ///< Anything of its layer moves.
    bool mono_ = false; ///< One channel is read.
    bool wentRound_ = false;
    bool letGo_ = false;
    bool loopAlone_ = false; ///< Begun in its loop, to hear nothing but that.
    bool follows_ = false; ///< The gains are on their way to others.
    bool fadesToGoAgain_ = false; ///< And not because it is to end.
    /// At the cell's first frame and behind its last one.
    double gainLeft_ = 1.0, gainRight_ = 1.0, gainLeftTo_ = 1.0, gainRightTo_ = 1.0;
    double ramp_ = 1.0, rampStep_ = 0.0; ///< At the cell's first frame, and for each frame.
    /// Heard again and again: from here, for so many frames of the recording; 0 for a whole note.
    double againFrom_ = 0.0, againFrames_ = 0.0;
    double travelled_ = 0.0; ///< Since it last began there.

    using Cell = std::array<float, cellFrames>;
    alignas(32) Cell readLeft_{}, readRight_{};
    alignas(32) Cell gains_{}; ///< The envelope's.
};

/// What a note is to be.
struct VoiceStart {
    const Program* program = nullptr;
    const ProgramZone* zone = nullptr;
    int key = 60;
    int velocity = 100; ///< That chooses zones,
    double loudnessShare = 1.0; ///< and how much of it is left for how loud it sounds.
    double rate = 48000.0;
    std::uint64_t age = 0;
    std::uint64_t event = 0;
    NoteEntry entry = NoteEntry::beginning;
    const Controls* controls = nullptr;
    const MovesRun* shared = nullptr; ///< Of its layer.
    int channel = 0;
    int turn = 0; ///< Counts the notes of the layer.
    int at = 0; ///< Frame of the cell. The rest of the cell is read at once, unless it is 0.
    double glideSemitones = 0.0; ///< It begins so far from its pitch,
    double glideSeconds = 0.0; ///< and takes so long to reach it.
    int unison = 0; ///< Which one of those that sound the note.
    double later = 0.0; ///< Frames of the recording behind its start.
    double fall = 1.0; ///< Gain.
};

} // namespace puretone
