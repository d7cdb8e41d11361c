// wembrix-pictures JOB OUT [NAME]: the main views of the window on a job, as PNG files, for docs/screenshots.
#include "core/job/card_edits.h"
#include "core/job/key_edits.h"
#include "picture_scenes.h"
#include "shell/destination_differences.h"
#include "shell/destinations_dialog.h"
#include "shell/foreseen_panel.h"
#include "shell/guide_window.h"
#include "shell/main_window.h"
#include "shell/origin_dialog.h"
#include "shell/step_chooser.h"
#include "shell/step_dialog.h"
#include "stations/deliver/deliver_station.h"
#include "stations/deliver/ledger_window.h"
#include "stations/intake/accept_dialog.h"
#include "stations/intake/intake_station.h"
#include "stations/intake/replace_dialog.h"
#include "stations/intake/source_menu.h"
#include "stations/joints/joints_station.h"
#include "stations/strands/strands_station.h"
#include "stations/surface/surface_station.h"
#include "stations/takes/key_strip.h"
#include "stations/takes/takes_station.h"
#include "style/language.h"
#include "style/theme.h"

#include <QApplication>
#include <QCheckBox>
#include <QComboBox>
#include <QDir>
#include <QElapsedTimer>
#include <QFileInfo>
#include <QLineEdit>
#include <QMenu>
#include <QMouseEvent>
#include <QPushButton>
#include <QScreen>
#include <QScrollArea>
#include <QScrollBar>
#include <QSlider>
#include <QTableWidget>
#include <cstdio>
#include <functional>

