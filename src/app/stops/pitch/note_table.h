// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "pitch/series/note.h"

#include <QFrame>
#include <QLineEdit>
#include <QTableWidget>

namespace puretone::app {

/// All keys with number, name and frequency, to look things up; closes by itself.
class NoteTable : public QFrame {
    Q_OBJECT

public:
    explicit NoteTable(QWidget* parent = nullptr);
    /// @param key Shown first.
    void setNotes(const Naming& naming, Hz a4, int key);
    QLineEdit* search() { return search_; }
    QTableWidget* table() { return table_; }

private:
    void find(const QString& text);

    QLineEdit* search_;
    QTableWidget* table_;
    Naming naming_;
    Hz a4_ = concertPitch;
};

} // namespace puretone::app
