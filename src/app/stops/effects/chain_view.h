// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/effects/effect_card.h"

#include <QScrollArea>

namespace puretone::app {

/// The chain of effects as cards from left to right, in rows where there are many, and behind them
/// the place where another one is added.
class ChainView : public QScrollArea {
    Q_OBJECT

public:
    explicit ChainView(QWidget* parent = nullptr);
    void setChain(const Effects& effects, double beatsPerSecond, int chosenId);
    void setHeld(const std::array<float, mostEffects>& held);
    EffectCard* card(int index) const
    {
        return std::size_t(index) < cards_.size() ? cards_[std::size_t(index)] : nullptr;
    }
    QPushButton* addButton() { return add_; }
    /// What an empty chain may begin with: shown beside the place of the first card.
    void setReady(const std::vector<std::pair<QString, QString>>& namesAndTips);
    /// Where a card that is dropped at a place of the window would come to stand.
    int placeAt(const QPoint& global) const;
    /// One row as it looks best, or two low ones.
    QSize sizeHint() const override;

signals:
    void chosen(int index);
    void switched(int index);
    void mixDragged(int index, double share, bool first);
    void mixCancelled();
    void moved(int from, int to);
    void removeAsked(int index);
    void addAsked(const QPoint& global);
    void readyAsked(int index);

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    class Inside;
    EffectCard* makeCard();
    int indexOf(const EffectCard* card) const;
    void arrange();
    void moveTo(int from, int to);

    Inside* inside_;
    QPushButton* add_;
    QWidget* ready_;
    std::vector<EffectCard*> cards_; ///< Those that are used; others are kept hidden.
    std::vector<EffectCard*> spare_;
    int columns_ = 1;
};

} // namespace puretone::app
