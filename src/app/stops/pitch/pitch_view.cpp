// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/pitch/pitch_view.h"

#include "app/theme/plate.h"
#include "app/theme/theme.h"
#include "base/quantity.h"

#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>

namespace puretone::app {

namespace {

constexpr double shownDb = 72.0; // dB of the spectrum that are drawn
constexpr double nameRoom = 54.0, profileRoom = 150.0, footRoom = 20.0;

} // namespace

PitchView::PitchView(QWidget* parent)
    : QWidget(parent)
{
    setAccessibleName(tr("Pitch over time"));
}

void PitchView::setPitch(const PitchLine* line, double midi, double seconds, const Naming& naming)
{
    empty_ = line == nullptr;
    line_ = line != nullptr ? *line : PitchLine{};
    midi_ = midi;
    seconds_ = std::max(0.01, seconds);
    naming_ = naming;
    findRange();
    update();
}

void PitchView::setOffset(double semitones)
{
    offset_ = semitones;
    update();
}

void PitchView::setSteady(double start, double end)
{
    steadyStart_ = start;
    steadyEnd_ = end;
    update();
}

void PitchView::clear()
{
    empty_ = true;
    line_ = {};
    update();
}

void PitchView::findRange()
{
    // The middle 96 % of the line, at least a semitone either way, and the chosen note.
    std::vector<double> all;
    for (const auto& p : line_.points)
        all.push_back(p.midi);
    double low = midi_, high = midi_;
    if (!all.empty()) {
        std::sort(all.begin(), all.end());
        low = std::min(low, all[all.size() / 50]);
        high = std::max(high, all[all.size() - 1 - all.size() / 50]);
    }
    const double middle = std::round(0.5 * (low + high));
    const double half = std::max(1.25, 0.5 * (high - low) + 0.6);
    low_ = middle - half;
    high_ = middle + half;
}

double PitchView::yOf(double midi, const QRectF& area) const
{
    return area.bottom() - (midi - low_) / (high_ - low_) * area.height();
}

void PitchView::paintNoteLines(QPainter& painter, const QRectF& area) const
{
    const auto& t = Theme::tokens();
    const bool wide = high_ - low_ > 14.0;
    const int own = int(std::lround(midi_ - offset_));
    bool named = false; // the root's key has a line of its own besides
    for (int key = int(std::ceil(low_ - offset_)); key <= int(std::floor(high_ - offset_)); ++key) {
        if (wide && key % 12 != 0)
            continue;
        const double y = yOf(key + offset_, area);
        painter.setPen(QPen(t.line, 1.0));
        painter.drawLine(QPointF(area.left(), y), QPointF(area.right(), y));
        painter.setPen(t.quietInk);
        painter.setFont(Theme::font(12));
        const bool room = area.height() / (high_ - low_) > 15.0 || key % 12 == 0 || wide;
        if (room && std::abs(y - yOf(midi_, area)) > 15.0) {
            painter.drawText(QRectF(0.0, y - 9.0, nameRoom - 10.0, 18.0),
                Qt::AlignRight | Qt::AlignVCenter, typeset(noteName(key, naming_)));
            named = named || key == own;
        }
        if (!wide && high_ - low_ < 4.0)
            for (const double quarter : {0.25, 0.5, 0.75}) {
                QColor faint = t.line;
                faint.setAlpha(110);
                painter.setPen(QPen(faint, 1.0));
                const double yq = yOf(key + offset_ + quarter, area);
                if (yq > area.top())
                    painter.drawLine(QPointF(area.left(), yq), QPointF(area.right(), yq));
            }
    }
    const double y = yOf(midi_, area), cents = 100.0 * (midi_ - offset_ - own);
    painter.setPen(QPen(t.brass, 2.0));
    painter.drawLine(QPointF(area.left(), y), QPointF(area.right(), y));
    painter.setFont(Theme::font(12, Theme::Weight::strong));
    painter.drawText(QRectF(0.0, y - 9.0, nameRoom - 10.0, 18.0), Qt::AlignRight | Qt::AlignVCenter,
        typeset(named ? (cents > 0.0 ? "+" : "") + formatNumber(cents, 0) + " ct"
                      : noteName(own, naming_)));
}

void PitchView::paintLine(QPainter& painter, const QRectF& area) const
{
    painter.save();
    painter.setClipRect(area.adjusted(-1.0, -2.0, 1.0, 2.0));
    painter.setPen(QPen(Theme::tokens().sea, 1.8));
    painter.setBrush(Qt::NoBrush);
    QPainterPath path;
    double last = -1e9;
    const double joined = 3.5 * seconds_ / std::max<double>(60.0, double(line_.points.size()));
    for (const auto& p : line_.points) {
        const QPointF at(area.left() + p.seconds / seconds_ * area.width(), yOf(p.midi, area));
        if (p.seconds - last > joined)
            path.moveTo(at);
        else
            path.lineTo(at);
        last = p.seconds;
    }
    painter.drawPath(path);
    painter.restore();
}

void PitchView::paintProfile(QPainter& painter, const QRectF& area) const
{
    constexpr std::size_t bins = 34;
    std::array<double, bins> weight{};
    for (const auto& p : line_.points) {
        const double place = (p.midi - low_) / (high_ - low_) * double(bins);
        if (place >= 0.0 && place < double(bins))
            weight[std::size_t(place)] += p.clarity * std::sqrt(std::max(0.0, p.level));
    }
    const double top = *std::max_element(weight.begin(), weight.end());
    if (top <= 0.0)
        return;
    QColor color = Theme::tokens().sea;
    color.setAlpha(185);
    painter.setPen(Qt::NoPen);
    painter.setBrush(color);
    const double step = area.height() / double(bins);
    for (std::size_t i = 0; i < bins; ++i)
        if (weight[i] > 0.0)
            painter.drawRect(QRectF(area.left(), area.bottom() - double(i + 1) * step + 0.5,
                std::max(1.5, weight[i] / top * area.width()), std::max(1.0, step - 1.5)));
}

void PitchView::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    if (empty_) {
        painter.setPen(t.quietInk);
        painter.drawText(rect(), Qt::AlignCenter, tr("Following the pitch…"));
        return;
    }
    const QRectF area = QRectF(rect()).adjusted(nameRoom, 6.0, -profileRoom - 14.0, -footRoom);
    if (steadyEnd_ > steadyStart_) {
        QColor tint = t.brass;
        tint.setAlpha(34);
        const double from = area.left() + steadyStart_ / seconds_ * area.width();
        const double to = area.left() + steadyEnd_ / seconds_ * area.width();
        painter.fillRect(QRectF(from, area.top(), to - from, area.height()), tint);
        painter.setPen(t.brass);
        painter.setFont(Theme::font(11));
        painter.drawText(
            QRectF(from + 4.0, area.top(), 140.0, 16.0), Qt::AlignLeft, tr("steadiest"));
    }
    paintNoteLines(painter, area);
    paintLine(painter, area);
    const QRectF side(area.right() + 14.0, area.top(), profileRoom - 4.0, area.height());
    paintProfile(painter, side);
    painter.setFont(Theme::font(11));
    painter.setPen(t.quietInk);
    const double foot = area.bottom() + 4.0;
    painter.drawText(QRectF(area.left(), foot, 100.0, 16.0), Qt::AlignLeft, QStringLiteral("0 s"));
    painter.drawText(QRectF(area.right() - 100.0, foot, 100.0, 16.0), Qt::AlignRight,
        QString::number(seconds_, 'f', 2) + QStringLiteral(" s"));
    painter.drawText(QRectF(side.left(), foot, side.width(), 16.0), Qt::AlignLeft,
        line_.points.empty() ? tr("nothing repeats here") : tr("where the sound dwells"));
}

