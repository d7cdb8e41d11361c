// Animations as clips: what targets a node's elements of place, and weights of shapes.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/formats/collada/curve.h"
#include "core/formats/collada/read_parts.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <fmt/format.h>

namespace wembrix::collada {

namespace {

/// A curve, and what of a node it moves.
struct Track {
    std::shared_ptr<const Curve> curve;
    size_t place = 0;      ///< element of place, or shape
    int value = -1;        ///< of the element's values; -1: all of them
    bool is_shape = false; ///< it is the weight of a shape
};
/// By node.
using Tracks = std::map<int, std::vector<Track>>;

struct Target {
    std::string first; ///< id
    std::vector<std::string> between;
    std::string last; ///< sid; empty: there is none
    std::string member;
    std::vector<size_t> places; ///< "(1)(2)"
};

Target target_in(std::string text) {
    Target target;
    while (!text.empty() && text.back() == ')') {
        const size_t open = text.rfind('(');
        if (open == std::string::npos) {
            break;
        }
        const std::vector<int64_t> number = integers_in(text.substr(open + 1, text.size() - open - 2).c_str());
        target.places.insert(target.places.begin(),
                             number.empty() || number[0] < 0 ? 99 : static_cast<size_t>(number[0]));
        text.resize(open);
    }
    std::vector<std::string> parts;
    for (size_t at = 0; at <= text.size();) {
        const size_t slash = std::min(text.find('/', at), text.size());
        parts.push_back(text.substr(at, slash - at));
        at = slash + 1;
    }
    target.first = parts.front();
    if (parts.size() > 1) {
        target.last = parts.back();
        if (const size_t dot = target.last.rfind('.'); dot != std::string::npos) {
            target.member = target.last.substr(dot + 1);
            target.last.resize(dot);
        }
        target.between.assign(parts.begin() + 1, parts.end() - 1);
    }
    return target;
}

/// -1: all; -2: none of the element's.
int value_named(const Target& target, size_t count) {
    if (!target.places.empty()) {
        return target.places.size() == 1 && target.places[0] < count && count < 16 ? static_cast<int>(target.places[0])
                                                                                   : -2;
    }
    if (target.member.empty()) {
        return -1;
    }
    static constexpr std::pair<const char*, int> names[] = {{"X", 0}, {"Y", 1}, {"Z", 2}, {"ANGLE", 3}};
    for (const auto& [name, place] : names) {
        if (target.member == name && static_cast<size_t>(place) < count && count < 16) {
            return place;
        }
    }
    return -2;
}

class AnimationReader {
  public:
    AnimationReader(Reading& reading, const std::vector<std::vector<PlaceElement>>& places)
        : reading_(reading), places_(places) {
        for (size_t n = 0; n < reading_.elements.size(); ++n) {
            if (reading_.elements[n]) {
                nodes_of_[reading_.elements[n].hash_value()].push_back(static_cast<int>(n));
            }
        }
        unit_ = reading_.document.root().child("asset").child("unit").attribute("meter").as_double(1);
        unit_ = unit_ > 1e-9 && unit_ < 1e9 ? unit_ : 1;
    }

    void run() {
        const Element library = reading_.document.root().child("library_animations");
        std::vector<Element> tops;
        for (const Element one : library.children("animation")) {
            tops.push_back(one);
        }
        bool has_clips = false;
        std::set<size_t> in_clips;
        for (const Element clip :
             reading_.document.root().child("library_animation_clips").children("animation_clip")) {
            Tracks tracks;
            for (const Element instance : clip.children("instance_animation")) {
                const Element animation =
                    reading_.document.by_reference(instance.attribute("url").value(), "animation");
                in_clips.insert(animation.hash_value());
                collect(animation, tracks);
            }
            const double start = clip.attribute("start").as_double(0);
            const double end = clip.attribute("end").as_double(-1);
            if (!add_clip(name_of(clip), tracks, start, end)) {
                continue;
            }
            has_clips = true;
            // Files of this program say the rate besides: two moments do not tell every one.
            for (const Element technique : clip.child("extra").children("technique")) {
                const double rate = technique.child("rate").text().as_double(0);
                if (std::strcmp(technique.attribute("profile").value(), "wembrix") == 0 && rate >= 1 && rate <= 1000) {
                    reading_.scene.clips.back().rate = rate;
                }
            }
        }
        Tracks tracks;
        for (const Element one : tops) {
            if (in_clips.count(one.hash_value()) == 0) {
                collect(one, tracks);
            }
        }
        const bool is_named = tops.size() == 1 && tops[0].child("animation") && !has_clips;
        add_clip(is_named ? name_of(tops[0]) : reading_.name, tracks, 0, -1);
        if (bent_ > 0) {
            reading_.note(reading_.name, phrase("{} put in where its curves bend between their own, or turn by "
                                                "several angles at a time.",
                                                counted(bent_, "key")));
        }
    }

