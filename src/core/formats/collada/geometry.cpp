#include "core/formats/collada/geometry.h"

#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/formats/split_vertices.h"
#include "core/measure/surface/triangulate.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstring>
#include <fmt/format.h>
#include <limits>

namespace wembrix::collada {

namespace {

constexpr uint32_t no_row = std::numeric_limits<uint32_t>::max();

/// Values that corners have by a place in a source.
struct CornerStream {
    std::string name; ///< of the attribute; "NORMAL" for normals
    const Source* source = nullptr;
    size_t offset = 0;            ///< among the indices of a corner
    bool is_of_point = false;     ///< it stands in `vertices`: the row is the point's
    size_t width = 0;             ///< of what is taken
    std::vector<uint32_t> rows{}; ///< of each corner
};

/// One element of faces or lines, with a material of its own.
struct CornerGroup {
    std::string symbol;
    Topology topology = Topology::triangles;
    std::vector<uint32_t> points; ///< of each corner
    std::vector<uint32_t> order;  ///< corners, three a triangle or two a line
    std::vector<CornerStream> streams;
    std::map<size_t, int> coordinates;
};

bool is_known_semantic(const std::string& semantic) {
    static constexpr std::array<std::string_view, 6> known = {"NORMAL", "TEXCOORD", "UV", "COLOR", "TANGENT", "VERTEX"};
    return std::find(known.begin(), known.end(), semantic) != known.end() || semantic.starts_with('_');
}

class GeometryReader {
  public:
    GeometryReader(Reading& reading, Element element)
        : reading_(reading), element_(element), where_(name_of(element)) {}

    std::shared_ptr<const Geometry> run() {
        const Element mesh = element_.child("mesh");
        if (!mesh) {
            const Element other = element_.first_child();
            reading_.note(where_, phrase("is a “{}”, which is not read; the surface is left out.", other.name()));
            return nullptr;
        }
        if (!points(mesh)) {
            return nullptr;
        }
        for (const Element part : mesh.children()) {
            const std::string kind = part.name();
            if (kind == "triangles" || kind == "polylist" || kind == "polygons" || kind == "tristrips" ||
                kind == "trifans" || kind == "lines" || kind == "linestrips") {
                if (!group(part, kind)) {
                    return nullptr;
                }
            }
        }
        if (polygons_ > 0) {
            reading_.note(where_,
                          phrase("{} of more than three corners became triangles.", counted(polygons_, "face")));
        }
        if (holes_ > 0) {
            reading_.note(where_, phrase("{} with holes in them; the holes are filled.", counted(holes_, "face")));
        }
        if (!vertices()) {
            reading_.note(where_, "has more vertices than a file of its size can mean; the surface is left out.");
            return nullptr;
        }
        differences();
        finish();
        return std::make_shared<const Geometry>(std::move(made_));
    }

  private:
    bool points(Element mesh) {
        const Element vertices = mesh.child("vertices");
        const Source* source = nullptr;
        for (const Input& input : inputs_of(vertices)) {
            const Source* found = reading_.document.numbers(input.source);
            if (input.semantic == "POSITION") {
                source = found;
            } else if (input.semantic == "NORMAL" && found != nullptr && found->width == 3) {
                point_normals_ = found;
            }
        }
        if (source == nullptr || source->width < 3) {
            reading_.note(where_, "has no positions; the surface is left out.");
            return false;
        }
        size_t broken = 0;
        made_.points.resize(source->rows);
        for (size_t p = 0; p < source->rows; ++p) {
            const double* row = source->row(p);
            made_.points[p] = Vec3(row[0], row[1], row[2]);
            if (!(made_.points[p].cwiseAbs().maxCoeff() < 1e30)) {
                made_.points[p].setZero();
                ++broken;
            }
        }
        if (broken > 0) {
            reading_.note(where_,
                          phrase("has {} that lie nowhere; they were put at its origin.", counted(broken, "point")));
        }
        if (point_normals_ != nullptr && point_normals_->rows == source->rows) {
            for (size_t p = 0; p < source->rows; ++p) {
                const double* row = point_normals_->row(p);
                made_.point_normals.emplace_back(row[0], row[1], row[2]);
            }
        }
        vertex_inputs_ = inputs_of(vertices);
        return true;
    }

