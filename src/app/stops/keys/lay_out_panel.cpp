// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/keys/lay_out_panel.h"

#include "app/stops/stop_view.h"
#include "app/theme/theme.h"
#include "app/widgets/fields/plain_table.h"

#include <QHeaderView>

namespace puretone::app {

namespace {

enum Column { name, set, reading, file, inName };

std::optional<RootFrom> sourceOf(int column)
{
    switch (column) {
    case set:
        return RootFrom::asSet;
    case reading:
        return RootFrom::reading;
    case file:
        return RootFrom::file;
    case inName:
        return RootFrom::name;
    default:
        return std::nullopt;
    }
}

} // namespace

LayOutPanel::LayOutPanel(Session& session, QWidget* parent)
    : QWidget(parent)
    , session_(session)
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(4, 4, 4, 4);
    column->setSpacing(8);
    auto* title = new QLabel(tr("Lay out by roots"), this);
    title->setProperty("role", "heading");
    title->setFont(Theme::font(14, Theme::Weight::strong));
    column->addWidget(title);
    question_ = new QLabel(this);
    question_->setWordWrap(true);
    column->addWidget(question_);
    table_ = makePlainTable(
        {tr("Take"), tr("Set now"), tr("Heard"), tr("In the file"), tr("In its name")}, this);
    table_->setAccessibleName(tr("What is said about every root"));
    table_->setToolTip(tr("Click what is right for a take; the others go by the choice below"));
    connect(table_, &QTableWidget::cellClicked, this, &LayOutPanel::chooseCell);
    column->addWidget(table_, 1);
    auto* shiftRow = new QHBoxLayout;
    shiftText_ = new QLabel(this);
    shiftText_->setWordWrap(true);
    shift_ = new QPushButton(this);
    shiftRow->addWidget(shiftText_, 1);
    shiftRow->addWidget(shift_);
    column->addLayout(shiftRow);
    connect(shift_, &QPushButton::clicked, this, [this] {
        options_.nameShift = options_.nameShift != 0 ? 0 : nameShift(said_).value_or(0);
        refresh();
    });
    auto* fields = new QWidget(this);
    buildFields(fields);
    column->addWidget(fields);
    auto* buttons = new QHBoxLayout;
    buttons->addStretch(1);
    leave_ = new QPushButton(tr("Leave as it is"), this);
    go_ = new QPushButton(tr("Lay out"), this);
    go_->setProperty("kind", "main");
    buttons->addWidget(leave_);
    buttons->addWidget(go_);
    column->addLayout(buttons);
    connect(leave_, &QPushButton::clicked, this, &LayOutPanel::left);
    connect(go_, &QPushButton::clicked, this, &LayOutPanel::layOutNow);
}

void LayOutPanel::buildFields(QWidget* parent)
{
    auto* row = new QHBoxLayout(parent);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(28);
    auto* left = new FieldColumn(parent);
    auto* right = new FieldColumn(parent);
    row->addWidget(left, 1);
    row->addWidget(right, 1);
    roots_ = left->addChoice(tr("Roots"), tr("Where the root of every take comes from"),
        {tr("as set now"), tr("as heard"), tr("in the file"), tr("in its name"),
            tr("first and step")});
    firstKey_ = left->addField(keyField(tr("First key"), tr("Root of the first take in the list"),
        [this] { return session_.naming(); }));
    step_ = left->addField(
        countField(tr("Step"), tr("Semitones from one take to the next"), -24, 24, 1));
    reach_ = right->addChoice(tr("Outwards"),
        tr("How far the lowest and the highest take reach: as far as the layer did, to every key, "
           "or until they would sound slow or thin"),
        {tr("as before"), tr("every key"), tr("as it sounds")});
    share_ = right->addChoice(tr("One root"), tr("How takes that share a root share its keys"),
        {tr("by what differs"), tr("by touch"), tr("in turn")});
    unpitched_ = right->addChoice(tr("Drums, noises"),
        tr("What becomes of takes that are struck and gone, or have no clear pitch"),
        {tr("like the others"), tr("keys in a row"), tr("own layer")});
    left->column()->addStretch(1);
    right->column()->addStretch(1);
    connect(roots_, &ChoiceField::chosen, this, [this](int index) {
        options_.roots = RootFrom(index);
        options_.rootsOf.clear();
        refresh();
    });
    connect(firstKey_, &ValueField::edited, this, [this](double key, bool) {
        options_.series.firstKey = int(std::lround(key));
        refresh();
    });
    connect(step_, &ValueField::edited, this, [this](double step, bool) {
        options_.series.step = int(std::lround(step));
        refresh();
    });
    connect(reach_, &ChoiceField::chosen, this,
        [this](int index) { options_.reach = LayOutOptions::Reach(index); });
    connect(share_, &ChoiceField::chosen, this,
        [this](int index) { options_.share = LayOutOptions::Share(index); });
    connect(unpitched_, &ChoiceField::chosen, this,
        [this](int index) { options_.unpitched = LayOutOptions::Unpitched(index); });
}

