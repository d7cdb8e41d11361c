// Keys made by hand: a layer of curves over a clip, on top of it or instead of it; or a clip from nothing.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/keys/key_layer.h"
#include "core/measure/clips/sample.h"
#include "core/steps/clips/chosen_clips.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fmt/format.h>
#include <map>

namespace wembrix {

namespace {

constexpr double before_a_step = 1e-3; ///< frames: a value that leaps is held until then

Result<KeyLayer> layer_in(const nlohmann::json& json) {
    return key_layer_from_json(json, "\"keys\"");
}

struct HandKeySettings {
    enum class Mode : uint8_t { on_top, instead };
    std::string clip;
    std::string new_clip;
    std::string layer = "layer";
    KeyLayer keys;
    Mode mode = Mode::on_top;
    double weight = 1;
    std::optional<double> start, end;
    int fade_in = 0;
    int fade_out = 0;
    int frames = 30;
    double rate = 30;
    bool loop = false;
};

/// How the layer counts over its clip.
class Layer {
  public:
    Layer(const HandKeySettings& settings, int frames)
        : fade_{settings.weight, settings.start, settings.end, settings.fade_in, settings.fade_out},
          on_top_(settings.mode == HandKeySettings::Mode::on_top), frames_(frames) {}
    [[nodiscard]] double weight_at(double frame) const { return fade_.weight_at(frame, frames_); }
    /// The whole clip at full weight: curves may go out as they are.
    [[nodiscard]] bool is_whole() const { return fade_.is_whole(); }
    [[nodiscard]] bool on_top() const { return on_top_; }

  private:
    LayerFade fade_;
    bool on_top_;
    int frames_;
};

using Axes = std::array<const Curve*, 3>;

/// The moments that matter, in frames: every frame, every key of the take, and both sides of a step.
std::vector<double> moments_of(const Clip& clip, const Channel* channel, const Axes& axes) {
    std::vector<double> moments;
    const int frames = clip.frames();
    for (int f = 0; f < frames; ++f) {
        moments.push_back(f);
    }
    if (channel != nullptr) {
        for (const float time : channel->times) {
            const double frame = (static_cast<double>(time) - clip.start_s) * clip.rate;
            if (frame > 0 && frame < frames - 1) {
                moments.push_back(frame);
            }
        }
    }
    for (const Curve* curve : axes) {
        for (size_t k = 0; curve != nullptr && k < curve->keys.size(); ++k) {
            const double frame = curve->keys[k].frame;
            if (frame > 0 && frame < frames - 1) {
                moments.push_back(frame);
                if (k > 0 && curve->keys[k - 1].tangent == Tangent::stepped) {
                    moments.push_back(frame - before_a_step);
                }
            }
        }
    }
    std::sort(moments.begin(), moments.end());
    std::vector<double> apart;
    for (const double frame : moments) {
        if (apart.empty() || frame - apart.back() > before_a_step / 2) {
            apart.push_back(frame);
        }
    }
    return apart;
}

class HandKeys {
  public:
    HandKeys(const StepContext& context, const HandKeySettings& settings) : settings_(settings) {
        result_.scene = context.scene;
    }

    Result<StepResult> run() {
        Scene& scene = result_.scene;
        if (settings_.clip.empty() == settings_.new_clip.empty()) {
            return Problem{"needs a clip, or the name of one that it makes.", "", ""};
        }
        name_ = settings_.clip.empty() ? settings_.new_clip : settings_.clip;
        if (!settings_.clip.empty() && scene.find_clip(name_) == nullptr) {
            return Problem{phrase("there is no clip “{}”.", name_), "", ""};
        }
        if (!settings_.new_clip.empty()) {
            if (scene.find_clip(name_) != nullptr) {
                return Problem{phrase("there is a clip “{}” already.", name_), "", "Choose another name."};
            }
            Clip made;
            made.name = name_;
            made.rate = settings_.rate;
            made.seconds = (settings_.frames - 1) / settings_.rate;
            made.cut = true;
            made.loop = settings_.loop;
            scene.clips.push_back(std::move(made));
            is_new_ = true;
        }
        clip_ = static_cast<size_t>(scene.find_clip(name_) - scene.clips.data());
        std::map<std::pair<std::string, Path>, Axes> of;
        size_t keys = 0;
        for (const KeyedCurve& curve : settings_.keys) {
            if (!curve.curve.keys.empty()) {
                auto [found, fresh] = of.try_emplace({curve.of, curve.path});
                found->second.at(static_cast<size_t>(curve.axis)) = &curve.curve;
                keys += curve.curve.keys.size();
            }
        }
        std::vector<std::string> missing;
        std::vector<std::string> keyed;
        for (const auto& [what, axes] : of) {
            const bool done = what.second == Path::weights ? key_shape(what.first, *axes[0])
                                                           : key_joint(what.first, what.second, axes);
            (done ? keyed : missing).push_back(what.first);
        }
        mark_remade(scene.clips[clip_]);
        const auto tidy = [](std::vector<std::string>& names) {
            std::sort(names.begin(), names.end());
            names.erase(std::unique(names.begin(), names.end()), names.end());
        };
        tidy(keyed);
        tidy(missing);
        if (!missing.empty()) {
            result_.could_not.push_back(phrase("there is no joint or shape {}", some_of(missing)));
            result_.unmatched = missing;
        }
        if (keyed.empty() && !missing.empty()) {
            result_.account = phrase("none of its {} is of a joint or shape that is here", counted(keys, "key"));
            return std::move(result_);
        }
        result_.account = phrase("{} of {} by hand {} “{}”{}{}", counted(keys, "key"), some_of(keyed, 4),
                                 settings_.mode == HandKeySettings::Mode::on_top ? "on top of" : "instead of", name_,
                                 is_new_ ? ", a clip from nothing" : "",
                                 baked_ > 0 ? phrase("; {} baked{}", counted(baked_, "channel"), off()) : "");
        result_.subsamples = 4;
        return std::move(result_);
    }

