// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/loop/seam_map_view.h"

#include "app/theme/theme.h"
#include "base/quantity.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>

namespace puretone::app {

namespace {

constexpr double shownShare = 0.66; ///< Of the kept part: longer loops are hardly ever wanted.

} // namespace

SeamMapView::SeamMapView(QWidget* parent)
    : QWidget(parent)
{
    setMinimumHeight(90);
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::CrossCursor);
    setAccessibleName(tr("Seam map"));
    setToolTip(tr("How well every loop would close: bright where its end sounds like its "
                  "beginning. Click to loop there"));
}

void SeamMapView::setMap(std::shared_ptr<const SeamMap> map, double rate)
{
    if (map == map_ && rate == rate_)
        return;
    map_ = std::move(map);
    rate_ = rate;
    drawImage();
    update();
}

void SeamMapView::setLoops(const Loop& current, const std::vector<LoopCandidate>& candidates)
{
    current_ = current;
    candidates_.clear();
    for (const auto& candidate : candidates)
        candidates_.push_back(candidate.loop.span);
    update();
}

QRectF SeamMapView::area() const
{
    return QRectF(rect()).adjusted(10.0, 26.0, -10.0, -10.0);
}

double SeamMapView::longest() const
{
    return map_ ? shownShare * double(map_->span.length()) : 1.0;
}

QPointF SeamMapView::placeOf(Span loop) const
{
    const QRectF a = area();
    if (!map_ || map_->cells == 0)
        return a.center();
    return {a.left()
            + a.width() * double(loop.start.value - map_->span.start.value)
                / double(map_->span.length()),
        std::max(a.top(), a.bottom() - a.height() * double(loop.length()) / longest())};
}

Span SeamMapView::loopAt(QPointF place) const
{
    const QRectF a = area();
    const double x = std::clamp((place.x() - a.left()) / a.width(), 0.0, 1.0);
    const double y = std::clamp((a.bottom() - place.y()) / a.height(), 0.0, 1.0);
    const auto start = map_->span.start.value + std::llround(x * double(map_->span.length()));
    return {Frames{start}, Frames{start + std::llround(y * longest())}};
}

/// One pixel for each cell; contrast from what there is, for in a steady sound all ends are good.
void SeamMapView::drawImage()
{
    image_ = {};
    if (!map_ || map_->cells == 0)
        return;
    const auto cells = map_->cells;
    const auto rows = std::max<std::size_t>(1, std::size_t(shownShare * double(cells)));
    std::array<std::size_t, 256> counts{};
    std::size_t all = 0;
    for (std::size_t length = 1; length < rows; ++length)
        for (std::size_t start = 0; start + length < cells; ++start) {
            ++counts[map_->at(start, start + length)];
            ++all;
        }
    const auto level = [&](double share) {
        std::size_t sum = 0;
        for (std::size_t v = 0; v < counts.size(); ++v)
            if ((sum += counts[v]) >= std::size_t(share * double(all)))
                return double(v);
        return 255.0;
    };
    // At least 2 dB from pale to full, or chance would be drawn as if it meant something.
    constexpr double leastContrast = 64.0;
    const double high = std::max(leastContrast, level(0.995));
    const double low = std::min(level(0.3), high - leastContrast);
    const auto& t = Theme::tokens();
    std::array<QRgb, 256> shades{};
    for (std::size_t v = 0; v < shades.size(); ++v) {
        // The best stand out; the middle stays pale.
        const double s = std::clamp((double(v) - low) / (high - low), 0.0, 1.0), shade = s * s;
        const auto mix = [&](int from, int to) { return int(from + shade * (to - from)); };
        shades[v] = qRgb(mix(t.panel.red(), t.heather.red()),
            mix(t.panel.green(), t.heather.green()), mix(t.panel.blue(), t.heather.blue()));
    }
    image_ = QImage(int(cells), int(rows), QImage::Format_RGB32);
    image_.fill(t.well);
    for (std::size_t length = 1; length < rows; ++length) {
        auto* line = reinterpret_cast<QRgb*>(image_.scanLine(int(rows - 1 - length)));
        for (std::size_t start = 0; start + length < cells; ++start)
            line[start] = shades[map_->at(start, start + length)];
    }
}

