// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/settings_sheet.h"

#include "app/session/language.h"
#include "app/session/settings.h"
#include "app/shell/main_window.h"
#include "app/stops/stop_view.h"
#include "base/quantity.h"

#include <QFileDialog>

namespace puretone::app {

namespace {

constexpr double bytesInMegabyte = 1e6;

} // namespace

SettingsSheet::SettingsSheet(MainWindow& window)
    : Sheet(&window, tr("Settings"))
    , window_(window)
    , session_(window.session())
{
    constexpr int width = 420;
    auto* fields = new FieldColumn(this);
    fields->setMinimumWidth(width);
    buildLook(fields);
    fields->addRule();
    buildNotes(fields);
    fields->addRule();
    buildKept(fields);
    content()->addWidget(fields);
    addButton(tr("Close"), true);
    refresh();
}

void SettingsSheet::buildLook(FieldColumn* into)
{
    theme_ =
        into->addChoice(tr("Theme"), tr("Warm paper, deep slate, or whichever the desktop has"),
            {tr("Daybreak"), tr("Night watch"), tr("as the desktop")});
    connect(theme_, &ChoiceField::chosen, this, [this](int index) {
        window_.setThemeWish(settings::ThemeWish(index));
        refresh();
    });
    QStringList names{tr("as the desktop")};
    for (const auto& code : language::known())
        names << language::nameOf(code);
    language_ = into->addChoice(
        tr("Language"), tr("What the window says; another one from the next start on"), names);
    connect(language_, &ChoiceField::chosen, this, [this](int index) {
        settings::setLanguageWish(index == 0 ? QString() : language::known()[index - 1]);
        refresh();
    });
}

void SettingsSheet::buildNotes(FieldColumn* into)
{
    middleC_ = into->addChoice(tr("Middle C is"),
        tr("The octave number of MIDI key 60; changes no sound"), {"C3", "C4", "C5"});
    signs_ = into->addChoice(tr("Black keys"), tr("How black keys are written; changes no sound"),
        {tr("sharps"), tr("flats")});
    a4_ = into->addField(frequencyField(tr("A4 of new ones"),
        tr("What new instruments are tuned to; the stop Pitch changes one that is open"), lowestA4,
        highestA4, concertPitch.value));
    const auto rename = [this] {
        Naming naming = session_.naming();
        naming.middleCOctave = middleC_->index() + 3;
        naming.accidentals = signs_->index() == 0 ? Accidentals::sharps : Accidentals::flats;
        session_.setNaming(naming);
    };
    connect(middleC_, &ChoiceField::chosen, this, rename);
    connect(signs_, &ChoiceField::chosen, this, rename);
    connect(a4_, &ValueField::edited, this, [this](double hz, bool) {
        settings::setA4(hz);
        refresh();
    });
}

void SettingsSheet::buildKept(FieldColumn* into)
{
    undo_ = into->addField(megabytesField(tr("Undo keeps"),
        tr("Memory for recordings that only undo still wants; beyond it the oldest steps go"), 50.0,
        64000.0, 1000.0));
    held_ = into->addReading(
        tr("Held now"), tr("Recordings in memory for undo alone, and treated sounds kept for it"));
    folder_ = into->addButton({}, tr("Where recordings go; those that are there stay"));
    auto* devices =
        new QLabel(tr("Devices are chosen below the meter, at the right of the keys."), into);
    devices->setProperty("role", "quiet");
    into->column()->addWidget(devices);
    connect(undo_, &ValueField::edited, this, [this](double megabytes, bool) {
        const auto bytes = std::uint64_t(megabytes * bytesInMegabyte);
        settings::setMostUndoBytes(bytes);
        session_.saving().setMostUndoBytes(bytes);
        refresh();
    });
    connect(folder_, &QPushButton::clicked, this, [this] {
        const auto chosen = QFileDialog::getExistingDirectory(this, tr("Folder for recordings"),
            QString::fromStdString(settings::recordingsFolder().string()));
        if (!chosen.isEmpty())
            settings::setRecordingsFolder(chosen);
        refresh();
    });
}

void SettingsSheet::refresh()
{
    theme_->setIndex(int(settings::themeWish()));
    language_->setIndex(1 + int(language::known().indexOf(settings::languageWish())));
    middleC_->setIndex(session_.naming().middleCOctave - 3);
    signs_->setIndex(session_.naming().accidentals == Accidentals::sharps ? 0 : 1);
    a4_->setValue(settings::a4());
    undo_->setValue(double(session_.saving().mostUndoBytes()) / bytesInMegabyte);
    held_->setText(typeset(formatBytes(session_.history().undoBytes())));
    const auto folder = QString::fromStdString(settings::recordingsFolder().string());
    constexpr int room = 330;
    folder_->setText(
        tr("Recordings: %1").arg(folder_->fontMetrics().elidedText(folder, Qt::ElideMiddle, room)));
}

} // namespace puretone::app
