// SPDX-License-Identifier: GPL-3.0-or-later
#include "prepare/split/split.h"

#include <algorithm>

namespace puretone {

std::size_t wantedNotes(const SplitResult& split)
{
    return std::size_t(std::count_if(split.pieces.begin(), split.pieces.end(),
        [](const Piece& piece) { return !piece.sliver; }));
}

SplitResult withCut(SplitResult result, Frames frame, Frames recordingEnd, double rate)
{
    constexpr std::int64_t least = 16;
    auto& pieces = result.pieces;
    std::size_t at = 0;
    while (at < pieces.size() && pieces[at].span.end <= frame)
        ++at;
    const bool inside = at < pieces.size() && pieces[at].span.start <= frame;
    if (inside) {
        const Span span = pieces[at].span;
        if (frame.value - span.start.value < least || span.end.value - frame.value < least)
            return result;
        Piece second = pieces[at];
        pieces[at].span.end = frame;
        second.span.start = frame;
        pieces.insert(pieces.begin() + std::ptrdiff_t(at) + 1, second);
        return result;
    }
    const auto next = at < pieces.size() ? pieces[at].span.start : recordingEnd;
    const Frames end{std::min(next.value, frame.value + std::int64_t(2.0 * rate))};
    if (end.value - frame.value >= least)
        pieces.insert(pieces.begin() + std::ptrdiff_t(at), Piece{{frame, end}, false, -200.0});
    return result;
}

SplitResult withJoined(SplitResult result, std::size_t index)
{
    auto& pieces = result.pieces;
    if (index + 1 >= pieces.size())
        return result;
    const Piece next = pieces[index + 1];
    pieces[index].span.end = next.span.end;
    pieces[index].sliver = pieces[index].sliver && next.sliver;
    pieces[index].peakDb = std::max(pieces[index].peakDb, next.peakDb);
    pieces.erase(pieces.begin() + std::ptrdiff_t(index) + 1);
    return result;
}

} // namespace puretone
