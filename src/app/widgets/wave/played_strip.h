// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/streams/kept_audio.h"

#include <QWidget>

namespace puretone::app {

/// What was played in the last minutes, as a strip from which a stretch is taken: drag across it,
/// or move either end.
class PlayedStrip : public QWidget {
    Q_OBJECT

public:
    explicit PlayedStrip(QWidget* parent = nullptr);
    /// @param picture One extent for each of equal parts of the whole. @param chosen Inside it.
    void setPlayed(std::vector<Extent> picture, KeptAudio::Range whole, double rate);
    void choose(KeptAudio::Range chosen);
    const KeptAudio::Range& chosen() const { return chosen_; }
    double xOf(std::uint64_t frame) const;
    QSize sizeHint() const override { return {720, 110}; }

signals:
    void changed();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    QRectF area() const;
    std::uint64_t frameAt(double x) const;

    std::vector<Extent> picture_;
    KeptAudio::Range whole_, chosen_;
    double rate_ = 48000.0;
    std::uint64_t anchor_ = 0; ///< The end of the stretch that stays while the other is dragged.
};

} // namespace puretone::app
