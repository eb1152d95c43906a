// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// What the walks of tests/app have in common.

#include "app/stops/effects/effects_stop.h"
#include "app/stops/shape/shape_stop.h"
#include "support/driver.h"

namespace probe {

inline EffectsStop* effectsOf(Driver& d)
{
    d.goTo(Stop::effects);
    return static_cast<EffectsStop*>(d.window.stop(Stop::effects));
}
inline SoundStop* soundOf(Driver& d)
{
    d.goTo(Stop::sound);
    return static_cast<SoundStop*>(d.window.stop(Stop::sound));
}
inline ShapeStop* shapeOf(Driver& d)
{
    d.goTo(Stop::shape);
    return static_cast<ShapeStop*>(d.window.stop(Stop::shape));
}

/// Types sentences into the list of movements of the layer on screen.
inline void typeMovements(Driver& d, const std::vector<QString>& sentences)
{
    auto* line = shapeOf(d)->movements()->sentence();
    for (const auto& sentence : sentences) {
        const auto before = d.session().layer().movements.size();
        line->setText(sentence);
        QTest::keyClick(line, Qt::Key_Return);
        INFO(sentence.toStdString());
        REQUIRE(d.session().layer().movements.size() == before + 1);
    }
    d.settle();
}

/// What is heard while a key is held, behind its beginning.
inline std::vector<float> heardAt(Driver& d, int key, int touch = 100)
{
    d.noteOn(key, touch);
    (void)d.hear(0.5);
    auto sound = d.hear(0.3);
    d.noteOff(key);
    (void)d.hear(0.3);
    return sound;
}
inline double heardDb(Driver& d, int key, int touch = 100)
{
    return rmsDb(heardAt(d, key, touch));
}

/// Saved, opened again equal, and walked back to nothing and forth again.
inline void saveAndWalkBack(Driver& d)
{
    const TemporaryFolder folder;
    const auto file = folder / "walk.puretone";
    d.saveInDialog(file);
    const Instrument end = d.document();
    {
        Driver other;
        other.drop(file);
        CHECK(other.document() == end);
    }
    int steps = 0;
    while (d.session().history().canUndo() && steps < 200) {
        d.session().undo();
        ++steps;
    }
    CHECK(d.document().takes.empty());
    while (d.session().history().canRedo())
        d.session().redo();
    d.settle();
    CHECK(d.document() == end);
}

} // namespace probe
