#include "core/destination/file_space.h"

#include "core/scene/place_all.h"

namespace wembrix {

AxisSystem file_space(const Format& format, const Destination& destination) {
    AxisSystem space = destination.axes;
    if (format.space == FileSpace::standard) {
        space = AxisSystem();
        space.forward = destination.file_forward;
    }
    space.handedness = Handedness::right;
    return space;
}

AxisSystem read_space(const Format& format, const Destination& destination) {
    AxisSystem space = file_space(format, destination);
    if (format.space != FileSpace::stated) {
        return space;
    }
    const Mat3 upright = shortest_turn(direction(space.up), Vec3::UnitY()).toRotationMatrix();
    AxisSystem read;
    read.forward = nearest_axis(upright * direction(space.forward));
    return read;
}

namespace {
/// The rotation part of the way from core: the unit is taken care of apart.
Quat rotation_to(const AxisSystem& space) {
    return Quat(Mat3(linear_of(space.from_core()) * space.unit_m)).normalized();
}
} // namespace

Scene to_space(Scene scene, const AxisSystem& space) {
    if (!space.is_core()) {
        place_all(scene, rotation_to(space), Vec3::Zero());
        scale_all(scene, 1 / space.unit_m);
    }
    return scene;
}

Scene from_space(Scene scene, const AxisSystem& space) {
    if (!space.is_core()) {
        scale_all(scene, space.unit_m);
        place_all(scene, rotation_to(space).conjugate(), Vec3::Zero());
    }
    return scene;
}

} // namespace wembrix
