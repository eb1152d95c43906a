// SPDX-License-Identifier: GPL-3.0-or-later
// How files come into the main window and leave it, and what is asked on the way.
#include "app/shell/main_window.h"

#include "app/shell/recent_files.h"
#include "app/stops/keys/keys_stop.h"
#include "app/widgets/file_dialogs.h"
#include "app/widgets/sheet.h"
#include "app/widgets/sound_files.h"
#include "formats/export/export_plan.h"

#include <QApplication>
#include <QFileInfo>
#include <QListWidget>

namespace puretone::app {

namespace {

/// Where the demo instrument is installed, or lies beside the sources; empty where it is not.
QString demoInstrument()
{
    for (const char* place : {"/../share/puretone/", "/../../demo/"}) {
        const QFileInfo demo(QApplication::applicationDirPath() + QString::fromLatin1(place)
            + QStringLiteral("skerry-light.puretone"));
        if (demo.isFile())
            return demo.canonicalFilePath();
    }
    return {};
}

/// Beside the file that it has, under its present name.
QString proposedFile(const Instrument& instrument, const QString& path)
{
    const auto folder = path.isEmpty() ? dialogs::folderOf(dialogs::Kind::instruments)
                                       : QFileInfo(path).absolutePath();
    return QString::fromStdString(
        productPath(instrument, Product::project, {}, folder.toStdString()).string());
}

} // namespace

void MainWindow::fillRecent()
{
    recent_->clear();
    for (const auto& path : RecentFiles::list()) {
        const QFileInfo info(path);
        auto* action = recent_->addAction(
            info.fileName(), this, [this, path] { session_.opening().open(path); });
        action->setToolTip(path);
        action->setEnabled(info.exists());
    }
    if (recent_->isEmpty())
        recent_->addAction(tr("Nothing was opened yet"))->setEnabled(false);
}

void MainWindow::offerLeft(const std::shared_ptr<const LeftBehind>& left)
{
    const auto& documents = left->documents;
    const auto name = QString::fromStdString(documents.front().name);
    Offer offer;
    offer.sentence = documents.size() == 1
        ? tr("%1 had changes that were not saved when Pure Tone ended; they are still there.")
              .arg(name)
        : tr("%1 and %2 more had changes that were not saved when Pure Tone ended; they are still "
             "there.")
              .arg(name)
              .arg(documents.size() - 1);
    offer.action = tr("Open");
    offer.take = [this, left] { session_.saving().recover(left); };
    offer.refusal = tr("Throw away");
    offer.refuse = [left] { discard(*left); };
    offers_->add(std::move(offer));
}

void MainWindow::offerUnfinished()
{
    QStringList folders;
    for (const auto& path : RecentFiles::list())
        folders << QFileInfo(path).absolutePath();
    folders.removeDuplicates();
    session_.saving().sweep(folders);
    auto journals = leftBehind(Saving::journalFolder());
    for (auto& left : journals.work)
        offerLeft(std::make_shared<const LeftBehind>(std::move(left)));
    for (const auto& folder : journals.unreadable)
        session_.say(tr("Unsaved work of an earlier session could not be read. It is kept in %1; "
                        "a later version of Pure Tone may open it.")
                         .arg(QString::fromStdString(folder.string())));
    const auto found = unfinishedRecordings(Opening::recordingsFolder());
    if (found.empty())
        return;
    Offer offer;
    offer.sentence = found.size() == 1
        ? tr("A recording was interrupted before it ended; it is still there.")
        : tr("%1 recordings were interrupted before they ended; they are still there.")
              .arg(found.size());
    offer.action = tr("Open");
    offer.take = [this, found] {
        QStringList paths;
        for (const auto& path : found)
            paths << QString::fromStdString(finishRecording(path).string());
        session_.opening().addFiles(paths);
    };
    offers_->add(std::move(offer));
}

void MainWindow::offerNames(LayerId layer, const std::vector<TakeId>& those, std::size_t of)
{
    auto* keys = static_cast<KeysStop*>(stop(Stop::keys));
    Offer offer;
    offer.sentence = tr("For %1 of %2 takes, name or file say another note than is heard.")
                         .arg(those.size())
                         .arg(of);
    offer.action = tr("Compare…");
    offer.comesAgain = false;
    offer.stands = [this, keys, layer, those, document = session_.history().document()] {
        const auto& now = session_.instrument();
        return session_.history().document() == document && now.layer(layer) != nullptr
            && std::any_of(
                those.begin(), those.end(), [&](TakeId id) { return now.take(id) != nullptr; })
            && !keys->layOutPanel()->isVisible();
    };
    offer.take = [this, keys, layer] {
        session_.showLayer(layer);
        goTo(Stop::keys);
        keys->showLayOut();
    };
    offers_->add(std::move(offer));
}

void MainWindow::offerNoises(LayerId layer, const std::vector<TakeId>& those, std::size_t of)
{
    Offer offer;
    offer.sentence =
        tr("%1 of %2 takes are drums or noises: on a key each, or in turn on every key?")
            .arg(those.size())
            .arg(of);
    offer.comesAgain = false;
    offer.stands = [this, layer, those, document = session_.history().document()] {
        // Until they are laid elsewhere, in whatever way.
        const Layer* now = session_.instrument().layer(layer);
        return session_.history().document() == document && now != nullptr && now->follow != 0.0
            && std::any_of(now->zones.begin(), now->zones.end(), [&](const Zone& zone) {
                   return std::find(those.begin(), those.end(), zone.take) != those.end();
               });
    };
    const auto lay = [this, layer](LayOutOptions::Unpitched to) {
        return [this, layer, to] {
            LayOutOptions options;
            options.unpitched = to;
            session_.layOut(layer, options, 0,
                [this](const QString& sentence) { session_.say(sentence, false); });
        };
    };
    offer.action = tr("A key each");
    offer.take = lay(LayOutOptions::Unpitched::inARow);
    offer.refusal = tr("In turn");
    offer.refuse = lay(LayOutOptions::Unpitched::ownLayer);
    offers_->add(std::move(offer));
}

void MainWindow::choosePreset(
    const QString& path, const QStringList& joining, const std::vector<BankPreset>& presets)
{
    Sheet question(this, tr("Which instrument?"));
    question.addText(
        tr("%1 holds %2 of them.").arg(QFileInfo(path).fileName()).arg(presets.size()));
    auto* list = new QListWidget(&question);
    list->setAccessibleName(tr("Instruments of the bank"));
    list->setMinimumSize(360, 300);
    for (const auto& preset : presets)
        list->addItem(tr("%1:%2  %3")
                          .arg(preset.bank, 3, 10, QLatin1Char('0'))
                          .arg(preset.program, 3, 10, QLatin1Char('0'))
                          .arg(QString::fromStdString(preset.name)));
    list->setCurrentRow(0);
    question.content()->addWidget(list);
    question.addButton(tr("Cancel"));
    auto* open = question.addButton(tr("Open"), true);
    connect(list, &QListWidget::itemActivated, open, &QPushButton::click);
    if (question.ask() == open && list->currentRow() >= 0)
        session_.opening().open(path, joining, std::size_t(list->currentRow()));
}

void MainWindow::welcome(bool opensDemo)
{
    const auto demo = demoInstrument();
    Offer offer;
    offer.sentence = opensDemo && !demo.isEmpty()
        ? tr("Welcome. This is a fog horn: press A, S, D and F, or click the keys. Then open a "
             "recording of your own, or drop it on the window.")
        : tr("Welcome. Press A, S, D and F, or click the keys; open a recording of your own, or "
             "drop it on the window. F1 lists all shortcuts.");
    offer.action = tr("Open…");
    offer.take = [this] { openDialog(); };
    offer.comesAgain = false;
    // Until another one is opened, or this one is saved: whoever does works on it.
    offer.stands =
        [this, shown = std::optional<std::pair<History::DocumentId, std::string>>()]() mutable {
            const auto& takes = session_.instrument().takes;
            const auto now = std::pair(session_.history().document(), session_.history().file());
            if (!takes.empty() && !shown)
                shown = now;
            return takes.empty() || (takes.size() == 1 && shown == now);
        };
    offers_->add(std::move(offer));
    if (opensDemo && !demo.isEmpty())
        session_.opening().greet(demo);
}

void MainWindow::openFiles(const QStringList& paths)
{
    if (paths.size() == 1) {
        session_.opening().open(paths.front());
        return;
    }
    // An instrument is no take: the first one is opened, and what else was named joins it.
    const auto instrument = std::find_if(paths.begin(), paths.end(), isInstrumentFile);
    if (instrument == paths.end()) {
        session_.opening().openTogether(paths);
        return;
    }
    QStringList others = paths;
    others.removeAt(instrument - paths.begin());
    session_.opening().open(*instrument, others);
}

void MainWindow::openDialog()
{
    openFiles(dialogs::files(this, tr("Open recordings or an instrument"),
        soundAndInstrumentFilter(), dialogs::Kind::sounds));
}

bool MainWindow::save()
{
    if (session_.path().isEmpty())
        return saveAs();
    const auto path = agreedPath(session_.instrument(), session_.path());
    if (path.isEmpty())
        return false;
    session_.saving().save(path);
    return true;
}

/// Asks where somebody else has written to a file since.
///
/// @return Where the instrument is to be saved: there, or under another name; empty for not at all.
QString MainWindow::agreedPath(const Instrument& instrument, const QString& path)
{
    if (!session_.saving().changedOutside(path))
        return path;
    Sheet question(this, tr("Replace what was changed elsewhere?"));
    question.addText(tr("%1 was changed by another program or window since it was opened here. "
                        "What is there now is kept beside it as %1~.")
                         .arg(QFileInfo(path).fileName()));
    question.addButton(tr("Keep it"));
    const auto* other = question.addButton(tr("Save under another name…"));
    const auto* replace = question.addButton(tr("Replace"), true);
    const auto* pressed = question.ask();
    if (pressed == other)
        return askForFile(proposedFile(instrument, path));
    return pressed == replace ? path : QString();
}

bool MainWindow::saveAs()
{
    const auto path = askForFile(proposedFile(session_.instrument(), session_.path()));
    if (path.isEmpty())
        return false;
    session_.saving().save(path);
    return true;
}

QString MainWindow::askForFile(const QString& proposal)
{
    // What another program would take for a sound is none: it gets its own ending behind.
    auto path = dialogs::newFile(this, tr("Save the instrument with its audio inside"), proposal,
        tr("Pure Tone instruments (*.puretone)"), QStringLiteral("puretone"),
        dialogs::Kind::instruments);
    if (!path.isEmpty() && kindOfFile(path.toStdString()) != FileKind::project)
        path += QStringLiteral(".puretone");
    return path;
}

bool MainWindow::mayDiscard()
{
    const auto unsaved = session_.history().unsaved();
    return std::all_of(unsaved.begin(), unsaved.end(),
        [this](const History::Unsaved& document) { return maySkip(document); });
}

/// Asks what is to become of it; true when it is saved or may be lost.
bool MainWindow::maySkip(const History::Unsaved& document)
{
    const auto name = QString::fromStdString(document.value.name);
    const bool shown = document.document == session_.history().document();
    Sheet question(this, tr("Save before closing?"));
    question.addText(shown
            ? tr("%1 has changes that are not saved.").arg(name)
            : tr("%1, which was open before, has changes that are not saved.").arg(name));
    question.addButton(tr("Go back"));
    const auto* discard = question.addButton(tr("Do not save"));
    const auto* save = question.addButton(tr("Save"), true);
    const auto* pressed = question.ask();
    if (pressed != save)
        return pressed == discard;
    const auto path = document.file.empty()
        ? askForFile(proposedFile(document.value, {}))
        : agreedPath(document.value, QString::fromStdString(document.file));
    return !path.isEmpty() && session_.saving().saveNow(document, path);
}

} // namespace puretone::app
