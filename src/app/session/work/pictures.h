// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/signal/peaks.h"
#include "model/instrument/instrument.h"
#include "pitch/motion/track.h"
#include "pitch/series/spectrum.h"

#include <QObject>
#include <map>

namespace puretone::app {

class Session;

/// What is drawn of takes and of the one on screen: worked out beside the window, kept while it is
/// of what stands there. Session::derivedChanged tells of what has come.
class Pictures : public QObject {
    Q_OBJECT

public:
    explicit Pictures(Session& session);

    using Pyramid = std::shared_ptr<const PeakPyramid>;
    /// Peaks of the take on screen, or null while they are computed.
    Pyramid peaks() const;
    Pyramid peaksOf(const Take* take) const;
    /// Pitch over time of the take on screen, where it is known.
    const std::optional<PitchLine>& pitchLine() const { return pitchLine_; }
    /// Of the kept part, where it is known.
    const std::optional<Decibels>& loudness() const { return loudness_; }
    const MeanSpectrum* spectrum() const { return spectrum_ ? &*spectrum_ : nullptr; }
    /// After the document changed.
    void refresh();

private:
    void makePeaks();
    void makePeaksOf(std::vector<AudioPtr> sounds);
    /// Once for all that has come since the window was last drawn: of hundreds of takes the peaks
    /// come faster than a window refreshes.
    void tellSoon();
    void analyse();

    Session& session_;
    std::map<AudioPtr, Pyramid> peaks_; ///< Of every sound of the instrument; null while computed.
    int batches_ = 0;
    bool tells_ = false;
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