    /// The streams of one element, and how many indices a corner has. 0: it has no points.
    size_t streams_of(Element part, CornerGroup& group, size_t& point_offset) {
        size_t indices = 0;
        bool has_points = false;
        int sets = 0;
        int colours = 0;
        const auto add = [&](const Input& input, bool is_of_point) {
            const Source* source = reading_.document.source(input.source);
            if (source == nullptr || source->numbers.empty()) {
                reading_.note_once(where_,
                                   phrase("its “{}” has no values and stays behind.", input.semantic.substr(0, 40)));
                return;
            }
            CornerStream stream{input.semantic, source, input.offset, is_of_point, source->width};
            if (input.semantic == "TEXCOORD" || input.semantic == "UV") {
                if (source->width < 2) {
                    reading_.note_once(where_, "has coordinates of one number; they stay behind.");
                    return;
                }
                group.coordinates[input.set] = sets;
                stream.name = fmt::format("TEXCOORD_{}", sets++);
                if (source->width > 2 && has_third(*source)) {
                    reading_.note_once(where_, "has coordinates of three numbers; the third stays behind.");
                }
                stream.width = 2;
            } else if (input.semantic == "COLOR") {
                if (source->width < 3) {
                    reading_.note_once(where_, "has colours of less than three numbers; they stay behind.");
                    return;
                }
                stream.name = fmt::format("COLOR_{}", colours++);
                stream.width = std::min<size_t>(source->width, 4);
            } else if (input.semantic == "NORMAL") {
                if (source->width != 3) {
                    return;
                }
            } else if (input.semantic == "TANGENT" && source->width != 4) {
                reading_.note_once(where_, "its tangents say no side and stay behind.");
                return;
            } else if (source->width > 16) {
                reading_.note_once(where_, phrase("its “{}” has more than 16 numbers a value; it stays behind.",
                                                  input.semantic.substr(0, 40)));
                return;
            }
            for (const CornerStream& other : group.streams) {
                if (other.name == stream.name) {
                    return; // said twice, of the points and of the corners: the corners' own came first
                }
            }
            group.streams.push_back(std::move(stream));
        };
        for (const Input& input : inputs_of(part)) {
            indices = std::max(indices, input.offset + 1);
            if (input.semantic == "VERTEX") {
                point_offset = input.offset;
                has_points = true;
            } else if (is_known_semantic(input.semantic)) {
                add(input, false);
            } else {
                reading_.note_once(where_, phrase("its “{}” stays behind.", input.semantic.substr(0, 40)));
            }
        }
        for (const Input& input : vertex_inputs_) {
            if (input.semantic != "POSITION" && is_known_semantic(input.semantic)) {
                add(input, true);
            }
        }
        return has_points && indices <= 64 ? indices : 0;
    }
    static bool has_third(const Source& source) {
        for (size_t r = 0; r < source.rows; ++r) {
            if (source.row(r)[2] != 0) {
                return true;
            }
        }
        return false;
    }

    bool group(Element part, const std::string& kind) {
        CornerGroup made;
        made.symbol = part.attribute("material").value();
        made.topology = kind.starts_with("line") ? Topology::lines : Topology::triangles;
        size_t point_offset = 0;
        const size_t indices = streams_of(part, made, point_offset);
        if (indices == 0) {
            reading_.note(where_, "has faces of no points; they are left out.");
            return true;
        }
        // Lists of indices, each a run of its own.
        std::vector<size_t> runs;
        std::vector<int64_t> all;
        const auto take = [&](const char* text) {
            const std::vector<int64_t> list = integers_in(text);
            all.insert(all.end(), list.begin(), list.end() - static_cast<ptrdiff_t>(list.size() % indices));
            runs.push_back(all.size() / indices);
        };
        for (const Element one : part.children()) {
            if (std::strcmp(one.name(), "p") == 0) {
                take(one.text().get());
            } else if (std::strcmp(one.name(), "ph") == 0) {
                take(one.child("p").text().get());
                holes_ += one.child("h") ? 1 : 0;
            }
        }
        const size_t corners = all.size() / indices;
        made.points.resize(corners);
        for (size_t c = 0; c < corners; ++c) {
            const int64_t point = all[c * indices + point_offset];
            if (point < 0 || static_cast<size_t>(point) >= made_.points.size()) {
                reading_.note(where_, "has faces of points that are not there; the surface is left out.");
                return false;
            }
            made.points[c] = static_cast<uint32_t>(point);
        }
        for (CornerStream& stream : made.streams) {
            stream.rows.resize(corners);
            for (size_t c = 0; c < corners; ++c) {
                const int64_t row = stream.is_of_point ? made.points[c] : all[c * indices + stream.offset];
                const bool is_there = row >= 0 && static_cast<size_t>(row) < stream.source->rows;
                stream.rows[c] = is_there ? static_cast<uint32_t>(row) : no_row;
                if (!is_there) {
                    reading_.note_once(where_, phrase("its “{}” counts in values that are not there; 0 stands in.",
                                                      stream.name.substr(0, 40)));
                }
            }
        }
        if (kind == "polylist") {
            faces_by_counts(integers_in(part.child("vcount").text().get()), made);
        } else {
            size_t begin = 0;
            for (const size_t end : runs) {
                run_of(kind, begin, end, made);
                begin = end;
            }
        }
        for (const Element technique : part.child("extra").children("technique")) {
            if (std::strcmp(technique.attribute("profile").value(), "wembrix") == 0 && technique.child("points")) {
                // Faces without area that this program wrote for points.
                made.topology = Topology::points;
                std::vector<uint32_t> firsts;
                for (size_t c = 0; c < made.order.size(); c += 3) {
                    firsts.push_back(made.order[c]);
                }
                made.order = std::move(firsts);
            }
        }
        normals_of_points(made);
        groups_.push_back(std::move(made));
        return true;
    }

