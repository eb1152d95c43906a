// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "engine/playing/hands.h"
#include "engine/voices/voice.h"

namespace puretone {

/// What is being played: which keys sound which zones, with voices enough for all of them. Lives on
/// the audio thread; nothing in it allocates, locks or waits.
class Performance {
public:
    static constexpr std::size_t voices = 256;
    /// Given-up voices that still fade, and old sides of a change of program: all may change at
    /// once.
    static constexpr std::size_t leavingVoices = voices;

    /// Everything silent, all keys and pedals up.
    void reset(double rate) noexcept;
    /// Between cells: sounding voices go on in the new program where their zone still exists; null
    /// ends all. Keys that are held sound what has come to answer them, and anew what went with
    /// its zone.
    void setProgram(const Program* next) noexcept;
    const Program* program() const noexcept { return program_; }
    bool isHeard(const Program* program) const noexcept;

    /// @param at Frame of the cell at which it happens; 0 where the next cell has not begun.
    void handle(const MidiEvent& event, int at) noexcept;
    /// Reads the next cell of every voice.
    void beginCell(double beatsPerSecond) noexcept;
    /// Which layers the notes that follow may sound, by their places; all at first.
    void setAllowed(std::uint64_t layers) noexcept { allowed_ = layers; }
    static constexpr std::uint64_t everyLayer = ~std::uint64_t(0);
    Hands& hands() noexcept { return hands_; }
    /// Writes frames of the cell: what goes through the chain of effects.
    void write(float* left, float* right, int from, int count) noexcept;
    /// The same of what goes past it. False, and nothing written, where that is nothing.
    bool writeBeside(float* left, float* right, int from, int count) noexcept;

    int sounding() const noexcept;
    /// Ids of zones that sound and are held, as many as there is room for, and how many grains
    /// sound.
    void tell(std::span<int> zones, int& grains) const noexcept;
    /// Null when silent.
    const Voice* newest() const noexcept;
    /// The same of a layer.
    const Voice* newestOf(LayerId layer) const noexcept;
    /// What goes on by itself in a layer; null where there is no such layer.
    const MovesRun* sharedOf(LayerId layer) const noexcept;
    const LayerMoves* movesOf(LayerId layer) const noexcept;
    /// With which a key was struck last; 100 where it never was.
    int velocityOf(int key) const noexcept
    {
        return touch_[std::size_t(key)] > 0 ? touch_[std::size_t(key)] : 100;
    }
    bool isDown(int key) const noexcept { return heldSince_[std::size_t(key)] != 0; }

private:
    static constexpr double changeSeconds = 0.008; ///< Crossfade from one program to the next.
    static constexpr double stealSeconds = 0.015;

    /// All voices' cells together.
    struct Mix {
        alignas(32) std::array<float, Voice::cellFrames> left{}, right{};
    };
    struct Turn {
        std::uint8_t next = 0; ///< In turn.
        std::uint8_t last = 255; ///< At random.
    };
    struct LayerState {
        LayerId id;
        std::array<Turn, 128> turns;
        int lastKey = -1; ///< To glide from.
        int notes = 0; ///< That it has sounded.
        MovesRun shared; ///< What goes on by itself.
        float toEffects = 1.0f; ///< On its way to what the program says.
    };
    /// Zones of one layer that a note plays.
    struct Chosen {
        std::uint32_t layer = 0;
        std::array<const ProgramZone*, 64> zones{};
        std::size_t count = 0;
    };
    /// For each key, which layers of the new program have lost a held note with its zone.
    using Lost = std::array<std::uint64_t, 128>;

    void takeOver(Voice& voice, const Program* next, Lost& lost) noexcept;
    void noteOn(int key, int velocity, int channel) noexcept;
    void noteOff(int key, int touch) noexcept;
    enum class End { letGo, restruck };
    void endNotes(int key, End how) noexcept;
    void keyCameUp(int key) noexcept;
    void letGoHeld() noexcept;
    void setPedal(int controller, bool down) noexcept;
    void control(const MidiEvent& event) noexcept;
    void allOff() noexcept;
    void advanceShared() noexcept;
    void glideInto(VoiceStart& start, const ProgramLayer& layer, int from, int key,
        bool others) const noexcept;
    bool holds(int key) const noexcept { return pedal_ || sostenuto_[std::size_t(key)]; }
    /// The key that was pressed last of those that are down; -1 where none is.
    int lastHeld() const noexcept;
    /// The same of those that a layer plays.
    int lastHeldIn(std::uint32_t layer) const noexcept;

