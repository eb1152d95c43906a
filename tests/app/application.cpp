// SPDX-License-Identifier: GPL-3.0-or-later
// Makes the QApplication before the first test and takes it down after the last.
#include "app/shell/application.h"
#include "app/theme/theme.h"
#include "support/takes.h"

#include <catch2/catch.hpp>
#include <memory>

namespace {

class Application : public Catch::TestEventListenerBase {
public:
    using TestEventListenerBase::TestEventListenerBase;

    void testRunStarting(const Catch::TestRunInfo&) override
    {
        // Settings, recordings and journals of this run alone: tests run beside each other, and
        // what one leaves unsaved must not be offered to another.
        for (const char* name :
            {"XDG_DATA_HOME", "XDG_CONFIG_HOME", "XDG_CACHE_HOME", "XDG_STATE_HOME", "HOME"})
            qputenv(name, QByteArray::fromStdString(home_.path().string()));
        application_ = std::make_unique<puretone::app::Application>(count_, arguments_);
        QApplication::setApplicationName(QStringLiteral("puretone-tests"));
        puretone::app::Theme::loadFonts();
        puretone::app::Theme::apply(*application_, puretone::app::ThemeName::daybreak);
    }
    void testRunEnded(const Catch::TestRunStats&) override { application_.reset(); }

private:
    const probe::TemporaryFolder home_;
    int count_ = 1;
    char name_[10] = "app_tests";
    char* arguments_[2] = {name_, nullptr};
    std::unique_ptr<puretone::app::Application> application_;
};

} // namespace

CATCH_REGISTER_LISTENER(Application)