    /// Normals that corners have by their points' own indices are the points'.
    void normals_of_points(const CornerGroup& group) {
        for (const CornerStream& stream : group.streams) {
            if (stream.name != "NORMAL" || stream.source->rows != made_.points.size() ||
                (!made_.point_normals.empty() && point_normals_ != stream.source) || stream.rows != group.points) {
                continue;
            }
            point_normals_ = stream.source;
            if (made_.point_normals.empty()) {
                for (size_t p = 0; p < made_.points.size(); ++p) {
                    const double* row = stream.source->row(p);
                    made_.point_normals.emplace_back(row[0], row[1], row[2]);
                }
            }
        }
    }

    void faces_by_counts(const std::vector<int64_t>& counts, CornerGroup& made) {
        size_t at = 0;
        for (const int64_t count : counts) {
            if (count < 0 || static_cast<size_t>(count) > made.points.size() - at) {
                reading_.note(where_, "counts more corners than it has; the faces behind are left out.");
                return;
            }
            face(at, at + static_cast<size_t>(count), made);
            at += static_cast<size_t>(count);
        }
    }

    void run_of(const std::string& kind, size_t begin, size_t end, CornerGroup& made) {
        const auto push = [&](size_t a, size_t b, size_t c) {
            made.order.insert(made.order.end(),
                              {static_cast<uint32_t>(a), static_cast<uint32_t>(b), static_cast<uint32_t>(c)});
        };
        if (kind == "triangles") {
            for (size_t c = begin; c + 2 < end; c += 3) {
                push(c, c + 1, c + 2);
            }
        } else if (kind == "polygons") {
            face(begin, end, made);
        } else if (kind == "tristrips") {
            for (size_t c = begin; c + 2 < end; ++c) {
                const bool is_odd = (c - begin) % 2 != 0;
                push(c, is_odd ? c + 2 : c + 1, is_odd ? c + 1 : c + 2);
            }
        } else if (kind == "trifans") {
            for (size_t c = begin + 1; c + 1 < end; ++c) {
                push(begin, c, c + 1);
            }
        } else { // lines and strips of them
            for (size_t c = begin; c + 1 < end; c += kind == "lines" ? 2 : 1) {
                made.order.insert(made.order.end(), {static_cast<uint32_t>(c), static_cast<uint32_t>(c + 1)});
            }
        }
    }

    void face(size_t begin, size_t end, CornerGroup& made) {
        if (end - begin < 3) {
            return;
        }
        around_.clear();
        cut_.clear();
        for (size_t c = begin; c < end; ++c) {
            around_.push_back(made_.points[made.points[c]].cast<float>());
        }
        if (around_.size() == 3) {
            cut_.push_back({0, 1, 2});
        } else {
            ++polygons_;
            triangulate_polygon(around_, cut_);
        }
        for (const std::array<uint32_t, 3>& triangle : cut_) {
            for (const uint32_t corner : triangle) {
                made.order.push_back(static_cast<uint32_t>(begin) + corner);
            }
        }
    }