  private:
    /// What baking cost, if anything moves in between.
    [[nodiscard]] Text off() const {
        std::vector<Text> said;
        if (off_degrees_ > 0.0005) {
            said.push_back(fmt::format("{:.3f}°", off_degrees_));
        }
        if (off_mm_ > 0.0005) {
            said.push_back(phrase("{:.3f} mm", off_mm_));
        }
        return said.empty() ? "" : phrase(", at most {} from the curves between frames", fmt::join(said, " and "));
    }

    Channel* channel_of(int node, Path path) {
        for (Channel& channel : result_.scene.clips[clip_].channels) {
            if (channel.node == node && channel.path == path) {
                return &channel;
            }
        }
        return nullptr;
    }

    void put(Channel channel) {
        if (Channel* there = channel_of(channel.node, channel.path)) {
            *there = std::move(channel);
        } else {
            result_.scene.clips[clip_].channels.push_back(std::move(channel));
        }
    }

    [[nodiscard]] float time_of(double frame) const {
        const Clip& clip = result_.scene.clips[clip_];
        return static_cast<float>(clip.start_s + frame / clip.rate);
    }

    /// Curves as cubic keys, exactly: keys of one axis are put into the others where they are missing.
    bool put_as_they_are(int node, Path path, const Axes& axes, const Vec3& rest, double unit) {
        std::vector<double> frames;
        std::array<Curve, 3> whole;
        for (size_t a = 0; a < 3; ++a) {
            if (axes.at(a) == nullptr) {
                continue;
            }
            const Curve& curve = *axes.at(a);
            const int last = result_.scene.clips[clip_].frames() - 1;
            const bool covered = curve.keys.front().frame <= 0 && curve.keys.back().frame >= last;
            if (!is_plain_cubic(curve) || (!covered && (curve.before != Beyond::held || curve.after != Beyond::held))) {
                return false;
            }
            whole.at(a) = curve;
            for (const CurveKey& key : curve.keys) {
                frames.push_back(key.frame);
            }
        }
        std::sort(frames.begin(), frames.end());
        frames.erase(std::unique(frames.begin(), frames.end()), frames.end());
        const double rate = result_.scene.clips[clip_].rate;
        std::vector<float> times;
        std::vector<float> values;
        for (size_t a = 0; a < 3; ++a) {
            for (const double frame : frames) {
                if (axes.at(a) != nullptr) {
                    insert_key(whole.at(a), frame);
                }
            }
        }
        for (size_t k = 0; k < frames.size(); ++k) {
            times.push_back(time_of(frames[k]));
            const auto each = [&](const auto& value) {
                for (size_t a = 0; a < 3; ++a) {
                    values.push_back(axes.at(a) == nullptr ? 0.0F : static_cast<float>(value(whole.at(a), k)));
                }
            };
            each([&](const Curve& curve, size_t key) { return in_slope_of(curve, key) * rate * unit; });
            for (size_t a = 0; a < 3; ++a) {
                const double base = rest[static_cast<Eigen::Index>(a)];
                values.push_back(static_cast<float>(axes.at(a) == nullptr ? base
                                                    : path == Path::scale ? whole.at(a).keys[k].value
                                                                          : base + unit * whole.at(a).keys[k].value));
            }
            each([&](const Curve& curve, size_t key) { return out_slope_of(curve, key) * rate * unit; });
        }
        put({node, path, Interpolation::cubic, 3, std::move(times), std::move(values), {}});
        return true;
    }

