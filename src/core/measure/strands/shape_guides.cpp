#include "core/measure/strands/shape_guides.h"

#include <Eigen/Geometry>

namespace wembrix {

double guide_length(const GuideLine& line) {
    double length = 0;
    for (size_t p = 1; p < line.size(); ++p) {
        length += (line[p] - line[p - 1]).norm();
    }
    return length;
}

GuideLine pulled(const GuideLine& line, size_t point, const Vec3& by, bool keeps_length) {
    GuideLine made = line;
    for (size_t p = 1; p < line.size(); ++p) {
        const double along = std::min(1.0, static_cast<double>(p) / static_cast<double>(point));
        made[p] += along * along * by;
    }
    for (size_t p = 1; p < line.size() && keeps_length; ++p) {
        const double length = (line[p] - line[p - 1]).norm();
        // Its way as it was pulled, from where the point before it really came to be.
        const Vec3 way = made[p] - (p == 1 ? made[0] : made[p - 1]);
        made[p] = made[p - 1] + (way.norm() > 1e-12 ? Vec3(way.normalized() * length) : Vec3(line[p] - line[p - 1]));
    }
    return made;
}

GuideLine turned(const GuideLine& line, const Vec3& axis, double angle) {
    GuideLine made = line;
    const Eigen::AngleAxisd turn(angle, axis);
    for (Vec3& point : made) {
        point = line.front() + turn * (point - line.front());
    }
    return made;
}

GuideLine lengthened(const GuideLine& line, double factor) {
    GuideLine made = line;
    for (Vec3& point : made) {
        point = line.front() + factor * (point - line.front());
    }
    return made;
}

GuideLine smoothed(const GuideLine& line) {
    GuideLine made = line;
    for (size_t p = 1; p + 1 < line.size(); ++p) {
        made[p] = 0.5 * line[p] + 0.25 * (line[p - 1] + line[p + 1]);
    }
    return made;
}

GuideLine straight(const Vec3& root, const Vec3& way, double length, size_t points) {
    GuideLine made;
    for (size_t p = 0; p < points; ++p) {
        made.emplace_back(root + way * (length * static_cast<double>(p) / static_cast<double>(points - 1)));
    }
    return made;
}

GuideLine mirrored(const GuideLine& line, double middle_x) {
    GuideLine made = line;
    for (Vec3& point : made) {
        point.x() = 2 * middle_x - point.x();
    }
    return made;
}

} // namespace wembrix
