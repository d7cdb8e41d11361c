#include "core/destination/conform.h"

#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/destination/fit_images.h"
#include "core/destination/limit_for.h"
#include "core/destination/pixel_coordinates.h"
#include "core/destination/place_hulls.h"
#include "core/destination/prune.h"
#include "core/destination/round_numbers.h"
#include "core/measure/skeleton/pose.h"
#include "core/scene/content.h"

#include <Eigen/LU>
#include <algorithm>

namespace wembrix {

namespace {

bool is_stepped(const Clip& clip, int node, Path path) {
    return std::any_of(clip.channels.begin(), clip.channels.end(), [&](const Channel& channel) {
        return channel.node == node && channel.path == path && channel.interpolation == Interpolation::step;
    });
}

bool is_keyed(const Clip& clip, int node, Path path) {
    return std::any_of(clip.channels.begin(), clip.channels.end(),
                       [&](const Channel& channel) { return channel.node == node && channel.path == path; });
}

/// The clip moves that node itself, whatever it does to its shapes.
bool moves(const Clip& clip, int node) {
    return std::any_of(clip.channels.begin(), clip.channels.end(),
                       [&](const Channel& channel) { return channel.node == node && channel.path != Path::weights; });
}

/// Nodes that a clip's file keys: all joints, and whatever else the clip moves, in order.
std::vector<int> nodes_keyed(const Scene& scene, const Clip& clip) {
    std::vector<int> nodes;
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        const int node = static_cast<int>(i);
        if (scene.nodes[i].kind == NodeKind::joint || moves(clip, node)) {
            nodes.push_back(node);
        }
    }
    return nodes;
}

} // namespace

Clip channels_that_go_out(const Scene& scene, const Clip& clip) {
    Clip out = clip;
    std::erase_if(out.channels, [&](const Channel& channel) {
        const Node& node = scene.nodes[static_cast<size_t>(channel.node)];
        return channel.path == Path::weights &&
               (node.mesh < 0 || scene.meshes[static_cast<size_t>(node.mesh)].shapes.empty());
    });
    return out;
}

Clip taken_of(const Clip& clip, const Destination& destination) {
    Clip taken = clip;
    if (destination.shapes == 0) {
        std::erase_if(taken.channels, [](const Channel& channel) { return channel.path == Path::weights; });
    }
    return taken;
}

Clip bake_clip(const Scene& scene, const Clip& clip, double rate) {
    Clip baked = clip;
    baked.channels.clear();
    baked.start_s = 0;
    baked.rate = rate;
    const int frames = static_cast<int>(std::ceil(clip.seconds * rate - 1e-3)) + 1;
    baked.seconds = (frames - 1) / rate;
    const std::vector<int> keyed = nodes_keyed(scene, clip);
    std::vector<float> times(frames);
    for (int f = 0; f < frames; ++f) {
        times[f] = static_cast<float>(f / rate);
    }
    const Shared<float> shared_times(std::move(times));
    std::vector<std::vector<float>> translations(keyed.size());
    std::vector<std::vector<float>> rotations(keyed.size());
    std::vector<std::vector<float>> scales(keyed.size());
    std::vector<Quat> last(keyed.size(), Quat::Identity());
    std::vector<int> shaped;
    for (const int node : surfaces_of(scene)) {
        if (!scene.meshes[scene.nodes[node].mesh].shapes.empty() && is_keyed(clip, node, Path::weights)) {
            shaped.push_back(node);
        }
    }
    std::vector<std::vector<float>> weights(shaped.size());
    const Poser poser(scene, &clip);
    Pose pose;
    for (int f = 0; f < frames; ++f) {
        poser.at(std::min(f / rate, clip.seconds), pose);
        for (size_t j = 0; j < keyed.size(); ++j) {
            Transform local = pose.local[keyed[j]];
            if (local.rotation.dot(last[j]) < 0) {
                local.rotation.coeffs() *= -1;
            }
            last[j] = local.rotation;
            for (int k = 0; k < 3; ++k) {
                translations[j].push_back(static_cast<float>(local.translation[k]));
                scales[j].push_back(static_cast<float>(local.scale[k]));
            }
            for (int k = 0; k < 4; ++k) {
                rotations[j].push_back(static_cast<float>(local.rotation.coeffs()[k]));
            }
        }
        for (size_t s = 0; s < shaped.size(); ++s) {
            const size_t count = scene.meshes[scene.nodes[shaped[s]].mesh].shapes.size();
            const auto first = pose.shape_weights.begin() + poser.shape_offset(shaped[s]);
            weights[s].insert(weights[s].end(), first, first + static_cast<ptrdiff_t>(count));
        }
    }
    auto put = [&](int node, Path path, int width, std::vector<float> values) {
        const Interpolation kind = is_stepped(clip, node, path) ? Interpolation::step : Interpolation::linear;
        baked.channels.push_back({node, path, kind, width, shared_times, std::move(values), {}});
    };
    for (size_t j = 0; j < keyed.size(); ++j) {
        put(keyed[j], Path::translation, 3, std::move(translations[j]));
        put(keyed[j], Path::rotation, 4, std::move(rotations[j]));
        put(keyed[j], Path::scale, 3, std::move(scales[j]));
    }
    for (size_t s = 0; s < shaped.size(); ++s) {
        const int width = static_cast<int>(scene.meshes[scene.nodes[shaped[s]].mesh].shapes.size());
        put(shaped[s], Path::weights, width, std::move(weights[s]));
    }
    return baked;
}

