#include "core/base/text.h"
#include "core/formats/usd/write_parts.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>

namespace wembrix::usd {

namespace {

/// Goes into a skeleton: a joint, or what hangs on one: a point, a surface that is under no skin.
bool is_in_skeleton(const Scene& scene, int node) {
    const Node& one = scene.nodes[static_cast<size_t>(node)];
    const bool may_hang = one.curves < 0 && one.hull < 0 && one.skin < 0;
    return one.kind == NodeKind::joint || (joint_above(scene, node) >= 0 && may_hang);
}

} // namespace

Outcome find_skeletons(Writing& writing) {
    const Scene& scene = writing.scene;
    writing.skeleton_of.assign(scene.nodes.size(), -1);
    std::map<int, std::set<std::string>> taken; // names below each joint
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        const auto node = static_cast<int>(n);
        if (!is_in_skeleton(scene, node)) {
            continue;
        }
        const int parent = scene.nodes[n].parent;
        int place = parent < 0 ? -1 : writing.skeleton_of[static_cast<size_t>(parent)];
        if (place < 0) {
            const auto found = std::find_if(writing.skeletons.begin(), writing.skeletons.end(),
                                            [&](const WrittenSkeleton& one) { return one.holder == parent; });
            place = static_cast<int>(found - writing.skeletons.begin());
            if (found == writing.skeletons.end()) {
                writing.skeletons.emplace_back();
                writing.skeletons.back().holder = parent;
            }
        }
        WrittenSkeleton& skeleton = writing.skeletons[static_cast<size_t>(place)];
        const auto above = skeleton.place_of.find(parent);
        const bool is_root = above == skeleton.place_of.end();
        // Readers tell things by their names: a surface's place among the joints is called otherwise than its prim.
        const std::string called = scene.nodes[n].name + (scene.nodes[n].mesh >= 0 ? "_place" : "");
        const std::string own = prim_name(called, taken[is_root ? -2 - place : parent]);
        skeleton.tokens.push_back(is_root ? own : skeleton.tokens[above->second] + "/" + own);
        skeleton.place_of[node] = skeleton.nodes.size();
        skeleton.nodes.push_back(node);
        skeleton.binds.push_back(writing.world[n]);
        writing.skeleton_of[n] = place;
    }
    std::vector<char> said(scene.nodes.size(), 0);
    writing.geometry_of_skin.assign(scene.skins.size(), Mat4::Identity());
    for (size_t s = 0; s < scene.skins.size(); ++s) {
        const Skin& skin = scene.skins[s];
        // Where the surface was when it was bound, as joints that others were bound to say it.
        Mat4& geometry = writing.geometry_of_skin[s];
        bool is_known = false;
        for (size_t j = 0; j < skin.joints.size(); ++j) {
            const auto node = static_cast<size_t>(skin.joints[j]);
            const int place = writing.skeleton_of[node];
            if (place < 0) {
                return Problem{phrase("“{}” holds “{}”, which is no joint.", skin.name, scene.nodes[node].name), "",
                               ""};
            }
            if (place != writing.skeleton_of[static_cast<size_t>(skin.joints[0])]) {
                return Problem{phrase("“{}” is under joints of two skeletons, which USD cannot hold.", skin.name), "",
                               "Put all joints under one root."};
            }
            if (std::abs(skin.inverse_binds[j].determinant()) < 1e-300) {
                return Problem{phrase("the bind pose of “{}” has no size.", scene.nodes[node].name), "", ""};
            }
            const WrittenSkeleton& skeleton = writing.skeletons[static_cast<size_t>(place)];
            if (said[node] != 0 && !is_known) {
                geometry = skeleton.binds[skeleton.place_of.at(skin.joints[j])] * skin.inverse_binds[j];
                is_known = true;
            }
        }
        geometry = geometry.isIdentity(1e-6) ? Mat4(Mat4::Identity()) : geometry;
        for (size_t j = 0; j < skin.joints.size(); ++j) {
            const auto node = static_cast<size_t>(skin.joints[j]);
            WrittenSkeleton& skeleton = writing.skeletons[static_cast<size_t>(writing.skeleton_of[node])];
            Mat4& bind = skeleton.binds[skeleton.place_of.at(skin.joints[j])];
            const Mat4 own = geometry * skin.inverse_binds[j].inverse();
            if (said[node] != 0 && (own - bind).norm() > 1e-5 * std::max(1.0, own.norm())) {
                return Problem{phrase("two surfaces were bound to “{}” in two poses, and a USD skeleton has one.",
                                      scene.nodes[node].name),
                               "", "Set one rest pose for both."};
            }
            bind = said[node] != 0 ? bind : own;
            said[node] = 1;
        }
    }
    return Done{};
}

