// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/session/take_key.h"
#include "formats/export/export_plan.h"

#include <QObject>
#include <array>
#include <optional>

namespace puretone::app {

class Session;

/// Exports: planned beside the window, heard before they are written, written and checked.
class Exporting : public QObject {
    Q_OBJECT

public:
    explicit Exporting(Session& session);

    /// The instrument's own.
    const ExportWish& wish() const;
    /// @param gesture See History::apply.
    void setWish(const ExportWish& wish, int gesture = 0);
    bool ticked(Product product) const;
    void setTicked(Product product, bool on);
    /// All of both in one step.
    void set(const Exports& exports, const QString& name);
    QString folder() const { return folder_; }
    void setFolder(const QString& folder);
    /// The file that is asked for, or the folder of several.
    std::filesystem::path pathOf(Product product) const;
    /// As it was last worked out; null before that.
    const ProductPlan* planOf(Product product) const;
    /// How the last writing went; null before it.
    const Result<Written>* reportOf(Product product) const;
    bool writing() const;
    /// Ticked products that stand there already, but for the document's own file.
    QStringList inTheWay() const;

    /// The document or the wish has changed.
    void refresh();
    void write();
    /// Plays what the first ticked product will sound like in place of the document.
    void hear(bool on);
    bool hearing() const { return hearing_; }
    /// "SFZ".
    static QString nameOf(Product product);

signals:
    void changed();

private:
    std::vector<Product> tickedOnes() const;
    bool isOurs(const QString& path) const;
    void plan();
    void hearNow();

    Session& session_;
    QString folder_;
    std::array<std::optional<ProductPlan>, allProducts.size()> plans_;
    std::array<std::optional<Result<Written>>, allProducts.size()> reports_;
    bool hearing_ = false;
    std::optional<std::pair<int, ExportWish>> planned_; ///< For which document, as it was wished.
};

} // namespace puretone::app
