// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/session.h"
#include "app/widgets/fields/field_column.h"
#include "app/widgets/meter.h"

#include <QCheckBox>
#include <QTimer>

namespace puretone::app {

/// What an input hears, as it comes: newest on the right, what would be or is recorded in full
/// colour.
class LiveWave : public QWidget {
    Q_OBJECT

public:
    explicit LiveWave(QWidget* parent = nullptr);
    /// @param taken Columns from the right that belong to the recording.
    void setPicture(std::vector<Extent> columns, std::size_t taken, bool recording);
    QSize sizeHint() const override { return {400, 64}; }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    std::vector<Extent> columns_;
    std::size_t taken_ = 0;
    bool recording_ = false;
};

/// Listens to an input and records it: on the bench while it is asked for.
class RecordPanel : public QWidget {
    Q_OBJECT

public:
    explicit RecordPanel(Session& session, QWidget* parent = nullptr);
    /// Shows it and opens the input that was used last, or hides it and lets go of the input.
    void open(bool on);
    bool isOpen() const { return open_; }
    bool isRecording() const;
    /// Starts recording, or stops it.
    void toggle();

signals:
    void openChanged(bool on);

private:
    void build();
    void tick();
    void fillInputs();
    void useUsualInput();
    void showRecording(const Recorder::Look& look);
    void collect(const std::optional<Recorder::Recorded>& recorded);
    Recorder::Settings settings() const;

    Session& session_;
    bool open_ = false;
    QPushButton* record_;
    LiveWave* wave_;
    Meter* meter_;
    QLabel *level_, *clip_, *length_, *disk_;
    QComboBox* inputs_;
    QCheckBox* monitor_;
    ChoiceField *starts_, *ends_;
    ValueField *startLevel_, *silence_;
    double startDb_ = -40.0, silenceSeconds_ = 2.0;
    QTimer timer_;
};

} // namespace puretone::app
