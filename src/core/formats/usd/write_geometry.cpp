#include "core/formats/usd/write_parts.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace wembrix::usd {

namespace {

constexpr Type float3 = {Kind::float32, Form::vector, 3};

void add_cache(const Writing& writing, int node, Prim& prim) {
    for (const PointCache& cache : writing.scene.caches) {
        Property* points = nullptr;
        for (Property& property : prim.properties) {
            points = property.name == "points" ? &property : points;
        }
        if (cache.surface != node || cache.frames < 1 || points == nullptr) {
            continue;
        }
        const size_t count = cache.positions.size() / static_cast<size_t>(cache.frames);
        const double step = writing.codes_per_second / cache.rate;
        const auto frame_of = [&](const Shared<Vec3f>& all, int f) {
            const auto owner = std::make_shared<Shared<Vec3f>>(all);
            Type type = float3;
            type.is_array = true;
            return Value(type, owner,
                         std::as_bytes(std::span(owner->get()).subspan(static_cast<size_t>(f) * count, count)));
        };
        Property* normals = nullptr;
        for (Property& property : prim.properties) {
            normals = property.name == "normals" ? &property : normals;
        }
        for (int f = 0; f < cache.frames; ++f) {
            points->samples.push_back({f * step, frame_of(cache.positions, f)});
            if (normals != nullptr && cache.normals.size() == cache.positions.size()) {
                normals->samples.push_back({f * step, frame_of(cache.normals, f)});
            }
        }
    }
}

std::string coordinates_name(const std::string& attribute) {
    const std::string number = attribute.substr(9); // "TEXCOORD_1"
    return number == "0" ? "st" : "st" + number;
}

void add_attributes(const Mesh& mesh, Prim& prim) {
    for (const Attribute& one : mesh.attributes) {
        const auto width = static_cast<uint8_t>(one.width);
        const Type type = width == 1 ? Type{Kind::float32} : Type{Kind::float32, Form::vector, width};
        if (one.name.starts_with("TEXCOORD_") && width == 2) {
            std::vector<float> flipped(one.data.begin(), one.data.end());
            for (size_t i = 1; i < flipped.size(); i += 2) {
                flipped[i] = 1 - flipped[i]; // counted from the bottom there
            }
            prim.properties.push_back(attribute("primvars:" + coordinates_name(one.name), "texCoord2f[]",
                                                Value::array<float>(type, std::move(flipped))));
        } else if (one.name == "COLOR_0" && (width == 3 || width == 4)) {
            std::vector<float> rgb;
            std::vector<float> alpha;
            for (size_t i = 0; i < one.data.size(); i += width) {
                rgb.insert(rgb.end(), {one.data[i], one.data[i + 1], one.data[i + 2]});
                if (width == 4) {
                    alpha.push_back(one.data[i + 3]);
                }
            }
            prim.properties.push_back(
                attribute("primvars:displayColor", "color3f[]", Value::array<float>(float3, std::move(rgb))));
            if (width == 4) {
                interpolated(prim.properties.back(), "vertex");
                prim.properties.push_back(attribute("primvars:displayOpacity", "float[]",
                                                    Value::array<float>({Kind::float32}, std::move(alpha))));
            }
        } else {
            std::set<std::string> none;
            const std::string name = prim_name(one.name, none);
            if (width >= 1 && width <= 4) {
                Property made =
                    attribute("primvars:" + name, name_of(type) + "[]", Value::array<float>(type, one.data));
                prim.properties.push_back(std::move(made));
            } else {
                prim.properties.push_back(
                    attribute("primvars:" + name, "float[]", Value::array<float>({Kind::float32}, one.data)));
                prim.properties.back().metadata.push_back({"elementSize", Value::integer(one.width)});
            }
        }
        interpolated(prim.properties.back(), "vertex");
    }
}

/// Influences as so many a vertex as the one with most has; what is not there weighs nothing.
void add_influences(const Writing& writing, const Node& node, Prim& prim) {
    const Skin& skin = writing.scene.skins[static_cast<size_t>(node.skin)];
    const WrittenSkeleton& skeleton =
        writing.skeletons[static_cast<size_t>(writing.skeleton_of[static_cast<size_t>(skin.joints.front())])];
    const size_t most = std::max<size_t>(1, node.influences.largest_row());
    const size_t vertices = node.influences.offsets.size() - 1;
    std::vector<int32_t> joints(vertices * most, 0);
    std::vector<float> weights(vertices * most, 0);
    for (size_t v = 0; v < vertices; ++v) {
        const uint32_t begin = node.influences.offsets[v];
        for (uint32_t k = begin; k < node.influences.offsets[v + 1]; ++k) {
            joints[v * most + k - begin] = node.influences.joints[k];
            weights[v * most + k - begin] = node.influences.weights[k];
        }
    }
    std::vector<std::string> tokens;
    for (const int joint : skin.joints) {
        tokens.push_back(skeleton.tokens[skeleton.place_of.at(joint)]);
    }
    prim.api_schemas.prepended.emplace_back("SkelBindingAPI");
    prim.properties.push_back(uniform("skel:joints", "token[]", Value::tokens(std::move(tokens))));
    prim.properties.push_back(relation("skel:skeleton", skeleton.path));
    prim.properties.push_back(
        attribute("primvars:skel:jointIndices", "int[]", Value::array<int32_t>({Kind::int32}, std::move(joints))));
    prim.properties.push_back(
        attribute("primvars:skel:jointWeights", "float[]", Value::array<float>({Kind::float32}, std::move(weights))));
    for (size_t p = prim.properties.size() - 2; p < prim.properties.size(); ++p) {
        prim.properties[p].metadata.push_back({"elementSize", Value::integer(static_cast<int32_t>(most))});
        interpolated(prim.properties[p], "vertex");
    }
    prim.properties.push_back(attribute("primvars:skel:geomBindTransform", "matrix4d",
                                        matrix_value(writing.geometry_of_skin[static_cast<size_t>(node.skin)])));
}

/// A surface that hangs on a joint: it has a place among the joints itself, and is bound to that as a whole.
void add_rigid(const Writing& writing, int node, size_t vertices, Prim& prim) {
    const WrittenSkeleton& skeleton =
        writing.skeletons[static_cast<size_t>(writing.skeleton_of[static_cast<size_t>(node)])];
    const size_t place = skeleton.place_of.at(node);
    prim.api_schemas.prepended.emplace_back("SkelBindingAPI");
    prim.properties.push_back(uniform("skel:joints", "token[]", Value::tokens({skeleton.tokens[place]})));
    prim.properties.push_back(relation("skel:skeleton", skeleton.path));
    // One influence for all would do, but few readers know that.
    prim.properties.push_back(attribute("primvars:skel:jointIndices", "int[]",
                                        Value::array<int32_t>({Kind::int32}, std::vector<int32_t>(vertices, 0))));
    prim.properties.push_back(attribute("primvars:skel:jointWeights", "float[]",
                                        Value::array<float>({Kind::float32}, std::vector<float>(vertices, 1))));
    for (size_t p = prim.properties.size() - 2; p < prim.properties.size(); ++p) {
        prim.properties[p].metadata.push_back({"elementSize", Value::integer(1)});
        interpolated(prim.properties[p], "vertex");
    }
    prim.properties.push_back(
        attribute("primvars:skel:geomBindTransform", "matrix4d", matrix_value(skeleton.binds[place])));
}

void add_shapes(Writing& writing, int node, const Mesh& mesh, const std::string& path, Prim& prim) {
    std::set<std::string> taken;
    for (const Prim& child : prim.children) {
        taken.insert(child.name);
    }
    std::vector<std::string> tokens;
    Property targets = relation("skel:blendShapeTargets", "");
    targets.targets.items.clear();
    for (size_t s = 0; s < mesh.shapes.size(); ++s) {
        const MorphTarget& shape = mesh.shapes[s];
        Prim blend;
        blend.name = prim_name(shape.name, taken);
        blend.type_name = "BlendShape";
        const std::string& token = writing.shape_tokens[{node, s}];
        if (shape.name != token) {
            blend.metadata.push_back({"displayName", Value::string(shape.name)});
        }
        blend.properties.push_back(uniform("offsets", "vector3f[]", Value::array<Vec3f>(float3, shape.positions)));
        if (shape.has_normals && shape.normals.size() == shape.points.size()) {
            blend.properties.push_back(
                uniform("normalOffsets", "vector3f[]", Value::array<Vec3f>(float3, shape.normals)));
        }
        std::vector<int32_t> points(shape.points.begin(), shape.points.end());
        blend.properties.push_back(
            uniform("pointIndices", "int[]", Value::array<int32_t>({Kind::int32}, std::move(points))));
        tokens.push_back(token);
        targets.targets.items.push_back(path + "/" + blend.name);
        prim.children.push_back(std::move(blend));
    }
    if (tokens.empty()) {
        return;
    }
    if (std::find(prim.api_schemas.prepended.begin(), prim.api_schemas.prepended.end(), "SkelBindingAPI") ==
        prim.api_schemas.prepended.end()) {
        prim.api_schemas.prepended.emplace_back("SkelBindingAPI");
    }
    prim.properties.push_back(uniform("skel:blendShapes", "token[]", Value::tokens(std::move(tokens))));
    prim.properties.push_back(std::move(targets));
}

} // namespace

