// SPDX-License-Identifier: GPL-3.0-or-later
// Bytes as the document of a project file, through the gate, and on through all that the program
// does with it: readings, the pictures' geometry, treatments, compiling, a fifth of a second of
// sound. Built with clang (tools/fuzz); a finding becomes a test in tests/model/gate_test.cpp.
#include "app/stops/shape/envelope_view.h"
#include "app/widgets/keyboard.h"
#include "app/widgets/wave/wave_geometry.h"
#include "base/files/safe_file.h"
#include "support/mangle.h"

using namespace puretone;
using namespace puretone::app;

namespace {

void walkPictures(const Instrument& document)
{
    const QRectF area(0, 0, 900, 300);
    for (const auto& take : document.takes) {
        const auto frames = take.audio().frames();
        for (const Span span : {take.kept, take.loop.span, steadiestPart(take)}) {
            auto g = WaveGeometry{area, 0.0, 1.0}.fitting(span);
            (void)timeTicks(g, take.rate());
            (void)g.zoomed(0.5, 300.0, frames).scrolledTo(g.firstFrame - 100.0, frames);
        }
    }
    const auto envelope = EnvelopeGeometry::make(area, document.layers[0].envelope);
    for (const auto point :
        {EnvelopePoint::attack, EnvelopePoint::hold, EnvelopePoint::decay, EnvelopePoint::release})
        (void)envelope.dragged(point, envelope.gripOf(point));
    const KeyboardGeometry keys{area};
    for (const auto& zone : document.layers[0].zones)
        (void)keys.rectOf(zone.lowKey).united(keys.rectOf(zone.highKey));
}

} // namespace

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size)
{
    static const Instrument original = probe::everyKindOfValue();
    const auto read = probe::readWith(original, {reinterpret_cast<const char*>(data), size});
    if (!read || read->takes.size() > 8 || read->allZones().size() > 64)
        return 0;
    if (!(sanitized(*read) == *read))
        std::abort();
    walkPictures(*read);
    probe::walkThrough(*read);
    return 0;
}

/// Whole values are exchanged half of the time: single bytes seldom get past the parser.
extern "C" std::size_t LLVMFuzzerMutate(std::uint8_t* data, std::size_t size, std::size_t most);
extern "C" std::size_t LLVMFuzzerCustomMutator(
    std::uint8_t* data, std::size_t size, std::size_t most, unsigned seed)
{
    const std::string text(reinterpret_cast<const char*>(data), size);
    if (seed % 2 == 0 || !nlohmann::json::accept(text) || !nlohmann::json::parse(text).is_object())
        return LLVMFuzzerMutate(data, size, most);
    probe::Noise random(seed);
    const auto changed = probe::mangled(text, random, 1 + int(seed / 2 % 4));
    if (changed.size() > most)
        return LLVMFuzzerMutate(data, size, most);
    std::copy(changed.begin(), changed.end(), data);
    return changed.size();
}

/// What the fuzzing begins with: the document itself, into the folder that is named.
extern "C" int LLVMFuzzerInitialize(int*, char***)
{
    if (const char* seed = std::getenv("PURETONE_SEED")) {
        const auto text = probe::withFactsInside(probe::everyKindOfValue());
        (void)writeBytes(seed, std::as_bytes(std::span(text)));
    }
    return 0;
}