    bool key_joint(const std::string& name, Path path, const Axes& axes) {
        const int node = result_.scene.find_node(name);
        if (node < 0) {
            return false;
        }
        const Clip& clip = result_.scene.clips[clip_];
        const Layer layer(settings_, clip.frames());
        const Transform& rest = result_.scene.nodes[static_cast<size_t>(node)].rest;
        constexpr double metres = 0.001;
        if (!layer.on_top() && layer.is_whole() && path != Path::rotation &&
            put_as_they_are(node, path, axes, path == Path::scale ? rest.scale : rest.translation,
                            path == Path::scale ? 1 : metres)) {
            return true;
        }
        const Channel* was = channel_of(node, path);
        const bool turns = path == Path::rotation;
        std::vector<float> times;
        std::vector<float> values;
        bool differs = false;
        const double nothing = path == Path::scale ? 1 : 0;
        const auto keyed_at = [&](double frame) {
            Vec3 value = Vec3::Constant(nothing);
            for (size_t a = 0; a < 3; ++a) {
                if (axes.at(a) != nullptr) {
                    value[static_cast<Eigen::Index>(a)] = value_at(*axes.at(a), frame, nothing);
                }
            }
            return value;
        };
        const auto take_at = [&](double frame) {
            std::array<double, 4> own{};
            if (was != nullptr) {
                sample_channel(*was, clip.start_s + frame / clip.rate, own.data());
            }
            return own;
        };
        const auto turn_at = [&](double frame) {
            const std::array<double, 4> own = take_at(frame);
            const double weight = layer.weight_at(frame);
            const Vec3 value = keyed_at(frame);
            const Quat take = was != nullptr ? Quat(own[3], own[0], own[1], own[2]) : rest.rotation;
            return (layer.on_top() ? Quat(take * keyed_rotation(value * weight))
                                   : take.slerp(weight, rest.rotation * keyed_rotation(value)))
                .normalized();
        };
        const auto place_at = [&](double frame) {
            const std::array<double, 4> own = take_at(frame);
            const double weight = layer.weight_at(frame);
            const Vec3 value = keyed_at(frame);
            const Vec3 base = path == Path::scale ? rest.scale : rest.translation;
            const Vec3 take = was != nullptr ? Vec3(own[0], own[1], own[2]) : base;
            if (path == Path::scale) {
                return layer.on_top() ? Vec3(take.cwiseProduct(Vec3::Ones() + weight * (value - Vec3::Ones())))
                                      : Vec3(take + weight * (value - take));
            }
            return layer.on_top() ? Vec3(take + weight * metres * value)
                                  : Vec3(take + weight * (base + metres * value - take));
        };
        Quat before = rest.rotation;
        for (const double frame : moments_of(clip, was, axes)) {
            differs = differs || !layer.on_top() ||
                      (layer.weight_at(frame) != 0 && keyed_at(frame) != Vec3::Constant(nothing));
            times.push_back(time_of(frame));
            if (turns) {
                Quat made = turn_at(frame);
                if (made.dot(before) < 0) {
                    made.coeffs() = -made.coeffs();
                }
                before = made;
                for (int c = 0; c < 4; ++c) {
                    values.push_back(static_cast<float>(made.coeffs()[c]));
                }
                continue;
            }
            const Vec3 made = place_at(frame);
            for (int c = 0; c < 3; ++c) {
                values.push_back(static_cast<float>(made[c]));
            }
        }
        if (!differs) { // nothing on top of a take leaves it as it is, to the bit
            return true;
        }
        Channel baked{node, path, Interpolation::linear, turns ? 4 : 3, std::move(times), std::move(values), {}};
        // What baking costs between frames, on either side of each.
        for (int f = 0; f + 1 < clip.frames(); ++f) {
            for (const double part : {0.25, 0.5, 0.75}) {
                std::array<double, 4> is{};
                sample_channel(baked, clip.start_s + (f + part) / clip.rate, is.data());
                if (turns) {
                    const Quat made(is[3], is[0], is[1], is[2]);
                    off_degrees_ = std::max(off_degrees_, turn_at(f + part).angularDistance(made) * 180 / M_PI);
                } else if (path == Path::translation) {
                    off_mm_ = std::max(off_mm_, (place_at(f + part) - Vec3(is[0], is[1], is[2])).norm() / metres);
                }
            }
        }
        put(std::move(baked));
        ++baked_;
        return true;
    }

