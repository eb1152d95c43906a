// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/export/export_fields.h"

#include "app/stops/stop_view.h"
#include "app/widgets/fields/choice_field.h"

namespace puretone::app {

namespace {

/// "As recorded" is the first.
constexpr std::array rates = {0.0, 96000.0, 48000.0, 44100.0, 32000.0, 22050.0, 16000.0};
constexpr double usualLimit = 8.0; ///< Megabytes, of a ready choice.

/// Where 0 is no limit at all.
FieldSpec limitField(const QString& label, const QString& tip)
{
    FieldSpec spec = megabytesField(label, tip, 0.0, 100000.0, 0.0);
    spec.format = [plain = spec.format](
                      double mb) { return mb <= 0.0 ? ExportFields::tr("none") : plain(mb); };
    spec.parse = [plain = spec.parse](const QString& text) {
        return text.trimmed() == ExportFields::tr("none") ? std::optional(0.0) : plain(text);
    };
    spec.step = [plain = spec.step](double mb, double steps) {
        return mb > 0.0 ? plain(mb, steps) : steps > 0.0 ? usualLimit : 0.0;
    };
    return spec;
}

} // namespace

std::vector<ReadyExport> readyExports()
{
    ExportWish any, bank, small, single;
    bank.usualDepth = true;
    small.limitMegabytes = usualLimit;
    single.usualDepth = false;
    single.choices.sound.depth = Depth::bits24;
    return {{ExportFields::tr("Any player"),
                ExportFields::tr("The instrument, SFZ, a SoundFont and WAV files, as they are "
                                 "usually written"),
                {any, {true, true, true, true}}},
        {ExportFields::tr("SoundFont"), ExportFields::tr("One SoundFont of 16 bits"),
            {bank, {false, false, true, false}}},
        {ExportFields::tr("Little memory"),
            ExportFields::tr(
                "For hardware: a SoundFont and WAV files that fit into %1 MB; type your own limit")
                .arg(usualLimit),
            {small, {false, false, true, true}}},
        {ExportFields::tr("WAV set"),
            ExportFields::tr("Every take as a WAV of 24 bits with root, tuning and loop inside"),
            {single, {false, false, false, true}}}};
}

ExportFields::ExportFields(Session& session, FieldColumn* into)
    : QObject(into)
    , session_(session)
{
    buildSound(into->addFold(tr("How it is written"), QStringLiteral("export-sound"), true));
    buildLimit(into->addFold(tr("How large it may be"), QStringLiteral("export-limit"), true));
}

template <class Change> void ExportFields::change(Change change, int gesture)
{
    auto wish = session_.exporting().wish();
    change(wish);
    session_.exporting().setWish(wish, gesture);
}

void ExportFields::buildSound(FieldColumn* into)
{
    depth_ = into->addChoice(tr("Depth"),
        tr("Bits of a sample: more are more exact, fewer take less room"),
        {tr("usual"), tr("16 bits"), tr("24 bits"), tr("32, floating")});
    rate_ = into->addChoice(tr("Rate"),
        tr("Samples a second: half of it is the highest tone that is kept"),
        {tr("as recorded"), tr("96 kHz"), tr("48 kHz"), tr("44.1 kHz"), tr("32 kHz"),
            tr("22.05 kHz"), tr("16 kHz")});
    channels_ = into->addChoice(
        tr("Channels"), tr("Mono takes half the room of stereo"), {tr("as recorded"), tr("mono")});
    dither_ = into->addChoice(tr("Dither"),
        tr("At 16 bits: a little noise, so that quiet ends do not become harsh"),
        {tr("on"), tr("off")});
    loops_ = into->addChoice(tr("Loops"),
        tr("Loops inside the files, or played out for players that know none"),
        {tr("in the file"), tr("played out")});
    played_ = into->addField(secondsField(
        tr("Lasts"), tr("How long a loop is played out before it fades"), 0.5, 120.0, 10.0));
    samples_ = into->addChoice(tr("SFZ samples"), tr("FLAC holds the same in about half the room"),
        {tr("WAV"), tr("FLAC")});
    wavs_ = into->addChoice(tr("WAV files"),
        tr("The takes themselves, or what keys sound like, effects included"),
        {tr("of the takes"), tr("of keys")});
    step_ = into->addField(
        countField(tr("Every"), tr("Semitones from one written key to the next"), 1, 24, 3));
    connect(depth_, &ChoiceField::chosen, this, [this](int index) {
        change([index](ExportWish& w) {
            w.usualDepth = index == 0;
            w.choices.sound.depth = index == 1 ? Depth::bits16
                : index == 3                   ? Depth::floating
                                               : Depth::bits24;
        });
    });
    connect(rate_, &ChoiceField::chosen, this, [this](int index) {
        change([index](ExportWish& w) {
            w.choices.sound.rate =
                index > 0 ? std::optional(rates[std::size_t(index)]) : std::nullopt;
        });
    });
    connect(channels_, &ChoiceField::chosen, this, [this](int index) {
        change([index](ExportWish& w) { w.choices.sound.mono = index == 1; });
    });
    connect(dither_, &ChoiceField::chosen, this, [this](int index) {
        change([index](ExportWish& w) { w.choices.sound.dither = index == 0; });
    });
    connect(loops_, &ChoiceField::chosen, this, [this](int index) {
        change([index](ExportWish& w) {
            w.choices.sound.playedOut = index == 1 ? std::optional(10.0) : std::nullopt;
        });
    });
    connect(played_, &ValueField::edited, this,
        [this, gesture = Gesture(session_)](double value, bool first) mutable {
            change(
                [value](ExportWish& w) { w.choices.sound.playedOut = value; }, gesture.next(first));
        });
    connect(samples_, &ChoiceField::chosen, this,
        [this](int index) { change([index](ExportWish& w) { w.choices.flac = index == 1; }); });
    connect(wavs_, &ChoiceField::chosen, this, [this](int index) {
        change([index](ExportWish& w) { w.choices.keyStep = index == 1 ? 3 : 0; });
    });
    connect(step_, &ValueField::edited, this,
        [this, gesture = Gesture(session_)](double value, bool first) mutable {
            change([value](ExportWish& w) { w.choices.keyStep = int(std::lround(value)); },
                gesture.next(first));
        });
}

void ExportFields::buildLimit(FieldColumn* into)
{
    limit_ = into->addField(limitField(
        tr("Limit"), tr("What each of the exports may take: it is made smaller until it fits")));
    connect(limit_, &ValueField::edited, this,
        [this, gesture = Gesture(session_)](double value, bool first) mutable {
            change([value](ExportWish& w) { w.limitMegabytes = value < 0.05 ? 0.0 : value; },
                gesture.next(first));
        });
    order_ = new QLabel(tr("Made smaller by, in this order:"), into);
    order_->setProperty("role", "quiet");
    into->column()->addWidget(order_);
    for (int i = 0; i < saverCount; ++i) {
        auto* button = into->addButton({}, tr("Click to use it earlier; with Shift, later"));
        connect(button, &QPushButton::clicked, this, [this, i] {
            const bool later = QApplication::keyboardModifiers().testFlag(Qt::ShiftModifier);
            moveSaver(std::size_t(i), later ? 1 : -1);
        });
        savers_.push_back(button);
    }
}

void ExportFields::moveSaver(std::size_t from, int by)
{
    change([from, by](ExportWish& w) {
        const auto count = w.savers.size();
        std::swap(w.savers[from], w.savers[(from + count + std::size_t(by + int(count))) % count]);
    });
}

void ExportFields::refresh()
{
    const auto& wish = session_.exporting().wish();
    const auto& sound = wish.choices.sound;
    depth_->setIndex(wish.usualDepth ? 0 : 1 + int(sound.depth));
    const auto rate = std::find(rates.begin(), rates.end(), sound.rate.value_or(0.0));
    rate_->setIndex(int(rate == rates.end() ? 0 : rate - rates.begin()));
    channels_->setIndex(sound.mono ? 1 : 0);
    dither_->setIndex(sound.dither ? 0 : 1);
    dither_->setFieldEnabled(wish.usualDepth || sound.depth == Depth::bits16);
    loops_->setIndex(sound.playedOut ? 1 : 0);
    played_->setVisible(sound.playedOut.has_value());
    played_->setValue(sound.playedOut.value_or(10.0));
    samples_->setIndex(wish.choices.flac ? 1 : 0);
    wavs_->setIndex(wish.choices.keyStep > 0 ? 1 : 0);
    step_->setVisible(wish.choices.keyStep > 0);
    step_->setValue(std::max(1, wish.choices.keyStep));
    limit_->setValue(wish.limitMegabytes);
    const bool limited = wish.limitMegabytes > 0.0;
    order_->setVisible(limited);
    for (std::size_t i = 0; i < savers_.size(); ++i) {
        savers_[i]->setVisible(limited);
        savers_[i]->setText(QStringLiteral("%1  %2").arg(i + 1).arg(said(nameOf(wish.savers[i]))));
    }
}

} // namespace puretone::app
