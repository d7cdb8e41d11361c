#include "core/delivery/ledger.h"

#include "core/base/counted.h"
#include "core/delivery/deliverable.h"
#include "core/destination/conform.h"
#include "core/formats/format.h"

#include <algorithm>
#include <array>
#include <fmt/format.h>
#include <iterator>
#include <map>
#include <set>

namespace wembrix {

namespace {

/// What a container has to hold for a thing to stand in it.
Contents needed_for(const std::string& what) {
    if (what.ends_with("keys") || what == "keys of shapes") {
        return what == "keys of shapes" ? Content::clips | Content::shapes : static_cast<Contents>(Content::clips);
    }
    static const std::map<std::string, Content> of = {{"take", Content::clips},
                                                      {"shape", Content::shapes},
                                                      {"material", Content::materials},
                                                      {"texture", Content::materials},
                                                      {"surface", Content::surfaces},
                                                      {"vertices", Content::surfaces},
                                                      {"normals", Content::surfaces},
                                                      {"tangents", Content::surfaces},
                                                      {"texture coordinates", Content::surfaces},
                                                      {"vertex colours", Content::surfaces},
                                                      {"attribute", Content::surfaces},
                                                      {"weights", Content::skins},
                                                      {"curves", Content::curves},
                                                      {"cache", Content::caches},
                                                      {"hull", Content::hulls}};
    const auto found = of.find(what);
    return found == of.end() ? 0 : static_cast<Contents>(found->second);
}

/// What the model and the clips of a destination hold together.
Scene all_that_goes_out(const Scene& prepared, const Destination& destination) {
    Scene out = conform_model(prepared, destination).scene;
    for (const Clip& clip : prepared.clips) {
        if (clip.deliver) {
            // Keys are made anew at every frame: which of them there are is what counts here.
            out.clips.push_back(channels_that_go_out(prepared, clip));
        }
    }
    if (model_kind().plan(prepared).empty()) {
        // Files of motion alone: nodes that are moved, and nothing that they carry.
        std::set<int64_t> moved;
        for (const Clip& clip : prepared.clips) {
            for (const Node& node :
                 clip.deliver ? conform_clip(prepared, clip, destination).scene.nodes : std::vector<Node>()) {
                moved.insert(node.identity);
            }
        }
        std::vector<int> stays;
        for (size_t n = 0; n < out.nodes.size(); ++n) {
            out.nodes[n].camera = -1;
            out.nodes[n].light = -1;
            if (moved.count(out.nodes[n].identity) > 0) {
                stays.push_back(static_cast<int>(n));
            }
        }
        reorder_nodes(out, stays);
    }
    return out;
}

} // namespace

std::string_view by_name(LedgerEntry::By by) {
    constexpr std::array<std::string_view, 4> names = {"reader", "card", "destination", "container"};
    return names.at(static_cast<size_t>(by));
}

void add_left(Ledger& ledger, std::vector<Thing> things, LedgerEntry::By by, const std::string& why, int step) {
    for (Thing& thing : things) {
        ledger.push_back({std::move(thing.what), std::move(thing.name), thing.count, why, by, step});
    }
}

Ledger reader_ledger(const Scene& received) {
    Ledger ledger;
    for (const Note& note : received.notes) {
        ledger.push_back({"note", note.where, 1, note.what, LedgerEntry::By::reader, -1});
    }
    return ledger;
}

Ledger destination_ledger(const Scene& prepared, const Destination& destination) {
    Ledger ledger;
    const Format* format = format_with_id(destination.container);
    const Contents holds = format == nullptr ? 0 : format->writes;
    const bool has_model = has_all(holds, Content::skeleton | Content::surfaces);
    const Scene out = all_that_goes_out(prepared, destination);
    std::vector<Thing> left = left_between(prepared, out);
    std::vector<Thing> kept_in_job;
    std::vector<Thing> not_taken;
    std::partition_copy(std::make_move_iterator(left.begin()), std::make_move_iterator(left.end()),
                        std::back_inserter(kept_in_job), std::back_inserter(not_taken), [&](const Thing& thing) {
                            return thing.take != 0 &&
                                   std::any_of(prepared.clips.begin(), prepared.clips.end(), [&](const Clip& clip) {
                                       return clip.take == thing.take && !clip.deliver;
                                   });
                        });
    add_left(ledger, std::move(kept_in_job), LedgerEntry::By::card, "its clips are not ticked for delivery");
    add_left(ledger, std::move(not_taken), LedgerEntry::By::destination,
             "a file of " + destination.name + " has no place for it");
    std::vector<Thing> not_held;
    for (Thing& thing : inventory_of(out)) {
        const bool is_node = thing.is_owner && thing.take == 0 && thing.what != "surface";
        const bool stays = is_node ? thing.what == "joint" || has_model : has_all(holds, needed_for(thing.what));
        if (!stays) {
            not_held.push_back(std::move(thing));
        }
    }
    add_left(ledger, std::move(not_held), LedgerEntry::By::container,
             fmt::format("a .{} file holds none", destination.container));
    return ledger;
}

nlohmann::json ledger_to_json(const Ledger& ledger) {
    nlohmann::json rows = nlohmann::json::array();
    for (const LedgerEntry& entry : ledger) {
        nlohmann::json row = {{"what", entry.what},
                              {"name", entry.name},
                              {"count", entry.count},
                              {"why", entry.why},
                              {"by", by_name(entry.by)}};
        if (entry.step >= 0) {
            row["step"] = entry.step;
        }
        rows.push_back(std::move(row));
    }
    return rows;
}

std::string ledger_said(const Ledger& ledger) {
    std::array<size_t, 4> counts{};
    for (const LedgerEntry& entry : ledger) {
        ++counts.at(static_cast<size_t>(entry.by));
    }
    const size_t left = ledger.size() - counts[0];
    constexpr std::array<const char*, 4> words = {"", "by your card", "the destination does not take",
                                                  "the container does not hold"};
    std::string said;
    for (size_t by = 1; by < counts.size(); ++by) {
        if (counts.at(by) > 0) {
            said += fmt::format("{}{} {}", said.empty() ? "" : ", ", counts.at(by), words.at(by));
        }
    }
    said = left == 0 ? said : fmt::format("{} stayed behind: {}", counted(left, "thing"), said);
    if (counts[0] > 0) {
        said += fmt::format("{}{} from reading", said.empty() ? "" : "; ", counted(counts[0], "note"));
    }
    return said;
}

} // namespace wembrix
