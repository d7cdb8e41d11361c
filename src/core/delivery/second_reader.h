// What a real engine's importer makes of delivered files, held against what is in them.
#pragma once

#include "core/base/result.h"
#include "core/measure/comparison/claim.h"
#include "core/scene/scene.h"

#include <filesystem>
#include <functional>
#include <nlohmann/json.hpp>
#include <optional>
#include <string>
#include <vector>

namespace wembrix {

/// Where the importer is that can be asked, if one is installed: the open-source engine's server of Debian's package
/// `godot3-server`.
std::optional<std::filesystem::path> second_reader();
/// One line that says how to get one.
Text how_to_get_second_reader();
/// Whether it reads such files: .glb, .gltf and .dae.
bool second_reader_reads(const std::filesystem::path& file);

struct SecondReaderRequest {
    std::vector<std::filesystem::path> files;
    double longest_s = 120; ///< then it is ended with all that it started
    std::function<bool()> stop{};
};

/// Has it import the files, in a folder of its own and as processes that end with this one, and holds its answer
/// against what we read: a list of claims for each file, in their order.
Result<std::vector<std::vector<Claim>>> ask_second_reader(const SecondReaderRequest& request);

/// The claims of one file: what it said of it (null: it could not import it) against what is in it.
std::vector<Claim> second_reader_claims(const Scene& file, const nlohmann::json& answer);

} // namespace wembrix
