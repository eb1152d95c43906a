// SPDX-License-Identifier: GPL-3.0-or-later
// How what a voice has read comes into the mix: envelope, ramps and sides.
#include "base/wide_vectors.h"
#include "engine/voices/voice.h"

namespace puretone {

namespace {

/// A cell on its way into the mix. @param gains Of each frame; null where one for all is enough.
struct AddedCell {
    const float *left, *right, *gains;
    float gainLeft, gainRight;
};

[[gnu::always_inline]] inline void addCell(
    const AddedCell& cell, float* __restrict left, float* __restrict right)
{
    const float *l = cell.left, *r = cell.right;
    const float gainLeft = cell.gainLeft, gainRight = cell.gainRight;
    if (cell.gains == nullptr) {
        for (std::size_t i = 0; i < Voice::cellFrames; ++i) {
            left[i] += l[i] * gainLeft;
            right[i] += r[i] * gainRight;
        }
        return;
    }
    for (std::size_t i = 0; i < Voice::cellFrames; ++i) {
        left[i] += l[i] * (cell.gains[i] * gainLeft);
        right[i] += r[i] * (cell.gains[i] * gainRight);
    }
}

void addPlain(const AddedCell& cell, float* __restrict left, float* __restrict right)
{
    addCell(cell, left, right);
}
PURETONE_WIDE void addWide(const AddedCell& cell, float* __restrict left, float* __restrict right)
{
    addCell(cell, left, right);
}

} // namespace

void Voice::add(float* left, float* right, float share) const noexcept
{
    const Cell& l = readLeft_;
    const Cell& r = mono_ ? readLeft_ : readRight_;
    const bool still = gainLeft_ == gainLeftTo_ && gainRight_ == gainRightTo_;
    if (rampStep_ == 0.0 && still) {
        const double whole = double(share) * ramp_ * (oneGain_ >= 0.0f ? double(oneGain_) : 1.0);
        const auto gainLeft = float(gainLeft_ * whole), gainRight = float(gainRight_ * whole);
        const float* gains = oneGain_ >= 0.0f ? nullptr : gains_.data();
        (wideVectors() ? addWide : addPlain)(
            {l.data(), r.data(), gains, gainLeft, gainRight}, left, right);
        return;
    }
    const double leftStep = (gainLeftTo_ - gainLeft_) / cellFrames;
    const double rightStep = (gainRightTo_ - gainRight_) / cellFrames;
    for (int i = 0; i < cellFrames; ++i) {
        const auto at = std::size_t(i);
        const double gain = double(oneGain_ >= 0.0f ? oneGain_ : gains_[at]);
        const double g = double(share) * gain * rampAt(i);
        left[at] += l[at] * float((gainLeft_ + leftStep * i) * g);
        right[at] += r[at] * float((gainRight_ + rightStep * i) * g);
    }
}

} // namespace puretone
