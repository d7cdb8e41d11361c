// Is the skeleton of any file clean, for a destination? No job and no Prepared are needed.
#pragma once

#include "core/delivery/delivery.h"
#include "core/measure/skeleton/contract.h"

#include <optional>

namespace wembrix {

/// One root with the destination's name; no holder above a joint; every joint scale 1 at rest and in all keys; names
/// within the pattern and the length, none alike but for capitals; inverse binds that are the inverse of the rest pose
/// within 1e-6 (of the size, above 1 m); joints listed parents first and by every skin in one order; influences within
/// the limit; and, with a contract (the given one, else the destination's), the same skeleton.
std::vector<Claim> verify_scene(const Scene& scene, const Destination& destination,
                                const std::optional<Contract>& contract);

} // namespace wembrix
