// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/background.h"
#include "app/session/files/exporting.h"
#include "app/session/files/opening.h"
#include "app/session/files/saving.h"
#include "app/session/gesture.h"
#include "app/session/playing/audition.h"
#include "app/session/playing/hearing.h"
#include "app/session/playing/listening.h"
#include "app/session/playing/player.h"
#include "app/session/settings.h"
#include "app/session/take_key.h"
#include "app/session/work/lengths.h"
#include "app/session/work/looping.h"
#include "app/session/work/note_picture.h"
#include "app/session/work/pictures.h"
#include "app/session/work/printing.h"
#include "app/session/work/shaping.h"
#include "app/session/work/splitting.h"
#include "app/session/work/treating.h"
#include "model/making/lay_out.h"
#include "model/words/readings.h"

#include <QStringList>

namespace puretone::app {

/// The document, and which of it is on screen. Views read it, listen to its signals and hand in
/// wishes as edits; they never talk to each other. What is done with it beside the window stands in
/// its parts, one for each subject.
class Session : public QObject {
    Q_OBJECT

public:
    explicit Session(QObject* parent = nullptr);
    ~Session() override;

    Opening& opening() { return opening_; }
    const Opening& opening() const { return opening_; }
    Treating& treating() { return treating_; }
    const Treating& treating() const { return treating_; }
    Splitting& splitting() { return splitting_; }
    const Splitting& splitting() const { return splitting_; }
    Looping& looping() { return looping_; }
    const Looping& looping() const { return looping_; }
    Hearing& hearing() { return hearing_; }
    Audition& audition() { return audition_; }
    Listening& listening() { return listening_; }
    const Lengths& lengths() const { return lengths_; }
    const Pictures& pictures() const { return pictures_; }
    NotePicture& notePicture() { return notePicture_; }
    Shaping& shaping() { return shaping_; }
    Printing& printing() { return printing_; }
    const Printing& printing() const { return printing_; }
    Saving& saving() { return saving_; }
    Exporting& exporting() { return exporting_; }
    Player& player() { return player_; }
    Background& background() { return background_; }
    const Background& background() const { return background_; }

    const Instrument& instrument() const { return history_.current(); }
    const History& history() const { return history_; }
    DocumentVersion version() const { return {history_.document(), instrument()}; }
    QString path() const { return QString::fromStdString(history_.file()); }
    /// The take on screen; null in an empty instrument.
    const Take* take() const;
    /// Shows another take; changes nothing in the document.
    void showTake(TakeId id);
    /// The layer on screen; there is always one.
    const Layer& layer() const;
    /// Shows another layer; changes nothing in the document.
    void showLayer(LayerId id);
    const Naming& naming() const { return naming_; }
    void setNaming(const Naming& naming);

    /// Changes the document. @param change Edits a copy; @param gesture See History::apply.
    void edit(const QString& name, const std::function<void(Instrument&)>& change, int gesture = 0);
    /// The same for the take on screen; nothing happens without one.
    void editTake(const QString& name, const std::function<void(Take&)>& change, int gesture = 0);
    TakeKey keyOf(const Take& take) const { return {history_.document(), take.id}; }
    /// Null where that take is gone, or another document is open.
    const Take* take(const TakeKey& key) const;
    /// For results of work that a take was given to: it need not be on screen any more.
    void editTake(const TakeKey& of, const QString& name, const std::function<void(Take&)>& change,
        int gesture = 0);
    /// The same for the layer on screen.
    void editLayer(const QString& name, const std::function<void(Layer&)>& change, int gesture = 0);
    /// Lays the takes of a layer over the keys, in the background, since it may compare levels.
    /// Nothing happens where the instrument is changed meanwhile.
    /// @param laid Gets what was done, in a sentence.
    void layOut(LayerId layer, const LayOutOptions& options, int gesture,
        const std::function<void(const QString& sentence)>& laid);
    void removeTake(TakeId id);
    /// Whether what is shaped belongs to all layers at once.
    bool shapesAll() const { return shapesAll_; }
    void setShapesAll(bool all);
    enum class Shaped {
        all,
        notesOnly, ///< Layers of noises, which do not follow the keys or sound on release, stay
                   ///< out.
    };
    /// The layer on screen, or all of them.
    void editShape(const QString& name, const std::function<void(Layer&)>& change, int gesture = 0,
        Shaped which = Shaped::all);
    int newGesture() { return ++gestures_; }
    void abandon(int gesture);
    void undo();
    void redo();
    /// Empty where there is nothing to undo or redo.
    QString undoName() const;
    QString redoName() const;
    /// Another document takes the place of this one; undo brings this one back.
    void begin(const QString& name, Instrument next, const DocumentOrigin& origin = {});
    /// The work of another program comes back, see History::restore.
    void restore(const QString& name, const History::Snapshot& history, const Instrument& ready);
    void clear();

    void say(const QString& sentence, bool trouble = true, const QStringList& details = {});
    /// Why something that was typed has no effect.
    void refuse(const QString& why) { emit refused(why); }

signals:
    void changed(); ///< The document, or which take is on screen.
    void derivedChanged(); ///< Something that one of the parts worked out has come.
    /// @param details One line for each of several things that went wrong; usually empty.
    void message(const QString& sentence, bool trouble, const QStringList& details);
    void refused(const QString& why);

private:
    void afterChange();
    void walk(History::Step step);
    /// Listens, in the background, to takes of which nobody knows what they are: the one on screen
    /// first.
    void findMissingFacts();
    void takeFacts(const std::vector<Take>& heard);

    History history_;
    Player player_;
    Naming naming_ = settings::naming();
    int gestures_ = 0;
    TakeId shownTake_;
    LayerId shownLayer_;
    bool shapesAll_ = false;
    Background background_;
    Hearing hearing_;
    Audition audition_;
    Listening listening_;
    Lengths lengths_;
    Pictures pictures_;
    NotePicture notePicture_;
    Printing printing_;
    Opening opening_;
    Treating treating_;
    Splitting splitting_;
    Looping looping_;
    Shaping shaping_;
    Saving saving_;
    Exporting exporting_;
};

} // namespace puretone::app
