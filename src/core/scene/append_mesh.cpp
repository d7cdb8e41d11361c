#include "core/scene/append_mesh.h"

#include "core/base/text.h"
#include "core/scene/content.h"

#include <algorithm>

namespace wembrix {

namespace {

template <typename T> void append_array(Shared<T>& to, const Shared<T>& from, size_t before, size_t added) {
    if (to.empty() && from.empty()) {
        return;
    }
    std::vector<T>& values = to.edit();
    values.resize(before, T::Zero());
    values.insert(values.end(), from.begin(), from.end());
    values.resize(before + added, T::Zero());
}

/// Three floats a colour become four, with nothing seen through.
void widen(Attribute& colour) {
    colour.data = widened(colour.data.get(), 3, 4, 1.0F);
    colour.width = 4;
}

Outcome append_attribute(Mesh& to, Attribute added, size_t before) {
    auto own = std::find_if(to.attributes.begin(), to.attributes.end(),
                            [&](const Attribute& attribute) { return attribute.name == added.name; });
    if (own == to.attributes.end()) {
        to.attributes.push_back(
            {added.name, added.width, std::vector<float>(before * added.width, 0.0F), added.format});
        own = to.attributes.end() - 1;
    }
    if (!same_content(own->format, added.format)) {
        own->format = {};
    }
    if (own->width != added.width && added.name.rfind("COLOR_", 0) == 0) {
        for (Attribute* one : {&*own, &added}) {
            if (one->width == 3) {
                widen(*one);
            }
        }
    }
    if (own->width != added.width) {
        return Problem{phrase("{} has {} numbers per vertex on one of them and {} on another.", added.name, own->width,
                              added.width),
                       "", "Leave that attribute out of one of the sources."};
    }
    std::vector<float>& values = own->data.edit();
    values.insert(values.end(), added.data.begin(), added.data.end());
    return Done{};
}

} // namespace

Outcome append_mesh(Mesh& to, const Mesh& from) {
    const size_t before = to.point_count();
    const size_t added = from.point_count();
    const auto first_index = static_cast<uint32_t>(to.indices.size());
    for (const Attribute& attribute : from.attributes) {
        if (Outcome done = append_attribute(to, attribute, before); !done) {
            return done;
        }
    }
    for (Attribute& attribute : to.attributes) {
        if (attribute.data.size() < (before + added) * attribute.width) {
            attribute.data.edit().resize((before + added) * attribute.width, 0.0F);
        }
    }
    append_array(to.normals, from.normals, before, added);
    append_array(to.tangents, from.tangents, before, added);
    append_array(to.positions, from.positions, before, added);
    std::vector<uint32_t>& indices = to.indices.edit();
    for (const uint32_t index : from.indices) {
        indices.push_back(index + static_cast<uint32_t>(before));
    }
    for (Primitive primitive : from.primitives) {
        primitive.first_point += static_cast<uint32_t>(before);
        primitive.first_index += first_index;
        to.primitives.push_back(std::move(primitive));
    }
    return Done{};
}

} // namespace wembrix
