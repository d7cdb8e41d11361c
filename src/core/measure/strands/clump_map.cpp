#include "core/measure/strands/clump_map.h"

#include <algorithm>
#include <cmath>

namespace wembrix {

namespace {

const Attribute* coordinates_of(const Mesh& mesh) {
    const auto found = std::find_if(mesh.attributes.begin(), mesh.attributes.end(),
                                    [](const Attribute& one) { return one.name == "TEXCOORD_0" && one.width >= 2; });
    return found == mesh.attributes.end() ? nullptr : &*found;
}

uint32_t pixel_of(float coordinate, uint32_t pixels) {
    const float part = coordinate - std::floor(coordinate);
    return std::min(pixels - 1, static_cast<uint32_t>(part * static_cast<float>(pixels)));
}

} // namespace

bool has_coordinates(const Mesh& mesh) {
    return coordinates_of(mesh) != nullptr;
}

uint32_t ClumpMap::at(const StrandSurface& surface, const CurveRoot& root) const {
    const Attribute* coordinates = coordinates_of(surface.mesh());
    if (coordinates == nullptr || colours.empty()) {
        return 0;
    }
    const auto& corners = surface.triangles()[root.triangle];
    const float shares[] = {1 - root.u - root.v, root.u, root.v};
    float u = 0;
    float v = 0;
    for (size_t c = 0; c < 3; ++c) {
        const size_t first = size_t(corners[c]) * static_cast<size_t>(coordinates->width);
        u += shares[c] * coordinates->data[first];
        v += shares[c] * coordinates->data[first + 1];
    }
    if (!std::isfinite(u) || !std::isfinite(v)) {
        return 0;
    }
    return colours[size_t(pixel_of(v, height)) * width + pixel_of(u, width)];
}

size_t ClumpMap::distinct() const {
    std::vector<uint32_t> all = colours;
    std::sort(all.begin(), all.end());
    const auto end = std::unique(all.begin(), all.end());
    return static_cast<size_t>(end - all.begin()) - (all.empty() || all.front() != 0 ? 0 : 1);
}

} // namespace wembrix
