// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/arriving.h"
#include "app/session/background.h"
#include "app/session/player.h"
#include "audio/peaks.h"
#include "formats/instrument_file.h"
#include "formats/recovery.h"
#include "loop/remedy.h"
#include "loop/seam_map.h"
#include "loop/tone.h"
#include "model/history.h"
#include "model/loop_copy.h"
#include "model/readings.h"
#include "model/take_maker.h"
#include "prepare/split.h"

#include <QStringList>

namespace puretone::app {

/// A document as it was when somebody began to write it.
struct DocumentVersion {
    History::DocumentId document = 0;
    Instrument value;
};

/// The document, what is known about it, and the way it is heard. Views read it, listen to its
/// signals and hand in wishes as edits; they never talk to each other.
class Session : public QObject {
    Q_OBJECT

public:
    explicit Session(QObject* parent = nullptr);

    Player& player() { return player_; }
    Background& background() { return background_; }
    const Instrument& instrument() const { return history_.current(); }
    const History& history() const { return history_; }
    /// The take on screen; null in an empty instrument.
    const Take* take() const;
    /// Shows another take; changes nothing in the document.
    void showTake(int id);
    /// The layer on screen; there is always one.
    const Layer& layer() const;
    /// Shows another layer; changes nothing in the document.
    void showLayer(int id);
    const Naming& naming() const { return naming_; }
    void setNaming(const Naming& naming);

    /// Changes the document. @param change Edits a copy; @param gesture See History::apply.
    void edit(const QString& name, const std::function<void(Instrument&)>& change, int gesture = 0);
    /// The same for the take on screen; nothing happens without one.
    void editTake(const QString& name, const std::function<void(Take&)>& change, int gesture = 0);
    /// A take of one of the documents: ids alone recur from document to document.
    struct TakeKey {
        History::DocumentId document = 0;
        int take = 0; ///< Take::id.
        bool operator==(const TakeKey&) const = default;
    };
    TakeKey keyOf(const Take& take) const { return {history_.document(), take.id}; }
    /// Null where that take is gone, or another document is open.
    const Take* take(const TakeKey& key) const;
    /// For results of work that a take was given to: it need not be on screen any more.
    void editTake(const TakeKey& of, const QString& name, const std::function<void(Take&)>& change,
        int gesture = 0);
    /// The same for the layer on screen.
    void editLayer(const QString& name, const std::function<void(Layer&)>& change, int gesture = 0);
    int newGesture() { return ++gestures_; }
    void abandon(int gesture);
    void undo();
    void redo();

    /// Opens an instrument file or a sound file, in the background; failures become messages.
    /// @param joining Sound files that join it as takes once it is open.
    void open(const QString& path, const QStringList& joining = {});
    /// Opens sound files on all cores and adds each as a take as soon as it is ready, in the order
    /// given; the bad ones are listed at the end.
    void addFiles(const QStringList& paths);
    /// What is done to the take on screen, with the changes that are still being computed.
    const Treatments& treatments() const;
    /// Changes that list; the sound follows from the background.
    void setTreatments(const QString& name, Treatments treatments, int gesture = 0);
    /// Gives up what is being computed: the list is again what it was before.
    void cancelTreating() { dropUnfinishedTreatment(); }
    /// Does to every other take what is done to the one on screen. What measures a stretch measures
    /// that take's own.
    void copyTreatments();
    void removeTake(int id);
    /// How many notes were heard in the recording on screen when it was brought in; 1 where nobody
    /// needs to be asked.
    std::size_t notesInside() const;
    /// Proposes the split that was found then.
    void showNotesInside();
    /// Answers that question: it is one take.
    void keepAsOne();
    /// Proposes how the recording on screen splits into notes, in the background.
    void proposeSplit(const SplitOptions& options);
    void forgetSplit();
    /// A border that was moved, a piece that is wanted or not: the proposal is not part of the
    /// document.
    void changeSplit(const SplitResult& changed);
    const std::optional<SplitResult>& splitProposal() const { return split_; }
    /// Makes takes of the proposed pieces; they take the place of the take on screen.
    /// @param series Names them in turn; otherwise each is named by its own pitch.
    void makeSplit(const std::optional<NoteSeries>& series = {});
    void cancelOpening();
    /// Where recordings are kept; they stay there after they have become takes.
    static std::filesystem::path recordingsFolder();
    bool opening() const { return background_.busy("open") || adding_ != nullptr; }
    /// The picture of a file that takes longer than a moment to read; null otherwise.
    std::shared_ptr<const Arriving> arriving() const
    {
        return opening() && showArriving_ ? arriving_ : nullptr;
    }
    void clear();
    /// Saves the project, in the background; a message says how it went.
    void save(const QString& path);
    /// Saves a document that may not be the one on screen, and waits for it. False when it is not
    /// on disk afterwards.
    bool saveNow(const History::Unsaved& document, const QString& path);
    /// A document was written to a project file otherwise: as an export.
    void wasWritten(const DocumentVersion& version, const QString& path);
    DocumentVersion version() const { return {history_.document(), instrument()}; }
    /// Opens what a program that was killed had not saved; removes it once there is a copy of ours.
    void recover(std::shared_ptr<const LeftBehind> left);
    static std::filesystem::path recoveryFolder();
    /// Removes what killed programs left half-written in these folders and in the recordings', in
    /// the background.
    void sweep(const QStringList& folders);
    QString path() const { return QString::fromStdString(history_.file()); }
    /// Searches loops in the kept part again, in the background; takes the best.
    void findLoops();
    /// Loops as well as can be with posts near these, in the background. @param like Curve, mode
    /// and evening.
    void loopAround(Span wanted, const Loop& like, const QString& stepName);
    /// Gives the loop on screen to every other take.
    void copyLoop(LoopCopy how, bool stagger);

