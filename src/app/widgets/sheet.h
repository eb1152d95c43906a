// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <QPixmap>
#include <QPushButton>
#include <QVBoxLayout>

namespace puretone::app {

/// A question or a list on top of the window: a card with an edge of its own, in the window's own
/// type. Esc leaves it.
class Sheet : public QDialog {
    Q_OBJECT

public:
    Sheet(QWidget* parent, const QString& title);
    QVBoxLayout* content() { return content_; }
    /// One line or several, wrapped.
    void addText(const QString& text);
    /// The buttons stand at the right, in the order in which they are added; pressing one closes
    /// the sheet. @param main What Enter does.
    QPushButton* addButton(const QString& text, bool main = false);
    /// Shows it and waits. @return The button that was pressed, or null.
    QPushButton* ask();

protected:
    void showEvent(QShowEvent* event) override;
    void paintEvent(QPaintEvent* event) override;

private:
    QVBoxLayout* content_;
    QHBoxLayout* buttons_;
    QPushButton* pressed_ = nullptr;
    QPixmap under_; ///< What the window shows behind it.
};

} // namespace puretone::app
