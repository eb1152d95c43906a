// SPDX-License-Identifier: GPL-3.0-or-later
#include "audio/files/sound_file.h"
#include "audio/streams/monitor.h"
#include "audio/streams/recorder.h"
#include "support/no_allocation.h"
#include "support/takes.h"

#include <catch2/catch.hpp>
#include <csignal>
#include <fstream>
#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

using namespace puretone;
using Catch::Matchers::Contains;

namespace {

constexpr double rate = 48000.0;

void wait(int ms)
{
    std::this_thread::sleep_for(std::chrono::milliseconds(ms));
}

/// Waits until the recorder's thread has looked at everything that it was given.
void catchUp(const Recorder& recorder, std::uint64_t frames)
{
    for (int i = 0; i < 2000 && recorder.looked() < frames; ++i)
        wait(5);
    REQUIRE(recorder.looked() >= frames);
}

/// Hands a signal to a recorder in blocks of a tenth of a second, each after the one before has
/// been looked at where `slowly`.
void play(Recorder& recorder, const std::vector<float>& left, const std::vector<float>& right,
    bool slowly = false)
{
    constexpr std::size_t block = 4800;
    auto given = recorder.looked();
    for (std::size_t at = 0; at < left.size(); at += block) {
        const auto count = std::min(block, left.size() - at);
        // One channel is given as the same twice.
        const float* second = &left == &right ? left.data() : right.data();
        recorder.hear(left.data() + at, second + at, int(count));
        given += count;
        if (slowly)
            catchUp(recorder, given);
    }
    catchUp(recorder, given);
}
void play(Recorder& recorder, const std::vector<float>& mono)
{
    play(recorder, mono, mono);
}
std::vector<float> counting(std::size_t frames, float from = 0.0f)
{
    std::vector<float> wave(frames);
    for (std::size_t i = 0; i < frames; ++i)
        wave[i] = (from + float(i)) * 1e-6f;
    return wave;
}
Audio read(const std::filesystem::path& path)
{
    const auto recording = openRecording(path);
    REQUIRE(recording);
    return *(*recording)->audio;
}

} // namespace

TEST_CASE("A recording holds the two seconds before it and every frame after", "[recorder]")
{
    const probe::TemporaryFolder folder;
    Recorder recorder;
    recorder.setRate(rate);
    const auto wave = counting(5 * 48000);
    play(recorder, {wave.begin(), wave.begin() + 3 * 48000});
    REQUIRE(recorder.start(folder / "new", {}));
    CHECK(recorder.look().phase == Recorder::Phase::recording);
    play(recorder, {wave.begin() + 3 * 48000, wave.end()});
    const auto recorded = recorder.stop();
    REQUIRE(recorded);
    CHECK(recorded->trouble.empty());
    const Audio audio = read(recorded->path);
    REQUIRE(audio.channelCount() == 1);
    CHECK(audio.channels[0] == std::vector<float>(wave.begin() + 48000, wave.end()));
    CHECK(recorded->seconds == Approx(4.0));
    CHECK_THAT(recorded->path.filename().string(), !Contains("unfinished"));
    CHECK(recorder.look().phase == Recorder::Phase::listening);
    CHECK_FALSE(recorder.stop());
}

TEST_CASE("Both sides of a stereo input are kept apart", "[recorder]")
{
    const probe::TemporaryFolder folder;
    Recorder recorder;
    recorder.setRate(rate);
    const auto left = counting(48000), right = counting(48000, 7.0f);
    play(recorder, left, right);
    REQUIRE(recorder.start(folder.path(), {}));
    const auto recorded = recorder.stop();
    REQUIRE(recorded);
    const Audio audio = read(recorded->path);
    REQUIRE(audio.channelCount() == 2);
    CHECK(audio.channels[0] == left);
    CHECK(audio.channels[1] == right);
}

TEST_CASE(
    "It starts by itself at a level, with what came before, and ends after silence", "[recorder]")
{
    const probe::TemporaryFolder folder;
    Recorder recorder;
    recorder.setRate(rate);
    const auto slowly = [&](const std::vector<float>& wave) { play(recorder, wave, wave, true); };
    slowly(probe::noise(rate, 1.0, 0.001));
    REQUIRE(recorder.start(folder.path(), {-20.0, 0.5, -50.0}));
    slowly(probe::noise(rate, 3.0, 0.001, 2));
    CHECK(recorder.look().phase == Recorder::Phase::waiting);
    slowly(probe::sine(440.0, rate, 1.0, 0.5));
    CHECK(recorder.look().phase == Recorder::Phase::recording);
    slowly(probe::noise(rate, 1.0, 0.001, 3));
    CHECK(recorder.look().phase == Recorder::Phase::finished);
    const auto recorded = recorder.stop();
    REQUIRE(recorded);
    const Audio audio = read(recorded->path);
    const auto& wave = audio.channels[0];
    const auto first =
        std::find_if(wave.begin(), wave.end(), [](float s) { return std::abs(s) > 0.01f; });
    CHECK(double(first - wave.begin()) / rate == Approx(2.0).margin(0.001));
    // The end is seen once a turn: here after blocks of a tenth of a second.
    CHECK(audio.seconds() == Approx(2.0 + 1.0 + 0.5).margin(0.11));
}

