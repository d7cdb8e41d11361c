#include "view/scene_view.h"

#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QWheelEvent>
#include <cmath>

namespace wembrix::app {

namespace {

constexpr const char* clay_vertex = R"(#version 330 core
layout(location = 0) in vec3 place;
layout(location = 1) in vec3 normal;
layout(location = 2) in vec3 colour;
uniform mat4 view;
out vec3 turned;
out vec3 paint;
out vec3 world;
void main() {
    world = place;
    turned = normal;
    paint = colour;
    gl_Position = view * vec4(place, 1.0);
})";

constexpr const char* clay_fragment = R"(#version 330 core
in vec3 turned;
in vec3 paint;
in vec3 world;
uniform vec3 eye;
uniform vec3 key;
uniform vec3 clay;
uniform vec3 edge;
uniform vec3 tint;
uniform float tinted;
out vec4 shown;
void main() {
    vec3 n = normalize(length(turned) > 0.0 ? turned : cross(dFdx(world), dFdy(world)));
    vec3 to_eye = normalize(eye - world);
    n = dot(n, to_eye) < 0.0 ? -n : n;
    float wrap = clamp((dot(n, key) + 0.35) / 1.35, 0.0, 1.0);
    float sky = 0.5 + 0.5 * n.y;
    vec3 base = mix(clay, paint, 0.78);
    base = mix(base, tint, tinted);
    vec3 lit = base * (0.34 + 0.22 * sky + 0.58 * wrap);
    float facing = dot(n, to_eye);
    float rim = smoothstep(0.0, 0.34, facing);
    shown = vec4(mix(mix(edge, lit, 0.35), lit, rim), 1.0);
})";

// The ink edge: the back of the surface, grown by some pixels.
constexpr const char* ink_vertex = R"(#version 330 core
layout(location = 0) in vec3 place;
layout(location = 1) in vec3 normal;
uniform mat4 view;
uniform vec2 grow;
void main() {
    vec4 at = view * vec4(place, 1.0);
    vec4 out_there = view * vec4(place + normal * 0.001, 1.0);
    vec2 outward = out_there.xy / out_there.w - at.xy / at.w;
    float size = length(outward);
    if (size > 0.0) at.xy += outward / size * grow * at.w;
    gl_Position = at;
})";

constexpr const char* ink_fragment = R"(#version 330 core
uniform vec3 edge;
out vec4 shown;
void main() { shown = vec4(edge, 1.0); })";

QVector3D three(const QColor& colour) {
    return {static_cast<float>(colour.redF()), static_cast<float>(colour.greenF()), static_cast<float>(colour.blueF())};
}

/// One line a metre; where that is too fine to see, one every ten, a hundred, and so on.
double grid_gap(double unit) {
    double gap = 1;
    while (gap < unit * 0.2) {
        gap *= 10;
    }
    return gap;
}

std::unique_ptr<QOpenGLShaderProgram> program(const char* vertex, const char* fragment) {
    auto made = std::make_unique<QOpenGLShaderProgram>();
    made->addShaderFromSourceCode(QOpenGLShader::Vertex, vertex);
    made->addShaderFromSourceCode(QOpenGLShader::Fragment, fragment);
    made->link();
    return made;
}

} // namespace

SceneView::SceneView(State state, Camera& camera, Clock& clock, QWidget* parent)
    : QOpenGLWidget(parent), state_(state), camera_(camera), clock_(clock) {
    setFocusPolicy(Qt::ClickFocus);
    setToolTip(tr("Drag to turn · right drag to slide · wheel to come nearer · double-click to see all"));
    connect(&camera_, &Camera::moved, this, [this] { update(); });
    connect(&clock_, &Clock::moved, this, [this] {
        pose_new_ = true;
        update();
    });
    connect(&clock_, &Clock::clipChanged, this, &SceneView::choose_clip);
}

SceneView::~SceneView() {
    makeCurrent();
    array_.destroy();
    points_.destroy();
    normals_.destroy();
    colours_.destroy();
    triangles_.destroy();
    clay_.reset();
    ink_.reset();
    doneCurrent();
}

