#include "core/steps/strands/stand_in.h"

#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/measure/strands/strand_deform.h"
#include "core/measure/surface/weight_rows.h"
#include "core/steps/strands/strand_sets.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <set>

namespace wembrix {

namespace {

constexpr size_t most_holders = 4; ///< of a vertex: what most engines take

/// The weights of the surface at a place on it, the heaviest of them.
WeightRow weights_at(const Influences& influences, const StrandSurface& surface, const CurveRoot& root) {
    const std::array<uint32_t, 3>& corners = surface.triangles()[root.triangle];
    const std::array<double, 3> parts = {1 - static_cast<double>(root.u) - static_cast<double>(root.v), root.u, root.v};
    WeightRow row;
    WeightRow own;
    for (size_t c = 0; c < 3; ++c) {
        read_row(influences, corners[c], own);
        for (const Weight& one : own) {
            add_weight(row, one.joint, one.weight * std::max(0.0, parts[c]));
        }
    }
    std::stable_sort(row.begin(), row.end(), [](const Weight& a, const Weight& b) { return a.weight > b.weight; });
    row.resize(std::min(row.size(), most_holders));
    settle_row(row, {});
    return row;
}

/// From the mesh's own space to the world, for a vertex with these weights.
Mat4 matrix_of(const Scene& scene, int skin, const WeightRow& row, const std::vector<Mat4>& world) {
    const Skin& of = scene.skins[static_cast<size_t>(skin)];
    Mat4 sum = Mat4::Zero();
    for (const Weight& one : row) {
        sum += one.weight * (world[static_cast<size_t>(of.joints[one.joint])] * of.inverse_binds[one.joint]);
    }
    return sum;
}

/// Shapes of the surface that move a root: what stands in has none of them.
size_t shapes_under(const Scene& scene, int surface, const StrandSurface& rest, const std::set<uint32_t>& triangles) {
    const Mesh& mesh = scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface)].mesh)];
    std::vector<char> held(mesh.point_count(), 0);
    for (const uint32_t triangle : triangles) {
        for (const uint32_t v : rest.triangles()[triangle]) {
            held[v] = 1;
        }
    }
    return static_cast<size_t>(std::count_if(mesh.shapes.begin(), mesh.shapes.end(), [&](const MorphTarget& shape) {
        return std::any_of(shape.points.begin(), shape.points.end(), [&](uint32_t v) { return held[v] != 0; });
    }));
}

/// Its places come to be in the mesh's own space.
Outcome put_under_skin(const Scene& scene, const StandingStrands& strands, const CurveSet& curves,
                       const std::vector<RowOfStrand>& rows, StandInWeights weights, Mesh& mesh, Node& node) {
    const Node& emitter = scene.nodes[static_cast<size_t>(strands.surface)];
    const std::vector<Mat4> world = rest_world(scene);
    node.skin = emitter.skin;
    InfluencesBuilder influences(mesh.point_count());
    std::vector<Vec3f> positions = mesh.positions.get();
    std::vector<Vec3f> normals = mesh.normals.get();
    size_t vertex = 0;
    WeightRow row;
    Mat4 back = Mat4::Identity();
    Mat3 turned = Mat3::Identity();
    for (const RowOfStrand& of : rows) {
        const CurveRoot& root = curves.roots[of.strand];
        if (of.at_root || weights == StandInWeights::along) {
            CurveRoot at = root;
            if (!of.at_root) {
                Vec3 middle = Vec3::Zero();
                for (size_t p = 0; p < of.points; ++p) {
                    middle += positions[vertex + p].cast<double>() / static_cast<double>(of.points);
                }
                at = strands.rest->nearest_along(middle, root.triangle);
            }
            row = weights_at(emitter.influences, *strands.rest, at);
            if (row.empty()) {
                return Problem{phrase("no joint holds \"{}\" where strand {} grows.", emitter.name, of.strand), "",
                               "Give the surface weights there first."};
            }
            const Mat4 matrix = matrix_of(scene, emitter.skin, row, world);
            if (std::abs(matrix.determinant()) < 1e-12) {
                return Problem{phrase("the joints that hold \"{}\" have no size at rest.", emitter.name), "", ""};
            }
            back = matrix.inverse();
            turned = linear_of(matrix).transpose();
        }
        for (size_t p = 0; p < of.points; ++p, ++vertex) {
            influences.add(row);
            positions[vertex] = point_of(back, positions[vertex].cast<double>()).cast<float>();
            if (!normals.empty()) {
                normals[vertex] = (turned * normals[vertex].cast<double>()).normalized().cast<float>();
            }
        }
    }
    mesh.positions = std::move(positions);
    mesh.normals = std::move(normals);
    node.influences = influences.take();
    return Done{};
}

} // namespace