    /// The points of each group in their order as its vertices, and those that corners made besides behind them.
    bool vertices() {
        for (const CornerGroup& group : groups_) {
            std::vector<char> used(made_.points.size(), groups_.size() == 1 ? 1 : 0);
            for (const uint32_t corner : group.order) {
                used[group.points[corner]] = 1;
            }
            Primitive primitive;
            primitive.first_point = static_cast<uint32_t>(split_.size());
            primitive.first_index = static_cast<uint32_t>(indices_.size());
            std::vector<uint32_t> first_of(made_.points.size(), SplitVertices::none);
            for (size_t p = 0; p < used.size(); ++p) {
                if (used[p] != 0) {
                    first_of[p] = split_.add(static_cast<uint32_t>(p));
                }
            }
            for (const uint32_t corner : group.order) {
                indices_.push_back(split_.of(first_of[group.points[corner]], corner,
                                             [&](uint32_t a, uint32_t b) { return has_same_values(group, a, b); }));
            }
            primitive.point_count = static_cast<uint32_t>(split_.size()) - primitive.first_point;
            primitive.index_count = static_cast<uint32_t>(indices_.size()) - primitive.first_index;
            if (!reading_.take(primitive.point_count)) {
                return false;
            }
            primitive.topology = group.topology;
            primitive.has_normals = false;
            for (const CornerStream& stream : group.streams) {
                if (stream.name == "NORMAL") {
                    primitive.has_normals = true;
                } else if (stream.name == "TANGENT") {
                    primitive.has_tangents = true;
                } else {
                    primitive.attributes.push_back(stream.name);
                }
            }
            made_.mesh.primitives.push_back(std::move(primitive));
            made_.symbols.push_back(group.symbol);
            made_.coordinates.push_back(group.coordinates);
        }
        if (groups_.empty()) {
            for (size_t p = 0; p < made_.points.size(); ++p) {
                split_.add(static_cast<uint32_t>(p)); // a form that another surface takes
            }
            return reading_.take(made_.points.size());
        }
        if (groups_.size() == 1 && split_.size() > made_.points.size()) {
            reading_.note(where_, phrase("{} became {}: their faces have several values for them.",
                                         counted(made_.points.size(), "point"), split_.size()));
        }
        return true;
    }
    static bool has_same_values(const CornerGroup& group, uint32_t a, uint32_t b) {
        return std::all_of(group.streams.begin(), group.streams.end(), [&](const CornerStream& stream) {
            const uint32_t row_a = stream.rows[a];
            const uint32_t row_b = stream.rows[b];
            return row_a == row_b || (row_a != no_row && row_b != no_row &&
                                      std::equal(stream.source->row(row_a), stream.source->row(row_a) + stream.width,
                                                 stream.source->row(row_b)));
        });
    }

    /// Values of all groups' streams of a name, `width` a vertex; 0 where a group has none.
    std::vector<float> spread_out(const std::string& name, size_t width) {
        std::vector<float> values(split_.size() * width, 0);
        size_t broken = 0;
        for (size_t g = 0; g < groups_.size(); ++g) {
            const Primitive& primitive = made_.mesh.primitives[g];
            for (const CornerStream& stream : groups_[g].streams) {
                if (stream.name != name) {
                    continue;
                }
                const size_t end = primitive.first_point + primitive.point_count;
                for (size_t v = primitive.first_point; v < end; ++v) {
                    const uint32_t corner = split_.corner_of[v];
                    uint32_t row = stream.is_of_point ? split_.point_of[v] : no_row;
                    row = corner == SplitVertices::none ? row : stream.rows[corner];
                    if (row == no_row || row >= stream.source->rows) {
                        continue;
                    }
                    for (size_t c = 0; c < std::min(width, stream.width); ++c) {
                        const auto number = static_cast<float>(stream.source->row(row)[c]);
                        broken += std::isfinite(number) ? 0 : 1;
                        values[v * width + c] = std::isfinite(number) ? number : 0;
                    }
                    if (name.starts_with("COLOR_") && width == 4 && stream.width == 3) {
                        values[v * width + 3] = 1;
                    }
                }
            }
        }
        if (broken > 0) {
            reading_.note(where_, phrase("its “{}” has {} that are no numbers; 0 stands in.", name.substr(0, 40),
                                         counted(broken, "value")));
        }
        return values;
    }

