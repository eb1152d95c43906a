// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/exporting.h"

#include "app/session/session.h"
#include "formats/regions.h"

#include <QDir>
#include <QFileInfo>
#include <QSettings>
#include <QStandardPaths>

namespace puretone::app {

namespace {

constexpr double bytesInMegabyte = 1e6;

FileKind kindOf(Product product)
{
    switch (product) {
    case Product::project:
        return FileKind::project;
    case Product::sfz:
        return FileKind::sfz;
    case Product::soundFont:
        return FileKind::sf2;
    case Product::wavs:
        break;
    }
    return FileKind::wav;
}

/// Several files in a folder of their own.
bool isSet(const Instrument& document, const ExportWish& wish)
{
    return document.takes.size() > 1 || wish.choices.keyStep > 0;
}

} // namespace

Exporting::Exporting(Session& session)
    : session_(session)
{
    const auto music = QStandardPaths::writableLocation(QStandardPaths::MusicLocation);
    const auto usual = QFileInfo(music).isDir() ? music : QDir::homePath();
    const auto last = QSettings().value(QStringLiteral("export/folder")).toString();
    folder_ = QFileInfo(last).isDir() ? last : usual;
}

QString Exporting::nameOf(Product product)
{
    switch (product) {
    case Product::project:
        return tr("instrument");
    case Product::sfz:
        return tr("SFZ");
    case Product::soundFont:
        return tr("SoundFont");
    case Product::wavs:
        break;
    }
    return tr("WAV files");
}

std::filesystem::path Exporting::pathOf(Product product) const
{
    const Instrument& document = session_.instrument();
    QString name = QString::fromStdString(document.name).trimmed();
    name.replace(QLatin1Char('/'), QLatin1Char('-'));
    if (name.isEmpty())
        name = tr("Untitled");
    const auto base = std::filesystem::path(folder_.toStdString()) / name.toStdString();
    switch (product) {
    case Product::project:
        return base.string() + ".puretone";
    case Product::sfz:
        return base.string() + ".sfz";
    case Product::soundFont:
        return base.string() + ".sf2";
    case Product::wavs:
        break;
    }
    return base.string() + (isSet(document, wish_) ? " WAV" : ".wav");
}

const ProductPlan* Exporting::planOf(Product product) const
{
    const auto& plan = plans_[std::size_t(product)];
    return plan ? &*plan : nullptr;
}

const Result<Written>* Exporting::reportOf(Product product) const
{
    const auto& report = reports_[std::size_t(product)];
    return report ? &*report : nullptr;
}

bool Exporting::writing() const
{
    return session_.background().busy(JobKind::exportFiles);
}

void Exporting::setWish(const ExportWish& wish)
{
    if (wish == wish_)
        return;
    wish_ = wish;
    reports_ = {};
    refresh();
}

void Exporting::setTicked(Product product, bool on)
{
    ticked_[std::size_t(product)] = on;
    if (hearing_)
        hearNow();
    emit changed();
}

void Exporting::setFolder(const QString& folder)
{
    if (folder == folder_)
        return;
    folder_ = folder;
    QSettings().setValue(QStringLiteral("export/folder"), folder);
    reports_ = {};
    planned_.reset();
    refresh();
}

QStringList Exporting::inTheWay() const
{
    QStringList there;
    for (const auto product : allProducts)
        if (const auto path = QString::fromStdString(pathOf(product).string());
            ticked(product) && QFileInfo::exists(path))
            there << QFileInfo(path).fileName();
    return there;
}

std::vector<Exporting::Target> Exporting::targets(bool onlyTicked) const
{
    std::vector<Target> found;
    for (const auto product : allProducts)
        if (!onlyTicked || ticked(product)) {
            Target target{product, pathOf(product), wish_};
            if (wish_.usualDepth)
                target.wish.choices.sound.depth = usualChoices(kindOf(product)).sound.depth;
            found.push_back(std::move(target));
        }
    return found;
}

Fit Exporting::fitFor(const Instrument& document, const Target& target)
{
    const auto choices = possible(target.wish.choices, kindOf(target.product));
    if (target.product == Product::project || target.wish.limitMegabytes <= 0.0)
        return {document, choices, 0, true, {}};
    return fitInto(document, target.path, choices,
        std::uint64_t(target.wish.limitMegabytes * bytesInMegabyte), target.wish.savers);
}

ProductPlan Exporting::planFor(const Instrument& document, const Target& target)
{
    const auto fit = fitFor(document, target);
    const bool set = target.product == Product::wavs && isSet(document, target.wish);
    ProductPlan plan;
    plan.files = set ? plannedWavSet(fit.instrument, target.path, fit.choices)
                     : plannedFiles(fit.instrument, target.path, fit.choices);
    plan.bytes = totalBytes(plan.files);
    plan.exact = std::all_of(
        plan.files.begin(), plan.files.end(), [](const PlannedFile& file) { return file.exact; });
    plan.fits = fit.met;
    plan.said = fit.said;
    // A set of keys is what is heard, with everything.
    if (target.product != Product::wavs || target.wish.choices.keyStep == 0)
        plan.losses = lossesOf(fit.instrument, kindOf(target.product), set);
    return plan;
}

void Exporting::refresh()
{
    const std::pair now{session_.history().revision(), wish_};
    if (planned_ != now) {
        if (planned_ && planned_->first != now.first)
            reports_ = {};
        planned_ = now;
        plan();
        if (hearing_)
            hearNow();
    }
    emit changed();
}

void Exporting::plan()
{
    session_.background().run(
        JobKind::exportLook, Background::Running::cancel,
        [document = session_.instrument(), targets = targets(false)](const Progress&) {
            std::vector<std::pair<Product, ProductPlan>> plans;
            for (const auto& target : targets)
                plans.emplace_back(target.product, planFor(document, target));
            return plans;
        },
        [this](const std::vector<std::pair<Product, ProductPlan>>& plans) {
            for (const auto& [product, plan] : plans)
                plans_[std::size_t(product)] = plan;
            emit changed();
        });
}

void Exporting::write()
{
    using Results = std::vector<std::pair<Product, Result<Written>>>;
    const auto version = session_.version();
    reports_ = {};
    session_.background().run(
        JobKind::exportFiles, Background::Running::finish,
        [document = version.value, targets = targets(true)](const Progress& progress) {
            Results results;
            for (std::size_t i = 0; i < targets.size(); ++i) {
                const auto& target = targets[i];
                const auto part = progress.part(double(i) / double(targets.size()),
                    double(i + 1) / double(targets.size()));
                const auto fit = fitFor(document, target);
                const bool set =
                    target.product == Product::wavs && isSet(document, target.wish);
                results.emplace_back(target.product,
                    set ? writeWavSet(fit.instrument, target.path, fit.choices, part)
                        : writeInstrument(fit.instrument, target.path, fit.choices, part));
            }
            return results;
        },
        [this, version](const Results& results) {
            for (const auto& [product, result] : results) {
                reports_[std::size_t(product)] = result;
                if (!result)
                    session_.say(QString::fromStdString(result.error().sentence()));
                else if (product == Product::project)
                    session_.saving().wasWritten(
                        version, QString::fromStdString(result->files.front().string()));
            }
            emit changed();
        },
        Background::Lane::keeping,
        [this](const Error& error) {
            session_.say(QString::fromStdString(error.sentence()));
            emit changed();
        });
    emit changed();
}

void Exporting::hear(bool on)
{
    hearing_ = on;
    if (on)
        hearNow();
    else
        session_.audition().stop();
    emit changed();
}

void Exporting::hearNow()
{
    auto ready = targets(true);
    std::erase_if(ready, [](const Target& target) { return target.product == Product::project; });
    if (ready.empty())
        ready = {{Product::wavs, pathOf(Product::wavs), wish_}};
    session_.audition().hearInstead(
        [document = session_.instrument(), target = ready.front()](const Progress&) {
            const auto fit = fitFor(document, target);
            auto heard = asWritten(fit.instrument, fit.choices.sound);
            heard.effects.clear(); // no format has them
            return sanitized(std::move(heard));
        });
}

} // namespace puretone::app
