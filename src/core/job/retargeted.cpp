#include "core/job/retargeted.h"

#include "core/scene/named_scene.h"
#include "core/steps/clips/source_takes.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace wembrix {

namespace {

RetargetOptions options_of(const nlohmann::json& parameters) {
    RetargetOptions options;
    options.path =
        parameters.value("path", "legs") == "same" ? RetargetOptions::Path::same : RetargetOptions::Path::legs;
    options.path_factor = parameters.value("path_factor", 0.0);
    options.plant_feet = parameters.value("feet", "planted") != "free";
    options.keep_hands = parameters.value("hands", "free") == "kept";
    return options;
}

/// A power of ten that makes one body about as tall as another: takes count in whatever unit.
double unit_for(double height, double wanted) {
    double best = 1;
    for (int power = -4; power <= 4; ++power) {
        const double factor = std::pow(10.0, power);
        best =
            std::abs(std::log(height * factor / wanted)) < std::abs(std::log(height * best / wanted)) ? factor : best;
    }
    return best;
}

std::shared_ptr<const Scene> shown_beside(const Scene& source, const Scene& prepared, size_t place, double factor) {
    auto beside = std::make_shared<Scene>(source);
    beside->clips.clear();
    for (const Clip& clip : prepared.clips) {
        if (source_of_identity(clip.take) != place) {
            continue;
        }
        const auto own = std::find_if(source.clips.begin(), source.clips.end(),
                                      [&](const Clip& one) { return one.take == clip.take - identities_from(place); });
        if (own != source.clips.end()) {
            Clip shown = *own;
            shown.name = clip.name;
            shown.start_s = clip.start_s;
            shown.seconds = clip.seconds;
            shown.loop = clip.loop;
            beside->clips.push_back(std::move(shown));
        }
    }
    // Upright and in metres; without stand-ins of one point, which say nothing of its size.
    std::vector<char> carries(beside->nodes.size(), 0);
    std::vector<int> order;
    for (size_t n = beside->nodes.size(); n-- > 0;) {
        const Node& node = beside->nodes[n];
        const bool stands_in =
            node.mesh >= 0 && beside->meshes[static_cast<size_t>(node.mesh)].point_count() <= 1 && carries[n] == 0;
        if (!stands_in) {
            order.push_back(static_cast<int>(n));
            if (node.parent >= 0) {
                carries[static_cast<size_t>(node.parent)] = 1;
            }
        }
    }
    std::reverse(order.begin(), order.end());
    reorder_nodes(*beside, order);
    for (const auto& [id, parameters] :
         {std::pair<std::string_view, nlohmann::json>("bake_parent_transforms", nlohmann::json::object()),
          std::pair<std::string_view, nlohmann::json>("scale", {{"factor", factor}})}) {
        if (Result<StepResult> done = apply_step(*beside, id, parameters)) {
            *beside = std::move(done->scene);
        }
    }
    return beside;
}

} // namespace

int retarget_place(const Replay& replay) {
    for (size_t i = 0; i < replay.outcomes.size(); ++i) {
        if (replay.outcomes[i].step.id == "retarget" && replay.outcomes[i].step.on) {
            return static_cast<int>(i);
        }
    }
    return -1;
}

std::vector<RetargetedSource> retargeted_sources(const Replay& replay, const std::function<bool()>& stop) {
    std::vector<RetargetedSource> all;
    const int place = retarget_place(replay);
    if (place < 0 || !replay.sources) {
        return all;
    }
    const nlohmann::json& parameters = replay.outcomes[static_cast<size_t>(place)].step.parameters;
    const Scene& target = place == 0 ? *replay.received : *replay.outcomes[static_cast<size_t>(place) - 1].scene;
    RetargetOptions options = options_of(parameters);
    options.stop = stop;
    const Result<JointLimits> limits =
        joint_limits_from_json(parameters.value("limits", nlohmann::json::object()), "limits");
    const std::vector<NamedScene>& sources = *replay.sources;
    for (size_t s = 0; s < sources.size(); ++s) {
        const Scene& source = sources[s].scene;
        if (!moves_others({target, {}, {}, sources}, s) || joints_of(source).empty() || joints_of(target).empty()) {
            continue;
        }
        RetargetedSource one;
        one.name = sources[s].name;
        const nlohmann::json given = parameters.value("map", nlohmann::json::object());
        const Result<JointMap> map = given.empty() ? Result<JointMap>(JointMap()) : map_from_json(given, "map");
        one.map = map && !map->pairs.empty() ? *map : propose_map(source, target, one.name);
        const Retargeter retargeter(source, target, one.map, options);
        one.path_factor = retargeter.path_factor();
        for (const int joint : joints_of(source)) {
            one.source_joints.push_back(source.nodes[static_cast<size_t>(joint)].name);
            if (one.map.of_source(one.source_joints.back()) == nullptr) {
                one.left_out.push_back(one.source_joints.back());
            }
        }
        for (const int joint : joints_of(target)) {
            one.target_joints.push_back(target.nodes[static_cast<size_t>(joint)].name);
        }
        std::map<int, RetargetedSource::Direction> worst;
        for (const Clip& clip : source.clips) {
            if (stop && stop()) {
                return {};
            }
            std::vector<HandHold> holds;
            const Clip made = retargeter.run(clip, &holds);
            if (stop && stop()) {
                return {};
            }
            one.clips.push_back({clip.name, report_on(retargeter, source, clip, target, made, holds),
                                 beyond_limits(target, made, limits ? *limits : JointLimits())});
            for (const BoneDirection& bone : one.clips.back().report.directions) {
                const RetargetedSource::Direction direction = {target.nodes[static_cast<size_t>(bone.target)].name,
                                                               clip.name, bone};
                const auto [found, fresh] = worst.try_emplace(bone.target, direction);
                if (!fresh && bone.worst_degrees > found->second.bone.worst_degrees) {
                    found->second = direction;
                }
            }
        }
        for (const auto& [joint, bone] : worst) {
            one.directions.push_back(bone);
        }
        std::sort(one.directions.begin(), one.directions.end(),
                  [](const auto& a, const auto& b) { return a.bone.worst_degrees > b.bone.worst_degrees; });
        one.beside = shown_beside(source, replay.prepared(), s,
                                  unit_for(std::max(1e-6, retargeter.source_body().height_m),
                                           std::max(1e-6, retargeter.target_body().height_m)));
        all.push_back(std::move(one));
    }
    return all;
}

} // namespace wembrix
