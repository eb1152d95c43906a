// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/fields/value_field.h"

#include "app/theme/theme.h"
#include "app/widgets/hand.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QMouseEvent>
#include <algorithm>
#include <cmath>

namespace puretone::app {

namespace {

constexpr double pixelsPerStep = 6.0;

/// "90" where "20 ms" stands is 90 ms: nobody means a minute and a half then, or 90 frames.
QString withShownUnit(const QString& typed, const QString& shown)
{
    const auto unit = shown.section(QLatin1Char(' '), -1);
    const bool alone = std::all_of(
        typed.begin(), typed.end(), [](QChar c) { return !c.isLetter() && c != QLatin1Char('/'); });
    return alone && (unit == QLatin1String("ms") || unit == QLatin1String("s"))
        ? typed + QLatin1Char(' ') + unit
        : typed;
}

} // namespace

void limitValueWidth(QWidget& value)
{
    constexpr int narrowest = 100, widest = 128;
    value.setMinimumWidth(narrowest);
    value.setMaximumWidth(widest);
    value.setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
}

double stepLinear(double value, double steps, double size)
{
    return value + steps * size;
}

double stepTime(double value, double steps)
{
    // Around 1 ms the steps are linear, above they are 8 % each.
    constexpr double knee = 0.001;
    return std::max(0.0, (value + knee) * std::pow(1.08, steps) - knee);
}

ValueField::ValueField(FieldSpec spec, QWidget* parent)
    : QWidget(parent)
    , spec_(std::move(spec))
    , label_(new QLabel(spec_.label, this))
    , edit_(new QLineEdit(this))
{
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(4);
    row->addWidget(label_, 1);
    row->addWidget(edit_, valueStretch);
    label_->setProperty("role", "quiet");
    label_->setToolTip(spec_.tip);
    label_->installEventFilter(this);
    label_->setVisible(!spec_.label.isEmpty());
    if (!spec_.label.isEmpty())
        limitValueWidth(*edit_);
    edit_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    edit_->setFont(Theme::font(13, Theme::Weight::medium));
    edit_->setToolTip(spec_.tip);
    edit_->setAccessibleName(spec_.label);
    edit_->setAccessibleDescription(spec_.tip);
    edit_->installEventFilter(this);
    // A press alone gives no focus: the toolkit would do so before the press is seen here, and it
    // could be neither a drag nor the click that marks all. The release gives it.
    edit_->setFocusPolicy(Qt::TabFocus);
    setFocusProxy(edit_);
    connect(edit_, &QLineEdit::editingFinished, this, &ValueField::commitTyped);
}

ValueField::~ValueField()
{
    // A line that loses its focus by being destroyed says that typing has ended, to nobody any
    // more.
    edit_->disconnect(this);
    edit_->removeEventFilter(this);
    label_->removeEventFilter(this);
}

void ValueField::setValue(double value)
{
    value_ = value;
    // What is being typed is not overwritten by what it changes elsewhere.
    if (!edit_->hasFocus() || !edit_->isModified())
        showValue();
}

void ValueField::setVarious(double value)
{
    value_ = value;
    if (edit_->hasFocus() && edit_->isModified())
        return;
    edit_->clear();
    edit_->setPlaceholderText(tr("various"));
    edit_->setModified(false);
}

void ValueField::setRange(double low, double high)
{
    spec_.low = low;
    spec_.high = high;
}

void ValueField::setEditWidth(int width)
{
    edit_->setFixedWidth(width);
}

void ValueField::setLabel(const QString& label)
{
    spec_.label = label;
    label_->setText(label_->fontMetrics().elidedText(label, Qt::ElideRight, 120));
    label_->setToolTip(label);
    edit_->setAccessibleName(label);
}

void ValueField::setFieldEnabled(bool enabled)
{
    edit_->setEnabled(enabled);
    if (enabled) {
        showValue();
        return;
    }
    edit_->clear();
    edit_->setPlaceholderText({});
}

void ValueField::showValue()
{
    const QString text = typeset(spec_.format(value_));
    edit_->setModified(false);
    if (edit_->text() == text)
        return;
    // What somebody has just marked to type over it stays marked.
    const bool all = edit_->hasSelectedText() && edit_->selectedText() == edit_->text();
    edit_->setText(text);
    if (all)
        edit_->selectAll();
}

void ValueField::commitTyped()
{
    if (!edit_->isModified())
        return;
    takeTyped();
    showValue();
    if (edit_->hasFocus())
        edit_->selectAll(); // the next value is typed over this one
}

void ValueField::takeTyped()
{
    const auto typed = spec_.parse(
        spec_.timesAsShown ? withShownUnit(edit_->text(), spec_.format(value_)) : edit_->text());
    if (!typed) {
        emit refused(
            tr("\"%1\" cannot be read as a value for \"%2\".").arg(edit_->text(), spec_.label));
        return;
    }
    // A little play, so that the shown (rounded) limit can be typed.
    const double play = 1e-3 * std::max(1e-3, std::abs(*typed));
    if (*typed < spec_.low - play || *typed > spec_.high + play) {
        emit refused(spec_.refusal.isEmpty()
                ? tr("%1 must lie between %2 and %3.")
                      .arg(spec_.label, typeset(spec_.format(spec_.low)),
                          typeset(spec_.format(spec_.high)))
                : spec_.refusal);
        return;
    }
    edit_->setModified(false);
    propose(*typed, true);
}

void ValueField::propose(double value, bool first)
{
    value = std::clamp(value, spec_.low, std::max(spec_.low, spec_.high));
    if (value == value_ && !first)
        return;
    emit edited(value, first);
}

bool ValueField::eventFilter(QObject* watched, QEvent* event)
{
    if (watched == label_ && event->type() == QEvent::MouseButtonDblClick && spec_.reset
        && edit_->isEnabled()) {
        propose(*spec_.reset, true);
        return true;
    }
    if (watched == edit_ && editEvent(event))
        return true;
    return QWidget::eventFilter(watched, event);
}

bool ValueField::editEvent(QEvent* event)
{
    if (event->type() == QEvent::KeyPress) {
        auto* key = static_cast<QKeyEvent*>(event);
        if (key->key() == Qt::Key_Up || key->key() == Qt::Key_Down) {
            const double size = key->modifiers().testFlag(Qt::ShiftModifier) ? 0.1 : 1.0;
            const bool first = !std::exchange(keyRun_, true);
            edit_->setModified(false);
            propose(spec_.step(value_, key->key() == Qt::Key_Up ? size : -size), first);
            return true;
        }
        if (key->key() == Qt::Key_Escape) {
            showValue();
            edit_->clearFocus();
            return true;
        }
        return false;
    }
    if (event->type() == QEvent::FocusOut)
        keyRun_ = false;
    auto* mouse = dynamic_cast<QMouseEvent*>(event);
    if (mouse == nullptr || !edit_->isEnabled())
        return false;
    if (event->type() == QEvent::MouseButtonPress && mouse->button() == Qt::LeftButton
        && !edit_->hasFocus()) {
        pressed_ = true;
        dragging_ = false;
        pressY_ = mouse->globalPosition().y();
        dragFrom_ = value_;
        return true;
    }
    // The menu of the right button, and what the middle one pastes, are for a field in use.
    if (event->type() == QEvent::MouseButtonPress && !edit_->hasFocus()) {
        edit_->setFocus(Qt::MouseFocusReason);
        edit_->selectAll();
        return false;
    }
    if (event->type() == QEvent::MouseMove && pressed_) {
        const double pull = pressY_ - mouse->globalPosition().y();
        if (!dragging_ && std::abs(pull) < dragThreshold)
            return true;
        const bool first = !std::exchange(dragging_, true);
        const double size = mouse->modifiers().testFlag(Qt::ShiftModifier) ? 0.1 : 1.0;
        propose(spec_.step(dragFrom_, size * pull / pixelsPerStep), first);
        return true;
    }
    if (event->type() == QEvent::MouseButtonRelease && pressed_) {
        pressed_ = false;
        if (!dragging_) {
            edit_->setFocus(Qt::MouseFocusReason);
            edit_->selectAll();
        }
        return true;
    }
    return false;
}

} // namespace puretone::app
