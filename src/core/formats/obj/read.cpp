#include "core/base/counted.h"
#include "core/base/files.h"
#include "core/base/text.h"
#include "core/formats/beside.h"
#include "core/formats/obj/blocks.h"
#include "core/formats/obj/library.h"
#include "core/formats/obj/obj.h"
#include "core/formats/obj/obj_text.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <map>
#include <set>
#include <unordered_map>

namespace wembrix {

namespace fs = std::filesystem;

namespace {

using obj::Corner;
using obj::Element;
using obj::nothing;

/// Corners of one kind that one object has under one material, one after another in a block.
struct Run {
    uint32_t object = 0;
    int material = -1;
    Element element = Element::faces;
    uint32_t block = 0;
    size_t first_corner = 0;
    size_t corners = 0;
    size_t first_triangle = 0; ///< in the block, of faces
};

class ObjReader {
  public:
    ObjReader(const std::string& name, fs::path folder) : name_(name), folder_(std::move(folder)) {}

    Result<Scene> run(const obj::Text& text, size_t block_bytes) {
        if (!obj::read_blocks(text, block_bytes, blocks_)) {
            return Problem{"cannot be read to its end.", name_, "Is it being written?"};
        }
        const obj::Failure failure = obj::resolve(blocks_, lists_);
        if (!failure.what.empty()) {
            return Problem{failure.what, phrase("{}, line {}", name_, failure.line), ""};
        }
        if (lists_.places.empty()) {
            return Problem{"holds no vertices.", name_, "Is it an OBJ?"};
        }
        size_t corners = 0;
        for (uint32_t b = 0; b < blocks_.size(); ++b) {
            take_block(b);
            corners += blocks_[b].corners.size();
        }
        if (corners >= nothing) {
            return Problem{"has more corners than can be counted.", name_, ""};
        }
        smooth();
        build();
        tell();
        classify_nodes(scene_);
        return std::move(scene_);
    }

  private:
    void take_block(uint32_t number) {
        const obj::Block& block = blocks_[number];
        size_t triangles = 0;
        smoothing_of_.emplace_back();
        closed_ = true; // a run lies in one block
        for (const obj::Statement& statement : block.statements) {
            if (statement.element == Element::word) {
                take_state(block.words[statement.corners]);
                continue;
            }
            if (statement.taken == 0) {
                continue;
            }
            open_run(statement, number, triangles);
            runs_.back().corners += statement.taken;
            if (statement.element == Element::faces) {
                triangles += statement.taken / 3;
                if (!block.face_of.empty()) {
                    smoothing_of_.back().resize(triangles, smoothing_);
                }
            }
        }
        polygons_ += block.polygons;
        short_ += block.too_short;
        weighted_ += block.weighted;
        for (const auto& [key, count] : block.not_taken) {
            not_taken_[key] += count;
        }
    }

    void take_state(const obj::Word& word) {
        if (word.key == "o" || word.key == "g") {
            take_name(word.key == "o", word.rest);
        } else if (word.key == "usemtl") {
            closed_ = true;
            material_ = word.rest.empty() ? -1 : material_called(word.rest);
        } else if (word.key == "mtllib") {
            take_library(word.rest);
        } else {
            uint32_t number = 0;
            for (const char c : word.rest.substr(0, 9)) {
                number = c >= '0' && c <= '9' ? number * 10 + static_cast<uint32_t>(c - '0') : 0;
            }
            smoothing_ = number;
            has_smoothing_ = true;
        }
    }

