// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/stop_view.h"

#include "app/theme/theme.h"
#include "base/quantity.h"
#include "base/song_time.h"
#include "model/instrument/layer.h"

#include <QScrollArea>

namespace puretone::app {

namespace {

QFrame* card(QWidget* parent)
{
    auto* frame = new QFrame(parent);
    frame->setProperty("card", true);
    return frame;
}

} // namespace

StopView::StopView(Session& session, const QString& title, QWidget* parent)
    : QWidget(parent)
    , session_(session)
{
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(gap);
    auto* benchCard = card(this);
    bench_ = new QVBoxLayout(benchCard);
    bench_->setContentsMargins(12, 12, 12, 12);
    bench_->setSpacing(10);
    row->addWidget(benchCard, 1);
    auto* detailsCard = card(this);
    detailsCard->setFixedWidth(detailsWidth);
    row->addWidget(detailsCard);
    // On small windows the details scroll; the bench never does.
    auto* outer = new QVBoxLayout(detailsCard);
    outer->setContentsMargins(1, 1, 1, 1);
    auto* scroll = new QScrollArea(detailsCard);
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setFocusPolicy(Qt::NoFocus);
    outer->addWidget(scroll);
    details_ = new FieldColumn(scroll);
    scroll->setWidget(details_);
    details_->column()->setContentsMargins(13, 12, 13, 12);
    titleRow_ = new QHBoxLayout;
    details_->column()->addLayout(titleRow_);
    auto* heading = details_->addHeading(title);
    details_->column()->removeWidget(heading);
    titleRow_->addWidget(heading, 1);
    connect(details_, &FieldColumn::refused, &session_, &Session::refuse);
}

QPushButton* StopView::addTitleButton(const QString& text, const QString& tip)
{
    auto* button = new QPushButton(text, this);
    button->setToolTip(tip);
    button->setAccessibleName(text);
    button->setProperty("kind", "small");
    titleRow_->addWidget(button);
    return button;
}

void StopView::connectToTake(
    ValueField* field, const QString& stepName, std::function<void(Take&, double)> change)
{
    connect(field, &ValueField::edited, this, [=, this](double value, bool first) {
        session_.editTake(
            stepName, [&](Take& take) { change(take, value); }, gesture(first));
    });
}

void StopView::connectToInstrument(
    ValueField* field, const QString& stepName, std::function<void(Instrument&, double)> change)
{
    connect(field, &ValueField::edited, this, [=, this](double value, bool first) {
        session_.edit(
            stepName, [&](Instrument& next) { change(next, value); }, gesture(first));
    });
}

void StopView::connectToLayer(
    ValueField* field, const QString& stepName, std::function<void(Layer&, double)> change)
{
    app::connectToLayer(session_, field, stepName, std::move(change));
}

void connectToLayer(Session& session, ValueField* field, const QString& stepName,
    std::function<void(Layer&, double)> change)
{
    QObject::connect(field, &ValueField::edited, field,
        [&session, stepName, change = std::move(change), gesture = Gesture(session)](
            double value, bool first) mutable {
            session.editLayer(
                stepName, [&](Layer& layer) { change(layer, value); }, gesture.next(first));
        });
}

// ---- Kinds of fields
// -------------------------------------------------------------------------------

namespace {

FieldSpec named(const QString& label, const QString& tip)
{
    FieldSpec spec;
    spec.label = label;
    spec.tip = tip;
    return spec;
}

FieldSpec ranged(const QString& label, const QString& tip, double low, double high, double reset)
{
    FieldSpec spec = named(label, tip);
    spec.low = low;
    spec.high = high;
    spec.reset = reset;
    return spec;
}

std::optional<double> numberFrom(const QString& text, const char* unit)
{
    return parseNumber(text.toStdString(), unit);
}

} // namespace

FieldSpec framesField(
    const QString& label, const QString& tip, const std::function<double()>& rate, bool position)
{
    FieldSpec spec = named(label, tip);
    spec.format = [rate, position](double frames) {
        const double seconds = frames / rate();
        return QString::fromStdString(position ? formatPosition(seconds) : formatSeconds(seconds));
    };
    spec.parse = [rate](const QString& text) -> std::optional<double> {
        const auto seconds = parseSeconds(text.toStdString(), rate());
        return seconds ? std::optional(std::round(*seconds * rate())) : std::nullopt;
    };
    // A step is a millisecond; with Shift the tenth of it.
    spec.step = [rate](double frames, double steps) {
        return std::round(stepLinear(frames, steps, rate() / 1000.0));
    };
    return spec;
}

FieldSpec secondsField(
    const QString& label, const QString& tip, double low, double high, double reset)
{
    FieldSpec spec = ranged(label, tip, low, high, reset);
    spec.format = [](double seconds) { return QString::fromStdString(formatSeconds(seconds)); };
    spec.parse = [](const QString& text) { return parseSeconds(text.toStdString(), 1.0); };
    spec.step = stepTime;
    spec.timesAsShown = true;
    return spec;
}

FieldSpec songTimeField(
    const QString& label, const QString& tip, double low, double high, double reset)
{
    constexpr double longest = 8.0; // beats
    FieldSpec spec = ranged(label, tip, inBeats(longest), high, reset);
    spec.refusal = QObject::tr("%1 must lie between %2 and %3, or be a note up to 2/1.")
                       .arg(label, QString::fromStdString(formatSeconds(low)),
                           QString::fromStdString(formatSeconds(high)));
    spec.format = [](double time) { return QString::fromStdString(formatSongTime(time)); };
    const auto held = [low](double time) {
        return isInBeats(time) ? std::min(time, inBeats(1.0 / 64.0)) : std::max(time, low);
    };
    spec.parse = [held](const QString& text) -> std::optional<double> {
        const auto time = parseSongTime(text.toStdString());
        return time ? std::optional(held(*time)) : std::nullopt;
    };
    spec.step = [held](double time, double steps) { return held(stepSongTime(time, steps)); };
    spec.timesAsShown = true;
    return spec;
}

FieldSpec centsField(const QString& label, const QString& tip, double low, double high)
{
    FieldSpec spec = named(label, tip);
    spec.format = [](double cents) { return QString::fromStdString(formatCents(Cents{cents})); };
    spec.parse = [](const QString& text) { return numberFrom(text, "ct"); };
    spec.step = [](double cents, double steps) {
        return std::round(10.0 * stepLinear(cents, steps, 1.0)) / 10.0;
    };
    spec.reset = 0.0;
    spec.low = low;
    spec.high = high;
    return spec;
}

FieldSpec decibelField(
    const QString& label, const QString& tip, double low, double high, double reset)
{
    FieldSpec spec = ranged(label, tip, low, high, reset);
    spec.format = [](double level) {
        return QString::fromStdString(formatNumber(level, 1) + " dB");
    };
    spec.parse = [](const QString& text) { return numberFrom(text, "db"); };
    spec.step = [](double level, double steps) { return stepLinear(level, steps, 0.5); };
    return spec;
}

FieldSpec sustainField(const QString& label, const QString& tip, double reset)
{
    FieldSpec spec = decibelField(label, tip, silentSustainDb, 0.0, reset);
    spec.format = [number = spec.format](double level) {
        return level <= silentSustainDb ? QObject::tr("silent") : number(level);
    };
    spec.parse = [number = spec.parse](const QString& text) {
        return text.trimmed() == QObject::tr("silent") ? std::optional(silentSustainDb)
                                                       : number(text);
    };
    return spec;
}

FieldSpec frequencyField(
    const QString& label, const QString& tip, double low, double high, double reset)
{
    FieldSpec spec = ranged(label, tip, low, high, reset);
    spec.format = [](double hz) { return QString::fromStdString(formatHz(hz)); };
    spec.parse = [](const QString& text) { return parseHz(text.toStdString()); };
    spec.step = [](double hz, double steps) { return hz * std::exp2(steps / 12.0); };
    return spec;
}

FieldSpec loudnessField(
    const QString& label, const QString& tip, double low, double high, double reset)
{
    FieldSpec spec = decibelField(label, tip, low, high, reset);
    spec.format = [](double lufs) {
        return QString::fromStdString(formatNumber(lufs, 1) + " LUFS");
    };
    spec.parse = [](const QString& text) { return numberFrom(text, "lufs"); };
    return spec;
}

FieldSpec ratioField(
    const QString& label, const QString& tip, double low, double high, double reset)
{
    FieldSpec spec = ranged(label, tip, low, high, reset);
    spec.format = [](double value) { return QString::fromStdString(formatNumber(value, 2)); };
    spec.parse = [](const QString& text) { return numberFrom(text, ""); };
    spec.step = [](double value, double steps) { return value * std::pow(1.08, steps); };
    return spec;
}

FieldSpec octavesField(const QString& label, const QString& tip, double low)
{
    FieldSpec spec = ranged(label, tip, low, 8.0, 0.0);
    spec.format = [](double octaves) { return QObject::tr("%1 oct").arg(octaves, 0, 'f', 2); };
    spec.parse = [](const QString& text) { return numberFrom(text, "oct"); };
    spec.step = [](double octaves, double steps) { return stepLinear(octaves, steps, 0.05); };
    return spec;
}

FieldSpec placeField(const QString& label, const QString& tip)
{
    FieldSpec spec = ranged(label, tip, -1.0, 1.0, 0.0);
    spec.format = [](double place) {
        const auto share = int(std::lround(100.0 * std::abs(place)));
        return share == 0 ? QObject::tr("middle")
            : place < 0.0 ? QObject::tr("%1 left").arg(share)
                          : QObject::tr("%1 right").arg(share);
    };
    spec.parse = [](const QString& text) -> std::optional<double> {
        const QString word = text.trimmed().toLower();
        if (word == QObject::tr("middle"))
            return 0.0;
        QString digits = word;
        digits.remove(QObject::tr("left")).remove(QObject::tr("right"));
        const auto share = numberFrom(digits, "");
        if (!share)
            return std::nullopt;
        return (word.contains(QObject::tr("left")) ? -1.0 : 1.0) * *share / 100.0;
    };
    spec.step = [](double place, double steps) { return stepLinear(place, steps, 0.01); };
    return spec;
}

FieldSpec percentField(const QString& label, const QString& tip, double reset, double high)
{
    FieldSpec spec = named(label, tip);
    spec.format = [](double share) {
        return QString::number(100.0 * share, 'f', 0) + QStringLiteral(" %");
    };
    spec.parse = [](const QString& text) {
        const auto percent = numberFrom(text, "%");
        return percent ? std::optional(*percent / 100.0) : std::nullopt;
    };
    spec.step = [](double share, double steps) { return stepLinear(share, steps, 0.01); };
    spec.reset = reset;
    spec.low = 0.0;
    spec.high = high;
    return spec;
}

FieldSpec megabytesField(
    const QString& label, const QString& tip, double low, double high, double reset)
{
    constexpr double ratio = 1.1, fewMegabytes = 10.0;
    FieldSpec spec = named(label, tip);
    spec.format = [](double mb) {
        return typeset(formatNumber(mb, mb < fewMegabytes ? 1 : 0) + " MB");
    };
    spec.parse = [](const QString& text) { return parseNumber(text.toStdString(), "MB"); };
    spec.step = [](double mb, double steps) { return mb * std::pow(ratio, steps); };
    spec.low = low;
    spec.high = high;
    spec.reset = reset;
    return spec;
}

FieldSpec keyField(const QString& label, const QString& tip, const std::function<Naming()>& naming)
{
    FieldSpec spec = named(label, tip);
    spec.format = [naming](double key) {
        return QString::fromStdString(keyWithNumber(int(std::lround(key)), naming()));
    };
    spec.parse = [naming](const QString& text) -> std::optional<double> {
        // The number in brackets is what we show ourselves.
        const auto key = parseKey(text.section(QLatin1Char('('), 0, 0).toStdString(), naming());
        return key ? std::optional(double(*key)) : std::nullopt;
    };
    spec.step = [](double key, double steps) { return std::round(stepLinear(key, steps, 1.0)); };
    spec.low = 0.0;
    spec.high = 127.0;
    return spec;
}

FieldSpec countField(
    const QString& label, const QString& tip, double low, double high, double reset)
{
    FieldSpec spec = ranged(label, tip, low, high, reset);
    spec.format = [](double n) { return QString::number(std::lround(n)); };
    spec.parse = [](const QString& text) { return numberFrom(text, ""); };
    spec.step = [](double n, double steps) { return std::round(stepLinear(n, steps, 1.0)); };
    return spec;
}

} // namespace puretone::app