    /// Plays the layers that a key sounds.
    ///
    /// @param others Whether other keys are down. @param wanted Whether a layer is to sound now.
    template <class Wanted> void sound(int key, int velocity, bool others, Wanted wanted) noexcept;
    /// A layer in a set of layers; no bit where there is no such layer.
    static constexpr std::uint64_t bitOf(std::uint32_t layer) noexcept
    {
        return layer < 64 ? std::uint64_t(1) << layer : 0;
    }
    void soundOnHeldKeys(const Program* last, const Lost& lost) noexcept;
    std::uint64_t soundingLayers(int key) const noexcept;
    std::uint32_t nextRandom() noexcept;
    std::int64_t frameNow() const noexcept { return cells_ * Voice::cellFrames + at_; }
    double heldFall(const ProgramLayer& layer, int key) const noexcept;
    void choose(Chosen& chosen, int key) noexcept;
    void soundLayer(const Chosen& chosen, int key, int velocity, bool others) noexcept;
    std::uint64_t tie(const Chosen& chosen, int key, bool others) noexcept;
    void goBack(std::uint64_t layers) noexcept;
    void choke(int group) noexcept;
    void makeRoom(std::uint32_t layer, int limit) noexcept;
    Voice* freeVoice() noexcept;
    void giveUp(Voice& voice, double seconds) noexcept;
    Voice& leavingSlot() noexcept;
    const ProgramLayer& layerOf(const Voice& voice) const noexcept
    {
        return voice.program()->layerOf(*voice.zone());
    }
    bool plays(const Voice& voice, std::uint32_t layer) const noexcept
    {
        return voice.active() && voice.program() == program_ && voice.zone()->layer == layer;
    }
    /// Of a voice that leaves with an old program there may be none of its own.
    const MovesRun& sharedOf(const Voice& voice) const noexcept
    {
        const auto layer = std::size_t(voice.zone()->layer);
        return states_[std::min(layer, states_.size() - 1)].shared;
    }
    template <class Do> void eachVoice(Do what) noexcept;
    void clearMix() noexcept;
    void addToMix(const Voice& voice) noexcept;
    void copyMix(const Mix& mix, float* left, float* right, int from, int count) const noexcept;
    void mixAgain() noexcept;
    void splitLayers() noexcept;
    int grainsForEach() const noexcept;

    std::array<Voice, voices> playing_;
    std::array<Voice, leavingVoices> leaving_;
    std::size_t leavingEnd_ = 0; ///< None of those from here on is in use.
    Mix through_, beside_;
    double levelFrom_ = 1.0,
           levelTo_ = 1.0; ///< Of volume and expression, at both ends of the cell.
    bool splits_ = false; ///< Some layer goes past the effects, if only in part.
    bool mixed_ = true; ///< The cell is, and nothing has happened inside it since.
    const Program* program_ = nullptr;
    std::array<LayerState, mostLayers> states_;
    double rate_ = 48000.0;
    int at_ = 0; ///< Frame of the cell at which the present event happens.
    Hands hands_;
    std::uint64_t allowed_ = everyLayer;
    NoteEntry entry_ = NoteEntry::beginning;
    std::uint64_t age_ = 0; ///< Of the newest voice.
    std::int64_t cells_ = 0; ///< Since the beginning.
    std::uint64_t events_ =
        0; ///< Keys pressed or let go; voices of one event do not choke each other.
    std::uint32_t random_ = 1;
    bool pedal_ = false;
    std::array<bool, 128> sostenuto_{}; ///< Keys that were down when that pedal was pressed.
    std::array<std::uint64_t, 128>
        heldSince_{}; ///< Event that pressed a key; 0 for one that is up.
    std::array<std::int64_t, 128> pressedAt_{}; ///< Frame of the last press.
    std::array<std::uint8_t, 128> touch_{}; ///< Of the last press.
    std::array<std::uint8_t, 128> channel_{}; ///< Of the last press.
    int releaseTouch_ = 0; ///< Of the key that comes up now.
    std::array<bool, 128> awaited_{}; ///< Let go, but a pedal holds what sounds.
};

} // namespace puretone