TEST_CASE("What a slow disk loses stands as silence, and is told", "[recorder][bad-input]")
{
    const probe::TemporaryFolder folder;
    Recorder recorder;
    recorder.setRate(rate);
    play(recorder, counting(4800));
    REQUIRE(recorder.start(folder.path(), {}));
    // More at once than its memory holds: 12 s at 192 kHz.
    const auto much = counting(3000000, 5000.0f);
    recorder.hear(much.data(), much.data(), int(much.size()));
    catchUp(recorder, 4800 + much.size());
    const auto recorded = recorder.stop();
    REQUIRE(recorded);
    CHECK_THAT(recorded->trouble, Contains("missing"));
    const auto audio = read(recorded->path);
    const auto& wave = audio.channels[0];
    REQUIRE(wave.size() == 4800 + much.size());
    CHECK(wave[4799] == counting(4800).back());
    CHECK(wave[4800] == 0.0f);
    CHECK(wave.back() == much.back()); // in its place
}

TEST_CASE("The look shows level, clipping, length and free disk", "[recorder]")
{
    const probe::TemporaryFolder folder;
    Recorder recorder;
    recorder.setRate(rate);
    play(recorder, probe::sine(440.0, rate, 0.5, 0.25));
    auto look = recorder.look();
    CHECK(look.peaks[0] == Approx(0.25).margin(0.001));
    CHECK_FALSE(look.clipped);
    CHECK(recorder.look().peaks[0] == 0.0f);
    CHECK(look.recent.back().high == Approx(0.25).margin(0.01));
    play(recorder, probe::sine(440.0, rate, 0.2, 1.0));
    CHECK(recorder.look().clipped);
    recorder.forgetClip();
    CHECK_FALSE(recorder.look().clipped);
    REQUIRE(recorder.start(folder.path(), {}));
    look = recorder.look();
    CHECK(look.seconds == Approx(0.7).margin(0.01));
    CHECK(look.bytesFree > 0);
    CHECK(look.bytesPerSecond == rate * 4.0);
}

TEST_CASE("Recording where nothing can be written, or nothing is heard, says why", "[recorder]")
{
    const probe::TemporaryFolder folder;
    Recorder recorder;
    CHECK(recorder.start(folder.path(), {}).error().code == ErrorCode::noDevice);
    recorder.setRate(rate);
    play(recorder, probe::sine(440.0, rate, 0.1));
    std::ofstream(folder / "file") << "x";
    const auto refused = recorder.start(folder / "file", {});
    REQUIRE_FALSE(refused);
    CHECK(refused.error().code == ErrorCode::cannotWrite);
    CHECK_THAT(refused.error().message, Contains("file"));
    CHECK(recorder.look().phase == Recorder::Phase::listening);
}

TEST_CASE("A full disk ends the recording and keeps what was recorded", "[recorder][bad-input]")
{
    const probe::TemporaryFolder folder;
    // A limit on the size of files behaves like a disk that takes no more.
    rlimit before{};
    ::getrlimit(RLIMIT_FSIZE, &before);
    const auto oldHandler = std::signal(SIGXFSZ, SIG_IGN);
    const rlimit small{300000, before.rlim_max};
    ::setrlimit(RLIMIT_FSIZE, &small);
    Recorder recorder;
    recorder.setRate(rate);
    play(recorder, counting(24000));
    REQUIRE(recorder.start(folder.path(), {}));
    play(recorder, counting(3 * 48000));
    const auto phase = recorder.look().phase;
    const auto recorded = recorder.stop();
    ::setrlimit(RLIMIT_FSIZE, &before);
    std::signal(SIGXFSZ, oldHandler);
    CHECK(phase == Recorder::Phase::finished);
    REQUIRE(recorded);
    CHECK_THAT(recorded->trouble, Contains("disk") && Contains("kept"));
    CHECK(read(recorded->path).frames() > 70000);
}

