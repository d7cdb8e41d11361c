#include "view/scene_view.h"

#include "style/painted_parts.h"
#include "view/camera_keys.h"
#include "view/layers/joint_layer.h"
#include "view/layers/point_layer.h"
#include "view/scene_marks.h"

#include <QApplication>
#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>
#include <cmath>

namespace wembrix::app {

SceneView::SceneView(State state, Camera& camera, Clock& clock, QWidget* parent)
    : QOpenGLWidget(parent), camera_(camera), clock_(clock), scenes_(state, clock),
      measure_([this](double height_m) { Q_EMIT heightAsked(height_m); },
               [this](const QString& words) { setToolTip(words); }) {
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    tell_joints();
    setToolTip(tr("Click a joint to choose it · drag to turn · right drag to slide · wheel to come nearer · "
                  "double-click to frame all"));
    layers_.push_back(std::make_unique<GroundLayer>());
    layers_.push_back(std::make_unique<TrajectoryLayer>());
    trajectory_ = static_cast<TrajectoryLayer*>(layers_.back().get());
    layers_.push_back(std::make_unique<SurfaceLayer>());
    surfaces_ = static_cast<SurfaceLayer*>(layers_.back().get());
    layers_.push_back(std::make_unique<LooksLayer>());
    looks_ = static_cast<LooksLayer*>(layers_.back().get());
    layers_.push_back(std::make_unique<StrandLayer>());
    strands_ = static_cast<StrandLayer*>(layers_.back().get());
    layers_.push_back(std::make_unique<HairLayer>());
    hairs_ = static_cast<HairLayer*>(layers_.back().get());
    layers_.push_back(std::make_unique<HullLayer>());
    hulls_ = static_cast<HullLayer*>(layers_.back().get());
    layers_.push_back(std::make_unique<JointLayer>());
    layers_.push_back(std::make_unique<PointLayer>());
    const auto again = [this](void (ViewLayer::*what)()) {
        for (const std::unique_ptr<ViewLayer>& layer : layers_) {
            (layer.get()->*what)();
        }
        update();
    };
    connect(&camera_, &Camera::moved, this, [this] { update(); });
    connect(&clock_, &Clock::moved, this, [again] { again(&ViewLayer::poses_changed); });
    connect(&clock_, &Clock::playingChanged, this, qOverload<>(&QWidget::update)); // whole again
    connect(&scenes_, &PaneScenes::posesChanged, this, [again] { again(&ViewLayer::poses_changed); });
    connect(&scenes_, &PaneScenes::coloursChanged, this, [again] { again(&ViewLayer::colours_changed); });
    connect(&scenes_, &PaneScenes::endsChanged, this, [this] {
        surfaces_->ends_changed();
        update();
    });
    connect(&scenes_, &PaneScenes::adopted, this, [this, again] {
        again(&ViewLayer::scenes_changed);
        Q_EMIT ready();
    });
}

void SceneView::tell_joints() {
    PaintedParts parts;
    parts.role = QAccessible::Canvas;
    parts.part_role = QAccessible::Graphic;
    const auto joints = [this] {
        std::vector<int> nodes;
        for (size_t i = 0; posed() != nullptr && shown_.joints && i < posed()->scene().nodes.size(); ++i) {
            if (posed()->scene().nodes[i].kind == NodeKind::joint) {
                nodes.push_back(static_cast<int>(i));
            }
        }
        return nodes;
    };
    parts.count = [joints] { return static_cast<int>(joints().size()); };
    parts.part = [this, joints](int place) {
        const int node = joints()[static_cast<size_t>(place)];
        const Node& joint = posed()->scene().nodes[static_cast<size_t>(node)];
        const QPointF at = place_of(node);
        return PaintedPart{tr("Joint %1").arg(QString::fromStdString(joint.name)),
                           QRectF(at.x() - 9, at.y() - 9, 18, 18).toRect(),
                           selection_ != nullptr && selection_->holds(joint.identity)};
    };
    parts.press = [this, joints](int place) {
        if (selection_ != nullptr) {
            selection_->choose(
                posed()->scene().nodes[static_cast<size_t>(joints()[static_cast<size_t>(place)])].identity);
        }
    };
    parts.value = [this] {
        if (posed() == nullptr) {
            return empty_;
        }
        return tr("%1 m tall, frame %2").arg(height_m(), 0, 'f', 2).arg(clock_.frame());
    };
    tell_parts(*this, std::move(parts));
}

SceneView::~SceneView() {
    scenes_.disconnect(this);
    destroy_graphics();
}

void SceneView::destroy_graphics() {
    if (context() == nullptr) {
        return;
    }
    context()->disconnect(this);
    makeCurrent();
    for (const std::unique_ptr<ViewLayer>& layer : layers_) {
        layer->destroy();
    }
    smooth_.destroy();
    programs_.clay.reset();
    programs_.ink.reset();
    programs_.shadow.reset();
    doneCurrent();
}

void SceneView::show_scene(std::shared_ptr<const Scene> scene, const std::optional<SceneFacts>& facts, State state) {
    if (!scenes_.show_scene(std::move(scene), facts, state)) {
        update();
    }
}

void SceneView::clear(const QString& why) {
    scenes_.clear();
    trajectory_->set(nullptr);
    empty_ = why;
    update();
}

void SceneView::set_shown(const Shown& shown) {
    shown_ = shown;
    update();
}

void SceneView::set_selection(Selection* selection) {
    selection_ = selection;
    pick_.set_selection(selection);
    if (selection != nullptr) {
        connect(selection, &Selection::changed, this, [this] { update(); });
    }
}

void SceneView::set_shared_height(double height_m) {
    shared_height_ = height_m;
    update();
}

void SceneView::show_trajectory(std::shared_ptr<const Trajectory> trajectory) {
    if (trajectory_->set(std::move(trajectory))) {
        update();
    }
}

Mat4 SceneView::gone_on() const {
    Mat4 gone = Mat4::Identity();
    // After so many rounds it begins again where it began: nothing is without end.
    for (int round = 0; round < clock_.round() % 50; ++round) {
        gone = round_on_ * gone;
    }
    return gone;
}

void SceneView::initializeGL() {
    initializeOpenGLFunctions();
    // The context may end before the pane does, and with it what the layers keep there.
    connect(context(), &QOpenGLContext::aboutToBeDestroyed, this, &SceneView::destroy_graphics, Qt::DirectConnection);
    // Without a graphics processor a hundred thousand vertices are a few pictures a second.
    const auto* renderer = reinterpret_cast<const char*>(glGetString(GL_RENDERER));
    const QString name = QString::fromUtf8(renderer == nullptr ? "" : renderer);
    if (name.contains(QStringLiteral("llvmpipe")) || name.contains(QStringLiteral("softpipe"))) {
        scenes_.set_most_moving(40'000);
        is_software_ = true;
    }
    programs_.make();
    for (const std::unique_ptr<ViewLayer>& layer : layers_) {
        layer->make(*this);
    }
}

void SceneView::pose_scenes(const Frame& now) {
    if (PosedScene* coarse = now.looks ? nullptr : scenes_.coarse(now.moves)) {
        coarse->pose_at(clock_.seconds(), gone_on());
    }
    if (!surfaces_->needs_pose()) {
        return;
    }
    // Two states over each other stay at the same place.
    PosedScene* other = scenes_.other();
    scenes_.posed()->pose_at(clock_.seconds(), other != nullptr ? Mat4(Mat4::Identity()) : gone_on());
    if (other != nullptr) {
        other->pose_at(clock_.seconds());
    }
}

Projection SceneView::projection() const {
    Projection p;
    // What is wider than it is tall stays in sight, too.
    constexpr double across = 0.8;
    const double high = std::max(scenes_.facts().height_m, across * scenes_.facts().across_m);
    const double own = high > 1e-9 ? high : 1;
    p.unit = shared_height_ > 0 ? shared_height_ : own;
    p.middle = Vec3(scenes_.facts().centre.x(), scenes_.facts().ground, scenes_.facts().centre.z());
    if (posed() != nullptr) {
        p.middle += posed()->travelled();
    }
    p.away = camera_.away();
    p.size = size();
    const Vec3 target = p.middle + camera_.target * p.unit;
    p.eye = target + p.away * camera_.distance * p.unit;
    const auto v = [](const Vec3& from) {
        return QVector3D(static_cast<float>(from.x()), static_cast<float>(from.y()), static_cast<float>(from.z()));
    };
    const double ratio = height() > 0 ? static_cast<double>(width()) / height() : 1;
    const auto depth = static_cast<float>(camera_.distance * p.unit);
    // Narrow panes step back, so that the whole character stays in sight.
    const double opening =
        ratio < 0.72 ? 2 * std::atan(std::tan(16.0 * M_PI / 180) * 0.72 / std::max(0.2, ratio)) * 180 / M_PI : 32;
    p.matrix.perspective(static_cast<float>(opening), static_cast<float>(ratio), depth * 0.02F, depth * 60 + 400);
    p.matrix.lookAt(v(p.eye), v(target), QVector3D(0, 1, 0));
    return p;
}

Frame SceneView::frame(const Projection& projection) const {
    return {projection,
            scenes_,
            shown_,
            clock_,
            selection_,
            looks_->is_shown(),
            clock_.is_playing() || (pressed_down_ && dragged_),
            size(),
            devicePixelRatioF(),
            font()};
}

QPointF SceneView::place_of(int node) const {
    return posed() != nullptr ? projection().on_screen(point_of(posed()->pose().world[node], Vec3::Zero())) : QPointF();
}

QLineF SceneView::rod() const {
    return rod_of(projection(), height_m());
}

void SceneView::frame_selection() {
    const std::vector<int> nodes =
        posed() != nullptr && selection_ != nullptr ? selection_->nodes_in(posed()->scene()) : std::vector<int>();
    if (nodes.empty()) {
        camera_.frame_all();
        return;
    }
    Vec3 low = Vec3::Constant(1e300);
    Vec3 high = Vec3::Constant(-1e300);
    const auto add = [&](int node) {
        const Vec3 at = point_of(posed()->pose().world[node], Vec3::Zero());
        low = low.cwiseMin(at);
        high = high.cwiseMax(at);
    };
    const Scene& scene = posed()->scene();
    for (const int node : nodes) {
        add(node);
        for (size_t i = 0; i < scene.nodes.size(); ++i) {
            if (scene.nodes[i].parent == node && scene.nodes[i].kind == NodeKind::joint) {
                add(static_cast<int>(i));
            }
        }
    }
    const Projection p = projection();
    camera_.frame(((low + high) / 2 - p.middle) / p.unit, std::max(0.12, (high - low).norm() / p.unit) * 2.4);
}

void SceneView::bring_hull_into_view(int64_t identity) {
    const int node = posed() != nullptr ? posed()->scene().find_identity(identity) : -1;
    if (node < 0 || posed()->scene().nodes[static_cast<size_t>(node)].hull < 0) {
        return;
    }
    const Scene& scene = posed()->scene();
    const Projection p = projection();
    Eigen::AlignedBox3d box;
    bool seen = true;
    const HullShell shell = shell_of(scene.hulls[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].hull)]);
    for (const Vec3f& point : shell.points) {
        const Vec3 at = point_of(posed()->pose().world[static_cast<size_t>(node)], point.cast<double>());
        box.extend(at);
        bool before_eye = false;
        const QPointF place = p.on_screen(at, &before_eye);
        seen = seen && before_eye && QRectF(rect()).contains(place);
    }
    if (!seen && !box.isEmpty()) {
        camera_.frame((box.center() - p.middle) / p.unit, std::max(0.12, box.diagonal().norm() / p.unit) * 2.4);
    }
}

