// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/instrument/instrument.h"
#include "pitch/series/spectrum.h"

#include <QWidget>

namespace puretone::app {

/// The pitch over time among note lines, its weight gathered at the side as a profile.
class PitchView : public QWidget {
    Q_OBJECT

public:
    explicit PitchView(QWidget* parent = nullptr);
    /// @param line Null while it is computed. @param midi The chosen pitch, drawn as the brass
    /// line.
    void setPitch(const PitchLine* line, double midi, double seconds, const Naming& naming);
    /// Semitones by which the note lines stand above those of A4 = 440 Hz.
    void setOffset(double semitones);
    /// The steadiest stretch of a take that wanders, seconds; empty where none is worth marking.
    void setSteady(double start, double end);
    void clear();
    QSize minimumSizeHint() const override { return {300, 140}; }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    double yOf(double midi, const QRectF& area) const;
    void paintNoteLines(QPainter& painter, const QRectF& area) const;
    void paintLine(QPainter& painter, const QRectF& area) const;
    void paintProfile(QPainter& painter, const QRectF& area) const;
    void findRange();

    bool empty_ = true;
    PitchLine line_;
    double midi_ = 60.0, seconds_ = 1.0;
    double low_ = 59.0, high_ = 61.0; ///< Shown range, MIDI.
    Naming naming_;
    double offset_ = 0.0, steadyStart_ = 0.0, steadyEnd_ = 0.0;
};

/// The mean spectrum with the partials of the chosen note marked below it.
class SpectrumView : public QWidget {
    Q_OBJECT

public:
    explicit SpectrumView(QWidget* parent = nullptr);
    void setSpectrum(
        const MeanSpectrum* spectrum, double hz, double stretch, const QString& noteName);
    /// What the reading found; shown under the pointer. @param ownPlaces Marks them where they lie
    /// instead of where a note's series would have them.
    void setPartials(
        std::vector<Partial> partials, bool ownPlaces, const Naming& naming, Hz a4 = concertPitch);
    /// A tone that is no part of the note: circled, with a word about it.
    void setForeign(std::optional<double> hz, const QString& text);
    void clear();
    QSize minimumSizeHint() const override { return {300, 110}; }
    /// Where a frequency is drawn.
    double xOf(double hz) const;

signals:
    /// A peak was clicked, Hz.
    void pointedAt(double hz);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;

private:
    QRectF area() const;
    /// The highest peak within reach of the pointer, Hz; nothing beside the picture.
    std::optional<double> peakAt(QPointF place) const;
    double heightOf(double hz) const;
    void paintForeign(QPainter& painter) const;
    void makeColumns(int count);
    MeanSpectrum spectrum_;
    double hz_ = 0.0, stretch_ = 0.0, topHz_ = 4000.0;
    QString noteName_;
    QString wordsAbout(double hz) const;
    std::vector<Partial> partials_;
    bool ownPlaces_ = false;
    Hz a4_ = concertPitch;
    Naming naming_;
    std::optional<double> foreign_, hovered_;
    QString foreignText_;
    std::vector<float> columns_; ///< Highest level under each pixel, dB under the top.
};

} // namespace puretone::app
