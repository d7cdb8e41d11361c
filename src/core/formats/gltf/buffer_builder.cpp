#include "core/formats/gltf/buffer_builder.h"

#include <algorithm>
#include <cstring>

namespace wembrix::gltf {

namespace {

const char* type_of(int width) {
    switch (width) {
    case 1:
        return "SCALAR";
    case 2:
        return "VEC2";
    case 3:
        return "VEC3";
    case 4:
        return "VEC4";
    case 9:
        return "MAT3";
    default:
        return "MAT4";
    }
}

} // namespace

int BufferBuilder::add_view(const char* data, size_t size, Use use) {
    bytes_.resize((bytes_.size() + 3) / 4 * 4, '\0');
    Json view = {{"buffer", 0}, {"byteOffset", bytes_.size()}, {"byteLength", size}};
    if (use != Use::none) {
        view["target"] = static_cast<int>(use);
    }
    bytes_.append(data, size);
    views_.push_back(std::move(view));
    return static_cast<int>(views_.size()) - 1;
}

int BufferBuilder::add_accessor(int view, int component, int width, size_t count) {
    accessors_.push_back(
        {{"bufferView", view}, {"componentType", component}, {"type", type_of(width)}, {"count", count}});
    return static_cast<int>(accessors_.size()) - 1;
}

int BufferBuilder::add_floats(const std::vector<float>& values, int width, Use use, bool with_bounds) {
    const int view = add_view(reinterpret_cast<const char*>(values.data()), values.size() * sizeof(float), use);
    const int accessor = add_accessor(view, 5126, width, values.size() / width);
    if (with_bounds) {
        std::vector<float> low(values.begin(), values.begin() + width);
        std::vector<float> high = low;
        for (size_t i = 0; i < values.size(); ++i) {
            low[i % width] = std::min(low[i % width], values[i]);
            high[i % width] = std::max(high[i % width], values[i]);
        }
        accessors_[accessor]["min"] = low;
        accessors_[accessor]["max"] = high;
    }
    return accessor;
}

int BufferBuilder::add_whole(const std::vector<uint32_t>& values, int width, Use use, size_t smallest_bytes) {
    const uint32_t largest = values.empty() ? 0 : *std::max_element(values.begin(), values.end());
    size_t size = smallest_bytes;
    // The largest number of a type ends a strip in some graphics interfaces, so indices stay below it.
    while ((size == 1 && largest >= 255) || (size == 2 && largest >= 65535)) {
        size *= 2;
    }
    std::string packed(values.size() * size, '\0');
    for (size_t i = 0; i < values.size(); ++i) {
        std::memcpy(packed.data() + i * size, &values[i], size); // little-endian, as glTF is
    }
    const int view = add_view(packed.data(), packed.size(), use);
    return add_accessor(view, size == 1 ? 5121 : size == 2 ? 5123 : 5125, width, values.size() / width);
}

int BufferBuilder::add_bytes(const char* data, size_t size) {
    return add_view(data, size, Use::none);
}

} // namespace wembrix::gltf
