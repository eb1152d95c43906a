// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/widgets/fields/choice_field.h"
#include "app/widgets/fields/value_field.h"

#include <QPushButton>
#include <QVBoxLayout>

namespace puretone::app {

/// Fields, readings and buttons below one another: the details of a stop, or a part of them.
class FieldColumn : public QWidget {
    Q_OBJECT

public:
    explicit FieldColumn(QWidget* parent = nullptr);
    QVBoxLayout* column() { return column_; }

    ValueField* addField(FieldSpec spec);
    ChoiceField* addChoice(const QString& label, const QString& tip, const QStringList& words);
    /// A value that can only be read. Returns the label that shows it.
    QLabel* addReading(const QString& label, const QString& tip);
    QLabel* addHeading(const QString& text);
    QPushButton* addButton(const QString& text, const QString& tip, bool main = false);
    /// Buttons side by side.
    std::vector<QPushButton*> addButtons(
        const std::vector<std::pair<QString, QString>>& textsAndTips);
    void addRule();
    /// A part that folds away behind its title, and stays as it was left, also in the next session.
    /// @param key Names it among the settings. @param open At the very first.
    FieldColumn* addFold(const QString& title, const QString& key, bool open);

    /// Shows a folded part for now, because something in it matters; what was set by hand is kept.
    void unfold();
    /// Scrolls, once it is laid out, until all of this is seen: details are longer than the window.
    void bringIntoView() { bringIntoView(this, this); }
    /// The same for all from one to another of its parts; of what is too long, the beginning.
    static void bringIntoView(QWidget* first, QWidget* last);

signals:
    void unfolded();
    /// What was typed into a field and why it was not taken.
    void refused(const QString& sentence);

private:
    QPushButton* makeButton(const QString& text, const QString& tip);
    QVBoxLayout* column_;
};

} // namespace puretone::app
