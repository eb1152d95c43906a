// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/quantity.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <charconv>
#include <cstdio>

namespace puretone {

namespace {

struct Typed {
    double value = 0.0;
    std::string unit; ///< Lower case, without spaces.
    bool hasPoint = false;
};

std::optional<Typed> splitTyped(std::string_view text)
{
    std::string plain;
    for (const char c : text)
        if (!std::isspace(static_cast<unsigned char>(c)))
            plain += c == ',' ? '.' : char(std::tolower(static_cast<unsigned char>(c)));
    // A typographic minus (U+2212) is what our own fields show.
    if (plain.rfind("\xE2\x88\x92", 0) == 0)
        plain.replace(0, 3, "-");
    if (!plain.empty() && plain.front() == '+')
        plain.erase(0, 1);
    Typed typed;
    const auto [rest, error] =
        std::from_chars(plain.data(), plain.data() + plain.size(), typed.value);
    if (error != std::errc{} || !std::isfinite(typed.value))
        return std::nullopt;
    const auto used = std::size_t(rest - plain.data());
    typed.hasPoint = plain.substr(0, used).find('.') != std::string::npos;
    typed.unit = plain.substr(used);
    return typed;
}

} // namespace

std::string formatNumber(double value, int decimals)
{
    std::array<char, 64> text{};
    const double scale = std::pow(10.0, decimals);
    if (std::abs(value) * scale < 0.5)
        value = 0.0; // no "-0.0"
    std::snprintf(text.data(), text.size(), "%.*f", decimals, value);
    return text.data();
}

std::string formatSeconds(double seconds)
{
    if (seconds < 0.00995)
        return formatNumber(seconds * 1000.0, 1) + " ms";
    if (seconds < 0.9995)
        return formatNumber(seconds * 1000.0, 0) + " ms";
    return formatNumber(seconds, seconds < 99.995 ? 2 : 1) + " s";
}

std::string formatPosition(double seconds)
{
    return formatNumber(seconds, 3) + " s";
}

std::string formatDecibels(Decibels level)
{
    return level.value <= -120.0 ? "silent" : formatNumber(level.value, 1) + " dB";
}

std::string formatHz(double hz)
{
    if (hz >= 1000.0)
        return formatNumber(hz / 1000.0, hz >= 10000.0 ? 1 : 2) + " kHz";
    // A tenth counts below 100 Hz, but not one that is none.
    const bool whole = hz >= 100.0 || std::abs(hz - std::round(hz)) < 0.05;
    return formatNumber(hz, whole ? 0 : 1) + " Hz";
}

std::string formatCents(Cents cents)
{
    const auto number = formatNumber(cents.value, 1);
    return (cents.value >= 0.05 ? "+" : "") + number + " ct";
}

std::string formatBytes(std::uint64_t bytes)
{
    if (bytes < 1000)
        return std::to_string(bytes) + " B";
    if (bytes < 1000000)
        return formatNumber(double(bytes) / 1e3, 0) + " kB";
    if (bytes < 1000000000)
        return formatNumber(double(bytes) / 1e6, 1) + " MB";
    return formatNumber(double(bytes) / 1e9, 1) + " GB";
}

std::optional<double> parseSeconds(std::string_view text, double rate)
{
    const auto typed = splitTyped(text);
    if (!typed)
        return std::nullopt;
    if (typed->unit == "ms")
        return typed->value / 1000.0;
    if (typed->unit == "s" || typed->unit == "sec")
        return typed->value;
    if (typed->unit == "min")
        return typed->value * 60.0;
    if (typed->unit == "frames" || (typed->unit.empty() && !typed->hasPoint))
        return typed->value / rate;
    if (typed->unit.empty())
        return typed->value;
    return std::nullopt;
}

std::optional<double> parseNumber(std::string_view text, std::string_view unit)
{
    const auto typed = splitTyped(text);
    if (!typed)
        return std::nullopt;
    std::string wanted(unit);
    std::transform(wanted.begin(), wanted.end(), wanted.begin(),
        [](unsigned char c) { return char(std::tolower(c)); });
    if (!typed->unit.empty() && typed->unit != wanted
        && !(wanted == "ct" && typed->unit == "cents"))
        return std::nullopt;
    return typed->value;
}

std::optional<double> parseHz(std::string_view text)
{
    if (const auto hz = parseNumber(text, "hz"))
        return hz;
    const auto kilohertz = parseNumber(text, "khz");
    return kilohertz ? std::optional(1000.0 * *kilohertz) : std::nullopt;
}

} // namespace puretone
