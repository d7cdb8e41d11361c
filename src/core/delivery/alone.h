// Files of a part of the scene alone: a prop, the collision hulls, swatches of the materials.
#pragma once

#include "core/delivery/delivery.h"

#include <string>
#include <vector>

namespace wembrix {

/// The names that the props of a scene with a surface have as files, in order: that of its surface where it has but
/// one, else its own. No two are alike.
std::vector<std::string> names_of_props(const Scene& prepared);
/// The scene with that prop alone, where it stands. Precondition: there is one of that name.
Scene prop_alone(const Scene& prepared, const std::string& name);

/// The hulls as surfaces at the top of the file; empty where there are none.
Conformed conform_hulls(const Scene& prepared, const Destination& destination);
void check_hulls(const Scene& prepared, const Scene& arrived, const Destination& destination, Arrival& arrival);

/// A square of ten centimetres for each material that a surface uses, named for it, side by side.
Scene swatches(const Scene& prepared);
void check_swatches(const Scene& prepared, const Scene& arrived, const Destination& destination, Arrival& arrival);

} // namespace wembrix
