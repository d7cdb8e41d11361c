// Skeletons, what is bound to them, and their motion (schemas “Skeleton”, “SkelBindingAPI”, “SkelAnimation”).
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/formats/usd/forms_between.h"
#include "core/formats/usd/read_parts.h"

#include <Eigen/LU>
#include <algorithm>
#include <cmath>
#include <unordered_map>

namespace wembrix::usd {

namespace {

constexpr size_t most_joints = 65535;

/// The nearest joint of the list that is above this one; -1: none is.
int parent_of(const std::string& token, const std::unordered_map<std::string, int>& places) {
    for (size_t slash = token.rfind('/'); slash != std::string::npos && slash > 0;
         slash = token.rfind('/', slash - 1)) {
        const auto found = places.find(token.substr(0, slash));
        if (found != places.end()) {
            return found->second;
        }
    }
    return -1;
}

} // namespace

void read_skeleton(Reading& reading, const Prim& prim, const std::string& path, int node, const Inherited& inherited) {
    ReadSkeleton skeleton;
    skeleton.tokens = texts_of(prim, "joints");
    skeleton.animation = inherited.animation;
    const size_t count = skeleton.tokens.size();
    if (count > most_joints) {
        reading.note(path, phrase("has {} joints; {} are the most.", count, most_joints));
        return;
    }
    std::unordered_map<std::string, int> places;
    for (size_t j = 0; j < count; ++j) {
        places.emplace(skeleton.tokens[j], static_cast<int>(j));
    }
    if (places.size() != count) {
        reading.note(path, "names a joint twice; its skeleton is left out.");
        return;
    }
    std::vector<int> parents;
    for (const std::string& token : skeleton.tokens) {
        parents.push_back(parent_of(token, places));
    }
    const Value* rests = value_of(prim, "restTransforms");
    const Value* binds = value_of(prim, "bindTransforms");
    const bool has_rests = rests != nullptr && rests->size() == count && count > 0;
    const bool has_binds = binds != nullptr && binds->size() == count && count > 0;
    if (!has_rests && count > 0) {
        reading.note(path, has_binds ? "says no rest pose; its bind pose stands in."
                                     : "says neither a rest nor a bind pose; its joints lie on each other.");
    }
    const auto matrices = [&](const Value* values, bool is_there) {
        std::vector<Mat4> all(count, Mat4::Identity());
        const std::vector<double> numbers = is_there ? values->numbers<double>() : std::vector<double>();
        for (size_t j = 0; j < count && is_there && values->type().width == 16; ++j) {
            const Mat4 one = Eigen::Map<const Mat4>(numbers.data() + j * 16);
            all[j] = one.allFinite() ? one : Mat4::Identity();
        }
        return all;
    };
    const std::vector<Mat4> local = matrices(rests, has_rests);
    skeleton.binds = matrices(binds, has_binds);
    const std::vector<std::string> names = texts_of(prim, "jointNames");
    const Value* data = find(prim.metadata, "customData");
    const auto named = [&](const char* what) {
        const Value* list = data == nullptr ? nullptr : find(data->dictionary(), what);
        return list == nullptr ? std::set<std::string>()
                               : std::set<std::string>(list->texts().begin(), list->texts().end());
    };
    const std::set<std::string> are_points = named("attachmentPoints");
    skeleton.surfaces = named("surfaces");
    const auto first = static_cast<int>(reading.scene.nodes.size());
    double shear = 0;
    for (size_t j = 0; j < count; ++j) {
        Node joint;
        joint.name = names.size() == count && !names[j].empty() ? names[j] : last_of_path(skeleton.tokens[j]);
        const bool hangs =
            are_points.count(skeleton.tokens[j]) != 0 || skeleton.surfaces.count(skeleton.tokens[j]) != 0;
        joint.kind = hangs ? NodeKind::point : NodeKind::joint;
        joint.parent = parents[j] < 0 ? node : first + parents[j];
        Mat4 rest = local[j];
        if (!has_rests) {
            const Mat4 above =
                parents[j] < 0 ? Mat4(Mat4::Identity()) : skeleton.binds[static_cast<size_t>(parents[j])];
            rest = std::abs(above.determinant()) > 1e-300 ? Mat4(above.inverse() * skeleton.binds[j])
                                                          : Mat4(Mat4::Identity());
        }
        const Decomposed parts = decompose(rest);
        shear = std::max(shear, parts.shear);
        joint.rest = parts.transform;
        skeleton.nodes.push_back(first + static_cast<int>(j));
        reading.scene.nodes.push_back(std::move(joint));
    }
    if (shear > 1e-5) {
        reading.note(path, "has joints with shear, which no joint can hold; the nearest rotation and scale stand in.");
    }
    if (!has_binds && count > 0) {
        reading.note(path, "says no bind pose; its rest pose stands in.");
        std::vector<Mat4> world(count, Mat4::Identity());
        std::vector<char> done(count, 0);
        for (size_t round = 0; round < count; ++round) { // parents may stand behind their children
            bool any = false;
            for (size_t j = 0; j < count; ++j) {
                const int p = parents[j];
                if (done[j] == 0 && (p < 0 || done[static_cast<size_t>(p)] != 0)) {
                    world[j] = (p < 0 ? Mat4(Mat4::Identity()) : world[static_cast<size_t>(p)]) * local[j];
                    done[j] = 1;
                    any = true;
                }
            }
            if (!any) {
                break;
            }
        }
        skeleton.binds = std::move(world);
    }
    reading.skeletons[path] = std::move(skeleton);
}

namespace {

void bind(Reading& reading, const Binding& binding) {
    Scene& scene = reading.scene;
    Node& node = scene.nodes[static_cast<size_t>(binding.node)];
    const auto found = reading.skeletons.find(binding.skeleton);
    if (found == reading.skeletons.end()) {
        reading.note(node.name, binding.skeleton.empty() ? "has weights and no skeleton; they are left out."
                                                         : "is bound to a skeleton that is not there.");
        return;
    }
    ReadSkeleton& skeleton = found->second;
    std::unordered_map<std::string, size_t> places;
    for (size_t j = 0; j < skeleton.tokens.size(); ++j) {
        places.emplace(skeleton.tokens[j], j);
    }
    std::vector<size_t> joints; // of the skeleton, as indices count
    if (binding.joints.empty()) {
        for (size_t j = 0; j < skeleton.tokens.size(); ++j) {
            joints.push_back(j);
        }
    }
    for (const std::string& token : binding.joints) {
        const auto at = places.find(token);
        if (at == places.end()) {
            reading.note(node.name, phrase("is bound to a joint “{}” that its skeleton has not.", token.substr(0, 60)));
            return;
        }
        joints.push_back(at->second);
    }
    for (const int64_t index : binding.indices) {
        if (index < 0 || static_cast<size_t>(index) >= joints.size()) {
            reading.note(node.name, "has weights for a joint that is not there; they are left out.");
            return;
        }
    }
    const auto inverse = [&](size_t joint) -> Mat4 {
        const Mat4& bind = skeleton.binds[joint];
        return std::abs(bind.determinant()) > 1e-300 ? Mat4(bind.inverse() * binding.geometry) : binding.geometry;
    };
    const bool stands_for_one = binding.joints.size() == 1 && skeleton.surfaces.count(binding.joints[0]) != 0;
    if (binding.element == 1 && (stands_for_one || (binding.is_rigid && binding.indices.size() == 1))) {
        // It hangs on the joint as a whole.
        const size_t joint = joints[static_cast<size_t>(binding.indices[0])];
        const Mat4 own = inverse(joint);
        Node& stands_for = scene.nodes[static_cast<size_t>(skeleton.nodes[joint])];
        if (skeleton.surfaces.count(skeleton.tokens[joint]) != 0 && own.isIdentity(1e-9) && stands_for.mesh < 0) {
            stands_for.mesh = node.mesh;
            stands_for.shape_weights = node.shape_weights;
            stands_for.carried = node.carried;
            node.mesh = -1;
            reading.merged[binding.node] = skeleton.nodes[joint];
            for (PointCache& cache : scene.caches) {
                cache.surface = cache.surface == binding.node ? skeleton.nodes[joint] : cache.surface;
            }
            return;
        }
        node.parent = skeleton.nodes[joint];
        node.rest = decompose(own).transform;
        return;
    }
    Skin skin;
    skin.name = binding.skin_name.empty() ? node.name : binding.skin_name;
    for (const size_t joint : joints) {
        skin.joints.push_back(skeleton.nodes[joint]);
        skin.inverse_binds.push_back(inverse(joint));
    }
    skeleton.has_skin = true;
    // Surfaces under the same joints share a skin.
    const auto same = std::find_if(scene.skins.begin(), scene.skins.end(), [&](const Skin& one) {
        return one.joints == skin.joints && one.inverse_binds == skin.inverse_binds &&
               (binding.skin_name.empty() || one.name == skin.name);
    });
    node.skin = static_cast<int>(same - scene.skins.begin());
    if (same == scene.skins.end()) {
        scene.skins.push_back(std::move(skin));
    }
    std::vector<uint32_t> offsets = {0};
    std::vector<uint16_t> held;
    std::vector<float> weights;
    size_t negative = 0;
    for (const uint32_t point : binding.point_of) {
        const size_t row = binding.is_rigid ? 0 : point * binding.element;
        const size_t begin = held.size();
        for (size_t k = row; k < row + binding.element; ++k) {
            const float weight = binding.weights[k];
            if (!std::isfinite(weight) || weight < 0) {
                ++negative;
                continue;
            }
            if (weight == 0) {
                continue;
            }
            const auto joint = static_cast<uint16_t>(binding.indices[k]);
            const auto again = std::find(held.begin() + static_cast<ptrdiff_t>(begin), held.end(), joint);
            if (again != held.end()) {
                weights[static_cast<size_t>(again - held.begin())] += weight;
            } else {
                held.push_back(joint);
                weights.push_back(weight);
            }
        }
        offsets.push_back(static_cast<uint32_t>(held.size()));
    }
    if (negative > 0) {
        reading.note(node.name, phrase("{} below 0 or no number at all left out.", counted(negative, "weight")));
    }
    node.influences.offsets = std::move(offsets);
    node.influences.joints = std::move(held);
    node.influences.weights = std::move(weights);
}

/// Channels of one animation on a skeleton; and of the shapes of surfaces that are bound to it.
class Animation {
  public:
    Animation(Reading& reading, const Prim& prim, const std::string& path, const ReadSkeleton& skeleton)
        : reading_(reading), prim_(prim), path_(path), skeleton_(skeleton) {}

