#include "commands.h"

#include "core/base/counted.h"
#include "core/measure/surface/stray_weights.h"
#include "core/measure/surface/surface_facts.h"
#include "core/measure/surface/weight_rows.h"
#include "core/measure/surface/weights.h"

#include <algorithm>
#include <fmt/format.h>

namespace wembrix::cli {

using nlohmann::json;

namespace {

json weights_of_surface(const Scene& scene, int surface, const std::vector<Destination>& destinations) {
    const Node& node = scene.nodes[static_cast<size_t>(surface)];
    const Skin& skin = scene.skins[static_cast<size_t>(node.skin)];
    const WeightSums sums = weight_sums_of(node.influences);
    json row = {{"surface", node.name},
                {"vertices", node.influences.offsets.empty() ? 0 : node.influences.offsets.size() - 1},
                {"influences", influence_histogram(scene, {surface})},
                {"sums_off", sums.points},
                {"lowest_sum", sums.lowest},
                {"highest_sum", sums.highest},
                {"unheld", sums.unheld},
                {"strays", json::array()},
                {"over_limit", json::object()}};
    for (const StrayIsland& island : stray_weights(scene, surface)) {
        row["strays"].push_back({{"joint", scene.nodes[static_cast<size_t>(skin.joints[island.joint])].name},
                                 {"vertices", island.vertices.size()},
                                 {"first_vertex", island.vertices.front()},
                                 {"heaviest", island.heaviest},
                                 {"distance_m", island.distance_m}});
    }
    for (const Destination& destination : destinations) {
        row["over_limit"][destination.name] = points_with_more_than(node.influences, destination.influences);
    }
    return row;
}

json weights_of_joint(const Scene& scene, int joint) {
    json rows = json::array();
    WeightRow row;
    for (const int surface : surfaces_of(scene)) {
        const Node& node = scene.nodes[static_cast<size_t>(surface)];
        if (node.skin < 0) {
            continue;
        }
        const std::vector<int>& joints = scene.skins[static_cast<size_t>(node.skin)].joints;
        const auto place = std::find(joints.begin(), joints.end(), joint);
        for (size_t v = 0; place != joints.end() && v + 1 < node.influences.offsets.size(); ++v) {
            read_row(node.influences, v, row);
            if (const double weight = weight_in(row, static_cast<uint16_t>(place - joints.begin())); weight > 0) {
                rows.push_back({{"surface", node.name}, {"vertex", v}, {"weight", weight}});
            }
        }
    }
    return rows;
}

void print_histogram(const json& surface) {
    std::string counts;
    for (size_t k = 0; k < surface["influences"].size(); ++k) {
        const auto vertices = surface["influences"][k].get<size_t>();
        if (vertices > 0) {
            counts += fmt::format("{}{} with {}", counts.empty() ? "" : ", ", vertices, k);
        }
    }
    fmt::print("{}: {}; by joints: {}\n", surface["surface"].get<std::string>(),
               counted(surface["vertices"].get<size_t>(), "vertex"), counts);
    if (surface["sums_off"].get<size_t>() > 0) {
        fmt::print("  sums of {} are not 1 ({:.3g} to {:.3g})\n", counted(surface["sums_off"].get<size_t>(), "vertex"),
                   surface["lowest_sum"].get<double>(), surface["highest_sum"].get<double>());
    }
    for (const json& stray : surface["strays"]) {
        fmt::print("  stray: {} holds {} from vertex {} on with up to {:.2f}, {:.3g} mm away\n",
                   stray["joint"].get<std::string>(), counted(stray["vertices"].get<size_t>(), "vertex"),
                   stray["first_vertex"].get<size_t>(), stray["heaviest"].get<double>(),
                   stray["distance_m"].get<double>() * 1000);
    }
    for (const auto& [name, over] : surface["over_limit"].items()) {
        if (over.get<size_t>() > 0) {
            fmt::print("  over the limit of {}: {}\n", name, counted(over.get<size_t>(), "vertex"));
        }
    }
}

} // namespace

int weights(const WeightsOptions& options) {
    const Result<Opened> opened = open_and_replay(options.file);
    if (!opened) {
        return refuse(opened.problem());
    }
    const Scene& scene = opened->replay.prepared();
    json said;
    if (!options.joint.empty()) {
        const int joint = scene.find_node(options.joint);
        if (joint < 0 || scene.nodes[static_cast<size_t>(joint)].kind != NodeKind::joint) {
            return refuse({fmt::format("there is no joint “{}”.", options.joint), options.file, ""});
        }
        said = {{"joint", options.joint}, {"weights", weights_of_joint(scene, joint)}};
    } else {
        said["surfaces"] = json::array();
        for (const int surface : surfaces_of(scene)) {
            if (scene.nodes[static_cast<size_t>(surface)].skin >= 0) {
                said["surfaces"].push_back(weights_of_surface(scene, surface, opened->job.destinations));
            }
        }
        said["joints"] = json::array();
        const std::vector<Holding> holding = holding_of(scene);
        for (const int joint : joints_of(scene)) {
            const Holding& held = holding[static_cast<size_t>(joint)];
            said["joints"].push_back({{"joint", scene.nodes[static_cast<size_t>(joint)].name},
                                      {"vertices", held.points},
                                      {"shared", held.shared},
                                      {"heaviest", held.heaviest},
                                      {"weight", held.weight}});
        }
    }
    if (options.json) {
        fmt::print("{}\n", said.dump(2));
    } else if (!options.joint.empty()) {
        for (const json& row : said["weights"]) {
            fmt::print("{} {}: {:.4f}\n", row["surface"].get<std::string>(), row["vertex"].get<size_t>(),
                       row["weight"].get<double>());
        }
        fmt::print("{} holds {}\n", options.joint, counted(said["weights"].size(), "vertex"));
    } else {
        if (said["surfaces"].empty()) {
            fmt::print("no surface is under a skin\n");
        }
        for (const json& surface : said["surfaces"]) {
            print_histogram(surface);
        }
        for (const json& joint : said["joints"]) {
            fmt::print("{}: {}, {} shared, heaviest {:.2f}\n", joint["joint"].get<std::string>(),
                       counted(joint["vertices"].get<size_t>(), "vertex"), joint["shared"].get<size_t>(),
                       joint["heaviest"].get<double>());
        }
    }
    return all_well;
}

int shapes(const SurfaceOptions& options) {
    const Result<Opened> opened = open_and_replay(options.file);
    if (!opened) {
        return refuse(opened.problem());
    }
    const Scene& scene = opened->replay.prepared();
    json rows = json::array();
    for (const ShapeFacts& shape : shape_facts(scene)) {
        rows.push_back({{"surface", scene.nodes[static_cast<size_t>(shape.node)].name},
                        {"place", shape.shape},
                        {"shape", shape.name},
                        {"reach_mm", shape.reach_mm},
                        {"vertices", shape.vertices},
                        {"starts_at", shape.starts_at},
                        {"normals", shape.has_normals},
                        {"keyed_in", shape.keyed_in},
                        {"answers", shape.answers.empty() ? json() : json(shape.answers)}});
    }
    if (options.json) {
        fmt::print("{}\n", json{{"evaluated", "base, shapes, skin"}, {"shapes", rows}}.dump(2));
        return all_well;
    }
    for (const json& row : rows) {
        std::string keyed;
        for (const json& clip : row["keyed_in"]) {
            keyed += (keyed.empty() ? "; keyed in " : ", ") + clip.get<std::string>();
        }
        fmt::print("{} {}: {}, up to {:.3g} mm on {}{}{}\n", row["surface"].get<std::string>(),
                   row["place"].get<size_t>(), row["shape"].get<std::string>(), row["reach_mm"].get<double>(),
                   counted(row["vertices"].get<size_t>(), "vertex"), row["vertices"] == 0 ? ": moves nothing" : "",
                   keyed);
    }
    fmt::print("{}; evaluated base, then shapes, then skin\n", counted(rows.size(), "shape"));
    return all_well;
}

int materials(const SurfaceOptions& options) {
    const Result<Opened> opened = open_and_replay(options.file);
    if (!opened) {
        return refuse(opened.problem());
    }
    const Scene& scene = opened->replay.prepared();
    json slots = json::array();
    for (const SlotFacts& slot : slot_facts(scene)) {
        json row = {{"surface", scene.nodes[static_cast<size_t>(slot.node)].name},
                    {"slot", slot.slot},
                    {"material", nullptr},
                    {"triangles", slot.triangles},
                    {"vertices", slot.vertices}};
        if (slot.material >= 0) {
            row["material"] = scene.materials[static_cast<size_t>(slot.material)].name;
        }
        slots.push_back(std::move(row));
    }
    json all = json::array();
    for (const Material& material : scene.materials) {
        json images = json::object();
        const auto image = [&](const char* what, const TextureUse& use) {
            const int at = use.texture < 0 ? -1 : scene.textures[static_cast<size_t>(use.texture)].image;
            if (at >= 0) {
                images[what] = scene.images[static_cast<size_t>(at)].name;
            }
        };
        image("base_colour", material.base_colour_texture);
        image("metalness_roughness", material.metalness_roughness_texture);
        image("normal", material.normal_texture);
        image("occlusion", material.occlusion_texture);
        image("emission", material.emission_texture);
        all.push_back({{"material", material.name},
                       {"base_colour", material.base_colour},
                       {"metalness", material.metalness},
                       {"roughness", material.roughness},
                       {"double_sided", material.double_sided},
                       {"images", images}});
    }
    if (options.json) {
        fmt::print("{}\n", json{{"slots", slots}, {"materials", all}}.dump(2));
        return all_well;
    }
    for (const json& row : slots) {
        fmt::print("{} {}: {}, {}\n", row["surface"].get<std::string>(), row["slot"].get<size_t>(),
                   row["material"].is_null() ? "no material" : row["material"].get<std::string>(),
                   counted(row["triangles"].get<size_t>(), "triangle"));
    }
    for (const json& row : all) {
        std::string images;
        for (const auto& [what, name] : row["images"].items()) {
            images += fmt::format(", {} “{}”", what, name.get<std::string>());
        }
        fmt::print("{}: metalness {:g}, roughness {:g}{}\n", row["material"].get<std::string>(),
                   row["metalness"].get<double>(), row["roughness"].get<double>(), images);
    }
    return all_well;
}

} // namespace wembrix::cli
