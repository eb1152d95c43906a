// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/work/printing.h"

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "base/files/safe_file.h"
#include "base/say.h"

#include <QDir>

namespace puretone::app {

Printing::Printing(Session& session)
    : session_(session)
{
    soon_.setSingleShot(true);
    connect(&soon_, &QTimer::timeout, this, &Printing::makeLook);
    connect(&session.background(), &Background::progressed, this,
        [this](const JobKey& key, double share) {
            if (key.kind == JobKind::print || key.kind == JobKind::printFiles) {
                share_ = share;
                emit progressed();
            }
        });
    connect(&session.background(), &Background::rested, this, [this](const JobKey& key) {
        if (key.kind == JobKind::print || key.kind == JobKind::printFiles)
            emit progressed();
    });
}

PrintPlan Printing::plan() const
{
    PrintPlan plan = plan_;
    if (!keyByHand_)
        if (const Take* take = session_.take())
            plan.key = take->tuning.rootKey;
    return sanitized(plan);
}

void Printing::setPlan(const PrintPlan& plan)
{
    keyByHand_ = keyByHand_ || plan.key != this->plan().key;
    plan_ = sanitized(plan);
    wantLook();
    emit session_.derivedChanged();
}

void Printing::wantLook()
{
    const Instrument& instrument = session_.instrument();
    Print print = planPrint(instrument, plan());
    if (wanted_ == print)
        return;
    wanted_ = print;
    const auto why = instrument.takes.empty() ? puretone::say("there is no sound yet")
                                              : printObstacle(instrument, print);
    obstacle_ = QString::fromStdString(why);
    if (!why.empty()) {
        look_.reset();
        shown_ = wanted_;
        return;
    }
    constexpr int quietMilliseconds = 300; // a drag wants another one with every step
    soon_.start(quietMilliseconds);
}

void Printing::makeLook()
{
    // A picture needs no more than its first half a minute, at a rate that draws quickly.
    constexpr double rate = 24000.0, longest = 30.0;
    Print print = *wanted_;
    print.plan.heldSeconds = std::min(print.plan.heldSeconds, longest);
    print.plan.tailSeconds = std::min(print.plan.tailSeconds, longest);
    struct Found {
        std::shared_ptr<const PeakPyramid> look;
        Print of;
        std::string why;
    };
    session_.background().run(
        JobKind::printLook, Background::Running::cancel,
        [instrument = session_.instrument(), print, of = *wanted_](const Progress& progress) {
            Found found{nullptr, of, {}};
            auto audio = printAudio(instrument, print, rate, progress);
            if (audio)
                found.look = std::make_shared<const PeakPyramid>(
                    std::make_shared<const Audio>(std::move(*audio)));
            else
                found.why = puretone::say("it is silent");
            return found;
        },
        [this](const Found& found) {
            look_ = found.look;
            shown_ = found.of;
            obstacle_ = QString::fromStdString(found.why);
            emit session_.derivedChanged();
        });
}

std::string Printing::nameOf(const PrintPlan& plan) const
{
    return puretone::say("print %1", noteName(plan.key, session_.naming()));
}

std::vector<std::string> Printing::namesOf(const std::vector<Print>& prints) const
{
    std::vector<std::string> names;
    const bool touches = !prints.empty() && prints.front().plan.touch != prints.back().plan.touch;
    for (const Print& print : prints)
        names.push_back(nameOf(print.plan)
            + (touches ? puretone::say(" touch %1", print.plan.touch) : std::string()));
    return names;
}

bool Printing::busy() const
{
    const auto& background = session_.background();
    return background.busy(JobKind::print) || background.busy(JobKind::printFiles);
}

void Printing::stop()
{
    for (const auto kind : {JobKind::print, JobKind::printFiles})
        session_.background().cancel(kind);
    share_ = 0.0;
    emit progressed();
}

void Printing::run(std::vector<Print> prints, std::function<void(const std::vector<Made>&)> done)
{
    auto names = namesOf(prints);
    share_ = 0.0;
    session_.background().run(
        JobKind::print, Background::Running::cancel,
        [instrument = session_.instrument(), prints = std::move(prints), names = std::move(names),
            rate = session_.player().engine().rate()](
            const Progress& progress) -> Result<std::vector<Made>> {
            auto audio = printAll(instrument, prints, rate, progress);
            if (!audio)
                return tl::unexpected(audio.error());
            std::vector<Made> made;
            for (std::size_t i = 0; i < prints.size(); ++i)
                made.push_back({prints[i], names[i],
                    makeRecording(std::move((*audio)[i]), names[i] + ".wav")});
            return made;
        },
        [this, done = std::move(done)](const Result<std::vector<Made>>& made) {
            share_ = 0.0;
            if (made)
                done(*made);
            else if (made.error().code != ErrorCode::cancelled)
                session_.say(QString::fromStdString(made.error().sentence()));
            emit progressed();
        });
    emit progressed();
}

void Printing::print()
{
    run({planPrint(session_.instrument(), plan())}, [this](const std::vector<Made>& made) {
        const Made& one = made.front();
        TakeId shown;
        const auto layerName =
            puretone::say("Print %1", noteName(one.print.plan.key, session_.naming()));
        session_.edit(tr("Print a take"), [&](Instrument& next) {
            const auto layer =
                addPrints(next, {printedTake(next, one.recording, one.print, one.name)}, layerName);
            if (layer)
                shown = next.takes.back().id;
        });
        if (!shown) {
            session_.say(tr("There is no room for it: take a layer or some takes away first."));
            return;
        }
        session_.showTake(shown);
        session_.showLayer(session_.instrument().layers.back().id);
        session_.say(tr("%1 is printed and sounds alone now: the layers and effects that are in it "
                        "are switched off.")
                         .arg(typeset(layerName)),
            false);
    });
}

void Printing::printAnew(TakeId id)
{
    const Take* take = session_.instrument().take(id);
    if (take == nullptr || !take->print)
        return;
    Print print = *take->print;
    if (const auto why = printObstacle(session_.instrument(), print); !why.empty()) {
        session_.say(tr("It cannot be printed anew: %1.").arg(QString::fromStdString(why)));
        return;
    }
    print.sources = printSources(session_.instrument(), print);
    run({print}, [this, id](const std::vector<Made>& made) {
        if (session_.instrument().take(id) == nullptr)
            return;
        session_.edit(tr("Print anew"), [&](Instrument& next) {
            replacePrint(next, id, made.front().recording, made.front().print);
        });
        session_.say(tr("The take is printed anew from its sources as they are now."), false);
    });
}

namespace {

std::vector<Print> printsOf(const Instrument& instrument, const PrintMany& many)
{
    std::vector<Print> prints;
    for (const PrintPlan& plan : plansOf(instrument, many))
        prints.push_back(planPrint(instrument, plan));
    return prints;
}

} // namespace

void Printing::printMany(const PrintMany& many)
{
    auto prints = printsOf(session_.instrument(), many);
    if (prints.empty()) {
        session_.say(tr("No layer plays any of these keys."));
        return;
    }
    run(std::move(prints), [this](const std::vector<Made>& made) {
        LayerId layer;
        session_.edit(tr("Print many keys"), [&](Instrument& next) {
            std::vector<Take> takes;
            for (const Made& each : made)
                takes.push_back(printedTake(next, each.recording, each.print, each.name));
            layer = addPrints(next, std::move(takes), "Prints");
        });
        if (layer)
            session_.showLayer(layer);
        session_.say(layer ? tr("%1 keys are printed and sound alone now.").arg(made.size())
                           : tr("There is no room for it: take a layer or some takes away first."),
            !layer);
    });
}

QStringList Printing::filesOf(const PrintMany& many, const QString& folder) const
{
    QStringList paths;
    for (const auto& name : namesOf(printsOf(session_.instrument(), many)))
        paths << QDir(folder).filePath(QString::fromStdString(name) + QStringLiteral(".wav"));
    return paths;
}

void Printing::printFiles(const PrintMany& many, const QString& folder)
{
    auto prints = printsOf(session_.instrument(), many);
    if (prints.empty()) {
        session_.say(tr("No layer plays any of these keys."));
        return;
    }
    session_.background().run(
        JobKind::printFiles, Background::Running::cancel,
        [instrument = session_.instrument(), prints = std::move(prints),
            paths = filesOf(many, folder), rate = session_.player().engine().rate()](
            const Progress& progress) -> Result<std::size_t> {
            auto audio = printAll(instrument, prints, rate, progress.part(0.0, 0.9));
            if (!audio)
                return tl::unexpected(audio.error());
            FilesTogether files; // all of them, or none
            for (std::size_t i = 0; i < prints.size() && !progress.cancelled(); ++i) {
                SamplerInfo sampler;
                sampler.midi = prints[i].plan.key;
                const auto done = files.write(
                    paths[qsizetype(i)].toStdString(), [&](const std::filesystem::path& temporary) {
                        return writeWav(temporary, (*audio)[i], SampleFormat::int24, sampler);
                    });
                if (!done)
                    return tl::unexpected(done.error());
                progress.at(0.9 + 0.1 * double(i + 1) / double(prints.size()));
            }
            if (progress.cancelled())
                return std::size_t(0);
            if (const auto kept = files.keep(); !kept)
                return tl::unexpected(kept.error());
            return prints.size();
        },
        [this, folder](const Result<std::size_t>& written) {
            if (written)
                session_.say(tr("%1 files are written to %2.").arg(*written).arg(folder), false);
            else
                session_.say(QString::fromStdString(written.error().sentence()));
            emit progressed();
        });
    emit progressed();
}

} // namespace puretone::app
