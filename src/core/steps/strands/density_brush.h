// A brush over how densely strands may grow, vertex by vertex. What comes out is kept by the step "strand_region".
#pragma once

#include "core/base/result.h"
#include "core/measure/surface/brush_reach.h"
#include "core/measure/surface/surface_mirror.h"
#include "core/scene/scene.h"
#include "core/steps/surface/weight_brush.h"

#include <memory>
#include <span>
#include <string>
#include <vector>

namespace wembrix {

/// Little-endian: "WBXDENS1", how many vertices, a float from 0 to 1 for each.
std::string density_to_bytes(const std::vector<float>& density);
/// A Problem for bytes that are anything else.
Result<std::vector<float>> density_from_bytes(const std::string& bytes);

/// How densely the strands at node `strands` may grow, one a vertex of a surface: the mean of the faces around it. None
/// where that is -1, or they grow elsewhere.
std::vector<float> density_of_region(const Scene& scene, int surface, int strands);

class DensityBrush {
  public:
    /// `density`: one a vertex. Precondition: `surface` carries a mesh.
    DensityBrush(std::shared_ptr<const Scene> scene, int surface, std::vector<float> density);

    [[nodiscard]] const std::shared_ptr<const Scene>& scene() const { return scene_; }
    [[nodiscard]] int surface() const { return surface_; }
    [[nodiscard]] const std::vector<float>& density() const { return density_; }

    /// `points` and `normals` as they are posed. The vertices that changed, ascending, each once.
    std::vector<uint32_t> dab(const BrushSettings& settings, const Dab& dab, std::span<const Vec3f> points,
                              std::span<const Vec3f> normals);
    /// Whether a dab changed anything since this was asked last.
    [[nodiscard]] bool take_changed() { return std::exchange(changed_, false); }

  private:
    [[nodiscard]] float wanted(const BrushSettings& settings, uint32_t vertex, double share) const;

    std::shared_ptr<const Scene> scene_;
    int surface_;
    Neighbours neighbours_;
    std::vector<std::vector<uint32_t>> doubles_;
    std::shared_ptr<const SurfaceMirror> mirror_; ///< null until it is needed
    std::vector<float> density_;
    bool changed_ = false;
};

} // namespace wembrix
