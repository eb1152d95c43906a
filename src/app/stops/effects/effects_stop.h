// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/effects/chain_view.h"
#include "app/stops/effects/effect_panel.h"
#include "app/stops/effects/limiter_strip.h"
#include "app/stops/effects/print_panel.h"

namespace puretone::app {

/// Colour what is heard, and print it: the chain as cards, the limiter at its end, what a print
/// will be, and what was just played.
class EffectsStop final : public StopView {
    Q_OBJECT

public:
    explicit EffectsStop(Session& session, QWidget* parent = nullptr);
    void refresh() override;
    void showHeard(const Engine::Meter& heard, std::array<std::uint64_t, 2> down) override;
    ChainView* chain() { return chain_; }
    PrintPanel* print() { return print_; }
    /// Adds an effect at the end and chooses it.
    void add(EffectKind kind);
    /// A ready chain takes the place of the one that there is.
    void useReady(int index);

private:
    void addLimiter();
    void addAmounts();
    void connectChain();
    void move(int from, int to);
    void remove(int index);
    void printOntoTake();
    int indexOfChosen() const;
    void refreshAmounts();

    ChainView* chain_;
    PrintPanel* print_;
    EffectPanel* effect_;
    LimiterStrip* limiter_;
    QPushButton* limits_;
    QLabel* limited_;
    QPushButton* onto_;
    FieldColumn* amounts_;
    std::vector<ValueField*> amountOf_;
};

} // namespace puretone::app
