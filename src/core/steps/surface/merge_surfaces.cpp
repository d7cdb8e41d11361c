// Makes one surface of several: a prop of many parts goes out as one mesh. Parts (material slots) stay apart.
#include "core/base/counted.h"
#include "core/base/text.h"
#include "core/scene/append_mesh.h"
#include "core/steps/names.h"
#include "core/steps/step_kind.h"
#include "core/steps/surface/joined_shapes.h"

#include <Eigen/LU>
#include <algorithm>
#include <optional>
#include <set>

namespace wembrix {

namespace {

/// Whether any key of the channel differs from what the node has at rest.
bool moves(const Channel& channel, const Transform& rest) {
    const size_t width = channel.width;
    const bool cubic = channel.interpolation == Interpolation::cubic;
    Vec3 at_rest = channel.path == Path::scale ? rest.scale : rest.translation;
    for (size_t i = 0; width > 0 && (i + 1) * width <= channel.values.size(); ++i) {
        const float* v = &channel.values[i * width];
        if (cubic && i % 3 != 1) {
            if (std::any_of(v, v + width, [](float tangent) { return std::abs(tangent) > 1e-6F; })) {
                return true;
            }
        } else if (channel.path == Path::rotation) {
            if (std::abs(rest.rotation.dot(Quat(v[3], v[0], v[1], v[2]))) < 1 - 1e-10) {
                return true;
            }
        } else if ((Vec3(v[0], v[1], v[2]) - at_rest).norm() > 1e-6 * std::max(1.0, at_rest.norm())) {
            return true;
        }
    }
    return false;
}

class Join {
  public:
    Join(const Scene& scene, std::vector<int> surfaces) : from_(scene), surfaces_(std::move(surfaces)), shapes_(scene) {
        for (const Clip& clip : from_.clips) {
            for (const Channel& channel : clip.channels) {
                const Node& node = from_.nodes[channel.node];
                if (channel.path != Path::weights && moves(channel, node.rest)) {
                    moving_.insert(channel.node);
                }
            }
        }
        world_ = rest_world(from_);
    }

    Result<StepResult> run(const std::string& name) {
        result_.scene = from_;
        into_ = surfaces_.front();
        for (const int node : surfaces_) {
            if (is_skinned(node) && skin_ < 0) {
                skin_ = from_.nodes[node].skin;
            }
        }
        bound_ = skin_ < 0 ? Skin{} : from_.skins[skin_];
        for (const int node : surfaces_) {
            if (Outcome added = add(node); !added) {
                return added.problem();
            }
        }
        if (skin_ >= 0) {
            influences_ = {offsets_, joints_, weights_};
        }
        place(name);
        return std::move(result_);
    }

  private:
    [[nodiscard]] bool is_skinned(int node) const {
        const Node& surface = from_.nodes[node];
        return surface.skin >= 0 && !surface.influences.empty();
    }

    /// What of `node`'s way up to `above` (not counted) moves, or -1.
    [[nodiscard]] int moving_between(int node, int above) const {
        for (int at = node; at >= 0 && at != above; at = from_.nodes[at].parent) {
            if (moving_.count(at) != 0) {
                return at;
            }
        }
        return -1;
    }

