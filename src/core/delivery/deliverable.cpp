#include "core/delivery/deliverable.h"

#include "core/base/counted.h"
#include "core/base/hasher.h"
#include "core/delivery/arrival_check.h"
#include "core/delivery/cache_shapes.h"
#include "core/delivery/cache_textures.h"
#include "core/delivery/made_from.h"
#include "core/delivery/manifest.h"
#include "core/delivery/moving_file.h"
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

std::vector<std::string> plan_model(const Scene& prepared) {
    return surfaces_of(prepared).empty() && joints_of(prepared).empty() ? std::vector<std::string>()
                                                                        : std::vector<std::string>{""};
}

std::vector<std::string> plan_clips(const Scene& prepared) {
    std::vector<std::string> names;
    for (const Clip& clip : prepared.clips) {
        if (clip.deliver) {
            names.push_back(clip.name);
        }
    }
    return names;
}

std::string model_facts(const Scene& prepared, const std::string&) {
    size_t shapes = 0;
    const std::vector<int> surfaces = surfaces_of(prepared);
    for (const int node : surfaces) {
        shapes += prepared.meshes[prepared.nodes[node].mesh].shapes.size();
    }
    return fmt::format("model · {} · {}", counted(surfaces.size(), "surface"), counted(shapes, "shape"));
}

std::string clip_facts(const Scene& prepared, const std::string& name) {
    const Clip& clip = clip_named(prepared, name);
    return fmt::format("clip · {} f · {}", clip.frames(), clip.loop ? "repeats" : "once");
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

std::string facts_of_part(const Scene& prepared, const MovingPart& part) {
    const Node& node = prepared.nodes[static_cast<size_t>(part.node)];
    const char* kind = part.own == nullptr && part.order.clip.empty() ? "strands"
                       : part.order.as == CacheAs::textures           ? "textures"
                       : part.order.as == CacheAs::shapes             ? "shapes"
                                                                      : "cache";
    return fmt::format("{} · {}", kind,
                       node.curves >= 0
                           ? counted(prepared.curve_sets[static_cast<size_t>(node.curves)].curve_count(), "strand")
                           : counted(prepared.meshes[static_cast<size_t>(node.mesh)].point_count(), "vertex"));
}

/// The kind of what `parts` gives: written and checked frame by frame.
template <std::vector<MovingPart> (*parts)(const Scene&), auto write, auto check>
DeliverableKind points_row(std::string_view id, std::string_view label, std::string Destination::*file,
                           std::string_view manifest_list) {
    DeliverableKind kind;
    kind.id = id;
    kind.label = label;
    kind.file = file;
    kind.container = &Destination::points_container;
    kind.stands_on_model = true;
    kind.manifest_list = manifest_list;
    kind.plan = [](const Scene& prepared) { return names_of(parts(prepared)); };
    kind.tokens = [](const Scene& prepared, const std::string& name) {
        const MovingPart part = part_named(parts(prepared), name);
        return FileTokens{part.part, part.clip};
    };
    kind.content = [](const Scene& prepared, const std::string& name, const std::string& model_content) {
        return content_of_part(prepared, part_named(parts(prepared), name), model_content);
    };
    kind.make = [](const Scene& prepared, const Deliverable& deliverable, const Destination& destination,
                   const std::filesystem::path& folder, Arrival& arrival) {
        return write(prepared, part_named(parts(prepared), deliverable.name), destination, deliverable.stem, folder,
                     arrival);
    };
    kind.check_file = [](const Scene& prepared, const std::string& name, const Destination& destination,
                         const std::filesystem::path& path, const Scene* model, Arrival& arrival) {
        return check(prepared, part_named(parts(prepared), name), destination, path, model, arrival);
    };
    kind.manifest_row = [](const Scene& prepared, const std::string& name, const Destination& destination,
                           const std::string& path) {
        return part_row(prepared, part_named(parts(prepared), name), destination, path);
    };
    kind.facts = [](const Scene& prepared, const std::string& name) {
        return facts_of_part(prepared, part_named(parts(prepared), name));
    };
    kind.size = [](const Scene& prepared, const std::string& name, const Destination& destination) {
        const MovingPart part = part_named(parts(prepared), name);
        const MovingPoints moving = frames_of(prepared, part, destination);
        const std::string bytes = said_bytes(likely_bytes(prepared, part, destination));
        return moving.frames == 0 ? bytes : fmt::format("{} f, {}", moving.frames, bytes);
    };
    return kind;
}

DeliverableKind texture_row() {
    DeliverableKind kind = points_row<texture_parts, write_cache_textures, check_cache_textures>(
        "textures", "Textures", &Destination::cache_file, "textures");
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
    DeliverableKind kind =
        points_row<shape_parts, write_part, check_part>("shapes", "Shapes", &Destination::cache_file, "shapes");
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
        return fmt::format("{} f, at most {}", moving.frames, said_bytes(likely_bytes(prepared, part, destination)));
    };
    return kind;
}

