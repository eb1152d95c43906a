// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include <tl/expected.hpp>

namespace puretone {

enum class ErrorCode {
    cannotRead, ///< Missing, forbidden, a folder.
    notAudio, ///< Nothing that a sound file reader understands.
    damaged, ///< Understood, but cut off or broken inside.
    nothingInside, ///< No frames, or only silence where sound is needed.
    cannotWrite, ///< Disk full, read-only, no such folder.
    checkFailed, ///< Written, but what was read back differs.
    badValue, ///< Typed or given by the user and out of range.
    noDevice, ///< An audio or MIDI device is absent or refused.
    cancelled,
    failed, ///< A fault of our own, or no memory.
};

/// What went wrong, for a person.
struct Error {
    ErrorCode code = ErrorCode::cannotRead;
    std::string message; ///< One sentence, UTF-8, that names the file, note or zone concerned.
    std::string hint; ///< What to do next; may be empty.

    /// Message and hint as one line.
    std::string sentence() const { return hint.empty() ? message : message + " " + hint; }
};

template <class T> using Result = tl::expected<T, Error>;

inline tl::unexpected<Error> fail(ErrorCode code, std::string message, std::string hint = {})
{
    return tl::unexpected<Error>(Error{code, std::move(message), std::move(hint)});
}

} // namespace puretone