    std::vector<Channel> channels() {
        std::unordered_map<std::string, int> nodes;
        for (size_t j = 0; j < skeleton_.tokens.size(); ++j) {
            nodes.emplace(skeleton_.tokens[j], skeleton_.nodes[j]);
        }
        std::vector<int> joints;
        size_t lost = 0;
        for (const std::string& token : texts_of(prim_, "joints")) {
            const auto found = nodes.find(token);
            joints.push_back(found == nodes.end() ? -1 : found->second);
            lost += found == nodes.end() ? 1 : 0;
        }
        if (lost > 0) {
            reading_.note(path_, phrase("moves {} that its skeleton has not.", counted(lost, "joint")));
        }
        add("translations", wembrix::Path::translation, 3, joints);
        add("rotations", wembrix::Path::rotation, 4, joints);
        add("scales", wembrix::Path::scale, 3, joints);
        shapes();
        return std::move(channels_);
    }

  private:
    /// The samples of an attribute; a default alone is one at the first moment.
    std::vector<Sample> samples_of(const char* attribute) const {
        const Property* property = prim_.property(attribute);
        if (property == nullptr) {
            return {};
        }
        std::vector<Sample> samples;
        for (const Sample& one : property->samples) {
            if (!one.value.is_blocked()) {
                samples.push_back(one);
            }
        }
        if (samples.empty() && property->has_value && !property->value.is_blocked()) {
            samples.push_back({reading_.first_time, property->value});
        }
        return samples;
    }
    void add(const char* attribute, wembrix::Path path, size_t width, const std::vector<int>& joints) {
        const std::vector<Sample> samples = samples_of(attribute);
        std::vector<float> times;
        std::vector<std::vector<float>> tracks(joints.size());
        size_t broken = 0;
        for (const Sample& sample : samples) {
            const std::vector<float> numbers = sample.value.numbers<float>();
            if (numbers.size() != joints.size() * width) {
                reading_.note(path_, phrase("has {} for {} joints at {}, not for {}; that moment is left out.",
                                            attribute, numbers.size() / width, sample.time, joints.size()));
                continue;
            }
            times.push_back(static_cast<float>(reading_.seconds(sample.time)));
            for (size_t j = 0; j < joints.size(); ++j) {
                for (size_t c = 0; c < width; ++c) {
                    const float number = numbers[j * width + c];
                    broken += std::isfinite(number) ? 0 : 1;
                    tracks[j].push_back(std::isfinite(number) ? number : 0);
                }
                if (width == 4) {
                    straighten(tracks[j]);
                }
            }
        }
        if (broken > 0) {
            reading_.note(
                path_, phrase("its {} have {} that are no numbers; 0 stands in.", attribute, counted(broken, "value")));
        }
        if (times.empty()) {
            return;
        }
        const Shared<float> shared(std::move(times));
        for (size_t j = 0; j < joints.size(); ++j) {
            if (joints[j] >= 0 && !(path == wembrix::Path::scale && is_rest_scale(joints[j], tracks[j]))) {
                channels_.push_back({joints[j],
                                     path,
                                     Interpolation::linear,
                                     static_cast<int>(width),
                                     shared,
                                     std::move(tracks[j]),
                                     {}});
            }
        }
    }
    /// Scales are halves there: what is as close to rest as those can be is rest, which is said more exactly.
    [[nodiscard]] bool is_rest_scale(int node, const std::vector<float>& scales) const {
        const Vec3& rest = reading_.scene.nodes[static_cast<size_t>(node)].rest.scale;
        for (size_t i = 0; i < scales.size(); ++i) {
            if (to_half(scales[i]) != to_half(static_cast<float>(rest[static_cast<Eigen::Index>(i % 3)]))) {
                return false;
            }
        }
        return true;
    }
    /// Of length one, and on the side of the one before.
    static void straighten(std::vector<float>& turns) {
        const size_t at = turns.size() - 4;
        Eigen::Map<Eigen::Vector4f> now(turns.data() + at);
        const float length = now.norm();
        if (length < 1e-6F) {
            now = Eigen::Vector4f(0, 0, 0, 1);
        } else if (std::abs(length - 1) > 1e-5F) {
            now /= length;
        }
        if (at >= 4 && now.dot(Eigen::Map<const Eigen::Vector4f>(turns.data() + at - 4)) < 0) {
            now = -now;
        }
    }
    void shapes() {
        const std::vector<std::string> tokens = texts_of(prim_, "blendShapes");
        const std::vector<Sample> samples = samples_of("blendShapeWeights");
        if (tokens.empty() || samples.empty()) {
            return;
        }
        for (const Binding& binding : reading_.bindings) {
            const auto under = reading_.skeletons.find(binding.skeleton);
            const std::string& by = binding.animation.empty() && under != reading_.skeletons.end()
                                        ? under->second.animation
                                        : binding.animation;
            if (binding.shapes.empty() || by != path_) {
                continue;
            }
            std::vector<size_t> places;
            bool any = false;
            for (const std::string& shape : binding.shapes) {
                const auto found = std::find(tokens.begin(), tokens.end(), shape);
                places.push_back(static_cast<size_t>(found - tokens.begin()));
                any = any || found != tokens.end();
            }
            if (!any) {
                continue;
            }
            std::vector<ShapeWeights> keys;
            for (const Sample& sample : samples) {
                const std::vector<float> numbers = sample.value.numbers<float>();
                if (numbers.size() != tokens.size()) {
                    continue;
                }
                ShapeWeights key{reading_.seconds(sample.time), {}};
                for (const size_t place : places) {
                    key.weights.push_back(place < numbers.size() ? static_cast<double>(numbers[place]) : 0);
                }
                keys.push_back(std::move(key));
            }
            std::vector<float> times;
            std::vector<float> values;
            for (const ShapeWeights& key : with_forms_between(binding.shapes, binding.knots, keys)) {
                times.push_back(static_cast<float>(key.seconds));
                values.insert(values.end(), key.weights.begin(), key.weights.end());
            }
            if (!times.empty()) {
                const auto merged = reading_.merged.find(binding.node);
                channels_.push_back({merged == reading_.merged.end() ? binding.node : merged->second,
                                     wembrix::Path::weights,
                                     Interpolation::linear,
                                     static_cast<int>(places.size()),
                                     std::move(times),
                                     std::move(values),
                                     {}});
            }
        }
    }

