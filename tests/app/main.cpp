// The real window under a virtual screen: real clicks, drags and keys.
#include "style/look.h"

#include <QApplication>
#include <QSurfaceFormat>
#include <gtest/gtest.h>

int main(int count, char** arguments) {
    ::testing::InitGoogleTest(&count, arguments);
    QSurfaceFormat format;
    format.setVersion(3, 3);
    format.setProfile(QSurfaceFormat::CoreProfile);
    format.setDepthBufferSize(24);
    QSurfaceFormat::setDefaultFormat(format);
    QApplication application(count, arguments);
    wembrix::app::apply_look(application);
    return RUN_ALL_TESTS();
}
