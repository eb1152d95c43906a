// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/sound_stop.h"

#include "app/theme/theme.h"
#include "base/quantity.h"
#include "engine/prepared.h"
#include "prepare/kept_part.h"

#include <QPainter>

namespace puretone::app {

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
    propose_ = addButton(tr("Propose again"),
        tr("Put start and end where the attack begins and the decay meets the noise"));
    whole_ = addButton(
        tr("Keep all of it"), tr("The whole recording, from the first frame to the last"));
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
    connect(wave(), &WaveView::handleMoved, this, &SoundStop::moveHandle);
    connect(wave(), &WaveView::handleCancelled, this, [this] { abandonGesture(); });
    connect(wave(), &WaveView::stretchAsked, this, [this](qint64 frame) {
        const Take* t = session().take();
        if (t == nullptr)
            return;
        const bool inside = frame >= t->kept.start.value && frame < t->kept.end.value;
        wave()->fit(inside ? t->kept : Span{Frames{0}, Frames{t->audio().frames()}});
    });
    wave()->setOverlay([this](QPainter& p, const WaveGeometry& g) { paintFades(p, g); });
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

void SoundStop::paintFades(QPainter& painter, const WaveGeometry& g)
{
    const Take* take = session().take();
    if (take == nullptr)
        return;
    QPolygonF slope;
    for (double x = g.area.left(); x <= g.area.right(); x += 1.0) {
        const double frame = g.frameAt(x);
        if (frame < double(take->kept.start.value) || frame > double(take->kept.end.value))
            continue;
        const double gain = double(fadeGain(*take, frame));
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
    wave()->setHandles({{keptStart, double(take.kept.start.value), tr("Start"), sea,
                            WaveHandle::Grip::bottom, true, true, note(tr("start"))},
        {keptEnd, double(take.kept.end.value), tr("End"), sea, WaveHandle::Grip::bottom, true, true,
            note(tr("end"))}});
}

} // namespace puretone::app
