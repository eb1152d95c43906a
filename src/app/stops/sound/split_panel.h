// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/widgets/fields/field_column.h"
#include "app/widgets/wave/wave_view.h"
#include "prepare/split/split.h"

namespace puretone::app {

/// How one recording of many notes becomes many takes: the values for the details, the row below
/// the wave that says what would be made, and the pieces' borders on the wave itself.
class SplitPanel : public QObject {
    Q_OBJECT

public:
    /// Handles of the pieces' borders: start and end of piece n are firstBorder + 2 n and the next.
    static constexpr int firstBorder = 100;

    SplitPanel(Session& session, WaveView* wave, QWidget* parent);
    QWidget* row() { return row_; }
    FieldColumn* fields() { return fields_; }
    void refresh();
    std::vector<WaveHandle> handles(const std::function<QString(const QString&, double)>& note);
    void moveBorder(int handle, qint64 frame, bool first);
    /// Takes the piece at `frame` in or leaves it out.
    void switchPiece(qint64 frame);
    void paint(QPainter& painter, const WaveGeometry& geometry);

private:
    void buildFields();
    void buildRow(QWidget* parent);
    void ask();
    /// What was set for one recording says nothing of another.
    void meet(const Take* take);
    void showMenu(qint64 frame, const QPoint& place);
    void showProposal(const SplitResult& split);
    void showQuestion();

    Session& session_;
    QWidget* row_; ///< Below the wave while a split is proposed, or might be.
    FieldColumn* fields_;
    ValueField *quietLine_, *shortest_;
    ChoiceField *cutAt_, *piecesEnd_, *namedBy_;
    ValueField *firstKey_, *keyStep_;
    QLabel* text_;
    QPushButton *findNotes_, *makeTakes_, *forget_, *show_;
    NoteSeries series_;
    SplitOptions options_;
    std::string recording_; ///< Hash of the one that they were set for.
    bool proposed_ = false; ///< A split is shown.
};

} // namespace puretone::app
