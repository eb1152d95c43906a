// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "audio/files/riff.h"

#include <map>
#include <span>
#include <string>
#include <vector>

namespace probe {

/// A SoundFont with other tables in place of some of its own.
inline std::vector<std::byte> bankWith(
    std::span<const std::byte> bank, const std::map<std::string, std::vector<std::byte>>& instead)
{
    using namespace puretone;
    ByteWriter body;
    body.text("sfbk");
    for (const auto& listed : riffChunks(bank.subspan(12))) {
        ByteWriter list;
        list.raw(listed.body.subspan(0, 4));
        for (const auto& chunk : riffChunks(listed.body.subspan(4))) {
            const auto other = instead.find(std::string(chunk.id));
            list.chunk(chunk.id,
                other != instead.end() ? std::span<const std::byte>(other->second) : chunk.body);
        }
        body.chunk("LIST", list.bytes());
    }
    ByteWriter file;
    file.chunk("RIFF", body.bytes());
    return file.take();
}

} // namespace probe
