#include "view/scene_view.h"

#include "view/pick.h"
#include "view/scene_marks.h"

#include <QApplication>
#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>
#include <cmath>
#include <utility>

namespace wembrix::app {

SceneView::SceneView(State state, Camera& camera, Clock& clock, QWidget* parent)
    : QOpenGLWidget(parent), state_(state), camera_(camera), clock_(clock) {
    setMouseTracking(true);
    setFocusPolicy(Qt::ClickFocus);
    setToolTip(tr("Click a joint to choose it · drag to turn · right drag to slide · wheel to come nearer · "
                  "double-click to see all"));
    worker_.setMaxThreadCount(1);
    connect(&camera_, &Camera::moved, this, [this] { update(); });
    connect(&clock_, &Clock::moved, this, [this] {
        pose_new_ = true;
        update();
    });
    connect(&clock_, &Clock::clipChanged, this, &SceneView::choose_clip);
}

SceneView::~SceneView() {
    ++run_;
    ++ends_run_;
    worker_.waitForDone();
    makeCurrent();
    clay_.destroy();
    other_clay_.destroy();
    for (Clay& clay : ends_clay_) {
        clay.destroy();
    }
    programs_.clay.reset();
    programs_.ink.reset();
    doneCurrent();
}

void SceneView::show_scene(std::shared_ptr<const Scene> scene, const std::optional<SceneFacts>& facts, State state) {
    state_ = state;
    wanted_facts_ = facts;
    if (facts) {
        // Numbers beside the picture are never older than it.
        facts_ = *facts;
    }
    if (wanted_ == scene) {
        update();
        return;
    }
    wanted_ = std::move(scene);
    build();
}

void SceneView::show_other(const std::optional<Other>& other) {
    const bool same =
        other.has_value() == wanted_other_.has_value() &&
        (!other || (other->scene == wanted_other_->scene && other->as_difference == wanted_other_->as_difference &&
                    other->matching == wanted_other_->matching && other->moved == wanted_other_->moved));
    wanted_other_ = other;
    if (!same) {
        build();
    }
}

namespace {

/// The surfaces of a second scene that the pane's own has too: what was left behind would only hide it.
std::vector<int> shared_surfaces(const Scene& other, const Scene& own, Matching matching) {
    std::vector<int> both;
    for (const int surface : surfaces_of(other)) {
        const Node& node = other.nodes[surface];
        const int match = matching == Matching::identity ? own.find_identity(node.identity) : own.find_node(node.name);
        if (match >= 0 && own.nodes[match].mesh >= 0) {
            both.push_back(surface);
        }
    }
    return both;
}

} // namespace

void SceneView::build() {
    const uint64_t run = ++run_;
    if (!wanted_) {
        return;
    }
    Drawn kept;
    kept.posed = posed_ && posed_->shared_scene() == wanted_ ? posed_ : nullptr;
    kept.facts = wanted_facts_;
    kept.other = wanted_other_ && other_ && other_->shared_scene() == wanted_other_->scene ? other_ : nullptr;
    const std::shared_ptr<const Scene> other = wanted_other_ ? wanted_other_->scene : nullptr;
    const Matching matching = wanted_other_ ? wanted_other_->matching : Matching::identity;
    if (!kept.posed) {
        kept.other.reset(); // it was chosen for another scene
    }
    worker_.start([this, run, kept, scene = wanted_, other, matching]() mutable {
        if (run_ != run) {
            return;
        }
        if (!kept.posed) {
            kept.posed = std::make_shared<PosedScene>(scene);
        }
        if (other && !kept.other) {
            kept.other = std::make_shared<PosedScene>(other, shared_surfaces(*other, *scene, matching));
        }
        if (!kept.facts) {
            kept.facts = facts_of(*scene);
        }
        QMetaObject::invokeMethod(
            this, [this, run, kept] { adopt(run, kept); }, Qt::QueuedConnection);
    });
}

void SceneView::adopt(uint64_t run, const Drawn& drawn) {
    if (run_ != run) {
        return;
    }
    posed_ = drawn.posed;
    other_ = drawn.other;
    shown_other_ = wanted_other_;
    facts_ = *drawn.facts;
    difference_.reset();
    shape_new_ = true;
    choose_clip();
    if (other_ && shown_other_->as_difference) {
        posed_->pose_at(clock_.seconds());
        other_->pose_at(clock_.seconds());
        difference_ = std::make_unique<Difference>(*other_, *posed_, shown_other_->matching, shown_other_->moved);
    }
    Q_EMIT ready();
}

bool SceneView::is_ready() const {
    const bool own = wanted_ ? posed_ && posed_->shared_scene() == wanted_ : !posed_;
    const bool second = wanted_other_ ? other_ && other_->shared_scene() == wanted_other_->scene : !shown_other_;
    return own && second;
}

void SceneView::clear(const QString& why) {
    ++run_;
    wanted_.reset();
    wanted_other_.reset();
    shown_other_.reset();
    difference_.reset();
    posed_.reset();
    other_.reset();
    way_.reset();
    build_ends();
    empty_ = why;
    update();
}

void SceneView::set_shown(const Shown& shown) {
    shown_ = shown;
    update();
}

void SceneView::set_selection(Selection* selection) {
    selection_ = selection;
    if (selection != nullptr) {
        connect(selection, &Selection::changed, this, [this] { update(); });
    }
}

void SceneView::set_shared_height(double height_m) {
    shared_height_ = height_m;
    update();
}

void SceneView::show_way(std::shared_ptr<const Way> way) {
    if (way != way_) {
        way_ = std::move(way);
        update();
    }
}

void SceneView::set_round_on(const Mat4& on) {
    round_on_ = on;
}

Mat4 SceneView::gone_on() const {
    Mat4 gone = Mat4::Identity();
    // After so many rounds it begins again where it began: nothing is without end.
    for (int round = 0; round < clock_.round() % 50; ++round) {
        gone = round_on_ * gone;
    }
    return gone;
}

void SceneView::show_ends(bool shown) {
    if (shown != ends_wanted_) {
        ends_wanted_ = shown;
        build_ends();
    }
}

void SceneView::build_ends() {
    const uint64_t run = ++ends_run_;
    ends_.reset();
    update();
    if (!ends_wanted_ || !posed_ || clock_.clip().isEmpty()) {
        return;
    }
    worker_.start(
        [this, run, scene = posed_->shared_scene(), clip = clock_.clip().toStdString(), height = facts_.height_m] {
            if (ends_run_ != run) {
                return;
            }
            QMetaObject::invokeMethod(
                this,
                [this, run, ends = pose_ends(scene, clip, height)] {
                    if (ends_run_ == run) {
                        ends_ = ends;
                        ends_new_ = true;
                        update();
                    }
                },
                Qt::QueuedConnection);
        });
}

void SceneView::choose_clip() {
    if (posed_) {
        choose_clip_of(*posed_);
    }
    if (other_) {
        choose_clip_of(*other_);
    }
    build_ends();
    pose_new_ = true;
    update();
}

void SceneView::choose_clip_of(PosedScene& posed) const {
    const std::string name = clock_.clip().toStdString();
    const Clip* clip = posed.scene().find_clip(name);
    double start = 0;
    if (clip == nullptr && !name.empty()) {
        // A scene from before the cuts shows the take at the same moment.
        const QVariant take = clock_.property("take");
        for (const Clip& candidate : posed.scene().clips) {
            if (take.isValid() && candidate.take == take.toLongLong()) {
                clip = &candidate;
                start = clock_.property("start_s").toDouble() - candidate.start_s;
            }
        }
    }
    posed.choose(clip, start);
    if (!name.empty() || clock_.still() == Clock::Still::rest) {
        return;
    }
    const Scene& scene = posed.scene();
    if (clock_.still() == Clock::Still::bind) {
        posed.choose_pose(bind_pose(scene));
    } else if (&posed != posed_.get() || state_ != State::received) {
        // A stored pose speaks of the joints of Prepared: in what was received they stand otherwise.
        std::vector<Transform> locals;
        for (const Node& node : scene.nodes) {
            const auto stored = clock_.stored_pose().find(node.name);
            locals.push_back(stored == clock_.stored_pose().end() ? node.rest : stored->second);
        }
        posed.choose_pose(std::move(locals));
    }
}

void SceneView::initializeGL() {
    initializeOpenGLFunctions();
    programs_.make();
    clay_.make(*this);
    other_clay_.make(*this);
    for (Clay& clay : ends_clay_) {
        clay.make(*this);
    }
    ends_new_ = true;
    shape_new_ = true;
}

void SceneView::bring_up_to_date() {
    if (shape_new_) {
        clay_.put_shape(*this, *posed_);
        if (other_) {
            other_clay_.put_shape(*this, *other_);
        }
        pose_new_ = true;
    }
    if (pose_new_) {
        // Two states over each other stay at the same place.
        posed_->pose_at(clock_.seconds(), other_ ? Mat4(Mat4::Identity()) : gone_on());
        clay_.put_pose(*this, *posed_);
        if (other_) {
            other_->pose_at(clock_.seconds());
            other_clay_.put_pose(*this, *other_);
        }
        if (difference_) {
            difference_->update();
            const std::vector<float>& apart = difference_->millimetres();
            difference_colours_.resize(apart.size());
            for (size_t i = 0; i < apart.size(); ++i) {
                difference_colours_[i] = difference_colour(apart[i], difference_->largest_ever());
            }
            clay_.put_colours(*this, difference_colours_);
        }
    }
    shape_new_ = false;
    pose_new_ = false;
}

Projection SceneView::projection() const {
    Projection p;
    const double own = facts_.height_m > 1e-9 ? facts_.height_m : 1;
    p.unit = shared_height_ > 0 ? shared_height_ : own;
    p.middle = Vec3(facts_.centre.x(), facts_.ground, facts_.centre.z());
    if (posed_) {
        p.middle += posed_->travelled();
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

QPointF SceneView::place_of(int node) const {
    return posed_ ? projection().on_screen(point_of(posed_->pose().world[node], Vec3::Zero())) : QPointF();
}

void SceneView::frame_selection() {
    const std::vector<int> nodes =
        posed_ && selection_ != nullptr ? selection_->nodes_in(posed_->scene()) : std::vector<int>();
    if (nodes.empty()) {
        camera_.frame_all();
        return;
    }
    Vec3 low = Vec3::Constant(1e300);
    Vec3 high = Vec3::Constant(-1e300);
    const auto add = [&](int node) {
        const Vec3 at = point_of(posed_->pose().world[node], Vec3::Zero());
        low = low.cwiseMin(at);
        high = high.cwiseMax(at);
    };
    const Scene& scene = posed_->scene();
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

QImage SceneView::layer() const {
    QImage image(size() * devicePixelRatioF(), QImage::Format_ARGB32_Premultiplied);
    image.setDevicePixelRatio(devicePixelRatioF());
    image.fill(Qt::transparent);
    return image;
}

void SceneView::paint_back(const Projection& p) {
    // It changes with the camera and the place only: most frames of a clip take it as it is.
    if (back_.size() == size() * devicePixelRatioF() && back_matrix_ == p.matrix && back_tools_ == shown_.tools) {
        return;
    }
    back_ = layer();
    back_matrix_ = p.matrix;
    back_tools_ = shown_.tools;
    QPainter painter(&back_);
    painter.setRenderHint(QPainter::Antialiasing);
    QLinearGradient sky(0, 0, 0, height());
    sky.setColorAt(0, look().sky_top);
    sky.setColorAt(1, look().sky_bottom);
    painter.fillRect(rect(), sky);
    painter.setFont(font());
    draw_ground(painter, p);
    if (shown_.tools) {
        draw_figure(painter, p);
    }
}

void SceneView::paintGL() {
    const Look& l = look();
    QPainter painter(this);
    if (!posed_) {
        QLinearGradient sky(0, 0, 0, height());
        sky.setColorAt(0, l.sky_top);
        sky.setColorAt(1, l.sky_bottom);
        painter.fillRect(rect(), sky);
        painter.setPen(l.soft);
        painter.drawText(rect().adjusted(16, 16, -16, -16), Qt::AlignCenter | Qt::TextWordWrap, empty_);
        return;
    }
    painter.beginNativePainting();
    bring_up_to_date();
    painter.endNativePainting();
    const Projection p = projection();
    // Hundreds of thin lines are quicker painted into a picture than drawn one by one.
    paint_back(p);
    painter.drawImage(QPointF(0, 0), back_);
    if (way_) {
        painter.setRenderHint(QPainter::Antialiasing);
        draw_way(painter, p, *way_, clock_.seconds());
    }
    if (shown_.surfaces) {
        painter.beginNativePainting();
        draw_surfaces(p);
        if (ends_) {
            draw_ends(p);
        }
        painter.endNativePainting();
    }
    QImage front = layer();
    {
        QPainter over(&front);
        over.setRenderHint(QPainter::Antialiasing);
        over.setFont(font());
        if (shown_.joints) {
            draw_joints(over, p, *posed_, selection_, shown_.names);
            draw_points(over, p, *posed_, selection_);
        }
        if (shown_.tools && facts_.height_m > 0) {
            draw_rod(over, p, rod_m_ > 0 ? rod_m_ : facts_.height_m,
                     rod_m_ > 0        ? l.selection
                     : facts_.odd_size ? l.stop
                                       : l.of(state_));
        }
        if (difference_) {
            draw_difference_scale(over, p, difference_->largest(), difference_->largest_ever());
        }
        draw_labels(over, p);
    }
    painter.drawImage(QPointF(0, 0), front);
}

namespace {
QMatrix4x4 for_graphics(const Mat4& from) {
    QMatrix4x4 to;
    for (int r = 0; r < 4; ++r) {
        for (int c = 0; c < 4; ++c) {
            to(r, c) = static_cast<float>(from(r, c));
        }
    }
    return to;
}
} // namespace

void SceneView::draw_surfaces(const Projection& p) {
    const Look& l = look();
    // Smooth edges, but not while so much moves that frames would be lost for them.
    constexpr size_t many = 450000;
    constexpr GLenum multisample = 0x809D; // not in OpenGL ES, whose header Qt follows
    if (!clock_.is_playing() || posed_->triangles().size() < many) {
        glEnable(multisample);
    } else {
        glDisable(multisample);
    }
    ClayPaint paint;
    paint.tint = l.arrived;
    paint.tinted = state_ == State::arrived && !difference_ ? 0.22F : 0.0F;
    paint.clayed = difference_ ? 0.0F : 1.0F;
    clay_.draw(*this, programs_, p, QMatrix4x4(), paint);
    if (other_ && !difference_) {
        ClayPaint over;
        over.tint = l.of(shown_other_->state);
        over.tinted = 0.85F;
        over.opacity = 0.42F;
        other_clay_.draw(*this, programs_, p, for_graphics(shown_other_->moved), over);
    }
}

void SceneView::draw_ends(const Projection& p) {
    const PosedScene* scenes[] = {ends_->first.get(), ends_->last.get()};
    for (size_t i = 0; i < 2; ++i) {
        if (ends_new_) {
            ends_clay_[i].put_shape(*this, *scenes[i]);
            ends_clay_[i].put_pose(*this, *scenes[i]);
        }
        ClayPaint over;
        over.tint = i == 0 ? look().note : look().look;
        over.tinted = 0.85F;
        over.opacity = 0.42F;
        ends_clay_[i].draw(*this, programs_, p, i == 0 ? QMatrix4x4() : for_graphics(ends_->set_down), over);
    }
    ends_new_ = false;
}

void SceneView::draw_labels(QPainter& painter, const Projection& p) const {
    QFont small = painter.font();
    small.setPixelSize(10);
    painter.setFont(small);
    painter.setPen(look().soft);
    const QRectF foot(8, height() - 18, width() - 16, 14);
    if (is_asking()) {
        const QRectF line(8, 8, width() - 16, 18);
        painter.fillRect(line, look().card);
        painter.setPen(look().accent);
        painter.drawText(line, Qt::AlignCenter, asked_);
        painter.setPen(look().soft);
    }
    if (ends_) {
        painter.setPen(look().note);
        painter.drawText(foot.translated(0, -30), Qt::AlignLeft | Qt::AlignVCenter, tr("first pose"));
        painter.setPen(look().look);
        painter.drawText(foot.translated(0, -16), Qt::AlignLeft | Qt::AlignVCenter,
                         ends_->is_set_down ? tr("last pose, set down on the first") : tr("last pose"));
        painter.setPen(look().soft);
    }
    painter.drawText(foot, Qt::AlignLeft | Qt::AlignVCenter, tr("grid %1 m").arg(grid_gap(p.unit), 0, 'g', 4));
    if (shown_.tools && p.unit > 40) {
        painter.setPen(look().stop);
        painter.drawText(foot.translated(0, -16), Qt::AlignLeft | Qt::AlignVCenter,
                         tr("a 1.75 m person is a dot here"));
    }
    if (difference_ && !difference_->compares_anything()) {
        painter.setPen(look().look);
        painter.drawText(foot.translated(0, -60), Qt::AlignLeft | Qt::AlignVCenter,
                         tr("no surface has the same points in both"));
    }
}

void SceneView::ask_for_place(const QString& words) {
    asked_ = words;
    setCursor(words.isEmpty() ? Qt::ArrowCursor : Qt::CrossCursor);
    setFocus();
    update();
}

void SceneView::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape && is_asking()) {
        ask_for_place({});
        return;
    }
    QOpenGLWidget::keyPressEvent(event);
}

void SceneView::mousePressEvent(QMouseEvent* event) {
    pressed_ = last_ = event->position();
    dragged_ = false;
    rod_m_ = event->button() == Qt::LeftButton && on_rod(event->position()) ? facts_.height_m : 0;
}

QLineF SceneView::rod() const {
    return rod_of(projection(), facts_.height_m);
}

bool SceneView::on_rod(const QPointF& place) const {
    return posed_ && shown_.tools && state_ == State::prepared && facts_.height_m > 0 &&
           QLineF(place, rod().p2()).length() < 12;
}

void SceneView::drag_rod(const QPointF& place) {
    const QLineF now = rod();
    const double pixels = now.p1().y() - now.p2().y();
    if (pixels > 8) {
        const double height = facts_.height_m * std::max(0.02, (now.p1().y() - place.y()) / pixels);
        // To the centimetre for what is about as large as a person, else to three figures.
        const double step = std::pow(10.0, std::floor(std::log10(height)) - 2);
        rod_m_ = std::round(height / step) * step;
        setToolTip(tr("%1 m tall").arg(rod_m_));
        update();
    }
}

void SceneView::mouseMoveEvent(QMouseEvent* event) {
    const QPointF by = event->position() - last_;
    last_ = event->position();
    dragged_ = dragged_ || (event->position() - pressed_).manhattanLength() >= QApplication::startDragDistance() / 2.0;
    if (event->buttons() == Qt::NoButton) {
        setCursor(is_asking() ? Qt::CrossCursor : on_rod(event->position()) ? Qt::SizeVerCursor : Qt::ArrowCursor);
    }
    if (!dragged_ || event->buttons() == Qt::NoButton) {
        return;
    }
    if (rod_m_ > 0) {
        drag_rod(event->position());
        return;
    }
    const bool slide =
        (event->buttons() & (Qt::RightButton | Qt::MiddleButton)) != 0 || (event->modifiers() & Qt::ShiftModifier) != 0;
    if (slide) {
        const double scale = camera_.distance * 0.57 / std::max(1, height());
        camera_.slide(-by.x() * scale, by.y() * scale);
    } else if ((event->buttons() & Qt::LeftButton) != 0) {
        camera_.turn(-by.x() * 0.008, by.y() * 0.008);
    }
}

void SceneView::mouseReleaseEvent(QMouseEvent* event) {
    if (const double height = std::exchange(rod_m_, 0); height > 0) {
        update();
        if (dragged_ && std::abs(height / facts_.height_m - 1) > 1e-6) {
            Q_EMIT heightAsked(height);
        }
        return;
    }
    if (!dragged_ && event->button() == Qt::LeftButton && is_asking()) {
        ask_for_place({});
        if (posed_) {
            if (const std::optional<Vec3> at = surface_at(projection(), *posed_, event->position())) {
                Q_EMIT placePicked(at->x(), at->y(), at->z());
            }
        }
        return;
    }
    if (dragged_ || event->button() != Qt::LeftButton || selection_ == nullptr || !posed_ || !shown_.joints) {
        return;
    }
    constexpr double reach = 9;
    const int node = joint_at(joint_marks(projection(), *posed_), event->position(), reach);
    const int64_t identity = node < 0 ? 0 : posed_->scene().nodes[node].identity;
    if ((event->modifiers() & (Qt::ControlModifier | Qt::ShiftModifier)) != 0) {
        selection_->toggle(identity);
    } else {
        selection_->choose(identity);
    }
}

void SceneView::mouseDoubleClickEvent(QMouseEvent*) {
    camera_.frame_all();
}

void SceneView::wheelEvent(QWheelEvent* event) {
    camera_.approach(std::pow(0.9, event->angleDelta().y() / 120.0));
}

} // namespace wembrix::app
