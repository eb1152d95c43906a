// SPDX-License-Identifier: GPL-3.0-or-later
// Makes the QApplication before the first test and takes it down after the last.
#include "app/shell/application.h"
#include "app/theme/theme.h"

#include <QSettings>
#include <QStandardPaths>
#include <catch2/catch.hpp>
#include <memory>

namespace {

class Application : public Catch::TestEventListenerBase {
public:
    using TestEventListenerBase::TestEventListenerBase;

    void testRunStarting(const Catch::TestRunInfo&) override
    {
        QStandardPaths::setTestModeEnabled(true);
        application_ = std::make_unique<puretone::app::Application>(count_, arguments_);
        QApplication::setApplicationName(QStringLiteral("puretone-tests"));
        puretone::app::Theme::loadFonts();
        puretone::app::Theme::apply(*application_, puretone::app::ThemeName::daybreak);
    }
    void testRunEnded(const Catch::TestRunStats&) override { application_.reset(); }

private:
    int count_ = 1;
    char name_[10] = "app_tests";
    char* arguments_[2] = {name_, nullptr};
    std::unique_ptr<puretone::app::Application> application_;
};

} // namespace

CATCH_REGISTER_LISTENER(Application)
