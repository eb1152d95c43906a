// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/sheets/shortcuts.h"

#include "app/theme/theme.h"
#include "app/widgets/sheet.h"

#include <QGridLayout>
#include <QLabel>

namespace puretone::app {

namespace {

struct Shortcut {
    const char* keys;
    const char* does;
};
struct Group {
    const char* name;
    std::vector<Shortcut> shortcuts;
};

std::vector<Group> groups()
{
    return {{"Everywhere",
                {{"Ctrl+1 to Ctrl+7", "go to a stop"}, {"Ctrl+O", "open"}, {"Ctrl+S", "save"},
                    {"Ctrl+Shift+O", "add recordings as takes"},
                    {"Ctrl+R", "record: open the recorder, start, stop"},
                    {"Ctrl+L", "the shelf: a folder of sounds"}, {"Ctrl+Z", "undo"},
                    {"Ctrl+Shift+Z", "redo"}, {"Ctrl+T", "Daybreak or Night watch"},
                    {"Ctrl+,", "settings"}, {"F1", "this list"}}},
        {"Playing",
            {{"Space", "play the root key"}, {"A W S E D F …", "play notes"},
                {"Page Up, Page Down", "an octave up, down"}, {"Ctrl+.", "end all notes"}}},
        {"At Keys",
            {{"Left, Right", "choose a zone, Shift more, Ctrl+A all"}, {"Up, Down", "open a layer"},
                {"Alt+Up, Enter, F2", "move it, switch it, name it"},
                {"Alt while dragging", "a border alone"}, {"Delete", "take zones off their keys"}}},
        {"At the wave and its handles",
            {{"Wheel, + and −", "zoom"}, {"Tab, arrows", "go to a handle, move it by one frame"},
                {"Ctrl+arrow", "by one millisecond"}, {"Shift+arrow", "by one period"},
                {"Alt+arrow", "a loop post to the next place where both sides match"},
                {"Shift, Alt while dragging", "ten times finer, without snapping"},
                {"Esc while dragging", "put it back"}}},
        {"At Pitch",
            {{"Up, Down", "fine tune by 1 cent; Shift 0.1, Ctrl 10"},
                {"+ and −", "root key an octave up, down"}}},
        {"On the shelf", {{"Arrows", "choose and hear; right: again"}, {"Enter", "bring in"}}},
        {"Elsewhere",
            {{"Arrows, Enter", "in the seam map: move the cross, loop there"},
                {"Double-click", "on a field's name: back to its usual value"},
                {"Arrows, Space, Delete", "on a treatment: choose, switch, remove"},
                {"Ctrl+arrow", "on a treatment: move it"}}}};
}

/// A group's name, and its keys beside what they do.
void addGroup(QGridLayout* grid, const Group& group, QWidget* parent)
{
    auto* name = new QLabel(said(group.name), parent);
    name->setProperty("role", "quiet");
    name->setFont(Theme::font(12));
    int row = grid->rowCount();
    grid->setRowMinimumHeight(row, row > 1 ? 30 : 18);
    grid->addWidget(name, row++, 0, 1, 2, Qt::AlignBottom);
    for (const auto& shortcut : group.shortcuts) {
        auto* keys = new QLabel(QString::fromUtf8(shortcut.keys), parent);
        keys->setFont(Theme::font(13, Theme::Weight::medium));
        grid->addWidget(keys, row, 0);
        grid->addWidget(new QLabel(said(shortcut.does), parent), row++, 1);
    }
}

QGridLayout* newColumn(QHBoxLayout* row)
{
    auto* side = new QVBoxLayout;
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(14);
    grid->setVerticalSpacing(4);
    side->addLayout(grid);
    side->addStretch(1);
    row->addLayout(side);
    return grid;
}

} // namespace

void showShortcuts(QWidget* parent)
{
    Sheet sheet(parent, QObject::tr("Shortcuts"));
    auto* row = new QHBoxLayout;
    row->setSpacing(36);
    QGridLayout* columns[] = {newColumn(row), newColumn(row)};
    constexpr std::size_t inFirstColumn = 3; // about half of the lines
    const auto all = groups();
    for (std::size_t i = 0; i < all.size(); ++i)
        addGroup(columns[i < inFirstColumn ? 0 : 1], all[i], &sheet);
    sheet.content()->addLayout(row);
    sheet.addButton(QObject::tr("Close"), true);
    sheet.ask();
}

} // namespace puretone::app
