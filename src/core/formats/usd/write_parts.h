// The pieces that the USD writer is made of.
#pragma once

#include "core/formats/format.h"
#include "core/formats/usd/layer.h"
#include "core/measure/clips/baked.h"
#include "core/scene/scene.h"

#include <map>
#include <set>
#include <string>
#include <vector>

namespace wembrix::usd {

/// A prim's name: letters, digits and underscores, no digit first; another than those that are taken.
std::string prim_name(const std::string& name, std::set<std::string>& taken);

/// What stands behind the last "/".
std::string last_name(const std::string& path);

Property attribute(std::string name, std::string type, Value value);
Property uniform(std::string name, std::string type, Value value);
Property relation(std::string name, std::string target);
Property& interpolated(Property& attribute, const char* interpolation);
Value matrix_value(const Mat4& matrix);
Value matrices_value(const std::vector<Mat4>& matrices);
Value extent_of(const std::vector<Vec3f>& points, float around = 0);

/// All joints below one node, or at the top: what a Skeleton prim holds.
struct WrittenSkeleton {
    int holder = -1;        ///< node; -1: the root prim
    std::vector<int> nodes; ///< joints and points, parents first
    std::vector<std::string> tokens;
    std::map<int, size_t> place_of; ///< of a node in both lists
    std::vector<Mat4> binds;
    std::string path; ///< of the prim
    std::string animation;
};

struct Writing {
    const Scene& scene;
    std::string stem;
    std::vector<WrittenFile> files{}; ///< images
    std::vector<Mat4> world{};        ///< at rest
    std::vector<WrittenSkeleton> skeletons{};
    std::vector<int> skeleton_of{};       ///< of each node that is in one; -1
    std::vector<Mat4> geometry_of_skin{}; ///< where a skin's surfaces were when they were bound
    std::vector<std::string> material_paths{};
    std::map<std::pair<int, size_t>, std::string> shape_tokens{}; ///< of a surface node's shape
    double codes_per_second = 24;
    bool has_time = false;
    BakedClip baked{};                  ///< the first clip
    std::map<int, std::string> paths{}; ///< of nodes that are prims
};

/// A scene as a layer.
struct WrittenStage {
    Layer layer;
    std::vector<WrittenFile> files;     ///< images
    std::map<int, std::string> paths{}; ///< of nodes that are prims
};
Result<WrittenStage> stage_of(const Scene& scene, const std::string& stem, const AxisSystem& space);

/// Prims for the mesh or the curves that a node carries; children of it as well (subsets, shapes).
Result<Prim> mesh_prim(Writing& writing, int node, const std::string& name, const std::string& path);
Prim curves_prim(Writing& writing, int node, const std::string& name);
/// Puts together all skeletons: which joints they hold, and where those were bound. A Problem where two skins say two
/// bind poses of one joint.
Outcome find_skeletons(Writing& writing);
Prim skeleton_prim(const Writing& writing, const WrittenSkeleton& skeleton);
/// The clip's motion of a skeleton, and of the shapes that were told to it.
Prim animation_prim(const Writing& writing, const WrittenSkeleton* skeleton, const std::string& name);
/// A scope with all materials; images go to the files.
Prim materials_prim(Writing& writing, const std::string& root);

} // namespace wembrix::usd
