// What stands where in a pane: the camera, what is under the pointer, what is measured between two places.
#include "bench_fixture.h"
#include "view/pick.h"
#include "view/projection.h"

#include <gtest/gtest.h>
#include <random>

namespace wembrix::app {
namespace {

/// A projection like a pane's, looking at `target` from `away`.
Projection looking(const Vec3& target, const Vec3& away, double distance, QSize size) {
    Projection p;
    p.away = away.normalized();
    p.eye = target + p.away * distance;
    p.size = size;
    const auto v = [](const Vec3& from) {
        return QVector3D(static_cast<float>(from.x()), static_cast<float>(from.y()), static_cast<float>(from.z()));
    };
    p.matrix.perspective(32, static_cast<float>(size.width()) / static_cast<float>(size.height()),
                         static_cast<float>(distance * 0.02), static_cast<float>(distance * 60));
    p.matrix.lookAt(v(p.eye), v(target), QVector3D(0, 1, 0));
    return p;
}

TEST(Projections, TheTargetIsInTheMiddleAndWhatIsBehindIsNotVisible) {
    std::mt19937 random(4);
    const auto real = [&](double low, double high) { return low + (high - low) * (random() % 10000) / 10000.0; };
    for (int i = 0; i < 100; ++i) {
        const Vec3 target(real(-5, 5), real(0, 2), real(-5, 5));
        const Vec3 away(real(-1, 1), real(-0.8, 0.8), real(0.2, 1));
        const Projection p = looking(target, away, real(1, 8), QSize(640, 480));
        bool visible = false;
        const QPointF middle = p.on_screen(target, &visible);
        EXPECT_TRUE(visible);
        EXPECT_LT(std::hypot(middle.x() - 320, middle.y() - 240), 0.1);
        EXPECT_GT(p.on_screen(target + p.aside() * 0.1).x(), middle.x()) << "to the right is to the right";
        EXPECT_LT(p.on_screen(target + Vec3(0, 0.1, 0)).y(), middle.y()) << "up is up";
        static_cast<void>(p.on_screen(p.eye + p.away, &visible));
        EXPECT_FALSE(visible) << "behind the eye";
        EXPECT_NEAR(p.aside().norm(), 1, 1e-9);
        EXPECT_NEAR(p.aside().dot(p.away), 0, 1e-9);
    }
}

TEST(Picking, FindsTheSurfaceInFrontAndNothingBesideIt) {
    const auto scene = std::make_shared<const Scene>(demo::tansy_model());
    PosedScene posed(scene);
    posed.pose_at(0);
    Vec3 low = Vec3::Constant(1e9);
    Vec3 high = -low;
    for (const Vec3f& point : posed.points()) {
        low = low.cwiseMin(point.cast<double>());
        high = high.cwiseMax(point.cast<double>());
    }
    const Vec3 middle = (low + high) / 2;
    const double size = (high - low).norm();
    std::mt19937 random(6);
    int hit = 0;
    int in_front = 0;
    for (int i = 0; i < 60; ++i) {
        const double yaw = i * 0.7;
        const Projection p = looking(middle, Vec3(std::sin(yaw), 0.2, std::cos(yaw)), size * 2, QSize(800, 600));
        const Vec3 vertex = posed.points()[random() % posed.points().size()].cast<double>();
        const QPointF at = p.on_screen(vertex);
        const std::optional<Vec3> found = surface_at(p, posed, at);
        if (!found) {
            continue; // on the very edge of what is seen
        }
        ++hit;
        const QPointF there = p.on_screen(*found);
        EXPECT_LT(std::hypot(there.x() - at.x(), there.y() - at.y()), 0.5) << "under the pointer";
        in_front += (*found - p.eye).norm() < (vertex - p.eye).norm() + size * 1e-3 ? 1 : 0;
    }
    EXPECT_GT(hit, 45);
    EXPECT_GE(in_front, hit - 5) << "never what is behind the vertex, but where it is on the very edge";
    const Projection p = looking(middle, Vec3(0, 0, 1), size * 2, QSize(800, 600));
    EXPECT_FALSE(surface_at(p, posed, QPointF(2, 2))) << "the corner of the pane";
}

TEST_F(Bench, EverythingIsFramedWhateverThePaneLooksLike) {
    open_mended();
    for (const QSize size : {QSize(1280, 800), QSize(1600, 700), QSize(1280, 1000)}) {
        window->resize(size);
        settle();
        window->camera().frame_all();
        settle();
        SceneView& view = window->twin().right().view();
        size_t outside = 0;
        const Scene& scene = view.posed()->scene();
        for (const int joint : joints_of(scene)) {
            outside += QRectF(0, 0, view.width(), view.height()).contains(view.place_of(joint)) ? 0 : 1;
        }
        EXPECT_EQ(outside, 0U) << size.width() << " x " << size.height();
    }
}

TEST_F(Bench, TheCameraTurnsAroundItsTargetAndComesNearer) {
    open_mended();
    Camera& camera = window->camera();
    camera.look_from(0, 0);
    EXPECT_LT((camera.away() - Vec3(0, 0, 1)).norm(), 1e-9) << "from the front";
    camera.look_from(M_PI / 2, 0);
    EXPECT_NEAR(std::abs(camera.away().x()), 1, 1e-9) << "from a side";
    int moved = 0;
    QObject::connect(&camera, &Camera::moved, window.get(), [&] { ++moved; });
    const Vec3 target = camera.target;
    const double distance = camera.distance;
    for (int i = 0; i < 40; ++i) {
        camera.turn(0.3, 0.2);
        EXPECT_NEAR(camera.away().norm(), 1, 1e-9);
        EXPECT_LT(std::abs(camera.away().y()), 1) << "never over the top, where there is no up";
    }
    EXPECT_EQ(camera.target, target);
    EXPECT_EQ(camera.distance, distance);
    camera.approach(0.5);
    EXPECT_NEAR(camera.distance, distance * 0.5, 1e-9);
    for (int i = 0; i < 60; ++i) {
        camera.approach(0.5);
    }
    EXPECT_GT(camera.distance, 0) << "never into it";
    camera.slide(0.1, 0);
    EXPECT_GT((camera.target - target).norm(), 0);
    EXPECT_EQ(moved, 40 + 61 + 1);
}

TEST_F(Bench, WhileItMovesALargeSurfaceIsDrawnByFewerOfItsVerticesAndLooksTheSame) {
    open_mended();
    SceneView& view = window->twin().right().view();
    const size_t all = view.posed()->point_count();
    ASSERT_GT(all, 10'000U);
    view.set_most_moving(8000);
    settle();
    EXPECT_EQ(view.surfaces().drawn(), all) << "at rest";

    window->twin().playback().choose(QStringLiteral("capture_07"));
    window->clock().set_playing(true);
    EXPECT_TRUE(wait_for([&] { return view.surfaces().drawn() < 5000; }));
    EXPECT_GT(view.surfaces().drawn(), 1000U);
    window->clock().set_playing(false);
    EXPECT_TRUE(wait_for([&] { return view.surfaces().drawn() == all; })) << "whole again once it stands";

    // The same while somebody turns it: what is seen is the same body.
    const QPoint from(view.width() / 2, view.height() / 3);
    QTest::mousePress(&view, Qt::LeftButton, {}, from);
    for (const QPoint& to : {from + QPoint(30, 6), from + QPoint(60, 12)}) {
        QMouseEvent move(QEvent::MouseMove, to, view.mapToGlobal(to), Qt::NoButton, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(&view, &move);
    }
    EXPECT_TRUE(wait_for([&] { return view.surfaces().drawn() < 5000; }));
    const QImage coarse = view.grabFramebuffer();
    QTest::mouseRelease(&view, Qt::LeftButton, {}, from + QPoint(60, 12));
    EXPECT_TRUE(wait_for([&] { return view.surfaces().drawn() == all; }));
    const QImage whole = view.grabFramebuffer();
    ASSERT_EQ(coarse.size(), whole.size());
    int unlike = 0;
    for (int y = 0; y < whole.height() - 40; ++y) { // above the words at the foot
        for (int x = 0; x < whole.width(); ++x) {
            unlike += std::abs(qGray(whole.pixel(x, y)) - qGray(coarse.pixel(x, y))) > 60 ? 1 : 0;
        }
    }
    EXPECT_LT(unlike, whole.width() * whole.height() / 40);

    view.set_most_moving(100'000);
    window->clock().set_playing(true);
    QTest::qWait(100);
    EXPECT_EQ(view.surfaces().drawn(), all) << "few enough are drawn as they are";
    window->clock().set_playing(false);
}

class StrandView : public Window {
  protected:
    void SetUp() override {
        Window::SetUp();
        Job job = read_job(job_file.toStdString()).take();
        job.steps.push_back(
            {"strand_region", {{"name", "crest"}, {"surface", "market:tansy_rig:tansy_body"}, {"material", "plumes"}}});
        job.steps.push_back({"strand_guides", {{"spread", 8}, {"length_mm", 14000}}});
        ASSERT_TRUE(write_job(job, job_file.toStdString()).ok());
        with_drift = false;
        window->session().set_measures_drift(false);
    }
};

TEST_F(StrandView, StrandsAreDrawnOncePreparedHasThemAndGoWithTheClip) {
    open();
    const SceneView& prepared = window->twin().right().view();
    QTest::qWait(60);
    EXPECT_EQ(prepared.strands().drawn(), 0U) << "guides alone are no strands";
    window->document().edit("grow", [](Job& job) {
        job.steps.push_back({"grow_strands", {{"count", 300}, {"points", 6}}});
        job.steps.push_back({"bind_strands"});
    });
    settle();
    ASSERT_TRUE(wait_for([&] { return prepared.strands().drawn() > 0; }));
    const CurveSet& curves = state().replay.prepared().curve_sets.at(0);
    EXPECT_EQ(prepared.strands().segments(), curves.curve_count() * 5);
    EXPECT_EQ(window->twin().left().view().strands().drawn(), 0U) << "what was received has none";
    const Vec3 before = prepared.strands().points().front().cast<double>();
    window->clock().choose("capture_07", 900, 30);
    window->clock().go_to(600);
    ASSERT_TRUE(
        wait_for([&] { return (prepared.strands().points().front().cast<double>() - before).norm() > 1e-3; }, 20));
}

} // namespace
} // namespace wembrix::app
