// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/layer_list.h"

#include "app/theme/theme.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <utility>

namespace puretone::app {

LayerList::LayerList(QWidget* parent)
    : QWidget(parent)
{
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Layers"));
    setToolTip(tr("Click a layer to work on it; its dot switches it. F2 renames, Enter switches, "
                  "Alt with the arrows moves, Delete removes."));
}

void LayerList::setLayers(const std::vector<Layer>& layers, LayerId shown)
{
    layers_ = layers;
    shown_ = shown;
    setFixedHeight(std::max(1, sizeHint().height()));
    update();
}

QRectF LayerList::rowRect(std::size_t index) const
{
    return {0.0, double(index) * rowHeight, double(width()), rowHeight - 3.0};
}

QRectF LayerList::switchRect(std::size_t index) const
{
    const QRectF row = rowRect(index);
    return {row.left() + 4.0, row.top(), 26.0, row.height()};
}

int LayerList::rowAt(QPointF position) const
{
    for (std::size_t i = 0; i < layers_.size(); ++i)
        if (rowRect(i).contains(position))
            return int(i);
    return -1;
}

int LayerList::shownRow() const
{
    for (std::size_t i = 0; i < layers_.size(); ++i)
        if (layers_[i].id == shown_)
            return int(i);
    return -1;
}

namespace {

QString whatItPlays(const Layer& layer)
{
    const auto count = int(layer.zones.size());
    const QString zones = count == 0 ? LayerList::tr("no keys yet")
        : count == 1                 ? LayerList::tr("1 take")
                                     : LayerList::tr("%1 takes").arg(count);
    switch (layer.when) {
    case SoundsWhen::release:
        return LayerList::tr("on release, %1").arg(zones);
    case SoundsWhen::phraseStart:
        return LayerList::tr("phrase start, %1").arg(zones);
    case SoundsWhen::phraseOn:
        return LayerList::tr("in a phrase, %1").arg(zones);
    case SoundsWhen::press:
        break;
    }
    return zones;
}

} // namespace

void LayerList::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    for (std::size_t i = 0; i < layers_.size(); ++i) {
        const auto& layer = layers_[i];
        const QRectF rect = rowRect(i).adjusted(1.0, 1.0, -1.0, -1.0);
        const bool here = layer.id == shown_;
        if (here) {
            painter.setPen(QPen(t.sea, hasFocus() ? 2.5 : 1.6));
            painter.setBrush(t.well);
            painter.drawRoundedRect(rect, 5.0, 5.0);
        }
        const QPointF dot = switchRect(i).center();
        painter.setPen(QPen(layer.on ? t.sea : t.quietInk, 1.6));
        painter.setBrush(layer.on ? QBrush(t.sea) : QBrush(Qt::NoBrush));
        painter.drawEllipse(dot, 5.0, 5.0);
        const QString plays = whatItPlays(layer);
        painter.setFont(Theme::font(11));
        const double wide = painter.fontMetrics().horizontalAdvance(plays) + 10.0;
        painter.setPen(t.quietInk);
        painter.drawText(
            rect.adjusted(0.0, 0.0, -8.0, 0.0), Qt::AlignRight | Qt::AlignVCenter, plays);
        const QRectF name(
            rect.left() + 32.0, rect.top(), rect.width() - 40.0 - wide, rect.height());
        painter.setFont(Theme::font(13, here ? Theme::Weight::strong : Theme::Weight::regular));
        painter.setPen(layer.on ? t.ink : t.quietInk);
        painter.drawText(name, Qt::AlignLeft | Qt::AlignVCenter,
            painter.fontMetrics().elidedText(
                QString::fromStdString(layer.name), Qt::ElideRight, int(name.width())));
    }
}

void LayerList::mousePressEvent(QMouseEvent* event)
{
    const int row = rowAt(event->position());
    if (row < 0 || event->button() != Qt::LeftButton)
        return;
    const auto& layer = layers_[std::size_t(row)];
    if (switchRect(std::size_t(row)).contains(event->position()))
        emit switched(layer.id, !layer.on);
    else
        emit chosen(layer.id);
}

void LayerList::mouseDoubleClickEvent(QMouseEvent* event)
{
    const int row = rowAt(event->position());
    if (row >= 0 && !switchRect(std::size_t(row)).contains(event->position()))
        rename(row);
}

void LayerList::rename(int row)
{
    const auto& layer = layers_[std::size_t(row)];
    delete std::exchange(editor_, new QLineEdit(QString::fromStdString(layer.name), this));
    editor_->setAccessibleName(tr("Name of the layer"));
    editor_->setMaxLength(60);
    editor_->setGeometry(rowRect(std::size_t(row)).adjusted(28.0, 1.0, -2.0, -1.0).toRect());
    editor_->selectAll();
    editor_->show();
    editor_->setFocus();
    connect(editor_, &QLineEdit::editingFinished, this, [this, id = layer.id] {
        auto* editor = std::exchange(editor_, nullptr);
        if (editor == nullptr)
            return;
        const QString name = editor->text().trimmed();
        editor->hide();
        editor->deleteLater();
        setFocus();
        if (!name.isEmpty())
            emit renamed(id, name);
    });
}

void LayerList::keyPressEvent(QKeyEvent* event)
{
    const int row = shownRow();
    const int step = event->key() == Qt::Key_Down ? 1 : event->key() == Qt::Key_Up ? -1 : 0;
    if (editor_ != nullptr && event->key() == Qt::Key_Escape) {
        std::exchange(editor_, nullptr)->deleteLater();
        setFocus();
    } else if (row < 0) {
        QWidget::keyPressEvent(event);
    } else if (step != 0 && (event->modifiers() & Qt::AltModifier) != 0) {
        emit moveAsked(shown_, step);
    } else if (step != 0 && row + step >= 0 && row + step < int(layers_.size())) {
        emit chosen(layers_[std::size_t(row + step)].id);
    } else if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) {
        emit switched(shown_, !layers_[std::size_t(row)].on);
    } else if (event->key() == Qt::Key_F2) {
        rename(row);
    } else if (event->key() == Qt::Key_Delete) {
        emit removeAsked(shown_);
    } else {
        QWidget::keyPressEvent(event);
    }
}

} // namespace puretone::app
