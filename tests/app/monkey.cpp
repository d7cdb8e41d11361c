// wembrix-monkey JOB SEED SECONDS [LOG]: clicks, drags, keys and dropped files by chance in the window on a job.
// Ends with 1 where the job could not be undone to its beginning and done again; an assertion or a crash ends it, too.
// LOG has each deed before it is done, so that its last line is the one that a crash came of.
#include "core/job/job.h"
#include "shell/main_window.h"
#include "style/theme.h"

#include <QAbstractButton>
#include <QAbstractItemView>
#include <QAction>
#include <QApplication>
#include <QDesktopServices>
#include <QDir>
#include <QDragEnterEvent>
#include <QDropEvent>
#include <QElapsedTimer>
#include <QFile>
#include <QFileDialog>
#include <QFileInfo>
#include <QLineEdit>
#include <QMap>
#include <QMimeData>
#include <QPointer>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QTest>
#include <QTimer>
#include <QUndoStack>
#include <QUrl>
#include <QWheelEvent>
#include <QWindow>
#include <array>
#include <cstdio>
#include <memory>
#include <nlohmann/json.hpp>
#include <random>
#include <utility>

namespace {

using namespace wembrix::app;

QMap<QString, int> warnings; ///< what Qt complained of, and how often

void note_warning(QtMsgType kind, const QMessageLogContext&, const QString& text) {
    if (kind == QtFatalMsg) {
        std::fprintf(stderr, "%s\n", qPrintable(text));
        std::abort();
    }
    if (text.contains(QStringLiteral("occurs outside target window"))) {
        return; // a drag may leave its window
    }
    if (kind == QtWarningMsg || kind == QtCriticalMsg) {
        ++warnings[text];
    }
}

/// Takes what the window would hand to the desktop.
class Desktop : public QObject {
    Q_OBJECT
  public Q_SLOTS:
    void open(const QUrl&) {}
};

class Monkey : public QObject {
  public:
    Monkey(QString job, uint32_t seed, int seconds, const QString& log)
        : job_(std::move(job)), random_(seed), end_(seconds * 1000LL), log_(log) {
        if (!log.isEmpty() && !log_.open(QIODevice::WriteOnly | QIODevice::Truncate | QIODevice::Unbuffered)) {
            std::fprintf(stderr, "%s cannot be written\n", qPrintable(log));
        }
        open_window();
        clock_.start();
        act_later(500);
    }
    [[nodiscard]] bool has_failed() const { return failed_; }
    [[nodiscard]] int deeds() const { return deeds_; }
    [[nodiscard]] int windows() const { return windows_; }
    [[nodiscard]] int goings_back() const { return goings_back_; }
    [[nodiscard]] const QMap<qint64, QString>& longest() const { return longest_; }

  private:
    size_t below(size_t count) { return random_() % std::max<size_t>(count, 1); }
    bool one_in(size_t count) { return below(count) == 0; }

    void open_window() {
        window_ = std::make_unique<MainWindow>();
        ++windows_;
        window_->show();
        QApplication::setActiveWindow(window_.get());
        window_->open_paths({job_});
    }

    /// A timer of its own for each deed: one goes on inside the loop of a dialog or a menu that another opened.
    void act_later(int milliseconds) {
        QTimer::singleShot(milliseconds, this, [this] {
            if (clock_.elapsed() > end_) {
                leave();
                return;
            }
            act_later(static_cast<int>(below(25)));
            ++depth_;
            act();
            --depth_;
        });
    }

    /// Closes what is open, from the inside out, and ends.
    void leave() {
        if (QWidget* popup = QApplication::activePopupWidget()) {
            popup->close();
        } else if (auto* dialog = qobject_cast<QDialog*>(QApplication::activeModalWidget())) {
            dialog->reject();
        } else if (depth_ == 0) {
            if (window_) {
                go_back_and_forth();
                window_->recovery().forget();
                window_.reset();
            }
            QApplication::quit();
            return;
        }
        QTimer::singleShot(20, this, [this] { leave(); });
    }

    void note(const QString& deed) {
        ++deeds_;
        last_ = deed;
        if (log_.isOpen()) {
            log_.write(QStringLiteral("%1 %2\n").arg(clock_.elapsed()).arg(deed).toUtf8());
        }
    }

