// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/shape/shape_stop.h"

#include "app/theme/theme.h"
#include "model/edits/ready_shape.h"

#include <QApplication>
#include <QMenu>

namespace puretone::app {

namespace {

QString nameOfKey(int key, const Naming& naming)
{
    return key < 0 ? QString() : typeset(noteName(key, naming));
}

/// The cutoff with what a key adds, without what moves it.
double cutoffAt(const Filter& filter, int key)
{
    return std::clamp(
        filter.hz * std::exp2(filter.follow * (std::max(0, key) - 60) / 12.0), 5.0, 21000.0);
}

} // namespace

ShapeStop::ShapeStop(Session& s, QWidget* parent)
    : StopView(s, tr("Shape"), parent)
    , layerRow_(new QHBoxLayout)
    , picture_(new EnvelopeView(this))
    , filter_(new CutoffView(this))
    , movements_(new MovementList(this))
    , said_(new QLabel(this))
{
    addLayerRow();
    bench()->addWidget(picture_, 5);
    bench()->addWidget(filter_, 3);
    bench()->addWidget(movements_, 3);
    addReadyShapes();
    shape_ = new ShapePanel(s, details());
    movement_ = new MovementPanel(s, details());
    details()->addRule();
    pattern_ = new PatternPanel(
        s, details()->addFold(tr("Tempo and pattern"), QStringLiteral("pattern"), false));
    details()->column()->addStretch(1);
    connect(picture_, &EnvelopeView::dragged, this,
        [this](const Envelope& envelope, const QString& name, bool first) {
            session().editShape(
                name, [&](Layer& l) { l.envelope = envelope; }, gesture(first));
        });
    connect(picture_, &EnvelopeView::cancelled, this, [this] { abandonGesture(); });
    connect(filter_, &CutoffView::changed, this,
        [this](const Filter& filter, const QString& name, bool first) {
            session().editShape(
                name, [&](Layer& l) { l.filter = filter; }, gesture(first));
        });
    connect(filter_, &CutoffView::cancelled, this, [this] { abandonGesture(); });
    connectMovements();
}

void ShapeStop::addLayerRow()
{
    layerRow_->setSpacing(6);
    allLayers_ = new QPushButton(tr("all layers"), this);
    allLayers_->setCheckable(true);
    allLayers_->setProperty("kind", "small");
    allLayers_->setToolTip(tr("What is set here then belongs to every layer"));
    connect(allLayers_, &QPushButton::clicked, this, [this] { session().setShapesAll(true); });
    layerRow_->addWidget(allLayers_);
    layerRow_->addStretch(1);
    bench()->addLayout(layerRow_);
}

void ShapeStop::addReadyShapes()
{
    std::vector<std::pair<QString, QString>> first, second;
    for (int i = 0; i < readyShapeCount; ++i)
        (i < 3 ? first : second)
            .emplace_back(said(nameOf(ReadyShape(i))),
                tr("Sets envelope, loop, filter and notes from what this sound is"));
    int index = 0;
    for (const auto& row : {first, second})
        for (auto* button : details()->addButtons(row)) {
            button->setProperty("kind", "small");
            button->setMinimumWidth(40);
            connect(button, &QPushButton::clicked, this,
                [this, shape = ReadyShape(index)] { session().shaping().give(shape); });
            ++index;
        }
    said_->setWordWrap(true);
    said_->setProperty("role", "quiet");
    said_->hide();
    details()->column()->addWidget(said_);
    connect(&session().shaping(), &Shaping::told, said_, [this](const QString& sentence) {
        said_->setText(sentence);
        said_->setVisible(!sentence.isEmpty());
        saidOf_ = {session().history().document(), session().layer().id};
    });
}

void ShapeStop::connectMovements()
{
    connect(movements_, &MovementList::chosen, this, [this](int index) {
        movement_->choose(index);
        movements_->setMovements(session().layer(), session().instrument().effects, index);
    });
    connect(movements_, &MovementList::switched, this, [this](int index) {
        session().editLayer(tr("Switch movement"), [&](Layer& l) {
            l.movements[std::size_t(index)].on = !l.movements[std::size_t(index)].on;
        });
    });
    connect(movements_, &MovementList::removed, this, [this](int index) {
        movement_->choose(-1);
        session().editLayer(tr("Remove movement"),
            [&](Layer& l) { l.movements.erase(l.movements.begin() + index); });
    });
    connect(movements_, &MovementList::amountEdited, this,
        [this](int index, double amount, bool first) {
            session().editLayer(
                tr("Change movement"),
                [&](Layer& l) { l.movements[std::size_t(index)].amount = amount; }, gesture(first));
        });
    connect(movements_, &MovementList::typed, this, [this](const QString& text) {
        const auto made = parseMovement(
            text.toStdString(), session().instrument().effects, session().layer().manner);
        if (!made) {
            session().refuse(QString::fromStdString(made.error().sentence()));
            return;
        }
        movements_->sentence()->clear();
        movements_->sentence()->clearFocus(); // so that letters play again
        makeMovement(*made);
    });
    connect(movements_, &MovementList::addAsked, this, [this](const QPoint& place) {
        QMenu menu(this);
        fillMovementMenu(menu, [this](const NewMovement& wanted) { makeMovement(wanted); });
        menu.exec(place);
    });
    connect(movements_, &MovementList::learnAsked, this, &ShapeStop::setLearning);
    connect(qApp, &QApplication::focusChanged, this, [this](QWidget*, QWidget* now) {
        const auto target = targetOf(now);
        if (!learns_ || !target)
            return;
        touched_ = target;
        session().say(
            tr("Now move a controller: it will move the %1.").arg(said(factsOf(*target).word)),
            false);
    });
}

void ShapeStop::makeMovement(const NewMovement& wanted, bool learnt, double value)
{
    Result<std::size_t> added = 0;
    session().edit(learnt ? tr("Learn movement") : tr("Add movement"), [&](Instrument& next) {
        for (Layer& layer : next.layers)
            if (session().shapesAll() || layer.id == session().layer().id) {
                const auto made = addMovement(layer, wanted);
                if (layer.id == session().layer().id)
                    added = made;
                if (made && learnt)
                    keepSounding(layer, wanted.movement, value);
                // A movement of the cutoff wants a filter that it can move.
                if (made && wanted.movement.target == Target::cutoff
                    && layer.filter.kind == FilterKind::off)
                    layer.filter.kind = FilterKind::low;
            }
    });
    if (!added) {
        session().say(QString::fromStdString(added.error().sentence()));
        return;
    }
    const Source by = wanted.movement.source;
    if (wanted.fromBelow && !isTwoSided(by))
        session().say(tr("It sounds as it did where %1 is at its highest, and less below.")
                          .arg(QString::fromStdString(sourceName(by, session().layer().waves))),
            false);
    movement_->choose(int(*added));
    refresh();
}

void ShapeStop::setLearning(bool on)
{
    learns_ = on;
    touched_.reset();
    if (on)
        session().say(tr("Touch the value that a controller is to move."), false);
}

/// The controller that moved last, for the value that was touched.
void ShapeStop::learn(const Engine::Meter& heard)
{
    const bool pedal = heard.controller >= 64 && heard.controller <= 67;
    if (!learns_ || !touched_ || heard.controller < 0 || pedal)
        return;
    NewMovement made;
    made.movement.source = heard.controller == 1 ? Source{SourceKind::wheel, 0}
                                                 : Source{SourceKind::controller, heard.controller};
    made.movement.target = *touched_;
    made.movement.amount = factsOf(*touched_).usual;
    touched_.reset();
    movements_->learnButton()->setChecked(false);
    makeMovement(made, true, heard.controllerValue);
    session().say(typeset(sentenceOf(session().layer(), session().layer().movements.back(),
                              session().instrument().effects)
                              .whole()
                      + "."),
        false);
}

void ShapeStop::showHeard(const Engine::Meter& heard, std::array<std::uint64_t, 2> down)
{
    movements_->showNow(heard.moves);
    filter_->showNow(heard.cutoff);
    pattern_->showHeard(heard);
    learn(heard);
    for (int key = 127; key >= 0; --key)
        if ((down[std::size_t(key / 64)] >> (key % 64) & 1U) != 0) {
            if (session().notePicture().setKey(key))
                refresh();
            break;
        }
}

void ShapeStop::refreshLayerRow()
{
    const auto& layers = session().instrument().layers;
    constexpr std::size_t most = 6;
    while (layerButtons_.size() < std::min(layers.size(), most)) {
        auto* button = new QPushButton(this);
        button->setCheckable(true);
        button->setProperty("kind", "small");
        const auto index = layerButtons_.size();
        connect(button, &QPushButton::clicked, this, [this, index] {
            const auto& all = session().instrument().layers;
            if (index < all.size()) {
                session().setShapesAll(false);
                session().showLayer(all[index].id);
                refreshLayerRow();
            }
        });
        layerButtons_.push_back(button);
        layerRow_->insertWidget(int(layerButtons_.size()), button);
    }
    // Of very many layers those around the one on screen.
    for (std::size_t i = 0; i < layerButtons_.size(); ++i) {
        auto* button = layerButtons_[i];
        button->setVisible(i < layers.size() && layers.size() > 1);
        if (i >= layers.size())
            continue;
        const QString name = QString::fromStdString(layers[i].name);
        button->setText(button->fontMetrics().elidedText(name, Qt::ElideMiddle, 110));
        button->setToolTip(name);
        button->setAccessibleName(tr("Shape layer %1").arg(name));
        button->setChecked(!session().shapesAll() && layers[i].id == session().layer().id);
    }
    allLayers_->setVisible(layers.size() > 1);
    allLayers_->setChecked(session().shapesAll());
}

void ShapeStop::refresh()
{
    const Layer& layer = session().layer();
    session().player().engine().showLayer(layer.id);
    refreshLayerRow();
    // What a ready shape did is told until it is undone, or something else is on screen.
    if (session().history().canRedo()
        || saidOf_ != std::pair(session().history().document(), layer.id))
        said_->hide();
    auto& note = session().notePicture();
    const auto g = EnvelopeGeometry::make(QRectF(0.0, 0.0, 1.0, 1.0), layer.envelope);
    note.want(g.letGo, g.shownSeconds);
    picture_->setNote(note.wave(), layer.envelope, nameOfKey(note.key(), session().naming()));
    filter_->setFilter(note.spectrum(), layer.filter, cutoffAt(layer.filter, note.key()),
        typeset(noteName(note.key(), session().naming())));
    movements_->setMovements(layer, session().instrument().effects, movement_->chosen());
    shape_->refresh();
    movement_->refresh();
    pattern_->refresh();
}

} // namespace puretone::app