// ---- Spectrum
// --------------------------------------------------------------------------------------

SpectrumView::SpectrumView(QWidget* parent)
    : QWidget(parent)
{
    setAccessibleName(tr("Spectrum"));
    setMouseTracking(true);
    setToolTip(
        tr("The mean spectrum; the marks below it are where the partials of the note belong. "
           "Click a peak that does not belong to mark it for removal"));
}

void SpectrumView::setSpectrum(
    const MeanSpectrum* spectrum, double hz, double stretch, const QString& noteName)
{
    spectrum_ = spectrum != nullptr ? *spectrum : MeanSpectrum{};
    hz_ = hz;
    stretch_ = stretch;
    noteName_ = noteName;
    const double nyquist = spectrum_.binHz * double(spectrum_.magnitude.size());
    topHz_ = std::min(std::clamp(hz * 17.0, 1500.0, 12000.0), std::max(100.0, nyquist));
    columns_.clear();
    update();
}

QRectF SpectrumView::area() const
{
    return QRectF(rect()).adjusted(nameRoom, 18.0, -8.0, -34.0);
}

double SpectrumView::xOf(double hz) const
{
    return area().left() + hz / topHz_ * area().width();
}

double SpectrumView::heightOf(double hz) const
{
    const auto column = std::size_t(
        std::clamp(xOf(hz) - area().left(), 0.0, std::max(0.0, double(columns_.size()) - 1.0)));
    return columns_.empty() ? 0.0 : std::max(0.0, 1.0 + double(columns_[column]) / shownDb);
}

