// SPDX-License-Identifier: GPL-3.0-or-later
#include "loop/joint/changes.h"

namespace puretone {

namespace {

constexpr double changeWindowSeconds = 0.02, hopSeconds = 0.004;
constexpr std::size_t apart = 3; ///< Hops between the two spectra that are compared.
constexpr std::int64_t marginHops = 6; ///< Hops before the crossfade and behind the joint.
constexpr std::int64_t mostPlaces = 16;

} // namespace

RecordingChanges::RecordingChanges(const Audio& audio)
    : audio_(audio)
    , spectra_(
          std::max<std::int64_t>(16, std::int64_t(changeWindowSeconds * audio.rate)), audio.rate)
    , hop_(std::max<std::int64_t>(1, std::int64_t(hopSeconds * audio.rate)))
    , levels_(std::size_t(audio.frames() / hop_) + apart + 1)
    , changes_(levels_.size(), -1.0f)
{
}

const std::vector<double>& RecordingChanges::levelsAt(std::size_t index)
{
    auto& levels = levels_[index];
    if (levels.empty()) {
        const auto from = std::clamp<std::int64_t>(
            std::int64_t(index) * hop_ - spectra_.window / 2, 0, audio_.frames());
        levels = spectra_.levels(
            audio_, {Frames{from}, Frames{std::min(audio_.frames(), from + spectra_.window)}});
    }
    return levels;
}

double RecordingChanges::changeAt(std::size_t index)
{
    float& change = changes_[index];
    if (change < 0.0f)
        change = float(spectralChange(levelsAt(index), levelsAt(index + apart)));
    return double(change);
}

double RecordingChanges::beyondUsual(
    Turn& turn, std::int64_t joint, std::int64_t fade, Span stretch)
{
    // Few places in a long crossfade, all of them in a short one; the same number elsewhere.
    const auto reach = fade + 2 * marginHops * hop_;
    const auto places = std::min<std::int64_t>(mostPlaces, reach / hop_);
    const auto step = std::max<std::int64_t>(hop_, reach / places);
    const auto gap = std::int64_t(apart) * hop_;
    double here = 0.0;
    for (std::int64_t i = 0; i < places; ++i) {
        const auto at = joint - fade - marginHops * hop_ + i * step;
        here = std::max(here,
            spectralChange(turn.levelsAround(at, spectra_), turn.levelsAround(at + gap, spectra_)));
    }
    // Windows that reach over the ends of the recording see an end that is not there.
    const auto first = std::max(stretch.start.value, spectra_.window / 2) / hop_ + 1;
    const auto last = std::min(stretch.end.value, audio_.frames() - spectra_.window / 2) / hop_
        - std::int64_t(apart);
    const auto apartInGrid = step / hop_;
    std::vector<double> maxima;
    for (auto from = first; from <= last;
         from += std::max<std::int64_t>(1, places / 2) * apartInGrid) {
        double top = 0.0;
        for (std::int64_t i = 0; i < places && from + i * apartInGrid <= last; ++i)
            top = std::max(top, changeAt(std::size_t(from + i * apartInGrid)));
        maxima.push_back(top);
    }
    if (maxima.empty())
        return 0.0;
    const auto at = maxima.begin() + std::ptrdiff_t((3 * (maxima.size() - 1) + 2) / 4);
    std::nth_element(maxima.begin(), at, maxima.end());
    return std::max(0.0, here - *at);
}

} // namespace puretone
