// What a scene holds, as the stable JSON of the command line. See docs/cli.md.
#pragma once

#include "core/destination/destination.h"
#include "core/findings/finding.h"
#include "core/job/replay.h"
#include "core/scene/scene.h"

#include <nlohmann/json.hpp>

namespace wembrix {

nlohmann::json inspect_scene(const Scene& scene, std::span<const Destination> destinations = {});
nlohmann::json finding_to_json(const Finding& finding);
nlohmann::json step_outcomes_to_json(const Replay& replay);

} // namespace wembrix