void SceneView::frame_vertices(int64_t surface, std::span<const uint32_t> vertices) {
    const int node = posed() != nullptr ? posed()->scene().find_identity(surface) : -1;
    if (node < 0) {
        return;
    }
    const std::vector<Deformer::Surface>& surfaces = posed()->surfaces();
    const auto found =
        std::find_if(surfaces.begin(), surfaces.end(), [&](const Deformer::Surface& one) { return one.node == node; });
    if (found == surfaces.end()) {
        return;
    }
    Eigen::AlignedBox3d box;
    Vec3 normal = Vec3::Zero();
    for (const uint32_t vertex : vertices) {
        if (vertex < found->count) {
            box.extend(posed()->points()[found->first + vertex].cast<double>());
            normal += posed()->normals()[found->first + vertex].cast<double>();
        }
    }
    if (box.isEmpty()) {
        return;
    }
    const Projection p = projection();
    if (normal.norm() > 1e-6 && normal.normalized().dot(p.away) < 0.3) {
        const Vec3 from = normal.normalized();
        camera_.look_from(std::atan2(from.x(), from.z()), std::clamp(std::asin(from.y()), -1.2, 1.2));
    }
    camera_.frame((box.center() - p.middle) / p.unit, std::max(0.12, box.diagonal().norm() / p.unit) * 2.4);
}

