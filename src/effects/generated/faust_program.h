// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <string_view>

// What the programs in generated/ are written against: as much of Faust's own base classes as they
// use.

namespace puretone::generated {

struct Meta {
    void declare(const char*, const char*) noexcept { }
};

/// Told by a program of each number that it can be given, and each that it shows.
class UI {
public:
    virtual ~UI() = default;
    void openVerticalBox(const char*) noexcept { }
    void closeBox() noexcept { }
    void declare(const float*, const char*, const char*) noexcept { }
    void addHorizontalSlider(const char* name, float* at, float, float, float, float)
    {
        number(name, at);
    }
    void addNumEntry(const char* name, float* at, float, float, float, float) { number(name, at); }
    void addHorizontalBargraph(const char* name, float* at, float, float) { shown(name, at); }

protected:
    virtual void number(std::string_view name, float* at) = 0;
    virtual void shown(std::string_view name, const float* at) = 0;
};

class dsp {
public:
    virtual ~dsp() = default;
};

} // namespace puretone::generated
