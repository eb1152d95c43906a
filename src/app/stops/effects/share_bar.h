// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

namespace puretone::app {

/// A share from 0 to 100 % as a bar that is dragged, with its number beside it.
class ShareBar : public QWidget {
    Q_OBJECT

public:
    explicit ShareBar(const QString& label, QWidget* parent = nullptr);
    void setShare(double share);
    double share() const { return share_; }
    /// Where a share stands, in the widget.
    double xOf(double share) const;
    QSize sizeHint() const override { return {140, 18}; }

signals:
    void dragged(double share, bool first);
    void cancelled(); ///< Esc while it is dragged.

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    QRectF bar() const;
    QString label_;
    double labelWidth_ = 0.0;
    double share_ = 0.0;
    double pressX_ = 0.0, pressShare_ = 0.0;
    bool pressed_ = false, dragging_ = false;
};

} // namespace puretone::app
