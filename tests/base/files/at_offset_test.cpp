// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/files/at_offset.h"
#include "support/takes.h"

#include <array>
#include <catch2/catch.hpp>
#include <cerrno>
#include <cstring>
#include <fcntl.h>

using namespace puretone;
using namespace probe;

TEST_CASE("bytes are written and read anywhere in a file", "[base][files]")
{
    const TemporaryFolder folder;
    const Descriptor file(::open((folder / "a").c_str(), O_RDWR | O_CREAT, 0600));
    REQUIRE(file.valid());
    const auto bytes = [](const char* text) {
        return std::as_bytes(std::span(text, std::strlen(text)));
    };
    CHECK(writeAt(file.get(), bytes("world"), 6));
    CHECK(writeAt(file.get(), bytes("hello "), 0));
    std::array<std::byte, 16> back{};
    CHECK(readAt(file.get(), back, 0) == 11);
    CHECK(std::memcmp(back.data(), "hello world", 11) == 0);
    CHECK(readAt(file.get(), back, 11) == 0);
    CHECK(readAt(file.get(), std::span(back).first(2), 6) == 2);
    CHECK(std::memcmp(back.data(), "wo", 2) == 0);
    CHECK(writeAt(file.get(), {}, 1000));
}

TEST_CASE("a full disk is told from a written place", "[base][files][bad-input]")
{
    const Descriptor full(::open("/dev/full", O_WRONLY));
    if (!full.valid())
        return;
    const std::array<std::byte, 4> bytes{};
    CHECK_FALSE(writeAt(full.get(), bytes, 0));
    CHECK(errno == ENOSPC);
    CHECK_FALSE(writeAt(-1, bytes, 0));
    CHECK(readAt(-1, std::span<std::byte>(), 0) == 0);
}
