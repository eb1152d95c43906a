// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/playing/device_opener.h"
#include "audio/streams/kept_audio.h"
#include "audio/streams/recorder.h"
#include "devices/devices.h"
#include "engine/offline/render.h"

#include <QObject>
#include <QPointer>
#include <QTimer>
#include <utility>

namespace puretone::app {

class Player;

/// A key that is pressed: however keyboards, roots and takes change meanwhile, what began with it
/// ends with it.
class HeldNote {
public:
    HeldNote() = default;
    HeldNote(HeldNote&& other) noexcept;
    HeldNote& operator=(HeldNote&& other) noexcept; ///< What was pressed before comes up.
    ~HeldNote() { end(); }
    void end();

private:
    friend class Player;
    HeldNote(Player* player, int key);

    QPointer<Player> player_; ///< Null where nothing is pressed, or the player has gone before.
    int key_ = -1;
};

/// The engine and the devices that it plays through. Everything here lives on the interface thread;
/// the devices call the engine on theirs.
class Player : public QObject {
    Q_OBJECT

public:
    explicit Player(QObject* parent = nullptr);
    ~Player() override;

    Engine& engine() { return *engine_; }

    /// The plain tone beside a take, at the Pitch stop.
    TrialTone& trial() { return engine_->master().trial(); }

    /// Looks for devices beside the window; devicesFound() tells.
    void findDevices();
    /// As found last; the simulated ones before that.
    const DeviceLists& devices() const { return devices_; }
    /// Opens an output, beside the window unless it is the simulated one; where that fails, says so
    /// and falls back on the simulated one. devicesChanged() tells.
    void useOutput(const std::string& id);
    /// Opens the output again as it is wished to run. Remembered.
    void setFormat(const OutputFormat& format);
    OutputFormat format() const { return format_; }
    /// Whether keys have MIDI channels of their own, for bend and pressure of each. Remembered.
    void setPerKey(bool perKey);
    bool perKey() const { return perKey_; }
    void useMidi(const std::string& id);
    /// The same where somebody chose it: remembered for the next session.
    void chooseOutput(const std::string& id);
    void chooseMidi(const std::string& id);
    /// Of those that were found: as chosen in an earlier session, or the first ones.
    const DeviceName& preferredOutput() const;
    const DeviceName& preferredMidi() const;
    /// @param id Empty: none.
    void useInput(const std::string& id);
    const std::string& outputId() const { return outputId_; }
    const std::string& midiId() const { return midiId_; }
    const std::string& inputId() const { return inputId_; }
    /// Null while one is being opened.
    AudioOutput* output() { return output_.get(); }
    MidiInput* midi() { return midi_.get(); }
    /// "JACK, system, 128 frames".
    QString outputText() const;
    QString outputName() const;
    QString midiText() const;
    AudioInput* input() { return input_.get(); }
    /// What the input hears; null while none is open.
    Recorder* recorder() { return recorder_.get(); }
    /// Whether the input is heard at the output.
    void setMonitoring(bool on) { engine_->master().monitor().setOn(on); }
    bool monitoring() const { return engine_->master().monitor().on(); }
    /// Whether what goes out is held below full scale. Remembered.
    void setLimiting(bool on);
    bool limiting() const { return engine_->master().limiting(); }

    /// A key goes down; it comes up with the value that is returned.
    HeldNote press(int key, int velocity);
    void allOff();
    /// Strikes the keys that are held by Hold again: what they begin with has changed.
    void restartHeld();
    /// Keeps keys sounding after they are let go, until pressed again.
    void setHold(bool hold) { engine_->setHold(hold); }
    /// The last ten minutes that were played; null while an output is being opened.
    const std::shared_ptr<KeptAudio>& kept() const { return keptAudio_; }
    /// The notes of a stretch of it, seconds from its beginning.
    std::vector<TimedEvent> keptNotes(const KeptAudio::Range& range) const;

signals:
    /// The input was lost while it was being recorded; what there is has been kept.
    void recordingEnded(const puretone::Recorder::Recorded& recorded);
    void devicesChanged();
    void devicesFound();
    void rateChanged(double rate);
    void message(const QString& sentence);

private:
    void watch();
    void lookForLost();
    friend class HeldNote;
    void letGo(int key);
    void post(const MidiEvent& event);
    /// Closes the input; a recording that goes on is ended and kept.
    void endInput(const std::string& trouble);
    OutputClient client();
    void outputOpened(const std::string& id, Result<std::unique_ptr<AudioOutput>> opened);
    void midiOpened(const std::string& id, Result<std::unique_ptr<MidiInput>> opened);
    void inputOpened(const std::string& id, Result<std::unique_ptr<AudioInput>> opened);

    std::unique_ptr<Engine> engine_;
    std::unique_ptr<AudioOutput> output_;
    std::unique_ptr<MidiInput> midi_;
    /// Shared with the input's thread, which may still be ending.
    std::shared_ptr<Recorder> recorder_;
    std::unique_ptr<AudioInput> input_;
    std::string outputId_, midiId_, inputId_;
    std::string lostOutput_, lostMidi_; ///< Went while they were in use; taken again when back.
    int untilLook_ = 0; ///< Rounds of watch().
    std::atomic<OutputFormat> format_ = OutputFormat(); ///< Read where devices are opened.
    bool perKey_ = false;
    std::array<int, 128> pressed_{}; ///< By how many hands each key is pressed.
    std::shared_ptr<KeptAudio> keptAudio_; ///< Reads what the engine remembers.
    std::uint64_t keptFrom_ = 0; ///< Frame of that memory at which the engine was prepared.
    QTimer watch_;
    DeviceLists devices_ = simulatedDevices();
    // Last: its jobs open devices that use everything above.
    Background jobs_;
    DeviceOpener<AudioOutput> outputs_;
    DeviceOpener<MidiInput> keyboards_;
    DeviceOpener<AudioInput> inputs_;
};

} // namespace puretone::app
