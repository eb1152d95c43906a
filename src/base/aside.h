// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <utility>

namespace puretone {

/// Something that stands beside a value without being part of it: equal to any other, shared
/// between copies until one of them changes it, and perhaps not known at all.
template <class T> class Aside {
public:
    bool known() const { return value_ != nullptr; }
    /// What is known, or a T as it is made.
    const T& operator*() const { return value_ ? *value_ : nothing(); }
    const T* operator->() const { return &**this; }
    /// For changing it in this copy alone, until this is copied again. What was not known is known
    /// from here on.
    T& change()
    {
        auto own = std::make_shared<T>(**this);
        T& changed = *own;
        value_ = std::move(own);
        return changed;
    }
    void forget() { value_.reset(); }
    /// Whether both share the very same one.
    bool isThatOf(const Aside& other) const { return value_ == other.value_; }
    bool operator==(const Aside&) const { return true; }

private:
    static const T& nothing()
    {
        static const T one{};
        return one;
    }
    std::shared_ptr<const T> value_;
};

} // namespace puretone
