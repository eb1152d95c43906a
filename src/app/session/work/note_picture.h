// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/signal/peaks.h"
#include "model/instrument/instrument.h"
#include "pitch/series/spectrum.h"

#include <QObject>

namespace puretone::app {

class Session;

/// The note of the layer on screen as the key played last sounds it, without its level envelope:
/// what the stop Shape draws its envelope over, and the spectrum that goes into its filter. Played
/// beside the window; Session::derivedChanged tells when it has come.
class NotePicture : public QObject {
    Q_OBJECT

public:
    explicit NotePicture(Session& session);
    /// What is wanted, for as long as it is looked at.
    ///
    /// @param letGo When the key comes up. @param seconds Of the whole picture.
    void want(double letGo, double seconds);
    /// The key that was played; the layer's own where it does not play that one.
    /// @return Whether it is another one than before.
    bool setKey(int key);
    int key() const { return shown_.key; }
    /// Null where there is nothing yet, or nothing to play.
    const std::shared_ptr<const PeakPyramid>& wave() const { return wave_; }
    /// Of what goes into the filter; null while it is not known.
    const MeanSpectrum* spectrum() const { return spectrum_ ? &*spectrum_ : nullptr; }

private:
    struct Wish {
        Instrument instrument; ///< One layer with the zones of the key, and what they play.
        int key = -1;
        double letGo = 0.0, seconds = 0.0;
        bool operator==(const Wish&) const = default;
    };
    int playedKey(const Layer& layer) const;
    Wish wishFor(double letGo, double seconds) const;

    Session& session_;
    int lastKey_ = -1;
    Wish shown_;
    std::shared_ptr<const PeakPyramid> wave_;
    std::optional<MeanSpectrum> spectrum_;
};

} // namespace puretone::app
