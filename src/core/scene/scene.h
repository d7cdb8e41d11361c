// A scene: nodes, surfaces, skins, clips and what is carried along. Plain data, cheap to copy (arrays are shared).
#pragma once

#include "core/base/text.h"
#include "core/scene/cache_order.h"
#include "core/scene/camera.h"
#include "core/scene/carried.h"
#include "core/scene/clip.h"
#include "core/scene/curve_set.h"
#include "core/scene/hull.h"
#include "core/scene/material.h"
#include "core/scene/mesh.h"
#include "core/scene/point_cache.h"
#include "core/scene/source_fit.h"

#include <cstdint>
#include <filesystem>
#include <string>
#include <string_view>
#include <vector>

namespace wembrix {

enum class NodeKind : uint8_t {
    joint,            ///< a bone of a skeleton, or a node between bones
    parent_transform, ///< above joints or surfaces, and none itself
    surface,          ///< carries a mesh
    camera,
    light,
    point, ///< a plain leaf under a joint: an attachment point
    empty, ///< a plain leaf elsewhere: somebody's helper
    hull,  ///< carries a collision hull
};
std::string_view kind_name(NodeKind kind);

/// One of the surfaces that were joined into another: which of its points are those of the node it came from.
struct Piece {
    int64_t identity = 0;
    uint32_t first_point = 0;
    uint32_t point_count = 0;
    template <typename Self> static auto fields(Self& s) { return std::tie(s.identity, s.first_point, s.point_count); }
};

struct Node {
    std::string name; ///< unique among the scene's nodes
    int parent = -1;  ///< always before the node itself
    NodeKind kind = NodeKind::empty;
    Transform rest;
    int64_t identity = 0; ///< which received node this is; kept through renames, 0 for none
    int mesh = -1;
    int skin = -1;
    Influences influences; ///< of the mesh's vertices by the skin's joints: two nodes may show one mesh under two skins
    std::vector<float> shape_weights; ///< the node's own starting weights; empty: the mesh's
    uint64_t scenes = 1;              ///< bit i: belongs to the file's scene i
    int camera = -1;                  ///< place in Scene::cameras
    int light = -1;                   ///< place in Scene::lights
    int curves = -1;                  ///< place in Scene::curve_sets
    int hull = -1;                    ///< place in Scene::hulls
    std::vector<Piece> pieces;        ///< of a surface that was joined from several, itself the first; else empty
    Carried carried;
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.name, s.parent, s.kind, s.rest, s.mesh, s.skin, s.influences, s.shape_weights, s.scenes,
                        s.camera, s.light, s.curves, s.hull, s.carried);
    }
    [[nodiscard]] bool has_geometry() const { return mesh >= 0 || curves >= 0 || hull >= 0; }
    /// What core keeps of it and no file says.
    template <typename Self> static auto marks(Self& s) { return std::tie(s.identity, s.pieces); }
};

struct Skin {
    std::string name;
    std::vector<int> joints; ///< nodes; influences count in this list
    std::vector<Mat4> inverse_binds;
    Carried carried;
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.name, s.joints, s.inverse_binds, s.carried);
    }
};

struct Note {
    std::string where;
    Text what;
    std::vector<std::string> also{}; ///< further places that the same holds of
    template <typename Self> static auto fields(Self& s) { return std::tie(s.where, s.what, s.also); }
    /// "skin "a" and 3 more"
    [[nodiscard]] Text places() const;
    /// The same of a source among others: its name stands before each place.
    [[nodiscard]] Note of_source(const std::string& source) const;
};

/// One of the scenes that a file divides its nodes into.
struct FileScene {
    std::string name;
    Carried carried;
    template <typename Self> static auto fields(Self& s) { return std::tie(s.name, s.carried); }
};

/// A stop that a person decided to live with: which, what it said then, and why it goes out all the same.
struct Accepted {
    std::string finding; ///< id
    std::string where;   ///< as the finding says it; empty: wherever it is
    std::string message; ///< as it was when it was accepted; another one is another stop. Empty: whatever it says
    std::string note;
    template <typename Self> static auto fields(Self& s) { return std::tie(s.finding, s.where, s.message, s.note); }
};

