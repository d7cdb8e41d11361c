#include "view/layers/looks_layer.h"

#include <Eigen/Geometry>
#include <cmath>

namespace wembrix::app {

void LooksLayer::show(bool shown, double light_degrees, int64_t only_surface, int only_slot) {
    shown_ = shown;
    light_degrees_ = light_degrees;
    only_surface_ = only_surface;
    only_slot_ = only_slot;
}

void LooksLayer::make(QOpenGLExtraFunctions& gl) {
    looks_.make(gl);
    shape_new_ = true;
}

void LooksLayer::destroy() {
    looks_.destroy();
}

void LooksLayer::draw(QOpenGLExtraFunctions& gl, ClayPrograms&, const Frame& frame) {
    if (!shown_ || !frame.shown.surfaces) {
        return;
    }
    const PosedScene& posed = *frame.scenes.posed();
    if (shape_new_) {
        looks_.put_shape(gl, posed);
        pose_new_ = true;
    }
    if (pose_new_) {
        looks_.put_pose(gl, posed);
    }
    shape_new_ = false;
    pose_new_ = false;
    const double angle = light_degrees_ * M_PI / 180;
    const Vec3 level = Vec3(frame.projection.away.x(), 0, frame.projection.away.z()).normalized();
    const Vec3 light = (Eigen::AngleAxisd(angle, Vec3::UnitY()) * level + Vec3::UnitY() * 0.7).normalized();
    const int only = only_surface_ == 0 ? -1 : posed.scene().find_identity(only_surface_);
    looks_.draw(gl, frame.projection, light, only, only_slot_);
}

std::vector<std::pair<QString, QColor>> LooksLayer::foot(const Frame&) const {
    if (!shown_ || looks_.undecoded() == 0) {
        return {};
    }
    return {{QObject::tr("%1 images cannot be shown").arg(static_cast<qulonglong>(looks_.undecoded())), theme().look}};
}

} // namespace wembrix::app