    /// A key to a window that may go at the press.
    static void press(QWindow* to, Qt::Key key, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
        const QPointer<QWindow> window = to;
        const bool is_letter = key >= Qt::Key_A && key <= Qt::Key_Z;
        const QString text = (is_letter || (key >= Qt::Key_0 && key <= Qt::Key_9)) && modifiers == Qt::NoModifier
                                 ? QString(QChar(key)).toLower()
                                 : QString();
        if (!qt_sendShortcutOverrideEvent(window, 0, key, modifiers, text, false, 1) && window) {
            qt_handleKeyEvent(window, QEvent::KeyPress, key, modifiers, text, false, 1);
        }
        if (window) {
            qt_handleKeyEvent(window, QEvent::KeyRelease, key, modifiers, text, false, 1);
        }
    }

    /// One deed; but none in the middle of another, unless that has opened something.
    void act() {
        QWidget* const open = QApplication::activePopupWidget() != nullptr ? QApplication::activePopupWidget()
                                                                           : QApplication::activeModalWidget();
        if (depth_ > 1 && open == outer_) {
            return;
        }
        const QWidget* const outer = std::exchange(outer_, open);
        act_on_what_is_open();
        outer_ = outer;
    }

    void act_on_what_is_open() {
        if (depth_ == 1 && QApplication::activeModalWidget() == nullptr &&
            QApplication::activePopupWidget() == nullptr) {
            if (!window_->isVisible()) {
                note(QStringLiteral("a new window"));
                window_->recovery().forget();
                window_.reset();
                open_window();
                return;
            }
            if (one_in(300)) {
                go_back_and_forth();
            }
        }
        QWidget* within = QApplication::activePopupWidget();
        if (within == nullptr) {
            within = QApplication::activeModalWidget();
        }
        if (auto* files = qobject_cast<QFileDialog*>(within)) {
            answer(*files);
            return;
        }
        // A dialog that a click does not leave is left by its key in the end.
        within_for_ = within != nullptr && within == last_within_ ? within_for_ + 1 : 0;
        last_within_ = within;
        if (within == nullptr) {
            QWidgetList open;
            for (QWidget* top : QApplication::topLevelWidgets()) {
                if (top->isVisible() && top->windowHandle() != nullptr && top->isEnabled()) {
                    open.push_back(top);
                }
            }
            within = open.isEmpty() ? nullptr : open[static_cast<qsizetype>(below(static_cast<size_t>(open.size())))];
        }
        if (within == nullptr || within->windowHandle() == nullptr) {
            return;
        }
        if (within_for_ > 60) {
            within_for_ = 0;
            note(QStringLiteral("leaves ") + name_of(within));
            press(within->windowHandle(), Qt::Key_Escape);
            return;
        }
        const qint64 from = clock_.elapsed();
        const int inner = deeds_;
        do_one(*within);
        // The time of a deed that others were done inside is theirs.
        if (deeds_ == inner + 1) {
            longest_.insert(-(clock_.elapsed() - from), last_);
            if (longest_.size() > 12) {
                longest_.erase(std::prev(longest_.end()));
            }
        }
    }

    void do_one(QWidget& top) {
        const size_t kind = below(100);
        if (kind < 45) {
            click(top, Qt::LeftButton, false);
        } else if (kind < 50) {
            click(top, Qt::LeftButton, true);
        } else if (kind < 56) {
            click(top, Qt::RightButton, false);
        } else if (kind < 68) {
            drag(top);
        } else if (kind < 74) {
            turn_the_wheel(top);
        } else if (kind < 86) {
            press_a_key(top);
        } else if (kind < 92) {
            type(top);
        } else if (kind < 97) {
            trigger(top);
        } else if (kind < 99) {
            resize(top);
        } else {
            drop();
        }
    }

    static QString name_of(const QWidget* widget) {
        QString name = QString::fromLatin1(widget->metaObject()->className()).remove(QStringLiteral("wembrix::app::"));
        if (!widget->objectName().isEmpty()) {
            name += QStringLiteral(" ") + widget->objectName();
        }
        if (const auto* button = qobject_cast<const QAbstractButton*>(widget)) {
            name += QStringLiteral(" \"%1\"").arg(button->text());
        }
        return name;
    }