/// What a person said the scene is, and how tall.
struct ExpectedSize {
    enum class Kind : uint8_t { not_said, figure, animal, thing };
    Kind kind = Kind::not_said;
    double height_m = 0; ///< 0: whatever is common among its kind
    template <typename Self> static auto fields(Self& s) { return std::tie(s.kind, s.height_m); }
};

struct Scene {
    std::vector<Node> nodes; ///< parents before children
    std::vector<Mesh> meshes;
    std::vector<CurveSet> curve_sets;
    std::vector<PointCache> caches;
    std::vector<Hull> hulls;
    std::vector<Skin> skins;
    std::vector<Clip> clips;
    std::vector<Material> materials;
    std::vector<Image> images;
    std::vector<Texture> textures;
    std::vector<Sampler> samplers;
    std::vector<Camera> cameras;
    std::vector<Light> lights;
    std::vector<FileScene> scenes; ///< of the file; empty: one without a name
    int first_scene = 0;           ///< the one that is shown when the file is opened
    std::vector<std::string> extensions_used;
    std::vector<std::string> extensions_required;
    Carried carried; ///< of the file itself
    Carried asset;
    std::string copyright;
    std::vector<Note> notes;                   ///< what the reader mended or could not take
    std::vector<Accepted> accepted;            ///< by the route card
    ExpectedSize expected;                     ///< said on the route card
    std::vector<SourceFit> fits;               ///< of the sources, how each but the first came in
    std::vector<std::filesystem::path> beside; ///< files beside the source that it was read from, too
    std::vector<CacheOrder> orders;            ///< what goes out frame by frame, said on the route card

    /// What a file holds of it, but for its clips.
    template <typename Self> static auto fields(Self& s) {
        return std::tie(s.nodes, s.meshes, s.curve_sets, s.caches, s.hulls, s.skins, s.materials, s.images, s.textures,
                        s.samplers, s.cameras, s.lights, s.scenes, s.first_scene, s.extensions_required, s.carried,
                        s.asset, s.copyright);
    }
    /// What has its own place in a content (clips), is told anew (extensions used) or is of one run.
    template <typename Self> static auto marks(Self& s) {
        return std::tie(s.clips, s.extensions_used, s.notes, s.accepted, s.expected, s.fits, s.beside, s.orders);
    }

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

/// The nearest joint above a node, or -1.
int joint_above(const Scene& scene, int node);
/// A joint and the nearest joint above it, by name.
struct JointRow {
    std::string name;
    std::string parent; ///< empty at a root
    bool operator==(const JointRow&) const = default;
};
/// All joints, in order.
std::vector<JointRow> joint_rows(const Scene& scene);

/// Sorts nodes so that parents come first, otherwise as they stood, and mends every reference.
/// `order[i]` is the old place of new node i; nodes that are not listed are removed with their channels.
void reorder_nodes(Scene& scene, const std::vector<int>& order);
/// Parents before children, as they stood otherwise.
std::vector<int> sorted_order(const std::vector<Node>& nodes);

/// Gives every node its kind from what it carries, the skins, and what is above and below it.
void classify_nodes(Scene& scene);

} // namespace wembrix

// Compiled once, in scene.cpp: written out by each file that copies a scene they were a sixth of all code.
extern template class std::vector<wembrix::Node>;
extern template class std::vector<wembrix::Mesh>;
extern template class std::vector<wembrix::CurveSet>;
extern template class std::vector<wembrix::PointCache>;
extern template class std::vector<wembrix::Hull>;
extern template class std::vector<wembrix::Skin>;
extern template class std::vector<wembrix::Clip>;
extern template class std::vector<wembrix::Channel>;
extern template class std::vector<wembrix::Primitive>;
extern template class std::vector<wembrix::MorphTarget>;
extern template class std::vector<wembrix::Attribute>;
extern template class std::vector<wembrix::Material>;
extern template class std::vector<wembrix::Image>;
extern template class std::vector<wembrix::Texture>;
extern template class std::vector<wembrix::Sampler>;
extern template class std::vector<wembrix::Camera>;
extern template class std::vector<wembrix::Light>;
extern template class std::vector<wembrix::Note>;
extern template class std::vector<wembrix::SourceFit>;
