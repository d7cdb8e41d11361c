// The real window under a virtual screen: real clicks, drags and keys.
#include "style/look.h"

#include <QApplication>
#include <gtest/gtest.h>

int main(int count, char** arguments) {
    ::testing::InitGoogleTest(&count, arguments);
    wembrix::app::prepare_graphics();
    QApplication application(count, arguments);
    wembrix::app::apply_look(application);
    return RUN_ALL_TESTS();
}