    /// A place of a widget that is shown, in its window's pixels; and whose it is.
    std::pair<QPoint, QWidget*> place_in(QWidget& top) {
        QList<QWidget*> seen = {&top};
        for (QWidget* widget : top.findChildren<QWidget*>()) {
            if (widget->window() == &top && widget->isVisible() && !widget->visibleRegion().isEmpty()) {
                seen.push_back(widget);
            }
        }
        QWidget* widget = seen[static_cast<qsizetype>(below(static_cast<size_t>(seen.size())))];
        const QRect shown = widget->visibleRegion().boundingRect();
        const QPoint at(shown.left() + static_cast<int>(below(static_cast<size_t>(shown.width()))),
                        shown.top() + static_cast<int>(below(static_cast<size_t>(shown.height()))));
        return {widget->mapTo(&top, at), widget};
    }
    Qt::KeyboardModifiers held() {
        constexpr std::array<Qt::KeyboardModifier, 4> keys = {Qt::ShiftModifier, Qt::ControlModifier, Qt::AltModifier,
                                                              Qt::NoModifier};
        return one_in(5) ? keys.at(below(keys.size())) : Qt::NoModifier;
    }

    void click(QWidget& top, Qt::MouseButton button, bool twice) {
        const auto [place, widget] = place_in(top);
        const Qt::KeyboardModifiers keys = held();
        note(QStringLiteral("%1 %2 at %3, %4 on %5")
                 .arg(button == Qt::RightButton ? QStringLiteral("right")
                      : twice                   ? QStringLiteral("double")
                                                : QStringLiteral("click"))
                 .arg(static_cast<int>(keys), 0, 16)
                 .arg(place.x())
                 .arg(place.y())
                 .arg(name_of(widget)));
        const QPointer<QWindow> window = top.windowHandle();
        for (int times = twice ? 2 : 1; times > 0 && window && window->isVisible(); --times) {
            QTest::mousePress(window, button, keys, place);
            if (window) {
                QTest::mouseRelease(window, button, keys, place);
            }
        }
    }

    void drag(QWidget& top) {
        const auto [from, widget] = place_in(top);
        constexpr std::array<Qt::MouseButton, 3> buttons = {Qt::LeftButton, Qt::MiddleButton, Qt::RightButton};
        // What the middle button pastes is another program's.
        const bool takes_text =
            widget->inherits("QLineEdit") || widget->inherits("QPlainTextEdit") ||
            (widget->parentWidget() != nullptr && widget->parentWidget()->inherits("QPlainTextEdit"));
        const Qt::MouseButton button = one_in(3) && !takes_text ? buttons.at(below(buttons.size())) : Qt::LeftButton;
        const Qt::KeyboardModifiers keys = held();
        const QPoint way(static_cast<int>(below(401)) - 200, static_cast<int>(below(301)) - 150);
        note(QStringLiteral("drag %1 %2 from %3, %4 by %5, %6 on %7")
                 .arg(static_cast<int>(button))
                 .arg(static_cast<int>(keys), 0, 16)
                 .arg(from.x())
                 .arg(from.y())
                 .arg(way.x())
                 .arg(way.y())
                 .arg(name_of(widget)));
        const QPointer<QWindow> window = top.windowHandle();
        QTest::mousePress(window, button, keys, from);
        for (int i = 1; i <= 6 && window && window->isVisible(); ++i) {
            QTest::mouseMove(window, from + way * i / 6);
        }
        if (window && window->isVisible()) {
            QTest::mouseRelease(window, button, keys, from + way);
        }
    }

    void turn_the_wheel(QWidget& top) {
        const auto [place, widget] = place_in(top);
        const int angle = (one_in(2) ? 120 : -120) * static_cast<int>(1 + below(5));
        note(QStringLiteral("wheel %1 on %2").arg(angle).arg(name_of(widget)));
        const QPointF at = widget->mapFrom(&top, place);
        QWheelEvent event(at, widget->mapToGlobal(at), {}, {0, angle}, Qt::NoButton, held(), Qt::NoScrollPhase, false);
        QApplication::sendEvent(widget, &event);
    }

    void press_a_key(QWidget& top) {
        constexpr std::array<Qt::Key, 38> keys = {
            Qt::Key_Tab,   Qt::Key_Backtab, Qt::Key_Return, Qt::Key_Space, Qt::Key_Escape, Qt::Key_Delete,
            Qt::Key_Left,  Qt::Key_Right,   Qt::Key_Up,     Qt::Key_Down,  Qt::Key_Home,   Qt::Key_End,
            Qt::Key_1,     Qt::Key_2,       Qt::Key_3,      Qt::Key_4,     Qt::Key_5,      Qt::Key_Plus,
            Qt::Key_Minus, Qt::Key_F1,      Qt::Key_F2,     Qt::Key_F5,    Qt::Key_Insert, Qt::Key_PageDown,
            Qt::Key_A,     Qt::Key_B,       Qt::Key_C,      Qt::Key_D,     Qt::Key_F,      Qt::Key_G,
            Qt::Key_I,     Qt::Key_K,       Qt::Key_M,      Qt::Key_S,     Qt::Key_V,      Qt::Key_X,
            Qt::Key_Y,     Qt::Key_Z};
        const Qt::Key key = keys.at(below(keys.size()));
        constexpr std::array<Qt::KeyboardModifier, 4> with = {Qt::NoModifier, Qt::ShiftModifier, Qt::ControlModifier,
                                                              Qt::AltModifier};
        const Qt::KeyboardModifier modifier = one_in(2) ? Qt::NoModifier : with.at(below(with.size()));
        note(QStringLiteral("key %1 %2")
                 .arg(static_cast<int>(modifier), 0, 16)
                 .arg(QKeySequence(key).toString(QKeySequence::PortableText)));
        press(top.windowHandle(), key, modifier);
    }