void SceneView::show_scene(std::shared_ptr<const Scene> scene, const SceneFacts& facts) {
    facts_ = facts;
    if (posed_ && &posed_->scene() == scene.get()) {
        update();
        return;
    }
    posed_ = std::make_unique<PosedScene>(std::move(scene));
    shape_new_ = true;
    choose_clip();
}

void SceneView::clear(const QString& why) {
    posed_.reset();
    empty_ = why;
    update();
}

void SceneView::set_joints_shown(bool shown) {
    joints_shown_ = shown;
    update();
}

void SceneView::set_tools_shown(bool shown) {
    tools_shown_ = shown;
    update();
}

void SceneView::set_shared_height(double height_m) {
    shared_height_ = height_m;
    update();
}

void SceneView::choose_clip() {
    if (!posed_) {
        return;
    }
    const std::string name = clock_.clip().toStdString();
    const Clip* clip = posed_->scene().find_clip(name);
    double start = 0;
    if (clip == nullptr && !name.empty()) {
        // A scene from before the cuts shows the take at the same moment.
        const QVariant take = clock_.property("take");
        for (const Clip& candidate : posed_->scene().clips) {
            if (take.isValid() && candidate.take == take.toLongLong()) {
                clip = &candidate;
                start = clock_.property("start_s").toDouble() - candidate.start_s;
            }
        }
    }
    posed_->choose(clip, start);
    pose_new_ = true;
    update();
}

void SceneView::initializeGL() {
    initializeOpenGLFunctions();
    clay_ = program(clay_vertex, clay_fragment);
    ink_ = program(ink_vertex, ink_fragment);
    array_.create();
    points_.create();
    normals_.create();
    colours_.create();
    triangles_.create();
    shape_new_ = true;
}

void SceneView::upload_shape() {
    array_.bind();
    const auto fill = [this](QOpenGLBuffer& buffer, const std::vector<Vec3f>& values, GLuint place,
                             QOpenGLBuffer::UsagePattern usage) {
        buffer.bind();
        buffer.setUsagePattern(usage);
        buffer.allocate(values.data(), static_cast<int>(values.size() * sizeof(Vec3f)));
        glEnableVertexAttribArray(place);
        glVertexAttribPointer(place, 3, GL_FLOAT, GL_FALSE, sizeof(Vec3f), nullptr);
    };
    if (shape_new_) {
        fill(colours_, posed_->colours(), 2, QOpenGLBuffer::StaticDraw);
        triangles_.bind();
        triangles_.allocate(posed_->triangles().data(),
                            static_cast<int>(posed_->triangles().size() * sizeof(uint32_t)));
        pose_new_ = true;
    }
    if (pose_new_) {
        posed_->pose_at(clock_.seconds());
        fill(points_, posed_->points(), 0, QOpenGLBuffer::StreamDraw);
        fill(normals_, posed_->normals(), 1, QOpenGLBuffer::StreamDraw);
    }
    shape_new_ = false;
    pose_new_ = false;
    array_.release();
}

