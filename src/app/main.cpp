#include "shell/main_window.h"
#include "style/theme.h"

#include <QApplication>
#include <QMessageBox>
#include <QTimer>

int main(int count, char** arguments) {
    wembrix::app::prepare_graphics();
    QApplication application(count, arguments);
    QApplication::setApplicationName(QStringLiteral("wembrix"));
    QApplication::setApplicationDisplayName(QStringLiteral("Wembrix"));
    wembrix::app::apply_theme(application);
    wembrix::app::MainWindow window;
    window.show();
    const QStringList paths = QApplication::arguments().mid(1);
    QTimer::singleShot(0, &window, [&] {
        const QString problem = window.open_paths(paths);
        if (!problem.isEmpty()) {
            QMessageBox::warning(&window, QStringLiteral("Wembrix"), problem);
        }
        window.offer_recovery();
    });
    return QApplication::exec();
}
