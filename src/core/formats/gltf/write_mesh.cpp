#include "core/formats/gltf/write_mesh.h"

#include <algorithm>
#include <fmt/format.h>
#include <map>

namespace wembrix::gltf {

namespace {

using Use = BufferBuilder::Use;

struct Holder {
    uint32_t joint = 0;
    float weight = 0;
};

/// The holders of a point, each joint once, heaviest first, weights adding up to 1 in single precision.
std::vector<Holder> holders_of(const Influences& rows, size_t point, Weights kind) {
    std::map<uint32_t, double> merged;
    double sum = 0;
    for (uint32_t k = rows.offsets[point]; k < rows.offsets[point + 1]; ++k) {
        merged[rows.joints[k]] += rows.weights[k];
        sum += rows.weights[k];
    }
    std::vector<Holder> holders;
    for (const auto& [joint, weight] : merged) {
        const auto share = static_cast<float>(kind == Weights::sum_to_one ? weight / sum : weight);
        if (share > 0) {
            holders.push_back({joint, share});
        }
    }
    std::stable_sort(holders.begin(), holders.end(),
                     [](const Holder& a, const Holder& b) { return a.weight > b.weight; });
    if (kind == Weights::as_they_are) {
        return holders;
    }
    float rest = 1;
    for (size_t i = 1; i < holders.size(); ++i) {
        rest -= holders[i].weight;
    }
    if (!holders.empty()) {
        holders.front().weight = rest;
    }
    return holders;
}

void put_influences(const Influences& influences, const Primitive& part, Json& attributes, BufferBuilder& buffer,
                    Weights kind) {
    std::vector<std::vector<Holder>> rows;
    size_t most = 1;
    for (size_t i = 0; i < part.point_count; ++i) {
        rows.push_back(holders_of(influences, part.first_point + i, kind));
        most = std::max(most, rows.back().size());
    }
    for (size_t set = 0; set * 4 < most; ++set) {
        std::vector<uint32_t> joints;
        std::vector<float> weights;
        for (const std::vector<Holder>& row : rows) {
            for (size_t k = set * 4; k < set * 4 + 4; ++k) {
                joints.push_back(k < row.size() ? row[k].joint : 0);
                weights.push_back(k < row.size() ? row[k].weight : 0);
            }
        }
        attributes[fmt::format("JOINTS_{}", set)] = buffer.add_whole(joints, 4, Use::points, 1);
        attributes[fmt::format("WEIGHTS_{}", set)] = buffer.add_floats(weights, 4, Use::points, false);
    }
}

Json put_points(const Mesh& mesh, const Influences& influences, const Primitive& part, BufferBuilder& buffer,
                Weights kind) {
    Json attributes = Json::object();
    std::vector<float> flat;
    auto range = [&](const auto& values) {
        flat.clear();
        for (size_t i = part.first_point; i < static_cast<size_t>(part.first_point) + part.point_count; ++i) {
            flat.insert(flat.end(), values[i].data(), values[i].data() + values[i].size());
        }
    };
    range(mesh.positions);
    attributes["POSITION"] = buffer.add_floats(flat, 3, Use::points, true);
    if (part.has_normals && mesh.normals.size() == mesh.point_count()) {
        std::vector<Vec3f> unit = mesh.normals.get();
        for (Vec3f& normal : unit) {
            normal = normal.squaredNorm() > 1e-12F ? Vec3f(normal.normalized()) : Vec3f(0, 1, 0);
        }
        range(unit);
        attributes["NORMAL"] = buffer.add_floats(flat, 3, Use::points, false);
        if (part.has_tangents && mesh.tangents.size() == mesh.point_count()) {
            std::vector<Vec4f> tangents = mesh.tangents.get();
            for (Vec4f& tangent : tangents) {
                const Vec3f along = tangent.head<3>();
                tangent.head<3>() = along.squaredNorm() > 1e-12F ? Vec3f(along.normalized()) : Vec3f(1, 0, 0);
                tangent.w() = tangent.w() < 0 ? -1.0F : 1.0F;
            }
            range(tangents);
            attributes["TANGENT"] = buffer.add_floats(flat, 4, Use::points, false);
        }
    }
    for (const Attribute& attribute : mesh.attributes) {
        if (std::find(part.attributes.begin(), part.attributes.end(), attribute.name) == part.attributes.end()) {
            continue;
        }
        const auto first = attribute.data.begin() + static_cast<ptrdiff_t>(part.first_point) * attribute.width;
        const std::vector<float> values(first, first + static_cast<ptrdiff_t>(part.point_count) * attribute.width);
        attributes[attribute.name] = buffer.add_floats(values, attribute.width, Use::points, false);
    }
    if (!influences.empty()) {
        put_influences(influences, part, attributes, buffer, kind);
    }
    return attributes;
}

Json put_shapes(const Mesh& mesh, const Primitive& part, BufferBuilder& buffer) {
    Json targets = Json::array();
    for (const MorphTarget& shape : mesh.shapes) {
        auto dense = [&](const Shared<Vec3f>& differences) {
            std::vector<float> flat(static_cast<size_t>(part.point_count) * 3, 0);
            for (size_t k = 0; k < shape.points.size(); ++k) {
                const uint32_t point = shape.points[k];
                if (point >= part.first_point && point - part.first_point < part.point_count) {
                    std::copy_n(differences[k].data(), 3,
                                flat.begin() + static_cast<ptrdiff_t>(point - part.first_point) * 3);
                }
            }
            return flat;
        };
        Json target = {{"POSITION", buffer.add_floats(dense(shape.positions), 3, Use::points, true)}};
        if (shape.has_normals && part.has_normals) {
            target["NORMAL"] = buffer.add_floats(dense(shape.normals), 3, Use::points, false);
        }
        if (shape.has_tangents && part.has_tangents) {
            target["TANGENT"] = buffer.add_floats(dense(shape.tangents), 3, Use::points, false);
        }
        targets.push_back(std::move(target));
    }
    return targets;
}

} // namespace

Json write_mesh(const Mesh& mesh, const Influences& influences, BufferBuilder& buffer, Weights weights) {
    Json primitives = Json::array();
    std::map<uint32_t, std::pair<Json, Json>> written; // parts that share points share their accessors
    for (const Primitive& part : mesh.primitives) {
        if (part.point_count == 0 || part.index_count == 0) {
            continue;
        }
        auto [shared, fresh] = written.try_emplace(part.first_point);
        if (fresh) {
            shared->second.first = put_points(mesh, influences, part, buffer, weights);
            shared->second.second = put_shapes(mesh, part, buffer);
        }
        std::vector<uint32_t> indices(mesh.indices.begin() + part.first_index,
                                      mesh.indices.begin() + part.first_index + part.index_count);
        for (uint32_t& index : indices) {
            index -= part.first_point;
        }
        Json primitive = {{"attributes", shared->second.first},
                          {"indices", buffer.add_whole(indices, 1, Use::indices, 2)}};
        if (!shared->second.second.empty()) {
            primitive["targets"] = shared->second.second;
        }
        if (part.topology != Topology::triangles) {
            primitive["mode"] = static_cast<int>(part.topology);
        }
        if (part.material >= 0) {
            primitive["material"] = part.material;
        }
        if (!part.carried.extras.empty()) {
            primitive["extras"] = Json::parse(part.carried.extras);
        }
        if (!part.carried.extensions.empty()) {
            primitive["extensions"] = Json::parse(part.carried.extensions);
        }
        primitives.push_back(std::move(primitive));
    }
    Json json = {{"name", mesh.name}, {"primitives", std::move(primitives)}};
    if (!mesh.carried.extras.empty()) {
        json["extras"] = Json::parse(mesh.carried.extras);
    }
    if (!mesh.shapes.empty()) {
        // Not in the standard's text but read by most: shape names in the extras.
        Json names = Json::array();
        for (const MorphTarget& shape : mesh.shapes) {
            names.push_back(shape.name);
        }
        if (json.contains("extras") && !json["extras"].is_object()) {
            json["extras"] = {{"value", json["extras"]}};
        }
        json["extras"]["targetNames"] = std::move(names);
        if (!mesh.shape_weights.empty()) {
            std::vector<float> starting = mesh.shape_weights;
            starting.resize(mesh.shapes.size(), 0);
            json["weights"] = starting;
        }
    }
    if (!mesh.carried.extensions.empty()) {
        json["extensions"] = Json::parse(mesh.carried.extensions);
    }
    return json;
}

} // namespace wembrix::gltf