    Outcome add(int node) {
        Mesh mesh = from_.meshes[from_.nodes[node].mesh];
        Result<std::vector<uint16_t>> places = is_skinned(node) ? fit_skin(node, mesh)
                                               : skin_ >= 0     ? fit_joint(node, mesh)
                                                                : fit_frame(node, mesh);
        if (!places) {
            return places.problem();
        }
        const auto first = static_cast<uint32_t>(mesh_.point_count());
        if (first == 0) {
            // The first keeps what is the mesh's own.
            mesh_ = mesh;
            mesh_.shapes.clear();
            mesh_.shape_weights.clear();
        } else {
            if (!mesh.carried.empty()) {
                result_.could_not.push_back(phrase("what {} carried along is left out", from_.nodes[node].name));
            }
            if (Outcome done = append_mesh(mesh_, mesh); !done) {
                return done;
            }
        }
        add_rows(mesh, from_.nodes[node].influences, places.value(), is_skinned(node));
        shapes_.add(node, mesh, first, result_.could_not);
        const Node& surface = from_.nodes[node];
        const auto count = static_cast<uint32_t>(mesh.point_count());
        std::vector<Piece> own = surface.pieces;
        if (own.empty()) {
            own.push_back({surface.identity, 0, count});
        }
        for (Piece piece : own) {
            piece.first_point += first;
            pieces_.push_back(piece);
        }
        return Done{};
    }

    /// Both bound to joints: their skins become one. The surface is carried into the space the first is bound in.
    Result<std::vector<uint16_t>> fit_skin(int node, Mesh& mesh) {
        const Skin& skin = from_.skins[from_.nodes[node].skin];
        std::optional<Mat4> carry;
        const auto place_of = [&](int joint) {
            return std::find(bound_.joints.begin(), bound_.joints.end(), joint) - bound_.joints.begin();
        };
        for (size_t j = 0; j < skin.joints.size(); ++j) {
            const size_t at = place_of(skin.joints[j]);
            if (at == bound_.joints.size()) {
                continue;
            }
            const Mat4 here = bound_.inverse_binds[at].inverse() * skin.inverse_binds[j];
            if (carry && !carry->isApprox(here, 1e-5)) {
                return Problem{
                    phrase("“{}” is bound in another pose than “{}”.", from_.nodes[node].name, from_.nodes[into_].name),
                    "", "Set the rest pose first: then all surfaces are bound in one."};
            }
            carry = carry ? carry : here;
        }
        const Mat4 to_first = carry && !carry->isIdentity(1e-7) ? *carry : Mat4(Mat4::Identity());
        transform_geometry(mesh, to_first);
        std::vector<uint16_t> places;
        for (size_t j = 0; j < skin.joints.size(); ++j) {
            const size_t at = place_of(skin.joints[j]);
            if (at == bound_.joints.size()) {
                bound_.joints.push_back(skin.joints[j]);
                bound_.inverse_binds.push_back(skin.inverse_binds[j] * to_first.inverse());
            }
            places.push_back(static_cast<uint16_t>(at));
        }
        return places;
    }

    /// A rigid surface beside bound ones: the joint it hangs on holds all of it.
    Result<std::vector<uint16_t>> fit_joint(int node, Mesh& mesh) {
        int joint = node;
        while (joint >= 0 && from_.nodes[joint].kind != NodeKind::joint) {
            joint = from_.nodes[joint].parent;
        }
        if (joint < 0) {
            return Problem{phrase("“{}” hangs on no joint, and “{}” is moved by joints.", from_.nodes[node].name,
                                  from_.nodes[bound_surface()].name),
                           "", "Join it with surfaces that stand still, or leave it apart."};
        }
        if (const int mover = moving_between(node, joint); mover >= 0) {
            return moves_by_itself(node, mover, joint);
        }
        auto at =
            static_cast<size_t>(std::find(bound_.joints.begin(), bound_.joints.end(), joint) - bound_.joints.begin());
        if (at == bound_.joints.size()) {
            bound_.joints.push_back(joint);
            bound_.inverse_binds.push_back(world_[joint].inverse());
        }
        transform_geometry(mesh, bound_.inverse_binds[at].inverse() * world_[joint].inverse() * world_[node]);
        return std::vector<uint16_t>{static_cast<uint16_t>(at)};
    }

