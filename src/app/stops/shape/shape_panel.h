// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/stops/shape/shape_fields.h"

namespace puretone::app {

/// The values of a layer's shape: envelopes, filter, notes and inner start.
class ShapePanel : public QWidget {
    Q_OBJECT

public:
    ShapePanel(Session& session, FieldColumn* into);
    void refresh();

private:
    void addEnvelope(FieldColumn* into);
    void addCurves(FieldColumn* into);
    void addFilter(FieldColumn* into);
    void addSecond(FieldColumn* into);
    void addNotes(FieldColumn* into);
    void addUnison(FieldColumn* into);
    void addInnerStart(FieldColumn* into);
    void refreshInnerStart();

    Session& session_;
    ShapeFields fields_;
    std::vector<ValueField*> ofFilter_, ofUnison_;
    ChoiceField* slope_;
    ValueField *glide_, *innerTouch_, *innerPlace_;
    ChoiceField *glideBy_, *glideWhen_;
    QPushButton* findInner_;
};

} // namespace puretone::app
