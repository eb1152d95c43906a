// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/stops/wave_bench.h"

#include "app/theme/theme.h"

namespace puretone::app {

namespace {

/// The whole recording; of one that holds more than this take, the take with some air.
Span homeOf(const Take& take)
{
    const Span whole{Frames{0}, Frames{take.audio().frames()}};
    if (2 * take.kept.length() > whole.length())
        return whole;
    const auto air = take.kept.length() / 6;
    return {Frames{std::max<std::int64_t>(0, take.kept.start.value - air)},
        Frames{std::min(whole.end.value, take.kept.end.value + air)}};
}

} // namespace

WaveBench::WaveBench(Session& session, const QString& title, QWidget* parent)
    : StopView(session, title, parent)
    , strip_(new WaveStrip(this))
    , wave_(new WaveView(this))
    , invitation_(new QLabel(this))
    , arriving_(new ArrivingView(this))
{
    bench()->addWidget(strip_);
    bench()->addWidget(wave_, 3);
    bench()->addWidget(invitation_, 3);
    bench()->addWidget(arriving_, 3);
    invitation_->setAlignment(Qt::AlignCenter);
    invitation_->setWordWrap(true);
    invitation_->setProperty("role", "quiet");
    invitation_->setFont(Theme::font(15));
    connect(wave_, &WaveView::viewChanged, this, [this] {
        const auto& g = wave_->geometryOfWave();
        strip_->setWindow(g.firstFrame, g.lastFrame());
    });
    connect(strip_, &WaveStrip::scrolled, wave_, &WaveView::scrollTo);
}

bool WaveBench::showSound()
{
    const Take* take = session().take();
    const bool has = take != nullptr;
    const auto coming = session().opening().arriving();
    if (coming.get() != arriving_->watched())
        arriving_->watch(coming);
    arriving_->setVisible(coming != nullptr);
    strip_->setVisible(has && !coming);
    wave_->setVisible(has && !coming);
    invitation_->setVisible(!has && !coming);
    if (!has) {
        invitation_->setText(
            tr("Drop a recording here, open one with Ctrl+O,\nor record one with Ctrl+R.\n\n"
               "One sound is enough: a sung note, a bell, a bottle."));
        return false;
    }
    strip_->setSound(session().pictures().peaks(), take->kept);
    wave_->setSound(session().pictures().peaks(), take->kept);
    const Subject subject{session().keyOf(*take), take->recording.pointer().get()};
    if (subject != std::exchange(shown_, subject))
        wave_->setHome(homeOf(*take));
    const auto period = take->period();
    wave_->setPeriod(period ? *period * take->rate() : 0.0);
    return true;
}

double WaveBench::rate()
{
    return session().take() != nullptr ? session().take()->rate() : 48000.0;
}

} // namespace puretone::app
