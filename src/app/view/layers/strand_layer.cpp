#include "view/layers/strand_layer.h"

#include "core/measure/strands/strand_facts.h"
#include "style/theme.h"

#include <QElapsedTimer>
#include <algorithm>
#include <random>

namespace wembrix::app {

namespace {

constexpr const char* picture_vertex = R"(#version 330 core
uniform vec4 box;
void main() {
    vec2 corner = vec2(gl_VertexID & 1, gl_VertexID >> 1);
    gl_Position = vec4(mix(box.xy, box.zw, corner), 0.0, 1.0);
})";

constexpr const char* picture_fragment = R"(#version 330 core
uniform ivec2 first;
uniform sampler2D colours;
uniform sampler2D depths;
out vec4 shown;
void main() {
    ivec2 at = ivec2(gl_FragCoord.xy) - first;
    shown = texelFetch(colours, at, 0);
    if (shown.a == 0.0) {
        discard;
    }
    gl_FragDepth = texelFetch(depths, at, 0).r;
})";

constexpr double longest_piece_px = 4;
/// While it moves: what posing and drawing the strands may take of each picture's time, seconds.
constexpr double longest_own = 0.04;
constexpr size_t fewest = 5000; ///< segments

/// Half the pane's heights that a metre at a metre from the eye is tall.
double focal(const Projection& projection) {
    const QVector4D up = projection.matrix.row(1);
    return 0.5 * static_cast<double>(up.toVector3D().length());
}

Vec3f floats_of(const QColor& colour) {
    return {static_cast<float>(colour.redF()), static_cast<float>(colour.greenF()), static_cast<float>(colour.blueF())};
}

} // namespace

void StrandLayer::make(QOpenGLExtraFunctions&) {
    program_ = std::make_unique<QOpenGLShaderProgram>();
    program_->addShaderFromSourceCode(QOpenGLShader::Vertex, picture_vertex);
    program_->addShaderFromSourceCode(QOpenGLShader::Fragment, picture_fragment);
    program_->link();
    array_.create();
}

void StrandLayer::destroy() {
    program_.reset();
    array_.destroy();
    colours_.reset();
    depths_.reset();
}

void StrandLayer::put_shape(const PosedScene& posed) {
    scene_ = posed.shared_scene();
    sets_.clear();
    strands_.clear();
    lines_.clear();
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
            for (uint32_t p = 0; p + 1 < count; ++p) {
                length += static_cast<double>((curves.points[at + p + 1] - curves.points[at + p]).norm());
                ++pieces;
            }
            at += count;
        }
        first += curves.points.size();
    }
    points_.resize(first);
    segment_m_ = pieces > 0 ? length / static_cast<double>(pieces) : 0;
    std::shuffle(strands_.begin(), strands_.end(), std::minstd_rand(1)); // the same each time
    for (const Strand& strand : strands_) {
        lines_.push_back({strand.first, strand.count});
    }
    in_order_ = lines_;
    std::sort(in_order_.begin(), in_order_.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
    for (size_t l = 0; l < levels_.size(); ++l) {
        levels_[l].clear();
        size_t up_to = 0;
        for (const Strand& strand : strands_) {
            up_to += (strand.count - 1 + (size_t(1) << l) - 1) >> l;
            levels_[l].push_back(up_to);
        }
    }
    shape_new_ = false;
    pose_new_ = true;
}

void StrandLayer::put_pose(const PosedScene& posed, size_t strands) {
    if (4 * strands > strands_.size()) {
        strands = strands_.size(); // as quick as so many picked out from among them
    }
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
    constexpr size_t enough = 2000; // of any sample, to tell where they are
    for (size_t s = 0; s < std::min(strands, enough); ++s) {
        for (const uint32_t p : {strands_[s].first, strands_[s].first + strands_[s].count / 2}) {
            low_ = low_.cwiseMin(points_[p]);
            high_ = high_.cwiseMax(points_[p]);
        }
    }
    pose_new_ = false;
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
    const std::vector<size_t>& ends = levels_[choice.level];
    of_ = ends.back();
    choice.strands = strands_.size();
    if (frame.moves && seconds_a_piece_ > 0) {
        const double affordable = longest_own / seconds_a_piece_;
        const size_t most =
            affordable < static_cast<double>(of_) ? std::max(fewest, static_cast<size_t>(affordable)) : of_;
        const auto end = std::upper_bound(ends.begin(), ends.end(), most);
        choice.strands = std::max<size_t>(1, static_cast<size_t>(end - ends.begin()));
    }
    drawn_ = ends[choice.strands - 1];
    return choice;
}

