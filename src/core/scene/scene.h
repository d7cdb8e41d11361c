// A scene: nodes, surfaces, skins, clips and what is carried along. Plain data, cheap to copy (arrays are shared).
#pragma once

#include "core/scene/carried.h"
#include "core/scene/clip.h"
#include "core/scene/mesh.h"

#include <cstdint>
#include <filesystem>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

enum class NodeKind : uint8_t {
    joint,   ///< a bone of a skeleton, or a node between bones
    holder,  ///< above joints or surfaces, and none itself
    surface, ///< carries a mesh
    camera,
    light,
    point, ///< a plain leaf under a joint: an attachment point
    empty, ///< a plain leaf elsewhere: somebody's helper
};
std::string_view kind_name(NodeKind kind);

/// One of the surfaces that were joined into another: which of its points are those of the node it came from.
struct Piece {
    int64_t identity = 0;
    uint32_t first_point = 0;
    uint32_t point_count = 0;
};

struct Node {
    std::string name; ///< unique among the scene's nodes
    int parent = -1;  ///< always before the node itself
    NodeKind kind = NodeKind::empty;
    Transform rest;
    int64_t identity = 0; ///< which received node this is; kept through renames, 0 for none
    int mesh = -1;
    int skin = -1;
    std::vector<float> shape_weights; ///< the node's own starting weights; empty: the mesh's
    uint64_t scenes = 1;              ///< bit i: belongs to the file's scene i
    int camera = -1;                  ///< place in Scene::cameras
    std::vector<Piece> pieces;        ///< of a surface that was joined from several, itself the first; else empty
    Carried carried;
};

struct Skin {
    std::string name;
    std::vector<int> joints; ///< nodes; influences count in this list
    std::vector<Mat4> inverse_binds;
    Carried carried;
};

struct Note {
    std::string where;
    std::string what;
};

struct Scene {
    std::vector<Node> nodes; ///< parents before children
    std::vector<Mesh> meshes;
    std::vector<Skin> skins;
    std::vector<Clip> clips;
    std::vector<Material> materials;
    std::vector<Image> images;
    std::vector<std::string> textures; ///< JSON text each
    std::vector<std::string> samplers;
    std::vector<std::string> cameras;
    std::vector<std::string> scene_names; ///< one per scene of the file; empty: one without a name
    std::vector<std::string> extensions_used;
    std::vector<std::string> extensions_required;
    Carried carried; ///< of the file itself
    Carried asset;
    std::string copyright;
    std::string turn_order = "ZXY"; ///< in which turns about three axes are written, by formats that write them so
    std::vector<Note> notes;        ///< what the reader mended or could not take
    std::vector<std::filesystem::path> beside; ///< files beside the source that it was read from, too

    [[nodiscard]] int find_node(std::string_view name) const; ///< -1 if there is none
    [[nodiscard]] int find_identity(int64_t identity) const;
    [[nodiscard]] const Clip* find_clip(std::string_view name) const;
    /// The shape weights that hold at rest on a surface node, one per shape.
    [[nodiscard]] std::vector<float> rest_shape_weights(int node) const;
};

std::vector<int> joints_of(const Scene& scene);   ///< in order
std::vector<int> root_joints(const Scene& scene); ///< joints without a joint above them
std::vector<int> surfaces_of(const Scene& scene); ///< nodes with a mesh
std::vector<Mat4> rest_world(const Scene& scene); ///< one per node
bool is_above(const Scene& scene, int ancestor, int node);

/// Sorts nodes so that parents come first, otherwise as they stood, and mends every reference.
/// `order[i]` is the old place of new node i; nodes that are not listed are removed with their channels.
void reorder_nodes(Scene& scene, const std::vector<int>& order);
/// Parents before children, as they stood otherwise.
std::vector<int> sorted_order(const std::vector<Node>& nodes);

/// Gives every node its kind from what it carries, the skins, and what is above and below it.
void classify_nodes(Scene& scene);

} // namespace wembrix
