#include "core/destination/round_numbers.h"

#include "core/base/text.h"
#include "core/measure/skeleton/pose.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <numeric>

namespace wembrix {

namespace {

struct Cost {
    double places_mm = 0;
    double normals = 0; ///< radians
    double coordinates = 0;
    double weights = 0;
};

/// By how much a length of the mesh is longer where it is shown at rest, at most.
double largest_scale(const Scene& scene, const std::vector<Mat4>& world, int mesh) {
    double largest = 0;
    const auto see = [&](const Mat4& matrix) {
        largest = std::max(largest, linear_of(matrix).colwise().norm().maxCoeff());
    };
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        const Node& node = scene.nodes[n];
        if (node.mesh != mesh) {
            continue;
        }
        if (node.skin < 0) {
            see(world[n]);
            continue;
        }
        const Skin& skin = scene.skins[static_cast<size_t>(node.skin)];
        for (size_t j = 0; j < skin.joints.size(); ++j) {
            see(world[static_cast<size_t>(skin.joints[j])] * skin.inverse_binds[j]);
        }
    }
    return largest > 0 && std::isfinite(largest) ? largest : 1;
}

/// The mesh's own lengths in one step of the grid, or 0 where there is none.
double grid_step(double limit_mm, double scale) {
    return limit_mm > 0 ? std::clamp(std::exp2(std::floor(std::log2(limit_mm / 1000 / 8 / scale))), std::exp2(-24), 1e3)
                        : 0;
}

void round_places(Shared<Vec3f>& places, double step, double& worst_mm) {
    constexpr double most = 1 << 22; // steps that single precision tells apart, and that a file's whole numbers hold
    const double limit = step * most;
    if (step <= 0 || std::any_of(places.begin(), places.end(),
                                 [&](const Vec3f& at) { return !(at.cwiseAbs().maxCoeff() < limit); })) {
        return;
    }
    for (Vec3f& at : places.edit()) {
        const Vec3 before = at.cast<double>();
        const Vec3 now = (before / step).array().round().matrix() * step + Vec3::Zero(); // no negative zeros
        worst_mm = std::max(worst_mm, (now - before).norm() * 1000);
        at = now.cast<float>();
    }
}

float rounded_to(float value, double parts) {
    return static_cast<float>(std::round(value * parts) / parts + 0.0);
}

template <typename Vector> void round_directions(Shared<Vector>& all, double& worst) {
    for (Vector& one : all.edit()) {
        const Vec3 before = one.template head<3>().template cast<double>();
        for (int k = 0; k < 3; ++k) {
            one[k] = rounded_to(std::clamp(one[k], -1.0F, 1.0F), 32767);
        }
        const Vec3 now = one.template head<3>().template cast<double>();
        worst = std::max(worst, std::atan2(before.cross(now).norm(), before.dot(now)));
    }
}

bool within_0_and_1(const Shared<float>& values) {
    return std::all_of(values.begin(), values.end(), [](float value) { return value >= 0 && value <= 1; });
}

void round_attribute(Attribute& attribute, double& worst) {
    const bool coordinates = attribute.name.starts_with("TEXCOORD_");
    if (!coordinates && !attribute.name.starts_with("COLOR_")) {
        return;
    }
    const bool shares = within_0_and_1(attribute.data);
    if (!shares && !coordinates) {
        return; // light beyond 1 keeps its numbers
    }
    const double parts = shares ? 65535 : 65536;
    for (float& value : attribute.data.edit()) {
        const float now = rounded_to(value, parts);
        worst = std::max(worst, std::abs(static_cast<double>(now) - value));
        value = now;
    }
}

/// Largest remainders first (Hamilton's method): the sum stays exactly 1.
void round_weights(Influences& rows, double& worst) {
    constexpr int whole = 65535;
    std::vector<float>& weights = rows.weights.edit();
    for (size_t p = 0; p + 1 < rows.offsets.size(); ++p) {
        const size_t first = rows.offsets[p];
        const size_t count = rows.offsets[p + 1] - first;
        double sum = 0;
        for (size_t k = 0; k < count; ++k) {
            sum += weights[first + k];
        }
        if (!(sum > 0)) {
            continue;
        }
        std::vector<int> parts(count);
        std::vector<double> over(count);
        int given = 0;
        for (size_t k = 0; k < count; ++k) {
            const double exact = weights[first + k] / sum * whole;
            parts[k] = static_cast<int>(std::floor(exact));
            over[k] = exact - parts[k];
            given += parts[k];
        }
        std::vector<size_t> order(count);
        std::iota(order.begin(), order.end(), size_t{0});
        std::stable_sort(order.begin(), order.end(), [&](size_t a, size_t b) { return over[a] > over[b]; });
        for (size_t k = 0; k < count && given < whole; ++k, ++given) {
            ++parts[order[k]];
        }
        for (size_t k = 0; k < count; ++k) {
            const double now = static_cast<double>(parts[k]) / whole;
            worst = std::max(worst, std::abs(now - weights[first + k] / sum));
            weights[first + k] = static_cast<float>(now);
        }
    }
}

Text in_words(const Cost& cost) {
    return phrase("rounded: places by at most {:.2g} mm, normals by {:.2g}°, coordinates and colours by {:.2g}, "
                  "weights by {:.2g}",
                  cost.places_mm, cost.normals * 180 / std::numbers::pi, cost.coordinates, cost.weights);
}

} // namespace

std::vector<RoundedSurface> round_numbers(Scene& scene, const Destination& destination) {
    std::vector<RoundedSurface> rounded;
    if (destination.numbers != Numbers::rounded) {
        return rounded;
    }
    const std::vector<Mat4> world = rest_world(scene);
    for (size_t m = 0; m < scene.meshes.size(); ++m) {
        Mesh& mesh = scene.meshes[m];
        Cost cost;
        const double step = grid_step(destination.drift_limit_mm, largest_scale(scene, world, static_cast<int>(m)));
        mesh.narrow = true;
        round_places(mesh.positions, step, cost.places_mm);
        round_directions(mesh.normals, cost.normals);
        round_directions(mesh.tangents, cost.normals);
        for (Attribute& attribute : mesh.attributes) {
            round_attribute(attribute, cost.coordinates);
        }
        for (MorphTarget& shape : mesh.shapes) {
            round_places(shape.positions, step, cost.places_mm);
            double no_direction = 0; // these are differences
            round_directions(shape.normals, no_direction);
            round_directions(shape.tangents, no_direction);
        }
        for (Node& node : scene.nodes) {
            if (node.mesh == static_cast<int>(m)) {
                round_weights(node.influences, cost.weights);
            }
        }
        if (cost.places_mm > 0 || cost.normals > 0 || cost.coordinates > 0 || cost.weights > 0) {
            rounded.push_back({static_cast<int>(m), mesh.point_count(), in_words(cost)});
        }
    }
    return rounded;
}

} // namespace wembrix
