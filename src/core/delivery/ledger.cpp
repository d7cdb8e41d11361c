#include "core/delivery/ledger.h"

#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/delivery/clips_together.h"
#include "core/delivery/deliverable.h"
#include "core/delivery/moving_parts.h"
#include "core/destination/conform.h"
#include "core/destination/fit_images.h"
#include "core/destination/limit_for.h"
#include "core/destination/prune.h"
#include "core/destination/round_numbers.h"
#include "core/formats/format.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fmt/format.h>
#include <iterator>
#include <map>
#include <set>
#include <tuple>

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
                                                      {"hull", Content::hulls},
                                                      {"camera", Content::cameras},
                                                      {"light", Content::lights},
                                                      {"extras", Content::extras},
                                                      {"extension", Content::carried}};
    const auto found = of.find(what);
    return found == of.end() ? 0 : static_cast<Contents>(found->second);
}

/// Curves and caches have files of their own.
bool has_points_files(const Destination& destination) {
    return !destination.points_container.empty();
}

/// What strands' and caches' files hold, under the nodes that carry it.
void add_points_files(Scene& out, const Scene& prepared) {
    for (const MovingPart& part : strand_parts(prepared)) {
        const Node& before = prepared.nodes[static_cast<size_t>(part.node)];
        int node = out.find_identity(before.identity);
        if (node < 0 || before.identity == 0) {
            node = static_cast<int>(out.nodes.size());
            out.nodes.push_back(before);
            out.nodes.back().parent = -1;
            out.nodes.back().mesh = -1;
            out.nodes.back().skin = -1;
            out.nodes.back().influences = {};
            out.nodes.back().hull = -1;
            out.nodes.back().camera = -1;
            out.nodes.back().light = -1;
        }
        out.nodes[static_cast<size_t>(node)].curves = static_cast<int>(out.curve_sets.size());
        out.curve_sets.push_back(prepared.curve_sets[static_cast<size_t>(before.curves)]);
        out.curve_sets.back().surface = -1;
    }
    for (const MovingPart& part : cache_parts(prepared)) {
        const int node = out.find_identity(prepared.nodes[static_cast<size_t>(part.node)].identity);
        if (part.own != nullptr && node >= 0) {
            out.caches.push_back(*part.own);
            out.caches.back().surface = node;
        }
    }
}

/// Whether a destination is given files of a kind, which its container can hold.
bool is_given(const Destination& destination, std::string_view id) {
    const DeliverableKind* kind = kind_of_deliverable(id);
    const Format* format = kind == nullptr ? nullptr : format_of(*kind, destination);
    return format != nullptr && has_all(format->writes, kind->needs) && takes_kind(destination, id);
}

/// The clips that one file or another of a destination holds.
std::vector<const Clip*> clips_given(const Scene& prepared, const Destination& destination) {
    if (is_given(destination, "whole") || is_given(destination, "clips")) {
        return clips_that_go_out(prepared);
    }
    std::vector<const Clip*> clips;
    for (const char* id : {"clip", "pose"}) {
        if (is_given(destination, id)) {
            for (const std::string& name : kind_of_deliverable(id)->plan(prepared, destination)) {
                clips.push_back(prepared.find_clip(name));
            }
        }
    }
    return clips;
}

bool is_given_the_model(const Destination& destination) {
    return is_given(destination, "model") || is_given(destination, "whole") || is_given(destination, "prop");
}