std::optional<double> SpectrumView::peakAt(QPointF place) const
{
    constexpr double reach = 8.0; // pixels
    if (!area().adjusted(0.0, -18.0, 0.0, 12.0).contains(place))
        return std::nullopt;
    const double perPixel = topHz_ / area().width();
    return peakNear(spectrum_, (place.x() - area().left()) * perPixel, reach * perPixel);
}

void SpectrumView::setPartials(
    std::vector<Partial> partials, bool ownPlaces, const Naming& naming, Hz a4)
{
    a4_ = a4;
    partials_ = std::move(partials);
    ownPlaces_ = ownPlaces;
    naming_ = naming;
    update();
}

QString SpectrumView::wordsAbout(double hz) const
{
    QString words = typeset(formatHz(hz));
    for (const auto& p : partials_) {
        if (std::abs(p.hz - hz) > 2.0 * spectrum_.binHz)
            continue;
        const auto [key, rest] = nearestKey(midiOf(Hz{p.hz}, a4_));
        words += typeset(", " + noteName(key, naming_) + " " + formatCents(rest) + ", "
            + formatDecibels({p.levelDb()}));
        if (p.decay > 0.0)
            words += tr(", rings %1").arg(typeset(formatSeconds(p.decay)));
        break;
    }
    return words;
}

void SpectrumView::setForeign(std::optional<double> hz, const QString& text)
{
    foreign_ = hz;
    foreignText_ = text;
    update();
}

void SpectrumView::mousePressEvent(QMouseEvent* event)
{
    if (const auto hz = peakAt(event->position()); hz && event->button() == Qt::LeftButton)
        emit pointedAt(*hz);
}

void SpectrumView::mouseMoveEvent(QMouseEvent* event)
{
    hovered_ = peakAt(event->position());
    setCursor(hovered_ ? Qt::PointingHandCursor : Qt::ArrowCursor);
    update();
}

void SpectrumView::leaveEvent(QEvent*)
{
    hovered_.reset();
    update();
}

