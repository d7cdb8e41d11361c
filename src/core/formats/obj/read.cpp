#include "core/base/counted.h"
#include "core/base/files.h"
#include "core/formats/beside.h"
#include "core/formats/obj/library.h"
#include "core/formats/obj/obj.h"
#include "core/formats/obj/obj_text.h"
#include "core/measure/surface/triangulate.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <map>
#include <set>
#include <unordered_map>

namespace wembrix {

namespace fs = std::filesystem;

namespace {

constexpr uint32_t nothing = 0xFFFFFFFF;

struct Corner {
    uint32_t place = 0;
    uint32_t coordinates = nothing;
    uint32_t normal = nothing;
};

enum class Element : uint8_t { faces, lines, points };

/// Corners of one kind that one object has under one material, one after another.
struct Run {
    uint32_t object = 0;
    int material = -1;
    Element element = Element::faces;
    size_t first_corner = 0;
    size_t corners = 0;
};

class ObjReader {
  public:
    ObjReader(std::string_view text, const std::string& name, fs::path folder)
        : lines_(text), name_(name), folder_(std::move(folder)) {}

    Result<Scene> run() {
        for (std::string_view key = lines_.next_line(); !key.empty(); key = lines_.next_line()) {
            if (!take(key)) {
                return Problem{problem_, fmt::format("{}, line {}", name_, lines_.line()), ""};
            }
        }
        close_run();
        if (places_.empty()) {
            return Problem{"holds no vertices.", name_, "Is it an OBJ?"};
        }
        smooth();
        build();
        tell();
        classify_nodes(scene_);
        return std::move(scene_);
    }

  private:
    bool fail(std::string what) {
        problem_ = std::move(what);
        return false;
    }

    bool take(std::string_view key) {
        if (key == "v") {
            return take_place();
        }
        if (key == "f") {
            return take_element(Element::faces, 3);
        }
        if (key == "vt") {
            Vec2 at = {0, 0};
            if (!lines_.number(at.u)) {
                return fail("texture coordinates are no numbers.");
            }
            lines_.number(at.v);
            coordinates_.push_back(at);
            return true;
        }
        if (key == "vn") {
            Vec3f normal;
            if (!lines_.number(normal.x()) || !lines_.number(normal.y()) || !lines_.number(normal.z())) {
                return fail("a normal is not three numbers.");
            }
            normals_.push_back(normal);
            return true;
        }
        return take_state(key);
    }

    bool take_state(std::string_view key) {
        if (key == "o" || key == "g") {
            take_name(key == "o");
        } else if (key == "usemtl") {
            close_run();
            const std::string name(lines_.rest());
            material_ = name.empty() ? -1 : material_called(name);
        } else if (key == "mtllib") {
            take_library();
        } else if (key == "s") {
            const std::string_view group = lines_.word();
            uint32_t number = 0;
            for (const char c : group.substr(0, 9)) {
                number = c >= '0' && c <= '9' ? number * 10 + static_cast<uint32_t>(c - '0') : 0;
            }
            smoothing_ = number;
            has_smoothing_ = true;
        } else if (key == "l") {
            return take_element(Element::lines, 2);
        } else if (key == "p") {
            return take_element(Element::points, 1);
        } else {
            ++not_taken_[std::string(key.substr(0, 20))];
        }
        return true;
    }

    bool take_place() {
        Vec3f at;
        if (!lines_.number(at.x()) || !lines_.number(at.y()) || !lines_.number(at.z())) {
            return fail("a vertex is not three numbers.");
        }
        if (!at.allFinite()) {
            return fail("a vertex has a place that is no number.");
        }
        places_.push_back(at);
        float more[4];
        int count = 0;
        while (count < 4 && lines_.number(more[count])) {
            ++count;
        }
        if (count >= 3) { // the last three: a weight may stand before them
            colours_.resize(places_.size() - 1, Vec3f::Ones());
            colours_.emplace_back(more[count - 3], more[count - 2], more[count - 1]);
        } else if (count == 1 && more[0] != 1) {
            ++weighted_;
        }
        return true;
    }

