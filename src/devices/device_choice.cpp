// SPDX-License-Identifier: GPL-3.0-or-later
#include "devices/device_choice.h"

#include <algorithm>
#include <cctype>
#include <string_view>

namespace puretone {

namespace {

bool isLoopback(const DeviceName& device)
{
    std::string name;
    for (const char c : device.name)
        name += c == '_' ? ' ' : char(std::tolower(static_cast<unsigned char>(c)));
    return name.find("midi through") != std::string::npos;
}

/// Without the number that ALSA gave it.
std::string_view withoutNumber(std::string_view id)
{
    const auto end = id.find_last_not_of("0123456789");
    if (end == std::string_view::npos || end + 1 == id.size() || id[end] != ':')
        return id;
    const auto client = id.substr(0, end).find_last_not_of("0123456789");
    return client == std::string_view::npos || client + 1 == end || id[client] != ' '
        ? id
        : id.substr(0, client);
}

} // namespace

void putLoopbacksLast(std::vector<DeviceName>& keyboards)
{
    std::stable_partition(keyboards.begin(), keyboards.end(),
        [](const DeviceName& device) { return !isLoopback(device); });
}

const DeviceName& preferredDevice(
    const std::vector<DeviceName>& list, const std::string& remembered)
{
    const auto find = [&](auto same) { return std::find_if(list.begin(), list.end(), same); };
    auto found = find([&](const DeviceName& device) { return device.id == remembered; });
    if (found == list.end() && !remembered.empty())
        found = find([&](const DeviceName& device) {
            return withoutNumber(device.id) == withoutNumber(remembered);
        });
    return found != list.end() ? *found : list.front();
}

} // namespace puretone
