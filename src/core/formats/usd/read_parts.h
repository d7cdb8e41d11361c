// The pieces that the USD reader is made of.
#pragma once

#include "core/formats/usd/compose.h"
#include "core/formats/usd/paths.h"
#include "core/scene/scene.h"

#include <filesystem>
#include <map>
#include <optional>
#include <set>
#include <string>
#include <vector>

namespace wembrix::usd {

/// What a layer that lies nowhere holds: no other file is opened.
Result<Scene> scene_of_layer(Layer layer, const std::string& name);

/// A default, or else the first sample.
const Value* value_of(const Prim& prim, std::string_view attribute);
/// The same as a text, as so many numbers, as a list of texts; nothing where it is something else.
std::optional<std::string> text_of(const Prim& prim, std::string_view attribute);
std::vector<float> floats_of(const Prim& prim, std::string_view attribute);
std::vector<int64_t> integers_of(const Prim& prim, std::string_view attribute);
std::vector<std::string> texts_of(const Prim& prim, std::string_view attribute);
/// The first target of a relationship; empty: none.
std::string target_of(const Prim& prim, std::string_view relationship);
/// A text of an attribute's or prim's metadata; empty: none.
std::string metadata_text(const Dictionary& metadata, std::string_view field);
/// The name to show: what a prim says it is, else its own.
std::string shown_name(const Prim& prim);
/// A text of a prim's custom data; empty: none.
std::string own_word(const Prim& prim, std::string_view name);
/// Names of custom data that say what core has a place for.
bool is_own_word(std::string_view name);
/// USD's matrices are for rows; the first of a value that holds some.
Mat4 matrix_of(const Value& value, size_t place = 0);

/// A skeleton's joints once they are nodes.
struct ReadSkeleton {
    std::vector<std::string> tokens;
    std::vector<int> nodes; ///< one a token
    std::vector<Mat4> binds;
    std::string animation;          ///< path; empty: none
    bool has_skin = false;          ///< some surface is under one of these joints
    std::set<std::string> surfaces; ///< tokens that stand for a surface that hangs there
};

/// What a mesh says of how it is bound, until all skeletons are there.
struct Binding {
    int node = -1;
    std::string skeleton;            ///< path
    std::vector<std::string> joints; ///< tokens that indices count in; empty: the skeleton's
    std::vector<int64_t> indices;
    std::vector<float> weights;
    size_t element = 1;               ///< influences a point
    bool is_rigid = false;            ///< one row for all points
    Mat4 geometry = Mat4::Identity(); ///< where the points were when they were bound
    std::vector<uint32_t> point_of;   ///< the mesh's point that each vertex is
    std::string skin_name{};          ///< empty: none is said
    std::vector<std::string> shapes;  ///< tokens, in the order of the mesh's shapes
    std::vector<double> knots;        ///< of each: the weight of its token at which it is wholly in; 1 but for forms
                                      ///< in between, which have their shape's token
    std::string animation;            ///< path
};

struct Inherited {
    std::string skeleton;
    std::string animation;
    std::string material;
};

struct Reading {
    const Layer& layer;
    std::filesystem::path folder; ///< empty: nothing may be opened
    std::string name;             ///< of the file, without suffix
    Scene scene{};
    double codes_per_second = 24;
    std::map<std::string, ReadSkeleton> skeletons{}; ///< by path
    std::vector<Binding> bindings{};
    std::map<int, int> merged{};        ///< nodes of surfaces that became the joint's that stands for them
    std::map<std::string, int> nodes{}; ///< by path
    std::vector<std::pair<size_t, std::string>> root_surfaces{}; ///< curve sets, and the path of what they grow on
    std::map<std::string, int> materials{};                      ///< by path
    std::map<std::string, int> textures{};                       ///< by file and wraps
    std::map<std::string, int> images{};                         ///< by file
    std::set<std::string> left{};                                ///< types of prims that are not read, told once each
    double first_time = 0;                                       ///< of all samples, in time codes
    bool has_times = false;

    void note(const std::string& where, const Text& what) { scene.notes.push_back({where, what, {}}); }
    /// Seconds from the first sample.
    [[nodiscard]] double seconds(double code) const { return (code - first_time) / codes_per_second; }
};

void read_mesh(Reading& reading, const Prim& prim, const std::string& path, int node, const Inherited& inherited);
void read_curves(Reading& reading, const Prim& prim, const std::string& path, int node, const Inherited& inherited);
void read_skeleton(Reading& reading, const Prim& prim, const std::string& path, int node, const Inherited& inherited);
/// Curves that say where on a surface they grow.
void root_curves(Reading& reading);
/// Skins, influences and what is bound to one joint alone; then clips of skeletons and shapes. `moved` holds the
/// channels of prims that move by themselves.
void bind_meshes(Reading& reading);
void read_clips(Reading& reading, std::vector<Channel> moved);
/// The place of a material; -1: there is none at that path.
int material_at(Reading& reading, const std::string& path);

/// Points over time as a cache of the node's. `point_of`: which of the points each vertex is; empty: as they are.
void read_cache(Reading& reading, const Prim& prim, const std::string& path, int node, size_t points,
                const std::vector<uint32_t>& point_of);

/// Where a prim is in its parent, and how it moves. False, and a note, where it says something that is not read.
struct Placed {
    Transform rest;
    std::vector<Channel> channels; ///< of no node yet
    bool is_free = false;          ///< it does not go with its parent
};
Placed placed(Reading& reading, const Prim& prim, const std::string& path);

} // namespace wembrix::usd
