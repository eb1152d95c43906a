// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/shape/envelope_view.h"
#include "app/widgets/keyboard.h"
#include "app/widgets/wave/wave_geometry.h"

#include <catch2/catch.hpp>

using namespace puretone;
using namespace puretone::app;
using Catch::Matchers::WithinAbs;

TEST_CASE("zooming keeps the frame under the pointer", "[app][geometry]")
{
    WaveGeometry g{QRectF(10, 0, 900, 300), 0.0, 200.0};
    for (const double x : {200.0, 455.0, 700.0}) {
        auto zoomed = g;
        for (int i = 0; i < 12; ++i) {
            const double under = zoomed.frameAt(x);
            zoomed = zoomed.zoomed(0.6, x, 180000);
            if (zoomed.framesPerPixel > WaveGeometry::closest * 1.01)
                CHECK_THAT(zoomed.frameAt(x), WithinAbs(under, 1e-6 * 180000));
        }
        CHECK(zoomed.framesPerPixel >= WaveGeometry::closest);
    }
}

TEST_CASE("positions and frames are each other's inverse", "[app][geometry]")
{
    const WaveGeometry g{QRectF(8, 0, 640, 300), 1234.5, 3.7};
    for (const double frame : {1300.0, 2000.25, 3600.0})
        CHECK_THAT(g.frameAt(g.xOf(frame)), WithinAbs(frame, 1e-9));
    const auto fitted = g.fitting({Frames{1000}, Frames{5000}});
    CHECK(fitted.xOf(1000) > fitted.area.left());
    CHECK(fitted.xOf(5000) < fitted.area.right());
}

TEST_CASE("ticks stand at round times and apart", "[app][geometry]")
{
    for (double fpp = 0.05; fpp < 5000.0; fpp *= 2.3) {
        const WaveGeometry g{QRectF(0, 0, 900, 300), 1000.0, fpp};
        const auto ticks = timeTicks(g, 48000.0);
        REQUIRE(ticks.size() < 15);
        for (std::size_t i = 1; i < ticks.size(); ++i) {
            CHECK((ticks[i].frame - ticks[i - 1].frame) / fpp >= 79.0);
            CHECK(ticks[i].label != ticks[i - 1].label);
        }
    }
}

TEST_CASE("every key is found under its own middle", "[app][geometry]")
{
    const KeyboardGeometry g{QRectF(0, 18, 940, 110)};
    for (int key = g.lowest; key <= g.highest; ++key) {
        const QRectF rect = g.rectOf(key);
        CHECK(g.keyAt(QPointF(rect.center().x(), rect.bottom() - 3.0)) == key);
        CHECK(g.velocityAt(key, rect.topLeft())
            < g.velocityAt(key, QPointF(rect.center().x(), rect.bottom() - 2.0)));
    }
    CHECK(g.velocityAt(60, QPointF(0, 128)) == 127);
    CHECK_FALSE(g.keyAt(QPointF(-5, 60)));
    CHECK_THAT(g.rectOf(108).right(), WithinAbs(940.0, 1e-6));
}

TEST_CASE("dragging an envelope point changes its own time only", "[app][geometry]")
{
    const Envelope e{0.1, 0.3, 0.2, 0.5, -12.0, 0.8};
    const auto g = EnvelopeGeometry::make(QRectF(10, 10, 900, 400), e);
    CHECK(g.xOf(g.letGo + e.release) <= g.area.right());
    for (const auto point : {EnvelopePoint::attack, EnvelopePoint::hold, EnvelopePoint::decay,
             EnvelopePoint::release}) {
        const auto same = g.dragged(point, g.placeOf(point));
        CHECK_THAT(same.attack, WithinAbs(e.attack, 1e-9));
        CHECK_THAT(same.hold, WithinAbs(e.hold, 1e-9));
        CHECK_THAT(same.decay, WithinAbs(e.decay, 1e-9));
        CHECK_THAT(same.sustainDb, WithinAbs(e.sustainDb, 1e-6));
        CHECK_THAT(same.release, WithinAbs(e.release, 1e-9));
    }
    const auto longer = g.dragged(EnvelopePoint::attack, QPointF(g.xOf(0.7), 20));
    CHECK_THAT(longer.attack, WithinAbs(0.6, 1e-9));
    CHECK(longer.hold == e.hold);
    CHECK(g.dragged(EnvelopePoint::release, QPointF(0, 0)).release == shortestRelease);
    CHECK(g.dragged(EnvelopePoint::decay, QPointF(g.xOf(1.0), 9999)).sustainDb == silentSustainDb);
    // Points of no length are still told apart.
    const auto flat = EnvelopeGeometry::make(QRectF(10, 10, 900, 400), Envelope());
    CHECK(flat.gripOf(EnvelopePoint::hold).x() > flat.gripOf(EnvelopePoint::attack).x() + 12.0);
    CHECK(flat.gripOf(EnvelopePoint::decay).x() > flat.gripOf(EnvelopePoint::hold).x() + 12.0);
}