/// What a piece costs is a mean of the pictures before: one that was slow for another reason counts little.
void StrandLayer::note_time(double seconds) {
    if (drawn_ >= fewest) {
        const double now = seconds / static_cast<double>(drawn_);
        seconds_a_piece_ =
            seconds_a_piece_ > 0 ? 0.8 * seconds_a_piece_ + 0.2 * std::min(now, 4 * seconds_a_piece_) : now;
    }
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
        put_shape(posed);
    }
    drawn_ = 0;
    of_ = 0;
    // Colours of the surface say something: hair over them would hide it.
    if (strands_.empty() || !frame.shown.surfaces || frame.scenes.colours() != nullptr) {
        return;
    }
    const Choice choice = choose(frame);
    QElapsedTimer own;
    own.start();
    const bool posed_anew = pose_new_ || posed_ < choice.strands;
    if (posed_anew) {
        put_pose(posed, choice.strands);
    }
    const Theme& l = theme();
    StrandColours colours;
    colours.root = floats_of(l.edge);
    colours.tip = floats_of(l.clay.darker(150));
    colours.away = floats_of(l.sky_top);
    colours.depth = std::max(1e-3F, (high_ - low_).norm());
    colours.near_at = static_cast<float>(distance_of(frame)) - colours.depth / 2;
    const QSize pixels = frame.size * frame.pixel_ratio;
    picture_.draw(points_,
                  choice.strands == lines_.size() ? std::span<const StrandPicture::Line>(in_order_)
                                                  : std::span<const StrandPicture::Line>(lines_).first(choice.strands),
                  1U << choice.level, frame.projection.matrix, pixels, !frame.moves, colours);
    show(gl, pixels);
    if (frame.moves && posed_anew) {
        note_time(static_cast<double>(own.nsecsElapsed()) / 1e9);
    }
}

void StrandLayer::show(QOpenGLExtraFunctions& gl, QSize pane) {
    const QRect& box = picture_.box();
    if (box.isEmpty()) {
        return;
    }
    const auto bring = [&box](std::unique_ptr<QOpenGLTexture>& texture, QOpenGLTexture::TextureFormat format,
                              QOpenGLTexture::PixelFormat of, QOpenGLTexture::PixelType type, const void* data) {
        if (!texture || texture->width() != box.width() || texture->height() != box.height()) {
            texture = std::make_unique<QOpenGLTexture>(QOpenGLTexture::Target2D);
            texture->setFormat(format);
            texture->setSize(box.width(), box.height());
            texture->setMinMagFilters(QOpenGLTexture::Nearest, QOpenGLTexture::Nearest);
            texture->allocateStorage(of, type);
        }
        texture->setData(of, type, data);
    };
    bring(colours_, QOpenGLTexture::RGBA8_UNorm, QOpenGLTexture::RGBA, QOpenGLTexture::UInt8, picture_.pixels().data());
    bring(depths_, QOpenGLTexture::R32F, QOpenGLTexture::Red, QOpenGLTexture::Float32, picture_.depths().data());
    gl.glEnable(GL_DEPTH_TEST);
    gl.glEnable(GL_BLEND);
    gl.glBlendFunc(GL_ONE, GL_ONE_MINUS_SRC_ALPHA);
    program_->bind();
    const auto across = [](int pixel, int of) { return 2 * static_cast<float>(pixel) / static_cast<float>(of) - 1; };
    program_->setUniformValue("box", QVector4D(across(box.left(), pane.width()), across(box.top(), pane.height()),
                                               across(box.left() + box.width(), pane.width()),
                                               across(box.top() + box.height(), pane.height())));
    gl.glUniform2i(program_->uniformLocation("first"), box.left(), box.top());
    program_->setUniformValue("colours", 0);
    program_->setUniformValue("depths", 1);
    colours_->bind(0);
    depths_->bind(1);
    array_.bind();
    gl.glDrawArrays(GL_TRIANGLE_STRIP, 0, 4);
    array_.release();
    depths_->release(1);
    colours_->release(0);
    program_->release();
    gl.glDisable(GL_BLEND);
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
