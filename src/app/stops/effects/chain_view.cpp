// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/effects/chain_view.h"

#include "app/theme/plate.h"
#include "app/theme/theme.h"

#include <QGridLayout>
#include <QPainter>
#include <QScrollBar>

namespace puretone::app {

namespace {

constexpr int cardWidth = 166, cardSpace = 10, lineHeight = 16, tallCard = 236, lowCard = 118;

} // namespace

/// The cards' ground, with the line that runs from one to the next.
class ChainView::Inside : public QWidget {
public:
    explicit Inside(QWidget* parent)
        : QWidget(parent)
    {
    }
    std::vector<QRect> places; ///< Of all cards.
    int mark = -1; ///< Where a dragged card would come to stand.

protected:
    void paintEvent(QPaintEvent*) override
    {
        const auto& t = Theme::tokens();
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        painter.setPen(QPen(t.line, 2.0));
        int row = -1;
        for (const QRect& place : places) {
            const int y = place.top() - lineHeight / 2;
            if (place.top() != row) {
                row = place.top();
                painter.drawLine(0, y, width(), y);
            }
            painter.drawLine(place.center().x(), y, place.center().x(), place.top());
        }
        painter.setFont(Theme::font(11));
        painter.setPen(t.quietInk);
        const auto word = [&](const QRect& at, int flags, const QString& text) {
            drawOnPlate(painter, at, flags, text, t.panel);
        };
        word(QRect(0, 0, width(), lineHeight), Qt::AlignLeft | Qt::AlignVCenter,
            ChainView::tr("notes"));
        const int last = places.empty() ? lineHeight : places.back().top();
        word(QRect(0, last - lineHeight, width(), lineHeight), Qt::AlignRight | Qt::AlignVCenter,
            ChainView::tr("out"));
        if (mark >= 0 && std::size_t(mark) <= places.size() && !places.empty()) {
            const bool end = std::size_t(mark) == places.size();
            const QRect& by = places[std::size_t(end ? mark - 1 : mark)];
            const double x = end ? by.right() + 1 + cardSpace / 2.0 : by.left() - cardSpace / 2.0;
            painter.setPen(QPen(t.sea, 3.0));
            painter.drawLine(QPointF(x, by.top() + 4.0), QPointF(x, by.bottom() - 4.0));
        }
    }
};

ChainView::ChainView(QWidget* parent)
    : QScrollArea(parent)
    , inside_(new Inside(this))
    , add_(new QPushButton(tr("Add an effect…"), inside_))
    , ready_(new QWidget(inside_))
{
    setWidgetResizable(false);
    setFrameShape(QFrame::NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setFocusPolicy(Qt::NoFocus);
    setWidget(inside_);
    setMinimumHeight(lineHeight + lowCard + 6);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Preferred);
    add_->setToolTip(tr("Choose one of the effects, or a ready chain"));
    connect(add_, &QPushButton::clicked, this,
        [this] { emit addAsked(add_->mapToGlobal(QPoint(0, add_->height()))); });
}

void ChainView::setReady(const std::vector<std::pair<QString, QString>>& namesAndTips)
{
    auto* grid = new QGridLayout(ready_);
    grid->setContentsMargins(8, 2, 0, 2);
    grid->setSpacing(6);
    auto* heading =
        new QLabel(tr("Or begin with a chain named after a place around the light:"), ready_);
    heading->setProperty("role", "quiet");
    grid->addWidget(heading, 0, 0, 1, 3);
    for (std::size_t i = 0; i < namesAndTips.size(); ++i) {
        auto* button = new QPushButton(namesAndTips[i].first, ready_);
        button->setProperty("kind", "small");
        button->setToolTip(namesAndTips[i].second);
        connect(button, &QPushButton::clicked, this, [this, i] { emit readyAsked(int(i)); });
        grid->addWidget(button, 1 + int(i) / 3, int(i) % 3);
    }
    grid->setRowStretch(1 + int(namesAndTips.size()) / 3, 1);
}

EffectCard* ChainView::makeCard()
{
    auto* card = new EffectCard(inside_);
    connect(card, &EffectCard::chosen, this, [this, card] { emit chosen(indexOf(card)); });
    connect(card, &EffectCard::switched, this, [this, card] { emit switched(indexOf(card)); });
    connect(card, &EffectCard::mixDragged, this,
        [this, card](double share, bool first) { emit mixDragged(indexOf(card), share, first); });
    connect(card, &EffectCard::mixCancelled, this, &ChainView::mixCancelled);
    connect(
        card, &EffectCard::removeAsked, this, [this, card] { emit removeAsked(indexOf(card)); });
    connect(card, &EffectCard::stepAsked, this, [this, card](int by) {
        const int from = indexOf(card);
        moveTo(from, from + by);
        if (auto* moved = this->card(std::clamp(from + by, 0, int(cards_.size()) - 1)))
            moved->setFocus();
    });
    connect(card, &EffectCard::neighbourAsked, this, [this, card](int by) {
        if (auto* next = this->card(indexOf(card) + by))
            next->setFocus();
    });
    connect(card, &EffectCard::dragMoved, this, [this](const QPoint& global) {
        inside_->mark = placeAt(global);
        inside_->update();
    });
    connect(card, &EffectCard::dragCancelled, this, [this] {
        inside_->mark = -1;
        inside_->update();
    });
    connect(card, &EffectCard::dragEnded, this, [this, card](const QPoint& global) {
        const int from = indexOf(card), to = placeAt(global);
        inside_->mark = -1;
        inside_->update();
        // Behind itself is where it is.
        moveTo(from, to > from ? to - 1 : to);
    });
    return card;
}

int ChainView::indexOf(const EffectCard* card) const
{
    const auto found = std::find(cards_.begin(), cards_.end(), card);
    return found == cards_.end() ? -1 : int(found - cards_.begin());
}

void ChainView::moveTo(int from, int to)
{
    if (from >= 0 && to >= 0 && to < int(cards_.size()) && to != from)
        emit moved(from, to);
}

int ChainView::placeAt(const QPoint& global) const
{
    const QPoint at = inside_->mapFromGlobal(global);
    int best = 0, nearest = 1 << 30;
    for (std::size_t i = 0; i < inside_->places.size(); ++i) {
        const QRect& place = inside_->places[i];
        for (const bool behind : {false, true}) {
            const QPoint edge(behind ? place.right() : place.left(), place.center().y());
            const int away = std::abs(edge.x() - at.x()) + 3 * std::abs(edge.y() - at.y());
            if (away < nearest) {
                nearest = away;
                best = int(i) + (behind ? 1 : 0);
            }
        }
    }
    return best;
}

void ChainView::setChain(const Effects& effects, double beatsPerSecond, int chosenId)
{
    const bool another = cards_.size() != effects.size();
    while (cards_.size() > effects.size()) {
        cards_.back()->hide();
        spare_.push_back(cards_.back());
        cards_.pop_back();
    }
    while (cards_.size() < effects.size()) {
        if (spare_.empty())
            spare_.push_back(makeCard());
        cards_.push_back(spare_.back());
        spare_.pop_back();
        cards_.back()->show();
    }
    if (another)
        arrange();
    for (std::size_t i = 0; i < effects.size(); ++i)
        cards_[i]->setEffect(effects[i], beatsPerSecond, effects[i].id == chosenId);
    add_->setEnabled(effects.size() < mostEffects);
}

void ChainView::setHeld(const std::array<float, mostEffects>& held)
{
    for (std::size_t i = 0; i < std::min(cards_.size(), held.size()); ++i)
        cards_[i]->setHeld(double(held[i]));
}

void ChainView::arrange()
{
    const int wide = viewport()->width();
    const auto all = int(cards_.size()) + 1;
    columns_ = std::max(1, (wide + cardSpace) / (cardWidth + cardSpace));
    const int rows = (all + columns_ - 1) / columns_;
    // One row takes the height that there is; more are low, and beyond two are scrolled to.
    const int room = viewport()->height() - lineHeight - 2;
    const int tall = rows == 1 ? std::clamp(room, lowCard, tallCard)
                               : std::max(lowCard, std::min(tallCard, room / 2 - lineHeight));
    const int each = (wide - (columns_ - 1) * cardSpace) / columns_;
    inside_->places.clear();
    QWidget* before = nullptr;
    for (int i = 0; i < all; ++i) {
        const QRect place((i % columns_) * (each + cardSpace),
            lineHeight + (i / columns_) * (tall + lineHeight), each, tall);
        const bool isCard = i < int(cards_.size());
        QWidget* widget = isCard ? static_cast<QWidget*>(cards_[std::size_t(i)]) : add_;
        widget->setGeometry(place);
        if (isCard)
            inside_->places.push_back(place);
        if (before != nullptr)
            QWidget::setTabOrder(before, widget);
        before = widget;
    }
    // An empty chain has room for it.
    ready_->setVisible(cards_.empty());
    ready_->setGeometry(
        each + cardSpace, lineHeight, std::max(each, wide - each - cardSpace), tall);
    updateGeometry();
    inside_->resize(wide, lineHeight + rows * tall + (rows - 1) * lineHeight + 2);
    inside_->update();
}

QSize ChainView::sizeHint() const
{
    const bool one = int(cards_.size()) + 1 <= columns_;
    return {600, one ? lineHeight + tallCard + 2 : 2 * (lineHeight + lowCard) + 2};
}

void ChainView::resizeEvent(QResizeEvent* event)
{
    QScrollArea::resizeEvent(event);
    arrange();
}

} // namespace puretone::app
