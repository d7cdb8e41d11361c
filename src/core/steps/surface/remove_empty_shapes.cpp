// Takes away shapes that move nothing, with their weights and keys.
#include "core/steps/names.h"
#include "core/steps/step_kind.h"

#include <algorithm>
#include <fmt/format.h>

namespace wembrix {

namespace {

double reach_mm(const MorphTarget& shape) {
    double farthest = 0;
    for (const Vec3f& by : shape.positions) {
        farthest = std::max(farthest, static_cast<double>(by.norm()) * 1000);
    }
    return farthest;
}

/// A shape may move no vertex and be there for its colours or coordinates.
bool changes_an_attribute(const MorphTarget& shape) {
    return std::any_of(shape.attributes.begin(), shape.attributes.end(), [](const Attribute& attribute) {
        return std::any_of(attribute.data.begin(), attribute.data.end(), [](float by) { return by != 0; });
    });
}

template <typename Item> std::vector<Item> kept_of(const std::vector<Item>& items, const std::vector<char>& kept) {
    std::vector<Item> result;
    for (size_t i = 0; i < items.size() && i < kept.size(); ++i) {
        if (kept[i] != 0) {
            result.push_back(items[i]);
        }
    }
    return result;
}

void keep_in_channel(Channel& channel, const std::vector<char>& kept) {
    std::vector<float> values;
    const auto width = static_cast<size_t>(channel.width);
    for (size_t i = 0; i < channel.values.size(); ++i) {
        if (kept[i % width] != 0) {
            values.push_back(channel.values[i]);
        }
    }
    channel.values = std::move(values);
    channel.width = static_cast<int>(std::count(kept.begin(), kept.end(), 1));
}

struct EmptySettings {
    double below_mm = 0;
};

Result<StepResult> apply_remove_empty_shapes(const StepContext& context, const EmptySettings& settings) {
    const Scene& scene = context.scene;
    const double below = settings.below_mm;
    StepResult result;
    result.scene = scene;
    std::vector<std::string> dropped;
    for (size_t m = 0; m < result.scene.meshes.size(); ++m) {
        Mesh& mesh = result.scene.meshes[m];
        std::vector<char> kept;
        for (const MorphTarget& shape : mesh.shapes) {
            const bool moves = reach_mm(shape) > below || !shape.normals.empty() || changes_an_attribute(shape);
            kept.push_back(moves ? 1 : 0);
            if (!moves) {
                dropped.push_back(shape.name);
            }
        }
        const auto left = std::count(kept.begin(), kept.end(), 1);
        if (left == static_cast<ptrdiff_t>(kept.size())) {
            continue;
        }
        mesh.shapes = kept_of(mesh.shapes, kept);
        mesh.shape_weights = kept_of(mesh.shape_weights, kept);
        for (size_t n = 0; n < result.scene.nodes.size(); ++n) {
            Node& node = result.scene.nodes[n];
            if (node.mesh != static_cast<int>(m)) {
                continue;
            }
            node.shape_weights = kept_of(node.shape_weights, kept);
            for (Clip& clip : result.scene.clips) {
                for (Channel& channel : clip.channels) {
                    if (channel.node == static_cast<int>(n) && channel.path == Path::weights &&
                        channel.width == static_cast<int>(kept.size())) {
                        keep_in_channel(channel, kept);
                    }
                }
                std::erase_if(clip.channels, [](const Channel& channel) { return channel.width == 0; });
            }
        }
    }
    result.account = dropped.empty() ? "every shape moves something"
                                     : fmt::format("{} gone: {} moved nothing", some_of(dropped, 4),
                                                   dropped.size() == 1 ? "it" : "they");
    return result;
}

} // namespace

StepKind remove_empty_shapes_step() {
    return make_step<EmptySettings>(
        {"remove_empty_shapes", "Remove empty shapes",
         "A shape that moves nothing costs memory in the engine, and somebody will wonder why its slider is dead.",
         StepSubject::surface},
        {number<&EmptySettings::below_mm>("below_mm", "Moves at most",
                                          "Shapes that move no vertex farther than that go, with their keys")
             .unit("mm")
             .at_least(0)},
        apply_remove_empty_shapes);
}

} // namespace wembrix
