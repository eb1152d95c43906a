// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/work/shaping.h"

#include "app/session/session.h"
#include "app/theme/theme.h"

namespace puretone::app {

Shaping::Shaping(Session& session)
    : session_(session)
{
}

/// A later wish takes the place of one that still waits.
void Shaping::whenHeard(const std::vector<LayerId>& layers, const Use& use)
{
    session_.background().cancel(JobKind::shape);
    if (notHeard(session_.instrument(), layers, heard_).empty()) {
        use();
        return;
    }
    emit told(tr("Listening to the takes…"));
    session_.background().run(
        JobKind::shape, Background::Running::cancel,
        [instrument = session_.instrument(), layers, heard = heard_](const Progress& progress) {
            return listenToLayers(instrument, layers, heard, progress);
        },
        [this, document = session_.history().document(), use](const HeardTakes& heard) {
            heard_ = heard;
            if (session_.history().document() == document)
                use();
            else
                emit told({});
        });
}

void Shaping::give(ReadyShape shape)
{
    std::vector<LayerId> layers;
    for (const Layer& layer : session_.instrument().layers)
        if (session_.shapesAll() || layer.id == session_.layer().id)
            layers.push_back(layer.id);
    whenHeard(layers, [this, shape, layers] {
        std::string sentence;
        session_.edit(said(nameOf(shape)), [&](Instrument& next) {
            for (const LayerId id : layers)
                if (next.layer(id) != nullptr)
                    sentence = applyShape(next, id, shape, heard_);
        });
        emit told(typeset(sentence));
    });
}

void Shaping::findInnerStarts()
{
    whenHeard({session_.layer().id}, [this, id = session_.layer().id] {
        session_.edit(tr("Find inner starts"), [&](Instrument& next) {
            const Layer* layer = next.layer(id);
            for (std::size_t i = 0; layer != nullptr && i < layer->zones.size(); ++i)
                if (Take* take = next.take(layer->zones[i].take))
                    if (const Sustain* heard = heard_.of(*take))
                        take->innerStart = proposeInnerStart(*take, *heard);
        });
        emit told({});
    });
}

} // namespace puretone::app
