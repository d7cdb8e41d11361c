// The real window under a virtual screen: real clicks, drags and keys.
#include "session/recovery.h"
#include "style/live_theme.h"

#include <QApplication>
#include <QDir>
#include <QStandardPaths>
#include <gtest/gtest.h>

int main(int count, char** arguments) {
    ::testing::InitGoogleTest(&count, arguments);
    wembrix::app::prepare_graphics();
    QApplication application(count, arguments);
    // What the window keeps for a person goes to a folder for tests.
    QApplication::setApplicationName(QStringLiteral("wembrix-tests"));
    QStandardPaths::setTestModeEnabled(true);
    // A suite that was killed leaves its recovery files; they are no finding of this run.
    QDir(wembrix::app::Recovery::folder()).removeRecursively();
    new wembrix::app::LiveTheme(application);
    return RUN_ALL_TESTS();
}