    /// Rigid ones: into the frame of the first.
    Result<std::vector<uint16_t>> fit_frame(int node, Mesh& mesh) {
        int common = into_;
        while (common >= 0 && common != node && !is_above(from_, common, node)) {
            common = from_.nodes[common].parent;
        }
        for (const int end : {node, into_}) {
            if (const int mover = moving_between(end, common); mover >= 0 && node != into_) {
                return moves_by_itself(node, mover, into_);
            }
        }
        transform_geometry(mesh, node == into_ ? Mat4(Mat4::Identity()) : Mat4(world_[into_].inverse() * world_[node]));
        return std::vector<uint16_t>{};
    }

    [[nodiscard]] Problem moves_by_itself(int node, int mover, int against) const {
        return {phrase("“{}” does not keep its place on “{}”: “{}” moves in a clip.", from_.nodes[node].name,
                       from_.nodes[against].name, from_.nodes[mover].name),
                "", "Leave it apart."};
    }

    [[nodiscard]] int bound_surface() const {
        return *std::find_if(surfaces_.begin(), surfaces_.end(), [&](int node) { return is_skinned(node); });
    }

    void add_rows(const Mesh& mesh, const Influences& rows, const std::vector<uint16_t>& places, bool skinned) {
        if (skin_ < 0) {
            return;
        }
        for (size_t i = 0; i < mesh.point_count(); ++i) {
            if (skinned) {
                for (uint32_t k = rows.offsets[i]; k < rows.offsets[i + 1]; ++k) {
                    joints_.push_back(places[rows.joints[k]]);
                    weights_.push_back(rows.weights[k]);
                }
            } else {
                joints_.push_back(places[0]);
                weights_.push_back(1);
            }
            offsets_.push_back(static_cast<uint32_t>(joints_.size()));
        }
    }

    void place(const std::string& name) {
        Scene& scene = result_.scene;
        std::set<int> meshes;
        for (const int node : surfaces_) {
            meshes.insert(scene.nodes[node].mesh);
        }
        for (size_t c = 0; c < scene.clips.size(); ++c) {
            std::vector<Channel>& channels = scene.clips[c].channels;
            std::erase_if(channels, [&](const Channel& channel) {
                return channel.path == Path::weights &&
                       std::find(surfaces_.begin(), surfaces_.end(), channel.node) != surfaces_.end();
            });
            if (std::optional<Channel> weights = shapes_.weights_in(c, into_)) {
                channels.push_back(std::move(*weights));
            }
        }
        std::vector<char> has_children(scene.nodes.size(), 0);
        for (const Node& node : scene.nodes) {
            if (node.parent >= 0) {
                has_children[node.parent] = 1;
            }
        }
        std::vector<char> gone(scene.nodes.size(), 0);
        for (const int at : surfaces_) {
            Node& node = scene.nodes[at];
            node.mesh = node.skin = -1;
            node.influences = {};
            node.shape_weights.clear();
            node.pieces.clear();
            gone[at] = at != into_ && has_children[at] == 0 && node.carried.empty() ? 1 : 0;
        }
        Node& into = scene.nodes[into_];
        into.influences = influences_;
        into.name = name;
        into.pieces = pieces_;
        into.shape_weights = shapes_.rest();
        into.kind = NodeKind::surface;
        into.skin = skin_ < 0 ? -1 : place_skin(scene);
        into.mesh = place_mesh(scene, meshes);
        std::vector<int> order;
        for (size_t i = 0; i < scene.nodes.size(); ++i) {
            if (gone[i] == 0) {
                order.push_back(static_cast<int>(i));
            }
        }
        reorder_nodes(scene, order);
    }

    int place_skin(Scene& scene) const {
        if (bound_.joints.size() == scene.skins[skin_].joints.size()) {
            return skin_;
        }
        scene.skins.push_back(bound_);
        return static_cast<int>(scene.skins.size()) - 1;
    }