    bool take_element(Element element, size_t least) {
        open_run(element);
        const size_t first = corners_.size();
        int64_t indices[3];
        bool broken = false;
        while (lines_.corner(indices, broken)) {
            Corner corner;
            if (broken || !resolve(indices[0], places_.size(), corner.place) ||
                (indices[1] != 0 && !resolve(indices[1], coordinates_.size(), corner.coordinates)) ||
                (indices[2] != 0 && !resolve(indices[2], normals_.size(), corner.normal))) {
                return fail(broken ? "what should be indices is something else."
                                   : "an index points at nothing that stands before it.");
            }
            corners_.push_back(corner);
        }
        const size_t count = corners_.size() - first;
        if (count < least) {
            corners_.resize(first);
            ++short_;
            return true;
        }
        if (element == Element::faces) {
            return close_face(first, count);
        }
        if (element == Element::lines) {
            close_line(first, count);
        }
        return true;
    }

    static bool resolve(int64_t index, size_t count, uint32_t& place) {
        const int64_t at = index > 0 ? index - 1 : static_cast<int64_t>(count) + index;
        place = static_cast<uint32_t>(at);
        return index != 0 && at >= 0 && at < static_cast<int64_t>(count);
    }

    /// The corners of one face become those of its triangles.
    bool close_face(size_t first, size_t count) {
        if (count > 3) {
            polygons_ += 1;
            around_.clear();
            face_.assign(corners_.begin() + static_cast<ptrdiff_t>(first), corners_.end());
            for (const Corner& corner : face_) {
                around_.push_back(places_[corner.place]);
            }
            cut_.clear();
            triangulate_polygon(around_, cut_);
            corners_.resize(first);
            for (const std::array<uint32_t, 3>& triangle : cut_) {
                for (const uint32_t at : triangle) {
                    corners_.push_back(face_[at]);
                }
            }
        }
        smoothing_of_.resize(corners_.size() / 3, nothing);
        face_of_.resize(corners_.size() / 3, nothing);
        for (size_t t = first / 3; t < corners_.size() / 3; ++t) {
            smoothing_of_[t] = smoothing_;
            face_of_[t] = static_cast<uint32_t>(first / 3);
        }
        return corners_.size() < nothing || fail("has more corners than can be counted.");
    }

    void close_line(size_t first, size_t count) {
        face_.assign(corners_.begin() + static_cast<ptrdiff_t>(first), corners_.end());
        corners_.resize(first);
        for (size_t i = 0; i + 1 < count; ++i) {
            corners_.push_back(face_[i]);
            corners_.push_back(face_[i + 1]);
        }
    }

    void take_name(bool is_object) {
        std::string name(lines_.rest());
        if (is_object) {
            has_objects_ = true;
        } else if (has_objects_) {
            ++groups_;
            return;
        } else if (name.empty() || name == "default" || name == "off") {
            name = "";
        }
        close_run();
        const auto [found, fresh] = object_places_.try_emplace(name, static_cast<uint32_t>(objects_.size()));
        if (fresh) {
            objects_.push_back(name);
        }
        object_ = found->second;
    }

    int material_called(const std::string& name) {
        const auto [found, fresh] = material_places_.try_emplace(name, static_cast<int>(scene_.materials.size()));
        if (fresh) {
            scene_.materials.emplace_back();
            scene_.materials.back().name = name;
            scene_.materials.back().metalness = 0;
        }
        return found->second;
    }

    void take_library() {
        const std::string written(lines_.rest());
        // Several names may stand in one line, and one name may have blanks.
        std::vector<std::string> names = {written};
        if (find_beside(folder_, written).empty() && written.find(' ') != std::string::npos) {
            names.clear();
            obj::Lines words(written);
            for (std::string_view word = words.next_line(); !word.empty(); word = words.word()) {
                names.emplace_back(word);
            }
        }
        for (const std::string& name : names) {
            const fs::path file = find_beside(folder_, name);
            const Result<std::string> text = file.empty() ? Result<std::string>(Problem{}) : read_file(file);
            if (!text) {
                scene_.notes.push_back({name_,
                                        fmt::format("the library of materials “{}” is not there; it was sought beside "
                                                    "the file.",
                                                    name.substr(0, 200)),
                                        {}});
                continue;
            }
            scene_.beside.push_back(file);
            obj::read_library(*text, file.filename().string(), folder_, scene_, material_places_);
        }
    }

