// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/widgets/fields/field_column.h"
#include "app/widgets/wave/wave_view.h"

#include <QFrame>

namespace puretone::app {

/// One stop of the path: a bench with the large picture, and the details beside it.
class StopView : public QWidget {
    Q_OBJECT

public:
    explicit StopView(Session& session, const QString& title, QWidget* parent = nullptr);
    /// Shows the document as it is now. Called for the visible stop after every change.
    virtual void refresh() = 0;
    /// A voice is heard at `frame` of the current take; negative when silent.
    virtual void showPlayhead(double) { }
    /// 30 times a second: what sounds, and which keys are down.
    virtual void showHeard(const Engine::Meter&, std::array<std::uint64_t, 2>) { }

protected:
    Session& session() { return session_; }
    QVBoxLayout* bench() { return bench_; }
    FieldColumn* details() { return details_; }
    /// A small button at the right of the details' title.
    QPushButton* addTitleButton(const QString& text, const QString& tip);

    /// Makes a field's edits change the take, one step per gesture.
    void connectToTake(
        ValueField* field, const QString& stepName, std::function<void(Take&, double)> change);
    void connectToInstrument(ValueField* field, const QString& stepName,
        std::function<void(Instrument&, double)> change);
    /// The same for the layer on screen.
    void connectToLayer(
        ValueField* field, const QString& stepName, std::function<void(Layer&, double)> change);

    /// Gesture of the drag that is going on; a new one when `first`.
    int gesture(bool first) { return gesture_.next(first); }
    void abandonGesture() { gesture_.abandon(); }

private:
    Session& session_;
    QVBoxLayout* bench_;
    FieldColumn* details_;
    QHBoxLayout* titleRow_;
    Gesture gesture_{session_};
};

/// Makes a field's edits change the layer on screen, one step per gesture.
void connectToLayer(Session& session, ValueField* field, const QString& stepName,
    std::function<void(Layer&, double)> change);

/// A position or duration in frames of the take, shown and typed in seconds.
FieldSpec framesField(
    const QString& label, const QString& tip, const std::function<double()>& rate, bool position);
/// A time in seconds.
FieldSpec secondsField(
    const QString& label, const QString& tip, double low, double high, double reset);
/// A time in seconds, or as a note of the tempo (see base/song_time.h).
///
/// @param low, high Seconds; notes are from 1/256 to two bars.
FieldSpec songTimeField(
    const QString& label, const QString& tip, double low, double high, double reset);
FieldSpec centsField(const QString& label, const QString& tip, double low, double high);
FieldSpec decibelField(
    const QString& label, const QString& tip, double low, double high, double reset);
/// Of an envelope: at its lowest it is silent.
FieldSpec sustainField(const QString& label, const QString& tip, double reset);
/// Octaves, 8 of them at most.
FieldSpec octavesField(const QString& label, const QString& tip, double low = -8.0);
/// From left, -1, to right, 1.
FieldSpec placeField(const QString& label, const QString& tip);
FieldSpec percentField(const QString& label, const QString& tip, double reset, double high = 1.0);
/// Hertz, stepped by semitones.
FieldSpec frequencyField(
    const QString& label, const QString& tip, double low, double high, double reset);
FieldSpec loudnessField(
    const QString& label, const QString& tip, double low, double high, double reset);
/// A plain number, stepped by ratios.
FieldSpec ratioField(
    const QString& label, const QString& tip, double low, double high, double reset);
/// A key by name or number.
FieldSpec keyField(const QString& label, const QString& tip, const std::function<Naming()>& naming);
/// Megabytes, stepped by ratios.
FieldSpec megabytesField(
    const QString& label, const QString& tip, double low, double high, double reset);
FieldSpec countField(
    const QString& label, const QString& tip, double low, double high, double reset);

} // namespace puretone::app
