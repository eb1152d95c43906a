// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/shelf_list.h"

#include "app/theme/theme.h"
#include "app/widgets/own_keys.h"
#include "app/widgets/wave/small_wave.h"
#include "base/quantity.h"
#include "model/making/name_note.h"
#include "pitch/series/note.h"

#include <QApplication>
#include <QDrag>
#include <QFileInfo>
#include <QKeyEvent>
#include <QMimeData>
#include <QMouseEvent>
#include <QPainter>
#include <QScrollBar>
#include <QUrl>
#include <algorithm>

namespace puretone::app {

ShelfList::ShelfList(QWidget* parent)
    : QAbstractScrollArea(parent)
{
    setFrameShape(QFrame::NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setFocusPolicy(Qt::StrongFocus);
    setProperty(turnedByPages, true);
    setAccessibleName(tr("Sounds of the folder"));
    setAccessibleDescription(
        tr("The arrows choose and play a sound, Enter brings it in as a take"));
    viewport()->setAutoFillBackground(false);
    connect(verticalScrollBar(), &QScrollBar::valueChanged, this, [this] {
        viewport()->update();
        askForLooks();
    });
}

void ShelfList::setFiles(const QStringList& paths)
{
    entries_.clear();
    entries_.reserve(std::size_t(paths.size()));
    for (const auto& path : paths) {
        const QString name = QFileInfo(path).fileName();
        const auto key = readName(name.toStdString()).key;
        entries_.push_back(
            {path, name, name.toCaseFolded(), key ? typeset(noteName(*key)) : QString()});
    }
    looks_.clear();
    asked_.clear();
    row_ = -1;
    verticalScrollBar()->setValue(0);
    arrange();
}

void ShelfList::setSearch(const QString& words)
{
    words_ = words.toCaseFolded().split(QLatin1Char(' '), Qt::SkipEmptyParts);
    const QString before = chosen();
    row_ = -1;
    arrange();
    for (std::size_t i = 0; i < shown_.size() && !before.isEmpty(); ++i)
        if (entries_[shown_[i]].path == before)
            row_ = int(i);
}

void ShelfList::arrange()
{
    shown_.clear();
    for (std::size_t i = 0; i < entries_.size(); ++i)
        if (std::all_of(words_.begin(), words_.end(),
                [&](const QString& word) { return entries_[i].folded.contains(word); }))
            shown_.push_back(i);
    verticalScrollBar()->setRange(
        0, std::max(0, int(shown_.size()) * rowHeight - viewport()->height()));
    verticalScrollBar()->setPageStep(viewport()->height());
    verticalScrollBar()->setSingleStep(rowHeight);
    viewport()->update();
    askForLooks();
}

QString ShelfList::chosen() const
{
    return row_ >= 0 && row_ < count() ? entries_[shown_[std::size_t(row_)]].path : QString();
}

QRect ShelfList::rowRect(int row) const
{
    return {0, row * rowHeight - verticalScrollBar()->value(), viewport()->width(), rowHeight};
}

void ShelfList::setLook(const QString& path, const std::optional<QuickLook>& look)
{
    constexpr std::size_t most = 4000;
    if (looks_.size() > most)
        looks_.clear();
    looks_[path] = look;
    asked_.removeAll(path);
    viewport()->update();
}

void ShelfList::askForLooks()
{
    QStringList wanted;
    const int first = verticalScrollBar()->value() / rowHeight;
    const int last = std::min(count(), first + viewport()->height() / rowHeight + 2);
    for (int row = first; row < last; ++row) {
        const QString& path = entries_[shown_[std::size_t(row)]].path;
        if (looks_.count(path) == 0)
            wanted << path;
    }
    if (wanted.isEmpty() || wanted == asked_)
        return;
    asked_ = wanted;
    emit lookWanted(wanted);
}

void ShelfList::choose(int row)
{
    if (shown_.empty())
        return;
    row = std::clamp(row, 0, count() - 1);
    if (row_ == row)
        return;
    row_ = row;
    const QRect rect = rowRect(row);
    if (rect.top() < 0)
        verticalScrollBar()->setValue(verticalScrollBar()->value() + rect.top());
    else if (rect.bottom() > viewport()->height())
        verticalScrollBar()->setValue(
            verticalScrollBar()->value() + rect.bottom() - viewport()->height() + 1);
    viewport()->update();
    emit chosenChanged(chosen());
}

void ShelfList::paintRow(QPainter& painter, QRect rect, const Entry& entry, bool isChosen) const
{
    const auto& t = Theme::tokens();
    const QRectF box = QRectF(rect).adjusted(1.0, 1.0, -1.0, -1.0);
    if (isChosen) {
        painter.setPen(QPen(t.sea, hasFocus() ? 2.2 : 1.4));
        painter.setBrush(t.well);
        painter.drawRoundedRect(box, 5.0, 5.0);
    }
    const auto look = looks_.find(entry.path);
    const bool known = look != looks_.end();
    if (known && look->second)
        paintColumns(painter, QRectF(box.left() + 6.0, box.top() + 7.0, 38.0, 24.0),
            look->second->columns, t.sea);
    const double left = box.left() + 52.0, width = box.right() - left - 4.0;
    painter.setFont(Theme::font(12, isChosen ? Theme::Weight::strong : Theme::Weight::regular));
    painter.setPen(t.ink);
    painter.drawText(QRectF(left, box.top() + 3.0, width, 17.0), Qt::AlignLeft | Qt::AlignVCenter,
        painter.fontMetrics().elidedText(entry.name, Qt::ElideMiddle, int(width)));
    painter.setFont(Theme::font(11));
    painter.setPen(known && !look->second ? t.coral : t.quietInk);
    const QString words = !known ? QString()
        : look->second           ? typeset(formatSeconds(look->second->seconds))
                                 : tr("cannot be read");
    const QRectF second(left, box.top() + 20.0, width, 15.0);
    painter.drawText(second, Qt::AlignLeft | Qt::AlignVCenter, words);
    painter.setPen(t.brass);
    painter.drawText(second, Qt::AlignRight | Qt::AlignVCenter, entry.note);
}

void ShelfList::paintEvent(QPaintEvent*)
{
    QPainter painter(viewport());
    painter.setRenderHint(QPainter::Antialiasing);
    if (shown_.empty()) {
        painter.setPen(Theme::tokens().quietInk);
        painter.setFont(Theme::font(12));
        painter.drawText(viewport()->rect().adjusted(8, 8, -8, -8),
            Qt::AlignHCenter | Qt::AlignTop | Qt::TextWordWrap,
            entries_.empty() ? tr("Choose a folder of sounds") : tr("No name holds these words"));
        return;
    }
    const int first = verticalScrollBar()->value() / rowHeight;
    const int last = std::min(count(), first + viewport()->height() / rowHeight + 2);
    for (int row = first; row < last; ++row)
        paintRow(painter, rowRect(row), entries_[shown_[std::size_t(row)]], row == row_);
}

void ShelfList::resizeEvent(QResizeEvent* event)
{
    QAbstractScrollArea::resizeEvent(event);
    arrange();
}

void ShelfList::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    pressedAt_ = event->position().toPoint();
    const int row = (pressedAt_.y() + verticalScrollBar()->value()) / rowHeight;
    if (row >= count())
        return;
    if (row == row_)
        emit chosenChanged(chosen()); // heard again
    choose(row);
}

void ShelfList::mouseMoveEvent(QMouseEvent* event)
{
    if ((event->buttons() & Qt::LeftButton) == 0 || chosen().isEmpty()
        || (event->position().toPoint() - pressedAt_).manhattanLength()
            < QApplication::startDragDistance())
        return;
    auto* drag = new QDrag(this);
    auto* sound = new QMimeData;
    sound->setUrls({QUrl::fromLocalFile(chosen())});
    sound->setData(QStringLiteral("application/x-puretone-sound"), chosen().toUtf8());
    drag->setMimeData(sound);
    drag->exec(Qt::CopyAction);
}

void ShelfList::mouseDoubleClickEvent(QMouseEvent*)
{
    if (!chosen().isEmpty())
        emit broughtIn(chosen());
}

void ShelfList::keyPressEvent(QKeyEvent* event)
{
    const int page = std::max(1, viewport()->height() / rowHeight - 1);
    switch (event->key()) {
    case Qt::Key_Down:
        choose(row_ + 1);
        break;
    case Qt::Key_Up:
        choose(row_ - 1);
        break;
    case Qt::Key_PageDown:
        choose(row_ + page);
        break;
    case Qt::Key_PageUp:
        choose(row_ - page);
        break;
    case Qt::Key_Home:
        choose(0);
        break;
    case Qt::Key_End:
        choose(count() - 1);
        break;
    case Qt::Key_Right:
        if (!chosen().isEmpty())
            emit chosenChanged(chosen()); // heard again
        break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
        if (!chosen().isEmpty())
            emit broughtIn(chosen());
        break;
    default:
        QAbstractScrollArea::keyPressEvent(event);
    }
}

void ShelfList::focusInEvent(QFocusEvent* event)
{
    QAbstractScrollArea::focusInEvent(event);
    viewport()->update();
}

} // namespace puretone::app
