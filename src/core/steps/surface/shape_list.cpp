#include "core/steps/surface/shape_list.h"

#include "core/steps/names.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace wembrix {

std::vector<ShapeRow> shape_rows(const Mesh& mesh) {
    std::vector<ShapeRow> rows;
    for (size_t s = 0; s < mesh.shapes.size(); ++s) {
        rows.push_back({mesh.shapes[s], {{s, 1.0}}});
    }
    return rows;
}

namespace {

std::vector<float> remade(const std::vector<float>& before, const std::vector<ShapeRow>& rows) {
    std::vector<float> after;
    for (const ShapeRow& row : rows) {
        double weight = 0;
        for (const auto& [old, factor] : row.weight) {
            weight += old < before.size() ? factor * static_cast<double>(before[old]) : 0;
        }
        after.push_back(static_cast<float>(weight));
    }
    return after;
}

void remake_keys(Channel& channel, const std::vector<ShapeRow>& rows) {
    const auto width = static_cast<size_t>(channel.width);
    std::vector<float> values;
    values.reserve(channel.values.size() / width * rows.size());
    std::vector<float> one(width);
    // Tangents of cubic keys are made of the old ones as the values are.
    for (size_t i = 0; i + width <= channel.values.size(); i += width) {
        std::copy_n(channel.values.begin() + static_cast<ptrdiff_t>(i), width, one.begin());
        for (const float value : remade(one, rows)) {
            values.push_back(value);
        }
    }
    channel.values = std::move(values);
    channel.width = static_cast<int>(rows.size());
}

} // namespace

void set_shapes(Scene& scene, size_t mesh, std::vector<ShapeRow> rows) {
    Mesh& changed = scene.meshes[mesh];
    const size_t before = changed.shapes.size();
    const auto remake = [&](std::vector<float>& weights) {
        if (!weights.empty()) { // none are all at 0, however many there are
            weights = remade(weights, rows);
        }
    };
    remake(changed.shape_weights);
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        Node& node = scene.nodes[n];
        if (node.mesh != static_cast<int>(mesh)) {
            continue;
        }
        remake(node.shape_weights);
        for (Clip& clip : scene.clips) {
            for (Channel& channel : clip.channels) {
                if (channel.node == static_cast<int>(n) && channel.path == Path::weights &&
                    channel.width == static_cast<int>(before)) {
                    remake_keys(channel, rows);
                }
            }
            std::erase_if(clip.channels, [](const Channel& channel) { return channel.width == 0; });
        }
    }
    changed.shapes.clear();
    for (ShapeRow& row : rows) {
        changed.shapes.push_back(std::move(row.shape));
    }
}

std::vector<ShapedMesh> shaped_meshes(const Scene& scene, const std::vector<std::string>& surfaces) {
    const NamePatterns patterns(surfaces, scene);
    std::vector<ShapedMesh> meshes;
    for (const int surface : surfaces_of(scene)) {
        const Node& node = scene.nodes[static_cast<size_t>(surface)];
        const auto mesh = static_cast<size_t>(node.mesh);
        if ((surfaces.empty() || patterns.any_fits(node.name)) && !scene.meshes[mesh].shapes.empty() &&
            std::none_of(meshes.begin(), meshes.end(), [&](const ShapedMesh& one) { return one.mesh == mesh; })) {
            meshes.push_back({mesh, surface});
        }
    }
    return meshes;
}

std::vector<char> chosen_shapes(const Mesh& mesh, const std::vector<std::string>& shapes) {
    const NamePatterns patterns(shapes, [&](const std::string& name) {
        return std::any_of(mesh.shapes.begin(), mesh.shapes.end(),
                           [&](const MorphTarget& shape) { return shape.name == name; });
    });
    std::vector<char> chosen;
    for (const MorphTarget& shape : mesh.shapes) {
        chosen.push_back(shapes.empty() || patterns.any_fits(shape.name) ? 1 : 0);
    }
    return chosen;
}

std::string free_shape_name(std::span<const ShapeRow> rows, const std::string& wanted) {
    const auto taken = [&](const std::string& name) {
        return std::any_of(rows.begin(), rows.end(), [&](const ShapeRow& row) { return row.shape.name == name; });
    };
    std::string name = wanted;
    for (int number = 2; taken(name); ++number) {
        name = fmt::format("{}_{}", wanted, number);
    }
    return name;
}

MorphTarget sparse_shape(const std::string& name, const std::vector<Vec3f>& differences, double size_m) {
    const auto least = static_cast<float>(size_m * 1e-6);
    MorphTarget shape;
    shape.name = name;
    std::vector<uint32_t> points;
    std::vector<Vec3f> positions;
    for (size_t v = 0; v < differences.size(); ++v) {
        if (differences[v].squaredNorm() > least * least) {
            points.push_back(static_cast<uint32_t>(v));
            positions.push_back(differences[v]);
        }
    }
    shape.points = std::move(points);
    shape.positions = std::move(positions);
    return shape;
}

double reach_mm(const MorphTarget& shape) {
    double farthest = 0;
    for (const Vec3f& by : shape.positions) {
        farthest = std::max(farthest, static_cast<double>(by.norm()) * 1000);
    }
    return farthest;
}

} // namespace wembrix
