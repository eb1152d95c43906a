// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/sound/sound_stop.h"

#include "app/theme/theme.h"
#include "base/quantity.h"
#include "engine/program/prepared.h"
#include "prepare/kept_part.h"

#include <QPainter>

namespace puretone::app {

SoundStop::SoundStop(Session& s, QWidget* parent)
    : WaveBench(s, tr("Sound"), parent)
    , treatments_(new TreatmentPanel(s, this))
    , split_(new SplitPanel(s, wave(), this))
    , recording_(new RecordPanel(s, this))
{
    bench()->addWidget(treatments_->bench());
    bench()->addWidget(split_->row());
    bench()->addWidget(recording_);
    const auto ways =
        details()->addButtons({{tr("Open…"), tr("WAV, AIFF, FLAC, Ogg, Opus or MP3 (Ctrl+O)")},
            {tr("Record…"), tr("Listens to an input and records it as another take (Ctrl+R)")}});
    open_ = ways[0];
    record_ = ways[1];
    record_->setCheckable(true);
    details()->addRule();
    details()->column()->addWidget(treatments_->fields());
    addKeptFields();
    details()->addRule();
    details()->column()->addWidget(split_->fields());
    for (auto* part : {treatments_->fields(), split_->fields()})
        connect(part, &FieldColumn::refused, details(), &FieldColumn::refused);
    details()->column()->addStretch(1);
    connect(record_, &QPushButton::toggled, recording_, &RecordPanel::open);
    connect(recording_, &RecordPanel::openChanged, this, [this](bool on) {
        record_->setChecked(on);
        refresh();
    });
    connectKeptFields();
    connect(open_, &QPushButton::clicked, this, &SoundStop::openAsked);
    connect(wave(), &WaveView::handleMoved, this, [this](int id, qint64 frame, bool first) {
        if (id >= SplitPanel::firstBorder)
            split_->moveBorder(id, frame, first);
        else
            moveHandle(id, frame, first);
    });
    connect(wave(), &WaveView::handleCancelled, this, [this](int id) {
        if (id >= SplitPanel::firstBorder)
            session().splitting().abandon();
        else
            abandonGesture();
    });
    connect(wave(), &WaveView::stretchAsked, this, &SoundStop::askedStretch);
    wave()->setOverlay([this](QPainter& p, const WaveGeometry& g) {
        paintFades(p, g);
        split_->paint(p, g);
    });
}

void SoundStop::addKeptFields()
{
    const auto rateNow = [this] { return rate(); };
    start_ = details()->addField(framesField(tr("Start"),
        tr("Where the kept part begins: on the first move of the attack"), rateNow, true));
    end_ = details()->addField(framesField(
        tr("End"), tr("Where the kept part ends: where the decay meets the noise"), rateNow, true));
    const QStringList shapes{tr("straight"), tr("soft"), tr("early"), tr("late")};
    fadeIn_ = details()->addField(secondsField(tr("Fade in"),
        tr("A short slope at the start, so that it does not click; 0 for none"), 0.0, 60.0,
        Fades().inSeconds));
    fadeInShape_ = details()->addChoice(tr("Curve in"),
        tr("How the fade in grows: evenly, slowly at both ends, fast at first, slow at first"),
        shapes);
    fadeOut_ = details()->addField(secondsField(tr("Fade out"),
        tr("A short slope at the end; not heard while the sound loops; 0 for none"), 0.0, 60.0,
        Fades().outSeconds));
    fadeOutShape_ = details()->addChoice(tr("Curve out"),
        tr("The way back to silence, seen from the end: evenly, slowly at both ends, fast or slow "
           "at the very end"),
        shapes);
    details()->addRule();
    length_ = details()->addReading(tr("Length"), tr("Of the kept part"));
    level_ = details()->addReading(tr("Level"), tr("Highest peak of the kept part"));
    loudness_ = details()->addReading(tr("Loudness"), tr("Of the kept part, after EBU R 128"));
    format_ =
        details()->addReading(tr("Recording"), tr("Channels and frames per second of the file"));
    details()->addRule();
    const auto pair = details()->addButtons(
        {{tr("Propose"),
             tr("Put start and end where the attack begins and the decay meets the "
                "noise")},
            {tr("Keep all"), tr("The whole recording, from the first frame to the last")}});
    propose_ = pair[0];
    whole_ = pair[1];
}

void SoundStop::connectKeptFields()
{
    connect(start_, &ValueField::edited, this, [this](double frame, bool first) {
        trim(tr("Move start"), first,
            [&](const Take& t) { return withKeptStart(t.kept, std::llround(frame)); });
    });
    connect(end_, &ValueField::edited, this, [this](double frame, bool first) {
        trim(tr("Move end"), first, [&](const Take& t) {
            return withKeptEnd(t.kept, std::llround(frame), t.audio().frames());
        });
    });
    atRest_.setSingleShot(true);
    connect(&atRest_, &QTimer::timeout, this, [this] {
        const Take* take = session().take();
        if (take == nullptr || trimmed_->take != take->id || trimmed_->kept != take->kept)
            return;
        // One syllable of a line has a note of its own.
        session().treating().hearAgain(session().keyOf(*take), trimmed_->gesture);
        if (trimmed_->gaveWay)
            session().looping().find(trimmed_->gesture);
    });
    connectToTake(fadeIn_, tr("Change fade in"), [](Take& t, double v) { t.fades.inSeconds = v; });
    connectToTake(
        fadeOut_, tr("Change fade out"), [](Take& t, double v) { t.fades.outSeconds = v; });
    connect(fadeInShape_, &ChoiceField::chosen, this, [this](int index) {
        session().editTake(
            tr("Shape fade in"), [index](Take& t) { t.fades.inShape = FadeShape(index); });
    });
    connect(fadeOutShape_, &ChoiceField::chosen, this, [this](int index) {
        session().editTake(
            tr("Shape fade out"), [index](Take& t) { t.fades.outShape = FadeShape(index); });
    });
    connect(propose_, &QPushButton::clicked, this, &SoundStop::proposeKeptPart);
    connect(whole_, &QPushButton::clicked, this, [this] {
        trim(tr("Keep all"), true, [](const Take& t) {
            return Span{Frames{0}, Frames{t.audio().frames()}};
        });
    });
}

/// Beside the window: a long recording is long to listen to.
void SoundStop::proposeKeptPart()
{
    const Take* take = session().take();
    if (take == nullptr)
        return;
    session().background().run(
        JobKind::keptPart, Background::Running::cancel,
        [audio = take->sound(), name = take->name](
            const Progress&) { return proposeKept(*audio, name); },
        [this, of = session().keyOf(*take), audio = take->sound()](const auto& found) {
            const Take* now = session().take(of);
            if (now == nullptr || now != session().take() || now->sound() != audio || !found)
                return;
            trim(tr("Propose kept part"), true, [kept = *found](const Take&) { return kept; });
        });
}

void SoundStop::trim(const QString& name, bool first, const std::function<Span(const Take&)>& to)
{
    const Take* take = session().take();
    if (take == nullptr)
        return;
    // What is searched for would lie in what was kept before.
    if (trimmed_ && trimmed_->gaveWay)
        session().background().cancel(JobKind::findLoops);
    // While a post is dragged there and back, the loop goes there and back as well.
    if (first || !trimmed_ || trimmed_->take != take->id)
        trimmed_ = Trimmed{take->id, take->loop, {}, 0, false};
    trimmed_->gesture = gesture(first);
    session().editTake(
        name,
        [&](Take& t) {
            t.loop = trimmed_->loop;
            trimmed_->gaveWay = !keepPart(t, to(t));
            trimmed_->kept = t.kept;
        },
        trimmed_->gesture);
    // A long sound is listened to when the hand has come to rest.
    constexpr int restMs = 400;
    atRest_.start(restMs);
    if (trimmed_->gaveWay)
        session().say(tr("The loop lay outside what is kept: another one is searched for."), false);
}

void SoundStop::moveHandle(int id, qint64 frame, bool first)
{
    if (id == keptStart)
        return trim(
            tr("Move start"), first, [&](const Take& t) { return withKeptStart(t.kept, frame); });
    if (id == keptEnd)
        return trim(tr("Move end"), first,
            [&](const Take& t) { return withKeptEnd(t.kept, frame, t.audio().frames()); });
    session().editTake(
        id == fadeInEnd ? tr("Change fade in") : tr("Change fade out"),
        [&](Take& t) {
            const double at = double(frame);
            if (id == fadeInEnd)
                t.fades.inSeconds = std::max(0.0, at - double(t.kept.start.value)) / t.rate();
            else
                t.fades.outSeconds = std::max(0.0, double(t.kept.end.value) - at) / t.rate();
        },
        gesture(first));
}

void SoundStop::askedStretch(qint64 frame)
{
    const Take* take = session().take();
    if (take == nullptr)
        return;
    if (session().splitting().proposal()) {
        split_->switchPiece(frame);
        return;
    }
    const bool inside = frame >= take->kept.start.value && frame < take->kept.end.value;
    wave()->fit(inside ? take->kept : Span{Frames{0}, Frames{take->audio().frames()}});
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

void SoundStop::showReadings(const Take& take)
{
    length_->setText(typeset(formatSeconds(double(take.kept.length()) / take.rate())));
    if (const auto peaks = session().pictures().peaks()) {
        float top = 0.0f;
        for (std::size_t c = 0; c < take.audio().channelCount(); ++c) {
            const auto e = peaks->extent(c, take.kept);
            top = std::max({top, e.high, -e.low});
        }
        const bool over = top > 1.0f;
        const auto level = typeset(formatDecibels(toDecibels(double(top))));
        level_->setText(over ? tr("! +%1 clips in files").arg(level) : tr("%1 peak").arg(level));
        level_->setStyleSheet(
            over ? QStringLiteral("color: %1").arg(Theme::tokens().coral.name()) : QString());
    }
    if (session().pictures().loudness())
        loudness_->setText(
            typeset(formatNumber(session().pictures().loudness()->value, 1) + " LUFS"));
    const auto channels = take.recording->audio->channelCount();
    format_->setText((channels == 1          ? tr("mono")
                             : channels == 2 ? tr("stereo")
                                             : tr("%1 channels").arg(channels))
        + tr(", %1 kHz").arg(QString::number(take.rate() / 1000.0, 'g', 4)));
}

std::vector<WaveHandle> SoundStop::keptHandles(const Take& take)
{
    const auto note = [this](const QString& name) {
        return [this, name](double frame) {
            return tr("%1 %2").arg(name, QString::fromStdString(formatPosition(frame / rate())));
        };
    };
    const auto& sea = Theme::tokens().sea;
    using Grip = WaveHandle::Grip;
    const auto fades = fadePlan(take);
    std::vector<WaveHandle> handles{{keptStart, double(take.kept.start.value), tr("Start"), sea,
                                        Grip::bottom, true, true, note(tr("start"))},
        {keptEnd, double(take.kept.end.value), tr("End"), sea, Grip::bottom, true, true,
            note(tr("end"))}};
    const auto length = [this](const QString& name, double from) {
        return [this, name, from](double frame) {
            const double seconds = std::abs(frame - from) / rate();
            return tr("%1 %2").arg(name, QString::fromStdString(formatSeconds(seconds)));
        };
    };
    const auto& ink = Theme::tokens().ink;
    handles.push_back({fadeInEnd, fades.inEnd, tr("Fade in"), ink, Grip::top, false, false,
        length(tr("fade in"), fades.start)});
    if (!take.loop.on)
        handles.push_back({fadeOutStart, fades.outStart, tr("Fade out"), ink, Grip::top, false,
            false, length(tr("fade out"), fades.end)});
    return handles;
}

void SoundStop::refresh()
{
    const bool has = showSound();
    treatments_->refresh();
    split_->refresh();
    // While one records there is nothing to treat yet, and small windows have no room for both.
    if (recording_->isOpen())
        treatments_->bench()->hide();
    for (auto* field : {start_, end_, fadeIn_, fadeOut_})
        field->setFieldEnabled(has);
    for (auto* field : {fadeInShape_, fadeOutShape_})
        field->setFieldEnabled(has);
    propose_->setEnabled(has);
    whole_->setEnabled(has);
    for (auto* label : {length_, level_, loudness_, format_})
        label->clear();
    if (!has)
        return;
    const Take& take = *session().take();
    start_->setRange(0.0, double(take.kept.end.value - shortestTake));
    end_->setRange(double(take.kept.start.value + shortestTake), double(take.audio().frames()));
    start_->setValue(double(take.kept.start.value));
    end_->setValue(double(take.kept.end.value));
    fadeIn_->setValue(take.fades.inSeconds);
    fadeOut_->setValue(take.fades.outSeconds);
    fadeInShape_->setIndex(int(take.fades.inShape));
    fadeOutShape_->setIndex(int(take.fades.outShape));
    showReadings(take);
    wave()->setHandles(session().splitting().proposal()
            ? split_->handles([this](const QString& name, double frame) {
                  return tr("%1 %2").arg(
                      name, QString::fromStdString(formatPosition(frame / rate())));
              })
            : keptHandles(take));
}

} // namespace puretone::app
