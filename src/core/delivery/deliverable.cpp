#include "core/delivery/deliverable.h"

#include "core/base/counted.h"
#include "core/delivery/arrival_check.h"
#include "core/delivery/made_from.h"
#include "core/delivery/manifest.h"
#include "core/measure/scene/bounds.h"

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

const std::array<DeliverableKind, 2>& rows() {
    static const std::array<DeliverableKind, 2> all = {{
        {"model", "Model", Content::skeleton | Content::surfaces, &Destination::model_file, plan_model,
         [](const Scene&, const std::string&, const std::string& model_content) { return model_content; },
         [](const Scene& prepared, const std::string&, const Destination& destination) {
             return conform_model(prepared, destination);
         },
         [](const Scene& prepared, const std::string&, const Scene& arrived, const Scene*,
            const Destination& destination, Arrival& arrival) { check_model(prepared, arrived, destination, arrival); },
         true, false, "", nullptr, model_facts,
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
         false, true, "clips",
         [](const Scene& prepared, const std::string& name, const Destination& destination, const std::string& file) {
             return clip_row(clip_named(prepared, name), destination, file);
         },
         clip_facts,
         [](const Scene& prepared, const std::string& name, const Destination&) {
             return fmt::format("{:.2f} s", clip_named(prepared, name).seconds);
         }},
    }};
    return all;
}

} // namespace

std::string Deliverable::id() const {
    return deliverable_id(*kind, name);
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