    void open_run(Element element) {
        if (runs_.empty() || closed_ || runs_.back().element != element) {
            close_run();
            if (objects_.empty()) {
                objects_.emplace_back();
                object_places_.emplace("", 0);
            }
            if (element != Element::faces || corners_.size() % 3 != 0) {
                corners_.resize((corners_.size() + 2) / 3 * 3); // triangles are counted from a multiple of three
            }
            runs_.push_back({object_, material_, element, corners_.size(), 0});
            closed_ = false;
        }
    }
    void close_run() {
        if (!runs_.empty() && !closed_) {
            runs_.back().corners = corners_.size() - runs_.back().first_corner;
            closed_ = true;
        }
    }

    /// Normals for faces that have none, where the file says what is smooth: corners at one place of one group share
    /// the sum of their faces' normals, each by its angle there; faces of no group have their own.
    void smooth() {
        if (!has_smoothing_) {
            return;
        }
        std::unordered_map<uint64_t, uint32_t> shared;
        for (const Run& run : runs_) {
            for (size_t c = run.first_corner; run.element == Element::faces && c + 2 < run.first_corner + run.corners;
                 c += 3) {
                Corner* corner = &corners_[c];
                const Vec3f& p = places_[corner[0].place];
                const Vec3f& q = places_[corner[1].place];
                const Vec3f& r = places_[corner[2].place];
                const Vec3f across = (q - p).cross(r - p);
                const float length = across.norm();
                const Vec3f face = length > 0 ? Vec3f(across / length) : Vec3f(Vec3f::Zero());
                const Vec3f* at[3] = {&p, &q, &r};
                const uint32_t group = smoothing_of_[c / 3];
                for (size_t k = 0; k < 3; ++k) {
                    if (corner[k].normal != nothing) {
                        continue;
                    }
                    // Of no group: one for all corners of the polygon that the triangle was cut from.
                    const uint64_t key =
                        (static_cast<uint64_t>(group) << 32U) | (group == 0 ? face_of_[c / 3] : corner[k].place);
                    const auto [found, fresh] = shared.try_emplace(key, static_cast<uint32_t>(normals_.size()));
                    if (fresh) {
                        normals_.emplace_back(Vec3f::Zero());
                    }
                    const Vec3f a = (*at[(k + 1) % 3] - *at[k]).normalized();
                    const Vec3f b = (*at[(k + 2) % 3] - *at[k]).normalized();
                    normals_[found->second] += std::acos(std::clamp(a.dot(b), -1.0F, 1.0F)) * face;
                    corner[k].normal = found->second;
                }
            }
        }
    }

    void build() {
        stamp_.assign(places_.size(), nothing);
        first_.resize(places_.size());
        number_.resize(places_.size());
        more_.resize(places_.size());
        is_used_.assign(places_.size(), 0);
        std::vector<std::vector<const Run*>> runs_of(objects_.size());
        for (const Run& run : runs_) {
            if (run.corners > 0) {
                runs_of[run.object].push_back(&run);
            }
        }
        for (size_t object = 0; object < objects_.size(); ++object) {
            build_object(object, runs_of[object]);
        }
    }

    void build_object(size_t object, const std::vector<const Run*>& runs) {
        // One primitive a kind of element and material, in the order in which they first stand.
        std::vector<std::vector<const Run*>> groups;
        std::map<std::pair<Element, int>, size_t> group_of;
        for (const Run* run : runs) {
            const auto [found, fresh] = group_of.try_emplace({run->element, run->material}, groups.size());
            if (fresh) {
                groups.emplace_back();
            }
            groups[found->second].push_back(run);
        }
        if (groups.empty()) {
            return;
        }
        Mesh mesh;
        mesh.name = objects_[object];
        Vertices all;
        for (const std::vector<const Run*>& group : groups) {
            add_primitive(group, groups.size() == 1 && objects_.size() == 1, mesh, all);
        }
        mesh.positions = std::move(all.places);
        mesh.indices = std::move(all.indices);
        if (all.any_normals) {
            mesh.normals = std::move(all.normals);
        }
        if (all.any_coordinates) {
            mesh.attributes.push_back({"TEXCOORD_0", 2, std::move(all.coordinates)});
        }
        if (!colours_.empty()) {
            mesh.attributes.push_back({"COLOR_0", 3, std::move(all.colours)});
        }
        for (Primitive& primitive : mesh.primitives) {
            std::sort(primitive.attributes.begin(), primitive.attributes.end());
        }
        Node node;
        const std::string wanted = objects_[object].empty() ? name_ : objects_[object];
        node.name = wanted;
        for (int number = 2; !node_names_.insert(node.name).second; ++number) {
            node.name = fmt::format("{}_{}", wanted, number);
        }
        mesh.name = node.name;
        node.identity = static_cast<int64_t>(scene_.nodes.size()) + 1;
        node.mesh = static_cast<int>(scene_.meshes.size());
        scene_.meshes.push_back(std::move(mesh));
        scene_.nodes.push_back(std::move(node));
    }

