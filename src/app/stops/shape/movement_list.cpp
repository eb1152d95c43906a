// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/shape/movement_list.h"

#include "app/theme/theme.h"
#include "base/quantity.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QScrollArea>
#include <QStyle>

namespace puretone::app {

namespace {

constexpr std::size_t remembered = 60; // looks, of thirty a second

} // namespace

SourceLine::SourceLine(QWidget* parent)
    : QWidget(parent)
{
    setFixedSize(68, 20);
    setAttribute(Qt::WA_TransparentForMouseEvents);
}

void SourceLine::push(float value)
{
    const bool still = values_.size() == remembered
        && std::all_of(values_.begin(), values_.end(), [&](float v) { return v == value; });
    if (still)
        return;
    values_.push_back(value);
    if (values_.size() > remembered)
        values_.pop_front();
    update();
}

void SourceLine::paintEvent(QPaintEvent*)
{
    const auto& t = Theme::tokens();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const QRectF area = QRectF(rect()).adjusted(1.0, 3.0, -1.0, -3.0);
    const double low = twoSided_ ? -1.0 : 0.0;
    const auto yOf = [&](double value) {
        return area.bottom() - (std::clamp(value, low, 1.0) - low) / (1.0 - low) * area.height();
    };
    painter.setPen(QPen(t.line, 1.0));
    painter.drawLine(QPointF(area.left(), yOf(0.0)), QPointF(area.right(), yOf(0.0)));
    QPolygonF line;
    const double step = area.width() / double(remembered - 1);
    double x = area.right() - step * (double(values_.size()) - 1.0);
    for (const float value : values_) {
        line << QPointF(x, yOf(double(value)));
        x += step;
    }
    painter.setPen(QPen(t.heather, 1.6));
    painter.drawPolyline(line);
}

MovementRow::MovementRow(QWidget* parent)
    : QFrame(parent)
    , line_(new SourceLine(this))
    , on_(new QPushButton(this))
    , remove_(new QPushButton(QStringLiteral("\u00d7"), this))
    , source_(new QLabel(this))
    , verb_(new QLabel(this))
    , by_(new QLabel(this))
    , amount_(new ValueField(amountSpec(), this))
{
    setProperty("role", "row");
    setFocusPolicy(Qt::StrongFocus);
    setFixedHeight(28);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(6, 0, 6, 0);
    row->setSpacing(7);
    on_->setCheckable(true);
    on_->setFixedSize(16, 16);
    on_->setProperty("kind", "dot");
    on_->setToolTip(tr("Switches this movement on and off"));
    on_->setAccessibleName(tr("Movement on"));
    remove_->setProperty("kind", "plain");
    remove_->setFixedSize(22, 22);
    remove_->setToolTip(tr("Takes this movement away"));
    remove_->setAccessibleName(tr("Take movement away"));
    source_->setFont(Theme::font(12, Theme::Weight::strong));
    for (auto* quiet : {verb_, by_}) {
        quiet->setProperty("role", "quiet");
        quiet->setMinimumWidth(10);
    }
    amount_->setFixedWidth(104);
    if (auto* edit = amount_->findChild<QLineEdit*>())
        edit->setAccessibleName(tr("How far it moves"));
    row->addWidget(on_);
    row->addWidget(line_);
    row->addWidget(source_);
    row->addWidget(verb_);
    row->addWidget(amount_);
    row->addWidget(by_, 1);
    row->addWidget(remove_);
    connect(on_, &QPushButton::clicked, this, &MovementRow::switched);
    connect(remove_, &QPushButton::clicked, this, &MovementRow::removed);
    connect(amount_, &ValueField::edited, this, &MovementRow::amountEdited);
}

FieldSpec MovementRow::amountSpec()
{
    FieldSpec spec;
    spec.tip = tr("How far it moves; drag it, or type");
    spec.format = [this](double value) {
        Movement shown = movement_;
        shown.amount = value;
        return typeset(amountText(shown));
    };
    spec.parse = [this](const QString& text) -> std::optional<double> {
        QString plain = text;
        plain.remove(QChar(0x00b1))
            .remove(QLatin1Char('+'))
            .replace(QChar(0x2212), QLatin1Char('-'));
        const auto& facts = factsOf(movement_.target);
        plain = plain.trimmed();
        for (const auto& unit : {QString(facts.unit), said(facts.unit), QStringLiteral("%")})
            if (!unit.isEmpty() && plain.endsWith(unit, Qt::CaseInsensitive))
                plain.chop(unit.size());
        const auto number = parseNumber(plain.trimmed().toStdString(), "");
        return number ? std::optional(*number / facts.scale) : std::nullopt;
    };
    spec.step = [this](double value, double steps) {
        const auto& facts = factsOf(movement_.target);
        return std::clamp(value + steps * facts.most / 100.0, -facts.most, facts.most);
    };
    return spec;
}

void MovementRow::setMovement(
    const Layer& layer, const Effects& effects, const Movement& movement, bool chosen)
{
    movement_ = movement;
    const auto said = sentenceOf(layer, movement, effects);
    const auto& facts = factsOf(movement.target);
    amount_->setRange(-facts.most, facts.most);
    amount_->setValue(movement.amount);
    source_->setText(typeset(said.source));
    verb_->setText(QString::fromStdString(said.verb));
    by_->setText(typeset(said.by));
    on_->setChecked(movement.on);
    line_->setTwoSided(isTwoSided(movement.source));
    setAccessibleName(typeset(said.whole()));
    if (property("chosen").toBool() != chosen) {
        setProperty("chosen", chosen);
        style()->unpolish(this); // reads the property again
        style()->polish(this);
    }
    for (auto* part : {source_, verb_, by_})
        part->setEnabled(movement.on);
}

void MovementRow::mousePressEvent(QMouseEvent* event)
{
    emit chosen();
    QFrame::mousePressEvent(event);
}

void MovementRow::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter)
        emit chosen();
    else if (event->key() == Qt::Key_Delete)
        emit removed();
    else
        QFrame::keyPressEvent(event);
}