Drift drift_between_frames(const Scene& prepared, const Clip& clip, const Destination& destination,
                           const std::function<bool()>& stop) {
    const Clip part = shown_part(clip, destination);
    const double rate = rate_for(clip, destination);
    if (lies_on_frames(part, rate)) {
        return {};
    }
    const Clip baked = keys_for(prepared, part, destination.plain()); // fewer keys are held against those at frames
    DriftRequest request;
    request.should = &prepared;
    request.should_clip = &part;
    request.is = &prepared;
    request.is_clip = &baked;
    request.rate = moments_a_frame * rate;
    request.frames = static_cast<int>(std::floor(part.seconds * request.rate + 1e-3)) + 1;
    request.stop = stop;
    return measure_drift(request);
}

namespace {

/// Where a joint that holds nothing would be bound: at its place, though it may have no size there.
Mat4 unheld_bind(const Mat4& world) {
    const Mat4 inverse = world.inverse();
    return inverse.allFinite() ? inverse : translating(-world.col(3).head<3>());
}

/// The nodes that skins list: all joints, but for a surface that merely stands between joints and that no skin lists.
/// A reader makes bones of what is listed, and one that is a bone is no surface that could show its shapes.
std::vector<char> bones_of(const Scene& scene) {
    std::vector<char> bones(scene.nodes.size(), 0);
    for (const int joint : joints_of(scene)) {
        bones[static_cast<size_t>(joint)] = scene.nodes[static_cast<size_t>(joint)].mesh < 0 ? 1 : 0;
    }
    for (const Skin& skin : scene.skins) {
        for (const int joint : skin.joints) {
            bones[static_cast<size_t>(joint)] = 1;
        }
    }
    return bones;
}

/// Every skin lists every bone in order; surfaces with the same binds share one skin.
void unify_skins(Scene& scene, const std::vector<char>& bones) {
    std::vector<int> joints;
    for (size_t i = 0; i < bones.size(); ++i) {
        if (bones[i] != 0) {
            joints.push_back(static_cast<int>(i));
        }
    }
    const std::vector<Mat4> world = rest_world(scene);
    std::vector<Skin> skins;
    for (Node& node : scene.nodes) {
        if (node.skin < 0 || node.mesh < 0) {
            continue;
        }
        const Skin& before = scene.skins[node.skin];
        Skin after;
        after.name = before.name;
        after.carried = before.carried;
        after.joints = joints;
        std::vector<uint16_t> place(before.joints.size(), 0);
        for (size_t j = 0; j < joints.size(); ++j) {
            const auto found = std::find(before.joints.begin(), before.joints.end(), joints[j]);
            if (found != before.joints.end()) {
                place[found - before.joints.begin()] = static_cast<uint16_t>(j);
                after.inverse_binds.push_back(before.inverse_binds[found - before.joints.begin()]);
            } else {
                after.inverse_binds.emplace_back(unheld_bind(world[joints[j]]));
            }
        }
        for (uint16_t& joint : node.influences.joints.edit()) {
            joint = place[joint];
        }
        size_t same = 0;
        while (same < skins.size()) {
            double apart = 0;
            for (size_t j = 0; j < joints.size(); ++j) {
                apart = std::max(apart, (skins[same].inverse_binds[j] - after.inverse_binds[j]).cwiseAbs().maxCoeff());
            }
            const bool says_the_same = same_content(skins[same].carried, after.carried);
            if (apart < 1e-9 && says_the_same) {
                break;
            }
            ++same;
        }
        if (same == skins.size()) {
            skins.push_back(std::move(after));
        }
        node.skin = static_cast<int>(same);
    }
    if (skins.empty() && !joints.empty()) {
        Skin skeleton;
        skeleton.name = "skeleton";
        skeleton.joints = joints;
        for (const int joint : joints) {
            skeleton.inverse_binds.emplace_back(unheld_bind(world[joint]));
        }
        skins.push_back(std::move(skeleton));
    }
    scene.skins = std::move(skins);
}

/// The standard ignores where a skinned surface's node stands; at the top nobody can mistake it. One that things hang
/// below stays where it places them.
void set_skinned_to_top(Scene& scene) {
    std::vector<char> has_children(scene.nodes.size(), 0);
    for (size_t n = scene.nodes.size(); n-- > 0;) { // children before their parents
        Node& node = scene.nodes[n];
        if (node.mesh >= 0 && node.skin >= 0 && has_children[n] == 0) {
            node.parent = -1;
            node.rest = Transform();
        } else if (node.parent >= 0) {
            has_children[static_cast<size_t>(node.parent)] = 1;
        }
    }
}

/// A surface of one point that moves nothing but has the shapes' names.
Mesh shape_stand_in(const Mesh& mesh) {
    Mesh stand_in;
    stand_in.name = mesh.name;
    stand_in.positions = std::vector<Vec3f>{Vec3f::Zero()};
    stand_in.indices = std::vector<uint32_t>{0};
    Primitive primitive;
    primitive.point_count = 1;
    primitive.index_count = 1;
    primitive.topology = Topology::points;
    primitive.has_normals = false;
    stand_in.primitives.push_back(primitive);
    stand_in.shape_weights = mesh.shape_weights;
    for (const MorphTarget& shape : mesh.shapes) {
        MorphTarget empty;
        empty.name = shape.name;
        stand_in.shapes.push_back(std::move(empty));
    }
    return stand_in;
}

} // namespace

