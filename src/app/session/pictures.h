// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/peaks.h"
#include "model/instrument.h"
#include "pitch/spectrum.h"
#include "pitch/track.h"

#include <QObject>

namespace puretone::app {

class Session;

/// What is drawn of takes and of the one on screen: worked out beside the window, kept while it is
/// of what stands there. Session::derivedChanged tells of what has come.
class Pictures : public QObject {
    Q_OBJECT

public:
    explicit Pictures(Session& session);

    /// Peaks of the take on screen, or null while they are computed.
    std::shared_ptr<const PeakPyramid> peaks() const;
    std::shared_ptr<const PeakPyramid> peaksOf(const Take* take) const;
    /// Pitch over time of the take on screen, where it is known.
    const std::optional<PitchLine>& pitchLine() const { return pitchLine_; }
    /// Of the kept part, where it is known.
    const std::optional<Decibels>& loudness() const { return loudness_; }
    const MeanSpectrum* spectrum() const { return spectrum_ ? &*spectrum_ : nullptr; }
    /// After the document changed.
    void refresh();

private:
    void makePeaks();
    void analyse();

    Session& session_;
    struct Peaks {
        AudioPtr audio;
        std::shared_ptr<const PeakPyramid> pyramid; ///< Null while it is computed.
    };
    std::vector<Peaks> peaks_;
    struct Drawn {
        AudioPtr audio;
        Span kept;
        double midi = 0.0;
        bool operator==(const Drawn&) const = default;
    };
    Drawn drawn_;
    std::optional<PitchLine> pitchLine_;
    std::optional<MeanSpectrum> spectrum_;
    std::optional<Decibels> loudness_;
};

} // namespace puretone::app