MovementList::MovementList(QWidget* parent)
    : QWidget(parent)
    , column_(new QVBoxLayout)
    , empty_(new QLabel(tr("Nothing moves by itself yet."), this))
    , sentence_(new QLineEdit(this))
    , learn_(new QPushButton(tr("Learn"), this))
    , add_(new QPushButton(tr("Add a movement\u2026"), this))
{
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(0, 0, 0, 0);
    all->setSpacing(4);
    auto* title = new QHBoxLayout;
    auto* heading = new QLabel(tr("What moves"), this);
    heading->setFont(Theme::font(13, Theme::Weight::strong));
    title->addWidget(heading);
    title->addSpacing(12);
    sentence_->setPlaceholderText(tr("or write it: wheel cutoff 2 oct"));
    sentence_->setToolTip(
        tr("A source, what it moves, how far: sine 0.3 Hz cutoff 0.6 oct by wheel"));
    sentence_->setAccessibleName(tr("A movement as a sentence"));
    sentence_->setMaximumWidth(270);
    learn_->setCheckable(true);
    learn_->setToolTip(
        tr("Touch a value at the right, then move a controller: from then on it moves that value"));
    add_->setToolTip(tr("Choose what moves, and what is moved"));
    title->addStretch(1);
    title->addWidget(sentence_, 1);
    title->addWidget(learn_);
    title->addWidget(add_);
    all->addLayout(title);
    auto* scroll = new QScrollArea(this);
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setFocusPolicy(Qt::NoFocus);
    scroll->setAccessibleName(tr("Movements"));
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    auto* inside = new QWidget(scroll);
    column_->setContentsMargins(0, 0, 4, 0);
    column_->setSpacing(3);
    inside->setLayout(column_);
    empty_->setProperty("role", "quiet");
    column_->addWidget(empty_);
    column_->addStretch(1);
    scroll->setWidget(inside);
    all->addWidget(scroll, 1);
    connect(sentence_, &QLineEdit::returnPressed, this, [this] {
        if (!sentence_->text().trimmed().isEmpty())
            emit typed(sentence_->text());
    });
    connect(learn_, &QPushButton::toggled, this, &MovementList::learnAsked);
    connect(add_, &QPushButton::clicked, this,
        [this] { emit addAsked(add_->mapToGlobal(QPoint(0, add_->height()))); });
}

MovementRow* MovementList::makeRow(int index)
{
    auto* row = new MovementRow(this);
    column_->insertWidget(index, row);
    connect(row, &MovementRow::chosen, this, [this, index] { emit chosen(index); });
    connect(row, &MovementRow::switched, this, [this, index] { emit switched(index); });
    connect(row, &MovementRow::removed, this, [this, index] { emit removed(index); });
    connect(row, &MovementRow::amountEdited, this,
        [this, index](double amount, bool first) { emit amountEdited(index, amount, first); });
    return row;
}

void MovementList::setMovements(const Layer& layer, const Effects& effects, int chosen)
{
    shown_ = int(layer.movements.size());
    while (int(rows_.size()) < shown_)
        rows_.push_back(makeRow(int(rows_.size())));
    for (int i = 0; i < int(rows_.size()); ++i) {
        auto* row = rows_[std::size_t(i)];
        row->setVisible(i < shown_);
        if (i < shown_)
            row->setMovement(layer, effects, layer.movements[std::size_t(i)], i == chosen);
    }
    empty_->setVisible(shown_ == 0);
}

void MovementList::showNow(const std::array<float, mostMovements>& values)
{
    for (int i = 0; i < shown_ && i < int(values.size()); ++i)
        rows_[std::size_t(i)]->push(values[std::size_t(i)]);
}

} // namespace puretone::app
