// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/shortcuts.h"

#include <QMessageBox>

namespace puretone::app {

void showShortcuts(QWidget* parent)
{
    QMessageBox box(parent);
    box.setWindowTitle(QObject::tr("Shortcuts"));
    box.setTextFormat(Qt::RichText);
    const char* rows[][2] = {{"Ctrl+1 to Ctrl+6", "go to a stop"}, {"Ctrl+O, Ctrl+S", "open, save"},
        {"Ctrl+Shift+O", "add recordings as takes"},
        {"Ctrl+R", "record: open the recorder, start, stop"},
        {"Ctrl+Z, Ctrl+Shift+Z", "undo, redo"}, {"Space", "play the root key"},
        {"A W S E D F …", "play notes; Page Up and Page Down change the octave"},
        {"Ctrl+.", "end all notes"}, {"Wheel, + and −", "zoom the wave"},
        {"Tab, arrow keys", "go to a handle, move it by one frame"},
        {"Ctrl+arrow, Shift+arrow", "by one millisecond, by one period"},
        {"Alt+arrow on a loop post", "to the next place where both sides match"},
        {"Arrows, Enter in the seam map", "move the cross, loop there"},
        {"Shift or Alt while dragging", "ten times finer, without snapping"},
        {"Esc while dragging", "put it back"},
        {"Up, Down (at Pitch)", "fine tune by 1 cent; Shift 0.1, Ctrl 10"},
        {"+, − (at Pitch)", "root key an octave up, down"},
        {"Double-click on a field's name", "back to its usual value"},
        {"Arrows, Space, Delete on a treatment", "choose, switch, remove; Ctrl+arrow moves it"},
        {"Ctrl+T", "Daybreak or Night watch"}};
    QString text = QStringLiteral("<table cellspacing='6'>");
    for (const auto& row : rows)
        text += QStringLiteral("<tr><td><b>%1</b></td><td>%2</td></tr>")
                    .arg(QString::fromUtf8(row[0]), QString::fromUtf8(row[1]));
    box.setText(text + QStringLiteral("</table>"));
    box.exec();
}

} // namespace puretone::app