    /// Of every surface that has it.
    bool key_shape(const std::string& name, const Curve& curve) {
        bool found = false;
        for (const int surface : surfaces_of(result_.scene)) {
            const Node& node = result_.scene.nodes[static_cast<size_t>(surface)];
            const std::vector<MorphTarget>& shapes = result_.scene.meshes[static_cast<size_t>(node.mesh)].shapes;
            const auto shape =
                std::find_if(shapes.begin(), shapes.end(), [&](const MorphTarget& one) { return one.name == name; });
            if (shape != shapes.end()) {
                found = true;
                key_weight(surface, static_cast<size_t>(shape - shapes.begin()), shapes.size(), curve);
            }
        }
        return found;
    }

    void key_weight(int surface, size_t shape, size_t count, const Curve& curve) {
        const Clip& clip = result_.scene.clips[clip_];
        const Layer layer(settings_, clip.frames());
        const Channel* was = channel_of(surface, Path::weights);
        const std::vector<float> rest = result_.scene.rest_shape_weights(surface);
        std::vector<float> times;
        std::vector<float> values;
        std::vector<double> own(count);
        bool differs = false;
        for (const double frame : moments_of(clip, was, {&curve, nullptr, nullptr})) {
            for (size_t i = 0; i < count; ++i) {
                own[i] = i < rest.size() ? static_cast<double>(rest[i]) : 0;
            }
            if (was != nullptr && was->width == static_cast<int>(count)) {
                sample_channel(*was, clip.start_s + frame / clip.rate, own.data());
            }
            const double weight = layer.weight_at(frame);
            const double value = value_at(curve, frame);
            differs = differs || !layer.on_top() || (weight != 0 && value != 0);
            own[shape] += weight * (layer.on_top() ? value : value - own[shape]);
            times.push_back(time_of(frame));
            for (const double one : own) {
                values.push_back(static_cast<float>(one));
            }
        }
        if (differs) {
            put({surface,
                 Path::weights,
                 Interpolation::linear,
                 static_cast<int>(count),
                 std::move(times),
                 std::move(values),
                 {}});
            ++baked_;
        }
    }

    const HandKeySettings& settings_;
    StepResult result_;
    std::string name_;
    size_t clip_ = 0;
    size_t baked_ = 0;
    double off_degrees_ = 0; ///< of what is baked from the curves, between frames
    double off_mm_ = 0;
    bool is_new_ = false;
};

Result<StepResult> apply_hand_keys(const StepContext& context, const HandKeySettings& settings) {
    return HandKeys(context, settings).run();
}

} // namespace

StepKind hand_keys_step() {
    return make_step<HandKeySettings>(
        {"hand_keys", "Key by hand",
         "What no take has, or has wrong, is keyed: a layer of curves over a clip that replays when the take changes.",
         StepSubject::clips},
        {text<&HandKeySettings::clip>("clip", "Clip", "The clip that is keyed").naming(NameOf::clip).starting(""),
         text<&HandKeySettings::new_clip>("new_clip", "New clip", "Or the name of a clip that is made from nothing")
             .naming(NameOf::clip_after),
         text<&HandKeySettings::layer>("layer", "Layer", "What the layer is called").starting("layer"),
         object<&HandKeySettings::keys, layer_in>("keys", "Keys", "A whole [layer](key-format.md) of curves")
             .needed()
             .starting({{"curves", nlohmann::json::array()}}),
         choice<&HandKeySettings::mode>("mode", "It stands", {"on_top", "instead"},
                                        "On top of the take's motion, or instead of it")
             .starting("on_top"),
         number<&HandKeySettings::weight>("weight", "Weight", "How much of it counts").between(0, 1),
         number<&HandKeySettings::start>("start", "Start", "First frame of the layer; not set: the clip's"),
         number<&HandKeySettings::end>("end", "End", "Its last frame; not set: the clip's"),
         number<&HandKeySettings::fade_in>("fade_in", "Fade in", "Frames from nothing to its weight").at_least(0),
         number<&HandKeySettings::fade_out>("fade_out", "Fade out", "Frames back to nothing").at_least(0),
         number<&HandKeySettings::frames>("frames", "Frames", "Of a clip that is made").between(1, 1000000),
         number<&HandKeySettings::rate>("rate", "Frame rate", "Of a clip that is made")
             .unit("fps")
             .above(0)
             .between(0.001, 1000),
         flag<&HandKeySettings::loop>("loop", "Repeats", "a clip that is made")},
        apply_hand_keys);
}

} // namespace wembrix
