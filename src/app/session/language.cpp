// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/language.h"

#include "base/say.h"

#include <QLibraryInfo>
#include <QLocale>
#include <QTranslator>
#include <memory>

/// Resources in a static library have to be asked for, from outside every namespace.
static void findTranslations()
{
    Q_INIT_RESOURCE(translations);
}

namespace puretone::app::language {

namespace {

constexpr const char* core = "core"; ///< Context of the core's messages in a catalogue.

/// The catalogues in use; made anew for another language.
std::vector<std::unique_ptr<QTranslator>>& inUse()
{
    static std::vector<std::unique_ptr<QTranslator>> translators;
    return translators;
}

void use(const QString& file, const QString& folder)
{
    auto translator = std::make_unique<QTranslator>();
    if (!translator->load(file, folder))
        return;
    QCoreApplication::installTranslator(translator.get());
    inUse().push_back(std::move(translator));
}

} // namespace

QStringList known()
{
    return {QStringLiteral("en"), QStringLiteral("de")};
}

QString nameOf(const QString& code)
{
    return code == QStringLiteral("de") ? QStringLiteral("Deutsch") : QStringLiteral("English");
}

QString ofDesktop()
{
    for (const auto& wanted : QLocale::system().uiLanguages())
        for (const auto& code : known())
            if (wanted.section(QLatin1Char('-'), 0, 0) == code)
                return code;
    return known().first();
}

void speak(const QString& code)
{
    findTranslations();
    for (const auto& old : inUse())
        QCoreApplication::removeTranslator(old.get());
    inUse().clear();
    if (code != known().first() && known().contains(code))
        use(QStringLiteral("qtbase_") + code, QLibraryInfo::path(QLibraryInfo::TranslationsPath));
    // English has a catalogue, too: of what changes with a number.
    use(QStringLiteral("puretone_") + code, QStringLiteral(":/translations"));
    setTranslator(
        [](const char* id) { return QCoreApplication::translate(core, id).toStdString(); });
}

} // namespace puretone::app::language
