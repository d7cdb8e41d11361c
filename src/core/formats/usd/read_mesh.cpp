// Meshes, their primvars, subsets, shapes and weights (schemas “Mesh”, “GeomSubset”, “BlendShape”, “SkelBindingAPI”).
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/formats/usd/read_parts.h"
#include "core/measure/surface/triangulate.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <fmt/format.h>
#include <fmt/ranges.h>
#include <limits>
#include <numeric>
#include <set>
#include <unordered_map>

namespace wembrix::usd {

namespace {

enum class Spread : uint8_t { constant, uniform, vertex, corner };

/// A primvar as it is spread over the mesh, already looked up by its indices.
struct Primvar {
    std::string name;
    Spread spread = Spread::vertex;
    size_t width = 1;
    std::vector<float> values; ///< width for each element
};

std::optional<Spread> spread_named(const std::string& text) {
    if (text == "constant") {
        return Spread::constant;
    }
    if (text == "uniform") {
        return Spread::uniform;
    }
    if (text == "vertex" || text == "varying") {
        return Spread::vertex;
    }
    return text == "faceVarying" ? std::optional(Spread::corner) : std::nullopt;
}

class MeshReader {
  public:
    MeshReader(Reading& reading, const Prim& prim, const std::string& path, int node, const Inherited& inherited)
        : reading_(reading), prim_(prim), path_(path), node_(node), inherited_(inherited) {}

    void run() {
        if (!faces()) {
            return;
        }
        primvars();
        subsets();
        vertices();
        influences();
        shapes();
        finish();
    }

  private:
    bool faces() {
        const std::vector<float> numbers = floats_of(prim_, "points");
        points_.resize(numbers.size() / 3);
        size_t broken = 0;
        for (size_t p = 0; p < points_.size(); ++p) {
            points_[p] = Vec3f(numbers[p * 3], numbers[p * 3 + 1], numbers[p * 3 + 2]);
            if (!points_[p].allFinite()) {
                points_[p].setZero();
                ++broken;
            }
        }
        if (broken > 0) {
            reading_.note(path_,
                          phrase("has {} that lie nowhere; they were put at its origin.", counted(broken, "point")));
        }
        const std::vector<int64_t> counts = integers_of(prim_, "faceVertexCounts");
        corners_ = integers_of(prim_, "faceVertexIndices");
        const std::vector<int64_t> hole_list = integers_of(prim_, "holeIndices");
        const std::set<int64_t> holes(hole_list.begin(), hole_list.end());
        const bool turned = text_of(prim_, "orientation") == "leftHanded";
        for (const int64_t corner : corners_) {
            if (corner < 0 || static_cast<size_t>(corner) >= points_.size()) {
                reading_.note(path_, "has faces of points that are not there; the surface is left out.");
                return false;
            }
        }
        size_t at = 0;
        size_t polygons = 0;
        size_t cut_out = 0;
        std::vector<Vec3f> around;
        std::vector<std::array<uint32_t, 3>> cut;
        faces_ = counts.size();
        for (size_t f = 0; f < counts.size(); ++f) {
            if (counts[f] < 0 || static_cast<size_t>(counts[f]) > corners_.size() - at) {
                reading_.note(path_, "counts more corners than it has; the surface is left out.");
                return false;
            }
            const auto count = static_cast<size_t>(counts[f]);
            const bool is_hole = holes.count(static_cast<int64_t>(f)) != 0;
            cut_out += is_hole ? 1 : 0;
            if (count >= 3 && !is_hole) {
                around.clear();
                for (size_t c = 0; c < count; ++c) {
                    around.push_back(points_[static_cast<size_t>(corners_[at + c])]);
                }
                cut.clear();
                if (count == 3) {
                    cut.push_back({0, 1, 2});
                } else {
                    ++polygons;
                    triangulate_polygon(around, cut);
                }
                for (const std::array<uint32_t, 3>& triangle : cut) {
                    const uint32_t order[3] = {triangle[0], triangle[turned ? 2 : 1], triangle[turned ? 1 : 2]};
                    for (const uint32_t c : order) {
                        triangles_.push_back(static_cast<uint32_t>(at + c));
                    }
                    face_of_.push_back(static_cast<uint32_t>(f));
                }
            }
            at += count;
        }
        if (polygons > 0) {
            reading_.note(path_, phrase("{} of more than three corners became triangles.", counted(polygons, "face")));
        }
        if (cut_out > 0) {
            reading_.note(path_, phrase("{} said to be holes left out.", counted(cut_out, "face")));
        }
        if (turned) {
            reading_.note(path_, "its faces are wound the other way; they were turned around.");
        }
        return true;
    }

