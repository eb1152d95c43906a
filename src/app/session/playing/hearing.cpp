// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/session.h"

namespace puretone::app {

Hearing::Hearing(Session& session)
    : session_(session)
{
    soon_.setSingleShot(true);
    connect(&soon_, &QTimer::timeout, this, &Hearing::compileNow);
    connect(&session_.player(), &Player::rateChanged, this, &Hearing::compileNow);
}

void Hearing::refresh()
{
    // While many files join, what was there before and the first of them sound; the others follow
    // in batches, for every one of them moves its neighbours' borders.
    if (session_.opening().addingMany() && soon_.isActive())
        return;
    if (session_.opening().addingMany()) {
        soon_.start(1000);
        return;
    }
    compileNow();
}

void Hearing::compileNow()
{
    soon_.stop();
    using Made = std::shared_ptr<std::unique_ptr<const Program>>;
    const double rate = session_.player().engine().rate();
    const Instrument* instead = session_.audition().instrument();
    session_.background().run(
        JobKind::compile, Background::Running::finish,
        [compiler = compiler_, document = instead != nullptr ? *instead : session_.instrument(),
            lengths = session_.lengths().made(), rate](const Progress&) -> Made {
            return std::make_shared<std::unique_ptr<const Program>>(
                compiler->compile(document, rate, lengths));
        },
        [this](const Made& made) {
            session_.player().engine().setProgram(std::move(*made));
            session_.audition().strike();
        });
}

} // namespace puretone::app