const std::array<DeliverableKind, 6>& rows() {
    static const std::array<DeliverableKind, 6> all = {{
        {"model", "Model", Content::skeleton | Content::surfaces, &Destination::model_file, plan_model,
         [](const Scene&, const std::string&, const std::string& model_content) { return model_content; },
         [](const Scene& prepared, const std::string&, const Destination& destination) {
             return conform_model(prepared, destination);
         },
         [](const Scene& prepared, const std::string&, const Scene& arrived, const Scene*,
            const Destination& destination, Arrival& arrival) { check_model(prepared, arrived, destination, arrival); },
         nullptr, nullptr, nullptr, &Destination::container, true, false, "", nullptr, model_facts,
         [](const Scene& prepared, const std::string&, const Destination& destination) {
             return destination.in_units(height_m(prepared));
         }},
        {"clip", "Clip", Content::skeleton | Content::clips, &Destination::clip_file, plan_clips,
         [](const Scene& prepared, const std::string& name, const std::string& model_content) {
             return content_of_clip(clip_named(prepared, name), model_content);
         },
         [](const Scene& prepared, const std::string& name, const Destination& destination) {
             return conform_clip(prepared, clip_named(prepared, name), destination);
         },
         [](const Scene& prepared, const std::string& name, const Scene& arrived, const Scene* model,
            const Destination& destination, Arrival& arrival) {
             check_clip(prepared, clip_named(prepared, name), arrived, *model, destination, arrival);
         },
         nullptr, nullptr, nullptr, &Destination::container, false, true, "clips",
         [](const Scene& prepared, const std::string& name, const Destination& destination, const std::string& file) {
             return clip_row(clip_named(prepared, name), destination, file);
         },
         clip_facts,
         [](const Scene& prepared, const std::string& name, const Destination&) {
             return fmt::format("{:.2f} s", clip_named(prepared, name).seconds);
         }},
        points_row<strand_parts, write_part, check_part>("strands", "Strands", &Destination::strands_file, "strands"),
        points_row<cache_parts, write_part, check_part>("cache", "Cache", &Destination::cache_file, "caches"),
        texture_row(),
        shapes_row(),
    }};
    return all;
}

} // namespace

std::string Deliverable::id() const {
    return deliverable_id(*kind, name);
}

const Format* format_of(const DeliverableKind& kind, const Destination& destination) {
    return format_with_id(destination.*kind.container);
}

std::string file_of(const DeliverableKind& kind, const std::string& stem, const Destination& destination) {
    return stem + std::string(kind.suffix.empty() ? format_of(kind, destination)->suffix() : kind.suffix);
}

Result<std::string> stem_of(const DeliverableKind& kind, const Scene& prepared, const std::string& name,
                            const std::string& job_name, const Destination& destination) {
    const FileTokens tokens = kind.tokens == nullptr ? FileTokens{"", name} : kind.tokens(prepared, name);
    return file_stem(destination.*kind.file, job_name, tokens.clip, destination, tokens.part);
}

std::span<const DeliverableKind> deliverable_kinds() {
    return rows();
}

const DeliverableKind* kind_of_deliverable(std::string_view id) {
    const std::string_view word = id.substr(0, id.find(':'));
    const auto* found =
        std::find_if(rows().begin(), rows().end(), [&](const DeliverableKind& row) { return row.id == word; });
    return found == rows().end() ? nullptr : found;
}

const DeliverableKind& model_kind() {
    return rows()[0];
}

const DeliverableKind& clip_kind() {
    return rows()[1];
}

std::string deliverable_id(const DeliverableKind& kind, const std::string& name) {
    return name.empty() ? std::string(kind.id) : fmt::format("{}:{}", kind.id, name);
}

std::string name_in_id(std::string_view id) {
    const size_t colon = id.find(':');
    return colon == std::string_view::npos ? std::string() : std::string(id.substr(colon + 1));
}

bool is_there(const Scene& prepared, const Deliverable& deliverable) {
    const std::vector<std::string> names = deliverable.kind->plan(prepared);
    return std::find(names.begin(), names.end(), deliverable.name) != names.end();
}

} // namespace wembrix
