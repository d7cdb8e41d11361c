#include "view/layers/strand_layer.h"

#include "core/measure/strands/strand_facts.h"
#include "style/theme.h"

namespace wembrix::app {

namespace {

constexpr const char* strand_vertex = R"(#version 330 core
layout(location = 0) in vec3 place;
layout(location = 1) in float along;
uniform mat4 view;
out float part;
out float far;
void main() {
    part = along;
    gl_Position = view * vec4(place, 1.0);
    far = gl_Position.w;
})";

// Dark at the root, lighter towards the tip and farther away.
constexpr const char* strand_fragment = R"(#version 330 core
in float part;
in float far;
uniform vec3 root;
uniform vec3 tip;
uniform vec3 away;
uniform float near_at;
uniform float depth;
out vec4 shown;
void main() {
    vec3 own = mix(root, tip, 0.65 * part);
    shown = vec4(mix(own, away, 0.5 * clamp((far - near_at) / depth, 0.0, 1.0)), 1.0);
})";

QVector3D three(const QColor& colour) {
    return {static_cast<float>(colour.redF()), static_cast<float>(colour.greenF()), static_cast<float>(colour.blueF())};
}

} // namespace

void StrandLayer::make(QOpenGLExtraFunctions&) {
    program_ = std::make_unique<QOpenGLShaderProgram>();
    program_->addShaderFromSourceCode(QOpenGLShader::Vertex, strand_vertex);
    program_->addShaderFromSourceCode(QOpenGLShader::Fragment, strand_fragment);
    program_->link();
    array_.create();
    places_.create();
    along_.create();
    lines_.create();
    shape_new_ = true;
}

void StrandLayer::destroy() {
    program_.reset();
    array_.destroy();
    places_.destroy();
    along_.destroy();
    lines_.destroy();
}

void StrandLayer::put_shape(QOpenGLExtraFunctions& gl, const PosedScene& posed) {
    scene_ = posed.shared_scene();
    sets_.clear();
    std::vector<float> along;
    std::vector<uint32_t> lines;
    size_t first = 0;
    for (const int node : strands_of(*scene_)) {
        const CurveSet& curves =
            scene_->curve_sets[static_cast<size_t>(scene_->nodes[static_cast<size_t>(node)].curves)];
        if (curves.points.empty() || !(curves.follow == StrandFollow::still || roots_are_valid(*scene_, curves))) {
            continue;
        }
        sets_.push_back({node, std::make_unique<StrandDeformer>(*scene_, node), first});
        size_t at = first;
        for (const uint32_t count : curves.counts) {
            for (uint32_t p = 0; p < count; ++p) {
                along.push_back(count < 2 ? 0.F : static_cast<float>(p) / static_cast<float>(count - 1));
                if (p + 1 < count) {
                    lines.push_back(static_cast<uint32_t>(at + p));
                    lines.push_back(static_cast<uint32_t>(at + p + 1));
                }
            }
            at += count;
        }
        first += curves.points.size();
    }
    points_.resize(first);
    segments_ = lines.size();
    array_.bind();
    along_.bind();
    along_.allocate(along.data(), static_cast<int>(along.size() * sizeof(float)));
    gl.glEnableVertexAttribArray(1);
    gl.glVertexAttribPointer(1, 1, GL_FLOAT, GL_FALSE, sizeof(float), nullptr);
    lines_.bind();
    lines_.allocate(lines.data(), static_cast<int>(lines.size() * sizeof(uint32_t)));
    array_.release();
    shape_new_ = false;
    pose_new_ = true;
}

void StrandLayer::put_pose(QOpenGLExtraFunctions& gl, const PosedScene& posed) {
    for (Set& set : sets_) {
        set.deformer->points(posed.pose(), std::span(points_).subspan(set.first, set.deformer->point_count()));
    }
    array_.bind();
    places_.bind();
    places_.setUsagePattern(QOpenGLBuffer::StreamDraw);
    places_.allocate(points_.data(), static_cast<int>(points_.size() * sizeof(Vec3f)));
    gl.glEnableVertexAttribArray(0);
    gl.glVertexAttribPointer(0, 3, GL_FLOAT, GL_FALSE, sizeof(Vec3f), nullptr);
    array_.release();
    pose_new_ = false;
}

void StrandLayer::draw(QOpenGLExtraFunctions& gl, ClayPrograms&, const Frame& frame) {
    const PosedScene& posed = *frame.scenes.posed();
    if (shape_new_ || scene_ != posed.shared_scene()) {
        put_shape(gl, posed);
    }
    if (sets_.empty() || !frame.shown.surfaces) {
        return;
    }
    if (pose_new_) {
        put_pose(gl, posed);
    }
    const Theme& l = theme();
    Vec3f low = points_.front();
    Vec3f high = low;
    for (size_t p = 0; p < points_.size(); p += 16) {
        low = low.cwiseMin(points_[p]);
        high = high.cwiseMax(points_[p]);
    }
    const double depth = std::max(1e-3, static_cast<double>((high - low).norm()));
    const double middle = (frame.projection.eye - (0.5F * (low + high)).cast<double>()).norm();
    gl.glEnable(GL_DEPTH_TEST);
    gl.glDisable(GL_BLEND);
    program_->bind();
    program_->setUniformValue("view", frame.projection.matrix);
    program_->setUniformValue("root", three(l.edge));
    program_->setUniformValue("tip", three(l.clay.darker(150)));
    program_->setUniformValue("away", three(l.sky_top));
    program_->setUniformValue("near_at", static_cast<float>(middle - depth / 2));
    program_->setUniformValue("depth", static_cast<float>(depth));
    array_.bind();
    lines_.bind();
    gl.glDrawElements(GL_LINES, static_cast<GLsizei>(segments_), GL_UNSIGNED_INT, nullptr);
    array_.release();
    program_->release();
}

void StrandLayer::paint_before(QPainter& painter, const Frame& frame) {
    const Scene& scene = frame.scenes.posed()->scene();
    const Theme& l = theme();
    constexpr size_t most_guides = 1000;
    for (const int node : strands_of(scene)) {
        const CurveSet& curves = scene.curve_sets[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].curves)];
        if (!curves.points.empty() || curves.guide_counts.size() > most_guides) {
            continue;
        }
        const Mat4& world = frame.scenes.posed()->pose().world[static_cast<size_t>(node)];
        size_t at = 0;
        for (const uint32_t count : curves.guide_counts) {
            for (uint32_t p = 0; p < count; ++p) {
                const QPointF here =
                    frame.projection.on_screen(point_of(world, curves.guide_points[at + p].cast<double>()));
                if (p > 0) {
                    const QPointF before =
                        frame.projection.on_screen(point_of(world, curves.guide_points[at + p - 1].cast<double>()));
                    painter.setPen(QPen(l.accent, 2.4 - 1.4 * p / count, Qt::SolidLine, Qt::RoundCap));
                    painter.drawLine(before, here);
                }
                painter.setPen(QPen(l.accent, 1.2));
                painter.setBrush(l.card);
                painter.drawEllipse(here, 2.6, 2.6);
            }
            at += count;
        }
    }
}

} // namespace wembrix::app