    [[nodiscard]] size_t elements_of(Spread spread) const {
        return spread == Spread::constant  ? 1
               : spread == Spread::uniform ? faces_
               : spread == Spread::vertex  ? points_.size()
                                           : corners_.size();
    }

    /// An attribute with an interpolation; nothing, and a note, where its values do not fit the mesh.
    std::optional<Primvar> primvar(const Property& property, const std::string& name, const char* fallback) {
        const Value* value = value_of(prim_, property.name);
        if (value == nullptr || !value->type().is_number() || !value->type().is_array) {
            if (value != nullptr && !value->type().is_array && value->type().is_number()) {
                Primvar one{name, Spread::constant, value->type().width, value->numbers<float>()};
                return one;
            }
            if (value != nullptr) {
                reading_.note(path_, phrase("its “{}” is text and stays behind.", name));
            }
            return std::nullopt;
        }
        const std::string said = metadata_text(property.metadata, "interpolation");
        const std::optional<Spread> spread = spread_named(said.empty() ? fallback : said);
        const Value* element = find(property.metadata, "elementSize");
        const double size = element == nullptr ? 1 : element->as_number().value_or(1);
        if (!spread || size < 1 || size > 64 || size * value->type().width > 64) {
            reading_.note(path_, phrase("its “{}” is spread as “{}”, which is not read.", name, said.substr(0, 40)));
            return std::nullopt;
        }
        Primvar one;
        one.name = name;
        one.spread = *spread;
        one.width = static_cast<size_t>(size) * value->type().width;
        one.values = value->numbers<float>();
        const size_t elements = elements_of(*spread);
        if (const Value* indices = value_of(prim_, property.name + ":indices")) {
            const std::vector<int64_t> places = indices->numbers<int64_t>();
            std::vector<float> looked_up;
            const size_t there = one.values.size() / one.width;
            looked_up.reserve(std::min(places.size(), elements) * one.width);
            for (const int64_t place : places) {
                if (place < 0 || static_cast<size_t>(place) >= there) {
                    reading_.note(path_, phrase("its “{}” counts in values that are not there.", name));
                    return std::nullopt;
                }
                const auto from = one.values.begin() + static_cast<ptrdiff_t>(static_cast<size_t>(place) * one.width);
                looked_up.insert(looked_up.end(), from, from + static_cast<ptrdiff_t>(one.width));
            }
            one.values = std::move(looked_up);
        }
        if (one.values.size() != elements * one.width) {
            reading_.note(path_, phrase("its “{}” has {} where {} are expected; it stays behind.", name,
                                        counted(one.values.size() / one.width, "value"), elements));
            return std::nullopt;
        }
        size_t broken = 0;
        for (float& number : one.values) {
            broken += std::isfinite(number) ? 0 : 1;
            number = std::isfinite(number) ? number : 0;
        }
        if (broken > 0) {
            reading_.note(path_,
                          phrase("its “{}” has {} that are no numbers; 0 stands in.", name, counted(broken, "value")));
        }
        return one;
    }