    struct Vertices {
        std::vector<Vec3f> places;
        std::vector<Vec3f> normals;
        std::vector<float> coordinates;
        std::vector<float> colours;
        std::vector<uint32_t> indices;
        bool any_normals = false;
        bool any_coordinates = false;
    };
    struct More {
        uint32_t coordinates;
        uint32_t normal;
        uint32_t number;
        uint32_t next;
    };

    void add_primitive(const std::vector<const Run*>& runs, bool alone, Mesh& mesh, Vertices& all) {
        Primitive primitive;
        primitive.first_point = static_cast<uint32_t>(all.places.size());
        primitive.first_index = static_cast<uint32_t>(all.indices.size());
        primitive.material = runs[0]->material;
        primitive.topology = runs[0]->element == Element::faces   ? Topology::triangles
                             : runs[0]->element == Element::lines ? Topology::lines
                                                                  : Topology::points;
        const auto each_corner = [&](const auto& call) {
            for (const Run* run : runs) {
                for (size_t c = run->first_corner; c < run->first_corner + run->corners; ++c) {
                    call(corners_[c]);
                }
            }
        };
        // Places in the order of the file, each with what it first stands with.
        ++run_;
        std::vector<uint32_t> used;
        bool all_normals = true;
        bool any_coordinates = false;
        each_corner([&](const Corner& corner) {
            all_normals = all_normals && corner.normal != nothing;
            any_coordinates = any_coordinates || corner.coordinates != nothing;
            if (stamp_[corner.place] != run_) {
                stamp_[corner.place] = run_;
                first_[corner.place] = corner;
                more_[corner.place] = nothing;
                used.push_back(corner.place);
            }
        });
        if (!std::is_sorted(used.begin(), used.end())) {
            std::sort(used.begin(), used.end());
        }
        if (alone && used.size() < places_.size()) { // a sculpt's numbers must not slip
            for (uint32_t v = 0; v < places_.size(); ++v) {
                if (stamp_[v] != run_) {
                    stamp_[v] = run_;
                    first_[v] = {v, nothing, nothing};
                    more_[v] = nothing;
                }
            }
            used.resize(places_.size());
            for (uint32_t v = 0; v < used.size(); ++v) {
                used[v] = v;
            }
        }
        primitive.has_normals = all_normals && runs[0]->element == Element::faces;
        const auto add = [&](const Corner& corner) {
            all.places.push_back(places_[corner.place]);
            const bool own = primitive.has_normals && corner.normal != nothing;
            const Vec3f normal = own ? normals_[corner.normal] : Vec3f(Vec3f::Zero());
            all.normals.push_back(normal.squaredNorm() > 0 && normal.allFinite() ? Vec3f(normal.normalized()) : normal);
            if (!all.normals.back().allFinite()) {
                all.normals.back() = Vec3f::Zero();
            }
            const Vec2 at = corner.coordinates != nothing ? coordinates_[corner.coordinates] : Vec2{0, 1};
            all.coordinates.push_back(at.u);
            all.coordinates.push_back(1 - at.v); // up there, down here
            if (!colours_.empty()) {
                const Vec3f colour = corner.place < colours_.size() ? colours_[corner.place] : Vec3f(Vec3f::Ones());
                all.colours.insert(all.colours.end(), {colour.x(), colour.y(), colour.z()});
            }
        };
        for (const uint32_t place : used) {
            is_used_[place] = 1;
            number_[place] = static_cast<uint32_t>(all.places.size());
            add(first_[place]);
        }
        std::vector<More> more;
        each_corner([&](const Corner& corner) {
            const Corner& first = first_[corner.place];
            const auto same = [&](const auto& other) {
                return other.coordinates == corner.coordinates &&
                       (!primitive.has_normals || other.normal == corner.normal);
            };
            if (same(first)) {
                all.indices.push_back(number_[corner.place]);
                return;
            }
            uint32_t* link = &more_[corner.place];
            while (*link != nothing && !same(more[*link])) {
                link = &more[*link].next;
            }
            if (*link == nothing) {
                *link = static_cast<uint32_t>(more.size());
                more.push_back({corner.coordinates, corner.normal, static_cast<uint32_t>(all.places.size()), nothing});
                add(corner);
                all.indices.push_back(more.back().number);
            } else {
                all.indices.push_back(more[*link].number);
            }
        });
        primitive.point_count = static_cast<uint32_t>(all.places.size()) - primitive.first_point;
        primitive.index_count = static_cast<uint32_t>(all.indices.size()) - primitive.first_index;
        all.any_normals = all.any_normals || primitive.has_normals;
        all.any_coordinates = all.any_coordinates || any_coordinates;
        if (any_coordinates) {
            primitive.attributes.emplace_back("TEXCOORD_0");
        }
        if (!colours_.empty()) {
            primitive.attributes.emplace_back("COLOR_0");
        }
        some_without_normals_ = some_without_normals_ ||
                                (!primitive.has_normals && !normals_.empty() && runs[0]->element == Element::faces);
        mesh.primitives.push_back(std::move(primitive));
    }