    void differences() {
        for (const Element technique : element_.child("extra").children("technique")) {
            if (std::strcmp(technique.attribute("profile").value(), "wembrix") != 0) {
                continue;
            }
            if (technique.child("normals")) {
                made_.point_normals.clear();
            }
            const std::vector<int64_t> rows = integers_in(technique.child("points").text().get());
            const std::vector<double> numbers = numbers_in(technique.child("differences").text().get());
            for (size_t i = 0; i < rows.size() && i * 6 + 5 < numbers.size(); ++i) {
                const double* of = numbers.data() + i * 6;
                if (rows[i] >= 0 && static_cast<size_t>(rows[i]) < made_.points.size() &&
                    std::all_of(of, of + 6, [](double number) { return std::abs(number) < 1e30; })) {
                    made_.differences[static_cast<uint32_t>(rows[i])] = {Vec3(of[0], of[1], of[2]).cast<float>(),
                                                                         Vec3(of[3], of[4], of[5]).cast<float>()};
                }
            }
        }
    }

    void finish() {
        Mesh& mesh = made_.mesh;
        mesh.name = where_;
        std::vector<Vec3f> positions;
        positions.reserve(split_.size());
        for (const uint32_t point : split_.point_of) {
            positions.push_back(made_.points[point].cast<float>());
        }
        mesh.positions = std::move(positions);
        mesh.indices = std::move(indices_);
        // Attributes in the order in which they first stand, coordinates and colours by their numbers.
        std::map<std::string, size_t> width_of;
        std::vector<std::string> order;
        for (const CornerGroup& group : groups_) {
            for (const CornerStream& stream : group.streams) {
                const auto [known, is_new] = width_of.try_emplace(stream.name, stream.width);
                known->second = std::max(known->second, stream.width);
                if (is_new) {
                    order.push_back(stream.name);
                }
            }
        }
        for (const std::string& name : order) {
            const size_t width = width_of[name];
            if (name == "NORMAL") {
                mesh.normals = unit_normals(spread_out(name, 3));
            } else if (name == "TANGENT") {
                const std::vector<float> values = spread_out(name, 4);
                std::vector<Vec4f> tangents;
                for (size_t v = 0; v < split_.size(); ++v) {
                    tangents.emplace_back(values[v * 4], values[v * 4 + 1], values[v * 4 + 2],
                                          values[v * 4 + 3] < 0 ? -1.F : 1.F);
                }
                mesh.tangents = std::move(tangents);
            } else {
                std::vector<float> values = spread_out(name, width);
                if (name.starts_with("TEXCOORD_")) {
                    for (size_t i = 1; i < values.size(); i += 2) {
                        values[i] = 1 - values[i]; // counted from the bottom there
                    }
                }
                mesh.attributes.push_back({name, static_cast<int>(width), std::move(values), {}});
            }
        }
        made_.point_of = std::move(split_.point_of);
    }
    static std::vector<Vec3f> unit_normals(const std::vector<float>& values) {
        std::vector<Vec3f> normals;
        for (size_t v = 0; v + 2 < values.size(); v += 3) {
            const Vec3f normal(values[v], values[v + 1], values[v + 2]);
            const float length = normal.norm();
            normals.emplace_back(length < 1e-12F                ? Vec3f(0, 1, 0)
                                 : std::abs(length - 1) > 1e-5F ? Vec3f(normal / length)
                                                                : normal);
        }
        return normals;
    }

    Reading& reading_;
    Element element_;
    std::string where_;
    Geometry made_;
    const Source* point_normals_ = nullptr;
    std::vector<Input> vertex_inputs_;
    std::vector<CornerGroup> groups_;
    SplitVertices split_;
    std::vector<uint32_t> indices_;
    std::vector<Vec3f> around_;
    std::vector<std::array<uint32_t, 3>> cut_;
    size_t polygons_ = 0;
    size_t holes_ = 0;
};

} // namespace

std::shared_ptr<const Geometry> geometry_at(Reading& reading, std::string_view reference,
                                            std::map<std::string, std::shared_ptr<const Geometry>>& kept) {
    const Element element = reading.document.by_reference(reference, "geometry");
    if (!element) {
        reading.note_once(std::string(reference.substr(0, 80)), "is no geometry of this file.");
        return nullptr;
    }
    const auto [place, is_new] = kept.try_emplace(element.attribute("id").value());
    if (is_new) {
        place->second = GeometryReader(reading, element).run();
    }
    return place->second;
}

} // namespace wembrix::collada
