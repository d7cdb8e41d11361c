// The real window on a job of its own: what the window's tests share.
#pragma once

#include "core/base/files.h"
#include "core/formats/format.h"
#include "core/formats/gltf/gltf.h"
#include "core/job/job.h"
#include "core/measure/scene/bounds.h"
#include "shell/main_window.h"
#include "shell/step_dialog.h"
#include "shell/step_text.h"
#include "stations/deliver/deliver_station.h"
#include "stations/intake/intake_station.h"
#include "stations/joints/joints_station.h"
#include "stations/takes/takes_station.h"
#include "style/shortcuts.h"
#include "tansy_scene.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDir>
#include <QDragEnterEvent>
#include <QElapsedTimer>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QMimeData>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QSlider>
#include <QTableWidget>
#include <QTemporaryDir>
#include <QTest>
#include <QTimer>
#include <QTreeWidget>
#include <QUrl>
#include <gtest/gtest.h>
#include <memory>

namespace wembrix::app {

inline bool wait_for(const std::function<bool()>& ready, int seconds = 90) {
    QElapsedTimer timer;
    timer.start();
    while (!ready() && timer.elapsed() < seconds * 1000) {
        QTest::qWait(10);
    }
    return ready();
}

class Window : public ::testing::Test {
  protected:
    void SetUp() override {
        ASSERT_TRUE(folder.isValid());
        put(write_glb_unscaled(demo::tansy_model(), "tansy_model"));
        put(write_gltf_beside(demo::tansy_market_take(), "tansy_market"));
        Job job;
        job.name = "tansy";
        job.sources = {"tansy_model.glb", "tansy_market.gltf"};
        job.destinations = built_in_destinations();
        for (Destination& destination : job.destinations) {
            destination.joint_names = "^.*$";
        }
        job.steps = {{"leave_behind", {{"kinds", {"camera", "light"}}, {"names", {"set_floor"}}}}};
        job_file = folder.filePath("tansy.wembrix");
        ASSERT_TRUE(write_job(job, job_file.toStdString()).ok());
        start();
    }
    void start() {
        window = std::make_unique<MainWindow>();
        window->session().set_measures_drift(with_drift);
        window->show();
        ASSERT_TRUE(QTest::qWaitForWindowExposed(window.get()));
        // There is no window manager on the virtual screen that would give it the keys.
        QApplication::setActiveWindow(window.get());
    }
    void TearDown() override {
        // Closing asks about changes; what a test leaves unsaved is meant to be lost.
        window->recovery().forget();
        window.reset();
    }
    void put(const Result<std::vector<WrittenFile>>& files) {
        for (const WrittenFile& file : files.value()) {
            ASSERT_TRUE(
                write_file_whole(folder.filePath(QString::fromStdString(file.name)).toStdString(), file.bytes).ok());
        }
    }
    void open() {
        ASSERT_EQ(window->open_paths({job_file}).toStdString(), "");
        settle();
    }
    void settle() {
        ASSERT_TRUE(
            wait_for([&] { return window->session().is_current() && (!with_drift || !window->session().is_busy()); }));
        ASSERT_TRUE(wait_for([&] {
            return window->board().is_current() && window->twin().right().view().is_ready() &&
                   window->twin().left().view().is_ready() && !window->page<TakesStation>().model().is_busy();
        }));
        QTest::qWait(40); // until what was just made is laid out and shown
    }
    [[nodiscard]] const SessionState& state() const { return *window->session().state(); }
    [[nodiscard]] size_t steps() const { return window->document().job().steps.size(); }
    QPushButton* finding_button(const QString& step) {
        for (QPushButton* button : window->findChildren<QPushButton*>(QStringLiteral("link"))) {
            if (button->property("step") == step && button->isVisible()) {
                return button;
            }
        }
        return nullptr;
    }
    /// Clicks the findings' own buttons until none of these kinds is open.
    void mend() {
        for (const char* step : {"strip_prefix", "bake_parent_transforms", "scale", "make_root"}) {
            QPushButton* button = finding_button(QString::fromUtf8(step));
            ASSERT_NE(button, nullptr) << step;
            QTest::mouseClick(button, Qt::LeftButton);
            settle();
        }
    }
    QPushButton* show_button(const char* finding) {
        for (QPushButton* button : window->findChildren<QPushButton*>(QStringLiteral("link"))) {
            if (button->property("finding") == QString::fromUtf8(finding) && button->isVisible()) {
                return button;
            }
        }
        return nullptr;
    }
    template <typename Widget> Widget* child(const char* name) {
        auto* found = window->findChild<Widget*>(QString::fromUtf8(name));
        EXPECT_NE(found, nullptr) << name;
        return found;
    }

    bool with_drift = true; ///< have the drift of each step measured, and wait for it
    QTemporaryDir folder;
    QString job_file;
    std::unique_ptr<MainWindow> window;
};

} // namespace wembrix::app