void SpectrumView::paintForeign(QPainter& painter) const
{
    const auto& t = Theme::tokens();
    const auto ring = [&](double hz, const QColor& color, const QString& text) {
        const QPointF at(xOf(hz), area().bottom() - heightOf(hz) * area().height());
        painter.setPen(QPen(color, 1.8));
        painter.setBrush(Qt::NoBrush);
        painter.drawEllipse(at, 7.0, 7.0);
        painter.setFont(Theme::font(11));
        const double width = 260.0;
        const double left = std::clamp(
            at.x() - 0.5 * width, area().left(), std::max(area().left(), area().right() - width));
        drawOnPlate(
            painter, QRectF(left, at.y() - 26.0, width, 16.0), Qt::AlignCenter, text, t.panel);
    };
    if (foreign_ && *foreign_ < topHz_)
        ring(*foreign_, t.coral, foreignText_);
    if (hovered_ && (!foreign_ || std::abs(*hovered_ - *foreign_) > 3.0 * spectrum_.binHz))
        ring(*hovered_, t.ink, wordsAbout(*hovered_));
}

void SpectrumView::clear()
{
    setForeign({}, {});
    setSpectrum(nullptr, 0.0, 0.0, {});
}

void SpectrumView::makeColumns(int count)
{
    columns_.assign(std::size_t(count), -90.0f);
    float top = 1e-9f;
    const auto last =
        std::min(spectrum_.magnitude.size(), std::size_t(topHz_ / spectrum_.binHz) + 1);
    for (std::size_t k = 1; k < last; ++k)
        top = std::max(top, spectrum_.magnitude[k]);
    for (std::size_t i = 0; i < columns_.size(); ++i) {
        const double from = topHz_ * double(i) / count / spectrum_.binHz;
        const double to = topHz_ * double(i + 1) / count / spectrum_.binHz;
        float highest = 0.0f;
        for (auto k = std::size_t(from); k <= std::size_t(to) && k < spectrum_.magnitude.size();
             ++k)
            highest = std::max(highest, spectrum_.magnitude[k]);
        columns_[i] = std::max(-90.0f, 20.0f * std::log10(std::max(1e-9f, highest / top)));
    }
}

void SpectrumView::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    if (spectrum_.magnitude.empty() || spectrum_.binHz <= 0.0)
        return;
    const QRectF area = this->area();
    if (int(columns_.size()) != int(area.width()))
        makeColumns(std::max(1, int(area.width())));
    QPolygonF outline;
    outline << area.bottomLeft();
    for (std::size_t i = 0; i < columns_.size(); ++i)
        outline << QPointF(area.left() + double(i) + 0.5,
            area.bottom() - std::max(0.0, 1.0 + double(columns_[i]) / shownDb) * area.height());
    outline << area.bottomRight();
    QColor fill = t.sea;
    fill.setAlpha(90);
    painter.setPen(QPen(t.sea, 1.2));
    painter.setBrush(fill);
    painter.drawPolygon(outline);
    paintForeign(painter);
    painter.setPen(QPen(t.brass, 2.0));
    const auto tick = [&](double hz) {
        const double x = xOf(hz);
        if (x <= area.right())
            painter.drawLine(QPointF(x, area.bottom() + 2.0), QPointF(x, area.bottom() + 8.0));
    };
    if (ownPlaces_)
        for (const auto& p : partials_)
            if (p.levelDb() > -40.0)
                tick(p.hz);
    for (int h = 1; h <= 64 && hz_ > 0.0 && !ownPlaces_; ++h) {
        const double hz = h * hz_ * std::sqrt((1.0 + stretch_ * h * h) / (1.0 + stretch_));
        tick(hz);
    }
    painter.setFont(Theme::font(11));
    painter.drawText(QRectF(area.left(), area.bottom() + 12.0, 420.0, 16.0), Qt::AlignLeft,
        ownPlaces_      ? tr("its own partials: rest on one for its note and how long it rings")
            : hz_ > 0.0 ? tr("partials of %1").arg(noteName_)
                        : QString());
    painter.setPen(t.quietInk);
    painter.drawText(QRectF(area.right() - 120.0, area.bottom() + 12.0, 120.0, 16.0),
        Qt::AlignRight, tr("%1 kHz").arg(QString::number(topHz_ / 1000.0, 'f', 1)));
}

} // namespace puretone::app
