// Scenes larger than the demo job, for pictures and tests of the window: made from Tansy.
#pragma once

#include "core/base/result.h"

#include <filesystem>

namespace wembrix::app {

/// Tansy with a joint for each of 240 feathers, in chains of four on her wings: 303 joints. Writes the model, her take
/// and a job that mends it; the job's path.
Result<std::filesystem::path> write_feathered_job(const std::filesystem::path& folder);

/// Tansy and a take of 36 000 frames (20 minutes at 30 a second): her market take forty times over.
Result<std::filesystem::path> write_long_take_job(const std::filesystem::path& folder);

/// Tansy and forty short takes, each a file of its own: parts of her market take, none of them cut.
Result<std::filesystem::path> write_forty_takes_job(const std::filesystem::path& folder);

} // namespace wembrix::app
