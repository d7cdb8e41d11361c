// Where nodes are: their elements of place, one after the other.
#include "core/base/text.h"
#include "core/formats/collada/read_parts.h"

#include <algorithm>
#include <cmath>
#include <cstring>

namespace wembrix::collada {

Mat4 PlaceElement::as_matrix() const {
    Mat4 made = Mat4::Identity();
    switch (kind) {
    case Kind::matrix:
        made = Eigen::Map<const Eigen::Matrix<double, 4, 4, Eigen::RowMajor>>(values.data());
        break;
    case Kind::translate:
        made.topRightCorner<3, 1>() = Vec3(values[0], values[1], values[2]);
        break;
    case Kind::rotate: {
        const Vec3 axis(values[0], values[1], values[2]);
        if (axis.norm() > 1e-12) {
            made.topLeftCorner<3, 3>() =
                Eigen::AngleAxisd(values[3] * M_PI / 180, axis.normalized()).toRotationMatrix();
        }
        break;
    }
    case Kind::scale:
        made.diagonal().head<3>() = Vec3(values[0], values[1], values[2]);
        break;
    case Kind::lookat: {
        // From an eye towards a point, with a side that is up: it looks along its own -Z.
        const Vec3 eye(values[0], values[1], values[2]);
        const Vec3 back = eye - Vec3(values[3], values[4], values[5]);
        const Vec3 side = Vec3(values[6], values[7], values[8]).cross(back);
        if (back.norm() > 1e-12 && side.norm() > 1e-12) {
            made.block<3, 1>(0, 2) = back.normalized();
            made.block<3, 1>(0, 0) = side.normalized();
            made.block<3, 1>(0, 1) = back.normalized().cross(side.normalized());
        }
        made.topRightCorner<3, 1>() = eye;
        break;
    }
    }
    return made;
}

std::vector<PlaceElement> place_of(Reading& reading, Element node) {
    struct Kind {
        const char* name;
        PlaceElement::Kind kind;
        size_t count;
    };
    static constexpr Kind kinds[] = {{"matrix", PlaceElement::Kind::matrix, 16},
                                     {"translate", PlaceElement::Kind::translate, 3},
                                     {"rotate", PlaceElement::Kind::rotate, 4},
                                     {"scale", PlaceElement::Kind::scale, 3},
                                     {"lookat", PlaceElement::Kind::lookat, 9}};
    constexpr size_t most_elements = 64; // programs write ten at most: pivots, orientations, a place
    std::vector<PlaceElement> place;
    for (const Element child : node.children()) {
        if (std::strcmp(child.name(), "skew") == 0) {
            reading.note(name_of(node), "is skewed; its place is taken without that.");
        }
        for (const Kind& kind : kinds) {
            if (std::strcmp(child.name(), kind.name) != 0) {
                continue;
            }
            PlaceElement one{kind.kind, child.attribute("sid").value(), numbers_in(child.text().get())};
            const bool is_whole =
                one.values.size() >= kind.count &&
                std::all_of(one.values.begin(), one.values.end(), [](double number) { return std::isfinite(number); });
            if (!is_whole) {
                reading.note(name_of(node), phrase("its “{}” has too few numbers; it is left out.", kind.name));
                continue;
            }
            if (place.size() >= most_elements) {
                reading.note_once(name_of(node), phrase("has more than {} elements of place; those behind are left "
                                                        "out.",
                                                        most_elements));
                continue;
            }
            one.values.resize(kind.count);
            place.push_back(std::move(one));
        }
    }
    return place;
}

Mat4 matrix_of(const std::vector<PlaceElement>& place) {
    Mat4 matrix = Mat4::Identity();
    for (const PlaceElement& one : place) {
        matrix = matrix * one.as_matrix();
    }
    return matrix;
}

} // namespace wembrix::collada
