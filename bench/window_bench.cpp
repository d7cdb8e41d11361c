// wembrix-window-bench: how long the window takes to show what was asked for, and how many frames per second it plays.
// Run under a virtual screen; OpenGL works there in software. Prints one line for each figure.
#include "core/base/files.h"
#include "core/formats/gltf/gltf.h"
#include "core/job/job.h"
#include "large_scene.h"
#include "shell/main_window.h"
#include "stations/deliver/deliver_station.h"
#include "stations/intake/intake_station.h"
#include "stations/joints/joints_station.h"
#include "stations/strands/strands_station.h"
#include "stations/surface/surface_station.h"
#include "stations/takes/takes_station.h"
#include "style/theme.h"
#include "tansy_scene.h"

#include <QApplication>
#include <QElapsedTimer>
#include <QMouseEvent>
#include <QPushButton>
#include <QScrollBar>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QWindow>
#include <algorithm>
#include <cmath>
#include <cstdio>
#include <ctime>
#include <fstream>
#include <functional>
#include <string>
#include <unistd.h>
#include <vector>

namespace {

using namespace wembrix;
using namespace wembrix::app;

double seconds_until(const std::function<bool()>& ready) {
    QElapsedTimer timer;
    timer.start();
    while (!ready() && timer.elapsed() < 120000) {
        QApplication::processEvents(QEventLoop::AllEvents, 5);
    }
    return static_cast<double>(timer.nsecsElapsed()) / 1e9;
}

bool put(const QTemporaryDir& folder, const char* name, const Result<std::vector<WrittenFile>>& files) {
    bool done = files.ok();
    for (const WrittenFile& file : files ? *files : std::vector<WrittenFile>()) {
        const std::string as = &file == &files->front() ? name : file.name;
        done = done && write_file_whole(folder.filePath(QString::fromStdString(as)).toStdString(), file.bytes).ok();
    }
    return done;
}

void say(const char* what, double value, const char* unit) {
    std::printf("%-64s %10.3f %s\n", what, value, unit);
}

bool is_shown(MainWindow& window) {
    return window.session().is_current() && window.twin().left().view().is_ready() &&
           window.twin().right().view().is_ready();
}

double frames_a_second(MainWindow& window, SceneView& view) {
    int frames = 0;
    const auto counted = QObject::connect(&view, &QOpenGLWidget::frameSwapped, &view, [&] { ++frames; });
    window.clock().set_playing(true);
    QElapsedTimer timer;
    timer.start();
    seconds_until([&] { return timer.elapsed() > 4000; });
    const double rate = frames / (static_cast<double>(timer.elapsed()) / 1000);
    window.clock().set_playing(false);
    QObject::disconnect(counted);
    return rate;
}

/// How long this process has lived, by the system's own clock: to within a hundredth of a second.
double seconds_of_life() {
    std::ifstream stat("/proc/self/stat");
    std::string field;
    std::getline(stat, field, ')'); // behind the name, which may have blanks
    for (int i = 0; i < 20; ++i) {
        stat >> field;
    }
    timespec now{};
    clock_gettime(CLOCK_BOOTTIME, &now);
    return static_cast<double>(now.tv_sec) + static_cast<double>(now.tv_nsec) / 1e9 -
           std::stod(field) / static_cast<double>(sysconf(_SC_CLK_TCK));
}

/// Asked first: of a program that has just begun.
void start() {
    MainWindow window;
    window.show();
    seconds_until([&] { return window.windowHandle() != nullptr && window.windowHandle()->isExposed(); });
    QApplication::processEvents(); // painted
    say("from the process's start to the empty window shown", seconds_of_life(), "s");
    window.recovery().forget();
}

void source_change(const QTemporaryDir& folder) {
    Job job;
    job.sources = {"tansy_model.glb"};
    job.destinations = built_in_destinations();
    job.steps = {{"strip_prefix"}, {"bake_parent_transforms"}, {"scale", {{"factor", 0.01}}}};
    put(folder, "tansy_model.glb", write_glb_unscaled(demo::tansy_model(), "tansy_model"));
    const QString file = folder.filePath(QStringLiteral("tansy.wembrix"));
    if (!write_job(job, file.toStdString())) {
        return;
    }
    MainWindow window;
    window.show();
    window.open_paths({file});
    say("demo model: from opening the job to the view showing it", seconds_until([&] { return is_shown(window); }),
        "s");
    seconds_until([&] { return !window.session().is_busy(); });
    Scene next = demo::tansy_model();
    for (Vec3f& position : next.meshes[0].positions.edit()) {
        position *= 1.01F;
    }
    const auto before = window.session().state();
    put(folder, "tansy_model.glb", write_glb_unscaled(next, "tansy_model"));
    say("demo model: from a change on disk to the view showing it",
        seconds_until([&] { return window.session().state() != before && is_shown(window); }), "s");
    window.recovery().forget();
}

void playing(const QTemporaryDir& folder) {
    put(folder, "large.glb", write_glb(bench::large_scene(), "large"));
    MainWindow window;
    window.show();
    window.open_paths({folder.filePath(QStringLiteral("large.glb"))});
    say("100 000 points: from opening the file to the view showing it", seconds_until([&] { return is_shown(window); }),
        "s");
    seconds_until([&] { return !window.session().is_busy(); });
    window.twin().playback().choose(QStringLiteral("sway_00"));
    say("100 000 points, twice, side by side: frames per second", frames_a_second(window, window.twin().right().view()),
        "1/s");
    window.clock().set_playing(true);
    seconds_until([&] { return window.clock().frame() > 3; });
    say("of its vertices drawn while it plays", static_cast<double>(window.twin().right().view().surfaces().drawn()),
        "");
    window.clock().set_playing(false);
    Shown shown;
    shown.surfaces = false;
    window.twin().set_shown(shown);
    say("the same, joints alone drawn", frames_a_second(window, window.twin().right().view()), "1/s");
    window.recovery().forget();
}

/// The joint ladder with 500 joints in branches: one painted frame while scrolling, one key typed into the search.
void ladder() {
    Scene scene;
    for (int i = 0; i < 500; ++i) {
        Node node;
        node.name = "joint_" + std::to_string(i);
        node.parent = i == 0 ? -1 : i % 20 == 0 ? i / 20 : i - 1;
        node.kind = NodeKind::joint;
        node.identity = i + 1;
        scene.nodes.push_back(node);
    }
    const std::vector<Holding> held = holding_of(scene);
    Selection selection;
    JointLadder ladder(selection);
    ladder.resize(640, 620);
    ladder.show_ladder(make_ladder(scene, held, scene, held));
    ladder.show();
    seconds_until([&, frames = 0]() mutable { return ++frames > 20; });
    constexpr int turns = 200;
    QElapsedTimer timer;
    timer.start();
    for (int i = 0; i < turns; ++i) {
        ladder.verticalScrollBar()->setValue(i * 37 % ladder.verticalScrollBar()->maximum());
        ladder.viewport()->repaint();
    }
    say("500 joints on the ladder: a painted frame while scrolling", static_cast<double>(timer.elapsed()) / turns,
        "ms");
    timer.restart();
    for (int i = 0; i < turns; ++i) {
        ladder.set_filter(QString::number(i % 50));
        ladder.viewport()->repaint();
    }
    say("500 joints on the ladder: a key typed into the search, painted", static_cast<double>(timer.elapsed()) / turns,
        "ms");
}

/// The take strip with 36 000 frames of 200 joints: one painted frame while scrolling and while zooming, with the
/// energy and with a joint's curves; and the likeness of all poses to the one under the pointer.
void long_take(const QTemporaryDir& folder) {
    put(folder, "long.glb", write_glb(bench::large_scene(36000, 1), "long"));
    MainWindow window;
    window.resize(1280, 800);
    window.show();
    window.open_paths({folder.filePath(QStringLiteral("long.glb"))});
    say("36 000 frames of 200 joints: from opening the file to the view",
        seconds_until([&] { return is_shown(window); }), "s");
    window.choose_station(3);
    say("and until energy, feet and poses of the take are measured", seconds_until([&] {
            return !window.page<TakesStation>().model().is_busy() &&
                   !window.page<TakesStation>().model().takes().empty() &&
                   !window.page<TakesStation>().model().takes()[0].energy.empty();
        }),
        "s");
    TakeStrip& strip = window.page<TakesStation>().strip();
    constexpr int turns = 200;
    // Into a picture: on the screen, the whole window is put together anew for each, in software here.
    QImage picture(strip.size(), QImage::Format_ARGB32_Premultiplied);
    const auto paint = [&] { strip.render(&picture); };
    const auto scroll_and_zoom = [&](const char* scrolling, const char* zooming) {
        strip.see_all();
        strip.zoom(12, strip.width() / 2.0);
        auto* bar = strip.findChild<QScrollBar*>();
        QElapsedTimer timer;
        timer.start();
        for (int i = 0; i < turns; ++i) {
            bar->setValue(i * 7919 % std::max(1, bar->maximum()));
            paint();
        }
        say(scrolling, static_cast<double>(timer.nsecsElapsed()) / 1e6 / turns, "ms");
        strip.see_all();
        timer.restart();
        for (int i = 0; i < turns; ++i) {
            strip.zoom(i % 20 < 10 ? 1.8 : 1 / 1.8, strip.width() / 3.0);
            paint();
        }
        say(zooming, static_cast<double>(timer.nsecsElapsed()) / 1e6 / turns, "ms");
    };
    scroll_and_zoom("the strip: a painted frame while scrolling", "the strip: a painted frame while zooming");
    const Scene& prepared = window.session().state()->replay.prepared();
    strip.show_curves(
        StripCurves{window.session().state()->replay.received, window.session().state()->replay.prepared_scene(),
                    prepared.nodes[static_cast<size_t>(joints_of(prepared)[50])].identity, Path::rotation});
    scroll_and_zoom("its curves: a painted frame while scrolling", "its curves: a painted frame while zooming");
    window.recovery().forget();
}

/// A stroke over 100 000 vertices while a clip stands at a frame: what one event of the mouse costs the interface
/// thread, and the picture after it; then what the stroke's end costs it.
void painting(const QTemporaryDir& folder) {
    put(folder, "large.glb", write_glb(bench::large_scene(), "large"));
    MainWindow window;
    window.resize(1280, 800);
    window.show();
    window.open_paths({folder.filePath(QStringLiteral("large.glb"))});
    seconds_until([&] { return is_shown(window) && !window.session().is_busy(); });
    window.choose_station("surface");
    window.twin().playback().choose(QStringLiteral("sway_00"));
    window.clock().go_to(20);
    SceneView& view = window.twin().right().view();
    seconds_until([&] { return is_shown(window); });
    const Scene& prepared = window.session().state()->replay.prepared();
    const Skin& skin = prepared.skins[0];
    window.selection().choose(prepared.nodes[static_cast<size_t>(skin.joints[skin.joints.size() / 2])].identity);
    window.findChild<QPushButton*>(QStringLiteral("paintWeights"))->click();
    view.grabFramebuffer();
    std::vector<double> events;
    std::vector<double> frames;
    const auto send = [&](QEvent::Type type, const QPointF& at, Qt::MouseButton button) {
        QMouseEvent event(type, at, view.mapToGlobal(at), button,
                          type == QEvent::MouseButtonRelease ? Qt::NoButton : Qt::LeftButton, Qt::NoModifier);
        QElapsedTimer timer;
        timer.start();
        QApplication::sendEvent(&view, &event);
        return static_cast<double>(timer.nsecsElapsed()) / 1e6;
    };
    const QPointF middle(view.width() / 2.0, view.height() / 2.0);
    const auto let_pass = [](int ms) {
        QElapsedTimer timer;
        timer.start();
        seconds_until([&] { return timer.elapsed() > ms; });
    };
    let_pass(500); // a hand on its way from the button to the surface
    const double first = send(QEvent::MouseButtonPress, middle, Qt::LeftButton);
    for (int i = 0; i < 120; ++i) {
        const double angle = i * 0.13;
        events.push_back(
            send(QEvent::MouseMove, middle + QPointF(40 * std::sin(angle), 60 * std::sin(angle * 0.7)), Qt::NoButton));
        QElapsedTimer timer;
        timer.start();
        view.repaint();
        frames.push_back(static_cast<double>(timer.nsecsElapsed()) / 1e6);
    }
    const double last = send(QEvent::MouseButtonRelease, middle, Qt::LeftButton);
    seconds_until([&] { return window.session().is_current() && !window.session().is_busy(); });
    let_pass(500);
    const double second = send(QEvent::MouseButtonPress, middle, Qt::LeftButton);
    send(QEvent::MouseButtonRelease, middle, Qt::LeftButton);
    std::sort(events.begin(), events.end());
    std::sort(frames.begin(), frames.end());
    say("100 000 vertices, painting: the press that begins the first stroke", first, "ms");
    say("the press that begins the second one", second, "ms");
    say("an event of the mouse, in the middle", events[events.size() / 2], "ms");
    say("an event of the mouse, the longest", events.back(), "ms");
    say("the picture after it, drawn in software, in the middle", frames[frames.size() / 2], "ms");
    say("the stroke's end", last, "ms");
    say("strokes on the card", static_cast<double>(window.document().job().steps.size()), "");
    window.recovery().forget();
}

/// 50 000 strands of 16 points that follow a moving body, drawn while it plays and while one looks around it.
void strands(const QTemporaryDir& folder) {
    put(folder, "tansy_model.glb", write_glb_unscaled(demo::tansy_model(), "tansy_model"));
    put(folder, "tansy_market.glb", write_glb_unscaled(demo::tansy_market_take(), "tansy_market"));
    Job job;
    job.sources = {"tansy_model.glb", "tansy_market.glb"};
    job.destinations = built_in_destinations();
    job.steps = {{"strip_prefix"},
                 {"bake_parent_transforms"},
                 {"scale", {{"factor", 0.01}}},
                 {"strand_region", {{"name", "down"}, {"surface", "tansy_body"}}},
                 {"strand_guides", {{"strands", "down"}, {"spread", 12}, {"length_mm", 60}, {"lean_deg", 40}}},
                 {"grow_strands", {{"count", 56800}, {"points", 16}, {"noise_mm", 3}, {"trimmed", false}}},
                 {"bind_strands", {{"follow", "stiff"}}}};
    const QString file = folder.filePath(QStringLiteral("down.wembrix"));
    if (!write_job(job, file.toStdString())) {
        return;
    }
    MainWindow window;
    window.resize(1280, 800);
    window.show();
    window.open_paths({file});
    say("50 000 strands of 16 points: from opening the job to the view",
        seconds_until([&] { return is_shown(window); }), "s");
    seconds_until([&] { return !window.session().is_busy(); });
    window.choose_station("strands");
    SceneView& view = window.twin().right().view();
    seconds_until([&] { return is_shown(window); });
    const Scene& prepared = window.session().state()->replay.prepared();
    say("strands", static_cast<double>(prepared.curve_sets.at(0).curve_count()), "");
    say("drawn at rest: segments", static_cast<double>(view.strands().drawn()), "");
    window.twin().playback().choose(QString::fromStdString(prepared.clips.at(0).name));
    seconds_until([&] { return is_shown(window); });
    say("until the clip is measured",
        seconds_until([&] { return !window.page<StrandsStation>().board().is_measuring(); }), "s");
    frames_a_second(window, view); // it finds out how many it can draw
    say("playing: frames per second", frames_a_second(window, view), "1/s");
    say("and segments drawn", static_cast<double>(view.strands().drawn()), "");
    Shown shown;
    shown.surfaces = false;
    window.twin().set_shown(shown);
    say("the same without body and strands: frames per second", frames_a_second(window, view), "1/s");
    window.twin().set_shown({});
    window.twin().playback().choose(QString());
    const auto send = [&](QEvent::Type type, const QPointF& at, Qt::MouseButton button) {
        QMouseEvent event(type, at, view.mapToGlobal(at), button,
                          type == QEvent::MouseButtonRelease ? Qt::NoButton : button, Qt::NoModifier);
        QApplication::sendEvent(&view, &event);
    };
    const QPointF middle(view.width() / 2.0, view.height() / 2.0);
    seconds_until([&] { return is_shown(window); });
    // Pictures that reached the screen, one asked for after the other.
    const auto pictures = [&](const std::function<void(int)>& ask) {
        int frames = 0;
        const auto counted = QObject::connect(&view, &QOpenGLWidget::frameSwapped, &view, [&] { ++frames; });
        QElapsedTimer timer;
        timer.start();
        for (int i = 0; timer.elapsed() < 4000; ++i) {
            ask(i);
            const int before = frames;
            seconds_until([&] { return frames > before || timer.elapsed() > 5000; });
        }
        QObject::disconnect(counted);
        return frames / (static_cast<double>(timer.elapsed()) / 1000);
    };
    say("at rest, all of them: frames per second", pictures([&](int) { view.update(); }), "1/s");
    send(QEvent::MouseButtonPress, middle, Qt::RightButton);
    say("looking around: frames per second",
        pictures([&](int i) { send(QEvent::MouseMove, middle + QPointF(8 + i % 100, i % 60), Qt::RightButton); }),
        "1/s");
    say("and segments drawn", static_cast<double>(view.strands().drawn()), "");
    send(QEvent::MouseButtonRelease, middle, Qt::RightButton);
    window.recovery().forget();
}

/// A job of ten thousand clips: what its board costs a hand.
void board(const QTemporaryDir& folder) {
    put(folder, "tansy_model.glb", write_glb_unscaled(demo::tansy_model(), "tansy_model"));
    put(folder, "tansy_market.gltf", write_gltf_beside(demo::tansy_market_take(), "tansy_market"));
    Job job;
    job.sources = {"tansy_model.glb", "tansy_market.gltf"};
    job.destinations = built_in_destinations();
    nlohmann::json clips = nlohmann::json::array();
    for (int i = 0; i < 10000; ++i) {
        clips.push_back({{"name", "c_" + std::to_string(10000 + i)}, {"start", i % 880}, {"end", i % 880 + 10}});
    }
    job.steps = {{"strip_prefix"},
                 {"bake_parent_transforms"},
                 {"scale", {{"factor", 0.01}}},
                 {"make_root", {{"name", "root"}}},
                 {"split_take", {{"take", "capture_07"}, {"clips", clips}}}};
    const QString file = folder.filePath(QStringLiteral("many.wembrix"));
    if (!write_job(job, file.toStdString())) {
        return;
    }
    MainWindow window;
    window.show();
    window.open_paths({file});
    say("10 000 clips: from opening the job to its board",
        seconds_until([&] { return window.board().rowCount() > 10000 && window.board().is_current(); }), "s");
    window.choose_station("deliver");
    seconds_until([&] { return is_shown(window); });
    BoardRows& rows = window.page<DeliverStation>().board_rows();
    BoardView& view = window.page<DeliverStation>().board_view();
    const auto mean_ms = [](int times, const std::function<void(int)>& what) {
        QElapsedTimer timer;
        timer.start();
        for (int i = 0; i < times; ++i) {
            what(i);
        }
        return static_cast<double>(timer.nsecsElapsed()) / 1e6 / times;
    };
    say("its board: a painted frame while scrolling",
        mean_ms(100,
                [&](int i) {
                    view.scrollTo(rows.index(i * 97, 0));
                    view.viewport()->repaint();
                }),
        "ms");
    say("its board: a letter typed into the filter",
        mean_ms(20,
                [&](int i) {
                    BoardFilter filter;
                    filter.text = QString::number(i);
                    rows.set_filter(filter);
                    view.viewport()->repaint();
                }),
        "ms");
    say("its board: grouped by state",
        mean_ms(10,
                [&](int i) {
                    BoardFilter filter;
                    filter.group = i % 2 == 0 ? BoardFilter::Group::state : BoardFilter::Group::kind;
                    rows.set_filter(filter);
                    view.viewport()->repaint();
                }),
        "ms");
    window.recovery().forget();
}

} // namespace

int main(int count, char** arguments) {
    prepare_graphics();
    QApplication application(count, arguments);
    QApplication::setApplicationName(QStringLiteral("wembrix-bench"));
    QStandardPaths::setTestModeEnabled(true);
    apply_theme(application);
    const QTemporaryDir folder;
    const QString only = count > 1 ? QString::fromLocal8Bit(arguments[1]) : QString(); // one part alone, by its name
    const auto wanted = [&](const char* name) { return only.isEmpty() || only == QString::fromUtf8(name); };
    if (only == QStringLiteral("start")) {
        start();
    }
    if (wanted("ladder")) {
        ladder();
    }
    if (wanted("change")) {
        source_change(folder);
    }
    if (wanted("playing")) {
        playing(folder);
    }
    if (wanted("painting")) {
        painting(folder);
    }
    if (wanted("strands")) {
        strands(folder);
    }
    if (wanted("board")) {
        board(folder);
    }
    if (wanted("long")) {
        long_take(folder);
    }
    return 0;
}