void SceneView::paintGL() {
    QPainter painter(this);
    if (posed() == nullptr) {
        GroundLayer::paint_sky(painter, rect());
        painter.setPen(theme().soft);
        painter.drawText(rect().adjusted(16, 16, -16, -16), Qt::AlignCenter | Qt::TextWordWrap, empty_);
        return;
    }
    const Projection before = projection();
    pose_scenes(frame(before));
    const Projection p = projection(); // it follows what has gone on
    const Frame now = frame(p);
    painter.beginNativePainting();
    surfaces_->bring_up_to_date(*this, now);
    painter.endNativePainting();
    for (const std::unique_ptr<ViewLayer>& layer : layers_) {
        layer->paint_behind(painter, now);
    }
    painter.beginNativePainting();
    // Smooth edges take a processor that draws by itself twice the time: there they come when nothing moves.
    const bool smooth =
        !(now.moves && is_software_) && smooth_.begin(*this, defaultFramebufferObject(), size() * devicePixelRatioF());
    for (const std::unique_ptr<ViewLayer>& layer : layers_) {
        layer->draw(*this, programs_, now);
    }
    if (smooth) {
        smooth_.end(*this, defaultFramebufferObject());
    }
    painter.endNativePainting();
    QImage front(size() * devicePixelRatioF(), QImage::Format_ARGB32_Premultiplied);
    front.setDevicePixelRatio(devicePixelRatioF());
    front.fill(Qt::transparent);
    {
        QPainter over(&front);
        over.setRenderHint(QPainter::Antialiasing);
        over.setFont(font());
        for (const std::unique_ptr<ViewLayer>& layer : layers_) {
            layer->paint_before(over, now);
        }
        for (const ViewTool* tool : tools()) {
            tool->paint(over, now);
        }
        paint_labels(over, now);
        if (by_keys_) {
            draw_key_cross(over, rect());
        }
    }
    painter.drawImage(QPointF(0, 0), front);
}

