// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/playing/player.h"

#include "base/say.h"
#include "base/threads/flush_denormals.h"
#include "devices/device_choice.h"

#include <QSettings>

namespace puretone::app {

namespace {

constexpr const char* limiterKey = "limiter";
constexpr const char* rateKey = "outputRate";
constexpr const char* blockKey = "outputBlock";
constexpr const char* perKeyKey = "channelPerKey";
constexpr const char* outputKey = "outputDevice";
constexpr const char* midiKey = "midiDevice";

std::string remembered(const char* key)
{
    return QSettings().value(key).toString().toStdString();
}

} // namespace

Player::Player(QObject* parent)
    : QObject(parent)
    , engine_(std::make_unique<Engine>())
    , midiId_(simulatedId)
    , outputs_(
          jobs_, JobKind::openOutput,
          [this](const std::string& id) { return openOutput(id, client(), format_); },
          [this](const auto& id, auto made) { outputOpened(id, std::move(made)); })
    , keyboards_(
          jobs_, JobKind::openKeyboard,
          [this](const std::string& id) {
              return openMidiInput(id, [this](MidiEvent e) {
                  e.byHand = true;
                  engine_->postMidi(e, std::chrono::steady_clock::now());
              });
          },
          [this](const auto& id, auto made) { midiOpened(id, std::move(made)); })
    , inputs_(
          jobs_, JobKind::openInput,
          [this](const std::string& id) {
              return openInput(id,
                  [this, recorder = recorder_](const float* left, const float* right, int frames) {
                      const FlushDenormals flush;
                      recorder->hear(left, right, frames);
                      engine_->master().monitor().feed(left, right, frames);
                  });
          },
          [this](const auto& id, auto made) { inputOpened(id, std::move(made)); })
{
    connect(&watch_, &QTimer::timeout, this, &Player::watch);
    watch_.start(250);
    const QSettings settings;
    engine_->master().setLimiting(settings.value(limiterKey, true).toBool());
    format_ = OutputFormat{settings.value(rateKey, 0).toInt(),
        settings.value(blockKey, OutputFormat().blockFrames).toInt()};
    perKey_ = settings.value(perKeyKey, false).toBool();
    engine_->setPerKey(perKey_);
}

Player::~Player()
{
    // Devices first: nothing may call the engine or the recorder while they go.
    input_.reset();
    midi_.reset();
    output_.reset();
    // Who still looks at what was played no longer listens to the engine.
    if (keptAudio_)
        keptAudio_->finish();
}

OutputClient Player::client()
{
    return {[this](double rate, int) {
                engine_->prepare(rate);
                keptFrom_ = engine_->master().recent().written();
            },
        [this](float* left, float* right, int frames) {
            engine_->process(left, right, frames, std::chrono::steady_clock::now());
        }};
}

void Player::findDevices()
{
    jobs_.run(
        JobKind::findDevices, Background::Running::finish,
        [](const Progress&) { return listDevices(); },
        [this](const DeviceLists& found) {
            devices_ = found;
            lookForLost();
            emit devicesFound();
        });
}

void Player::useOutput(const std::string& id)
{
    lostOutput_.clear();
    output_.reset();
    // Before that memory is made anew; what is looked at stays.
    if (keptAudio_)
        keptAudio_->finish();
    keptAudio_.reset();
    outputId_ = id;
    outputs_.want(id);
    emit devicesChanged();
}

void Player::outputOpened(const std::string& id, Result<std::unique_ptr<AudioOutput>> opened)
{
    if (!opened) {
        emit message(QString::fromStdString(opened.error().message)
            + tr(" Playing through the simulated output."));
        useOutput(simulatedId);
        return;
    }
    output_ = std::move(*opened);
    outputId_ = id;
    keptAudio_ = std::make_shared<KeptAudio>(engine_->master().recent(), output_->rate());
    emit rateChanged(output_->rate());
    emit devicesChanged();
}

void Player::setFormat(const OutputFormat& format)
{
    if (format == format_.load())
        return;
    format_ = format;
    QSettings settings;
    settings.setValue(rateKey, format.rate);
    settings.setValue(blockKey, format.blockFrames);
    useOutput(outputId_);
}

void Player::setPerKey(bool perKey)
{
    perKey_ = perKey;
    engine_->setPerKey(perKey);
    QSettings().setValue(perKeyKey, perKey);
}

void Player::useMidi(const std::string& id)
{
    lostMidi_.clear();
    midi_.reset();
    midiId_ = id;
    keyboards_.want(id);
    emit devicesChanged();
}

void Player::midiOpened(const std::string& id, Result<std::unique_ptr<MidiInput>> opened)
{
    if (!opened) {
        emit message(QString::fromStdString(opened.error().sentence()));
        useMidi(simulatedId);
        return;
    }
    midi_ = std::move(*opened);
    midiId_ = id;
    emit devicesChanged();
}

void Player::chooseOutput(const std::string& id)
{
    QSettings().setValue(outputKey, QString::fromStdString(id));
    useOutput(id);
}

void Player::chooseMidi(const std::string& id)
{
    QSettings().setValue(midiKey, QString::fromStdString(id));
    useMidi(id);
}

const DeviceName& Player::preferredOutput() const
{
    return preferredDevice(devices_.outputs, remembered(outputKey));
}

const DeviceName& Player::preferredMidi() const
{
    return preferredDevice(devices_.keyboards, remembered(midiKey));
}

void Player::useInput(const std::string& id)
{
    endInput({});
    inputId_ = id;
    if (id.empty()) {
        inputs_.wantNone();
    } else {
        recorder_ = std::make_shared<Recorder>();
        inputs_.want(id);
    }
    emit devicesChanged();
}

void Player::inputOpened(const std::string& id, Result<std::unique_ptr<AudioInput>> opened)
{
    if (opened) {
        input_ = std::move(*opened);
        inputId_ = id;
        engine_->master().monitor().setInputRate(input_->rate());
        recorder_->setRate(input_->rate());
    } else {
        recorder_.reset();
        inputId_.clear();
        emit message(QString::fromStdString(opened.error().sentence()));
    }
    emit devicesChanged();
}

void Player::endInput(const std::string& trouble)
{
    input_.reset();
    engine_->master().monitor().setInputRate(0.0);
    inputId_.clear();
    if (!recorder_)
        return;
    const auto recorded = recorder_->stop(trouble);
    recorder_.reset();
    if (recorded)
        emit recordingEnded(*recorded);
}

QString Player::outputName() const
{
    return output_        ? QString::fromStdString(output_->name())
        : outputs_.busy() ? tr("opening…")
                          : tr("no output");
}

QString Player::outputText() const
{
    return output_ ? tr("%1, %2 frames").arg(outputName()).arg(output_->blockFrames())
                   : outputName();
}

QString Player::midiText() const
{
    return midi_            ? QString::fromStdString(midi_->name())
        : keyboards_.busy() ? tr("opening…")
                            : tr("no keyboard");
}

void Player::watch()
{
    engine_->collect();
    if (output_ && !output_->alive()) {
        const auto name = QString::fromStdString(output_->name());
        const auto lost = outputId_;
        useOutput(simulatedId);
        lostOutput_ = lost == simulatedId ? std::string() : lost; // that one is always there
        emit message(tr("%1 has gone. Playing through the simulated output until it is back; "
                        "another can be chosen below the meter.")
                         .arg(name));
    }
    if (input_ && !input_->alive()) {
        const auto name = input_->name();
        endInput(puretone::say("%1 has gone: what was recorded until then is kept.", name));
        emit message(tr("%1 has gone. Choose another input.").arg(QString::fromStdString(name)));
        emit devicesChanged();
    }
    if (midi_ && !midi_->alive()) {
        const auto name = QString::fromStdString(midi_->name());
        const auto lost = midiId_;
        useMidi(simulatedId);
        lostMidi_ = lost == simulatedId ? std::string() : lost;
        allOff(); // what it held will never be let go
        emit message(tr("%1 has gone. The keys on the screen still play; it is heard again as soon "
                        "as it is back.")
                         .arg(name));
    }
    constexpr int roundsBetweenLooks = 30;
    if (!(lostMidi_.empty() && lostOutput_.empty()) && --untilLook_ <= 0) {
        untilLook_ = roundsBetweenLooks;
        findDevices();
    }
}

/// After a look at what there is: takes back what had gone.
void Player::lookForLost()
{
    const auto there = [](const std::vector<DeviceName>& list, const std::string& id) {
        return !id.empty() && std::any_of(list.begin(), list.end(), [&](const DeviceName& device) {
            return device.id == id;
        });
    };
    const auto back = [&](const std::string& id) {
        emit message(tr("%1 is back.").arg(QString::fromStdString(id.substr(id.find(':') + 1))));
    };
    if (const auto midi = lostMidi_; there(devices_.keyboards, midi)) {
        useMidi(midi);
        back(midi);
    }
    if (const auto output = lostOutput_; there(devices_.outputs, output)) {
        useOutput(output);
        back(output);
    }
}

void Player::setLimiting(bool on)
{
    engine_->master().setLimiting(on);
    QSettings().setValue(limiterKey, on);
}

void Player::post(const MidiEvent& event)
{
    engine_->post(event, std::chrono::steady_clock::now());
}

HeldNote Player::press(int key, int velocity)
{
    ++pressed_[std::size_t(key)];
    auto event = MidiEvent::noteOn(key, velocity);
    event.byHand = true;
    post(event);
    return {this, key};
}

/// The last hand that lets go ends the note.
void Player::letGo(int key)
{
    if (--pressed_[std::size_t(key)] > 0)
        return;
    auto event = MidiEvent::noteOff(key);
    event.byHand = true;
    post(event);
}

HeldNote::HeldNote(Player* player, int key)
    : player_(player)
    , key_(key)
{
}

HeldNote::HeldNote(HeldNote&& other) noexcept
{
    *this = std::move(other);
}

HeldNote& HeldNote::operator=(HeldNote&& other) noexcept
{
    player_.swap(other.player_);
    std::swap(key_, other.key_);
    other.end();
    return *this;
}

void HeldNote::end()
{
    if (player_)
        player_->letGo(key_);
    player_.clear();
}

void Player::restartHeld()
{
    post({MidiEvent::Kind::restrike});
}

void Player::allOff()
{
    post(MidiEvent::allOff());
}

std::vector<TimedEvent> Player::keptNotes(const KeptAudio::Range& range) const
{
    const RecentNotes& notes = engine_->recentNotes();
    const auto from = std::int64_t(range.from) - std::int64_t(keptFrom_);
    const auto to = std::int64_t(range.to) - std::int64_t(keptFrom_);
    std::vector<TimedEvent> events;
    for (const auto& note : notes.since(std::max<std::int64_t>(0, from)))
        if (note.frame < to)
            events.push_back({double(note.frame - from) / notes.rate(), note.event});
    return events;
}

} // namespace puretone::app
