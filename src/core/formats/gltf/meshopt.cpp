#include "core/formats/gltf/meshopt.h"

#include "core/base/text.h"
#include "core/formats/gltf/accessor.h"

#include <algorithm>
#include <bit>
#include <cmath>
#include <cstring>
#include <fmt/format.h>
#include <meshoptimizer.h>
#include <optional>
#include <set>
#include <vector>

namespace wembrix::gltf {

namespace {

const Json* packed_part(const Json& object) {
    const auto extensions = object.find("extensions");
    if (extensions == object.end() || !extensions->is_object()) {
        return nullptr;
    }
    const auto found = extensions->find(meshopt_extension);
    return found != extensions->end() && found->is_object() ? &*found : nullptr;
}

void forget_extension(Json& object) {
    object["extensions"].erase(meshopt_extension);
    if (object["extensions"].empty()) {
        object.erase("extensions");
    }
}

/// The elements of one view, `stride` bytes each.
std::string unpacked(std::string_view from, const Json& said, size_t count, size_t stride, const Where& where) {
    const std::string mode = text_of(said, "mode");
    const std::string filter = text_of(said, "filter");
    const auto* data = reinterpret_cast<const unsigned char*>(from.data());
    std::string to(count * stride, '\0');
    int wrong = 0;
    if (mode == "ATTRIBUTES") {
        if (stride % 4 != 0 || stride > 256 || stride == 0) {
            refuse(where, fmt::format("is packed in elements of {} bytes, which cannot be.", stride));
        }
        wrong = meshopt_decodeVertexBuffer(to.data(), count, stride, data, from.size());
    } else if (mode == "TRIANGLES" || mode == "INDICES") {
        if (stride != 2 && stride != 4) {
            refuse(where, fmt::format("is packed in indices of {} bytes, which cannot be.", stride));
        }
        if (mode == "TRIANGLES" && count % 3 != 0) {
            refuse(where, "is packed as triangles, and its count is not three each.");
        }
        wrong = mode == "TRIANGLES" ? meshopt_decodeIndexBuffer(to.data(), count, stride, data, from.size())
                                    : meshopt_decodeIndexSequence(to.data(), count, stride, data, from.size());
    } else {
        refuse(where, "is packed in an unknown mode, \"" + mode.substr(0, 20) + "\".");
    }
    if (wrong != 0) {
        refuse(where, "does not unpack: its packed bytes are broken.");
    }
    if (filter.empty() || filter == "NONE") {
        return to;
    }
    if (mode != "ATTRIBUTES") {
        refuse(where, "is packed with a filter that indices cannot have.");
    }
    if (filter == "OCTAHEDRAL" && (stride == 4 || stride == 8)) {
        meshopt_decodeFilterOct(to.data(), count, stride);
    } else if (filter == "QUATERNION" && stride == 8) {
        meshopt_decodeFilterQuat(to.data(), count, stride);
    } else if (filter == "EXPONENTIAL") {
        meshopt_decodeFilterExp(to.data(), count, stride);
    } else {
        refuse(where, "is packed with the filter \"" + filter.substr(0, 20) + "\", which it cannot have.");
    }
    return to;
}

} // namespace

void unpack_views(Document& document) {
    const size_t views = views_of(document).size();
    for (size_t v = 0; v < views; ++v) {
        const std::string where = fmt::format("buffer view {}", v);
        Json& view = document.root["bufferViews"][v];
        const Json* said = view.is_object() ? packed_part(view) : nullptr;
        if (said == nullptr) {
            continue;
        }
        const int64_t buffer = index_of(*said, "buffer", static_cast<int64_t>(document.buffers.size()), where);
        if (buffer < 0) {
            refuse(where, "is packed, and names no buffer.");
        }
        const uint64_t offset = count_of(*said, "byteOffset", 0, where);
        const uint64_t length = count_of(*said, "byteLength", 0, where);
        const uint64_t count = count_of(*said, "count", 0, where);
        const uint64_t stride = count_of(*said, "byteStride", 0, where);
        const std::string_view bytes = *document.buffers[static_cast<size_t>(buffer)];
        if (offset > bytes.size() || length > bytes.size() - offset) {
            refuse(where, phrase("reaches past the end of buffer {}, which has {} bytes.", buffer, bytes.size()));
        }
        if (stride > 256 || count > UINT32_MAX || count_of(view, "byteLength", 0, where) != count * stride) {
            refuse(where,
                   phrase("is packed, {} elements of {} bytes, and does not say as many bytes itself.", count, stride));
        }
        document.spend(static_cast<size_t>(count * stride), where);
        std::string whole = unpacked(bytes.substr(offset, length), *said, static_cast<size_t>(count),
                                     static_cast<size_t>(stride), where);
        forget_extension(view);
        view["buffer"] = document.buffers.size();
        view["byteOffset"] = 0U;
        document.buffers.push_back(std::make_shared<const std::string>(std::move(whole)));
    }
}

namespace {

/// How a view's bytes are packed.
struct PackedBytes {
    std::string bytes;
    std::string mode;
    bool by_exponent = false;
};

std::string encoded_vertices(const void* data, size_t count, size_t stride) {
    std::string to(meshopt_encodeVertexBufferBound(count, stride), '\0');
    to.resize(meshopt_encodeVertexBuffer(reinterpret_cast<unsigned char*>(to.data()), to.size(), data, count, stride));
    return to;
}

/// Numbers that are whole multiples of a power of two, as that power and the multiple, in 8 and 24 bits: the filter's
/// form. Nothing where they are not, or the multiple is too large.
std::optional<std::vector<uint32_t>> as_multiples(const char* data, size_t numbers) {
    std::vector<float> values(numbers);
    std::memcpy(values.data(), data, numbers * sizeof(float));
    int finest = 100;
    int largest = -100;
    for (const float value : values) {
        if (!std::isfinite(value)) {
            return std::nullopt;
        }
        if (value == 0) {
            if (std::signbit(value)) {
                return std::nullopt; // it would come back as 0
            }
            continue;
        }
        int exponent = 0;
        const auto bits = static_cast<uint32_t>(std::abs(std::ldexp(std::frexp(value, &exponent), 24)));
        finest = std::min(finest, exponent - 24 + std::countr_zero(bits));
        largest = std::max(largest, exponent);
    }
    if (finest == 100) {
        finest = 0;
        largest = 0;
    }
    if (finest < -100 || finest > 100 || largest - finest > 23) {
        return std::nullopt;
    }
    std::vector<uint32_t> words;
    words.reserve(numbers);
    for (const float value : values) {
        const auto multiple = static_cast<int32_t>(std::ldexp(value, -finest));
        words.push_back((static_cast<uint32_t>(multiple) & 0xFFFFFFU) | static_cast<uint32_t>(finest) << 24U);
    }
    return words;
}

PackedBytes pack_vertices(const std::string& plain, size_t count, size_t stride, bool floats) {
    PackedBytes packed{encoded_vertices(plain.data(), count, stride), "ATTRIBUTES"};
    if (floats) {
        if (const auto words = as_multiples(plain.data(), plain.size() / sizeof(float))) {
            if (std::string smaller = encoded_vertices(words->data(), count, stride);
                smaller.size() < packed.bytes.size()) {
                packed.bytes = std::move(smaller);
                packed.by_exponent = true;
            }
        }
    }
    return packed;
}

/// Triangles where they come back in the very order; else, and for all else, as a sequence.
PackedBytes pack_indices(const std::string& plain, size_t count, size_t stride, bool triangles) {
    std::vector<unsigned int> indices(count);
    for (size_t i = 0; i < count; ++i) {
        std::memcpy(&indices[i], plain.data() + i * stride, stride); // little-endian, as glTF is
    }
    const size_t vertices = count == 0 ? 0 : *std::max_element(indices.begin(), indices.end()) + size_t{1};
    PackedBytes packed{std::string(meshopt_encodeIndexSequenceBound(count, vertices), '\0'), "INDICES"};
    packed.bytes.resize(meshopt_encodeIndexSequence(reinterpret_cast<unsigned char*>(packed.bytes.data()),
                                                    packed.bytes.size(), indices.data(), count));
    if (triangles && count % 3 == 0 && count > 0) {
        std::string as_triangles(meshopt_encodeIndexBufferBound(count, vertices), '\0');
        as_triangles.resize(meshopt_encodeIndexBuffer(reinterpret_cast<unsigned char*>(as_triangles.data()),
                                                      as_triangles.size(), indices.data(), count));
        std::vector<unsigned int> back(count);
        if (as_triangles.size() < packed.bytes.size() &&
            meshopt_decodeIndexBuffer(back.data(), count, sizeof(unsigned int),
                                      reinterpret_cast<const unsigned char*>(as_triangles.data()),
                                      as_triangles.size()) == 0 &&
            back == indices) {
            packed = {std::move(as_triangles), "TRIANGLES"};
        }
    }
    return packed;
}

void aligned(std::string& bytes) {
    bytes.resize((bytes.size() + 3) / 4 * 4, '\0');
}

} // namespace

size_t pack_views(Json& root, std::string& bytes) {
    static const bool set = [] { // the standard's versions of the two ways
        meshopt_encodeIndexVersion(1);
        meshopt_encodeVertexVersion(0);
        return true;
    }();
    static_cast<void>(set);
    std::set<size_t> as_triangles;
    std::set<size_t> as_indices;
    for (const Json& mesh : root.value("meshes", Json::array())) {
        for (const Json& primitive : mesh["primitives"]) {
            if (primitive.contains("indices")) {
                (primitive.value("mode", 4) == 4 ? as_triangles : as_indices)
                    .insert(primitive["indices"].get<size_t>());
            }
        }
    }
    Json& views = root["bufferViews"];
    std::string all;
    size_t plain_bytes = 0;
    std::vector<char> is_done(views.size(), 0);
    const Json none = Json::array();
    const Json& accessors = root.contains("accessors") ? root["accessors"] : none;
    for (size_t a = 0; a < accessors.size(); ++a) {
        if (!accessors[a].contains("bufferView")) {
            continue;
        }
        const auto v = accessors[a]["bufferView"].get<size_t>();
        Json& view = views[v];
        const std::string plain = bytes.substr(view["byteOffset"].get<size_t>(), view["byteLength"].get<size_t>());
        const auto count = accessors[a]["count"].get<size_t>();
        const size_t stride = count == 0 ? 0 : plain.size() / count;
        const bool triangles = as_triangles.count(a) > 0;
        const bool indices = triangles || as_indices.count(a) > 0;
        if (is_done[v] != 0 || count == 0 || stride * count != plain.size() ||
            (indices ? stride != 2 && stride != 4 : stride % 4 != 0 || stride > 256)) {
            continue;
        }
        const bool floats = accessors[a]["componentType"] == 5126;
        const PackedBytes packed =
            indices ? pack_indices(plain, count, stride, triangles) : pack_vertices(plain, count, stride, floats);
        constexpr size_t words = 200; // what is said of a packed view in the JSON
        if (packed.bytes.size() + words >= plain.size()) {
            continue;
        }
        aligned(all);
        Json said = {{"buffer", 0},          {"byteOffset", all.size()}, {"byteLength", packed.bytes.size()},
                     {"byteStride", stride}, {"count", count},           {"mode", packed.mode}};
        if (packed.by_exponent) {
            said["filter"] = "EXPONENTIAL";
        }
        all += packed.bytes;
        plain_bytes = (plain_bytes + 3) / 4 * 4;
        view["buffer"] = 1;
        view["byteOffset"] = plain_bytes;
        view["extensions"][meshopt_extension] = std::move(said);
        plain_bytes += plain.size();
        is_done[v] = 1;
    }
    if (plain_bytes == 0) {
        return 0;
    }
    for (size_t v = 0; v < views.size(); ++v) {
        if (is_done[v] == 0) {
            aligned(all);
            const std::string plain =
                bytes.substr(views[v]["byteOffset"].get<size_t>(), views[v]["byteLength"].get<size_t>());
            views[v]["byteOffset"] = all.size();
            all += plain;
        }
    }
    aligned(all);
    bytes = std::move(all);
    return (plain_bytes + 3) / 4 * 4;
}

} // namespace wembrix::gltf