namespace {
/// Surfaces without their shapes.
void leave_shapes(Scene& scene) {
    for (Mesh& mesh : scene.meshes) {
        mesh.shapes.clear();
        mesh.shape_weights.clear();
    }
    for (Node& node : scene.nodes) {
        node.shape_weights.clear();
    }
}

/// Without strands and caches, which have files of their own; and without the nodes that carried nothing else.
void leave_points(Scene& scene) {
    scene.caches.clear();
    std::vector<char> holds(scene.nodes.size(), 0);
    for (const Node& node : scene.nodes) {
        if (node.parent >= 0) {
            holds[static_cast<size_t>(node.parent)] = 1;
        }
    }
    std::vector<int> stay;
    for (size_t n = 0; n < scene.nodes.size(); ++n) {
        Node& node = scene.nodes[n];
        const bool carried_strands = node.curves >= 0;
        node.curves = -1;
        const bool is_bare = node.kind != NodeKind::joint && !node.has_geometry() && node.camera < 0 &&
                             node.light < 0 && node.carried.empty() && holds[n] == 0;
        if (!(carried_strands && is_bare)) {
            stay.push_back(static_cast<int>(n));
        }
    }
    if (stay.size() < scene.nodes.size()) {
        reorder_nodes(scene, stay);
    }
}
} // namespace

Conformed conform_model(const Scene& prepared, const Destination& destination) {
    Conformed result;
    result.scene = prepared;
    const std::vector<LimitedSurface> limited = limit_for(result.scene, destination);
    result.scene.clips.clear();
    add_pixel_coordinates(result.scene);
    place_hulls(result.scene, destination);
    if (destination.shapes == 0) {
        leave_shapes(result.scene);
    }
    unify_skins(result.scene, bones_of(result.scene));
    set_skinned_to_top(result.scene);
    if (!destination.points_container.empty()) {
        leave_points(result.scene);
    }
    if (const Format* format = format_with_id(destination.container)) {
        drop_not_held(result.scene, format->writes);
    }
    drop_unplaced(result.scene);
    drop_unused_materials(result.scene);
    fit_images(result.scene, destination);
    round_numbers(result.scene, destination);
    size_t vertices = 0;
    double largest = 0;
    for (const LimitedSurface& one : limited) {
        vertices += one.vertices;
        largest = std::max(largest, one.largest_weight);
    }
    if (vertices > 0) {
        result.account = destination.influences_kept == InfluencesKept::least_motion
                             ? phrase("{} {}", counted(vertices, "vertex"), limited.front().said)
                             : phrase("{} brought to {}, the largest weight lost {:.3f}", counted(vertices, "vertex"),
                                      counted(destination.influences, "influence"), largest);
    }
    return result;
}

