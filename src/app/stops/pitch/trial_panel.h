// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/stops/pitch/beat_view.h"
#include "app/widgets/fields/field_column.h"
#include "pitch/motion/beating.h"

#include <QTimer>

namespace puretone::app {

/// Judging by ear: a plain tone beside the take, and how the two beat.
class TrialPanel : public QObject {
    Q_OBJECT

public:
    TrialPanel(Session& session, QWidget* parent);
    FieldColumn* fields() { return fields_; }
    QPushButton* hearButton() { return hear_; }
    void refresh();
    /// Ends the tone and the note beside it.
    void stop();

signals:
    /// The fine tuning has to move by this many cents for the beating to stand still.
    void stillWanted(double cents);

private:
    void showMenu();
    void hear(bool on);
    void followKeys();
    void applyTone();
    void measure();
    void showBeating();
    int harmonics() const { return shape_ == TrialTone::Shape::sine ? 1 : 6; }
    int heardKey() const { return otherKey_ >= 0 ? otherKey_ : rootKey_; }

    Session& session_;
    FieldColumn* fields_;
    QLabel* text_;
    BeatView* beats_;
    QPushButton *hear_, *still_, *options_;
    QTimer keys_;
    std::optional<Beating> beating_;
    double stillAt_ = 0.0; ///< Cents of the tone at which it would stand still.
    struct Measured {
        AudioPtr audio;
        Span kept;
        double toneHz = 0.0;
        int harmonics = 1;
        bool operator==(const Measured&) const = default;
    };
    Measured measured_;
    bool told_ = false; ///< What was asked for is there.
    TrialTone::Shape shape_ = TrialTone::Shape::sine;
    TrialTone::Way way_ = TrialTone::Way::together;
    int octave_ = 0;
    double levelDb_ = -15.0;
    int rootKey_ = -1; ///< Held while both are heard.
    HeldNote root_;
    bool rootSeen_ = false; ///< The engine has it.
    int otherKey_ = -1; ///< A key that is played meanwhile: the tone goes there.
};

} // namespace puretone::app
