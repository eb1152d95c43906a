// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstddef>
#include <new>
#include <vector>

namespace puretone {

struct KernelTerms;

/// One low-pass kernel, tabulated for reading between frames: a row of weights for each of `phases`
/// places between two frames, and one more, so that a place between two rows has both.
class Kernel {
public:
    explicit Kernel(const KernelTerms& terms);

    std::size_t taps() const noexcept { return taps_; }
    /// Frames needed before and after the whole part of a position.
    std::size_t before() const noexcept { return taps_ / 2 - 1; }
    std::size_t after() const noexcept { return taps_ / 2; }
    /// Place between two frames, 32 binary digits, to the row below it: shift it by so many.
    unsigned phaseShift() const noexcept { return phaseShift_; }
    /// Frames of the copy per output frame up to which nothing folds back.
    double fastest() const noexcept { return fastest_; }
    /// `taps` weights; aligned to 32 bytes.
    const float* row(std::size_t phase) const noexcept { return rows_.data() + phase * taps_; }

private:
    template <class T> struct Aligned {
        using value_type = T;
        T* allocate(std::size_t n)
        {
            return static_cast<T*>(::operator new(n * sizeof(T), std::align_val_t(64)));
        }
        void deallocate(T* p, std::size_t) noexcept { ::operator delete(p, std::align_val_t(64)); }
        bool operator==(const Aligned&) const = default;
    };
    std::size_t taps_;
    unsigned phaseShift_;
    double fastest_;
    std::vector<float, Aligned<float>> rows_;
};

/// A kernel and the speeds, frames of its copy per output frame, that it is meant for.
struct KernelRung {
    const Kernel* kernel = nullptr;
    double above = 0.0; ///< A wider kernel serves what is not faster.
    double upTo = 0.0;
};

/// The kernels for all speeds at which one copy is read: the faster, the narrower.
class KernelLadder {
public:
    /// The last speed that a copy is read at before the next one takes over.
    static constexpr double fastest = 1.887749;

    /// Made once, on first use; not for the first time on the audio thread.
    static const KernelLadder& shared();

    /// The widest kernel that may be read at `speed`. @param octave Of the copy; 0 is the recording
    /// itself, which nothing wider stands before.
    KernelRung rungFor(double speed, int octave) const noexcept;

private:
    KernelLadder();
    std::vector<Kernel> plain_;
    Kernel octave_;
};

} // namespace puretone
