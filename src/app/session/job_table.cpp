// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/job_table.h"

#include <QCoreApplication>
#include <algorithm>
#include <array>

namespace puretone::app {

namespace {

/// Where the catalogue of translations finds the words.
constexpr const char* context = "Jobs";

/// Kinds that are not in here run swiftly, without words.
constexpr std::array jobs = {
    JobFacts{JobKind::addFile, Lane::bulk},
    JobFacts{JobKind::shelfLook, Lane::bulk},
    JobFacts{JobKind::replaceTake, Lane::swift, QT_TRANSLATE_NOOP("Jobs", "Opening the recording…"),
        true},
    JobFacts{JobKind::makeSplit, Lane::swift, QT_TRANSLATE_NOOP("Jobs", "Making takes…"), true},
    JobFacts{
        JobKind::recover, Lane::swift, QT_TRANSLATE_NOOP("Jobs", "Opening unsaved work…"), true},
    JobFacts{JobKind::keptPart, Lane::swift,
        QT_TRANSLATE_NOOP("Jobs", "Listening to the recording…"), true},
    JobFacts{JobKind::notesInside, Lane::bulk},
    JobFacts{JobKind::split, Lane::swift, QT_TRANSLATE_NOOP("Jobs", "Searching for notes…"), true},
    JobFacts{JobKind::layOut, Lane::swift, QT_TRANSLATE_NOOP("Jobs", "Mapping the takes…"), true},
    JobFacts{
        JobKind::treat, Lane::swift, QT_TRANSLATE_NOOP("Jobs", "Treating the recording…"), true},
    JobFacts{JobKind::hearAgain, Lane::bulk},
    JobFacts{JobKind::copyTreatments, Lane::bulk, QT_TRANSLATE_NOOP("Jobs", "Treating all takes…"),
        true},
    JobFacts{JobKind::facts, Lane::bulk},
    JobFacts{JobKind::walk, Lane::swift, QT_TRANSLATE_NOOP("Jobs", "Undoing…"), true},
    JobFacts{
        JobKind::findLoops, Lane::swift, QT_TRANSLATE_NOOP("Jobs", "Searching for loops…"), true},
    JobFacts{JobKind::copyLoop, Lane::bulk,
        QT_TRANSLATE_NOOP("Jobs", "Searching for loops in all takes…"), true},
    JobFacts{JobKind::keepLength, Lane::bulk},
    JobFacts{
        JobKind::copyLayer, Lane::swift, QT_TRANSLATE_NOOP("Jobs", "Copying the layer…"), true},
    JobFacts{JobKind::levels, Lane::swift, QT_TRANSLATE_NOOP("Jobs", "Measuring levels…"), true},
    JobFacts{JobKind::shape, Lane::swift, QT_TRANSLATE_NOOP("Jobs", "Preparing the shape…"), true},
    JobFacts{JobKind::save, Lane::keeping, QT_TRANSLATE_NOOP("Jobs", "Saving…"), false},
    JobFacts{
        JobKind::exportFiles, Lane::keeping, QT_TRANSLATE_NOOP("Jobs", "Writing the files…"), true},
    JobFacts{JobKind::journal, Lane::journal},
    JobFacts{JobKind::sweep, Lane::bulk},
    JobFacts{JobKind::print, Lane::bulk, QT_TRANSLATE_NOOP("Jobs", "Printing…"), true},
    JobFacts{
        JobKind::printFiles, Lane::bulk, QT_TRANSLATE_NOOP("Jobs", "Printing into files…"), true},
    JobFacts{JobKind::keepPlayed, Lane::keeping,
        QT_TRANSLATE_NOOP("Jobs", "Writing what was played…"), false},
    JobFacts{JobKind::dragOut, Lane::keeping},
};

} // namespace

const JobFacts& factsOf(JobKind kind)
{
    static constexpr JobFacts usual{JobKind::open, Lane::swift};
    const auto found = std::find_if(
        jobs.begin(), jobs.end(), [kind](const JobFacts& facts) { return facts.kind == kind; });
    return found == jobs.end() ? usual : *found;
}

QString wordsOf(JobKind kind)
{
    const char* words = factsOf(kind).words;
    return words == nullptr ? QString() : QCoreApplication::translate(context, words);
}

} // namespace puretone::app