    void primvars() {
        size_t sets = 0;
        std::vector<const Property*> coordinates;
        for (const Property& property : prim_.properties) {
            if (property.is_relationship || !property.name.starts_with("primvars:") ||
                property.name.ends_with(":indices") || property.name.starts_with("primvars:skel:")) {
                continue;
            }
            const std::string name = property.name.substr(9);
            if (name == "displayColor" || name == "displayOpacity" || name == "normals" || name == "tangents") {
                continue;
            }
            const bool is_coordinates =
                property.type_name.starts_with("texCoord2") ||
                (property.type_name == "float2[]" && (name.starts_with("st") || name.starts_with("uv")));
            if (is_coordinates) {
                if (std::optional<Primvar> one = primvar(property, name, "constant")) {
                    one->name = fmt::format("TEXCOORD_{}", sets++);
                    for (size_t i = 1; i < one->values.size(); i += 2) {
                        one->values[i] = 1 - one->values[i]; // counted from the top here
                    }
                    coordinate_names_.push_back(name);
                    primvars_.push_back(std::move(*one));
                }
            } else if (std::optional<Primvar> one = primvar(property, name, "constant")) {
                if (one->width > 16) {
                    reading_.note(path_, phrase("its “{}” has more than 16 numbers a value; it stays behind.", name));
                    continue;
                }
                one->name = name.starts_with('_') ? name : "_" + name;
                primvars_.push_back(std::move(*one));
            }
        }
        colours();
        for (const char* name : {"primvars:normals", "normals"}) {
            const Property* property = prim_.property(name);
            if (property != nullptr && !normals_) {
                normals_ = primvar(*property, "normals", "vertex");
                if (normals_ && normals_->width != 3) {
                    normals_.reset();
                }
            }
        }
        if (const Property* property = prim_.property("primvars:tangents")) {
            tangents_ = primvar(*property, "tangents", "vertex");
            if (tangents_ && (tangents_->width != 4 || !normals_)) {
                tangents_.reset();
            }
        }
        const std::string scheme = text_of(prim_, "subdivisionScheme").value_or("catmullClark");
        if (scheme != "none" && !normals_) {
            reading_.note(path_, phrase("is to be subdivided ({}); its cage is taken as it is.", scheme));
        }
    }

    void colours() {
        const Property* colour = prim_.property("primvars:displayColor");
        const Property* opacity = prim_.property("primvars:displayOpacity");
        std::optional<Primvar> rgb = colour == nullptr ? std::nullopt : primvar(*colour, "displayColor", "constant");
        std::optional<Primvar> alpha =
            opacity == nullptr ? std::nullopt : primvar(*opacity, "displayOpacity", "constant");
        if (!rgb || rgb->width != 3 || (rgb->spread == Spread::constant && !rgb->values.empty())) {
            if (rgb && rgb->width == 3) {
                display_colour_ = Vec3f(rgb->values[0], rgb->values[1], rgb->values[2]);
            }
            return;
        }
        rgb->name = "COLOR_0";
        if (alpha && alpha->width == 1 && alpha->spread == rgb->spread) {
            std::vector<float> both;
            for (size_t i = 0; i < alpha->values.size(); ++i) {
                both.insert(both.end(),
                            {rgb->values[i * 3], rgb->values[i * 3 + 1], rgb->values[i * 3 + 2], alpha->values[i]});
            }
            rgb->values = std::move(both);
            rgb->width = 4;
        }
        primvars_.push_back(std::move(*rgb));
    }

    /// Which part each face belongs to: 0 is the mesh's own material.
    void subsets() {
        part_of_face_.assign(faces_, 0);
        const std::string own = target_of(prim_, "material:binding");
        parts_.push_back(material_at(reading_, own.empty() ? inherited_.material : own));
        std::vector<char> taken(faces_, 0);
        for (const Prim& child : prim_.children) {
            if (child.type_name != "GeomSubset" || child.specifier != Specifier::def) {
                continue;
            }
            const std::string material = target_of(child, "material:binding");
            if (material.empty()) {
                reading_.note(path_, phrase("its subset “{}” has no material and is left out.", child.name));
                continue;
            }
            const auto part = static_cast<uint32_t>(parts_.size());
            parts_.push_back(material_at(reading_, material));
            for (const int64_t face : integers_of(child, "indices")) {
                if (face >= 0 && static_cast<size_t>(face) < faces_ && taken[static_cast<size_t>(face)] == 0) {
                    part_of_face_[static_cast<size_t>(face)] = part;
                    taken[static_cast<size_t>(face)] = 1;
                }
            }
        }
        if (parts_[0] < 0 && display_colour_) {
            Material material;
            material.name = shown_name(prim_);
            material.base_colour = {display_colour_->x(), display_colour_->y(), display_colour_->z(), 1};
            material.metalness = 0;
            if (std::find(part_of_face_.begin(), part_of_face_.end(), 0U) != part_of_face_.end()) {
                parts_[0] = static_cast<int>(reading_.scene.materials.size());
                reading_.scene.materials.push_back(std::move(material));
            }
        }
    }

