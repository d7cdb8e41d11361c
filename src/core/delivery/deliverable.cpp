#include "core/delivery/deliverable.h"

#include "core/base/counted.h"
#include "core/base/hasher.h"
#include "core/base/text.h"
#include "core/delivery/alone.h"
#include "core/delivery/arrival_check.h"
#include "core/delivery/cache_shapes.h"
#include "core/delivery/cache_textures.h"
#include "core/delivery/clips_together.h"
#include "core/delivery/made_from.h"
#include "core/delivery/manifest.h"
#include "core/delivery/moving_file.h"
#include "core/delivery/pictures.h"
#include "core/destination/clip_keys.h"
#include "core/destination/conform.h"
#include "core/measure/scene/bounds.h"
#include "core/scene/content.h"

#include <algorithm>
#include <array>
#include <cassert>
#include <fmt/format.h>

namespace wembrix {

namespace {

const Clip& clip_named(const Scene& prepared, const std::string& name) {
    const Clip* clip = prepared.find_clip(name);
    assert(clip != nullptr);
    return *clip;
}

using Names = std::vector<std::string>;

Names plan_model(const Scene& prepared, const Destination&) {
    return has_model(prepared) ? Names{""} : Names();
}

/// It stands still: one pose, and perhaps the same once more to be repeated.
bool is_pose(const Clip& clip) {
    return clip.frames() <= 2;
}

/// Clips that are not told apart as poses.
Names plan_clips(const Scene& prepared, const Destination& destination) {
    const bool poses_apart = takes_kind(destination, "pose");
    Names names;
    for (const Clip* clip : clips_that_go_out(prepared)) {
        if (!poses_apart || !is_pose(*clip)) {
            names.push_back(clip->name);
        }
    }
    return names;
}

Names plan_poses(const Scene& prepared, const Destination&) {
    Names names;
    for (const Clip* clip : clips_that_go_out(prepared)) {
        if (is_pose(*clip)) {
            names.push_back(clip->name);
        }
    }
    return names;
}

Names plan_all_clips(const Scene& prepared, const Destination&) {
    return clips_that_go_out(prepared).empty() ? Names() : Names{""};
}

Names plan_props(const Scene& prepared, const Destination&) {
    return names_of_props(prepared);
}

Text model_facts(const Scene& prepared, const std::string&) {
    size_t shapes = 0;
    const std::vector<int> surfaces = surfaces_of(prepared);
    for (const int node : surfaces) {
        shapes += prepared.meshes[prepared.nodes[node].mesh].shapes.size();
    }
    return phrase("model · {} · {}", counted(surfaces.size(), "surface"), counted(shapes, "shape"));
}

Text clip_facts(const Scene& prepared, const std::string& name) {
    const Clip& clip = clip_named(prepared, name);
    return phrase("clip · {} f · {}", clip.frames(), clip.loop ? "repeats" : "once");
}

std::vector<std::string> names_of(const std::vector<MovingPart>& parts) {
    std::vector<std::string> names;
    for (const MovingPart& one : parts) {
        names.push_back(one.name);
    }
    return names;
}
MovingPart part_named(std::vector<MovingPart> parts, const std::string& name) {
    const auto found =
        std::find_if(parts.begin(), parts.end(), [&](const MovingPart& one) { return one.name == name; });
    assert(found != parts.end());
    return *found;
}

std::string content_of_part(const Scene& prepared, const MovingPart& part, const std::string& model_content) {
    Hasher hash;
    hash.text(model_content);
    hash.text(part.name);
    add_content(hash, part.order);
    if (const int set = prepared.nodes[static_cast<size_t>(part.node)].curves; set >= 0) {
        hash.number(static_cast<int>(prepared.curve_sets[static_cast<size_t>(set)].follow));
    }
    return part.own != nullptr || part.order.clip.empty()
               ? hash.hex()
               : content_of_clip(*prepared.find_clip(part.order.clip), hash.hex());
}

Text facts_of_part(const Scene& prepared, const MovingPart& part) {
    const Node& node = prepared.nodes[static_cast<size_t>(part.node)];
    const char* kind = part.own == nullptr && part.order.clip.empty() ? "strands"
                       : part.order.as == CacheAs::textures           ? "textures"
                       : part.order.as == CacheAs::shapes             ? "shapes"
                                                                      : "cache";
    return phrase("{} · {}", kind,
                  node.curves >= 0
                      ? counted(prepared.curve_sets[static_cast<size_t>(node.curves)].curve_count(), "strand")
                      : counted(prepared.meshes[static_cast<size_t>(node.mesh)].point_count(), "vertex"));
}

/// The kind of what `parts` gives: written and checked frame by frame.
template <std::vector<MovingPart> (*parts)(const Scene&), auto write, auto check>
DeliverableKind points_row(std::string_view id, std::string_view manifest_list) {
    DeliverableKind kind;
    kind.id = id;
    kind.container = &Destination::points_container;
    kind.stands_on_model = true;
    kind.manifest_list = manifest_list;
    kind.plan = [](const Scene& prepared, const Destination&) { return names_of(parts(prepared)); };
    kind.tokens = [](const Scene& prepared, const std::string& name) {
        const MovingPart part = part_named(parts(prepared), name);
        return FileTokens{part.part, part.clip};
    };
    kind.content = [](const Scene& prepared, const std::string& name, const ContentBase& base) {
        return content_of_part(prepared, part_named(parts(prepared), name), base.model_content);
    };
    kind.make = [](const Scene& prepared, const Deliverable& deliverable, const Destination& destination,
                   const nlohmann::json& stamp, const std::filesystem::path& folder, Arrival& arrival) {
        return write(prepared, part_named(parts(prepared), deliverable.name), destination, stamp,
                     folder / deliverable.stem, arrival);
    };
    kind.check_file = [](const Scene& prepared, const std::string& name, const Destination& destination,
                         const nlohmann::json& stamp, const std::filesystem::path& path, const Scene* model,
                         Arrival& arrival) {
        return check(prepared, part_named(parts(prepared), name), destination, stamp, path, model, arrival);
    };
    kind.manifest_row = [](const Scene& prepared, const std::string& name, const Destination& destination,
                           const std::string& path) {
        return part_row(prepared, part_named(parts(prepared), name), destination, path);
    };
    kind.facts = [](const Scene& prepared, const std::string& name) {
        return facts_of_part(prepared, part_named(parts(prepared), name));
    };
    kind.shown = [](const Scene& prepared, const std::string& name) {
        const MovingPart part = part_named(parts(prepared), name);
        const bool of_strands = prepared.nodes[static_cast<size_t>(part.node)].curves >= 0;
        return Pictured{std::make_shared<const Scene>(prepared), part.own == nullptr ? part.order.clip : "",
                        part.own == nullptr ? "" : part.own->name, of_strands};
    };
    kind.size = [](const Scene& prepared, const std::string& name, const Destination& destination) {
        const MovingPart part = part_named(parts(prepared), name);
        const MovingPoints moving = frames_of(prepared, part, destination);
        const Text bytes = said_bytes(likely_bytes(prepared, part, destination));
        return moving.frames == 0 ? bytes : phrase("{} f, {}", moving.frames, bytes);
    };
    return kind;
}

DeliverableKind texture_row() {
    DeliverableKind kind =
        points_row<texture_parts, write_cache_textures, check_cache_textures>("textures", "textures");
    kind.container = &Destination::container; // the model's: it has the coordinates that lead to the pixels
    kind.needs = static_cast<Contents>(Content::surfaces);
    kind.suffix = ".json";
    kind.tokens = [](const Scene& prepared, const std::string& name) {
        const MovingPart part = part_named(texture_parts(prepared), name);
        return FileTokens{part.part, part.clip + "_textures"};
    };
    return kind;
}

/// A surface with shapes, in the model's container: one scene, conformed and checked whole.
DeliverableKind shapes_row() {
    DeliverableKind kind = points_row<shape_parts, write_part, check_part>("shapes", "shapes");
    kind.container = &Destination::container;
    kind.needs = Content::surfaces | Content::clips;
    kind.stands_on_model = false;
    kind.make = nullptr;
    kind.check_file = nullptr;
    kind.conform = [](const Scene& prepared, const std::string& name, const Destination& destination) {
        return conform_shapes(prepared, part_named(shape_parts(prepared), name), destination);
    };
    kind.check = [](const Scene& prepared, const std::string& name, const Scene& arrived, const Scene*,
                    const Destination& destination, Arrival& arrival) {
        check_shapes(prepared, part_named(shape_parts(prepared), name), arrived, destination, arrival);
    };
    kind.tokens = [](const Scene& prepared, const std::string& name) {
        const MovingPart part = part_named(shape_parts(prepared), name);
        return FileTokens{part.part, part.clip + "_shapes"};
    };
    kind.size = [](const Scene& prepared, const std::string& name, const Destination& destination) {
        const MovingPart part = part_named(shape_parts(prepared), name);
        const MovingPoints moving = frames_of(prepared, part, destination);
        return phrase("{} f, at most {}", moving.frames, said_bytes(likely_bytes(prepared, part, destination)));
    };
    return kind;
}

DeliverableKind model_row() {
    DeliverableKind kind;
    kind.id = "model";
    kind.needs = Content::skeleton | Content::surfaces;
    kind.plan = plan_model;
    kind.content = [](const Scene&, const std::string&, const ContentBase& base) { return base.model_content; };
    kind.conform = [](const Scene& prepared, const std::string&, const Destination& destination) {
        return conform_model(prepared, destination);
    };
    kind.check = [](const Scene& prepared, const std::string&, const Scene& arrived, const Scene*,
                    const Destination& destination,
                    Arrival& arrival) { check_model(prepared, arrived, destination, arrival); };
    kind.is_the_model = true;
    kind.facts = model_facts;
    kind.size = [](const Scene& prepared, const std::string&, const Destination& destination) {
        return destination.in_units(height_m(prepared));
    };
    return kind;
}

DeliverableKind clip_row_of(std::string_view id, Names (*plan)(const Scene&, const Destination&)) {
    DeliverableKind kind;
    kind.id = id;
    kind.needs = Content::skeleton | Content::clips;
    kind.plan = plan;
    kind.content = [](const Scene& prepared, const std::string& name, const ContentBase& base) {
        return content_of_clip(clip_named(prepared, name), base.model_content);
    };
    kind.conform = [](const Scene& prepared, const std::string& name, const Destination& destination) {
        return conform_clip(prepared, clip_named(prepared, name), destination);
    };
    kind.check = [](const Scene& prepared, const std::string& name, const Scene& arrived, const Scene* model,
                    const Destination& destination, Arrival& arrival) {
        check_clip(prepared, clip_named(prepared, name), arrived, *model, destination, arrival);
    };
    kind.stands_on_model = true;
    kind.manifest_list = "clips";
    kind.manifest_row = [](const Scene& prepared, const std::string& name, const Destination& destination,
                           const std::string& file) { return clip_row(clip_named(prepared, name), destination, file); };
    kind.facts = clip_facts;
    kind.shown = [](const Scene& prepared, const std::string& name) {
        return Pictured{std::make_shared<const Scene>(prepared), name};
    };
    kind.size = [](const Scene& prepared, const std::string& name, const Destination&) {
        return phrase("{:.2f} s", clip_named(prepared, name).seconds);
    };
    return kind;
}

/// What all clips that go out and the model are made of.
std::string content_of_all_clips(const Scene& prepared, const std::string&, const ContentBase& base) {
    std::string content = base.model_content;
    for (const Clip* clip : clips_that_go_out(prepared)) {
        content = content_of_clip(*clip, content);
    }
    return content;
}

Text seconds_of_all(const Scene& prepared, const std::string&, const Destination&) {
    double seconds = 0;
    for (const Clip* clip : clips_that_go_out(prepared)) {
        seconds += clip->seconds;
    }
    return phrase("{:.2f} s", seconds);
}

DeliverableKind whole_row() {
    DeliverableKind kind = model_row();
    kind.id = "whole";
    kind.needs = Content::skeleton | Content::surfaces | Content::clips | Content::several_clips;
    kind.is_the_model = false;
    kind.content = content_of_all_clips;
    kind.conform = [](const Scene& prepared, const std::string&, const Destination& destination) {
        return conform_whole(prepared, clips_that_go_out(prepared), destination);
    };
    kind.check = [](const Scene& prepared, const std::string&, const Scene& arrived, const Scene*,
                    const Destination& destination,
                    Arrival& arrival) { check_whole(prepared, arrived, destination, arrival); };
    kind.facts = [](const Scene& prepared, const std::string&) {
        return phrase("all in one · {} · {}", counted(surfaces_of(prepared).size(), "surface"),
                      counted(clips_that_go_out(prepared).size(), "clip"));
    };
    return kind;
}

DeliverableKind all_clips_row() {
    DeliverableKind kind;
    kind.id = "clips";
    kind.needs = Content::skeleton | Content::clips | Content::several_clips;
    kind.plan = plan_all_clips;
    kind.content = content_of_all_clips;
    kind.conform = [](const Scene& prepared, const std::string&, const Destination& destination) {
        return conform_clips(prepared, clips_that_go_out(prepared), destination);
    };
    kind.check = [](const Scene& prepared, const std::string&, const Scene& arrived, const Scene* model,
                    const Destination& destination,
                    Arrival& arrival) { check_clips(prepared, arrived, *model, destination, arrival); };
    kind.stands_on_model = true;
    kind.facts = [](const Scene& prepared, const std::string&) {
        return counted(clips_that_go_out(prepared).size(), "clip") + " in one file";
    };
    kind.size = seconds_of_all;
    return kind;
}

/// A part of the scene alone: what goes into it is all that its content depends on.
template <Scene (*part)(const Scene&, const std::string&)> DeliverableKind part_row_of(std::string_view id) {
    DeliverableKind kind = model_row();
    kind.id = id;
    kind.is_the_model = false;
    kind.content = [](const Scene& prepared, const std::string& name, const ContentBase& base) {
        return content_of_model(part(prepared, name), base.destination, base.naming.job);
    };
    kind.conform = [](const Scene& prepared, const std::string& name, const Destination& destination) {
        return conform_model(part(prepared, name), destination);
    };
    kind.shown = [](const Scene& prepared, const std::string& name) {
        return Pictured{std::make_shared<const Scene>(part(prepared, name)), ""};
    };
    return kind;
}

DeliverableKind prop_row() {
    DeliverableKind kind = part_row_of<prop_alone>("prop");
    kind.plan = plan_props;
    kind.check = [](const Scene& prepared, const std::string& name, const Scene& arrived, const Scene*,
                    const Destination& destination,
                    Arrival& arrival) { check_model(prop_alone(prepared, name), arrived, destination, arrival); };
    kind.tokens = [](const Scene&, const std::string& name) {
        FileTokens tokens;
        tokens.prop = name;
        return tokens;
    };
    kind.facts = [](const Scene& prepared, const std::string& name) {
        const Scene prop = prop_alone(prepared, name);
        return phrase("prop · {} · {}", counted(surfaces_of(prop).size(), "surface"),
                      counted(joints_of(prop).size(), "joint"));
    };
    kind.size = [](const Scene& prepared, const std::string& name, const Destination& destination) {
        return destination.in_units(height_m(prop_alone(prepared, name)));
    };
    return kind;
}

Scene swatches_of(const Scene& prepared, const std::string&) {
    return swatches(prepared);
}

DeliverableKind materials_row() {
    DeliverableKind kind = part_row_of<swatches_of>("materials");
    kind.needs = Content::surfaces | Content::materials;
    kind.plan = [](const Scene& prepared, const Destination&) {
        return swatches(prepared).nodes.empty() ? Names() : Names{""};
    };
    kind.check = [](const Scene& prepared, const std::string&, const Scene& arrived, const Scene*,
                    const Destination& destination,
                    Arrival& arrival) { check_swatches(prepared, arrived, destination, arrival); };
    kind.facts = [](const Scene& prepared, const std::string&) {
        const Scene set = swatches(prepared);
        return phrase("material set · {} · {}", counted(set.materials.size(), "material"),
                      counted(set.images.size(), "image"));
    };
    kind.size = [](const Scene& prepared, const std::string&, const Destination&) {
        return counted(swatches(prepared).nodes.size(), "swatch");
    };
    return kind;
}

DeliverableKind hulls_row() {
    DeliverableKind kind = model_row();
    kind.id = "hulls";
    kind.needs = static_cast<Contents>(Content::surfaces);
    kind.is_the_model = false;
    kind.plan = [](const Scene& prepared, const Destination&) { return prepared.hulls.empty() ? Names() : Names{""}; };
    kind.conform = [](const Scene& prepared, const std::string&, const Destination& destination) {
        return conform_hulls(prepared, destination);
    };
    kind.check = [](const Scene& prepared, const std::string&, const Scene& arrived, const Scene*,
                    const Destination& destination,
                    Arrival& arrival) { check_hulls(prepared, arrived, destination, arrival); };
    kind.shown = [](const Scene& prepared, const std::string&) {
        return Pictured{std::make_shared<const Scene>(conform_hulls(prepared, Destination()).scene), ""};
    };
    kind.facts = [](const Scene& prepared, const std::string&) {
        return "hulls · " + counted(prepared.hulls.size(), "hull");
    };
    kind.size = [](const Scene& prepared, const std::string&, const Destination&) {
        return counted(prepared.hulls.size(), "hull");
    };
    return kind;
}

const std::array<DeliverableKind, 12>& kind_rows() {
    static const std::array<DeliverableKind, 12> all = {{
        model_row(),
        whole_row(),
        clip_row_of("clip", plan_clips),
        all_clips_row(),
        clip_row_of("pose", plan_poses),
        prop_row(),
        points_row<strand_parts, write_part, check_part>("strands", "strands"),
        points_row<cache_parts, write_part, check_part>("cache", "caches"),
        texture_row(),
        shapes_row(),
        hulls_row(),
        materials_row(),
    }};
    return all;
}

} // namespace

bool has_model(const Scene& prepared) {
    return !surfaces_of(prepared).empty() || !joints_of(prepared).empty();
}

std::string Deliverable::id() const {
    return deliverable_id(*kind, name);
}

const Format* format_of(const DeliverableKind& kind, const Destination& destination) {
    return format_with_id(destination.*kind.container);
}

std::string file_of(const DeliverableKind& kind, const std::string& stem, const Destination& destination) {
    return stem + std::string(kind.suffix.empty() ? format_of(kind, destination)->suffix() : kind.suffix);
}

Result<std::string> stem_of(const Deliverable& deliverable, const Scene& prepared, const Naming& naming,
                            const Destination& destination) {
    const DeliverableKind& kind = *deliverable.kind;
    FileTokens tokens;
    if (kind.tokens != nullptr) {
        tokens = kind.tokens(prepared, deliverable.name);
    } else {
        tokens.clip = deliverable.name;
    }
    tokens.job = naming.job;
    tokens.variant = naming.variant;
    tokens.number = deliverable.number;
    tokens.date = deliverable.date.empty() ? tokens.date : deliverable.date;
    const FileKind& row = *file_kind(kind.id);
    return file_stem(file_template(destination, row), tokens, row, destination);
}

std::string content_of(const Scene& prepared, const DeliverableKind& kind, const std::string& name,
                       const ContentBase& base) {
    Hasher hash;
    hash.text(kind.content(prepared, name, base));
    const std::string name_of_file = file_template(base.destination, *file_kind(kind.id));
    hash.text(name_of_file);
    if (name_of_file.find("{variant}") != std::string::npos) {
        hash.text(base.naming.variant);
    }
    if (const auto own = base.naming.pictures.find(deliverable_id(kind, name)); own != base.naming.pictures.end()) {
        hash.text(own->second);
    }
    return hash.hex();
}

std::span<const DeliverableKind> deliverable_kinds() {
    return kind_rows();
}

const DeliverableKind* kind_of_deliverable(std::string_view id) {
    const std::string_view word = id.substr(0, id.find(':'));
    const auto* found = std::find_if(kind_rows().begin(), kind_rows().end(),
                                     [&](const DeliverableKind& row) { return row.id == word; });
    return found == kind_rows().end() ? nullptr : found;
}

const DeliverableKind& model_kind() {
    return kind_rows()[0];
}

const DeliverableKind& clip_kind() {
    return kind_rows()[2];
}

std::string deliverable_id(const DeliverableKind& kind, const std::string& name) {
    return name.empty() ? std::string(kind.id) : fmt::format("{}:{}", kind.id, name);
}

std::string name_in_id(std::string_view id) {
    const size_t colon = id.find(':');
    return colon == std::string_view::npos ? std::string() : std::string(id.substr(colon + 1));
}

bool is_there(const Scene& prepared, const Deliverable& deliverable, const Destination& destination) {
    const std::vector<std::string> names = deliverable.kind->plan(prepared, destination);
    return std::find(names.begin(), names.end(), deliverable.name) != names.end();
}

} // namespace wembrix