namespace {
Clip clip_for(const Scene& prepared, const Clip& clip, const Destination& destination) {
    return keys_for(prepared, shown_part(taken_of(clip, destination), destination), destination);
}
} // namespace

Conformed conform_clip(const Scene& prepared, const Clip& clip, const Destination& destination) {
    Conformed result = conform_clips(prepared, {&clip}, destination);
    result.account =
        phrase("{} at {:g} per second", counted(result.scene.clips[0].frames(), "frame"), rate_for(clip, destination));
    return result;
}

Conformed conform_whole(const Scene& prepared, const std::vector<const Clip*>& clips, const Destination& destination) {
    Conformed result = conform_model(prepared, destination);
    Scene& scene = result.scene;
    for (const Clip* clip : clips) {
        Clip out = clip_for(prepared, *clip, destination);
        for (Channel& channel : out.channels) {
            const int node = scene.find_identity(prepared.nodes[static_cast<size_t>(channel.node)].identity);
            const bool stands_nowhere = node >= 0 && scene.nodes[static_cast<size_t>(node)].skin >= 0 &&
                                        scene.nodes[static_cast<size_t>(node)].parent < 0 &&
                                        channel.path != Path::weights;
            channel.node = stands_nowhere ? -1 : node;
        }
        std::erase_if(out.channels, [](const Channel& channel) { return channel.node < 0; });
        scene.clips.push_back(std::move(out));
    }
    result.account = counted(clips.size(), "clip") + (result.account.empty() ? "" : ", " + result.account);
    return result;
}

Conformed conform_clips(const Scene& prepared, const std::vector<const Clip*>& clips, const Destination& destination) {
    Conformed result;
    Scene& scene = result.scene;
    scene = prepared;
    scene.clips.clear();
    for (const Clip* clip : clips) {
        scene.clips.push_back(clip_for(prepared, *clip, destination));
    }
    std::vector<char> shaped(scene.nodes.size(), 0);
    std::vector<char> placed(scene.nodes.size(), 0); // its place in the file is that in the scene
    for (const Clip& clip : scene.clips) {
        for (const Channel& channel : clip.channels) {
            (channel.path == Path::weights ? shaped : placed)[static_cast<size_t>(channel.node)] = 1;
        }
    }
    for (const int joint : joints_of(scene)) { // whether or not the clip moves it
        placed[static_cast<size_t>(joint)] = 1;
    }
    // What stands above a node that the file places has to be there, too: it places what is below it.
    for (size_t i = scene.nodes.size(); i-- > 0;) {
        if (placed[i] != 0 && scene.nodes[i].parent >= 0) {
            placed[static_cast<size_t>(scene.nodes[i].parent)] = 1;
        }
    }
    const std::vector<char> all_bones = bones_of(prepared);
    std::vector<char> bones;
    std::vector<int> order;
    std::vector<Mesh> stand_ins;
    for (size_t i = 0; i < scene.nodes.size(); ++i) {
        Node& node = scene.nodes[i];
        node.skin = -1;
        node.camera = -1;
        node.light = -1;
        node.curves = -1;
        node.hull = -1;
        node.influences = {};
        if (shaped[i] != 0 && node.mesh >= 0) {
            stand_ins.push_back(shape_stand_in(scene.meshes[static_cast<size_t>(node.mesh)]));
            node.mesh = static_cast<int>(stand_ins.size()) - 1;
            if (placed[i] == 0) {
                node.parent = -1;
                node.rest = {};
            }
        } else {
            node.mesh = -1;
            node.shape_weights.clear();
        }
        if (placed[i] != 0 || node.mesh >= 0) {
            order.push_back(static_cast<int>(i));
            bones.push_back(all_bones[i]);
        }
    }
    scene.meshes = std::move(stand_ins);
    scene.skins.clear();
    scene.materials.clear();
    scene.images.clear();
    scene.textures.clear();
    scene.samplers.clear();
    scene.curve_sets.clear();
    scene.caches.clear();
    scene.hulls.clear();
    scene.cameras.clear();
    scene.lights.clear();
    if (const Format* format = format_with_id(destination.container)) {
        drop_not_held(scene, format->writes);
    }
    reorder_nodes(scene, order);
    unify_skins(scene, bones);
    result.account = counted(clips.size(), "clip");
    return result;
}

} // namespace wembrix
