// Normals and tangents that a reader of the file would stumble over.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/findings/finding.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

const Mesh& mesh_of(const Scene& scene, int surface) {
    return scene.meshes[static_cast<size_t>(scene.nodes[static_cast<size_t>(surface)].mesh)];
}

Finding about(const Scene& scene, int surface, Grade grade) {
    Finding finding;
    finding.grade = grade;
    finding.where = scene.nodes[static_cast<size_t>(surface)].name;
    finding.nodes = {finding.where};
    return finding;
}

} // namespace

std::vector<Finding> find_broken_normals(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const int surface : surfaces_of(context.scene)) {
        const Mesh& mesh = mesh_of(context.scene, surface);
        std::vector<uint32_t> broken;
        for (const Primitive& primitive : mesh.primitives) {
            if (!primitive.has_normals || primitive.topology < Topology::triangles || mesh.normals.empty()) {
                continue;
            }
            for (uint32_t v = primitive.first_point; v < primitive.first_point + primitive.point_count; ++v) {
                const float length = mesh.normals[v].norm();
                if (!(std::abs(length - 1) < 1e-2F)) { // written so that what is no number is broken, too
                    broken.push_back(v);
                }
            }
        }
        if (broken.empty()) {
            continue;
        }
        Finding finding = about(context.scene, surface, Grade::look);
        finding.message =
            phrase("“{}” has {} of another length than 1", finding.where, counted(broken.size(), "normal"));
        finding.reason = phrase("Engines light such vertices too dark, too bright or not at all; the first is "
                                "vertex {}.",
                                broken.front());
        finding.point_at(finding.where, broken);
        finding.step = Step{"recompute_normals", {{"surfaces", {finding.where}}, {"keep_directions", true}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_normals_against_winding(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const int surface : surfaces_of(context.scene)) {
        const Mesh& mesh = mesh_of(context.scene, surface);
        size_t against = 0;
        size_t all = 0;
        for (const Primitive& primitive : mesh.primitives) {
            if (!primitive.has_normals || mesh.normals.empty()) {
                continue;
            }
            for (const auto& [a, b, c] : triangles_of(mesh, primitive)) {
                const Vec3f turn = (mesh.positions[b] - mesh.positions[a]).cross(mesh.positions[c] - mesh.positions[a]);
                const Vec3f mean = mesh.normals[a] + mesh.normals[b] + mesh.normals[c];
                // Along an edge that is smoothed a thin triangle may lean a little the other way.
                against += turn.dot(mean) < -0.2F * turn.norm() * mean.norm() ? 1 : 0;
                ++all;
            }
        }
        if (against * 100 <= all) {
            continue;
        }
        const bool most = against * 2 > all;
        Finding finding = about(context.scene, surface, Grade::look);
        finding.message = most ? phrase("“{}” is inside out", finding.where)
                               : phrase("{} of “{}” have their normals on the other side", counted(against, "triangle"),
                                        finding.where);
        finding.reason = phrase("{} of {} triangles turn against their normals: an engine that leaves out what it "
                                "sees from behind shows holes there.",
                                against, all);
        finding.step = most ? Step{"flip_winding", {{"surfaces", {finding.where}}, {"normals", false}}}
                            : Step{"recompute_normals", {{"surfaces", {finding.where}}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

std::vector<Finding> find_missing_tangents(const FindingContext& context) {
    std::vector<Finding> findings;
    for (const int surface : surfaces_of(context.scene)) {
        const Mesh& mesh = mesh_of(context.scene, surface);
        size_t without = 0;
        for (const Primitive& primitive : mesh.primitives) {
            const bool mapped =
                primitive.material >= 0 &&
                context.scene.materials[static_cast<size_t>(primitive.material)].normal_texture.texture >= 0;
            const bool lies = std::find(primitive.attributes.begin(), primitive.attributes.end(), "TEXCOORD_0") !=
                              primitive.attributes.end(); // else there is nothing that tangents could follow
            without += mapped && lies && !primitive.has_tangents && primitive.topology >= Topology::triangles ? 1 : 0;
        }
        if (without == 0) {
            continue;
        }
        Finding finding = about(context.scene, surface, Grade::note);
        finding.message = phrase("“{}” has a normal map and no tangents", finding.where);
        finding.reason = phrase("{} go without: each engine makes its own, and bumps may turn the other way there.",
                                counted(without, "slot"));
        finding.step = Step{"recompute_tangents", {{"surfaces", {finding.where}}}};
        findings.push_back(std::move(finding));
    }
    return findings;
}

} // namespace wembrix
