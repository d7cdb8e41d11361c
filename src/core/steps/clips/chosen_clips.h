// Which clips a step means.
#pragma once

#include "core/base/result.h"
#include "core/scene/scene.h"

#include <nlohmann/json_fwd.hpp>
#include <optional>
#include <string>
#include <vector>

namespace wembrix {

/// Clips whose names fit one of the patterns (* and ? stand for any characters); without patterns all of them. A
/// Problem when there is none.
Result<std::vector<size_t>> chosen_clips(const Scene& scene, const std::vector<std::string>& patterns);
/// The one clip of that name.
Result<size_t> named_clip(const Scene& scene, const std::string& name);

/// "wade" or "3 clips", for accounts.
Text clips_said(const Scene& scene, const std::vector<size_t>& clips);

/// "#RRGGBB" or nothing.
bool is_colour(const std::string& text);
/// The same as a check of a parameter.
std::optional<Problem> check_colour(const nlohmann::json& value);

/// Says of a clip that its motion is another one now, on purpose.
void mark_remade(Clip& clip);

} // namespace wembrix
