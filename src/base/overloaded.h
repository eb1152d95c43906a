// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace puretone {

/// Several lambdas as one visitor for std::visit.
template <class... Cases> struct Overloaded : Cases... {
    using Cases::operator()...;
};
template <class... Cases> Overloaded(Cases...) -> Overloaded<Cases...>;

} // namespace puretone
