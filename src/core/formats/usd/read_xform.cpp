// Transforms of prims: the operations that a prim names, in their order (schema “Xformable”).
#include "core/base/text.h"
#include "core/formats/usd/read_parts.h"
#include "core/scene/clip.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace wembrix::usd {

namespace {

/// The components at a time: straight lines between samples, held before and after; a default without samples.
std::vector<double> numbers_at(const Property& property, double time) {
    const std::vector<Sample>& samples = property.samples;
    if (samples.empty() || (std::isnan(time) && property.has_value)) { // no time: the default, where there is one
        return property.value.numbers<double>();
    }
    time = std::isnan(time) ? samples.front().time : time;
    const auto after = std::upper_bound(samples.begin(), samples.end(), time,
                                        [](double t, const Sample& sample) { return t < sample.time; });
    if (after == samples.begin()) {
        return samples.front().value.numbers<double>();
    }
    std::vector<double> low = (after - 1)->value.numbers<double>();
    if (after == samples.end()) {
        return low;
    }
    const std::vector<double> high = after->value.numbers<double>();
    const double along = (time - (after - 1)->time) / (after->time - (after - 1)->time);
    if (high.size() != low.size()) {
        return low;
    }
    if (property.type_name.starts_with("quat")) {
        const Quat turn = Quat(low[3], low[0], low[1], low[2])
                              .normalized()
                              .slerp(along, Quat(high[3], high[0], high[1], high[2]).normalized());
        return {turn.x(), turn.y(), turn.z(), turn.w()};
    }
    for (size_t c = 0; c < low.size(); ++c) {
        low[c] += along * (high[c] - low[c]);
    }
    return low;
}

struct Operation {
    const Property* property = nullptr;
    std::string kind; ///< "translate", "rotateXYZ", …
    bool is_inverse = false;
};

Mat4 turned_about(int axis, double degrees) {
    Mat4 matrix = Mat4::Identity();
    matrix.topLeftCorner<3, 3>() = Eigen::AngleAxisd(degrees * M_PI / 180, Vec3::Unit(axis)).toRotationMatrix();
    return matrix;
}

/// False: what it says is nothing that it could.
bool matrix_at(const Operation& operation, double time, Mat4& matrix) {
    const std::vector<double> n = numbers_at(*operation.property, time);
    matrix = Mat4::Identity();
    for (const double one : n) {
        if (!std::isfinite(one)) {
            return false;
        }
    }
    const std::string& kind = operation.kind;
    if (kind == "translate" && n.size() == 3) {
        matrix.topRightCorner<3, 1>() = Vec3(n[0], n[1], n[2]);
    } else if (kind == "scale" && n.size() == 3) {
        matrix.diagonal().head<3>() = Vec3(n[0], n[1], n[2]);
    } else if (kind == "orient" && n.size() == 4) {
        const Quat turn(n[3], n[0], n[1], n[2]);
        if (turn.norm() < 1e-12) {
            return false;
        }
        matrix.topLeftCorner<3, 3>() = turn.normalized().toRotationMatrix();
    } else if (kind == "transform" && n.size() == 16) {
        std::copy(n.begin(), n.end(), matrix.data());
    } else if (kind.starts_with("rotate") && kind.size() == 7 && n.size() == 1) {
        const int axis = kind[6] - 'X';
        if (axis < 0 || axis > 2) {
            return false;
        }
        matrix = turned_about(axis, n[0]);
    } else if (kind.starts_with("rotate") && kind.size() == 9 && n.size() == 3) {
        for (size_t i = 6; i < 9; ++i) { // the axis that is named first turns first
            const int axis = kind[i] - 'X';
            if (axis < 0 || axis > 2) {
                return false;
            }
            matrix = turned_about(axis, n[static_cast<size_t>(axis)]) * matrix;
        }
    } else {
        return false;
    }
    if (operation.is_inverse) {
        if (std::abs(matrix.determinant()) < 1e-300) {
            return false;
        }
        matrix = matrix.inverse().eval();
    }
    return true;
}

} // namespace

Placed placed(Reading& reading, const Prim& prim, const std::string& path) {
    Placed result;
    std::vector<Operation> operations;
    for (const std::string& name : texts_of(prim, "xformOpOrder")) {
        if (name == "!resetXformStack!") {
            result.is_free = true;
            operations.clear();
            continue;
        }
        Operation one;
        one.is_inverse = name.starts_with("!invert!");
        const std::string plain = one.is_inverse ? name.substr(8) : name;
        one.property = prim.property(plain);
        if (!plain.starts_with("xformOp:") || one.property == nullptr) {
            reading.note(path, phrase("names a transform “{}” that it has not.", plain.substr(0, 60)));
            continue;
        }
        one.kind = plain.substr(8, plain.find(':', 8) - 8);
        operations.push_back(std::move(one));
    }
    std::vector<double> times;
    for (const Operation& one : operations) {
        for (const Sample& sample : one.property->samples) {
            times.push_back(sample.time);
        }
    }
    std::sort(times.begin(), times.end());
    times.erase(std::unique(times.begin(), times.end()), times.end());
    bool is_broken = false;
    const auto at = [&](double time) {
        Mat4 matrix = Mat4::Identity();
        for (const Operation& one : operations) {
            Mat4 step;
            if (matrix_at(one, time, step)) {
                matrix = matrix * step;
            } else {
                is_broken = true;
            }
        }
        return matrix;
    };
    const Decomposed parts = decompose(at(std::numeric_limits<double>::quiet_NaN()));
    result.rest = parts.transform;
    double shear = parts.shear;
    if (times.size() > 1) {
        std::vector<float> seconds;
        std::vector<float> moves;
        std::vector<float> turns;
        std::vector<float> scales;
        Quat before = result.rest.rotation;
        for (const double time : times) {
            const Decomposed now = decompose(at(time));
            shear = std::max(shear, now.shear);
            Quat turn = now.transform.rotation;
            if (turn.dot(before) < 0) {
                turn.coeffs() = -turn.coeffs();
            }
            before = turn;
            seconds.push_back(static_cast<float>(reading.seconds(time)));
            for (int c = 0; c < 3; ++c) {
                moves.push_back(static_cast<float>(now.transform.translation[c]));
                scales.push_back(static_cast<float>(now.transform.scale[c]));
            }
            for (int c = 0; c < 4; ++c) {
                turns.push_back(static_cast<float>(turn.coeffs()[c]));
            }
        }
        const Shared<float> shared(std::move(seconds));
        const auto differs = [](const std::vector<float>& values, size_t width) {
            for (size_t i = width; i < values.size(); ++i) {
                if (std::abs(values[i] - values[i - width]) > 1e-7F) {
                    return true;
                }
            }
            return false;
        };
        const auto add = [&](wembrix::Path of, int width, std::vector<float> values) {
            if (differs(values, static_cast<size_t>(width))) {
                result.channels.push_back({-1, of, Interpolation::linear, width, shared, std::move(values), {}});
            }
        };
        add(wembrix::Path::translation, 3, std::move(moves));
        add(wembrix::Path::rotation, 4, std::move(turns));
        add(wembrix::Path::scale, 3, std::move(scales));
    }
    if (is_broken) {
        reading.note(path, "has a transform that is none; it is left out.");
    }
    if (shear > 1e-5) {
        reading.note(path,
                     "has a transform with shear, which no node can hold; the nearest rotation and scale stand in.");
    }
    return result;
}

} // namespace wembrix::usd