Prim skeleton_prim(const Writing& writing, const WrittenSkeleton& skeleton) {
    Prim prim;
    prim.name = last_name(skeleton.path);
    prim.type_name = "Skeleton";
    prim.properties.push_back(uniform("joints", "token[]", Value::tokens(skeleton.tokens)));
    std::vector<std::string> names;
    std::vector<std::string> points;
    std::vector<std::string> surfaces;
    std::vector<Mat4> rests;
    for (size_t j = 0; j < skeleton.nodes.size(); ++j) {
        const Node& node = writing.scene.nodes[static_cast<size_t>(skeleton.nodes[j])];
        names.push_back(node.name);
        rests.push_back(node.rest.matrix());
        if (node.mesh >= 0) {
            surfaces.push_back(skeleton.tokens[j]);
        } else if (node.kind != NodeKind::joint) {
            points.push_back(skeleton.tokens[j]);
        }
    }
    prim.properties.push_back(uniform("jointNames", "token[]", Value::tokens(std::move(names))));
    prim.properties.push_back(uniform("bindTransforms", "matrix4d[]", matrices_value(skeleton.binds)));
    prim.properties.push_back(uniform("restTransforms", "matrix4d[]", matrices_value(rests)));
    Dictionary what_hangs;
    if (!points.empty()) {
        what_hangs.push_back({"attachmentPoints", Value::tokens(std::move(points))});
    }
    if (!surfaces.empty()) {
        what_hangs.push_back({"surfaces", Value::tokens(std::move(surfaces))});
    }
    if (!what_hangs.empty()) {
        prim.metadata.push_back({"customData", Value(std::move(what_hangs))});
    }
    if (!skeleton.animation.empty()) {
        prim.api_schemas.prepended = {"SkelBindingAPI"};
        prim.properties.push_back(relation("skel:animationSource", skeleton.animation));
    }
    return prim;
}

Prim animation_prim(const Writing& writing, const WrittenSkeleton* skeleton, const std::string& name) {
    Prim prim;
    prim.name = name;
    prim.type_name = "SkelAnimation";
    if (const std::string& clip = writing.scene.clips.front().name; clip != name) {
        prim.metadata.push_back({"displayName", Value::string(clip)});
    }
    const int frames = writing.baked.frames;
    if (skeleton != nullptr) {
        prim.properties.push_back(uniform("joints", "token[]", Value::tokens(skeleton->tokens)));
        Property translations = attribute("translations", "float3[]", {});
        Property rotations = attribute("rotations", "quatf[]", {});
        Property scales = attribute("scales", "half3[]", {});
        const size_t count = skeleton->nodes.size();
        std::vector<const BakedTrack*> tracks[3];
        for (const int node : skeleton->nodes) {
            tracks[0].push_back(writing.baked.find(node, Path::translation));
            tracks[1].push_back(writing.baked.find(node, Path::rotation));
            tracks[2].push_back(writing.baked.find(node, Path::scale));
        }
        const auto sampled = [&](size_t which, int frame, size_t width, const auto& rest_of) {
            std::vector<float> values(count * width);
            for (size_t j = 0; j < count; ++j) {
                const Transform& rest = writing.scene.nodes[static_cast<size_t>(skeleton->nodes[j])].rest;
                const BakedTrack* track = tracks[which][j];
                for (size_t c = 0; c < width; ++c) {
                    values[j * width + c] =
                        track != nullptr ? track->at(frame)[c] : static_cast<float>(rest_of(rest, c));
                }
            }
            return values;
        };
        const auto is_still = [&](size_t which) {
            return std::all_of(tracks[which].begin(), tracks[which].end(),
                               [](const auto* one) { return one == nullptr; });
        };
        const auto place = [](const Transform& rest, size_t c) {
            return rest.translation[static_cast<Eigen::Index>(c)];
        };
        const auto turn = [](const Transform& rest, size_t c) {
            return rest.rotation.coeffs()[static_cast<Eigen::Index>(c)];
        };
        const auto size = [](const Transform& rest, size_t c) { return rest.scale[static_cast<Eigen::Index>(c)]; };
        const auto halves = [](const std::vector<float>& values) {
            std::vector<uint16_t> made;
            made.reserve(values.size());
            for (const float one : values) {
                made.push_back(to_half(one));
            }
            return made;
        };
        // One value where nothing changes, else one a frame.
        const auto fill = [&](Property& to, size_t which, const auto& make) {
            if (is_still(which)) {
                to.has_value = true;
                to.value = make(0);
                return;
            }
            for (int f = 0; f < frames; ++f) {
                to.samples.push_back({static_cast<double>(f), make(f)});
            }
        };
        fill(translations, 0, [&](int f) {
            return Value::array<float>({Kind::float32, Form::vector, 3}, sampled(0, f, 3, place));
        });
        fill(rotations, 1, [&](int f) {
            return Value::array<float>({Kind::float32, Form::quaternion, 4}, sampled(1, f, 4, turn));
        });
        fill(scales, 2, [&](int f) {
            return Value::array<uint16_t>({Kind::half, Form::vector, 3}, halves(sampled(2, f, 3, size)));
        });
        for (Property* one : {&translations, &rotations, &scales}) {
            one->has_value = one->samples.empty();
            prim.properties.push_back(std::move(*one));
        }
    }
    // Shapes of all surfaces that go with it.
    std::vector<std::string> tokens;
    std::vector<std::pair<const BakedTrack*, size_t>> sources;
    for (const auto& [of, token] : writing.shape_tokens) {
        const BakedTrack* track = writing.baked.find(of.first, Path::weights);
        if (track != nullptr && of.second < static_cast<size_t>(track->width)) {
            tokens.push_back(token);
            sources.emplace_back(track, of.second);
        }
    }
    if (!tokens.empty()) {
        prim.properties.push_back(uniform("blendShapes", "token[]", Value::tokens(std::move(tokens))));
        Property weights = attribute("blendShapeWeights", "float[]", {});
        weights.has_value = false;
        for (int f = 0; f < frames; ++f) {
            std::vector<float> values;
            for (const auto& [track, place] : sources) {
                values.push_back(track->at(f)[place]);
            }
            weights.samples.push_back(
                {static_cast<double>(f), Value::array<float>({Kind::float32}, std::move(values))});
        }
        prim.properties.push_back(std::move(weights));
    }
    return prim;
}

} // namespace wembrix::usd
