// A brush over the weights of one surface: what a dab does to the vertices under it, while a person looks on. The
// stroke that comes out is kept by the step "paint_weights".
#pragma once

#include "core/measure/surface/brush_reach.h"
#include "core/measure/surface/surface_mirror.h"
#include "core/measure/surface/weight_rows.h"
#include "core/scene/scene.h"
#include "core/steps/step.h"
#include "core/steps/surface/weight_strokes.h"

#include <functional>
#include <memory>
#include <optional>
#include <set>
#include <span>
#include <string>
#include <vector>

namespace wembrix {

enum class BrushMode : uint8_t { add, subtract, set, scale, smooth };

struct BrushSettings : BrushReach {
    BrushMode mode = BrushMode::add;
    double value = 1;      ///< of `set` the weight, of `scale` the factor
    bool mirrored = false; ///< the other side gets the same for the joint on that side
};

/// What a value comes to where a dab reaches it by `share`, 0 to 1; `around` is the mean of its neighbours, asked for
/// where it is smoothed.
double brushed(const BrushSettings& settings, double now, double share, const std::function<double()>& around);

/// What a brush needs of a surface and no stroke changes: made once, shared by all brushes over it.
struct BrushSurface {
    Shared<Vec3f> positions; ///< these two tell whether a surface is still the same
    Shared<uint32_t> indices;
    size_t primitives = 0;
    Neighbours neighbours;
    std::vector<std::vector<uint32_t>> doubles;    ///< of each spot its vertices, where several
    std::shared_ptr<const std::string> painted_on; ///< surface_to_bytes, for the step
    std::string painted_on_hash;
};

class WeightBrush {
  public:
    /// Precondition: the node is a surface under a skin, with influences. `before`: of a brush of the same surface from
    /// before an edit; taken over unless vertices or triangles are others now. Without it 100 000 vertices take a
    /// fifth of a second.
    WeightBrush(std::shared_ptr<const Scene> scene, int node, std::shared_ptr<const BrushSurface> before = nullptr);
    [[nodiscard]] const std::shared_ptr<const BrushSurface>& surface() const { return surface_; }
    /// Which vertices answer each other; else the first mirrored dab looks for them.
    void make_mirror();

    [[nodiscard]] const std::shared_ptr<const Scene>& scene() const { return scene_; }
    [[nodiscard]] int node() const { return node_; }
    [[nodiscard]] const WeightRow& row(uint32_t vertex) const { return rows_[vertex]; }
    [[nodiscard]] size_t vertices() const { return rows_.size(); }
    [[nodiscard]] const Neighbours& neighbours() const { return surface_->neighbours; }

    /// Joints (nodes) whose weights no dab changes.
    void lock(const std::set<int>& joints);
    /// Paints the weights of `joint` (a node; it comes into the skin when the stroke is kept, if it is not there yet).
    /// `points` and `normals` are the surface's vertices as they are posed. The vertices that changed are given back,
    /// each once.
    std::vector<uint32_t> dab(int joint, const BrushSettings& settings, const Dab& dab, std::span<const Vec3f> points,
                              std::span<const Vec3f> normals);
    /// The weight of `joint` at these vertices, as typed. Those whose other joints are locked, or that nothing else
    /// holds, stay; the changed ones are given back.
    std::vector<uint32_t> set_weight(int joint, double weight, std::span<const uint32_t> at);

    /// What changed since the last call, with joints as places in `joint_names`; empty if nothing did.
    PaintedRows take_stroke();
    /// Everything that changed since the brush was made: what the scene that it is of does not show.
    [[nodiscard]] const std::set<uint32_t>& changed() const { return changed_; }
    /// Names of the joints by their place in rows: the skin's list, behind it what was painted and is not in it yet.
    [[nodiscard]] std::vector<std::string> joint_names() const;
    /// Place of a joint in rows, if it is there.
    [[nodiscard]] std::optional<uint16_t> place_of(int joint) const;
    [[nodiscard]] std::span<const int> joints() const { return joints_; }

  private:
    uint16_t place_for(int joint);
    [[nodiscard]] std::optional<uint16_t> free_place_above(uint16_t joint) const;
    bool change(uint32_t vertex, uint16_t joint, double weight);
    void paint(int joint, const BrushSettings& settings, const std::vector<std::pair<uint32_t, double>>& shares,
               std::vector<uint32_t>& touched);
    [[nodiscard]] double mean_around(uint32_t vertex, uint16_t joint) const;

    std::shared_ptr<const Scene> scene_;
    int node_;
    std::shared_ptr<const BrushSurface> surface_;
    std::shared_ptr<const SurfaceMirror> mirror_; ///< null until it is needed
    std::vector<int> mirrored_joints_;
    std::vector<WeightRow> rows_;
    std::vector<int> joints_; ///< nodes, by their place in rows
    std::vector<char> locked_;
    std::set<uint32_t> stroke_;
    std::set<uint32_t> changed_;
};

/// Puts a stroke into a step "paint_weights": into the one given if it was painted on this very surface, else into a
/// new one. `into_given` says which.
Step step_with_stroke(const Step* painted, const WeightBrush& brush, const PaintedRows& stroke, bool& into_given);

} // namespace wembrix