    /// What a corner has of its own, beside its point.
    [[nodiscard]] bool has_corners() const {
        const auto splits = [](const Primvar& one) {
            return one.spread == Spread::corner || one.spread == Spread::uniform;
        };
        return std::any_of(primvars_.begin(), primvars_.end(), splits) || (normals_ && splits(*normals_)) ||
               (tangents_ && splits(*tangents_));
    }
    [[nodiscard]] size_t row_of(const Primvar& one, uint32_t corner, uint32_t face) const {
        return one.spread == Spread::constant  ? 0
               : one.spread == Spread::uniform ? face
               : one.spread == Spread::vertex  ? static_cast<size_t>(corners_[corner])
                                               : corner;
    }
    template <typename Each> void for_primvars(const Each& each) const {
        for (const Primvar& one : primvars_) {
            each(one);
        }
        if (normals_) {
            each(*normals_);
        }
        if (tangents_) {
            each(*tangents_);
        }
    }
    [[nodiscard]] bool is_same(uint32_t a, uint32_t face_a, uint32_t b, uint32_t face_b) const {
        bool same = true;
        for_primvars([&](const Primvar& one) {
            const float* at_a = one.values.data() + row_of(one, a, face_a) * one.width;
            const float* at_b = one.values.data() + row_of(one, b, face_b) * one.width;
            same = same && std::equal(at_a, at_a + one.width, at_b);
        });
        return same;
    }

    /// Points as the vertices of each part, in their order; what has several values at its corners once more behind.
    void vertices() {
        constexpr uint32_t none = std::numeric_limits<uint32_t>::max();
        const bool splits = has_corners();
        for (uint32_t part = 0; part < parts_.size(); ++part) {
            const auto first_vertex = static_cast<uint32_t>(point_of_.size());
            const auto first_index = static_cast<uint32_t>(indices_.size());
            std::vector<char> used(points_.size(), 0);
            for (size_t t = 0; t < face_of_.size(); ++t) {
                if (part_of_face_[face_of_[t]] == part) {
                    for (size_t c = 0; c < 3; ++c) {
                        used[static_cast<size_t>(corners_[triangles_[t * 3 + c]])] = 1;
                    }
                }
            }
            if (parts_.size() == 1) {
                std::fill(used.begin(), used.end(), 1); // points of no face are points all the same
            } else if (std::find(used.begin(), used.end(), 1) == used.end()) {
                continue;
            }
            // The vertex of each point, then a chain of those that its corners made besides.
            std::vector<uint32_t> vertex_of(points_.size(), none);
            for (size_t p = 0; p < points_.size(); ++p) {
                if (used[p] != 0) {
                    vertex_of[p] = static_cast<uint32_t>(point_of_.size());
                    add_vertex(static_cast<uint32_t>(p), none, 0);
                }
            }
            for (size_t t = 0; t < face_of_.size(); ++t) {
                if (part_of_face_[face_of_[t]] != part) {
                    continue;
                }
                for (size_t c = 0; c < 3; ++c) {
                    const uint32_t corner = triangles_[t * 3 + c];
                    uint32_t vertex = vertex_of[static_cast<size_t>(corners_[corner])];
                    if (splits) {
                        vertex = split(vertex, corner, face_of_[t]);
                    } else if (corner_of_[vertex] == none) {
                        corner_of_[vertex] = corner;
                        face_at_[vertex] = face_of_[t];
                    }
                    indices_.push_back(vertex);
                }
            }
            Primitive primitive;
            primitive.first_point = first_vertex;
            primitive.point_count = static_cast<uint32_t>(point_of_.size()) - first_vertex;
            primitive.first_index = first_index;
            primitive.index_count = static_cast<uint32_t>(indices_.size()) - first_index;
            primitive.material = parts_[part];
            primitive.has_normals = normals_.has_value();
            primitive.has_tangents = tangents_.has_value();
            for (const Primvar& one : primvars_) {
                primitive.attributes.push_back(one.name);
            }
            mesh_.primitives.push_back(std::move(primitive));
        }
        if (point_of_.size() > points_.size() && splits) {
            reading_.note(path_, phrase("{} became {}: their faces have several values for them.",
                                        counted(points_.size(), "point"), point_of_.size()));
        }
    }
    void add_vertex(uint32_t point, uint32_t corner, uint32_t face) {
        point_of_.push_back(point);
        corner_of_.push_back(corner);
        face_at_.push_back(face);
        next_.push_back(std::numeric_limits<uint32_t>::max());
    }
    uint32_t split(uint32_t vertex, uint32_t corner, uint32_t face) {
        constexpr uint32_t none = std::numeric_limits<uint32_t>::max();
        for (uint32_t at = vertex;; at = next_[at]) {
            if (corner_of_[at] == none) {
                corner_of_[at] = corner;
                face_at_[at] = face;
                return at;
            }
            if (is_same(corner_of_[at], face_at_[at], corner, face)) {
                return at;
            }
            if (next_[at] == none) {
                const auto made = static_cast<uint32_t>(point_of_.size());
                next_[at] = made;
                add_vertex(point_of_[vertex], corner, face);
                return made;
            }
        }
    }

