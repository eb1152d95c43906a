// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/files/exporting.h"

#include "app/session/session.h"
#include "app/session/settings.h"

#include <QFileInfo>

namespace puretone::app {

Exporting::Exporting(Session& session)
    : session_(session)
{
    folder_ = settings::folder(settings::resultsFolder);
    connect(&session.background(), &Background::rested, this, [this](const JobKey& key) {
        if (key.kind == JobKind::exportFiles)
            emit changed(); // it may have been cancelled
    });
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
    return productPath(session_.instrument(), product, wish(), folder_.toStdString());
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

const ExportWish& Exporting::wish() const
{
    return session_.instrument().exports.wish;
}

bool Exporting::ticked(Product product) const
{
    return session_.instrument().exports.ticked[std::size_t(product)];
}

void Exporting::set(const Exports& exports, const QString& name)
{
    if (exports == session_.instrument().exports)
        return;
    session_.edit(name, [&](Instrument& next) { next.exports = exports; });
}

void Exporting::setWish(const ExportWish& wish, int gesture)
{
    if (wish == this->wish())
        return;
    session_.edit(
        tr("Change export"), [&](Instrument& next) { next.exports.wish = wish; }, gesture);
}

void Exporting::setTicked(Product product, bool on)
{
    if (on == ticked(product))
        return;
    session_.edit(on ? tr("Include in export") : tr("Leave out of export"),
        [&](Instrument& next) { next.exports.ticked[std::size_t(product)] = on; });
    if (hearing_)
        hearNow();
}

void Exporting::setFolder(const QString& folder)
{
    if (folder == folder_)
        return;
    folder_ = folder;
    settings::setFolder(settings::resultsFolder, folder);
    reports_ = {};
    planned_.reset();
    refresh();
}

/// The file that the document was last saved to or opened from, as nobody else has changed it
/// since.
bool Exporting::isOurs(const QString& path) const
{
    return path == session_.path() && !session_.saving().changedOutside(path);
}

QStringList Exporting::inTheWay() const
{
    QStringList there;
    for (const auto product : allProducts)
        if (const auto path = QString::fromStdString(pathOf(product).string());
            ticked(product) && QFileInfo::exists(path) && !isOurs(path))
            there << QFileInfo(path).fileName();
    return there;
}

std::vector<Product> Exporting::tickedOnes() const
{
    std::vector<Product> found;
    for (const auto product : allProducts)
        if (ticked(product))
            found.push_back(product);
    return found;
}

void Exporting::refresh()
{
    const std::pair now{session_.history().revision(), wish()};
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
        [document = session_.instrument(), wish = wish(), folder = folder_.toStdString()](
            const Progress&) {
            std::vector<std::pair<Product, ProductPlan>> plans;
            for (const auto product : allProducts)
                plans.emplace_back(product, planProduct(document, product, wish, folder));
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
        [document = version.value, products = tickedOnes(), wish = wish(),
            folder = folder_.toStdString()](const Progress& progress) {
            Results results;
            const double count = double(products.size());
            for (const auto product : products) {
                const auto place = double(results.size());
                results.emplace_back(product,
                    writeProduct(document, product, wish, folder,
                        progress.part(place / count, (place + 1.0) / count)));
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
    auto products = tickedOnes();
    std::erase(products, Product::project);
    const auto product = products.empty() ? Product::wavs : products.front();
    session_.audition().hearInstead(
        [document = session_.instrument(), product, wish = wish(), folder = folder_.toStdString()](
            const Progress&) { return heardProduct(document, product, wish, folder); });
}

} // namespace puretone::app