TEST_CASE("A program that is killed loses less than a second, and the next one finds the rest",
    "[recorder]")
{
    const probe::TemporaryFolder folder;
    int told[2];
    REQUIRE(::pipe(told) == 0);
    const pid_t child = ::fork();
    REQUIRE(child >= 0);
    if (child == 0) {
        // Real time, as an input would.
        auto* recorder = new Recorder;
        recorder->setRate(rate);
        std::vector<float> block(4800, 0.25f);
        for (int i = 0;; ++i) {
            recorder->hear(block.data(), block.data(), int(block.size()));
            if (i == 0)
                (void)recorder->start(folder.path(), {});
            wait(100);
            (void)!::write(told[1], ".", 1);
        }
    }
    // Each dot is a tenth of a second that was heard.
    const auto hear = [&](int tenths) {
        char dot = 0;
        for (int i = 0; i < tenths; ++i)
            REQUIRE(::read(told[0], &dot, 1) == 1);
    };
    hear(2);
    // While it is being recorded it is there, and nobody else's.
    REQUIRE(folder.names().size() == 1);
    CHECK_THAT(folder.names()[0], Contains("unfinished"));
    CHECK(unfinishedRecordings(folder.path()).empty());
    hear(14);
    ::kill(child, SIGKILL);
    int status = 0;
    ::waitpid(child, &status, 0);
    ::close(told[0]);
    ::close(told[1]);
    REQUIRE(WIFSIGNALED(status));
    const auto found = unfinishedRecordings(folder.path());
    REQUIRE(found.size() == 1);
    const auto path = finishRecording(found[0]);
    CHECK_THAT(path.filename().string(), !Contains("unfinished"));
    CHECK(unfinishedRecordings(folder.path()).empty());
    // At least 1.6 s were heard.
    CHECK(read(path).seconds() > 1.3);
}

TEST_CASE("Leavings without sound are cleared away", "[recorder]")
{
    const probe::TemporaryFolder folder;
    std::ofstream(folder / "Recording x (unfinished).wav") << "RIFF";
    std::ofstream(folder / "other.wav") << "RIFF";
    CHECK(unfinishedRecordings(folder.path()).empty());
    CHECK(folder.names() == std::vector<std::string>{"other.wav"});
    CHECK(unfinishedRecordings(folder / "nowhere").empty());
}

TEST_CASE("The input's thread never allocates", "[recorder]")
{
    Recorder recorder;
    Monitor monitor;
    recorder.setRate(rate);
    monitor.setInputRate(rate);
    monitor.setOn(true);
    std::vector<float> block(512, 0.1f), out(512);
    {
        const probe::NoAllocation watch;
        for (int i = 0; i < 100; ++i) {
            recorder.hear(block.data(), block.data(), 512);
            monitor.feed(block.data(), block.data(), 512);
            monitor.addTo(out.data(), out.data(), 512, 44100.0);
        }
    }
    CHECK(probe::NoAllocation::crimes() == 0);
}

TEST_CASE("Monitoring lets the input be heard at the output's rate, and stops without a click",
    "[recorder][monitor]")
{
    Monitor monitor;
    monitor.setInputRate(44100.0);
    const auto wave = probe::sine(500.0, 44100.0, 2.0, 0.5);
    std::vector<float> left, right;
    std::size_t fed = 0;
    const auto turn = [&](int blocks) {
        for (int i = 0; i < blocks; ++i) {
            // 480 frames out are 441 in.
            monitor.feed(wave.data() + fed, wave.data() + fed, 441);
            fed += 441;
            std::vector<float> l(480, 0.0f), r(480, 0.0f);
            monitor.addTo(l.data(), r.data(), 480, 48000.0);
            left.insert(left.end(), l.begin(), l.end());
            right.insert(right.end(), r.begin(), r.end());
        }
    };
    turn(10);
    CHECK(*std::max_element(left.begin(), left.end()) == 0.0f);
    monitor.setOn(true);
    turn(100);
    // Linear interpolation leaves images some 60 dB down.
    const std::vector<float> steady(left.end() - 24000, left.end());
    CHECK(probe::sineToRestDb(steady, 500.0, 48000.0) > 50.0);
    monitor.setOn(false);
    turn(10);
    CHECK(std::abs(left.back()) < 1e-6f);
    for (std::size_t i = 1; i < left.size(); ++i)
        REQUIRE(std::abs(left[i] - left[i - 1]) < 0.06f); // a 500 Hz sine of 0.5 moves by 0.033
    CHECK(left == right);
}

TEST_CASE("Monitoring plays large blocks of an input without holes", "[recorder][monitor]")
{
    Monitor monitor;
    monitor.setInputRate(48000.0);
    monitor.setOn(true);
    const auto wave = probe::sine(500.0, 48000.0, 4.0, 0.5);
    std::vector<float> left(wave.size()), right(wave.size());
    for (std::size_t at = 0; at + 4096 <= wave.size(); at += 4096) {
        monitor.feed(wave.data() + at, wave.data() + at, 4096);
        for (std::size_t i = 0; i < 4096; i += 256)
            monitor.addTo(left.data() + at + i, right.data() + at + i, 256, 48000.0);
    }
    const std::span<const float> steady(left.data() + 96000, 60000);
    CHECK(probe::sineToRestDb(steady, 500.0, 48000.0) > 50.0);
    // The input goes, another comes: it fades in.
    monitor.setInputRate(0.0);
    std::vector<float> quiet(256, 0.0f);
    monitor.addTo(quiet.data(), quiet.data(), 256, 48000.0);
    CHECK(std::all_of(quiet.begin(), quiet.end(), [](float s) { return s == 0.0f; }));
}
