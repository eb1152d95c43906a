// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/effects/print_panel.h"

#include "app/session/playing/played.h"
#include "app/stops/effects/print_sheet.h"
#include "app/theme/theme.h"
#include "app/widgets/file_dialogs.h"
#include "base/quantity.h"

namespace puretone::app {

namespace {

QLabel* heading(const QString& text, QWidget* parent)
{
    auto* label = new QLabel(text, parent);
    label->setFont(Theme::font(13, Theme::Weight::strong));
    return label;
}

constexpr int playedColumns = 800;

} // namespace

PrintPanel::PrintPanel(Session& session, QWidget* parent)
    : QWidget(parent)
    , session_(session)
    , made_(new QLabel(this))
    , view_(new PrintView(this))
    , strip_(new PlayedStrip(this))
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    auto* head = new QHBoxLayout;
    head->addWidget(heading(tr("Print"), this));
    made_->setProperty("role", "quiet");
    made_->setMinimumWidth(40);
    head->addWidget(made_, 1);
    anew_ = new QPushButton(tr("Print anew"), this);
    anew_->setProperty("kind", "small");
    anew_->setToolTip(
        tr("Makes this take again from its layers and effects as they are now; one step to undo"));
    connect(anew_, &QPushButton::clicked, this, [this] {
        if (const Take* take = session_.take())
            session_.printing().printAnew(take->id);
    });
    head->addWidget(anew_);
    many_ = new QPushButton(tr("Many keys…"), this);
    many_->setProperty("kind", "small");
    many_->setToolTip(tr("Prints a row of keys at once, into takes or files"));
    head->addWidget(many_);
    print_ = new QPushButton(tr("Print a take"), this);
    print_->setProperty("kind", "main");
    print_->setToolTip(tr("What is heard becomes a new take, and remembers what it was made of"));
    head->addWidget(print_);
    column->addLayout(head);
    column->addWidget(view_, 1);
    addPlan(column);
    addPlayed(column);
    connect(&session.printing(), &Printing::progressed, this, &PrintPanel::showBusy);
    connect(&often_, &QTimer::timeout, this, &PrintPanel::showPlayed);
}

QPushButton* PrintPanel::addSwitch(
    QHBoxLayout* row, const QString& text, const QString& tip, bool PrintPlan::*part)
{
    auto* button = new QPushButton(text, this);
    button->setCheckable(true);
    button->setProperty("kind", "small");
    button->setToolTip(tip);
    connect(button, &QPushButton::clicked, this,
        [this, part](bool on) { change([&](PrintPlan& plan) { plan.*part = on; }); });
    row->addWidget(button);
    switches_.emplace_back(button, part);
    return button;
}

void PrintPanel::addPlan(QVBoxLayout* column)
{
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    const auto add = [&](FieldSpec spec, int width, auto set) {
        auto* field = new ValueField(std::move(spec), this);
        field->setEditWidth(width);
        field->setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
        row->addWidget(field);
        connect(field, &ValueField::edited, this, [this, set](double value, bool) {
            change([&](PrintPlan& plan) { set(plan, value); });
        });
        connect(field, &ValueField::refused, &session_, &Session::refuse);
        return field;
    };
    key_ = add(keyField(tr("Key"), tr("The key that is printed; it becomes the root of the print"),
                   [this] { return session_.naming(); }),
        92, [](PrintPlan& plan, double v) { plan.key = int(std::lround(v)); });
    touch_ = add(countField(tr("Touch"), tr("How hard it is pressed"), 1, 127, 100), 50,
        [](PrintPlan& plan, double v) { plan.touch = int(std::lround(v)); });
    held_ = add(secondsField(tr("Held"), tr("Until the key is let go"), 0.05, longestPrint, 4.0),
        68, [](PrintPlan& plan, double v) { plan.heldSeconds = v; });
    addSwitch(row, tr("its tail"), tr("All that rings on once the key is let go"),
        &PrintPlan::untilSilent);
    addSwitch(row, tr("effects"), tr("Through the chain as it is"), &PrintPlan::effects);
    addSwitch(row, tr("shape"), tr("With envelopes, filter and movements"), &PrintPlan::shape);
    addSwitch(row, tr("mono"), tr("Both sides mixed to one"), &PrintPlan::mono);
    row->addStretch(1);
    column->addLayout(row);
    connect(many_, &QPushButton::clicked, this, &PrintPanel::askForMany);
    connect(print_, &QPushButton::clicked, this, [this] {
        if (session_.printing().busy())
            session_.printing().stop();
        else
            session_.printing().print();
    });
}

