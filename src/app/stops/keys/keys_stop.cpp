// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/keys/keys_stop.h"

#include "app/theme/theme.h"

#include <QMenu>

namespace puretone::app {

namespace {

enum Page { lanesPage, layOutPage, matchPage };

} // namespace

KeysStop::KeysStop(Session& s, QWidget* parent)
    : StopView(s, tr("Keys"), parent)
{
    bench()->addWidget(buildBench(), 1);
    bench()->addLayout(buildRow());
    zone_ = new ZonePanel(s, details());
    details()->addRule();
    layer_ = new LayerPanel(s, details());
    details()->column()->addStretch(1);
    connectLanes();
    const auto back = [this] {
        pages_->setCurrentIndex(lanesPage);
        refresh();
    };
    connect(layOut_, &LayOutPanel::left, this, back);
    connect(match_, &MatchPanel::left, this, back);
    connect(zone_, &ZonePanel::removeAsked, this, [this] { removeZones(lanes_->chosen()); });
    connect(zone_, &ZonePanel::chooseAsked, this, &KeysStop::choose);
}

QWidget* KeysStop::buildBench()
{
    auto* pages = new QWidget(this);
    pages_ = new QStackedLayout(pages);
    lanes_ = new ZoneBench(pages);
    layOut_ = new LayOutPanel(session(), pages);
    match_ = new MatchPanel(session(), pages);
    pages_->addWidget(lanes_);
    pages_->addWidget(layOut_);
    pages_->addWidget(match_);
    return pages;
}

QHBoxLayout* KeysStop::buildRow()
{
    auto* row = new QHBoxLayout;
    row->setSpacing(8);
    const auto button = [&](const QString& text, const QString& tip) {
        auto* made = new QPushButton(text, this);
        made->setToolTip(tip);
        made->setAccessibleName(text);
        row->addWidget(made);
        return made;
    };
    add_ = button(tr("Add a layer…"),
        tr("An empty one, or a copy of the open one, also turned "
           "round, an octave away or a little out of tune"));
    add_->setProperty("kind", "outlined");
    lay_ = button(tr("Lay out…"),
        tr("Takes of this layer over the keys by their roots, borders halfway between them"));
    levels_ = button(tr("Levels…"), tr("Shows how loud its takes are, and makes them alike"));
    remove_ = button(tr("Remove"), tr("Takes the open layer away; its takes stay"));
    words_ = new QLabel(this);
    words_->setProperty("role", "quiet");
    words_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    row->addWidget(words_, 1);
    connect(add_, &QPushButton::clicked, this, [this] {
        QMenu menu(this);
        menu.addAction(tr("An empty layer"), this, &KeysStop::addEmptyLayer);
        menu.addSeparator();
        const auto copy = [&](const QString& words, LayerCopy how) {
            menu.addAction(words, this, [this, how] { copyLayerAs(how); });
        };
        auto name = QString::fromStdString(session().layer().name);
        name.replace("&", "&&"); // no mark of a key
        copy(tr("A copy of %1").arg(menu.fontMetrics().elidedText(name, Qt::ElideMiddle, 200)),
            LayerCopy::same);
        copy(tr("A copy that runs backwards"), LayerCopy::reversed);
        copy(tr("A copy an octave up"), LayerCopy::octaveUp);
        copy(tr("A copy an octave down"), LayerCopy::octaveDown);
        copy(tr("A copy a little out of tune"), LayerCopy::detuned);
        menu.addSeparator();
        menu.addAction(tr("A layer for each of its sounds"), this, &KeysStop::spread);
        menu.exec(add_->mapToGlobal(QPoint(0, -menu.sizeHint().height())));
    });
    connect(lay_, &QPushButton::clicked, this, &KeysStop::showLayOut);
    connect(levels_, &QPushButton::clicked, this, [this] {
        match_->begin();
        showPanel(matchPage);
    });
    connect(remove_, &QPushButton::clicked, this, &KeysStop::removeLayer);
    return row;
}

void KeysStop::showLayOut()
{
    layOut_->begin();
    showPanel(layOutPage);
}

/// A panel is about one layer of one document: with another one on screen it goes.
void KeysStop::showPanel(int page)
{
    panelAbout_ = {session().history().document(), session().layer().id};
    pages_->setCurrentIndex(page);
}

void KeysStop::connectLanes()
{
    connect(lanes_, &ZoneBench::chosenChanged, this, &KeysStop::choose);
    connect(lanes_, &ZoneBench::layerDragged, this,
        [this](const QString& step, const Layer& layer, bool first) {
            session().editLayer(
                step, [&](Layer& open) { open.zones = layer.zones; }, gesture(first));
        });
    connect(lanes_, &ZoneBench::cancelled, this, [this] { abandonGesture(); });
    connect(lanes_, &ZoneBench::opened, this, [this](LayerId id) { session().showLayer(id); });
    connect(lanes_, &ZoneBench::renameAsked, this, [this] { layer_->editName(); });
    connect(lanes_, &ZoneBench::switched, this, [this](LayerId id, bool on) {
        session().edit(on ? tr("Switch layer on") : tr("Switch layer off"), [&](Instrument& next) {
            if (Layer* layer = next.layer(id))
                layer->on = on;
        });
    });
    connect(lanes_, &ZoneBench::aloneAsked, this, &KeysStop::playAlone);
    connect(lanes_, &ZoneBench::moveAsked, this, &KeysStop::moveLayer);
    connect(lanes_, &ZoneBench::removeAsked, this, &KeysStop::removeZones);
    connect(lanes_, &ZoneBench::soundsDropped, this,
        [this](LayerId id, const QStringList& paths) { session().opening().addFiles(paths, id); });
    connect(lanes_, &ZoneBench::hintChanged, this, [this] { showWords(); });
}

void KeysStop::choose(const ZoneIds& chosen)
{
    lanes_->setChosen(chosen);
    zone_->setChosen(chosen);
    if (chosen.size() != 1)
        return;
    for (const auto& zone : session().layer().zones)
        if (zone.id == *chosen.begin() && (lastTake_ != zone.take)) {
            lastTake_ = zone.take; // this is what was chosen; nothing else is to be
            session().showTake(zone.take);
            return;
        }
}

void KeysStop::removeZones(const ZoneIds& zones)
{
    if (zones.empty())
        return;
    session().editLayer(tr("Take off keys"), [&](Layer& layer) {
        std::erase_if(layer.zones, [&](const Zone& z) { return zones.contains(z.id); });
    });
}

void KeysStop::addEmptyLayer()
{
    LayerId made;
    session().edit(tr("Add layer"), [&](Instrument& next) { made = addLayer(next); });
    session().showLayer(made);
}

void KeysStop::copyLayerAs(LayerCopy how)
{
    struct Work {
        Instrument before, next;
        LayerId made;
    };
    session().background().run(
        JobKind::copyLayer, Background::Running::cancel,
        [work = Work{session().instrument(), session().instrument(), {}}, how,
            id = session().layer().id](const Progress& progress) mutable {
            work.made = copyLayer(work.next, id, how, progress);
            return std::move(work);
        },
        [this](const Work& work) {
            if (work.made == LayerId{})
                session().say(tr("There is no room for another layer."));
            else if (session().instrument() == work.before) {
                session().edit(tr("Copy layer"), [&](Instrument& next) { next = work.next; });
                session().showLayer(work.made);
            }
        });
}

void KeysStop::spread()
{
    Instrument next = session().instrument();
    const auto layers = spreadLayer(next, session().layer().id);
    if (!layers)
        return session().say(QString::fromStdString(layers.error().sentence()));
    session().edit(tr("Spread over layers"), [&](Instrument& i) { i = std::move(next); });
    session().say(
        tr("%1 layers, each with the settings of the one: \"At once\" counts for each sound now.")
            .arg(*layers),
        false);
}

void KeysStop::removeLayer()
{
    session().edit(tr("Remove layer"), [id = session().layer().id](Instrument& next) {
        // The last one stays: an instrument has at least one.
        if (next.layers.size() > 1)
            std::erase_if(next.layers, [&](const Layer& layer) { return layer.id == id; });
    });
}

void KeysStop::moveLayer(LayerId id, int by)
{
    session().edit(tr("Move layer"), [&](Instrument& next) {
        const Layer* layer = next.layer(id);
        if (layer == nullptr)
            return;
        const auto from = layer - next.layers.data();
        const auto to =
            std::clamp<std::ptrdiff_t>(from + by, 0, std::ptrdiff_t(next.layers.size()) - 1);
        const auto begin = next.layers.begin();
        if (to > from)
            std::rotate(begin + from, begin + from + 1, begin + to + 1);
        else
            std::rotate(begin + to, begin + from, begin + from + 1);
    });
}

/// All others off; where that is so already, all on.
void KeysStop::playAlone(LayerId id)
{
    const auto& layers = session().instrument().layers;
    const bool alone = std::all_of(
        layers.begin(), layers.end(), [&](const Layer& l) { return l.on == (l.id == id); });
    session().edit(alone ? tr("Play all layers") : tr("Play layer alone"), [&](Instrument& next) {
        for (auto& layer : next.layers)
            layer.on = alone || layer.id == id;
    });
}

/// How far each take may be transposed, beside the window, each once.
void KeysStop::findReaches()
{
    std::vector<Take> unknown;
    for (const auto& zone : session().layer().zones) {
        const Take* take = session().instrument().take(zone.take);
        if (take != nullptr && take->facts.known() && reachOf_[take->id].lock() != take->sound()
            && lanes_->chosen().contains(zone.id))
            unknown.push_back(*take);
    }
    if (unknown.empty())
        return;
    struct Found {
        TakeId take;
        AudioPtr of;
        Reach reach;
    };
    session().background().run(
        JobKind::reach, Background::Running::finish,
        [unknown = std::move(unknown)](const Progress& progress) {
            std::vector<Found> found;
            for (const auto& take : unknown)
                if (!progress.cancelled())
                    found.push_back({take.id, take.sound(), proposeReach(take)});
            return found;
        },
        [this](const std::vector<Found>& found) {
            for (const auto& [take, of, reach] : found) {
                reaches_[take] = reach;
                reachOf_[take] = of;
            }
            lanes_->setReaches(reaches_);
        });
}

/// What the key under the pointer plays, or what the open layer holds.
void KeysStop::showWords()
{
    QString words = lanes_->hint();
    const auto& zones = session().layer().zones;
    if (words.isEmpty() && !zones.empty()) {
        const auto byHand = std::count_if(zones.begin(), zones.end(),
            [](const Zone& z) { return z.lowKeyByHand || z.highKeyByHand; });
        words = (zones.size() == 1 ? tr("1 zone") : tr("%1 zones").arg(zones.size()))
            + (byHand > 0 ? tr(", borders by hand") : QString());
    }
    words_->setText(words_->fontMetrics().elidedText(words, Qt::ElideRight, words_->width()));
    words_->setToolTip(words);
}

void KeysStop::showHeard(const Engine::Meter& heard, std::array<std::uint64_t, 2> keysDown)
{
    std::vector<int> zones;
    for (const int id : heard.zones)
        if (id != 0)
            zones.push_back(id);
    lanes_->setSounding(zones, keysDown);
    layer_->showGrains(heard.grains);
}

void KeysStop::refresh()
{
    const Instrument& instrument = session().instrument();
    const Layer& layer = session().layer();
    const Take* take = session().take();
    const TakeId shown = take != nullptr ? take->id : TakeId{};
    ZoneIds chosen;
    for (const auto& zone : layer.zones)
        if (lanes_->chosen().contains(zone.id))
            chosen.insert(zone.id);
    // Another take, or another layer: what is on screen is chosen.
    if (shown != lastTake_ || layer.id != lastLayer_) {
        chosen.clear();
        for (const auto& zone : layer.zones)
            if (zone.take == shown && chosen.empty())
                chosen.insert(zone.id);
    }
    lastTake_ = shown;
    lastLayer_ = layer.id;
    lanes_->setInstrument(instrument, layer.id, session().naming());
    lanes_->setChosen(chosen);
    zone_->setChosen(chosen);
    layer_->refresh();
    if (pages_->currentIndex() != lanesPage
        && panelAbout_ != std::pair(session().history().document(), layer.id)) {
        session().background().cancel(JobKind::levels);
        pages_->setCurrentIndex(lanesPage);
    }
    if (pages_->currentIndex() == layOutPage)
        layOut_->refresh();
    add_->setEnabled(instrument.layers.size() < mostLayers);
    lay_->setEnabled(!layer.zones.empty());
    levels_->setEnabled(layer.zones.size() > 1);
    remove_->setEnabled(instrument.layers.size() > 1);
    findReaches();
    showWords();
}

} // namespace puretone::app
