#include "commands.h"

#include "core/base/counted.h"
#include "core/measure/clips/contacts.h"
#include "core/measure/clips/motion.h"
#include "core/measure/clips/seam.h"
#include "core/measure/clips/travel.h"
#include "core/measure/scene/bounds.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace wembrix::cli {

namespace {

nlohmann::json seam_json(const Scene& scene, const Clip& clip, double height) {
    const Seam seam = measure_seam(scene, clip, height);
    nlohmann::json json = {{"apart_mm", seam.apart_mm},     {"apart_at", seam.apart_at},
                           {"turned_deg", seam.turned_deg}, {"turned_joint", seam.turned_joint},
                           {"speed_m_s", seam.speed_m_s},   {"travel_m", seam.travel_m},
                           {"turn_deg", seam.turn_deg},     {"closes", seam.closes(height)}};
    if (const std::optional<Closing> closing = nearest_closing(scene, clip, height, clip.start_s + clip.seconds)) {
        json["nearest_closing_frame"] = closing->frame;
        json["nearest_closing_mm"] = closing->seam.apart_mm;
    }
    return json;
}

void print_take(const nlohmann::json& row) {
    fmt::print("{}: {} at {:g} per second, motion energy {:.3f} m/s on average, {:.3f} at most\n",
               row["name"].get<std::string>(), counted(row["frames"].get<int>(), "frame"), row["rate"].get<double>(),
               row["energy_mean_m_s"].get<double>(), row["energy_largest_m_s"].get<double>());
    for (const auto& place : row["still"]) {
        fmt::print("  still from frame {} to {}{}\n", place["first"].get<int>(), place["last"].get<int>(),
                   place["cut"].is_null() ? "" : fmt::format(": cut at {}", place["cut"].get<int>()));
    }
    if (!row["travel"].is_null()) {
        const auto& travel = row["travel"];
        fmt::print(
            "  {} travels {:.2f} m, rotates {:.0f}° about up, {:.2f} m/s on average, {:.2f} at most (frame {})\n",
            travel["joint"].get<std::string>(), travel["metres"].get<double>(), travel["turn_degrees"].get<double>(),
            travel["mean_m_s"].get<double>(), travel["top_m_s"].get<double>(), travel["top_frame"].get<int>());
    }
    for (const auto& contact : row["contacts"]) {
        fmt::print("  {} stands from frame {} to {}, slides {:.0f} mm\n", contact["joint"].get<std::string>(),
                   contact["first"].get<int>(), contact["last"].get<int>(), contact["slide_mm"].get<double>());
    }
    if (!row["seam"].is_null()) {
        const auto& seam = row["seam"];
        fmt::print("  repeats: seam {:.1f} mm ({}), {:.1f}° ({}){}\n", seam["apart_mm"].get<double>(),
                   seam["apart_at"].get<std::string>(), seam["turned_deg"].get<double>(),
                   seam["turned_joint"].get<std::string>(),
                   seam["closes"].get<bool>()
                       ? ""
                       : fmt::format(": does not close; frame {} does best, {:.1f} mm",
                                     seam.value("nearest_closing_frame", 0), seam.value("nearest_closing_mm", 0.0)));
    }
}

} // namespace

int takes(const TakesOptions& options) {
    if (!(options.shortest_s > 0 && options.shortest_s < 1e6)) {
        return refuse({"--shortest is a time in seconds, greater than 0.", "usage", ""});
    }
    if (!(options.foot_height_m >= 0 && options.foot_height_m < 1e6 && options.foot_speed_m_s >= 0 &&
          options.foot_speed_m_s < 1e6)) {
        return refuse({"--foot-height and --foot-speed are metres and metres per second, 0 or more.", "usage", ""});
    }
    const ContactLimits limits{options.foot_height_m, options.foot_speed_m_s};
    const Result<Opened> opened = open_and_replay(options.file);
    if (!opened) {
        return refuse(opened.problem());
    }
    const Scene& scene = opened->replay.prepared();
    const double height = height_m(scene);
    std::vector<int> feet = options.feet.empty() ? foot_joints(scene, height) : std::vector<int>();
    for (const std::string& name : options.feet) {
        const int joint = scene.find_node(name);
        if (joint < 0) {
            return refuse({fmt::format("has no joint \"{}\".", name), options.file, ""});
        }
        feet.push_back(joint);
    }
    nlohmann::json rows = nlohmann::json::array();
    int code = opened->replay.problems().empty() ? all_well : held;
    for (const Clip& clip : scene.clips) {
        const std::vector<float> energy = motion_energy(scene, clip, clip.rate);
        const double threshold = options.still_below >= 0 ? options.still_below : still_threshold(energy);
        const int shortest = std::max(1, static_cast<int>(std::lround(options.shortest_s * clip.rate)));
        nlohmann::json still = nlohmann::json::array();
        for (const FrameRange& place : still_places(energy, threshold, shortest)) {
            const std::vector<int> at = cut_places({place}, clip.frames());
            still.push_back({{"first", place.first},
                             {"last", place.last},
                             {"cut", at.empty() ? nlohmann::json() : nlohmann::json(at[0])}});
        }
        double sum = 0;
        double largest = 0;
        for (const float one : energy) {
            sum += one;
            largest = std::max(largest, static_cast<double>(one));
        }
        nlohmann::json row = {{"name", clip.name},
                              {"frames", clip.frames()},
                              {"rate", clip.rate},
                              {"energy_mean_m_s", energy.empty() ? 0 : sum / static_cast<double>(energy.size())},
                              {"energy_largest_m_s", largest},
                              {"still_below_m_s", threshold},
                              {"still", still}};
        row["travel"] = nlohmann::json();
        if (const int carrier = carrying_joint(scene); carrier >= 0) {
            const Travel travel = travel_of(trajectory_of(scene, clip, carrier, clip.rate, 0, clip.frames()));
            row["travel"] = {{"joint", scene.nodes[static_cast<size_t>(carrier)].name},
                             {"metres", travel.metres},
                             {"along_m", travel.along_m},
                             {"turn_degrees", travel.turn_degrees},
                             {"mean_m_s", travel.mean_m_s},
                             {"top_m_s", travel.top_m_s},
                             {"top_frame", travel.top_frame}};
        }
        row["contacts"] = nlohmann::json::array();
        for (const Contact& contact : contacts_of(scene, clip, feet, height, limits)) {
            row["contacts"].push_back({{"joint", scene.nodes[static_cast<size_t>(contact.joint)].name},
                                       {"first", contact.first},
                                       {"last", contact.last},
                                       {"slide_mm", contact.slide_mm}});
        }
        row["seam"] = clip.loop ? seam_json(scene, clip, height) : nlohmann::json();
        if (clip.loop && !row["seam"]["closes"].get<bool>()) {
            code = held;
        }
        if (!options.json) {
            print_take(row);
        }
        rows.push_back(std::move(row));
    }
    if (options.json) {
        fmt::print("{}\n", nlohmann::json{{"takes", rows}}.dump(2));
    }
    return code;
}

} // namespace wembrix::cli
