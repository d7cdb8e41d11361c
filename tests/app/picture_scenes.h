// Scenes larger than the demo job, for pictures and tests of the window: made from Tansy.
#pragma once

#include "core/base/result.h"

#include <filesystem>

namespace wembrix::app {

/// Tansy with a joint for each of 240 feathers, in chains of four on her wings: 303 joints. Writes the model, her take
/// and a job that mends it; the job's path.
Result<std::filesystem::path> write_feathered_job(const std::filesystem::path& folder);

/// Tansy and a take of 36 000 frames (20 minutes at 30 a second): her market take forty times over. With
/// `cut_each`, each round is a clip.
Result<std::filesystem::path> write_long_take_job(const std::filesystem::path& folder, bool cut_each);

} // namespace wembrix::app