/// What the files of a destination hold together.
Scene all_that_goes_out(const Scene& prepared, const Destination& destination) {
    Scene out = conform_model(prepared, destination).scene;
    const std::vector<const Clip*> clips = clips_given(prepared, destination);
    for (const Clip* clip : clips) {
        // Keys are made anew at every frame: which of them there are is what counts here.
        out.clips.push_back(channels_that_go_out(prepared, taken_of(*clip, destination)));
    }
    const Format* format = format_with_id(destination.container);
    const bool left_on_purpose =
        !is_given_the_model(destination) && format != nullptr && has_all(format->writes, model_kind().needs);
    if (!has_model(prepared) || left_on_purpose) {
        // Files of motion alone: nodes that are moved, and nothing that they carry.
        std::set<int64_t> moved;
        for (const Clip* clip : clips) {
            for (const Node& node : conform_clip(prepared, *clip, destination).scene.nodes) {
                moved.insert(node.identity);
            }
        }
        const bool with_hulls = is_given(destination, "hulls");
        std::vector<int> stays;
        for (size_t n = 0; n < out.nodes.size(); ++n) {
            Node& node = out.nodes[n];
            node.camera = -1;
            node.light = -1;
            const int before = prepared.find_identity(node.identity);
            const bool is_hull = before >= 0 && prepared.nodes[static_cast<size_t>(before)].hull >= 0;
            if (left_on_purpose && !(is_hull && with_hulls)) {
                node.mesh = -1;
                node.skin = -1;
            }
            if (moved.count(node.identity) > 0 || (is_hull && with_hulls)) {
                stays.push_back(static_cast<int>(n));
            }
        }
        reorder_nodes(out, stays);
        if (left_on_purpose && !is_given(destination, "materials")) {
            drop_unused_materials(out);
        }
    }
    if (has_points_files(destination)) {
        add_points_files(out, prepared);
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
        for (const std::string& place : note.also) {
            ledger.push_back({"note", place, 1, note.what, LedgerEntry::By::reader, -1});
        }
    }
    return ledger;
}

namespace {

Text container_holds_none(const Destination& destination) {
    return phrase("a .{} file holds none", destination.container);
}

/// What lies between Prepared and what goes out: either no clip of the take is ticked, or no file has a place for it.
void add_not_taken(Ledger& ledger, std::vector<Thing> left, const Scene& prepared, const Destination& destination) {
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
    const Format* format = format_with_id(destination.container);
    const Contents holds = format == nullptr ? ~Contents(0) : format->writes;
    std::vector<Thing> not_held;
    std::vector<Thing> not_wanted;
    std::partition_copy(std::make_move_iterator(not_taken.begin()), std::make_move_iterator(not_taken.end()),
                        std::back_inserter(not_held), std::back_inserter(not_wanted),
                        [&](const Thing& thing) { return !has_all(holds, needed_for(thing.what)); });
    add_left(ledger, std::move(not_held), LedgerEntry::By::container, container_holds_none(destination));
    std::vector<Thing> of_kinds_not_given;
    std::vector<Thing> without_place;
    const bool gives_clips = !clips_given(prepared, destination).empty();
    const bool gives_model = is_given_the_model(destination);
    std::partition_copy(std::make_move_iterator(not_wanted.begin()), std::make_move_iterator(not_wanted.end()),
                        std::back_inserter(of_kinds_not_given), std::back_inserter(without_place),
                        [&](const Thing& thing) { return thing.take != 0 ? !gives_clips : !gives_model; });
    add_left(ledger, std::move(of_kinds_not_given), LedgerEntry::By::destination,
             destination.name + " is not given files of that kind");
    add_left(ledger, std::move(without_place), LedgerEntry::By::destination,
             "a file of " + destination.name + " has no place for it");
}

void add_not_held(Ledger& ledger, std::vector<Thing> out, const Destination& destination) {
    const Format* format = format_with_id(destination.container);
    const Contents holds = format == nullptr ? 0 : format->writes;
    const bool has_model = has_all(holds, Content::skeleton | Content::surfaces);
    std::vector<Thing> not_held;
    for (Thing& thing : out) {
        if (has_points_files(destination) && (thing.what == "curves" || thing.what == "cache")) {
            continue;
        }
        const bool is_node = thing.is_owner && thing.take == 0 && thing.what != "surface";
        const bool stays = is_node ? thing.what == "joint" || has_model : has_all(holds, needed_for(thing.what));
        if (!stays) {
            not_held.push_back(std::move(thing));
        }
    }
    add_left(ledger, std::move(not_held), LedgerEntry::By::container, container_holds_none(destination));
}

/// Clips whose end lies between two frames go on to the next one.
void add_lengthened(Ledger& ledger, const Scene& prepared, const Destination& destination) {
    for (const Clip& clip : prepared.clips) {
        const double rate = rate_for(clip, destination);
        const double more = (seconds_in_file(clip, destination) - clip.seconds) * rate;
        if (clip.deliver && more > 1e-3) {
            ledger.push_back({"clip length", clip.name, 1,
                              phrase("its end lies between two frames at {:g} per second: it is {:.1f} ms longer", rate,
                                     more / rate * 1000),
                              LedgerEntry::By::destination, -1, true});
        }
    }
}

std::vector<Thing> of_takes(std::vector<Thing> things) {
    std::erase_if(things, [](const Thing& thing) { return thing.take == 0; });
    return things;
}

} // namespace