    /// Values of a primvar, one a vertex; points of no face take what their own point says.
    [[nodiscard]] std::vector<float> spread_out(const Primvar& one) const {
        constexpr uint32_t none = std::numeric_limits<uint32_t>::max();
        std::vector<float> values(point_of_.size() * one.width, 0);
        for (size_t v = 0; v < point_of_.size(); ++v) {
            size_t row = 0;
            if (corner_of_[v] != none) {
                row = row_of(one, corner_of_[v], face_at_[v]);
            } else if (one.spread == Spread::vertex) {
                row = point_of_[v];
            } else if (one.spread != Spread::constant) {
                continue;
            }
            std::copy_n(one.values.begin() + static_cast<ptrdiff_t>(row * one.width), one.width,
                        values.begin() + static_cast<ptrdiff_t>(v * one.width));
        }
        return values;
    }

    void influences() {
        Binding binding;
        const std::string own = target_of(prim_, "skel:skeleton");
        binding.node = node_;
        binding.skeleton = own.empty() ? inherited_.skeleton : own;
        binding.animation = inherited_.animation;
        binding.joints = texts_of(prim_, "skel:joints");
        binding.indices = integers_of(prim_, "primvars:skel:jointIndices");
        binding.weights = floats_of(prim_, "primvars:skel:jointWeights");
        binding.point_of = point_of_;
        if (const Value* geometry = value_of(prim_, "primvars:skel:geomBindTransform")) {
            binding.geometry = matrix_of(*geometry);
        }
        if (const Property* property = prim_.property("primvars:skel:jointIndices")) {
            const Value* element = find(property->metadata, "elementSize");
            const double size = element == nullptr ? 1 : element->as_number().value_or(1);
            binding.element = size >= 1 && size <= 4096 ? static_cast<size_t>(size) : 1;
            binding.is_rigid = metadata_text(property->metadata, "interpolation") == "constant";
        }
        const size_t rows = binding.is_rigid ? 1 : points_.size();
        if (!binding.indices.empty() &&
            (binding.indices.size() != binding.weights.size() || binding.indices.size() != rows * binding.element)) {
            reading_.note(path_, "has weights that do not go with its points; they are left out.");
            binding.indices.clear();
        }
        binding.skin_name = own_word(prim_, "skinName");
        binding_ = std::move(binding);
    }