  private:
    void collect(Element animation, Tracks& tracks) {
        // Animations within animations, without a call a level.
        std::vector<Element> waiting = {animation};
        while (!waiting.empty()) {
            const Element at = waiting.back();
            waiting.pop_back();
            const size_t first = waiting.size();
            for (const Element child : at.children("animation")) {
                waiting.push_back(child);
            }
            std::reverse(waiting.begin() + static_cast<ptrdiff_t>(first), waiting.end());
            for (const Element channel : at.children("channel")) {
                add_channel(channel, tracks);
            }
        }
    }

    std::shared_ptr<const Curve> curve_at(const std::string& reference) {
        const auto [place, is_new] = curves_.try_emplace(reference);
        if (is_new) {
            if (std::optional<Curve> curve = curve_of(reading_, reading_.document.by_reference(reference, "sampler"))) {
                place->second = std::make_shared<const Curve>(std::move(*curve));
            }
        }
        return place->second;
    }

    void add_channel(Element channel, Tracks& tracks) {
        const std::string text = channel.attribute("target").value();
        const Target target = target_in(text);
        const std::string reference = channel.attribute("source").value();
        Element at = reading_.document.by_reference(target.first);
        if (std::strcmp(at.name(), "controller") == 0 || std::strcmp(at.name(), "source") == 0) {
            add_weights(at, target, reference, tracks);
            return;
        }
        for (const std::string& sid : target.between) {
            at = at.find_child([&](Element child) { return sid == child.attribute("sid").value(); });
        }
        const auto nodes = nodes_of_.find(at.hash_value());
        if (!at || nodes == nodes_of_.end()) {
            reading_.note_once(text.substr(0, 120), "is animated there; it is no node that is read, and stays behind.");
            return;
        }
        for (const int node : nodes->second) {
            const std::vector<PlaceElement>& place = places_[static_cast<size_t>(node)];
            for (size_t p = 0; p < place.size(); ++p) {
                if (place[p].sid != target.last || target.last.empty()) {
                    continue;
                }
                const int value = value_named(target, place[p].values.size());
                const std::shared_ptr<const Curve> curve = curve_at(reference);
                if (curve == nullptr) {
                    return;
                }
                if (value == -2 || curve->width != (value < 0 ? place[p].values.size() : 1)) {
                    break;
                }
                std::vector<Track>& of = tracks[node];
                const bool is_known = std::any_of(of.begin(), of.end(), [&](const Track& other) {
                    return !other.is_shape && other.place == p &&
                           (other.value == value || other.value < 0 || value < 0);
                });
                if (is_known) {
                    reading_.note_once(text.substr(0, 120), "is animated twice at a time; the first holds.");
                } else {
                    of.push_back({curve, p, value, false});
                }
                return;
            }
        }
        reading_.note_once(text.substr(0, 120), "is animated there in a way that is not read, and stays behind.");
    }

    void add_weights(Element at, const Target& target, const std::string& reference, Tracks& tracks) {
        Element controller = at;
        while (controller && std::strcmp(controller.name(), "controller") != 0) {
            controller = controller.parent();
        }
        const std::string id = controller.attribute("id").value();
        const std::shared_ptr<const Curve> curve = curve_at(reference);
        bool found = false;
        for (const auto& [node, morph] : reading_.morph_of) {
            const int mesh = reading_.scene.nodes[static_cast<size_t>(node)].mesh;
            if (morph != id || mesh < 0 || curve == nullptr) {
                continue;
            }
            const size_t shapes = reading_.scene.meshes[static_cast<size_t>(mesh)].shapes.size();
            if (target.places.size() == 1 && target.places[0] < shapes && curve->width == 1) {
                tracks[node].push_back({curve, target.places[0], 0, true});
                found = true;
            }
        }
        if (!found) {
            reading_.note_once(fmt::format("{}/{}", target.first.substr(0, 60), target.last.substr(0, 60)),
                               "is animated there; it is no shape that is read, and stays behind.");
        }
    }

