#include "view/layers/strand_layer.h"

#include "core/measure/strands/strand_facts.h"
#include "style/theme.h"

#include <algorithm>
#include <random>

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

constexpr double longest_piece_px = 4;
/// While it moves: seconds from one picture to the next.
constexpr double longest_wait = 0.095;
constexpr double short_wait = 0.07;
constexpr size_t fewest = 5000; ///< segments

/// Half the pane's heights that a metre at a metre from the eye is tall.
double focal(const Projection& projection) {
    const QVector4D up = projection.matrix.row(1);
    return 0.5 * static_cast<double>(up.toVector3D().length());
}

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
    strands_.clear();
    double length = 0;
    size_t pieces = 0;
    size_t first = 0;
    for (const int node : strands_of(*scene_)) {
        const CurveSet& curves =
            scene_->curve_sets[static_cast<size_t>(scene_->nodes[static_cast<size_t>(node)].curves)];
        if (curves.points.empty() || !(curves.follow == StrandFollow::still || roots_are_valid(*scene_, curves))) {
            continue;
        }
        sets_.push_back({node, std::make_unique<StrandDeformer>(*scene_, node), first});
        size_t at = 0;
        for (uint32_t c = 0; c < curves.counts.size(); ++c) {
            const uint32_t count = curves.counts[c];
            if (count == 0) {
                continue; // of no points: there is nothing of it to draw
            }
            strands_.push_back({static_cast<uint32_t>(sets_.size() - 1), c, static_cast<uint32_t>(first + at), count});
            for (uint32_t p = 0; p < count; ++p) {
                along.push_back(count < 2 ? 0.F : static_cast<float>(p) / static_cast<float>(count - 1));
                if (p + 1 < count) {
                    length += static_cast<double>((curves.points[at + p + 1] - curves.points[at + p]).norm());
                    ++pieces;
                }
            }
            at += count;
        }
        first += curves.points.size();
    }
    points_.resize(first);
    segment_m_ = pieces > 0 ? length / static_cast<double>(pieces) : 0;
    std::shuffle(strands_.begin(), strands_.end(), std::minstd_rand(1)); // the same each time
    std::vector<uint32_t> lines;
    for (size_t l = 0; l < levels_.size(); ++l) {
        const uint32_t stride = 1U << l;
        Level& level = levels_[l];
        level.first = lines.size();
        level.ends.clear();
        for (const Strand& strand : strands_) {
            for (uint32_t p = 0; p + 1 < strand.count; p += stride) {
                lines.push_back(strand.first + p);
                lines.push_back(strand.first + std::min(p + stride, strand.count - 1));
            }
            level.ends.push_back(static_cast<uint32_t>(lines.size() - level.first));
        }
        level.indices = lines.size() - level.first;
    }
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

void StrandLayer::put_pose(QOpenGLExtraFunctions& gl, const PosedScene& posed, size_t strands) {
    std::vector<std::vector<uint32_t>> some(sets_.size());
    for (size_t s = 0; s < strands && strands < strands_.size(); ++s) {
        some[strands_[s].set].push_back(strands_[s].curve);
    }
    for (size_t s = 0; s < sets_.size(); ++s) {
        Set& set = sets_[s];
        const auto out = std::span(points_).subspan(set.first, set.deformer->point_count());
        if (posed.cached_points(set.node, out)) {
            continue;
        }
        if (strands < strands_.size()) {
            set.deformer->points_of(posed.pose(), some[s], out);
        } else {
            set.deformer->points(posed.pose(), out);
        }
    }
    posed_ = strands;
    low_ = points_[strands_.front().first];
    high_ = low_;
    for (size_t s = 0; s < strands; ++s) {
        for (const uint32_t p : {strands_[s].first, strands_[s].first + strands_[s].count / 2}) {
            low_ = low_.cwiseMin(points_[p]);
            high_ = high_.cwiseMax(points_[p]);
        }
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

/// As many as can be drawn ten times a second together with all else: found out as pictures follow each other.
size_t StrandLayer::suits() {
    if (since_.isValid()) {
        const double waited = static_cast<double>(since_.nsecsElapsed()) / 1e9;
        if (waited > longest_wait) {
            affordable_ *= std::max(0.5, longest_wait / waited);
        } else if (waited < short_wait) {
            affordable_ *= 1.1;
        }
        affordable_ = std::clamp(affordable_, static_cast<double>(fewest), static_cast<double>(2 * segments()));
    } else {
        affordable_ = std::min(affordable_, static_cast<double>(2 * segments()));
    }
    since_.start();
    return static_cast<size_t>(affordable_);
}

double StrandLayer::distance_of(const Frame& frame) const {
    return std::max(1e-6, (frame.projection.eye - (0.5F * (low_ + high_)).cast<double>()).norm());
}

StrandLayer::Choice StrandLayer::choose(const Frame& frame) {
    // As coarse as pieces of a few pixels let it be.
    const double pixels_a_metre =
        frame.size.height() * frame.pixel_ratio * focal(frame.projection) / distance_of(frame);
    Choice choice;
    while (choice.level + 1 < levels_.size() &&
           segment_m_ * (2U << choice.level) * pixels_a_metre <= longest_piece_px) {
        ++choice.level;
    }
    const Level& level = levels_[choice.level];
    of_ = level.indices / 2;
    choice.strands = strands_.size();
    if (frame.moves) {
        const auto most = static_cast<uint32_t>(2 * std::max(fewest, suits()));
        const auto end = std::upper_bound(level.ends.begin(), level.ends.end(), most);
        choice.strands = std::max<size_t>(1, static_cast<size_t>(end - level.ends.begin()));
    } else {
        since_.invalidate();
    }
    drawn_ = level.ends[choice.strands - 1] / 2;
    return choice;
}

std::vector<std::pair<QString, QColor>> StrandLayer::foot(const Frame&) const {
    if (drawn_ >= of_) {
        return {};
    }
    return {{tr("%1 % of the strands, while it moves").arg(std::max<size_t>(1, 100 * drawn_ / of_)), theme().soft}};
}

void StrandLayer::draw(QOpenGLExtraFunctions& gl, ClayPrograms&, const Frame& frame) {
    const PosedScene& posed = *frame.scenes.posed();
    if (shape_new_ || scene_ != posed.shared_scene()) {
        put_shape(gl, posed);
    }
    drawn_ = 0;
    of_ = 0;
    // Colours of the surface say something: hair over them would hide it.
    if (strands_.empty() || !frame.shown.surfaces || frame.scenes.colours() != nullptr) {
        return;
    }
    const Choice choice = choose(frame);
    if (pose_new_ || posed_ < choice.strands) {
        put_pose(gl, posed, choice.strands);
    }
    const Theme& l = theme();
    const double depth = std::max(1e-3, static_cast<double>((high_ - low_).norm()));
    const double middle = distance_of(frame);
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
    gl.glDrawElements(GL_LINES, static_cast<GLsizei>(2 * drawn_), GL_UNSIGNED_INT,
                      reinterpret_cast<const void*>(levels_[choice.level].first * sizeof(uint32_t)));
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
