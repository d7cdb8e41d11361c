#include "core/destination/conventions.h"
#include "core/base/text.h"

#include <array>
#include <cassert>

namespace wembrix {

namespace {
constexpr Handedness right = Handedness::right;
constexpr Handedness left = Handedness::left;
constexpr std::array<AxisSystem, 9> usual = {{{Axis::pos_y, Axis::pos_z, 1, right},
                                              {Axis::pos_y, Axis::pos_z, 0.01, right},
                                              {Axis::pos_y, Axis::neg_z, 1, right},
                                              {Axis::pos_y, Axis::pos_z, 1, left},
                                              {Axis::pos_z, Axis::neg_y, 1, right},
                                              {Axis::pos_z, Axis::neg_y, 0.01, right},
                                              {Axis::pos_z, Axis::pos_y, 1, right},
                                              {Axis::pos_z, Axis::pos_x, 1, right},
                                              {Axis::pos_z, Axis::pos_x, 0.01, left}}};

std::string plain(Axis axis) {
    const std::string name(axis_name(axis));
    return name[0] == '+' ? name.substr(1) : name;
}
} // namespace

std::span<const AxisSystem> conventions() {
    return usual;
}

Text convention_words(const AxisSystem& axes) {
    const Text unit = axes.unit_m == 1       ? "1 m"
                      : axes.unit_m == 0.01  ? "1 cm"
                      : axes.unit_m == 0.001 ? "1 mm"
                                             : phrase("{:.6g} m", axes.unit_m);
    return phrase("{} up, front {}, {}-handed, {}", plain(axes.up), axis_name(axes.forward),
                  handedness_name(axes.handedness), unit);
}

void follow_convention(Destination& destination, const AxisSystem& axes) {
    assert(axes.valid());
    destination.axes = axes;
    destination.reads.reset();
    const Mat3 taken = linear_of(destination.takes_files_as().from_core()) * axes.unit_m;
    for (const Axis front : {Axis::pos_z, Axis::neg_z, Axis::pos_x, Axis::neg_x}) {
        if ((taken * direction(front) - direction(axes.forward)).norm() < 1e-6) {
            destination.file_forward = front;
        }
    }
}

} // namespace wembrix
