// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/keys/lane_geometry.h"
#include "model/edits/zone_edit.h"
#include "model/making/reach.h"
#include "model/words/readings.h"
#include "pitch/series/note.h"

#include <QWidget>
#include <array>
#include <map>

namespace puretone::app {

/// Lanes over the keys: every layer is one. The open one has touch upwards and its zones as blocks,
/// which are chosen, moved, stretched and crossed over; the others are ribbons.
///
/// A border drags with its neighbour, with Alt alone. Ctrl and Shift choose more, a frame what it
/// touches, Ctrl+A all. The wheel zooms about the pointer, with Shift it scrolls; Esc puts a drag
/// back.
class ZoneBench : public QWidget {
    Q_OBJECT

public:
    explicit ZoneBench(QWidget* parent = nullptr);
    /// What is shown of a take.
    struct TakeWords {
        QString name;
        int root = 60;
        bool pitched = true;
        std::optional<Reach> reach; ///< Where it begins to sound thin or slow; unknown until found.
    };
    void setInstrument(const Instrument& instrument, LayerId open, const Naming& naming);
    void setReaches(const std::map<TakeId, Reach>& reaches);
    void setChosen(const ZoneIds& chosen);
    const ZoneIds& chosen() const { return chosen_; }
    const std::vector<int>& sounding() const { return sounding_; }
    /// 30 times a second: ids of zones that sound. @param keys That are down.
    void setSounding(const std::vector<int>& zones, std::array<std::uint64_t, 2> keys);
    LaneGeometry geometry() const;
    /// Where a zone of the open lane lies.
    QRectF blockRect(const Zone& zone) const { return geometry().block(zone); }
    /// Where the handle lies that drags how far a border crosses over.
    QPointF crossoverHandle(const Zone& zone, ZoneEdge edge) const;
    /// What the key under the pointer plays, for the line below the lanes.
    QString hint() const { return hint_; }
    QSize minimumSizeHint() const override { return {320, 200}; }

signals:
    void chosenChanged(const puretone::ZoneIds& chosen);
    /// The open layer as a drag has made it.
    void layerDragged(const QString& step, const puretone::Layer& layer, bool first);
    void cancelled();
    void opened(puretone::LayerId layer);
    void switched(puretone::LayerId layer, bool on);
    void aloneAsked(puretone::LayerId layer);
    void moveAsked(puretone::LayerId layer, int by);
    void removeAsked(const puretone::ZoneIds& zones);
    void renameAsked();
    void hintChanged(const QString& hint);
    /// Sound files were let go over a lane.
    void soundsDropped(puretone::LayerId layer, const QStringList& paths);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    enum class Grip { none, edge, crossover, block, frame, ribbon };
    struct Hit {
        Grip grip = Grip::none;
        ZoneId zone;
        ZoneEdge edge = ZoneEdge::lowKey;
        std::size_t layer = 0;
    };
    Hit hitAt(QPointF position) const;
    Hit edgeAt(QPointF position) const;
    const Zone* blockAt(QPointF position) const;
    const Layer& open() const { return layers_[openIndex()]; }
    std::size_t openIndex() const;
    const Zone* zone(ZoneId id) const;
    const TakeWords* words(const Zone& zone) const;
    void choose(const Zone& zone, Qt::KeyboardModifiers modifiers);
    void setChosenByHand(ZoneIds chosen);
    void findStacks();
    void chooseFrame();
    void pressRibbon(const Hit& hit, Qt::KeyboardModifiers modifiers);
    void drag(QPointF position, Qt::KeyboardModifiers modifiers);
    void endDrag();
    void showCursor(QPointF position);
    void showHint(QPointF position);
    void step(int by, bool extend);

    void paintLane(QPainter& painter, const LaneGeometry& g, std::size_t layer) const;
    void paintRibbon(
        QPainter& painter, const LaneGeometry& g, const Layer& layer, QRectF track) const;
    void paintField(QPainter& painter, const LaneGeometry& g) const;
    void paintBlocks(QPainter& painter, const LaneGeometry& g) const;
    void paintShape(QPainter& painter, const LaneGeometry& g, const Zone& zone, QRectF block) const;
    void paintBlock(
        QPainter& painter, const LaneGeometry& g, const Zone& zone, bool isChosen) const;
    void paintRoot(QPainter& painter, QRectF block, const LaneGeometry& g, const TakeWords& take,
        bool isChosen) const;
    void paintStack(QPainter& painter, QRectF block, std::size_t count) const;
    void paintReach(
        QPainter& painter, const LaneGeometry& g, const Zone& zone, const TakeWords& take) const;
    void paintHandles(QPainter& painter, const Zone& zone) const;
    void paintKeys(QPainter& painter, const LaneGeometry& g) const;
    void paintTag(QPainter& painter) const;
    QString tagText() const;

    std::vector<Layer> layers_;
    std::map<TakeId, TakeWords> takes_;
    std::array<bool, 128> silent_{};
    std::map<ZoneId, std::size_t>
        stacks_; ///< How many share its keys and touches; 0 behind the first.
    LayerId open_;
    Naming naming_;
    KeyAxis axis_{0.0, 100.0, 12.0, 97.0};
    ZoneIds chosen_;
    ZoneId last_; ///< Where Shift chooses from.
    std::vector<int> sounding_;
    std::array<std::uint64_t, 2> keysDown_{};
    QString hint_;

    Hit grabbed_;
    Layer atGrab_;
    ZoneIds chosenAtGrab_;
    QPointF grabPoint_, pointer_;
    bool moved_ = false;
};

/// What a layer does, in words: "when a key comes up · 3 in turn".
/// @param onlyTake Name of the only take that it plays; empty where there are more.
QString whatLayerDoes(const Layer& layer, const QString& onlyTake = {});

} // namespace puretone::app
