// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QPushButton>
#include <deque>
#include <functional>

namespace puretone::app {

/// Something that can be taken up: stands until it is taken up, refused or put off, whatever else
/// is said meanwhile.
struct Offer {
    QString sentence;
    QString action;
    std::function<void()> take;
    QString refusal; ///< Empty where it can only be put off.
    std::function<void()> refuse;
    bool comesAgain = true; ///< At the next start, where it was put off.
    std::function<bool()> stands =
        nullptr; ///< False as soon as there is nothing to offer any more.
};

/// A line of its own above the messages; hidden while there is nothing to offer. Several offers
/// stand in turn.
class OfferBar : public QWidget {
    Q_OBJECT

public:
    explicit OfferBar(QWidget* parent = nullptr);
    void add(Offer offer);
    /// Takes away what does not stand any more.
    void look();
    QString text() const { return offers_.empty() ? QString() : offers_.front().sentence; }

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void next();
    void showFirst();

    std::deque<Offer> offers_;
    QLabel* text_;
    QPushButton *take_, *refuse_, *later_;
};

} // namespace puretone::app