namespace {
void add_limited(Ledger& ledger, const Scene& prepared, const Destination& destination) {
    if (const Format* format = format_with_id(destination.container);
        format == nullptr || !has(format->writes, Content::skins)) {
        return; // none of the weights goes out, which is said already
    }
    Scene scene = prepared;
    for (const LimitedSurface& one : limit_for(scene, destination)) {
        ledger.push_back({"weights", prepared.nodes[static_cast<size_t>(one.node)].name, one.vertices, one.said,
                          LedgerEntry::By::destination, -1, true});
    }
}
/// Images that are made smaller, or should be and cannot.
void add_fitted_images(Ledger& ledger, const Scene& prepared, const Destination& destination) {
    const Format* format = format_with_id(destination.container);
    if (format == nullptr || !has(format->writes, Content::materials)) {
        return;
    }
    Scene out = prepared;
    drop_unused_materials(out);
    for (const FittedImage& image : fit_images(out, destination)) {
        ledger.push_back({"image", image.name, 1, image.said, LedgerEntry::By::destination, -1, true});
    }
}
/// What rounding cost each surface.
void add_rounded(Ledger& ledger, const Scene& prepared, const Destination& destination) {
    const Format* format = format_with_id(destination.container);
    if (format == nullptr || !has(format->writes, Content::surfaces)) {
        return;
    }
    Scene out = prepared;
    for (RoundedSurface& one : round_numbers(out, destination)) {
        ledger.push_back({"numbers", out.meshes[static_cast<size_t>(one.mesh)].name, one.vertices, std::move(one.said),
                          LedgerEntry::By::destination, -1, true});
    }
}
} // namespace

/// Caches that the card asks for and that go to no file of this destination.
void add_caches_without_container(Ledger& ledger, const Scene& prepared, const Destination& destination) {
    const Format* format = format_with_id(destination.container);
    const bool has_model = format != nullptr && has(format->writes, Content::surfaces);
    for (const CacheOrder& order : prepared.orders) {
        const bool goes_out = order.as == CacheAs::points ? has_points_files(destination) : has_model;
        if (!goes_out) {
            ledger.push_back(
                {"cache", fmt::format("{}/{}", prepared.nodes[static_cast<size_t>(order.node)].name, order.clip), 1,
                 order.as == CacheAs::points ? destination.name + " names no container for strands and caches"
                                             : container_holds_none(destination),
                 LedgerEntry::By::destination, -1});
        }
    }
}

Ledger destination_ledger(const Scene& prepared, const Destination& destination) {
    Ledger ledger;
    add_caches_without_container(ledger, prepared, destination);
    const Scene out = all_that_goes_out(prepared, destination);
    add_not_taken(ledger, left_between(prepared, out), prepared, destination);
    add_not_held(ledger, inventory_of(out), destination);
    add_lengthened(ledger, prepared, destination);
    add_limited(ledger, prepared, destination);
    add_fitted_images(ledger, prepared, destination);
    add_rounded(ledger, prepared, destination);
    return ledger;
}