    void shapes() {
        const std::vector<std::string> tokens = texts_of(prim_, "skel:blendShapes");
        const Property* relation = prim_.property("skel:blendShapeTargets");
        const std::vector<std::string> targets =
            relation == nullptr ? std::vector<std::string>() : relation->targets.list();
        if (tokens.empty()) {
            return;
        }
        if (tokens.size() != targets.size()) {
            reading_.note(path_, "names other shapes than it points at; they are left out.");
            return;
        }
        for (size_t s = 0; s < tokens.size(); ++s) {
            const Prim* shape = reading_.layer.find(targets[s]);
            if (shape == nullptr || shape->type_name != "BlendShape") {
                reading_.note(path_, phrase("its shape “{}” is not there.", tokens[s].substr(0, 60)));
                continue;
            }
            add_shapes(*shape, tokens[s]);
        }
    }
    /// The shape, and each form between rest and it as one of its own.
    void add_shapes(const Prim& shape, const std::string& token) {
        const std::string shown = metadata_text(shape.metadata, "displayName");
        const std::string name = shown.empty() ? token : shown;
        if (!add_shape(shape, name, floats_of(shape, "offsets"), floats_of(shape, "normalOffsets"))) {
            return;
        }
        binding_.shapes.push_back(token);
        binding_.knots.push_back(1);
        std::vector<std::string> between;
        std::set<double> taken = {0, 1};
        for (const Property& property : shape.properties) {
            if (!property.name.starts_with("inbetweens:") || property.name.find(':', 11) != std::string::npos) {
                continue;
            }
            const Value* weight = find(property.metadata, "weight");
            const double at = weight == nullptr ? std::nan("") : weight->as_number().value_or(std::nan(""));
            const std::string own = fmt::format("{}_{:g}", name, at * 100);
            if (!std::isfinite(at) || !taken.insert(at).second) {
                reading_.note(path_, phrase("its form “{}” between rest and “{}” is at no weight of its own; it is "
                                            "left out.",
                                            property.name.substr(11, 60), token.substr(0, 60)));
            } else if (add_shape(shape, own, floats_of(shape, property.name),
                                 floats_of(shape, property.name + ":normalOffsets"))) {
                binding_.shapes.push_back(token);
                binding_.knots.push_back(at);
                between.push_back(own);
            }
        }
        if (!between.empty()) {
            reading_.note(path_,
                          phrase("{} between rest and “{}” became shapes of their own: {}.",
                                 counted(between.size(), "form"), token.substr(0, 60), fmt::join(between, ", ")));
        }
    }
    bool add_shape(const Prim& shape, const std::string& token, const std::vector<float>& offsets,
                   const std::vector<float>& turned) {
        const std::vector<int64_t> places = integers_of(shape, "pointIndices");
        const size_t count = offsets.size() / 3;
        const bool sparse = !places.empty();
        if ((sparse && places.size() != count) || (!sparse && count != points_.size() && count != 0)) {
            reading_.note(path_, phrase("its shape “{}” does not go with its points.", token.substr(0, 60)));
            return false;
        }
        constexpr uint32_t none = std::numeric_limits<uint32_t>::max();
        std::vector<uint32_t> row_of_point(points_.size(), none);
        for (size_t i = 0; i < count; ++i) {
            const int64_t point = sparse ? places[i] : static_cast<int64_t>(i);
            if (point < 0 || static_cast<size_t>(point) >= points_.size()) {
                reading_.note(path_, phrase("its shape “{}” moves points that are not there.", token.substr(0, 60)));
                return false;
            }
            row_of_point[static_cast<size_t>(point)] = static_cast<uint32_t>(i);
        }
        MorphTarget target;
        target.name = token;
        target.has_normals = turned.size() == offsets.size() && count > 0;
        std::vector<uint32_t> moved;
        std::vector<Vec3f> by;
        std::vector<Vec3f> normals;
        for (size_t v = 0; v < point_of_.size(); ++v) {
            const uint32_t row = row_of_point[point_of_[v]];
            if (row == none) {
                continue;
            }
            const Vec3f offset(offsets[row * 3], offsets[row * 3 + 1], offsets[row * 3 + 2]);
            const Vec3f turn = target.has_normals ? Vec3f(turned[row * 3], turned[row * 3 + 1], turned[row * 3 + 2])
                                                  : Vec3f(Vec3f::Zero());
            if (!offset.allFinite() || !turn.allFinite() || (offset.isZero(0) && turn.isZero(0))) {
                continue;
            }
            moved.push_back(static_cast<uint32_t>(v));
            by.push_back(offset);
            if (target.has_normals) {
                normals.push_back(turn);
            }
        }
        target.points = std::move(moved);
        target.positions = std::move(by);
        target.normals = std::move(normals);
        mesh_.shapes.push_back(std::move(target));
        return true;
    }

