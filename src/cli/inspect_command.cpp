#include "commands.h"

#include "core/base/counted.h"
#include "core/formats/format.h"
#include "core/job/card_findings.h"
#include "core/job/card_ledger.h"
#include "core/job/inspect.h"
#include "core/job/job.h"
#include "core/measure/scene/bounds.h"

#include <cstdio>
#include <filesystem>
#include <fmt/format.h>

namespace wembrix::cli {

namespace {

void print_facts(const nlohmann::json& facts) {
    const auto& facing = facts["facing"];
    if (facts["joints"].empty() && facts["meshes"].empty() && facts["clips"].empty() && facts["others"].empty() &&
        facts["curves"].empty()) {
        fmt::print("holds nothing: no joint, no surface, no clip and no other node\n");
        return;
    }
    fmt::print("{:.3f} m tall, {}, {}, {}\n", facts["height_m"].get<double>(),
               facing.is_null() ? "no side named" : "faces " + facing.get<std::string>(),
               counted(facts["joints"].size(), "joint"), counted(facts["roots"].size(), "root"));
    for (const auto& mesh : facts["meshes"]) {
        fmt::print("  surface {}: {}, {}, up to {}, {}\n", mesh["name"].get<std::string>(),
                   counted(mesh["vertices"].get<size_t>(), "vertex"),
                   counted(mesh["triangles"].get<size_t>(), "triangle"),
                   counted(mesh["max_influences"].get<size_t>(), "influence"), counted(mesh["shapes"].size(), "shape"));
    }
    for (const auto& curves : facts["curves"]) {
        fmt::print("  strands {}: {}, {}, {}\n", curves["name"].get<std::string>(),
                   counted(curves["curves"].get<size_t>(), "strand"), counted(curves["points"].get<size_t>(), "point"),
                   curves["has_widths"].get<bool>() ? "with widths" : "no widths");
    }
    for (const auto& cache : facts["caches"]) {
        fmt::print("  cache of {}: {} at {:g} per second\n", cache["node"].get<std::string>(),
                   counted(cache["frames"].get<int>(), "frame"), cache["rate"].get<double>());
    }
    for (const auto& clip : facts["clips"]) {
        fmt::print("  clip {}: {} at {:g} per second, {:.3f} s{}\n", clip["name"].get<std::string>(),
                   counted(clip["frames"].get<int>(), "frame"), clip["rate"].get<double>(),
                   clip["seconds"].get<double>(), clip["loop"].get<bool>() ? ", repeats" : "");
    }
    if (facts.contains("steps")) {
        for (const auto& step : facts["steps"]) {
            const std::string drift =
                step["drift_mm"].is_null() ? "" : fmt::format(" · drift {:.4f} mm", step["drift_mm"].get<double>());
            fmt::print("  step {}: {}{}\n", step["step"].get<std::string>(),
                       step["problem"].is_null() ? step["account"].get<std::string>()
                                                 : step["problem"].get<std::string>(),
                       drift);
            for (const auto& undone : step["could_not"]) {
                fmt::print("    could not: {}\n", undone.get<std::string>());
            }
        }
    }
    for (const auto& finding : facts["findings"]) {
        const std::string accepted = finding.value("accepted", "");
        fmt::print("  [{}] {}. {}{}{}\n", finding["grade"].get<std::string>(), finding["message"].get<std::string>(),
                   accepted.empty() ? "" : "Accepted: " + accepted + ". ", finding["reason"].get<std::string>(),
                   finding["step"].is_null() ? "" : " Mended by " + finding["step"].get<std::string>() + ".");
    }
}

} // namespace

int inspect(const InspectOptions& options) {
    const std::filesystem::path file(options.file);
    nlohmann::json facts;
    int code = all_well;
    if (file.extension() == ".wembrix") {
        Result<Job> job = read_job(file);
        if (!job) {
            return refuse(job.problem());
        }
        Result<LoadedSources> sources = load_sources(job->sources, file.parent_path(), job->steps);
        if (!sources) {
            return refuse(sources.problem());
        }
        Replay replayed = replay(*sources, job->steps);
        measure_replay(replayed);
        facts = inspect_scene(replayed.prepared(), job->destinations);
        facts["received"] = inspect_scene(*replayed.received, job->destinations);
        for (const Finding& finding : card_findings(replayed, job->destinations)) {
            facts["findings"].push_back(finding_to_json(finding));
        }
        facts["steps"] = step_outcomes_to_json(replayed);
        facts["left"] = ledger_to_json(card_ledger(replayed));
        facts["job"] = job->name;
        code = replayed.problems().empty() ? all_well : held;
    } else {
        Result<Scene> scene = read_scene(file);
        if (!scene) {
            return refuse(scene.problem());
        }
        facts = inspect_scene(*scene);
        facts["left"] = ledger_to_json(reader_ledger(*scene));
    }
    if (options.json) {
        fmt::print("{}\n", facts.dump(2));
    } else {
        print_facts(facts);
    }
    return code;
}

} // namespace wembrix::cli
