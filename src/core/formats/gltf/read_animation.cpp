#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/formats/gltf/accessor.h"
#include "core/formats/gltf/read_parts.h"
#include "core/formats/unique_names.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <map>
#include <set>

namespace wembrix::gltf {

namespace {

struct Curve {
    Shared<float> times;
    Shared<float> values;
    Interpolation interpolation = Interpolation::linear;
};

Interpolation interpolation_of(const std::string& name, const Where& where) {
    if (name.empty() || name == "LINEAR") {
        return Interpolation::linear;
    }
    if (name == "STEP") {
        return Interpolation::step;
    }
    if (name == "CUBICSPLINE") {
        return Interpolation::cubic;
    }
    refuse(where, "has the unknown interpolation \"" + name.substr(0, 40) + "\".");
}

void check_times(const std::vector<float>& times, const Where& where) {
    if (times.empty()) {
        refuse(where, "has no keys.");
    }
    for (size_t i = 0; i + 1 < times.size(); ++i) {
        if (times[i + 1] < times[i]) {
            refuse(where, phrase("key {} comes before the one it follows.", i + 1));
        }
    }
    if (times.front() < 0 || times.back() > 1e6F) {
        refuse(where, "has keys before 0 s or after 1 000 000 s.");
    }
}

} // namespace

namespace {

/// A key that stands days behind the others, by a slip or on purpose, would make millions of frames out of nothing: the
/// clip shows what lies before the longest stretch without keys. The keys behind it stay.
void end_before_the_gap(Clip& clip, const Where& where, Scene& scene) {
    constexpr double many_frames = 20'000;
    constexpr double frames_for_a_key = 100;
    std::vector<float> times = {0};
    for (const Channel& channel : clip.channels) {
        times.insert(times.end(), channel.times.begin(), channel.times.end());
    }
    const double frames = clip.seconds * clip.rate;
    if (frames < many_frames || frames < frames_for_a_key * static_cast<double>(times.size())) {
        return;
    }
    std::sort(times.begin(), times.end());
    size_t before = 0;
    for (size_t k = 0; k + 1 < times.size(); ++k) {
        before = times[k + 1] - times[k] > times[before + 1] - times[before] ? k : before;
    }
    scene.notes.push_back({where.said(), phrase("has no key between {:.3f} s and {:.3f} s, and lasts {:.3f} s; it is "
                                                "shown up to the first of these, and its later keys stay.",
                                                times[before], times[before + 1], clip.seconds)});
    clip.seconds = times[before];
}

} // namespace

void read_clips(Document& document, const std::vector<int>& nodes, Scene& scene) {
    const Json& animations = array_of(document.root, "animations", "animations");
    std::map<int64_t, Shared<float>> times; // accessors that several channels use are read once
    std::map<int64_t, Shared<float>> values;
    for (size_t a = 0; a < animations.size(); ++a) {
        const Json& json = animations[a];
        Clip clip;
        clip.name = text_of(json, "name");
        clip.take = static_cast<int64_t>(a) + 1;
        const std::string where = fmt::format("animation {} \"{}\"", a, clip.name.substr(0, 80));
        const Where in_clip(where);
        const Json& samplers = array_of(json, "samplers", where);
        const Json& channels = array_of(json, "channels", where);
        std::set<std::pair<int, Path>> targets;
        size_t foreign = 0;
        for (size_t c = 0; c < channels.size(); ++c) {
            const Where here(in_clip, ", channel ", static_cast<int64_t>(c));
            const auto target = channels[c].find("target");
            if (target == channels[c].end() || !target->is_object()) {
                refuse(here, "has no target.");
            }
            const int64_t node = index_of(*target, "node", static_cast<int64_t>(nodes.size()), here);
            const std::string path = text_of(*target, "path");
            static const std::map<std::string, Path> paths = {{"translation", Path::translation},
                                                              {"rotation", Path::rotation},
                                                              {"scale", Path::scale},
                                                              {"weights", Path::weights}};
            const auto known = paths.find(path);
            if (node < 0 || known == paths.end()) {
                ++foreign;
                continue;
            }
            Channel channel;
            channel.node = nodes[node];
            channel.path = known->second;
            if (!targets.insert({channel.node, channel.path}).second) {
                scene.notes.push_back({here.said(), "moves what another channel moves already; it is left out."});
                continue;
            }
            const int64_t sampler = index_of(channels[c], "sampler", static_cast<int64_t>(samplers.size()), here);
            if (sampler < 0) {
                refuse(here, "names no sampler.");
            }
            const Json& curve = samplers[sampler];
            const int64_t input = index_of(curve, "input", INT64_MAX, here);
            const int64_t output = index_of(curve, "output", INT64_MAX, here);
            if (times.count(input) == 0) {
                std::vector<float> read = read_floats(document, input, 1, Where(here, " times"));
                check_times(read, here);
                times[input] = std::move(read);
            }
            if (values.count(output) == 0) {
                values[output] = read_floats(document, output, 0, Where(here, " values"));
            }
            channel.times = times[input];
            channel.values = values[output];
            channel.interpolation = interpolation_of(text_of(curve, "interpolation"), here);
            const Node& surface = scene.nodes[channel.node];
            if (channel.path == Path::weights) {
                channel.width = surface.mesh < 0 ? 0 : static_cast<int>(scene.meshes[surface.mesh].shapes.size());
                if (channel.width == 0) {
                    scene.notes.push_back({here.said(), "moves shapes of a node that has none; it is left out."});
                    continue;
                }
            } else {
                channel.width = channel.path == Path::rotation ? 4 : 3;
            }
            const size_t needed =
                channel.times.size() * channel.width * (channel.interpolation == Interpolation::cubic ? 3 : 1);
            if (channel.values.size() != needed) {
                refuse(here, phrase("has {} values, and {} would have {}.", channel.values.size(),
                                    counted(channel.times.size(), "key"), needed));
            }
            clip.seconds = std::max(clip.seconds, static_cast<double>(channel.times.get().back()));
            channel.carried = carried_of(channels[c], {}, scene, here);
            clip.channels.push_back(std::move(channel));
        }
        if (foreign > 0) {
            scene.notes.push_back({where, phrase("{} channels move what is no node; they are left out.", foreign)});
        }
        if (clip.channels.empty() && foreign > 0) {
            scene.notes.push_back({where, "moves nothing else; the take is left out."});
            continue;
        }
        clip.rate = guess_rate(clip);
        end_before_the_gap(clip, where, scene);
        clip.carried = carried_of(json, {}, scene, where);
        scene.clips.push_back(std::move(clip));
    }
    std::vector<std::string*> names;
    for (Clip& clip : scene.clips) {
        names.push_back(&clip.name);
    }
    make_names_unique(names, "take", "takes", scene);
}

} // namespace wembrix::gltf