    void finish() {
        std::vector<Vec3f> positions;
        positions.reserve(point_of_.size());
        for (const uint32_t point : point_of_) {
            positions.push_back(points_[point]);
        }
        const std::string mesh_name = own_word(prim_, "meshName");
        mesh_.name = mesh_name.empty() ? shown_name(prim_) : mesh_name;
        mesh_.positions = std::move(positions);
        mesh_.indices = std::move(indices_);
        if (normals_) {
            const std::vector<float> values = spread_out(*normals_);
            std::vector<Vec3f> normals;
            for (size_t v = 0; v < point_of_.size(); ++v) {
                Vec3f normal(values[v * 3], values[v * 3 + 1], values[v * 3 + 2]);
                const float length = normal.norm();
                normals.emplace_back(length < 1e-12F                ? Vec3f(0, 1, 0)
                                     : std::abs(length - 1) > 1e-5F ? Vec3f(normal / length)
                                                                    : normal);
            }
            mesh_.normals = std::move(normals);
        }
        if (tangents_) {
            const std::vector<float> values = spread_out(*tangents_);
            std::vector<Vec4f> tangents;
            for (size_t v = 0; v < point_of_.size(); ++v) {
                tangents.emplace_back(values[v * 4], values[v * 4 + 1], values[v * 4 + 2],
                                      values[v * 4 + 3] < 0 ? -1.F : 1.F);
            }
            mesh_.tangents = std::move(tangents);
        }
        for (const Primvar& one : primvars_) {
            mesh_.attributes.push_back({one.name, static_cast<int>(one.width), spread_out(one), {}});
        }
        const Value* data = find(prim_.metadata, "customData");
        const Value* starting = data == nullptr ? nullptr : find(data->dictionary(), "shapeWeights");
        if (starting != nullptr && starting->numbers<float>().size() == mesh_.shapes.size()) {
            mesh_.shape_weights = starting->numbers<float>();
        }
        reading_.scene.nodes[static_cast<size_t>(node_)].mesh = static_cast<int>(reading_.scene.meshes.size());
        reading_.scene.meshes.push_back(std::move(mesh_));
        read_cache(reading_, prim_, path_, node_, points_.size(), point_of_);
        if (!binding_.indices.empty() || !binding_.shapes.empty()) {
            reading_.bindings.push_back(std::move(binding_));
        }
    }

    Reading& reading_;
    const Prim& prim_;
    const std::string& path_;
    int node_;
    const Inherited& inherited_;
    Mesh mesh_;
    std::vector<Vec3f> points_;
    std::vector<int64_t> corners_; ///< points of all faces' corners, holes too
    size_t faces_ = 0;
    std::vector<uint32_t> triangles_; ///< corners, three each
    std::vector<uint32_t> face_of_;   ///< of each triangle
    std::vector<uint32_t> part_of_face_;
    std::vector<int> parts_; ///< materials
    std::vector<Primvar> primvars_;
    std::vector<std::string> coordinate_names_;
    std::optional<Primvar> normals_;
    std::optional<Primvar> tangents_;
    std::optional<Vec3f> display_colour_;
    std::vector<uint32_t> indices_;
    std::vector<uint32_t> point_of_;  ///< of each vertex
    std::vector<uint32_t> corner_of_; ///< that its values are of; none: no face has it
    std::vector<uint32_t> face_at_;
    std::vector<uint32_t> next_; ///< another vertex of the same point
    Binding binding_;
};

} // namespace

void read_mesh(Reading& reading, const Prim& prim, const std::string& path, int node, const Inherited& inherited) {
    MeshReader(reading, prim, path, node, inherited).run();
}

} // namespace wembrix::usd
