// The real window under a virtual screen: real clicks, drags and keys.
#include "style/look.h"

#include <QApplication>
#include <QStandardPaths>
#include <gtest/gtest.h>

int main(int count, char** arguments) {
    ::testing::InitGoogleTest(&count, arguments);
    wembrix::app::prepare_graphics();
    QApplication application(count, arguments);
    // What the window keeps for a person goes to a folder for tests.
    QApplication::setApplicationName(QStringLiteral("wembrix-tests"));
    QStandardPaths::setTestModeEnabled(true);
    wembrix::app::apply_look(application);
    return RUN_ALL_TESTS();
}
