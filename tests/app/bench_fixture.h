// The window on Tansy, mended: what the tests of the stations share.
#pragma once

#include "core/job/card_edits.h"
#include "window_fixture.h"

namespace wembrix::app {

class Bench : public Window {
  protected:
    void SetUp() override {
        with_drift = false;
        Window::SetUp();
    }
    /// Tansy, one tree, upright and in metres, her names still as they came.
    void open_mended() {
        Result<Job> job = read_job(job_file.toStdString());
        for (const char* step : {"strip_prefix", "bake_parent_transforms"}) {
            job->steps.push_back({step});
        }
        job->steps.push_back({"scale", {{"factor", 0.01}}});
        job->steps.push_back({"make_root", {{"name", "root"}}});
        ASSERT_TRUE(write_job(*job, job_file.toStdString()).ok());
        open();
    }
    /// The same, cut into three clips, at the Takes station.
    void open_cut() {
        open_mended();
        window->document().edit("cut", [](Job& job) {
            set_cuts(job, "capture_07",
                     {{"stand", 0, 168, true, "", ""},
                      {"wade", 220, 396, true, "", ""},
                      {"shake_off", 744, 896, true, "", ""}});
        });
        settle();
        window->choose_station(3);
        settle();
    }
    [[nodiscard]] const Scene& prepared() const { return state().replay.prepared(); }
    [[nodiscard]] bool has(const char* name) const { return prepared().find_node(name) >= 0; }
    int row_of(const std::vector<LadderRow>& rows, const char* name) {
        for (size_t i = 0; i < rows.size(); ++i) {
            if (rows[i].bare == QString::fromUtf8(name)) {
                return static_cast<int>(i);
            }
        }
        ADD_FAILURE() << "no row " << name;
        return 0;
    }
    void undo() {
        QApplication::setActiveWindow(window.get()); // a step's window that closed gave the keys to nobody
        QTest::keySequence(window.get(), QKeySequence(QKeySequence::Undo));
    }
    void click(QWidget* widget, const QPoint& at, Qt::KeyboardModifiers modifiers = {}) {
        QTest::mouseClick(widget, Qt::LeftButton, modifiers, at);
    }
    void drag(QWidget* widget, const QPoint& from, const QPoint& to) {
        QTest::mousePress(widget, Qt::LeftButton, {}, from);
        QMouseEvent half(QEvent::MouseMove, (from + to) / 2, widget->mapToGlobal((from + to) / 2), Qt::NoButton,
                         Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(widget, &half);
        QMouseEvent move(QEvent::MouseMove, to, widget->mapToGlobal(to), Qt::NoButton, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(widget, &move);
        QTest::mouseRelease(widget, Qt::LeftButton, {}, to);
    }
};

/// Waits for a step's window, looks at it, and clicks its button once it has been tried out.
inline void use_step(const std::function<void(StepDialog&)>& look) {
    QTimer::singleShot(200, qApp, [look] {
        auto* dialog = qobject_cast<StepDialog*>(QApplication::activeModalWidget());
        ASSERT_NE(dialog, nullptr);
        look(*dialog);
        const auto* outcome = dialog->findChild<QLabel*>("stepOutcome");
        EXPECT_TRUE(wait_for([&] { return !outcome->text().startsWith("Trying"); }, 60));
        auto* use = dialog->findChild<QPushButton*>("go");
        EXPECT_TRUE(use->isEnabled()) << outcome->text().toStdString();
        if (use->isEnabled()) {
            QTest::mouseClick(use, Qt::LeftButton);
        } else {
            dialog->reject();
        }
    });
}

} // namespace wembrix::app
