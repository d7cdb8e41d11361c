#include "session/log.h"
#include "shell/main_window.h"
#include "style/interface_size.h"
#include "style/language.h"
#include "style/live_theme.h"

#include <QApplication>
#include <QCommandLineParser>
#include <QMessageBox>
#include <QTimer>

int main(int count, char** arguments) {
    wembrix::app::prepare_graphics();
    wembrix::app::scale_interface(count, arguments);
    QApplication application(count, arguments);
    QApplication::setApplicationName(QStringLiteral("wembrix"));
    QApplication::setApplicationDisplayName(QStringLiteral("Wembrix"));
    QApplication::setApplicationVersion(QStringLiteral(WEMBRIX_VERSION));
    QApplication::setDesktopFileName(QStringLiteral("io.wembrix.Wembrix"));
    wembrix::app::use_language(application, wembrix::app::language_to_use());
    QCommandLineParser parser;
    parser.setApplicationDescription(
        QObject::tr("Opens a job, or a new one over files; without any it offers three ways in."));
    parser.addHelpOption();
    parser.addVersionOption();
    const QCommandLineOption level(QStringLiteral("log"),
                                   QObject::tr("How much is kept in the log: off, warning, info or debug."),
                                   QStringLiteral("level"), QStringLiteral("info"));
    parser.addOption(level);
    parser.addPositionalArgument(QStringLiteral("files"), QObject::tr("A job, or files and folders."),
                                 QStringLiteral("[files…]"));
    parser.process(application);
    wembrix::app::begin_log(wembrix::app::log_folder(), parser.value(level));
    wembrix::app::log_what_is_shown();
    wembrix::app::note_crashes();
    wembrix::app::take_crash_note();
    new wembrix::app::LiveTheme(application);
    wembrix::app::MainWindow window;
    window.show();
    const QStringList paths = parser.positionalArguments();
    QTimer::singleShot(0, &window, [&] {
        const QString problem = window.open_paths(paths);
        if (!problem.isEmpty()) {
            QMessageBox::warning(&window, QStringLiteral("Wembrix"), problem);
        }
        window.offer_recovery();
    });
    const int code = QApplication::exec();
    wembrix::app::end_log();
    return code;
}
