// SPDX-License-Identifier: GPL-3.0-or-later
// The values of treatments, as fields: each is shown for the kinds that have it.
#include "app/stops/sound/treatment_panel.h"

#include "app/stops/stop_view.h"
#include "app/theme/theme.h"
#include "base/quantity.h"

namespace puretone::app {

ValueField* TreatmentPanel::addField(
    const FieldSpec& spec, std::function<void(TreatmentKind&, double)> change)
{
    auto* field = fields_->addField(spec);
    all_.push_back(field);
    connect(field, &ValueField::edited, this, [this, change](double value, bool first) {
        changeChosen([&](TreatmentKind& what) { change(what, value); }, first);
    });
    return field;
}

ChoiceField* TreatmentPanel::addChoice(const QString& label, const QString& tip,
    const QStringList& words, std::function<void(TreatmentKind&, int)> change)
{
    auto* field = fields_->addChoice(label, tip, words);
    all_.push_back(field);
    connect(field, &ChoiceField::chosen, this, [this, change](int index) {
        changeChosen([&](TreatmentKind& what) { change(what, index); }, true);
    });
    return field;
}

void TreatmentPanel::buildFields()
{
    title_ = fields_->addHeading(QString());
    hz_ = addField(
        frequencyField(tr("Frequency"),
            tr("Where the filter works: a cut's -3 dB point, a bell's middle"), 5.0, 24000.0, 40.0),
        [](TreatmentKind& what, double hz) {
            if (auto* pass = std::get_if<PassFilter>(&what))
                pass->hz = hz;
            if (auto* band = std::get_if<Band>(&what))
                band->hz = hz;
        });
    slope_ = addChoice(tr("Slope"), tr("How steeply the cut falls: dB per octave"),
        {"6 dB", "12 dB", "24 dB", "48 dB"}, [](TreatmentKind& what, int index) {
            if (auto* pass = std::get_if<PassFilter>(&what))
                pass->slopeDb = slopes[std::size_t(index)];
        });
    gain_ = addField(decibelField(tr("Lift"), tr("How much the band is made louder or softer"),
                         -24.0, 24.0, 0.0),
        [](TreatmentKind& what, double db) {
            if (auto* band = std::get_if<Band>(&what))
                band->gainDb = db;
        });
    q_ = addField(
        ratioField(tr("Narrowness"), tr("Q: small is wide, large is narrow"), 0.1, 20.0, 1.0),
        [](TreatmentKind& what, double q) {
            if (auto* band = std::get_if<Band>(&what))
                band->q = q;
        });
    const auto setLevel = [](TreatmentKind& what, double value) {
        if (auto* level = std::get_if<Level>(&what))
            level->value = value;
    };
    level_ = addField(
        decibelField(tr("Peak"), tr("The loudest moment of the kept part comes to stand here"),
            -60.0, 0.0, -1.0),
        setLevel);
    loudness_ = addField(
        loudnessField(tr("Loudness"),
            tr("The kept part's loudness after EBU R 128 comes to stand here"), -60.0, 0.0, -18.0),
        setLevel);
    plainGain_ = addField(
        decibelField(tr("Gain"), tr("Makes everything louder or softer"), -60.0, 40.0, 0.0),
        setLevel);
    amount_ = addField(
        percentField(tr("Amount"), tr("How much of the slow change of level is taken out"), 1.0),
        [](TreatmentKind& what, double share) {
            if (auto* even = std::get_if<EvenOut>(&what))
                even->amount = share;
        });
    mixing_ = addChoice(tr("Heard"), tr("All channels mixed to one, or the ones named below"),
        {tr("all, mixed"), tr("as chosen")}, [](TreatmentKind& what, int index) {
            if (auto* channels = std::get_if<Channels>(&what))
                channels->how = index == 0 ? Channels::How::mixed : Channels::How::picked;
        });
    left_ = addField(
        countField(tr("Left from channel"), tr("Which channel is heard left"), 1.0, 256.0, 1.0),
        [](TreatmentKind& what, double n) {
            if (auto* channels = std::get_if<Channels>(&what))
                channels->left = int(n) - 1;
        });
    right_ = addField(
        countField(tr("Right from channel"),
            tr("Which channel is heard right; the same as left makes mono"), 1.0, 256.0, 2.0),
        [](TreatmentKind& what, double n) {
            if (auto* channels = std::get_if<Channels>(&what))
                channels->right = int(n) - 1;
        });
    width_ = addField(
        percentField(tr("Width"),
            tr("Distance of the two sides: 0 % is mono, 100 % as recorded, 200 % twice as far"),
            1.0, 2.0),
        [](TreatmentKind& what, double share) {
            if (auto* width = std::get_if<Width>(&what))
                width->share = share;
        });
    addPitchFields();
    note_ = new QLabel(fields_);
    note_->setWordWrap(true);
    note_->setProperty("role", "quiet");
    note_->setFont(Theme::font(12));
    fields_->column()->addWidget(note_);
    again_ = fields_->addButton(tr("Measure again"),
        tr("Takes the level of the kept part as it is now; moving its ends does not"));
    const auto pair = fields_->addButtons(
        {{tr("Switch off"), tr("Hear the take without it; it stays in the list")},
            {tr("Remove"), tr("Takes it off the list")}});
    switch_ = pair[0];
    remove_ = pair[1];
    copy_ = fields_->addButton(tr("Treat all takes alike"),
        tr("Gives every other take the same list; levels are measured on each by itself"));
    fields_->addRule();
    connect(again_, &QPushButton::clicked, this, [this] {
        change(tr("Measure again"), [&](Treatments& list) {
            auto& chosen = list[std::size_t(chosen_)];
            chosen = measuredOver({chosen}, keptInRecording(*session_.take())).front();
        });
    });
    connect(switch_, &QPushButton::clicked, this, [this] { toggle(chosen_); });
    connect(remove_, &QPushButton::clicked, this, [this] { remove(chosen_); });
    connect(copy_, &QPushButton::clicked, &session_.treating(), &Treating::copyToAll);
}

void TreatmentPanel::addPitchFields()
{
    const auto semitonesField = [](const QString& label, const QString& tip) {
        FieldSpec spec = countField(label, tip, -24.0, 24.0, 0.0);
        spec.format = [](double st) {
            const bool whole = std::abs(st - std::round(st)) < 0.005;
            return QObject::tr("%1%2 st").arg(st > 0.0 ? QStringLiteral("+") : QString(),
                QString::number(st, 'f', whole ? 0 : 2));
        };
        spec.parse = [](const QString& text) { return parseNumber(text.toStdString(), "st"); };
        return spec;
    };
    semitones_ = addField(
        semitonesField(tr("Pitch"), tr("So many semitones up or down, at the same length")),
        [](TreatmentKind& what, double st) {
            if (auto* transpose = std::get_if<Transpose>(&what))
                transpose->semitones = st;
        });
    formants_ = addField(
        semitonesField(tr("Formants"), tr("Where the colour of a voice goes by itself; 0 stays")),
        [](TreatmentKind& what, double st) {
            if (auto* transpose = std::get_if<Transpose>(&what))
                transpose->formants = st;
        });
    for (std::size_t i = 0; i < voices_.size(); ++i)
        voices_[i] = addField(semitonesField(tr("Voice %1").arg(i + 1),
                                  tr("How far from the sound it sings; 0 is silent")),
            [i](TreatmentKind& what, double st) {
                if (auto* harmony = std::get_if<Harmony>(&what))
                    harmony->semitones[i] = st;
            });
    voiceLevel_ =
        addField(decibelField(tr("Level of each"), tr("Beside the sound itself"), -40.0, 6.0, -3.0),
            [](TreatmentKind& what, double db) {
                if (auto* harmony = std::get_if<Harmony>(&what))
                    harmony->levelDb = db;
            });
    apart_ = addField(percentField(tr("Apart"), tr("How far the voices stand apart"), 0.6),
        [](TreatmentKind& what, double share) {
            if (auto* harmony = std::get_if<Harmony>(&what))
                harmony->width = share;
        });
    colours_ = addChoice(tr("Formants"),
        tr("Whether the colour of a voice stays where it is, or moves with the pitch"),
        {tr("move"), tr("are kept")}, [](TreatmentKind& what, int index) {
            if (auto* harmony = std::get_if<Harmony>(&what))
                harmony->keepsFormants = index == 1;
        });
    effect_ = new EffectFields(session_, fields_);
    fields_->column()->addWidget(effect_);
    all_.push_back(effect_);
    connect(effect_, &FieldColumn::refused, fields_, &FieldColumn::refused);
    connect(
        effect_, &EffectFields::edited, this, [this](std::size_t place, double value, bool first) {
            changeChosen(
                [&](TreatmentKind& what) {
                    if (auto* colour = std::get_if<Colour>(&what);
                        colour && !colour->effects.empty())
                        colour->effects[0].values[place] = value;
                },
                first);
        });
}

} // namespace puretone::app