Result<Prim> mesh_prim(Writing& writing, int node, const std::string& name, const std::string& path) {
    const Scene& scene = writing.scene;
    const Node& carrier = scene.nodes[static_cast<size_t>(node)];
    const Mesh& mesh = scene.meshes[static_cast<size_t>(carrier.mesh)];
    Prim prim;
    prim.name = name;
    prim.type_name = "Mesh";
    std::vector<int32_t> indices;
    std::vector<std::vector<int32_t>> faces_of_part;
    bool double_sided = false;
    for (const Primitive& part : mesh.primitives) {
        faces_of_part.emplace_back();
        for (const std::array<uint32_t, 3>& triangle : triangles_of(mesh, part)) {
            faces_of_part.back().push_back(static_cast<int32_t>(indices.size() / 3));
            for (const uint32_t corner : triangle) {
                indices.push_back(static_cast<int32_t>(corner));
            }
        }
        double_sided =
            double_sided || (part.material >= 0 && scene.materials[static_cast<size_t>(part.material)].double_sided);
    }
    prim.properties.push_back(uniform("doubleSided", "bool", Value::truth(double_sided)));
    prim.properties.push_back(attribute("extent", "float3[]", extent_of(mesh.positions.get())));
    prim.properties.push_back(
        attribute("faceVertexCounts", "int[]",
                  Value::array<int32_t>({Kind::int32}, std::vector<int32_t>(indices.size() / 3, 3))));
    prim.properties.push_back(
        attribute("faceVertexIndices", "int[]", Value::array<int32_t>({Kind::int32}, std::move(indices))));
    prim.properties.push_back(attribute("points", "point3f[]", Value::array<Vec3f>(float3, mesh.positions)));
    if (!mesh.normals.empty()) {
        prim.properties.push_back(attribute("normals", "normal3f[]", Value::array<Vec3f>(float3, mesh.normals)));
        interpolated(prim.properties.back(), "vertex");
    }
    if (!mesh.tangents.empty()) {
        prim.properties.push_back(attribute("primvars:tangents", "float4[]",
                                            Value::array<Vec4f>({Kind::float32, Form::vector, 4}, mesh.tangents)));
        interpolated(prim.properties.back(), "vertex");
    }
    add_attributes(mesh, prim);
    prim.properties.push_back(uniform("subdivisionScheme", "token", Value::token("none")));
    const auto material_of = [&](const Primitive& part) {
        return part.material < 0 || static_cast<size_t>(part.material) >= writing.material_paths.size()
                   ? std::string()
                   : writing.material_paths[static_cast<size_t>(part.material)];
    };
    if (mesh.primitives.size() == 1 && !material_of(mesh.primitives[0]).empty()) {
        prim.api_schemas.prepended.emplace_back("MaterialBindingAPI");
        prim.properties.push_back(relation("material:binding", material_of(mesh.primitives[0])));
    } else if (mesh.primitives.size() > 1) {
        std::set<std::string> taken;
        for (size_t p = 0; p < mesh.primitives.size(); ++p) {
            const std::string material = material_of(mesh.primitives[p]);
            if (material.empty()) {
                continue;
            }
            Prim subset;
            subset.name = prim_name(scene.materials[static_cast<size_t>(mesh.primitives[p].material)].name, taken);
            subset.type_name = "GeomSubset";
            subset.api_schemas.prepended = {"MaterialBindingAPI"};
            subset.properties.push_back(uniform("elementType", "token", Value::token("face")));
            subset.properties.push_back(uniform("familyName", "token", Value::token("materialBind")));
            subset.properties.push_back(
                attribute("indices", "int[]", Value::array<int32_t>({Kind::int32}, faces_of_part[p])));
            subset.properties.push_back(relation("material:binding", material));
            prim.children.push_back(std::move(subset));
        }
    }
    if (carrier.skin >= 0 && !carrier.influences.empty()) {
        add_influences(writing, carrier, prim);
    } else if (writing.skeleton_of[static_cast<size_t>(node)] >= 0) {
        add_rigid(writing, node, mesh.point_count(), prim);
    }
    add_shapes(writing, node, mesh, path, prim);
    add_cache(writing, node, prim);
    return prim;
}

