// Colours of vertices that say something: how heavily a joint holds them, by how many joints they are held, their slot.
#pragma once

#include "core/scene/scene.h"

#include <QString>
#include <map>
#include <memory>
#include <vector>

namespace wembrix::app {

/// For one scene; drawn on that scene alone. Colours as shown, 0 to 1, one per vertex of each node's mesh.
struct VertexColours {
    std::shared_ptr<const Scene> scene;
    std::map<int, std::vector<Vec3f>> of; ///< by surface node; those that are not there are grey
    QString title;                        ///< what they say
    QString low, high;                    ///< the ends of the scale, from pale straw to dark plum; empty: there is none
};

/// Of one weight: grey for none.
Vec3f weight_colour(double weight);
/// Pale straw for the least weight to dark plum for 1; grey where the joint holds nothing.
std::shared_ptr<VertexColours> weight_colours(std::shared_ptr<const Scene> scene, int joint);
/// Pale straw for one joint to dark plum for the most; `only` shows those with exactly so many, others grey; 0: all.
std::shared_ptr<const VertexColours> influence_colours(std::shared_ptr<const Scene> scene, size_t only);
/// One slot of a surface in the accent's colour, all else grey.
std::shared_ptr<const VertexColours> slot_colours(std::shared_ptr<const Scene> scene, int node, size_t slot);

} // namespace wembrix::app