    void type(QWidget& top) {
        QWidget* focus = QApplication::focusWidget();
        if (focus == nullptr || focus->window() != &top) {
            return;
        }
        const QStringList texts = {QStringLiteral("0"),     QStringLiteral("-1"),          QStringLiteral("1e9"),
                                   QStringLiteral("0.37"),  QStringLiteral("walk"),        QStringLiteral("^(.*$"),
                                   QStringLiteral("\\d+"),  QStringLiteral("<b>&"),        QStringLiteral("pelvis"),
                                   QStringLiteral("  "),    QStringLiteral("../up"),       QStringLiteral("%1 %n {0}"),
                                   QStringLiteral("tansy"), QString(400, QLatin1Char('x'))};
        const QString text = texts[static_cast<qsizetype>(below(static_cast<size_t>(texts.size())))];
        note(QStringLiteral("types \"%1\" into %2").arg(text.left(12), name_of(focus)));
        const QPointer<QWidget> into = focus;
        for (const QChar letter : text) {
            if (!into || !into->isVisible()) {
                break;
            }
            QTest::keyClick(into, letter.toLatin1());
        }
    }

    /// Commands that have a key: those without are reached through their menus, which are filled when they open.
    void trigger(QWidget& top) {
        QList<QAction*> actions;
        for (QAction* action : top.findChildren<QAction*>()) {
            if (action->isEnabled() && !action->shortcut().isEmpty()) {
                actions.push_back(action);
            }
        }
        if (!actions.isEmpty()) {
            QAction* action = actions[static_cast<qsizetype>(below(static_cast<size_t>(actions.size())))];
            note(QStringLiteral("command ") + action->text());
            action->trigger();
        }
    }

    void resize(QWidget& top) {
        if (&top == window_.get()) {
            const QSize to(900 + static_cast<int>(below(900)), 600 + static_cast<int>(below(600)));
            note(QStringLiteral("size %1 x %2").arg(to.width()).arg(to.height()));
            top.resize(to);
        }
    }

    QStringList files_of_the_job() const { return QFileInfo(job_).dir().entryList(QDir::Files); }