Ledger destination_ledger_of_takes(const Scene& prepared, const Destination& destination) {
    Ledger ledger;
    Scene out = prepared;
    out.clips.clear();
    for (const Clip& clip : prepared.clips) {
        if (clip.deliver) {
            out.clips.push_back(channels_that_go_out(prepared, taken_of(clip, destination)));
        }
    }
    add_not_taken(ledger, of_takes(left_between(prepared, out)), prepared, destination);
    add_not_held(ledger, of_takes(inventory_of(out)), destination);
    add_lengthened(ledger, prepared, destination);
    return ledger;
}

Ledger summed(const Ledger& ledger) {
    std::map<std::tuple<std::string, std::string, LedgerEntry::By, int, bool>, size_t> places;
    Ledger sums;
    for (const LedgerEntry& entry : ledger) {
        const auto [place, is_new] =
            places.try_emplace({entry.what, entry.why, entry.by, entry.step, entry.altered}, sums.size());
        if (is_new) {
            sums.push_back(entry);
        } else {
            sums[place->second].count += entry.count;
            sums[place->second].name.clear();
        }
    }
    return sums;
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
        if (entry.altered) {
            row["altered"] = true;
        }
        rows.push_back(std::move(row));
    }
    return rows;
}

Ledger ledger_from_json(const nlohmann::json& rows) {
    Ledger ledger;
    for (const nlohmann::json& row : rows.is_array() ? rows : nlohmann::json::array()) {
        const auto text = [&row](const char* key) {
            const auto found = row.find(key);
            return found != row.end() && found->is_string() ? found->get<std::string>() : std::string();
        };
        const auto is_whole = [&row](const char* key) {
            return row.contains(key) && row[key].is_number_unsigned() && row[key] <= 1'000'000'000'000U;
        };
        if (!row.is_object()) {
            continue;
        }
        LedgerEntry entry;
        entry.what = text("what");
        entry.name = text("name");
        entry.why = text("why");
        entry.count = is_whole("count") ? row["count"].get<size_t>() : 1;
        for (const LedgerEntry::By by : {LedgerEntry::By::reader, LedgerEntry::By::card, LedgerEntry::By::destination,
                                         LedgerEntry::By::container}) {
            entry.by = text("by") == by_name(by) ? by : entry.by;
        }
        entry.step = is_whole("step") && row["step"] <= 100'000U ? row["step"].get<int>() : -1;
        entry.altered = row.contains("altered") && row["altered"] == true;
        ledger.push_back(std::move(entry));
    }
    return ledger;
}

Text ledger_said(const Ledger& ledger) {
    std::array<size_t, 4> counts{};
    size_t altered = 0;
    for (const LedgerEntry& entry : ledger) {
        ++(entry.altered ? altered : counts.at(static_cast<size_t>(entry.by)));
    }
    const size_t left = ledger.size() - counts[0] - altered;
    constexpr std::array<const char*, 4> words = {"", "by your card", "the destination does not take",
                                                  "the container does not hold"};
    Text said;
    for (size_t by = 1; by < counts.size(); ++by) {
        if (counts.at(by) > 0) {
            said += phrase("{}{} {}", said.empty() ? "" : ", ", counts.at(by), words.at(by));
        }
    }
    said = left == 0 ? said : phrase("{} stayed behind: {}", counted(left, "thing"), said);
    if (altered > 0) {
        said += phrase("{}{} altered", said.empty() ? "" : "; ", altered == 1 ? "1 is" : phrase("{} are", altered));
    }
    if (counts[0] > 0) {
        said += phrase("{}{} from reading", said.empty() ? "" : "; ", counted(counts[0], "note"));
    }
    return said;
}

} // namespace wembrix