void SeamMapView::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(hasFocus() ? QPen(t.quietInk, 1.0, Qt::DotLine) : QPen(Qt::NoPen));
    painter.setBrush(t.well);
    painter.drawRoundedRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5), 6.0, 6.0);
    painter.setFont(Theme::font(12, Theme::Weight::strong));
    painter.setPen(t.ink);
    const QRectF title = QRectF(rect()).adjusted(10.0, 4.0, -10.0, 0.0);
    painter.drawText(title, Qt::AlignLeft | Qt::AlignTop, tr("Seam map"));
    painter.setFont(Theme::font(12));
    painter.setPen(t.quietInk);
    const bool pointed = cross_.x() >= 0.0 && map_ && map_->cells > 0;
    QString caption = tr("begin →  length ↑");
    if (pointed) {
        const Span loop = loopAt(cross_);
        caption = tr("begin %1, length %2")
                      .arg(typeset(formatPosition(double(loop.start.value) / rate_)),
                          typeset(formatSeconds(double(loop.length()) / rate_)));
    }
    painter.drawText(title, Qt::AlignRight | Qt::AlignTop, caption);
    const QRectF a = area();
    if (image_.isNull()) {
        painter.drawText(a, Qt::AlignCenter, map_ ? tr("too short for a map") : tr("drawing…"));
        return;
    }
    painter.drawImage(a, image_);
    painter.setClipRect(a.adjusted(-8.0, -8.0, 8.0, 8.0));
    painter.setPen(QPen(t.panel, 1.0));
    painter.setBrush(t.ink);
    for (const Span candidate : candidates_)
        painter.drawEllipse(placeOf(candidate), 3.0, 3.0);
    if (current_.repeats()) {
        painter.setBrush(Qt::NoBrush);
        painter.setPen(QPen(t.panel, 4.0));
        painter.drawEllipse(placeOf(current_.span), 6.5, 6.5);
        painter.setPen(QPen(t.ink, 2.0));
        painter.drawEllipse(placeOf(current_.span), 6.5, 6.5);
    }
    if (pointed) {
        painter.setPen(QPen(t.ink, 1.0, Qt::DotLine));
        painter.drawLine(QPointF(cross_.x(), a.top()), QPointF(cross_.x(), a.bottom()));
        painter.drawLine(QPointF(a.left(), cross_.y()), QPointF(a.right(), cross_.y()));
    }
}

void SeamMapView::showPlace(QPointF place)
{
    const QRectF a = area();
    cross_ = {
        std::clamp(place.x(), a.left(), a.right()), std::clamp(place.y(), a.top(), a.bottom())};
    update();
}

void SeamMapView::choose(QPointF place)
{
    if (!map_ || map_->cells == 0)
        return;
    Span loop = loopAt(place);
    // The corner above the picture is a loop that would run out of the sound: the longest there is.
    loop.end.value = std::min(loop.end.value, map_->span.end.value);
    if (loop.length() >= shortestLoop)
        emit chosen(loop.start.value, loop.end.value);
}

void SeamMapView::mousePressEvent(QMouseEvent* event)
{
    setFocus(Qt::MouseFocusReason);
    if (event->button() == Qt::LeftButton && area().contains(event->position()))
        choose(event->position());
}

void SeamMapView::mouseMoveEvent(QMouseEvent* event)
{
    if (area().contains(event->position()))
        showPlace(event->position());
    else
        leaveEvent(nullptr);
}

void SeamMapView::leaveEvent(QEvent*)
{
    cross_ = {-1.0, -1.0};
    update();
}

void SeamMapView::keyPressEvent(QKeyEvent* event)
{
    const double step = event->modifiers().testFlag(Qt::ShiftModifier) ? 1.0 : 6.0;
    const QPointF from = cross_.x() >= 0.0 ? cross_
        : current_.repeats()               ? placeOf(current_.span)
                                           : area().center();
    switch (event->key()) {
    case Qt::Key_Left:
        return showPlace(from - QPointF(step, 0.0));
    case Qt::Key_Right:
        return showPlace(from + QPointF(step, 0.0));
    case Qt::Key_Up:
        return showPlace(from - QPointF(0.0, step));
    case Qt::Key_Down:
        return showPlace(from + QPointF(0.0, step));
    case Qt::Key_Return:
    case Qt::Key_Enter:
        return choose(from);
    default:
        QWidget::keyPressEvent(event);
    }
}

void SeamMapView::focusInEvent(QFocusEvent*)
{
    update();
}

void SeamMapView::focusOutEvent(QFocusEvent*)
{
    cross_ = {-1.0, -1.0};
    update();
}

void SeamMapView::changeEvent(QEvent* event)
{
    // Colours come from the theme.
    if (event->type() == QEvent::PaletteChange || event->type() == QEvent::StyleChange)
        drawImage();
    QWidget::changeEvent(event);
}

} // namespace puretone::app
