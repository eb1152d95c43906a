// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>

namespace puretone::app {

/// Label and a choice among a few words, in the same row as a ValueField.
class ChoiceField : public QWidget {
    Q_OBJECT

public:
    ChoiceField(const QString& label, const QString& tip, const QStringList& words,
        QWidget* parent = nullptr);
    void setIndex(int index);
    /// Other words in their place; nothing is chosen by that.
    void setWords(const QStringList& words);
    int index() const { return box_->currentIndex(); }
    void setFieldEnabled(bool enabled) { box_->setEnabled(enabled); }

signals:
    void chosen(int index);

private:
    QComboBox* box_;
};

} // namespace puretone::app
