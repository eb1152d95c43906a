// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QTimer>

namespace puretone::app {

/// One line between bench and keys: what just happened, or how far something has got.
class MessageBar : public QWidget {
    Q_OBJECT

public:
    explicit MessageBar(QWidget* parent = nullptr);
    /// @param details Shown as a list on request, one line each.
    void say(const QString& sentence, bool trouble, const QStringList& details = {});
    /// Why something that was typed has no effect: soon of no interest any more.
    void refuse(const QString& why);
    void showProgress(const QString& what, bool cancellable);
    void setProgress(double share);
    void endProgress();
    QString text() const { return text_->text(); }
    /// Whether what it says is trouble, which stays until it is closed.
    bool tells() const { return !close_->isHidden(); }
    const QStringList& details() const { return details_; }

signals:
    void cancelled();

private:
    QLabel* text_;
    QProgressBar* progress_;
    void showDetails();
    QStringList details_;
    QPushButton *cancel_, *close_, *which_;
    QString doing_; ///< What the progress is about.
    QTimer hide_;
};

} // namespace puretone::app