Result<StandingStrands> standing_strands(const Scene& scene, const std::string& strands, const std::string& name,
                                         const char* suffix) {
    const Result<int> found = strands_named(scene, strands);
    if (!found) {
        return found.problem();
    }
    const Node& carrier = scene.nodes[static_cast<size_t>(*found)];
    const CurveSet& curves = scene.curve_sets[static_cast<size_t>(carrier.curves)];
    StandingStrands standing;
    standing.node = *found;
    standing.surface = curves.surface;
    standing.name = name.empty() ? carrier.name + suffix : name;
    if (scene.find_node(standing.name) >= 0) {
        return Problem{phrase("something is called \"{}\" already.", standing.name), "", "Give it another name."};
    }
    if (curves.points.empty()) {
        return Problem{phrase("\"{}\" has no strands yet.", carrier.name), "", "Grow them first."};
    }
    if (curves.surface >= 0 && !roots_are_valid(scene, curves)) {
        return Problem{"not every strand has a root on the surface.", "", "Root them first."};
    }
    const Mat4 world = rest_world(scene)[static_cast<size_t>(*found)];
    standing.places = curves.points.get();
    for (Vec3f& place : standing.places) {
        place = point_of(world, place.cast<double>()).cast<float>();
    }
    if (curves.surface >= 0) {
        standing.rest.emplace(scene, curves.surface);
    }
    return standing;
}

Outcome add_stand_in(StepResult& result, const StandingStrands& strands, Mesh mesh,
                     const std::vector<RowOfStrand>& rows, StandInWeights weights) {
    Scene& scene = result.scene;
    const Node& carrier = scene.nodes[static_cast<size_t>(strands.node)];
    const CurveSet& curves = scene.curve_sets[static_cast<size_t>(carrier.curves)];
    Node node;
    node.name = strands.name;
    node.kind = NodeKind::surface;
    node.scenes = carrier.scenes;
    const int surface = strands.surface;
    if (surface >= 0 && scene.nodes[static_cast<size_t>(surface)].skin >= 0 &&
        !scene.nodes[static_cast<size_t>(surface)].influences.empty()) {
        node.parent = scene.nodes[static_cast<size_t>(surface)].parent;
        if (Outcome put = put_under_skin(scene, strands, curves, rows, weights, mesh, node); !put) {
            return put;
        }
    } else {
        node.parent = surface >= 0 ? surface : carrier.parent;
        if (node.parent >= 0) {
            transform_geometry(mesh, rest_world(scene)[static_cast<size_t>(node.parent)].inverse());
        }
    }
    if (surface >= 0) {
        std::set<uint32_t> triangles;
        for (const RowOfStrand& row : rows) {
            triangles.insert(curves.roots[row.strand].triangle);
        }
        const size_t shapes = shapes_under(scene, surface, *strands.rest, triangles);
        if (shapes > 0) {
            result.could_not.push_back(phrase("{} of “{}” move the surface under “{}”, which does not follow",
                                              counted(shapes, "shape"), scene.nodes[static_cast<size_t>(surface)].name,
                                              strands.name));
        }
    }
    node.mesh = static_cast<int>(scene.meshes.size());
    scene.meshes.push_back(std::move(mesh));
    scene.nodes.push_back(std::move(node));
    return Done{};
}

} // namespace wembrix
