// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/copies.h"

#include "audio/resample.h"

#include <algorithm>

namespace puretone {

std::size_t bandwidthForSpeed(double speed) noexcept
{
    for (std::size_t i = 0; i < bandwidths.size(); ++i)
        if (bandwidths[i].share() * speed <= 1.08)
            return i;
    return bandwidths.size() - 1;
}

namespace {

BandCopy makeCopy(const Audio& stretch, Bandwidth bandwidth)
{
    BandCopy copy;
    copy.framesPerFrame = 2.0 * bandwidth.share();
    for (const auto& channel : stretch.channels) {
        // Down to the bandwidth first (the filter cuts there), then up by two for the interpolator.
        const auto narrow = bandwidth.numerator == bandwidth.denominator
            ? channel
            : resample(channel, bandwidth.denominator, bandwidth.numerator);
        const auto fine = resample(narrow, 1.0, 2.0);
        std::vector<float> padded(fine.size() + 2 * std::size_t(BandCopies::margin), 0.0f);
        std::copy(fine.begin(), fine.end(), padded.begin() + BandCopies::margin);
        copy.channels.push_back(std::move(padded));
    }
    return copy;
}

} // namespace

BandCopies::BandCopies(const Audio& stretch, std::int64_t first, double fastest)
    : first_(first)
    , end_(first + stretch.frames())
    , fastest_(fastest)
{
    const bool sparse = stretch.seconds() > 60.0;
    const auto wanted = [&](std::size_t i) {
        const auto& b = bandwidths[i];
        return !sparse
            || (b.numerator == 1
                && (b.denominator == 1 || b.denominator == 2 || b.denominator == 4));
    };
    std::vector<double> shares;
    for (std::size_t i = 0; i <= bandwidthForSpeed(fastest); ++i)
        if (wanted(i)) {
            copies_.push_back(makeCopy(stretch, bandwidths[i]));
            shares.push_back(bandwidths[i].share());
        }
    // The widest copy that is narrow enough; the narrowest where none is.
    for (std::size_t i = 0; i < bandwidths.size(); ++i) {
        const auto enough = std::find_if(shares.begin(), shares.end(),
            [&](double share) { return share <= bandwidths[i].share() + 1e-9; });
        copyOf_[i] = std::min(std::size_t(enough - shares.begin()), shares.size() - 1);
    }
}

std::size_t BandCopies::bytes() const
{
    std::size_t sum = 0;
    for (const auto& copy : copies_)
        for (const auto& channel : copy.channels)
            sum += channel.size() * sizeof(float);
    return sum;
}

} // namespace puretone