    void take_name(bool is_object, std::string name) {
        if (is_object) {
            has_objects_ = true;
        } else if (has_objects_) {
            ++groups_;
            return;
        } else if (name.empty() || name == "default" || name == "off") {
            name = "";
        }
        closed_ = true;
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

    void take_library(const std::string& written) {
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
                                        phrase("the library of materials “{}” is not there; it was sought beside "
                                               "the file.",
                                               name.substr(0, 200)),
                                        {}});
                continue;
            }
            scene_.beside.push_back(file);
            obj::read_library(*text, file.filename().string(), folder_, scene_, material_places_);
        }
    }

    void open_run(const obj::Statement& statement, uint32_t block, size_t triangles) {
        if (closed_ || runs_.back().element != statement.element) {
            if (objects_.empty()) {
                objects_.emplace_back();
                object_places_.emplace("", 0);
            }
            runs_.push_back({object_, material_, statement.element, block, statement.first_corner, 0, triangles});
            closed_ = false;
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
            obj::Block& block = blocks_[run.block];
            for (size_t c = 0; run.element == Element::faces && c + 2 < run.corners; c += 3) {
                Corner* corner = &block.corners[run.first_corner + c];
                const Vec3f& p = lists_.places[corner[0].place];
                const Vec3f& q = lists_.places[corner[1].place];
                const Vec3f& r = lists_.places[corner[2].place];
                const Vec3f across = (q - p).cross(r - p);
                const float length = across.norm();
                const Vec3f face = length > 0 ? Vec3f(across / length) : Vec3f(Vec3f::Zero());
                const Vec3f* at[3] = {&p, &q, &r};
                const size_t triangle = run.first_triangle + c / 3;
                const uint32_t group = smoothing_of_[run.block][triangle];
                for (size_t k = 0; k < 3; ++k) {
                    if (corner[k].normal != nothing) {
                        continue;
                    }
                    // Of no group: one for all corners of the polygon that the triangle was cut from.
                    const uint64_t key = (static_cast<uint64_t>(group) << 32U) |
                                         (group == 0 ? block.face_of[triangle] : corner[k].place);
                    const auto [found, fresh] = shared.try_emplace(key, static_cast<uint32_t>(lists_.normals.size()));
                    if (fresh) {
                        lists_.normals.emplace_back(Vec3f::Zero());
                    }
                    const Vec3f a = (*at[(k + 1) % 3] - *at[k]).normalized();
                    const Vec3f b = (*at[(k + 2) % 3] - *at[k]).normalized();
                    lists_.normals[found->second] += std::acos(std::clamp(a.dot(b), -1.0F, 1.0F)) * face;
                    corner[k].normal = found->second;
                }
            }
        }
    }

    void build() {
        stamp_.assign(lists_.places.size(), nothing);
        first_.resize(lists_.places.size());
        number_.resize(lists_.places.size());
        more_.resize(lists_.places.size());
        is_used_.assign(lists_.places.size(), 0);
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
        if (!lists_.colours.empty()) {
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
                const Corner* first = blocks_[run->block].corners.data() + run->first_corner;
                std::for_each(first, first + run->corners, call);
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
        if (alone && used.size() < lists_.places.size()) { // a sculpt's numbers must not slip
            for (uint32_t v = 0; v < lists_.places.size(); ++v) {
                if (stamp_[v] != run_) {
                    stamp_[v] = run_;
                    first_[v] = {v, nothing, nothing};
                    more_[v] = nothing;
                }
            }
            used.resize(lists_.places.size());
            for (uint32_t v = 0; v < used.size(); ++v) {
                used[v] = v;
            }
        }
        primitive.has_normals = all_normals && runs[0]->element == Element::faces;
        const auto add = [&](const Corner& corner) {
            all.places.push_back(lists_.places[corner.place]);
            const bool own = primitive.has_normals && corner.normal != nothing;
            const Vec3f normal = own ? lists_.normals[corner.normal] : Vec3f(Vec3f::Zero());
            all.normals.push_back(normal.squaredNorm() > 0 && normal.allFinite() ? Vec3f(normal.normalized()) : normal);
            if (!all.normals.back().allFinite()) {
                all.normals.back() = Vec3f::Zero();
            }
            const obj::Coordinates at =
                corner.coordinates != nothing ? lists_.coordinates[corner.coordinates] : obj::Coordinates{0, 1};
            all.coordinates.push_back(at.u);
            all.coordinates.push_back(1 - at.v); // up there, down here
            if (!lists_.colours.empty()) {
                const Vec3f colour =
                    corner.place < lists_.colours.size() ? lists_.colours[corner.place] : Vec3f(Vec3f::Ones());
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
        if (!lists_.colours.empty()) {
            primitive.attributes.emplace_back("COLOR_0");
        }
        some_without_normals_ = some_without_normals_ || (!primitive.has_normals && !lists_.normals.empty() &&
                                                          runs[0]->element == Element::faces);
        mesh.primitives.push_back(std::move(primitive));
    }

    void tell() {
        const auto note = [&](Text what) { scene_.notes.push_back({name_, std::move(what), {}}); };
        if (polygons_ > 0) {
            note(phrase("{} of more than three corners became triangles.", counted(polygons_, "face")));
        }
        if (groups_ > 0) {
            note(phrase("{} of groups inside objects: a group is no surface of its own where there are objects.",
                        counted(groups_, "line")));
        }
        if (some_without_normals_) {
            note("faces with and without normals under one material: there they have none.");
        }
        if (short_ > 0) {
            note(phrase("{} with too few corners: left out.", counted(short_, "element")));
        }
        if (weighted_ > 0) {
            note(phrase("{} with a weight: it means something for curves only, and is left out.",
                        counted(weighted_, "vertex")));
        }
        if (const auto unused = std::count(is_used_.begin(), is_used_.end(), 0); unused > 0) {
            note(phrase("{} that nothing uses: left out.", counted(unused, "vertex")));
        }
        constexpr size_t most_said = 12;
        if (not_taken_.size() > most_said) {
            note(phrase("{} kinds of lines are not read: is it an OBJ?", not_taken_.size()));
            return;
        }
        for (const auto& [key, count] : not_taken_) {
            note(phrase("“{}” in {} is not read.", key, counted(count, "line")));
        }
    }

    const std::string& name_;
    fs::path folder_;
    Scene scene_;
    std::vector<obj::Block> blocks_;
    obj::Lists lists_;
    std::vector<std::vector<uint32_t>> smoothing_of_; ///< by block and triangle; where smoothing is said at all
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

Result<Scene> read_obj_text(std::string_view text, const std::string& name, const fs::path& folder,
                            size_t block_bytes) {
    return ObjReader(name, folder).run(obj::Text(text), block_bytes);
}

Result<Scene> read_obj(const fs::path& file) {
    const Result<FileRanges> opened = FileRanges::open(file);
    if (!opened) {
        return opened.problem();
    }
    constexpr uint64_t largest = 4ULL << 30U;
    if (opened->size() > largest) {
        return Problem{"is larger than 4 GiB.", file.string(), ""};
    }
    const std::string name = file.stem().string();
    return ObjReader(name, fs::absolute(file).parent_path()).run(obj::Text(*opened), obj_block_bytes);
}

} // namespace wembrix