    Reading& reading_;
    const Prim& prim_;
    const std::string& path_;
    const ReadSkeleton skeleton_;
    std::vector<Channel> channels_;
};

void find_animations(const Prim& prim, const std::string& path, std::map<std::string, const Prim*>& found) {
    if (prim.type_name == "SkelAnimation" && prim.specifier == Specifier::def) {
        found[path] = &prim;
    }
    for (const Prim& child : prim.children) {
        find_animations(child, path + "/" + child.name, found);
    }
}

double last_of(const std::vector<Channel>& channels) {
    double last = 0;
    for (const Channel& channel : channels) {
        last = std::max(last, channel.times.empty() ? 0.0 : static_cast<double>(channel.times.get().back()));
    }
    return last;
}

} // namespace

void bind_meshes(Reading& reading) {
    for (const Binding& binding : reading.bindings) {
        if (!binding.indices.empty()) {
            bind(reading, binding);
        }
    }
    // Joints that hold nothing are joints all the same.
    for (auto& [path, skeleton] : reading.skeletons) {
        if (!skeleton.has_skin) {
            Skin skin;
            skin.name = last_of_path(path);
            for (size_t j = 0; j < skeleton.nodes.size(); ++j) {
                if (reading.scene.nodes[static_cast<size_t>(skeleton.nodes[j])].kind == NodeKind::joint) {
                    skin.joints.push_back(skeleton.nodes[j]);
                    const Mat4& bind = skeleton.binds[j];
                    skin.inverse_binds.push_back(std::abs(bind.determinant()) > 1e-300 ? Mat4(bind.inverse())
                                                                                       : Mat4(Mat4::Identity()));
                }
            }
            if (!skin.joints.empty()) {
                reading.scene.skins.push_back(std::move(skin));
            }
        }
    }
}

void read_clips(Reading& reading, std::vector<Channel> moved) {
    std::map<std::string, const Prim*> animations;
    for (const Prim& prim : reading.layer.prims) {
        find_animations(prim, "/" + prim.name, animations);
    }
    const auto number = [&](const char* field) -> std::optional<double> {
        const Value* value = find(reading.layer.metadata, field);
        return value == nullptr ? std::nullopt : value->as_number();
    };
    const std::optional<double> start = number("startTimeCode");
    const std::optional<double> end = number("endTimeCode");
    const auto finish = [&](std::string name, std::vector<Channel> channels, bool by_stage) {
        Clip clip;
        clip.name = std::move(name);
        clip.rate = number("framesPerSecond").value_or(reading.codes_per_second);
        clip.rate = clip.rate >= 1 && clip.rate <= 1000 ? clip.rate : 30;
        clip.seconds = last_of(channels);
        if (by_stage && start && end && *end >= *start) {
            clip.start_s = std::max(0.0, reading.seconds(*start));
            clip.seconds = (*end - *start) / reading.codes_per_second;
        }
        constexpr double most_seconds = 1e6;
        if (!(clip.start_s <= most_seconds && clip.seconds <= most_seconds && last_of(channels) <= most_seconds)) {
            reading.note(clip.name, "has keys after 1 000 000 s, or lasts longer; the motion is left out.");
            return;
        }
        clip.channels = std::move(channels);
        reading.scene.clips.push_back(std::move(clip));
    };
    std::set<std::string> bound;
    std::string name;
    for (const auto& [path, skeleton] : reading.skeletons) {
        if (skeleton.animation.empty()) {
            continue;
        }
        const auto found = animations.find(skeleton.animation);
        if (found == animations.end()) {
            reading.note(path, "is moved by an animation that is not there.");
            continue;
        }
        bound.insert(found->first);
        name = name.empty() ? shown_name(*found->second) : name;
        std::vector<Channel> channels = Animation(reading, *found->second, found->first, skeleton).channels();
        std::move(channels.begin(), channels.end(), std::back_inserter(moved));
    }
    // Shapes of surfaces that are under no skeleton.
    for (const Binding& binding : reading.bindings) {
        const auto found = animations.find(binding.animation);
        if (!binding.shapes.empty() && found != animations.end() && bound.insert(found->first).second) {
            name = name.empty() ? shown_name(*found->second) : name;
            std::vector<Channel> channels = Animation(reading, *found->second, found->first, ReadSkeleton()).channels();
            std::move(channels.begin(), channels.end(), std::back_inserter(moved));
        }
    }
    if (!moved.empty()) {
        finish(name.empty() ? reading.name : name, std::move(moved), true);
    }
    for (const auto& [path, prim] : animations) {
        if (bound.count(path) != 0) {
            continue;
        }
        if (reading.skeletons.size() != 1) {
            reading.note(path, "is an animation that nothing is bound to.");
            continue;
        }
        std::vector<Channel> channels = Animation(reading, *prim, path, reading.skeletons.begin()->second).channels();
        if (!channels.empty()) {
            finish(shown_name(*prim), std::move(channels), false);
        }
    }
}

} // namespace wembrix::usd
