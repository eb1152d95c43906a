// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/search/seam_map.h"

#include "audio/signal/fft.h"

#include <algorithm>
#include <cmath>
#include <cstdint>

namespace puretone {

namespace {

constexpr double mapWindowSeconds = 0.06, beforeSeconds = 0.025;
constexpr double cellSeconds = 0.01, depthDb = 50.0;
constexpr std::size_t mostCells = 1000;

/// Band levels around moments of a recording: `bands` numbers whose distance is a difference in
/// sound.
class Features {
public:
    explicit Features(const Audio& audio)
        : audio_(audio)
        , window_(std::max<std::int64_t>(32, std::int64_t(mapWindowSeconds * audio.rate)))
        , fft_(RealFft::commonSize(std::size_t(window_)))
        , shape_(hannWindow(std::size_t(window_)))
    {
        const double binHz = audio.rate / double(fft_.size());
        std::size_t from = 1;
        for (double edge = 70.0; edge < 0.45 * audio.rate && edge < 16000.0;
             edge *= std::sqrt(2.0)) {
            const auto to = std::min(fft_.bins(), std::size_t(edge / binHz) + 1);
            if (to > from) {
                borders_.push_back(to);
                from = to;
            }
        }
    }
    std::size_t bands() const { return borders_.size(); }

    /// The level of every band with half of the common level taken out.
    void around(std::int64_t centre, float* to)
    {
        std::fill(to, to + bands(), 0.0f);
        for (const auto& channel : audio_.channels) {
            const auto time = fft_.time();
            std::fill(time.begin(), time.end(), 0.0f);
            const auto from = centre - window_ / 2;
            const auto first = std::max<std::int64_t>(0, -from);
            const auto last = std::min(window_, audio_.frames() - from);
            for (auto i = first; i < last; ++i)
                time[std::size_t(i)] = shape_[std::size_t(i)] * channel[std::size_t(from + i)];
            fft_.forward();
            std::size_t k = 1;
            for (std::size_t b = 0; b < bands(); ++b)
                for (; k < borders_[b]; ++k)
                    to[b] += std::norm(fft_.spectrum()[k]);
        }
        float top = -300.0f, mean = 0.0f;
        for (std::size_t b = 0; b < bands(); ++b) {
            to[b] = 10.0f * std::log10(std::max(1e-20f, to[b]));
            top = std::max(top, to[b]);
        }
        for (std::size_t b = 0; b < bands(); ++b) {
            to[b] = std::max(to[b], top - float(depthDb));
            mean += to[b] / float(bands());
        }
        for (std::size_t b = 0; b < bands(); ++b)
            to[b] -= 0.5f * mean;
    }

private:
    const Audio& audio_;
    std::int64_t window_;
    RealFft fft_;
    std::vector<float> shape_;
    std::vector<std::size_t> borders_;
};

/// 2 dB apart is good, 8 dB another sound.
std::uint8_t qualityOf(float squareSum, std::size_t bands)
{
    const float distance = std::sqrt(std::max(0.0f, squareSum) / float(bands));
    return std::uint8_t(std::clamp(255.0f * (1.0f - distance / 8.0f), 0.0f, 255.0f));
}

bool fill(SeamMap& map, Features& features, double rate, const Progress& progress)
{
    const auto bands = features.bands(), cells = map.cells;
    std::vector<float> rows(cells * bands);
    for (std::size_t i = 0; i < cells; ++i) {
        if (progress.cancelled())
            return false;
        // The middle of a usual crossfade lies a little before the point itself.
        const double centre = double(map.span.start.value) + (double(i) + 0.5) * map.cellFrames
            - beforeSeconds * rate;
        features.around(std::llround(centre), &rows[i * bands]);
    }
    map.quality.assign(cells * cells, 0);
    for (std::size_t end = 0; end < cells; ++end)
        for (std::size_t start = 0; start < end; ++start) {
            float sum = 0.0f;
            const float *a = &rows[start * bands], *b = &rows[end * bands];
            for (std::size_t k = 0; k < bands; ++k)
                sum += (a[k] - b[k]) * (a[k] - b[k]);
            map.quality[end * cells + start] = qualityOf(sum, bands);
        }
    return true;
}

} // namespace

SeamMap makeSeamMap(const Audio& audio, Span span, const Progress& progress,
    const std::function<void(const SeamMap&)>& drawn)
{
    const double seconds = double(span.length()) / audio.rate;
    if (seconds < 4.0 * cellSeconds)
        return {};
    Features features(audio);
    const auto whole = std::min(mostCells, std::size_t(seconds / cellSeconds));
    SeamMap map;
    for (const std::size_t part : {std::size_t(8), std::size_t(3), std::size_t(1)}) {
        SeamMap next;
        next.span = span;
        next.cells = std::max<std::size_t>(4, whole / part);
        next.cellFrames = double(span.length()) / double(next.cells);
        if (!fill(next, features, audio.rate, progress))
            return map;
        map = std::move(next);
        if (drawn)
            drawn(map);
    }
    return map;
}

} // namespace puretone
