// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/gesture.h"

#include "app/session/session.h"

namespace puretone::app {

int Gesture::next(bool first)
{
    if (first || number_ == 0)
        number_ = session_->newGesture();
    return number_;
}

void Gesture::abandon()
{
    if (const int number = std::exchange(number_, 0); number != 0)
        session_->abandon(number);
}

} // namespace puretone::app
