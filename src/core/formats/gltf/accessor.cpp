#include "core/formats/gltf/accessor.h"
#include "core/base/text.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <fmt/format.h>
#include <limits>
#include <type_traits>

namespace wembrix::gltf {

namespace {

enum Component { s8 = 5120, u8 = 5121, s16 = 5122, u16 = 5123, u32 = 5125, f32 = 5126 };

size_t component_size(int component, const Where& where) {
    switch (component) {
    case s8:
    case u8:
        return 1;
    case s16:
    case u16:
        return 2;
    case u32:
    case f32:
        return 4;
    default:
        refuse(where, phrase("has the unknown component type {}.", component));
    }
}

struct Layout {
    int width = 0;
    int rows = 0; ///< components in a column
    int columns = 1;
    size_t column_bytes = 0;  ///< with the padding that matrices of small integers have
    size_t element_bytes = 0; ///< tightly packed
};

Layout layout_of(const std::string& type, int component, const Where& where) {
    Layout layout;
    if (type == "SCALAR") {
        layout.rows = 1;
    } else if (type.size() == 4 && type.compare(0, 3, "VEC") == 0 && type[3] >= '2' && type[3] <= '4') {
        layout.rows = type[3] - '0';
    } else if (type.size() == 4 && type.compare(0, 3, "MAT") == 0 && type[3] >= '2' && type[3] <= '4') {
        layout.rows = layout.columns = type[3] - '0';
    } else {
        refuse(where, "has the unknown type \"" + type.substr(0, 20) + "\".");
    }
    layout.width = layout.rows * layout.columns;
    layout.column_bytes = layout.rows * component_size(component, where);
    if (layout.columns > 1) {
        layout.column_bytes = (layout.column_bytes + 3) / 4 * 4;
    }
    layout.element_bytes = layout.column_bytes * layout.columns;
    return layout;
}

/// A run of elements that is known to lie inside its buffer.
struct ByteRun {
    const char* data = nullptr;
    size_t stride = 0;
    size_t count = 0;
};

ByteRun run_of(Document& document, int64_t view, uint64_t offset, uint64_t count, size_t element, bool may_stride,
               const Where& where) {
    const std::string_view bytes = view_bytes(document, view, where);
    const Json& json = document.root["bufferViews"][view];
    const uint64_t stride = may_stride ? count_of(json, "byteStride", element, where) : element;
    if (stride < element || stride > 65536) {
        refuse(where, phrase("has a stride of {} bytes for elements of {}.", stride, element));
    }
    const uint64_t needed = count == 0 ? 0 : element;
    if (offset > bytes.size() ||
        (count > 0 && (bytes.size() - offset < needed || (bytes.size() - offset - needed) / stride < count - 1))) {
        refuse(where, phrase("reaches past the end of buffer view {}: {} elements of {} bytes do not fit in {}.", view,
                             count, element, bytes.size()));
    }
    return {bytes.data() + offset, static_cast<size_t>(stride), static_cast<size_t>(count)};
}

template <typename T> T raw(const char* at) {
    T value;
    std::memcpy(&value, at, sizeof(T));
    return value;
}

float as_float(const char* at, int component, bool normalised) {
    switch (component) {
    case s8:
        return normalised ? std::max(raw<int8_t>(at) / 127.0F, -1.0F) : raw<int8_t>(at);
    case u8:
        return normalised ? raw<uint8_t>(at) / 255.0F : raw<uint8_t>(at);
    case s16:
        return normalised ? std::max(raw<int16_t>(at) / 32767.0F, -1.0F) : raw<int16_t>(at);
    case u16:
        return normalised ? raw<uint16_t>(at) / 65535.0F : raw<uint16_t>(at);
    case u32:
        return normalised ? static_cast<float>(raw<uint32_t>(at) / 4294967295.0)
                          : static_cast<float>(raw<uint32_t>(at));
    default:
        return raw<float>(at);
    }
}

uint32_t as_whole(const char* at, int component) {
    switch (component) {
    case u8:
        return raw<uint8_t>(at);
    case u16:
        return raw<uint16_t>(at);
    default:
        return raw<uint32_t>(at);
    }
}

/// Calls with a number of the type that a component is stored in, so that loops over many know it.
template <typename Use> void with_type(int component, const Use& use) {
    switch (component) {
    case s8:
        return use(int8_t());
    case u8:
        return use(uint8_t());
    case s16:
        return use(int16_t());
    case u16:
        return use(uint16_t());
    case u32:
        return use(uint32_t());
    default:
        return use(float());
    }
}

template <typename T, typename Stored> T stored_as(const char* at, bool normalised) {
    if constexpr (std::is_same_v<T, uint32_t>) {
        return static_cast<uint32_t>(raw<Stored>(at));
    } else if constexpr (std::is_same_v<Stored, uint32_t>) {
        return as_float(at, u32, normalised);
    } else if constexpr (std::is_floating_point_v<Stored>) {
        return raw<Stored>(at);
    } else {
        constexpr auto most = static_cast<float>(std::numeric_limits<Stored>::max());
        const auto value = static_cast<float>(raw<Stored>(at));
        return normalised ? std::max(value / most, -1.0F) : value;
    }
}

template <typename T, typename Convert>
std::vector<T> read_elements(Document& document, int64_t accessor, int width, const Where& where, Convert convert) {
    const AccessorInfo info = accessor_info(document, accessor, where);
    const Json& json = document.root["accessors"][accessor];
    const Where here(where, ", accessor ", accessor);
    const Layout layout = layout_of(text_of(json, "type"), info.component, here);
    if (width != 0 && info.width != width) {
        refuse(here, phrase("has {} components where {} are expected.", info.width, width));
    }
    if (info.count > UINT32_MAX) {
        refuse(here, phrase("has {} elements: more than any file can hold.", info.count));
    }
    const int64_t views = static_cast<int64_t>(views_of(document).size());
    const int64_t view = index_of(json, "bufferView", views, here);
    ByteRun run;
    if (view >= 0) {
        run =
            run_of(document, view, count_of(json, "byteOffset", 0, here), info.count, layout.element_bytes, true, here);
    }
    document.spend(info.count * info.width * sizeof(T), here);
    std::vector<T> values(info.count * info.width, T{});
    auto element = [&](const char* from, size_t to) {
        for (int c = 0; c < layout.columns; ++c) {
            for (int r = 0; r < layout.rows; ++r) {
                const size_t size = layout.column_bytes / layout.rows;
                const size_t step = layout.columns > 1 ? component_size(info.component, here) : size;
                values[to * info.width + c * layout.rows + r] =
                    convert(from + c * layout.column_bytes + r * step, info);
            }
        }
    };
    const bool as_they_are = std::is_same_v<T, float> ? info.component == f32 : info.component == u32;
    if (as_they_are && layout.columns == 1 && run.stride == layout.element_bytes && run.count > 0) {
        std::memcpy(values.data(), run.data, run.count * layout.element_bytes);
    } else if (layout.columns == 1) {
        with_type(info.component, [&](auto zero) {
            using Stored = decltype(zero);
            const auto wide = static_cast<size_t>(info.width);
            for (size_t i = 0; i < run.count; ++i) {
                for (size_t c = 0; c < wide; ++c) {
                    values[i * wide + c] =
                        stored_as<T, Stored>(run.data + i * run.stride + c * sizeof(Stored), info.normalised);
                }
            }
        });
    } else {
        for (size_t i = 0; i < run.count; ++i) {
            element(run.data + i * run.stride, i);
        }
    }
    if (const auto sparse = json.find("sparse"); sparse != json.end()) {
        const Where inside(here, ", sparse");
        const uint64_t count = count_of(*sparse, "count", 0, inside);
        if (count > info.count || !sparse->contains("indices") || !sparse->contains("values")) {
            refuse(inside, "has a broken list of changed elements.");
        }
        const Json& indices = (*sparse)["indices"];
        const Json& changed = (*sparse)["values"];
        const auto component =
            static_cast<int>(std::min<uint64_t>(count_of(indices, "componentType", 0, inside), 1U << 20U));
        if (component != u8 && component != u16 && component != u32) {
            refuse(inside, "has indices of a type that indices cannot have.");
        }
        const int64_t index_view = index_of(indices, "bufferView", views, inside);
        const int64_t value_view = index_of(changed, "bufferView", views, inside);
        if (index_view < 0 || value_view < 0) {
            refuse(inside, "has no data.");
        }
        const size_t index_size = component_size(component, inside);
        const ByteRun places =
            run_of(document, index_view, count_of(indices, "byteOffset", 0, inside), count, index_size, false, inside);
        const ByteRun data = run_of(document, value_view, count_of(changed, "byteOffset", 0, inside), count,
                                    layout.element_bytes, false, inside);
        for (size_t i = 0; i < count; ++i) {
            const uint32_t place = as_whole(places.data + i * index_size, component);
            if (place >= info.count) {
                refuse(inside, phrase("changes element {}, but there are only {}.", place, info.count));
            }
            element(data.data + i * layout.element_bytes, place);
        }
    }
    return values;
}

} // namespace

AccessorInfo accessor_info(Document& document, int64_t accessor, const Where& where) {
    const Json& accessors = accessors_of(document);
    if (accessor < 0 || accessor >= static_cast<int64_t>(accessors.size())) {
        refuse(where, phrase("uses accessor {}, but there are only {}.", accessor, accessors.size()));
    }
    const Json& json = accessors[accessor];
    const Where here(where, ", accessor ", accessor);
    AccessorInfo info;
    info.count = count_of(json, "count", 0, here);
    info.component = static_cast<int>(std::min<uint64_t>(count_of(json, "componentType", 0, here), 1U << 20U));
    info.width = layout_of(text_of(json, "type"), info.component, here).width;
    const auto normalised = json.find("normalized");
    info.normalised = normalised != json.end() && normalised->is_boolean() && normalised->get<bool>();
    return info;
}

std::string_view view_bytes(Document& document, int64_t view, const Where& where) {
    const Json& views = views_of(document);
    if (view < 0 || view >= static_cast<int64_t>(views.size())) {
        refuse(where, phrase("uses buffer view {}, but there are only {}.", view, views.size()));
    }
    const Where all("buffer view ");
    const Where here(all, "", view);
    const int64_t buffer = index_of(views[view], "buffer", static_cast<int64_t>(document.buffers.size()), here);
    if (buffer < 0) {
        refuse(here, "names no buffer.");
    }
    const uint64_t offset = count_of(views[view], "byteOffset", 0, here);
    const uint64_t length = count_of(views[view], "byteLength", 0, here);
    const std::string& bytes = *document.buffers[buffer];
    if (offset > bytes.size() || length > bytes.size() - offset) {
        refuse(here, phrase("reaches past the end of buffer {}, which has {} bytes.", buffer, bytes.size()));
    }
    return std::string_view(bytes).substr(offset, length);
}

std::vector<float> read_floats(Document& document, int64_t accessor, int width, const Where& where) {
    std::vector<float> values =
        read_elements<float>(document, accessor, width, where, [](const char* at, const AccessorInfo& info) {
            return as_float(at, info.component, info.normalised);
        });
    for (size_t i = 0; i < values.size(); ++i) {
        if (!std::isfinite(values[i])) {
            refuse(Where(where, ", accessor ", accessor), phrase("value {} is not a number.", i));
        }
    }
    return values;
}

std::vector<uint32_t> read_whole(Document& document, int64_t accessor, int width, const Where& where) {
    const AccessorInfo info = accessor_info(document, accessor, where);
    if (info.component != u8 && info.component != u16 && info.component != u32) {
        refuse(Where(where, ", accessor ", accessor), "does not hold unsigned whole numbers.");
    }
    return read_elements<uint32_t>(document, accessor, width, where,
                                   [](const char* at, const AccessorInfo& of) { return as_whole(at, of.component); });
}

} // namespace wembrix::gltf
