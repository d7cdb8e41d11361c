// Puts the material slots of surfaces in an order.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/scene/vertex_list.h"
#include "core/steps/names.h"
#include "core/steps/surface/surface_scope.h"

#include <algorithm>
#include <numeric>

namespace wembrix {

namespace {

struct OrderSlotsSettings : SurfaceScope {
    enum class By : uint8_t { list, name };
    By by = By::list;
    std::vector<std::string> materials;
};

Result<StepResult> apply_order_slots(const StepContext& context, const OrderSlotsSettings& settings) {
    StepResult result;
    result.scene = context.scene;
    size_t moved = 0;
    for (const size_t place : meshes_in_scope(context.scene, settings)) {
        const Mesh& before = context.scene.meshes[place];
        const auto name_of = [&](size_t slot) {
            const int material = before.primitives[slot].material;
            return material < 0 ? std::string() : context.scene.materials[static_cast<size_t>(material)].name;
        };
        const auto rank = [&](size_t slot) {
            const std::string name = name_of(slot);
            for (size_t m = 0; m < settings.materials.size(); ++m) {
                if (name == settings.materials[m] || matches_wildcard(name, settings.materials[m])) {
                    return m;
                }
            }
            return settings.materials.size();
        };
        std::vector<size_t> order(before.primitives.size());
        std::iota(order.begin(), order.end(), size_t(0));
        std::stable_sort(order.begin(), order.end(), [&](size_t a, size_t b) {
            return settings.by == OrderSlotsSettings::By::name ? name_of(a) < name_of(b) : rank(a) < rank(b);
        });
        size_t here = 0;
        for (size_t i = 0; i < order.size(); ++i) {
            here += order[i] == i ? 0 : 1;
        }
        if (here == 0) {
            continue;
        }
        moved += here;
        std::vector<NewVertices> lists;
        Mesh& mesh = result.scene.meshes[place];
        for (size_t i = 0; i < order.size(); ++i) {
            lists.push_back(vertices_of(before, before.primitives[order[i]]));
            mesh.primitives[i] = before.primitives[order[i]];
        }
        set_vertices(result.scene, place, lists);
    }
    result.account = moved == 0 ? Text("all slots stand so already")
                                : phrase("{} at another place in the list", counted(moved, "slot"));
    return result;
}

} // namespace

StepKind order_slots_step() {
    return make_step<OrderSlotsSettings>(
        {"order_slots", "Order material slots",
         "An engine assigns materials by the place of the slot; another order paints the beak on the wings.",
         StepSubject::surface},
        with_surface_scope({choice<&OrderSlotsSettings::by>("by", "By", {"list", "name"},
                                                            "The list below, or the letters of the materials' names"),
                            list<&OrderSlotsSettings::materials>(
                                "materials", "First",
                                "Materials in the order their slots are to have; others follow as they "
                                "stood")
                                .naming(NameOf::material)}),
        apply_order_slots);
}

} // namespace wembrix
