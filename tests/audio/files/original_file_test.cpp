// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/files/sound_file.h"
#include "base/files/safe_file.h"
#include "support/takes.h"

#include <algorithm>
#include <catch2/catch.hpp>

using namespace puretone;
using namespace probe;

TEST_CASE("a sound that was made here is a WAV file whenever it is read", "[audio][files]")
{
    Audio audio = mono(noise(48000.0, 0.3, 0.5));
    audio.channels.push_back(sine(440.0, 48000.0, 0.3, 0.7));
    audio.channels[1].resize(audio.channels[0].size());
    const auto whole = encodeWav(audio, SampleFormat::float32);
    const auto recording = makeRecording(audio, "made.wav");
    const auto& original = *recording->original;
    REQUIRE(original.size() == whole.size());
    CHECK(recording->hash == contentHash(whole));
    CHECK(original.hash() == recording->hash);
    CHECK(original.path().empty());
    // From any place, of any length.
    std::minstd_rand random(11);
    for (int i = 0; i < 300; ++i) {
        const auto at = i < 100 ? random() % 120 : random() % (whole.size() + 10);
        std::vector<std::byte> part(random() % 700);
        const auto got = original.read(at, part);
        const auto wanted = at >= whole.size() ? 0 : std::min(part.size(), whole.size() - at);
        REQUIRE(got == wanted);
        CHECK(std::equal(part.begin(), part.begin() + std::ptrdiff_t(got),
            whole.begin() + std::ptrdiff_t(std::min(at, whole.size()))));
    }
    const TemporaryFolder folder;
    REQUIRE(original.copyTo(folder / "copy.wav"));
    CHECK(*readFile(folder / "copy.wav") == whole);
    const auto opened = openRecording(folder / "copy.wav");
    REQUIRE(opened);
    CHECK(*(*opened)->audio == audio);
    CHECK_FALSE(original.copyTo(folder / "no/such/folder.wav"));
}
