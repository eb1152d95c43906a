// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/widgets/shelf_list.h"

#include <QFrame>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QToolButton>
#include <QVBoxLayout>

namespace puretone::app {

/// A folder of sounds beside the takes, folded away at first: looked through by ear before anything
/// is brought in. While it is being looked through, keys play what is chosen there.
class Shelf : public QFrame {
    Q_OBJECT

public:
    explicit Shelf(Session& session, QWidget* parent = nullptr);
    void setFolder(const QString& folder);
    void unfold(bool open);
    bool isOpen() const { return open_; }
    ShelfList* list() { return list_; }
    QLineEdit* search() { return search_; }
    /// After the document changed.
    void refresh();

signals:
    void unfolded(bool open);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void fillFrom(const QString& folder);
    void buildInside(QVBoxLayout* column);
    void chooseFolder();
    void look(const QStringList& paths);

    Session& session_;
    bool open_ = false;
    QToolButton* fold_;
    QLabel *heading_, *folderName_;
    QWidget* inside_;
    QLineEdit* search_;
    ShelfList* list_;
    QPushButton *choose_, *bring_, *replace_;
};

} // namespace puretone::app
