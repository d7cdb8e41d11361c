#include "commands.h"

#include "core/base/counted.h"
#include "core/measure/strands/strand_deform.h"
#include "core/measure/strands/strand_facts.h"

#include <fmt/format.h>

namespace wembrix::cli {

using nlohmann::json;

namespace {

const char* follow_name(StrandFollow follow) {
    constexpr const char* names[] = {"still", "stiff", "surface", "joints"};
    return names[static_cast<size_t>(follow)];
}

json facts_of(const Scene& scene, int node) {
    const CurveSet& curves = scene.curve_sets[static_cast<size_t>(scene.nodes[static_cast<size_t>(node)].curves)];
    const StrandFacts facts = strand_facts(scene, node);
    json row = {{"strands", scene.nodes[static_cast<size_t>(node)].name},
                {"count", facts.strands},
                {"points", facts.points},
                {"guides", facts.guides},
                {"shortest_mm", facts.shortest_m * 1000},
                {"longest_mm", facts.longest_m * 1000},
                {"widths_mm", nullptr},
                {"surface", nullptr},
                {"region_cm2", facts.region_cm2},
                {"roots_off_mm", facts.root_off_m * 1000},
                {"without_root", facts.unrooted},
                {"through_the_surface", facts.through},
                {"deepest_mm", facts.deepest_m * 1000},
                {"follow", follow_name(curves.follow)},
                {"clips", json::array()}};
    if (facts.has_widths) {
        row["widths_mm"] = {facts.narrowest_m * 1000, facts.widest_m * 1000};
    }
    if (curves.surface >= 0) {
        row["surface"] = scene.nodes[static_cast<size_t>(curves.surface)].name;
    }
    if (curves.follow != StrandFollow::still && roots_are_valid(scene, curves)) {
        for (const Clip& clip : scene.clips) {
            const StrandMotion motion = strand_motion(scene, node, clip);
            row["clips"].push_back({{"clip", clip.name},
                                    {"frames", clip.frames()},
                                    {"root_drift_mm", motion.root_drift_m * 1000},
                                    {"length_change", motion.length_change},
                                    {"worst_frame", motion.worst_frame},
                                    {"through_the_surface", motion.through},
                                    {"through_frame", motion.through_frame}});
        }
    }
    return row;
}

void print(const json& row) {
    fmt::print("{}: {} of {} in all, {}, {:.1f} to {:.1f} mm long, ", row["strands"].get<std::string>(),
               counted(row["count"].get<size_t>(), "strand"), counted(row["points"].get<size_t>(), "point"),
               counted(row["guides"].get<size_t>(), "guide"), row["shortest_mm"].get<double>(),
               row["longest_mm"].get<double>());
    if (row["widths_mm"].is_null()) {
        fmt::print("no widths\n");
    } else {
        fmt::print("{:.2f} to {:.2f} mm wide\n", row["widths_mm"][0].get<double>(), row["widths_mm"][1].get<double>());
    }
    if (row["surface"].is_null()) {
        fmt::print("  on no surface\n");
        return;
    }
    fmt::print("  on {}, {:.1f} cm²; roots {:.3f} mm off at most; {} through it, deepest {:.1f} mm; follow: {}\n",
               row["surface"].get<std::string>(), row["region_cm2"].get<double>(), row["roots_off_mm"].get<double>(),
               row["through_the_surface"].get<size_t>(), row["deepest_mm"].get<double>(),
               row["follow"].get<std::string>());
    for (const json& clip : row["clips"]) {
        fmt::print(
            "  {}: roots leave it by {:.4f} mm, lengths change by {:.3g} % (frame {}), {} through it (frame {})\n",
            clip["clip"].get<std::string>(), clip["root_drift_mm"].get<double>(),
            clip["length_change"].get<double>() * 100, clip["worst_frame"].get<int>(),
            clip["through_the_surface"].get<size_t>(), clip["through_frame"].get<int>());
    }
}

} // namespace

int strands(const SurfaceOptions& options) {
    const Result<Opened> opened = open_and_replay(options.file);
    if (!opened) {
        return refuse(opened.problem());
    }
    const Scene& scene = opened->replay.prepared();
    json rows = json::array();
    for (const int node : strands_of(scene)) {
        rows.push_back(facts_of(scene, node));
    }
    if (options.json) {
        fmt::print("{}\n", json{{"strands", rows}}.dump(2));
        return all_well;
    }
    if (rows.empty()) {
        fmt::print("no strands\n");
    }
    for (const json& row : rows) {
        print(row);
    }
    return all_well;
}

} // namespace wembrix::cli
