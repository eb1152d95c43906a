// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "model/history.h"

namespace puretone::app {

/// A take of one of the documents: ids alone recur from document to document.
struct TakeKey {
    History::DocumentId document = 0;
    TakeId take;
    bool operator==(const TakeKey&) const = default;
};

/// A document as it was when somebody began to write it.
struct DocumentVersion {
    History::DocumentId document = 0;
    Instrument value;
};

} // namespace puretone::app