    /// True: it has channels.
    bool add_clip(std::string name, const Tracks& tracks, double start, double end) {
        Clip clip;
        clip.name = std::move(name);
        // The clock begins with the first key where no clip says when.
        first_ = end >= start ? start : 1e300;
        double last_key = -1e300;
        for (const auto& [node, list] : tracks) {
            for (const Track& track : list) {
                if (!(end >= start)) {
                    first_ = std::min(first_, track.curve->times.front());
                }
                last_key = std::max(last_key, track.curve->times.back());
            }
        }
        constexpr double most_seconds = 1e6;
        if (!tracks.empty() && !(std::max(last_key, end) - first_ <= most_seconds)) {
            reading_.note(clip.name, "has keys after 1 000 000 s, or lasts longer; the motion is left out.");
            return false;
        }
        double last = 0;
        for (const auto& [node, list] : tracks) {
            move_node(node, list, clip);
            weigh_shapes(node, list, clip);
        }
        if (clip.channels.empty()) {
            return false;
        }
        for (const Channel& channel : clip.channels) {
            last = std::max(last, static_cast<double>(channel.times.get().back()));
        }
        clip.seconds = end >= start ? end - start : last;
        Clip own_keys; // those that were put in do not tell the rate
        for (const auto& [node, list] : tracks) {
            Channel channel;
            std::vector<float> times;
            for (const double time : list.front().curve->times) {
                times.push_back(static_cast<float>(time - first_));
            }
            channel.times = std::move(times);
            own_keys.channels.push_back(std::move(channel));
        }
        clip.rate = guess_rate(own_keys);
        reading_.scene.clips.push_back(std::move(clip));
        return true;
    }

    [[nodiscard]] Mat4 matrix_at(const std::vector<PlaceElement>& rest, const std::vector<Track>& tracks,
                                 double seconds, bool before) const {
        std::vector<PlaceElement> place = rest;
        for (const Track& track : tracks) {
            std::vector<double>& values = place[track.place].values;
            if (track.value >= 0) {
                values[static_cast<size_t>(track.value)] = track.curve->at(seconds, 0, before);
            } else {
                for (size_t v = 0; v < values.size(); ++v) {
                    values[v] = track.curve->at(seconds, v, before);
                }
            }
        }
        return matrix_of(place);
    }

    static std::vector<double> all_times(const std::vector<Track>& tracks) {
        std::vector<double> times;
        for (const Track& track : tracks) {
            times.insert(times.end(), track.curve->times.begin(), track.curve->times.end());
        }
        std::sort(times.begin(), times.end());
        times.erase(std::unique(times.begin(), times.end(), [](double a, double b) { return b - a < 1e-7; }),
                    times.end());
        return times;
    }

    struct Key {
        double seconds = 0;
        Transform place;
    };
    /// How far the straight way between two keys is from the curve in the middle, in tolerances.
    [[nodiscard]] double strayed(const Key& a, const Key& b, const Transform& middle, double at) const {
        const Vec3 place = a.place.translation + (b.place.translation - a.place.translation) * at;
        const Quat turn = a.place.rotation.slerp(at, b.place.rotation);
        const Vec3 scale = a.place.scale + (b.place.scale - a.place.scale) * at;
        return std::max({(place - middle.translation).norm() * unit_ / 1e-5,
                         turn.angularDistance(middle.rotation) / 2e-5, (scale - middle.scale).norm() / 1e-5});
    }
    void between(const Key& a, const Key& b, const std::vector<PlaceElement>& rest, const std::vector<Track>& tracks,
                 int depth, std::vector<Key>& keys) {
        if (depth == 0 || b.seconds - a.seconds < 1e-4) {
            return;
        }
        double worst = 0;
        for (const double at : {0.5, 0.25, 0.75}) {
            const double seconds = a.seconds + (b.seconds - a.seconds) * at;
            worst = std::max(worst, strayed(a, b, decompose(matrix_at(rest, tracks, seconds, false)).transform, at));
        }
        if (worst <= 1 || !reading_.take(8)) {
            return;
        }
        ++bent_;
        const double middle = (a.seconds + b.seconds) / 2;
        const Key made{middle, decompose(matrix_at(rest, tracks, middle, false)).transform};
        between(a, made, rest, tracks, depth - 1, keys);
        keys.push_back(made);
        between(made, b, rest, tracks, depth - 1, keys);
    }

