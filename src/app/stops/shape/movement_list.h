// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/widgets/fields/value_field.h"
#include "model/words/movement_words.h"

#include <QFrame>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>
#include <deque>

namespace puretone::app {

/// What a source did in the last two seconds, as a line.
class SourceLine : public QWidget {
    Q_OBJECT

public:
    explicit SourceLine(QWidget* parent = nullptr);
    void push(float value);
    void setTwoSided(bool twoSided) { twoSided_ = twoSided; }
    QSize sizeHint() const override { return {68, 20}; }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    std::deque<float> values_;
    bool twoSided_ = false;
};

/// One movement as a sentence: what its source does right now, what moves what, how far.
class MovementRow : public QFrame {
    Q_OBJECT

public:
    explicit MovementRow(QWidget* parent = nullptr);
    void setMovement(
        const Layer& layer, const Effects& effects, const Movement& movement, bool chosen);
    void push(float value) { line_->push(value); }

signals:
    void chosen();
    void switched();
    void removed();
    void amountEdited(double amount, bool first);

protected:
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    FieldSpec amountSpec();

    Movement movement_;
    SourceLine* line_;
    QPushButton *on_, *remove_;
    QLabel *source_, *verb_, *by_;
    ValueField* amount_;
};

/// The movements of a layer, below one another; the last line adds one, by choice or by a typed
/// sentence. Shows and reports; changes nothing.
class MovementList : public QWidget {
    Q_OBJECT

public:
    explicit MovementList(QWidget* parent = nullptr);
    void setMovements(const Layer& layer, const Effects& effects, int chosen);
    /// What moves each of them now.
    void showNow(const std::array<float, mostMovements>& values);
    MovementRow* row(int index) { return rows_.at(std::size_t(index)); }
    int count() const { return shown_; }
    QLineEdit* sentence() { return sentence_; }
    QPushButton* learnButton() { return learn_; }
    QPushButton* addButton() { return add_; }

signals:
    void chosen(int index);
    void switched(int index);
    void removed(int index);
    void amountEdited(int index, double amount, bool first);
    void typed(const QString& sentence);
    void addAsked(const QPoint& globalPlace);
    void learnAsked(bool on);

private:
    MovementRow* makeRow(int index);

    QVBoxLayout* column_;
    QLabel* empty_;
    std::vector<MovementRow*> rows_;
    int shown_ = 0;
    QLineEdit* sentence_;
    QPushButton *learn_, *add_;
};

} // namespace puretone::app
