#include "core/job/card_edits.h"

#include "core/steps/names_in_step.h"
#include "core/steps/step.h"
#include "core/steps/step_kind.h"

#include <algorithm>

namespace wembrix {

namespace {

/// The scene that a step of the card works on.
const Scene& before_step(const Replay& replay, size_t step) {
    return step == 0 ? *replay.received : *replay.outcomes[step - 1].scene;
}

/// Where a step for the skeleton goes: behind all others but those for clips at the end.
size_t before_cuts(const Job& job) {
    size_t place = job.steps.size();
    while (place > 0 && is_for_clips(job.steps[place - 1].id)) {
        --place;
    }
    return place;
}

/// They stand between the steps that make the skeleton and those that work on what they bring.
constexpr std::string_view brings_takes = "bring_takes";
bool brings(const std::string& id) {
    return id == brings_takes || id == "retarget";
}

} // namespace

bool is_for_clips(const std::string& id) {
    const StepKind* kind = step_kind(id);
    return kind != nullptr && kind->for_clips();
}

void cut_before_other_clip_steps(std::vector<Step>& steps, const std::string& take, const std::vector<Cut>& cuts) {
    Job job;
    job.steps = std::move(steps);
    size_t place = before_cuts(job);
    steps = std::move(job.steps);
    while (place < steps.size() && brings(steps[place].id)) {
        ++place; // what is cut has to be there first
    }
    steps.insert(steps.begin() + static_cast<ptrdiff_t>(place), split_step(take, cuts));
}

size_t add_step_at_its_place(Job& job, const Step& step) {
    const bool last = (is_for_clips(step.id) && !brings(step.id)) || step.id == "leave_behind";
    const size_t place = last ? job.steps.size() : before_cuts(job);
    job.steps.insert(job.steps.begin() + static_cast<ptrdiff_t>(place), step);
    return place;
}

bool needs_bringing(const LoadedSources& sources) {
    return std::any_of(sources.sources.begin(), sources.sources.end(), [](const LoadedSources::Source& source) {
        return source.brought && !source.brought->as_it_came() && !source.brought->is_of_another_body();
    });
}

void bring_where_needed(Job& job, const LoadedSources& sources) {
    const bool has_step =
        std::any_of(job.steps.begin(), job.steps.end(), [](const Step& step) { return step.id == brings_takes; });
    if (needs_bringing(sources) && !has_step) {
        add_step_at_its_place(job, Step{std::string(brings_takes)});
    }
}

void rename_one(Job& job, const Replay& replay, int64_t identity, const std::string& name) {
    const Scene& prepared = replay.prepared();
    const int node = prepared.find_identity(identity);
    if (node < 0 || prepared.nodes[node].name == name) {
        return;
    }
    const std::string& now = prepared.nodes[node].name;
    const size_t count = std::min(job.steps.size(), replay.outcomes.size());
    for (size_t i = count; i-- > 0;) {
        const int after = replay.outcomes[i].scene->find_identity(identity);
        if (after < 0 || replay.outcomes[i].scene->nodes[after].name != now) {
            break; // a later step gave it the name it has
        }
        const int before = before_step(replay, i).find_identity(identity);
        if (job.steps[i].id != "rename_joints" || !job.steps[i].on || replay.outcomes[i].problem || before < 0) {
            continue;
        }
        nlohmann::json& names = job.steps[i].parameters["names"];
        if (!names.is_object()) {
            names = nlohmann::json::object();
        }
        const std::string& was = before_step(replay, i).nodes[before].name;
        names[was] = name;
        follow_names(job.steps, i + 1, NameOf::joint, {{now, name}});
        return;
    }
    const size_t place = add_step_at_its_place(job, {"rename_joints", {{"names", {{now, name}}}}});
    follow_names(job.steps, place + 1, NameOf::joint, {{now, name}});
}

void keep_stroke(Job& job, const WeightBrush& brush, const PaintedRows& stroke) {
    const size_t end = before_cuts(job);
    Step* last = end > 0 && job.steps[end - 1].on ? &job.steps[end - 1] : nullptr;
    bool into_last = false;
    Step step = step_with_stroke(last, brush, stroke, into_last);
    if (into_last) {
        *last = std::move(step);
    } else {
        add_step_at_its_place(job, step);
    }
}

void adjust_hull(Job& job, const std::string& hull, const HullAdjustment& by) {
    const size_t end = before_cuts(job);
    Step* last =
        end > 0 && job.steps[end - 1].on && job.steps[end - 1].id == "adjust_hulls" ? &job.steps[end - 1] : nullptr;
    if (last == nullptr) {
        add_step_at_its_place(job, {"adjust_hulls", {{"hulls", {row_of_adjustment(hull, by)}}}});
        return;
    }
    for (nlohmann::json& row : last->parameters["hulls"]) {
        if (row["hull"] == hull) {
            row = row_of_adjustment(hull, adjustment_from_row(row).then(by));
            return;
        }
    }
    last->parameters["hulls"].push_back(row_of_adjustment(hull, by));
}

void set_height(Job& job, double now_m, double wanted_m) {
    for (size_t i = job.steps.size(); i-- > 0;) {
        Step& step = job.steps[i];
        if (step.id != "scale" || !step.on) {
            continue;
        }
        for (const char* key : {"factor", "height_m"}) {
            if (step.parameters.contains(key) && step.parameters[key].is_number()) {
                step.parameters[key] = step.parameters[key].get<double>() * (wanted_m / now_m);
                return;
            }
        }
    }
    add_step_at_its_place(job, {"scale", {{"height_m", wanted_m}}});
}

void hang_under(Job& job, const std::vector<std::string>& names, const std::string& under) {
    const size_t place = before_cuts(job);
    nlohmann::json moves = nlohmann::json::object();
    for (const std::string& name : names) {
        moves[name] = under;
    }
    if (place > 0) {
        Step& last = job.steps[place - 1];
        if (last.id == "reparent_joints" && last.on && last.parameters.contains("under")) {
            last.parameters["under"].update(moves);
            return;
        }
    }
    add_step_at_its_place(job, {"reparent_joints", {{"under", moves}}});
}

void add_rename_rule(Job& job, const nlohmann::json& rule) {
    const size_t place = before_cuts(job);
    if (place > 0) {
        Step& last = job.steps[place - 1];
        // Names given one by one are not touched by rules: those need a step of their own.
        if (last.id == "rename_joints" && last.on && !last.parameters.contains("names")) {
            last.parameters["rules"].push_back(rule);
            return;
        }
    }
    add_step_at_its_place(job, {"rename_joints", {{"rules", nlohmann::json::array({rule})}}});
}

void drop_by_name(Job& job, const std::vector<std::string>& names) {
    const size_t place = before_cuts(job);
    if (place > 0) {
        Step& last = job.steps[place - 1];
        if (last.id == "remove_joints" && last.on && last.parameters.contains("names") && last.parameters.size() == 1) {
            for (const std::string& name : names) {
                last.parameters["names"].push_back(name);
            }
            return;
        }
    }
    add_step_at_its_place(job, {"remove_joints", {{"names", names}}});
}

void match_joints(Job& job, const Contract& contract, const std::map<std::string, std::string>& matches) {
    const nlohmann::json wanted = contract_to_json(contract);
    size_t place = before_cuts(job);
    const bool fits = place > 0 && job.steps[place - 1].id == "fit_contract" && job.steps[place - 1].on &&
                      job.steps[place - 1].parameters.value("contract", nlohmann::json()) == wanted;
    if (!fits) {
        add_step_at_its_place(job, {"fit_contract", {{"contract", wanted}, {"others", "keep"}}});
        place = before_cuts(job);
    }
    nlohmann::json& told = job.steps[place - 1].parameters["matches"];
    told = told.is_object() ? told : nlohmann::json::object();
    for (const auto& [joint, to] : matches) {
        // The step knows a joint by the name it had before it.
        std::string before = joint;
        for (const auto& [name, meant] : told.items()) {
            before = meant == joint ? name : before;
        }
        for (auto other = told.begin(); other != told.end();) {
            other = other.value() == to ? told.erase(other) : std::next(other);
        }
        told.erase(before);
        if (!to.empty()) {
            told[before] = to;
        }
    }
    if (told.empty() && !fits) {
        job.steps.erase(job.steps.begin() + static_cast<ptrdiff_t>(place) - 1);
    }
}

int split_place(const Job& job, const std::string& take) {
    for (size_t i = 0; i < job.steps.size(); ++i) {
        if (job.steps[i].id == "split_take" && job.steps[i].on && job.steps[i].parameters.value("take", "") == take) {
            return static_cast<int>(i);
        }
    }
    return -1;
}

void describe_clip(Job& job, const std::string& name, const Cut& said) {
    Step* last = job.steps.empty() || job.steps.back().id != "describe_clips" || !job.steps.back().on
                     ? nullptr
                     : &job.steps.back();
    if (last == nullptr) {
        job.steps.push_back({"describe_clips", {{"clips", nlohmann::json::array()}}});
        last = &job.steps.back();
    }
    nlohmann::json row = {{"name", name}};
    nlohmann::json& rows = last->parameters["clips"];
    // A row says what its clip is called from then on: that is the name it is known by now.
    const auto called = [](const nlohmann::json& one) { return one.value("as", one.value("name", "")); };
    const auto found =
        std::find_if(rows.begin(), rows.end(), [&](const nlohmann::json& one) { return called(one) == name; });
    if (found != rows.end()) {
        row["name"] = (*found)["name"];
    }
    if (said.name != row["name"]) {
        row["as"] = said.name;
    }
    row["loop"] = said.loop;
    row["deliver"] = said.deliver;
    if (!said.colour.empty()) {
        row["colour"] = said.colour;
    }
    if (!said.note.empty()) {
        row["note"] = said.note;
    }
    if (found != rows.end()) {
        *found = std::move(row);
    } else {
        rows.push_back(std::move(row));
    }
}

void set_cuts(Job& job, const std::string& take, const std::vector<Cut>& cuts) {
    const int place = split_place(job, take);
    if (place < 0) {
        if (!cuts.empty()) {
            job.steps.push_back(split_step(take, cuts));
        }
    } else if (cuts.empty()) {
        job.steps.erase(job.steps.begin() + place);
    } else {
        Step& step = job.steps[static_cast<size_t>(place)];
        const std::vector<Cut> before = cuts_of(step);
        const auto is_there = [](const std::vector<Cut>& list, const std::string& name) {
            return std::any_of(list.begin(), list.end(), [&](const Cut& cut) { return cut.name == name; });
        };
        // A clip of the same frames under a new name is the same clip.
        std::map<std::string, std::string> names;
        for (const Cut& was : before) {
            const auto is = std::find_if(cuts.begin(), cuts.end(), [&](const Cut& cut) {
                return cut.start == was.start && cut.end == was.end && !is_there(before, cut.name);
            });
            if (!is_there(cuts, was.name) && is != cuts.end()) {
                names[was.name] = is->name;
            }
        }
        step.parameters["clips"] = cuts_to_json(cuts);
        follow_names(job.steps, static_cast<size_t>(place) + 1, NameOf::clip, std::move(names));
    }
}

} // namespace wembrix