SceneView::Projection SceneView::projection() const {
    Projection p;
    const double own = facts_.height_m > 1e-9 ? facts_.height_m : 1;
    p.unit = shared_height_ > 0 ? shared_height_ : own;
    p.middle = Vec3(facts_.centre.x(), facts_.ground, facts_.centre.z());
    if (posed_) {
        p.middle += posed_->travelled();
    }
    const Vec3 target = p.middle + camera_.target * p.unit;
    p.eye = target + camera_.away() * camera_.distance * p.unit;
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

QPointF SceneView::on_screen(const Projection& p, const Vec3& place, bool* visible) const {
    const QVector4D at = p.matrix * QVector4D(static_cast<float>(place.x()), static_cast<float>(place.y()),
                                              static_cast<float>(place.z()), 1);
    if (visible != nullptr) {
        *visible = at.w() > 0;
    }
    const double w = at.w() != 0 ? at.w() : 1e-9;
    return {(at.x() / w * 0.5 + 0.5) * width(), (0.5 - at.y() / w * 0.5) * height()};
}

void SceneView::paintGL() {
    const Look& l = look();
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    QLinearGradient sky(0, 0, 0, height());
    sky.setColorAt(0, l.sky_top);
    sky.setColorAt(1, l.sky_bottom);
    painter.fillRect(rect(), sky);
    if (!posed_) {
        painter.setPen(l.soft);
        painter.drawText(rect().adjusted(16, 16, -16, -16), Qt::AlignCenter | Qt::TextWordWrap, empty_);
        return;
    }
    painter.beginNativePainting();
    upload_shape();
    painter.endNativePainting();
    const Projection p = projection();
    draw_ground(painter, p);
    if (tools_shown_) {
        draw_figure(painter, p);
    }
    painter.beginNativePainting();
    draw_surfaces(p);
    painter.endNativePainting();
    if (joints_shown_) {
        draw_joints(painter, p);
    }
    if (tools_shown_) {
        draw_rod(painter, p);
    }
    draw_labels(painter, p);
}

void SceneView::draw_surfaces(const Projection& p) {
    const Look& l = look();
    glEnable(GL_DEPTH_TEST);
    glDepthMask(GL_TRUE);
    glClear(GL_DEPTH_BUFFER_BIT);
    glDisable(GL_BLEND);
    array_.bind();
    triangles_.bind();
    const auto count = static_cast<GLsizei>(posed_->triangles().size());
    ink_->bind();
    ink_->setUniformValue("view", p.matrix);
    ink_->setUniformValue("edge", three(l.dark ? l.sky_top.darker(160) : l.edge));
    const auto pixels = static_cast<float>(2 * std::clamp(height() / 480.0, 0.55, 1.2));
    ink_->setUniformValue("grow", QVector2D(pixels / static_cast<float>(std::max(1, width())),
                                            pixels / static_cast<float>(std::max(1, height()))));
    glEnable(GL_CULL_FACE);
    glCullFace(GL_FRONT);
    glDrawElements(GL_TRIANGLES, count, GL_UNSIGNED_INT, nullptr);
    glDisable(GL_CULL_FACE);
    clay_->bind();
    clay_->setUniformValue("view", p.matrix);
    clay_->setUniformValue(
        "eye", QVector3D(static_cast<float>(p.eye.x()), static_cast<float>(p.eye.y()), static_cast<float>(p.eye.z())));
    // The lamp stands over the viewer's left shoulder, so that no side of the character is ever dark.
    const Vec3 aside = Vec3::UnitY().cross(camera_.away()).normalized();
    const Vec3 key = (camera_.away() * 0.8 + Vec3::UnitY() * 0.75 - aside * 0.55).normalized();
    clay_->setUniformValue(
        "key", QVector3D(static_cast<float>(key.x()), static_cast<float>(key.y()), static_cast<float>(key.z())));
    clay_->setUniformValue("clay", three(l.clay));
    clay_->setUniformValue("edge", three(l.edge));
    clay_->setUniformValue("tint", three(l.arrived));
    clay_->setUniformValue("tinted", state_ == State::arrived ? 0.22F : 0.0F);
    glDrawElements(GL_TRIANGLES, count, GL_UNSIGNED_INT, nullptr);
    clay_->release();
    array_.release();
    glDisable(GL_DEPTH_TEST);
    // What is painted over the picture must not be held back by it.
    glClear(GL_DEPTH_BUFFER_BIT);
}

void SceneView::draw_ground(QPainter& painter, const Projection& p) const {
    const double gap = grid_gap(p.unit);
    const int lines = 8;
    const double x0 = std::round(p.middle.x() / gap) * gap;
    const double z0 = std::round(p.middle.z() / gap) * gap;
    QColor colour = look().grid;
    for (int k = -lines; k <= lines; ++k) {
        for (const bool along : {true, false}) {
            for (int piece = -lines; piece < lines; ++piece) {
                const double fade = std::max(0.0, 1 - std::hypot(k, piece + 0.5) / lines);
                const Vec3 a(along ? x0 + k * gap : x0 + piece * gap, 0, along ? z0 + piece * gap : z0 + k * gap);
                const Vec3 b = a + (along ? Vec3(0, 0, gap) : Vec3(gap, 0, 0));
                bool ahead_a = false;
                bool ahead_b = false;
                const QPointF from = on_screen(p, a, &ahead_a);
                const QPointF to = on_screen(p, b, &ahead_b);
                if (ahead_a && ahead_b && fade > 0) {
                    colour.setAlphaF(static_cast<float>(0.75 * fade));
                    painter.setPen(QPen(colour, 1));
                    painter.drawLine(from, to);
                }
            }
        }
    }
}

void SceneView::draw_figure(QPainter& painter, const Projection& p) const {
    // A person of 1.75 m beside the character, turned to the camera.
    constexpr double tall = 1.75;
    const Vec3 aside = Vec3::UnitY().cross(camera_.away()).normalized();
    const Vec3 place = p.middle - aside * (0.46 * p.unit) -
                       Vec3(camera_.away().x(), 0, camera_.away().z()).normalized() * (0.8 * p.unit);
    const auto at = [&](double x, double y) { return on_screen(p, place + aside * (x * tall) + Vec3(0, y * tall, 0)); };
    QColor colour = look().soft;
    colour.setAlpha(170);
    const double pixels = std::hypot(at(0, 1).x() - at(0, 0).x(), at(0, 1).y() - at(0, 0).y());
    QFont small = painter.font();
    small.setPixelSize(10);
    painter.setFont(small);
    if (pixels < 14) {
        painter.setPen(QPen(look().stop, 2));
        painter.drawLine(at(0, 0), at(0, 1));
        return;
    }
    painter.setPen(QPen(colour, 1.2, Qt::DashLine));
    painter.setBrush(Qt::NoBrush);
    const QPointF head = at(0, 0.93);
    const double r = std::abs(at(0, 1).y() - at(0, 0.86).y()) / 2;
    painter.drawEllipse(head, r, r);
    QPainterPath body;
    const std::vector<std::pair<double, double>> outline = {{0.035, 0.85}, {0.045, 0.825}, {0.125, 0.80}, {0.145, 0.76},
                                                            {0.150, 0.62}, {0.155, 0.46},  {0.125, 0.45}, {0.110, 0.60},
                                                            {0.098, 0.70}, {0.090, 0.58},  {0.100, 0.48}, {0.090, 0.25},
                                                            {0.080, 0.0},  {0.030, 0.0},   {0.022, 0.25}, {0.0, 0.45}};
    body.moveTo(at(outline.front().first, outline.front().second));
    for (const auto& [x, y] : outline) {
        body.lineTo(at(x, y));
    }
    for (auto point = outline.rbegin(); point != outline.rend(); ++point) {
        body.lineTo(at(-point->first, point->second));
    }
    painter.drawPath(body);
    painter.setPen(look().soft);
    const QPointF above = at(0, 1.0);
    painter.drawText(QRectF(above.x() - 40, above.y() - 16, 80, 14), Qt::AlignCenter, tr("1.75 m"));
}

void SceneView::draw_labels(QPainter& painter, const Projection& p) const {
    QFont small = painter.font();
    small.setPixelSize(10);
    painter.setFont(small);
    painter.setPen(look().soft);
    painter.drawText(QRectF(8, height() - 18, width() - 16, 14), Qt::AlignLeft | Qt::AlignVCenter,
                     tr("grid %1 m").arg(grid_gap(p.unit), 0, 'g', 4));
    if (tools_shown_ && p.unit > 40) {
        painter.setPen(look().stop);
        painter.drawText(QRectF(8, height() - 34, width() - 16, 14), Qt::AlignLeft | Qt::AlignVCenter,
                         tr("a 1.75 m person is a dot here"));
    }
}

void SceneView::draw_rod(QPainter& painter, const Projection& p) const {
    if (facts_.height_m <= 0) {
        return;
    }
    const QColor colour = facts_.odd_size ? look().stop : look().of(state_);
    const Vec3 aside = Vec3::UnitY().cross(camera_.away()).normalized();
    const Vec3 foot = p.middle + aside * (0.42 * p.unit);
    const QPointF low = on_screen(p, foot);
    const QPointF high = on_screen(p, foot + Vec3(0, facts_.height_m, 0));
    painter.setPen(QPen(colour, 1.4));
    painter.drawLine(low, high);
    painter.drawLine(low + QPointF(-5, 0), low + QPointF(5, 0));
    painter.drawLine(high + QPointF(-5, 0), high + QPointF(5, 0));
    double mark = 0.1;
    while (mark < facts_.height_m / 20) {
        mark *= 10;
    }
    for (double y = mark; y < facts_.height_m - mark / 4; y += mark) {
        const QPointF at = on_screen(p, foot + Vec3(0, y, 0));
        const bool long_one = std::abs(std::remainder(y, mark * 5)) < mark / 100;
        painter.drawLine(at, at + QPointF(long_one ? 5 : 3, 0));
    }
    QFont bold = painter.font();
    bold.setPixelSize(12);
    bold.setWeight(QFont::DemiBold);
    painter.setFont(bold);
    const QString label =
        tr("%1 m").arg(facts_.height_m, 0, facts_.height_m < 10 ? 'f' : 'g', facts_.height_m < 10 ? 2 : 4);
    const double x = std::clamp(high.x() - 40, 0.0, std::max(0.0, width() - 80.0));
    painter.drawText(QRectF(x, high.y() - 20, 80, 16), Qt::AlignCenter, label);
}

void SceneView::draw_joints(QPainter& painter, const Projection& p) const {
    const Scene& scene = posed_->scene();
    const Look& l = look();
    std::vector<Side> sides(scene.nodes.size(), Side::middle);
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        const Node& node = scene.nodes[i];
        sides[i] = side_of(node.name);
        if (sides[i] == Side::middle && node.parent >= 0) {
            sides[i] = sides[node.parent];
        }
    }
    const auto colour_of = [&](Side side) {
        return side == Side::left ? l.left_side : side == Side::right ? l.right_side : l.ink;
    };
    std::vector<QPointF> at(scene.nodes.size());
    std::vector<char> ahead(scene.nodes.size(), 0);
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        bool visible = false;
        at[i] = on_screen(p, point_of(posed_->pose().world[i], Vec3::Zero()), &visible);
        ahead[i] = visible ? 1 : 0;
    }
    // Reeds: wide at the parent, a point at the child.
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        const Node& node = scene.nodes[i];
        if (node.kind != NodeKind::joint || node.parent < 0 || scene.nodes[node.parent].kind != NodeKind::joint ||
            ahead[i] == 0 || ahead[node.parent] == 0) {
            continue;
        }
        const QPointF from = at[node.parent];
        const QPointF line = at[i] - from;
        const double length = std::hypot(line.x(), line.y());
        if (length < 1) {
            continue;
        }
        const QPointF side(-line.y() / length, line.x() / length);
        const double wide = std::min(2.2, length * 0.12);
        QColor colour = colour_of(sides[i]);
        colour.setAlpha(205);
        painter.setPen(Qt::NoPen);
        painter.setBrush(colour);
        const QPointF reed[] = {from + side * wide, at[i], from - side * wide};
        painter.drawPolygon(reed, 3);
    }
    const double size = std::clamp(height() / 220.0, 1.5, 2.8);
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        if (scene.nodes[i].kind == NodeKind::joint && ahead[i] != 0) {
            painter.setPen(QPen(colour_of(sides[i]), 1.1));
            painter.setBrush(l.card);
            painter.drawEllipse(at[i], size, size);
        }
    }
}

void SceneView::mousePressEvent(QMouseEvent* event) {
    last_ = event->position();
}

void SceneView::mouseMoveEvent(QMouseEvent* event) {
    const QPointF by = event->position() - last_;
    last_ = event->position();
    const bool slide =
        (event->buttons() & (Qt::RightButton | Qt::MiddleButton)) != 0 || (event->modifiers() & Qt::ShiftModifier) != 0;
    if (slide) {
        const double scale = camera_.distance * 0.57 / std::max(1, height());
        camera_.slide(-by.x() * scale, by.y() * scale);
    } else if ((event->buttons() & Qt::LeftButton) != 0) {
        camera_.turn(-by.x() * 0.008, by.y() * 0.008);
    }
}

void SceneView::mouseDoubleClickEvent(QMouseEvent*) {
    camera_.frame_all();
}

void SceneView::wheelEvent(QWheelEvent* event) {
    camera_.approach(std::pow(0.9, event->angleDelta().y() / 120.0));
}

} // namespace wembrix::app
