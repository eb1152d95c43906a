// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/sound_stop.h"

#include "app/theme/theme.h"
#include "base/quantity.h"
#include "engine/prepared.h"
#include "prepare/kept_part.h"

#include <QMenu>
#include <QPainter>

namespace puretone::app {

namespace {

/// Handles of the pieces' borders: start and end of piece n are firstBorder + 2 n and the next.
constexpr int firstBorder = 100;
/// More borders than this cannot be grabbed one by one; zoom in or change the quiet line.
constexpr std::size_t mostBorders = 200;

} // namespace

SoundStop::SoundStop(Session& s, QWidget* parent)
    : WaveBench(s, tr("Sound"), parent)
{
    const auto rateNow = [this] { return rate(); };
    start_ = addField(framesField(tr("Start"),
        tr("Where the kept part begins: on the first move of the attack"), rateNow, true));
    end_ = addField(framesField(
        tr("End"), tr("Where the kept part ends: where the decay meets the noise"), rateNow, true));
    fadeIn_ = addField(secondsField(tr("Fade in"),
        tr("A short slope at the start, so that it does not click"), 0.0, 60.0, Fades().inSeconds));
    fadeOut_ = addField(secondsField(tr("Fade out"),
        tr("A short slope at the end; not heard while the sound loops"), 0.0, 60.0,
        Fades().outSeconds));
    addRule();
    length_ = addReading(tr("Length"), tr("Of the kept part"));
    level_ = addReading(tr("Level"), tr("Highest peak of the kept part"));
    loudness_ = addReading(tr("Loudness"), tr("Of the kept part, after EBU R 128"));
    format_ = addReading(tr("Recording"), tr("Channels and frames per second of the file"));
    addRule();
    propose_ = new QPushButton(tr("Propose"), this);
    propose_->setToolTip(
        tr("Put start and end where the attack begins and the decay meets the noise"));
    whole_ = new QPushButton(tr("Keep all"), this);
    whole_->setToolTip(tr("The whole recording, from the first frame to the last"));
    auto* pair = new QHBoxLayout;
    pair->addWidget(propose_);
    pair->addWidget(whole_);
    details()->addLayout(pair);
    addRule();
    addSplitFields();
    details()->addStretch(1);
    open_ = addButton(
        tr("Open another recording"), tr("WAV, AIFF, FLAC, Ogg, Opus or MP3 (Ctrl+O)"), true);

    connectToTake(start_, tr("Move start"),
        [](Take& t, double f) { t.kept = withKeptStart(t.kept, std::llround(f)); });
    connectToTake(end_, tr("Move end"), [](Take& t, double f) {
        t.kept = withKeptEnd(t.kept, std::llround(f), t.audio().frames());
    });
    connectToTake(fadeIn_, tr("Change fade in"), [](Take& t, double v) { t.fades.inSeconds = v; });
    connectToTake(
        fadeOut_, tr("Change fade out"), [](Take& t, double v) { t.fades.outSeconds = v; });
    connect(propose_, &QPushButton::clicked, this, [this] {
        session().editTake(tr("Propose kept part"), [](Take& t) {
            if (const auto kept = proposeKept(t.audio(), t.name))
                t.kept = *kept;
        });
    });
    connect(whole_, &QPushButton::clicked, this, [this] {
        session().editTake(tr("Keep all"), [](Take& t) {
            t.kept = {Frames{0}, Frames{t.audio().frames()}};
        });
    });
    connect(open_, &QPushButton::clicked, this, &SoundStop::openAsked);
    connect(wave(), &WaveView::handleMoved, this, [this](int id, qint64 frame, bool first) {
        if (id >= firstBorder)
            moveSplitBorder(id, frame);
        else
            moveHandle(id, frame, first);
    });
    connect(wave(), &WaveView::handleCancelled, this, [this] { abandonGesture(); });
    connect(wave(), &WaveView::stretchAsked, this, [this](qint64 frame) {
        const Take* t = session().take();
        if (t == nullptr)
            return;
        if (auto split = session().splitProposal()) {
            // A piece under the pointer is wanted or not.
            for (auto& piece : split->pieces)
                if (frame >= piece.span.start.value && frame < piece.span.end.value)
                    piece.sliver = !piece.sliver;
            session().changeSplit(*split);
            return;
        }
        const bool inside = frame >= t->kept.start.value && frame < t->kept.end.value;
        wave()->fit(inside ? t->kept : Span{Frames{0}, Frames{t->audio().frames()}});
    });
    wave()->setOverlay([this](QPainter& p, const WaveGeometry& g) {
        paintFades(p, g);
        paintSplit(p, g);
    });
}

void SoundStop::moveHandle(int id, qint64 frame, bool first)
{
    session().editTake(
        id == keptStart ? tr("Move start") : tr("Move end"),
        [&](Take& t) {
            t.kept = id == keptStart ? withKeptStart(t.kept, frame)
                                     : withKeptEnd(t.kept, frame, t.audio().frames());
        },
        gesture(first));
}

void SoundStop::addSplitFields()
{
    addHeading(tr("Split this recording"));
    quietLine_ = addField(decibelField(tr("Quiet line"),
        tr("Below it nothing sounds; found by itself until you set it"), -90.0, 0.0, -60.0));
    shortest_ = addField(secondsField(tr("Shortest"),
        tr("Shorter pieces are slivers and left out, unless they are loud"), 0.005, 5.0,
        SplitOptions().shortestSeconds));
    splitAt_ = addChoice(tr("Pieces end"),
        tr("In the noise, where each note has died away; or where the next one begins"),
        {tr("in the noise"), tr("at the next")});
    namedBy_ = addChoice(tr("Named by"),
        tr("Each piece by the pitch that is read from it; or by a first note and a step, and what "
           "reads differently is marked"),
        {tr("their pitch"), tr("a row of notes")});
    const auto naming = [this] { return session().naming(); };
    firstKey_ = addField(keyField(tr("First note"), tr("The root key of the first piece"), naming));
    keyStep_ = addField(countField(
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
    findNotes_ = addButton(tr("Find notes"),
        tr("Shows where this recording of many notes would be cut; nothing is made yet"));
    // What to do with a proposal stands where it is looked at.
    splitRow_ = new QWidget(this);
    auto* row = new QHBoxLayout(splitRow_);
    row->setContentsMargins(8, 0, 8, 0);
    splitText_ = new QLabel(splitRow_);
    splitText_->setWordWrap(true);
    forget_ = new QPushButton(tr("Do not split"), splitRow_);
    forget_->setToolTip(tr("Takes the proposal away"));
    makeTakes_ = new QPushButton(splitRow_);
    makeTakes_->setProperty("kind", "main");
    makeTakes_->setToolTip(
        tr("Each piece becomes a take around its own root; all share the one recording"));
    row->addWidget(splitText_, 1);
    row->addWidget(forget_);
    row->addWidget(makeTakes_);
    bench()->addWidget(splitRow_);
    connect(findNotes_, &QPushButton::clicked, this, &SoundStop::askForSplit);
    connect(makeTakes_, &QPushButton::clicked, this, [this] {
        session().makeSplit(namedBy_->index() == 1 ? std::optional(series_) : std::nullopt);
    });
    connect(wave(), &WaveView::menuAsked, this, &SoundStop::showSplitMenu);
    connect(forget_, &QPushButton::clicked, this, [this] {
        splitOptions_ = {};
        session().forgetSplit();
    });
    connect(quietLine_, &ValueField::edited, this, [this](double level, bool) {
        splitOptions_.quietLineDb = level;
        askForSplit();
    });
    connect(shortest_, &ValueField::edited, this, [this](double seconds, bool) {
        splitOptions_.shortestSeconds = seconds;
        askForSplit();
    });
    connect(splitAt_, &ChoiceField::chosen, this, [this](int index) {
        splitOptions_.onsetsOnly = index == 1;
        askForSplit();
    });
}

void SoundStop::askForSplit()
{
    shortest_->setValue(splitOptions_.shortestSeconds);
    session().proposeSplit(splitOptions_);
}

void SoundStop::showSplitMenu(qint64 frame, const QPoint& place)
{
    const auto split = session().splitProposal();
    if (!split)
        return;
    const auto& pieces = split->pieces;
    const auto here = std::find_if(pieces.begin(), pieces.end(),
        [&](const Piece& p) { return frame >= p.span.start.value && frame < p.span.end.value; });
    QMenu menu(this);
    const auto& audio = session().take()->audio();
    menu.addAction(here == pieces.end() ? tr("Begin a piece here") : tr("Cut here"), this, [&] {
        session().changeSplit(withCut(*split, Frames{frame}, Frames{audio.frames()}, audio.rate));
    });
    if (here != pieces.end()) {
        const auto index = std::size_t(here - pieces.begin());
        auto* join = menu.addAction(tr("Join with the next"), this,
            [&, index] { session().changeSplit(withJoined(*split, index)); });
        join->setEnabled(index + 1 < pieces.size());
        menu.addAction(here->sliver ? tr("Take it in") : tr("Leave it out"), this, [&, index] {
            auto changed = *split;
            changed.pieces[index].sliver = !changed.pieces[index].sliver;
            session().changeSplit(changed);
        });
        menu.addAction(tr("Remove"), this, [&, index] {
            auto changed = *split;
            changed.pieces.erase(changed.pieces.begin() + std::ptrdiff_t(index));
            session().changeSplit(changed);
        });
    }
    menu.exec(place);
}

void SoundStop::moveSplitBorder(int id, qint64 frame)
{
    auto split = session().splitProposal();
    const auto index = std::size_t(id - firstBorder) / 2;
    if (!split || index >= split->pieces.size())
        return;
    auto& pieces = split->pieces;
    Span& span = pieces[index].span;
    const auto frames = session().take()->audio().frames();
    // Pieces never overlap: a border stops at its neighbour's.
    if ((id - firstBorder) % 2 == 0) {
        const auto least = index > 0 ? pieces[index - 1].span.end.value : 0;
        span.start.value = std::clamp<std::int64_t>(frame, least, span.end.value - shortestTake);
    } else {
        const auto most = index + 1 < pieces.size() ? pieces[index + 1].span.start.value : frames;
        span.end.value = std::clamp<std::int64_t>(frame, span.start.value + shortestTake, most);
    }
    session().changeSplit(*split);
}

void SoundStop::paintSplit(QPainter& painter, const WaveGeometry& g)
{
    const auto& split = session().splitProposal();
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

void SoundStop::refreshSplit(bool has)
{
    const auto& split = session().splitProposal();
    for (auto* field : {quietLine_, shortest_})
        field->setFieldEnabled(has);
    splitAt_->setFieldEnabled(has);
    namedBy_->setFieldEnabled(has);
    firstKey_->setVisible(namedBy_->index() == 1);
    keyStep_->setVisible(namedBy_->index() == 1);
    firstKey_->setValue(series_.firstKey);
    keyStep_->setValue(series_.step);
    findNotes_->setEnabled(has);
    splitRow_->setVisible(has && split);
    shortest_->setValue(splitOptions_.shortestSeconds);
    splitAt_->setIndex(splitOptions_.onsetsOnly ? 1 : 0);
    if (!split) {
        quietLine_->setValue(splitOptions_.quietLineDb.value_or(-60.0));
        return;
    }
    quietLine_->setValue(splitOptions_.quietLineDb.value_or(split->quietLineDb));
    const auto slivers = std::count_if(
        split->pieces.begin(), split->pieces.end(), [](const Piece& p) { return p.sliver; });
    const auto notes = std::int64_t(split->pieces.size()) - slivers;
    QString text = notes == 1 ? tr("1 note") : tr("%1 notes").arg(notes);
    if (slivers > 0)
        text += slivers == 1 ? tr("; a sliver is left out")
                             : tr("; %1 slivers are left out").arg(slivers);
    splitText_->setText(text
        + tr(". Drag borders; double-click leaves a piece out; the right button cuts and joins."));
    makeTakes_->setText(notes == 1 ? tr("Make 1 take") : tr("Make %1 takes").arg(notes));
    makeTakes_->setEnabled(notes > 0);
}

void SoundStop::paintFades(QPainter& painter, const WaveGeometry& g)
{
    const Take* take = session().take();
    if (take == nullptr)
        return;
    const auto fades = fadePlan(*take);
    QPolygonF slope;
    for (double x = g.area.left(); x <= g.area.right(); x += 1.0) {
        const double frame = g.frameAt(x);
        if (frame < double(take->kept.start.value) || frame > double(take->kept.end.value))
            continue;
        const double gain = double(fades.at(frame));
        if (gain < 0.999)
            slope << QPointF(x, g.area.center().y() - gain * 0.48 * g.area.height());
        else if (!slope.isEmpty()) {
            painter.setPen(QPen(Theme::tokens().ink, 1.6));
            painter.drawPolyline(slope);
            slope.clear();
        }
    }
    painter.setPen(QPen(Theme::tokens().ink, 1.6));
    painter.drawPolyline(slope);
}

void SoundStop::refresh()
{
    const bool has = showSound();
    refreshSplit(has);
    for (auto* field : {start_, end_, fadeIn_, fadeOut_})
        field->setFieldEnabled(has);
    propose_->setEnabled(has);
    whole_->setEnabled(has);
    open_->setText(has ? tr("Open another recording") : tr("Open a recording"));
    for (auto* label : {length_, level_, loudness_, format_})
        label->clear();
    if (!has)
        return;
    const Take& take = *session().take();
    const auto frames = double(take.audio().frames());
    start_->setRange(0.0, double(take.kept.end.value - shortestTake));
    end_->setRange(double(take.kept.start.value + shortestTake), frames);
    start_->setValue(double(take.kept.start.value));
    end_->setValue(double(take.kept.end.value));
    fadeIn_->setValue(take.fades.inSeconds);
    fadeOut_->setValue(take.fades.outSeconds);
    length_->setText(typeset(formatSeconds(double(take.kept.length()) / take.rate())));
    if (const auto peaks = session().peaks()) {
        float top = 0.0f;
        for (std::size_t c = 0; c < take.audio().channelCount(); ++c) {
            const auto e = peaks->extent(c, take.kept);
            top = std::max({top, e.high, -e.low});
        }
        level_->setText(typeset(formatDecibels(toDecibels(double(top))) + " peak"));
    }
    if (session().loudness())
        loudness_->setText(typeset(formatNumber(session().loudness()->value, 1) + " LUFS"));
    const auto channels = take.audio().channelCount();
    format_->setText((channels == 1          ? tr("mono")
                             : channels == 2 ? tr("stereo")
                                             : tr("%1 channels").arg(channels))
        + tr(", %1 kHz").arg(QString::number(take.rate() / 1000.0, 'g', 4)));

    const auto note = [this](const QString& name) {
        return [this, name](double frame) {
            return tr("%1 %2").arg(name, QString::fromStdString(formatPosition(frame / rate())));
        };
    };
    const auto& sea = Theme::tokens().sea;
    using Grip = WaveHandle::Grip;
    std::vector<WaveHandle> handles;
    const auto& split = session().splitProposal();
    if (!split) {
        handles.push_back({keptStart, double(take.kept.start.value), tr("Start"), sea, Grip::bottom,
            true, true, note(tr("start"))});
        handles.push_back({keptEnd, double(take.kept.end.value), tr("End"), sea, Grip::bottom, true,
            true, note(tr("end"))});
    } else if (2 * split->pieces.size() <= mostBorders) {
        for (std::size_t i = 0; i < split->pieces.size(); ++i) {
            const Span span = split->pieces[i].span;
            const int id = firstBorder + 2 * int(i);
            handles.push_back({id, double(span.start.value), tr("Piece %1 start").arg(i + 1), sea,
                Grip::bottom, true, false, note(tr("start"))});
            handles.push_back({id + 1, double(span.end.value), tr("Piece %1 end").arg(i + 1), sea,
                Grip::bottom, false, false, note(tr("end"))});
        }
    }
    wave()->setHandles(std::move(handles));
}

} // namespace puretone::app