Prim curves_prim(Writing& writing, int node, const std::string& name) {
    const CurveSet& curves =
        writing.scene.curve_sets[static_cast<size_t>(writing.scene.nodes[static_cast<size_t>(node)].curves)];
    Prim prim;
    prim.name = name;
    prim.type_name = "BasisCurves";
    float widest = 0;
    for (const float width : curves.widths) {
        widest = std::max(widest, width);
    }
    prim.properties.push_back(attribute(
        "curveVertexCounts", "int[]",
        Value::array<int32_t>({Kind::int32}, std::vector<int32_t>(curves.counts.begin(), curves.counts.end()))));
    prim.properties.push_back(attribute("extent", "float3[]", extent_of(curves.points.get(), widest / 2)));
    prim.properties.push_back(attribute("points", "point3f[]", Value::array<Vec3f>(float3, curves.points)));
    prim.properties.push_back(uniform("type", "token", Value::token("linear")));
    prim.properties.push_back(uniform("wrap", "token", Value::token("nonperiodic")));
    if (!curves.widths.empty()) {
        prim.properties.push_back(attribute("widths", "float[]", Value::array<float>({Kind::float32}, curves.widths)));
        interpolated(prim.properties.back(), "vertex");
    }
    for (const Attribute& one : curves.per_curve) {
        std::set<std::string> none;
        const auto width = static_cast<uint8_t>(one.width);
        const Type type = width == 1 ? Type{Kind::float32} : Type{Kind::float32, Form::vector, width};
        if (width >= 1 && width <= 4) {
            prim.properties.push_back(attribute("primvars:" + prim_name(one.name, none), name_of(type) + "[]",
                                                Value::array<float>(type, one.data)));
            interpolated(prim.properties.back(), "uniform");
        }
    }
    if (!curves.roots.empty()) {
        std::vector<int32_t> triangles;
        std::vector<float> places;
        for (const CurveRoot& root : curves.roots) {
            triangles.push_back(static_cast<int32_t>(root.triangle));
            places.insert(places.end(), {root.u, root.v});
        }
        prim.properties.push_back(
            attribute("primvars:rootTriangle", "int[]", Value::array<int32_t>({Kind::int32}, std::move(triangles))));
        interpolated(prim.properties.back(), "uniform");
        prim.properties.push_back(attribute("primvars:rootPlace", "float2[]",
                                            Value::array<float>({Kind::float32, Form::vector, 2}, std::move(places))));
        interpolated(prim.properties.back(), "uniform");
        if (const auto found = writing.paths.find(curves.surface); found != writing.paths.end()) {
            prim.properties.push_back(relation("rootSurface", found->second));
            prim.properties.back().is_custom = true;
        }
    }
    if (curves.material >= 0 && static_cast<size_t>(curves.material) < writing.material_paths.size()) {
        prim.api_schemas.prepended = {"MaterialBindingAPI"};
        prim.properties.push_back(
            relation("material:binding", writing.material_paths[static_cast<size_t>(curves.material)]));
    }
    add_cache(writing, node, prim);
    return prim;
}

} // namespace wembrix::usd
