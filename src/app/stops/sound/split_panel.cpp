// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/sound/split_panel.h"

#include "app/stops/stop_view.h"
#include "app/theme/theme.h"

#include <QMenu>
#include <QPainter>

namespace puretone::app {

namespace {

/// More borders than this cannot be grabbed one by one; zoom in or change the quiet line.
constexpr std::size_t mostBorders = 200;

} // namespace

SplitPanel::SplitPanel(Session& session, WaveView* wave, QWidget* parent)
    : QObject(parent)
    , session_(session)
    , fields_(new FieldColumn(parent))
{
    buildFields();
    buildRow(parent);
    connect(findNotes_, &QPushButton::clicked, this, &SplitPanel::ask);
    connect(makeTakes_, &QPushButton::clicked, this, [this] {
        session_.splitting().make(namedBy_->index() == 1 ? std::optional(series_) : std::nullopt);
    });
    connect(forget_, &QPushButton::clicked, this, [this] {
        options_ = {};
        session_.splitting().keepAsOne();
    });
    connect(show_, &QPushButton::clicked, &session_.splitting(), &Splitting::showNotesInside);
    connect(quietLine_, &ValueField::edited, this, [this](double level, bool) {
        options_.quietLineDb = level;
        ask();
    });
    connect(shortest_, &ValueField::edited, this, [this](double seconds, bool) {
        options_.shortestSeconds = seconds;
        ask();
    });
    connect(piecesEnd_, &ChoiceField::chosen, this, [this](int index) {
        options_.onsetsOnly = index == 1;
        ask();
    });
    connect(cutAt_, &ChoiceField::chosen, this, [this](int index) {
        options_.silencesOnly = index == 1;
        ask();
    });
    connect(wave, &WaveView::menuAsked, this, &SplitPanel::showMenu);
}

void SplitPanel::buildFields()
{
    fields_->addHeading(tr("Split this recording"));
    quietLine_ = fields_->addField(decibelField(tr("Quiet line"),
        tr("Below it nothing sounds; found by itself until you set it"), -90.0, 0.0, -60.0));
    shortest_ = fields_->addField(secondsField(tr("Shortest"),
        tr("Shorter pieces are slivers and left out, unless they are loud"), 0.005, 5.0,
        SplitOptions().shortestSeconds));
    cutAt_ = fields_->addChoice(tr("Cut at"),
        tr("Silences, and wherever something new begins; or silences alone, for notes that beat or "
           "swell"),
        {tr("all beginnings"), tr("silences")});
    piecesEnd_ = fields_->addChoice(tr("Pieces end"),
        tr("In the noise, where each note has died away; or where the next one begins"),
        {tr("in the noise"), tr("at the next")});
    namedBy_ = fields_->addChoice(tr("Named by"),
        tr("Each piece by the pitch that is read from it; or by a first note and a step, and what "
           "reads differently is marked"),
        {tr("their pitch"), tr("a row of notes")});
    const auto naming = [this] { return session_.naming(); };
    firstKey_ = fields_->addField(
        keyField(tr("First note"), tr("The root key of the first piece"), naming));
    keyStep_ = fields_->addField(countField(
        tr("Every"), tr("Semitones from one piece to the next; may be negative"), -24, 24, 1));
    connect(firstKey_, &ValueField::edited, this, [this](double key, bool) {
        series_.firstKey = int(std::lround(key));
        firstKey_->setValue(key);
    });
    connect(keyStep_, &ValueField::edited, this, [this](double step, bool) {
        series_.step = int(std::lround(step));
        keyStep_->setValue(step);
    });
    connect(namedBy_, &ChoiceField::chosen, this, [this] { refresh(); });
    findNotes_ = fields_->addButton(tr("Find notes"),
        tr("Shows where this recording of many notes would be cut; nothing is made yet"));
}

void SplitPanel::buildRow(QWidget* parent)
{
    // What to do with a proposal stands where it is looked at.
    row_ = new QWidget(parent);
    auto* row = new QHBoxLayout(row_);
    row->setContentsMargins(8, 0, 8, 0);
    text_ = new QLabel(row_);
    text_->setWordWrap(true);
    forget_ = new QPushButton(row_);
    show_ = new QPushButton(tr("Show the split"), row_);
    show_->setProperty("kind", "main");
    show_->setToolTip(tr("Shows where it would be cut; nothing is made yet"));
    makeTakes_ = new QPushButton(row_);
    makeTakes_->setProperty("kind", "main");
    makeTakes_->setToolTip(
        tr("Each piece becomes a take around its own root; all share the one recording"));
    row->addWidget(text_, 1);
    row->addWidget(forget_);
    row->addWidget(show_);
    row->addWidget(makeTakes_);
}

void SplitPanel::ask()
{
    shortest_->setValue(options_.shortestSeconds);
    session_.splitting().propose(options_);
}

void SplitPanel::showMenu(qint64 frame, const QPoint& place)
{
    const auto split = session_.splitting().proposal();
    if (!split)
        return;
    const auto& pieces = split->pieces;
    const auto here = std::find_if(pieces.begin(), pieces.end(),
        [&](const Piece& p) { return frame >= p.span.start.value && frame < p.span.end.value; });
    QMenu menu(row_);
    const auto& audio = session_.take()->audio();
    menu.addAction(here == pieces.end() ? tr("Begin a piece here") : tr("Cut here"), this, [&] {
        session_.splitting().change(
            withCut(*split, Frames{frame}, Frames{audio.frames()}, audio.rate), true);
    });
    if (here != pieces.end()) {
        const auto index = std::size_t(here - pieces.begin());
        auto* join = menu.addAction(tr("Join with the next"), this,
            [&, index] { session_.splitting().change(withJoined(*split, index), true); });
        join->setEnabled(index + 1 < pieces.size());
        menu.addAction(here->sliver ? tr("Take it in") : tr("Leave it out"), this, [&, index] {
            auto changed = *split;
            changed.pieces[index].sliver = !changed.pieces[index].sliver;
            session_.splitting().change(changed, true);
        });
        menu.addAction(tr("Remove"), this, [&, index] {
            auto changed = *split;
            changed.pieces.erase(changed.pieces.begin() + std::ptrdiff_t(index));
            session_.splitting().change(changed, true);
        });
    }
    menu.exec(place);
}

void SplitPanel::moveBorder(int id, qint64 frame, bool first)
{
    auto split = session_.splitting().proposal();
    const auto index = std::size_t(id - firstBorder) / 2;
    if (!split || index >= split->pieces.size())
        return;
    auto& pieces = split->pieces;
    Span& span = pieces[index].span;
    const auto frames = session_.take()->audio().frames();
    // Pieces never overlap: a border stops at its neighbour's.
    if ((id - firstBorder) % 2 == 0) {
        const auto least = index > 0 ? pieces[index - 1].span.end.value : 0;
        span.start.value = std::clamp<std::int64_t>(frame, least, span.end.value - shortestTake);
    } else {
        const auto most = index + 1 < pieces.size() ? pieces[index + 1].span.start.value : frames;
        span.end.value = std::clamp<std::int64_t>(frame, span.start.value + shortestTake, most);
    }
    session_.splitting().change(*split, first);
}

void SplitPanel::switchPiece(qint64 frame)
{
    auto split = session_.splitting().proposal();
    if (!split)
        return;
    for (auto& piece : split->pieces)
        if (frame >= piece.span.start.value && frame < piece.span.end.value)
            piece.sliver = !piece.sliver;
    session_.splitting().change(*split, true);
}

std::vector<WaveHandle> SplitPanel::handles(
    const std::function<QString(const QString&, double)>& note)
{
    std::vector<WaveHandle> handles;
    const auto& split = session_.splitting().proposal();
    if (!split || 2 * split->pieces.size() > mostBorders)
        return handles;
    const auto& sea = Theme::tokens().sea;
    using Grip = WaveHandle::Grip;
    const auto named = [&](const QString& name) {
        return [note, name](double frame) { return note(name, frame); };
    };
    for (std::size_t i = 0; i < split->pieces.size(); ++i) {
        const Span span = split->pieces[i].span;
        const int id = firstBorder + 2 * int(i);
        handles.push_back({id, double(span.start.value), tr("Piece %1 start").arg(i + 1), sea,
            Grip::bottom, true, false, named(tr("start"))});
        handles.push_back({id + 1, double(span.end.value), tr("Piece %1 end").arg(i + 1), sea,
            Grip::bottom, false, false, named(tr("end"))});
    }
    return handles;
}

void SplitPanel::paint(QPainter& painter, const WaveGeometry& g)
{
    const auto& split = session_.splitting().proposal();
    if (!split)
        return;
    const auto& t = Theme::tokens();
    int number = 0;
    for (const auto& piece : split->pieces) {
        const double left = g.xOf(double(piece.span.start.value));
        const double right = g.xOf(double(piece.span.end.value));
        number += piece.sliver ? 0 : 1;
        const QRectF box = QRectF(QPointF(left, g.area.top()), QPointF(right, g.area.bottom()))
                               .intersected(g.area);
        if (box.isEmpty())
            continue;
        QColor shade = piece.sliver ? t.faded : t.sea;
        shade.setAlpha(piece.sliver ? 90 : 46);
        painter.setPen(QPen(
            piece.sliver ? t.quietInk : t.sea, 1.2, piece.sliver ? Qt::DashLine : Qt::SolidLine));
        painter.setBrush(shade);
        painter.drawRect(box);
        const QString name = piece.sliver ? tr("sliver") : QString::number(number);
        painter.setFont(Theme::font(12, Theme::Weight::strong));
        const QRectF chip(box.left() + 3.0, box.top() + 3.0,
            painter.fontMetrics().horizontalAdvance(name) + 10.0, 18.0);
        if (chip.right() > box.right())
            continue; // too narrow for its number
        painter.setPen(Qt::NoPen);
        painter.setBrush(t.panel);
        painter.drawRoundedRect(chip, 4.0, 4.0);
        painter.setPen(piece.sliver ? t.quietInk : t.sea);
        painter.drawText(chip, Qt::AlignCenter, name);
    }
}

void SplitPanel::meet(const Take* take)
{
    if (take == nullptr || take->recording->hash == recording_)
        return;
    recording_ = take->recording->hash;
    options_ = {};
    namedBy_->setIndex(0);
}

void SplitPanel::refresh()
{
    const bool has = session_.take() != nullptr;
    meet(session_.take());
    const auto& split = session_.splitting().proposal();
    for (auto* field : {quietLine_, shortest_})
        field->setFieldEnabled(has);
    cutAt_->setFieldEnabled(has);
    piecesEnd_->setFieldEnabled(has);
    namedBy_->setFieldEnabled(has);
    firstKey_->setVisible(namedBy_->index() == 1);
    keyStep_->setVisible(namedBy_->index() == 1);
    firstKey_->setValue(series_.firstKey);
    keyStep_->setValue(series_.step);
    findNotes_->setEnabled(has);
    row_->setVisible(has && (split || session_.splitting().notesInside() > 1));
    show_->setVisible(!split);
    makeTakes_->setVisible(split.has_value());
    shortest_->setValue(options_.shortestSeconds);
    cutAt_->setIndex(options_.silencesOnly ? 1 : 0);
    piecesEnd_->setIndex(options_.onsetsOnly ? 1 : 0);
    if (!std::exchange(proposed_, split.has_value()) && split)
        fields_->bringIntoView(); // what stubborn cases need
    if (!split) {
        quietLine_->setValue(options_.quietLineDb.value_or(-60.0));
        showQuestion();
        return;
    }
    showProposal(*split);
}

void SplitPanel::showQuestion()
{
    text_->setText(tr("This recording holds %1 notes. Each can become a take on its own keys.")
                       .arg(session_.splitting().notesInside()));
    forget_->setText(tr("Keep it as one"));
    forget_->setToolTip(tr("It is one take; you are not asked again"));
}

void SplitPanel::showProposal(const SplitResult& split)
{
    quietLine_->setValue(options_.quietLineDb.value_or(split.quietLineDb));
    const auto slivers = std::count_if(
        split.pieces.begin(), split.pieces.end(), [](const Piece& p) { return p.sliver; });
    const auto notes = std::int64_t(split.pieces.size()) - slivers;
    QString text = notes == 1 ? tr("1 note") : tr("%1 notes").arg(notes);
    if (slivers > 0)
        text += slivers == 1 ? tr("; a sliver is left out")
                             : tr("; %1 slivers are left out").arg(slivers);
    forget_->setText(tr("Do not split"));
    forget_->setToolTip(tr("Takes the proposal away"));
    text_->setText(text
        + tr(". Drag borders; double-click leaves a piece out; the right button cuts and joins."));
    makeTakes_->setText(notes == 1 ? tr("Make 1 take") : tr("Make %1 takes").arg(notes));
    makeTakes_->setEnabled(notes > 0);
}

} // namespace puretone::app
