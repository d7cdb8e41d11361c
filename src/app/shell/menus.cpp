#include "shell/menus.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"
#include "style/language.h"

#include "session/log.h"
#include "shell/farm_window.h"
#include "shell/first_delivery.h"
#include "shell/main_window.h"
#include "shell/palette.h"
#include "shell/pose_commands.h"
#include "shell/preferences.h"
#include "style/shortcuts.h"

#include <QActionGroup>
#include <QDesktopServices>
#include <QDialog>
#include <QFileInfo>
#include <QFormLayout>
#include <QLabel>
#include <QMenuBar>
#include <QMessageBox>
#include <QPushButton>
#include <QUndoStack>
#include <QUrl>
#include <map>

namespace wembrix::app {

namespace {

using Run = std::function<void()>;

QString tr(const char* text) {
    return QObject::tr(text);
}

QAction* add_action(QMenu* menu, const QString& text, const QKeySequence& keys, const Run& run) {
    QAction* action = menu->addAction(text);
    action->setShortcut(keys);
    QObject::connect(action, &QAction::triggered, menu, run);
    return action;
}

void add_toggle(QMenu* menu, const QString& text, Shortcut keys, bool on, const std::function<void(bool)>& run) {
    QAction* action = menu->addAction(text);
    action->setCheckable(true);
    action->setChecked(on);
    action->setShortcut(keys_of(keys));
    QObject::connect(action, &QAction::toggled, menu, run);
}

void make_job_menu(MainWindow& window) {
    JobFiles& files = window.files();
    QMenu* job = window.menuBar()->addMenu(tr("&Job"));
    add_action(job, tr("&New from files…"), QKeySequence::New, [&files] { files.ask_for_files(); });
    add_action(job, tr("New from a &template…"), {}, [&files] { files.ask_for_template(); });
    add_action(job, tr("&Import files…"), keys_of(Shortcut::bring_in), [&files] { files.ask_to_bring_in(); });
    add_action(job, tr("Import a &folder…"), {}, [&files] { files.ask_for_folder(); });
    add_action(job, tr("&Open…"), QKeySequence::Open, [&files] { files.ask_for_job(); });
    QMenu* recent = job->addMenu(tr("&Recent jobs"));
    recent->setObjectName(QStringLiteral("recentJobs"));
    QObject::connect(recent, &QMenu::aboutToShow, recent, [&files, recent] { files.fill_recent(recent); });
    add_action(job, tr("Open the d&emo job"), {}, [&files] { files.open_demo(); });
    job->addSeparator();
    add_action(job, tr("&Save"), QKeySequence::Save, [&files] { files.save(); });
    add_action(job, tr("Save &as…"), QKeySequence::SaveAs, [&files] { files.save_as(); });
    job->addSeparator();
    add_action(job, tr("Family and &variant…"), {}, [&files] { files.ask_for_origin(); });
    add_action(job, tr("&Destinations…"), {}, [&window] { window.edit_destinations(); });
    add_action(job, tr("De&liver what is not up to date"), keys_of(Shortcut::deliver_stale),
               [&window] { window.header().go().click(); });
    add_action(job, tr("&Watch a run on a farm…"), {}, [&window] {
        auto* farm = new FarmWindow(&window);
        farm->setAttribute(Qt::WA_DeleteOnClose);
        farm->show();
    });
    job->addSeparator();
    add_action(job, tr("&Quit"), QKeySequence::Quit, [&window] { window.close(); });
}

void make_edit_menu(MainWindow& window) {
    QMenu* edit = window.menuBar()->addMenu(tr("&Edit"));
    QUndoStack& stack = window.document().undo();
    QAction* undo = stack.createUndoAction(edit, tr("&Undo"));
    undo->setShortcut(QKeySequence::Undo);
    QAction* redo = stack.createRedoAction(edit, tr("&Redo"));
    redo->setShortcut(QKeySequence::Redo);
    edit->addAction(undo);
    edit->addAction(redo);
    edit->addSeparator();
    add_action(edit, tr("&Find…"), QKeySequence::Find,
               [&window] { window.pages().at(static_cast<size_t>(window.station()))->start_search(); });
    add_action(edit, tr("&Go to or do…"), keys_of(Shortcut::palette), [&window] { (new Palette(window))->show(); });
    edit->addSeparator();
    add_action(edit, tr("&Preferences…"), keys_of(Shortcut::preferences), [&window] { edit_preferences(&window); });
}

/// Which of the ways of showing two states is on.
void add_modes(QMenu* view, TwinView& twin) {
    struct Row {
        TwinMode mode;
        QString text;
        Shortcut keys;
    };
    auto* group = new QActionGroup(view);
    for (const Row& row : {Row{TwinMode::side_by_side, tr("Two states side &by side"), Shortcut::side_by_side},
                           Row{TwinMode::overlaid, tr("&One over the other"), Shortcut::overlaid},
                           Row{TwinMode::difference, tr("&How far they are apart"), Shortcut::difference}}) {
        QAction* action = add_action(view, row.text, keys_of(row.keys), [&twin, row] { twin.set_mode(row.mode); });
        action->setCheckable(true);
        action->setChecked(twin.mode() == row.mode);
        group->addAction(action);
        QObject::connect(&twin, &TwinView::modeChanged, action,
                         [&twin, action, row] { action->setChecked(twin.mode() == row.mode); });
    }
}

void make_view_menu(MainWindow& window) {
    QMenu* view = window.menuBar()->addMenu(tr("&View"));
    Camera& camera = window.camera();
    TwinView& twin = window.twin();
    add_action(view, tr("Frame &all"), keys_of(Shortcut::see_all), [&camera] { camera.frame_all(); });
    add_action(view, tr("Frame &selection"), keys_of(Shortcut::see_chosen), [&twin] { twin.frame_selection(); });
    view->addSeparator();
    add_action(view, tr("&Front"), keys_of(Shortcut::from_front), [&camera] { camera.look_from(0, 0.05); });
    add_action(view, tr("&Left"), keys_of(Shortcut::from_side), [&camera] { camera.look_from(1.5708, 0.05); });
    add_action(view, tr("&Top"), keys_of(Shortcut::from_top), [&camera] { camera.look_from(0, 1.5); });
    view->addSeparator();
    const auto show = [&window, &twin](bool Shown::*what, bool on) {
        Shown shown = twin.shown();
        shown.*what = on;
        twin.set_shown(shown);
    };
    add_toggle(view, tr("&Joints"), Shortcut::joints, true, [show](bool on) { show(&Shown::joints, on); });
    add_toggle(view, tr("S&urfaces"), Shortcut::surfaces, true, [show](bool on) { show(&Shown::surfaces, on); });
    add_toggle(view, tr("&Names of the joints"), Shortcut::names, false, [show](bool on) { show(&Shown::names, on); });
    add_toggle(view, tr("Both panes at the same s&cale"), Shortcut::same_scale, false,
               [&twin](bool same) { twin.set_same_scale(same); });
    view->addSeparator();
    add_modes(view, twin);
    view->addSeparator();
    add_action(view, tr("Save &view as image…"), keys_of(Shortcut::picture), [&window] { window.save_picture(); });
    view->addSeparator();
    add_action(view, tr("Fold the &route card"), keys_of(Shortcut::fold_card), [&window] { window.fold_card(); });
    view->addSeparator();
    auto* stations = new QActionGroup(view);
    for (size_t i = 0; i < window.pages().size(); ++i) {
        const StationKind& kind = window.pages()[i]->kind();
        QAction* action =
            add_action(view, kind.name, kind.keys(), [&window, i] { window.choose_station(static_cast<int>(i)); });
        action->setCheckable(true);
        stations->addAction(action);
        QObject::connect(view, &QMenu::aboutToShow, action,
                         [&window, action, i] { action->setChecked(window.station() == static_cast<int>(i)); });
    }
}

void make_steps_menu(MainWindow& window) {
    QMenu* steps = window.menuBar()->addMenu(tr("&Steps"));
    add_action(steps, tr("&Add a step…"), {}, [&window] { window.card().choose_step(); });
    steps->addSeparator();
    std::map<StepSubject, QMenu*> groups;
    for (const StepKind& kind : step_kinds()) {
        if (kind.is_by_hand()) {
            continue; // it begins at its station
        }
        QMenu*& group = groups[kind.subject];
        if (group == nullptr) {
            group = steps->addMenu(localized(subject_name(kind.subject)));
            group->setToolTipsVisible(true);
        }
        QAction* action = add_action(group, localized(kind.label) + QStringLiteral("…"), {},
                                     [&window, id = std::string(kind.id)] { window.card().add_step(id); });
        action->setToolTip(localized(kind.why));
    }
    steps->setToolTipsVisible(true);
}

void make_playback_menu(MainWindow& window) {
    QMenu* playback = window.menuBar()->addMenu(tr("&Playback"));
    Clock& clock = window.clock();
    add_action(playback, tr("&Play or pause"), keys_of(Shortcut::play),
               [&clock] { clock.set_playing(!clock.is_playing()); });
    const auto go = [&clock](int by) {
        clock.set_playing(false);
        clock.go_to(clock.frame() + by);
    };
    add_action(playback, tr("&Next frame"), keys_of(Shortcut::next_frame), [go] { go(1); });
    add_action(playback, tr("Pre&vious frame"), keys_of(Shortcut::previous_frame), [go] { go(-1); });
    add_action(playback, tr("&First frame"), keys_of(Shortcut::first_frame), [&clock] { clock.go_to(0); });
    playback->addSeparator();
    auto* poses = new PoseCommands(window.document(), window.session(), clock, &window);
    add_action(playback, tr("&Store pose…"), {}, [poses] { poses->ask_and_keep(); });
    QAction* forget = add_action(playback, tr("&Delete pose"), {}, [poses] { poses->forget(); });
    QAction* rest = add_action(playback, tr("&Make this pose the rest pose"), {}, [poses] { poses->make_rest_pose(); });
    QObject::connect(playback, &QMenu::aboutToShow, playback, [&clock, forget, rest] {
        forget->setEnabled(clock.still() == Clock::Still::stored);
        rest->setEnabled(!clock.clip().isEmpty() || clock.still() != Clock::Still::rest);
    });
}

void show_shortcuts(MainWindow& window) {
    QDialog dialog(&window);
    dialog.setWindowTitle(tr("All shortcuts"));
    auto* form = new QFormLayout(&dialog);
    form->setHorizontalSpacing(28);
    for (const ShortcutRow& row : shortcut_rows()) {
        form->addRow(row.what, new QLabel(row.keys.toString(QKeySequence::NativeText), &dialog));
    }
    for (const StationPage* page : window.pages()) {
        form->addRow(tr("Station: %1").arg(page->kind().name),
                     new QLabel(page->kind().keys().toString(QKeySequence::NativeText), &dialog));
    }
    dialog.exec();
}

void show_where_log_is(MainWindow& window) {
    const QString file = log_file();
    QMessageBox box(
        QMessageBox::Information, tr("Log"),
        file.isEmpty()
            ? tr("No log is kept in this run.")
            : tr("What was opened, how long each step took, and what was refused, stands in\n%1\n\nSend it along "
                 "when you report a fault. Your home folder stands as ~ in it.")
                  .arg(file),
        QMessageBox::Close, &window);
    box.setObjectName(QStringLiteral("whereLogIs"));
    box.setTextInteractionFlags(Qt::TextSelectableByMouse);
    QAbstractButton* open = file.isEmpty() ? nullptr : box.addButton(tr("&Open its folder"), QMessageBox::ActionRole);
    box.exec();
    if (open != nullptr && box.clickedButton() == open) {
        QDesktopServices::openUrl(QUrl::fromLocalFile(QFileInfo(file).path()));
    }
}

void make_help_menu(MainWindow& window) {
    QMenu* help = window.menuBar()->addMenu(tr("&Help"));
    add_action(help, tr("&Guide"), QKeySequence::HelpContents, [&window] { window.show_guide(); });
    add_action(help, tr("A first &delivery…"), {}, [&window] { FirstDelivery::of(window); });
    add_action(help, tr("All &shortcuts"), {}, [&window] { show_shortcuts(window); });
    add_action(help, tr("Where the &log is…"), {}, [&window] { show_where_log_is(window); });
    help->addSeparator();
    add_action(help, tr("&About Wembrix"), {}, [&window] { show_about(&window); });
}

} // namespace

void make_menus(MainWindow& window) {
    make_job_menu(window);
    make_edit_menu(window);
    make_view_menu(window);
    make_steps_menu(window);
    make_playback_menu(window);
    make_help_menu(window);
}

} // namespace wembrix::app