void LayOutPanel::begin()
{
    options_ = {};
    refresh();
}

QString LayOutPanel::keyWords(std::optional<int> key) const
{
    return key ? typeset(keyWithNumber(*key, session_.naming())) : QStringLiteral("–");
}

void LayOutPanel::showTable()
{
    const auto& t = Theme::tokens();
    table_->setRowCount(int(said_.size()));
    int row = 0, place = 0;
    for (const auto& said : said_) {
        const Take* take = session_.instrument().take(said.take);
        auto named = said.name.key;
        if (named && !said.name.isNumber)
            *named += options_.nameShift;
        const bool apart = said.disagree(options_.nameShift);
        const auto own = options_.rootsOf.find(said.take);
        const auto from = own != options_.rootsOf.end() ? own->second : options_.roots;
        QString first = take != nullptr ? QString::fromStdString(take->name) : QString();
        if (apart)
            first = QStringLiteral("● ") + first;
        const QString series = keyWords(options_.series.firstKey + place++ * options_.series.step);
        const QString texts[] = {first, from == RootFrom::series ? series : keyWords(said.set),
            keyWords(said.reading), keyWords(said.file), keyWords(named)};
        for (int c = 0; c < 5; ++c) {
            auto* item = new QTableWidgetItem(texts[c]);
            const auto source = sourceOf(c);
            const bool taken =
                (source && *source == from) || (c == set && from == RootFrom::series);
            item->setFont(Theme::font(13, taken ? Theme::Weight::strong : Theme::Weight::regular));
            item->setForeground(taken ? t.brass : c == name && apart ? t.coral : t.ink);
            if (c == name && apart)
                item->setToolTip(tr("What is said about its root differs"));
            table_->setItem(row, c, item);
        }
        ++row;
    }
}

void LayOutPanel::showChoices()
{
    const auto shift = nameShift(said_);
    const bool any = shift.has_value() || options_.nameShift != 0;
    shiftText_->setVisible(any);
    shift_->setVisible(any);
    if (any && options_.nameShift == 0) {
        const int octaves = std::abs(*shift) / 12;
        shiftText_->setText(tr("All names agree with what is heard if they are read %1 %2.")
                                .arg(octaves == 1 ? tr("an octave") : tr("%1 octaves").arg(octaves),
                                    *shift > 0 ? tr("higher") : tr("lower")));
        shift_->setText(tr("Read them so"));
    } else if (any) {
        shiftText_->setText(tr("Names are read %1 semitones %2.")
                                .arg(std::abs(options_.nameShift))
                                .arg(options_.nameShift > 0 ? tr("higher") : tr("lower")));
        shift_->setText(tr("As they stand"));
    }
    const auto count = std::size_t(std::count_if(said_.begin(), said_.end(),
        [&](const RootsSaid& s) { return s.disagree(options_.nameShift); }));
    question_->setText(count == 0
            ? tr("Whatever is said about their roots agrees.")
            : tr("For %1 of %2 takes, what is heard, what stands in the file and what its name "
                 "says differ (●). Click what is right, or choose for all below.")
                  .arg(count)
                  .arg(said_.size()));
    const bool unpitched = std::any_of(said_.begin(), said_.end(), [this](const RootsSaid& s) {
        const Take* take = session_.instrument().take(s.take);
        return take != nullptr && take->isNoNote();
    });
    unpitched_->setVisible(unpitched);
    const bool series = options_.roots == RootFrom::series;
    firstKey_->setVisible(series);
    step_->setVisible(series);
    firstKey_->setValue(options_.series.firstKey);
    step_->setValue(options_.series.step);
    roots_->setIndex(int(options_.roots));
    reach_->setIndex(int(options_.reach));
    share_->setIndex(int(options_.share));
    unpitched_->setIndex(int(options_.unpitched));
    go_->setEnabled(!said_.empty());
}

void LayOutPanel::refresh()
{
    said_ = rootsSaid(session_.instrument(), session_.layer().id);
    showTable();
    showChoices();
}

void LayOutPanel::chooseCell(int row, int column)
{
    const auto source = sourceOf(column);
    if (!source || row < 0 || row >= int(said_.size()))
        return;
    const auto& said = said_[std::size_t(row)];
    const bool speaks = *source == RootFrom::asSet || (*source == RootFrom::reading && said.reading)
        || (*source == RootFrom::file && said.file) || (*source == RootFrom::name && said.name.key);
    if (!speaks)
        return;
    options_.rootsOf[said.take] = *source;
    showTable();
}

void LayOutPanel::layOutNow()
{
    session_.layOut(session_.layer().id, options_, 0, [this](const QString& sentence) {
        session_.say(sentence, false);
        emit left();
    });
}

} // namespace puretone::app
