#include "core/formats/gltf/draco.h"

#include "core/base/text.h"
#include "core/formats/gltf/accessor.h"

#include <algorithm>
#include <bit>
#include <cmath>
#include <cstring>
#include <draco/compression/decode.h>
#include <draco/compression/expert_encode.h>
#include <fmt/format.h>
#include <limits>
#include <map>
#include <memory>
#include <optional>
#include <set>
#include <vector>

namespace wembrix::gltf {

namespace {

size_t bytes_of_component(int component) {
    return component == 5120 || component == 5121 ? 1 : component == 5122 || component == 5123 ? 2 : 4;
}

/// A number of at most 32 bits in 7-bit groups.
std::optional<uint32_t> group_number(std::string_view bytes, size_t& at) {
    uint32_t value = 0;
    for (int shift = 0; shift < 35 && at < bytes.size(); shift += 7) {
        const auto one = static_cast<uint8_t>(bytes[at++]);
        value |= static_cast<uint32_t>(one & 127U) << static_cast<unsigned>(shift);
        if (one < 128) {
            return value;
        }
    }
    return std::nullopt;
}

/// What the packed bytes say at their beginning, before anything is made room for (Draco bitstream specification 2.2,
/// 3 and 4.2): a mesh of version 2.2, with no more faces and vertices than the file's own accessors have.
bool is_of_size(std::string_view bytes, size_t points, size_t faces) {
    if (bytes.size() < 16 || bytes.substr(0, 5) != "DRACO" || bytes[5] != 2 || bytes[6] != 2 || bytes[7] != 1) {
        return false;
    }
    const char method = bytes[8];
    size_t at = 11;
    if ((static_cast<uint8_t>(bytes[10]) & 0x80U) != 0) {
        return false; // with facts about itself, that nobody needs here and that stand where sizes should
    }
    if (method == 0) {
        const auto said_faces = group_number(bytes, at);
        const auto said_points = group_number(bytes, at);
        return said_faces && said_points && *said_faces <= faces && *said_points <= points;
    }
    if (method != 1) {
        return false;
    }
    ++at; // how the faces are gone through
    const auto said_vertices = group_number(bytes, at);
    const auto said_faces = group_number(bytes, at);
    return said_vertices && said_faces && *said_vertices <= points && *said_faces <= faces;
}

std::unique_ptr<draco::Mesh> unpacked_mesh(std::string_view bytes) {
    draco::DecoderBuffer buffer;
    buffer.Init(bytes.data(), bytes.size());
    draco::Decoder decoder;
    auto mesh = decoder.DecodeMeshFromBuffer(&buffer);
    return mesh.ok() ? std::move(mesh).value() : nullptr;
}

template <typename T>
bool put_values(const draco::PointAttribute& from, size_t points, int width, size_t stride, std::string& to) {
    std::vector<T> row(static_cast<size_t>(width));
    for (size_t p = 0; p < points; ++p) {
        const draco::AttributeValueIndex at = from.mapped_index(draco::PointIndex(static_cast<uint32_t>(p)));
        if (at.value() >= from.size() || !from.ConvertValue<T>(at, static_cast<int8_t>(width), row.data())) {
            return false;
        }
        std::memcpy(to.data() + p * stride, row.data(), row.size() * sizeof(T));
    }
    return true;
}

/// The values of one attribute as the accessor has them.
std::optional<std::string> values_of(const draco::PointAttribute& from, size_t points, const AccessorInfo& info) {
    const size_t stride =
        (static_cast<size_t>(info.width) * bytes_of_component(info.component) + 3) / 4 * 4; // as vertices lie
    std::string to(points * stride, '\0');
    bool done = false;
    switch (info.component) {
    case 5120:
        done = put_values<int8_t>(from, points, info.width, stride, to);
        break;
    case 5121:
        done = put_values<uint8_t>(from, points, info.width, stride, to);
        break;
    case 5122:
        done = put_values<int16_t>(from, points, info.width, stride, to);
        break;
    case 5123:
        done = put_values<uint16_t>(from, points, info.width, stride, to);
        break;
    case 5125:
        done = put_values<uint32_t>(from, points, info.width, stride, to);
        break;
    case 5126:
        done = put_values<float>(from, points, info.width, stride, to);
        break;
    default:
        break;
    }
    return done ? std::optional<std::string>(std::move(to)) : std::nullopt;
}

/// An accessor like `like`, of bytes of its own.
size_t add_accessor(Document& document, size_t like, std::string bytes, size_t stride) {
    Json view = {{"buffer", document.buffers.size()}, {"byteOffset", 0U}, {"byteLength", bytes.size()}};
    if (stride > 0) {
        view["byteStride"] = stride;
    }
    document.buffers.push_back(std::make_shared<const std::string>(std::move(bytes)));
    Json& views = document.root["bufferViews"];
    Json accessor = document.root["accessors"][like];
    accessor["bufferView"] = views.size();
    accessor["byteOffset"] = 0U;
    accessor.erase("sparse");
    views.push_back(std::move(view));
    document.root["accessors"].push_back(std::move(accessor));
    return document.root["accessors"].size() - 1;
}

/// Why it could not be, or nothing.
std::string unpack_one(Document& document, Json& primitive, const Json& said, const std::string& where) {
    const auto accessors = static_cast<int64_t>(accessors_of(document).size());
    const int64_t view = index_of(said, "bufferView", static_cast<int64_t>(views_of(document).size()), where);
    const Json ids = said.value("attributes", Json());
    const int64_t indices = index_of(primitive, "indices", accessors, where);
    if (view < 0 || !ids.is_object() || indices < 0 || !primitive.contains("attributes") ||
        !primitive["attributes"].is_object()) {
        return "does not say what of it is packed";
    }
    const int64_t position = index_of(primitive["attributes"], "POSITION", accessors, where);
    if (position < 0) {
        return "has no positions";
    }
    const size_t points = accessor_info(document, position, where).count;
    const AccessorInfo index = accessor_info(document, indices, where);
    const std::string_view bytes = view_bytes(document, view, where);
    if (points > UINT32_MAX || index.count > UINT32_MAX || !is_of_size(bytes, points, index.count / 3)) {
        return "is of another version, or of more vertices or triangles than its accessors say";
    }
    document.spend(points * 3 * sizeof(float) + index.count * sizeof(uint32_t), where);
    const std::unique_ptr<draco::Mesh> mesh = unpacked_mesh(bytes);
    if (mesh == nullptr || mesh->num_points() != points || mesh->num_faces() * size_t{3} != index.count) {
        return "does not unpack to what its accessors say";
    }
    std::map<std::string, std::pair<int64_t, std::string>> unpacked;
    for (const auto& [name, id] : ids.items()) {
        const int64_t accessor = index_of(primitive["attributes"], name.c_str(), accessors, where);
        const draco::PointAttribute* from =
            id.is_number_unsigned() ? mesh->GetAttributeByUniqueId(id.get<uint32_t>()) : nullptr;
        if (accessor < 0 || from == nullptr) {
            return "names attributes that are not there";
        }
        const AccessorInfo info = accessor_info(document, accessor, where);
        if (info.width > 4 || info.count != points) {
            return "does not unpack to what its accessors say";
        }
        document.spend(points * static_cast<size_t>(info.width) * sizeof(float), where);
        std::optional<std::string> values = values_of(*from, points, info);
        if (!values) {
            return "holds values that its accessors cannot";
        }
        unpacked[name] = {accessor, std::move(*values)};
    }
    std::string order(index.count * sizeof(uint32_t), '\0');
    for (size_t f = 0; f < mesh->num_faces(); ++f) {
        for (int corner = 0; corner < 3; ++corner) {
            const uint32_t point = mesh->face(draco::FaceIndex(static_cast<uint32_t>(f)))[corner].value();
            std::memcpy(order.data() + (f * 3 + static_cast<size_t>(corner)) * sizeof(point), &point, sizeof(point));
        }
    }
    for (auto& [name, of] : unpacked) {
        const size_t stride = of.second.size() / std::max<size_t>(points, 1);
        primitive["attributes"][name] =
            add_accessor(document, static_cast<size_t>(of.first), std::move(of.second), stride);
    }
    const size_t triangles = add_accessor(document, static_cast<size_t>(indices), std::move(order), 0);
    document.root["accessors"][triangles]["componentType"] = 5125U;
    primitive["indices"] = triangles;
    primitive["mode"] = 4U;
    return "";
}

bool has_plain_bytes(Document& document, const Json& primitive, const std::string& where) {
    const auto accessors = static_cast<int64_t>(accessors_of(document).size());
    const int64_t position = primitive.contains("attributes") && primitive["attributes"].is_object()
                                 ? index_of(primitive["attributes"], "POSITION", accessors, where)
                                 : -1;
    return position >= 0 && (document.root["accessors"][position].contains("bufferView") ||
                             document.root["accessors"][position].contains("sparse"));
}

} // namespace

void unpack_primitives(Document& document) {
    const size_t meshes = array_of(document.root, "meshes", "meshes").size();
    for (size_t m = 0; m < meshes; ++m) {
        const Json& mesh = document.root["meshes"][m];
        const size_t primitives = mesh.is_object() ? array_of(mesh, "primitives", phrase("mesh {}", m)).size() : 0;
        for (size_t p = 0; p < primitives; ++p) {
            const std::string where = fmt::format("mesh {}, primitive {}", m, p);
            Json& primitive = document.root["meshes"][m]["primitives"][p];
            const Json extensions = primitive.is_object() ? primitive.value("extensions", Json()) : Json();
            if (!extensions.is_object() || !extensions.contains(draco_extension) ||
                !extensions[draco_extension].is_object()) {
                continue;
            }
            const std::string wrong = unpack_one(document, primitive, extensions[draco_extension], where);
            if (!wrong.empty() && !has_plain_bytes(document, primitive, where)) {
                refuse(where,
                       phrase("is compressed ({}) and cannot be unpacked: it {}. Nothing plain stands beside it.",
                              draco_extension, wrong));
            }
        }
    }
}

namespace {

struct PlainValues {
    const char* data = nullptr;
    size_t count = 0;
    size_t stride = 0;
    int width = 0;
    int component = 0;
    bool normalised = false;
};

PlainValues plain_values(const Json& root, const std::string& bytes, size_t accessor) {
    const Json& json = root["accessors"][accessor];
    const Json& view = root["bufferViews"][json["bufferView"].get<size_t>()];
    PlainValues values;
    const auto type = json["type"].get<std::string>();
    values.width = type == "SCALAR" ? 1 : type.starts_with("VEC") ? type[3] - '0' : 0;
    values.component = json["componentType"].get<int>();
    values.count = json["count"].get<size_t>();
    values.data = bytes.data() + view["byteOffset"].get<size_t>();
    values.stride = view.value("byteStride", static_cast<size_t>(values.width) * bytes_of_component(values.component));
    values.normalised = json.value("normalized", false);
    return values;
}

draco::DataType type_of_component(int component) {
    switch (component) {
    case 5120:
        return draco::DT_INT8;
    case 5121:
        return draco::DT_UINT8;
    case 5122:
        return draco::DT_INT16;
    case 5123:
        return draco::DT_UINT16;
    case 5125:
        return draco::DT_UINT32;
    default:
        return draco::DT_FLOAT32;
    }
}

draco::GeometryAttribute::Type type_of_attribute(const std::string& name) {
    return name == "POSITION"             ? draco::GeometryAttribute::POSITION
           : name == "NORMAL"             ? draco::GeometryAttribute::NORMAL
           : name.starts_with("TEXCOORD") ? draco::GeometryAttribute::TEX_COORD
           : name.starts_with("COLOR")    ? draco::GeometryAttribute::COLOR
                                          : draco::GeometryAttribute::GENERIC;
}

/// A whole multiple of a power of two as the library's options hold it: it keeps numbers as text, of six decimals by
/// itself and by the locale's point. So there is neither.
std::string as_text(long long multiple, int exponent) {
    return fmt::format("{}0x{:x}p{}", multiple < 0 ? "-" : "", std::abs(multiple), exponent);
}

/// Floats that are whole multiples of one power of two from their least on: how many bits the largest takes.
struct Grid {
    std::vector<float> origin;
    int finest = 0; ///< the power
    int bits = 0;
    [[nodiscard]] std::string origin_text() const {
        std::string text;
        for (const float value : origin) {
            text += (text.empty() ? "" : " ") + as_text(std::llround(std::ldexp(value, -finest)), finest);
        }
        return text;
    }
};
std::optional<Grid> grid_of(const PlainValues& values) {
    Grid grid;
    grid.origin.assign(static_cast<size_t>(values.width), std::numeric_limits<float>::max());
    int finest = 100;
    std::vector<float> highest(grid.origin.size(), std::numeric_limits<float>::lowest());
    for (size_t i = 0; i < values.count; ++i) {
        for (size_t k = 0; k < grid.origin.size(); ++k) {
            float value = 0;
            std::memcpy(&value, values.data + i * values.stride + k * sizeof(float), sizeof(float));
            if (!std::isfinite(value) || (value == 0 && std::signbit(value))) {
                return std::nullopt;
            }
            grid.origin[k] = std::min(grid.origin[k], value);
            highest[k] = std::max(highest[k], value);
            if (value != 0) {
                int exponent = 0;
                const auto bits = static_cast<uint32_t>(std::abs(std::ldexp(std::frexp(value, &exponent), 24)));
                finest = std::min(finest, exponent - 24 + std::countr_zero(bits));
            }
        }
    }
    double widest = 0;
    for (size_t k = 0; k < grid.origin.size(); ++k) {
        widest = std::max(widest, std::ldexp(static_cast<double>(highest[k]) - grid.origin[k], -finest));
    }
    if (finest == 100 || widest < 1 || widest >= (1 << 22)) {
        return std::nullopt;
    }
    grid.bits = std::bit_width(static_cast<uint32_t>(widest));
    grid.finest = finest;
    return grid;
}

bool is_the_same(const std::string& packed, const std::vector<std::pair<int, PlainValues>>& attributes,
                 const std::vector<uint32_t>& order) {
    const std::unique_ptr<draco::Mesh> mesh = unpacked_mesh(packed);
    if (mesh == nullptr || mesh->num_faces() * size_t{3} != order.size()) {
        return false;
    }
    for (size_t i = 0; i < order.size(); ++i) {
        if (mesh->face(draco::FaceIndex(static_cast<uint32_t>(i / 3)))[static_cast<int>(i % 3)].value() != order[i]) {
            return false;
        }
    }
    return std::all_of(attributes.begin(), attributes.end(), [&](const auto& one) {
        const PlainValues& plain = one.second;
        const draco::PointAttribute* from = mesh->GetAttributeByUniqueId(static_cast<uint32_t>(one.first));
        if (from == nullptr || mesh->num_points() != plain.count) {
            return false;
        }
        AccessorInfo info;
        info.width = plain.width;
        info.component = plain.component;
        const std::optional<std::string> back = values_of(*from, plain.count, info);
        const size_t row = static_cast<size_t>(plain.width) * bytes_of_component(plain.component);
        for (size_t i = 0; back && i < plain.count; ++i) {
            if (std::memcmp(back->data() + i * (back->size() / plain.count), plain.data + i * plain.stride, row) != 0) {
                return false;
            }
        }
        return back.has_value();
    });
}

/// Packed bytes and the id of each attribute in them; nothing where they would not come back as they are.
std::optional<std::pair<std::string, Json>> packed_primitive(const Json& root, const std::string& bytes,
                                                             const Json& primitive) {
    draco::Mesh mesh;
    std::vector<std::pair<int, PlainValues>> attributes;
    std::map<int, Grid> grids;
    Json ids = Json::object();
    for (const auto& [name, accessor] : primitive["attributes"].items()) {
        const PlainValues values = plain_values(root, bytes, accessor.get<size_t>());
        if (values.width < 1 || values.width > 4 || (values.component == 5125 && name != "POSITION")) {
            continue; // what of it has no place there stays plain
        }
        if (attributes.empty()) {
            mesh.set_num_points(static_cast<uint32_t>(values.count));
        }
        draco::GeometryAttribute made;
        const size_t row = static_cast<size_t>(values.width) * bytes_of_component(values.component);
        made.Init(type_of_attribute(name), nullptr, static_cast<int8_t>(values.width),
                  type_of_component(values.component), values.normalised, static_cast<int64_t>(row), 0);
        const int id = mesh.AddAttribute(made, true, static_cast<uint32_t>(values.count));
        for (size_t i = 0; i < values.count; ++i) {
            mesh.attribute(id)->SetAttributeValue(draco::AttributeValueIndex(static_cast<uint32_t>(i)),
                                                  values.data + i * values.stride);
        }
        if (values.component == 5126) {
            if (std::optional<Grid> grid = grid_of(values)) {
                grids[id] = std::move(*grid);
            }
        }
        ids[name] = mesh.attribute(id)->unique_id();
        attributes.emplace_back(static_cast<int>(mesh.attribute(id)->unique_id()), values);
    }
    const PlainValues plain = plain_values(root, bytes, primitive["indices"].get<size_t>());
    std::vector<uint32_t> order(plain.count, 0);
    for (size_t i = 0; i < plain.count; ++i) {
        std::memcpy(&order[i], plain.data + i * plain.stride, bytes_of_component(plain.component));
    }
    mesh.SetNumFaces(plain.count / 3);
    for (size_t f = 0; f < plain.count / 3; ++f) {
        mesh.SetFace(draco::FaceIndex(static_cast<uint32_t>(f)),
                     {draco::PointIndex(order[f * 3]), draco::PointIndex(order[f * 3 + 1]),
                      draco::PointIndex(order[f * 3 + 2])});
    }
    draco::ExpertEncoder encoder(mesh);
    encoder.SetEncodingMethod(draco::MESH_SEQUENTIAL_ENCODING); // the other way gives vertices another order
    encoder.SetSpeedOptions(1, 5);
    encoder.options().SetGlobalBool("compress_connectivity", true);
    for (const auto& [id, grid] : grids) {
        draco::Options options;
        options.SetInt("quantization_bits", grid.bits);
        options.SetString("quantization_origin", grid.origin_text());
        options.SetString("quantization_range", as_text((1LL << static_cast<unsigned>(grid.bits)) - 1, grid.finest));
        encoder.options().SetAttributeOptions(id, options);
    }
    draco::EncoderBuffer buffer;
    if (attributes.empty() || !encoder.EncodeToBuffer(&buffer).ok()) {
        return std::nullopt;
    }
    std::string packed(buffer.data(), buffer.size());
    constexpr size_t words = 200; // what is said of it in the JSON
    size_t all_plain = plain.count * plain.stride;
    for (const auto& [id, values] : attributes) {
        all_plain += values.count * values.stride;
    }
    if (packed.size() + words >= all_plain || !is_the_same(packed, attributes, order)) {
        return std::nullopt;
    }
    return std::pair(std::move(packed), std::move(ids));
}

/// The bytes of the views that are named still, in their order; the others are gone.
void drop_unnamed_views(Json& root, std::string& bytes) {
    std::vector<Json*> places;
    for (Json& accessor : root["accessors"]) {
        if (accessor.contains("bufferView")) {
            places.push_back(&accessor["bufferView"]);
        }
    }
    if (root.contains("images")) {
        for (Json& image : root["images"]) {
            places.push_back(&image["bufferView"]);
        }
    }
    for (Json& mesh : root["meshes"]) {
        for (Json& primitive : mesh["primitives"]) {
            if (primitive.contains("extensions") && primitive["extensions"].contains(draco_extension)) {
                places.push_back(&primitive["extensions"][draco_extension]["bufferView"]);
            }
        }
    }
    std::map<size_t, size_t> now;
    for (const Json* place : places) {
        now[place->get<size_t>()] = 0;
    }
    Json views = Json::array();
    std::string all;
    for (auto& [before, after] : now) {
        Json view = root["bufferViews"][before];
        all.resize((all.size() + 3) / 4 * 4, '\0');
        const std::string kept = bytes.substr(view["byteOffset"].get<size_t>(), view["byteLength"].get<size_t>());
        view["byteOffset"] = all.size();
        all += kept;
        after = views.size();
        views.push_back(std::move(view));
    }
    for (Json* place : places) {
        *place = now[place->get<size_t>()];
    }
    all.resize((all.size() + 3) / 4 * 4, '\0');
    root["bufferViews"] = std::move(views);
    bytes = std::move(all);
}

} // namespace

bool pack_primitives(Json& root, std::string& bytes) {
    if (!root.contains("meshes")) {
        return false;
    }
    std::map<size_t, int> uses; // of accessors
    for (const Json& mesh : root["meshes"]) {
        for (const Json& primitive : mesh["primitives"]) {
            for (const auto& [name, accessor] : primitive["attributes"].items()) {
                ++uses[accessor.get<size_t>()];
            }
        }
    }
    bool any = false;
    for (Json& mesh : root["meshes"]) {
        for (Json& primitive : mesh["primitives"]) {
            const Json attributes = primitive["attributes"];
            const bool shared = std::any_of(attributes.begin(), attributes.end(),
                                            [&](const Json& accessor) { return uses[accessor.get<size_t>()] > 1; });
            if (primitive.value("mode", 4) != 4 || !primitive.contains("indices") || shared) {
                continue;
            }
            auto packed = packed_primitive(root, bytes, primitive);
            if (!packed) {
                continue;
            }
            bytes.resize((bytes.size() + 3) / 4 * 4, '\0');
            const size_t view = root["bufferViews"].size();
            root["bufferViews"].push_back(
                {{"buffer", 0}, {"byteOffset", bytes.size()}, {"byteLength", packed->first.size()}});
            bytes += packed->first;
            for (const auto& [name, id] : packed->second.items()) {
                root["accessors"][attributes[name].get<size_t>()].erase("bufferView");
            }
            root["accessors"][primitive["indices"].get<size_t>()].erase("bufferView");
            primitive["extensions"][draco_extension] = {{"bufferView", view}, {"attributes", packed->second}};
            any = true;
        }
    }
    if (any) {
        drop_unnamed_views(root, bytes);
    }
    return any;
}

} // namespace wembrix::gltf
