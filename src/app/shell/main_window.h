// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/session/settings.h"
#include "app/shell/docks/device_panel.h"
#include "app/shell/docks/keys_dock.h"
#include "app/shell/docks/shelf.h"
#include "app/shell/docks/take_drag.h"
#include "app/shell/message_bar.h"
#include "app/shell/offer_bar.h"
#include "app/stops/stop_view.h"
#include "app/theme/theme.h"
#include "app/widgets/path_bar.h"
#include "app/widgets/take_list.h"

#include <QLineEdit>
#include <QMenu>
#include <QPointer>
#include <QStackedWidget>
#include <QTimer>
#include <QToolButton>

namespace puretone::app {

/// The one window: path, bench and details of the current stop, messages, keys dock.
class MainWindow : public QWidget {
    Q_OBJECT

public:
    explicit MainWindow(QWidget* parent = nullptr);
    ~MainWindow() override;

    Session& session() { return session_; }
    TakeDrag& takeDrag() { return takeDrag_; }
    KeysDock* dock() { return dock_; }
    PathBar* path() { return path_; }
    MessageBar* messages() { return messages_; }
    OfferBar* offers() { return offers_; }
    TakeList* takes() { return takes_; }
    Shelf* shelf() { return shelf_; }
    StopView* stop(Stop stop) { return stops_[std::size_t(stop)]; }
    void goTo(Stop stop);
    void setThemeWish(settings::ThemeWish wish);
    /// The desktop wants dark or light windows from now on, which matters where it is followed.
    void followDesktop(bool dark);
    /// Opens the output that was used last, or the best one there is. Says so when it is simulated.
    void startDevices(const std::string& outputId = {});
    /// Opens the record panel, or starts and stops recording where it is open.
    void record();
    /// Offers what a program that was killed left behind: unsaved instruments, recordings.
    void offerUnfinished();
    /// At the very first start: says what to press, and opens the demo instrument.
    void welcome(bool opensDemo);
    /// What the program is given when it starts: one file is opened, several join as takes.
    void openFiles(const QStringList& paths);
    /// Asks for a name where there is none. False when none was given.
    bool save();

protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    void closeEvent(QCloseEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;
    void changeEvent(QEvent* event) override;

private:
    static constexpr int sideWidth = 200; ///< Of the names, left of the path.

    void buildHead(QVBoxLayout* column);
    void buildStops();
    void buildTakes(QHBoxLayout* row);
    void refreshTakes();
    void chooseTake(TakeId id);
    void commitTyping();
    bool leavesUndoToUs(QObject* watched, QEvent* event) const;
    bool wantsKey(const QWidget& target, const QKeyEvent& key) const;
    void foldTakes(bool folded);
    void buildActions();
    void fillRecent();
    void openDialog();
    bool saveAs();
    QString agreedPath(const Instrument& instrument, const QString& path);
    QString askForFile(const QString& proposal);
    bool maySkip(const History::Unsaved& document);
    void choosePreset(
        const QString& path, const QStringList& joining, const std::vector<BankPreset>& presets);
    void offerNames(LayerId layer, const std::vector<TakeId>& those, std::size_t of);
    void offerNoises(LayerId layer, const std::vector<TakeId>& those, std::size_t of);
    void offerLeft(const std::shared_ptr<const LeftBehind>& left);
    void keepPlayed();
    void refresh();
    void tick();
    bool mayDiscard();

    Session session_;
    QLabel *name_, *takeName_;
    QToolButton *menu_, *undo_, *redo_;
    PathBar* path_;
    QStackedWidget* bench_;
    QMenu* recent_;
    Shelf* shelf_;
    QFrame* takesCard_;
    TakeList* takes_;
    QWidget* takesScroll_;
    QLabel* takesHeading_;
    QToolButton* foldTakes_;
    bool takesFolded_ = false;
    std::array<StopView*, allStops.size()> stops_{};
    MessageBar* messages_;
    OfferBar* offers_;
    KeysDock* dock_;
    DevicePanel* devices_;
    QTimer ticker_;
    QPointer<QLineEdit> doneWith_; ///< Has the focus, but what is typed is not for it any more.
    TakeDrag takeDrag_{session_, this};
};

} // namespace puretone::app