void SceneView::paint_labels(QPainter& painter, const Frame& now) const {
    QFont small = painter.font();
    small.setPixelSize(10);
    painter.setFont(small);
    if (in_use_ && !in_use_->words().isEmpty()) {
        const QRectF line(8, 8, width() - 16, 18);
        painter.fillRect(line, theme().card);
        painter.setPen(theme().accent);
        painter.drawText(line, Qt::AlignCenter, in_use_->words());
    }
    double up = 0;
    for (const std::unique_ptr<ViewLayer>& layer : layers_) {
        for (const auto& [words, colour] : layer->foot(now)) {
            // On a plate: what stands on the ground behind it may have any colour.
            const QRectF line(8, height() - 18 - up, width() - 16, 14);
            const QRectF taken = painter.boundingRect(line, Qt::AlignLeft | Qt::AlignVCenter, words);
            QColor plate = theme().card;
            plate.setAlpha(205);
            painter.fillRect(taken.adjusted(-3, 0, 3, 0), plate);
            painter.setPen(colour);
            painter.drawText(line, Qt::AlignLeft | Qt::AlignVCenter, words);
            up += 15;
        }
    }
}

std::vector<ViewTool*> SceneView::tools() {
    std::vector<ViewTool*> all = {&measure_, &pick_};
    if (in_use_) {
        all.insert(all.begin(), in_use_.get());
    }
    return all;
}

void SceneView::use_tool(std::unique_ptr<ViewTool> tool) {
    in_use_ = std::move(tool);
    dragging_ = nullptr;
    setCursor(in_use_ ? Qt::CrossCursor : Qt::ArrowCursor);
    setFocus();
    update();
}