    /// The joined mesh takes the place of one that nothing shows any more; others of that kind go.
    int place_mesh(Scene& scene, const std::set<int>& meshes) {
        mesh_.shapes = shapes_.take();
        mesh_.shape_weights.clear();
        std::vector<char> gone(scene.meshes.size(), 0);
        for (const int mesh : meshes) {
            gone[mesh] = std::none_of(scene.nodes.begin(), scene.nodes.end(),
                                      [&](const Node& node) { return node.mesh == mesh; })
                             ? 1
                             : 0;
        }
        std::vector<int> place(scene.meshes.size(), -1);
        std::vector<Mesh> kept;
        for (size_t m = 0; m < scene.meshes.size(); ++m) {
            if (gone[m] == 0) {
                place[m] = static_cast<int>(kept.size());
                kept.push_back(std::move(scene.meshes[m]));
            }
        }
        kept.push_back(std::move(mesh_));
        scene.meshes = std::move(kept);
        for (Node& node : scene.nodes) {
            node.mesh = node.mesh < 0 ? -1 : place[node.mesh];
        }
        return static_cast<int>(scene.meshes.size()) - 1;
    }

    const Scene& from_;
    std::vector<int> surfaces_;
    std::set<int> moving_;
    std::vector<Mat4> world_;
    StepResult result_;
    int into_ = -1;
    int skin_ = -1; ///< of the first bound surface
    Skin bound_;
    Influences influences_; ///< of the merged surface, where it is skinned
    Mesh mesh_;
    std::vector<uint32_t> offsets_ = {0};
    std::vector<uint16_t> joints_;
    std::vector<float> weights_;
    std::vector<Piece> pieces_;
    JoinedShapes shapes_;
};

struct MergeSettings {
    std::vector<std::string> surfaces;
    std::string name;
};

Result<StepResult> apply_merge_surfaces(const StepContext& context, const MergeSettings& settings) {
    const Scene& scene = context.scene;
    const std::vector<std::string>& patterns = settings.surfaces;
    std::string name = settings.name;
    std::vector<int> chosen;
    const NamePatterns meant(patterns, scene);
    for (const int node : surfaces_of(scene)) {
        if (meant.any_fits(scene.nodes[node].name)) {
            chosen.push_back(node);
        }
    }
    if (chosen.size() < 2) {
        return Problem{chosen.empty() ? phrase("no surface is called {}.", some_of(patterns))
                                      : phrase("“{}” is the only surface that is meant.", scene.nodes[chosen[0]].name),
                       "", ""};
    }
    name = name.empty() ? scene.nodes[chosen.front()].name : name;
    std::vector<std::string> names;
    for (const int node : chosen) {
        names.push_back(scene.nodes[node].name);
    }
    if (const int taken = scene.find_node(name);
        taken >= 0 && std::find(chosen.begin(), chosen.end(), taken) == chosen.end()) {
        return Problem{phrase("the name \"{}\" is taken already.", name), "", ""};
    }
    Result<StepResult> joined = Join(scene, chosen).run(name);
    if (joined) {
        joined->account = phrase("{} into “{}” ({})", counted(chosen.size(), "surface"), name, some_of(names));
    }
    return joined;
}

} // namespace

StepKind merge_surfaces_step() {
    return make_step<MergeSettings>(
        {"merge_surfaces", "Merge surfaces",
         "A prop of many parts costs an engine as many draws; as one mesh it keeps its materials and costs less.",
         StepSubject::surface},
        {list<&MergeSettings::surfaces>(
             "surfaces", "Surfaces",
             "Names with * and ?; primitives and materials stay apart. Rigid ones keep their "
             "position; beside bound ones a rigid one follows the joint it hangs on. Shapes of "
             "one name that move in step become one")
             .items(1)
             .naming(NameOf::surface)
             .typed_as("one per line, * and ? allowed")
             .starting(nlohmann::json::array()),
         text<&MergeSettings::name>("name", "Into",
                                    "What the surface is called; the first one's name where it is not set")
             .typed_as("the first one's name if empty")},
        apply_merge_surfaces);
}

} // namespace wembrix
