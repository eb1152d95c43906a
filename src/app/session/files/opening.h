// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/background.h"
#include "app/session/files/arriving.h"
#include "app/session/take_key.h"
#include "formats/project/instrument_file.h"

#include <QStringList>
#include <QTimer>
#include <functional>

namespace puretone::app {

class Session;

/// Files that become a document, or takes of it.
class Opening : public QObject {
    Q_OBJECT

public:
    explicit Opening(Session& session);
    ~Opening() override;

    /// Opens an instrument file or a sound file, in the background; failures become messages.
    /// @param joining Sound files that join it as takes once it is open.
    /// @param preset Of a bank; where it is not said and there are several, presetsFound() asks.
    void open(const QString& path, const QStringList& joining = {},
        std::optional<std::size_t> preset = {});
    /// Opens what a first start shows: sounds take its place as long as nobody has changed it.
    void greet(const QString& demo);
    /// Opens sound files on all cores and adds each as a take as soon as it is ready, in the order
    /// given; the bad ones are listed at the end.
    /// @param layer That they join; none for the one on screen.
    void addFiles(const QStringList& paths, LayerId layer = {});
    /// The same for a new instrument, which takes the place of what is open with the first of them.
    void openTogether(const QStringList& paths);
    /// Another recording in place of a take's: its zones and the shape stay, and of its loop what
    /// fits: how it goes, its evening, its crossfade.
    void replaceTake(TakeId id, const QString& path);
    void cancel();
    bool busy() const;
    /// Whether the document grows by files that are being listened to.
    bool addingMany() const;
    /// The picture of a file that takes longer than a moment to read; null otherwise.
    std::shared_ptr<const Arriving> arriving() const
    {
        return busy() && showArriving_ ? arriving_ : nullptr;
    }
    static std::filesystem::path dataFolder();
    /// Where recordings are kept; they stay there after they have become takes.
    static std::filesystem::path recordingsFolder();

signals:
    void changed(); ///< Whether it is busy.
    void progressed(double share);
    void opened(const QString& path); ///< For the list of recent files.
    /// Of takes that have joined together, some are named by other notes than are heard.
    void rootsDisagree(
        puretone::LayerId layer, const std::vector<puretone::TakeId>& those, std::size_t of);
    /// Of takes that have joined together, these are no notes: what becomes of them is asked.
    void notesMissing(
        puretone::LayerId layer, const std::vector<puretone::TakeId>& those, std::size_t of);
    /// A bank holds several instruments: one is to be chosen, and opened.
    void presetsFound(const QString& path, const QStringList& joining,
        const std::vector<puretone::BankPreset>& presets);

private:
    void adopt(const QString& path, const Result<Instrument>& result, const LeftOut& leftOut);
    struct Adding;
    bool greets() const;
    void startAdding(const QStringList& paths, LayerId layer, bool anew);
    void progress(const JobKey& key, double share);
    void listenToNext(std::size_t count);
    void takeReady(std::size_t index, const Result<Take>& made, const QString& path);
    void addReady();
    void finishAdding();
    /// A layer that only holds noises does not follow the keys from then on. @return Whether that
    /// is so since now.
    bool stopFollowing(const Adding& adding);
    /// What was added, where all of it was. @param alike Every key plays it alike.
    QString sentenceFor(const Adding& adding, bool alike) const;
    void compareNames(const Adding& adding);
    void shareKeys(const Adding& adding);
    std::vector<TakeId> joinedOf(
        const Adding& adding, const std::function<bool(const Take&)>& which) const;

    Session& session_;
    QString demo_; ///< What greets.
    std::optional<DocumentVersion> greeting_; ///< The document that it became.
    std::shared_ptr<Adding> adding_;
    std::shared_ptr<Arriving> arriving_;
    bool showArriving_ = false; ///< Short files are there before anything could be seen.
    QTimer arrivingSoon_;
};

} // namespace puretone::app
