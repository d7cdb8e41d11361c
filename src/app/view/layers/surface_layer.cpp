#include "view/layers/surface_layer.h"

#include "view/scene_marks.h"

namespace wembrix::app {

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

void SurfaceLayer::make(QOpenGLExtraFunctions& gl) {
    own_.make(gl);
    coarse_.make(gl);
    coarse_of_ = nullptr;
    other_.make(gl);
    for (Clay& clay : ends_) {
        clay.make(gl);
    }
    ends_new_ = true;
    shape_new_ = true;
}

void SurfaceLayer::destroy() {
    own_.destroy();
    coarse_.destroy();
    other_.destroy();
    for (Clay& clay : ends_) {
        clay.destroy();
    }
}

void SurfaceLayer::bring_up_to_date(QOpenGLExtraFunctions& gl, const Frame& frame) {
    if (!frame.shown.surfaces && !frame.looks && frame.moves && frame.scenes.difference() == nullptr) {
        return; // nobody sees them
    }
    if (!frame.looks) {
        if (const PosedScene* coarse = frame.scenes.coarse(frame.moves)) {
            if (coarse != coarse_of_) {
                coarse_.put_shape(gl, *coarse);
                coarse_of_ = coarse;
            }
            coarse_.put_pose(gl, *coarse);
            return; // what is new of the surfaces themselves waits until they are drawn again
        }
    }
    const PosedScene& posed = *frame.scenes.posed();
    const PosedScene* other = frame.scenes.other();
    const VertexColours* colours = frame.scenes.colours();
    if (colours_new_ && colours == nullptr) {
        shape_new_ = true; // with it come the surfaces' own
    }
    if (shape_new_) {
        own_.put_shape(gl, posed);
        if (other != nullptr) {
            other_.put_shape(gl, *other);
        }
        pose_new_ = true;
    }
    if (pose_new_) {
        own_.put_pose(gl, posed);
        if (other != nullptr) {
            other_.put_pose(gl, *other);
        }
        if (Difference* difference = frame.scenes.difference()) {
            difference->update();
            const std::vector<float>& apart = difference->millimetres();
            heat_.resize(apart.size());
            for (size_t i = 0; i < apart.size(); ++i) {
                heat_[i] = difference_colour(apart[i], difference->largest_ever());
            }
            own_.put_colours(gl, heat_);
        }
    }
    if (colours != nullptr && (shape_new_ || colours_new_)) {
        put_colours(gl, posed, *colours);
    }
    shape_new_ = false;
    colours_new_ = false;
    pose_new_ = false;
}

void SurfaceLayer::put_colours(QOpenGLExtraFunctions& gl, const PosedScene& posed, const VertexColours& colours) {
    const QColor clay = theme().clay;
    heat_.assign(posed.point_count(), Vec3f(static_cast<float>(clay.redF()), static_cast<float>(clay.greenF()),
                                            static_cast<float>(clay.blueF())));
    for (const Deformer::Surface& surface : posed.surfaces()) {
        const auto of = colours.of.find(surface.node);
        if (of != colours.of.end() && of->second.size() == surface.count) {
            std::copy(of->second.begin(), of->second.end(), heat_.begin() + static_cast<ptrdiff_t>(surface.first));
        }
    }
    own_.put_colours(gl, heat_);
}

void SurfaceLayer::draw(QOpenGLExtraFunctions& gl, ClayPrograms& programs, const Frame& frame) {
    if (!frame.shown.surfaces || frame.looks) {
        return;
    }
    const Theme& l = theme();
    const PosedScene* coarse = frame.scenes.coarse(frame.moves);
    const PosedScene& drawn = coarse != nullptr ? *coarse : *frame.scenes.posed();
    drawn_ = drawn.point_count();
    const bool heat = frame.scenes.difference() != nullptr || frame.scenes.colours() != nullptr;
    ClayPaint paint;
    paint.tint = l.arrived;
    paint.tinted = frame.scenes.state() == State::arrived && !heat ? 0.22F : 0.0F;
    paint.clayed = heat ? 0.0F : 1.0F;
    paint.opacity = see_through_ ? 0.45F : 1.0F;
    Clay& clay = coarse != nullptr ? coarse_ : own_;
    if (paint.opacity >= 1 && !heat && frame.scenes.other() == nullptr) {
        clay.draw_shadow(gl, programs, frame.projection, frame.projection.middle.y());
    }
    clay.draw(gl, programs, frame.projection, QMatrix4x4(), paint);
    if (frame.scenes.other() != nullptr && !heat) {
        ClayPaint over;
        over.tint = l.of(frame.scenes.shown_other()->state);
        over.tinted = 0.85F;
        over.opacity = 0.42F;
        other_.draw(gl, programs, frame.projection, for_graphics(frame.scenes.shown_other()->moved), over);
    }
    if (frame.scenes.ends() != nullptr) {
        draw_ends(gl, programs, frame);
    }
}

void SurfaceLayer::draw_ends(QOpenGLExtraFunctions& gl, ClayPrograms& programs, const Frame& frame) {
    const PoseEnds& ends = *frame.scenes.ends();
    const PosedScene* scenes[] = {ends.first.get(), ends.last.get()};
    for (size_t i = 0; i < 2; ++i) {
        if (ends_new_) {
            ends_[i].put_shape(gl, *scenes[i]);
            ends_[i].put_pose(gl, *scenes[i]);
        }
        ClayPaint over;
        over.tint = i == 0 ? theme().note : theme().look;
        over.tinted = 0.85F;
        over.opacity = 0.42F;
        ends_[i].draw(gl, programs, frame.projection, i == 0 ? QMatrix4x4() : for_graphics(ends.aligned), over);
    }
    ends_new_ = false;
}

void SurfaceLayer::paint_before(QPainter& painter, const Frame& frame) {
    if (const Difference* difference = frame.scenes.difference()) {
        draw_difference_scale(painter, frame.projection, difference->largest(), difference->largest_ever());
    } else if (const VertexColours* colours = frame.scenes.colours(); colours != nullptr && !colours->high.isEmpty()) {
        draw_colour_scale(painter, frame.projection, colours->low, colours->high, colours->title);
    }
}

std::vector<std::pair<QString, QColor>> SurfaceLayer::foot(const Frame& frame) const {
    std::vector<std::pair<QString, QColor>> lines;
    if (const PoseEnds* ends = frame.scenes.ends()) {
        lines.emplace_back(ends->is_aligned ? QObject::tr("last pose, aligned with the first")
                                            : QObject::tr("last pose"),
                           theme().look);
        lines.emplace_back(QObject::tr("first pose"), theme().note);
    }
    if (const PosedScene* coarse = frame.looks ? nullptr : frame.scenes.coarse(frame.moves)) {
        lines.emplace_back(QObject::tr("%1 % of the vertices, while it moves")
                               .arg(100 * coarse->point_count() / frame.scenes.posed()->point_count()),
                           theme().soft);
    }
    if (frame.scenes.difference() != nullptr && !frame.scenes.difference()->compares_anything()) {
        lines.emplace_back(QObject::tr("no surface has the same vertices in both"), theme().look);
    }
    return lines;
}

} // namespace wembrix::app