    void move_node(int node, const std::vector<Track>& all, Clip& clip) {
        std::vector<Track> tracks;
        std::copy_if(all.begin(), all.end(), std::back_inserter(tracks),
                     [](const Track& one) { return !one.is_shape; });
        if (tracks.empty()) {
            return;
        }
        const std::vector<PlaceElement>& rest = places_[static_cast<size_t>(node)];
        const std::vector<double> times = all_times(tracks);
        if (!reading_.take(times.size() * 10)) {
            reading_.note_once(reading_.name, "has more keys than a file of its size can mean; some are left out.");
            return;
        }
        const bool is_stepped =
            std::all_of(tracks.begin(), tracks.end(), [](const Track& one) { return one.curve->is_stepped(); });
        std::vector<Key> keys;
        double shear = 0;
        for (size_t t = 0; t < times.size(); ++t) {
            const Decomposed here = decompose(matrix_at(rest, tracks, times[t], false));
            shear = std::max(shear, here.shear);
            if (t > 0 && !is_stepped) {
                // What jumps at this key is held until just before it.
                const bool jumps = std::any_of(tracks.begin(), tracks.end(), [&](const Track& one) {
                    return one.curve->kinds[one.curve->key_at(times[t - 1])] == Curve::Kind::step;
                });
                const Key end{jumps ? times[t] - 1e-4 : times[t],
                              jumps ? decompose(matrix_at(rest, tracks, times[t], true)).transform : here.transform};
                if (end.seconds > times[t - 1]) {
                    between(Key(keys.back()), end, rest, tracks, moves_straight(tracks) ? 0 : 9, keys);
                    if (jumps) {
                        keys.push_back(end);
                        ++bent_;
                    }
                }
            }
            keys.push_back({times[t], here.transform});
        }
        if (shear > 1e-4) {
            reading_.note(reading_.scene.nodes[static_cast<size_t>(node)].name,
                          "is sheared while it moves; its places are taken without that.");
        }
        add_channels(node, tracks, keys, is_stepped, clip);
    }

    /// Straight lines between keys are what is meant: a matrix a key, or places and sizes alone.
    [[nodiscard]] static bool moves_straight(const std::vector<Track>& tracks) {
        return tracks.size() == 1 && tracks[0].value < 0 && tracks[0].curve->width == 16 &&
               std::none_of(tracks[0].curve->kinds.begin(), tracks[0].curve->kinds.end(),
                            [](Curve::Kind kind) { return kind == Curve::Kind::bezier; });
    }

