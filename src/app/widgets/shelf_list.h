// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/files/quick_look.h"

#include <QAbstractScrollArea>
#include <map>
#include <optional>
#include <vector>

namespace puretone::app {

/// The sounds of a folder: small waves, names, lengths, notes where names say them. Ten thousand of
/// them are no more work than those that are seen. Arrow keys choose, Enter brings in, dragging
/// takes a sound elsewhere.
class ShelfList : public QAbstractScrollArea {
    Q_OBJECT

public:
    explicit ShelfList(QWidget* parent = nullptr);
    void setFiles(const QStringList& paths);
    /// Shows those whose names hold all of these words.
    void setSearch(const QString& words);
    /// What was found out about a file; nothing where it is no sound.
    void setLook(const QString& path, const std::optional<QuickLook>& look);
    int count() const { return int(shown_.size()); }
    QString chosen() const;
    void choose(int row);
    QRect rowRect(int row) const;

signals:
    void chosenChanged(const QString& path);
    void broughtIn(const QString& path);
    /// Rows have come into sight that nobody has looked at.
    void lookWanted(const QStringList& paths);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;

private:
    static constexpr int rowHeight = 40;
    struct Entry {
        QString path, name, folded; ///< The name in small letters.
        QString note; ///< That the name says.
    };
    void arrange();
    void askForLooks();
    void paintRow(QPainter& painter, QRect rect, const Entry& entry, bool isChosen) const;

    std::vector<Entry> entries_;
    std::vector<std::size_t> shown_; ///< Indices of those that the search leaves.
    QStringList words_;
    std::map<QString, std::optional<QuickLook>> looks_;
    QStringList asked_;
    int row_ = -1;
    QPoint pressedAt_;
};

} // namespace puretone::app
