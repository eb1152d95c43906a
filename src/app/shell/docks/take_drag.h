// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"

#include <QTemporaryDir>
#include <QWidget>
#include <optional>

namespace puretone::app {

/// Takes that are dragged out of the window: as WAV files with root and loop inside, which other
/// programs may copy; they go with this one. They are written beside the window, since a long one
/// takes its time; one that is ready before the button comes up is dragged at once.
class TakeDrag : public QObject {
    Q_OBJECT

public:
    TakeDrag(Session& session, QWidget* source);
    void begin(TakeId id);
    /// The file that stands for the take as it is now; empty where there is none yet.
    QString fileOf(const Take& take) const;

private:
    void drag();

    Session& session_;
    QWidget* source_;
    std::optional<QTemporaryDir> folder_; ///< Made for the first one.
    struct Ready {
        Take take; ///< Without its sound, which nobody is to keep for this.
        std::weak_ptr<const Audio> sound;
        QString file;
    };
    std::optional<Ready> ready_; ///< The last one.
};

} // namespace puretone::app