    /// Peaks of the take's recording, or null while they are computed.
    std::shared_ptr<const PeakPyramid> peaks() const { return peaksOf(take()); }
    std::shared_ptr<const PeakPyramid> peaksOf(const Take* take) const;
    /// How the current loop measures, where that is known.
    std::optional<LoopCandidate> seam() const;
    /// What would help the current loop, where something was found; otherwise null.
    const LoopRemedy* remedy() const;
    /// The tone that a very short loop is by itself.
    std::optional<Hz> loopTone() const;
    /// Has the map of the kept part drawn, coarse first; derivedChanged tells of every step.
    void drawSeamMap();
    const std::shared_ptr<const SeamMap>& seamMap() const { return seamMap_; }
    /// Pitch over time of the current take, where it is known.
    const std::optional<PitchLine>& pitchLine() const { return pitchLine_; }
    /// Of the kept part, where it is known.
    const std::optional<Decibels>& loudness() const { return loudness_; }
    const MeanSpectrum* spectrum() const { return spectrum_ ? &*spectrum_ : nullptr; }

    void say(const QString& sentence, bool trouble = true, const QStringList& details = {});

signals:
    void changed(); ///< The document, or which take is on screen.
    void derivedChanged(); ///< Peaks, seam, pitch line, spectrum or a split have come.
    void openingChanged();
    void openingProgressed(double share);
    void fileOpened(const QString& path); ///< For the list of recent files.
    /// @param details One line for each of several things that went wrong; usually empty.
    void message(const QString& sentence, bool trouble, const QStringList& details);

private:
    /// Another document takes the place of this one; undo brings this one back.
    void begin(const QString& name, Instrument next, const DocumentOrigin& origin = {});
    void afterChange();
    void walk(History::Step step);
    /// Listens to the take on screen where nobody knows what it is, in the background.
    void findMissingFacts();
    void compile();
    void compileNow();
    bool addingMany() const;
    void measureSeam();
    void findRemedy(const AudioPtr& sound, Span kept, std::optional<double> period);
    void analyseForDrawing();
    void makePeaks();
    void opened(const QString& path, const Result<Instrument>& result);
    struct Adding;
    void openingProgress(const QString& key, double share);
    void listenToNext(std::size_t count);
    void takeReady(std::size_t index, const Result<Take>& made, const QString& path);
    void addReady();
    void finishAdding();
    /// Whether a recording that was brought in holds several notes, in the background.
    void lookForNotes(const RecordingPtr& recording);
    struct Several {
        AudioPtr audio; ///< Of the recording, untreated.
        SplitResult split;
    };
    const Several* several() const;
    void hearTreated(const TakeKey& of, int gesture);
    void saveVersion(DocumentVersion version, const QString& path);
    void keepCopySoon();
    void keepCopy();
    bool dropUnfinishedTreatment();

    History history_;
    Player player_;
    std::shared_ptr<Compiler> compiler_ = std::make_shared<Compiler>();
    Naming naming_;
    int gestures_ = 0;

    int shownTake_ = 0;
    int shownLayer_ = 0;
    struct Peaks {
        AudioPtr audio;
        std::shared_ptr<const PeakPyramid> pyramid; ///< Null while it is computed.
    };
    std::vector<Peaks> peaks_;
    std::optional<LoopCandidate> seam_;
    int seamOf_ = 0; ///< Take::id.
    AudioPtr seamSound_;
    std::optional<LoopRemedy> remedy_; ///< Of seam_.
    std::optional<Hz> loopTone_;
    std::shared_ptr<const SeamMap> seamMap_;
    AudioPtr mapSound_;
    Span mapKept_;
    struct Treating {
        TakeKey take;
        Treatments list;
        int gesture = 0;
    };
    std::optional<Treating> treating_; ///< What is being computed or waits for it.
    std::shared_ptr<Adding> adding_;
    std::shared_ptr<Arriving> arriving_;
    bool showArriving_ = false; ///< Short files are there before anything could be seen.
    QTimer arrivingSoon_, compileSoon_, copySoon_;
    std::shared_ptr<RecoveryCopies> copies_;
    int saves_ = 0;
    std::map<History::DocumentId, int> lastSave_; ///< Of those that have ended.
    bool copyFailed_ = false; ///< Said once.
    std::vector<std::shared_ptr<const LeftBehind>> recovered_; ///< Until there is a copy of ours.
    std::optional<SplitResult> split_;
    std::vector<Several> several_; ///< Recordings that hold several notes, until that is answered.
    struct Drawn {
        AudioPtr audio;
        Span kept;
        double midi = 0.0;
        bool operator==(const Drawn&) const = default;
    };
    Drawn drawn_;
    std::optional<PitchLine> pitchLine_;
    std::optional<MeanSpectrum> spectrum_;
    std::optional<Decibels> loudness_;
    // Last: its jobs use everything above, so it must go first.
    Background background_;
};

} // namespace puretone::app