namespace {

using namespace wembrix::app;
using namespace wembrix;

bool wait_for(const std::function<bool()>& ready, int seconds = 120) {
    QElapsedTimer timer;
    timer.start();
    while (!ready() && timer.elapsed() < seconds * 1000) {
        QApplication::processEvents(QEventLoop::AllEvents, 50);
    }
    QApplication::processEvents();
    return ready();
}

void take(MainWindow& window, const QString& folder, const QString& name) {
    // What the screen shows: a widget's own grab mixes painted and drawn layers in another order.
    window.move(0, 0);
    wait_for([&] { return window.twin().left().view().is_ready() && window.twin().right().view().is_ready(); });
    window.update();
    QElapsedTimer timer;
    timer.start();
    wait_for([&] { return timer.elapsed() > 400; });
    window.screen()->grabWindow(window.winId()).save(folder + QStringLiteral("/") + name + QStringLiteral(".png"));
}

void show_clip(MainWindow& window, const QString& clip, int frame) {
    window.twin().playback().choose(clip);
    window.clock().go_to(frame);
}

/// Until what was just shown is laid out.
void wait_a_moment() {
    QElapsedTimer timer;
    timer.start();
    wait_for([&] { return timer.elapsed() > 80; });
}

/// Until it is told what baking a clip loses: that is measured last.
void wait_for_lost(MainWindow& window, const char* clip) {
    wait_for([&] {
        const ClipFacts* facts = window.page<TakesStation>().model().clip(clip);
        return facts != nullptr && facts->lost;
    });
}

/// The stations with more than the demo job has.
int larger(const QString& job_file, const QString& out, const QString& name) {
    const std::filesystem::path folder = std::filesystem::path(job_file.toStdString()).parent_path() / "made";
    const Result<std::filesystem::path> job = name == QStringLiteral("joints-feathered") ? write_feathered_job(folder)
                                              : name == QStringLiteral("takes-forty")    ? write_forty_takes_job(folder)
                                                                                         : write_long_take_job(folder);
    if (!job) {
        std::fprintf(stderr, "%s\n", job.problem().sentence().c_str());
        return 1;
    }
    MainWindow window;
    window.show();
    window.open_paths({QString::fromStdString(job->string())});
    wait_for([&] { return window.session().state() != nullptr && !window.page<TakesStation>().model().is_busy(); },
             300);
    window.choose_station(name.startsWith(QStringLiteral("joints")) ? 1 : 3);
    if (name == QStringLiteral("takes-forty")) {
        window.page<TakesStation>().go_to(QStringLiteral("wade_03"), 20);
        wait_for_lost(window, "wade_03");
    }
    take(window, out, name);
    return 0;
}

int run(const QString& job, const QString& first_look, const QString& out, const QString& only) {
    const auto wanted = [&](const char* name) { return only.isEmpty() || only == QString::fromUtf8(name); };
    if (wanted("start")) {
        MainWindow window;
        window.show();
        take(window, out, QStringLiteral("start"));
    }
    if (wanted("intake-first-look")) {
        MainWindow window;
        window.show();
        window.open_paths({first_look});
        wait_for([&] {
            return window.session().state() != nullptr && !window.session().is_busy() &&
                   window.twin().right().view().is_ready();
        });
        show_clip(window, QStringLiteral("capture_07"), 301);
        take(window, out, QStringLiteral("intake-first-look"));
    }
    if (wanted("joints-build")) {
        // Sedge, her guides not yet built.
        MainWindow window;
        window.show();
        window.open_paths({QFileInfo(job).dir().filePath(QStringLiteral("sedge.wembrix"))});
        wait_for([&] { return window.session().state() != nullptr && !window.session().is_busy(); });
        window.document().edit(QStringLiteral("build"), [](Job& edited) {
            for (Step& step : edited.steps) {
                step.on = false;
            }
        });
        window.choose_station(1);
        JointsStation& station = window.page<JointsStation>();
        station.show_face(JointsStation::Face::build);
        wait_for([&] {
            return window.session().is_current() && !window.session().is_busy() && station.build().board().is_ready();
        });
        station.build().board().choose(GuideId{"leg", 1, 2, Side::left});
        window.camera().look_from(0.95, 0.12);
        wait_a_moment();
        take(window, out, QStringLiteral("joints-build"));
    }
    if (wanted("takes-pairs")) {
        // Tansy's take on Sedge, the one beside the other.
        MainWindow window;
        window.show();
        window.open_paths({QFileInfo(job).dir().filePath(QStringLiteral("sedge.wembrix"))});
        wait_for([&] {
            return window.session().state() != nullptr && !window.session().is_busy() &&
                   !window.page<TakesStation>().model().is_busy();
        });
        window.choose_station(3);
        show_clip(window, QStringLiteral("wade"), 30);
        window.findChild<QPushButton*>(QStringLiteral("pairsSide"))->click();
        wait_for([&] { return window.page<TakesStation>().pairs().is_ready(); });
        wait_a_moment();
        take(window, out, QStringLiteral("takes-pairs"));
    }
    if (only == QStringLiteral("takes-lid")) { // to be looked at, not kept
        MainWindow window;
        window.show();
        window.open_paths({QFileInfo(job).dir().filePath(QStringLiteral("stall_lid.wembrix"))});
        wait_for([&] {
            return window.session().state() != nullptr && !window.session().is_busy() &&
                   !window.page<TakesStation>().model().is_busy();
        });
        window.choose_station(3);
        show_clip(window, QStringLiteral("swing"), 24);
        window.findChild<QPushButton*>(QStringLiteral("keysSide"))->click();
        const Scene& prepared = window.session().state()->replay.prepared();
        window.selection().choose(prepared.nodes[static_cast<size_t>(prepared.find_node("lid"))].identity);
        wait_a_moment();
        take(window, out, QStringLiteral("takes-lid"));
        return 0;
    }
    for (const char* name : {"joints-feathered", "takes-long", "takes-forty"}) {
        if (only == QString::fromUtf8(name)) {
            return larger(job, out, only);
        }
    }
    MainWindow window;
    window.show();
    window.open_paths({job});
    if (!wait_for([&] {
            return window.session().state() != nullptr && !window.session().is_busy() &&
                   window.twin().right().view().is_ready() && !window.page<TakesStation>().model().is_busy();
        })) {
        std::fprintf(stderr, "the job was not ready in time\n");
        return 1;
    }
    if (wanted("intake")) {
        take(window, out, QStringLiteral("intake"));
    }
    if (wanted("joints")) {
        window.choose_station(1);
        const Scene& prepared = window.session().state()->replay.prepared();
        window.selection().choose(prepared.nodes[prepared.find_node("leg_shank_l")].identity);
        wait_for([&] { return window.page<JointsStation>().facts().drop_text().contains(QStringLiteral("mm")); });
        show_clip(window, QStringLiteral("wade"), 30);
        take(window, out, QStringLiteral("joints"));
    }
    if (wanted("joints-contract")) {
        // One joint hangs elsewhere than the contract has it, and another one has another name.
        const Contract contract = contract_of(window.session().state()->replay.prepared(), "market_courier");
        window.choose_station(1);
        window.document().edit(QStringLiteral("contract"), [&](Job& edited) {
            edited.destinations[0].contract = contract;
            rename_one(edited, window.session().state()->replay,
                       window.session().state()->replay.prepared().nodes[2].identity, "hips");
            hang_under(edited, {"wing_shoulder_l"}, "spine_b");
        });
        wait_for([&] { return window.session().is_current() && !window.session().is_busy(); });
        const Scene& prepared = window.session().state()->replay.prepared();
        window.selection().choose(prepared.nodes[static_cast<size_t>(prepared.find_node("hips"))].identity);
        take(window, out, QStringLiteral("joints-contract"));
        window.document().undo().undo();
        wait_for([&] { return window.session().is_current() && !window.session().is_busy(); });
    }
    if (wanted("takes-keys")) {
        window.choose_station(3);
        show_clip(window, QStringLiteral("wade"), 30);
        window.findChild<QPushButton*>(QStringLiteral("keysSide"))->click();
        window.document().edit(QStringLiteral("keys"), [](Job& edited) {
            const size_t place = add_key_layer(edited, "wade", "knee eased", false);
            const KeyedPath shank = {"leg_shank_l", Path::rotation};
            for (const auto& [frame, degrees] :
                 {std::pair(0, Vec3(0, 0, 0)), {18, Vec3(9, 0, 2)}, {30, Vec3(14, -3, 1)}, {52, Vec3(0, 0, 0)}}) {
                set_keys(edited, place, shank, frame, degrees);
            }
            set_tangents(edited, place, shank, 30, Tangent::flat);
        });
        wait_for([&] { return window.session().is_current() && !window.session().is_busy(); });
        const Scene& prepared = window.session().state()->replay.prepared();
        window.selection().choose(prepared.nodes[static_cast<size_t>(prepared.find_node("leg_shank_l"))].identity);
        window.clock().go_to(30);
        window.findChild<KeyStrip*>()->choose({{0, 1}, {0, 2}, {1, 2}});
        for (const char* shown : {"posePath", "poseGhosts"}) {
            window.findChild<QPushButton*>(QString::fromUtf8(shown))->click();
        }
        wait_a_moment();
        take(window, out, QStringLiteral("takes-keys"));
        for (const char* shown : {"posePath", "poseGhosts"}) {
            window.findChild<QPushButton*>(QString::fromUtf8(shown))->click();
        }
        window.findChild<QPushButton*>(QStringLiteral("clipsSide"))->click();
        window.document().undo().undo();
        wait_for([&] { return window.session().is_current() && !window.session().is_busy(); });
    }
    const auto dialog_picture = [&](QWidget& dialog, const char* name) {
        dialog.move(0, 0);
        dialog.show();
        QElapsedTimer timer;
        timer.start();
        wait_for([&] { return timer.elapsed() > 400; });
        dialog.grab().save(out + QStringLiteral("/") + QString::fromUtf8(name) + QStringLiteral(".png"));
    };
    const bool more = only.startsWith(QStringLiteral("surface-")); // to be looked at, not kept
    if (wanted("surface") || more) {
        window.choose_station(2);
        show_clip(window, QStringLiteral("wade"), 30);
        auto* weights_of = window.findChild<QComboBox*>(QStringLiteral("weightsOf"));
        weights_of->setCurrentIndex(weights_of->findText(QStringLiteral("leg_shank_l")));
        Q_EMIT weights_of->activated(weights_of->currentIndex());
        QElapsedTimer timer;
        timer.start();
        wait_for([&] { return timer.elapsed() > 1500; }); // the pictures of the shapes
        if (wanted("surface")) {
            const QList<QSlider*> sliders = window.findChildren<QSlider*>(QStringLiteral("shapeSlider"));
            if (!sliders.isEmpty()) {
                sliders[0]->setValue(100);
            }
            take(window, out, QStringLiteral("surface"));
        }
        const auto click = [&](const char* name) { window.findChild<QPushButton*>(QString::fromUtf8(name))->click(); };
        if (wanted("surface") || more) {
            window.selection().clear();
            window.camera().frame_all();
            click("slotsTab");
            window.findChild<QTableWidget*>(QStringLiteral("slotTable"))->setCurrentCell(1, 0);
            take(window, out, QStringLiteral("surface-slots"));
            click("hullsTab");
            window.document().edit(QStringLiteral("hulls"), [](Job& edited) {
                add_step_at_its_place(edited, {"make_hulls", {{"from", "joints"}, {"shape", "capsule"}}});
            });
            wait_for([&] { return window.session().is_current() && !window.session().is_busy(); });
            auto* hulls = window.findChild<QTableView*>(QStringLiteral("hullTable"));
            hulls->selectRow(3);
            Q_EMIT hulls->clicked(hulls->currentIndex());
            wait_for([&] { return window.page<SurfaceStation>().hulls().model().is_measured(); });
            take(window, out, QStringLiteral("surface-hulls"));
            window.document().undo().undo();
            wait_for([&] { return window.session().is_current() && !window.session().is_busy(); });
            click("shapesTab");
        }
        if (more) {
            click("slotsTab");
            window.findChild<QCheckBox*>(QStringLiteral("showLooks"))->setChecked(true);
            take(window, out, QStringLiteral("surface-looks"));
            window.findChild<QCheckBox*>(QStringLiteral("showLooks"))->setChecked(false);
            window.findChild<QComboBox*>(QStringLiteral("hairs"))->setCurrentIndex(1);
            take(window, out, QStringLiteral("surface-hairs"));
            window.findChild<QComboBox*>(QStringLiteral("hairs"))->setCurrentIndex(0);
            click("shapesTab");
            click("paintWeights");
            const SceneView& view = window.twin().right().view();
            const Scene& prepared = window.session().state()->replay.prepared();
            QMouseEvent over(QEvent::MouseMove, view.place_of(prepared.find_node("leg_shank_l")),
                             view.mapToGlobal(view.place_of(prepared.find_node("leg_shank_l"))), Qt::NoButton,
                             Qt::NoButton, Qt::NoModifier);
            QApplication::sendEvent(&window.twin().right().view(), &over);
            take(window, out, QStringLiteral("surface-paint"));
            click("chooseVertices");
            const int body = surfaces_of(prepared)[0];
            WeightPainter::Choice choice{prepared.nodes[static_cast<size_t>(body)].identity, {}};
            for (uint32_t v = 300; v < 420; ++v) {
                choice.vertices.insert(v);
            }
            window.page<SurfaceStation>().painter().choose(choice);
            take(window, out, QStringLiteral("surface-vertices"));
            click("chooseVertices");
            click("hullsTab");
            take(window, out, QStringLiteral("surface-no-hulls"));
            click("shapesTab");
        }
        window.selection().clear();
        window.camera().frame_all();
    }
    if (wanted("takes")) {
        window.choose_station(3);
        window.page<TakesStation>().go_to(QStringLiteral("shake_off"), 60);
        wait_for([&] { return !window.page<TakesStation>().model().is_busy(); });
        wait_for_lost(window, "shake_off");
        take(window, out, QStringLiteral("takes"));
    }
    if (wanted("takes-curves")) {
        window.choose_station(3);
        const Scene& prepared = window.session().state()->replay.prepared();
        window.selection().choose(prepared.nodes[prepared.find_node("leg_shank_l")].identity);
        window.page<TakesStation>().go_to(QStringLiteral("wade"), 88);
        window.findChild<QPushButton*>(QStringLiteral("showEnds"))->setChecked(true);
        auto* curves = window.findChild<QComboBox*>(QStringLiteral("curveChoice"));
        curves->setCurrentIndex(2);
        Q_EMIT curves->activated(2);
        wait_for([&] { return window.twin().right().view().ends() != nullptr; });
        wait_for_lost(window, "shake_off");
        take(window, out, QStringLiteral("takes-curves"));
        window.findChild<QPushButton*>(QStringLiteral("showEnds"))->setChecked(false);
        curves->setCurrentIndex(0);
        Q_EMIT curves->activated(0);
        window.selection().clear();
    }
    if (only == QStringLiteral("takes-made")) {
        window.choose_station(3);
        window.document().edit(QStringLiteral("steps"), [](Job& edited) {
            edited.steps.push_back({"close_loop", {{"clip", "shake_off"}, {"mode", "blend"}, {"frames", 10}}});
            edited.steps.push_back(
                {"join_clips", {{"clips", {"lift_parcel", "stamp"}}, {"name", "lift_and_stamp"}, {"overlap", 8}}});
            edited.steps.push_back({"mirror_clip", {{"clips", {"stamp"}}, {"ending", "_other_foot"}}});
        });
        wait_for([&] {
            return window.session().is_current() && !window.session().is_busy() &&
                   !window.page<TakesStation>().model().is_busy();
        });
        window.fold_card();
        window.page<TakesStation>().go_to(QStringLiteral("lift_and_stamp"), 96);
        wait_for_lost(window, "stamp_other_foot");
        take(window, out, QStringLiteral("takes-made"));
        window.fold_card();
        window.document().undo().undo();
        wait_for([&] { return window.session().is_current() && !window.session().is_busy(); });
    }
    if (wanted("step-window")) {
        StepDialog dialog({"join_clips", {{"clips", {"lift_parcel", "stamp"}}, {"name", "both"}, {"overlap", 8}}},
                          {window.session().state()->replay.prepared_scene(), nullptr});
        dialog_picture(dialog, "step-window");
    }
    if (wanted("apart")) {
        window.choose_station(0);
        show_clip(window, QStringLiteral("wade"), 88);
        window.twin().set_mode(TwinMode::difference);
        take(window, out, QStringLiteral("apart"));
    }
    if (wanted("deliver") || wanted("deliver-changed")) {
        window.choose_station("deliver");
        window.runner().deliver_cells(window.board().due());
        wait_for([&] { return !window.runner().is_running() && window.board().is_current(); });
        window.page<DeliverStation>().board_view().setCurrentIndex(
            window.page<DeliverStation>().board_rows().index(2, 1));
        window.clock().go_to(52);
        wait_for([&] {
            return window.runner().last_arrival({"Tidewater runtime", "clip:wade"}) != nullptr &&
                   window.page<DeliverStation>().panel().arrived_view().is_ready();
        });
        take(window, out, QStringLiteral("deliver"));
    }
    if (wanted("destinations")) {
        DestinationsDialog dialog(
            window.document().job().destinations,
            contract_of(window.session().state()->replay.prepared(), "market_courier"), window.names_of_files(),
            std::shared_ptr<const Scene>(window.session().state(), &window.session().state()->replay.prepared()));
        if (auto* foreseen = dialog.findChild<ForeseenPanel*>()) {
            wait_for([&] { return !foreseen->is_at_work(); });
        }
        dialog_picture(dialog, "destinations");
        if (only == QStringLiteral("destinations")) {
            auto* form = dialog.findChild<QScrollArea*>();
            form->ensureWidgetVisible(dialog.findChild<QLabel*>(QStringLiteral("filePreview")), 0, 200);
            dialog_picture(dialog, "destinations-files");
        }
    }
    if (only == QStringLiteral("family")) {
        OriginDialog dialog(window.document().job().origin);
        dialog_picture(dialog, "family");
    }
    if (only == QStringLiteral("guide")) {
        GuideWindow guide;
        guide.show_page(QStringLiteral("takes"));
        dialog_picture(guide, "guide");
    }
    if (wanted("strands") || only == QStringLiteral("strands-guides")) {
        window.open_paths({QFileInfo(job).path() + QStringLiteral("/tansy_strands.wembrix")});
        wait_for([&] { return window.session().is_current() && !window.session().is_busy(); });
        window.choose_station("strands");
        auto& page = window.page<StrandsStation>();
        page.board().choose_strands("crest_strands");
        window.camera().look_from(-1.3, 0.15);
        window.camera().frame(Vec3(0, 0.92, 0.1), 0.62);
        show_clip(window, QStringLiteral("shake_off"), 40);
        wait_for([&] { return !page.board().is_measuring(); });
        take(window, out, QStringLiteral("strands"));
        if (only == QStringLiteral("strands-guides")) {
            window.findChild<QPushButton*>(QStringLiteral("shapeGuides"))->click();
            page.board().choose(4, false);
            page.board().choose(7, true);
            take(window, out, QStringLiteral("strands-guides"));
            auto* parts = window.findChild<QScrollArea*>(QStringLiteral("strandParts"));
            parts->verticalScrollBar()->setValue(parts->verticalScrollBar()->maximum());
            take(window, out, QStringLiteral("strands-growth"));
            window.findChild<QPushButton*>(QStringLiteral("paintDensity"))->click();
            take(window, out, QStringLiteral("strands-density"));
            window.choose_station("deliver");
            window.runner().deliver_cells(window.board().due());
            wait_for([&] { return !window.runner().is_running() && window.board().is_current(); });
            window.page<DeliverStation>().board_view().setCurrentIndex(
                window.page<DeliverStation>().board_rows().index(8, 1));
            wait_a_moment();
            take(window, out, QStringLiteral("deliver-strands"));
        }
    }
    if (only == QStringLiteral("more")) { // windows that are not among the pictures of the documentation
        window.choose_station("deliver");
        window.runner().deliver_cells(window.board().due());
        wait_for([&] { return !window.runner().is_running() && window.board().is_current(); });
        window.page<DeliverStation>().board_view().setCurrentIndex(
            window.page<DeliverStation>().board_rows().index(0, 1));
        wait_for([&] { return window.page<DeliverStation>().panel().arrived_view().is_ready(); });
        take(window, out, QStringLiteral("deliver-model"));
        Ledger ledger = window.session().state()->left;
        LedgerWindow left(ledger, QStringLiteral("What stayed behind: model → Tidewater runtime"));
        dialog_picture(left, "ledger");
        StepChooser chooser;
        dialog_picture(chooser, "step-chooser");
        chooser.hide();
        // Without its scale the character is a giant, and that is accepted.
        window.choose_station(0);
        window.document().edit(QStringLiteral("Off"), [](Job& changed) {
            for (Step& step : changed.steps) {
                step.on = step.id != "scale" && step.id != "strip_prefix";
            }
        });
        wait_for([&] { return window.session().is_current(); });
        for (const Finding& finding : window.session().state()->findings) {
            if (finding.id == "size") {
                AcceptDialog ask(finding);
                ask.findChild<QLineEdit*>()->setText(QStringLiteral("she is a giant in this story"));
                dialog_picture(ask, "accept");
                const Step step = accepting(finding, ask.note().toStdString());
                window.document().edit(QStringLiteral("Accept"),
                                       [&](Job& changed) { add_step_at_its_place(changed, step); });
                break;
            }
        }
        window.document().edit(QStringLiteral("On"), [](Job& changed) {
            for (Step& step : changed.steps) {
                step.on = step.on || step.id == "strip_prefix";
            }
        });
        wait_for([&] { return window.session().is_current() && !window.session().is_busy(); });
        take(window, out, QStringLiteral("intake-accepted"));
    }
    if (only == QStringLiteral("sources")) { // what becomes of sources, and destinations to their ends
        window.choose_station(0);
        window.document().edit(QStringLiteral("Gone"), [](Job& changed) { changed.sources.emplace_back("bag.glb"); });
        wait_for([&] { return window.session().is_current() && !window.session().is_busy(); });
        take(window, out, QStringLiteral("sources-missing"));
        QMenu menu;
        window.findChild<SourceMenu*>()->fill(menu, 1);
        menu.popup(QPoint(200, 200));
        wait_a_moment();
        menu.grab().save(out + QStringLiteral("/source-menu.png"));
        menu.hide();
        const Job before = window.document().job();
        Job after = before;
        after.sources.pop_back();
        after.sources[0].path = (std::filesystem::path(job.toStdString()).parent_path() / "market_props.glb").string();
        ReplaceDialog replace(before, after, 0, window.document().folder(), window.session().state()->sources);
        replace.show();
        wait_for([&] { return replace.is_ready(); });
        dialog_picture(replace, "replace");
        DestinationsDialog dialog(window.document().job().destinations);
        dialog.show();
        for (const int at : {260, 620, 1000, 1400}) {
            dialog.findChild<QScrollArea*>()->verticalScrollBar()->setValue(at);
            wait_a_moment();
            dialog.grab().save(out + QStringLiteral("/destinations-%1.png").arg(at));
        }
        show_differences(window.document().job().destinations[0], window.document().job().destinations[1], &window);
        wait_a_moment();
        window.findChild<QDialog*>(QStringLiteral("differences"))
            ->grab()
            .save(out + QStringLiteral("/differences.png"));
    }
    if (only.startsWith(QStringLiteral("look:"))) {
        // look:CLIP:FRAME:YAW:PITCH:DISTANCE for trying things out
        const QStringList parts = only.split(QLatin1Char(':'));
        show_clip(window, parts[1], parts[2].toInt());
        window.camera().distance = parts[5].toDouble();
        if (parts.size() > 6) {
            window.camera().target.y() = parts[6].toDouble();
        }
        window.camera().look_from(parts[3].toDouble(), parts[4].toDouble());
        Shown shown;
        shown.joints = parts.size() > 7;
        window.twin().set_shown(shown);
        take(window, out, QStringLiteral("look"));
    }
    return 0;
}

} // namespace

int main(int count, char** arguments) {
    prepare_graphics();
    QApplication application(count, arguments);
    apply_theme(application);
    if (!chosen_language().isEmpty()) {
        use_language(application, chosen_language());
    }
    const QStringList given = QApplication::arguments().mid(1);
    if (given.size() < 2) {
        std::fprintf(stderr, "usage: wembrix-pictures DEMO_FOLDER OUT [NAME]\n");
        return 2;
    }
    return run(given[0] + QStringLiteral("/tansy.wembrix"), given[0] + QStringLiteral("/tansy_first_look.wembrix"),
               given[1], given.size() > 2 ? given[2] : QString());
}
