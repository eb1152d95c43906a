// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"

#include <QCheckBox>
#include <QLabel>
#include <QPushButton>

namespace puretone::app {

/// A file's name that can be dragged out of the window once the file is there.
class FileLabel : public QLabel {
    Q_OBJECT

public:
    explicit FileLabel(QWidget* parent = nullptr);
    /// None: nothing to drag.
    void setFiles(const QList<QUrl>& files);

protected:
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;

private:
    QList<QUrl> files_;
    QPoint pressedAt_;
};

/// One product of an export: whether it is written, what it will be, file by file, what it lacks,
/// and what was found after writing it.
class ExportRow : public QWidget {
    Q_OBJECT

public:
    ExportRow(Session& session, Product product, QWidget* parent = nullptr);
    void refresh();

private:
    QString useText(const ProductPlan& plan) const;
    void showFiles(const ProductPlan& plan);
    void showReport();

    Session& session_;
    Product product_;
    QCheckBox* tick_;
    FileLabel* name_;
    QLabel *size_, *use_, *said_, *lost_, *files_, *report_;
    QPushButton* all_; ///< Shows every file.
    bool allShown_ = false;
};

} // namespace puretone::app
