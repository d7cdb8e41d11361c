#include "session/log.h"

#include <QApplication>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QMessageBox>
#include <QSysInfo>
#include <array>
#include <csignal>
#include <cstring>
#include <execinfo.h>
#include <fcntl.h>
#include <memory>
#include <spdlog/sinks/rotating_file_sink.h>
#include <spdlog/spdlog.h>
#include <unistd.h>

namespace wembrix::app {

namespace {

std::shared_ptr<spdlog::logger> logger;
QString file_of_log;
constexpr const char* crash_name = "crash.txt";
constexpr size_t longest_path = 4096;
std::array<char, longest_path> crash_path = {}; // a signal's handler may not ask for memory

std::string without_home(QString text) {
    const QString home = QDir::homePath();
    if (home.size() > 1) {
        text.replace(home, QStringLiteral("~"));
    }
    return text.toStdString();
}

void write_all(int file, const char* text) {
    size_t left = std::strlen(text);
    while (left > 0) {
        const ssize_t done = ::write(file, text, left);
        if (done <= 0) {
            return;
        }
        text += done;
        left -= static_cast<size_t>(done);
    }
}

void on_crash(int signal) {
    const int file = ::open(crash_path.data(), O_WRONLY | O_CREAT | O_TRUNC | O_NOFOLLOW, 0600);
    if (file >= 0) {
        write_all(file, "Wembrix " WEMBRIX_VERSION " ended by ");
        write_all(file, signal == SIGSEGV   ? "a place in memory that is not its own"
                        : signal == SIGABRT ? "a check of its own"
                        : signal == SIGFPE  ? "a calculation that cannot be"
                                            : "a signal");
        write_all(file, "\n");
        constexpr int deepest = 60;
        std::array<void*, deepest> frames = {};
        backtrace_symbols_fd(frames.data(), backtrace(frames.data(), deepest), file);
        ::close(file);
    }
    std::signal(signal, SIG_DFL);
    ::raise(signal);
}

/// Sees every box with a warning as it is shown.
class ShownWarnings : public QObject {
  public:
    using QObject::QObject;
    bool eventFilter(QObject* watched, QEvent* event) override {
        if (event->type() == QEvent::Show) {
            const auto* box = qobject_cast<QMessageBox*>(watched);
            if (box != nullptr && (box->icon() == QMessageBox::Warning || box->icon() == QMessageBox::Critical)) {
                log_warning(box->text());
            }
        }
        return QObject::eventFilter(watched, event);
    }
};

QtMessageHandler before = nullptr;
void on_qt_message(QtMsgType type, const QMessageLogContext& context, const QString& message) {
    if (type != QtDebugMsg && type != QtInfoMsg) {
        log_warning(QStringLiteral("Qt: ") + message);
    }
    if (before != nullptr) {
        before(type, context, message);
    }
}

} // namespace

QString log_folder() {
    const QString state = qEnvironmentVariable("XDG_STATE_HOME");
    return (state.startsWith(QLatin1Char('/')) ? state : QDir::homePath() + QStringLiteral("/.local/state")) +
           QStringLiteral("/wembrix");
}

QString log_file() {
    return logger == nullptr ? QString() : file_of_log;
}

void begin_log(const QString& folder, const QString& level) {
    end_log();
    const spdlog::level::level_enum wanted = level == QLatin1String("off")       ? spdlog::level::off
                                             : level == QLatin1String("warning") ? spdlog::level::warn
                                             : level == QLatin1String("debug")   ? spdlog::level::debug
                                                                                 : spdlog::level::info;
    if (wanted == spdlog::level::off || !QDir().mkpath(folder)) {
        return;
    }
    QFile::setPermissions(folder, QFile::ReadOwner | QFile::WriteOwner | QFile::ExeOwner);
    constexpr size_t largest = 1'000'000;
    constexpr size_t kept = 3;
    const QString file = folder + QStringLiteral("/wembrix.log");
    try {
        auto sink = std::make_shared<spdlog::sinks::rotating_file_sink_mt>(file.toStdString(), largest, kept);
        logger = std::make_shared<spdlog::logger>("wembrix", std::move(sink));
    } catch (const spdlog::spdlog_ex&) {
        return; // without a log the work goes on
    }
    file_of_log = file;
    logger->set_level(wanted);
    logger->set_pattern("%Y-%m-%d %H:%M:%S.%e %l: %v");
    logger->flush_on(spdlog::level::info);
    const std::string path = (folder + QLatin1Char('/') + QLatin1String(crash_name)).toStdString();
    if (path.size() + 1 < crash_path.size()) {
        std::copy(path.begin(), path.end(), crash_path.begin());
    }
    log_info(QStringLiteral("Wembrix %1 on %2, Qt %3")
                 .arg(QStringLiteral(WEMBRIX_VERSION), QSysInfo::prettyProductName(), QString::fromLatin1(qVersion())));
}

void end_log() {
    if (logger != nullptr) {
        logger->flush();
        logger.reset();
    }
}

void log_debug(const QString& text) {
    if (logger != nullptr) {
        logger->debug("{}", without_home(text));
    }
}
void log_info(const QString& text) {
    if (logger != nullptr) {
        logger->info("{}", without_home(text));
    }
}
void log_warning(const QString& text) {
    if (logger != nullptr) {
        logger->warn("{}", without_home(text));
    }
}

void log_what_is_shown() {
    static bool sees = false;
    if (!sees) {
        sees = true;
        qApp->installEventFilter(new ShownWarnings(qApp));
        before = qInstallMessageHandler(on_qt_message);
    }
}

void note_crashes() {
    if (crash_path[0] == 0) {
        return;
    }
    std::array<void*, 1> first = {};
    backtrace(first.data(), 1); // what it needs of the system is loaded now, not in the handler
    for (const int signal : {SIGSEGV, SIGBUS, SIGFPE, SIGILL, SIGABRT}) {
        std::signal(signal, on_crash);
    }
}

QString take_crash_note() {
    if (logger == nullptr) {
        return {};
    }
    QFile file(QFileInfo(file_of_log).path() + QLatin1Char('/') + QLatin1String(crash_name));
    constexpr qint64 most = 100'000;
    if (!file.open(QIODevice::ReadOnly)) {
        return {};
    }
    const QString note = QString::fromUtf8(file.read(most));
    file.close();
    const QString kept = file.fileName() + QStringLiteral(".seen");
    QFile::remove(kept);
    file.rename(kept);
    log_warning(QStringLiteral("the run before: ") + note);
    return note;
}

} // namespace wembrix::app
