// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/signal/peaks.h"
#include "engine/offline/print.h"

#include <QObject>
#include <QTimer>

namespace puretone::app {

class Session;

/// Prints notes of the instrument into takes and files, beside the window, and shows beforehand
/// what a print will be. Session::derivedChanged tells when that has come.
class Printing : public QObject {
    Q_OBJECT

public:
    explicit Printing(Session& session);
    /// What is printed next. Until its key is set by hand, it is the root of the take on screen.
    PrintPlan plan() const;
    void setPlan(const PrintPlan& plan);

    /// Looked at: the picture is made anew a moment after every change.
    void wantLook();
    /// Null where there is nothing, or not yet.
    const std::shared_ptr<const PeakPyramid>& look() const { return look_; }
    /// Why there is none; empty while it is being made.
    const QString& obstacle() const { return obstacle_; }
    /// Whether the picture is of the instrument as it is now.
    bool lookIsNew() const { return wanted_ == shown_; }

    /// Prints into a new take on a layer of its own.
    void print();
    void printAnew(TakeId take);
    /// Many keys, into takes on one layer.
    void printMany(const PrintMany& many);
    /// The same into files of a folder, named by their notes.
    void printFiles(const PrintMany& many, const QString& folder);
    /// What printFiles() writes, whether it stands there or not.
    QStringList filesOf(const PrintMany& many, const QString& folder) const;
    void stop();
    bool busy() const;
    /// 0 to 1.
    double share() const { return share_; }

signals:
    void progressed();

private:
    struct Made {
        Print print;
        std::string name;
        RecordingPtr recording;
    };
    void makeLook();
    std::string nameOf(const PrintPlan& plan) const;
    std::vector<std::string> namesOf(const std::vector<Print>& prints) const;
    /// @param done Gets what was printed, in the order of the plans.
    void run(std::vector<Print> prints, std::function<void(const std::vector<Made>&)> done);

    Session& session_;
    PrintPlan plan_;
    bool keyByHand_ = false;
    QTimer soon_;
    std::optional<Print> wanted_, shown_; ///< What a look is of.
    std::shared_ptr<const PeakPyramid> look_;
    QString obstacle_;
    double share_ = 0.0;
};

} // namespace puretone::app