void SceneView::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape && in_use_) {
        use_tool(nullptr);
        Q_EMIT toolEnded();
        return;
    }
    const bool enters = event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter;
    if (enters && (event->modifiers() & Qt::ControlModifier) == 0) {
        by_keys_ = true;
        click_at(QRectF(rect()).center(), Qt::LeftButton, event->modifiers() & Qt::ShiftModifier);
        update();
    } else if (move_by_key(camera_, *event)) {
        by_keys_ = true;
    } else {
        QOpenGLWidget::keyPressEvent(event);
    }
}

void SceneView::focusInEvent(QFocusEvent* event) {
    by_keys_ = event->reason() == Qt::TabFocusReason || event->reason() == Qt::BacktabFocusReason ||
               event->reason() == Qt::ShortcutFocusReason;
    QOpenGLWidget::focusInEvent(event);
    update();
}

void SceneView::focusOutEvent(QFocusEvent* event) {
    by_keys_ = false;
    QOpenGLWidget::focusOutEvent(event);
    update();
}

void SceneView::mousePressEvent(QMouseEvent* event) {
    pressed_ = last_ = event->position();
    dragged_ = false;
    pressed_down_ = true;
    by_keys_ = false;
    dragging_ = nullptr;
    if (posed() == nullptr) {
        return;
    }
    const Projection p = projection();
    for (ViewTool* tool : tools()) {
        if (tool->press(frame(p), {event->position(), event->button(), event->modifiers()})) {
            dragging_ = tool;
            return;
        }
    }
}

void SceneView::mouseMoveEvent(QMouseEvent* event) {
    const QPointF by = event->position() - last_;
    last_ = event->position();
    dragged_ = dragged_ || (event->position() - pressed_).manhattanLength() >= QApplication::startDragDistance() / 2.0;
    const Projection p = projection();
    if (event->buttons() == Qt::NoButton) {
        std::optional<Qt::CursorShape> shape;
        for (const ViewTool* tool : tools()) {
            shape = shape || posed() == nullptr ? shape : tool->cursor(frame(p), event->position());
        }
        setCursor(shape.value_or(Qt::ArrowCursor));
        if (in_use_) {
            update(); // it may show what it would do here
        }
        return;
    }
    if (!dragged_) {
        return;
    }
    if (dragging_ != nullptr) {
        dragging_->drag(frame(p), event->position());
        update();
        return;
    }
    move_camera(by, event->buttons(), event->modifiers());
}

void SceneView::move_camera(const QPointF& by, Qt::MouseButtons buttons, Qt::KeyboardModifiers modifiers) {
    const bool slide = (buttons & (Qt::RightButton | Qt::MiddleButton)) != 0 || (modifiers & Qt::ShiftModifier) != 0;
    if (slide) {
        const double scale = camera_.distance * 0.57 / std::max(1, height());
        camera_.slide(-by.x() * scale, by.y() * scale);
    } else if ((buttons & Qt::LeftButton) != 0) {
        camera_.turn(-by.x() * 0.008, by.y() * 0.008);
    }
}

void SceneView::mouseReleaseEvent(QMouseEvent* event) {
    pressed_down_ = false;
    if (dragged_) {
        update(); // whole again
    }
    const Projection p = projection();
    if (ViewTool* tool = std::exchange(dragging_, nullptr)) {
        tool->release(frame(p), dragged_);
        update();
        return;
    }
    if (!dragged_) {
        click_at(event->position(), event->button(), event->modifiers());
    }
}

void SceneView::click_at(const QPointF& place, Qt::MouseButton button, Qt::KeyboardModifiers modifiers) {
    if (posed() == nullptr) {
        return;
    }
    const Projection p = projection();
    for (ViewTool* tool : tools()) {
        // What a click asks for may put another tool in use: this one lives until it is done.
        const bool was_in_use = tool == in_use_.get();
        std::unique_ptr<ViewTool> held = was_in_use ? std::move(in_use_) : nullptr;
        if (tool->click(frame(p), {place, button, modifiers})) {
            update();
            return;
        }
        if (was_in_use && !in_use_) {
            in_use_ = std::move(held);
        }
    }
}

void SceneView::mouseDoubleClickEvent(QMouseEvent*) {
    camera_.frame_all();
}

void SceneView::wheelEvent(QWheelEvent* event) {
    camera_.approach(std::pow(0.9, event->angleDelta().y() / 120.0));
}

} // namespace wembrix::app
