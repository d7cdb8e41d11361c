#include "core/measure/surface/rest_places.h"

#include "core/measure/surface/deform.h"

namespace wembrix {

std::vector<Vec3f> rest_places(const Scene& scene, int node) {
    Deformer deformer(scene, {node});
    std::vector<Vec3f> places(deformer.point_count());
    deformer.points(Poser(scene, nullptr).rest(), places);
    return places;
}

} // namespace wembrix
