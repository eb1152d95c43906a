// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"

#include <QButtonGroup>
#include <QPushButton>

namespace puretone::app {

/// Which part of a looped sound the keys play, and three keys to hear it at: the lowest, the root
/// and the highest of the take's range.
class HearRow : public QWidget {
    Q_OBJECT

public:
    HearRow(Session& session, QWidget* parent);
    void refresh();
    /// From the beginning again, as at every other stop.
    void reset();
    QAbstractButton* button(NoteEntry entry) { return parts_->button(int(entry)); }
    /// 0 lowest, 1 root, 2 highest.
    QPushButton* key(int which) { return keys_[std::size_t(which)]; }

private:
    void play(int which, bool down);
    /// Keys of the take's zone: lowest, root, highest; nothing without a zone.
    std::optional<std::array<int, 3>> keysOfTake() const;

    Session& session_;
    QButtonGroup* parts_;
    std::array<QPushButton*, 3> keys_{};
    std::array<HeldNote, 3> sounding_;
};

} // namespace puretone::app