    void add_channels(int node, const std::vector<Track>& tracks, const std::vector<Key>& keys, bool is_stepped,
                      Clip& clip) {
        const Transform& rest = reading_.scene.nodes[static_cast<size_t>(node)].rest;
        bool moves = false;
        bool turns = false;
        bool scales = false;
        for (const Track& track : tracks) {
            const PlaceElement::Kind kind = places_[static_cast<size_t>(node)][track.place].kind;
            const bool is_whole = kind == PlaceElement::Kind::matrix || kind == PlaceElement::Kind::lookat;
            moves = moves || is_whole || kind == PlaceElement::Kind::translate;
            turns = turns || is_whole || kind == PlaceElement::Kind::rotate;
            scales = scales || kind == PlaceElement::Kind::scale;
        }
        for (const Key& key : keys) {
            // A pivot moves what turns, and a matrix may scale.
            moves = moves || (key.place.translation - rest.translation).norm() * unit_ > 1e-7;
            turns = turns || key.place.rotation.angularDistance(rest.rotation) > 1e-6;
            scales = scales || (key.place.scale - rest.scale).norm() > 1e-6;
        }
        std::vector<float> times;
        std::vector<float> places;
        std::vector<float> rotations;
        std::vector<float> sizes;
        Quat before = rest.rotation;
        for (const Key& key : keys) {
            times.push_back(static_cast<float>(key.seconds - first_));
            Quat turn = key.place.rotation;
            if (turn.dot(before) < 0) {
                turn.coeffs() = -turn.coeffs();
            }
            before = turn;
            for (Eigen::Index c = 0; c < 3; ++c) {
                places.push_back(static_cast<float>(key.place.translation[c]));
                sizes.push_back(static_cast<float>(key.place.scale[c]));
            }
            for (Eigen::Index c = 0; c < 4; ++c) {
                rotations.push_back(static_cast<float>(turn.coeffs()[c]));
            }
        }
        const Shared<float> shared(std::move(times));
        const Interpolation how = is_stepped ? Interpolation::step : Interpolation::linear;
        if (moves) {
            clip.channels.push_back({node, Path::translation, how, 3, shared, std::move(places), {}});
        }
        if (turns) {
            clip.channels.push_back({node, Path::rotation, how, 4, shared, std::move(rotations), {}});
        }
        if (scales) {
            clip.channels.push_back({node, Path::scale, how, 3, shared, std::move(sizes), {}});
        }
    }

    void weigh_shapes(int node, const std::vector<Track>& all, Clip& clip) {
        std::vector<Track> tracks;
        std::copy_if(all.begin(), all.end(), std::back_inserter(tracks), [](const Track& one) { return one.is_shape; });
        if (tracks.empty()) {
            return;
        }
        const std::vector<float> rest = reading_.scene.rest_shape_weights(node);
        std::vector<double> times = all_times(tracks);
        // Where a weight bends or jumps, sixteen keys between two of its own.
        std::vector<double> finer;
        for (size_t t = 0; t < times.size(); ++t) {
            const bool bends = t > 0 && std::any_of(tracks.begin(), tracks.end(), [&](const Track& one) {
                                   return one.curve->kinds[one.curve->key_at(times[t - 1])] == Curve::Kind::bezier;
                               });
            const bool jumps = t > 0 && std::any_of(tracks.begin(), tracks.end(), [&](const Track& one) {
                                   return one.curve->kinds[one.curve->key_at(times[t - 1])] == Curve::Kind::step;
                               });
            for (int i = 1; bends && i < 16; ++i) {
                finer.push_back(times[t - 1] + (times[t] - times[t - 1]) * i / 16);
                ++bent_;
            }
            if (jumps && times[t] - times[t - 1] > 2e-4) {
                finer.push_back(times[t] - 1e-4);
            }
            finer.push_back(times[t]);
        }
        if (!reading_.take(finer.size() * (rest.size() + 1))) {
            reading_.note_once(reading_.name, "has more keys than a file of its size can mean; some are left out.");
            return;
        }
        std::vector<float> seconds;
        std::vector<float> values;
        for (const double at : finer) {
            seconds.push_back(static_cast<float>(at - first_));
            const size_t begin = values.size();
            values.insert(values.end(), rest.begin(), rest.end());
            for (const Track& track : tracks) {
                values[begin + track.place] = static_cast<float>(track.curve->at(at, 0));
            }
        }
        clip.channels.push_back({node,
                                 Path::weights,
                                 Interpolation::linear,
                                 static_cast<int>(rest.size()),
                                 std::move(seconds),
                                 std::move(values),
                                 {}});
    }

    Reading& reading_;
    const std::vector<std::vector<PlaceElement>>& places_;
    std::map<size_t, std::vector<int>> nodes_of_; ///< by element
    std::map<std::string, std::shared_ptr<const Curve>> curves_;
    double unit_ = 1;
    double first_ = 0;
    size_t bent_ = 0;
};

} // namespace

void read_animations(Reading& reading, const std::vector<std::vector<PlaceElement>>& places) {
    AnimationReader(reading, places).run();
}

} // namespace wembrix::collada
