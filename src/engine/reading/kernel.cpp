// SPDX-License-Identifier: GPL-3.0-or-later
#include "engine/reading/kernel.h"

#include "audio/signal/bessel.h"
#include "engine/reading/kernel_terms.h"

#include <bit>
#include <cmath>
#include <numbers>

namespace puretone {

namespace {

double valueAt(const KernelTerms& terms, double t)
{
    const double share = 2.0 * t / terms.taps;
    if (std::abs(share) >= 1.0)
        return 0.0;
    // cos(k x) from the two before it.
    const double x = std::cos(std::numbers::pi * share);
    double sum = terms.cosines[0], last = 1.0, now = x;
    for (std::size_t k = 1; k < terms.cosines.size(); ++k) {
        sum += terms.cosines[k] * now;
        const double next = 2.0 * x * now - last;
        last = now;
        now = next;
    }
    return besselI0(6.0 * std::sqrt(1.0 - share * share)) * sum;
}

} // namespace

Kernel::Kernel(const KernelTerms& terms)
    : taps_(std::size_t(terms.taps))
    , phaseShift_(32U - unsigned(std::countr_zero(unsigned(terms.phases))))
    , fastest_(terms.fastest)
    , rows_(std::size_t(terms.phases + 1) * std::size_t(terms.taps))
{
    const auto phases = std::size_t(terms.phases);
    // Read from behind, a row is the one at the mirrored place.
    for (std::size_t p = 0; p <= phases / 2; ++p)
        for (std::size_t i = 0; i < taps_; ++i) {
            const double t = double(i) - double(before()) - double(p) / double(phases);
            const auto value = float(valueAt(terms, t));
            rows_[p * taps_ + i] = value;
            rows_[(phases - p) * taps_ + taps_ - 1 - i] = value;
        }
}

KernelLadder::KernelLadder()
    : plain_(plainKernelTerms.begin(), plainKernelTerms.end())
    , octave_(octaveKernelTerms)
{
}

const KernelLadder& KernelLadder::shared()
{
    static const KernelLadder ladder;
    return ladder;
}

KernelRung KernelLadder::rungFor(double speed, int octave) const noexcept
{
    if (octave > 0 && speed <= octave_.fastest())
        return {&octave_, fastest / 2.0, octave_.fastest()};
    double above = 0.0;
    for (const auto& kernel : plain_) {
        if (speed <= kernel.fastest())
            return {&kernel, above, kernel.fastest()};
        above = kernel.fastest();
    }
    return {&plain_.back(), plain_[plain_.size() - 2].fastest(), fastest};
}

} // namespace puretone