    void drop() {
        const QStringList names = files_of_the_job();
        if (names.isEmpty() || !window_ || !window_->isVisible() || QApplication::activeModalWidget() != nullptr) {
            return;
        }
        QMimeData dropped;
        const QString name = names[static_cast<qsizetype>(below(static_cast<size_t>(names.size())))];
        note(QStringLiteral("drops ") + name);
        dropped.setUrls({QUrl::fromLocalFile(QFileInfo(job_).dir().filePath(name))});
        QDragEnterEvent enter({200, 200}, Qt::CopyAction, &dropped, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(window_.get(), &enter);
        if (enter.isAccepted()) {
            QDropEvent event({200, 200}, Qt::CopyAction, &dropped, Qt::LeftButton, Qt::NoModifier);
            QApplication::sendEvent(window_.get(), &event);
        }
    }

    /// Nothing but this is done in a dialog of files: what else it can do is done to the machine.
    void answer(QFileDialog& dialog) {
        const QStringList names = files_of_the_job();
        if (one_in(2) || names.isEmpty()) {
            note(QStringLiteral("no file for ") + dialog.windowTitle());
            dialog.reject();
            return;
        }
        const QString name = dialog.acceptMode() == QFileDialog::AcceptSave
                                 ? QStringLiteral("saved_%1.json").arg(below(5))
                                 : names[static_cast<qsizetype>(below(static_cast<size_t>(names.size())))];
        note(QStringLiteral("file %1 for %2").arg(name, dialog.windowTitle()));
        dialog.setDirectory(QFileInfo(job_).dir());
        dialog.selectFile(name);
        const QPointer<QFileDialog> open = &dialog;
        QMetaObject::invokeMethod(&dialog, "accept");
        if (open && open->isVisible()) {
            dialog.reject();
        }
    }

    /// The job undone to its beginning is the same each time, and done again it is the one that it was.
    void go_back_and_forth() {
        Document& document = window_->document();
        const int at = document.undo().index();
        if (at == 0) {
            return;
        }
        note(QStringLiteral("back and forth over %1").arg(at));
        ++goings_back_;
        const nlohmann::json now = wembrix::job_to_json(document.job());
        document.undo().setIndex(0);
        const nlohmann::json first = wembrix::job_to_json(document.job());
        document.undo().setIndex(at);
        const bool same = wembrix::job_to_json(document.job()) == now;
        document.undo().setIndex(0);
        const bool same_first = wembrix::job_to_json(document.job()) == first;
        document.undo().setIndex(at);
        if (!same || !same_first) {
            failed_ = true;
            const nlohmann::json other = same ? first : now;
            document.undo().setIndex(same ? 0 : at);
            const std::string what = nlohmann::json::diff(other, wembrix::job_to_json(document.job())).dump();
            std::fprintf(stderr, "%s the job is another one: %s\n", same ? "undone twice" : "undone and done again",
                         what.substr(0, 600).c_str());
        }
    }

    QString job_;
    std::mt19937 random_;
    qint64 end_;
    QFile log_;
    QElapsedTimer clock_;
    std::unique_ptr<MainWindow> window_;
    QString last_;
    const QWidget* outer_ = nullptr; ///< the dialog or menu that the deed under way was done in
    const QWidget* last_within_ = nullptr;
    int within_for_ = 0;
    int depth_ = 0;
    int deeds_ = 0;
    int windows_ = 0;
    int goings_back_ = 0;
    bool failed_ = false;
    QMap<qint64, QString> longest_; ///< by the time they took, the longest first
};

long memory_in_megabytes() {
    QFile status(QStringLiteral("/proc/self/status"));
    if (status.open(QIODevice::ReadOnly)) {
        for (const QByteArray& line : status.readAll().split('\n')) {
            if (line.startsWith("VmRSS:")) {
                return line.mid(6).trimmed().split(' ').first().toLong() / 1024;
            }
        }
    }
    return 0;
}

int run(const QString& source, uint32_t seed, int seconds, const QString& log) {
    // On a copy: what it saves and delivers is nobody's.
    const QTemporaryDir folder;
    const QDir from = QFileInfo(source).absoluteDir();
    for (const QString& name : from.entryList(QDir::Files)) {
        QFile::copy(from.filePath(name), folder.filePath(name));
    }
    Desktop desktop;
    for (const char* scheme : {"file", "http", "https"}) {
        QDesktopServices::setUrlHandler(QString::fromLatin1(scheme), &desktop, "open");
    }
    Monkey monkey(folder.filePath(QFileInfo(source).fileName()), seed, seconds, log);
    QApplication::exec();
    std::printf("seed %u: %d deeds in %d s, %d windows, %d times back and forth, %ld MB at the end\n", seed,
                monkey.deeds(), seconds, monkey.windows(), monkey.goings_back(), memory_in_megabytes());
    for (const auto& [text, count] : warnings.toStdMap()) {
        std::printf("  warned %d times: %s\n", count, qPrintable(text.left(200)));
    }
    for (const auto& [time, deed] : monkey.longest().toStdMap()) {
        if (-time > 500) {
            std::printf("  %lld ms: %s\n", static_cast<long long>(-time), qPrintable(deed.left(150)));
        }
    }
    return monkey.has_failed() ? 1 : 0;
}

} // namespace

int main(int count, char** arguments) {
    wembrix::app::prepare_graphics();
    QApplication application(count, arguments);
    QApplication::setApplicationName(QStringLiteral("wembrix-tests"));
    QApplication::setAttribute(Qt::AA_DontUseNativeDialogs);
    QApplication::setQuitOnLastWindowClosed(false);
    QStandardPaths::setTestModeEnabled(true);
    wembrix::app::apply_theme(application);
    const QStringList given = QApplication::arguments().mid(1);
    if (given.size() < 3) {
        std::fprintf(stderr, "usage: wembrix-monkey JOB SEED SECONDS [LOG]\n");
        return 2;
    }
    qInstallMessageHandler(note_warning);
    return run(given[0], given[1].toUInt(), given[2].toInt(), given.size() > 3 ? given[3] : QString());
}

#include "monkey.moc"