void PrintPanel::addPlayed(QVBoxLayout* column)
{
    auto* row = new QHBoxLayout;
    row->setSpacing(8);
    row->addWidget(heading(tr("Just played"), this));
    strip_->setFixedHeight(54);
    strip_->setMinimumWidth(120);
    row->addWidget(strip_, 1);
    keep_ = new QPushButton(tr("Keep it…"), this);
    keep_->setToolTip(tr("Writes the chosen stretch as a sound file"));
    take_ = new QPushButton(tr("As a take"), this);
    take_->setToolTip(tr("Adds the chosen stretch to the takes"));
    row->addWidget(keep_);
    row->addWidget(take_);
    column->addLayout(row);
    connect(take_, &QPushButton::clicked, this, [this] {
        if (const auto kept = session_.player().kept())
            takePlayed(session_, kept, strip_->chosen());
    });
    connect(keep_, &QPushButton::clicked, this, [this] {
        const auto kept = session_.player().kept();
        const auto range = strip_->chosen();
        const auto path = dialogs::newSound(this, tr("Save what was played"), tr("played.wav"));
        if (kept && !path.isEmpty())
            savePlayed(session_, kept, range, path);
    });
    connect(strip_, &PlayedStrip::changed, this, [this] {
        byHand_ = byHand_ || !showing_;
        showChosen();
    });
}

void PrintPanel::change(const std::function<void(PrintPlan&)>& how)
{
    PrintPlan plan = session_.printing().plan();
    how(plan);
    session_.printing().setPlan(plan);
}

void PrintPanel::showEvent(QShowEvent* event)
{
    QWidget::showEvent(event);
    constexpr int milliseconds = 1000;
    often_.start(milliseconds);
    showPlayed();
}

void PrintPanel::hideEvent(QHideEvent* event)
{
    often_.stop();
    QWidget::hideEvent(event);
}

/// The strip as it is now; a stretch that was chosen stays chosen.
void PrintPanel::showPlayed()
{
    const auto kept = session_.player().kept();
    if (kept) {
        kept->catchUp();
        const auto whole = kept->range();
        const auto before = strip_->chosen();
        const auto picture = kept->picture(whole, playedColumns);
        // What was chosen by hand stays for as long as it is there; otherwise the last phrase.
        const bool stays = byHand_ && before.to > before.from && before.from >= whole.from
            && before.to <= whole.to;
        showing_ = true;
        strip_->setPlayed(picture, whole, kept->rate());
        strip_->choose(stays ? before : lastPlayed(picture, whole, kept->rate()));
        showing_ = false;
        byHand_ = stays;
    }
    showChosen();
}

void PrintPanel::showChosen()
{
    const auto kept = session_.player().kept();
    const auto& chosen = strip_->chosen();
    const bool any = kept && chosen.to > chosen.from;
    keep_->setEnabled(any);
    take_->setEnabled(any);
}

void PrintPanel::showBusy()
{
    const bool busy = session_.printing().busy();
    const auto percent = int(std::lround(100.0 * session_.printing().share()));
    print_->setText(busy ? tr("Stop (%1 %)").arg(percent) : tr("Print a take"));
    many_->setEnabled(!busy && !session_.instrument().takes.empty());
    anew_->setEnabled(!busy);
}

void PrintPanel::askForMany()
{
    PrintSheet sheet(session_, this);
    sheet.ask();
}

void PrintPanel::refresh()
{
    auto& printing = session_.printing();
    printing.wantLook();
    const PrintPlan plan = printing.plan();
    key_->setValue(plan.key);
    touch_->setValue(plan.touch);
    held_->setValue(plan.heldSeconds);
    for (const auto& [button, part] : switches_)
        button->setChecked(plan.*part);
    view_->setLook(printing.look(), plan.heldSeconds, printing.obstacle(), printing.lookIsNew());
    const Take* take = session_.take();
    const bool isPrint = take != nullptr && take->print;
    anew_->setVisible(isPrint);
    QString said = tr("what is heard becomes a new take, and remembers what it was made of");
    if (isPrint) {
        said = typeset(describePrint(session_.instrument(), *take->print, session_.naming()));
        if (isStalePrint(session_.instrument(), *take))
            said += tr(". Its sources have changed since");
    }
    made_->setText(
        made_->fontMetrics().elidedText(said, Qt::ElideRight, std::max(40, made_->width())));
    made_->setToolTip(isPrint ? said : QString());
    print_->setEnabled(printing.busy() || printing.obstacle().isEmpty());
    showBusy();
}

} // namespace puretone::app
