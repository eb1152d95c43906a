// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/stop_view.h"
#include "formats/regions.h"

#include <QCheckBox>
#include <QGridLayout>

namespace puretone::app {

/// Take it away: what will be written, file by file, and what was checked after writing.
class ExportStop final : public StopView {
    Q_OBJECT

public:
    explicit ExportStop(Session& session, QWidget* parent = nullptr);
    void refresh() override;
    /// The folder that files go to.
    QString folder() const { return folder_->text(); }
    void setFolder(const QString& folder);
    /// Writes every ticked format, in the background.
    void writeTicked();

signals:
    void saveAsked();

private:
    struct Row {
        FileKind kind;
        QCheckBox* tick;
        QLabel *file, *size, *report;
        QLabel* lost; ///< What the format does not carry.
    };
    QString pathOf(const Row& row) const;
    void addRow(FileKind kind, int line);
    bool mayReplace();
    void report(const Row& row, const Result<Written>& result);

    QGridLayout* grid_;
    std::vector<Row> rows_;
    QLineEdit *folder_, *name_;
    QPushButton *write_, *save_;
    QLabel* summary_;
};

} // namespace puretone::app