    void tell() {
        const auto note = [&](std::string what) { scene_.notes.push_back({name_, std::move(what), {}}); };
        if (polygons_ > 0) {
            note(fmt::format("{} of more than three corners became triangles.", counted(polygons_, "face")));
        }
        if (groups_ > 0) {
            note(fmt::format("{} of groups inside objects: a group is no surface of its own where there are objects.",
                             counted(groups_, "line")));
        }
        if (some_without_normals_) {
            note("faces with and without normals under one material: there they have none.");
        }
        if (short_ > 0) {
            note(fmt::format("{} with too few corners: left out.", counted(short_, "element")));
        }
        if (weighted_ > 0) {
            note(fmt::format("{} with a weight: it means something for curves only, and is left out.",
                             counted(weighted_, "vertex")));
        }
        if (const auto unused = std::count(is_used_.begin(), is_used_.end(), 0); unused > 0) {
            note(fmt::format("{} that nothing uses: left out.", counted(unused, "vertex")));
        }
        constexpr size_t most_said = 12;
        if (not_taken_.size() > most_said) {
            note(fmt::format("{} kinds of lines are not read: is it an OBJ?", not_taken_.size()));
            return;
        }
        for (const auto& [key, count] : not_taken_) {
            note(fmt::format("“{}” in {} is not read.", key, counted(count, "line")));
        }
    }

    struct Vec2 {
        float u = 0;
        float v = 0;
    };

    obj::Lines lines_;
    const std::string& name_;
    fs::path folder_;
    std::string problem_;
    Scene scene_;
    std::vector<Vec3f> places_;
    std::vector<Vec3f> colours_; ///< as many as vertices up to the last that has one; empty: none has
    std::vector<Vec2> coordinates_;
    std::vector<Vec3f> normals_;
    std::vector<Corner> corners_;
    std::vector<uint32_t> smoothing_of_; ///< one per three corners
    std::vector<uint32_t> face_of_;      ///< the first triangle of the polygon, one per three corners
    std::vector<Run> runs_;
    bool closed_ = true;
    uint32_t object_ = 0;
    int material_ = -1;
    uint32_t smoothing_ = 0;
    bool has_smoothing_ = false;
    bool has_objects_ = false;
    std::vector<std::string> objects_;
    std::map<std::string, uint32_t> object_places_;
    std::set<std::string> node_names_;
    std::map<std::string, int, std::less<>> material_places_;
    std::vector<Corner> face_;
    std::vector<Vec3f> around_;
    std::vector<std::array<uint32_t, 3>> cut_;
    std::vector<uint32_t> stamp_;
    std::vector<Corner> first_;
    std::vector<uint32_t> number_;
    std::vector<uint32_t> more_;
    std::vector<char> is_used_;
    uint32_t run_ = 0;
    size_t polygons_ = 0;
    size_t groups_ = 0;
    size_t short_ = 0;
    size_t weighted_ = 0;
    bool some_without_normals_ = false;
    std::map<std::string, size_t> not_taken_;
};

} // namespace

Result<Scene> read_obj_text(std::string_view text, const std::string& name, const fs::path& folder) {
    return ObjReader(text, name, folder).run();
}

Result<Scene> read_obj(const fs::path& file) {
    const Result<std::string> text = read_file(file);
    if (!text) {
        return text.problem();
    }
    return read_obj_text(*text, file.stem().string(), fs::absolute(file).parent_path());
}

} // namespace wembrix
