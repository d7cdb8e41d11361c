#include "core/base/latin.h"
#include "core/base/text.h"
#include "core/formats/usd/crate.h"
#include "core/formats/usd/custom_data.h"
#include "core/formats/usd/text.h"
#include "core/formats/usd/usd.h"
#include "core/formats/usd/write_parts.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <tbb/blocked_range.h>
#include <tbb/parallel_reduce.h>

namespace wembrix {

namespace usd {

std::string prim_name(const std::string& name, std::set<std::string>& taken) {
    std::string made;
    for (const char c : in_latin(name)) {
        const bool is_plain = (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9');
        made += is_plain ? c : '_';
    }
    if (made.empty() || (made[0] >= '0' && made[0] <= '9')) {
        made.insert(0, "_");
    }
    std::string own = made;
    for (int number = 2; !taken.insert(own).second; ++number) {
        own = fmt::format("{}_{}", made, number);
    }
    return own;
}

Property attribute(std::string name, std::string type, Value value) {
    Property property;
    property.name = std::move(name);
    property.type_name = std::move(type);
    property.has_value = true;
    property.value = std::move(value);
    return property;
}

Property uniform(std::string name, std::string type, Value value) {
    Property property = attribute(std::move(name), std::move(type), std::move(value));
    property.is_uniform = true;
    return property;
}

Property relation(std::string name, std::string target) {
    Property property;
    property.name = std::move(name);
    property.is_relationship = true;
    property.has_targets = true;
    property.targets.is_explicit = true;
    property.targets.items = {std::move(target)};
    return property;
}

Property& interpolated(Property& attribute, const char* interpolation) {
    attribute.metadata.push_back({"interpolation", Value::token(interpolation)});
    return attribute;
}

Value matrix_value(const Mat4& matrix) {
    return Value::of<double>({Kind::float64, Form::matrix, 16}, std::vector<double>(matrix.data(), matrix.data() + 16));
}

Value matrices_value(const std::vector<Mat4>& matrices) {
    std::vector<double> all;
    for (const Mat4& one : matrices) {
        all.insert(all.end(), one.data(), one.data() + 16);
    }
    return Value::array<double>({Kind::float64, Form::matrix, 16}, std::move(all));
}

Value extent_of(const std::vector<Vec3f>& points, float around) {
    // In pieces, side by side: over millions of points a frame it is a fifth of what a cache takes.
    using Box = std::pair<Vec3f, Vec3f>;
    const Vec3f first = points.empty() ? Vec3f(Vec3f::Zero()) : points.front();
    auto [low, high] = tbb::parallel_reduce(
        tbb::blocked_range<size_t>(0, points.size(), 16384), Box(first, first),
        [&](const tbb::blocked_range<size_t>& range, Box box) {
            for (size_t p = range.begin(); p < range.end(); ++p) {
                box.first = box.first.cwiseMin(points[p]);
                box.second = box.second.cwiseMax(points[p]);
            }
            return box;
        },
        [](const Box& a, const Box& b) { return Box(a.first.cwiseMin(b.first), a.second.cwiseMax(b.second)); });
    low.array() -= around;
    high.array() += around;
    return Value::array<Vec3f>({Kind::float32, Form::vector, 3}, std::vector<Vec3f>{low, high});
}

std::string last_name(const std::string& path) {
    return path.substr(path.rfind('/') + 1);
}

namespace {

class StageWriter {
  public:
    StageWriter(const Scene& scene, const std::string& stem, const AxisSystem& space)
        : scene_(scene), space_(space), writing_{scene, stem} {}

    Result<Layer> run() {
        writing_.world = rest_world(scene_);
        if (Outcome found = find_skeletons(writing_); !found) {
            return found.problem();
        }
        time();
        std::set<std::string> taken;
        Prim root;
        root.name = prim_name(writing_.stem, taken);
        const bool is_skinned = !writing_.skeletons.empty() || !scene_.meshes.empty();
        root.type_name = is_skinned ? "SkelRoot" : "Xform";
        root.metadata.push_back({"kind", Value::token("component")});
        if (root.name != writing_.stem) {
            root.metadata.push_back({"displayName", Value::string(writing_.stem)});
        }
        root_ = "/" + root.name;
        name_prims();
        Prim materials;
        if (!scene_.materials.empty()) {
            taken_[-1].insert("materials");
            materials = materials_prim(writing_, root_);
        }
        shape_tokens();
        if (Outcome filled = fill(root, -1); !filled) {
            return filled.problem();
        }
        if (!scene_.materials.empty()) {
            root.children.push_back(std::move(materials));
        }
        for (Prim& one : animations_) {
            root.children.push_back(std::move(one));
        }
        if (!animations_.empty() && (shapes_only_ || writing_.skeletons.size() == 1)) {
            root.api_schemas.prepended = {"SkelBindingAPI"};
            root.properties.push_back(relation("skel:animationSource", root_ + "/" + clip_name_));
        }
        Layer layer;
        // What the file says of itself; the writer's own key comes first.
        Dictionary about = dictionary_of(scene_.asset.extras);
        std::erase_if(about, [](const Entry& one) { return one.name == "copyright"; });
        if (!scene_.copyright.empty()) {
            about.insert(about.begin(), {"copyright", Value::string(scene_.copyright)});
        }
        if (!about.empty()) {
            layer.metadata.push_back({"customLayerData", Value(std::move(about))});
        }
        layer.metadata.push_back({"defaultPrim", Value::token(root.name)});
        if (writing_.has_time) {
            layer.metadata.push_back({"endTimeCode", Value::number(last_code_)});
        }
        layer.metadata.push_back({"metersPerUnit", Value::number(space_.unit_m)});
        if (writing_.has_time) {
            layer.metadata.push_back({"startTimeCode", Value::number(0)});
            layer.metadata.push_back({"timeCodesPerSecond", Value::number(writing_.codes_per_second)});
            layer.metadata.push_back({"framesPerSecond", Value::number(writing_.codes_per_second)});
        }
        layer.metadata.push_back({"upAxis", Value::token(space_.up == Axis::pos_z ? "Z" : "Y")});
        layer.prims.push_back(std::move(root));
        return layer;
    }

    WrittenStage take(Layer layer) { return {std::move(layer), std::move(writing_.files), std::move(writing_.paths)}; }

  private:
    void time() {
        if (!scene_.clips.empty()) {
            const Clip& clip = scene_.clips.front();
            writing_.codes_per_second = clip.rate;
            writing_.has_time = true;
            writing_.baked = bake_tracks(clip);
            last_code_ = std::max(0, writing_.baked.frames - 1);
        } else if (!scene_.caches.empty()) {
            writing_.codes_per_second = scene_.caches.front().rate;
            writing_.has_time = true;
        }
        for (const PointCache& cache : scene_.caches) {
            last_code_ = std::max(last_code_, (cache.frames - 1) * writing_.codes_per_second / cache.rate);
        }
    }

    /// The prim that a node stands under: nothing stands under a joint or what hangs on one.
    [[nodiscard]] int prim_parent(int node) const {
        int parent = scene_.nodes[static_cast<size_t>(node)].parent;
        while (parent >= 0 &&
               (writing_.skeleton_of[static_cast<size_t>(parent)] >= 0 || joint_above(scene_, parent) >= 0)) {
            parent = scene_.nodes[static_cast<size_t>(parent)].parent;
        }
        return parent;
    }

    /// It has a prim of its own: joints are in their skeleton's.
    [[nodiscard]] bool is_prim(size_t node) const {
        return writing_.skeleton_of[node] < 0 || scene_.nodes[node].mesh >= 0;
    }

    void name_prims() {
        names_.resize(scene_.nodes.size());
        if (!scene_.clips.empty()) {
            clip_name_ = prim_name(scene_.clips.front().name, taken_[-1]);
        }
        for (size_t n = 0; n < scene_.nodes.size(); ++n) {
            const auto node = static_cast<int>(n);
            if (!is_prim(n)) {
                continue;
            }
            const int parent = prim_parent(node);
            names_[n] = prim_name(scene_.nodes[n].name, taken_[parent]);
            writing_.paths[node] = (parent < 0 ? root_ : writing_.paths[parent]) + "/" + names_[n];
        }
        for (WrittenSkeleton& skeleton : writing_.skeletons) {
            skeleton.path = (skeleton.holder < 0 ? root_ : writing_.paths[skeleton.holder]) + "/" +
                            prim_name("skeleton", taken_[skeleton.holder]);
        }
    }

    /// Shapes of the same name go by one weight where they are told by a token: each gets its own.
    void shape_tokens() {
        std::set<std::string> taken;
        for (size_t n = 0; n < scene_.nodes.size(); ++n) {
            const int mesh = scene_.nodes[n].mesh;
            for (size_t s = 0; mesh >= 0 && s < scene_.meshes[static_cast<size_t>(mesh)].shapes.size(); ++s) {
                writing_.shape_tokens[{static_cast<int>(n), s}] =
                    prim_name(scene_.meshes[static_cast<size_t>(mesh)].shapes[s].name, taken);
            }
        }
        if (scene_.clips.empty()) {
            return;
        }
        bool moves_shapes = false;
        for (const BakedTrack& track : writing_.baked.tracks) {
            moves_shapes = moves_shapes || track.path == Path::weights;
        }
        for (WrittenSkeleton& skeleton : writing_.skeletons) {
            // One animation for all: the first skeleton's also holds the shapes.
            std::string name = clip_name_;
            if (!animations_.empty()) {
                name = prim_name(clip_name_, taken_[-1]);
            }
            skeleton.animation = root_ + "/" + name;
            Writing* of = &writing_;
            if (!animations_.empty()) {
                const auto tokens = std::exchange(writing_.shape_tokens, {});
                animations_.push_back(animation_prim(*of, &skeleton, name));
                writing_.shape_tokens = tokens;
            } else {
                animations_.push_back(animation_prim(*of, &skeleton, name));
            }
        }
        if (animations_.empty() && moves_shapes) {
            animations_.push_back(animation_prim(writing_, nullptr, clip_name_));
            shapes_only_ = true;
        }
    }

    void place(const Node& node, int place, Prim& prim) const {
        const BakedTrack* moves = writing_.baked.find(place, Path::translation);
        const BakedTrack* turns = writing_.baked.find(place, Path::rotation);
        const BakedTrack* scales = writing_.baked.find(place, Path::scale);
        std::vector<std::string> order;
        const auto add = [&](const char* name, const char* type, const Type& kind, const BakedTrack* track,
                             std::vector<double> rest, bool is_needed) {
            if (!is_needed && track == nullptr) {
                return;
            }
            Property property = attribute(name, type, Value::of<double>(kind, std::move(rest)));
            if (track != nullptr) { // beside its rest, which is the default
                for (int f = 0; f < writing_.baked.frames; ++f) {
                    property.samples.push_back(
                        {static_cast<double>(f),
                         Value::of<double>(kind, std::vector<double>(track->at(f), track->at(f) + track->width))});
                }
            }
            prim.properties.push_back(std::move(property));
            order.emplace_back(name);
        };
        const Vec3& t = node.rest.translation;
        const Eigen::Vector4d& q = node.rest.rotation.coeffs();
        const Vec3& s = node.rest.scale;
        add("xformOp:translate", "double3", {Kind::float64, Form::vector, 3}, moves, {t.x(), t.y(), t.z()},
            !t.isZero(0));
        add("xformOp:orient", "quatd", {Kind::float64, Form::quaternion, 4}, turns, {q[0], q[1], q[2], q[3]},
            q != Quat::Identity().coeffs());
        add("xformOp:scale", "double3", {Kind::float64, Form::vector, 3}, scales, {s.x(), s.y(), s.z()},
            s != Vec3(Vec3::Ones()));
        if (!order.empty()) {
            prim.properties.push_back(uniform("xformOpOrder", "token[]", Value::tokens(std::move(order))));
        }
    }

    /// What stands under a node's prim, or the root's: skeletons first.
    Outcome fill(Prim& prim, int parent) {
        for (const WrittenSkeleton& skeleton : writing_.skeletons) {
            if (skeleton.holder == parent) {
                prim.children.push_back(skeleton_prim(writing_, skeleton));
            }
        }
        for (size_t n = 0; n < scene_.nodes.size(); ++n) {
            const auto node = static_cast<int>(n);
            if (!is_prim(n) || prim_parent(node) != parent) {
                continue;
            }
            const Node& one = scene_.nodes[n];
            Prim child;
            if (one.mesh >= 0) {
                Result<Prim> mesh = mesh_prim(writing_, node, names_[n], writing_.paths[node]);
                if (!mesh) {
                    return mesh.problem();
                }
                child = mesh.take();
            } else if (one.curves >= 0) {
                child = curves_prim(writing_, node, names_[n]);
            } else {
                child.name = names_[n];
                child.type_name = "Xform";
            }
            if (names_[n] != one.name) {
                child.metadata.push_back({"displayName", Value::string(one.name)});
            }
            Dictionary own = dictionary_of(one.carried.extras);
            const auto say = [&](const char* word, const std::string& name) {
                if (name != one.name && !name.empty()) {
                    own.push_back({word, Value::string(name)});
                }
            };
            if (one.mesh >= 0) {
                say("meshName", scene_.meshes[static_cast<size_t>(one.mesh)].name);
            }
            // How far shapes are in at rest: USD has weights in animations only.
            std::vector<float> starting = scene_.rest_shape_weights(node);
            if (std::any_of(starting.begin(), starting.end(), [](float weight) { return weight != 0; })) {
                own.push_back({"shapeWeights", Value::array<float>({Kind::float32}, std::move(starting))});
            }
            if (one.skin >= 0) {
                say("skinName", scene_.skins[static_cast<size_t>(one.skin)].name);
            }
            if (!own.empty()) {
                child.metadata.push_back({"customData", Value(std::move(own))});
            }
            if (joint_above(scene_, node) < 0) {
                place(one, node, child);
            } else if (one.mesh < 0) {
                return Problem{phrase("“{}” hangs on a joint, where USD holds surfaces only.", one.name), "",
                               "Leave it behind, or put it beside the skeleton."};
            }
            if (Outcome filled = fill(child, node); !filled) {
                return filled;
            }
            prim.children.push_back(std::move(child));
        }
        return Done{};
    }

    const Scene& scene_;
    const AxisSystem& space_;
    Writing writing_;
    std::string root_;
    std::string clip_name_;
    std::vector<std::string> names_;
    std::map<int, std::set<std::string>> taken_; ///< names below each node's prim; -1: the root's
    std::vector<Prim> animations_;
    bool shapes_only_ = false;
    double last_code_ = 0;
};

} // namespace

Result<WrittenStage> stage_of(const Scene& scene, const std::string& stem, const AxisSystem& space) {
    if (space.up != Axis::pos_y && space.up != Axis::pos_z) {
        return Problem{"USD has Y or Z for the axis that is up, and no other.", "",
                       "Choose +Y or +Z for the destination."};
    }
    StageWriter writer(scene, stem, space);
    Result<Layer> layer = writer.run();
    if (!layer) {
        return layer.problem();
    }
    return writer.take(layer.take());
}

} // namespace usd

Result<std::vector<WrittenFile>> write_usd(const Scene& scene, const std::string& stem, const AxisSystem& space,
                                           bool as_text) {
    Result<usd::WrittenStage> stage = usd::stage_of(scene, stem, space);
    if (!stage) {
        return stage.problem();
    }
    std::vector<WrittenFile> files;
    files.push_back(as_text ? WrittenFile{stem + ".usda", usd::write_text(stage->layer)}
                            : WrittenFile{stem + ".usdc", usd::write_crate(stage->layer)});
    for (WrittenFile& one : stage->files) {
        files.push_back(std::move(one));
    }
    return files;
}

} // namespace wembrix
