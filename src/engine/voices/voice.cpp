// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/voices/voice.h"

#include "engine/program/quick_math.h"

#include <utility>

namespace puretone {

namespace {

/// A turned tuning glides in within a few cells instead of stepping: 0.3 of the way in 64 frames.
constexpr double tuningShare = 0.16333997346592444;

constexpr double octavesOfSemitone = 1.0 / 12.0;
constexpr double octavesOfDecibel = 0.16609640474436813; // of gain

/// Of a speed that is to be worked out anew.
constexpr double noOctaves = 1e9;

} // namespace

void Voice::start(const VoiceStart& how) noexcept
{
    program_ = how.program;
    zone_ = how.zone;
    key_ = how.key;
    age_ = how.age;
    event_ = how.event;
    rate_ = how.rate;
    perFrame_ = 1.0 / rate_;
    unison_ = how.unison;
    settle();
    channel_ = how.channel;
    turn_ = how.turn;
    wentRound_ = false;
    letGo_ = false;
    againFrames_ = travelled_ = 0.0;
    fadesToGoAgain_ = false;
    sustained = false;
    follows_ = false;
    velocity_ = how.velocity;
    touchShare_ = std::max(1.0, velocity_ * how.loudnessShare) / 127.0;
    releaseTouch_ = 0.0;
    fall_ = how.fall;
    ramp_ = 1.0;
    rampStep_ = 0.0;
    grains_.start(std::uint32_t(how.age * 2654435761U));
    beginMoves(how);
    placeAtStart(how);
    const auto [leftGain, rightGain] = wantedGains();
    gainLeft_ = gainLeftTo_ = leftGain;
    gainRight_ = gainRightTo_ = rightGain;
    filter_.start();
    speedSemitones_ = wantedSemitones_ + how.glideSemitones;
    glideStep_ = 0.0;
    if (how.glideSemitones != 0.0)
        glideWithin(how.glideSeconds);
    spoken_ = (speedSemitones_ + bendOf(*how.controls) + double(moves_.moved()[Target::pitch]))
        * octavesOfSemitone;
    speed_ = speedAt(quickExp2(spoken_));
    gear_ = gearFor(speed_, zone_->sound->recorded->octaves());
    if (how.at == 0)
        return;
    ControlGroup control;
    ask(*how.controls, *how.shared, cellFrames - how.at, control, 0);
    control.makeRest();
    readCell(how.at, control, 0);
    if (wantsFilter()) {
        FilterGroup alone;
        joinFilter(alone);
        alone.run(how.at);
    }
    finishCell(how.at, *how.controls);
}

/// What follows from program, zone and key.
void Voice::settle() noexcept
{
    layer_ = &program_->layerOf(*zone_);
    followsMoves_ = !layer_->moves.moves.empty();
    wantedSemitones_ = program_->semitones(*zone_, key_) + ofUnison().cents / 100.0;
}

/// Envelopes and movements stand at their beginning.
void Voice::beginMoves(const VoiceStart& how) noexcept
{
    const auto slower = [&](const Envelope& e) {
        return e.touchTimes == 0.0 && e.keyTimes == 0.0
            ? 1.0
            : quickExp2(e.touchTimes * touchShare_ + e.keyTimes * (key_ - 60) / 12.0);
    };
    envelope_.start(layer().envelope, rate_, slower(layer().envelope));
    second_.start(layer().second, rate_, slower(layer().second));
    moves_.start(layer().moves, std::uint32_t(how.age * 2654435761U));
    moveGain_ = moveGainTo_ = 1.0;
    if (!followsMoves_)
        return;
    const Moved& moved = moves_.advance(layer().moves, *how.controls, now(), 0.0, how.shared);
    moveGain_ = moveGainTo_ = quickExp2(double(moved[Target::level]) * octavesOfDecibel);
}

NoteNow Voice::now() const noexcept
{
    return {float(touchShare_), float(releaseTouch_), float(envelope_.level()),
        float(second_.level()), key_, channel_, turn_};
}

/// Semitones.
double Voice::bendOf(const Controls& controls) const noexcept
{
    const auto c = std::size_t(channel_);
    const double reach =
        controls.reach[c] >= 0.0f ? double(controls.reach[c]) : layer().bendSemitones;
    const double own = double(controls.bend[c]) * reach;
    // With channels of their own, the first one bends all.
    return channel_ == 0 ? own : own + double(controls.bend[0]) * layer().bendSemitones;
}

/// What moves the note, at the end of the cell.
void Voice::ask(const Controls& controls, const MovesRun& shared, int frames, ControlGroup& control,
    std::size_t lane) noexcept
{
    const ProgramLayer& l = layer();
    if (l.filter.envelopeOctaves != 0.0 || followsMoves_)
        second_.advance(l.second, frames);
    double semitones = 0.0;
    control.levelOctaves[lane] = 0.0f;
    if (followsMoves_) {
        const Moved& moved = moves_.advance(l.moves, controls, now(), frames * perFrame_, &shared);
        semitones = double(moved[Target::pitch]);
        control.levelOctaves[lane] = moved[Target::level] * float(octavesOfDecibel);
        follows_ = follows_ || l.moves.does(Target::pan) || l.moves.does(Target::blend);
        if (l.moves.does(Target::attack) || l.moves.does(Target::decay)
            || l.moves.does(Target::release))
            envelope_.setPace(
                {double(quickExp2(moved[Target::attack])), double(quickExp2(moved[Target::decay])),
                    double(quickExp2(moved[Target::release]))});
    }
    glideTuning();
    const double octaves = (speedSemitones_ + bendOf(controls) + semitones) * octavesOfSemitone;
    control.octaves[lane] = octaves;
    if (octaves != spoken_ || followsMoves_ || l.filter.kind != FilterKind::off)
        control.restWanted = true;
    if (l.filter.kind != FilterKind::off)
        askFilter(control, lane);
}

void Voice::askFilter(ControlGroup& control, std::size_t lane) noexcept
{
    const Filter& filter = layer().filter;
    const Moved& moved = moves_.moved();
    filter_.ask(filter,
        followsMoves_ ? filter.resonance + double(moved[Target::resonance]) : filter.resonance,
        control, lane);
    control.cutoff[lane] = float(filter.hz * perFrame_);
    control.cutoffOctaves[lane] =
        float(filter.follow * (key_ - 60) * octavesOfSemitone + filter.touchOctaves * touchShare_
            + filter.envelopeOctaves * second_.level())
        + (followsMoves_ ? moved[Target::cutoff] : 0.0f);
    cutoffOctaves_ = control.cutoffOctaves[lane];
}

void Voice::readCell(int from, const ControlGroup& control, std::size_t lane) noexcept
{
    const ProgramLayer& l = layer();
    moveGain_ = moveGainTo_;
    moveGainTo_ = followsMoves_ ? double(control.gain[lane]) : 1.0;
    const double drive =
        followsMoves_ ? l.filter.driveDb + double(moves_.moved()[Target::drive]) : l.filter.driveDb;
    if (l.filter.kind != FilterKind::off || drive > 0.0 || !filter_.idle())
        filter_.set(l.filter, drive, control, lane);
    runEnvelope(from);
    mostGrains_ = control.mostGrains;
    beatsPerSecond_ = control.beatsPerSecond;
    read(control.octaves[lane], control.speed[lane], from);
}

/// The gains from a frame of the cell on.
void Voice::runEnvelope(int from) noexcept
{
    if (from == 0 && moveGain_ == 1.0 && moveGainTo_ == 1.0 && envelope_.stands(layer().envelope)) {
        oneGain_ = float(envelope_.level());
        return;
    }
    if (oneGain_ >= 0.0f)
        gains_.fill(std::exchange(oneGain_, manyGains));
    envelope_.run(layer().envelope, gains_.data() + from, cellFrames - from);
    if (moveGain_ != 1.0 || moveGainTo_ != 1.0)
        for (int i = from; i < cellFrames; ++i)
            gains_[std::size_t(i)] *= float(moveGainAt(i));
}

Voice::Gains Voice::wantedGains() const noexcept
{
    // The square law that SoundFont and SFZ players use: half the velocity is 12 dB less.
    const double touch = std::pow(touchShare_, 2.0 * layer().touch);
    double gain = fall_ * touch * zoneGain(zone_->zone, key_, velocity_, zone_->alike);
    auto [cents, pan, share] = ofUnison();
    const Moved& moved = moves_.moved();
    if (followsMoves_ && layer().moves.does(Target::pan))
        pan = std::clamp(pan + double(moved[Target::pan]), -1.0, 1.0);
    if (layer().blendCount > 0)
        gain *= blendGain(std::clamp(program_->blend + double(moved[Target::blend]), 0.0, 1.0),
            layer().blendPlace, layer().blendCount);
    const auto [left, right] = balance(pan);
    return {gain * share * left * double(zone_->left), gain * share * right * double(zone_->right)};
}

/// A level or a place that is turned while the note sounds is there within a few cells.
void Voice::followGains() noexcept
{
    const auto next = [](double now, double wanted) {
        const double way = wanted - now;
        return std::abs(way) < 1e-5 ? wanted : now + tuningShare * way;
    };
    gainLeft_ = gainLeftTo_;
    gainRight_ = gainRightTo_;
    if (!follows_)
        return;
    const auto wanted = wantedGains();
    gainLeftTo_ = next(gainLeft_, wanted.left);
    gainRightTo_ = next(gainRight_, wanted.right);
    follows_ = gainLeftTo_ != wanted.left || gainRightTo_ != wanted.right;
}

void Voice::glideWithin(double seconds) noexcept
{
    const double cells = seconds * rate_ / cellFrames;
    glideStep_ = std::abs(wantedSemitones_ - speedSemitones_) / std::max(1.0, cells);
}

void Voice::retune(int key, int channel, double seconds) noexcept
{
    key_ = key;
    channel_ = channel;
    settle();
    follows_ = true; // to the gain that its zone has on this key
    glideWithin(seconds);
    // Held by the key that it has gone to.
    sustained = false;
}

void Voice::release(int at, double touch) noexcept
{
    letGo_ = true;
    releaseTouch_ = touch;
    if (zone_->sound->endsItself() && !frozen())
        return;
    second_.release();
    if (at == 0) {
        envelope_.release();
        return;
    }
    if (envelope_.released())
        return;
    const float gain = oneGain_ >= 0.0f ? oneGain_ : gains_[std::size_t(at)];
    envelope_.releaseFrom(double(gain) / moveGainAt(at));
    runEnvelope(at);
}

void Voice::fadeAway(double seconds, int at) noexcept
{
    const double step = -1.0 / (seconds * rate_);
    // Between cells it stands where the last one ends.
    const int place = at > 0 ? at : cellFrames;
    ramp_ = rampAt(place) - step * place;
    rampStep_ = step;
    fadesToGoAgain_ = false;
}

void Voice::moveTo(const Program& program, const ProgramZone& zone, double seconds) noexcept
{
    // A turn may be longer than the recording; where nothing goes round any more, the note goes on
    // from the place that was heard.
    if (!zone.sound->loops() || frozen() || zone_->sound->shift != zone.sound->shift)
        position_ = position() - zone.sound->shift;
    program_ = &program;
    zone_ = &zone;
    grains_.start(std::uint32_t(age_));
    follows_ = true;
    settle();
    position_ = std::max(position_, zone.sound->start);
    if (loopAlone_ && zone.sound->loops() && !frozen())
        position_ = std::max(position_, zone.sound->loopEnd - zone.sound->loopLength);
    // A key that was let go while the sound would have ended by itself.
    if (letGo_ && (frozen() || !zone.sound->endsItself())) {
        envelope_.release();
        second_.release();
    }
    placeAgain(); // where the joint is now
    wrap();
    gear_ = gearFor(speed_, zone.sound->recorded->octaves());
    spoken_ = noOctaves;
    rampStep_ = 1.0 / (seconds * rate_);
    ramp_ = -rampStep_ * cellFrames; // nothing where the next cell begins
    fadesToGoAgain_ = false;
}

void Voice::keepIn(const Program& program, const ProgramZone& zone) noexcept
{
    program_ = &program;
    zone_ = &zone;
    follows_ = true;
    settle();
}

/// From one cell to the next: the ramp goes on, or has come to its end. False when the note is
/// over.
bool Voice::carryOn() noexcept
{
    ramp_ += rampStep_ * cellFrames;
    if (rampStep_ > 0.0 && ramp_ >= 1.0) {
        ramp_ = 1.0;
        rampStep_ = 0.0;
    } else if (rampStep_ < 0.0 && ramp_ <= 0.0) {
        if (!fadesToGoAgain_ || letGo_)
            return false;
        goAgain();
    }
    if (againFrames_ > 0.0 && travelled_ >= againFrames_ && rampStep_ == 0.0) {
        rampStep_ = -1.0 / (againSeconds * rate_);
        fadesToGoAgain_ = true;
    }
    wrap();
    return !envelope_.finished() && !atEnd();
}

bool Voice::beginCell() noexcept
{
    if (!carryOn()) {
        stop();
        return false;
    }
    followGains();
    return true;
}

void Voice::glideTuning() noexcept
{
    const double way = wantedSemitones_ - speedSemitones_;
    if (glideStep_ > 0.0 && std::abs(way) > glideStep_) {
        speedSemitones_ += std::copysign(glideStep_, way);
        return;
    }
    const bool arrives = glideStep_ > 0.0 || std::abs(way) < 1e-4;
    glideStep_ = 0.0;
    speedSemitones_ += arrives ? way : tuningShare * way;
}

double Voice::cutoff() const noexcept
{
    const Filter& filter = layer().filter;
    return filter.kind == FilterKind::off ? 0.0 : filter.hz * double(quickExp2(cutoffOctaves_));
}

/// What goes as fast as its source is part of the samples, so that the envelope knows nothing of it
/// when a key comes up inside the cell.
void Voice::finishCell(int from, const Controls& controls) noexcept
{
    if (followsMoves_ && layer().moves.does(Target::ring)) {
        Cell ring;
        ring.fill(1.0f);
        moves_.ring(layer().moves, controls, now(), ring.data(), from, cellFrames);
        for (auto i = std::size_t(from); i < cellFrames; ++i) {
            readLeft_[i] *= ring[i];
            readRight_[i] *= ring[i];
        }
    }
}

} // namespace puretone
