// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/wave/wave_geometry.h"

#include <algorithm>
#include <cmath>

namespace puretone::app {

WaveGeometry WaveGeometry::fitting(Span span) const
{
    WaveGeometry g = *this;
    const double length = std::max<double>(1.0, double(span.length()));
    const double air = 0.03 * length;
    g.framesPerPixel = std::max(closest, (length + 2.0 * air) / std::max(1.0, area.width()));
    const double middle = 0.5 * double(span.start.value + span.end.value);
    g.firstFrame = middle - 0.5 * area.width() * g.framesPerPixel;
    return g;
}

WaveGeometry WaveGeometry::zoomed(double factor, double x, std::int64_t frames) const
{
    WaveGeometry g = *this;
    const double under = frameAt(x);
    const double widest = 1.1 * double(frames) / std::max(1.0, area.width());
    g.framesPerPixel = std::clamp(framesPerPixel * factor, closest, std::max(closest, widest));
    return g.scrolledTo(under - (x - area.left()) * g.framesPerPixel, frames);
}

WaveGeometry WaveGeometry::scrolledTo(double first, std::int64_t frames) const
{
    WaveGeometry g = *this;
    const double shown = area.width() * framesPerPixel;
    const double air = 0.05 * shown;
    const double most = std::max(-air, double(frames) + air - shown);
    g.firstFrame = shown > double(frames) + 2.0 * air ? 0.5 * (double(frames) - shown)
                                                      : std::clamp(first, -air, most);
    return g;
}

std::vector<Tick> timeTicks(const WaveGeometry& geometry, double rate, double leastPixels)
{
    const double secondsPerPixel = geometry.framesPerPixel / rate;
    const double wanted = leastPixels * secondsPerPixel;
    const double decade = std::pow(10.0, std::floor(std::log10(wanted)));
    double step = 10.0 * decade;
    for (const double factor : {1.0, 2.0, 5.0})
        if (factor * decade >= wanted) {
            step = factor * decade;
            break;
        }
    const int decimals = std::clamp(int(std::ceil(-std::log10(step) - 1e-9)), 0, 5);
    std::vector<Tick> ticks;
    const auto first =
        std::int64_t(std::ceil(std::max(0.0, geometry.firstFrame) / rate / step - 1e-9));
    for (std::int64_t i = first; double(i) * step * rate <= geometry.lastFrame(); ++i)
        ticks.push_back(
            {double(i) * step * rate, QString::number(double(i) * step, 'f', decimals)});
    return ticks;
}

} // namespace puretone::app
