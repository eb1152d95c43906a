// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/export/export_row.h"
#include "app/stops/stop_view.h"

#include <QLineEdit>

namespace puretone::app {

class ExportFields;

/// Take it away: what will be written, file by file and to the byte, and what was found after
/// writing.
class ExportStop final : public StopView {
    Q_OBJECT

public:
    explicit ExportStop(Session& session, QWidget* parent = nullptr);
    void refresh() override;
    /// The folder that files go to.
    QString folder() const { return folder_->text(); }
    void setFolder(const QString& folder);
    /// Writes every ticked format, in the background.
    void writeTicked() { session().exporting().write(); }

signals:
    void saveAsked();

protected:
    void hideEvent(QHideEvent* event) override;

private:
    void buildReady();
    void buildName();
    void buildFoot();
    bool mayReplace();

    std::vector<QPushButton*> ready_;
    std::vector<ExportRow*> rows_;
    QLineEdit *folder_, *name_;
    ExportFields* fields_;
    QPushButton *hear_, *write_, *save_;
    QLabel* summary_;
};

} // namespace puretone::app
