#include "core/formats/gltf/buffer_builder.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstring>
#include <optional>

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

/// What a value is stored as; nothing where that would be another value.
std::optional<int> stored(float value, const NumberFormat& format, int least, int most) {
    const double scaled = format.normalised ? static_cast<double>(value) * most : value;
    const double whole = std::round(scaled);
    if (!(whole >= least && whole <= most)) {
        return std::nullopt;
    }
    const double back = format.normalised ? std::max(whole / most, -1.0) : whole;
    return static_cast<float>(back) == value ? std::optional<int>(static_cast<int>(whole)) : std::nullopt;
}

} // namespace

int BufferBuilder::add_view(const char* data, size_t size, Use use, size_t stride) {
    bytes_.resize((bytes_.size() + 3) / 4 * 4, '\0');
    Json view = {{"buffer", 0}, {"byteOffset", bytes_.size()}, {"byteLength", size}};
    if (use != Use::none) {
        view["target"] = static_cast<int>(use);
    }
    if (stride > 0) {
        view["byteStride"] = stride;
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

int BufferBuilder::add_numbers(const std::vector<float>& values, int width, const NumberFormat& format, Use use) {
    struct Type {
        int component;
        size_t size;
        int least;
        int most;
    };
    constexpr std::array<Type, 5> types = {
        {{5126, 4, 0, 0}, {5120, 1, -128, 127}, {5121, 1, 0, 255}, {5122, 2, -32768, 32767}, {5123, 2, 0, 65535}}};
    const Type& type = types.at(static_cast<size_t>(format.kind));
    const size_t row = (static_cast<size_t>(width) * type.size + 3) / 4 * 4; // each element begins at a multiple of 4
    std::string packed(values.size() / static_cast<size_t>(width) * row, '\0');
    bool fits = format.kind != NumberFormat::Kind::floats && !format.matrix;
    for (size_t i = 0; i < values.size() && fits; ++i) {
        const std::optional<int> one = stored(values[i], format, type.least, type.most);
        fits = one.has_value();
        if (fits) {
            const size_t at = i / static_cast<size_t>(width) * row + i % static_cast<size_t>(width) * type.size;
            std::memcpy(packed.data() + at, &*one, type.size); // little-endian, as glTF is
        }
    }
    if (!fits) {
        const int accessor = add_floats(values, width, use, false);
        if (format.matrix && width == 4) {
            accessors_[accessor]["type"] = "MAT2";
        }
        return accessor;
    }
    const int view = add_view(packed.data(), packed.size(), use, row);
    const int accessor = add_accessor(view, type.component, width, values.size() / static_cast<size_t>(width));
    if (format.normalised) {
        accessors_[accessor]["normalized"] = true;
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
