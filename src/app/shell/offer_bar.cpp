// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/offer_bar.h"

#include "app/theme/theme.h"

#include <QHBoxLayout>

namespace puretone::app {

OfferBar::OfferBar(QWidget* parent)
    : QWidget(parent)
    , text_(new QLabel(this))
    , take_(new QPushButton(this))
    , refuse_(new QPushButton(this))
    , later_(new QPushButton(this))
{
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(gap + 2, 4, gap + 2, 2);
    row->setSpacing(10);
    row->addWidget(text_, 1);
    row->addWidget(take_);
    row->addWidget(refuse_);
    row->addWidget(later_);
    text_->setAccessibleName(tr("Offer"));
    text_->setFont(Theme::font(13, Theme::Weight::medium));
    text_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    take_->setProperty("kind", "main");
    for (auto* button : {refuse_, later_})
        button->setProperty("kind", "plain");
    connect(take_, &QPushButton::clicked, this, [this] {
        const auto take = offers_.front().take;
        next();
        take();
    });
    connect(refuse_, &QPushButton::clicked, this, [this] {
        const auto refuse = offers_.front().refuse;
        next();
        refuse();
    });
    connect(later_, &QPushButton::clicked, this, &OfferBar::next);
    hide();
}

void OfferBar::add(Offer offer)
{
    offers_.push_back(std::move(offer));
    showFirst();
}

void OfferBar::look()
{
    const auto fallen = std::remove_if(offers_.begin(), offers_.end(),
        [](const Offer& offer) { return offer.stands && !offer.stands(); });
    if (fallen == offers_.end())
        return;
    offers_.erase(fallen, offers_.end());
    showFirst();
}

void OfferBar::next()
{
    offers_.pop_front();
    showFirst();
}

void OfferBar::showFirst()
{
    setVisible(!offers_.empty());
    if (offers_.empty())
        return;
    const Offer& offer = offers_.front();
    text_->setToolTip(offer.sentence);
    text_->setText(text_->fontMetrics().elidedText(offer.sentence, Qt::ElideRight, text_->width()));
    take_->setText(offer.action);
    refuse_->setText(offer.refusal);
    later_->setText(offer.comesAgain ? tr("Later") : tr("Close"));
    later_->setToolTip(offer.comesAgain ? tr("It is offered again at the next start") : QString());
    refuse_->setVisible(!offer.refusal.isEmpty());
}

void OfferBar::resizeEvent(QResizeEvent* event)
{
    QWidget::resizeEvent(event);
    showFirst();
}

} // namespace puretone::app
